"""Stretching: bars without enough braces, cloth that does not reach, corners trimmed too deep."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.job.job import new_id
from shadbo.core.pieces.pieces import LooseCanvas, StretchedCanvas
from shadbo.core.sums.bending import braces_wanted
from shadbo.core.words.words import Mm, both


def _add(look: Look, runs: str, length_mm: float, count: int) -> tuple[Proposal, ...]:
    detail = look.desk.piece.detail
    if not isinstance(detail, StretchedCanvas | LooseCanvas):
        return ()
    taken = [b.id for b in detail.braces]
    edits = []
    at = f"pieces/{look.desk.piece.id}/detail/braces"
    for old in detail.braces:
        if old.runs == runs:
            edits.append(Edit(at=f"{at}/{old.id}"))
    for n in range(count):
        id_ = new_id(taken, "brace")
        taken.append(id_)
        place = length_mm * (n + 1) / (count + 1)
        edits.append(Edit(at=f"{at}/{id_}", to={"runs": runs, "at": look.length_to(round(place))}))
    word = "upright" if runs == "down" else "cross"
    many = f"One {word} brace" if count == 1 else f"{count} {word} braces"
    return (Proposal(look.say(many), tuple(edits), 2),)


MOST_BOW_MM, LEAST_BOW_MM, BOW_OF_SPAN = 2.5, 0.5, 360
"""A bar may bow by a share of its span, within what shows and what reads: common practice, no source."""


def too_few_braces(look: Look) -> Iterator[Finding]:
    """Bars that bow inwards under the pull of the cloth; long spans that practice braces anyway."""
    p = look.desk.practice
    for axis, runs in (("width", "down"), ("height", "across")):
        if look.bracing is None:
            continue
        span, bow = look.bracing.span[axis], look.bracing.bow[axis]
        size = look.bracing.canvas[axis].value
        limit = max(min(MOST_BOW_MM, span.value / BOW_OF_SPAN), LEAST_BOW_MM)
        wanted = braces_wanted(span.value, p.brace_over_mm, p.two_braces_over_mm)
        bends = bow.value > limit + 1e-6
        if not bends and not wanted:
            continue
        have = sum(1 for b in getattr(look.desk.piece.detail, "braces", ()) if b.runs == runs)
        count = max(have + 1, wanted + have)
        yield Finding(
            "brace.few",
            "stop" if bends else "caution",
            "measure",
            look.say(f"The bars along the {axis} bow inwards by {{}}", bow)
            if bends
            else look.say(f"{{}} of bar along the {axis} without a brace", span),
            look.say("clear span {}; keep the bow under {}; the cloth pulls {}", span, Mm(limit), look.bracing.pull)
            if bends
            else look.say(
                "a brace over {}, two over {}: common practice", Mm(p.brace_over_mm), Mm(p.two_braces_over_mm)
            ),
            place=axis,
            keys=(bow.key, span.key),
            proposals=(*_add(look, runs, size, count), *_add(look, runs, size, count + 1)),
            by_hand=both("Or take wider bars."),
        )


def cloth_too_small(look: Look) -> Iterator[Finding]:
    """Free cloth that does not reach round the bar for the pliers."""
    detail = look.desk.piece.detail
    spare = look.stretching.spare if look.stretching is not None else None
    if not isinstance(detail, LooseCanvas) or look.stretching is None or spare is None:
        return
    for axis in ("width", "height"):
        if spare[axis].value >= -1e-6:
            continue
        key, lack = spare[axis].key, -spare[axis].value
        at = f"pieces/{look.desk.piece.id}/detail"
        proposals = []
        pull, back = look.stretching.pull.value, look.stretching.back_return.value
        if pull - lack >= 8:
            edit = Edit(at=f"{at}/pull", to=look.length_to(pull - lack))
            proposals.append(Proposal(look.say("Pull {}", Mm(pull - lack)), (edit,), 1))
        elif pull + back - lack >= 26:
            edits = (
                Edit(at=f"{at}/pull", to=look.length_to(10)),
                Edit(at=f"{at}/back_return", to=look.length_to(pull + back - lack - 10)),
            )
            proposals.append(Proposal(look.say("Return {}, pull {}", Mm(pull + back - lack - 10), Mm(10)), edits, 1))
        depth = look.stretching.bar_depth.value - lack
        if depth >= 14:
            edit = Edit(at=f"{at}/bar_depth", to=look.length_to(depth))
            proposals.append(Proposal(look.say("Bars {} deep", Mm(depth)), (edit,), 2))
        yield Finding(
            "stretch.short",
            "stop",
            "measure",
            look.say(f"The free cloth is {{}} too short on the {axis}", Mm(lack, "up")),
            look.say("bar, return and pull take {} beyond the face", look.stretching.beyond[axis]),
            place=axis,
            keys=(key,),
            proposals=tuple(proposals),
            by_hand=both("Or line the edges with a strip of strong cloth."),
        )


def corner_trimmed(look: Look) -> Iterator[Finding]:
    """Corner cloth trimmed so deep that the fold no longer closes."""
    if (
        look.stretching is None or look.stretching.corner_spare is None
    ) or look.stretching.corner_spare.value >= -1e-6:
        return
    edit = Edit(at=f"pieces/{look.desk.piece.id}/detail/corner_trim")
    yield Finding(
        "corner.trim",
        "stop",
        "measure",
        look.say("The corner is trimmed {} too deep", Mm(-look.stretching.corner_spare.value, "up")),
        look.say(
            "keep {} along the diagonal from the face's corner: less, and the print is lost", look.stretching.corner
        ),
        keys=("stretch.corner_spare", "stretch.corner"),
        proposals=(Proposal(look.say("Keep {}", look.stretching.corner), (edit,), 1),),
    )
