"""What is cut elsewhere: ordered from measured sizes alone, and read against its order when it comes."""

import csv
import datetime as dt
import io

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job
from shadbo.core.shop.calendar import Calendar, parse_shut
from shadbo.core.steps import steps
from shadbo.core.steps.bench import bench
from shadbo.core.steps.orders import orders
from shadbo.core.steps.progress import standings
from shadbo.demo.at_work import SO_FAR, so_far
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files.order_sheet import order_csv, order_html
from shadbo.files.papers import papers_of

SHOP = demo_shop()
NOW = dt.datetime(2026, 11, 26, 9, tzinfo=dt.UTC)
SHIRT = next(j for j in demo_jobs() if j.title == "Shirt of the winning eight")
INSIDE = {f"frame.inside_width.{x}": 1044.0 for x in ("top", "middle", "bottom")}


def measured(job: Job) -> Job:
    pins = [Edit(at=f"pins/{k}", to={"mm": mm, "typed": f"{mm:g}", "tool": "rule"}) for k, mm in INSIDE.items()]
    pins += [
        Edit(at=f"pins/frame.inside_height.{x}", to={"mm": 903.0, "typed": "903", "tool": "rule"})
        for x in ("left", "middle", "right")
    ]
    return change(job, pins, SHOP).job


def test_an_order_is_released_by_the_measured_frame_and_by_nothing_sooner():
    plan = assess(SHIRT, SHOP)
    assert [o.name for o in orders(plan)] == ["acrylic 3"]
    assert not any(o.released for o in orders(plan))
    assert "order.pdf" not in {p.name for p in papers_of(plan, "mm")}
    after = assess(measured(SHIRT), SHOP)
    assert all(o.released for o in orders(after))
    assert {"order.pdf", "order.csv"} <= {p.name for p in papers_of(after, "mm")}
    line = next(csv.DictReader(io.StringIO(order_csv(after, 118))))
    (order,) = orders(after)
    assert (float(line["width"]), float(line["height"])) == (order.width_mm, order.height_mm)
    allowance = after.desk.sheet["fit.allowance_width"].value
    assert order.width_mm <= 1044.0 - 3
    assert allowance >= 3
    assert "acrylic 3" in order_html(after, "mm", 118)


def test_the_day_it_should_be_here_follows_from_the_day_it_went_out():
    job = measured(SHIRT)
    sent = change(job, [Edit(at="work/order.glazing/ended", to=NOW.isoformat())], SHOP).job
    (order,) = orders(assess(sent, SHOP))
    assert order.due == NOW + dt.timedelta(days=7)
    assert order.came is None


def test_a_wrong_pane_is_caught_by_its_two_sizes():
    job = change(measured(SHIRT), [Edit(at="work/order.glazing/ended", to=NOW.isoformat())], SHOP).job
    plan = assess(job, SHOP)
    (order,) = orders(plan)
    step = next(s for s in steps(plan) if s.id == "come.glazing")
    wide = next(c for c in step.checks if c.wanted is not None and c.wanted.key == "package.width")
    reading = {"mm": order.width_mm - 4, "typed": "x", "tool": "tape"}
    job = change(job, [Edit(at=f"work/come.glazing/sizes/{wide.id}", to=reading)], SHOP).job
    after = assess(job, SHOP)
    assert orders(after)[0].width_mm == order.width_mm, "the pane is wrong, not the plan"
    view = next(s for s in bench(after, NOW).steps if s.id == "come.glazing")
    check = next(c for c in view.checks if c.id == wide.id)
    assert check.out
    assert check.says is not None
    assert "goes back" in check.says.mm


def test_the_jobs_of_the_demo_are_on_their_way():
    jobs = {j.title: j for j in demo_jobs()}
    notes = 0
    for title, past in SO_FAR.items():
        job = change(jobs[title], so_far(jobs[title], SHOP, NOW), SHOP).job
        plan = assess(job, SHOP)
        found = standings(plan, steps(plan), NOW)
        done = {s.step.id for s in found if s.done.ended is not None}
        assert done == {p.step for p in past}, title
        assert any(s.state in ("ready", "waiting") for s in found), title
        notes += sum(bool(s.done.note) for s in found)
    assert len(SO_FAR) == 5
    assert notes == 2


def test_an_order_is_counted_without_the_days_on_which_the_shop_is_closed():
    calendar = Calendar(shut=parse_shut("30 Nov to 1 Dec", NOW.date()))
    shop = SHOP.model_copy(update={"calendar": calendar})
    sent = change(measured(SHIRT), [Edit(at="work/order.glazing/ended", to=NOW.isoformat())], shop).job
    (order,) = orders(assess(sent, shop))
    assert order.due == NOW + dt.timedelta(days=11), "a weekend, two days closed, and a weekend more"


def test_openings_are_cut_by_machine_elsewhere_where_the_framer_says_so():
    job = change(measured(SHIRT), [Edit(at="machine_days", to=4)], SHOP).job
    plan = assess(job, SHOP)
    lines = {o.part: o for o in orders(plan)}
    assert {"glazing", "mat", "mat_inner"} <= set(lines)
    assert (lines["mat"].work, lines["mat"].lead_days, lines["mat"].released) == ("openings by machine", 4, True)
    all_steps = {s.id: s for s in steps(plan)}
    assert not {"window.mat", "window.mat_inner"} & set(all_steps), "nobody cuts them here"
    order, come = all_steps["order.mat"], all_steps["come.mat"]
    assert {"order.pdf", "cut.dxf"} == set(order.papers)
    wanted = {c.wanted.key for c in come.checks if c.wanted is not None}
    assert {q.key for w in plan.assembly.windows if w.sheet == "mat" for q in w.sizes if q.kind == "cut"} <= wanted
    assert "cutting file" in order_html(plan, "mm", 118)
    before = assess(change(SHIRT, [Edit(at="machine_days", to=4)], SHOP).job, SHOP)
    assert not any(o.released for o in orders(before)), "not before the frame was measured"


def test_a_frame_is_sent_out_to_be_sprayed_and_measured_when_it_is_back():
    edits = [Edit(at="finish", to="sprayed, harbour grey"), Edit(at="finish_days", to=6)]
    job = change(SHIRT, edits, SHOP).job
    plan = assess(job, SHOP)
    line = next(o for o in orders(plan) if o.part == "finish")
    assert (line.work, line.released, line.lead_days) == ("sprayed, harbour grey", True, 6)
    ids = [s.id for s in steps(plan)]
    assert "finish" not in ids
    assert ids.index("order.finish") < ids.index("come.finish") < ids.index("measure.frame")
    sent = change(job, [Edit(at="work/order.finish/ended", to=NOW.isoformat())], SHOP).job
    plan = assess(sent, SHOP)
    (line,) = [o for o in orders(plan) if o.part == "finish"]
    assert line.due == NOW + dt.timedelta(days=8), "six working days and a weekend"
    waiting = {s.step.id: s for s in standings(plan, steps(plan), NOW)}["come.finish"]
    assert waiting.state == "waiting"
    here = change(job, [Edit(at="finish_days", to=None)], SHOP).job
    assert "finish" in [s.id for s in steps(assess(here, SHOP))]
