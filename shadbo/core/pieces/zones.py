"""Zones of a piece where nothing may go: as rectangles, or traced on a photograph and brought to true size."""

from collections.abc import Sequence

from shadbo.core.pieces.objects import Zone
from shadbo.core.shapes.plane import Dot as Dot
from shadbo.core.shapes.plane import Ring as Ring


def zone_ring(zone: Zone, width_mm: float, height_mm: float) -> Ring:
    """The zone in the piece's own plane: mm from its middle, x right, y up."""
    if zone.trace is None:
        x, y = zone.left.mm - width_mm / 2, height_mm / 2 - zone.top.mm
        w, h = zone.width.mm, zone.height.mm
        return ((x, y - h), (x + w, y - h), (x + w, y), (x, y))
    w, h = width_mm / 2, height_mm / 2
    m = perspective(zone.trace.corners, ((-w, h), (w, h), (w, -h), (-w, -h)))
    return tuple(through(m, p) for p in zone.trace.points)


def perspective(seen: Sequence[Dot], true: Sequence[Dot]) -> tuple[float, ...]:
    """The eight numbers that take four seen points to their true places; ValueError where three lie on a line.

    x = (a·u + b·v + c) / (g·u + h·v + 1), y = (d·u + e·v + f) / (g·u + h·v + 1): eight linear equations.
    """
    rows: list[list[float]] = []
    for (u, v), (x, y) in zip(seen, true, strict=True):
        rows.append([u, v, 1, 0, 0, 0, -u * x, -v * x, x])
        rows.append([0, 0, 0, u, v, 1, -u * y, -v * y, y])
    n = len(rows)
    for i in range(n):
        best = max(range(i, n), key=lambda r: abs(rows[r][i]))
        if abs(rows[best][i]) < 1e-12:
            raise ValueError("three of the four corners lie on one line")
        rows[i], rows[best] = rows[best], rows[i]
        for r in range(n):
            if r != i:
                k = rows[r][i] / rows[i][i]
                rows[r] = [a - k * b for a, b in zip(rows[r], rows[i], strict=True)]
    return tuple(rows[i][n] / rows[i][i] for i in range(n))


def through(m: Sequence[float], p: Dot) -> Dot:
    """A seen point at its true place."""
    u, v = p
    k = m[6] * u + m[7] * v + 1
    return (m[0] * u + m[1] * v + m[2]) / k, (m[3] * u + m[4] * v + m[5]) / k
