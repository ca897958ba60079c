"""Figures that one odd reading does not move: medians and quantiles, through the standard library."""

import statistics
from collections.abc import Sequence

from shadbo.core.dataclass import dataclass

TO_SIGMA = 1.4826
"""The median absolute deviation of a normal spread, times this, is its standard deviation (Hampel 1974)."""


@dataclass(frozen=True, slots=True)
class Spread:
    """Of some values: the middle one, the middle half, and the standard deviation by the median deviation."""

    count: int
    median: float
    low: float
    high: float
    sigma: float


def spread(values: Sequence[float]) -> Spread:
    """Of two values or more.

    >>> spread([1.0, 2.0, 3.0, 4.0, 100.0]).median, round(spread([1.0, 2.0, 3.0, 4.0, 100.0]).sigma, 3)
    (3.0, 1.483)
    """
    middle = statistics.median(values)
    low, _, high = statistics.quantiles(values, n=4, method="inclusive")
    off = statistics.median(abs(v - middle) for v in values)
    return Spread(len(values), middle, low, high, TO_SIGMA * off)


def reach(values: Sequence[float], share: float = 0.9) -> float:
    """What so large a share of the values stay within, either way of nothing.

    >>> reach([-1.0, 0.5, 0.2, -0.3, 0.1, 0.4, 0.6, -0.2, 0.3, 2.0])
    1.1
    """
    found = sorted(abs(v) for v in values)
    at = share * (len(found) - 1)
    low = int(at)
    high = min(low + 1, len(found) - 1)
    return round(found[low] + (at - low) * (found[high] - found[low]), 6)
