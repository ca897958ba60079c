"""Screws from behind: grip, distance to the cloth, the line, what must not be hit, how many."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look, measure_again
from shadbo.core.findings import Finding, Proposal
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.sums.spacing import widest
from shadbo.core.words.words import Mm, both


def _other_screw(look: Look) -> list[Proposal]:
    """Back to the plan's own length, another pad by moving the face, or another profile, by inverse sums."""
    p, levers = look.desk.practice, look.levers
    out: list[Proposal] = []
    if look.screws is None or look.face is None:
        return out
    if look.screws.length.kind == "choose":
        out += look.change(look.levers.screw_mm, None, 1, "Let the plan choose the screw")
    if levers.face is None or levers.face_by is None or (look.ledge is None or look.ledge.thick is None):
        return out
    ledge, depth = look.ledge.thick.value, look.face.canvas_depth.value
    room = min(p.screw_in_bar_most_mm, depth - p.screw_to_cloth_mm)
    face = look.face.made.value
    for screw in look.desk.screw_lengths_mm:
        pad = to_mark(screw - ledge - (p.screw_in_bar_least_mm + room) / 2, 1.0, "nearest")
        back = look.face.inside_depth.value - depth - pad
        if pad >= 0 and back >= 0 and abs(back - face) <= 6 and back != face:
            edits = (levers.face.set("recessed"), levers.face_by.set(look.length(back)))
            out.append(Proposal(look.say("Face {} back", Mm(back)), edits, 1))
    for held in [h for h in look.assembly.mouldings if h.fits][:2]:
        out += look.change(look.levers.profile, held.profile, 2, "{}", held.profile.name)
    return out


def grip(look: Look) -> Iterator[Finding]:
    """Too little of the screw in the bar."""
    if look.screws is None:
        return
    held, least = look.screws.in_bar, look.desk.practice.screw_in_bar_least_mm
    verdict = held.judge(least)
    if verdict.severity == "measure":
        yield measure_again(look, "screw.short", held, verdict.read_again, "mount", "The screw's grip in the bar")
    elif verdict.severity == "stop":
        yield Finding(
            "screw.short",
            "stop",
            "mount",
            look.say("The screw is too short: {} in the bar", Mm(max(held.value, 0.0))),
            look.say("it needs {} to hold; ledge and pad take the rest of {}", Mm(least), look.screws.length),
            keys=("screw.in_bar", "screw.length"),
            proposals=tuple(_other_screw(look)),
        )


def towards_cloth(look: Look) -> Iterator[Finding]:
    """The tip comes near enough to dent the canvas; or far more screw than the bar needs."""
    if look.screws is None:
        return
    p, left, held = look.desk.practice, look.screws.to_cloth, look.screws.in_bar
    verdict = left.judge(p.screw_to_cloth_mm)
    if verdict.severity == "measure":
        yield measure_again(look, "screw.long", left, verdict.read_again, "mount", "The wood between tip and cloth")
    elif verdict.severity == "stop":
        title = (
            look.say("The screw comes through the canvas")
            if left.value <= 0
            else look.say("The screw's tip ends {} behind the cloth", left)
        )
        yield Finding(
            "screw.long",
            "stop",
            "mount",
            title,
            look.say("keep {}: a nearer tip dents the canvas", Mm(p.screw_to_cloth_mm)),
            keys=("screw.to_cloth", "screw.length"),
            proposals=tuple(_other_screw(look)),
        )
    elif held.value > p.screw_in_bar_most_mm + 1e-6:
        yield Finding(
            "screw.long",
            "caution",
            "mount",
            look.say("{} of screw in the bar is more than it needs", held),
            look.say("at most {}: a longer one splits the bar or wanders", Mm(p.screw_in_bar_most_mm)),
            keys=("screw.in_bar", "screw.length"),
            proposals=tuple(_other_screw(look)),
        )


def line_off(look: Look) -> Iterator[Finding]:
    """The line of holes must lie well inside both the ledge and the bar."""
    least = look.desk.practice.screw_edge_mm
    if look.screws is None or look.ledge is None:
        return
    edges = (
        (look.screws.to_bar_edge, "bar's outer edge"),
        (look.screws.to_ledge_edge, "ledge's inner edge"),
        (look.screws.to_bar_inside, "bar's inner edge"),
    )
    for q, name in edges:
        key = q.key
        verdict = q.judge(least)
        if verdict.severity == "measure":
            yield measure_again(look, "screw.line", q, verdict.read_again, "mount", f"The screw line to the {name}")
            return
        if verdict.severity == "fine":
            continue
        proposals: list[Proposal] = []
        narrower = look.ledge.width.value - look.desk.practice.ledge_beyond_gap_mm
        if narrower >= look.desk.practice.least_gap_mm:
            proposals += look.change(look.levers.gap, look.length(narrower), 1, "Gap {}", Mm(narrower))
        for held in [h for h in look.assembly.mouldings if h.fits][:3]:
            proposals += look.change(look.levers.profile, held.profile, 2, "{}", held.profile.name)
        misses = "misses the bar" if q.value < 0 else "runs {} from the {}"
        values = () if q.value < 0 else (q, name)
        yield Finding(
            "screw.line",
            "stop",
            "mount",
            look.say(f"The screw line {misses}", *values),
            look.say("keep {} of wood beside every hole", Mm(least)),
            place=key,
            keys=(key, "screw.line"),
            proposals=tuple(proposals),
        )


def on_something(look: Look) -> Iterator[Finding]:
    """A screw where a key, a fold, a brace or a hanger is."""
    hits = []
    for join in look.assembly.joins:
        for fixing in join.fixings:
            for out in look.assembly.keep_outs.get(fixing.side, []):
                if out.holds(fixing.along.value):
                    hits.append((fixing, out))
    if not hits:
        return
    fixing, out = hits[0]
    more = f" and {len(hits) - 1} more" if len(hits) > 1 else ""
    words = {hit.why for _, hit in hits}
    yield Finding(
        "screw.on",
        "stop" if words & {"a brace", "a key"} else "caution",
        "mount",
        look.say(f"A screw would land on {out.why}{more}"),
        look.say(
            f"{fixing.side} rail, {{}} from the corner; clear from {{}} on",
            fixing.along,
            Mm(out.end_mm, "up"),
        ),
        keys=(fixing.along.key,),
        proposals=look.change(look.levers.screw_from_corner, None, 1, "Let the plan space the screws"),
    )


def too_few(look: Look) -> Iterator[Finding]:
    """Fewer than two screws on a side, or a wider stretch between them than the bar should be left alone."""
    if look.screws is None:
        return
    most = look.screws.apart.value
    for side in ("top", "right", "bottom", "left"):
        places = sorted(f.along.value for j in look.assembly.joins for f in j.fixings if f.side == side)
        if len(places) >= 2 and widest(places) <= most + 1.0:
            continue
        title = (
            look.say("{} screws on the {} rail", len(places), side)
            if len(places) < 2
            else look.say("Screws on the {} rail are {} apart", side, Mm(widest(places)))
        )
        yield Finding(
            "screw.few",
            "caution",
            "mount",
            title,
            look.say("one near each corner, then at most {} apart", Mm(most)),
            place=side,
            keys=tuple(f.along.key for j in look.assembly.joins for f in j.fixings if f.side == side),
            proposals=look.change(look.levers.screw_from_corner, None, 1, "Let the plan space the screws"),
            by_hand=both("Where keys and braces leave no room, use plates from ledge to bar."),
        )
