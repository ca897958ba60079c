"""What screws are sold as: millimetres of thickness and length, or a gauge number and inches."""

from fractions import Fraction

from shadbo.core.words.lengths import MM_PER_INCH, Both

FIRST_IN, STEP_IN = 0.060, 0.013
"""Shank of gauge 0 and what each number adds, in inches (ASME B18.6.1, from memory)."""
SOLD = (0, 2, 4, 6, 8, 10, 12, 14, 16, 18)
"""Numbers that screws are sold in."""
INCH_LENGTHS_MM = tuple(n * MM_PER_INCH for n in (0.5, 0.625, 0.75, 1.0, 1.25, 1.5, 1.75, 2.0, 2.5))
"""Lengths that wood screws are sold in by the inch."""


def gauge(diameter_mm: float) -> int:
    """The nearest gauge number that is sold, by its shank.

    >>> gauge(3.0), gauge(3.5), gauge(4.0), gauge(5.0)
    (4, 6, 8, 10)
    """
    return min(SOLD, key=lambda number: abs(shank_mm(number) - diameter_mm))


def shank_mm(number: int) -> float:
    """The shank of a gauge number, in mm.

    >>> round(shank_mm(8), 2)
    4.17
    """
    return (FIRST_IN + STEP_IN * number) * MM_PER_INCH


def screw_size(diameter_mm: float, length_mm: float) -> Both:
    """A screw's size as it is sold; lengths in inches to the nearest eighth.

    >>> screw_size(4, 30).mm, screw_size(4, 31.75).inch
    ('4 × 30', 'no. 8 × 1 1/4 in')
    """
    return Both(f"{diameter_mm:g} × {length_mm:g}", f"no. {gauge(diameter_mm)} × {_eighths(length_mm)} in")


def _eighths(length_mm: float) -> str:
    eighths = max(round(length_mm / MM_PER_INCH * 8), 1)
    whole, rest = divmod(eighths, 8)
    if not rest:
        return str(whole)
    part = Fraction(rest, 8)
    return f"{whole} {part}" if whole else str(part)
