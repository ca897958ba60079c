import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.decisions.edit import Edit
from shadbo.core.sums import hang
from tests.making import canvas, job, length, plan, shop


@pytest.mark.parametrize(("rise", "newtons"), [(20, 369), (40, 186), (60, 126), (100, 79)])
def test_a_tight_wire_pulls_many_times_the_weight(rise: float, newtons: float):
    assert hang.tension(6 * 9.80665, 500, 0, rise) == pytest.approx(newtons, abs=0.6)


def test_two_hooks_ease_it():
    assert hang.tension(6 * 9.80665, 500, 167, 60) == pytest.approx(87, abs=0.7)


@given(st.floats(1, 300), st.floats(100, 2000), st.floats(5, 400), st.floats(1, 50))
def test_more_rise_never_pulls_harder(weight: float, span: float, rise: float, more: float):
    a, b = hang.tension(weight, span, 0, rise), hang.tension(weight, span, 0, rise + more)
    assert b <= a + 1e-9
    assert a >= weight / 2


def test_a_deep_box_pulls_forward():
    from shadbo.core.sheet.sheet import Sheet
    from shadbo.core.sheet.units import MM, N

    s = Sheet()
    pull = hang.pull_out(s.number(9 * 9.80665, N), s.number(70, MM), s.number(600, MM))
    assert pull.value == pytest.approx(10.3, abs=0.05)


@pytest.mark.parametrize(
    ("kg", "width", "kind"),
    [(1.2, 300, "plate"), (1.2, 600, "wire"), (4, 300, "wire"), (9, 600, "straps"), (4, 1200, "straps")],
)
def test_the_kind_follows_weight_and_size(kg: float, width: float, kind: str):
    p = plan(job(canvas(w=width, h=400), weight_kg=kg))
    assert p.hang.kind == kind
    assert p.hang.reason


def test_the_middle_hangs_at_eye_height():
    for kind in ("wire", "straps"):
        p = plan(job(), shop(), Edit(at="hanging/kind", to=kind), length("hanging/eye", 1450))
        s = p.desk.sheet
        drop = s["hang.down"].value - (s["wire.rise"].value if kind == "wire" else 24)
        top = s["hang.hook"].value + drop
        assert top - s["frame.outside_height"].value / 2 == pytest.approx(1450)


@given(st.floats(200, 900), st.floats(1200, 1700), st.sampled_from(["0.5 mm", "1 mm", "1/16 in"]))
def test_a_hook_is_told_to_the_mark_though_its_sum_has_half_of_one(high: float, eye: float, mark: str):
    p = plan(job(canvas(w=400, h=high)), shop(mark=mark), length("hanging/eye", eye))
    told = p.hang.hook_marked(p.desk.mark).mm
    assert abs(told / p.desk.mark.mm - round(told / p.desk.mark.mm)) < 1e-6
    assert abs(told - p.hang.hook_height.value) <= p.desk.mark.mm / 2 + 1e-9


def test_hangers_sit_a_third_down_at_equal_distances():
    p = plan()
    s = p.desk.sheet
    assert s["hang.down"].value == pytest.approx(643 / 3, abs=0.25)
    (xl, yl), (xr, yr) = p.hang.places
    assert (xl, yl) == (-xr, yr)


def test_screws_go_where_the_wood_is_deep():
    thin = plan()
    assert thin.hang.screws_at == "in the wall of the rail"
    assert thin.hang.inwards.value == 4.5
    assert thin.hang.screw_mm <= 52 - 2


def test_two_hooks_are_taken_where_one_would_be_too_flat():
    p = plan(job(canvas(w=900, h=500), weight_kg=4))
    assert len(p.hang.hooks) == 2
    assert p.hang.angle_deg >= 20


def test_no_wire_where_even_two_hooks_leave_it_flat():
    p = plan(job(canvas(w=950, h=380), weight_kg=4))
    assert p.hang.kind == "straps"
    assert "flat" in p.hang.reason.mm


def test_wire_is_cut_for_its_slant_and_tails():
    p = plan()
    s = p.desk.sheet
    half = s["wire.span"].value / 2
    slanted = 2 * math.hypot(half, s["wire.rise"].value)
    assert s["wire.length"].value == pytest.approx(slanted + 200, abs=0.5)
    assert s["wire.length"].value >= slanted + 200 - 1e-6


def test_the_slack_wire_stays_below_the_top_edge():
    p = plan(job(canvas(w=700, h=300), weight_kg=3), shop(), Edit(at="hanging/kind", to="wire"))
    s = p.desk.sheet
    assert s["hang.down"].value - s["wire.rise"].value >= 50 - 1e-6
