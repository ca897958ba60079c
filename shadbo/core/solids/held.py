"""What holds what: bodies that nothing stops from moving forwards or backwards."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from shadbo.core.shapes.polygon import box_of
from shadbo.core.solids.body import Body, Tie, Way
from shadbo.core.solids.clash import Box, near

LYING_MM = 0.5
"""A gap along the depth up to this counts as lying against: common practice, no source."""


@dataclass(frozen=True, slots=True)
class Loose:
    """A body and the way in which nothing stops it."""

    body: Body
    way: Way


def loose(bodies: Sequence[Body], ties: Iterable[Tie]) -> list[Loose]:
    """Bodies that neither lie against something that is held, nor are fixed to it; the chain ends at the frame."""
    tied: dict[tuple[str, Way], set[str]] = {}
    for tie in ties:
        for way in tie.ways:
            tied.setdefault((tie.body, way), set()).add(tie.to)
    bodies = [b for b in bodies if not b.bites]
    boxes = {id(p): box_of(p.ring) for b in bodies for p in b.prisms}
    out: list[Loose] = []
    ways: tuple[Way, Way] = ("forwards", "backwards")
    for way in ways:
        stops = {b.id: tied.get((b.id, way), set()) | _against(b, bodies, way, boxes) for b in bodies if not b.fixed}
        held = {b.id for b in bodies if b.fixed}
        while new := {name for name, by in stops.items() if name not in held and by & held}:
            held |= new
        out += [Loose(b, way) for b in bodies if b.id not in held]
    return out


def _against(body: Body, bodies: Sequence[Body], way: Way, boxes: dict[int, Box]) -> set[str]:
    """Ids of the bodies that it lies against on that side, as far as their boxes tell."""
    out = set()
    forwards = way == "forwards"
    for p in body.prisms:
        side = p.front_mm if forwards else p.back_mm
        low, high = side - LYING_MM, side + LYING_MM
        for other in bodies:
            for q in other.prisms:
                if low <= (q.back_mm if forwards else q.front_mm) <= high and other is not body and near(p, q, boxes):
                    out.add(other.id)
    return out
