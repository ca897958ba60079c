"""Bodies: every part of a build as a few prisms in its place, at its real size where that was measured.

Framing is work in layers, so a prism is enough: an outline in the front plane (x right and y up from the frame's
middle) and a stretch of depth (z from the frame's front edge towards the wall, below nothing in front of it).
"""

from functools import lru_cache
from typing import Literal, get_args

from shapely import union_all
from shapely.geometry.base import BaseGeometry

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.hatch import Hatch
from shadbo.core.shapes.plane import Ring
from shadbo.core.shapes.polygon import area as signed_area
from shadbo.core.shapes.polygon import area_in, box_of, is_rect
from shadbo.core.shapes.rings import rect


@dataclass(frozen=True, slots=True)
class Prism:
    """An outline with holes, from ``front_mm`` to ``back_mm`` of depth.

    ``part`` is the part of the list that it is of, where its body has several.
    """

    ring: Ring
    front_mm: float
    back_mm: float
    holes: tuple[Ring, ...] = ()
    part: str = ""

    @property
    def volume_mm3(self) -> float:
        """What it holds, its holes left out.

        >>> from shadbo.core.shapes.rings import centred
        >>> Prism(centred(10, 20), 0, 3, (centred(2, 5),)).volume_mm3
        570.0
        """
        area = abs(signed_area(self.ring))
        if len(self.holes) == 1 and _inside(self.holes[0], self.ring):
            area -= abs(signed_area(self.holes[0]))
        elif self.holes:
            area = float(shape_of(self).area)
        return area * (self.back_mm - self.front_mm)


def _inside(hole: Ring, ring: Ring) -> bool:
    """Whether a square hole lies within a square outline altogether."""
    if not (is_rect(hole) and is_rect(ring)):
        return False
    one, other = box_of(hole), box_of(ring)
    return one[0] >= other[0] and one[1] >= other[1] and one[2] <= other[2] and one[3] <= other[3]


def shape_of(prism: Prism) -> BaseGeometry:
    """A prism's outline less its holes, as the geometry library has it; in several pieces where a hole cuts it."""
    return _cut_out(prism.ring, prism.holes)


@lru_cache(maxsize=512)
def _cut_out(ring: Ring, holes: tuple[Ring, ...]) -> BaseGeometry:
    area = area_in(ring)
    return area.difference(union_all([area_in(h) for h in holes])) if holes else area


Enters = Literal["from behind", "from the front", "made with the frame"]


@dataclass(frozen=True, slots=True)
class Body:
    """One part in its place. ``part`` is the part of the list that it is, one of several where those are alike.

    ``fixed`` is what all else is held by in the end: the frame, or what hangs on the wall by itself. ``laid`` things
    stand where the layout has them, whose own checks tell of those that lie over one another. ``short`` is its name
    where its place is seen anyway. ``lacks_mm`` is how much wood a rail lacks, ``closed``
    that it leaves nothing open. ``bites``: it is let into others, as a dowel or a screw is; ``into``
    are the ids, or what they begin with, of those that it has to reach. ``stops``: such a one that others lie
    against, as a point is. ``gives``: paper, a wire or a staple, which gives way to what stands
    in its place. ``enters`` is how it gets there, ``lot`` what it comes off together with.
    """

    id: str
    name: str
    hatch: Hatch
    prisms: tuple[Prism, ...]
    part: str
    fixed: bool = False
    laid: bool = False
    short: str = ""
    lacks_mm: float = 0.0
    closed: bool = False
    bites: bool = False
    into: tuple[str, ...] = ()
    stops: bool = False
    gives: bool = False
    enters: Enters = "from behind"
    lot: str = ""

    @property
    def volume_mm3(self) -> float:
        """What all its prisms hold together."""
        return sum(p.volume_mm3 for p in self.prisms)

    @property
    def front_mm(self) -> float:
        """Where it begins, counted from the frame's front edge."""
        return min(p.front_mm for p in self.prisms)

    @property
    def back_mm(self) -> float:
        """Where it ends."""
        return max(p.back_mm for p in self.prisms)


Way = Literal["forwards", "backwards", "down", "up", "left", "right"]
EVERY_WAY: tuple[Way, ...] = get_args(Way)


@dataclass(frozen=True, slots=True)
class Tie:
    """A fixing: ``by`` keeps a body with another one, by their ids, from moving in ``ways``."""

    body: str
    to: str
    by: str
    ways: tuple[Way, ...] = EVERY_WAY


SIDES = ("bottom", "right", "top", "left")


def strips_round(
    size_mm: tuple[float, float],
    thick_mm: float,
    across_mm: float,
    upright_mm: float,
    depth_mm: tuple[float, float],
    hatch: Hatch,
    name: str,
    parts: tuple[str, str],
    key: str,
) -> list[Body]:
    """Two strips of the whole width and two between them, along the edge of a size; lengths as they were cut."""
    w, h = size_mm[0] / 2, size_mm[1] / 2
    a, b = across_mm / 2, upright_mm / 2
    rings = {
        "bottom": rect(-a, -h, a, -h + thick_mm),
        "right": rect(w - thick_mm, -b, w, b),
        "top": rect(-a, h - thick_mm, a, h),
        "left": rect(-w, -b, -w + thick_mm, b),
    }
    return [
        Body(f"{key}-{side}", name, hatch, (Prism(ring, *depth_mm),), parts[n % 2])
        for n, (side, ring) in enumerate(rings.items())
    ]


def framed(ring: Ring, wide_mm: float) -> tuple[Ring, ...]:
    """The hole of a ring that is cut from a sheet, that wide all round; none where nothing would be left open."""
    left, low, right, high = box_of(ring)
    if right - left <= 2 * wide_mm or high - low <= 2 * wide_mm:
        return ()
    return (rect(left + wide_mm, low + wide_mm, right - wide_mm, high - wide_mm),)
