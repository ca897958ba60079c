"""A frame that exists: where this display cannot take it, what it leaves undecided, readings that disagree."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.hang.hanging import OWN_HANGER
from shadbo.core.words.words import Mm, both

SIDES_APART_MM = 2.0
"""How far an outside may be from inside, face and lip before somebody reads it again: common practice, no source."""


def not_taken(look: Look) -> Iterator[Finding]:
    """A frame that exists, and a display that is built without one like it."""
    if look.desk.job.frame is None or look.desk.takes_frame:
        return
    yield Finding(
        "frame.unused",
        "caution",
        "display",
        both("This display cannot be built in the frame that exists"),
        both("its edge is made in the same go as what it holds"),
        place="frame",
        proposals=(Proposal(both("Make the frame to the piece"), (Edit(at="frame"),), 1),),
        by_hand=both("Choose a display that stands in a rabbet or on a ledge."),
    )


def moulding_decided(look: Look) -> Iterator[Finding]:
    """A moulding or a corner joint that was decided, in a frame that is joined already."""
    if look.desk.own_frame is None:
        return
    levers = look.levers
    decided: list[tuple[str, str, str]] = []
    if levers.profile is not None and levers.profile.of(look.desk.job) is not None:
        decided.append(("moulding", levers.profile.at, "The moulding decided for this job is not used"))
    if levers.joint is not None and levers.joint.of(look.desk.job) not in (None, "corner plates"):
        decided.append(("joint", levers.joint.at, "The corner joint decided for this job cannot be made"))
    for place, at, title in decided:
        yield Finding(
            "frame.joined",
            "note",
            "display",
            both(title),
            both("the frame is joined already"),
            place=place,
            proposals=(Proposal(both("Let it be"), (Edit(at=at),), 1),),
        )


def hangers_unrated(look: Look) -> Iterator[Finding]:
    """Hangers that came with the frame: nobody knows what they carry."""
    hanger, weight = look.hang.hanger, look.hang.weight
    if hanger is None or hanger.id != OWN_HANGER:
        return
    heavy = weight.value > look.desk.practice.plate_most_kg
    yield Finding(
        "hang.unrated",
        "caution" if heavy else "note",
        "hang",
        look.say("Nobody knows what its own hangers carry: {} are to hang", weight),
        both("look at their screws and the wood round them; pull each with twice its share before it goes up"),
        keys=("hang.load",),
        proposals=(Proposal(both("New hangers"), (Edit(at="frame/hanger", to="none"),), 2),),
    )


def outside_disagrees(look: Look) -> Iterator[Finding]:
    """An outside that was read, and what inside, face and lip come to."""
    own, fit = look.desk.own_frame, look.fit
    if own is None or fit is None:
        return
    s = look.desk.sheet
    more = 2 * (s["profile.face"].value - s["profile.lip"].value)
    for axis, read in (("width", own.outside_width), ("height", own.outside_height)):
        if read is None:
            continue
        comes_to = s[f"frame.inside_{axis}.middle"].value + more
        if abs(comes_to - read.mm) <= SIDES_APART_MM:
            continue
        yield Finding(
            "frame.disagrees",
            "measure",
            "display",
            look.say(f"The frame's {axis}: inside, face and lip come to {{}}, and the outside reads {{}}",
                     Mm(comes_to), Mm(read.mm)),
            both("one of them was read wrong, or inside was taken for outside"),
            place=axis,
            keys=(f"frame.outside_{axis}",),
            by_hand=both("Read the lip and the outside again."),
        )  # fmt: skip
