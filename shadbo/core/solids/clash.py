"""Two bodies in one place: which, and by how much."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations

from shapely import Polygon

from shadbo.core.shapes.polygon import box_of
from shadbo.core.solids.body import Body, Prism, shape_of

EPS_MM = 0.05
"""Things this near to one another only touch."""

Box = tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Clash:
    """Two bodies that share space, and how far one would have to move to be clear of the other.

    ``deep``: that way is along the depth; never where one lies within the other's depth altogether, since then it
    is the outline that is too large.
    """

    first: Body
    second: Body
    by_mm: float
    deep: bool


def clashes(bodies: Sequence[Body]) -> list[Clash]:
    """Every pair of bodies in one place, the gravest first.

    Boxes are compared first; most pairs end there. Outlines with holes or slants are cut by a geometry library.
    """
    boxes = {id(p): box_of(p.ring) for b in bodies for p in b.prisms}
    shapes: dict[int, Polygon] = {}
    spans = {b.id: (b.front_mm, b.back_mm) for b in bodies}
    out = []
    for a, b in combinations(bodies, 2):
        (front, back), (other_front, other_back) = spans[a.id], spans[b.id]
        if min(back, other_back) - max(front, other_front) <= EPS_MM:
            continue
        if (a.fixed and b.fixed) or (a.laid and b.laid) or a.bites != b.bites:
            continue
        found = [x for p in a.prisms for q in b.prisms if (x := _shared(p, q, boxes, shapes)) is not None]
        if found:
            by, deep = max(found)
            out.append(Clash(a, b, by, deep))
    return sorted(out, key=lambda c: -c.by_mm)


def _shared(p: Prism, q: Prism, boxes: dict[int, Box], shapes: dict[int, Polygon]) -> tuple[float, bool] | None:
    deep = min(p.back_mm, q.back_mm) - max(p.front_mm, q.front_mm)
    if deep <= EPS_MM:
        return None
    plane = _overlap(p, q, boxes, shapes)
    if plane is None:
        return None
    thin = min(p.back_mm - p.front_mm, q.back_mm - q.front_mm)
    return (deep, True) if deep < thin - EPS_MM and deep <= plane else (plane, False)


def _overlap(p: Prism, q: Prism, boxes: dict[int, Box], shapes: dict[int, Polygon]) -> float | None:
    """How thick, in the front plane, what two outlines share is; None where they share nothing."""
    if not near(p, q, boxes):
        return None
    a, b = boxes[id(p)], boxes[id(q)]
    wide = min(a[2], b[2]) - max(a[0], b[0])
    high = min(a[3], b[3]) - max(a[1], b[1])
    if not (_is_box(p) and _is_box(q)):
        wide, high = _cut(_shape(p, shapes), _shape(q, shapes))
        if min(wide, high) <= EPS_MM:
            return None
    return min(wide, high)


def near(p: Prism, q: Prism, boxes: dict[int, Box]) -> bool:
    """Whether the boxes of two outlines overlap, and neither lies in a square hole of the other.

    ``boxes`` are those of the outlines, by the prism's identity.
    """
    a, b = boxes[id(p)], boxes[id(q)]
    if min(a[2], b[2]) - max(a[0], b[0]) <= EPS_MM or min(a[3], b[3]) - max(a[1], b[1]) <= EPS_MM:
        return False
    if any(_inside(b, box_of(h)) for h in p.holes if _is_rect(h)):
        return False
    return not any(_inside(a, box_of(h)) for h in q.holes if _is_rect(h))


def _is_rect(ring: Sequence[tuple[float, float]]) -> bool:
    return len(ring) == 4 and len({x for x, _ in ring}) == 2 and len({y for _, y in ring}) == 2


def _is_box(p: Prism) -> bool:
    return not p.holes and _is_rect(p.ring)


def _inside(inner: Box, outer: Box) -> bool:
    return (
        inner[0] >= outer[0] - EPS_MM
        and inner[1] >= outer[1] - EPS_MM
        and inner[2] <= outer[2] + EPS_MM
        and inner[3] <= outer[3] + EPS_MM
    )


def _shape(p: Prism, known: dict[int, Polygon]) -> Polygon:
    """The outline less its holes, which may touch or overlap one another; made once for each prism."""
    if id(p) not in known:
        known[id(p)] = shape_of(p)
    return known[id(p)]


def _cut(one: Polygon, other: Polygon) -> tuple[float, float]:
    """Width and height of what two outlines share, of its thickest piece."""
    both = one.intersection(other)
    best = (0.0, 0.0)
    for piece in getattr(both, "geoms", (both,)):
        if piece.area <= EPS_MM * EPS_MM:
            continue
        left, low, right, high = piece.bounds
        wide, tall = right - left, high - low
        thin = piece.area / max(wide, tall)  # a mitred sliver is as thick as its area says, not as its box
        size = (min(wide, thin), tall) if wide < tall else (wide, min(tall, thin))
        best = max(best, size, key=min)
    return best
