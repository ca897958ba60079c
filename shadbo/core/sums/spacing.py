"""Where fixings go along a side: even, no farther apart than allowed, clear of what must not be hit."""

import math
from collections.abc import Iterable, Sequence
from itertools import pairwise

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import DUST

PENCIL_MM = 1.0
MOST_FIXINGS = 400
"""More along one side than anyone drills."""


@dataclass(frozen=True, slots=True)
class KeepOut:
    """A stretch of a side where no fixing may go, from the side's start, and why."""

    start_mm: float
    end_mm: float
    why: str

    def holds(self, at_mm: float) -> bool:
        """Whether a fixing there would be inside the stretch, by more than a pencil line."""
        return self.start_mm + PENCIL_MM < at_mm < self.end_mm - PENCIL_MM


def evenly(first_mm: float, last_mm: float, n: int) -> list[float]:
    """``n`` places from first to last; a single one in the middle.

    Millimetres.

    >>> evenly(20, 320, 4)
    [20.0, 120.0, 220.0, 320.0]
    """
    if n == 1:
        return [(first_mm + last_mm) / 2]
    return [first_mm + (last_mm - first_mm) * i / (n - 1) for i in range(n)]


def spaced(length_mm: float, apart_mm: float, keep_outs: Sequence[KeepOut]) -> list[float]:
    """Places along a side: one near each end, as near as the keep-outs let it, then at most ``apart_mm``.

    Even places that fall into a keep-out move to its nearer edge; where that leaves too wide a stretch one
    more fixing is tried. Empty when the whole side is kept out. Lengths in mm.
    """
    clear = _clear(length_mm, keep_outs)
    if not clear:
        return []
    first, last = clear[0][0], clear[-1][1]
    if last - first < DUST:
        return [first]
    least = max(2, math.ceil(min((last - first) / max(apart_mm, DUST), MOST_FIXINGS) - DUST) + 1)
    best: list[float] = []
    for n in range(least, least + 6):
        best = sorted({round(_nearest_clear(at, clear), 6) for at in evenly(first, last, n)})
        if widest(best) <= apart_mm + DUST:
            break
    return best


def widest(places_mm: Sequence[float]) -> float:
    """The widest stretch between neighbours; 0 for fewer than two.

    Millimetres.

    >>> widest([20, 120, 300])
    180
    """
    return max((b - a for a, b in pairwise(places_mm)), default=0.0)


def _clear(length_mm: float, keep_outs: Iterable[KeepOut]) -> list[tuple[float, float]]:
    clear: list[tuple[float, float]] = []
    at = 0.0
    for out in sorted(keep_outs, key=lambda k: k.start_mm):
        clear.append((at, min(out.start_mm, length_mm)))
        at = max(at, out.end_mm)
    clear.append((at, length_mm))
    return [(a, b) for a, b in clear if b > a + DUST]


def _nearest_clear(at: float, clear: Sequence[tuple[float, float]]) -> float:
    return min((min(max(at, a), b) for a, b in clear), key=lambda x: abs(x - at))
