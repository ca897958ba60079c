"""The record: as planned against as built, minutes, waste, checks; what finished jobs teach."""

import datetime as dt

import pytest

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.edits import apply
from shadbo.core.job.sought import sought
from shadbo.core.learned.effect import effect
from shadbo.core.learned.lessons import FEW_JOBS, lessons
from shadbo.core.learned.samples import sample
from shadbo.core.record.record import LONGEST_MIN, record
from shadbo.core.words.folding import folded
from shadbo.demo.at_work import so_far
from shadbo.demo.autumn import TOO_LONG_MM, TOO_WIDE_MM, autumn
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files.record_files import readable
from tests.core.schedule_cases import NOW

SHOP = demo_shop()
PLANS = {f.job.title: change(f.job, f.edits, SHOP).plan for f in autumn(SHOP, NOW)}
DEMO = {job.title: job for job in demo_jobs()}


@pytest.fixture(scope="module")
def samples():
    return [sample(n, plan) for n, plan in enumerate(PLANS.values()) if plan is not None]


@pytest.mark.parametrize("title", PLANS)
def test_every_pin_and_every_step_that_was_done_stands_in_the_record(title):
    plan = PLANS[title]
    assert plan is not None
    found, job = record(plan), plan.desk.job
    assert {s.key for s in found.sizes} == set(job.pins)
    for size in found.sizes:
        planned = plan.desk.sheet[size.key].planned
        if planned is not None:
            assert size.off_mm == pytest.approx(job.pins[size.key].mm - planned.value, abs=0.051)
    assert {d.step for d in found.doings} == {id_ for id_, d in job.work.items() if d.ended is not None}
    assert [d.ended for d in found.doings] == sorted(d.ended for d in found.doings)
    assert found.spent.took_min == pytest.approx(sum(d.took or d.planned for d in found.doings), abs=0.2)
    assert len(found.wasted) == sum(d.remade > 0 for d in job.work.values())
    assert found.handed_over is not None
    assert sum(by.minutes for by in found.spent.by) == pytest.approx(found.spent.took_min, abs=0.3)
    assert dict(readable(plan))["record.csv"].count(b"\nstep,") == len(found.doings) + 1


def test_hours_cost_what_those_who_worked_them_cost():
    plan = next(iter(PLANS.values()))
    assert plan is not None
    spent = record(plan, {"Hedda Sorrel": 60.0}).spent
    mine = next(by.minutes for by in spent.by if by.name == "Hedda Sorrel")
    assert spent.cost == pytest.approx(mine, abs=0.06), "a unit of money a minute"
    assert record(plan).spent.cost is None


def test_a_step_that_lay_open_overnight_tells_no_minutes():
    job, _ = apply(DEMO["Slipway at low water"], so_far(DEMO["Slipway at low water"], SHOP, NOW))
    began = NOW - dt.timedelta(minutes=LONGEST_MIN + 1)
    job, _ = apply(job, [Edit(at="work/receive", to={"began": began.isoformat(), "ended": NOW.isoformat()})])
    (doing,) = record(assess(job, SHOP)).doings
    assert doing.took is None
    assert record(assess(job, SHOP)).spent.took_min == doing.planned
    assert sample(1, assess(job, SHOP)).timed == ()


def test_a_record_of_a_job_that_was_never_measured_is_no_fault():
    job, _ = apply(DEMO["Slipway at low water"], [Edit(at="pieces/piece/detail/depth")])
    found = record(assess(job, SHOP))
    assert (found.sizes, found.doings, found.used) == ((), (), ())


def test_a_job_is_found_by_what_it_is_made_of_its_sizes_and_its_year():
    plan = PLANS["Mussel rope"]
    assert plan is not None
    words = sought(plan.desk.job, 83)
    assert "skiff 24" in words
    assert "2026" in words
    detail = plan.desk.job.pieces[0].detail
    assert folded(f"{detail.width_top.mm:g}") in words
    wasted = next(d.note for p in PLANS.values() if p is not None for d in p.desk.job.work.values() if d.note)
    assert wasted.split()[0] in sought(next(p.desk.job for p in PLANS.values() if p is not None and any(
        d.note == wasted for d in p.desk.job.work.values())), 1)  # fmt: skip


def test_the_invented_shops_drift_is_found_again(samples):
    """What the generator put in comes out: rails long, frames wide, work that takes longer."""
    by_id = {x.id: x for x in lessons(samples, SHOP, "mm")}
    rails = sorted(v for s in samples for v in s.rails)
    assert rails[len(rails) // 2] == pytest.approx(TOO_LONG_MM, abs=0.3)
    frame = sorted(v for s in samples for v in s.frame)
    assert frame[len(frame) // 2] == pytest.approx(TOO_WIDE_MM, abs=0.1)
    assert by_id["saw"].differs
    assert "too long: set the stop" in by_id["saw"].says.mm
    assert "wider" in by_id["joints"].says.mm
    assert 1.05 < float(by_id["pace"].typed) < 1.35
    assert by_id["pace"].picture.startswith("<svg")
    assert (by_id["orders"].enough, by_id["orders"].typed) == (False, "")
    assert by_id["orders"].says.mm.startswith("too few: ")


def test_a_shop_that_is_set_as_its_jobs_say_is_told_so(samples):
    pace = next(x for x in lessons(samples, SHOP, "mm") if x.id == "pace")
    as_found = SHOP.practice.model_copy(update={"pace_times": float(pace.typed)})
    again = next(x for x in lessons(samples, SHOP.model_copy(update={"practice": as_found}), "mm") if x.id == "pace")
    assert (again.typed, again.differs) == (pace.typed, False)


def test_few_jobs_say_so(samples):
    for lesson in lessons(samples[: FEW_JOBS - 1], SHOP, "mm"):
        assert (lesson.enough, lesson.differs, lesson.picture) == (False, False, "")
    assert all(not x.enough for x in lessons([], SHOP, "in"))


def test_one_wild_reading_moves_no_lesson(samples):
    from dataclasses import replace

    wild = [replace(samples[0], rails=(*samples[0].rails, 90.0)), *samples[1:]]
    before, after = (next(x for x in lessons(s, SHOP, "mm") if x.id == "saw") for s in (samples, wild))
    assert float(after.typed.removesuffix(" mm")) == pytest.approx(float(before.typed.removesuffix(" mm")), abs=0.11)


def test_an_effect_leaves_begun_jobs_alone():
    jobs = {n: apply(job, so_far(job, SHOP, NOW))[0] for n, job in enumerate(demo_jobs(), 101)}
    slower = effect(jobs, SHOP, SHOP.practice.model_copy(update={"pace_times": 2.0}))
    assert (slower.begun, slower.otherwise) == (sum(j.begun for j in jobs.values()), ())
    assert slower.minutes_then > 1.6 * slower.minutes
    wide = effect(jobs, SHOP, SHOP.practice.model_copy(update={"fit_allowance_mm": 5.0}))
    assert wide.otherwise
    assert not any(jobs[n].begun for n in wide.otherwise)
