"""What is let into others: screws and dowels as bodies, and what each of them passes through."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from shapely import Polygon, box, contains_xy

from shadbo.core.shapes.plane import Dot
from shadbo.core.shapes.polygon import box_of
from shadbo.core.shapes.rings import rect
from shadbo.core.solids.body import Body, Prism, shape_of
from shadbo.core.solids.clash import Box, near

LEAST_MM = 1.0
"""A fixing that is less than this deep in a thing does not hold it."""
SOFT = ("glass", "textile", "cloth", "paper", "puzzle")
"""What no fixing goes into that is not meant to."""


def screws_through(
    id_: str, name: str, dots: Iterable[Dot], diameter_mm: float, deep_mm: tuple[float, float], into: tuple[str, ...]
) -> list[Body]:
    """Screws along the depth, each at its place, as square bars as wide as they are thick."""
    r = max(diameter_mm, 0.5) / 2
    return [
        Body(f"{id_}-{n}", name, "metal", (Prism(rect(x - r, y - r, x + r, y + r), *deep_mm),), id_, bites=True,
             into=into)
        for n, (x, y) in enumerate(dots, 1)
    ]  # fmt: skip


@dataclass(frozen=True, slots=True)
class Bite:
    """A fixing and what is wrong with its way: it does not reach ``other``, or goes into it by ``by_mm``."""

    fixing: Body
    other: str
    by_mm: float
    misses: bool


def bites(bodies: Sequence[Body]) -> list[Bite]:
    """Every fixing that misses what it is to hold, or goes into what it must not touch."""
    fixings = [b for b in bodies if b.bites]
    if not fixings:
        return []
    things = [b for b in bodies if not b.bites]
    boxes = {id(p): box_of(p.ring) for b in bodies for p in b.prisms}
    shapes: dict[int, Polygon] = {}
    out = []
    for fixing in fixings:
        deep: dict[str, float] = {}
        names: dict[str, str] = {}
        for thing in things:
            by = max((_shared_mm(p, q, boxes, shapes) for p in fixing.prisms for q in thing.prisms), default=0.0)
            if by <= 0:
                continue
            deep[thing.id] = by
            names[thing.id] = thing.name
            meant = any(_is(thing.id, x) for x in fixing.into)
            if by > LEAST_MM and not meant and thing.hatch in SOFT:
                out.append(Bite(fixing, thing.name, by, False))
        for wanted in fixing.into:
            if max((by for x, by in deep.items() if _is(x, wanted)), default=0.0) < LEAST_MM:
                said = next((b.name for b in things if _is(b.id, wanted)), wanted)
                out.append(Bite(fixing, said, 0.0, True))
    return out


def _is(id_: str, wanted: str) -> bool:
    return id_ == wanted or id_.startswith(f"{wanted}-")


def _shared_mm(p: Prism, q: Prism, boxes: dict[int, Box], shapes: dict[int, Polygon]) -> float:
    """How far a fixing's prism goes into another one, along its longest side."""
    deep = min(p.back_mm, q.back_mm) - max(p.front_mm, q.front_mm)
    if deep <= 0 or not near(p, q, boxes):
        return 0.0
    left, low, right, high = boxes[id(p)]
    wide, tall, long = right - left, high - low, p.back_mm - p.front_mm
    if id(q) not in shapes:
        shapes[id(q)] = shape_of(q)
    if long >= max(wide, tall):  # along the depth: its middle line stands in the other's outline, or only grazes it
        inside = contains_xy(shapes[id(q)], (left + right) / 2, (low + high) / 2)
        return deep if inside else 0.0
    both = box(left, low, right, high).intersection(shapes[id(q)])
    if both.is_empty:
        return 0.0
    a, b, c, d = both.bounds
    if (c - a) * 2 < min(wide, tall) or (d - b) * 2 < min(wide, tall):
        return 0.0  # it only grazes the edge
    return float(c - a) if wide >= tall else float(d - b)
