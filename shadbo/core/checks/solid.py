"""What must be true of real things: nothing shares a place, nothing is loose."""

from collections.abc import Iterator

from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal, StationName
from shadbo.core.solids.bites import Bite, bites
from shadbo.core.solids.body import Body, Way
from shadbo.core.solids.clash import Clash, clashes
from shadbo.core.solids.held import loose
from shadbo.core.solids.openings import broken_out
from shadbo.core.solids.ways_in import barred
from shadbo.core.words.words import Mm, both

WAYS: dict[Way, str] = {
    "forwards": "Nothing stops it from falling forwards",
    "backwards": "Nothing holds it from behind",
    "down": "Nothing carries it",
    "up": "Nothing stops it from rising when it is turned over",
    "left": "Nothing stops it from sliding to the left",
    "right": "Nothing stops it from sliding to the right",
}


def one_place(look: Look) -> Iterator[Finding]:
    """Two things in one place, real sizes where they were measured: each pair once, by the most that they share."""
    told: set[tuple[str, str]] = set()
    for clash in clashes(look.space):
        names = (clash.first.name, clash.second.name)
        if names in told:
            continue
        told.add(names)
        moved = clash.first.stops or clash.second.stops
        yield Finding(
            "solid.clash",
            "caution" if moved else "stop",
            _station(clash),
            look.say("{} and {} are in one place: by {}", both(names[0]), both(names[1]), Mm(clash.by_mm, "up")),
            look.say(
                "{} from {} to {} behind the front edge, {} from {} to {}",
                both(names[0]),
                *map(Mm, (clash.first.front_mm, clash.first.back_mm)),
                both(names[1]),
                *map(Mm, (clash.second.front_mm, clash.second.back_mm)),
            ),
            place=f"{clash.first.part}/{clash.second.part}",
            proposals=(*_again(look, clash.first), *_again(look, clash.second), *look.others(2)),
            by_hand=both("Drive it a little beside the other.")
            if moved
            else both("Read both again; what is too large is cut again, or the other made larger."),
        )


def _again(look: Look, body: Body) -> tuple[Proposal, ...]:
    """To make a part again: what was really measured of it is taken back, and the plan's own size cut."""
    if body.fixed:
        return look.new_rails()
    part = next((p for p in look.assembly.parts if p.id == body.part), None)
    sizes = () if part is None else (part.length, part.width, part.thick)
    taken = tuple(Edit(at=f"pins/{q.key}") for q in sizes if q is not None and q.key in look.desk.job.pins)
    return (Proposal(look.say("Cut it again: {}", both(body.name)), taken, 4),) if taken else ()


def _station(clash: Clash) -> StationName:
    return "depth" if clash.deep else "sizes"


def opening_leaves(look: Look) -> Iterator[Finding]:
    """A window that is as large as its mat, or larger: nothing is left to hold it together."""
    told: set[str] = set()
    for x in broken_out(look.assembly.bodies):
        if x.body.part in told:
            continue
        told.add(x.body.part)
        yield Finding(
            "solid.opening",
            "stop",
            "sizes",
            look.say("Nothing is left open between the sides of {}", both(x.body.name))
            if x.closed
            else look.say("An opening in {} leaves it by {}", both(x.body.name), Mm(max(x.by_mm, 0.0), "up")),
            look.say("every side needs something beside its opening, and an opening some width"),
            place=x.body.part,
            by_hand=both("Make the sheet larger or the opening smaller; what is cut already is cut again."),
        )


def fixings_miss(look: Look) -> Iterator[Finding]:
    """A screw or dowel that does not reach what it is to hold, or goes into what it must not touch."""
    told: set[tuple[str, str, bool]] = set()
    wood_mm = max((b.back_mm for b in look.assembly.bodies if b.fixed), default=0.0)
    found = [x for x in bites(look.space) if not _behind_all(x, wood_mm)]
    for x in found:
        line = (x.fixing.part, x.other, x.misses)
        if line in told:
            continue
        told.add(line)
        many = sum((y.fixing.part, y.other, y.misses) == line for y in found)
        what = "{} of {} do not reach {}" if x.misses else "{} of {} go into {}"
        yield Finding(
            "solid.bite",
            "stop",
            "mount",
            look.say(what, many, both(x.fixing.name), both(x.other)),
            look.say("from {} to {} behind the front edge", Mm(x.fixing.front_mm), Mm(x.fixing.back_mm)),
            place=f"{x.fixing.part}/{x.other}",
            by_hand=both("Another screw, or another place for it: see the section and the back."),
        )


def _behind_all(bite: Bite, wood_mm: float) -> bool:
    """Whether a point stands behind all wood: a package deeper than its rabbet is told by its depth."""
    return bite.misses and bite.fixing.stops and bite.fixing.front_mm >= wood_mm - 1e-6


def no_way_in(look: Look) -> Iterator[Finding]:
    """What the frame does not let in: it is narrower on the way than the thing is large."""
    told: set[tuple[str, str]] = set()
    for x in barred(look.space):
        names = (x.body.part, x.by.name)
        if names in told:
            continue
        told.add(names)
        yield Finding(
            "solid.barred",
            "stop",
            "sizes",
            look.say("{} does not go in: {} stands in its way by {}", both(x.body.name), both(x.by.name),
                     Mm(x.by_mm, "up")),
            look.say("it goes in {}, to {} behind the front edge", both(x.body.enters), Mm(x.body.front_mm)),
            place=f"{x.body.part}/{x.by.part}",
            proposals=(*_again(look, x.body), *_again(look, x.by), *look.others(2)),
            by_hand=both("Make the way as wide as what goes through it, or cut the thing smaller."),
        )  # fmt: skip


def unheld(look: Look) -> Iterator[Finding]:
    """Things that neither lie against something that is held, nor are fixed to it."""
    told: set[tuple[str, str]] = set()
    for x in loose(look.space, look.ties):
        if (x.body.part, x.way) in told:  # one of several strips tells for all
            continue
        told.add((x.body.part, x.way))
        yield Finding(
            "solid.loose",
            "stop",
            "depth",
            look.say("{}: {}", both(WAYS[x.way]), both(x.body.name)),
            look.say("it lies from {} to {} behind the front edge", Mm(x.body.front_mm), Mm(x.body.back_mm)),
            place=f"{x.body.part}/{x.way}",
            by_hand=both("Fill what is behind it, or fix it to what holds."),
        )
