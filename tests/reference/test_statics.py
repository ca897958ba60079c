"""Hanging against statics done another way, and screw withdrawal against the handbook's equation."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.sums.hang import tension, wire_angle_deg, withdrawal


@given(st.floats(1, 400), st.floats(200, 2000), st.floats(5, 500))
def test_forces_at_the_hook_are_in_balance(weight: float, span: float, rise: float):
    """Solve the joint at the hook as a system of two equations (method of joints)."""
    left, right = np.array([-span / 2, -rise]), np.array([span / 2, -rise])
    unit = np.column_stack([left / np.linalg.norm(left), right / np.linalg.norm(right)])
    pulls = np.linalg.solve(unit, np.array([0.0, -weight]))
    assert pulls == pytest.approx([tension(weight, span, 0, rise)] * 2, rel=1e-9)


@given(st.floats(1, 400), st.floats(300, 2000), st.floats(5, 500), st.floats(0.05, 0.9))
def test_two_hooks_share_the_weight(weight: float, span: float, rise: float, part: float):
    apart = span * part
    reach = (span - apart) / 2
    upright = tension(weight, span, apart, rise) * rise / np.hypot(reach, rise)
    assert 2 * upright == pytest.approx(weight, rel=1e-9)
    assert np.tan(np.radians(wire_angle_deg(span, apart, rise))) == pytest.approx(rise / reach)


def test_withdrawal_of_a_wood_screw():
    """Wood Handbook, FPL-GTR-282, ch. 8: p = 108.25 · G² · D · L (N, mm); its value for pine from memory."""
    assert withdrawal(0.42, 4, 12) == pytest.approx(917, abs=1)


@given(st.floats(0.3, 0.8), st.floats(2, 6), st.floats(6, 60))
def test_withdrawal_against_the_inch_pound_form(gravity: float, diameter: float, threaded: float):
    """The same chapter gives p = 15 700 · G² · D · L in pounds and inches (from memory): the two agree to 0.1 %."""
    pounds = 15_700 * gravity**2 * (diameter / 25.4) * (threaded / 25.4)
    assert withdrawal(gravity, diameter, threaded) == pytest.approx(pounds * 4.4482216, rel=2e-3)
