"""compose(scene, paper): scale, lanes and leaders in paper units; marks ready for any writer.

A mark is a path, a circle or a text in px from the paper's top left corner, y down.
"""

from textwrap import wrap
from typing import Literal

from shadbo.core.drawing.dims import dim_group
from shadbo.core.drawing.ink import ACCENT, FILLS, INK, SOFT, STROKES, Stroke
from shadbo.core.drawing.marks import PX_PER_MM, Circle, Fit, Group, Image, Paper, Path, Sheet2D, Text
from shadbo.core.drawing.scene import Dim, Leader, Line, Round, Scene, Shape, Words
from shadbo.core.drawing.sentences import sentences

SCALES = (8, 6, 5, 4, 3, 2.5, 2, 1.75, 1.5, 1.25, 1, 0.75, 0.6, 0.5, 0.4, 1 / 3, 0.3, 0.25, 0.2, 1 / 6, 0.15)
SMALLER = (1 / 7, 0.125, 1 / 9, 0.1, 1 / 12, 1 / 15, 0.05, 1 / 25, 1 / 30, 1 / 40, 1 / 50)


LETTER_PX = 5.4
"""Of small letters, on an average."""
LETTER_EM, LEAST_SIZE = 0.35, 12.0
"""How wide a letter of the drawings' type is on an average, and how small words beside a drawing may become."""
SIZES = (16.0, 14.0)
"""Of the first line of a label, and of what stands below it."""
TWO_LINES = 30.0
"""So far apart labels have room for a second line below the first."""
CLEAR = 19.0
"""From a label to the number of a dimension."""


def fit_to(scene: Scene, paper: Paper) -> Fit:
    """The largest scale of the standard row at which the scene fits between the kept margins."""
    left, low, right, high = scene.bounds()
    keep_l, keep_t, keep_r, keep_b = paper.keep
    room_w, room_h = paper.width - keep_l - keep_r, paper.height - keep_t - keep_b
    most = min(room_w / max(right - left, 1), room_h / max(high - low, 1)) / PX_PER_MM
    ratio = next((s for s in (*SCALES, *SMALLER) if s <= most + 1e-9), most)
    scale = ratio * PX_PER_MM
    x0 = keep_l + (room_w - scale * (right - left)) / 2 - scale * left
    y0 = keep_t + (room_h + scale * (high - low)) / 2 + scale * low
    return Fit(scale, round(x0, 2), round(y0, 2))


def compose(scene: Scene, paper: Paper, hold: Fit | None = None) -> Sheet2D:
    """Lay the scene on the paper; ``hold`` keeps an earlier scale and place while someone is typing."""
    fit = hold or fit_to(scene, paper)
    out = Sheet2D(paper, fit, says=sentences(scene))
    left, low, right, high = scene.bounds()
    corner_a, corner_b = fit.put((left, high)), fit.put((right, low))
    frame = (corner_a[0], corner_a[1], corner_b[0], corner_b[1])
    leaders: list[Leader] = []
    for e in scene.elements:
        match e:
            case Shape():
                out.groups.append(Group(e.key, "shape", (_shape(e, fit),), moves=e.moves))
            case Line():
                out.groups.append(Group(e.key, "line", (Path(tuple(fit.put(d) for d in e.dots), STROKES[e.role]),)))
            case Round():
                tone = "#fcfbf5" if e.role in ("screw", "mark") else ""
                radius = max(e.radius * fit.scale, 2.4)
                out.groups.append(Group(e.key, "line", (Circle(fit.put(e.centre), radius, STROKES[e.role], tone),)))
            case Words():
                if not e.room_mm or len(e.text) * LETTER_PX <= e.room_mm * fit.scale:
                    out.groups.append(_words(e, fit))
            case Dim():
                out.groups.append(dim_group(e, fit, frame))
            case Leader():
                leaders.append(e)
    beside = [e for e in scene.elements if isinstance(e, Dim) and e.runs == "upright" and e.edge == "high"]
    taken = sorted(fit.put((e.start[0], (e.start[1] + e.end[1]) / 2))[1] for e in beside if e.role == "dimension")
    out.groups += _leaders(leaders, fit, frame, paper, taken)
    note = f"{scene.title} · scale {fit.ratio}" if scene.drawn_to_scale else scene.title
    out.groups.append(Group("", "note", (Text((18, paper.height - 14), note, 14, SOFT),)))
    return out


def _shape(e: Shape, fit: Fit) -> Path:
    fill = FILLS[e.hatch]
    hatch = e.hatch if fill.path and not e.tone else ""
    tone = e.tone or ("" if hatch or fill.tone == "none" else fill.tone)
    stroke = STROKES[{"air": "hidden", "lit": "thin"}.get(e.hatch, "outline")]  # type: ignore[index]
    holes = tuple(tuple(fit.put(d) for d in h) for h in e.holes)
    image = None
    if e.picture is not None:
        left, low, right, high = e.picture.box
        size = ((right - left) * fit.scale, (high - low) * fit.scale)
        image = Image(e.picture.photo, e.picture.corners, fit.put((left, high)), *size)
    return Path(tuple(fit.put(d) for d in e.ring), stroke, True, hatch, tone, holes, image)


def _words(e: Words, fit: Fit) -> Group:
    x, y = fit.put(e.at)
    x, y = x + e.nudge[0], y + e.nudge[1]
    size = {"part": 15.0, "note": 14.0, "side": 15.0, "gap": 15.0, "tiny": 11.0}[e.role]
    colour = SOFT if e.role == "note" else INK
    halo = e.halo or e.role in ("part", "gap")
    return Group(e.key, "words", (Text((x, y + size / 3), e.text, size, colour, e.anchor, halo),))


def _folded(lines: tuple[str, ...], room: float) -> tuple[str, ...]:
    """A single line that is too long goes on below; what has a second line of its own keeps it."""
    most = int(room / (LETTER_EM * SIZES[0]))
    if len(lines) != 1 or len(lines[0]) <= most:
        return lines
    first, *rest = wrap(lines[0], most) or [""]
    return (first, " ".join(rest)) if rest else (first,)


def _fitting(text: str, size: float, room: float) -> tuple[str, float]:
    """Words and their size, smaller where they would run off the paper; what is too long even so ends in dots."""
    size = min(size, max(room / (LETTER_EM * max(len(text), 1)), LEAST_SIZE))
    most = int(room / (LETTER_EM * size) + 1e-6)
    return (text if len(text) <= most else f"{text[: most - 1].rstrip()}…"), size


def _leaders(
    leaders: list[Leader], fit: Fit, frame: tuple[float, float, float, float], paper: Paper, taken: list[float]
) -> list[Group]:
    """Labels in a column beside the drawing, high points first, never closer than a line apart.

    ``taken`` are the heights at which the numbers of dimensions stand on the right.
    """
    out = []
    line = Stroke(ACCENT, 1.0)
    for side in ("left", "right"):
        here = sorted((e for e in leaders if e.towards == side), key=lambda e: (e.order, fit.put(e.at)[1]))
        ordered = any(e.order for e in here)
        y = frame[1] + (0.0 if ordered else 46.0)
        room = (paper.height - 60 - frame[1]) / max(len(here), 1)
        x = frame[2] + 58 if side == "right" else frame[0] - 58
        for e in here:
            ax, ay = fit.put(e.at)
            y = y if ordered else max(y, ay - 60)
            for number in taken if side == "right" and not ordered else ():
                y = number + CLEAR if abs(y - number) < CLEAR else y
            y = min(y, paper.height - 60)
            elbow = x - 16 if side == "right" else x + 16
            anchor: Literal["start", "end"] = "start" if side == "right" else "end"
            marks: list[Path | Circle | Text] = [
                Path(
                    (
                        (ax, ay),
                        (elbow - 18 if side == "right" else elbow + 18, y),
                        (x - 5 if side == "right" else x + 5, y),
                    ),
                    line,
                ),
                Circle((ax, ay), 2.2, None, ACCENT),
            ]
            wide = paper.width - x if side == "right" else x
            lines = _folded(e.lines, wide) if not ordered or room >= TWO_LINES else e.lines
            for i, line_ in enumerate(lines):
                text, size = _fitting(line_, SIZES[min(i, 1)], wide)
                marks.append(Text((x, y + 5 + 18 * i), text, size, INK if i == 0 else SOFT, anchor, True))
            out.append(Group(e.key, "leader", tuple(marks)))
            y += min(22 + 18 * len(lines), room if ordered else 1e9)
    return out
