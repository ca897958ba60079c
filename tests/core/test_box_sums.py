"""Small sums of boxes as properties: rows of lamps, dowels, joints, what snaps, what a table gives."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.shapes.artwork import Artwork, brought_to
from shadbo.core.shapes.polygon import area, clear, overlap
from shadbo.core.sums import joints
from shadbo.core.sums.lamps import rows_of, watts
from shadbo.core.sums.pegs import hole_depth, most_diameter, stress_mpa
from shadbo.files.stock_table import stock_csv, stock_table
from tests.flat import SHOP

SIZE = st.floats(20, 2000)


@given(SIZE, SIZE, st.floats(10, 200), st.floats(3, 60), st.sampled_from([25.0, 50.0, 100.0]))
def test_rows_are_whole_cutting_lengths_and_no_farther_apart_than_asked(width, height, apart, pitch, cut):
    rows = rows_of(width, height, apart, pitch, cut)
    assert rows.each_mm / cut == pytest.approx(round(rows.each_mm / cut))
    assert rows.each_mm <= max(width, cut) + 1e-6
    assert height / rows.count <= apart + 1e-6
    assert rows.pitch_mm >= pitch
    assert watts(rows.total_mm, 4.8) == pytest.approx(rows.count * rows.each_mm * 0.0048)


@given(st.floats(4, 200), st.floats(5, 100), st.floats(3, 60))
def test_a_dowel_leaves_its_wood_and_its_holes_their_bottoms(thick, gap, stock):
    d = most_diameter(thick)
    assert (thick - d) / 2 >= d - 1e-9, "a diameter of wood on either side at least"
    deep = hole_depth(d, stock)
    assert deep <= stock * 2 / 3 + 1e-9


@given(st.floats(0.5, 50), st.floats(5, 100), st.floats(3, 20))
def test_bending_grows_with_load_and_reach_and_falls_with_the_cube(force, gap, d):
    one = stress_mpa(force, gap, d)
    assert stress_mpa(2 * force, gap, d) == pytest.approx(2 * one)
    assert stress_mpa(force, 2 * gap, d) == pytest.approx(2 * one)
    assert stress_mpa(force, gap, 2 * d) == pytest.approx(one / 8)


@given(st.floats(10, 120), st.floats(0.01, 1))
def test_the_last_mitre_opens_with_the_face_and_the_error(face, error):
    gap = joints.gap_of_error(face, error)
    assert gap == pytest.approx(8 * math.radians(error) * joints.mitre(face))
    assert joints.gap_of_error(2 * face, error) == pytest.approx(2 * gap)


@given(st.floats(20, 150))
def test_a_biscuit_that_is_taken_fits_its_mitre(face):
    biscuit = joints.biscuit_for(face)
    if biscuit is None:
        return
    middle = joints.biscuit_from_point(biscuit.slot, joints.LIP_LEFT_MM)
    assert middle + biscuit.length / 2 + joints.LIP_LEFT_MM <= joints.mitre(face) + 1e-9
    assert (middle - biscuit.slot) / math.sqrt(2) >= joints.LIP_LEFT_MM - 1e-9, "wood left to the outer face"


RECT = st.tuples(st.floats(-200, 200), st.floats(-200, 200), st.floats(5, 200), st.floats(5, 200))


def ring(x: float, y: float, w: float, h: float) -> tuple:
    return ((x, y), (x + w, y), (x + w, y + h), (x, y + h))


@given(RECT, RECT)
def test_overlap_of_rectangles_is_the_way_out_of_it(a, b):
    across = min(a[0] + a[2], b[0] + b[2]) - max(a[0], b[0])
    down = min(a[1] + a[3], b[1] + b[3]) - max(a[1], b[1])
    deep = overlap(ring(*a), ring(*b))
    if across > 1e-3 and down > 1e-3:
        push = [min(a[i] + a[i + 2] - b[i], b[i] + b[i + 2] - a[i]) for i in (0, 1)]
        assert deep == pytest.approx(min(push)), "how far one must move to be free"
        assert not clear(ring(*a), ring(*b), 0.001)
    elif across < -1e-6 or down < -1e-6:
        assert deep == 0
        assert clear(ring(*a), ring(*b), 0.0)


@given(st.floats(1, 500), st.floats(1, 500))
def test_artwork_keeps_its_shape_at_any_size(w, h):
    art = Artwork(rings=(((0.0, 0.0), (w, 0.0), (w, h), (0.0, h)),))
    small, large = brought_to(art, 50), brought_to(art, 150)
    assert area(large.rings[0]) == pytest.approx(9 * area(small.rings[0]))
    assert small.height / small.width == pytest.approx(h / w)


@given(st.floats(1, 200), st.floats(1, 30))
def test_a_moulding_goes_through_a_table_unchanged(face, price):
    head = "type;id;name;face_mm;height_mm;rabbet_mm;lip_mm;price_per_m\n"
    cells = f"{face + 10:g}".replace(".", ","), f"{price:.2f}".replace(".", ",")
    taken, after = stock_table(head + f"moulding;m;M;{cells[0]};60;50;5;{cells[1]}\n", SHOP.stock)
    assert taken.wrong == ()
    again, twice = stock_table(stock_csv(after), after)
    assert again.wrong == ()
    mine, theirs = (next(f for f in s.frames if f.id == "m") for s in (after, twice))
    assert theirs.face_mm == pytest.approx(mine.face_mm, rel=1e-5)
    assert theirs.price_per_m == pytest.approx(mine.price_per_m, rel=1e-5)
