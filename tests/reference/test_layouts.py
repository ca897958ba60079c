"""Proposed layouts against brute force on small cases: every pair of orders of the pieces along both axes is tried.

Two pieces that do not overlap are apart along one axis; so for every choice of left-of, right-of, below or above for
every pair the least field follows from longest paths. The least of all of them is the optimum.
"""

from itertools import combinations, product

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.layout.solver import Thing, propose


def longest(sizes: list[int], before: list[tuple[int, int]], gap: int) -> int | None:
    """The least length that holds the pieces when each pair (a, b) has a before b; None where that is a circle."""
    at = [0] * len(sizes)
    for _ in range(len(sizes) + 1):
        moved = False
        for a, b in before:
            if at[b] < at[a] + sizes[a] + gap:
                at[b], moved = at[a] + sizes[a] + gap, True
        if not moved:
            return max(x + s for x, s in zip(at, sizes, strict=True))
    return None


def smallest(sizes: list[tuple[int, int]], gap: int, margin: int) -> int:
    pairs = list(combinations(range(len(sizes)), 2))
    best = None
    for sides in product(range(4), repeat=len(pairs)):
        across = [(a, b) if s == 0 else (b, a) for (a, b), s in zip(pairs, sides, strict=True) if s < 2]
        down = [(a, b) if s == 2 else (b, a) for (a, b), s in zip(pairs, sides, strict=True) if s >= 2]
        w = longest([x for x, _ in sizes], across, gap)
        h = longest([y for _, y in sizes], down, gap)
        if w is not None and h is not None:
            found = (w + 2 * margin) * (h + 2 * margin)
            best = found if best is None else min(best, found)
    assert best is not None
    return best


@given(st.lists(st.tuples(st.integers(10, 120), st.integers(10, 120)), min_size=2, max_size=4), st.integers(0, 30))
@settings(max_examples=15, deadline=None)
def test_the_smallest_field_is_the_smallest(sizes, gap):
    things = [Thing(str(n), w, h) for n, (w, h) in enumerate(sizes)]
    found = propose(things, gap, 20, wishes=("smallest",))
    assert found[0].proven
    assert found[0].area == smallest(sizes, gap, 20)


def test_a_case_worked_by_hand():
    """Two of 40 × 20 and one of 80 × 20, gap 0, margin 0: they tile 80 × 40."""
    things = [Thing("a", 40, 20), Thing("b", 40, 20), Thing("c", 80, 20)]
    assert propose(things, 0, 0, wishes=("smallest",))[0].area == pytest.approx(3200)
