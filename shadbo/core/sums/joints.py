"""Corner joints: mitre, biscuits, splines, plates; and how much a small error of the saw opens the last mitre."""

import math
from typing import TypeVar

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity

ROOT2 = math.sqrt(2)
LIP_LEFT_MM = 4.0
SPLINE_KEPT_MM = 3.0
Number = TypeVar("Number", float, Quantity)


@dataclass(frozen=True, slots=True)
class Biscuit:
    """A biscuit by its number: length, width, thickness in mm."""

    number: str
    length: float
    width: float
    thick: float

    @property
    def slot(self) -> float:
        """Depth of the slot in each half: half the width and a little for the glue."""
        return self.width / 2 + 0.5


BISCUITS = (Biscuit("0", 47, 15, 4), Biscuit("10", 53, 19, 4), Biscuit("20", 56, 23, 4))


PLATE_MM, PLATE_WIDE_MM, PLATE_SCREWS, PLATE_SCREW_MM, PLATE_SCREW_LEAST_MM = 40.0, 10.0, 4, 12.0, 8.0
"""A corner plate: each leg, its width, its screws, the longest and shortest of them; common practice, no source."""


def mitre(face: Number) -> Number:
    """Length of the mitre of a rail of that face.

    Millimetres.

    >>> round(mitre(45.0), 2)
    63.64
    """
    return face * ROOT2


def biscuit_from_point(slot: Number, left: Number) -> Number:
    """How far from the long point a slot must keep so that ``left`` stays to the outer face: s ≥ d + left · √2.

    Millimetres, along the mitre.

    >>> round(biscuit_from_point(12.0, LIP_LEFT_MM), 2)
    17.66
    """
    return slot + left * ROOT2


END_MM = LIP_LEFT_MM * ROOT2
"""What a slot keeps from either end of a mitre, along it: then as much stays to the faces as beside its middle."""


def slot_middle(biscuit: Biscuit) -> float:
    """Least place of a slot's middle from the long point: neither its depth nor its end comes out there.

    Millimetres, along the mitre.

    >>> round(slot_middle(BISCUITS[0]), 2)
    29.16
    """
    return max(biscuit_from_point(biscuit.slot, LIP_LEFT_MM), biscuit.length / 2 + END_MM)


def biscuit_for(face_mm: float) -> Biscuit | None:
    """The largest biscuit whose slot keeps off both ends of the mitre; None where none does."""
    fit = None
    for b in BISCUITS:
        if mitre(face_mm) - slot_middle(b) - b.length / 2 - END_MM >= -1e-9:
            fit = b
    return fit


def biscuit_count(mitre_mm: float, biscuit: Biscuit, margin_mm: float = END_MM) -> float:
    """How many fit along a mitre: floor((mitre − 2 · margin) / length), halves allowed past the first."""
    return math.floor(2 * (mitre_mm - 2 * margin_mm) / biscuit.length + 1e-9) / 2


def spline_slot(face: Number, lip: Number, kept: Number) -> Number:
    """Deepest slot along the diagonal: (face − lip) · √2 less what is ``kept`` to the rabbet.

    Millimetres. Source: geometry.

    >>> round(spline_slot(22.0, 6.0, SPLINE_KEPT_MM), 1)
    19.6
    """
    return (face - lip) * ROOT2 - kept


def spline_count(depth_mm: float) -> int:
    """Splines in a corner: floor(depth / 25), at least one.

    Millimetres.

    >>> spline_count(18), spline_count(50)
    (1, 2)
    """
    return max(1, math.floor(depth_mm / 25 + 1e-9))


def gap_of_error(face: Number, error_deg: float) -> Number:
    """Gap at the last of eight mitres that are all off by the same angle: 8 · ε · face · √2, ε in radians.

    ``error_deg`` in degrees, the rest in mm.

    >>> round(gap_of_error(45.0, 0.1), 2)
    0.89
    """
    return face * (8 * math.radians(error_deg) * ROOT2)
