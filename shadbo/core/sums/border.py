"""Borders: a piece in a given opening, corner marks, strips round an edge, boards that carry cloth."""

import math

from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet


def border_in(sheet: Sheet, axis: str, opening: Quantity, piece: Quantity) -> Quantity:
    """Border of a piece in a given opening: half of what is over."""
    return sheet.let(f"border.{axis}", f"border on the {axis}", (opening - piece) / 2, "half of what is over")


def strips(inner_width_mm: float, inner_height_mm: float, thick_mm: float) -> tuple[float, float]:
    """Four strips round an inside: one pair full length, the other between them."""
    return inner_width_mm, inner_height_mm - 2 * thick_mm


def tape_bands(height_mm: float, tape_mm: float, overlap_mm: float) -> int:
    """Bands of tape that cover a whole back: ceil((height − overlap) / (tape − overlap))."""
    return max(1, math.ceil((height_mm - overlap_mm) / (tape_mm - overlap_mm) - 1e-6))


def hinge_count(width_mm: float, first_mm: float = 400.0, apart_mm: float = 300.0) -> int:
    """Hinges along the top: 2 + ceil((width − 400) / 300), at least 2."""
    return max(2, 2 + math.ceil((width_mm - first_mm) / apart_mm - 1e-6))


def clip_count(side_mm: float, apart_mm: float = 150.0) -> int:
    """Offset clips on a side: floor((side − 80) / 150) + 1, at least 2."""
    return max(2, math.floor((side_mm - 80) / apart_mm + 1e-6) + 1)


def point_count(side_mm: float, apart_mm: float = 125.0) -> int:
    """Points on a side: floor((side − 100) / 125) + 1, at least 2."""
    return max(2, math.floor((side_mm - 100) / apart_mm + 1e-6) + 1)
