"""Dowels between an object and the rails round it."""

import math


def most_diameter(thickness_mm: float) -> float:
    """A third of the object's thickness: then 1.5 diameters of wood stay on either side.

    Millimetres. Source: common practice, no source.

    >>> most_diameter(30)
    10.0
    """
    return thickness_mm / 3


def turns(centre_up_mm: float | None, line_up_mm: float) -> bool:
    """Whether a thing turns on two dowels in one line: unless its weight is known to lie below them.

    Heights above its lowest point in mm; None where nobody has read where its weight lies. Source: statics.

    >>> turns(52, 65), turns(70, 65), turns(None, 65)
    (False, True, True)
    """
    return centre_up_mm is None or centre_up_mm >= line_up_mm


def hole_depth(diameter_mm: float, stock_mm: float) -> float:
    """Twice the diameter, or two thirds of the stock, the less.

    Millimetres. Source: common practice, no source.

    >>> hole_depth(8, 20)
    13.333333333333334
    >>> hole_depth(8, 60)
    16
    """
    return min(2 * diameter_mm, stock_mm * 2 / 3)


def stress_mpa(force_n: float, gap_mm: float, diameter_mm: float) -> float:
    """Bending stress of a dowel that carries a force across the gap: 32 · F · gap / (π · d³).

    ``force_n`` in N, lengths in mm; the stress in MPa. Source: statics, cantilever of round section.

    >>> round(stress_mpa(2, 28, 8), 2)
    1.11
    """
    return 32 * force_n * gap_mm / (math.pi * diameter_mm**3)
