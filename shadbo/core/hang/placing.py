"""Where a hanger sits on a frame: from its side, below its top, on what wood."""

from shadbo.core.build.assembly import Assembly, Dot
from shadbo.core.build.setting import BackRail
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.hang.screw import Beside, Seat, seat_of
from shadbo.core.hang.wiring import Wiring, wire_sums
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.materials import Hanger, HangerKind

OVER_MM = 0.5
"""What a plate may reach beyond its wood before anyone sees it: common practice, no source."""
HOOK_HIDDEN_MM = 5.0
"""How far below the top edge a wall's hook stays where one would see it: common practice, no source."""


@dataclass(frozen=True, slots=True)
class Placed:
    """Where one kind of hardware sits on this frame, and what pulls at each of it."""

    inwards: Quantity
    down: Quantity
    places: tuple[Dot, ...]
    seat: Seat
    wire: Wiring | None
    pull: Quantity
    beside: Beside


def place_hangers(
    desk: Desk, assembly: Assembly, kind: HangerKind, hanger: Hanger | None, load: Quantity, side_down: Quantity
) -> Placed:
    """Put one hanger where this kind goes. ``side_down`` is how far down the side rails hangers sit."""
    s, rail = desk.sheet, assembly.back_rail
    assert rail is not None
    seat = seat_of(desk, rail, hanger, assembly.see_through)
    wide, high = hanger.footprint_mm if hanger is not None else (10.0, 10.0)
    above = hanger.hook_above_mm if hanger is not None else 0.0
    width, height = assembly.outside_width, assembly.outside_height
    on_top = kind in ("plate", "cleat", "slanted hole")
    high_up = assembly.see_through and kind == "straps"
    narrow = _too_narrow(desk, rail.wall.value, high, above) or desk.job.hanging.down is not None
    on_level = on_top or (high_up and not narrow)
    if on_top:
        inwards = s.let("hang.in", "hanger, from the frame's side", width / 2)
        down = s.cut("hang.from_top", "hanger below the top edge", seat.across, "nearest", 1.0)
        places: tuple[Dot, ...] = ((0.0, height.value / 2 - down.value),)
    else:
        across_mm = width / 4 if on_level else seat.across
        inwards = s.cut("hang.in", "hangers, from the frame's side", across_mm, "nearest", 1.0)
        down = _below_corner(desk, rail, high, above, on_level) if high_up else side_down
        x, y = width.value / 2 - inwards.value, height.value / 2 - down.value
        places = ((-x, y), (x, y))
    measured = hanger is not None and (hanger.high_mm if on_level else hanger.wide_mm) > 0
    reach = (high if on_level else wide) if measured or assembly.see_through else 0.0
    beside = _beside(rail, (down if on_level else inwards).value, reach, down.value - above)
    if kind == "wire":
        wire = wire_sums(desk, load, width - 2 * inwards, down)
        return Placed(inwards, down, places, seat, wire, wire.tension, beside)
    return Placed(inwards, down, places, seat, None, load if on_top else load / 2, beside)


def _below_corner(desk: Desk, rail: BackRail, high_mm: float, above_mm: float, on_top_rail: bool) -> Quantity:
    """How far down straps sit where one sees through: on the top rail, else on uprights, close below the corner."""
    s, decided = desk.sheet, desk.job.hanging.down
    if on_top_rail:
        return s.let("hang.top", "hangers below the top edge", rail.wall / 2, "middle of the top rail")
    if decided is not None:
        return s.choose("hang.top", "hangers below the top edge", decided.mm, MM, "decided for this job")
    clear = s.pick("largest", rail.wall + s.number(high_mm / 2, MM), s.number(above_mm + HOOK_HIDDEN_MM, MM))
    return s.cut("hang.top", "hangers below the top edge", clear, "up", 1.0)


def _too_narrow(desk: Desk, wall_mm: float, high_mm: float, above_mm: float) -> bool:
    """Whether a strap on the top rail would stand beside its wood, or show its hook over the top edge."""
    return (
        high_mm > wall_mm + 1e-6
        or wall_mm / 2 < desk.practice.screw_edge_mm - 1e-6
        or wall_mm / 2 - above_mm < HOOK_HIDDEN_MM - 1e-6
    )


def _beside(rail: BackRail, across_mm: float, reach_mm: float, hook_down_mm: float) -> Beside:
    back = rail.wall.value + rail.ledge.value
    low, high = across_mm - reach_mm / 2, across_mm + reach_mm / 2
    edges = [across_mm, back - across_mm]
    if rail.glued:
        edges.append(abs(across_mm - rail.wall.value))
    return Beside(min(edges), max(0.0, -low, high - back), hook_down_mm)
