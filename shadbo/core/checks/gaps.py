"""The gap of a floated piece, and the ledge behind it."""

import math
from collections.abc import Iterator

from shadbo.core.checks.view import Look, measure_again
from shadbo.core.findings import Finding, Proposal
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.words.words import Mm, both

TOUCHING_MM = 1.0
BORDER_SEEN_MM = 4.0
"""A border that looks meant: common practice, no source."""
SEEN = 0.3
"""Part of the gap by which it may change before the eye follows it: common practice, no source."""


def _wider(look: Look, gap_mm: float) -> tuple[Proposal, ...]:
    mark = look.desk.mark
    mm = to_mark(gap_mm, 1.0 if mark.system == "mm" else mark.mm, "up")
    alone = look.change(look.levers.gap, look.length(mm), 1, "Gap {}", Mm(mm))
    if not alone or look.ledge is None:
        return alone
    least = mm + look.desk.practice.ledge_beyond_gap_mm
    if look.ledge.width.value >= least:
        return alone
    wide = [h for h in look.assembly.mouldings if h.fits and h.ledge_mm >= least]
    gap, profile = look.levers.gap, look.levers.profile
    if gap is None:
        return alone
    return tuple(
        Proposal(
            look.say("Gap {} in {}", Mm(mm), h.profile.name),
            (gap.set(look.length(mm)), profile.set(h.profile)),
            2,
        )
        for h in wide[:3]
        if profile is not None
    ) + look.change(look.levers.strip_width, look.length(least), 2, "Strips {} wide", Mm(least))


def gap_too_small(look: Look) -> Iterator[Finding]:
    """The canvas, or the fold at its corner, comes too near to the wall, or does not go in."""
    if look.gaps is None:
        return
    least, wanted = look.gaps.least, look.gaps.wanted
    limit = min(look.desk.practice.least_gap_mm, wanted.value)
    verdict = least.judge(TOUCHING_MM, limit)
    where = look.assembly.least_gap_at
    if verdict.severity == "measure":
        yield measure_again(look, "gap.small", least, verdict.read_again, "sizes", f"The least gap, {where},")
        return
    if verdict.severity == "fine":
        return
    title = (
        look.say("The canvas is {} too large for the frame", Mm(-least.value))
        if least.value < 0
        else look.say("Only {} of the {} gap is left", least, wanted)
    )
    yield Finding(
        "gap.small",
        verdict.severity,
        "sizes",
        title,
        look.say(f"{where}; it should keep {{}}", Mm(limit)),
        keys=(least.key,),
        proposals=(*_wider(look, wanted.value + limit - least.value), *look.new_rails(), *look.finer_mark()),
        by_hand=both("Refold the corner flatter, then read again over the fold."),
    )


def gap_uneven(look: Look) -> Iterator[Finding]:
    """The eye sees a gap that changes by more than three tenths of itself."""
    if look.gaps is None:
        return
    spread, least, most = look.gaps.spread, look.gaps.least, look.gaps.most
    mean = (least.value + most.value) / 2
    limit = max(look.desk.practice.uneven_gap_mm, SEEN * mean)
    if spread.value <= limit + 1e-6 or least.value < 0:
        return
    yield Finding(
        "gap.uneven",
        "caution",
        "sizes",
        look.say("The gap runs from {} to {}", least, most),
        look.say(
            f"least on the {look.assembly.least_gap_at}, placed as evenly as it goes; a change of {{}} can be seen",
            Mm(limit),
        ),
        keys=(spread.key, least.key, most.key),
        proposals=(*_wider(look, math.ceil(spread.value / SEEN)), *look.new_rails(), *look.finer_mark()),
        by_hand=both("Tap the keys until both diagonals agree and refold thick corners, then read again."),
    )


def border_too_small(look: Look) -> Iterator[Finding]:
    """A piece that its opening does not take, or only just."""
    if look.border is None:
        return
    least = look.border.least
    verdict = least.judge(0.0, BORDER_SEEN_MM)
    if verdict.severity == "fine":
        return
    if verdict.severity == "measure":
        yield measure_again(look, "border.small", least, verdict.read_again, "sizes", "The least border")
        return
    short = least.value < 0
    yield Finding(
        "border.small",
        verdict.severity,
        "sizes",
        look.say("The piece is {} larger than the opening", Mm(-2 * least.value, "up"))
        if short
        else look.say("Only {} of border are left", least),
        look.say("it does not go in: another frame, or trim where that is allowed")
        if short
        else look.say("under {} it looks like a slip of the hand", Mm(BORDER_SEEN_MM)),
        keys=("border.least",),
        proposals=look.change(
            look.levers.border, look.length(BORDER_SEEN_MM * 2), 1, "Border {}", Mm(BORDER_SEEN_MM * 2)
        ),
        by_hand=both("Measure the opening again, on the frame and not on its label."),
        root=True,
    )


def ledge_too_narrow(look: Look) -> Iterator[Finding]:
    """Ledge less gap must leave room for a screw to grip the bar."""
    if look.ledge is None or look.gaps is None or look.ledge.spare.value >= -1e-6:
        return
    p, ledge = look.desk.practice, look.ledge.width
    narrow = ledge.value - p.ledge_beyond_gap_mm
    proposals: list[Proposal] = []
    if narrow >= p.least_gap_mm:
        proposals += look.change(look.levers.gap, look.length(narrow), 1, "Gap {}", Mm(narrow))
    for held in [h for h in look.assembly.mouldings if h.fits][:3]:
        proposals += look.change(look.levers.profile, held.profile, 2, "{}", held.profile.name)
    yield Finding(
        "ledge.narrow",
        "stop",
        "sizes",
        look.say("The ledge is {} too narrow for this gap", Mm(-look.ledge.spare.value)),
        look.say(
            "{} of ledge, less a gap of {}, leaves too little of the bar to screw into",
            ledge,
            look.gaps.wanted,
        ),
        keys=("ledge.spare", "profile.ledge"),
        proposals=tuple(proposals),
    )
