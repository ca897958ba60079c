"""Where a hanger sits on a frame: from its side, below its top, on what wood."""

import math
from dataclasses import dataclass

from shadbo.core.build.assembly import Assembly, Dot
from shadbo.core.build.setting import BackRail
from shadbo.core.desk import Desk
from shadbo.core.hang.screw import Beside, Seat, seat_of
from shadbo.core.hang.wiring import Wiring, wire_sums
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.materials import Hanger, HangerKind

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
    upright = False
    if on_top:
        inwards = s.let("hang.in", "hanger, from the frame's side", width / 2)
        down = s.cut("hang.from_top", "hanger below the top edge", seat.across, "nearest", 1.0)
        places: tuple[Dot, ...] = ((0.0, height.value / 2 - down.value),)
    elif assembly.see_through and kind == "straps":
        upright = _too_narrow(desk, rail.wall.value, high, above)
        if upright:
            inwards = s.cut("hang.in", "hangers, from the frame's side", seat.across, "nearest", 1.0)
            least = max(rail.wall.value + high / 2, above + HOOK_HIDDEN_MM)
            down = s.choose("hang.top", "hangers below the top edge", math.ceil(least), MM, "clear of the top rail")
        else:
            inwards = s.cut("hang.in", "hangers, from the frame's side", width / 4, "nearest", 1.0)
            down = s.let("hang.top", "hangers below the top edge", rail.wall / 2, "middle of the top rail")
        x, y = width.value / 2 - inwards.value, height.value / 2 - down.value
        places = ((-x, y), (x, y))
    else:
        inwards = s.cut("hang.in", "hangers, from the frame's side", seat.across, "nearest", 1.0)
        down = side_down
        x, y = width.value / 2 - inwards.value, height.value / 2 - down.value
        places = ((-x, y), (x, y))
    on_level = on_top or (assembly.see_through and kind == "straps" and not upright)
    across = (down if on_level else inwards).value
    measured = hanger is not None and (hanger.high_mm if on_level else hanger.wide_mm) > 0
    reach = (high if on_level else wide) if measured or assembly.see_through else 0.0
    beside = _beside(rail, across, reach, down.value - above)
    if on_top:
        return Placed(inwards, down, places, seat, None, load, beside)
    if kind == "wire":
        wire = wire_sums(desk, load, width - 2 * inwards, down)
        return Placed(inwards, down, places, seat, wire, wire.tension, beside)
    return Placed(inwards, down, places, seat, None, load / 2, beside)


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
