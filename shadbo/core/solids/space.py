"""Where bodies stand to one another: the boxes of all their prisms compared in one go, outlines only where asked."""

import itertools
from collections.abc import Iterable, Sequence
from operator import attrgetter

import numpy as np
from shapely.geometry.base import BaseGeometry

from shadbo.core.shapes.plane import Box, Ring
from shadbo.core.shapes.polygon import box_of, grown_box, holds_dot, is_rect, runs_through
from shadbo.core.solids.body import Body, Prism, shape_of

EPS_MM = 0.05
"""Things this near to one another only touch."""
HAIR_MM = 1e-6


class Space:
    """Bodies in their places, with what each pair of their prisms shares by their boxes.

    ``low[axis, i]`` and ``high[axis, i]`` are where the box of prism i begins and ends, along x, y and depth, in mm;
    ``gap[axis, i, j]`` is how far prism j begins beyond the end of prism i, and ``meet[axis, i, j]`` whether the two
    share more than a touch along that axis. ``near[i, j]`` tells whether they overlap in the front plane, neither in
    a square hole of the other, which is ``holed``. ``owner[i]`` is the index of the body that prism i belongs to.
    ``square_holes`` are the holes along the axes: the prism's number, and the hole's box; ``inside[k, j]``: prism j
    stands in the k-th. ``fixed``, ``stops``, ``laid``, ``bites`` and ``gives`` are yes or no for each prism, of its
    body. Fixings that give way, as staples do, are many and stand in nobody's way: their prisms are ``fine``, with
    the index of the body and their box, and no part of any pair.
    """

    def __init__(self, bodies: Sequence[Body]) -> None:
        self.bodies = tuple(bodies)
        self.prisms: list[Prism] = []
        self.fine: list[tuple[int, Prism, Box]] = []
        owner: list[int] = []
        for n, body in enumerate(self.bodies):
            if body.bites and body.gives:
                self.fine += [(n, prism, box_of(prism.ring)) for prism in body.prisms]
                continue
            self.prisms += body.prisms
            owner += [n] * len(body.prisms)
        self.boxes: list[Box] = [box_of(p.ring) for p in self.prisms]
        self.owner = np.array(owner, dtype=np.intp)
        left, below, right, above = _columns(self.boxes, 4, float)
        front, back = _columns(map(DEPTH, self.prisms), 2, float)
        self.low, self.high = low, high = np.array((left, below, front)), np.array((right, above, back))
        self.gap = low[:, None] - high[:, :, None]
        reach = self.gap < -EPS_MM
        self.meet = reach & reach.transpose(0, 2, 1)
        thin = high - low <= EPS_MM
        if thin.any():
            self.meet &= ~(thin[:, :, None] | thin[:, None])
        self.square_holes = [(n, box_of(h)) for n, p in enumerate(self.prisms) for h in p.holes if is_rect(h)]
        self.inside = self._in_holes(low, high)
        in_hole = self._by_prism(self.inside)
        self.holed = in_hole | in_hole.T
        self.near = self.meet[0] & self.meet[1] & ~self.holed
        by_body = _columns(map(FLAGS, self.bodies), 5, bool)
        self.fixed, self.stops, self.laid, self.bites, self.gives = by_body[:, self.owner]
        self._kernels: dict[int, Box | None] = {}
        self._shapes: dict[int, BaseGeometry] = {}

    def _in_holes(self, low: np.ndarray, high: np.ndarray) -> np.ndarray:
        """``[k, j]``: the box j, by its least and largest x and y, stands in square hole k."""
        if not self.square_holes:
            return np.zeros((0, low.shape[1]), dtype=bool)
        hole = np.array([box for _, box in self.square_holes])[:, None]
        out: np.ndarray = (
            (low[0] >= hole[..., 0] - EPS_MM)
            & (low[1] >= hole[..., 1] - EPS_MM)
            & (high[0] <= hole[..., 2] + EPS_MM)
            & (high[1] <= hole[..., 3] + EPS_MM)
        )
        return out

    def _by_prism(self, inside: np.ndarray) -> np.ndarray:
        """``[i, j]``: the box j stands in one of the square holes of prism i."""
        out = np.zeros((len(self.prisms), inside.shape[1]), dtype=bool)
        for (n, _), those in zip(self.square_holes, inside, strict=True):
            out[n] |= those
        return out

    def fine_near(self, others: np.ndarray) -> np.ndarray:
        """``[i, j]``: fine fixing i and the prism at ``others[j]`` overlap by their boxes, not in its square hole."""
        boxes = np.array([(*box, p.front_mm, p.back_mm) for _, p, box in self.fine]).reshape(-1, 6).T
        low, high = boxes[[0, 1, 4], :, None], boxes[[2, 3, 5], :, None]
        shared = np.minimum(high, self.high[:, None, others]) - np.maximum(low, self.low[:, None, others])
        near: np.ndarray = (shared[0] > EPS_MM) & (shared[1] > EPS_MM) & (shared[2] > 0)
        if self.square_holes:
            near &= ~self._by_prism(self._in_holes(low[..., 0], high[..., 0]))[others].T
        return near

    def shape(self, n: int) -> BaseGeometry:
        """The outline of a prism less its holes, which may touch or overlap one another; made once."""
        if n not in self._shapes:
            self._shapes[n] = shape_of(self.prisms[n])
        return self._shapes[n]

    def shared_mm(self, axis: int, i: int, j: int) -> float:
        """How far the boxes of two prisms overlap along an axis; below nothing it is the gap between them."""
        ends, begins = self.high[axis], self.low[axis]
        return float(min(ends[i], ends[j]) - max(begins[i], begins[j]))

    def both(self, i: int, j: int) -> Box:
        """What the boxes of two prisms share in the front plane."""
        return shared_box(self.boxes[i], self.boxes[j])

    def covers(self, n: int, box: Box) -> bool:
        """Whether a prism surely covers a box: it has no holes, and no side of its outline runs through the box."""
        p = self.prisms[n]
        if p.holes:
            return False
        if n not in self._kernels:
            self._kernels[n] = kernel(p.ring)
        sure = self._kernels[n]
        if sure is not None and sure[0] <= box[0] and sure[1] <= box[1] and sure[2] >= box[2] and sure[3] >= box[3]:
            return True
        return lies_in(box, p.ring)


DEPTH = attrgetter("front_mm", "back_mm")
FLAGS = attrgetter("fixed", "stops", "laid", "bites", "gives")


def _columns(rows: Iterable[tuple[float, ...]], wide: int, kind: type) -> np.ndarray:
    """Rows of so many numbers, or of yes and no, as an array for each column."""
    return np.fromiter(itertools.chain.from_iterable(rows), dtype=kind).reshape(-1, wide).T


def kernel(ring: Ring) -> Box | None:
    """A box that an outline of four corners surely covers: what lies between its inner corners; None if it does not.

    >>> kernel(((0, 0), (10, 0), (8, 2), (2, 2)))
    (2, 0, 8, 2)
    """
    if len(ring) != 4:
        return None
    if is_rect(ring):
        return box_of(ring)
    (left, *xs, right), (low, *ys, high) = sorted([x for x, _ in ring]), sorted([y for _, y in ring])
    for box in ((xs[0], low, xs[1], high), (left, ys[0], right, ys[1])):
        if box[0] < box[2] and box[1] < box[3] and lies_in(box, ring):
            return box
    return None


def lies_in(box: Box, ring: Ring) -> bool:
    """Whether a box lies in an outline, but for a hair: one corner does, and no side runs through it."""
    inner = grown_box(box, -HAIR_MM)
    return holds_dot(ring, inner[:2]) and not runs_through(ring, inner)


def shared_box(a: Box, b: Box) -> Box:
    """What two boxes that overlap share."""
    (left, low, right, high), (x0, y0, x1, y1) = a, b
    return (
        left if left > x0 else x0,
        low if low > y0 else y0,
        right if right < x1 else x1,
        high if high < y1 else y1,
    )


def cells_in(table: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Where a square of yes and no says yes: the rows and the columns."""
    rows, columns = np.divmod(np.flatnonzero(table), max(table.shape[1], 1))
    return rows, columns


def pairs_in(table: np.ndarray) -> list[tuple[int, int]]:
    """Where a square of yes and no says yes: row and column of each."""
    rows, columns = cells_in(table)
    return list(zip(rows.tolist(), columns.tolist(), strict=True))
