"""Cut-out artwork of a sign: closed outlines from a drawing, brought to size; what lies inside what falls out."""

from typing import Annotated

from pydantic import Field

from shadbo.core.shapes.letters import Lettering, Ring
from shadbo.core.shapes.polygon import anticlockwise, area, box_of, holds
from shadbo.core.shop.values import Line, Value

Coordinate = Annotated[float, Field(ge=-100_000, le=100_000, allow_inf_nan=False)]
Outline = Annotated[tuple[tuple[Coordinate, Coordinate], ...], Field(min_length=3, max_length=2000)]


class Artwork(Value):
    """Closed outlines in the drawing's own units, y up. Its size comes from the width that is wanted."""

    name: Line = ""
    rings: Annotated[tuple[Outline, ...], Field(min_length=1, max_length=300)]


def brought_to(artwork: Artwork, width_mm: float) -> Lettering:
    """The outlines about their own middle at that width: cut-outs, and the islands that they leave.

    An outline inside an odd number of others is an island; one inside an even number is cut out again.
    """
    boxes = [box_of(r) for r in artwork.rings]
    left, low = min(b[0] for b in boxes), min(b[1] for b in boxes)
    right, high = max(b[2] for b in boxes), max(b[3] for b in boxes)
    k = width_mm / max(right - left, 1e-9)
    cx, cy = (left + right) / 2, (low + high) / 2
    rings = [anticlockwise(tuple(((x - cx) * k, (y - cy) * k) for x, y in r)) for r in artwork.rings]
    out: list[Ring] = []
    islands: list[Ring] = []
    for i, ring in enumerate(rings):
        depth = sum(j != i and abs(area(o)) > abs(area(ring)) and holds(o, ring[0]) for j, o in enumerate(rings))
        (islands if depth % 2 else out).append(ring)
    return Lettering(tuple(out), tuple(islands), len(islands), (right - left) * k, (high - low) * k)
