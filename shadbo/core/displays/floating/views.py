"""Shapes of a floater in the edge plane and in the front plane, its dimensions and its depth ladder."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Callout, Dimension, Dot, Fixing, Layer, Ring
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.shapes.rings import rect
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.materials import PadStock
from shadbo.core.sums.canvas import CanvasSums
from shadbo.core.sums.square import Opening, Placement

HAIR_MM = 1e-6


@dataclass(frozen=True, slots=True)
class FloaterSums:
    """All that the views of a floater are drawn from."""

    desk: Desk
    canvas: CanvasSums
    opening: Opening
    placed: Placement
    outside_w: Quantity
    outside_h: Quantity
    wall: Quantity
    ledge: Quantity
    ledge_thick: Quantity
    inside_depth: Quantity
    gap: Quantity
    pad: Quantity
    pads: Sequence[PadStock]
    face: Quantity
    line: Quantity
    screw: Quantity
    in_bar: Quantity
    fixings: tuple[Fixing, ...]
    square: bool
    pad_width: Quantity | None = None
    strips_mitred: bool = False

    @property
    def side_gap(self) -> Quantity:
        """The gap where the section is cut: right rail, middle."""
        return self.placed.gaps["right"]["middle"]

    @property
    def bar_mm(self) -> float:
        """How wide the bars are: never so wide that they lie over one another."""
        return min(self.canvas.bar_face.value, self.canvas.width.value / 2, self.canvas.height.value / 2)

    @property
    def screwed_here(self) -> bool:
        """Whether there are screws where the section is cut: a low canvas has them along its long sides alone."""
        return any(x.side == "right" for x in self.fixings)


def _put(f: FloaterSums, dots: Sequence[Dot]) -> Ring:
    """Dots of the canvas where it stands, turned and moved in its opening."""
    turn, dx, dy = f.placed.turn.value, f.placed.right.value, f.placed.up.value
    return tuple([(x - turn * y + dx, y + turn * x + dy) for x, y in dots])


def outline_of(f: FloaterSums) -> Ring:
    """The canvas as it stands, in the front plane."""
    return _put(f, f.canvas.shape.values())


def bars_of(f: FloaterSums, wide_mm: float) -> list[Ring]:
    """Its four bars, or their outer rims, so wide."""
    return [_put(f, ring) for ring in _bars(f.canvas.shape.values(), wide_mm)]


def braces_of(f: FloaterSums) -> list[Ring]:
    """Its braces, from bar to bar."""
    cw, ch, b = f.canvas.width.value / 2, f.canvas.height.value / 2, f.bar_mm
    braces = []
    for brace in f.canvas.braces:
        half = brace.width.mm / 2
        if brace.runs == "down":
            x = brace.at.mm - cw
            braces.append(_put(f, rect(x - half, -ch + b, x + half, ch - b)))
        else:
            y = ch - brace.at.mm
            braces.append(_put(f, rect(-cw + b, y - half, cw - b, y + half)))
    return braces


def _bars(points: Sequence[Dot], wide_mm: float) -> list[Ring]:
    """Four mitred bars inside an outline of corners and middles, clockwise from the top left."""
    out = []
    for n, (u, v) in enumerate(((0, -1), (-1, 0), (0, 1), (1, 0))):
        start, middle, end = (points[(2 * n + i) % 8] for i in range(3))
        before, after = ((-v, u), (v, -u))  # along the bar, from its ends towards its middle
        line = [start, middle, end]
        inner = [
            (end[0] + (u + after[0]) * wide_mm, end[1] + (v + after[1]) * wide_mm),
            (middle[0] + u * wide_mm, middle[1] + v * wide_mm),
            (start[0] + (u + before[0]) * wide_mm, start[1] + (v + before[1]) * wide_mm),
        ]
        bent = max(abs((a + b) / 2 - c) for a, b, c in zip(start, end, middle, strict=True))
        out.append((*line, *inner) if bent > HAIR_MM else (start, end, inner[0], inner[2]))
    return out


def layers(f: FloaterSums) -> tuple[Layer, ...]:
    """The depth ladder, front to back."""
    face, depth, pad = f.face.value, f.canvas.depth.value, f.pad.value
    deep, thick = f.inside_depth.value, f.ledge_thick.value
    rows = []
    if face > 0:
        rows.append(Layer("recess", 0, face, "air", "face.made"))
    elif face < 0:
        rows.append(Layer("proud", face, 0, "air", "face.made"))
    rows.append(Layer("canvas", face, face + depth, "stretcher", "canvas.depth"))
    if pad > 0:
        rows.append(Layer("pad", face + depth, face + depth + pad, "pad", "pad.made"))
    if f.square:
        rows.append(Layer("strip", deep, deep + thick, "stretcher", "strip.height"))
    else:
        rows.append(Layer("ledge", deep, deep + thick, "wood", "profile.ledge_thick"))
    return tuple(rows)


def dimensions(f: FloaterSums) -> tuple[Dimension, ...]:
    """What is measured where: on the section, on the front and on the back."""
    wall, low = f.wall.value, f.wall.value + f.side_gap.value
    back = f.inside_depth.value + f.ledge_thick.value
    face, depth = f.face.value, f.canvas.depth.value
    high = low + f.canvas.bar_face.value
    out = [
        Dimension("edge", (0, 0), (0, wall), f.wall, "upright", 1, "low", "wall"),
        Dimension("edge", (0, wall), (0, low), f.side_gap, "upright", 1, "low", "gap"),
        Dimension("edge", (face, high), (face + depth, high), f.canvas.depth, "across", 2, "high", "depth", "tape"),
        Dimension(
            "edge",
            (face + depth, low),
            (face + depth, high),
            f.canvas.bar_face,
            "upright",
            3,
            "high",
            "bar",
            "tape",
        ),
    ]
    if f.screwed_here:
        line = f.line
        out.append(Dimension("edge", (back, 0), (back, line.value), line, "upright", 1, "high", "screw line"))
    if abs(face) > 1e-6:
        word = "recess" if face > 0 else "proud"
        out.append(Dimension("edge", (0, high), (face, high), f.face, "across", 1, "high", word))
    return (*out, *_front(f), *_back(f))


def _front(f: FloaterSums) -> list[Dimension]:
    w, h = f.outside_w.value / 2, f.outside_h.value / 2
    cw, ch = f.canvas.width.value / 2, f.canvas.height.value / 2
    r = f.canvas.readings
    out = [
        Dimension("front", (-w, -h), (w, -h), f.outside_w, "across", 2, "low", "outside"),
        Dimension("front", (w, -h), (w, h), f.outside_h, "upright", 2, "high", "outside"),
        Dimension(
            "front",
            (-w + f.wall.value, -h),
            (w - f.wall.value, -h),
            f.opening.middle_width,
            "across",
            1,
            "low",
            "inside",
        ),
        Dimension(
            "front",
            (w, -h + f.wall.value),
            (w, h - f.wall.value),
            f.opening.middle_height,
            "upright",
            1,
            "high",
            "inside",
        ),
    ]
    along, up = 0.6 * ch, 0.6 * cw
    if f.canvas.shape and "depth" not in r:
        return out
    places = {
        "width_top": ((-cw, along), (cw, along), "across"),
        "width_middle": ((-cw, 0), (cw, 0), "across"),
        "width_bottom": ((-cw, -along), (cw, -along), "across"),
        "height_left": ((-up, -ch), (-up, ch), "upright"),
        "height_middle": ((0, -ch), (0, ch), "upright"),
        "height_right": ((up, -ch), (up, ch), "upright"),
        "diagonal_down": ((-cw, ch), (cw, -ch), "slant"),
        "diagonal_up": ((-cw, -ch), (cw, ch), "slant"),
    }
    for name, (start, end, runs) in places.items():
        q = r.get(name, f.canvas.width if "width" in name else f.canvas.height)
        if name in r or not name.startswith("diagonal"):
            out.append(Dimension("front", start, end, q, runs, 0, "low", f"canvas.{name}", "tape"))  # type: ignore[arg-type]
    return out


def _back(f: FloaterSums) -> list[Dimension]:
    """Screw places along the top and one side, from the corner, on separate lanes."""
    w, h = f.outside_w.value / 2, f.outside_h.value / 2
    out = []
    for side, runs in (("top", "across"), ("left", "upright")):
        here = [x for x in f.fixings if x.side == side]
        for lane, fixing in enumerate(here, 1):
            start: Dot = (w, h) if runs == "across" else (-w, h)
            end: Dot = (fixing.at[0], h) if runs == "across" else (-w, fixing.at[1])
            edge = "high" if runs == "across" else "low"
            out.append(Dimension("back", start, end, fixing.along, runs, lane, edge))  # type: ignore[arg-type]
    return out


def callouts(f: FloaterSums) -> tuple[Callout, ...]:
    """Labels with leaders on the section."""
    wall, low = f.wall.value, f.wall.value + f.side_gap.value
    rear = f.face.value + f.canvas.depth.value
    back = f.inside_depth.value + f.ledge_thick.value
    middle = (low + 1 + max(wall + f.ledge.value, low + 3)) / 2
    out = []
    if f.screwed_here:
        out.append(Callout("edge", (back, f.line.value), "screw", f.screw, "in the bar", f.in_bar, "screw.length"))
    if f.pad.value > 0:
        out.insert(0, Callout("edge", (rear + f.pad.value / 2, middle + 4), "pad", f.pad, key="pad.made"))
    return tuple(out)
