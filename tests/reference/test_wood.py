"""Moisture and movement of wood, against the Wood Handbook (FPL-GTR-282)."""

import pytest

from shadbo.core.sums.bending import clamped_mm, hinged_mm, inertia
from shadbo.core.sums.movement import TANGENTIAL, moisture_percent, swelling_mm

TABLE_4_2 = (1.3, 2.5, 3.5, 4.5, 5.4, 6.2, 6.9, 7.7, 8.5, 9.2, 10.1, 11.0, 12.0, 13.1, 14.4, 16.0, 17.9, 20.5, 23.9)
"""Equilibrium moisture at 70 °F for 5 to 95 % of humidity in steps of 5: Wood Handbook, table 4-2.

Quoted from memory of the source; it was checked by the equation 4-5 of the same book, which gives every
figure to 0.06.
"""


@pytest.mark.parametrize(("rh", "moisture"), list(zip(range(5, 100, 5), TABLE_4_2, strict=True)))
def test_moisture_at_seventy_fahrenheit(rh: int, moisture: float):
    assert moisture_percent((70 - 32) / 1.8, rh) == pytest.approx(moisture, abs=0.06)


TABLE_13_5 = {
    "red oak": (0.00158, 0.00369),
    "white oak": (0.00180, 0.00365),
    "black walnut": (0.00190, 0.00274),
    "sugar maple": (0.00165, 0.00353),
    "black cherry": (0.00126, 0.00248),
    "yellow-poplar": (0.00158, 0.00289),
    "white ash": (0.00169, 0.00274),
    "basswood": (0.00230, 0.00330),
    "eastern white pine": (0.00071, 0.00212),
}
"""Radial and tangential change by per cent of moisture: Wood Handbook, table 13-5, from memory."""


def test_coefficients_of_dimensional_change():
    assert TABLE_13_5 == TANGENTIAL
    for radial, tangential in TANGENTIAL.values():
        assert radial < tangential, "wood moves more along the rings than across them"


def test_a_rail_swells_by_the_handbook_s_equation():
    """ΔD = D · C · ΔM (Wood Handbook, chapter 13): 100 mm of red oak, flat sawn, 8 to 11 %: 1.11 mm."""
    assert swelling_mm(100, TANGENTIAL["red oak"][1], 8, 11) == pytest.approx(1.107)
    assert swelling_mm(100, 0.00369, 3, 20) == swelling_mm(100, 0.00369, 6, 14), "valid from 6 to 14 %"


def test_beams_by_integration():
    """Elastic line of an evenly loaded beam (Euler and Bernoulli), integrated by a general library."""
    from scipy.integrate import solve_bvp

    w, length, e, i = 0.25, 900.0, 9000.0, inertia(18, 45)
    for closed, ends in ((hinged_mm, "hinged"), (clamped_mm, "clamped")):

        def beam(_, y):
            return [y[1], y[2], y[3], y[0] * 0 + w / (e * i)]

        def held(a, b, ends=ends):
            return [a[0], b[0], a[2], b[2]] if ends == "hinged" else [a[0], b[0], a[1], b[1]]

        import numpy as np

        x = np.linspace(0, length, 41)
        solved = solve_bvp(beam, held, x, np.zeros((4, 41)))
        assert solved.sol(length / 2)[0] == pytest.approx(closed(w, length, e, i), rel=1e-4)


def test_bottom_rail_under_a_heavy_package():
    """Worked: 112 N on 1300 mm, face 20, depth 30, pine: 3.6 to 17.8 mm. Plain statics."""
    i = inertia(30, 20)
    assert clamped_mm(112 / 1300, 1300, 9000, i) == pytest.approx(3.56, abs=0.02)
    assert hinged_mm(112 / 1300, 1300, 9000, i) == pytest.approx(17.8, abs=0.05)
