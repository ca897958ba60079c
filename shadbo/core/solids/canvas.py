"""A canvas on its bars as prisms: cloth, the rims of the bars that it lies on, and the wood behind."""

from collections.abc import Callable, Iterable

from shadbo.core.shapes.plane import Ring
from shadbo.core.solids.body import Prism

CLOTH_MM = 1.0
"""Cloth and its ground: common practice, no source."""
RIM_MM, RELIEF_MM = 10.0, 3.0
"""Of a bar so much lies against the cloth, and stands before the rest: common practice, no source."""


def canvas_prisms(
    face: Ring, bars: Callable[[float], Iterable[Ring]], bar_mm: float, deep_mm: tuple[float, float], part: str
) -> list[Prism]:
    """The canvas from its face to its back, bars ``bar_mm`` wide. ``bars`` draws all four, as wide as it is told.

    The cloth lies on the outer rims alone; ``part`` is what rims and bars are of the list.

    >>> from shadbo.core.shapes.rings import centred, mitred
    >>> all_ = canvas_prisms(centred(300, 200), lambda wide: mitred(150, 100, wide), 45, (6, 24), "bar")
    >>> [(p.front_mm, p.back_mm) for p in all_[::4]]
    [(6, 7.0), (7.0, 9.0), (9.0, 24)]
    >>> all_[1].ring[2], all_[5].ring[2]  # the inner corner of a rim, and of the bar behind it
    ((140.0, 90.0), (105, 55))
    """
    front, back = deep_mm
    cloth = min(front + CLOTH_MM, back)
    behind = max(min(front + min(RELIEF_MM, (back - front) / 6), back), cloth)
    rims = [Prism(x, cloth, behind, part=part) for x in bars(min(RIM_MM, bar_mm / 3))] if behind > cloth else []
    return [Prism(face, front, cloth), *rims, *(Prism(x, behind, back, part=part) for x in bars(bar_mm))]
