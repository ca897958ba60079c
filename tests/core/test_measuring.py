"""The measuring board: a place for each reading that is needed, on the paper, none on another, true to the piece."""

import xml.etree.ElementTree as ET
from itertools import combinations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.assess import assess
from shadbo.core.drawing.board import draw
from shadbo.core.job.job import Job
from shadbo.core.pieces.measures import measures
from shadbo.core.pieces.objects import Badge, Flag, Garment, Keepsake, Plate
from shadbo.core.pieces.pieces import (
    LooseCanvas,
    Needlework,
    Panel,
    Paper,
    PressedPlant,
    Puzzle,
    StretchedCanvas,
)
from shadbo.core.pieces.taping import CELLS, HIGH, WIDE, equal_pieces, taping, taping_among
from shadbo.core.stations import stations
from tests.flat import SHOP, detail, job, plan, sized
from tests.making import reading

KINDS = (
    *(StretchedCanvas, LooseCanvas, Panel, Paper, Puzzle, Needlework, PressedPlant),
    *(Garment, Flag, Badge, Keepsake, Plate),
)
FIELD = (62.0, 26.0)
"""Half of a field's width and height on the board, its label and echo aside."""
LENGTHS = st.floats(10, 4000).map(lambda x: round(x, 1))


@pytest.mark.parametrize("kind", KINDS)
@given(w=LENGTHS, h=LENGTHS)
def test_fields_stand_on_the_board_and_not_on_each_other(kind, w, h):
    names = {f: reading(w) for f in ("width", "width_top") if f in kind.model_fields}
    names |= {f: reading(h) for f in ("height", "height_left") if f in kind.model_fields}
    laid = taping(kind(**names))
    needed = [m.name for m in measures(kind(**names)) if m.needed and m.name in laid.places]
    assert len(needed) >= min(3, sum(m.needed for m in measures(kind())))
    for name in needed:
        (x, y), (half_x, half_y) = laid.places[name].at, FIELD
        assert half_x - 0.1 <= x <= WIDE - half_x + 1, name
        assert half_y <= y <= HIGH - half_y, name
    for one, other in combinations(needed, 2):
        (x0, y0), (x1, y1) = laid.places[one].at, laid.places[other].at
        assert abs(x0 - x1) >= 2 * FIELD[0] - 20 or abs(y0 - y1) >= 2 * FIELD[1] - 8, (one, other)


GATHERED = (Garment, Badge, Keepsake, Plate, Paper, Puzzle, PressedPlant)


@given(st.lists(st.tuples(st.sampled_from(GATHERED), LENGTHS, LENGTHS), min_size=2, max_size=7))
def test_several_pieces_stand_in_cells_of_their_own_and_no_field_on_another(pieces):
    taken: list[tuple[float, float, str]] = []
    for n, (kind, w, h) in enumerate(pieces):
        sizes = {f: reading(w) for f in ("width", "width_top") if f in kind.model_fields}
        sizes |= {f: reading(h) for f in ("height", "height_left") if f in kind.model_fields}
        laid = taping_among(kind(**sizes), n, len(pieces))
        assert (laid is None) == (n >= CELLS)
        if laid is None:
            continue
        needed = [m.name for m in measures(kind()) if m.needed]
        assert set(needed) <= set(laid.places), "each reading that is needed lies on the board"
        taken += [(*laid.places[name].at, f"{n} {name}") for name in needed]
    for x, y, name in taken:
        assert FIELD[0] <= x <= WIDE - FIELD[0] + 1, name
        assert FIELD[1] <= y <= HIGH - FIELD[1], name
    for one, other in combinations(taken, 2):
        apart = abs(one[0] - other[0]) >= 2 * FIELD[0] - 20 or abs(one[1] - other[1]) >= 2 * FIELD[1] + 8
        assert apart, (one, other)


def test_several_pieces_are_measured_on_the_board_and_each_field_says_whose_it_is():
    plate = {"id": "plate", "name": "gale", "detail": {"kind": "plate"}}
    medals = [x.model_dump(mode="json") for x in three_medals().pieces]
    p = plan(Job.model_validate({"pieces": [*medals, plate], "display": "shadow box"}))
    rows = next(s for s in stations(p) if s.name == "measure").questions
    spots = [(q.spot.of, q.spot.label) for q in rows if q.spot is not None]
    assert spots == [
        *(("medal", x) for x in ("Width", "Height", "Stands in front")),
        *(("gale", x) for x in ("Width", "Height", "Thickness")),
    ]
    words = "".join(ET.fromstring(draw(p, "tape", "mm").svg).itertext())
    assert "medal · 3 alike" in words
    assert "gale" in words


@given(w=LENGTHS, h=LENGTHS)
def test_a_measured_piece_stands_true_to_its_readings(w: float, h: float):
    laid = taping(Paper(width_top=reading(w), height_left=reading(h)))
    (left, top), (right, _), (_, low), _ = laid.ring
    assert (right - left) / (low - top) == pytest.approx(w / h, rel=1e-6)
    assert laid.to_scale
    assert not taping(Paper()).to_scale


def test_what_is_read_is_a_firm_line_and_what_is_lit_shows_its_tape():
    p = plan(job("window mat", detail("paper", 400, 300, 0.3)))
    root = ET.fromstring(draw(p, "tape", "mm").svg)
    assert root.get("viewBox") == "0 0 752 652"
    lines = [g for g in root.iter("{http://www.w3.org/2000/svg}g") if g.get("class") == "line"]
    assert {g.get("data-key") for g in lines} >= {"piece.width_top", "piece.height_right"}
    hidden = [g for g in root.iter("{http://www.w3.org/2000/svg}g") if g.get("visibility") == "hidden"]
    assert "piece.diagonal_up" in {g.get("data-key") for g in hidden}


def test_the_tape_goes_round_in_its_order_and_the_rest_is_folded():
    rows = next(s for s in stations(plan(job("floater", "canvas"))) if s.name == "measure").questions
    way = [q.at.rsplit("/")[-1] for q in rows if not q.aside and q.kind == "reading"]
    assert way == ["width_top", "width_bottom", "height_left", "height_right", "depth", "bar_face"]
    assert all(q.spot for q in rows if not q.aside and q.kind == "reading")
    folded = {q.at.rsplit("/")[-1] for q in rows if q.fold}
    assert {"width_middle", "diagonal_up", "weight_kg"} <= folded


def three_medals() -> Job:
    medal = sized("badge", 36, 90, relief=4, sort="medal")
    one = {"id": "piece", "detail": medal}
    more = ({**one, "id": "medal-2"}, {**one, "id": "medal-3", "name": "gale"})
    return Job.model_validate({"pieces": [one, *more], "display": "shadow box"})


def test_equal_pieces_are_read_once_and_their_answers_go_to_all():
    the_job = three_medals()
    assert [[p.id for p in g] for g in equal_pieces(the_job.pieces)] == [["piece", "medal-2", "medal-3"]]
    rows = next(s for s in stations(assess(the_job, SHOP)) if s.name == "measure").questions
    width = next(q for q in rows if q.at == "pieces/piece/detail/width")
    assert width.also == ("pieces/medal-2/detail/width", "pieces/medal-3/detail/width")
    assert sum(q.kind == "reading" and not q.fold for q in rows) == 3
    sort = next(q for q in rows if q.at == "pieces/piece/detail/sort")
    assert len(sort.also) == 2, "not its readings alone: whatever is answered of one is answered of all"
    own_name = next(q for q in rows if q.at == "pieces/piece/name")
    assert not own_name.also
    more = next(q for q in rows if q.id == "act:like:piece")
    assert more.edits[0].to["detail"] == {"kind": "badge", **sized("badge", 36, 90, relief=4, sort="medal")}


def test_thirty_rows_of_receiving_are_a_handful():
    for display, what in (("floater", "canvas"), ("window mat", "paper"), ("shadow box", "badge")):
        rows = next(s for s in stations(plan(job(display, what))) if s.name == "receive").questions
        assert len(rows) > 20
        assert len([q for q in rows if not q.fold]) <= 11
        said = next(q for q in rows if q.id == "fold:facts")
        assert said.value is not None
        assert said.value.mm.startswith("as usual for a")


def test_a_station_without_readings_leads_to_them():
    asks = plan(job("floater", {"kind": "stretched canvas"}))
    rows = next(s for s in stations(asks) if s.name == "parts").questions
    assert [q.goes for q in rows if q.kind == "way"] == ["measure"]


def test_a_sheet_that_nobody_measured_has_the_thickness_of_its_sort_alone_and_among_others():
    bare = {k: v for k, v in detail("paper", 400, 300, 0.3).items() if k != "thickness"} | {"sort": "watercolour"}
    alone = plan(job("window mat", bare)).desk.sheet
    assert alone["piece.thickness"].value == 0.6
    among = plan(job("shadow box", bare)).desk.sheet
    assert among["item.piece.front"].value == 0.6
    row = next(q for s in stations(plan(job("window mat", bare))) for q in s.questions if q.at.endswith("/thickness"))
    assert row.note is not None
    assert row.note.mm == "0.6 mm taken, usual for a watercolour"
