"""A frame that exists: its own section and sizes, nothing of it ordered, whatever is built in it."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.displays.registry import DISPLAYS
from shadbo.core.job.job import Job
from shadbo.core.job.own_frame import FRONT_MM
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from tests.flat import SHOP, job, r
from tests.making import codes

FRAMED = {d.home.kind: d.frames for d in DISPLAYS if d.frames != "none"}
JOBS = {j.display: j.model_copy(update={"pins": {}, "practice": None, "mark": None}) for j in demo_jobs()}
FLOATER = {"wall": r(30), "inside_depth": r(48), "ledge": r(25), "ledge_thick": r(8)}


def own(w: float, h: float, face: float = 30, lip: float = 6, rabbet: float = 48, **more: Any) -> dict[str, Any]:
    sizes = {"width_top": r(w), "width_bottom": r(w), "height_left": r(h), "height_right": r(h)}
    section = {"face": r(face), "lip": r(lip), "rabbet": r(rabbet), "height": r(rabbet + 12)}
    return {**section, **FLOATER, **sizes, **more}


def inside(plan: Plan) -> tuple[float, float]:
    s = plan.desk.sheet
    return s["frame.inside_width.middle"].value, s["frame.inside_height.middle"].value


def in_frame(start: Job, frame: dict[str, Any], *edits: Edit) -> Plan:
    plan = change(start, [Edit(at="frame", to=frame), *edits], SHOP).plan
    assert plan is not None
    return plan


@pytest.mark.parametrize("kind", [k for k, form in FRAMED.items() if form == "rabbet"])
def test_its_own_glass_goes_in_again_and_is_neither_cut_nor_paid(kind: str):
    start = JOBS[kind]
    size = inside(assess(start, SHOP))
    new, again = in_frame(start, own(*size)), in_frame(start, own(*size, glass=r(2.2)))
    assert again.assembly is not None
    if not any(p.sheet is not None for p in again.assembly.by_role("glazing")):
        return
    first = again.assembly.by_role("glazing")[0]
    assert again.desk.sheet[first.key].value == pytest.approx(2.2)
    assert first.price == 0
    rows = {row.name: row.material for row in cut_list(again)}
    assert rows[first.name] == "out of the frame"
    assert again.desk.sheet["price.materials"].value < new.desk.sheet["price.materials"].value
    impossible = [{f.code for f in p.findings if f.code.startswith("solid")} for p in (new, again)]
    assert impossible[1] <= impossible[0]


@pytest.mark.parametrize("kind", [k for k, form in FRAMED.items() if form == "rabbet"])
def test_the_whole_depth_of_a_frame_is_reckoned_from_its_rabbet_where_nobody_read_it(kind: str):
    start = JOBS[kind]
    frame = own(*inside(assess(start, SHOP)))
    unread = in_frame(start, {k: v for k, v in frame.items() if k != "height"})
    assert not unread.asks
    s = unread.desk.sheet
    assert s["profile.height"].value == s["profile.rabbet"].value + FRONT_MM


def test_a_second_frame_like_it_gives_the_back_pane_and_says_what_is_left():
    start = job("two-pane float", "plant")
    size = inside(assess(start, SHOP))
    second = Edit(at="options/panes/second_frame", to=True)
    one, two = in_frame(start, own(*size, glass=r(2))), in_frame(start, own(*size, glass=r(2)), second)
    cut = [sum(row.material == "out of the frame" for row in cut_list(p)) for p in (one, two)]
    assert cut == [1, 2]
    assert two.desk.sheet["price.materials"].value < one.desk.sheet["price.materials"].value
    said = {q.label: q.value.mm for s in stations(two) for q in s.questions if q.value is not None}
    assert said["Left of the second frame"].startswith("its rails, outside")
    unread = in_frame(start, own(*size), second)
    assert "pane.second" in codes(unread)
    decided = Edit(at="options/panes/pane", to=SHOP.stock.sheets_of("acrylic")[0].model_dump(mode="json"))
    assert "frame.joined" in codes(in_frame(start, own(*size, glass=r(2)), second, decided))
    assert "frame.joined" not in codes(in_frame(start, own(*size, glass=r(2)), decided)), "it is the back pane"


@pytest.mark.parametrize("kind", FRAMED)
def test_a_frame_that_exists_is_asked_for_and_nothing_of_it_is_cut_or_bought(kind: str):
    start = JOBS[kind]
    made = assess(start, SHOP)
    asked = in_frame(start, {})
    section = {"rabbet": {"frame/face", "frame/rabbet"}, "ledge": {"frame/wall", "frame/inside_depth"}}[FRAMED[kind]]
    assert {a.at for a in asked.asks} >= {*section, "frame/width_top", "frame/height_left"}
    plan = in_frame(start, own(*inside(made)))
    assert not plan.asks
    assert plan.assembly is not None
    assert not any(p.to_cut for p in plan.assembly.by_role("rail"))
    assert "rail.order" not in plan.desk.sheet
    assert plan.desk.sheet["price.materials"].value < made.desk.sheet["price.materials"].value + 20
    assert any(row.material == "joined already" for row in cut_list(plan))
    assert "built.off" not in codes(plan)
    shown = [q.at for s in stations(plan) for q in s.questions]
    assert "pins/rail.width" not in shown
    assert "pins/frame.inside_width.top" not in shown or FRAMED[kind] == "rabbet"


@pytest.mark.parametrize("kind", [k for k, form in FRAMED.items() if form == "rabbet"])
@settings(max_examples=12, deadline=None)
@given(st.floats(-25, 40), st.floats(-25, 40), st.floats(18, 60), st.floats(4, 9), st.floats(20, 70))
def test_what_is_cut_goes_into_the_rabbet_that_is_there(kind, dw, dh, face, lip, rabbet):
    made = assess(JOBS[kind], SHOP)
    w, h = (x + d for x, d in zip(inside(made), (round(dw, 1), round(dh, 1)), strict=True))
    plan = in_frame(JOBS[kind], own(w, h, round(face, 1), round(lip, 1), round(rabbet, 1)))
    s = plan.desk.sheet
    assert s["profile.lip"].value == pytest.approx(round(lip, 1))
    assert s["frame.sight_width"].value == pytest.approx(w - 2 * round(lip, 1), abs=0.06)
    if kind != "canvas frame":  # a canvas is as it is
        assert s["package.width"].value <= w
        assert s["package.height"].value <= h
    elif dw < -3:
        assert plan.worst == "stop", "a canvas larger than the rabbet goes in nowhere"
    deep = s["depth.needed"].value if "depth.needed" in s else 0.0
    if deep > s["frame.rabbet_depth"].value + 0.1:
        assert plan.worst == "stop"


def test_only_readings_that_were_taken_tell_of_a_bow():
    made = assess(JOBS["window mat"], SHOP)
    w, h = inside(made)
    one_end = {k: v for k, v in own(w, h).items() if k not in ("width_bottom", "height_right")}
    assert in_frame(JOBS["window mat"], one_end).desk.sheet["fit.bow_width"].value == 0
    bowed = in_frame(JOBS["window mat"], own(w, h, width_middle=r(w + 4)))
    assert bowed.desk.sheet["fit.bow_width"].value == pytest.approx(4)
    assert "hold.small" in codes(bowed)


def test_an_outside_that_disagrees_with_inside_face_and_lip_is_read_again():
    w, h = inside(assess(JOBS["window mat"], SHOP))
    fine = in_frame(JOBS["window mat"], own(w, h, outside_width=r(w + 48.5)))
    assert "frame.disagrees" not in codes(fine)
    wrong = in_frame(JOBS["window mat"], own(w, h, outside_width=r(w)))
    assert codes(wrong)["frame.disagrees"] == "measure"
    w, h = inside(assess(JOBS["floater"], SHOP))
    assert "frame.disagrees" not in codes(in_frame(JOBS["floater"], own(w, h, outside_width=r(w + 60.5))))
    assert "frame.disagrees" in codes(in_frame(JOBS["floater"], own(w, h, outside_width=r(w))))


@pytest.mark.parametrize("kind", [d.home.kind for d in DISPLAYS if d.frames == "none" and d.home.kind in JOBS])
def test_a_display_that_takes_none_says_so_and_plans_as_before(kind: str):
    before, after = assess(JOBS[kind], SHOP), in_frame(JOBS[kind], own(400, 300))
    assert "frame.unused" in codes(after)
    numbers = {k: q.value for k, q in before.desk.sheet.named.items()}
    assert {k: q.value for k, q in after.desk.sheet.named.items()} == numbers


def test_its_own_hangers_hang_it_where_they_sat_and_a_lost_one_is_replaced():
    start = JOBS["window mat"]
    w, h = inside(assess(start, SHOP))
    kept = in_frame(start, own(w, h, hanger="on its rails", hanger_kind="straps", hanger_down=r(120)))
    assert kept.hang is not None
    assert kept.hang.kind == "straps"
    assert kept.hang.down.value == 120
    assert "hang.unrated" in codes(kept)
    assert "own hangers" in kept.hang.reason.mm
    lost = in_frame(start, own(w, h, hanger="on a part left out"))
    assert lost.hang is not None
    assert lost.hang.hanger in SHOP.stock.hangers


def test_what_was_decided_of_a_frame_to_be_made_is_refused_with_its_reason():
    start = JOBS["window mat"]
    w, h = inside(assess(start, SHOP))
    profile = SHOP.stock.frames[0].model_dump(mode="json")
    plan = in_frame(
        start,
        own(w, h),
        Edit(at="options/window_mat/profile", to=profile),
        Edit(at="options/window_mat/joint", to="splines"),
    )
    assert {f.place for f in plan.findings if f.code == "frame.joined"} == {"moulding", "joint"}


@pytest.mark.parametrize(
    ("frame", "field"),
    [
        ({"face": r(20), "lip": r(22)}, "frame"),
        ({"face": r(20), "lip": r(18)}, "frame"),
        ({"rabbet": r(30), "height": r(28)}, "frame"),
        ({"face": {"mm": 0, "typed": "0", "tool": "rule"}}, "frame"),
    ],
)
def test_a_section_that_cannot_be_is_refused(frame: dict[str, Any], field: str):
    with pytest.raises(BadEdit) as bad:
        change(JOBS["window mat"], [Edit(at="frame", to=frame)], SHOP)
    assert bad.value.at.startswith(field)


def test_a_display_that_does_not_take_the_piece_is_said_never_replaced_without_a_word():
    start = JOBS["floater"]
    plan = change(start, [Edit(at="display", to="needlework frame")], SHOP).plan
    assert plan is not None
    assert plan.findings[0].code == "display.replaced" or "display.replaced" in codes(plan)
    assert "needlework" in next(f.detail.mm for f in plan.findings if f.code == "display.replaced")


@pytest.mark.parametrize("margin", [None, 0, 25])
def test_a_sheet_without_a_mat_lies_behind_spacers(margin: float | None):
    edits = [Edit(at="options/window_mat/shows", to="no mat")]
    if margin is not None:
        edits.append(Edit(at="options/window_mat/margin", to={"mm": margin, "typed": f"{margin}"}))
    start = next(j for j in demo_jobs() if j.title.startswith("Oyster beds"))
    plan = change(start.model_copy(update={"pins": {}}), edits, SHOP).plan
    assert plan is not None
    assert plan.assembly is not None
    assert not plan.assembly.by_role("mat")
    assert plan.assembly.by_role("spacer")
    assert "solid.loose" not in codes(plan)
    assert "solid.clash" not in codes(plan)


def test_a_mat_stands_off_a_loose_surface_on_spacers_of_its_own():
    start = next(j for j in demo_jobs() if j.title.startswith("Oyster beds"))
    plan = change(
        start.model_copy(update={"pins": {}}), [Edit(at="options/window_mat/stands_off", to=True)], SHOP
    ).plan
    assert plan is not None
    assert plan.assembly is not None
    order = [p.id for p in plan.assembly.parts if p.id in ("glazing", "mat", "mat_spacer", "spacer", "piece")]
    assert order.index("mat") < order.index("mat_spacer")
    assert "spacer" not in order
    assert not {"solid.clash", "solid.loose"} & set(codes(plan))


@pytest.mark.parametrize("kind", FRAMED)
def test_every_section_that_is_taken_in_is_planned(kind: str):
    """A lip that leaves just enough of the face, the thinnest ledge, the deepest rabbet: none breaks the sums."""
    w, h = inside(assess(JOBS[kind], SHOP))
    for face, lip, rabbet in ((3.6, 0.5, 0.5), (60, 56.9, 70), (8, 4.9, 1000 - 12.1)):
        edits = [Edit(at="frame", to=own(w, h, face, lip, rabbet, wall=r(face), ledge_thick=r(0.5)))]
        assert change(JOBS[kind], edits, SHOP).plan is not None, (face, lip, rabbet)


def test_making_the_frame_after_all_keeps_what_was_read():
    start = JOBS["window mat"]
    kept = change(start, [Edit(at="frame", to=own(400, 500))], SHOP).job
    row = next(q for s in stations(assess(kept, SHOP)) for q in s.questions if q.at == "frame")
    made = change(kept, [Edit(at="frame", to=next(c.to for c in row.choices if not c.picked))], SHOP)
    assert made.plan is not None
    assert "rail.width" in made.plan.desk.sheet
    again = next(q for s in stations(made.plan) for q in s.questions if q.at == "frame")
    back = change(made.job, [Edit(at="frame", to=next(c.to for c in again.choices if not c.picked))], SHOP).job
    assert back.frame == kept.frame


def test_a_floater_and_a_rabbeted_frame_are_read_apart():
    """A floater deeper than the moulding that was read before is no contradiction."""
    frame = own(400, 500, rabbet=20) | {"inside_depth": r(46)}
    assert change(JOBS["floater"], [Edit(at="frame", to=frame)], SHOP).plan is not None


def test_the_error_of_reading_a_floater_reaches_its_face():
    made = assess(JOBS["floater"], SHOP)
    rough = own(*inside(made)) | {"inside_depth": {**r(48), "tool": "eye"}}
    plan = in_frame(JOBS["floater"], rough)
    assert plan.desk.sheet["face.made"].worst > made.desk.sheet["face.made"].worst + 2
