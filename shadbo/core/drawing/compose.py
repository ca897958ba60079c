"""compose(scene, paper): scale, lanes and leaders in paper units; marks ready for any writer.

A mark is a path, a circle or a text in px from the paper's top left corner, y down.
"""

from dataclasses import dataclass, field
from fractions import Fraction
from typing import Literal

from shadbo.core.assembly import Dot
from shadbo.core.drawing.ink import ACCENT, FILLS, INK, SOFT, STROKES, TAPE, Stroke
from shadbo.core.drawing.scene import Dim, Leader, Line, Round, Scene, Shape, Words

PX_PER_MM = 96 / 25.4
SCALES = (8, 6, 5, 4, 3, 2.5, 2, 1.75, 1.5, 1.25, 1, 0.75, 0.6, 0.5, 0.4, 1 / 3, 0.3, 0.25, 0.2, 1 / 6, 0.15)
SMALLER = (1 / 7, 0.125, 1 / 9, 0.1, 1 / 12, 1 / 15, 0.05, 1 / 25, 1 / 30, 1 / 40, 1 / 50)
LANE = 30.0
BESIDE = 88.0
"""Lanes beside a drawing are wider than those above it, since their words are not turned."""
TICK = 5.0


@dataclass(frozen=True, slots=True)
class Paper:
    """Size in px at 96 to the inch, and what is kept free round the drawing: left, top, right, bottom."""

    name: str
    width: float
    height: float
    keep: tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Fit:
    """Where millimetres land: ``x = x0 + scale · mm``, ``y = y0 − scale · mm``; scale in px per mm."""

    scale: float
    x0: float
    y0: float

    def put(self, dot: Dot) -> Dot:
        """A point of the scene on the paper."""
        return self.x0 + self.scale * dot[0], self.y0 - self.scale * dot[1]

    @property
    def ratio(self) -> str:
        """The scale as people write it, e.g. ``3 : 2`` or ``1 : 10``."""
        f = Fraction(self.scale / PX_PER_MM).limit_denominator(60)
        return f"{f.numerator} : {f.denominator}"


@dataclass(frozen=True, slots=True)
class Path:
    """Straight lines through points; closed ones are filled with a hatch or a tone."""

    dots: tuple[Dot, ...]
    stroke: Stroke | None
    closed: bool = False
    hatch: str = ""
    tone: str = ""


@dataclass(frozen=True, slots=True)
class Circle:
    """A circle."""

    centre: Dot
    radius: float
    stroke: Stroke | None
    tone: str = ""


@dataclass(frozen=True, slots=True)
class Text:
    """A line of text; ``halo`` keeps it readable over hatching."""

    at: Dot
    text: str
    size: float = 15
    colour: str = INK
    anchor: Literal["start", "middle", "end"] = "start"
    halo: bool = False
    turn: float = 0.0
    bold: bool = False


@dataclass(frozen=True, slots=True)
class Group:
    """Marks that belong to one line of the sheet. ``hidden`` ones show when their key is lit."""

    key: str
    role: str
    marks: tuple[Path | Circle | Text, ...]
    hidden: bool = False


@dataclass(slots=True)
class Sheet2D:
    """A composed drawing."""

    paper: Paper
    fit: Fit
    groups: list[Group] = field(default_factory=list)


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
    out = Sheet2D(paper, fit)
    left, low, right, high = scene.bounds()
    corner_a, corner_b = fit.put((left, high)), fit.put((right, low))
    frame = (corner_a[0], corner_a[1], corner_b[0], corner_b[1])
    leaders: list[Leader] = []
    for e in scene.elements:
        match e:
            case Shape():
                out.groups.append(Group(e.key, "shape", (_shape(e, fit),)))
            case Line():
                out.groups.append(Group(e.key, "line", (Path(tuple(fit.put(d) for d in e.dots), STROKES[e.role]),)))
            case Round():
                tone = "#fcfbf5" if e.role in ("screw", "mark") else ""
                radius = max(e.radius * fit.scale, 2.4)
                out.groups.append(Group(e.key, "line", (Circle(fit.put(e.centre), radius, STROKES[e.role], tone),)))
            case Words():
                out.groups.append(_words(e, fit))
            case Dim():
                out.groups.append(_dim(e, fit, frame))
            case Leader():
                leaders.append(e)
    out.groups += _leaders(leaders, fit, frame, paper)
    note = f"{scene.title} · scale {fit.ratio}" if scene.drawn_to_scale else scene.title
    out.groups.append(Group("", "note", (Text((18, paper.height - 14), note, 14, SOFT),)))
    return out


def _shape(e: Shape, fit: Fit) -> Path:
    fill = FILLS[e.hatch]
    hatch = e.hatch if fill.path else ""
    tone = "" if hatch or fill.tone == "none" else fill.tone
    stroke = STROKES["outline"] if e.hatch != "air" else STROKES["hidden"]
    return Path(tuple(fit.put(d) for d in e.ring), stroke, True, hatch, tone)


def _words(e: Words, fit: Fit) -> Group:
    x, y = fit.put(e.at)
    x, y = x + e.nudge[0], y + e.nudge[1]
    size = {"part": 15.0, "note": 14.0, "side": 15.0, "gap": 15.0}[e.role]
    colour = SOFT if e.role == "note" else INK
    return Group(
        e.key, "words", (Text((x, y + size / 3), e.text, size, colour, e.anchor, e.role in ("part", "gap")),)
    )


def _dim(e: Dim, fit: Fit, frame: tuple[float, float, float, float]) -> Group:
    a, b = fit.put(e.start), fit.put(e.end)
    if e.role == "tape":
        return Group(e.key, "tape", tuple(_tape(a, b, e)), hidden=True)
    out = LANE * e.lane - 8
    if e.runs == "across":
        y = frame[1] - out if e.edge == "high" else frame[3] + out
        return Group(e.key, "dim", tuple(_across(a, b, y, e)))
    out = BESIDE * (e.lane - 1) + LANE - 8
    x = frame[2] + out if e.edge == "high" else frame[0] - out
    return Group(e.key, "dim", tuple(_upright(a, b, x, e)))


_THIN = STROKES["thin"]
_WITNESS = Stroke(SOFT, 0.6)


def _across(a: Dot, b: Dot, y: float, e: Dim) -> list[Path | Circle | Text]:
    above = e.edge == "high"
    past = -4 if above else 4
    if e.role == "running":
        tick = Path(((b[0], y - past), (b[0], b[1])), _WITNESS)
        return [tick, Text((b[0], y + (-6 if above else 16)), e.text, 14, INK, "middle")]
    marks: list[Path | Circle | Text] = [
        Path(((a[0], a[1]), (a[0], y + past)), _WITNESS),
        Path(((b[0], b[1]), (b[0], y + past)), _WITNESS),
        Path(((a[0] - TICK, y), (b[0] + TICK, y)), _THIN),
        *_ticks((a[0], y), (b[0], y)),
    ]
    narrow = abs(b[0] - a[0]) < 7 * len(e.text) + 6
    at = ((a[0] + b[0]) / 2, y - 6 if not narrow or above else y + 16)
    return [*marks, Text(at, e.text, 15, INK, "middle", True)]


def _upright(a: Dot, b: Dot, x: float, e: Dim) -> list[Path | Circle | Text]:
    left = e.edge == "low"
    past = -4 if left else 4
    if e.role == "running":
        tick = Path(((x - past, b[1]), (b[0], b[1])), _WITNESS)
        return [tick, Text((x + (-4 if left else 4), b[1] + 5), e.text, 14, INK, "end" if left else "start")]
    anchor: Literal["start", "end"] = "end" if left else "start"
    return [
        Path(((a[0], a[1]), (x + past, a[1])), _WITNESS),
        Path(((b[0], b[1]), (x + past, b[1])), _WITNESS),
        Path(((x, a[1] + TICK), (x, b[1] - TICK)), _THIN),
        *_ticks((x, a[1]), (x, b[1])),
        Text((x + (-8 if left else 8), (a[1] + b[1]) / 2 + 5), e.text, 15, INK, anchor, True),
    ]


def _ticks(*at: Dot) -> list[Path]:
    heavy = Stroke(INK, 1.5)
    return [Path(((x - 3.5, y + 3.5), (x + 3.5, y - 3.5)), heavy) for x, y in at]


def _tape(a: Dot, b: Dot, e: Dim) -> list[Path | Circle | Text]:
    """Where to put the tape: a ribbon from end to end, with its label in the middle."""
    mid = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
    hook = Stroke(TAPE, 3.0)
    across = abs(b[0] - a[0]) >= abs(b[1] - a[1])
    dx, dy = (0.0, 9.0) if across else (9.0, 0.0)
    ends = [Path(((x - dx, y - dy), (x + dx, y + dy)), hook) for x, y in (a, b)]
    return [
        Path((a, b), Stroke("#f2c230", 7.0)),
        Path((a, b), Stroke(TAPE, 1.4)),
        *ends,
        Text((mid[0], mid[1] - 10 if across else mid[1]), e.text, 17, TAPE, "middle", True, bold=True),
    ]


def _leaders(leaders: list[Leader], fit: Fit, frame: tuple[float, float, float, float], paper: Paper) -> list[Group]:
    """Labels in a column beside the drawing, high points first, never closer than a line apart."""
    out = []
    line = Stroke(ACCENT, 1.0)
    for side in ("left", "right"):
        here = sorted((e for e in leaders if e.towards == side), key=lambda e: fit.put(e.at)[1])
        y = frame[1] + 46.0
        x = frame[2] + 58 if side == "right" else frame[0] - 58
        for e in here:
            ax, ay = fit.put(e.at)
            y = min(max(y, ay - 60), paper.height - 60)
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
            for i, text in enumerate(e.lines):
                size = 16 if i == 0 else 14
                marks.append(Text((x, y + 5 + 18 * i), text, size, INK if i == 0 else SOFT, anchor, True))
            out.append(Group(e.key, "leader", tuple(marks)))
            y += 22 + 18 * len(e.lines)
    return out
