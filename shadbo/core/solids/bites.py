"""What is let into others: screws and dowels as bodies, and what each of them passes through."""

from collections.abc import Collection, Iterable

import numpy as np
from shapely import clip_by_rect

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.plane import Box, Dot
from shadbo.core.shapes.polygon import holds_dot
from shadbo.core.shapes.rings import rect
from shadbo.core.solids.body import Body, Prism
from shadbo.core.solids.space import Space, pairs_in, shared_box

THIN_MM = 1e-3
LEAST_MM = 1.0
"""A fixing that is less than this deep in a thing does not hold it."""
SOFT = ("glass", "textile", "cloth", "paper", "puzzle")
"""What no fixing goes into that is not meant to."""


def screws_through(
    id_: str, name: str, dots: Iterable[Dot], diameter_mm: float, deep_mm: tuple[float, float], into: tuple[str, ...]
) -> list[Body]:
    """Screws along the depth, each at its place, as square bars as wide as they are thick."""
    r = max(diameter_mm, 0.5) / 2
    return [
        Body(f"{id_}-{n}", name, "metal", (Prism(rect(x - r, y - r, x + r, y + r), *deep_mm),), id_, bites=True,
             into=into)
        for n, (x, y) in enumerate(dots, 1)
    ]  # fmt: skip


@dataclass(frozen=True, slots=True)
class Bar:
    """A straight piece of a fixing at the side of a frame, as seen from the wall of its rabbet.

    ``out_mm``: from where to where it reaches outwards, into or over the rail; ``deep_mm``: from the back of what it
    holds, towards the wall; ``wide_mm`` along the side; ``at_place``: from the fixing's own place instead.
    """

    out_mm: tuple[float, float]
    wide_mm: float
    deep_mm: tuple[float, float]
    at_place: bool = False

    def box(self, out: Dot) -> Box:
        """What it covers about its own place, ``out`` pointing from there over its rail.

        >>> Bar((-5, 8), 6, (0, 1)).box((0, 1)), Bar((-5, 8), 6, (0, 1)).box((-1, 0))
        ((-3.0, -5, 3.0, 8), (-8, -3.0, 5, 3.0))
        """
        (u, v), (a, b), half = out, self.out_mm, self.wide_mm / 2
        if u:
            return min(u * a, u * b), -half, max(u * a, u * b), half
        return -half, min(v * a, v * b), half, max(v * a, v * b)

    def prism(self, at: Dot, box: Box, back_mm: float) -> Prism:
        """The bar at one place; ``box`` is what it covers there."""
        (x, y), (left, low, right, high), (front, back) = at, box, self.deep_mm
        return Prism(rect(x + left, y + low, x + right, y + high), back_mm + front, back_mm + back)


@dataclass(frozen=True, slots=True)
class Bite:
    """A fixing and what is wrong with its way: it does not reach ``other``, or goes into it by ``by_mm``."""

    fixing: Body
    other: str
    by_mm: float
    misses: bool


def bites(space: Space) -> list[Bite]:
    """Every fixing that misses what it is to hold, or goes into what it must not touch."""
    fixings = [(n, body) for n, body in enumerate(space.bodies) if body.bites]
    things = [(n, body) for n, body in enumerate(space.bodies) if not body.bites]
    ids = [(n, f"{body.id}-") for n, body in things]
    meant = {x: _called(x, ids) for x in {x for _, fixing in fixings for x in fixing.into}}
    soft = {n for n, b in things if b.hatch in SOFT and not b.gives}
    deep = _met(space, soft.union(*meant.values()))
    out = []
    for at, fixing in fixings:
        met = deep.get(at, {})
        for thing, by in met.items():
            if by > LEAST_MM and thing in soft and not any(thing in meant[x] for x in fixing.into):
                out.append(Bite(fixing, space.bodies[thing].name, by, False))
        reached = [thing for thing, by in met.items() if by >= LEAST_MM]
        for x in fixing.into:
            if meant[x].isdisjoint(reached):
                said = space.bodies[min(meant[x])].name if meant[x] else x
                out.append(Bite(fixing, said, 0.0, True))
    return out


def _called(name: str, ids: Iterable[tuple[int, str]]) -> set[int]:
    """Which things a name means: those with that id, and those whose id goes on from it; each id with its hyphen."""
    begins = f"{name}-"
    return {n for n, id_ in ids if id_.startswith(begins)}


def _met(space: Space, things: Collection[int]) -> dict[int, dict[int, float]]:
    """By fixing, how far it goes at most into each of these things; both by their place in the space."""
    asked = np.zeros(len(space.bodies), dtype=bool)
    asked[list(things)] = True
    of = asked[space.owner]
    before = space.gap[2] < 0
    may = space.near & before & before.T & space.bites[:, None] & of
    owner = space.owner.tolist()
    found = [(owner[i], space.prisms[i], space.boxes[i], j) for i, j in pairs_in(may)]
    if space.fine:
        others = of.nonzero()[0]
        into = others.tolist()
        found += [(*space.fine[i], into[j]) for i, j in pairs_in(space.fine_near(others))]
    out: dict[int, dict[int, float]] = {}
    for fixing, prism, box, j in found:
        by = _shared_mm(space, prism, box, j)
        if by > 0:
            thing, met = owner[j], out.setdefault(fixing, {})
            if by > met.get(thing, 0.0):
                met[thing] = by
    return out


def _along_mm(q: Prism, p: Prism, middle: Dot) -> float:
    """How far a fixing along the depth goes into a prism, where its middle line stands in that."""
    if not holds_dot(q.ring, middle) or (q.holes and any(holds_dot(h, middle) for h in q.holes)):
        return 0.0
    return min(p.back_mm, q.back_mm) - max(p.front_mm, q.front_mm)


def _shared_mm(space: Space, p: Prism, box: Box, j: int) -> float:
    """How far a fixing's prism goes into another one, along its longest side."""
    left, low, right, high = box
    wide, tall, long = right - left, high - low, p.back_mm - p.front_mm
    if long > wide + THIN_MM or long > tall + THIN_MM:
        return _along_mm(space.prisms[j], p, ((left + right) / 2, (low + high) / 2))
    a, b, c, d = shared_box(box, space.boxes[j])
    if not space.covers(j, (a, b, c, d)):
        both = clip_by_rect(space.shape(j), left, low, right, high)
        if both.is_empty:
            return 0.0
        a, b, c, d = both.bounds
    across, thin = (d - b, tall) if wide >= tall else (c - a, wide)
    if across * 2 < thin - THIN_MM:
        return 0.0  # it only grazes the edge
    return float(c - a) if wide >= tall else float(d - b)
