"""Hanging where there is no rail: strips, a ledge, a cord; and what a recipient asks for."""

import math

import pytest

from shadbo.core.decisions.edit import Edit
from shadbo.core.stations import stations
from tests.flat import detail, job, plan, value
from tests.making import codes, length


def rows(p, station: str) -> dict[str, str]:
    here = next(s for s in stations(p) if s.name == station)
    return {q.label: q.value.mm for q in here.questions if q.value}


def test_strips_by_weight_factor_and_rating_even_and_in_the_corners():
    """n = ceil(weight · factor ÷ rating), even (common practice, no source)."""
    p = plan(job("backed", "puzzle", worth="everyday", weight_kg=2.2))
    weight = p.hang.weight.value
    assert value(p, "strips.count") == 2 * math.ceil(math.ceil(weight * 5 / 1.8) / 2)
    xs, ys = {abs(x) for x, _ in p.hang.places}, [y for _, y in p.hang.places]
    assert xs == {480 / 2 - 20}
    assert max(ys) == 340 / 2 - 20
    assert sorted(ys) == pytest.approx(sorted(-y for y in ys))


def test_a_ledge_carries_the_lower_edge():
    p = plan(job("backed", "puzzle", {"backed": {"hung": "ledge"}}, worth="everyday"))
    assert p.hang.kind == "ledge"
    assert rows(p, "hang")["Ledge above the floor"] == "1330 mm"


def test_a_cord_over_one_hook_pulls_by_its_slope():
    p = plan(job("poster rails", detail("paper", 500, 700, 0.2)))
    load = value(p, "hang.load")
    half, rise = value(p, "wire.span") / 2, value(p, "wire.rise")
    assert value(p, "wire.tension") == pytest.approx(load / (2 * math.sin(math.atan(rise / half))))
    assert value(p, "hang.hook") == pytest.approx(1500 + value(p, "frame.outside_height") / 2 + rise)
    flat = plan(job("poster rails", detail("paper", 500, 700, 0.2)), length("hanging/rise", 20))
    assert value(flat, "wire.tension") > value(p, "wire.tension")


def test_only_the_ways_that_a_display_allows_are_offered():
    def offered(p) -> set[str]:
        here = next(s for s in stations(p) if s.name == "hang")
        return {c.to for q in here.questions if q.at == "hanging/kind" for c in q.choices if c.to}

    assert offered(plan(job("backed", "puzzle", worth="everyday"))) == {"strips", "ledge"}
    assert offered(plan(job("poster rails", "paper"))) == set(), "there is one way, so nothing is asked"
    assert "strips" not in offered(plan(job("window mat", "paper"))), "never for glazed work"


def test_a_kind_decided_elsewhere_does_not_follow_where_it_cannot_hang():
    p = plan(job("backed", "puzzle", worth="everyday"), Edit(at="hanging/kind", to="wire"))
    assert p.hang.kind == "strips"
    q = plan(job("window mat", "paper"), Edit(at="hanging/kind", to="strips"))
    assert q.hang.kind in ("wire", "plate", "straps")


def test_a_slanted_hole_is_for_the_lightest():
    light = job("canvas frame", detail("panel", 150, 200, 3))
    assert "hang.hole" not in codes(plan(light, Edit(at="hanging/kind", to="slanted hole")))
    heavy = plan(job("window mat", "paper"), Edit(at="hanging/kind", to="slanted hole"))
    assert codes(heavy)["hang.hole"] == "stop"


@pytest.mark.parametrize(
    ("demand", "edit", "broken"),
    [
        ("no wire", Edit(at="hanging/kind", to="wire"), True),
        ("no wire", Edit(at="hanging/kind", to="straps"), False),
        ("two fixed points", Edit(at="hanging/kind", to="plate"), True),
        ("two fixed points", Edit(at="hanging/kind", to="cleat"), False),
        ("sealed back", Edit(at="options/window_mat/back", to="tape"), True),
        ("sealed back", Edit(at="options/window_mat/back", to="sealed paper"), False),
        ("acrylic only", Edit(at="hanging/place", to="here"), False),
    ],
)
def test_what_the_recipient_asks(demand: str, edit: Edit, broken: bool):
    p = plan(job("window mat", "paper"), Edit(at="hanging/demands", to=[demand]), edit)
    assert ("recipient.asks" in codes(p)) == broken


def test_the_recipient_s_wish_chooses_for_the_plan():
    asked = plan(job("window mat", "paper"), Edit(at="hanging/demands", to=["no wire"]))
    assert asked.hang.kind == "straps"
    acrylic = plan(job("window mat", "paper"), Edit(at="hanging/demands", to=["acrylic only"]))
    assert next(x for x in acrylic.assembly.by_role("glazing")).sheet.kind == "acrylic"
