"""What the recipient asks for, and whether a plan gives it."""

from collections.abc import Iterator

from shadbo.core.build.assembly import Assembly
from shadbo.core.build.closing import glazing_kinds
from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.hang.hang_plan import HangPlan
from shadbo.core.job.job import Demand
from shadbo.core.words.words import both


def gives(assembly: Assembly, hang: HangPlan, demand: Demand) -> bool:
    """Whether a build gives what a recipient asks for."""
    glass = "glass" in glazing_kinds(assembly)
    return {
        "no wire": hang.kind != "wire",
        "acrylic only": not glass,
        "two fixed points": hang.kind in ("straps", "cleat"),
        "sealed back": assembly.back == "sealed paper",
        "busy place": not glass,
    }[demand]


def recipient(look: Look) -> Iterator[Finding]:
    """What the recipient asks for, checked before the back is closed."""
    for demand in look.desk.job.hanging.demands:
        if demand != "busy place" and not gives(look.assembly, look.hang, demand):
            edits: tuple[Proposal, ...] = ()
            if demand in ("no wire", "two fixed points") and not look.assembly.hangs:
                edits = (Proposal(look.say("Hang it by two straps"), (Edit(at="hanging/kind", to="straps"),), 1),)
            if demand == "sealed back":
                edits = look.change(look.levers.back, "sealed paper", 1, "Sealed paper")
            if demand == "acrylic only":
                edits = look.change(look.levers.glazing, None, 1, "Glazing as the plan chooses")
            yield Finding(
                "recipient.asks",
                "caution",
                "hang",
                look.say("The recipient asks for: {}", demand),
                look.say("this plan does not give it"),
                place=demand.replace(" ", "-"),
                proposals=edits,
                by_hand=both("Settle it with the recipient before closing."),
            )
