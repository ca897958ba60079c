"""Sets that share an outside size, trims, edge marks, ready-made frames: the words the framer reads, and the sums."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.stations import stations
from tests.flat import BOX, boxed, detail, job, plan, r, value
from tests.making import canvas as stretched
from tests.making import codes, length
from tests.making import job as canvas_job
from tests.making import plan as canvas_plan

WHOLE = {"window_mat": {"shows": "whole sheet"}}
SIZES = st.integers(150, 500)


def second(w: float, h: float, kind: str = "paper") -> Edit:
    return Edit(at="pieces/piece-2", to={"name": "two", "detail": detail(kind, w, h, 0.3)})


@given(SIZES, SIZES, SIZES, SIZES)
def test_a_pair_has_the_outside_of_its_larger_one_whichever_comes_first(w1: int, h1: int, w2: int, h2: int):
    one = plan(job("window mat", detail("paper", w1, h1, 0.3), WHOLE), second(w2, h2))
    other = plan(job("window mat", detail("paper", w2, h2, 0.3), WHOLE), second(w1, h1))
    for axis in ("width", "height"):
        key = f"rail.{axis}"
        assert value(one, key) == pytest.approx(value(other, key), abs=1.0)
        assert value(one, f"set.{axis}") == max((w1, w2) if axis == "width" else (h1, h2))


def test_each_keeps_its_own_when_they_do_not_share():
    apart = plan(job("window mat", "paper", WHOLE), second(400, 500), Edit(at="same_outside", to=False))
    alone = plan(job("window mat", "paper", WHOLE))
    assert value(apart, "rail.width") == value(alone, "rail.width")
    assert "set.width" not in apart.desk.sheet


def test_a_pair_of_canvases_floats_in_frames_of_one_size():
    larger = Edit(at="pieces/piece-2", to={"detail": stretched(420, 600).model_dump(mode="json")})
    pair = canvas_plan(canvas_job(), None, larger)
    assert value(pair, "rail.width") == value(canvas_plan(canvas_job()), "rail.width") + 8
    assert value(pair, "gap.left.middle") == pytest.approx(6 + 4), "the smaller one gets the wider gap"


def test_the_second_piece_is_asked_for_and_told():
    p = plan(job("window mat", "paper", WHOLE), second(320, 380))
    measure = next(s for s in stations(p) if s.name == "measure")
    labels = {q.label for q in measure.questions}
    assert {"Piece 2 of the set", "Width, piece 2", "Height, piece 2", "Take piece 2 out of the set"} <= labels
    sizes = next(s for s in stations(p) if s.name == "sizes")
    told = {q.label: q.value.mm for q in sizes.questions if q.value}
    assert told["two, width"].endswith("from the board's edge")


def test_a_piece_goes_out_of_the_set_again():
    p = plan(job("window mat", "paper", WHOLE), second(320, 380))
    away = next(q for s in stations(p) for q in s.questions if q.label == "Take piece 2 out of the set")
    again = plan(p.desk.job, *away.edits)
    assert len(again.desk.job.pieces) == 1
    assert value(again, "rail.width") == value(plan(job("window mat", "paper", WHOLE)), "rail.width")


def test_adding_to_a_set_takes_the_same_kind():
    p = plan(job("puzzle frame", "puzzle"))
    more = next(q for s in stations(p) for q in s.questions if q.label.startswith("Add a piece that shares"))
    after = plan(p.desk.job, *more.edits)
    assert [x.detail.kind for x in after.desk.job.pieces] == ["puzzle", "puzzle"]
    assert after.assembly is not None, "an unread second piece holds nothing up"


@given(st.floats(1, 39), st.floats(0, 20))
def test_a_trim_is_refused_only_when_too_little_stays(trim: float, keep: float):
    piece = detail("paper", 300, 400, 0.3, 40, keep={"mm": keep})
    found = codes(plan(job("window mat", piece), length("pieces/piece/detail/trim_top", trim)))
    assert ("trim.deep" in found) == (40 - trim < keep - 1e-6)


def test_trimming_is_asked_where_the_margins_were_read():
    p = plan(job("window mat", detail("paper", 300, 400, 0.3, 12)))
    measure = next(s for s in stations(p) if s.name == "measure")
    assert sum(q.label.startswith("To trim") for q in measure.questions) == 4
    bare = next(s for s in stations(plan(job("window mat", "paper"))) if s.name == "measure")
    assert not any(q.label.startswith("To trim") for q in bare.questions)


@pytest.mark.parametrize(
    ("display", "what", "inside", "hidden"),
    [
        ("window mat", "paper", 3.9, True),
        ("window mat", "paper", 4.0, False),
        ("canvas frame", "canvas", 5.9, True),
        ("canvas frame", "canvas", 6.1, False),
        ("two-pane float", "plant", 0.5, False),
        ("puzzle frame", "puzzle", 0.5, False),
        ("floater", "canvas", 0.5, False),
    ],
)
def test_a_mark_is_hidden_only_by_what_covers_the_piece(display: str, what: str, inside: float, hidden: bool):
    mark = Edit(at="pieces/piece/edge_marks/m", to={"side": "right", "inside": {"mm": inside}, "what": "stamp"})
    found = codes(plan(job(display, what), mark))
    assert ("mark.hidden" in found) == hidden


def test_a_mark_is_shown_whole_when_the_whole_sheet_is():
    mark = Edit(at="pieces/piece/edge_marks/m", to={"side": "right", "inside": {"mm": 1}})
    assert "mark.hidden" not in codes(plan(job("window mat", "paper", WHOLE), mark))


@given(st.floats(20, 60), st.floats(1.5, 4))
def test_packers_close_the_tabs_wherever_boards_can(depth: float, glass: float):
    frame = {k: r(v) for k, v in BOX.items()} | {"depth": r(depth), "glass": r(glass)}
    for use in ("used", "left out"):
        p = plan(job("ready-made box", "paper", {"ready_made": {"frame": frame, "glass": use}}, worth="everyday"))
        total = sum((value(p, x.key) for x in p.assembly.layers), 0.0)
        assert total == pytest.approx(value(p, "depth.package"))
        assert value(p, "depth.left") == pytest.approx(depth - total)


def test_a_bought_frame_is_measured_and_never_taken_from_its_label():
    p = plan(boxed("paper"))
    assert value(p, "box.wall") == (412 - 362) / 2
    assert "rail.width" not in p.desk.sheet, "nothing of it is cut"
    assert p.assembly.moulding is None
    assert p.desk.sheet["box.lip"].kind == "read"
    no_lip = {k: r(v) for k, v in BOX.items() if k != "lip"}
    guessed = plan(job("ready-made box", "paper", {"ready_made": {"frame": no_lip}}, worth="everyday"))
    assert guessed.desk.sheet["box.lip"].source == "not measured: by eye"


def test_ids_of_marks_stand_once():
    mark = {"id": "m", "inside": {"mm": 3}}
    data = job("window mat", "paper", edge_marks=[mark]).as_written()
    data["pieces"][0]["edge_marks"] = [mark, mark]
    from shadbo.core.job.edits import read_job

    with pytest.raises(BadEdit, match="only once"):
        read_job(data)
