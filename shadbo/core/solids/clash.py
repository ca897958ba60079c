"""Two bodies in one place: which, and by how much."""

from shapely import maximum_inscribed_circle
from shapely.geometry.base import BaseGeometry

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.polygon import area_in, box_of
from shadbo.core.solids.body import Body
from shadbo.core.solids.space import EPS_MM, Space, cells_in


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


def clashes(space: Space) -> list[Clash]:
    """Every pair of bodies in one place, the gravest first.

    Boxes are compared first; most pairs end there. Outlines with holes or slants are cut by a geometry library.
    """
    i, j = cells_in(space.near & space.meet[2])
    fixed, laid, bite, gives = space.fixed, space.laid, space.bites, space.gives
    may = (space.owner[i] < space.owner[j]) & ~(gives[i] | gives[j]) & (bite[i] == bite[j])
    may &= ~(fixed[i] & fixed[j]) & ~(laid[i] & laid[j])
    owner = space.owner.tolist()
    worst: dict[tuple[int, int], tuple[float, bool]] = {}
    for one, other in zip(i[may].tolist(), j[may].tolist(), strict=True):
        found = _shared(space, one, other)
        if found is not None:
            pair = (owner[one], owner[other])
            worst[pair] = max(worst.get(pair, found), found)
    out = [Clash(space.bodies[a], space.bodies[b], *by) for (a, b), by in worst.items()]
    return sorted(out, key=lambda c: -c.by_mm)


def _shared(space: Space, i: int, j: int) -> tuple[float, bool] | None:
    plane = _overlap(space, i, j)
    if plane is None:
        return None
    p, q = space.prisms[i], space.prisms[j]
    deep = space.shared_mm(2, i, j)
    thin = min(p.back_mm - p.front_mm, q.back_mm - q.front_mm)
    return (deep, True) if deep < thin - EPS_MM and deep <= plane else (plane, False)


def _overlap(space: Space, i: int, j: int) -> float | None:
    """How thick, in the front plane, what two outlines share is; None where they share nothing."""
    box = space.both(i, j)
    wide, high = box[2] - box[0], box[3] - box[1]
    if not (space.covers(i, box) and space.covers(j, box)):
        if _within_hole(space, i, j) or _within_hole(space, j, i):
            return None
        wide, high = _cut(space.shape(i), space.shape(j))
        if min(wide, high) <= EPS_MM:
            return None
    return min(wide, high)


def _within_hole(space: Space, i: int, j: int) -> bool:
    """Whether prism j stands in one hole of prism i altogether."""
    left, low, right, high = space.boxes[j]
    for hole in space.prisms[i].holes:
        box = box_of(hole)
        inside = left >= box[0] and low >= box[1] and right <= box[2] and high <= box[3]
        if inside and area_in(hole).covers(space.shape(j)):
            return True
    return False


def _cut(one: BaseGeometry, other: BaseGeometry) -> tuple[float, float]:
    """Width and height of what two outlines share, of its thickest piece."""
    both = one.intersection(other)
    best = (0.0, 0.0)
    for piece in getattr(both, "geoms", (both,)):
        if piece.area <= EPS_MM * EPS_MM:
            continue
        left, low, right, high = piece.bounds
        wide, tall = right - left, high - low
        thin = piece.area / max(wide, tall)  # a mitred sliver is as thick as its area says, not as its box
        if thin <= EPS_MM and not piece.buffer(-EPS_MM / 2).is_empty:  # a bent one is as thick as at its thickest
            thin = 2 * maximum_inscribed_circle(piece).length
        size = (min(wide, thin), tall) if wide < tall else (wide, min(tall, thin))
        best = max(best, size, key=min)
    return best
