"""Where the face sits, against where it was wanted."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look, measure_again
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.words.words import Mm, both


def _accept(look: Look, face_mm: float) -> tuple[Proposal, ...]:
    """Change the wish to the face position that can be had."""
    levers = look.levers
    if levers.face is None or levers.face_by is None:
        return ()
    school = "flush" if abs(face_mm) < 0.05 else "recessed" if face_mm > 0 else "proud"
    by = abs(face_mm)
    edits = [levers.face.set(school)]
    if school != "flush":
        edits.append(levers.face_by.set(look.length(by)))
    words = "Accept it flush" if school == "flush" else f"Accept {school} {{}}"
    return (Proposal(look.say(words, *([] if school == "flush" else [Mm(by)])), tuple(edits), 1),)


def _deeper(look: Look) -> list[Proposal]:
    now = look.assembly.moulding
    out: list[Proposal] = []
    if look.levers.profile is None:
        return out
    for held in [h for h in look.assembly.mouldings if h.fits and h.profile != now][:4]:
        edits = [look.levers.profile.set(held.profile)]
        if "frame.inside_depth" in look.desk.job.pins:
            edits.append(Edit(at="pins/frame.inside_depth"))
        out.append(Proposal(look.say("{}", held.profile.name), tuple(edits), 2))
    return out


def face_cannot_be_had(look: Look) -> Iterator[Finding]:
    """The canvas is deeper than the frame leaves room for: the pad would be less than nothing."""
    if look.face is None:
        return
    pad, p = look.face.pad_wanted, look.desk.practice
    verdict = pad.judge(-p.face_off_mm)
    if verdict.severity == "fine":
        return
    if verdict.severity == "measure":
        yield measure_again(look, "face.cannot", pad, verdict.read_again, "depth", "The pad")
        return
    face, wanted, depth = look.face.made, look.face.wanted, look.face.canvas_depth
    got = face.value
    stands = "ends flush" if abs(got) < 0.05 else "stands {} proud" if got < 0 else "sits only {} back"
    values = () if abs(got) < 0.05 else (Mm(abs(got)),)
    shallower = depth.value + pad.value
    yield Finding(
        "face.cannot",
        "stop",
        "depth",
        look.say(f"The canvas {stands}: the frame is {{}} too shallow", *values, Mm(-pad.value)),
        look.say("{} deep inside, {} of canvas, face wanted at {}", look.face.inside_depth, depth, wanted),
        keys=("face.made", "pad.wanted", "canvas.depth"),
        proposals=(*_accept(look, got), *_deeper(look)),
        by_hand=look.say("Or stretch it again on bars no deeper than {}.", Mm(shallower, "down")),
    )


def face_off(look: Look) -> Iterator[Finding]:
    """The pads in stock, or the ones decided on, leave the face elsewhere than wanted."""
    if look.face is None:
        return
    face, wanted, pad = look.face.made, look.face.wanted, look.face.pad_wanted
    off = face.value - wanted.value
    if pad.value < -look.desk.practice.face_off_mm or abs(off) <= look.desk.practice.face_off_mm + 1e-6:
        return
    proposals = [*_accept(look, face.value), *_deeper(look)]
    proposals += look.change(look.levers.pads, None, 1, "Pads as the plan stacks them")
    where = "further back" if off > 0 else "further forward"
    if look.face.pad is not None:
        under, said = look.face.pad, look.say("{} of pad wanted, {} stacked", pad, look.face.pad)
    else:
        assert look.face.strip is not None
        assert look.face.strip_wanted is not None
        under = look.face.strip
        said = look.say("strips of {} wanted, {} cut", look.face.strip_wanted, look.face.strip)
    yield Finding(
        "face.off",
        "caution",
        "depth",
        look.say(f"The pads leave the face {{}} {where} than wanted", Mm(abs(off))),
        said,
        keys=("face.made", under.key),
        proposals=tuple(proposals),
        by_hand=both("Or plane a strip to the pad that is wanted."),
    )
