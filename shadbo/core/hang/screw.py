"""The screws of a hanger: where on the rail's back, how deep in what wood, and what they hold."""

from collections.abc import Iterator

from shadbo.core.build.setting import BackRail
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM, ONE, N
from shadbo.core.shop.kept import SCREWS, role
from shadbo.core.shop.materials import SPECIFIC_GRAVITY, Hanger, Screw
from shadbo.core.sums import hang as sums


@dataclass(frozen=True, slots=True)
class Seat:
    """Where a hanger's screws go on the back of a rail.

    ``across`` is from the frame's outer edge, ``wood`` what lies beside them on the nearer side, ``screw_mm`` how
    deep they go, ``room_mm`` how deep they could.
    """

    across: Quantity
    wood: Quantity
    screw_mm: float
    room_mm: float
    where: str


@dataclass(frozen=True, slots=True)
class Beside:
    """Wood on which one hanger lies: from its screws to the nearer edge of it.

    ``over_mm`` is what of it lies beside the wood; ``hook_down_mm`` how far the wall's hook is below the frame's top.
    """

    wood_mm: float
    over_mm: float
    hook_down_mm: float


ON_MIDDLE, IN_WALL, IN_STRIP = "on the rail's middle", "in the wall of the rail", "in the strip, off its glue line"


def _seats(rail: BackRail, short_mm: float) -> Iterator[tuple[Quantity, Quantity, float, str]]:
    """Places on the back by preference: across, wood beside it, room for a screw, in words."""
    wall, ledge = rail.wall, rail.ledge
    deep, shallow = rail.thick_at_wall.value - short_mm, rail.thick_at_ledge.value - short_mm
    if rail.glued:
        yield wall / 2, wall / 2, deep, IN_WALL
        yield wall + ledge / 2, ledge / 2, shallow, IN_STRIP
        return
    if ledge.value > 0:
        half = (wall + ledge) / 2
        yield half, half, shallow if half.value > wall.value else deep, ON_MIDDLE
        yield wall / 2, wall / 2, deep, IN_WALL
        return
    yield wall / 2, wall / 2, deep, ON_MIDDLE


def screw_of_hanger(desk: Desk, hanger: Hanger, room_mm: float) -> float:
    """The hanger's own screw where the wood takes it, else the longest like it in the drawers; 0 for none."""
    kept = desk.known(SCREWS, _role(hanger), None)
    here = desk.stock.screws if kept is None else (kept, *desk.stock.screws)
    drawers = [x.length_mm for x in here if abs(x.diameter_mm - hanger.screw_diameter_mm) <= 0.5]
    return max((x for x in (hanger.screw_mm, *drawers) if x <= min(room_mm, hanger.screw_mm) + 1e-6), default=0.0)


def keep_screw(desk: Desk, hanger: Hanger, screw_mm: float) -> None:
    """A screw that does not come with its hanger is copied into the job when the job's first part is cut."""
    if screw_mm <= 0 or abs(screw_mm - hanger.screw_mm) < 1e-6:
        return

    def found() -> Screw | None:
        like = (x for x in desk.stock.screws if abs(x.diameter_mm - hanger.screw_diameter_mm) <= 0.5)
        return next((x for x in like if abs(x.length_mm - screw_mm) < 1e-6), None)

    desk.found(SCREWS, _role(hanger), found)


def _role(hanger: Hanger) -> str:
    return role("hanger-screw", hanger.id)


EDGE_DIAMETERS = 1.5
"""Diameters of wood beside a hanger's screw: common practice, no source."""


def least_beside_mm(desk: Desk, hanger: Hanger | None, seen: bool) -> float:
    """Wood that a hanger's screws need beside them; ``seen``: where a split would show, the shop's own distance."""
    thin = EDGE_DIAMETERS * (hanger.screw_diameter_mm if hanger else 3.0)
    return max(thin, desk.practice.screw_edge_mm) if seen else thin


def seat_of(desk: Desk, rail: BackRail, hanger: Hanger | None, seen: bool = False) -> Seat:
    """The first place whose wood takes the hanger's screws, with enough of it beside them; else the best there is."""
    least = sums.LEAST_THREADS * (hanger.screw_diameter_mm if hanger else 3.0)
    edge = least_beside_mm(desk, hanger, seen)
    seats = []
    for across, wood, room, where in _seats(rail, desk.practice.screw_short_mm):
        room = max(room, 0.0)
        screw = screw_of_hanger(desk, hanger, room) if hanger else 0.0
        seats.append(Seat(across, wood, screw, room, where))
    good = [x for x in seats if x.screw_mm >= least - 1e-6 and x.wood.value >= edge - 1e-6]
    return good[0] if good else max(seats, key=lambda x: (min(x.screw_mm / least, 1.0), x.wood.value))


@dataclass(frozen=True, slots=True)
class Holds:
    """What a hanger's screws carry, safely, in newtons: pulled straight out, and across."""

    out: Quantity
    across: Quantity


def screw_hold(desk: Desk, rail: BackRail, hanger: Hanger | None, screw_mm: float) -> Holds | None:
    """What a hanger's screws hold in this wood; None where there are none, or nobody knows of the wood."""
    gravity = SPECIFIC_GRAVITY.get(rail.species)
    if hanger is None or gravity is None or screw_mm <= 0:
        return None
    s, p = desk.sheet, desk.practice
    d = s.choose("hang.screw_diameter", "hanger screw, diameter", hanger.screw_diameter_mm, MM, hanger.name)
    threaded = s.choose("hang.screw", "hanger screw in the wood", screw_mm, MM, "short of the wood's far side")
    g = s.choose("hang.gravity", "specific gravity of the rail", gravity, ONE, "usual value, common practice")
    each = s.call("108.25 · G² · D · L, for G, D, L", sums.withdrawal, g, d, threaded, u=N)
    factor = s.choose("hang.factor", "safety factor", p.withdrawal_factor, ONE, "practice of the shop")
    many = float(hanger.screws)
    out = s.let("hang.hold", "a hanger's screws hold, safely", each * many / factor, "Wood Handbook, ch. 8")
    each = s.call("K · D², K by G, less for a short thread; for G, D, L", sums.lateral, g, d, threaded, u=N)
    factor = s.choose("hang.across_factor", "factor on what they carry across", p.lateral_factor, ONE, "practice")
    across = s.let("hang.across", "a hanger's screws carry across, safely", each * many / factor,
                   "Wood Handbook, ch. 8, from memory")  # fmt: skip
    return Holds(out, across)
