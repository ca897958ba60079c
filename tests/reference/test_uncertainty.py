"""Error propagation against the package ``uncertainties`` (first order, as JCGM 100:2008) and against simulation."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from uncertainties import ufloat

from shadbo.core.decisions.edit import Edit
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM
from shadbo.core.sums.square import rack
from tests.making import canvas, job, plan, reading

sizes = st.floats(50, 2000)
halves = st.floats(0.01, 3)


def both(pairs):
    """The same readings for us (half-widths) and for them (standard deviations of rectangles)."""
    s = Sheet()
    ours = [s.read(f"x{i}", f"x{i}", v, MM, h, "rule") for i, (v, h) in enumerate(pairs)]
    theirs = [ufloat(v, h / math.sqrt(3)) for v, h in pairs]
    return ours, theirs


@given(st.lists(st.tuples(sizes, halves), min_size=4, max_size=4))
def test_first_order_propagation(pairs):
    (a, b, c, d), (ta, tb, tc, td) = both(pairs)
    ours = (a + b - 2 * c) * d / (a + d)
    theirs = (ta + tb - 2 * tc) * td / (ta + td)
    assert ours.value == pytest.approx(theirs.n, abs=1e-9)
    expanded = 2 * theirs.s
    assert ours.likely == pytest.approx(min(expanded, ours.worst), rel=1e-6, abs=1e-9)


@given(st.tuples(sizes, halves), st.tuples(sizes, halves), st.tuples(sizes, halves))
def test_rack_of_two_diagonals(w, up, down):
    (a, b, c), (ta, tb, tc) = both([w, up, down])
    ours, theirs = rack(a, b, c), (tb - tc) * (tb + tc) / (4 * ta)
    assert ours.value == pytest.approx(theirs.n, abs=1e-9)
    assert ours.likely == pytest.approx(min(2 * theirs.s, ours.worst), rel=1e-6, abs=1e-9)


def test_the_gap_against_ten_thousand_frames():
    """Cut rails, join them, measure the canvas wrong: the spread of the true gap is what the sheet says."""
    p = plan(job(canvas(width_middle=reading(412))))
    gap = p.desk.sheet["gap.left.middle"]
    rng = np.random.default_rng(7)
    n = 40_000
    rectangle = lambda half: rng.uniform(-half, half, n)  # noqa: E731
    true_width = 412 + rectangle(0.5)
    cut = 442 + rectangle(0.3)
    inside = cut - 18 + rectangle(0.3)
    gaps = (inside - true_width) / 2
    assert gaps.mean() == pytest.approx(gap.value, abs=0.01)
    assert 2 * gaps.std() == pytest.approx(gap.likely, rel=0.03)
    assert np.abs(gaps - gap.value).max() <= gap.worst + 1e-9


def test_pinning_a_frame_takes_the_cutters_error_out():
    before = plan().desk.sheet["gap.left.middle"].likely
    pins = [Edit(at="pins/frame.inside_width.middle", to={"mm": 424, "tool": "caliper"})]
    assert plan(job(), None, *pins).desk.sheet["gap.left.middle"].likely < before
