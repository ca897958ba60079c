from itertools import pairwise

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from shadbo.core.sums.spacing import KeepOut, evenly, spaced, widest

stretches = st.lists(st.tuples(st.floats(0, 1500), st.floats(5, 120)), max_size=3)


def outs(length: float, corner: float, more: list[tuple[float, float]]) -> list[KeepOut]:
    ends = [KeepOut(0, corner, "a key"), KeepOut(length - corner, length, "a key")]
    return ends + [KeepOut(a, a + w, "a brace") for a, w in more]


@given(st.floats(200, 1600), st.floats(20, 90), stretches, st.floats(100, 400))
def test_no_fixing_lands_where_it_must_not(length: float, corner: float, more, apart: float):
    forbidden = outs(length, corner, more)
    for at in spaced(length, apart, forbidden):
        assert 0 <= at <= length
        assert not any(out.holds(at) for out in forbidden)


@given(st.floats(200, 1600), st.floats(20, 90), st.floats(100, 400))
def test_with_nothing_in_the_way_they_are_even_and_near_enough(length: float, corner: float, apart: float):
    assume(length > 2 * corner + 1)
    places = spaced(length, apart, outs(length, corner, []))
    gaps = [b - a for a, b in pairwise(places)]
    assert places[0] == pytest.approx(corner)
    assert places[-1] == pytest.approx(length - corner)
    assert max(gaps) <= apart + 1e-6
    assert max(gaps) - min(gaps) < 1e-3
    assert len(places) == 2 or (len(places) - 2) * apart < length - 2 * corner, "and no more than needed"


@given(st.floats(400, 1600), st.floats(20, 90), stretches, st.floats(100, 400))
def test_they_are_spread_the_same_from_either_end(length: float, corner: float, more, apart: float):
    forward = spaced(length, apart, outs(length, corner, more))
    mirrored = [(length - a - w, w) for a, w in more]
    backward = spaced(length, apart, outs(length, corner, mirrored))
    assert len(forward) == len(backward)


def test_a_brace_in_the_way_moves_the_fixing_to_its_nearer_edge():
    places = spaced(600, 300, [KeepOut(0, 50, ""), KeepOut(270, 340, ""), KeepOut(550, 600, "")])
    assert 300 not in places
    assert any(p in (270, 340) for p in places)
    assert widest(places) <= 300


def test_a_side_that_is_kept_out_whole_takes_none():
    assert spaced(200, 100, [KeepOut(0, 120, ""), KeepOut(90, 200, "")]) == []


def test_one_alone_stands_in_the_middle():
    assert evenly(10, 30, 1) == [20]
    assert evenly(10, 30, 3) == [10, 20, 30]
    assert widest([5]) == 0
