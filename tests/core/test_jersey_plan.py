"""The plan of a stepped mat, whatever goes into it: borders, strips, notches and windows keep their distances."""

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from shadbo.core.pieces.outlines import garment_lines
from shadbo.core.shapes.polygon import Ring, apart, box_of, moved, square_cornered
from shadbo.core.sums.jersey import CORNERS, Card, MatPlan, MatWishes, mat_plan, notch_ring, outer_edge
from tests.core.test_mats import _from

CARDS = st.lists(st.tuples(st.integers(60, 220), st.integers(60, 220)), max_size=4)
BADGES = st.lists(st.tuples(st.integers(30, 90), st.integers(30, 90)), max_size=4)
SHIRTS = st.tuples(st.integers(420, 700), st.integers(480, 800))
SIDES = st.sampled_from(["beside", "below"])


def cards(sizes: list[tuple[int, int]], stem: str) -> list[Card]:
    return [Card(f"{stem}{n}", w, h) for n, (w, h) in enumerate(sizes)]


def planned(shirt: tuple[int, int], windows: list, badges: list, plates: list, side: str) -> tuple[MatPlan, Ring]:
    garment, _ = garment_lines(*shirt, shirt[0] * 0.75, "spread")
    opening = (shirt[0] + 60, shirt[1] + 60)
    wishes = MatWishes(60, 60, 25, 6, 5, side)
    parts = (cards(windows, "w"), cards(badges, "b"), cards(plates, "p"))
    return mat_plan(opening, garment, *parts, wishes), garment


def window_rings(plan: MatPlan, windows: list[tuple[int, int]], reveal: float = 6) -> list[Ring]:
    out = []
    for card in cards(windows, "w"):
        w, h = card.width / 2 + reveal, card.height / 2 + reveal
        out.append(moved(((-w, -h), (w, -h), (w, h), (-w, h)), *plan.windows[card.id]))
    return out


@given(SHIRTS, CARDS, BADGES, SIDES)
@settings(max_examples=80, deadline=None)
def test_openings_keep_the_strip_between_them_and_the_border_to_the_edge(shirt, windows, badges, side):
    plan, _ = planned(shirt, windows, badges, [], side)
    rings = [outer_edge(plan.opening, 6), *window_rings(plan, windows)]
    for i, a in enumerate(rings):
        left, low, right, high = box_of(a)
        edges = (left + plan.width / 2, plan.width / 2 - right, low + plan.height / 2, plan.height / 2 - high)
        assert min(edges) >= 60 - 1e-6
        for b in rings[i + 1 :]:
            assert apart(a, b) >= 25 - 1e-6


@given(SHIRTS, CARDS, SIDES)
@settings(max_examples=60, deadline=None)
def test_no_mat_is_larger_than_its_borders_and_openings_ask_for(shirt, windows, side):
    plan, _ = planned(shirt, windows, [], [], side)
    rings = [outer_edge(plan.opening, 6), *window_rings(plan, windows)]
    boxes = [box_of(r) for r in rings]
    assert max(b[2] for b in boxes) - min(b[0] for b in boxes) + 120 == pytest.approx(plan.width)
    assert max(b[3] for b in boxes) - min(b[1] for b in boxes) + 120 == pytest.approx(plan.height)


@given(SHIRTS, BADGES)
@settings(max_examples=80, deadline=None)
def test_every_badge_sits_on_the_outer_mat_five_millimetres_from_its_notchs_edges(shirt, badges):
    assume(badges)
    plan, _ = planned(shirt, [], badges, [], "beside")
    outer = outer_edge(plan.opening, 6)
    assert square_cornered(outer)
    assert len(outer) == 4 + 2 * len(badges)
    for card in cards(badges, "b"):
        x, y = plan.badges[card.id]
        w, h = card.width / 2, card.height / 2
        badge = ((x - w, y - h), (x + w, y - h), (x + w, y + h), (x - w, y + h))
        assert apart(badge, outer) == pytest.approx(5)


@given(SHIRTS, BADGES)
@settings(max_examples=40, deadline=None)
def test_badges_stand_in_pairs_at_the_end_that_keeps_clear_of_the_shirt(shirt, badges):
    assume(len(badges) >= 2)
    plan, garment = planned(shirt, [], badges, [], "beside")
    order = sorted(cards(badges, "b"), key=lambda c: (-c.width * c.height, c.id))
    ends = [plan.corners[c.id].split()[0] for c in order[:2]]
    assert ends[0] == ends[1]
    first = order[0]
    opening = (shirt[0] + 60, shirt[1] + 60)
    size = (first.width + 10, first.height + 10)
    clear = {e: apart(notch_ring(opening, f"{e} left", size), garment) for e in ("bottom", "top")}
    assert clear[ends[0]] >= max(clear.values()) - 2e-3


@given(SHIRTS, st.lists(st.tuples(st.integers(60, 160), st.integers(15, 20)), min_size=1, max_size=2))
@settings(max_examples=40, deadline=None)
def test_plates_stand_in_the_middle_of_the_bottom_border(shirt, plates):
    plan, _ = planned(shirt, [], [], plates, "beside")
    middles = [plan.plates[c.id] for c in cards(plates, "p")]
    assert {y for _, y in middles} == {-plan.height / 2 + 30}
    left = middles[0][0] - plates[0][0] / 2
    right = middles[-1][0] + plates[-1][0] / 2
    assert left + right == pytest.approx(2 * plan.centre[0])


def test_without_notches_the_opening_stays_whole():
    garment, _ = garment_lines(500, 600, 400, "spread")
    wishes = MatWishes(60, 60, 25, 6, 5, "beside")
    badge = [Card("b0", 60, 60)]
    whole = mat_plan((560, 660), garment, [], badge, [], wishes, notched=False)
    assert len(whole.opening) == 4
    assert whole.corners == {}
    assert "b0" in whole.badges
    with pytest.raises(ValueError, match="nothing of the opening"):
        mat_plan((560, 660), garment, [], [Card("a", 290, 60), Card("b", 290, 60)], [], wishes)


def test_no_reveal_is_one_mat():
    ring = ((0.0, 0.0), (10.0, 0.0), (10.0, 10.0), (0.0, 10.0))
    assert outer_edge(ring, 0) == ring
    grown = outer_edge(ring, 2)
    assert _from(grown, (-2, -2)) == ((-2, -2), (12, -2), (12, 12), (-2, 12))


FRAMED = st.lists(st.tuples(st.integers(60, 160), st.integers(60, 160)), min_size=1, max_size=2)


@given(SHIRTS, FRAMED, BADGES, st.floats(0, 10))
@settings(max_examples=80, deadline=None)
def test_a_window_in_a_notch_keeps_the_strip_to_the_opening_and_the_border_to_the_edge(shirt, framed, badges, reveal):
    assume(len(framed) + len(badges) <= 4)
    garment, _ = garment_lines(shirt[0], shirt[1], shirt[0] * 0.75, "spread")
    opening = (shirt[0] + 60, shirt[1] + 60)
    windows = [Card(f"f{n}", w, h, True) for n, (w, h) in enumerate(framed)]
    plan = mat_plan(
        opening, garment, [], [*windows, *cards(badges, "b")], [], MatWishes(60, 60, 25, reveal, 5, "beside")
    )
    outer = outer_edge(plan.opening, reveal)
    left, low, right, high = box_of(outer)
    for card in windows:
        assert plan.corners[card.id].startswith("bottom"), "photographs below, badges above"
        x, y = plan.windows[card.id]
        w, h = card.width / 2 + reveal, card.height / 2 + reveal
        ring = ((x - w, y - h), (x + w, y - h), (x + w, y + h), (x - w, y + h))
        assert apart(ring, outer) == pytest.approx(0, abs=1e-6) or apart(ring, outer) >= 25 - 1e-6
        inside = [p for p in outer if left + 1e-6 < p[0] < right - 1e-6 and low + 1e-6 < p[1] < high - 1e-6]
        tip = min(inside, key=lambda p: (p[0] - x) ** 2 + (p[1] - y) ** 2)
        assert abs(tip[0] - x) - w == pytest.approx(25)
        assert abs(tip[1] - y) - h == pytest.approx(25)
        assert min(x - w - left, right - x - w) == pytest.approx(0, abs=1e-6), (
            "its outer side runs on with the opening's"
        )


@given(SHIRTS, st.permutations(CORNERS))
@settings(max_examples=30, deadline=None)
def test_each_stands_in_the_corner_that_was_decided(shirt, corners):
    garment, _ = garment_lines(shirt[0], shirt[1], shirt[0] * 0.75, "spread")
    chosen = [Card(f"c{n}", 70, 60, n % 2 == 0, corner) for n, corner in enumerate(corners[:3])]
    opening = (shirt[0] + 60, shirt[1] + 60)
    plan = mat_plan(opening, garment, [], chosen, [], MatWishes(60, 60, 25, 6, 5, "beside"))
    assert plan.corners == {c.id: c.corner for c in chosen}
    twice = [Card("a", 70, 60, corner=corners[0]), Card("b", 60, 50, corner=corners[0])]
    plan = mat_plan(opening, garment, [], twice, [], MatWishes(60, 60, 25, 6, 5, "beside"))
    assert plan.corners == {"a": corners[0]}
