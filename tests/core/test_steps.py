"""The work at the bench: its order follows from what is needed; nothing is left out, nothing done twice."""

import datetime as dt
from collections import Counter
from collections.abc import Sequence
from functools import cache

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.assess import assess
from shadbo.core.change import change
from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.drawing.board import draw_for_bench, views_of
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.settings.examples import example
from shadbo.core.steps import steps
from shadbo.core.steps.bench import bench
from shadbo.core.steps.leaving import REASON_AT, REOPENING
from shadbo.core.steps.order import NoOrder, in_order, makers
from shadbo.core.steps.progress import next_of, open_checks, planned_mm, standings, used_by
from shadbo.core.steps.step import Made, Step, Thing
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.alike import builds
from tests.core.test_any_piece import jobs

SHOP = demo_shop()
JOBS = demo_jobs()
NAMES = [j.title for j in JOBS]
NOW = dt.datetime(2026, 11, 26, 9, tzinfo=dt.UTC)
LONG = dt.timedelta(days=60)


def taken(job: Job, *ids: str, at: dt.datetime = NOW) -> Job:
    """The job with these steps done at a time, all that they ask answered with yes, and taken by its owner."""
    return change(job, done_edits(steps(assess(job, SHOP)), *ids, at=at), SHOP).job


def done_edits(all_steps: Sequence[Step], *ids: str, at: dt.datetime) -> list[Edit]:
    """Edits that say so."""
    by_id = {s.id: s for s in all_steps}
    edits = []
    for i in ids:
        yes = {c.id: "yes" for c in by_id[i].checks if not c.signed and (c.key or c.wanted is None)}
        sizes = {
            c.id: {"mm": planned_mm(c.wanted), "typed": "as ordered", "tool": "tape"}
            for c in by_id[i].checks
            if c.wanted is not None and not c.key
        }
        to = {"ended": at.isoformat(), "who": "Jory", "answers": yes, "sizes": sizes}
        edits.append(Edit(at=f"work/{i}", to=to | ({"taken_by": "Maren Tolv"} if by_id[i].closes else {})))
    return edits


def planned(job: Job) -> Plan:
    plan = assess(job, SHOP)
    assert plan.assembly is not None
    return plan


def test_nothing_is_used_before_it_is_made(any_plan: Plan):
    there: set[Thing] = set()
    for step in steps(any_plan):
        assert set(step.needs) <= there, step.id
        there |= {m.thing for m in step.makes}


def test_each_part_of_the_cut_list_is_made_once_and_each_join_done_once(any_plan: Plan):
    made = Counter(m.thing for step in steps(any_plan) for m in step.makes)
    assert set(made.values()) == {1}
    a = any_plan.assembly
    assert a is not None
    cut = {row.part for row in cut_list(any_plan) if row.kind == "part"}
    assert {t.id for t in made if t.kind == "part"} - {"stock", "cloth"} == cut
    joins = {j.id for j in a.joins if j.fixings and not j.part and "rail" in j.holds}
    assert {t.id for t in made if t.kind == "fixed"} - {"back"} == joins


def test_what_lies_in_a_frame_comes_after_the_frame_was_measured(any_plan: Plan):
    order = [s.id for s in steps(any_plan)]
    if "measure.frame" not in order:
        return
    at = order.index("measure.frame")
    for step in steps(any_plan):
        if step.stage == "boards":
            assert order.index(step.id) > at, step.id


def test_each_check_is_asked_once_and_the_look_from_the_front_is_the_last_before_it_closes(any_plan: Plan):
    found = steps(any_plan)
    keys = [c.key for s in found for c in s.checks if c.key]
    assert len(keys) == len(set(keys))
    words = Counter(c.words for s in found for c in s.checks if c.id in ("inner-faces", "tilt", "label", "top-up"))
    assert set(words.values()) <= {1}
    order = [s.id for s in found]
    closing = [s.id for s in found if s.id.startswith("fix.") and Thing("looked") in s.needs]
    for id_ in closing:
        between = order[order.index("look") + 1 : order.index(id_)]
        assert all(x in closing for x in between), between


def test_every_drawing_of_a_step_is_one_that_the_plan_has(any_plan: Plan):
    for step in steps(any_plan):
        assert step.view in views_of(any_plan) or step.view in ("tape", "mat", "holes"), step.id
        assert step.minutes > 0
        assert step.people in (1, 2)
        assert step.says
        assert step.says[0].isupper()


@cache
def plan_of(name: str) -> Plan:
    return planned(JOBS[NAMES.index(name)])


@pytest.fixture(params=NAMES)
def any_plan(request: pytest.FixtureRequest) -> Plan:
    """The plan of each demo job."""
    return plan_of(request.param)


@settings(max_examples=60, deadline=None)
@given(jobs(), st.sampled_from([None, 4]), st.sampled_from([None, 6]))
def test_any_build_can_be_worked_from_its_first_step_to_its_last(
    the_job: Job, machine_days: int | None, finish_days: int | None
):
    """Whatever piece in whatever display: an order, every part made once, nothing before what it needs."""
    outside = {"machine_days": machine_days, "finish_days": finish_days, "finish": "sprayed" if finish_days else ""}
    the_plan = assess(the_job.model_copy(update=outside), SHOP)
    if the_plan.assembly is None:
        return
    there: set[Thing] = set()
    found = steps(the_plan)
    for step in found:
        assert set(step.needs) <= there, step.id
        there |= {m.thing for m in step.makes}
    cut = {row.part for row in cut_list(the_plan) if row.kind == "part"}
    assert {t.id for t in there if t.kind == "part"} - {"stock", "cloth"} == cut
    keys = [c.key for s in found for c in s.checks if c.key]
    assert len(keys) == len(set(keys))
    assert found[-1].id == "hand.over"
    seen = bench(the_plan, NOW)
    assert len(seen.steps) == len(found)
    for step in found:
        assert draw_for_bench(the_plan, step.view, "in", step.drawn).startswith("<svg")


def test_a_step_before_the_readings_is_to_take_them():
    job = Job()
    found = steps(assess(job, SHOP))
    assert [s.id for s in found] == ["receive", "measure"]
    assert "to take" in found[1].stops


def test_what_is_on_order_is_waited_for_before_the_readings_too():
    shirt = next(j for j in JOBS if j.title == "Shirt of the winning eight")
    bare = change(shirt, [Edit(at="pieces/piece/detail/width")], SHOP).job
    assert [s.id for s in steps(assess(bare, SHOP))] == ["receive", "order.plate", "come.plate", "measure"]


@given(st.permutations(["top", "middle", "bottom"]), st.integers(0, 3))
@settings(max_examples=30, deadline=None)
def test_each_reading_of_the_inside_is_held_against_the_rails_whatever_was_read_before(places: list[str], n: int):
    job = JOBS[1]
    rails = planned(job).desk.sheet["frame.inside_width.middle"].value
    edits = [
        Edit(at=f"pins/frame.inside_width.{p}", to={"mm": rails + i + 1, "typed": "x", "tool": "rule"})
        for i, p in enumerate(places[:n])
    ]
    plan = planned(change(job, edits, SHOP).job) if edits else planned(job)
    step = next(s for s in steps(plan) if s.id == "measure.frame")
    wanted = [planned_mm(c.wanted) for c in step.checks if c.wanted is not None and "inside_width" in c.key]
    assert wanted == [rails] * 3


@given(st.data())
@settings(max_examples=60, deadline=None)
def test_an_order_is_found_whatever_needs_what_or_it_is_said_that_there_is_none(data: st.DataObject):
    n = data.draw(st.integers(1, 12))
    needs = [data.draw(st.sets(st.integers(0, n - 1), max_size=3)) for _ in range(n)]
    plain = [
        Step(f"s{i}", "frame", "S", (Made(Thing("part", str(i))),), tuple(Thing("part", str(x)) for x in needs[i]))
        for i in range(n)
    ]
    order: list[int] = []
    while True:
        free = [i for i in range(n) if i not in order and needs[i] <= set(order)]
        if not free:
            break
        order.append(free[0])
    if len(order) < n:
        with pytest.raises(NoOrder):
            in_order(plain)
    else:
        assert [s.id for s in in_order(plain)] == [f"s{i}" for i in order]


def test_two_that_make_one_thing_and_a_need_that_none_makes_are_said():
    one = Step("a", "frame", "A", (Made(Thing("laid")),))
    with pytest.raises(NoOrder, match="made by a and by b"):
        makers([one, Step("b", "frame", "B", (Made(Thing("laid")),))])
    with pytest.raises(NoOrder, match="no step makes"):
        in_order([Step("c", "frame", "C", (), (Thing("looked"),))])


@pytest.mark.parametrize("name", builds(JOBS))
def test_a_job_is_led_from_the_first_step_to_the_last(name: str):
    """Each step that is next is done; what waits is waited for; at the end nothing is left."""
    job, now, seen = JOBS[NAMES.index(name)], NOW, []
    job = job.model_copy(update={"handed_over": None})
    for _ in range(80):
        plan = planned(job)
        all_steps = steps(plan)
        found = standings(plan, all_steps, now)
        first = next_of(found)
        if first is None:
            break
        if first.state == "waiting":
            assert first.until is not None
            assert first.until > now
            assert first.why
            now = first.until
            continue
        if first.state == "blocked":
            assert first.step.stops, (first.step.id, first.why)
            return  # a stop is to be settled first: nothing goes on without it
        seen.append(first.step.id)
        now += dt.timedelta(minutes=first.step.minutes)
        job, _ = apply(job, done_edits(all_steps, first.step.id, at=now))
    plan = planned(job)
    assert [s.id for s in steps(plan)] == [s.id for s in steps(planned(job))]
    assert set(seen) == {s.id for s in steps(plan)}
    assert seen[-1] == "hand.over"


def test_glue_is_waited_for_and_only_what_needs_it_waits():
    job = JOBS[7]
    before = ("receive", "plan", "cut.rails", "join")
    job = taken(job, *before)
    found = {s.step.id: s for s in standings(planned(job), steps(planned(job)), NOW + dt.timedelta(minutes=10))}
    assert found["unclamp"].state == "waiting"
    assert found["unclamp"].until == NOW + dt.timedelta(minutes=SHOP.practice.clamp_min)
    assert found["ready.piece"].state == "ready"
    late = {s.step.id: s for s in standings(planned(job), steps(planned(job)), NOW + dt.timedelta(minutes=50))}
    assert late["unclamp"].state == "ready"
    early = change(job, [Edit(at="work/unclamp/early", to=True)], SHOP).job
    found = {s.step.id: s for s in standings(planned(early), steps(planned(early)), NOW)}
    assert found["unclamp"].state == "ready"


def test_what_was_done_keeps_its_sizes_and_says_when_the_plan_asks_for_others():
    job = taken(JOBS[1], "receive", "plan", "ready.piece", "cut.rails")
    assert job.work["cut.rails"].used == used_by(next(s for s in steps(planned(job)) if s.id == "cut.rails"))
    assert job.practice is not None, "what is begun no longer follows the shop"
    wider = change(job, [Edit(at="options/floater/gap", to={"mm": 9, "typed": "9"})], SHOP).job
    plan = planned(wider)
    found = next(s for s in standings(plan, steps(plan), NOW) if s.step.id == "cut.rails")
    assert found.state == "changed"
    assert {c.verdict for c in found.changed} == {"remake"}
    narrower = change(job, [Edit(at="options/floater/gap", to={"mm": 4, "typed": "4"})], SHOP).job
    plan = planned(narrower)
    found = next(s for s in standings(plan, steps(plan), NOW) if s.step.id == "cut.rails")
    assert {c.verdict for c in found.changed} == {"adapt"}
    assert "cut it down" in found.changed[0].says.mm


def test_what_still_serves_is_said_once_and_done_by_the_new_size():
    job = taken(JOBS[1], "receive", "plan", "ready.piece", "cut.rails")
    job = change(job, [Edit(at="options/floater/gap", to={"mm": 9, "typed": "9"})], SHOP).job
    plan = planned(job)
    found = standings(plan, steps(plan), NOW)
    first = next_of(found)
    assert first is not None
    assert first.step.id == "cut.rails", "what no longer serves comes before what is made of it"
    again = [
        Edit(at="work/cut.rails/ended", to=(NOW + dt.timedelta(hours=1)).isoformat()),
        Edit(at="work/cut.rails/used"),
    ]
    plan = planned(change(job, again, SHOP).job)
    found = standings(plan, steps(plan), NOW)
    assert next(s for s in found if s.step.id == "cut.rails").state == "done"


def test_what_is_made_of_a_part_that_is_made_anew_is_done_again():
    job = taken(JOBS[1], "receive", "plan", "ready.piece", "cut.rails", "join")
    rails = next(s for s in bench(planned(job), NOW).steps if s.id == "cut.rails")
    job = change(job, rails.remake, SHOP).job
    plan = planned(job)
    found = {s.step.id: s for s in standings(plan, steps(plan), NOW)}
    assert found["cut.rails"].state == "ready"
    assert found["join"].state == "changed"
    assert "not done now: Cut the rails" in found["join"].changed[0].says.mm
    first = next_of(tuple(found.values()))
    assert first is not None
    assert first.step.id == "cut.rails"
    later = (NOW + dt.timedelta(hours=2)).isoformat()
    job = change(job, [Edit(at="work/cut.rails/ended", to=later)], SHOP).job
    plan = planned(job)
    join = next(s for s in standings(plan, steps(plan), NOW) if s.step.id == "join")
    assert "made anew since" in join.changed[0].says.mm
    job = taken(job, "join", at=NOW + dt.timedelta(hours=3))
    plan = planned(job)
    assert next(s for s in standings(plan, steps(plan), NOW) if s.step.id == "join").state == "done"


def test_what_holds_a_piece_by_its_frame_is_done_in_the_frame(any_plan: Plan):
    a = any_plan.assembly
    assert a is not None
    found = {s.id: s for s in steps(any_plan)}
    for mount in a.mounts:
        own = f"mount.{mount.of or 'piece'}" in found
        framed = a.back_rail is not None
        assert own != (framed and mount.taken.mount.in_frame) or "pegs.on" in found, mount.taken.mount.id
    assert ("lay.in" in found) == (a.back_rail is not None and "pegs.on" not in found)
    if a.by_role("glazing"):
        assert "clean" in found
        assert "inner-faces" in {c.id for c in found["look"].checks}


def test_a_reading_out_of_its_tolerance_says_by_how_much_and_what_follows():
    job = taken(JOBS[1], "receive", "plan", "ready.piece", "cut.rails", "join", "unclamp", "finish")
    before = planned(job)
    inside = before.desk.sheet["frame.inside_width.middle"].value
    edits = [Edit(at="pins/frame.inside_width.middle", to={"mm": inside + 3, "typed": "+3", "tool": "rule"})]
    after = planned(change(job, edits, SHOP).job)
    found = bench(after, NOW + LONG, before)
    check = next(c for s in found.steps for c in s.checks if c.key == "frame.inside_width.middle")
    assert check.out
    assert check.says is not None
    assert check.says.mm.startswith("3 mm more")


def test_what_a_reading_changes_further_on_is_listed_and_what_is_cut_stays():
    job = taken(JOBS[7], "receive", "plan", "cut.rails", "join")
    before = planned(job)
    inside = before.desk.sheet["frame.inside_width.middle"].value
    edits = [
        Edit(at=f"pins/frame.inside_width.{x}", to={"mm": inside - 2, "typed": "-2", "tool": "rule"})
        for x in ("top", "middle", "bottom")
    ]
    after = planned(change(job, edits, SHOP).job)
    changes = bench(after, NOW, before).changes
    assert "boards and glazing, width" in {c.label for c in changes}
    assert not {c.step for c in changes} & {"cut.rails", "join"}


def test_nothing_is_handed_over_with_a_check_open():
    job = JOBS[1]
    order = [s.id for s in steps(planned(job))]
    job = taken(job, *order[:-1])
    plan = planned(job)
    assert open_checks(plan, steps(plan)) == ()
    assert standings(plan, steps(plan), NOW + LONG)[-1].state == "ready"
    for answer in ("later", "no", None):
        plan = planned(change(job, [Edit(at="work/look/answers/top-up", to=answer)], SHOP).job)
        last = standings(plan, steps(plan), NOW + LONG)[-1]
        assert last.state == "blocked"
        assert last.why.startswith("still open: Its top is up")


def test_what_was_handed_over_at_the_bench_can_only_be_read_until_it_is_reopened():
    job = taken(JOBS[1], "receive")
    closed = change(job, [Edit(at="handed_over", to="2026-11-26")], SHOP).job
    with pytest.raises(BadEdit, match="reopen"):
        change(closed, [Edit(at="title", to="another")], SHOP)
    for silent in ([Edit(at="handed_over")], [Edit(at="handed_over"), Edit(at=REASON_AT, to="  ")]):
        with pytest.raises(BadEdit, match="say why"):
            change(closed, silent, SHOP)
    opened = change(closed, [*REOPENING, Edit(at=REASON_AT, to="its glass broke")], SHOP).job
    assert not opened.closed
    assert opened.work["hand.over"].note == "its glass broke"


def test_a_step_that_ends_before_it_began_is_refused():
    with pytest.raises(BadEdit, match="before it began"):
        change(
            JOBS[1],
            [Edit(at="work/receive", to={"began": "2026-11-26T10:00:00Z", "ended": "2026-11-26T09:00:00Z"})],
            SHOP,
        )


def test_a_print_that_is_still_to_be_made_goes_out_and_is_waited_for():
    job = example("print to be made")
    found = {s.id: s for s in steps(planned(job))}
    file = {q.key: q.value for q in found["order.print"].sizes}
    assert file["stretch.file_width"] > 900
    order = list(found)
    assert order.index("order.print") < order.index("cut.cloth") < order.index("stretch") < order.index("cut.rails")
    job = taken(job, "receive", "plan", "order.print")
    plan = planned(job)
    waiting = next(s for s in standings(plan, steps(plan), NOW) if s.step.id == "cut.cloth")
    assert waiting.state == "waiting"
    assert waiting.until == NOW + dt.timedelta(days=SHOP.practice.order_days * 7 / 5)


def test_a_photograph_that_was_said_to_be_taken_is_looked_for():
    job, _ = apply(next(j for j in demo_jobs() if j.title == "Slipway at low water"), [
        Edit(at="work/receive", to={"ended": NOW.isoformat(), "answers": {"photographed": "yes"}}),
    ])  # fmt: skip
    the_plan = assess(job, SHOP)

    def said(pictures):
        step = next(s for s in bench(the_plan, NOW, None, pictures).steps if s.id == "receive")
        return next(c for c in step.checks if c.id == "photographed")

    assert said(None).says is None
    none = said([])
    assert none.out
    assert none.says is not None
    assert "no photograph is kept" in none.says.mm
    assert not said([NOW - dt.timedelta(days=3)]).out, "of a piece as it came any will do"
