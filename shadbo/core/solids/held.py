"""What holds what: bodies that nothing stops from moving, along the depth or in the front plane."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

import numpy as np

from shadbo.core.shapes.polygon import box_of
from shadbo.core.solids.body import EVERY_WAY, Body, Tie, Way
from shadbo.core.solids.space import EPS_MM, Space, is_rect

LYING_MM = 0.5
"""Up to so far apart along the depth things lie against one another: common practice, no source."""
PLAY_MM = 6.0
"""So much air beside a thing, and its rabbet or opening still keeps it: common practice, no source."""

Stops = Mapping[int, set[int]]


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
    fixed = space.told(lambda b: b.fixed or b.stops)
    rest = space.told(lambda b: b.bites) & ~fixed
    there = ~((rest | fixed)[:, None] | rest) & (space.owner[:, None] != space.owner)
    flat = there & space.near
    lies: dict[Way, Stops] = {
        "forwards": _bodies(space, flat & (np.abs(space.low[:, None, 2] - space.high[:, 2]) <= LYING_MM)),
        "backwards": _bodies(space, flat & (np.abs(space.high[:, None, 2] - space.low[:, 2]) <= LYING_MM)),
    }
    number = {b.id: n for n, b in enumerate(space.bodies)}
    tied: dict[Way, dict[int, set[int]]] = {way: {} for way in EVERY_WAY}
    for tie in ties:
        if tie.body in number and tie.to in number:
            for way in tie.ways:
                tied[way].setdefault(number[tie.body], set()).add(number[tie.to])
    out: list[Loose] = []
    for way in EVERY_WAY:
        along = way in lies
        stops = lies[way] if along else _beside(space, way, there)
        held = _chain(space, stops, tied[way], None if along else (lies["forwards"], lies["backwards"]))
        out += [Loose(b, way) for n, b in enumerate(space.bodies) if n not in held and not b.bites]
    return out


def _chain(space: Space, stops: Stops, tied: Stops, pressed: tuple[Stops, Stops] | None) -> set[int]:
    """All bodies that are held in the end, from what is fixed on."""
    held = {n for n, b in enumerate(space.bodies) if b.fixed or b.stops}
    while True:
        new = _reached(held, stops, tied) - held
        if not new and pressed is not None:
            front, back = pressed
            new = _reached(held, front) & _reached(held, back) - held
        if not new:
            return held
        held |= new


def _reached(held: set[int], *stops: Stops) -> set[int]:
    """What comes to something held, from one to the next, and the held itself."""
    out = set(held)
    left = {n for by in stops for n in by} - out
    while new := {n for n in left if any(by.get(n, set()) & out for by in stops)}:
        out |= new
        left -= new
    return out


def _bodies(space: Space, pairs: np.ndarray) -> Stops:
    """By body, those that one of its prisms meets."""
    out: dict[int, set[int]] = {}
    one, other = np.nonzero(pairs)
    for a, b in set(zip(space.owner[one].tolist(), space.owner[other].tolist(), strict=True)):
        out.setdefault(a, set()).add(b)
    return out


def _beside(space: Space, way: Way, there: np.ndarray) -> Stops:
    """By body, what stands beside it on one side within some air, or has it in an opening with so little on it."""
    axis, upwards = (0 if way in ("left", "right") else 1), way in ("right", "up")
    deep = there & (space.shared[:, :, 2] > EPS_MM)
    low, high = space.low[:, axis], space.high[:, axis]
    gap = low - high[:, None] if upwards else low[:, None] - high
    past = high > high[:, None] if upwards else low < low[:, None]
    pairs = deep & (space.shared[:, :, 1 - axis] > EPS_MM) & ~(space.in_hole | space.in_hole.T)
    pairs &= past & (gap <= PLAY_MM)
    for n, prism in enumerate(space.prisms):
        for hole in filter(is_rect, prism.holes):
            box = box_of(hole)
            air = box[2 + axis] - high if upwards else low - box[axis]
            pairs[:, n] |= deep[:, n] & space.in_hole[n] & (air >= -EPS_MM) & (air <= PLAY_MM)
    return _bodies(space, pairs)
