"""Layout of several pieces: rules with equal gaps, places by hand with snapping, proposals of the solver."""

from itertools import combinations, pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.arranging.by_hand import CannotMove, put
from shadbo.core.arranging.proposals import propose_layouts
from shadbo.core.assess import assess
from shadbo.core.drawing.board import draw
from shadbo.core.job.edits import apply
from shadbo.core.layout.rules import Block, arrange, rule_for
from shadbo.core.layout.snap import Box, snap
from shadbo.core.layout.solver import Thing, propose
from shadbo.core.shapes.polygon import apart, box_of
from shadbo.core.words.lengths import Mark
from shadbo.demo.jobs import demo_jobs
from tests.core.test_box_slips import BADGE, PHOTO, TOOL, jersey
from tests.flat import SHOP, gathered, plan, sized, value

MARK = Mark.named("0.5 mm")
SIZES = st.lists(st.tuples(st.integers(10, 300), st.integers(10, 300)), min_size=1, max_size=9)
RULES = ("row", "column", "grid", "symmetric", "around")


def blocks(sizes: list[tuple[int, int]]) -> list[Block]:
    return [Block(str(n), w, h) for n, (w, h) in enumerate(sizes)]


def boxes(sizes: list[tuple[int, int]], at: dict) -> list[tuple[float, float, float, float]]:
    return [
        (at[str(n)][0] - w / 2, at[str(n)][1] - h / 2, at[str(n)][0] + w / 2, at[str(n)][1] + h / 2)
        for n, (w, h) in enumerate(sizes)
    ]


@given(SIZES, st.sampled_from(RULES), st.integers(5, 60))
@settings(max_examples=150, deadline=None)
def test_no_rule_puts_two_pieces_closer_than_the_gap_or_outside_the_group(sizes, rule, gap):
    group = arrange(blocks(sizes), rule, gap)
    found = boxes(sizes, group.at)
    for a, b in combinations(found, 2):
        across = max(a[0] - b[2], b[0] - a[2])
        down = max(a[1] - b[3], b[1] - a[3])
        assert max(across, down) >= gap - 1e-6
    for left, low, right, high in found:
        assert left >= -group.width / 2 - 1e-6
        assert right <= group.width / 2 + 1e-6
        assert low >= -group.height / 2 - 1e-6
        assert high <= group.height / 2 + 1e-6


@given(SIZES, st.integers(5, 60))
@settings(max_examples=60, deadline=None)
def test_gaps_of_a_row_are_equal_between_outlines_not_between_centres(sizes, gap):
    found = boxes(sizes, arrange(blocks(sizes), "row", gap).at)
    assert all(b[0] - a[2] == pytest.approx(gap) for a, b in pairwise(found))


@given(SIZES, st.integers(5, 60))
@settings(max_examples=60, deadline=None)
def test_the_main_piece_of_a_symmetric_group_stands_in_the_middle(sizes, gap):
    group = arrange(blocks(sizes), "symmetric", gap)
    assert group.at["0"][0] == pytest.approx(0, abs=1e-6)


def test_a_column_beside_the_main_piece_is_centred_on_its_height():
    group = arrange([Block("main", 200, 300), *(Block(f"b{n}", 40, 50) for n in range(4))], "around", 20)
    main = group.at["main"][1]
    sides: dict[bool, list[float]] = {}
    for n in range(4):
        x, y = group.at[f"b{n}"]
        sides.setdefault(x < group.at["main"][0], []).append(y)
    assert len(sides) == 2
    for ys in sides.values():
        assert sum(ys) / len(ys) == pytest.approx(main)


def test_a_caption_stands_under_its_piece_and_counts_for_its_height():
    named = Block("a", 60, 40, ("plate", 50, 12), 8)
    group = arrange([named, Block("b", 60, 40)], "row", 20)
    assert group.height == 40 + 8 + 12
    assert group.at["plate"][0] == group.at["a"][0]
    assert group.at["a"][1] - 20 - (group.at["plate"][1] + 6) == pytest.approx(8)


def test_a_captioned_badge_keeps_its_plate_in_the_plan():
    plate = {"detail": {**sized("plate", 60, 15, sort="nameplate", thickness=1), "caption_of": "piece"}}
    job = gathered("shadow box", {"detail": BADGE}, plate)
    p = plan(job)
    badge, under = (next(x.ring for x in p.assembly.shown if x.id == i) for i in ("piece", "piece-2"))
    assert box_of(badge)[1] - box_of(under)[3] == pytest.approx(p.desk.practice.caption_gap_mm)


def test_the_plan_takes_a_rule_by_what_there_is():
    assert rule_for(blocks([(50, 50)] * 2)) == "row"
    assert rule_for(blocks([(50, 50)] * 6)) == "grid"
    assert rule_for(blocks([(300, 300), *[(50, 50)] * 4])) == "around"
    assert arrange([], "row", 10).width == 0


FIELD = (300.0, 200.0)


def test_a_moved_piece_comes_to_rest_on_middles_edges_and_equal_gaps():
    middle = snap(Box(128.4, 60.2, 44, 44), [], FIELD, 2.0, MARK)
    assert (middle.left, middle.why) == (128, ("the field's middle",))
    edge = snap(Box(61.0, 120, 30, 30), [Box(60, 20, 50, 50)], FIELD, 2.0, MARK)
    assert edge.left == 60
    assert "left edges in line" in edge.why
    row = [Box(20, 20, 40, 40), Box(80, 20, 40, 40)]
    third = snap(Box(141.2, 21, 40, 40), row, FIELD, 2.0, MARK)
    assert (third.left, third.top) == (140, 20)
    assert "equal gaps" in third.why


def test_far_from_every_line_it_rests_on_the_nearest_mark_inside_the_field():
    rest = snap(Box(17.3, 33.8, 40, 40), [], FIELD, 2.0, MARK)
    assert (rest.left, rest.top, rest.why) == (17.5, 34.0, ())
    out = snap(Box(-30, 400, 40, 40), [], FIELD, 2.0, MARK)
    assert (out.left, out.top) == (0, 160)


@given(st.floats(-50, 350), st.floats(-50, 350))
@settings(max_examples=80, deadline=None)
def test_wherever_it_is_dropped_it_rests_inside(left, top):
    rest = snap(Box(left, top, 40, 30), [Box(100, 80, 50, 50)], FIELD, 3.0, MARK)
    assert 0 <= rest.left <= 260
    assert 0 <= rest.top <= 170


def test_a_piece_put_by_hand_stays_there_and_says_what_it_lines_up_with():
    p = plan(gathered("shadow box", {"detail": TOOL}, {"detail": BADGE}))
    before = value(p, "item.piece-2.top")
    edits, rest = put(p, "piece-2", 3.0, 7.2, snapping=True)
    after = assess(apply(p.desk.job, edits)[0], SHOP)
    assert value(after, "item.piece-2.top") == rest.top != before
    with pytest.raises(CannotMove):
        put(p, "nobody", 1, 1, snapping=False)
    shirt = plan(jersey({"detail": PHOTO}))
    with pytest.raises(CannotMove):
        put(shirt, "piece", 10, 0, snapping=False)


def test_marks_move_exactly_without_snapping():
    p = plan(gathered("shadow box", {"detail": TOOL}, {"detail": BADGE}))
    edits, rest = put(p, "piece-2", 0.5, 0, snapping=False)
    assert rest.left != value(p, "item.piece-2.left")
    after = assess(apply(p.desk.job, edits)[0], SHOP)
    assert value(after, "item.piece-2.left") == pytest.approx(value(p, "item.piece-2.left") + 0.5, abs=0.26)


def test_distances_to_neighbours_and_edges_are_drawn_to_be_lit():
    svg = draw(plan(gathered("shadow box", {"detail": TOOL}, {"detail": BADGE})), "front", "mm").svg
    assert svg.count('class="tape" data-key="item.piece.left"') == 4
    assert 'data-moves="piece-2"' in svg


def test_proposals_are_ranked_with_reasons_and_each_can_be_taken():
    job = next(j for j in demo_jobs() if j.title.startswith("Four coxswains"))
    found = propose_layouts(job, SHOP)
    assert len(found) >= 2
    assert "the cheapest frame" in found[0].reason.mm
    for layout in found:
        after = assess(apply(job, list(layout.edits))[0], SHOP)
        assert after.worst != "stop", layout.name
        rings = [x.ring for x in after.assembly.shown]
        gap = value(after, "layout.gap")
        assert all(apart(a, b) >= gap - 1e-6 for a, b in combinations(rings, 2))
        assert layout.picture.startswith("<svg")


def test_a_stepped_mat_is_proposed_with_its_windows_beside_and_below():
    job = next(j for j in demo_jobs() if j.display == "jersey box")
    names = {x.name for x in propose_layouts(job, SHOP)}
    assert {n.split(",")[0] for n in names} == {"windows beside", "windows below"}


def test_the_solver_keeps_its_wishes_and_says_when_nothing_goes_in():
    things = [Thing("main", 200, 150), Thing("a", 60, 60), Thing("b", 60, 60), Thing("c", 60, 60)]
    by = {p.wish: p for p in propose(things, 20, 30)}
    middle = by["main piece in the middle"]
    left, _ = middle.places["main"]
    assert abs(left + 100 - middle.width / 2) <= 1
    assert min(p.area for p in by.values()) == by["smallest"].area
    assert by["smallest"].proven
    assert propose(things, 20, 30, (200, 200)) == []
    assert propose(things, 20, 30) == propose(things, 20, 30), "the same question has the same answer"


def test_mirrored_pairs_stand_level_and_as_far_from_the_middle():
    """Middles agree to a millimetre, since sizes may be odd."""
    things = [Thing("main", 201, 150), Thing("a", 61, 60), Thing("b", 60, 61), Thing("c", 40, 45), Thing("d", 41, 44)]
    size = {t.id: (t.width, t.height) for t in things}
    found = next(p for p in propose(things, 20, 30) if p.wish == "mirrored left and right")
    middle = {k: (x + size[k][0] / 2, y + size[k][1] / 2) for k, (x, y) in found.places.items()}
    for one, other in (("a", "b"), ("c", "d")):
        assert abs(middle[one][0] + middle[other][0] - found.width) <= 0.5 + 1e-9
        assert abs(middle[one][1] - middle[other][1]) <= 0.5 + 1e-9


def test_one_piece_needs_no_proposal():
    assert propose_layouts(gathered("shadow box", {"detail": BADGE}), SHOP) == []
    unread = gathered("shadow box", {"detail": {"kind": "badge"}}, {"detail": BADGE})
    assert propose_layouts(unread, SHOP) == []


def test_two_alike_in_one_line_are_found_lying_over_each_other():
    """As a dragged badge comes to rest: edges in line, half of it over its neighbour."""
    places = [{"id": "piece", "left": {"mm": 40}, "top": {"mm": 40}}, {"id": "piece-2", "left": {"mm": 60},
                                                                      "top": {"mm": 40}}]  # fmt: skip
    plate = {"detail": sized("plate", 40, 30, thickness=1)}
    p = plan(gathered("shadow box", plate, plate, options={"shadow_box": {"layout": {"places": places}}}))
    found = next(f for f in p.findings if f.code == "layout.overlap")
    assert found.severity == "stop"
    assert "by 20 mm" in found.title.mm
    same = [{**places[0]}, {**places[0], "id": "piece-2"}]
    on_top = plan(gathered("shadow box", plate, plate, options={"shadow_box": {"layout": {"places": same}}}))
    assert any(f.code == "layout.overlap" for f in on_top.findings)
