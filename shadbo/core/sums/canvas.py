"""The canvas on its bars, as it is or as it will be stretched: size, shape, bars, weight."""

from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import Brace, LooseCanvas, StretchedCanvas
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.sums.bending import brace_sums
from shadbo.core.sums.shape import read_all, shape_of
from shadbo.core.sums.square import Outline, outline
from shadbo.core.sums.stretch import stretch_sums
from shadbo.core.sums.weight import skin, solid, weighed


@dataclass(frozen=True, slots=True)
class CanvasSums:
    """What is known of a canvas, read or planned."""

    width: Quantity
    height: Quantity
    depth: Quantity
    bar_face: Quantity
    shape: Outline
    mass: Quantity
    readings: dict[str, Quantity]
    keyed: bool
    braces: tuple[Brace, ...]


def canvas_sums(desk: Desk, detail: StretchedCanvas | LooseCanvas, weighed_kg: float | None) -> CanvasSums:
    """Put the canvas on the sheet. The size that counts is the largest reading of each dimension."""
    got = read_all(desk, detail)
    if isinstance(detail, LooseCanvas):
        return _stretched(desk, detail, got, weighed_kg)
    shape = shape_of(desk, detail, got, "canvas over the folds")
    depth, face = got["depth"], got["bar_face"]
    brace_sums(desk, shape.width, shape.height, depth, face, detail.braces)
    mass = _mass(desk, detail.braces, shape.width, shape.height, depth, face, weighed_kg)
    return CanvasSums(shape.width, shape.height, depth, face, shape.outline, mass, got, detail.keyed, detail.braces)


def _stretched(desk: Desk, detail: LooseCanvas, got: dict[str, Quantity], weighed_kg: float | None) -> CanvasSums:
    s = desk.sheet
    made = stretch_sums(desk, detail, got)
    zero = s.number(0, MM)
    ring = outline(s, made.width, made.width, made.height, made.height, zero, None, None)
    brace_sums(desk, made.width, made.height, made.bar_depth, made.bar_face, detail.braces)
    mass = _mass(desk, detail.braces, made.width, made.height, made.depth, made.bar_face, weighed_kg)
    return CanvasSums(
        made.width, made.height, made.depth, made.bar_face, ring, mass, got, detail.keyed, detail.braces
    )


def _mass(
    desk: Desk,
    braces: tuple[Brace, ...],
    width: Quantity,
    height: Quantity,
    depth: Quantity,
    face: Quantity,
    weighed_kg: float | None,
) -> Quantity:
    s = desk.sheet
    if weighed_kg is not None:
        return weighed(s, "canvas.mass", "canvas, weighed", weighed_kg)
    cloth = skin(s, "canvas with paint", width * height)
    around = s.pick("largest", 2 * width + 2 * height - 4 * face, s.number(0, MM))
    bars = solid(s, "softwood", face, depth, around)
    for brace in braces:
        span = (height if brace.runs == "down" else width) - 2 * face
        clear = s.pick("largest", span, s.number(0, MM))
        bars = bars + solid(s, "softwood", s.number(brace.width.mm, MM), depth / 2, clear)
    return s.let("canvas.mass", "canvas, estimated", cloth + bars, "area and bars; weigh it where it matters")
