"""Openings that leave their board."""

from collections.abc import Iterable

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.polygon import box_of
from shadbo.core.solids.body import Body
from shadbo.core.solids.space import EPS_MM


@dataclass(frozen=True, slots=True)
class Broken:
    """A body whose opening reaches its edge, or beyond it by so much."""

    body: Body
    by_mm: float
    closed: bool = False


def broken_out(bodies: Iterable[Body]) -> list[Broken]:
    """Every body with an opening that leaves nothing round it on one side; fixings have none."""
    out = []
    for body in bodies:
        if body.bites:
            continue
        by = [
            max(ring[0] - hole[0], ring[1] - hole[1], hole[2] - ring[2], hole[3] - ring[3])
            for p in body.prisms
            if p.holes
            for ring in [box_of(p.ring)]
            for hole in map(box_of, p.holes)
        ]
        if by and max(by) >= -EPS_MM:
            out.append(Broken(body, max(by)))
        elif body.lacks_mm > 0 or body.closed:
            out.append(Broken(body, body.lacks_mm, body.closed))
    return out
