"""Moulding to order: the rails, and a mitre's waste at every corner."""

from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM


def order_mm(outside_width_mm: float, outside_height_mm: float, face_mm: float) -> float:
    """Length to order for one frame: 2 · (w + h) + 8 · face (common practice, no source).

    Outside dimensions and face width in mm.

    >>> order_mm(400, 300, 25)
    1600
    """
    return 2 * (outside_width_mm + outside_height_mm) + 8 * face_mm


def rail_order(
    sheet: Sheet, width: Quantity, height: Quantity, face: Quantity, test_mm: float | None = None
) -> Quantity:
    """The same on the sheet, with the length of all four rails.

    ``test_mm``: the moulding is still to be milled, with a piece to try it on and the longest rail once more.
    """
    around = sheet.let("rail.total", "rails, all four, long point", 2 * width + 2 * height)
    order, why = around + 8 * face, "and a mitre's waste at every corner"
    if test_mm is not None:
        spare = sheet.let("rail.spare", "one rail more to mill, the longest", sheet.pick("largest", width, height))
        order, why = order + spare + sheet.number(test_mm, MM), "mitres' waste, one rail more and a test piece"
    sheet.let("rail.order", "moulding to order", order, why, "up")
    return around
