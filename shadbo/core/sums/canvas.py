"""The stretched canvas: its readings onto the sheet, its shape, its weight."""

from dataclasses import dataclass

from shadbo.core.desk import Desk
from shadbo.core.pieces import StretchedCanvas
from shadbo.core.quantity import Quantity
from shadbo.core.sums.square import Outline, outline, rack, second_diagonal
from shadbo.core.sums.weight import skin, solid
from shadbo.core.units import KG, MM

READINGS = {
    "width_top": "width along the top",
    "width_middle": "width at the middle",
    "width_bottom": "width along the bottom",
    "height_left": "height at the left",
    "height_middle": "height at the middle",
    "height_right": "height at the right",
    "diagonal_down": "diagonal, top left to bottom right",
    "diagonal_up": "diagonal, bottom left to top right",
    "depth": "depth, bar and cloth",
    "bar_face": "bar width, seen from behind",
}
NEEDED = ("width_top", "width_bottom", "height_left", "height_right", "depth", "bar_face")


@dataclass(frozen=True, slots=True)
class CanvasSums:
    """What the readings say of a canvas."""

    width: Quantity
    height: Quantity
    depth: Quantity
    bar_face: Quantity
    shape: Outline
    mass: Quantity
    readings: dict[str, Quantity]


def canvas_sums(desk: Desk, detail: StretchedCanvas, weighed_kg: float | None) -> CanvasSums:
    """Put the canvas on the sheet. The size that counts is the largest reading of each dimension."""
    s = desk.sheet
    got: dict[str, Quantity] = {}
    for name, label in READINGS.items():
        reading = getattr(detail, name)
        if reading is not None:
            got[name] = desk.read(f"canvas.{name}", label, reading)
    widths = [got[n] for n in ("width_top", "width_middle", "width_bottom") if n in got]
    heights = [got[n] for n in ("height_left", "height_middle", "height_right") if n in got]
    width = s.let("canvas.width", "canvas width, over the folds", s.pick("largest", *widths))
    height = s.let("canvas.height", "canvas height, over the folds", s.pick("largest", *heights))
    s.let("canvas.taper_width", "taper of the width, top less bottom", got["width_top"] - got["width_bottom"])
    s.let(
        "canvas.taper_height",
        "taper of the height, left less right",
        got["height_left"] - got["height_right"],
    )
    shift = _shift(desk, got)
    swell_w = _swell(desk, got, "width", "width_top", "width_bottom")
    swell_h = _swell(desk, got, "height", "height_left", "height_right")
    shape = outline(
        s,
        got["width_top"],
        got["width_bottom"],
        got["height_left"],
        got["height_right"],
        shift,
        swell_w,
        swell_h,
    )
    return CanvasSums(
        width,
        height,
        got["depth"],
        got["bar_face"],
        shape,
        _mass(desk, detail, width, height, got, weighed_kg),
        got,
    )


def _swell(desk: Desk, got: dict[str, Quantity], axis: str, one: str, other: str) -> Quantity | None:
    middle = got.get(f"{axis}_middle")
    if middle is None:
        return None
    return desk.sheet.let(
        f"canvas.waist_{axis}", f"waist: middle {axis} against its ends", middle - (got[one] + got[other]) / 2
    )


def _shift(desk: Desk, got: dict[str, Quantity]) -> Quantity | None:
    s = desk.sheet
    up, down = got.get("diagonal_up"), got.get("diagonal_down")
    if up is None or down is None:
        return None
    mean = (got["width_top"] + got["width_bottom"]) / 2
    shift = s.let("canvas.rack", "rack: top shifted to the right", rack(mean, up, down))
    sides = [got[n] for n in ("width_top", "width_bottom", "height_left", "height_right")]
    fixed = s.call("the diagonal that four sides and the other diagonal fix", second_diagonal, *sides, down, u=MM)
    if fixed.value == fixed.value:
        s.let("canvas.misfit", "misfit of the second diagonal", up - fixed)
    return shift


def _mass(
    desk: Desk,
    detail: StretchedCanvas,
    width: Quantity,
    height: Quantity,
    got: dict[str, Quantity],
    weighed_kg: float | None,
) -> Quantity:
    s = desk.sheet
    if weighed_kg is not None:
        return s.read("canvas.mass", "canvas, weighed", weighed_kg, KG, 0.02, "scale ± 0.02 kg")
    cloth = skin(s, "canvas with paint", width * height)
    face, depth = got["bar_face"], got["depth"]
    bars = solid(s, "softwood", face, depth, 2 * width + 2 * height - 4 * face)
    for brace in detail.braces:
        span = (height if brace.runs == "down" else width) - 2 * face
        bars = bars + solid(s, "softwood", s.number(brace.width.mm, MM), depth / 2, span)
    return s.let("canvas.mass", "canvas, estimated", cloth + bars, "area and bars; weigh it where it matters")
