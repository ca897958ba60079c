"""The screws of a hanger: how deep in what wood, and what they hold."""

from shadbo.core.build.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE
from shadbo.core.shop.materials import SPECIFIC_GRAVITY, Hanger
from shadbo.core.sums import hang as sums


def screw_in(assembly: Assembly, hanger: Hanger | None, short_mm: float) -> tuple[float, bool]:
    """Longest hanger screw that stays inside the wood by ``short_mm``, and whether it must go over the wall."""
    rail = assembly.back_rail
    if hanger is None or rail is None:
        return 0.0, False
    in_ledge = min(hanger.screw_mm, rail.thick_at_ledge.value - short_mm)
    in_wall = min(hanger.screw_mm, rail.thick_at_wall.value - short_mm)
    wall_takes_it = rail.wall.value >= 3 * hanger.screw_diameter_mm
    if in_ledge >= sums.LEAST_THREADS * hanger.screw_diameter_mm or not wall_takes_it or in_wall <= in_ledge:
        return max(in_ledge, 0.0), False
    return in_wall, True


def screw_hold(
    desk: Desk, assembly: Assembly, hanger: Hanger | None, screw_mm: float, pull: Quantity
) -> tuple[Quantity | None, Quantity | None]:
    """What a hanger's screws hold against being pulled straight out, and what pulls at them; None where unknown."""
    gravity = SPECIFIC_GRAVITY.get(assembly.back_rail.species) if assembly.back_rail else None
    if hanger is None or gravity is None or screw_mm <= 0:
        return None, None
    s = desk.sheet
    d = s.choose("hang.screw_diameter", "hanger screw, diameter", hanger.screw_diameter_mm, MM, hanger.name)
    threaded = s.choose("hang.screw", "hanger screw in the wood", screw_mm, MM, "short of the wood's far side")
    g = s.choose("hang.gravity", "specific gravity of the rail", gravity, ONE, "usual value, common practice")
    each = s.call("108.25 · G² · D · L, for G, D, L", sums.withdrawal, g, d, threaded, u=pull.unit)
    factor = s.choose("hang.factor", "safety factor", desk.practice.withdrawal_factor, ONE, "practice of the shop")
    hold = s.let(
        "hang.hold",
        "a hanger's screws hold, safely",
        each * float(hanger.screws) / factor,
        "Wood Handbook, ch. 8",
    )
    return hold, s.let("hang.pull", "pull on each hanger", pull)
