"""What the stations ask: every row answers to a place in the job and to a line of the sheet."""

import pytest

from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import STATIONS
from shadbo.core.job.edits import apply
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.alike import builds, first_asked, place
from tests.making import canvas, job, length, pin, plan, reading, shop

DEMO = {j.title: j for j in demo_jobs()}
UNMEASURED = job(canvas().model_copy(update={"width_top": None, "depth": None}))
JOBS = {**DEMO, "unmeasured": UNMEASURED}


def rows(p):
    return [(s, q) for s in stations(p) for q in s.questions]


@pytest.mark.parametrize("name", JOBS)
def test_all_eight_stand_in_the_order_of_work(name: str):
    found = stations(plan(JOBS[name], demo_shop()))
    assert tuple(s.name for s in found) == STATIONS
    for s in found:
        assert s.title
        assert s.lead
        assert s.answer.mm
        assert s.answer.inch


@pytest.mark.parametrize("name", JOBS)
def test_every_question_has_its_own_id_and_speaks_both_systems(name: str):
    p = plan(JOBS[name], demo_shop())
    for station in stations(p):
        ids = [q.id for q in station.questions]
        assert len(set(ids)) == len(ids), station.name
        for q in station.questions:
            assert q.label
            assert (q.value is None) or bool(q.value.mm) == bool(q.value.inch)
            if q.key and p.assembly is not None and q.kind not in ("reading", "weight"):
                assert q.key in p.desk.sheet, q.key


FIRST = first_asked(builds(DEMO.values()), lambda job: [q.id for _, q in rows(plan(job, demo_shop()))])


@pytest.mark.parametrize("name", [*builds(DEMO.values()), "unmeasured"])
def test_what_is_asked_can_be_answered(name: str):
    """Each row's place takes an answer of its kind, and the plan can be made with it.

    Of several choices one: that each gives a plan, and one of its own, is tried in ``test_decisions``.
    """
    the_job = JOBS[name]
    answers = {
        "reading": {"mm": 50.0, "typed": "50", "tool": "rule"},
        "pin": {"mm": 50.0, "typed": "50", "tool": "rule"},
        "length": {"mm": 50.0, "typed": "50"},
        "text": "words",
        "note": "words",
        "date": "2026-12-24",
        "weight": "2.5",
        "number": "22",
    }
    asked = {place(the_job, q.id): q for _, q in reversed(rows(plan(the_job, demo_shop())))}
    for q in asked.values():
        if q.id not in FIRST.get(name, {q.id}):
            continue
        if q.kind in answers:
            answer = {"mm": 1450.0, "typed": "1450"} if q.at == "hanging/eye" else answers[q.kind]
            after, _ = apply(the_job, [Edit(at=q.at, to=answer)])
            assert plan(after, demo_shop()).desk.job != the_job or q.kind in ("text", "note", "date")
        for choice in [c for c in q.choices if not c.picked][:1]:
            plan(apply(the_job, [Edit(at=q.at, to=choice.to)])[0], demo_shop())
        if q.edits:
            plan(apply(the_job, list(q.edits))[0], demo_shop())


@pytest.mark.parametrize("name", JOBS)
def test_of_several_answers_one_is_picked(name: str):
    for _, q in rows(plan(JOBS[name], demo_shop())):
        if q.kind in ("choice", "menu"):
            assert sum(c.picked for c in q.choices) == 1, q.label


def test_the_docket_answers_in_short():
    said = {s.name: (s.answer.mm, s.second.mm) for s in stations(plan())}
    assert said["measure"] == ("412 × 613 × 38", "1.59 kg")
    assert said["display"] == ("Floater", "worked")
    assert said["sizes"] == ("gap 6 mm", "outside 442 × 643")
    assert said["depth"] == ("3 mm back, pad 5 mm", "46 mm of 46 mm used")
    assert said["mount"] == ("10 screws, 25 mm", "screw line 24.5 mm")
    assert said["parts"] == ("4 rails, 2170 mm", "nothing cut yet")
    assert said["hang"][0] == "wire"


def test_the_docket_follows_what_is_done():
    cut = {s.name: s.second.mm for s in stations(plan(job(), None, pin("rail.width", 442)))}
    made = {s.name: s.second.mm for s in stations(plan(job(), None, pin("frame.inside_width.middle", 424)))}
    assert cut["parts"] == "rails cut"
    assert made["parts"] == "frame measured"


def test_a_station_carries_the_sign_of_its_gravest_finding():
    marks = {s.name: s.mark for s in stations(plan(job(), shop(), Edit(at="options/floater/screw_mm", to=60)))}
    assert marks["mount"] == "stop"
    assert marks["sizes"] == "fine"
    asking = {s.name: s.mark for s in stations(plan(UNMEASURED))}
    assert asking["measure"] == "asks"
    assert asking["depth"] == "open"


def test_readings_stand_as_read_and_are_not_rounded_to_the_mark():
    p = plan(job(canvas(w=412.3)))
    row = next(q for _, q in rows(p) if q.at.endswith("width_top"))
    assert row.value.mm == "412.3"
    assert row.value.inch == "16 15/64"


def test_a_planned_length_names_its_source_and_a_decided_one_says_so():
    def gap(p):
        return next(q for _, q in rows(p) if q.at == "options/floater/gap")

    planned = gap(plan())
    assert (planned.decided, planned.note.mm) == (False, "by the longer side")
    decided = gap(plan(job(), None, length("options/floater/gap", 8)))
    assert (decided.decided, decided.note.mm, decided.typed) == (True, "decided", "8")


def test_a_heavy_one_asks_for_two_people():
    labels = [q.label for _, q in rows(plan(job(weight_kg=18), shop()))]
    assert any("two people" in text for text in labels)
    assert not any("two people" in q.label for _, q in rows(plan()))


def test_cautions_stand_where_the_step_occurs():
    cares = {s.name: [q.label for q in s.questions if q.kind == "care"] for s in stations(plan())}
    assert "push sticks" in cares["parts"][0]
    assert any("Eye protection" in text for text in cares["mount"])
    assert any("cables and pipes" in text for text in cares["hang"])


def test_out_of_square_is_told():
    p = plan(job(canvas(diagonal_up=reading(741), diagonal_down=reading(736))))
    assert any(q.label == "Out of square" for _, q in rows(p))
