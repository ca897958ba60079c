"""Hanging: tension of a wire, places of hangers, height on the wall, pull-out, screw withdrawal."""

import math

from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, MM, N_PER_KG, N

LEAST_THREADS = 4.0
"""Diameters of thread that a hanger's screw needs in the wood: Wood Handbook, ch. 8, from memory."""


FULL_THREADS = 7.0
"""Diameters of thread at which a screw carries all that it can across: Wood Handbook, ch. 8, from memory."""


def force(sheet: Sheet, mass: Quantity) -> Quantity:
    """Weight in newtons of a mass in kg."""
    return mass * sheet.number(GRAVITY_N_PER_KG, N_PER_KG)


def tension(weight_n: float, span_mm: float, hooks_apart_mm: float, rise_mm: float) -> float:
    """Tension in N of a wire over one hook or two: T = W / (2 sin θ), tan θ = rise / ((span − apart) / 2).

    Source: statics.

    >>> round(tension(50, 300, 0, 40), 1)
    97.0
    """
    return weight_n / (2 * math.sin(math.atan2(rise_mm, (span_mm - hooks_apart_mm) / 2)))


def wire_tension(sheet: Sheet, weight: Quantity, span: Quantity, apart: Quantity, rise: Quantity) -> Quantity:
    """Tension of the hanging wire from statics: half the weight over the sine of the wire's slope."""
    return sheet.call("W ÷ (2 · sin θ), for W, span, hooks apart, rise", tension, weight, span, apart, rise, u=N)


def wire_length(sheet: Sheet, span: Quantity, apart: Quantity, rise: Quantity, tail: Quantity) -> Quantity:
    """Length of wire to cut: the slanted span, the stretch between two hooks, and a tail at each end."""

    def slanted(span_mm: float, apart_mm: float, rise_mm: float, tail_mm: float) -> float:
        return 2 * math.hypot((span_mm - apart_mm) / 2, rise_mm) + apart_mm + 2 * tail_mm

    return sheet.call(
        "slanted span + two tails, for span, hooks apart, rise, tail", slanted, span, apart, rise, tail, u=MM
    )


def wire_angle_deg(span_mm: float, hooks_apart_mm: float, rise_mm: float) -> float:
    """Slope of the wire against level, in degrees.

    Lengths in mm.

    >>> round(wire_angle_deg(300, 0, 150), 1)
    45.0
    """
    return math.degrees(math.atan2(rise_mm, (span_mm - hooks_apart_mm) / 2))


def hook_height(eye: Quantity, outside_height: Quantity, drop: Quantity) -> Quantity:
    """Height of the hook above the floor so that the picture's middle is at eye height."""
    return eye + outside_height / 2 - drop


def pull_out(weight: Quantity, centre_from_wall: Quantity, hanger_to_bumper: Quantity) -> Quantity:
    """Force in N that pulls the upper fixing straight out of a deep box."""
    return weight * centre_from_wall / hanger_to_bumper


def lateral(gravity: float, diameter_mm: float, threaded_mm: float) -> float:
    """Load in N across a wood screw in side grain, at the proportional limit: K · D².

    Full at seven diameters of thread, in proportion down to four, none below. Wood Handbook (FPL-GTR-282), chapter
    8, K for softwoods by specific gravity, from memory; woods denser than its table are taken at its end.

    >>> round(lateral(0.42, 4, 28), 1)
    371.2
    >>> round(lateral(0.42, 4, 16), 1)
    212.1
    """
    if threaded_mm < LEAST_THREADS * diameter_mm - 1e-9:
        return 0.0
    k = 23.2 if gravity < 0.425 else 29.8 if gravity < 0.475 else 35.9
    return k * diameter_mm**2 * min(threaded_mm / (FULL_THREADS * diameter_mm), 1.0)


PILOT: dict[str, float] = {"hardwood": 0.85, "mdf": 0.85}
"""Drill over the screw's diameter in hard stuff; 0.7 in soft: common practice, no source."""


def pilot_mm(diameter_mm: float, species: str) -> float:
    """The drill for a screw's pilot hole, to a tenth of a millimetre.

    >>> pilot_mm(4.0, "softwood"), pilot_mm(4.0, "hardwood")
    (2.8, 3.4)
    """
    return round(PILOT.get(species, 0.7) * diameter_mm, 1)


def withdrawal(gravity: float, diameter_mm: float, threaded_mm: float) -> float:
    """Ultimate withdrawal in N of a wood screw from side grain: 108.25 · G² · D · L.

    Wood Handbook (FPL-GTR-282), chapter 8; G is oven-dry weight on volume at 12 % moisture.
    """
    return 108.25 * gravity**2 * diameter_mm * threaded_mm
