"""Robust estimates against another library's: SciPy's deviation and NumPy's quantiles."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy import stats

from shadbo.core.learned.robust import reach, spread

VALUES = st.lists(st.floats(-50, 50, allow_nan=False), min_size=2, max_size=60)


@given(VALUES)
def test_a_spread_is_scipys_and_numpys(values):
    found = spread(values)
    assert found.median == pytest.approx(float(np.median(values)), abs=1e-9)
    assert found.sigma == pytest.approx(float(stats.median_abs_deviation(values, scale="normal")), rel=1e-4, abs=1e-9)
    assert (found.low, found.high) == pytest.approx(tuple(np.percentile(values, (25, 75))), abs=1e-9)


@given(VALUES, st.floats(0.1, 1.0))
def test_what_most_stay_within_is_a_quantile_of_the_sizes(values, share):
    assert reach(values, share) == pytest.approx(float(np.quantile(np.abs(values), share)), abs=2e-6)


def test_hampels_identifier_keeps_its_half():
    """Of a hundred values half may be wild: the breakdown point of both (Hampel 1974, from memory)."""
    tame = [float(n % 7) for n in range(51)]
    found = spread([*tame, *(1e9 for _ in range(49))])
    assert 0 <= found.median <= 6
    assert found.sigma < 10
