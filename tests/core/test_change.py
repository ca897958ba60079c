"""The one way in which a job changes, and what is kept once something of it is cut."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.stock import Stock
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from tests.flat import SHOP, job, plan
from tests.golden_plans import told

JOBS = {j.title: j for j in demo_jobs()}


def pins_of(the_job: Job) -> list[str]:
    return [q.at for s in stations(assess(the_job, SHOP)) for q in s.questions if q.kind == "pin"]


def made_of(the_job: Job) -> dict[str, float]:
    """All that can be written down as it was made: by a row, or by its line, which leads to the same."""
    lines = assess(the_job, SHOP).desk.sheet.named
    made = {f"pins/{key}": q.value for key, q in lines.items() if q.kind in ("cut", "made")}
    assert made.keys() >= set(pins_of(the_job))
    return made


@pytest.mark.parametrize("name", JOBS)
def test_all_that_is_made_can_be_written_down(name: str):
    the_job = JOBS[name]
    for at, planned in made_of(the_job).items():
        size = {"mm": max(round(planned, 1), 0.5), "typed": "", "tool": "rule"}
        done = change(the_job, [Edit(at=at, to=size)], SHOP)
        assert done.job.practice == SHOP.practice
        assert done.job.mark == SHOP.mark
        assert done.plan.assembly is not None
        assert change(done.job, done.inverse, SHOP).job == the_job or the_job.pins


def cheaper(shop: Shop) -> Shop:
    """A shop whose every material got a cheaper, thinner neighbour in front of it, and other habits."""
    stock = {}
    for drawer in Stock.model_fields:
        items = []
        for item in getattr(shop.stock, drawer):
            new: dict[str, object] = {"id": f"{item.id}-b", "name": f"{item.name} b"}
            new |= {f: 0.01 for f in ("price", "price_per_m", "price_per_m2") if hasattr(item, f)}
            if hasattr(item, "thick_mm"):
                new["thick_mm"] = item.thick_mm * 0.9
            items += [item.model_copy(update=new), item]
        stock[drawer] = tuple(items)
    practice = shop.practice.model_copy(update={"fit_allowance_mm": 5, "mat_border_mm": 99, "recess_mm": 9})
    return shop.model_copy(update={"stock": Stock(**stock), "practice": practice, "mark": "1 mm"})


@pytest.mark.parametrize("name", JOBS)
def test_after_the_first_cut_nothing_that_the_shop_changes_moves_the_job(name: str):
    pins = [at for at in pins_of(JOBS[name]) if "rail" in at or "strip" in at] or pins_of(JOBS[name])
    if not pins:
        pytest.skip("nothing of it is cut")
    size = {"mm": round(assess(JOBS[name], SHOP).desk.sheet[pins[0].removeprefix("pins/")].value, 1), "typed": ""}
    cut = change(JOBS[name], [Edit(at=pins[0], to=size)], SHOP).job
    before, after = told(cut, SHOP), told(cut, cheaper(SHOP))
    assert before["lines"] == after["lines"]
    assert before["parts"] == after["parts"]
    assert before["findings"] == after["findings"]
    assert before["state"] == after["state"]


def test_what_is_not_cut_follows_the_shop():
    the_job = job("window mat", "paper")
    assert told(the_job, SHOP)["lines"] != told(the_job, cheaper(SHOP))["lines"]


def test_the_framer_may_give_a_kept_material_back_to_the_plan():
    cut = change(job("window mat", "paper"), [Edit(at="pins/rail.width", to={"mm": 450, "typed": ""})], SHOP).job
    kept = cut.materials.sheets["backing"]
    other = next(s for s in SHOP.stock.sheets_of("foam board") if s != kept)
    at = "options/window_mat/backing"
    decided = change(cut, [Edit(at=at, to=other.model_dump(mode="json"))], SHOP)
    assert next(p.sheet for p in decided.plan.assembly.by_role("backing")) == other
    shop = cheaper(SHOP)
    again = change(decided.job, [Edit(at=at)], shop)
    assert again.job.materials.sheets["backing"] != kept, "chosen anew from the rack as it is now"


def test_a_later_need_is_kept_too():
    first = change(job("window mat", "paper"), [Edit(at="pins/rail.width", to={"mm": 450, "typed": ""})], SHOP).job
    assert "mat_inner" not in first.materials.sheets
    double = change(first, [Edit(at="options/window_mat/double", to=True)], SHOP).job
    assert "mat_inner" in double.materials.sheets


@given(st.sampled_from(sorted(JOBS)), st.integers(0, 60), st.floats(1, 2000))
def test_a_change_is_undone_by_its_inverse(name: str, n: int, mm: float):
    pins = pins_of(JOBS[name])
    if not pins:
        return
    start = JOBS[name]
    done = change(start, [Edit(at=pins[n % len(pins)], to={"mm": round(mm, 2), "typed": ""})], SHOP)
    back = change(done.job, done.inverse, SHOP).job
    assert back.pins == start.pins
    assert plan(back).state == plan(start).state
