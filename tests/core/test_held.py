"""What holds what, every way; what gets in; points, clips, screws, staples, wire and paper as things in places."""

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.shapes.plane import Ring
from shadbo.core.shapes.rings import centred, rect
from shadbo.core.solids.body import Body, Prism, Tie
from shadbo.core.solids.held import LYING_MM, PLAY_MM, loose
from shadbo.core.solids.rails import Step, rails_round
from shadbo.core.solids.space import EPS_MM, Space
from shadbo.core.solids.ways_in import barred
from tests.core.test_box_slips import lit
from tests.core.test_solids import JOBS, stops
from tests.flat import boxed, detail, gathered, job, plan, sized
from tests.making import pin

RAILS = rails_round((400, 300), (Step(340, 240, 0, 6), Step(360, 260, 6, 40)), "wood", "rail")


def sheet(id_: str, w: float, h: float, front: float, back: float, *holes: Ring, **more: object) -> Body:
    return Body(id_, id_, "board", (Prism(centred(w, h), front, back, holes),), id_, **more)  # type: ignore[arg-type]


def ways(found) -> set[tuple[str, str]]:
    return {(x.body.id, x.way) for x in found}


BEHIND = (Tie("backing", "rail-top", "points", ("backwards",)),)
PACKAGE = [sheet("glass", 358, 258, 6, 8), sheet("board", 358, 258, 13, 16), sheet("backing", 358, 258, 16, 18)]
SPACERS = [
    Body(f"spacer-{n}", "spacer", "spacer", (Prism(ring, 8, 13),), "spacer")
    for n, ring in enumerate((rect(-179, 125, 179, 129), rect(-179, -129, 179, -125), rect(175, -125, 179, 125)))
]


def test_a_puzzle_loose_on_its_board_slides_every_way_and_one_in_a_sink_does_not():
    puzzle = sheet("puzzle", 200, 150, 11, 13)
    found = ways(loose(Space([*RAILS, *PACKAGE, *SPACERS, puzzle]), BEHIND))
    assert found == {("puzzle", way) for way in ("forwards", "down", "up", "left", "right")}
    sink = sheet("sink", 358, 258, 11, 13, centred(201, 151))
    held = ways(loose(Space([*RAILS, *PACKAGE, *SPACERS, puzzle, sink]), BEHIND))
    assert ("puzzle", "down") not in held
    wide = sheet("sink", 358, 258, 11, 13, centred(200 + 2 * PLAY_MM + 1, 151))
    assert ("puzzle", "left") in ways(loose(Space([*RAILS, *PACKAGE, *SPACERS, puzzle, wide]), BEHIND))
    taped = Tie("puzzle", "board", "tape")
    assert loose(Space([*RAILS, *PACKAGE, *SPACERS, puzzle]), (*BEHIND, taped)) == []


def test_a_piece_in_one_opening_is_not_kept_by_the_edge_of_the_next():
    """Two openings in one board: what has air all round in its own slides, though the other's edge is near."""
    board = sheet("sink", 358, 258, 11, 13, rect(-160, -60, -10, 60), rect(-30.0, 70, -8, 100))
    puzzle = Body("puzzle", "puzzle", "board", (Prism(rect(-140, -40, -12.5, 40), 11, 13),), "puzzle")
    narrow = sheet("sink", 358, 258, 11, 13, rect(-160, -60, -1, 60), rect(-30.0, 70, -10, 100))
    for hole, slides in ((board, False), (narrow, True)):
        found = ways(loose(Space([*RAILS, *PACKAGE, *SPACERS, hole, puzzle]), BEHIND))
        assert (("puzzle", "right") in found) is slides
        assert ("puzzle", "left") in found


def test_strips_are_held_by_the_stack_that_they_are_pressed_in():
    assert loose(Space([*RAILS, *PACKAGE, *SPACERS]), BEHIND) == []
    far = [sheet("board", 358, 258, 14, 16) if b.id == "board" else b for b in PACKAGE]
    assert ("spacer-2", "left") in ways(loose(Space([*RAILS, *far, *SPACERS]), BEHIND))


BOX = st.tuples(*[st.integers(-30, 30)] * 2, *[st.integers(1, 30)] * 2, st.integers(0, 20), st.integers(1, 8))


@given(st.lists(BOX, min_size=1, max_size=6))
def test_what_is_held_is_what_a_walk_by_hand_finds(rows: list[tuple[int, ...]]):
    """The same rules box by box, without arrays: what lies against, what is beside, what is pressed."""
    frame = (-100.0, -100.0, 100.0, -40.0, 0.0, 30.0)
    boxes = [frame, *((x, y, x + w, y + h, z, z + d) for x, y, w, h, z, d in rows)]
    bodies = [Body(f"b{n}", f"b{n}", "board", (Prism(rect(*b[:4]), b[4], b[5]),), f"b{n}", n == 0)
              for n, b in enumerate(boxes)]  # fmt: skip

    def shared(a, b, axis: int) -> float:
        low, high = ((0, 2), (1, 3), (4, 5))[axis]
        return min(a[high], b[high]) - max(a[low], b[low])

    def lies(a, b, forwards: bool) -> bool:
        gap = abs(a[4] - b[5]) if forwards else abs(a[5] - b[4])
        return min(shared(a, b, 0), shared(a, b, 1)) > EPS_MM and gap <= LYING_MM

    def beside(a, b, way: str) -> bool:
        low, high, other = ((0, 2, 1), (1, 3, 0))[way in ("down", "up")]
        if shared(a, b, other) <= EPS_MM or shared(a, b, 2) <= EPS_MM:
            return False
        if way in ("right", "up"):
            return b[high] > a[high] and b[low] - a[high] <= PLAY_MM
        return b[low] < a[low] and a[low] - b[high] <= PLAY_MM

    found = ways(loose(Space(bodies), ()))
    for way in ("forwards", "backwards", "down", "up", "left", "right"):
        held = {0}
        for _ in range(len(boxes) + 1):
            for n in range(1, len(boxes)):
                others = [k for k in held if k != n]
                if way in ("forwards", "backwards"):
                    ok = any(lies(boxes[n], boxes[k], way == "forwards") for k in others)
                else:
                    ok = any(beside(boxes[n], boxes[k], way) for k in others) or all(
                        _pressed(n, held, lambda a, b, f=front: lies(boxes[a], boxes[b], f), len(boxes))
                        for front in (True, False)
                    )
                if ok:
                    held.add(n)
        assert {name for name, w in found if w == way} == {f"b{n}" for n in range(len(boxes)) if n not in held}


def _pressed(n: int, held: set[int], lies, many: int) -> bool:
    """Whether a walk from one thing to what it lies against comes to something held."""
    seen, todo = {n}, [n]
    while todo:
        a = todo.pop()
        for b in range(many):
            if b not in seen and lies(a, b):
                if b in held:
                    return True
                seen.add(b)
                todo.append(b)
    return False


def test_a_rail_narrower_behind_lets_nothing_larger_in():
    grooved = rails_round((400, 300), (Step(340, 240, 0, 6), Step(360, 260, 6, 10), Step(350, 250, 10, 40)), "wood",
                          "rail")  # fmt: skip
    glass = sheet("glass", 358, 258, 6, 8)
    found = barred(Space([*grooved, glass]))
    assert [(x.body.id, round(x.by_mm, 6)) for x in found] == [("glass", 4.0)]
    assert barred(Space([*RAILS, glass])) == []
    slid = sheet("glass", 358, 258, 6, 8, enters="made with the frame")
    assert barred(Space([*grooved, slid])) == []
    proud = sheet("canvas", 350, 250, 2, 20, enters="from the front")
    assert [x.body.id for x in barred(Space([*RAILS, proud]))] == []
    assert [x.body.id for x in barred(Space([*RAILS, sheet("c", 350, 250, 7, 20, enters="from the front")]))] == ["c"]


@pytest.mark.parametrize("title", JOBS)
def test_every_fixing_of_a_join_stands_in_its_rail_at_its_place(title: str):
    p = plan(JOBS[title])
    for join in p.assembly.joins:
        bodies = [b for b in p.assembly.bodies if b.part == join.id and b.bites]
        assert len(bodies) in (len(join.fixings), 0), "as many as are told"
        for body, at in zip(bodies, join.fixings, strict=False):
            spans = [(min(d[k] for q in body.prisms for d in q.ring), max(d[k] for q in body.prisms for d in q.ring))
                     for k in (0, 1)]  # fmt: skip
            along = 1 if at.side in ("left", "right") else 0
            assert spans[along][0] - 1e-6 <= at.at[along] <= spans[along][1] + 1e-6
    assert stops(p, "solid.bite") == []


def test_points_hold_only_what_they_reach():
    """A backing that was cut far too small: the points go into the wood behind nothing, and it falls out."""
    small = plan(job("needlework frame", "needlework"), pin("package.width", 240), pin("package.height", 300))
    assert stops(small, "solid.loose")


def test_no_point_stands_at_a_hangers_screws():
    p = plan(JOBS["Oyster beds, pastel"])
    down = p.desk.sheet["hang.down"].value
    for join in p.assembly.joins:
        for x in join.fixings:
            assert x.side in ("top", "bottom") or abs(x.along.value - down) >= 18 - 1e-6


def test_screws_wire_paper_lamps_and_staples_are_bodies():
    oyster = {b.id for b in plan(JOBS["Oyster beds, pastel"]).bodies}
    assert {"cover", "points.1", "hanger-1", "hanger-screws-1"} <= oyster
    assert "wire" in {b.id for b in plan(JOBS["Kelp gatherers"]).bodies}
    lamps = next(b for b in plan(JOBS["Pilot cutter, lit"]).bodies if b.id == "lamps")
    p = plan(JOBS["Pilot cutter, lit"])
    assert len(lamps.prisms) == p.desk.sheet["lamp.rows"].value
    lofted = plan(JOBS["Breakwater, low sun"])
    staples = next(b for b in lofted.bodies if b.id == "staples")
    assert len(staples.prisms) == lofted.desk.sheet["stretch.staples"].value
    assert "staples" in {x.id for x in lofted.assembly.parts if x.fetched}


def test_a_clasp_stands_in_the_void_behind_its_board_or_stops():
    badge = sized("badge", 60, 60, relief=4, back_relief=9)
    p = plan(gathered("shadow box", {"detail": badge}))
    clasp = next(b for b in p.bodies if b.id.startswith("clasp-"))
    board = next(b for b in p.bodies if b.id == "board")
    assert clasp.front_mm == board.back_mm
    assert clasp.back_mm == pytest.approx(board.front_mm + 9)
    assert stops(p, "solid.clash") == []


def test_points_of_a_light_box_stand_behind_their_own_layer():
    p = plan(lit())
    backs = {b.id: b.back_mm for b in p.bodies}
    for join in p.assembly.joins:
        if join.id.startswith("points-"):
            layer = join.holds[1]
            assert {b.front_mm for b in p.bodies if b.part == join.id} == {backs[layer]}


def test_every_way_is_asked_of_every_loose_thing():
    free = sheet("free", 10, 10, 60, 62)
    found = ways(loose(Space([*RAILS, free]), ()))
    assert found == set(itertools.product(("free",), ("forwards", "backwards", "down", "up", "left", "right")))


def test_a_thick_needlework_in_a_bought_box_lies_on_boards_of_two_thicknesses():
    """Its spacer found no pile of one board as thick as the cloth, and so had nothing behind it."""
    p = plan(boxed(detail("needlework", 110, 110, 10.6, 20)))
    assert stops(p, "solid.loose") == []
    strips = [x for x in p.assembly.parts if x.id.startswith("under_spacer")]
    assert sum(x.thick.value * x.count / 4 for x in strips if x.thick is not None) == pytest.approx(10.6, abs=1.0)
