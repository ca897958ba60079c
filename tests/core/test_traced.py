"""A section traced from a photograph: sizes come back from any scale, turn and mirror; what cannot be is refused."""

import math

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from shadbo.core.shapes.traced import FLOATER, FRAME, PLAIN, TRACINGS, BadTrace, remarks, trace
from shadbo.core.shop.boards import FrameProfile
from shadbo.core.words.lengths import Mark

MM = Mark.named("0.5 mm")
LONG = st.floats(4, 80)


def frame_marks(face, height, rabbet, lip):
    return [(0, 0), (face - lip, 0), (face - lip, rabbet), (face, rabbet), (face / 3, height)]


def floater_marks(wall, deep, ledge, thick):
    return [(0, 0), (wall + ledge, 0), (wall + ledge, thick), (wall, thick), (wall, thick + deep)]


def photographed(dots, px_per_mm, turn_deg, mirrored, at=(700, 400)):
    """The dots as a square photograph shows them."""
    c, s = math.cos(math.radians(turn_deg)), math.sin(math.radians(turn_deg))
    flip = -1 if mirrored else 1
    return [(at[0] + px_per_mm * (flip * x * c - y * s), at[1] + px_per_mm * (flip * x * s + y * c)) for x, y in dots]


@given(LONG, LONG, LONG, LONG, st.floats(5, 40), st.floats(0, 360), st.booleans(), st.integers(0, 3))
def test_a_frame_comes_back_whatever_way_it_lies(wall, front, rabbet, lip, scale, turn, mirrored, known):
    sizes = {"face_mm": wall + lip, "height_mm": front + rabbet, "rabbet_mm": rabbet, "lip_mm": lip}
    marks = photographed(frame_marks(*sizes.values()), scale, turn, mirrored)
    field = list(sizes)[known]
    got = trace(FRAME, marks, field, sizes[field])
    assert got.sizes_mm == pytest.approx(sizes, rel=1e-6)
    assert got.slant_deg == pytest.approx(0, abs=1e-6)
    FrameProfile(id="traced", name="Traced", **got.sizes_mm)
    corner = photographed([(wall + lip, front + rabbet)], scale, turn, mirrored)[0]
    assert min(math.dist(corner, dot) for dot in got.outline) == pytest.approx(0, abs=1e-4)


@given(LONG, LONG, LONG, LONG, st.floats(5, 40), st.floats(0, 360), st.booleans(), st.integers(0, 3))
def test_a_floater_comes_back_whatever_way_it_lies(wall, deep, ledge, thick, scale, turn, mirrored, known):
    sizes = {"wall_mm": wall, "inside_depth_mm": deep, "ledge_mm": ledge, "ledge_thick_mm": thick}
    field = list(sizes)[known]
    got = trace(FLOATER, photographed(floater_marks(*sizes.values()), scale, turn, mirrored), field, sizes[field])
    assert got.sizes_mm == pytest.approx(sizes, rel=1e-6)
    assert {(round(x, 3), round(y, 3)) for x, y in got.outline} >= {
        (round(x, 3), round(y, 3))
        for x, y in photographed([(0, 0), (wall, thick), (wall, thick + deep)], scale, turn, mirrored)
    }


@given(st.lists(st.tuples(st.floats(-1.5, 1.5), st.floats(-1.5, 1.5)), min_size=5, max_size=5))
def test_marks_set_a_little_off_stay_within_what_is_said(off):
    sizes = {"face_mm": 32.0, "height_mm": 28.0, "rabbet_mm": 18.0, "lip_mm": 7.0}
    right = photographed(frame_marks(*sizes.values()), 20, 17, False)
    marks = [(x + a, y + b) for (x, y), (a, b) in zip(right, off, strict=True)]
    got = trace(FRAME, marks, "face_mm", 32.0)
    for field, mm in sizes.items():  # two marks, and the scale and direction, which are marked too
        assert abs(got.sizes_mm[field] - mm) <= 3.2 * got.give_or_take_mm


SPOTS = st.tuples(st.integers(0, 60), st.integers(0, 60))


@given(
    st.sampled_from(sorted(TRACINGS)),
    st.lists(SPOTS, min_size=5, max_size=5),
)
def test_any_marks_give_sizes_that_are_more_than_nothing_or_a_reason(home, marks):
    tracing = TRACINGS[home]
    why = ""
    try:
        got = trace(tracing, marks[: len(tracing.spots)], next(iter(tracing.sizes)), 20.0)
    except BadTrace as bad:
        why = str(bad)
    if why:
        assert "mark" in why or "square" in why
    else:
        assert all(mm > 0 for mm in got.sizes_mm.values())
        assert got.slant_deg <= 12


def test_a_slanted_photograph_is_told_and_a_worse_one_refused():
    marks = [(0, 0), (400, 0), (400 + 25, 250), (520, 250), (100, 400)]
    told = remarks(trace(FRAME, marks, "face_mm", 30.0), MM)
    assert "6° off square" in told[1].mm
    with pytest.raises(BadTrace, match="squarely"):
        trace(FRAME, [(0, 0), (400, 0), (480, 250), (620, 250), (100, 400)], "face_mm", 30.0)
    assert len(remarks(trace(PLAIN, [(0, 0), (100, 0), (100, 100)], "face_mm", 20.0), MM)) == 1


@given(st.floats(0.5, 4))
def test_a_coarser_look_is_less_sure(px_seen):
    assume(px_seen > 1.01)
    marks = [(0, 0), (100, 0), (100, 100)]
    fine, coarse = (trace(PLAIN, marks, "face_mm", 20.0, px).give_or_take_mm for px in (1.0, px_seen))
    assert coarse == pytest.approx(fine * px_seen)
