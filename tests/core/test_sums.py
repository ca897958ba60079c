"""Properties of the sums of frames, borders, spacers, fixings, sheets and seasons."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM
from shadbo.core.sums.border import border_in, clip_count, hinge_count, point_count, strips, tape_bands
from shadbo.core.sums.fit import allowance_of, frame_axis, hold
from shadbo.core.sums.movement import growth_mm, moisture_percent, swelling_mm
from shadbo.core.sums.piles import Rounding, piles
from shadbo.core.sums.plate import alpha, sag_mm, small_sag_mm
from tests.flat import detail, job, plan, value
from tests.making import length

SIZE = st.floats(80, 1800)


@given(SIZE, st.floats(2, 6), st.floats(5, 14), st.floats(4, 40))
def test_fit_chain_inside_and_outside_never_mix(package: float, allowance: float, lip: float, wall: float):
    s = Sheet(0.5)
    q = {n: s.number(x, MM) for n, x in (("p", package), ("a", allowance), ("l", lip), ("f", lip + wall))}
    zero = s.number(0, MM)
    fit = frame_axis(s, "width", q["p"], q["a"], zero, q["l"], q["f"], (0.3, 0.3))
    assert fit.least.value >= package + allowance - 1e-6, "a frame is never smaller than computed"
    assert fit.outside.value == pytest.approx(fit.least.value + 2 * wall)
    assert fit.sight.value == pytest.approx(fit.least.value - 2 * lip)
    board = s.cut("board", "board", fit.least - fit.allowance, "down", 0.3)
    assert board.value <= fit.least.value - allowance + 1e-6, "contents are never larger"
    held = hold(s, fit, board, q["l"])
    assert held.worst.value == pytest.approx(lip - (fit.least.value - board.value))
    assert held.hidden.value >= held.worst.value


@given(SIZE)
def test_acrylic_gets_room_to_grow(size: float):
    s = Sheet()
    room, growth = allowance_of(s, "width", s.number(size, MM), s.number(3, MM), True, 1.5, 15, 30)
    assert room.value >= growth.value + 1.5 - 1e-9
    assert room.value >= 3
    glass = Sheet()
    room, growth = allowance_of(glass, "width", glass.number(size, MM), glass.number(3, MM), False, 1.5, 15, 30)
    assert (room.value, growth.value) == (3, 0)


def test_the_worked_growth():
    """Acrylic 1200 mm, 15 K and 30 %: 2.34 mm."""
    assert growth_mm(1200, 15, 30) == pytest.approx(2.34)


@given(st.floats(200, 1200), st.floats(50, 190))
def test_border_halves_the_right_difference(opening: float, piece: float):
    s = Sheet()
    border = border_in(s, "width", s.number(opening, MM), s.number(piece, MM))
    assert piece + 2 * border.value == pytest.approx(opening)


def test_the_worked_strips_and_bands():
    """320 × 420 inside, 5 mm strips: two of 320, two of 410; 480 mm, tape 48, overlap 5: 12 bands."""
    assert strips(320, 420, 5) == (320, 410)
    assert tape_bands(480, 48, 5) == 12


@given(st.floats(40, 900), st.floats(20, 60), st.floats(2, 10))
def test_bands_cover_the_back_and_none_is_idle(height: float, tape: float, overlap: float):
    n = tape_bands(height, tape, overlap)
    cover = n * tape - (n - 1) * overlap
    assert cover >= height - 1e-3
    assert n == 1 or cover - (tape - overlap) < height + 1e-3


@given(
    st.floats(0.5, 60),
    st.lists(st.sampled_from([1.4, 2.0, 3.0, 5.0, 6.0, 9.0, 13.0]), min_size=1, max_size=4, unique=True),
    st.sampled_from(["up", "down", "nearest"]),
)
def test_piles_are_all_that_brute_force_finds(goal: float, thick: list[float], rounding: Rounding):
    """Every pile comes to what it says; none of one or two thicknesses comes nearer on the side that is asked."""
    found = piles(tuple(thick), goal, rounding, 99)
    for p in found:
        assert p.high_mm == pytest.approx(sum(thick[i] * n for i, n in p.many))
        assert rounding != "up" or p.high_mm >= goal - 1e-4
        assert rounding != "down" or p.high_mm <= goal + 1e-4
    many = range(int(goal / min(thick)) + 2)
    heights = {n * a + m * b for a in thick for b in thick for n in many for m in many if n + m}
    side = {"up": lambda h: h >= goal - 1e-6, "down": lambda h: h <= goal + 1e-6, "nearest": lambda _: True}[rounding]
    near = [abs(h - goal) for h in heights if side(h)]
    if near:
        assert min(abs(p.high_mm - goal) for p in found) == pytest.approx(min(near), abs=2e-4)
    else:
        assert found == ()


def test_counts_of_practice():
    """Common practice, no source: hinges at 400, 700, 1200; clips and points on a side."""
    assert [hinge_count(w) for w in (200, 400, 401, 700, 1200)] == [2, 2, 3, 3, 5]
    assert [clip_count(x) for x in (120, 380, 530, 900)] == [2, 3, 4, 6]
    assert [point_count(x) for x in (150, 330, 349, 350, 475)] == [2, 2, 2, 3, 4]


@given(st.floats(200, 1500), st.floats(200, 1500), st.floats(2, 6))
def test_a_sheet_sags_less_the_thicker_and_the_smaller_it_is(w: float, h: float, thick: float):
    for kind in ("acrylic", "glass"):
        sag = sag_mm(w, h, thick, kind)
        assert 0 < sag <= small_sag_mm(w, h, thick, *{"acrylic": (3200, 0.37, 1190), "glass": (70_000, 0.22, 2500)}[
            kind]) + 1e-9  # fmt: skip
        assert sag_mm(w, h, thick + 1, kind) < sag
        assert sag_mm(w * 0.8, h * 0.8, thick, kind) < sag
    assert sag_mm(w, h, thick, "acrylic", stored=True) > sag_mm(w, h, thick, "acrylic")


@given(st.floats(1, 6), st.floats(1, 6))
def test_alpha_rises_with_the_ratio(a: float, b: float):
    low, high = sorted((a, b))
    assert alpha(low) <= alpha(high) + 1e-12


@given(st.floats(0, 40), st.floats(5, 90), st.floats(1, 9))
def test_wood_takes_up_moisture_with_the_air(celsius: float, rh: float, more: float):
    assert moisture_percent(celsius, rh + more) > moisture_percent(celsius, rh)


@given(st.floats(10, 400), st.floats(0.0007, 0.004), st.floats(6, 14), st.floats(6, 14))
def test_swelling_goes_back(width: float, rate: float, one: float, other: float):
    assert swelling_mm(width, rate, one, other) == pytest.approx(-swelling_mm(width, rate, other, one))


@given(st.integers(100, 700), st.integers(100, 700), st.integers(2, 20), st.integers(30, 120), st.booleans())
def test_window_and_borders_add_up_to_the_mat(w: int, h: int, overlap: int, border: int, double: bool):
    edits = [length("options/window_mat/overlap", overlap), length("options/window_mat/border", border)]
    p = plan(job("window mat", detail("paper", w, h, 0.3), {"window_mat": {"double": double}}), *edits)
    inner = value(p, "window.width")
    outer = value(p, "window.outer_width") if double else inner
    assert inner == w - 2 * overlap
    assert value(p, "mat.width") == pytest.approx(outer + 2 * border)
    assert value(p, "mat.height") >= value(p, "mat.width") - w + h - 1e-6, "weighted at the bottom"
    assert value(p, "package.width") == pytest.approx(value(p, "mat.width"), abs=1.0)


@given(st.integers(0, 20), st.integers(0, 20))
def test_trimming_makes_the_piece_smaller_by_what_was_trimmed(left: int, right: int):
    edits = [length("pieces/piece/detail/trim_left", left), length("pieces/piece/detail/trim_right", right)]
    p = plan(job("window mat", detail("paper", 300, 400, 0.3, 40)), *edits)
    assert value(p, "piece.width") == 300 - left - right
    assert value(p, "window.width") == value(p, "piece.width") - 8


@given(st.integers(150, 700), st.integers(150, 700), st.integers(5, 60))
def test_the_border_seen_is_the_border_wanted(w: int, h: int, border: int):
    p = plan(job("puzzle frame", detail("puzzle", w, h, 2), {"puzzle": {"margin": {"mm": border}}}))
    for axis, size in (("width", w), ("height", h)):
        seen = (value(p, f"frame.sight_{axis}") - size) / 2
        assert seen == pytest.approx(border, abs=0.8)
    assert value(p, "border.least") == pytest.approx(border, abs=0.8)
