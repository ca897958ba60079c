"""Hanging: rating of the hardware, kind for the weight, pull of the wire, hold of the hanger's screws."""

import math
from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.hang.hanging import most_pulled_mm
from shadbo.core.hang.hanging_plain import strips_may
from shadbo.core.sheet.units import GRAVITY_N_PER_KG
from shadbo.core.shop.materials import HangerKind
from shadbo.core.shop.rated import asked_kg, safe_kg
from shadbo.core.words.words import Mm, both, length

NAMES: dict[HangerKind, str] = {
    "wire": "wire",
    "straps": "two straps",
    "cleat": "cleat",
    "plate": "single plate",
    "strips": "wall strips",
    "ledge": "a ledge",
    "cord": "cord",
    "slanted hole": "slanted hole",
}


SLANTED_MOST_KG = 1.0
"""Common practice, no source."""


def hang_by(look: Look, *kinds: HangerKind) -> tuple[Proposal, ...]:
    """Other ways to hang it, where the display and the drawers have them."""
    out = []
    for kind in kinds:
        allowed = look.assembly.hangs
        if allowed and kind not in allowed:
            continue
        if kind != look.hang.kind and any(h.kind == kind for h in look.desk.stock.hangers):
            edits = (Edit(at="hanging/kind", to=kind), Edit(at="hanging/hanger"))
            out.append(Proposal(look.say(f"Hang it by {NAMES[kind]}"), edits, 1))
    return tuple(out)


def hanger_too_weak(look: Look) -> Iterator[Finding]:
    """The maker's rating, by the shop's factor, against what the part carries."""
    hanger, weight = look.hang.hanger, look.hang.weight
    own = look.hang.kind == "cleat" and look.assembly.own_cleat is not None
    if own or look.hang.kind in ("strips", "ledge", "cord", "slanted hole"):
        return
    if hanger is None:
        yield Finding(
            "hang.none",
            "caution",
            "hang",
            look.say(f"No {NAMES[look.hang.kind]} in stock"),
            look.say("{} to hang", weight),
            keys=(weight.key,),
            proposals=hang_by(look, "straps", "wire", "plate", "cleat"),
            by_hand=both("Order it before the frame is closed, or hang it by what lies in the drawers."),
        )
        return
    safe = safe_kg(hanger, look.desk.practice.hardware_factor)
    each = look.hang.each_kg
    demand = asked_kg(hanger, weight.value, each)
    what = "frame and piece weigh {} kg" if demand == weight.value else "each carries {} kg"
    if look.hang.tension is not None:
        what = "each ring takes the wire's pull, as of {} kg"
    if demand <= safe + 1e-6:
        return
    proposals: list[Proposal] = []
    if look.desk.job.hanging.hanger is not None:
        proposals.append(Proposal(look.say("Let the plan choose the hanger"), (Edit(at="hanging/hanger"),), 1))
    yield Finding(
        "hang.weak",
        "stop",
        "hang",
        look.say("{} carries {} kg here, not more", hanger.name, round(safe, 1)),
        look.say(what, round(demand, 1)),
        keys=("weight.total",),
        proposals=(*proposals, *hang_by(look, "straps", "cleat")),
        by_hand=both("Stronger hardware or more fixed points; a qualified fitter decides what the wall holds."),
    )


def kind_unfit(look: Look) -> Iterator[Finding]:
    """A wire, a single plate or the like where the weight or the width asks for two fixed points."""
    p, hang = look.desk.practice, look.hang
    heavy = hang.weight.value > p.fixed_points_over_kg
    large = look.assembly.long_side_mm > p.fixed_points_over_mm
    if hang.kind == "plate" and hang.weight.value >= p.plate_most_kg:
        yield Finding(
            "hang.kind",
            "stop",
            "hang",
            look.say("A single plate is for under {} kg: this weighs {}", p.plate_most_kg, hang.weight),
            look.say("a single hanger lets it swing, and all hangs on one screw"),
            keys=("weight.total",),
            proposals=hang_by(look, "straps", "wire"),
        )
    elif hang.kind == "strips" and not strips_may(look.desk, look.assembly, hang.weight):
        yield Finding(
            "hang.kind",
            "stop",
            "hang",
            look.say("Adhesive strips are not for this: {}, {} long", hang.weight, Mm(look.assembly.long_side_mm)),
            look.say("up to {} kg and {}, never anything glazed: a strip lets go without warning",
                     p.strips_most_kg, Mm(p.strips_most_mm)),
            keys=("weight.total",),
            proposals=hang_by(look, "ledge"),
            by_hand=both("Set it on a ledge that is fixed to the wall."),
        )  # fmt: skip
    elif hang.kind == "wire" and look.assembly.depth.value > p.wire_deepest_mm:
        yield Finding(
            "hang.kind",
            "stop",
            "hang",
            look.say("No wire on a box {} deep", Mm(look.assembly.depth.value)),
            look.say("over {} it leans forward and pulls its rings out", Mm(p.wire_deepest_mm)),
            keys=("frame.depth",),
            proposals=hang_by(look, "straps", "cleat"),
        )
    elif hang.kind == "wire" and look.assembly.glazed and hang.weight.value > p.wire_glazed_most_kg:
        yield Finding(
            "hang.kind",
            "caution",
            "hang",
            look.say("No wire for glazed work of {}", hang.weight),
            look.say("over {} kg take two fixed points or a cleat", p.wire_glazed_most_kg),
            keys=("weight.total",),
            proposals=hang_by(look, "straps", "cleat"),
        )
    elif hang.kind == "wire" and (heavy or large or look.assembly.see_through):
        why = "is seen through" if look.assembly.see_through else "weighs {}" if heavy else "is {} long"
        value = () if look.assembly.see_through else (hang.weight,) if heavy else (Mm(look.assembly.long_side_mm),)
        yield Finding(
            "hang.kind",
            "caution",
            "hang",
            look.say(f"No wire for a frame that {why}", *value),
            look.say("two fixed points or a cleat hold it level and do not pull the rails in"),
            keys=("weight.total",),
            proposals=hang_by(look, "straps", "cleat"),
        )


def wire_bends(look: Look) -> Iterator[Finding]:
    """A wire that pulls slight side rails inwards, onto the package or off its hold."""
    bends, pull, most = look.hang.bends, look.hang.tension, most_pulled_mm(look.desk)
    if look.hang.kind != "wire" or pull is None or bends is None or bends.value <= most + 1e-6:
        return
    yield Finding(
        "wire.bends",
        "stop",
        "hang",
        look.say("The wire bends the side rails inwards by {} each", bends),
        look.say(
            "{} in the wire; keep to {}: the package has no more room beside it",
            pull,
            Mm(most, "down"),
        ),
        keys=("wire.bends", "wire.tension"),
        proposals=(
            *hang_by(look, "straps", "cleat"),
            *look.change(look.levers.strainer, True, 3, "Screw in a strainer back"),
        ),
    )


def slanted_hole(look: Look) -> Iterator[Finding]:
    """A hole drilled aslant into the top rail hangs on a nail's head: for the lightest frames only."""
    if look.hang.kind != "slanted hole" or look.hang.weight.value < SLANTED_MOST_KG:
        return
    yield Finding(
        "hang.hole",
        "stop",
        "hang",
        look.say("A slanted hole is for under {} kg: this weighs {}", SLANTED_MOST_KG, look.hang.weight),
        look.say("the nail's head holds by a few millimetres of wood"),
        keys=("weight.total",),
        proposals=hang_by(look, "plate", "wire", "straps"),
    )


def wire_too_tight(look: Look) -> Iterator[Finding]:
    """A flat wire pulls many times the weight."""
    hang, p = look.hang, look.desk.practice
    if (
        hang.tension is None
        or hang.span is None
        or hang.rise is None
        or hang.wire is None
        or hang.hooks_apart is None
    ):
        return
    safe = hang.wire.rating_kg * GRAVITY_N_PER_KG / p.wire_factor
    times = hang.tension.value / (hang.weight.value * GRAVITY_N_PER_KG)
    over = hang.tension.value > safe + 1e-6
    if not over and hang.angle_deg >= p.wire_angle_least_deg - 1e-6:
        return
    wanted = (hang.span.value - hang.hooks_apart.value) / 2 * math.tan(math.radians(p.wire_angle_least_deg + 1))
    wanted = math.ceil(wanted)
    proposals: list[Proposal] = []
    if look.wire_room is not None and wanted <= look.wire_room.room.value:
        to = {"mm": wanted, "typed": length(wanted, look.desk.mark).pick(look.desk.mark.system)}
        proposals.append(Proposal(look.say("Rise {}", Mm(wanted)), (Edit(at="hanging/rise", to=to),), 1))
    if hang.hooks_apart.value == 0:
        proposals.append(Proposal(look.say("Two hooks"), (Edit(at="hanging/hooks", to=2),), 1))
    yield Finding(
        "wire.tight",
        "stop" if over else "caution",
        "hang",
        look.say("The wire is too tight: it pulls {} times the weight", f"{times:.1f}"),
        look.say(
            "{} in the wire at a rise of {}; it is sold for {} kg",
            hang.tension,
            hang.rise,
            hang.wire.rating_kg,
        ),
        keys=("wire.tension", "wire.rise"),
        proposals=(*proposals, *hang_by(look, "straps")),
    )
