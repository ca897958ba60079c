"""A first job leads from one thing to the next, whatever it is framed in, and each stands where it says."""

from typing import Any

import pytest

from shadbo.core.asking.questions import Question
from shadbo.core.assess import assess
from shadbo.core.decisions.edit import Edit
from shadbo.core.guide import THINGS, TRIED_MM, lead
from shadbo.core.job.afresh import afresh
from shadbo.core.job.edits import apply, as_typed
from shadbo.core.job.job import Job
from shadbo.core.pieces.pieces import Piece
from shadbo.core.settings.examples import EXAMPLES, example
from shadbo.core.stations import stations
from tests.flat import SHOP


def answer(q: Question) -> Any:
    """What someone who follows would put there."""
    if q.kind in ("choice", "menu"):
        return next(c.to for c in q.choices if not c.picked and c.to is not None)
    if q.kind == "text":
        return "Ida Rowan"
    if q.at.startswith("pieces/") or q.at.startswith("pins/"):
        return {"typed": "300 mm", "tool": "rule"}
    now = q.value.mm.split()[0] if q.value is not None else ""
    return {"typed": f"{float(now) * 1.05 + 1:g} mm" if now.replace(".", "").isdigit() else "8 mm"}


def followed(job: Job, most: int = 14) -> tuple[Job, list[int]]:
    """The job after all that it led to, and the numbers of the things in order."""
    seen = []
    for _ in range(most):
        plan = assess(job, SHOP)
        now = lead(plan)
        if now is None or now.bench:
            break
        station = next(s for s in stations(plan) if s.name == now.station)
        question = next((q for q in station.questions if q.at == now.at), None)
        assert question is not None, f"{now.at} does not stand at {now.station}"
        seen.append(now.n)
        job, _ = apply(job, as_typed([Edit(at=now.at, to=answer(question))], "mm"))
    return job, seen


@pytest.mark.parametrize("name", EXAMPLES)
def test_each_thing_stands_where_it_says_and_leads_on_when_it_is_done(name: str):
    job, seen = followed(example(name).model_copy(update={"guided": True}))
    now = lead(assess(job, SHOP))
    assert now is not None
    assert now.bench, f"{name} stays at {now.station}: {now.says.mm}"
    assert seen == sorted(seen)
    assert seen[0] == 1
    assert now.n == now.of == len(THINGS)


def test_an_empty_job_is_led_through_its_readings_first():
    job, seen = followed(Job(guided=True))
    assert seen[:2] == [1, 2]
    assert seen.count(2) > 3, "reading by reading"
    assert lead(assess(job.model_copy(update={"guided": False}), SHOP)) is None


def test_the_canvas_to_try_it_with_can_be_made_and_is_told_in_the_shops_system():
    inches = SHOP.model_copy(update={"mark": "1/16 in"})
    start = Job(guided=True, owner={"name": "Ida Rowan"})
    said = lead(assess(start, inches))
    assert said is not None
    assert " mm" not in said.says.inch
    assert "24 1/16" in said.says.inch
    fields = ("width_top", "width_bottom", "height_left", "height_right", "depth", "bar_face")
    edits = [
        Edit(at=f"pieces/piece/detail/{f}", to={"typed": f"{mm} mm", "tool": "rule"})
        for f, mm in zip(fields, TRIED_MM, strict=True)
    ]
    plan = assess(apply(start, as_typed(edits, "mm"))[0], SHOP)
    assert plan.state == "to cut"
    assert plan.worst not in ("stop",)


def test_a_copy_leads_nobody_and_knows_nothing_of_how_the_first_one_came_and_left():
    job, _ = apply(
        Job(guided=True),
        [Edit(at="pieces/piece/condition", to="torn at the hem"), Edit(at="pieces/piece/leaves", to="hem sewn")],
    )
    again = afresh(job)
    assert (again.guided, again.pieces[0].condition, again.pieces[0].leaves) == (False, "", "")


def test_the_job_of_another_frame_of_a_set_is_called_by_its_piece_and_has_no_price_of_its_own():
    pair = Job(title="Tide tables", agreed=180, pieces=(Piece(id="one"), Piece(id="two", name="spring tides")))
    assert (afresh(pair, "two").title, afresh(pair, "two").agreed) == ("spring tides", None)
    assert (afresh(pair, "one").title, afresh(pair).title, afresh(pair).agreed) == (
        "Tide tables, 1 of 2",
        "Tide tables",
        180,
    )
    long = afresh(pair.model_copy(update={"title": "t" * 200}), "one")
    assert len(long.title) <= 200
