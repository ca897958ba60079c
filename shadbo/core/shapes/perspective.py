"""A plane seen aslant: where its points truly lie, from four that are known."""

from collections.abc import Sequence
from itertools import pairwise

from shadbo.core.shapes.plane import Dot

LEAST_TURN = 1e-4
"""Of shares of a photograph: corners nearer to one line than that tell of no plane."""


def is_view_of_a_rectangle(seen: Sequence[Dot]) -> bool:
    """Whether four points, in their order round it, can be the corners of a rectangle seen from somewhere.

    They can where the way round turns to the same side at every corner.

    >>> is_view_of_a_rectangle([(0, 0), (1, 0.1), (0.9, 1), (0, 0.9)])
    True
    >>> is_view_of_a_rectangle([(0, 0), (0.9, 1), (1, 0.1), (0, 0.9)])
    False
    """
    round_ = [*seen, *seen[:2]]
    steps = [(b[0] - a[0], b[1] - a[1]) for a, b in pairwise(round_)]
    turns = [u[0] * v[1] - u[1] * v[0] for u, v in pairwise(steps)]
    return min(turns) > LEAST_TURN or max(turns) < -LEAST_TURN


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
