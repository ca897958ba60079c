"""Placement and gaps against Shapely's polygons, and the linear programme against a search and a second solver."""

import itertools
import math
from concurrent.futures import ThreadPoolExecutor

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import linprog, minimize
from shapely import LineString, Point, Polygon
from shapely.affinity import rotate, translate

from shadbo.core.drawing.outlines import seen_of
from shadbo.core.sums.programme import Row, least
from shadbo.core.sums.square import second_diagonal
from tests.making import DEEP, canvas, job, plan, reading, shop

offsets = st.floats(-4, 4)


def racked(w, h, dw, dh, shift):
    """A canvas whose readings are taken from a real quadrilateral, so that they agree."""
    ring = [(-w / 2 + shift, h / 2), (w / 2 + shift + dw, h / 2 + dh), (w / 2, -h / 2), (-w / 2, -h / 2)]
    tl, tr, br, bl = (Point(*xy) for xy in ring)
    return canvas(
        w=tl.distance(tr),
        width_bottom=reading(bl.distance(br)),
        h=tl.distance(bl),
        height_right=reading(tr.distance(br)),
        diagonal_down=reading(tl.distance(br)),
        diagonal_up=reading(bl.distance(tr)),
    )


def placed(p) -> Polygon:
    """The canvas as it is drawn in its frame."""
    canvas = next(part for part in p.assembly.parts if part.id == "canvas")
    return Polygon(seen_of(p.assembly, canvas, "front")[0].ring)


@settings(max_examples=40)
@given(st.floats(200, 900), st.floats(200, 900), offsets, offsets, offsets)
def test_gaps_are_distances_to_the_walls(w, h, dw, dh, shift):
    p = plan(job(racked(w, h, dw, dh, shift)), shop(DEEP))
    s = p.desk.sheet
    iw, ih = s["frame.inside_width.middle"].value / 2, s["frame.inside_height.middle"].value / 2
    left, top = LineString([(-iw, -ih), (-iw, ih)]), LineString([(-iw, ih), (iw, ih)])
    tl = Point(placed(p).exterior.coords[0])
    assert s["gap.left.top"].value == pytest.approx(left.distance(tl), abs=0.02)
    assert s["gap.top.left"].value == pytest.approx(top.distance(tl), abs=0.02)
    least = min(placed(p).exterior.distance(wall) for wall in (left, top))
    assert s["gap.least"].value <= least + 0.02


@settings(max_examples=40)
@given(st.floats(300, 900), st.floats(300, 900), offsets, offsets, offsets)
def test_the_drawn_canvas_has_the_sides_that_were_read(w, h, dw, dh, shift):
    detail = racked(w, h, dw, dh, shift)
    ring = list(placed(plan(job(detail), shop(DEEP))).exterior.coords)
    tl, tr, br, bl = (Point(ring[i]) for i in (0, 2, 4, 6))
    # The lean is spread over both edges, so sides agree to second order of some millimetres.
    assert tl.distance(tr) == pytest.approx(detail.width_top.mm, abs=0.25)
    assert bl.distance(br) == pytest.approx(detail.width_bottom.mm, abs=0.25)
    assert tl.distance(bl) == pytest.approx(detail.height_left.mm, abs=0.25)
    assert bl.distance(tr) - tl.distance(br) == pytest.approx(
        detail.diagonal_up.mm - detail.diagonal_down.mm, abs=0.3
    )


def spreads(ring: Polygon, iw: float, ih: float) -> tuple[float, float]:
    xs, ys = ring.exterior.coords.xy
    across = [iw + xs[i] for i in (0, 7, 6)] + [iw - xs[i] for i in (2, 3, 4)]
    upright = [ih - ys[i] for i in (0, 1, 2)] + [ih + ys[i] for i in (6, 5, 4)]
    return max(across) - min(across), max(upright) - min(upright)


@pytest.mark.parametrize(("dw", "dh", "shift"), list(itertools.product((-3, 2), (0, 3), (-2.5, 1.5))))
def test_no_placement_found_by_search_is_evener(dw, dh, shift):
    p = plan(job(racked(640, 430, dw, dh, shift)), shop(DEEP))
    s = p.desk.sheet
    iw, ih = s["frame.inside_width.middle"].value / 2, s["frame.inside_height.middle"].value / 2
    ours = max(spreads(placed(p), iw, ih))

    def spread(v) -> float:
        moved = translate(rotate(placed(p), v[0] / 1000, origin=(0, 0), use_radians=True), v[1], v[2])
        return max(spreads(moved, iw, ih))

    starts = itertools.product((-4, 0, 4), (-1, 1), (-1, 1))
    best = min(
        minimize(spread, start, method="Nelder-Mead", options={"xatol": 1e-4, "fatol": 1e-5}).fun for start in starts
    )
    assert ours <= best + 0.03


@given(st.floats(200, 900), st.floats(200, 900), offsets, offsets, offsets)
def test_four_sides_and_a_diagonal_fix_the_other(w, h, dw, dh, shift):
    d = racked(w, h, dw, dh, shift)
    other = second_diagonal(
        d.width_top.mm, d.width_bottom.mm, d.height_left.mm, d.height_right.mm, d.diagonal_down.mm
    )
    assert other == pytest.approx(d.diagonal_up.mm, abs=1e-6)


@given(st.lists(st.floats(-9, 9), min_size=4, max_size=4), st.lists(st.floats(1, 9), min_size=5, max_size=5))
def test_the_solver_against_another_front_end_and_method(slopes, bounds):
    """A bounded programme in two unknowns, against SciPy's linprog with the interior-point method."""
    walls = [(1.0, 0.0), (-1.0, 0.0), (0.0, 1.0), (0.0, -1.0), (slopes[2] / 9, slopes[3] / 9)]
    rows = [(((0, a), (1, b)), bound) for (a, b), bound in zip(walls, bounds, strict=True)]
    ours = least(slopes[:2], rows)
    theirs = linprog(slopes[:2], A_ub=walls, b_ub=bounds, bounds=[(None, None)] * 2, method="highs-ipm")
    assert slopes[0] * ours[0] + slopes[1] * ours[1] == pytest.approx(theirs.fun, abs=1e-6)


def test_a_programme_without_an_end_is_an_error():
    with pytest.raises(ArithmeticError):
        least([1.0], [(((0, 1.0),), 5.0)])


def test_sides_that_no_diagonal_allows():
    assert math.isnan(second_diagonal(500, 500, 400, 400, 950))


def test_what_was_solved_before_leaves_nothing_behind():
    """A thread's solver is used again: whatever it solved before, a programme comes out as in a thread of its own."""
    walls: list[Row] = [(((k, sign),), 9.0) for k in (0, 1) for sign in (1.0, -1.0)]
    asked = []
    for n in range(1, 25):
        slopes = [n * k * 37 % 19 - 9.0 for k in range(1, 7)]
        rows: list[Row] = [(((0, a), (1, k - 2.5)), 5 + n * k / 7) for k, a in enumerate(slopes)]
        asked.append((slopes[:2], [*rows, *walls]))
    wanted = []
    for cost, rows in asked:
        with ThreadPoolExecutor(1) as own:
            wanted.append(own.submit(least, cost, rows).result())
    assert [least(*one) for one in reversed(asked)] == wanted[::-1]
