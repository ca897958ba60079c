"""Odd values in every field: a plan, a finding or a refusal at the field, and quickly."""

import itertools
import time
from typing import Any

import pytest

from shadbo.core.assess import assess
from shadbo.core.change import Changed, change
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.drawing.board import draw, draw_ladder, views_of
from shadbo.core.job.edits import as_typed
from shadbo.core.job.job import Job
from shadbo.core.job.options import Options
from shadbo.core.shop.shop import Practice, Shop
from shadbo.core.stations import stations
from shadbo.core.words.lengths import System
from shadbo.demo.jobs import demo_jobs
from tests.alike import builds, first_asked, place
from tests.flat import SHOP, job

JOBS = builds(demo_jobs())
ODD = ("0", "0.001", "1", "19999")
LONGEST_S = 2.0
ODD_ANSWERS: list[object] = [
    None,
    "",
    "words",
    0,
    -1,
    1e9,
    [],
    {},
    {"mm": 5},
    {"typed": "5 mm"},
    {"typed": "?"},
    True,
    "ledge",
    "strips",
]


def fields(the_job: Job) -> dict[str, str]:
    kinds = ("reading", "length", "pin", "weight", "number")
    asked = [q for s in stations(assess(the_job, SHOP)) for q in s.questions if q.kind in kinds]
    once = {place(the_job, q.at): q for q in reversed(asked)}
    return {q.at: q.kind for q in once.values()}


FIRST = first_asked(JOBS, fields)


def written(kind: str, typed: str) -> Any:
    if kind in ("weight", "number"):
        return typed
    return {"typed": typed} | ({} if kind == "length" else {"tool": "rule"})


def tried(the_job: Job, at: str, to: Any, system: System) -> Changed | BadEdit:
    try:
        return change(the_job, as_typed([Edit(at=at, to=to)], system), SHOP)
    except BadEdit as bad:
        return bad


@pytest.mark.parametrize("name", JOBS)
def test_an_odd_value_is_planned_or_refused_where_it_was_typed(name: str):
    the_job = JOBS[name]
    for at, kind in fields(the_job).items():
        if at not in FIRST[name]:
            continue
        for typed in ODD:
            start = time.process_time()
            done = tried(the_job, at, written(kind, typed), "mm")
            if isinstance(done, BadEdit):
                assert done.at.startswith(at), f"{typed} at {at} is refused at {done.at}"
                continue
            assert done.plan is not None, f"{typed} at {at} breaks the sums"
            if done.plan.assembly is not None:
                draw(done.plan, views_of(done.plan)[0], "mm")
                draw_ladder(done.plan, "mm")
            stations(done.plan)
            assert time.process_time() - start < LONGEST_S, f"{typed} at {at}"


HOMES = {
    "floater": ("floater", "canvas"),
    "plain_floater": ("plain floater", "canvas"),
    "canvas_frame": ("canvas frame", "panel"),
    "window_mat": ("window mat", "paper"),
    "ready_made": ("ready-made box", "paper"),
    "panes": ("two-pane float", "paper"),
    "needlework": ("needlework frame", "needlework"),
    "puzzle": ("puzzle frame", "puzzle"),
    "backed": ("backed", "puzzle"),
    "poster_rails": ("poster rails", "paper"),
    "shadow_box": ("shadow box", "badge"),
    "jersey_box": ("jersey box", "shirt"),
    "light_box": ("light box", "tool"),
    "sash": ("sash", "banner"),
    "pegs": ("open frame", "tool"),
}


@pytest.mark.parametrize("home", HOMES)
def test_an_odd_answer_to_any_option_is_refused_or_planned(home: str):
    assert set(HOMES) == set(Options.model_fields)
    display, what = HOMES[home]
    the_job = job(display, what)
    for field, odd in itertools.product(type(getattr(Options(), home)).model_fields, ODD_ANSWERS):
        at = f"options/{home}/{field}"
        done = tried(the_job, at, odd, "mm")
        if isinstance(done, BadEdit):
            assert done.at.startswith(f"options/{home}"), (field, odd)
        else:
            assert done.plan is not None, (field, odd)


@pytest.mark.parametrize("typed", ["1/", "1 1/", "12 3/0", "--", "½½", "1e9", "9" * 300])
def test_half_typed_lengths_are_refused_at_their_field(typed: str):
    at = "options/floater/gap"
    the_job = next(j for j in JOBS.values() if j.display == "floater")
    done = tried(the_job, at, {"typed": typed}, "in")
    assert isinstance(done, BadEdit)
    assert done.at.startswith(at)


def test_a_bound_says_what_is_possible():
    the_job = next(j for j in JOBS.values() if j.display == "floater")
    with pytest.raises(BadEdit, match="possible here: 20 to 3000 mm") as bad:
        change(the_job, [Edit(at="options/floater/screws_apart", to={"mm": 0.001})], SHOP)
    assert bad.value.at == "options/floater/screws_apart"


def test_a_job_kept_from_before_a_bound_can_still_be_read():
    from shadbo.core.job.edits import read_job
    from shadbo.core.shop.values import STORED

    data = job("floater", "canvas").as_written()
    data["options"] = {"floater": {"screws_apart": {"mm": 0.001, "typed": "0.001"}}}
    old = read_job(data, STORED)
    plan = assess(old, SHOP)
    assert any(f.code == "sum.broken" for f in plan.findings), "said, and not counted out"
    with pytest.raises(BadEdit):
        read_job(data)


def tables_of(practice: Practice) -> list[str]:
    return [name for name in Practice.model_fields if isinstance(getattr(practice, name), tuple)]


@pytest.mark.parametrize("name", JOBS)
@pytest.mark.parametrize("table", tables_of(Practice()))
def test_an_empty_table_of_the_practice_stops_nothing(name: str, table: str):
    practice = Practice.model_construct(**{**dict(Practice()), table: ()})
    shop: Shop = SHOP.model_copy(update={"practice": practice})
    plan = assess(JOBS[name], shop)
    stations(plan)
