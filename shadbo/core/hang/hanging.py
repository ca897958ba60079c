"""Hanging, planned from the assembly alone: kind by weight and size, places, loads, wall height."""

from shadbo.core.build.assembly import Assembly, Dot
from shadbo.core.desk import Desk
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.hang.hanging_plain import plan_plain
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, MM, ONE
from shadbo.core.shop.kept import HANGERS, WIRES, role
from shadbo.core.shop.materials import SPECIFIC_GRAVITY, Hanger, HangerKind, Wire
from shadbo.core.sums import hang as sums

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


def choose_kind(desk: Desk, weight_kg: float, assembly: Assembly) -> tuple[HangerKind, str]:
    """The kind of hanging by weight, size and see-through, and the reason."""
    p = desk.practice
    decided = desk.job.hanging.kind
    allowed = assembly.hangs
    if decided is not None and (decided in allowed or (not allowed and decided in RAILED)):
        return decided, "decided for this job"
    if allowed:
        return allowed[0], "as this display hangs"
    if "two fixed points" in desk.job.hanging.demands or "no wire" in desk.job.hanging.demands:
        return "straps", "the recipient asks for it"
    if weight_kg > p.fixed_points_over_kg or assembly.long_side_mm > p.fixed_points_over_mm:
        return "straps", "two fixed points: too heavy or too large for a wire"
    if assembly.see_through:
        return "straps", "no wire behind a display that is seen through"
    if weight_kg < p.plate_most_kg and assembly.outside_width.value <= p.plate_most_width_mm:
        return "plate", f"light and small: under {p.plate_most_kg:g} kg"
    if _flattest_deg(desk, assembly) < p.wire_angle_least_deg:
        return "straps", "too wide and low for a wire: it would pull flat"
    if weight_kg <= p.wire_most_kg:
        return "wire", f"up to {p.wire_most_kg:g} kg the wire lets it be levelled on one hook or two"
    return "straps", f"over {p.wire_most_kg:g} kg: two-hole straps cannot spin"


def plan_hanging(desk: Desk, assembly: Assembly, weight: Quantity) -> HangPlan:
    """Choose the hardware and place it. Needs ``hang.down`` on the sheet."""
    s, p, job = desk.sheet, desk.practice, desk.job.hanging
    kind, reason = choose_kind(desk, weight.value, assembly)
    rail = assembly.back_rail
    if rail is None or kind not in RAILED:
        return plan_plain(desk, assembly, weight, kind, reason)
    each_kg = _load_on_each_kg(desk, assembly, kind, weight.value)
    hanger = job.hanger if job.hanger is not None and job.hanger.kind == kind else None
    if hanger is None:
        hanger = desk.found(
            HANGERS,
            role("hanger", kind),
            lambda: desk.stock.hanger(kind, weight.value, each_kg, p.hardware_factor),
        )
    load = s.let("hang.load", "weight that hangs", sums.force(s, weight))
    screw_mm, into_wall = _screw(assembly, hanger)
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
    elif assembly.see_through and kind == "straps":
        inwards = s.cut("hang.in", "hangers, from the frame's side", width / 4, "nearest", 1.0)
        down = s.let("hang.top", "hangers below the top edge", rail.wall / 2, "middle of the top rail")
        x, y = width.value / 2 - inwards.value, height.value / 2 - down.value
        places = ((-x, y), (x, y))
    else:
        across = rail.wall / 2 if into_wall else (rail.wall + rail.ledge) / 2
        inwards = s.cut("hang.in", "hangers, from the frame's side", across, "nearest", 1.0)
        down = s["hang.down"]
        x, y = width.value / 2 - inwards.value, height.value / 2 - down.value
        places = ((-x, y), (x, y))
    eye = desk.choose("hang.eye", "eye height", job.eye, p.eye_height_mm, "practice of the shop")
    above = s.choose(
        "hang.above", "hook above the hanger's screws", hanger.hook_above_mm if hanger else 0, MM, "maker"
    )
    wire = _wire(desk, load, width, inwards, down) if kind == "wire" else None
    drop = down - wire["rise"] if wire else down - above
    hook = s.let("hang.hook", "hook above the floor", sums.hook_height(eye, height, drop))
    pull = wire["tension"] if wire else load / (2 if kind == "straps" else 1)
    deep = _pull_out(desk, assembly, load, down, hanger)
    if deep is not None:
        pull = pull + deep / (2 if kind in ("straps", "wire") else 1)
    hold, screw_load = _screw_hold(desk, assembly, hanger, screw_mm, pull)
    apart = wire["apart"].value if wire else 2 * (width.value / 2 - inwards.value) if kind == "straps" else 0.0
    return HangPlan(
        kind,
        reason,
        hanger,
        wire_for(desk, wire["tension"]) if wire else None,
        weight,
        down,
        inwards,
        places,
        hook,
        (-apart / 2, apart / 2) if apart else (0.0,),
        screw_mm,
        into_wall,
        hold,
        screw_load,
        wire["tension"] if wire else None,
        wire["rise"] if wire else None,
        wire["span"] if wire else None,
        wire["apart"] if wire else None,
        sums.wire_angle_deg(wire["span"].value, wire["apart"].value, wire["rise"].value) if wire else 90.0,
        wire["length"] if wire else None,
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


def _flattest_deg(desk: Desk, assembly: Assembly) -> float:
    """Slope of the wire over two hooks, the steepest that this frame allows."""
    span = assembly.outside_width.value - _wall_mm(assembly)
    return sums.wire_angle_deg(span, span / 3, _rise_mm(desk, span, desk.sheet["hang.down"].value))


def _wall_mm(assembly: Assembly) -> float:
    return assembly.back_rail.wall.value if assembly.back_rail else 0.0


def _rise_mm(desk: Desk, span_mm: float, down_mm: float) -> float:
    """Rise that the plan takes: a quarter of the span, or as much as stays below the top edge."""
    p = desk.practice
    decided = desk.job.hanging.rise
    return decided.mm if decided else max(min(down_mm - p.wire_below_top_mm, span_mm * p.wire_rise_fraction), 1.0)


def _hooks(desk: Desk, span_mm: float, down_mm: float) -> int:
    """One hook, unless the wire would then be too flat."""
    angle = sums.wire_angle_deg(span_mm, 0, _rise_mm(desk, span_mm, down_mm))
    return 1 if angle >= desk.practice.wire_angle_least_deg else 2


def _load_on_each_kg(desk: Desk, assembly: Assembly, kind: HangerKind, weight_kg: float) -> float:
    """What one hanger carries, in kg, before its exact place is known: half, all, or the wire's pull."""
    if kind == "wire":
        span = assembly.outside_width.value - _wall_mm(assembly)
        down = desk.sheet["hang.down"].value
        hooks = desk.job.hanging.hooks or _hooks(desk, span, down)
        return sums.tension(weight_kg, span, span * (hooks - 1) / 3, _rise_mm(desk, span, down))
    return weight_kg / 2 if kind == "straps" else weight_kg


def _wire(desk: Desk, load: Quantity, width: Quantity, inwards: Quantity, down: Quantity) -> dict[str, Quantity]:
    s, p, job = desk.sheet, desk.practice, desk.job.hanging
    span = s.let("wire.span", "between the hangers", width - 2 * inwards)
    hooks = job.hooks or _hooks(desk, span.value, down.value)
    apart = s.let("wire.apart", "between the hooks", span * s.number((hooks - 1) / 3), way="nearest")
    room = s.let("wire.room", "most rise that keeps the wire below the top", down - s.number(p.wire_below_top_mm, MM))
    if job.rise is not None:
        rise = desk.choose("wire.rise", "rise of the wire at the hook", job.rise, 0, "")
    else:
        wanted = span * s.number(p.wire_rise_fraction)
        rise = s.cut("wire.rise", "rise of the wire at the hook", s.pick("smallest", room, wanted), "down", 3.0)
    safe = s.pick("largest", rise, s.number(1.0, MM))
    tension = s.let("wire.tension", "pull in the wire", sums.wire_tension(s, load, span, apart, safe))
    tail = s.choose("wire.tail", "tail at each end", p.wire_tail_mm, MM, "practice of the shop")
    length = s.cut("wire.length", "wire to cut", sums.wire_length(s, span, apart, safe, tail), "up", 5.0)
    return {"span": span, "apart": apart, "rise": rise, "tension": tension, "length": length}


def _screw(assembly: Assembly, hanger: Hanger | None) -> tuple[float, bool]:
    """Longest hanger screw that stays 2 mm inside the wood, and whether it must go over the wall."""
    rail = assembly.back_rail
    if hanger is None or rail is None:
        return 0.0, False
    in_ledge = min(hanger.screw_mm, rail.thick_at_ledge.value - 2)
    in_wall = min(hanger.screw_mm, rail.thick_at_wall.value - 2)
    wall_takes_it = rail.wall.value >= 3 * hanger.screw_diameter_mm
    if in_ledge >= 8 or not wall_takes_it:
        return max(in_ledge, 0.0), False
    return in_wall, True


def _screw_hold(
    desk: Desk, assembly: Assembly, hanger: Hanger | None, screw_mm: float, pull: Quantity
) -> tuple[Quantity | None, Quantity | None]:
    gravity = SPECIFIC_GRAVITY.get(assembly.back_rail.species) if assembly.back_rail else None
    if hanger is None or gravity is None or screw_mm <= 0:
        return None, None
    s = desk.sheet
    d = s.choose("hang.screw_diameter", "hanger screw, diameter", hanger.screw_diameter_mm, MM, hanger.name)
    threaded = s.choose("hang.screw", "hanger screw in the wood", screw_mm, MM, "2 mm short of the wood's far side")
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
