"""Outlines, offsets, strips and letters against a general geometry library (Shapely, on GEOS)."""

from itertools import combinations
from math import cos, hypot, pi, sin

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from shapely import box as rectangle
from shapely import get_parts, make_valid
from shapely.affinity import scale
from shapely.geometry import Point, Polygon
from shapely.geometry.polygon import orient
from shapely.ops import unary_union

from shadbo.core.cutting.mat_lines import mats_of
from shadbo.core.pieces.outlines import garment_lines
from shadbo.core.shapes.letters import GLYPHS, lettering
from shadbo.core.shapes.polygon import (
    CORNERS,
    apart,
    area,
    area_in,
    disjoint,
    holds,
    is_rect,
    mirrored,
    offset,
    overlap,
    stepped,
)
from shadbo.core.solids.body import Body, Prism
from shadbo.core.solids.space import Space
from tests.core.test_box_slips import PHOTO, jersey
from tests.flat import plan

NOTCHES = st.dictionaries(st.sampled_from(CORNERS), st.tuples(st.integers(20, 90), st.integers(20, 90)))
STEPPED = st.builds(stepped, st.integers(220, 800), st.integers(220, 800), NOTCHES)
RADII = st.lists(st.integers(20, 200), min_size=3, max_size=8)
RINGS = RADII.map(lambda radii: tuple((r * cos(2 * pi * i / len(radii)), r * sin(2 * pi * i / len(radii)))
                                      for i, r in enumerate(radii)))  # fmt: skip
"""Outlines without crossings, convex and not: a radius in each of some directions."""


@given(STEPPED, st.floats(0.5, 8))
@settings(max_examples=80, deadline=None)
def test_a_mitred_offset_is_the_librarys(ring, by):
    mine = Polygon(offset(ring, by))
    theirs = Polygon(ring).buffer(by, join_style="mitre", mitre_limit=5)
    assert mine.symmetric_difference(theirs).area == pytest.approx(0, abs=1e-6)
    inner = Polygon(offset(ring, -by))
    assert inner.symmetric_difference(Polygon(ring).buffer(-by, join_style="mitre")).area == pytest.approx(
        0, abs=1e-6
    )


@given(RINGS)
@settings(max_examples=80, deadline=None)
def test_area_and_mirror_of_any_outline(dots):
    shape = Polygon(dots)
    assert abs(area(tuple(dots))) == pytest.approx(shape.area)
    back = Polygon(mirrored(tuple(dots)))
    assert back.symmetric_difference(scale(shape, -1, 1, origin=(0, 0))).area == pytest.approx(0, abs=1e-6)
    assert (area(mirrored(tuple(dots))) > 0) is (area(tuple(dots)) > 0)


@given(RINGS, RINGS, st.integers(-300, 300))
@settings(max_examples=120, deadline=None)
def test_distance_between_outlines_and_whether_they_overlap(one, other, along):
    a, b = Polygon(one), Polygon([(x + along, y) for x, y in other])
    mine = apart(tuple(one), tuple((x + along, y) for x, y in other))
    if a.intersection(b).area > 1:
        assert mine < 0
    elif a.distance(b) > 1e-6:
        assert mine == pytest.approx(a.distance(b))


@given(RINGS, st.tuples(st.floats(-210, 210), st.floats(-210, 210)))
@settings(max_examples=80, deadline=None)
def test_whether_a_point_lies_inside(dots, at):
    shape = Polygon(dots)
    assume(shape.boundary.distance(Point(at)) > 1e-6)
    assert holds(tuple(dots), at) is shape.contains(Point(at))


@pytest.mark.parametrize("sign", sorted(GLYPHS))
def test_letters_are_whole_outlines_and_bridges_leave_no_island(sign: str):
    loose, held = lettering(sign, 70), lettering(sign, 70, 4)
    for ring in (*loose.rings, *held.rings):
        assert Polygon(ring).is_valid
    cut = unary_union([Polygon(r) for r in loose.rings]).difference(unary_union([Polygon(r) for r in loose.holes]))
    filled = sum(row.count("#") for row in GLYPHS[sign].split())
    assert cut.area == pytest.approx(filled * 100)
    assert len(loose.holes) == loose.islands
    board = Polygon([(-100, -100), (100, -100), (100, 100), (-100, 100)])
    parts = [Polygon(r) for r in loose.rings]
    assert all(a.distance(b) > 1 for a, b in combinations(parts, 2)), "strokes that meet share a side"
    left = board.difference(unary_union([Polygon(r) for r in held.rings]))
    assert left.geom_type == "Polygon", "the board stays in one piece"


@given(st.integers(300, 800), st.integers(300, 900), st.floats(0.5, 1), st.sampled_from(["none", "spread", "folded"]))
@settings(max_examples=60, deadline=None)
def test_a_shirt_has_a_whole_outline_of_its_own_size(width, height, share, sleeves):
    ring, seams = garment_lines(width, height, width * share, sleeves)
    shape = orient(Polygon(ring))
    assert shape.is_valid
    left, low, right, high = shape.bounds
    assert (right - left, high - low) == (pytest.approx(width, rel=0.02), pytest.approx(height))
    for seam in seams:
        middle = [(a + b) / 2 for a, b in zip(*seam.ends, strict=True)]
        assert shape.boundary.distance(Point(middle)) < 1e-6, "seams follow the outline"
        (ax, ay), (bx, by) = seam.ends
        long = hypot(bx - ax, by - ay)
        inside = Point(
            middle[0] - seam.inside * (by - ay) / long * 0.01, middle[1] + seam.inside * (bx - ax) / long * 0.01
        )
        assert shape.contains(inside), (
            f"{seam.name}: the garment lies on its {'left' if seam.inside > 0 else 'right'}"
        )


GRID = st.tuples(st.integers(0, 5), st.integers(0, 5), st.integers(1, 5), st.integers(1, 5))
NOTCHED = st.dictionaries(st.sampled_from(CORNERS), st.sampled_from([(1, 1), (2, 1), (1, 2)]), max_size=3)


@given(GRID, GRID, NOTCHED, NOTCHED)
@settings(max_examples=400, deadline=None)
def test_outlines_that_share_lines_overlap_only_where_the_library_says(one, other, steps, more):
    """On a grid sides lie along each other and corners on sides: as when pieces stand in a row."""
    rings = []
    for (x, y, w, h), notches in ((one, steps), (other, more)):
        ring = stepped(2 * w + 4, 2 * h + 4, notches)
        rings.append(tuple((px + 2 * x, py + 2 * y) for px, py in ring))
    a, b = map(Polygon, rings)
    assert (overlap(*rings) > 0) is (a.intersection(b).area > 1e-6)
    if not a.intersects(b):
        assert apart(*rings) == pytest.approx(a.distance(b))


def test_strips_of_a_stepped_mat():
    for mat in mats_of(plan(jersey({"detail": PHOTO, "name": "one"}, {"detail": PHOTO, "name": "two"}))):
        assert len(mat.windows) > 1
        for a, b in combinations(mat.windows, 2):
            assert apart(a.ring, b.ring) == pytest.approx(Polygon(a.ring).distance(Polygon(b.ring)))


DOTS = st.lists(st.tuples(st.integers(-20, 20), st.integers(-20, 20)), min_size=3, max_size=8, unique=True)


@given(DOTS, st.tuples(*[st.integers(-20, 18)] * 2, *[st.sampled_from((0.5, 1, 3, 9))] * 2))
@settings(max_examples=300, deadline=None)
def test_a_prism_covers_a_box_where_the_library_says_so(dots, at):
    """However many corners the outline has, and however it is bent."""
    x, y, w, h = at
    outline = Polygon(dots)
    assume(outline.is_valid and outline.area > 1 and not is_rect(dots))
    space = Space([Body("a", "a", "board", (Prism(tuple(dots), 0, 1),), "a")])
    assert space.covers(0, (x, y, x + w, y + h)) is outline.buffer(1e-5).covers(rectangle(x, y, x + w, y + h))


@given(DOTS, DOTS)
@settings(max_examples=200, deadline=None)
def test_outlines_touch_and_overlap_where_the_library_says_so(one, other):
    """Those that cross themselves too: what their odd parts make; a line that sticks out of them is nothing."""
    a, b = (unary_union([g for g in get_parts(make_valid(Polygon(x))) if g.area > 0]) for x in (one, other))
    assume(min(a.area, b.area) > 0)
    assert disjoint(tuple(one), tuple(other)) is a.disjoint(b)
    assert (overlap(tuple(one), tuple(other)) > 0) is (a.intersection(b).area > 1e-6)
    assert area_in(tuple(one)).area == pytest.approx(a.area)


@given(RINGS)
@settings(max_examples=100, deadline=None)
def test_an_outline_is_handed_over_dot_by_dot(ring):
    assert area_in(ring).equals_exact(Polygon(ring), 0)
    assert [area_in(ring[:n]).is_empty for n in range(3)] == [True] * 3
