"""Lengths against Pint, which knows the inch of ISO 80000-3 (25.4 mm exactly, 1959 agreement)."""

from fractions import Fraction

import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import GRAVITY_N_PER_KG, KG, N
from shadbo.core.words.lengths import Mark, parse
from shadbo.core.words.words import value_text

UREG: pint.UnitRegistry = pint.UnitRegistry()
NAMES = {"mm": "millimetre", "cm": "centimetre", "m": "metre", "in": "inch", '"': "inch"}


@given(st.decimals(0, 300, places=3), st.sampled_from(sorted(NAMES)))
def test_decimals_with_a_unit(number, unit: str):
    theirs = UREG.Quantity(float(number), NAMES[unit]).to("millimetre").magnitude
    if theirs <= 20_000:
        assert parse(f"{number:f}{unit}", "mm") == pytest.approx(theirs, rel=1e-12, abs=1e-12)


@given(st.integers(0, 30), st.integers(0, 11), st.integers(1, 31))
def test_feet_inches_and_thirty_seconds(feet: int, inches: int, part: int):
    fraction = Fraction(part, 32)
    theirs = feet * UREG.foot + (inches + float(fraction)) * UREG.inch
    typed = f"{feet}' {inches} {fraction}\"" if feet else f"{inches} {fraction}"
    assert parse(typed, "mm") == pytest.approx(theirs.to("millimetre").magnitude)


def test_standard_gravity():
    assert UREG.Quantity(1, "standard_gravity").to("newton/kilogram").magnitude == GRAVITY_N_PER_KG


@given(st.floats(0.1, 60))
def test_pounds_and_pound_forces(kg: float):
    sheet = Sheet()
    mark = Mark.named("1/16 in")
    pounds = UREG.Quantity(kg, "kilogram").to("pound").magnitude
    told = value_text(sheet.number(kg, KG), mark).inch
    if pounds >= 1:
        assert told == f"{pounds:.1f} lb"
    else:
        assert UREG(told).to("ounce").magnitude == pytest.approx(16 * pounds, abs=0.051)
    force = UREG.Quantity(kg * 9.80665, "newton").to("pound_force").magnitude
    assert float(value_text(sheet.number(kg * 9.80665, N), mark).inch.split()[0]) == pytest.approx(force, abs=0.51)
