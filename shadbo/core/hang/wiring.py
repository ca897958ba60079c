"""A wire behind a frame: span, hooks, rise, pull and length."""

import math

from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, MM
from shadbo.core.shop.kept import WIRES
from shadbo.core.shop.materials import Wire
from shadbo.core.sums import hang as sums
from shadbo.core.sums.bending import pulled_mm

LEAST_RISE_MM = 1.0
"""A wire is never reckoned flatter: a flat one would pull without end."""


@dataclass(frozen=True, slots=True)
class Wiring:
    """A wire between two hangers over one hook or two."""

    span: Quantity
    apart: Quantity
    rise: Quantity
    tension: Quantity
    length: Quantity


def wire_sums(desk: Desk, load: Quantity, between: Quantity, down: Quantity) -> Wiring:
    """Span, hooks, rise, pull and length of a wire: one hook, unless the wire would then be too flat."""
    s, p, job = desk.sheet, desk.practice, desk.job.hanging
    span = s.let("wire.span", "between the hangers", between)
    room = s.let("wire.room", "most rise that keeps the wire below the top", down - s.number(p.wire_below_top_mm, MM))
    if job.rise is not None:
        rise = desk.choose("wire.rise", "rise of the wire at the hook", job.rise, 0, "")
    else:
        wanted = span * s.number(p.wire_rise_fraction)
        rise = s.cut("wire.rise", "rise of the wire at the hook", s.pick("smallest", room, wanted), "down", 3.0)
    steep = sums.wire_angle_deg(span.value, 0, max(rise.value, LEAST_RISE_MM)) >= p.wire_angle_least_deg
    hooks = job.hooks or (1 if steep else 2)
    apart = s.let("wire.apart", "between the hooks", span * s.number((hooks - 1) / 3), way="nearest")
    safe = s.pick("largest", rise, s.number(LEAST_RISE_MM, MM))
    tension = s.let("wire.tension", "pull in the wire", sums.wire_tension(s, load, span, apart, safe))
    tail = s.choose("wire.tail", "tail at each end", p.wire_tail_mm, MM, "practice of the shop")
    length = s.cut("wire.length", "wire to cut", sums.wire_length(s, span, apart, safe, tail), "up", 5.0)
    return Wiring(span, apart, rise, tension, length)


def rail_pulled(desk: Desk, wire: Wiring, down: Quantity, known: Sheet) -> Quantity | None:
    """How far a wire bends a side rail inwards at its hanger, ends taken as hinged; None where a rail is screwed on.

    ``known`` has the rail's stiffness, where the package does not stiffen it.
    """
    if "rail.inertia" not in known:
        return None
    stiff = known["rail.inertia_strained"] if "rail.inertia_strained" in known else known["rail.inertia"]
    s = desk.sheet

    def bends(t: float, span: float, apart: float, rise: float, at: float, long: float, e: float, i: float) -> float:
        inwards = t * math.cos(math.radians(sums.wire_angle_deg(span, apart, max(rise, LEAST_RISE_MM))))
        return pulled_mm(inwards, min(at, long), long, e, max(i, 1.0))

    rail = (known["frame.outside_height"], known["rail.e"], stiff)
    args = (wire.tension, wire.span, wire.apart, wire.rise, down, *rail)
    said = s.call("F·a²·b² ÷ (3·E·I·L), for T, span, hooks, rise, a, L, E, I", bends, *args, u=MM)
    return s.let("wire.bends", "the wire bends a side rail inwards by", said, "ends hinged: an upper bound")


def wire_for(desk: Desk, tension: Quantity) -> Wire | None:
    """The decided wire, or the lightest that takes the pull."""
    pull_kg = tension.value / GRAVITY_N_PER_KG
    return desk.job.hanging.wire or desk.found(
        WIRES, "wire", lambda: desk.stock.wire(pull_kg, desk.practice.wire_factor)
    )
