"""Hanging, planned from the assembly alone: kind by weight and size, places, loads, wall height."""

from shadbo.core.build.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.hang.hanging_plain import plan_plain, strips_may
from shadbo.core.hang.placing import OVER_MM, Placed, place_hangers
from shadbo.core.hang.screw import keep_screw, least_beside_mm, screw_hold
from shadbo.core.hang.wiring import LEAST_RISE_MM, rail_pulled, wire_for
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, MM
from shadbo.core.shop.kept import HANGERS, role
from shadbo.core.shop.materials import Hanger, HangerKind
from shadbo.core.shop.rated import asked_kg, safe_kg
from shadbo.core.sums import hang as sums
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, mass_text, say

UNKNOWN_KG = 1000.0
"""Stands for a rating that nobody knows; a finding says so."""
RAILED: tuple[HangerKind, ...] = ("wire", "straps", "cleat", "plate", "slanted hole")
"""Kinds that are screwed to a rail."""


def hanger_down(desk: Desk, outside_height: Quantity) -> Quantity:
    """How far below the frame's top edge the side hangers are screwed."""
    fraction = desk.practice.hanger_down_fraction
    decided = desk.job.hanging.down
    if decided is not None:
        return desk.choose("hang.down", "hangers below the top edge", decided, 0, "")
    own = desk.own_frame
    if own is not None and own.hangs is not None and own.hanger_down is not None:
        return desk.read("hang.down", "its own hangers below the top edge", own.hanger_down)
    part = desk.sheet.number(fraction)
    return desk.sheet.cut("hang.down", "hangers below the top edge", outside_height * part, "nearest", 1.0)


def own_hanger(desk: Desk) -> Hanger | None:
    """The hangers that a frame came with, as they sit on its rails; None where it has none."""
    kind = desk.own_frame.hangs if desk.own_frame is not None else None
    return Hanger(id="own-hanger", name="its own hangers", kind=kind, rating_kg=UNKNOWN_KG) if kind else None


def hangers_at(desk: Desk, outside_height: Quantity) -> Quantity:
    """The same, put on the sheet once, by whoever needs it first."""
    known = desk.sheet.get("hang.down")
    return hanger_down(desk, outside_height) if known is None else known


def choose_kind(desk: Desk, weight: Quantity, assembly: Assembly) -> tuple[HangerKind, Both]:
    """The kind of hanging by weight, size and see-through, and the reason."""
    kind, why = _kind(desk, weight, assembly)
    return kind, both(why) if isinstance(why, str) else why


def _kind(desk: Desk, weight: Quantity, assembly: Assembly) -> tuple[HangerKind, str | Both]:
    p, weight_kg = desk.practice, weight.value
    decided = desk.job.hanging.kind
    allowed = assembly.hangs
    if decided is not None and (decided in allowed or (not allowed and decided in RAILED)):
        return decided, "decided for this job"
    if allowed:
        safe = [kind for kind in allowed if kind != "strips" or strips_may(desk, assembly, weight)]
        why = "its own top strip is the cleat" if assembly.own_cleat is not None else "as this display hangs"
        return (safe or list(allowed))[0], why
    own = desk.own_frame
    if own is not None and own.hangs is not None:
        return own.hangs, "its own hangers, where they sit"
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
        return "plate", say(desk.mark, "light and small: under {}", mass_text(p.plate_most_kg))
    slope_deg, bends = _on_trial(desk, assembly, weight)
    if slope_deg < p.wire_angle_least_deg:
        return "straps", "too wide and low for a wire: it would pull flat"
    if bends:
        return "straps", "a wire would bend its slight rails inwards"
    if weight_kg <= p.wire_most_kg:
        levels = "up to {} the wire lets it be levelled on one hook or two"
        return "wire", say(desk.mark, levels, mass_text(p.wire_most_kg))
    return "straps", say(desk.mark, "over {}: two-hole straps cannot spin", mass_text(p.wire_most_kg))


def choose_hanger(desk: Desk, assembly: Assembly, kind: HangerKind, weight: Quantity) -> Hanger | None:
    """The cheapest hanger of a kind that carries what it is asked to, on wood that holds it; else the strongest."""
    kinds = sorted((h for h in desk.stock.hangers if h.kind == kind), key=lambda h: h.price)
    factor, load = desk.practice.hardware_factor, sums.force(desk.sheet, weight)
    carry: list[tuple[bool, bool, Hanger]] = []
    half_kg = load.value / 2 / GRAVITY_N_PER_KG  # no hanger is asked to carry less, however it hangs
    for hanger in kinds:
        if safe_kg(hanger, factor) < asked_kg(hanger, weight.value, half_kg):
            continue
        trial = desk.on_trial()
        at = place_hangers(trial, assembly, kind, hanger, load, desk.sheet["hang.down"])
        if safe_kg(hanger, factor) < asked_kg(hanger, weight.value, at.pull.value / GRAVITY_N_PER_KG):
            continue
        carry.append((not _sits(trial, assembly, hanger, at), at.beside.over_mm > OVER_MM, hanger))
        if carry[-1][:2] == (False, False):
            return hanger
    if carry:
        return min(carry, key=lambda c: c[:2])[2]
    return max(kinds, key=lambda h: h.rating_kg, default=None)


def _sits(trial: Desk, assembly: Assembly, hanger: Hanger, at: Placed) -> bool:
    """Whether its screws find thread enough, wood beside them, and carry what pulls across."""
    assert assembly.back_rail is not None
    threads = at.seat.screw_mm >= sums.LEAST_THREADS * hanger.screw_diameter_mm - 1e-6
    beside = at.beside.wood_mm >= least_beside_mm(trial, hanger, assembly.see_through) - 1e-6
    holds = screw_hold(trial, assembly.back_rail, hanger, at.seat.screw_mm)
    return threads and beside and (holds is None or holds.across.value >= at.pull.value - 1e-6)


def plan_hanging(desk: Desk, assembly: Assembly, weight: Quantity) -> HangPlan:
    """Choose the hardware and place it. Needs ``hang.down`` on the sheet."""
    s, p, job = desk.sheet, desk.practice, desk.job.hanging
    kind, reason = choose_kind(desk, weight, assembly)
    if assembly.back_rail is None or kind not in RAILED or (kind == "cleat" and assembly.own_cleat is not None):
        return plan_plain(desk, assembly, weight, kind, reason)
    hanger = job.hanger if job.hanger is not None and job.hanger.kind == kind else None
    own = own_hanger(desk)
    if hanger is None and own is not None and own.kind == kind:
        hanger = own
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
    if hanger is not None:
        keep_screw(desk, hanger, at.seat.screw_mm)
    holds = screw_hold(desk, assembly.back_rail, hanger, at.seat.screw_mm)
    screw_load = s.let("hang.pull", "pull on each hanger", pull) if holds is not None else None
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
        at.seat.screw_mm,
        at.seat.where,
        holds.out if holds is not None else None,
        screw_load,
        wire.tension if wire else None,
        wire.rise if wire else None,
        wire.span if wire else None,
        wire.apart if wire else None,
        sums.wire_angle_deg(wire.span.value, wire.apart.value, wire.rise.value) if wire else 90.0,
        wire.length if wire else None,
        hanger.stands_out_mm if hanger else 0.0,
        at.seat.room_mm,
        at.beside,
        holds.across if holds is not None else None,
        rail_pulled(desk, wire, at.down, s) if wire else None,
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


def _on_trial(desk: Desk, assembly: Assembly, weight: Quantity) -> tuple[float, bool]:
    """A wire where its ring would sit on this frame: its slope over two hooks, and whether it bends the rails."""
    ring = min((h for h in desk.stock.hangers if h.kind == "wire"), key=lambda h: h.price, default=None)
    trial = desk.on_trial()
    load = sums.force(trial.sheet, weight)
    at = place_hangers(trial, assembly, "wire", ring, load, desk.sheet["hang.down"])
    wire = at.wire
    assert wire is not None
    slope = sums.wire_angle_deg(wire.span.value, wire.span.value / 3, max(wire.rise.value, LEAST_RISE_MM))
    bends = rail_pulled(trial, wire, at.down, desk.sheet)
    return slope, bends is not None and bends.value > most_pulled_mm(desk)


def most_pulled_mm(desk: Desk) -> float:
    """How far a wire may bend a rail: what a rail may sag, and never what the package has beside it."""
    air = desk.sheet.get("fit.allowance_width")
    if air is None:
        return desk.practice.rail_sag_most_mm
    return min(desk.practice.rail_sag_most_mm, air.value / 2)
