"""Where bodies stand to one another: the boxes of all their prisms compared in one go, outlines only where asked."""

from collections.abc import Sequence

import numpy as np
from shapely import Polygon

from shadbo.core.shapes.plane import Dot, Ring
from shadbo.core.shapes.polygon import box_of
from shadbo.core.solids.body import Body, Prism, is_rect, shape_of

EPS_MM = 0.05
"""Things this near to one another only touch."""
HAIR_MM = 1e-6

Box = tuple[float, float, float, float]


class Space:
    """Bodies in their places, with what each pair of their prisms shares by their boxes.

    ``shared[axis, i, j]`` is how far the boxes of prisms i and j overlap along x, y or depth, in mm; below nothing it
    is the gap between them. ``near[i, j]`` tells whether they overlap in the front plane, neither in a square hole of
    the other, which is ``holed``. ``owner[i]`` is the index of the body that prism i belongs to. ``square_holes`` are
    the holes along the axes: the prism's number, and the hole's box. ``fixed``, ``stops``, ``laid``, ``bites`` and
    ``gives`` are yes or no for each prism, of its body. Fixings that give way, as staples do, are many and stand in
    nobody's way: their prisms are ``fine``, with the index of the body and their box, and no part of any pair.
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
        spans = [(p.front_mm, p.back_mm) for p in self.prisms]
        plane = np.array(self.boxes).reshape(-1, 4)
        deep = np.array(spans).reshape(-1, 2)
        self.low = np.column_stack((plane[:, :2], deep[:, :1]))
        self.high = np.column_stack((plane[:, 2:], deep[:, 1:]))
        low, high = self.low.T.copy(), self.high.T.copy()
        self.shared = np.minimum(high[:, :, None], high[:, None]) - np.maximum(low[:, :, None], low[:, None])
        self.square_holes = [(n, box_of(h)) for n, p in enumerate(self.prisms) for h in p.holes if is_rect(h)]
        self.in_hole = self._in_holes(self.low, self.high)
        self.holed = self.in_hole | self.in_hole.T
        shares = (self.shared[0] > EPS_MM) & (self.shared[1] > EPS_MM)
        self.near = shares & ~self.holed
        told = [(b.fixed, b.stops, b.laid, b.bites, b.gives) for b in self.bodies]
        by_prism = np.array(told, dtype=bool).reshape(-1, 5)[self.owner]
        self.fixed, self.stops, self.laid, self.bites, self.gives = by_prism.T
        self._rect = [is_rect(p.ring) for p in self.prisms]
        self._shapes: dict[int, Polygon] = {}

    def _in_holes(self, low: np.ndarray, high: np.ndarray) -> np.ndarray:
        """``[i, j]``: the box j, by its least and largest x and y, stands in a square hole of prism i."""
        out = np.zeros((len(self.prisms), len(low)), dtype=bool)
        least, most = low[:, :2] + EPS_MM, high[:, :2] - EPS_MM
        for n, hole in self.square_holes:
            out[n] |= (least >= hole[:2]).all(axis=1) & (most <= hole[2:]).all(axis=1)
        return out

    def fine_near(self, others: np.ndarray) -> np.ndarray:
        """``[i, j]``: fine fixing i and the prism at ``others[j]`` overlap by their boxes, not in its square hole."""
        boxes = np.array([(*box, p.front_mm, p.back_mm) for _, p, box in self.fine]).reshape(-1, 6)
        low, high = boxes[:, (0, 1, 4)], boxes[:, (2, 3, 5)]
        shared = np.minimum(high[:, None], self.high[others]) - np.maximum(low[:, None], self.low[others])
        near: np.ndarray = (shared > (EPS_MM, EPS_MM, 0.0)).all(axis=2) & ~self._in_holes(low, high)[others].T
        return near

    def shape(self, n: int) -> Polygon:
        """The outline of a prism less its holes, which may touch or overlap one another; made once."""
        if n not in self._shapes:
            self._shapes[n] = shape_of(self.prisms[n])
        return self._shapes[n]

    def both(self, i: int, j: int) -> Box:
        """What the boxes of two prisms share in the front plane."""
        return shared_box(self.boxes[i], self.boxes[j])

    def holds(self, n: int, at: Dot) -> bool:
        """Whether a point lies in a prism's outline, its holes not looked at."""
        if self._rect[n]:
            left, low, right, high = self.boxes[n]
            return left <= at[0] < right and low <= at[1] < high
        return holds_dot(self.prisms[n].ring, at)

    def covers(self, n: int, box: Box) -> bool:
        """Whether a prism surely covers a box: four-sided, whole, and each corner of the box in it."""
        p = self.prisms[n]
        if p.holes or len(p.ring) != 4:
            return False
        if self._rect[n]:
            return True
        left, low, right, high = box[0] + HAIR_MM, box[1] + HAIR_MM, box[2] - HAIR_MM, box[3] - HAIR_MM
        return all(holds_dot(p.ring, at) for at in ((left, low), (right, low), (right, high), (left, high)))


def shared_box(a: Box, b: Box) -> Box:
    """What two boxes that overlap share."""
    return max(a[0], b[0]), max(a[1], b[1]), min(a[2], b[2]), min(a[3], b[3])


def pairs_in(table: np.ndarray) -> list[tuple[int, int]]:
    """Where a square of yes and no says yes: row and column of each."""
    rows, columns = table.nonzero()
    return list(zip(rows.tolist(), columns.tolist(), strict=True))


def holds_dot(ring: Ring, at: Dot) -> bool:
    """Whether a point lies in an outline: a line from it to the right crosses it an odd number of times.

    >>> holds_dot(((0, 0), (4, 0), (0, 4)), (1, 1)), holds_dot(((0, 0), (4, 0), (0, 4)), (3, 3))
    (True, False)
    """
    x, y = at
    inside = False
    ax, ay = ring[-1]
    for bx, by in ring:
        if (ay > y) != (by > y) and x < ax + (y - ay) * (bx - ax) / (by - ay):
            inside = not inside
        ax, ay = bx, by
    return inside
