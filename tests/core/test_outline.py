"""What is left of a job, as the schedule takes it from its plan and what was done."""

import datetime as dt

import pytest

from shadbo.core.assess import assess
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.edits import apply
from shadbo.core.schedule.outline import minute, outline
from shadbo.core.schedule.schedule import Case, schedule
from shadbo.core.steps import steps
from shadbo.demo.at_work import so_far
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.core.schedule_cases import NOW, faults, house

SHOP = demo_shop()
JOBS = {job.title: apply(job, so_far(job, SHOP, NOW))[0] for job in demo_jobs()}


@pytest.mark.parametrize("title", JOBS)
def test_every_step_that_is_not_done_is_a_task_or_comes_after_a_stop(title):
    plan = assess(JOBS[title], SHOP)
    found = outline(plan, NOW)
    done = {id_ for id_, d in JOBS[title].work.items() if d.ended is not None}
    open_ = [s.id for s in steps(plan) if s.id not in done]
    assert [t.id for t in found.tasks] == [id_ for id_ in open_ if id_ in {t.id for t in found.tasks}]
    assert len(found.tasks) + found.beyond == len(open_)
    assert bool(found.beyond) == bool(found.stopped)
    for n, t in enumerate(found.tasks):
        assert all(need.task < n for need in t.needs), t.id
        assert t.minutes >= 1
    assert sum(t.takes for t in found.tasks) + found.held == sum(t.frees for t in found.tasks)


def test_the_demos_jobs_make_a_schedule():
    cases = [
        Case(n, title, job.due, outline(assess(job, SHOP), NOW)) for n, (title, job) in enumerate(JOBS.items(), 101)
    ]
    for shop in (house("a", "b", "c"), house("a", benches=1, clamp_sets=1)):
        s = schedule(cases, shop, NOW)
        assert faults(s) == []
        assert all((s.ready(c.number) is not None) == c.whole for c in cases if c.outline.tasks)


def test_a_wait_that_runs_counts_from_the_end_of_its_step():
    job = JOBS["Kelp gatherers"]
    found = outline(assess(job, SHOP), NOW)
    ended = job.work["join"].ended
    assert ended is not None
    out = next(t for t in found.tasks if t.id == "unclamp")
    assert (out.from_, out.why, out.frees, found.held) == (
        minute(ended + dt.timedelta(minutes=45)),
        "glue in clamps",
        1,
        1,
    )
    early, _ = apply(job, [Edit(at="work/unclamp", to={"early": True})])
    assert next(t for t in outline(assess(early, SHOP), NOW).tasks if t.id == "unclamp").from_ is None


def test_a_finished_step_leaves_and_what_needs_it_no_longer_waits():
    job = JOBS["Slipway at low water"]
    before = outline(assess(job, SHOP), NOW)
    done, _ = apply(job, [Edit(at="work/receive", to={"ended": NOW.isoformat(), "who": "Hedda Sorrel"})])
    after = outline(assess(done, SHOP), NOW)
    assert [t.id for t in after.tasks] == [t.id for t in before.tasks if t.id != "receive"]
    assert next(t for t in after.tasks if t.id == "plan").needs == ()


def test_a_job_without_readings_is_told_to_be_measured():
    job, _ = apply(JOBS["Slipway at low water"], [Edit(at="pieces/piece/detail/depth")])
    found = outline(assess(job, SHOP), NOW)
    assert "reading" in found.stopped
    assert [t.id for t in found.tasks] == ["receive"]
