"""What holds what: bodies that nothing stops from moving, along the depth or in the front plane."""

import itertools
from collections.abc import Callable, Iterable, Mapping, Sequence
from functools import cache

import numpy as np

from shadbo.core.dataclass import dataclass
from shadbo.core.solids.body import EVERY_WAY, Body, Tie, Way
from shadbo.core.solids.space import EPS_MM, Space, pairs_in

LYING_MM = 0.5
"""Up to so far apart along the depth things lie against one another: common practice, no source."""
PLAY_MM = 6.0
"""So much air beside a thing, and its rabbet or opening still keeps it: common practice, no source."""

GROUND = 0
"""The number of all that holds by itself: the frame, and what is driven into it."""
EVERYTHING = -1
"""The bits of every body."""


@dataclass(frozen=True, slots=True)
class Loose:
    """A body and the way in which nothing stops it."""

    body: Body
    way: Way


def loose(space: Space, ties: Iterable[Tie]) -> list[Loose]:
    """Bodies that nothing held stops from moving: the chain ends at the frame.

    Along the depth a thing is stopped by what it lies against, in the front plane by what is beside it within some
    air, or by lying pressed, in a stack, between two things; either way by what it is tied to. Screws and dowels
    are not asked; points and clips, fixed to their rails, are things that others lie against.
    """
    at = _numbers(space)
    stops = _stops(space, at)
    front, back = list(stops["forwards"]), list(stops["backwards"])

    @cache
    def pressed(held: int) -> int:
        return _reached(held, front, EVERYTHING) & _reached(held, back, EVERYTHING)

    number = dict(zip([b.id for b in space.bodies], at, strict=True))
    for tie in ties:
        if tie.body in number and tie.to in number:
            to, bit = number[tie.to], 1 << number[tie.body]
            for way in tie.ways:
                stops[way][to] |= bit
    asked = [(1 << n, b) for n, b in zip(at, space.bodies, strict=True) if n != GROUND and not b.bites]
    every = sum([bit for bit, _ in asked])
    out: list[Loose] = []
    for way in EVERY_WAY:
        along = way in ("forwards", "backwards")
        free = every & ~_chain(every, stops[way], None if along else pressed)
        out += [Loose(b, way) for bit, b in asked if bit & free] if free else []
    return out


def _numbers(space: Space) -> list[int]:
    """A number for each body; all that holds by itself has the ground's."""
    count = itertools.count(GROUND + 1)
    return [GROUND if b.fixed or b.stops else next(count) for b in space.bodies]


def _stops(space: Space, at: Sequence[int]) -> dict[Way, list[int]]:
    """By way, and by the number of a body, the bits of those that it stops by standing where it does.

    Screws neither stop nor are stopped.
    """
    fixed = space.fixed | space.stops
    other = ~space.bites | fixed
    apart = (other & ~fixed)[:, None] & other & (space.owner[:, None] != space.owner)
    low, high, gap = space.low, space.high, space.gap
    flat, deep = apart & space.near, apart & space.meet[2]
    lies = np.abs(gap[2]) <= LYING_MM
    pairs = np.empty((len(EVERY_WAY), *apart.shape), dtype=bool)
    np.logical_and(flat, lies.T, out=pairs[AT["forwards"]])
    np.logical_and(flat, lies, out=pairs[AT["backwards"]])
    beside = deep & ~space.holed
    for axis, (up, down) in enumerate((("right", "left"), ("up", "down"))):
        along = beside & space.meet[1 - axis]
        close = gap[axis] <= PLAY_MM
        np.logical_and(along & close, high[axis] > high[axis][:, None], out=pairs[AT[up]])
        np.logical_and(along & close.T, low[axis] < low[axis][:, None], out=pairs[AT[down]])
    for hole, one in pairs_in(space.inside):
        n, (left, below, right, above) = space.square_holes[hole]
        if deep[one, n]:
            x0, y0, x1, y1 = space.boxes[one]
            air = {"down": y0 - below, "up": above - y1, "left": x0 - left, "right": right - x1}
            for way, mm in air.items():
                pairs[AT[way], one, n] |= -EPS_MM <= mm <= PLAY_MM
    return dict(zip(EVERY_WAY, _of_bodies(np.array(at)[space.owner], pairs, max(at, default=0)), strict=True))


AT: Mapping[str, int] = {way: n for n, way in enumerate(EVERY_WAY)}


def _of_bodies(number: np.ndarray, pairs: np.ndarray, most: int) -> list[list[int]]:
    """Pairs of prisms, one table for each way, as those of their bodies: by number, the bits of those it stops."""
    many = max(len(number), 1)
    way, pair = np.divmod(np.flatnonzero(pairs), many * many)
    one, other = np.divmod(pair, many)
    out = [[0] * (most + 1) for _ in pairs]
    for w, a, b in zip(way.tolist(), number[one].tolist(), number[other].tolist(), strict=True):
        out[w][b] |= 1 << a
    return out


def _chain(asked: int, stops: Sequence[int], pressed: Callable[[int], int] | None) -> int:
    """The bits of all bodies that are held in the end, from the ground on; it ends where all that are asked are.

    ``pressed`` tells what lies between two of those that are held.
    """
    held = 1 << GROUND
    while True:
        held = _reached(held, stops, asked)
        if pressed is None or not asked & ~held:
            return held
        more = pressed(held)
        if more == held:
            return held
        held = more


def _reached(held: int, stops: Sequence[int], asked: int) -> int:
    """What the held hold, from one to the next, and the held themselves; it may end where all that are asked are."""
    left = held
    while left and asked & ~held:
        one = left & -left
        new = stops[one.bit_length() - 1] & ~held
        held |= new
        left ^= one | new
    return held
