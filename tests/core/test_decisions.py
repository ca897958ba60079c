"""Decisions are obeyed or refused, never dropped: every answer to every question gives a plan of its own."""

import math
from collections.abc import Iterator
from typing import Any

import pytest

from shadbo.core.asking.questions import Question
from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.job.edits import as_typed
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files.plan_table import as_text
from tests.flat import SHOP, job
from tests.making import WORKED, codes
from tests.making import job as canvas_job
from tests.making import shop as worked_shop

JOBS = {j.title: j for j in {j.display: j for j in demo_jobs()}.values()}
"""One of each display."""
DECIDED = ("options/", "hanging/", "pieces/")
SAME_BY_NATURE = ("/layout/rule", "/worth")
"""Two rules may place a few pieces alike, and two worths ask for the same care."""
MOST = 4
"""So many materials of a menu are tried."""


def comes_to(plan: Plan) -> str:
    """All that a plan says and builds, without the questions that it asks."""
    a = plan.assembly
    lines = {key: round(q.value, 6) for key, q in plan.desk.sheet.named.items()}
    said = [
        (s.name, s.answer.mm, s.second.mm, q.label, q.value, q.note)
        for s in stations(plan)
        for q in s.questions
        if q.kind in ("told", "care")
    ]
    found = sorted((f.severity, f.code, f.place, f.title.mm, f.detail.mm) for f in plan.findings)
    return repr((lines, said, found, plan.hang, a and (a.parts, a.joins, a.bodies, a.spots, a.windows, a.zones)))


def answers(q: Question) -> Iterator[tuple[str, Any, bool]]:
    """What may be answered: in words, as an edit, and whether it is so now."""
    if q.kind in ("choice", "menu"):
        for n, c in enumerate(q.choices):
            if q.kind == "choice" or n < MOST or c.picked:
                yield c.label, c.to, c.picked
    elif q.kind == "length" and q.value is not None:
        now = _number(q.value.mm)
        yield "as it is", None, True
        yield "more", {"typed": f"{now * 1.3 + 4:g} mm"}, False
        yield "less", {"typed": f"{max(now * 0.6 - 1, 1):g} mm"}, False


def _number(text: str) -> float:
    first = text.replace("−", "-").split()[0]
    return float(first) if first.replace(".", "").replace("-", "").isdigit() else 10.0


@pytest.mark.parametrize("name", JOBS)
def test_every_answer_gives_a_plan_of_its_own(name: str):
    """Two answers may come to the same only where one of them is to let the plan choose."""
    start, now = JOBS[name], assess(JOBS[name], SHOP)
    as_is = comes_to(now)
    for q in (q for s in stations(now) for q in s.questions):
        if not q.at.startswith(DECIDED) or "/facts/" in q.at or q.at.endswith(("/detail", *SAME_BY_NATURE)):
            continue
        came: dict[str, list[tuple[str, Any]]] = {}
        for words, to, picked in answers(q):
            plan = now if picked else _planned(start, q.at, to)
            if plan is not None:
                came.setdefault(as_is if picked else comes_to(plan), []).append((words, to))
        for alike in came.values():
            freely = any(to is None for _, to in alike)
            assert len(alike) <= (2 if freely else 1), f"{q.at}: {[words for words, _ in alike]} come to the same"


def _planned(start: Job, at: str, to: Any) -> Plan | None:
    try:
        return change(start, as_typed([Edit(at=at, to=to)], "mm"), SHOP).plan
    except BadEdit:
        return None


@pytest.mark.parametrize("name", JOBS)
def test_every_fact_of_a_piece_is_said_at_its_mount(name: str):
    start, now = JOBS[name], comes_to(assess(JOBS[name], SHOP))
    for q in (q for s in stations(assess(start, SHOP), "receive") for q in s.questions):
        if "/facts/" in q.at:
            other = next(c.to for c in q.choices if not c.picked)
            plan = _planned(start, q.at, other)
            assert plan is not None
            assert comes_to(plan) != now, q.at


@pytest.mark.parametrize(
    ("edits", "place"),
    [
        ([Edit(at="hanging/kind", to="plate"), Edit(at="hanging/rise", to={"mm": 40, "typed": "40"})], "rise"),
        ([Edit(at="hanging/kind", to="ledge")], "kind"),
        ([Edit(at="hanging/kind", to="straps"), Edit(at="hanging/hooks", to=2)], "hooks"),
        ([Edit(at="hanging/kind", to="cleat"), Edit(at="hanging/down", to={"mm": 90, "typed": "90"})], "down"),
    ],
)
def test_a_decision_about_hanging_that_cannot_be_followed_is_refused_with_its_reason(edits: list[Edit], place: str):
    plan = change(canvas_job(), edits, SHOP).plan
    assert plan is not None
    found = [f for f in plan.findings if f.code == "hang.unused" and f.place == place]
    assert found, codes(plan)
    assert found[0].detail.mm
    assert found[0].proposals


def test_a_frameless_piece_on_wall_strips_is_obeyed_and_stopped_where_they_do_not_hold():
    start = next(j for j in JOBS.values() if j.display == "backed")
    plan = change(start, [Edit(at="options/backed/hung", to="strips")], SHOP).plan
    assert plan is not None
    assert plan.hang is not None
    assert plan.hang.kind == "strips"
    assert "hang.kind" in codes(plan)


def plain(*edits: Edit) -> Plan:
    plan = change(canvas_job(display="plain floater"), edits, SHOP).plan
    assert plan is not None
    return plan


def test_bevelled_strips_are_a_cleat_with_its_wall_half():
    plan = plain(Edit(at="options/plain_floater/bevelled", to=True))
    assert plan.hang is not None
    assert plan.hang.kind == "cleat"
    assert plan.assembly is not None
    wall_half = next(p for p in plan.assembly.parts if p.id == "cleat-wall")
    s = plan.desk.sheet
    room = s["frame.inside_width.middle"].value - 2 * s["profile.ledge"].value
    assert wall_half.length is not None
    assert 0 < wall_half.length.value < room
    # By the two halves as prisms: the upper one's back edge is a wall and a ledge below the top, the bevel climbs
    # at 45° over the strip's height to the canvas, and there the lower one has its point.
    back_edge = -s["profile.wall"].value - s["profile.ledge"].value
    point = back_edge + s["strip.height"].value * math.tan(math.radians(45))
    assert s["hang.hook"].value == pytest.approx(1500 + s["frame.outside_height"].value / 2 + point)
    line = s["screw.line"].value - s["profile.wall"].value
    front_edge = s["profile.ledge"].value - s["strip.height"].value
    assert line <= front_edge - 5 + 0.5, "the screws keep 5 mm from the bevel's edge on the canvas side"
    said = {q.label: q.value.mm for st in stations(plan) for q in st.questions if q.kind == "told" and q.value}
    assert "Wall half's point above the floor" in said
    assert not any(q.note and "none in stock" in q.note.mm for st in stations(plan) for q in st.questions)
    assert s["ledge.spare"].value >= -1e-6, "the bevel leaves enough of the strip to bear on"
    wired = change(plan.desk.job, [Edit(at="hanging/kind", to="wire")], SHOP).plan
    assert wired is not None
    assert "cleat.unused" in codes(wired)


def test_strips_glued_before_mitring_are_mitred_and_after_joining_butt():
    butt, mitred = plain(), plain(Edit(at="options/plain_floater/glued", to="before mitring"))
    ledge = butt.desk.sheet["profile.ledge"].value
    assert butt.desk.sheet["strip.upright"].value == pytest.approx(
        mitred.desk.sheet["strip.upright"].value - 2 * ledge, abs=0.5
    )
    assert mitred.assembly is not None
    assert all(p.mitred for p in mitred.assembly.parts if p.id.startswith("strip-"))
    strips = [row for row in cut_list(mitred) if row.name.startswith("support strip")]
    assert all(row.width_mm and row.thick_mm for row in strips), "a strip is no moulding: it is cut to its width too"
    assert "glued to the stick first" in as_text(mitred)


@pytest.mark.parametrize(
    ("joint", "item"), [("corner plates", "corner plate"), ("splines", "spline slip"), ("biscuits", "biscuit no.")]
)
def test_what_a_corner_takes_is_on_the_list(joint: str, item: str):
    plan = change(job("canvas frame", "panel"), [Edit(at="options/canvas_frame/joint", to=joint)], SHOP).plan
    assert plan is not None
    row = next(r for r in cut_list(plan) if item in r.name)
    assert row.count % 4 == 0


@pytest.mark.parametrize("joint", ["corner plates", "biscuits"])
def test_what_a_corner_takes_is_paid_by_the_piece_and_frozen_with_the_first_cut(joint: str):
    """Plates and biscuits out of the demo's drawers; the price that they had when the first part was cut stays."""
    with_them, shop = demo_shop(), demo_shop()
    dear = tuple(x.model_copy(update={"price": x.price + 1}) for x in shop.stock.corners)
    dearer = shop.model_copy(update={"stock": shop.stock.model_copy(update={"corners": dear})})
    without = shop.model_copy(update={"stock": shop.stock.model_copy(update={"corners": ()})})
    start = job("canvas frame", "panel")
    edit = Edit(at="options/canvas_frame/joint", to=joint)
    plans = [change(start, [edit], x).plan for x in (without, with_them, dearer)]
    none, usual, more = (p.desk.sheet["price.materials"].value for p in plans if p is not None)
    pieces = [next(r.count for r in cut_list(p) if joint[:6] in r.name) for p in plans if p is not None]
    price = next(x.price for x in shop.stock.corners if joint[:6] in x.kind)
    assert usual - none == pytest.approx(pieces[0] * price, abs=0.03 * pieces[0])
    assert more - usual == pytest.approx(pieces[0])
    pinned = change(start, [edit, Edit(at="pins/rail.width", to={"mm": 400, "typed": "400", "tool": "rule"})], shop)
    later = assess(pinned.job, dearer).desk.sheet["price.materials"].value
    assert later == pytest.approx(assess(pinned.job, shop).desk.sheet["price.materials"].value)


@pytest.mark.parametrize(("thick", "stops"), [(6, True), (12, False)])
def test_a_corner_plate_of_a_floater_lies_on_wall_and_ledge_and_its_screws_stay_in_them(thick: float, stops: bool):
    profile = WORKED.model_copy(update={"ledge_thick_mm": thick, "id": "thick"})
    shop = worked_shop(profile)
    plan = change(canvas_job(), [Edit(at="options/floater/joint", to="corner plates")], shop).plan
    assert plan is not None
    s = plan.desk.sheet
    assert s["joint.plate"].value == s["profile.wall"].value + s["profile.ledge"].value
    assert s["joint.screw"].value <= thick - 2
    assert ("joint.plate" in codes(plan)) == stops


def test_what_the_wall_must_carry_is_on_the_sheet_and_in_pounds_where_pounds_are_read():
    plan = change(canvas_job(weight_kg=4), [Edit(at="hanging/kind", to="straps")], SHOP).plan
    assert plan is not None
    each = plan.desk.sheet["wall.each"].value
    assert each == pytest.approx(plan.desk.sheet["weight.total"].value * 4 / 2)
    row = next(q for s in stations(plan) for q in s.questions if q.label == "Fixings in the wall")
    assert row.value is not None
    assert "lb" in row.value.inch
    assert "kg" not in row.value.inch


def test_nothing_told_in_inches_speaks_of_kilograms():
    for the_job in demo_jobs():
        for s in stations(assess(the_job, SHOP)):
            for q in s.questions:
                for text in (q.value, q.note) if q.kind == "told" else ():
                    assert text is None or " kg" not in text.inch, (the_job.title, q.label, text.inch)
