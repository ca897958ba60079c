"""Piles: a height made up of strips or boards of one thickness, or of two."""

import math
from collections.abc import Callable
from functools import lru_cache
from itertools import permutations
from typing import Literal

from shadbo.core.dataclass import dataclass

Rounding = Literal["up", "down", "nearest"]
ROUND: dict[Rounding, Callable[[float], float]] = {
    "up": lambda x: math.ceil(x - 1e-6),
    "down": lambda x: math.floor(x + 1e-6),
    "nearest": round,
}


@dataclass(frozen=True, slots=True)
class Pile:
    """How many of which (by their place in the list that was given), how high that comes, how many altogether."""

    many: tuple[tuple[int, int], ...]
    high_mm: float
    count: int


@lru_cache(maxsize=256)
def piles(thick_mm: tuple[float, ...], goal_mm: float, rounding: Rounding, most: int) -> tuple[Pile, ...]:
    """Every pile of one thickness, and of two, that comes to a goal as it is rounded; at most so many in it.

    >>> min((abs(p.high_mm - 42), p.count, p.many) for p in piles((3, 6, 13), 42, "up", 6))
    (0, 4, ((2, 3), (0, 1)))
    """
    to = ROUND[rounding]
    out = []
    for i, one in enumerate(thick_mm):
        n = max(int(to(goal_mm / one)), 1 if rounding != "down" else 0)
        if n:
            out.append(Pile(((i, n),), n * one, n))
    for i, j in permutations(range(len(thick_mm)), 2):
        one, other = thick_mm[i], thick_mm[j]
        if one <= other:  # the thinner one tops up
            continue
        for n in range(1, min(most, int(goal_mm // one)) + 1):
            m = int(to((goal_mm - n * one) / other))
            if m > 0:
                out.append(Pile(((i, n), (j, m)), n * one + m * other, n + m))
    return tuple([p for p in out if p.count <= most] or out)
