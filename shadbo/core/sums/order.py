"""Moulding to order: the rails, and a mitre's waste at every corner."""

import math

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


END_TRIM_MM = 10.0
"""What is trimmed off each end of a stick: common practice, no source."""
MITRES = 8


def stick_mm(rails_mm: float, kerf_mm: float, face_mm: float | None = None) -> float:
    """What one frame takes from one stick, with what the saw takes; ``rails_mm`` are all four, long point.

    A moulding cannot be turned over: two slanted cuts a rail, and both ends trimmed. Square-edged stock, told by its
    ``face_mm``, is turned alternately, so that a slant serves two rails: Σ (outside − face + kerf·√2) and one face.

    >>> round(stick_mm(2 * (355 + 455), 3))
    1674
    """
    slanted = kerf_mm * math.sqrt(2)
    if face_mm is None:
        return rails_mm + MITRES * slanted + 2 * END_TRIM_MM
    return rails_mm - 4 * face_mm + 4 * slanted + face_mm


def kerf_of(stick_mm: float, rails_mm: float, left_mm: float) -> float:
    """The other way round: what the saw took at a cut, by what is left of a stick after one frame.

    >>> round(kerf_of(2900, 1620, 2900 - 1674), 2)
    3.01
    """
    return (stick_mm - rails_mm - left_mm - 2 * END_TRIM_MM) / (MITRES * math.sqrt(2))


def rail_order(
    sheet: Sheet,
    width: Quantity,
    height: Quantity,
    face: Quantity,
    kerf_mm: float,
    test_mm: float | None = None,
    turned: bool = False,
) -> Quantity:
    """The same on the sheet, with the length of all four rails, and of what they take from one stick.

    ``test_mm``: the moulding is still to be milled, with a piece to try it on and the longest rail once more.
    ``turned``: square-edged stock, turned alternately.
    """
    around = sheet.let("rail.total", "rails, all four, long point", 2 * width + 2 * height)
    order, why = around + 8 * face, "and a mitre's waste at every corner"
    if test_mm is not None:
        spare = sheet.let("rail.spare", "one rail more to mill, the longest", sheet.pick("largest", width, height))
        order, why = order + spare + sheet.number(test_mm, MM), "mitres' waste, one rail more and a test piece"
    sheet.let("rail.order", "moulding to order", order, why, "up")
    kerf = sheet.choose("saw.kerf", "the saw takes at a cut", kerf_mm, MM, "practice of the shop")
    stick = sheet.call(
        "four rails, slanted cuts and trimmed ends, from", lambda a, k, f: stick_mm(a, k, f if turned else None),
        around, kerf, face, u=MM,
    )  # fmt: skip
    sheet.let("rail.stick", "one frame from one stick takes", stick, "defects are cut out besides", "up")
    return around
