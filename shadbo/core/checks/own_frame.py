"""A frame that exists: where this display cannot take it, what it leaves undecided, readings that disagree."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.hang.hanging import own_hanger
from shadbo.core.words.words import Mm, both

OUTSIDES = ("frame.outside_width", "frame.outside_height")


def not_taken(look: Look) -> Iterator[Finding]:
    """A frame that exists, and a display that is built without one like it."""
    if look.desk.job.own_frame is None or look.desk.takes_frame:
        return
    yield Finding(
        "frame.unused",
        "caution",
        "display",
        both("This display cannot be built in the frame that exists"),
        both("its edge is made in the same go as what it holds"),
        place="frame",
        proposals=(Proposal(both("Make the frame to the piece"), (Edit(at="frame/used", to=False),), 1),),
        by_hand=both("Choose a display that stands in a rabbet or on a ledge."),
    )


def moulding_decided(look: Look) -> Iterator[Finding]:
    """A moulding or a corner joint that was decided, in a frame that is joined already."""
    own = look.desk.own_frame
    if own is None:
        return
    levers = look.levers
    decided: list[tuple[str, str, str, str]] = []
    joined = "the frame is joined already"
    if levers.profile is not None and levers.profile.of(look.desk.job) is not None:
        decided.append(("moulding", levers.profile.at, "The moulding decided for this job is not used", joined))
    if levers.joint is not None and levers.joint.of(look.desk.job) not in (None, "corner plates"):
        decided.append(("joint", levers.joint.at, "The corner joint decided for this job cannot be made", joined))
    both_panes = levers.second_frame is not None and levers.second_frame.of(look.desk.job)
    glazing = levers.glazing or (levers.pane if both_panes else None)
    if own.glass is not None and glazing is not None and glazing.of(look.desk.job) is not None:
        why = "its own glass goes in again"
        decided.append(("glazing", glazing.at, "The glazing decided for this job is not used", why))
    for lever, axis in ((levers.outside_width, "width"), (levers.outside_height, "height")):
        if lever is not None and lever.of(look.desk.job) is not None:
            decided.append(
                (f"outside {axis}", lever.at, f"The outside {axis} decided for this job is not used", joined)
            )
    for place, at, title, why in decided:
        yield Finding(
            "frame.joined",
            "note",
            "display",
            both(title),
            both(why),
            place=place,
            proposals=(Proposal(both("Let it be"), (Edit(at=at),), 1),),
        )


def glass_left_out(look: Look) -> Iterator[Finding]:
    """The glass of a frame that exists, in a display that is not glazed."""
    own = look.desk.own_frame
    if own is None or own.glass is None or look.assembly.glazed:
        return
    yield Finding(
        "frame.glass",
        "note",
        "depth",
        both("The frame's own glass stays out"),
        both("this display is not glazed: the glass is left over"),
        place="frame/glass",
        proposals=(Proposal(both("Leave it out"), (Edit(at="frame/glass"),), 1),),
    )


def second_without_glass(look: Look) -> Iterator[Finding]:
    """The glass of a second frame, where no frame with its own glass is described."""
    lever = look.levers.second_frame
    if lever is None or not lever.of(look.desk.job):
        return
    if look.desk.own_frame is not None and look.desk.own_frame.glass is not None:
        return
    yield Finding(
        "pane.second",
        "note",
        "depth",
        both("The back pane is cut, and not taken from a second frame"),
        both("no frame that exists brings its own glass; say how thick that is where the frame is described"),
        place=lever.at,
        proposals=(Proposal(both("Cut the back pane"), (Edit(at=lever.at),), 1),),
    )


def hangers_unrated(look: Look) -> Iterator[Finding]:
    """Hangers that came with the frame: nobody knows what they carry."""
    hanger, weight = look.hang.hanger, look.hang.weight
    if hanger is None or hanger != own_hanger(look.desk):
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
    """An outside that was read, against what inside and section come to, by more than their readings explain."""
    own = look.desk.own_frame
    if own is None:
        return
    read = own.pins()
    for q in look.desk.sheet.disagreements():
        if q.key not in OUTSIDES or q.key not in read or q.planned is None:
            continue
        yield Finding(
            "frame.disagrees",
            "measure",
            "display",
            look.say(
                f"The frame's {q.label} reads {{}}; its inside and section come to {{}}", q, Mm(q.planned.value)
            ),
            both("one of them was read wrong, or inside was taken for outside"),
            place=q.key,
            keys=(q.key,),
            by_hand=both("Read face, lip and outside again."),
        )
