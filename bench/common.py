"""Figures as a line: median, 95th and 99th percentile, and the bar they stand beside."""

import os
import platform
import statistics
from collections.abc import Sequence


def machine() -> str:
    """What the figures were measured on."""
    return f"{os.cpu_count()} cores, Python {platform.python_version()}"


def show(name: str, ms: Sequence[float], bar: str = "") -> None:
    """One row of figures in milliseconds."""
    ordered = sorted(ms)

    def at(part: float) -> float:
        return ordered[min(int(len(ordered) * part), len(ordered) - 1)]

    tail = f"   bar: {bar}" if bar else ""
    print(
        f"{name:<44} n {len(ordered):>5}   median {statistics.median(ordered):>7.2f}   "
        f"p95 {at(0.95):>7.2f}   p99 {at(0.99):>7.2f} ms{tail}"
    )
