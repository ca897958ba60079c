"""Snapping: a piece that is moved by hand comes to rest on marks, edges, middles and equal gaps that are near."""

from collections.abc import Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.words.lengths import Mark


@dataclass(frozen=True, slots=True)
class Box:
    """Left, top (both from the field's left and top edges, downwards), width, height."""

    left: float
    top: float
    width: float
    height: float


@dataclass(frozen=True, slots=True)
class Snapped:
    """Where the piece comes to rest, and what it lines up with."""

    left: float
    top: float
    why: tuple[str, ...]


def snap(moved: Box, others: Sequence[Box], field: tuple[float, float], within_mm: float, mark: Mark) -> Snapped:
    """Each axis by itself: the nearest line of others or of the field within reach, else the nearest mark."""
    across = [(b.left, b.width) for b in others]
    down = [(b.top, b.height) for b in others]
    left, why_x = _axis(moved.left, moved.width, across, field[0], within_mm, mark, ("left", "right"))
    top, why_y = _axis(moved.top, moved.height, down, field[1], within_mm, mark, ("top", "bottom"))
    return Snapped(left, top, tuple(w for w in (why_x, why_y) if w))


def _axis(
    at: float,
    size: float,
    others: Sequence[tuple[float, float]],
    field: float,
    within: float,
    mark: Mark,
    ends: tuple[str, str],
) -> tuple[float, str]:
    lines: list[tuple[float, str]] = [(field / 2 - size / 2, "the field's middle")]
    for start, long in others:
        lines += [
            (start, f"{ends[0]} edges in line"),
            (start + long - size, f"{ends[1]} edges in line"),
            (start + long / 2 - size / 2, "middles in line"),
        ]
    for a in others:
        for b in others:
            gap = b[0] - a[0] - a[1]
            if gap > 0:
                lines += [
                    (b[0] + b[1] + gap, "equal gaps"),
                    (a[0] - gap - size, "equal gaps"),
                    (a[0] + a[1] + (gap - size) / 2, "equal gaps")
                    if gap > size
                    else (a[0], f"{ends[0]} edges in line"),
                ]
    near = [(abs(x - at), x, why) for x, why in lines if abs(x - at) <= within and 0 <= x <= field - size + 1e-6]
    if near:
        _, x, why = min(near, key=lambda n: (n[0], n[2]))
        return x, why
    return min(max(to_mark(at, mark.mm, "nearest"), 0.0), max(field - size, 0.0)), ""
