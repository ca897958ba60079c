"""The record: as planned against as built, minutes, waste, checks; what finished jobs teach."""

import datetime as dt
from functools import cache

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.edits import apply
from shadbo.core.job.sought import sought
from shadbo.core.learned.effect import effect
from shadbo.core.learned.lessons import FEW_JOBS, lessons
from shadbo.core.learned.samples import sample
from shadbo.core.plan import Plan
from shadbo.core.record.record import LONGEST_MIN, record
from shadbo.core.settings.examples import example
from shadbo.core.steps import steps
from shadbo.core.steps.framing import LEFT
from shadbo.core.sums.order import kerf_of, stick_mm
from shadbo.core.words.folding import folded
from shadbo.core.words.stages import STAGES
from shadbo.demo.at_work import so_far
from shadbo.demo.autumn import MORE_KERF_MM, PACE, TOO_LONG_MM, TOO_WIDE_MM, autumn
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files.record_files import readable
from tests.core.schedule_cases import NOW

SHOP = demo_shop()
DEMO = {job.title: job for job in demo_jobs()}


@cache
def plans() -> dict[str, Plan | None]:
    """The finished jobs of the demo, by their titles."""
    return {f.job.title: change(f.job, f.edits, SHOP).plan for f in autumn(SHOP, NOW)}


@pytest.fixture(scope="module")
def samples():
    return [sample(n, plan) for n, plan in enumerate(plans().values()) if plan is not None]


@pytest.mark.parametrize("n", range(18))
def test_every_pin_and_every_step_that_was_done_stands_in_the_record(n):
    assert len(plans()) == 18
    plan = list(plans().values())[n]
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
    plan = next(iter(plans().values()))
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
    plan = plans()["Mussel rope"]
    assert plan is not None
    words = sought(plan.desk.job, 83)
    assert "skiff 24" in words
    assert "2026" in words
    detail = plan.desk.job.pieces[0].detail
    assert folded(f"{detail.width_top.mm:g}") in words
    wasted = next(d.note for p in plans().values() if p is not None for d in p.desk.job.work.values() if d.note)
    assert wasted.split()[0] in sought(next(p.desk.job for p in plans().values() if p is not None and any(
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


def test_each_stage_has_a_pace_of_its_own_that_is_found_again(samples):
    by_id = {x.id: x for x in lessons(samples, SHOP, "mm")}
    told = {stage: by_id[f"pace.{stage}"] for stage in STAGES}
    assert all(x.name == f"{stage}_times" for stage, x in told.items())
    found = {stage: float(x.typed) for stage, x in told.items() if x.enough}
    assert len(found) >= 6
    for stage, times in found.items():
        assert times == pytest.approx(PACE[stage], rel=0.2), stage
    assert found["frame"] > found["leave"]


def test_a_stage_that_is_set_as_found_takes_its_part_out_of_the_whole(samples):
    found = float(next(x for x in lessons(samples, SHOP, "mm") if x.id == "pace.frame").typed)
    as_found = SHOP.model_copy(update={"practice": SHOP.practice.model_copy(update={"frame_times": found})})
    job = DEMO["Slipway at low water"]
    for a, b in zip(steps(assess(job, SHOP)), steps(assess(job, as_found)), strict=True):
        assert b.minutes == pytest.approx(a.minutes * (found if a.stage == "frame" else 1), abs=0.06)
    again, before = (next(x for x in lessons(samples, shop, "mm") if x.id == "pace") for shop in (as_found, SHOP))
    assert float(again.typed) < float(before.typed)


def test_the_saws_kerf_is_found_by_what_is_left_of_the_sticks(samples):
    kerf = next(x for x in lessons(samples, SHOP, "mm") if x.id == "kerf")
    assert kerf.enough
    assert kerf.differs
    assert float(kerf.typed.removesuffix(" mm")) == pytest.approx(SHOP.practice.kerf_mm + MORE_KERF_MM, abs=0.25)
    assert kerf.name == "kerf_mm"


@pytest.mark.parametrize(("name", "asked"), [("plain", False), ("plane", False), ("canvas", True), ("print", True)])
def test_a_stick_that_is_turned_is_not_asked_for_what_is_left_of_it(name, asked):
    """Its slants serve two rails: reckoned as a moulding's, the saw would come out below nothing."""
    cut = next(s for s in steps(assess(example(name), SHOP)) if s.id == "cut.rails")
    assert any(c.id == LEFT for c in cut.checks) == asked


@given(st.floats(600, 5000), st.floats(0, 6), st.floats(100, 2000))
def test_what_is_left_of_a_stick_gives_the_saws_kerf_back(rails_mm, kerf_mm, left_mm):
    stick = stick_mm(rails_mm, kerf_mm) + left_mm
    assert kerf_of(stick, rails_mm, left_mm) == pytest.approx(kerf_mm, abs=1e-6)


@settings(max_examples=30, deadline=None)
@given(st.floats(0.3, 1.5), st.integers(FEW_JOBS, 20))
def test_the_cloth_of_the_folds_is_found_by_canvases_measured_over_their_bars(cloth_mm, count):
    told = [sample(n, stretched(cloth_mm)) for n in range(1)] * count
    folds = next(x for x in lessons(told, SHOP, "mm") if x.id == "folds")
    assert float(folds.typed.removesuffix(" mm")) == pytest.approx(cloth_mm, abs=0.02)
    assert folds.name == "canvas_cloth_mm"


def stretched(cloth_mm: float) -> Plan:
    """A canvas stretched here, measured when it was on its bars."""
    job = example("cloth")
    bars = {a: assess(job, SHOP).desk.sheet[f"stretch.bar_{a}"].value for a in ("width", "height")}
    pins = [
        Edit(at=f"pins/canvas.{a}", to={"mm": round(mm + 6 * cloth_mm, 2), "typed": "as read", "tool": "caliper"})
        for a, mm in bars.items()
    ]
    plan = assess(apply(job, pins)[0], SHOP)
    assert plan.assembly is not None
    return plan


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
