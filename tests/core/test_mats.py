"""Stepped openings, mirrored cutting lines with start and stop, letters with islands and bridges, traced zones."""

import html
import re
from itertools import combinations, pairwise

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from shadbo.core.advise import advise
from shadbo.core.cutting.mat_lines import Mat, cut_lines, face_edge, mats_of, on_mat
from shadbo.core.drawing.board import views_of
from shadbo.core.drawing.mat import mat_scene
from shadbo.core.drawing.scene import Words
from shadbo.core.pieces.objects import Trace, Zone
from shadbo.core.pieces.zones import zone_ring
from shadbo.core.plan import Plan
from shadbo.core.shapes.letters import GLYPHS, lettering, unknown
from shadbo.core.shapes.perspective import perspective, through
from shadbo.core.shapes.polygon import CORNERS, apart, area, box_of, holds, mirrored, offset, square_cornered, stepped
from shadbo.core.shop.values import Length
from shadbo.core.words.lengths import Mark, MarkName, parse
from shadbo.demo.jobs import demo_jobs
from shadbo.files.mat_sheet import mat_page
from tests.core.test_box_slips import PHOTO, jersey, lit
from tests.flat import SHOP, job, plan, sized, value

PATCH = sized("badge", 70, 80, shape="rectangle", sort="patch", relief=2)
NOTCHES = st.dictionaries(st.sampled_from(CORNERS), st.tuples(st.integers(10, 90), st.integers(10, 90)))


@given(st.integers(200, 800), st.integers(200, 800), NOTCHES)
@settings(max_examples=100, deadline=None)
def test_a_stepped_opening_is_one_outline_with_right_angles_only(w, h, notches):
    ring = stepped(w, h, notches)
    assert square_cornered(ring)
    assert len(ring) == 4 + 2 * len(notches)
    assert area(ring) == pytest.approx(w * h - sum(a * b for a, b in notches.values()))
    assert box_of(ring) == (-w / 2, -h / 2, w / 2, h / 2)


@given(st.integers(200, 800), st.integers(200, 800), NOTCHES, st.integers(1, 8))
@settings(max_examples=100, deadline=None)
def test_the_outer_mat_follows_the_inner_at_the_reveal_on_every_side(w, h, notches, reveal):
    assume(all(a > 2 * reveal for pair in notches.values() for a in pair))
    ring = stepped(w, h, notches)
    grown = offset(ring, reveal)
    assert offset(grown, -reveal) == tuple(pytest.approx(p) for p in _from(ring, offset(grown, -reveal)[0]))
    assert square_cornered(grown)


def _from(ring: tuple, first: tuple) -> tuple:
    n = min(range(len(ring)), key=lambda i: abs(ring[i][0] - first[0]) + abs(ring[i][1] - first[1]))
    return ring[n:] + ring[:n]


def test_notches_that_meet_are_refused():
    with pytest.raises(ValueError, match="leave nothing of the opening"):
        stepped(200, 300, {"bottom left": (100, 50), "bottom right": (100, 50)})
    with pytest.raises(ValueError, match="swallows a side"):
        offset(((0, 0), (10, 0), (10, 10), (0, 10)), -6)


def test_the_sheet_is_mirrored_and_measured_from_two_edges():
    p = plan(jersey({"detail": PHOTO}, double=False))
    mat = mats_of(p)[0]
    window = next(w for w in mat.windows if w.id == "piece-2")
    front_left = box_of(window.ring)[0] + mat.width / 2
    lines = [x for x in cut_lines(mat) if x.window == "piece-2"]
    uprights = sorted(x.first_edge for x in lines if x.upright)
    assert uprights[1] == pytest.approx(mat.width - front_left), "what is left in front is right on the back"
    for line in lines:
        assert line.first_edge + line.second_edge == pytest.approx(mat.width if line.upright else mat.height)
    assert box_of(mirrored(window.ring))[2] == -box_of(window.ring)[0]


def test_the_blade_starts_and_stops_a_thickness_past_the_corner_and_at_the_tip_of_a_notch():
    mat = mats_of(plan(jersey({"detail": PATCH}, double=False)))[0]
    opening = next(w for w in mat.windows if w.id == "opening")
    lines = [x for x in cut_lines(mat) if x.window == "opening"]
    assert len(lines) == len(opening.ring) == 6
    inner, tips = 0, 0
    for line in lines:
        for cut, drawn in ((line.drawn_from - line.from_, "from"), (line.to - line.drawn_to, "to")):
            assert cut in (pytest.approx(mat.thick), pytest.approx(0)), drawn
            inner, tips = inner + (cut > 0.1), tips + (cut < 0.1)
    assert (inner, tips) == (10, 2), "two sides meet at the one tip"
    assert area(face_edge(opening, mat.thick)) > area(opening.ring)


def test_both_mats_are_listed_and_their_strips_known():
    p = plan(jersey({"detail": PHOTO}, {"detail": PATCH}))
    mats = mats_of(p)
    assert [m.id for m in mats] == ["mat", "mat_inner"]
    assert set(views_of(p)) >= {"mat", "holes"}
    inner = mats[1]
    between = min(apart(a.ring, b.ring) for a, b in combinations(inner.windows, 2))
    assert between == pytest.approx(value(p, "mat.strip") + 2 * value(p, "mat.reveal"), abs=0.01)
    half = (inner.width / 2, inner.height / 2)
    assert all(abs(x) < half[0] and abs(y) < half[1] for w in inner.windows for x, y in w.ring)


def test_a_round_opening_has_no_straight_line():
    p = plan(lit())
    middle = next(m for m in mats_of(p) if m.id == "middle")
    assert len(cut_lines(middle)) > 0
    assert "mat" not in views_of(p), "a board of letters is no mat"


def test_every_line_of_the_drawing_carries_its_number_on_the_waste():
    p = plan(jersey({"detail": PHOTO}))
    scene = mat_scene(p, "mm")
    numbers = [e for e in scene.elements if isinstance(e, Words) and e.text.isdigit()]
    assert [int(e.text) for e in numbers] == list(range(1, 9))
    rings = [mirrored(w.ring) for w in mats_of(p)[0].windows]
    for e in numbers:
        inside = (e.at[0] + e.nudge[0] / 10, e.at[1] - e.nudge[1] / 10)
        assert any(holds(ring, inside) for ring in rings)


def test_single_window_mats_have_a_cutting_sheet_too():
    p = plan(job("window mat", "paper", {"window_mat": {"double": True}}))
    assert [len(cut_lines(m)) for m in mats_of(p)] == [4, 4]


def test_closed_letters_leave_islands_and_bridges_hold_them():
    """A, B (two) and O are closed; L and T are not."""
    assert [lettering(x, 50).islands for x in "ABOLT"] == [1, 2, 1, 0, 0]
    loose, held = lettering("O", 70), lettering("O", 70, 4)
    assert (len(loose.rings), len(loose.holes)) == (1, 1)
    assert (len(held.rings), len(held.holes)) == (2, 0), "two halves, and the middle hangs on its bridges"
    assert sum(area(r) for r in held.rings) == pytest.approx(
        area(loose.rings[0]) + area(loose.holes[0]) - 2 * 4 * 10, abs=0.01
    )


@given(st.text("ILT", min_size=2, max_size=8), st.integers(20, 120))
@settings(max_examples=20, deadline=None)
def test_letters_follow_one_another_at_one_pitch(text, high):
    """The same letter further on is the same outline, moved by a whole number of letters."""
    found = lettering(text, high)
    one = {x: box_of(lettering(x, high).rings[0]) for x in "ILT"}
    pitch = found.width / (len(text) - 1 + one["T"][2] * 2 / (one["T"][2] * 2 + high / 7)) if len(text) > 1 else 0
    lefts = [box_of(r)[0] - one[x][0] for x, r in zip(text, found.rings, strict=True)]
    assert [b - a for a, b in pairwise(lefts)] == pytest.approx([pitch] * (len(text) - 1), rel=0.02)


@given(st.text("".join(GLYPHS) + " ", min_size=1, max_size=10), st.integers(20, 120), st.sampled_from([0.0, 3.0]))
@settings(max_examples=60, deadline=None)
def test_letters_stay_inside_their_line(text, high, bridge):
    found = lettering(text, high, bridge)
    for ring in found.rings:
        left, low, right, top = box_of(ring)
        assert left >= -found.width / 2 - 1e-6
        assert right <= found.width / 2 + 1e-6
        assert low >= -high / 2 - 1e-6
        assert top <= high / 2 + 1e-6
        assert square_cornered(ring)
    if bridge:
        assert found.holes == (), "nothing falls out"


def test_signs_that_the_alphabet_lacks_are_named():
    assert unknown("Quay 7?ß") == "?ß" or set(unknown("Quay 7?ß")) <= set("?ßS")
    assert unknown("QUAY 7") == ""


SEEN = ((0.1, 0.1), (0.9, 0.05), (0.95, 0.9), (0.05, 0.95))


def test_a_zone_traced_on_a_photograph_comes_out_at_true_size():
    trace = Trace(photo=1, corners=SEEN, points=SEEN)
    ring = zone_ring(Zone(id="z", trace=trace), 600, 400)
    assert ring == tuple(pytest.approx(d) for d in ((-300, 200), (300, 200), (300, -200), (-300, -200)))
    flat = zone_ring(Zone(id="z", left=Length(mm=40), top=Length(mm=30)), 600, 400)
    assert box_of(flat) == (-260, 140, -200, 170)


@given(st.floats(0.15, 0.85), st.floats(0.15, 0.85))
@settings(max_examples=50, deadline=None)
def test_perspective_goes_there_and_back(u, v):
    true = ((-300.0, 200.0), (300.0, 200.0), (300.0, -200.0), (-300.0, -200.0))
    there, back = perspective(SEEN, true), perspective(true, SEEN)
    assert through(back, through(there, (u, v))) == (pytest.approx(u, abs=1e-9), pytest.approx(v, abs=1e-9))


def test_corners_on_one_line_are_refused():
    with pytest.raises(ValueError, match="one line"):
        perspective(((0, 0), (0.5, 0), (1, 0), (0, 1)), ((0, 0), (1, 0), (1, 1), (0, 1)))


@pytest.mark.parametrize("mark", ["0.5 mm", "1/16 in", "1/32 in"])
def test_both_edges_of_a_line_add_up_to_the_mat_and_the_run_past_a_corner_is_never_rounded_away(mark: MarkName):
    shop = SHOP.model_copy(update={"mark": mark})
    p = plan(jersey({"detail": PHOTO}, {"detail": PATCH}), shop=shop)
    grid = Mark.named(mark).mm
    for mat in mats_of(p):
        rows = html_rows(p, mat)
        lines = cut_lines(mat)
        assert len(rows) == len(lines)
        for line, row in zip(lines, rows, strict=True):
            first, second, from_, to = (parsed(cell, mark) for cell in (row[3], row[4], row[6], row[7]))
            whole = mat.width if line.upright else mat.height
            assert first + second == pytest.approx(whole, abs=1e-6), "at the mark, as the mat is cut"
            assert first == pytest.approx(line.first_edge, abs=grid / 2 + 1e-6)
            assert from_ <= line.from_ + 1e-6
            assert to >= line.to - 1e-6


def html_rows(p: Plan, mat: Mat) -> list[list[str]]:
    page = mat_page(p, mat, p.desk.mark.system)
    table = page.split("<table")[1]
    return [re.findall(r"<td[^>]*>(.*?)</td>", row) for row in table.split("<tr>")[2:]]


def parsed(cell: str, mark: MarkName) -> float:
    text = html.unescape(re.sub(r"<[^>]+>", "", cell)).strip()
    return parse(text, Mark.named(mark).system)


def test_a_notch_is_as_wide_in_the_mat_as_its_line_says():
    p = plan(jersey({"detail": {**PATCH, "width": {"mm": 76.2, "typed": "76.2", "tool": "rule"}}}))
    ring = next(w for w in p.assembly.windows if w.id == "opening-inner").ring
    xs = sorted({round(x, 4) for x, _ in ring})
    steps = {round(b - a, 4) for a, b in pairwise(xs)}
    assert round(value(p, "item.piece-2.notch_width"), 4) in steps


def test_the_sheet_of_the_outer_mat_says_where_badges_sit_and_what_comes_first():
    plate = sized("plate", 90, 20, sort="nameplate", thickness=1)
    named = ({"detail": PATCH, "name": "crew badge"}, {"detail": plate, "name": "oar plate"})
    p = plan(jersey({"detail": PHOTO}, *named))
    assert p.assembly is not None
    outer, inner = (mat_page(p, m, "mm") for m in mats_of(p))
    assert {x.name for x in on_mat(p.assembly, "mat")} == {"crew badge", "oar plate"}
    assert "crew badge" in outer
    assert "oar plate" in outer
    assert "FROM THE FRONT" in outer
    assert "crew badge" not in inner
    assert outer.index("window for") < outer.index("Lay the inner mat on")
    assert "when both mats are joined" in inner


def test_a_shirt_is_pinned_to_foam_board_of_five_millimetres():
    p = plan(jersey())
    board = next(x.sheet for x in p.assembly.parts if x.id == "board")
    assert board is not None
    assert (board.kind, board.thick_mm) == ("foam board", 5)
    card = next(x for x in SHOP.stock.sheets if x.kind == "mat" and x.width_mm > 1000).model_dump(mode="json")
    thin = advise(jersey(board=card), SHOP)
    found = next(f for f in thin.findings if f.code == "mount.pins")
    assert (found.severity, bool(found.remedies)) == ("stop", True)


def test_strips_of_a_stacked_spacer_are_counted_one_by_one():
    p = plan(next(j for j in demo_jobs() if j.display == "jersey box"))
    spacer = next(x for x in p.assembly.parts if x.id == "spacer")
    n = int(value(p, "spacer.count"))
    assert spacer.count == 4 * n
    assert spacer.thick is not None
    assert spacer.width is not None
    assert spacer.width.value * n == pytest.approx(value(p, "stack.spacer"))
