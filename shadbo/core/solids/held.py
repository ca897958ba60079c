"""What holds what: bodies that nothing stops from moving, along the depth or in the front plane."""

from collections.abc import Iterable, Mapping

import numpy as np

from shadbo.core.dataclass import dataclass
from shadbo.core.solids.body import EVERY_WAY, Body, Tie, Way
from shadbo.core.solids.space import EPS_MM, Space

LYING_MM = 0.5
"""Up to so far apart along the depth things lie against one another: common practice, no source."""
PLAY_MM = 6.0
"""So much air beside a thing, and its rabbet or opening still keeps it: common practice, no source."""

Stops = Mapping[int, int]
"""By a body's own bit, the bits of those that stop it; body n of the space has bit ``1 << n``."""


@dataclass(frozen=True, slots=True)
class Loose:
    """A body and the way in which nothing stops it."""

    body: Body
    way: Way


class _Pairs:
    """Prisms that are asked, ``ones``, against those that can stop them, ``others``; screws are neither.

    ``flat[i, j]``: they are of two bodies and overlap in the front plane; ``deep``, along the depth.
    """

    def __init__(self, space: Space) -> None:
        fixed = space.fixed | space.stops
        rest = space.bites & ~fixed
        self.space = space
        self.ones = (~(rest | fixed)).nonzero()[0]
        self.others = (~rest).nonzero()[0]
        self.column = {n: at for at, n in enumerate(self.others.tolist())}
        at = np.ix_(self.ones, self.others)
        there = space.owner[self.ones][:, None] != space.owner[self.others]
        shared = space.shared[:, at[0], at[1]]
        self.flat = there & space.near[at]
        self.deep = there & (shared[2] > EPS_MM)
        beside = self.deep & ~space.holed[at]
        self.along = tuple(beside & (shared[1 - axis] > EPS_MM) for axis in (0, 1))

    def bodies(self, pairs: np.ndarray) -> Stops:
        """By body, those that one of its prisms makes such a pair with."""
        one, other = pairs.nonzero()
        owner = self.space.owner
        out: dict[int, int] = {}
        for a, b in set(zip(owner[self.ones[one]].tolist(), owner[self.others[other]].tolist(), strict=True)):
            out[1 << a] = out.get(1 << a, 0) | 1 << b
        return out

    def beside(self, way: Way) -> Stops:
        """What stands beside a body on one side within some air, or has it in an opening with so little on it."""
        axis, upwards = (0 if way in ("left", "right") else 1), way in ("right", "up")
        low, high = self.space.low[self.ones, axis], self.space.high[self.ones, axis]
        their_low, their_high = self.space.low[self.others, axis], self.space.high[self.others, axis]
        gap = their_low - high[:, None] if upwards else low[:, None] - their_high
        past = their_high > high[:, None] if upwards else their_low < low[:, None]
        pairs = self.along[axis] & past & (gap <= PLAY_MM)
        for n, box in self.space.square_holes:
            column = self.column.get(n)
            if column is None:
                continue
            air = box[2 + axis] - high if upwards else low - box[axis]
            within = self.space.in_hole[n][self.ones] & (air >= -EPS_MM) & (air <= PLAY_MM)
            pairs[:, column] |= self.deep[:, column] & within
        return self.bodies(pairs)


def loose(space: Space, ties: Iterable[Tie]) -> list[Loose]:
    """Bodies that nothing held stops from moving: the chain ends at the frame.

    Along the depth a thing is stopped by what it lies against, in the front plane by what is beside it within some
    air, or by lying pressed, in a stack, between two things; either way by what it is tied to. Screws and dowels
    are not asked; points and clips, fixed to their rails, are things that others lie against.
    """
    pairs = _Pairs(space)
    front, back = space.low[:, 2], space.high[:, 2]
    one, other = pairs.ones, pairs.others
    lies: dict[Way, Stops] = {
        "forwards": pairs.bodies(pairs.flat & (np.abs(front[one][:, None] - back[other]) <= LYING_MM)),
        "backwards": pairs.bodies(pairs.flat & (np.abs(back[one][:, None] - front[other]) <= LYING_MM)),
    }
    tied = _tied(space, ties)
    fixed_on = sum(1 << n for n, b in enumerate(space.bodies) if b.fixed or b.stops)
    out: list[Loose] = []
    for way in EVERY_WAY:
        along = way in lies
        stops = dict(lies[way] if along else pairs.beside(way))
        for body, by in tied[way].items():
            stops[body] = stops.get(body, 0) | by
        held = _chain(fixed_on, stops, None if along else (lies["forwards"], lies["backwards"]))
        out += [Loose(b, way) for n, b in enumerate(space.bodies) if not (held >> n & 1 or b.bites)]
    return out


def _tied(space: Space, ties: Iterable[Tie]) -> dict[Way, dict[int, int]]:
    """By way, what is tied to what."""
    bit = {b.id: 1 << n for n, b in enumerate(space.bodies)}
    out: dict[Way, dict[int, int]] = {way: {} for way in EVERY_WAY}
    for tie in ties:
        if tie.body in bit and tie.to in bit:
            for way in tie.ways:
                out[way][bit[tie.body]] = out[way].get(bit[tie.body], 0) | bit[tie.to]
    return out


def _chain(held: int, stops: Stops, pressed: tuple[Stops, Stops] | None) -> int:
    """All bodies that are held in the end, from those that are fixed on."""
    while True:
        held = _reached(held, stops)
        if pressed is None:
            return held
        front, back = pressed
        more = _reached(held, front) & _reached(held, back)
        if more == held:
            return held
        held = more


def _reached(held: int, stops: Stops) -> int:
    """What comes to something held, from one to the next, and the held itself."""
    left = [(body, by) for body, by in stops.items() if not body & held]
    while new := sum(body for body, by in left if by & held):
        held |= new
        left = [(body, by) for body, by in left if not body & new]
    return held
