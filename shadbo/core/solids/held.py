"""What holds what: bodies that nothing stops from moving, along the depth or in the front plane."""

from collections.abc import Iterable, Iterator, Mapping, Sequence

import numpy as np

from shadbo.core.dataclass import dataclass
from shadbo.core.solids.body import EVERY_WAY, Body, Tie, Way
from shadbo.core.solids.space import EPS_MM, Space

LYING_MM = 0.5
"""Up to so far apart along the depth things lie against one another: common practice, no source."""
PLAY_MM = 6.0
"""So much air beside a thing, and its rabbet or opening still keeps it: common practice, no source."""

Stops = Sequence[tuple[int, int]]
"""Bodies that something stops: the bit of each, and the bits of those that stop it; body n has bit ``1 << n``."""


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
    near = _stops(space)
    pressed = _by_bit(near["forwards"]), _by_bit(near["backwards"])
    for tie, body, by in _known(space, ties):
        for way in tie.ways:
            near[way][body] |= 1 << by
    fixed_on = sum([1 << n for n, b in enumerate(space.bodies) if b.fixed or b.stops])
    asked = sum([1 << n for n, b in enumerate(space.bodies) if not b.bites])
    out: list[Loose] = []
    for way in EVERY_WAY:
        along = way in ("forwards", "backwards")
        free = asked & ~_chain(fixed_on, asked, _by_bit(near[way]), None if along else pressed)
        out += [Loose(b, way) for n, b in enumerate(space.bodies) if free >> n & 1] if free else []
    return out


def _by_bit(near: Sequence[int]) -> Stops:
    return [(1 << n, by) for n, by in enumerate(near) if by]


def _stops(space: Space) -> dict[Way, list[int]]:
    """By way, what stops each body by standing where it does. Screws neither stop nor are stopped."""
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
    if space.square_holes:
        left, below, right, above = np.array([hole for _, hole in space.square_holes]).T[:, :, None]
        air = {"right": right - high[0], "up": above - high[1], "left": low[0] - left, "down": low[1] - below}
        for way, by in air.items():
            within = (by >= -EPS_MM) & (by <= PLAY_MM) & space.inside
            for k in within.any(axis=1).nonzero()[0].tolist():
                n = space.square_holes[k][0]
                pairs[AT[way], :, n] |= deep[:, n] & within[k]
    return dict(zip(EVERY_WAY, _of_bodies(space, pairs), strict=True))


AT: Mapping[str, int] = {way: n for n, way in enumerate(EVERY_WAY)}


def _of_bodies(space: Space, pairs: np.ndarray) -> list[list[int]]:
    """Pairs of prisms, one table for each way, as those of their bodies."""
    many = max(len(space.owner), 1)
    way, pair = np.divmod(np.flatnonzero(pairs), many * many)
    one, other = np.divmod(pair, many)
    out = [[0] * len(space.bodies) for _ in pairs]
    for w, a, b in zip(way.tolist(), space.owner[one].tolist(), space.owner[other].tolist(), strict=True):
        out[w][a] |= 1 << b
    return out


def _known(space: Space, ties: Iterable[Tie]) -> Iterator[tuple[Tie, int, int]]:
    """The ties between bodies that are there, with the numbers of these."""
    at = {b.id: n for n, b in enumerate(space.bodies)}
    for tie in ties:
        if tie.body in at and tie.to in at:
            yield tie, at[tie.body], at[tie.to]


def _chain(held: int, asked: int, stops: Stops, pressed: tuple[Stops, Stops] | None) -> int:
    """All bodies that are held in the end, from those that are fixed on; it ends where all that are asked are."""
    while True:
        held = _reached(held, stops)
        if pressed is None or not asked & ~held:
            return held
        front, back = pressed
        more = _reached(held, front) & _reached(held, back)
        if more == held:
            return held
        held = more


def _reached(held: int, stops: Stops) -> int:
    """What comes to something held, from one to the next, and the held itself."""
    left = [(body, by) for body, by in stops if not body & held]
    while new := sum([body for body, by in left if by & held]):
        held |= new
        left = [(body, by) for body, by in left if not body & new]
    return held
