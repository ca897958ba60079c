"""Stretching: bars, cloth, bleed, braces, corners and the order of the staples."""

import math
from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.sums.bending import braces_wanted, clamped_mm, hinged_mm, inertia, longest_span
from shadbo.core.sums.stretch import staple_order
from tests.flat import detail, job, plan, value


def loose(w: float = 900, h: float = 600, margin: float = 120, **more: Any) -> dict:
    return detail("loose canvas", w, h, margin=margin, **more)


def mm(x: float) -> dict:
    return {"mm": x, "typed": f"{x:g}"}


def test_the_worked_cloth():
    """Face 900 × 600, bar 38, return 30, pull 15: 1066 × 766."""
    p = plan(job("floater", loose(bar_depth=mm(38), back_return=mm(30), pull=mm(15))))
    assert (value(p, "stretch.cloth_width"), value(p, "stretch.cloth_height")) == (1066, 766)
    assert value(p, "stretch.bar_width") == 899, "the face less two thicknesses of cloth"
    assert value(p, "stretch.corner") == pytest.approx(math.sqrt(2) * 38 + 12)
    assert round(value(p, "stretch.corner")) == 66


def test_a_print_gets_its_bleed_and_a_continued_picture_loses_its_rim():
    printed = plan(job("floater", loose(printed=True, bar_depth=mm(38))))
    assert value(printed, "stretch.file_width") == 900 + 2 * (38 + 3)
    eaten = plan(job("floater", loose(edge="continued", bar_depth=mm(38))))
    assert value(eaten, "stretch.face_width") == 900 - 2 * 38
    assert value(eaten, "stretch.spare_width") > value(plan(job("floater", loose(bar_depth=mm(38)))),
                                                       "stretch.spare_width")  # fmt: skip


def test_the_stretched_canvas_goes_into_every_canvas_display():
    for display in ("floater", "plain floater", "canvas frame"):
        p = plan(job(display, loose(600, 500)))
        assert value(p, "canvas.width") == pytest.approx(value(p, "stretch.bar_width") + 3)
        assert {part.name for part in p.assembly.parts} >= {"stretcher bar, top and bottom"}


@pytest.mark.parametrize(("length", "bow"), [(600, 0.34), (900, 1.74), (1200, 5.49)])
def test_the_worked_bows(length: float, bow: float):
    """Depth 18, face 45, pine of 9000 MPa, 0.25 N/mm."""
    assert hinged_mm(0.25, length, 9000, inertia(18, 45)) == pytest.approx(bow, abs=0.006)
    assert clamped_mm(0.25, length, 9000, inertia(18, 45)) == pytest.approx(bow / 5, abs=0.002)


def test_practice_of_bracing():
    assert [braces_wanted(x, 750, 1500) for x in (700, 750, 760, 1500, 1600)] == [0, 0, 1, 1, 2]


@given(st.floats(300, 2000), st.lists(st.floats(0.2, 0.8), max_size=3))
def test_a_brace_never_lengthens_a_span(length: float, places: list[float]):
    from shadbo.core.pieces.pieces import Brace
    from shadbo.core.shop.values import Length

    braces = [Brace(id=f"b{i}", at=Length(mm=x * length)) for i, x in enumerate(places)]
    bare = longest_span(length, 45, [], "down")
    assert longest_span(length, 45, braces, "down") <= bare
    assert longest_span(length, 45, braces, "across") == bare


@given(st.floats(120, 2400), st.floats(120, 2400), st.floats(35, 60))
def test_staples_go_from_the_middle_out_in_opposite_pairs(width: float, height: float, apart: float):
    order = staple_order(width, height, apart)
    assert [s.number for s in order] == list(range(1, len(order) + 1))
    assert [s.side for s in order[:4]] == ["top", "bottom", "left", "right"]
    assert all(s.from_middle_mm == 0 for s in order[:4])
    for side, other in (("top", "bottom"), ("left", "right")):
        here = sorted(s.from_middle_mm for s in order if s.side == side)
        there = sorted(s.from_middle_mm for s in order if s.side == other)
        assert here == there, "opposite sides are alike"
        assert here == pytest.approx([-x for x in reversed(here)]), "both ways from the middle"
        assert max(b - a for a, b in pairwise(here)) <= apart + 1e-6
    last = order[-8:]
    assert {abs(s.from_middle_mm) for s in last} == {
        max(abs(s.from_middle_mm) for s in order if s.side in ("top", "bottom")),
        max(abs(s.from_middle_mm) for s in order if s.side in ("left", "right")),
    }, "the corners come last"
