"""The year indoors: seven stops, and what they leave of allowance and hold."""

from itertools import pairwise

import pytest

from shadbo.core.decisions.edit import Edit
from shadbo.core.season import AS_MADE, seasons
from shadbo.core.stations import stations
from shadbo.core.sums.movement import SEASONS, growth_mm
from tests.flat import SHOP, detail, job, plan, value

LARGE = job("window mat", detail("paper", 594, 841, 0.3))


def stops(the_job, *edits):
    p = plan(the_job, *edits)
    return p, seasons(p.desk, "softwood")


def test_seven_stops_from_dry_winter_to_damp_summer():
    _, year = stops(LARGE)
    assert [s.name for s in year] == [s[0] for s in SEASONS]
    assert len(year) == 7
    for one, next_ in pairwise(year):
        assert next_.rh > one.rh
        assert next_.moisture > one.moisture
        assert next_.left_mm < one.left_mm, "the sheet grows into its allowance"
        assert next_.hold_mm > one.hold_mm, "and shrinks from under the lip"
        assert next_.rail_mm >= one.rail_mm


def test_as_made_is_what_was_cut():
    p, year = stops(LARGE)
    made = next(s for s in year if s.name == AS_MADE[0])
    slack = min(value(p, f"fit.rabbet_{a}") - value(p, f"package.{a}") for a in ("width", "height"))
    assert made.left_mm == pytest.approx(slack)
    assert made.rail_mm == 0


def test_the_allowance_lasts_through_the_year():
    p, year = stops(LARGE)
    assert all(s.left_mm > 0 for s in year)
    damp = year[-1]
    grown = growth_mm(max(value(p, "package.width"), value(p, "package.height")), damp.celsius - 20, damp.rh - 50)
    assert damp.left_mm <= value(p, "fit.rabbet_height") - value(p, "package.height") - grown + 1e-6
    assert min(s.hold_mm for s in year) >= value(p, "fit.worst_hold") - 1e-6, "the plan reckons with more than this"


def test_glass_has_no_season():
    glass = next(x for x in SHOP.stock.sheets if x.id == "glass-2").model_dump(mode="json")
    _, year = stops(LARGE, Edit(at="options/window_mat/glazing", to=glass))
    assert year == []
    assert stops(job("floater", "canvas"))[1] == []


def test_the_sizes_station_tells_the_year():
    here = next(s for s in stations(plan(LARGE)) if s.name == "sizes")
    told = [q for q in here.questions if q.label.startswith("In ")]
    assert told[0].label == "In dry winter"
    assert len(told) == 7
    assert all("hold" in q.value.mm and "°C" in q.note.mm for q in told)
