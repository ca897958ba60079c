"""What is let into others: screws and dowels as bodies, and what each of them passes through."""

from collections.abc import Iterable

import numpy as np
from shapely import box as rectangle

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.plane import Dot
from shadbo.core.shapes.polygon import box_of
from shadbo.core.shapes.rings import rect
from shadbo.core.solids.body import Body, Prism
from shadbo.core.solids.space import EPS_MM, HAIR_MM, Space, holds_dot

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

    def prism(self, at: Dot, out: Dot, back_mm: float) -> Prism:
        """The bar at one place, ``out`` pointing from it over its rail.

        >>> Bar((-5, 8), 6, (0, 1)).prism((0, 100), (0, 1), 20).ring[0]
        (-3.0, 95.0)
        """
        (x, y), (u, v), half = at, out, self.wide_mm / 2
        (a, b), along = self.out_mm, (abs(v) * half, abs(u) * half)
        xs, ys = sorted((x + u * a, x + u * b)), sorted((y + v * a, y + v * b))
        ring = rect(xs[0] - along[0], ys[0] - along[1], xs[1] + along[0], ys[1] + along[1])
        return Prism(ring, back_mm + self.deep_mm[0], back_mm + self.deep_mm[1])


@dataclass(frozen=True, slots=True)
class Bite:
    """A fixing and what is wrong with its way: it does not reach ``other``, or goes into it by ``by_mm``."""

    fixing: Body
    other: str
    by_mm: float
    misses: bool


def bites(space: Space) -> list[Bite]:
    """Every fixing that misses what it is to hold, or goes into what it must not touch."""
    deep = _met(space)
    things = [b for b in space.bodies if not b.bites]
    out = []
    for at, fixing in enumerate(space.bodies):
        if not fixing.bites:
            continue
        found = [(space.bodies[j], by) for j, by in deep.get(at, {}).items()]
        for b, by in found:
            if by > LEAST_MM and b.hatch in SOFT and not b.gives and not any(_is(b.id, x) for x in fixing.into):
                out.append(Bite(fixing, b.name, by, False))
        for wanted in fixing.into:
            if max((by for b, by in found if _is(b.id, wanted)), default=0.0) < LEAST_MM:
                said = next((b.name for b in things if _is(b.id, wanted)), wanted)
                out.append(Bite(fixing, said, 0.0, True))
    return out


def _is(id_: str, wanted: str) -> bool:
    return id_ == wanted or id_.startswith(f"{wanted}-")


def _met(space: Space) -> dict[int, dict[int, float]]:
    """By fixing, how far it goes at most into each thing that it meets; both by their place in the space."""
    own, others = space.bites.nonzero()[0], (~space.bites).nonzero()[0]
    fine = np.array([(*box_of(p.ring), p.front_mm, p.back_mm) for _, p in space.fine]).reshape(-1, 6)
    low = np.concatenate((space.low[own], fine[:, (0, 1, 4)]))
    high = np.concatenate((space.high[own], fine[:, (2, 3, 5)]))
    owner = [*space.owner[own].tolist(), *(n for n, _ in space.fine)]
    free = np.minimum(high[:, None], space.high[others]) - np.maximum(low[:, None], space.low[others])
    near = (free > (EPS_MM, EPS_MM, 0.0)).all(axis=2) & ~space.in_holes(low, high)[others].T
    ones, columns = near.nonzero()
    met = others[columns]
    by = _lengths(space, (low[ones], high[ones]), met)
    out: dict[int, dict[int, float]] = {}
    for one, thing, mm in zip(ones.tolist(), space.owner[met].tolist(), by.tolist(), strict=True):
        if mm > 0:
            of = out.setdefault(owner[one], {})
            of[thing] = max(of.get(thing, 0.0), mm)
    return out


def _lengths(space: Space, fixings: tuple[np.ndarray, np.ndarray], met: np.ndarray) -> np.ndarray:
    """How far each fixing, by the least and largest corner of its box, goes into a prism, along its longest side.

    One along the depth goes in where its middle line does; another as far as the outline is in its way, and not at
    all where it only grazes the edge.
    """
    (low, high), met_low, met_high = fixings, space.low[met], space.high[met]
    size = high - low
    upright = size[:, 2] > size[:, :2].min(axis=1) + THIN_MM
    least, most = np.maximum(low, met_low), np.minimum(high, met_high)
    middle = (low + high)[:, :2] / 2
    # The corners of what lies within both boxes; of one along the depth, its middle line in place of each.
    near = np.where(upright[:, None], middle, least[:, :2] + HAIR_MM)
    far = np.where(upright[:, None], middle, most[:, :2] - HAIR_MM)
    within = _within(space, met, near, far)
    for n in (~within).nonzero()[0].tolist():
        prism = space.prisms[met[n]]
        if len(prism.ring) == 4 and not prism.holes and upright[n]:
            most[n] = least[n]
        elif upright[n]:
            at = (float(middle[n, 0]), float(middle[n, 1]))
            if not space.holds(met[n], at) or any(holds_dot(h, at) for h in prism.holes):
                most[n] = least[n]
        else:
            both = rectangle(*low[n, :2], *high[n, :2]).intersection(space.shape(met[n]))
            bounds = (0.0, 0.0, 0.0, 0.0) if both.is_empty else both.bounds
            least[n, :2], most[n, :2] = bounds[:2], bounds[2:]
    shared = most - least
    lying = size[:, 0] >= size[:, 1]
    along, across = np.where(lying, shared[:, 0], shared[:, 1]), np.where(lying, shared[:, 1], shared[:, 0])
    thin = np.where(lying, size[:, 1], size[:, 0])
    grazes = across * 2 < thin - THIN_MM
    return np.where(upright, shared[:, 2], np.where(grazes, 0.0, along))


def _within(space: Space, met: np.ndarray, near: np.ndarray, far: np.ndarray) -> np.ndarray:
    """Whether a rectangle, by two corners, lies in the prism that is met, as far as four sides without a hole tell.

    A corner lies inside where a line from it to the right crosses the outline an odd number of times.
    """
    rings, whole = np.zeros((len(space.prisms), 4, 2)), np.zeros(len(space.prisms), dtype=bool)
    for n in set(met.tolist()):
        prism = space.prisms[n]
        if len(prism.ring) == 4 and not prism.holes:
            rings[n], whole[n] = prism.ring, True
    begin = rings[met][:, None]
    end = begin[:, :, (1, 2, 3, 0)]
    x = np.column_stack((near[:, 0], far[:, 0], far[:, 0], near[:, 0]))[:, :, None]
    y = np.column_stack((near[:, 1], near[:, 1], far[:, 1], far[:, 1]))[:, :, None]
    over = (begin[..., 1] > y) != (end[..., 1] > y)
    with np.errstate(divide="ignore", invalid="ignore"):
        slope = (end[..., 0] - begin[..., 0]) / (end[..., 1] - begin[..., 1])
        crossed = over & (x < begin[..., 0] + (y - begin[..., 1]) * slope)
    inside: np.ndarray = whole[met] & (crossed.sum(axis=2) % 2 == 1).all(axis=1)
    return inside
