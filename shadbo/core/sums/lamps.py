"""Lamps in a light box: rows of strip, the void that mixes their light, the supply."""

import math

from shadbo.core.dataclass import dataclass


@dataclass(frozen=True, slots=True)
class Rows:
    """Rows of strip on a back board: how many, how long each, all together, and the light's pitch."""

    count: int
    each_mm: float
    total_mm: float
    pitch_mm: float


def rows_of(width_mm: float, height_mm: float, apart_mm: float, pitch_mm: float, cut_mm: float) -> Rows:
    """Level rows, at most ``apart_mm`` from each other and half of that from the edges; cut to whole ``cut_mm``."""
    count = max(1, math.ceil(height_mm / apart_mm - 1e-9))
    each = max(math.floor((width_mm + 1e-9) / cut_mm), 1) * cut_mm
    return Rows(count, each, count * each, max(pitch_mm, height_mm / count))


def watts(total_mm: float, w_per_m: float) -> float:
    """What all rows draw."""
    return total_mm / 1000 * w_per_m
