"""Shapes of a floater in the edge plane and in the front plane, its dimensions and its depth ladder."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Callout, Dimension, Dot, Fixing, Layer, Ring
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.shapes.rings import mitred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.materials import PadStock
from shadbo.core.sums.canvas import CanvasSums
from shadbo.core.sums.square import Opening, Placement

Dots = tuple[Dot, ...]


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


def _rect(x0: float, y0: float, x1: float, y1: float) -> Ring:
    return ((x0, y0), (x1, y0), (x1, y1), (x0, y1))


def sections(f: FloaterSums) -> tuple[Ring, Ring, Ring, Ring, tuple[Dot, Dot]]:
    """Rail, glued strip (none in a moulding), bar, pad and screw in the edge plane."""
    wall, ledge, deep = f.wall.value, f.ledge.value, f.inside_depth.value
    back = deep + f.ledge_thick.value
    rail: Ring = ((0, 0), (back, 0), (back, wall + ledge), (deep, wall + ledge), (deep, wall), (0, wall))
    strip: Ring = ()
    if f.square:
        rail, strip = _rect(0, 0, back, wall), _rect(deep, wall, back, wall + ledge)
    front, low = f.face.value, wall + f.side_gap.value
    rear, high = front + f.canvas.depth.value, low + f.canvas.bar_face.value
    rim = min(10.0, f.canvas.bar_face.value / 3)
    relief = min(3.0, f.canvas.depth.value / 6)
    bar: Ring = (
        (front, low),
        (rear, low),
        (rear, high),
        (front + relief, high),
        (front + relief, low + rim),
        (front, low + rim),
    )
    top = max(wall + ledge, low + 3)
    pad: Ring = ()
    if f.pad_width is not None and f.pad.value > 0:
        pad = _rect(rear, low, rear + f.pad.value, min(low + f.pad_width.value, top))
    line = f.line.value
    return rail, strip, bar, pad, ((back, line), (back - f.screw.value, line))


def faces(f: FloaterSums) -> tuple[dict[str, Dots], Ring, tuple[Ring, ...], tuple[Ring, ...]]:
    """Mitred rails, the canvas as it stands, its bars and its braces, in the front plane."""
    w, h, t = f.outside_w.value / 2, f.outside_h.value / 2, f.wall.value
    rails = dict(zip(("top", "bottom", "left", "right"), mitred(w, h, t), strict=True))
    turn, dx, dy = f.placed.turn.value, f.placed.right.value, f.placed.up.value

    def put(x: float, y: float) -> Dot:
        return x - turn * y + dx, y + turn * x + dy

    ring = tuple(put(x.value, y.value) for x, y in f.canvas.shape.points.values())
    b = f.canvas.bar_face.value
    cw, ch = f.canvas.width.value / 2, f.canvas.height.value / 2
    top, bottom, left, right = (tuple(put(*d) for d in ring_) for ring_ in mitred(cw, ch, b))
    bars = (top, bottom, left, right)
    braces = []
    for brace in f.canvas.braces:
        half = brace.width.mm / 2
        if brace.runs == "down":
            x = brace.at.mm - cw
            corners = ((x - half, ch - b), (x + half, ch - b), (x + half, -ch + b), (x - half, -ch + b))
        else:
            y = ch - brace.at.mm
            corners = ((-cw + b, y + half), (cw - b, y + half), (cw - b, y - half), (-cw + b, y - half))
        braces.append(tuple(put(*d) for d in corners))
    return rails, ring, bars, tuple(braces)


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
        Dimension("edge", (back, 0), (back, f.line.value), f.line, "upright", 1, "high", "screw line"),
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
    out = [
        Callout("edge", (back, f.line.value), "screw", f.screw, "in the bar", f.in_bar, "screw.length"),
    ]
    if f.pad.value > 0:
        out.insert(0, Callout("edge", (rear + f.pad.value / 2, middle + 4), "pad", f.pad, key="pad.made"))
    return tuple(out)
