"""What the readings of a canvas say together, and what it weighs."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import StretchedCanvas
from shadbo.core.shop.shop import Practice
from shadbo.core.sums.canvas import canvas_sums
from tests.making import canvas, job, plan, reading, shop

ends = st.floats(-3, 3)


def sums(detail: StretchedCanvas, weighed: float | None = None):
    desk = Desk.lay(job(detail), shop())
    return canvas_sums(desk, detail, weighed), desk.sheet


@given(ends, ends, ends, ends)
def test_the_largest_reading_counts(top: float, middle: float, left: float, right: float):
    detail = canvas(
        w=500 + top,
        width_bottom=reading(500),
        width_middle=reading(500 + middle),
        h=700 + left,
        height_right=reading(700 + right),
    )
    c, _ = sums(detail)
    assert c.width.value == pytest.approx(max(500 + top, 500, 500 + middle))
    assert c.height.value == pytest.approx(max(700 + left, 700 + right))


@given(ends, ends)
def test_taper_and_waist_are_told_apart(taper: float, waist: float):
    middle = 500 + taper / 2 + waist
    c, s = sums(canvas(w=500 + taper, width_bottom=reading(500), width_middle=reading(middle)))
    assert s["canvas.taper_width"].value == pytest.approx(taper, abs=1e-9)
    assert s["canvas.waist_width"].value == pytest.approx(waist, abs=1e-9)
    xs = {name: x.value for name, (x, _) in c.shape.points.items()}
    assert xs["right middle"] - xs["left middle"] == pytest.approx(middle)
    assert xs["top right"] - xs["top left"] == pytest.approx(500 + taper)


def test_without_diagonals_nothing_is_said_of_squareness():
    _, s = sums(canvas())
    assert "canvas.rack" not in s
    assert "canvas.misfit" not in s


def test_one_diagonal_alone_says_nothing_either():
    _, s = sums(canvas(diagonal_up=reading(740)))
    assert "canvas.rack" not in s


@given(st.floats(-6, 6))
def test_the_sign_of_the_rack_is_the_way_the_top_leans(shift: float):
    w, h = 600.0, 400.0
    up = ((w + shift) ** 2 + h**2) ** 0.5
    down = ((w - shift) ** 2 + h**2) ** 0.5
    c, s = sums(canvas(w=w, h=h, diagonal_up=reading(up), diagonal_down=reading(down)))
    assert s["canvas.rack"].value == pytest.approx(shift, abs=1e-6)
    top = (c.shape.points["top left"][0].value + c.shape.points["top right"][0].value) / 2
    bottom = (c.shape.points["bottom left"][0].value + c.shape.points["bottom right"][0].value) / 2
    assert top - bottom == pytest.approx(shift, abs=1e-6)


@given(st.floats(200, 1500), st.floats(200, 1500), st.floats(1, 300))
def test_a_larger_canvas_weighs_more(w: float, h: float, more: float):
    small, large = sums(canvas(w=w, h=h))[0], sums(canvas(w=w + more, h=h))[0]
    assert large.mass.value > small.mass.value > 0


def test_braces_add_to_the_weight_and_the_scale_overrules_all():
    braced = canvas(w=900, h=600, braces=[{"id": "b", "at": {"mm": 450}}])
    assert sums(braced)[0].mass.value > sums(canvas(w=900, h=600))[0].mass.value
    assert sums(braced, 3.4)[0].mass.value == 3.4


@pytest.mark.parametrize(("tool", "half"), [("tape", 1.0), ("rule", 0.5), ("caliper", 0.05), ("eye", 3.0)])
def test_each_tool_has_its_half_width(tool, half: float):
    _, s = sums(canvas().model_copy(update={"depth": reading(38, tool)}))
    assert s["canvas.depth"].worst == half
    assert Practice().half_width_mm(tool) == half


def test_the_frozen_practice_counts_before_the_shops():
    frozen = Practice(recess_mm=7)
    p = plan(job().model_copy(update={"practice": frozen}), shop())
    assert p.desk.sheet["face.wanted"].value == 7


@given(st.floats(1, 2000))
def test_every_reading_reaches_the_sheet_as_it_was_read(mm: float):
    _, s = sums(canvas().model_copy(update={"bar_face": reading(mm)}))
    assert s["canvas.bar_face"].value == mm
    assert s["canvas.bar_face"].kind == "read"
