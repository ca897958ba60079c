"""The demo jobs in other shops: one that works in inches, and one that has nothing left of what was cut."""

import re
from collections.abc import Iterator

import pytest

from shadbo.core.advise import advise
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.plan import Plan
from shadbo.core.shop.stock import Stock
from shadbo.core.stations import stations
from shadbo.core.words.lengths import Both
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.flat import detail, job

SHOP = demo_shop()
INCHES = SHOP.model_copy(update={"system": "in", "mark": "1/32 in"})
BARE = SHOP.model_copy(
    update={
        "stock": Stock(),
        "practice": SHOP.practice.model_copy(
            update={"fit_allowance_mm": 7.0, "least_gap_mm": 5.5, "border_gauge_mm": 3}
        ),
    }
)
JOBS = pytest.mark.parametrize("the_job", demo_jobs(), ids=lambda j: j.title)


def said(plan: Plan) -> Iterator[Both]:
    """Every text of a plan that is there in both systems."""
    for f in plan.findings:
        yield from (f.title, f.detail, *([f.by_hand] if f.by_hand else []))
        for r in f.remedies:
            yield from (r.says, r.proposal.label, *(x for e in r.effects for x in (e.before, e.after)))
    for station in stations(plan):
        for q in station.questions:
            yield from (x for x in (q.value, q.note, *(c.detail for c in q.choices)) if isinstance(x, Both))


@JOBS
def test_an_inch_shop_reads_no_millimetres(the_job):
    texts = list(said(advise(the_job, INCHES)))
    assert texts
    assert [t.inch for t in texts if re.search(r"\d ?mm\b", t.inch)] == []


@JOBS
def test_what_is_cut_stays_whatever_becomes_of_the_shop(the_job):
    before = change(the_job, [], SHOP).plan
    assert before is not None
    rows = [q.at for s in stations(before) for q in s.questions if (q.at or "").startswith("pins/")]
    for at in rows:
        line = before.desk.sheet.get(str(at).removeprefix("pins/"))
        if line is None:
            continue
        made = {"mm": round(line.value + 0.5, 2), "typed": "as made", "tool": "rule"}
        cut = change(the_job, [Edit(at=at, to=made)], SHOP)
        later = change(cut.job, [], BARE).plan
        assert cut.plan is not None
        assert later is not None
        lines = {key: q.value for key, q in cut.plan.desk.sheet.named.items()}
        assert lines == pytest.approx({key: q.value for key, q in later.desk.sheet.named.items()})


@JOBS
def test_a_remedy_that_is_taken_costs_and_mends_what_it_says(the_job):
    plan = advise(the_job, SHOP)
    total = plan.desk.sheet["price.materials"].value if plan.assembly is not None else 0.0
    for finding in plan.findings:
        for remedy in finding.remedies:
            after = change(the_job, remedy.proposal.edits, SHOP).plan
            assert after is not None
            still = [f.severity for f in after.findings if (f.code, f.place) == (finding.code, finding.place)]
            assert finding.severity not in still
            if "make again" not in remedy.says.mm:
                more = after.desk.sheet["price.materials"].value - total
                assert remedy.price == pytest.approx(more, abs=0.011)


def test_a_finer_mark_is_offered_where_rounding_alone_lets_the_lip_hold_too_little():
    """A lip of 6.4 mm less 3 mm of allowance keeps 3.4; boards cut down to 1/16 in may take all but 1.8 of it."""
    sixteenths = SHOP.model_copy(update={"mark": "1/16 in"})
    stock = next(f for f in SHOP.stock.frames if f.rabbet_mm >= 20)
    tight = stock.model_copy(update={"lip_mm": 6.4}).model_dump(mode="json")
    offered = 0
    for wide in range(300, 340, 3):
        start = job("window mat", detail("paper", wide, 400, 0.3), {"window_mat": {"profile": tight}})
        found = [f for f in advise(start, sixteenths).findings if f.code == "hold.small"]
        for finding in found:
            finer = [r for r in finding.remedies if r.proposal.edits[0].at == "mark"]
            for remedy in finer:
                offered += 1
                after = change(start, list(remedy.proposal.edits), sixteenths).plan
                assert after is not None
                assert after.desk.sheet["fit.worst_hold"].value >= 3 - 1e-6
    assert offered > 0


def test_the_plans_own_moulding_still_holds_after_rails_and_boards_are_rounded():
    for name in ("1/16 in", "1 mm", "0.5 mm"):
        shop = SHOP.model_copy(update={"mark": name})
        for wide in (311, 317, 402, 455):
            p = change(job("window mat", detail("paper", wide, 333, 0.3)), [], shop).plan
            assert p is not None
            assert p.desk.sheet["fit.worst_hold"].value >= 3 - 1e-6, (name, wide)
