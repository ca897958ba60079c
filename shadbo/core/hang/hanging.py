"""Hanging, planned from the assembly alone: kind by weight and size, places, loads, wall height."""

from dataclasses import dataclass

from shadbo.core.build.assembly import Assembly, Dot
from shadbo.core.desk import Desk
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.hang.hanging_plain import plan_plain, strips_may
from shadbo.core.hang.screw import screw_hold, screw_in
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, MM
from shadbo.core.shop.kept import HANGERS, WIRES, role
from shadbo.core.shop.materials import Hanger, HangerKind, Wire
from shadbo.core.shop.shop import asked_kg, safe_kg
from shadbo.core.sums import hang as sums

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


RAILED: tuple[HangerKind, ...] = ("wire", "straps", "cleat", "plate", "slanted hole")
"""Kinds that are screwed to a rail."""


def hanger_down(desk: Desk, outside_height: Quantity) -> Quantity:
    """How far below the frame's top edge the side hangers are screwed."""
    fraction = desk.practice.hanger_down_fraction
    decided = desk.job.hanging.down
    if decided is not None:
        return desk.choose("hang.down", "hangers below the top edge", decided, 0, "")
    part = desk.sheet.number(fraction)
    return desk.sheet.cut("hang.down", "hangers below the top edge", outside_height * part, "nearest", 1.0)


def choose_kind(desk: Desk, weight: Quantity, assembly: Assembly) -> tuple[HangerKind, str]:
    """The kind of hanging by weight, size and see-through, and the reason."""
    p, weight_kg = desk.practice, weight.value
    decided = desk.job.hanging.kind
    allowed = assembly.hangs
    if decided is not None and (decided in allowed or (not allowed and decided in RAILED)):
        return decided, "decided for this job"
    if allowed:
        safe = [kind for kind in allowed if kind != "strips" or strips_may(desk, assembly, weight)]
        return (safe or list(allowed))[0], "as this display hangs"
    if "two fixed points" in desk.job.hanging.demands or "no wire" in desk.job.hanging.demands:
        return "straps", "the recipient asks for it"
    if weight_kg > p.fixed_points_over_kg or assembly.long_side_mm > p.fixed_points_over_mm:
        return "straps", "two fixed points: too heavy or too large for a wire"
    if assembly.see_through:
        return "straps", "no wire behind a display that is seen through"
    if assembly.depth.value > p.wire_deepest_mm:
        return "straps", "no wire on a deep box: it would lean forward"
    if assembly.glazed and weight_kg > p.wire_glazed_most_kg:
        return "straps", "two fixed points: glazed, and too heavy for a wire"
    if weight_kg < p.plate_most_kg and assembly.outside_width.value <= p.plate_most_width_mm:
        return "plate", f"light and small: under {p.plate_most_kg:g} kg"
    if _flattest_deg(desk, assembly, weight) < p.wire_angle_least_deg:
        return "straps", "too wide and low for a wire: it would pull flat"
    if weight_kg <= p.wire_most_kg:
        return "wire", f"up to {p.wire_most_kg:g} kg the wire lets it be levelled on one hook or two"
    return "straps", f"over {p.wire_most_kg:g} kg: two-hole straps cannot spin"


@dataclass(frozen=True, slots=True)
class Placed:
    """Where one kind of hardware sits on this frame, and what pulls at each of it."""

    inwards: Quantity
    down: Quantity
    places: tuple[Dot, ...]
    screw_mm: float
    into_wall: bool
    wire: Wiring | None
    pull: Quantity


def place_hangers(
    desk: Desk, assembly: Assembly, kind: HangerKind, hanger: Hanger | None, load: Quantity, side_down: Quantity
) -> Placed:
    """Put one hanger where this kind goes. ``side_down`` is how far down the side rails hangers sit."""
    s, rail = desk.sheet, assembly.back_rail
    assert rail is not None
    screw_mm, into_wall = screw_in(assembly, hanger, desk.practice.screw_short_mm)
    width, height = assembly.outside_width, assembly.outside_height
    if kind in ("plate", "cleat", "slanted hole"):
        inwards = s.let("hang.in", "hanger, from the frame's side", width / 2)
        down = s.choose(
            "hang.from_top",
            "hanger below the top edge",
            10 if kind == "plate" else 20,
            MM,
            "the rail's middle",
        )
        places: tuple[Dot, ...] = ((0.0, height.value / 2 - down.value),)
        return Placed(inwards, down, places, screw_mm, into_wall, None, load)
    if assembly.see_through and kind == "straps":
        inwards = s.cut("hang.in", "hangers, from the frame's side", width / 4, "nearest", 1.0)
        down = s.let("hang.top", "hangers below the top edge", rail.wall / 2, "middle of the top rail")
    else:
        across = rail.wall / 2 if into_wall else (rail.wall + rail.ledge) / 2
        inwards = s.cut("hang.in", "hangers, from the frame's side", across, "nearest", 1.0)
        down = side_down
    x, y = width.value / 2 - inwards.value, height.value / 2 - down.value
    places = ((-x, y), (x, y))
    if kind == "wire":
        wire = wire_sums(desk, load, width - 2 * inwards, down)
        return Placed(inwards, down, places, screw_mm, into_wall, wire, wire.tension)
    return Placed(inwards, down, places, screw_mm, into_wall, None, load / 2)


def choose_hanger(desk: Desk, assembly: Assembly, kind: HangerKind, weight: Quantity) -> Hanger | None:
    """The cheapest hanger of that kind that carries what it is asked to, where it would sit; else the strongest."""
    kinds = sorted((h for h in desk.stock.hangers if h.kind == kind), key=lambda h: h.price)
    factor, load = desk.practice.hardware_factor, sums.force(desk.sheet, weight)
    for hanger in kinds:
        tried = place_hangers(desk.on_trial(), assembly, kind, hanger, load, desk.sheet["hang.down"])
        each_kg = tried.pull.value / GRAVITY_N_PER_KG
        carries = safe_kg(hanger, factor) >= asked_kg(hanger, weight.value, each_kg)
        if carries and tried.screw_mm >= sums.LEAST_THREADS * hanger.screw_diameter_mm:
            return hanger
    return max(kinds, key=lambda h: h.rating_kg, default=None)


def plan_hanging(desk: Desk, assembly: Assembly, weight: Quantity) -> HangPlan:
    """Choose the hardware and place it. Needs ``hang.down`` on the sheet."""
    s, p, job = desk.sheet, desk.practice, desk.job.hanging
    kind, reason = choose_kind(desk, weight, assembly)
    if assembly.back_rail is None or kind not in RAILED:
        return plan_plain(desk, assembly, weight, kind, reason)
    hanger = job.hanger if job.hanger is not None and job.hanger.kind == kind else None
    if hanger is None:
        hanger = desk.found(HANGERS, role("hanger", kind), lambda: choose_hanger(desk, assembly, kind, weight))
    load = s.let("hang.load", "weight that hangs", sums.force(s, weight))
    at = place_hangers(desk, assembly, kind, hanger, load, s["hang.down"])
    eye = desk.choose("hang.eye", "eye height", job.eye, p.eye_height_mm, "practice of the shop")
    above = s.choose(
        "hang.above", "hook above the hanger's screws", hanger.hook_above_mm if hanger else 0, MM, "maker"
    )
    wire, pull = at.wire, at.pull
    drop = at.down - wire.rise if wire else at.down - above
    hook = s.let("hang.hook", "hook above the floor", sums.hook_height(eye, assembly.outside_height, drop))
    deep = _pull_out(desk, assembly, load, at.down, hanger)
    if deep is not None:
        pull = pull + deep / (2 if kind in ("straps", "wire") else 1)
    hold, screw_load = screw_hold(desk, assembly, hanger, at.screw_mm, pull)
    straps_apart = 2 * (assembly.outside_width.value / 2 - at.inwards.value) if kind == "straps" else 0.0
    apart = wire.apart.value if wire else straps_apart
    return HangPlan(
        kind,
        reason,
        hanger,
        wire_for(desk, wire.tension) if wire else None,
        weight,
        at.down,
        at.inwards,
        at.places,
        hook,
        (-apart / 2, apart / 2) if apart else (0.0,),
        at.screw_mm,
        at.into_wall,
        hold,
        screw_load,
        wire.tension if wire else None,
        wire.rise if wire else None,
        wire.span if wire else None,
        wire.apart if wire else None,
        sums.wire_angle_deg(wire.span.value, wire.apart.value, wire.rise.value) if wire else 90.0,
        wire.length if wire else None,
        hanger.stands_out_mm if hanger else 0.0,
    )


def wire_for(desk: Desk, tension: Quantity) -> Wire | None:
    """The decided wire, or the lightest that takes the pull."""
    pull_kg = tension.value / GRAVITY_N_PER_KG
    return desk.job.hanging.wire or desk.found(
        WIRES, "wire", lambda: desk.stock.wire(pull_kg, desk.practice.wire_factor)
    )


def _pull_out(
    desk: Desk, assembly: Assembly, load: Quantity, down: Quantity, hanger: Hanger | None
) -> Quantity | None:
    """A deep box leans forward: what pulls its upper fixings straight out. None for a flat one."""
    s, p = desk.sheet, desk.practice
    if assembly.depth.value <= p.joint_deeper_mm:
        return None
    stand = s.number(hanger.stands_out_mm if hanger else 0.0, MM)
    centre = s.let("hang.centre", "middle of the box, from the wall", assembly.depth / 2 + stand)
    lever = s.let("hang.lever", "hangers above the bumpers", assembly.outside_height - down - s.number(9, MM))
    return s.let("hang.pull_out", "pull-out at the upper fixings", sums.pull_out(load, centre, lever), "deep box")


def _flattest_deg(desk: Desk, assembly: Assembly, weight: Quantity) -> float:
    """Slope of the wire over two hooks, the steepest that this frame allows: where its ring would really sit."""
    ring = min((h for h in desk.stock.hangers if h.kind == "wire"), key=lambda h: h.price, default=None)
    trial = desk.on_trial()
    load = sums.force(trial.sheet, weight)
    wire = place_hangers(trial, assembly, "wire", ring, load, desk.sheet["hang.down"]).wire
    assert wire is not None
    return sums.wire_angle_deg(wire.span.value, wire.span.value / 3, max(wire.rise.value, LEAST_RISE_MM))


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
