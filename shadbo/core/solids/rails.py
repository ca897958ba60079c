"""Mitred rails as bodies: each step of the profile a prism, bent as the frame was measured."""

from collections.abc import Iterable

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.hatch import Hatch
from shadbo.core.shapes.plane import Dot
from shadbo.core.solids.body import SIDES, Body, Prism

Three = tuple[float, float, float]
Spans = tuple[float | Three, float | Three]
"""Width and height; where a width is told three times, at top, middle and bottom; a height left, middle, right."""
Path = tuple[Dot, ...]
THIN_MM = 0.1
BENT_MM = 1e-6


@dataclass(frozen=True, slots=True)
class Step:
    """One step of a rail's profile: its opening's width and height, and the depth that it has."""

    width_mm: float | Three
    height_mm: float | Three
    front_mm: float
    back_mm: float


def grown(size: Spans, by_mm: float) -> Spans:
    """The same size, so much wider and higher everywhere.

    >>> grown((300, (400, 398, 400)), 20)
    ((320, 320, 320), (420, 418, 420))
    """
    return _more(size[0], by_mm), _more(size[1], by_mm)


def paths(size: Spans) -> tuple[Path, Path, Path, Path]:
    """Bottom, right, top and left of an opening, each from corner to corner, bent where its middle is not between.

    >>> paths(((10, 8, 10), 6))[1]
    ((5.0, -3.0), (4.0, 0.0), (5.0, 3.0))
    """
    (top, across, bottom), (left, upright, right) = _three(size[0]), _three(size[1])
    corners = ((-bottom / 2, -left / 2), (bottom / 2, -right / 2), (top / 2, right / 2), (-top / 2, left / 2))
    middles = ((0.0, -upright / 2), (across / 2, 0.0), (0.0, upright / 2), (-across / 2, 0.0))
    bent = (abs(upright - (left + right) / 2) > BENT_MM, abs(across - (top + bottom) / 2) > BENT_MM)
    found = []
    for n, middle in enumerate(middles):
        start, end = corners[n], corners[(n + 1) % 4]
        found.append((start, middle, end) if bent[n % 2] else (start, end))
    return found[0], found[1], found[2], found[3]


def rails_round(
    outside_mm: Spans,
    steps: Iterable[Step],
    hatch: Hatch,
    name: str,
    parts: tuple[str, str] = ("rail-width", "rail-height"),
    key: str = "rail",
    fixed: bool = True,
) -> list[Body]:
    """Four mitred rails round an outside; each step of the profile is a prism.

    A step as wide as the outside leaves no wood, one without width no opening: it is drawn as thin as it can be, and
    the rails say by how much it lacks.
    """
    outer, whole = paths(outside_mm), (_three(outside_mm[0]), _three(outside_mm[1]))
    out: dict[str, list[Prism]] = {side: [] for side in SIDES}
    lacks, closed = 0.0, False
    for step in steps:
        if step.back_mm - step.front_mm <= 0:
            continue
        size = (_three(step.width_mm), _three(step.height_mm))
        over = (x - y for has, all_ in zip(size, whole, strict=True) for x, y in zip(has, all_, strict=True))
        lacks = max(lacks, max(over) + THIN_MM)
        closed = closed or min(*size[0], *size[1]) <= 0
        inner = paths((_between(size[0], whole[0]), _between(size[1], whole[1])))
        for side, line, along in zip(SIDES, outer, inner, strict=True):
            out[side].append(Prism((*line, *reversed(along)), step.front_mm, step.back_mm))
    return [
        Body(f"{key}-{side}", name, hatch, tuple(prisms), parts[n % 2], fixed, lacks_mm=lacks, closed=closed)
        for n, (side, prisms) in enumerate(out.items())
        if prisms
    ]


def _three(size: float | Three) -> Three:
    return size if isinstance(size, tuple) else (size, size, size)


def _more(size: float | Three, by_mm: float) -> Three:
    a, b, c = _three(size)
    return a + by_mm, b + by_mm, c + by_mm


def _between(sizes_mm: Three, whole_mm: Three) -> Three:
    """The sizes, as far as they leave an opening and some wood."""
    a, b, c = (min(max(x, THIN_MM), w - THIN_MM) for x, w in zip(sizes_mm, whole_mm, strict=True))
    return a, b, c
