"""Zones of a piece where nothing may go: as rectangles, or traced on a photograph and brought to true size."""

from shadbo.core.pieces.objects import Zone
from shadbo.core.shapes.perspective import perspective, through
from shadbo.core.shapes.plane import Ring


def zone_ring(zone: Zone, width_mm: float, height_mm: float) -> Ring:
    """The zone in the piece's own plane: mm from its middle, x right, y up."""
    if zone.trace is None:
        x, y = zone.left.mm - width_mm / 2, height_mm / 2 - zone.top.mm
        w, h = zone.width.mm, zone.height.mm
        return ((x, y - h), (x + w, y - h), (x + w, y), (x, y))
    w, h = width_mm / 2, height_mm / 2
    m = perspective(zone.trace.corners, ((-w, h), (w, h), (w, -h), (-w, -h)))
    return tuple(through(m, p) for p in zone.trace.points)
