"""Corner joints: mitre, biscuits, splines, plates; and how much a small error of the saw opens the last mitre."""

import math
from dataclasses import dataclass

ROOT2 = math.sqrt(2)
LIP_LEFT_MM = 4.0


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


def mitre_mm(face_mm: float) -> float:
    """Length of the mitre of a rail of that face.

    Millimetres.

    >>> round(mitre_mm(45), 2)
    63.64
    """
    return face_mm * ROOT2


def biscuit_from_point(slot_mm: float) -> float:
    """How far from the long point a slot must keep so that 4 mm stay to the outer face: s ≥ d + 4·√2.

    Millimetres, along the mitre.

    >>> round(biscuit_from_point(12), 2)
    17.66
    """
    return slot_mm + LIP_LEFT_MM * ROOT2


def biscuit_for(face_mm: float) -> Biscuit | None:
    """The largest biscuit whose slot keeps off both ends of the mitre; None where none does."""
    fit = None
    for b in BISCUITS:
        room = mitre_mm(face_mm) - biscuit_from_point(b.slot) - LIP_LEFT_MM
        if room >= b.length / 2:
            fit = b
    return fit


def biscuit_count(mitre: float, biscuit: Biscuit, margin_mm: float = 6.0) -> float:
    """How many fit along a mitre: floor((mitre − 2 · margin) / length), halves allowed."""
    return math.floor(2 * (mitre - 2 * margin_mm) / biscuit.length + 1e-9) / 2


def spline_slot(face_mm: float, lip_mm: float) -> float:
    """Deepest slot along the diagonal: (face − lip) · √2 − 3 mm.

    Millimetres. Source: geometry, 3 mm kept to the rabbet.

    >>> round(spline_slot(22, 6), 1)
    19.6
    """
    return (face_mm - lip_mm) * ROOT2 - 3


def spline_count(depth_mm: float) -> int:
    """Splines in a corner: floor(depth / 25), at least one.

    Millimetres.

    >>> spline_count(18), spline_count(50)
    (1, 2)
    """
    return max(1, math.floor(depth_mm / 25 + 1e-9))


def gap_of_error(face_mm: float, error_deg: float) -> float:
    """Gap at the last of eight mitres that are all off by the same angle: 8 · ε · face · √2, ε in radians.

    ``error_deg`` in degrees, the rest in mm.

    >>> round(gap_of_error(45, 0.1), 2)
    0.89
    """
    return 8 * math.radians(error_deg) * face_mm * ROOT2
