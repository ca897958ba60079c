"""Outlines: area, offset with mitred corners, distance, and stepped openings with right angles only."""

import math
import struct
from collections.abc import Sequence
from functools import lru_cache
from itertools import pairwise

import shapely
from shapely.geometry.base import BaseGeometry

from shadbo.core.shapes.plane import Box
from shadbo.core.shapes.plane import Dot as Dot
from shadbo.core.shapes.plane import Ring as Ring


def sides(ring: Sequence[Dot]) -> list[tuple[Dot, Dot]]:
    """The sides of a closed outline."""
    return [*pairwise(ring), (ring[-1], ring[0])]


def area(ring: Sequence[Dot]) -> float:
    """Signed area in mm²; positive when the outline runs anticlockwise."""
    return sum([ax * by - bx * ay for (ax, ay), (bx, by) in sides(ring)]) / 2


def anticlockwise(ring: Ring) -> Ring:
    """The same outline, running anticlockwise."""
    return ring if area(ring) > 0 else tuple(reversed(ring))


def box_of(ring: Sequence[Dot]) -> Box:
    """Left, low, right, high."""
    if len(ring) == 4:
        (ax, ay), (bx, by), (cx, cy), (dx, dy) = ring
        if ax == dx <= bx == cx and ay == by <= cy == dy:  # most outlines are rectangles told in this order
            return ax, ay, cx, cy
        return min(ax, bx, cx, dx), min(ay, by, cy, dy), max(ax, bx, cx, dx), max(ay, by, cy, dy)
    xs, ys = zip(*ring, strict=True)
    return min(xs), min(ys), max(xs), max(ys)


def is_rect(ring: Sequence[Dot]) -> bool:
    """Whether an outline is a rectangle along the axes."""
    if len(ring) != 4:
        return False
    a, b, c, d = ring
    if a[0] == b[0]:
        return b[1] == c[1] and c[0] == d[0] and d[1] == a[1]
    return a[1] == b[1] and b[0] == c[0] and c[1] == d[1] and d[0] == a[0]


def moved(ring: Ring, right_mm: float, up_mm: float) -> Ring:
    """The outline elsewhere."""
    return tuple([(x + right_mm, y + up_mm) for x, y in ring])


def mirrored(ring: Ring) -> Ring:
    """As seen from behind: left and right change places; it runs the same way round as before."""
    return tuple((-x, y) for x, y in reversed(ring))


@lru_cache(maxsize=256)
def offset(ring: Ring, by_mm: float) -> Ring:
    """The outline grown (or shrunk) by a distance on every side, corners mitred; it runs anticlockwise.

    ValueError where the distance swallows a side: the result would cross itself.
    """
    run = anticlockwise(ring)
    lines = []
    for (x0, y0), (x1, y1) in sides(run):
        length = math.hypot(x1 - x0, y1 - y0)
        nx, ny = (y1 - y0) / length, (x0 - x1) / length
        lines.append(((x0 + nx * by_mm, y0 + ny * by_mm), (x1 - x0, y1 - y0)))
    out = []
    for (p, u), (q, v) in pairwise([lines[-1], *lines]):
        cross = u[0] * v[1] - u[1] * v[0]
        if abs(cross) < 1e-9 * math.hypot(*u) * math.hypot(*v):
            out.append(q)
            continue
        t = ((q[0] - p[0]) * v[1] - (q[1] - p[1]) * v[0]) / cross
        out.append((p[0] + t * u[0], p[1] + t * u[1]))
    for ((x0, y0), (x1, y1)), (_, (ux, uy)) in zip(sides(out), lines, strict=True):
        if (x1 - x0) * ux + (y1 - y0) * uy <= 0:
            raise ValueError(f"an offset of {by_mm:g} mm swallows a side of the outline")
    return tuple(out)


def holds(ring: Sequence[Dot], dot: Dot) -> bool:
    """Whether a point lies inside."""
    return bool(shapely.contains_xy(area_in(tuple(ring)), *dot))


def holds_dot(ring: Ring, at: Dot) -> bool:
    """Whether a point lies in an outline: a line from it to the right crosses it an odd number of times.

    For short outlines: it needs no area of the library first.

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


def runs_through(ring: Ring, box: Box) -> bool:
    """Whether a side of an outline runs through a box: neither x, nor y, nor the side itself keeps them apart.

    >>> triangle = ((0, 0), (4, 0), (0, 4))
    >>> runs_through(triangle, (1, 1, 1.5, 1.5)), runs_through(triangle, (1, 1, 3, 3))
    (False, True)
    """
    left, low, right, high = box
    ax, ay = ring[-1]
    for bx, by in ring:
        if not (
            (ax <= left and bx <= left)
            or (ax >= right and bx >= right)
            or (ay <= low and by <= low)
            or (ay >= high and by >= high)
        ):
            dx, dy = bx - ax, by - ay
            c = dx * (low - ay), dx * (high - ay), dy * (left - ax), dy * (right - ax)
            if min(c[0], c[1]) < max(c[2], c[3]) and max(c[0], c[1]) > min(c[2], c[3]):
                return True
        ax, ay = bx, by
    return False


def near(ring: Sequence[Dot], dot: Dot) -> float:
    """Distance of a point from an outline, 0 inside it."""
    return float(area_in(tuple(ring)).distance(shapely.Point(dot)))


def overlap(one: Ring, other: Ring) -> float:
    """How far one would have to move to be free of the other, by their boxes; 0 where they do not overlap."""
    a, b = box_of(one), box_of(other)
    dx, dy = max(a[0] - b[2], b[0] - a[2]), max(a[1] - b[3], b[1] - a[3])
    if dx >= 0 or dy >= 0:
        return 0.0
    return -max(dx, dy) if _shared_mm2(one, other) > HAIR_MM else 0.0


def _shared_mm2(one: Ring, other: Ring) -> float:
    """The area that two outlines share; cut by a rectangle where one of them is."""
    for square, ring in ((one, other), (other, one)):
        if is_rect(square):
            box = box_of(square)
            if not runs_through(ring, box):
                return abs(area(square)) if holds_dot(ring, ((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)) else 0.0
            return float(shapely.clip_by_rect(area_in(ring), *box).area)
    mine, theirs = area_in(one), area_in(other)
    return float(mine.intersection(theirs).area) if mine.intersects(theirs) else 0.0


def disjoint(one: Ring, other: Ring) -> bool:
    """Whether two outlines neither overlap nor touch."""
    return boxes_clear(box_of(one), box_of(other), HAIR_MM) or bool(area_in(one).disjoint(area_in(other)))


def apart(one: Ring, other: Ring) -> float:
    """Least distance between two outlines; below nothing where they overlap (by the overlap of their boxes)."""
    far = float(area_in(one).distance(area_in(other)))
    return far if far > 0 else 0.0 - overlap(one, other)


HAIR_MM = 1e-6


def clear(one: Ring, other: Ring, by_mm: float) -> bool:
    """Whether two outlines keep at least so far apart; their boxes settle most pairs."""
    return boxes_clear(box_of(one), box_of(other), by_mm) or apart(one, other) >= by_mm


def grown_box(box: Box, by_mm: float) -> Box:
    """The box grown (or shrunk) by a distance on every side."""
    left, low, right, high = box
    return left - by_mm, low - by_mm, right + by_mm, high + by_mm


def boxes_clear(a: Box, b: Box, by_mm: float) -> bool:
    """Whether two boxes keep at least so far apart along x or along y."""
    return max(a[0] - b[2], b[0] - a[2], a[1] - b[3], b[1] - a[3]) >= by_mm


@lru_cache(maxsize=2048)
def area_in(ring: Ring) -> BaseGeometry:
    """The area inside an outline; one that crosses itself is what its odd parts make, in several pieces perhaps."""
    whole = _handed_over(ring)
    if whole.is_valid:
        return whole
    mended = shapely.make_valid(whole)
    return shapely.union_all([x for x in getattr(mended, "geoms", (mended,)) if x.area > 0])


def _handed_over(ring: Ring) -> BaseGeometry:
    """The outline as the library's own polygon; empty where it is a point or a line.

    Handed over as well-known binary (OGC 06-103r4, 8.2: little-endian, a polygon of one ring), which takes a third
    of the time of its constructors.
    """
    if len(ring) < 3:
        return shapely.Polygon()
    closed = [x for dot in (*ring, ring[0]) for x in dot]
    return shapely.from_wkb(struct.pack(f"<BIII{len(closed)}d", 1, 3, 1, len(closed) // 2, *closed))


Corner = str
CORNERS: tuple[Corner, ...] = ("bottom left", "bottom right", "top right", "top left")


def stepped(width_mm: float, height_mm: float, notches: dict[Corner, tuple[float, float]]) -> Ring:
    """An opening about its middle with a rectangular notch at some corners; right angles only, anticlockwise.

    ``notches`` are (width, height) by corner. ValueError where two notches meet or leave no opening.
    """
    for a, b, axis in (
        ("bottom left", "bottom right", 0),
        ("top left", "top right", 0),
        ("bottom left", "top left", 1),
        ("bottom right", "top right", 1),
    ):
        both = notches.get(a, (0.0, 0.0))[axis] + notches.get(b, (0.0, 0.0))[axis]
        if both >= (width_mm, height_mm)[axis] - 1e-9:
            raise ValueError(f"the notches at {a} and {b} leave nothing of the opening between them")
    w, h = width_mm / 2, height_mm / 2
    out: list[Dot] = []
    for corner, (x, y) in zip(CORNERS, ((-w, -h), (w, -h), (w, h), (-w, h)), strict=True):
        notch = notches.get(corner)
        if notch is None:
            out.append((x, y))
            continue
        ix, iy = x - math.copysign(notch[0], x), y - math.copysign(notch[1], y)
        # Anticlockwise, the side before a bottom-left or top-right corner is upright, before the others it is level.
        upright_first = corner in ("bottom left", "top right")
        out += [(x, iy), (ix, iy), (ix, y)] if upright_first else [(ix, y), (ix, iy), (x, iy)]
    return tuple(out)


def square_cornered(ring: Sequence[Dot]) -> bool:
    """Whether every side is level or upright."""
    return all(abs(x1 - x0) < HAIR_MM or abs(y1 - y0) < HAIR_MM for (x0, y0), (x1, y1) in sides(ring))
