"""Decisions about hanging that a build cannot follow, and a cleat of its own strips."""

from collections.abc import Iterator

from shadbo.core.checks.hanging import NAMES
from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, both


def decided_without_use(look: Look) -> Iterator[Finding]:
    """A decision about hanging that this build cannot follow: said, with what became of it, never dropped."""
    job, hang = look.desk.job.hanging, look.hang
    wired, placed = hang.tension is not None, hang.kind in ("wire", "straps")
    by = look.say("it hangs by {}: {}", NAMES[hang.kind], hang.reason)
    unused: tuple[tuple[str, bool, str | Both], ...] = (
        ("kind", job.kind is not None and job.kind != hang.kind, by),
        ("hanger", job.hanger is not None and job.hanger != hang.hanger, f"it is no {NAMES[hang.kind]}"),
        ("wire", job.wire is not None and not wired, "there is no wire"),
        ("rise", job.rise is not None and not wired, "there is no wire"),
        ("hooks", job.hooks == 2 and hang.kind != "wire", "only a wire is hung on one hook or two"),
        ("down", job.down is not None and not placed, "hangers on the top rail have their place by its middle"),
    )
    for name, so, why in unused:
        if so:
            yield Finding(
                "hang.unused",
                "note",
                "hang",
                look.say(f"{DECIDED[name]}, decided for this job, is not followed"),
                both(why) if isinstance(why, str) else why,
                place=name,
                proposals=(Proposal(both("Let the plan decide it"), (Edit(at=f"hanging/{name}"),), 1),),
                by_hand=both("Hang it otherwise, or choose another display."),
            )


DECIDED = {
    "kind": "How it hangs",
    "hanger": "The hanger",
    "wire": "The wire",
    "rise": "The rise of the wire",
    "hooks": "Two hooks",
    "down": "The hangers' height",
}


def cleat_of_strips(look: Look) -> Iterator[Finding]:
    """Strips bevelled for a cleat that is too short to hold level, or that nothing hangs from."""
    length = look.assembly.own_cleat
    if length is None:
        return
    least = look.assembly.outside_width.value * look.desk.practice.cleat_fraction
    if look.hang.kind != "cleat":
        yield Finding(
            "cleat.unused",
            "caution",
            "hang",
            look.say(f"The top strips are bevelled for a cleat, and it hangs by {NAMES[look.hang.kind]}"),
            both("a bevelled strip bears on less of the bar than a square one"),
            keys=(length.key,),
            proposals=(Proposal(both("Hang it by its cleat"), (Edit(at="hanging/kind"),), 1),),
            by_hand=both("Leave the strips square."),
        )
    elif length.value < least - 1e-6:
        yield Finding(
            "cleat.short",
            "caution",
            "hang",
            look.say("The wall's half of the cleat is {} long", length),
            look.say("under {} it lets the frame tip to a side", Mm(least, "up")),
            keys=(length.key,),
            by_hand=both("Two straps besides hold it level."),
        )
