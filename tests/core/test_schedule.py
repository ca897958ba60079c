"""The schedule: what is true of every one, and what single cases come to."""

import datetime as dt
import re
from dataclasses import replace
from itertools import combinations, pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.schedule.drawn import draw_weeks
from shadbo.core.schedule.hours import Hand, end_of_day, stretches
from shadbo.core.schedule.outline import Need, Outline, minute, moment
from shadbo.core.schedule.reasons import chain, reason
from shadbo.core.schedule.schedule import Case, again, schedule
from shadbo.core.schedule.table import House
from shadbo.core.schedule.views import next_day, promise_of, ready_views, rings_of, summary, today_view
from shadbo.core.shapes.polygon import box_of, overlap
from shadbo.core.shapes.rings import rect
from shadbo.core.shop.calendar import Calendar, Shut, parse_hours
from shadbo.core.shop.crew import Worker
from tests.core.schedule_cases import NOW, case, cases, faults, house, houses, outlines, task


@settings(max_examples=60, deadline=None)
@given(cases(), houses())
def test_every_schedule_can_be_done(found, shop):
    s = schedule(found, shop, NOW)
    assert faults(s) == []
    assert s.least <= s.late
    again = schedule(found, shop, NOW)
    assert (again.rota, again.order, again.late) == (s.rota, s.order, s.late)
    for view in ready_views(s):
        assert view.says
        assert view.promise in ("late", "close", "kept", "no day", "not planned", "done")
        assert (view.promise == "late") == (s.late_by(view.number) > 0 or (s.in_hand(view.number) or 0) < 0)


@settings(max_examples=40, deadline=None)
@given(cases(), houses(), outlines())
def test_one_more_job_moves_no_other(found, shop, more):
    s = schedule(found, shop, NOW)
    fresh = replace(more, tasks=tuple(replace(t, began=None) for t in more.tasks))
    asked = again(s, Case(0, "one more", None, fresh))
    assert faults(asked) == []
    for number in s.cases:
        assert asked.rota.placed[number] == s.rota.placed[number]
    assert asked.ready(0) is None or asked.ready(0) > asked.now  # type: ignore[operator]


@settings(max_examples=40, deadline=None)
@given(cases(), houses())
def test_a_jobs_way_reaches_from_now_to_its_day_without_a_gap(found, shop):
    s = schedule(found, shop, NOW)
    for number in s.cases:
        links = chain(s, number)
        if not links:
            continue
        assert links[-1].end == moment(max(p.end for p in s.rota.placed[number]))
        for a, b in pairwise(links):
            assert a.end <= b.start or a.kind != "work", (a, b)
        assert all(x.start <= x.end for x in links)


def test_a_wait_is_filled_with_another_jobs_work():
    glued = case(101, task(0, 30), task(1, 30, [Need(0, 120, 0, "glue")]), due=0)
    other = case(102, task(0, 60), due=5)
    s = schedule([glued, other], house("a", hours="Mon-Fri 9-17:30"), NOW)
    (first, last), (filled,) = s.rota.placed[101], s.rota.placed[102]
    assert first.end <= filled.start
    assert filled.end <= last.start
    assert last.start == first.end + 120
    assert [x.kind for x in chain(s, 101)][-2:] == ["wait", "work"]


def test_a_step_that_does_not_fit_before_noon_begins_after_it():
    s = schedule([case(101, task(0, 170), task(1, 30, [Need(0)]))], house("a"), NOW)
    long, short = s.rota.placed[101]
    local = moment(long.start).astimezone(s.house.calendar.clock)
    assert (local.hour, local.minute) == (13, 0)  # at ten there are but two hours till noon
    assert short.start == long.end


def test_a_step_longer_than_any_stretch_is_done_in_parts():
    (placed,) = schedule([case(101, task(0, 600))], house("a"), NOW).rota.placed[101]
    assert [p.end - p.start for p in placed.parts] == [270, 270, 60]


def test_two_people_begin_together_and_one_alone_asks_for_help():
    heavy = case(101, task(0, 40, people=2))
    (both,) = schedule([heavy], house("a", "b"), NOW).rota.placed[101]
    assert set(both.hands) == {"a", "b"}
    alone = schedule([heavy], house("a"), NOW)
    assert "ask for help" in ready_views(alone)[0].note


def test_clamps_hold_a_frame_until_somebody_takes_it_out():
    glue = [Need(0, 45, 0, "glue in clamps")]
    jobs = [case(n, task(0, 10, takes=True), task(1, 5, glue, frees=1)) for n in (101, 102)]
    one = schedule(jobs, house("a", "b", clamp_sets=1), NOW)
    assert one.rota.placed[102][0].start >= one.rota.placed[101][1].end
    assert one.rota.placed[102][0].cause == "clamps"
    two = schedule(jobs, house("a", "b", clamp_sets=2), NOW)
    assert two.rota.placed[102][0].start < two.rota.placed[101][1].end


def test_what_is_in_clamps_now_keeps_them():
    held = case(101, task(0, 5, from_=minute(NOW) + 30, why="glue in clamps", frees=1), due=1, held=1)
    other = case(102, task(0, 10, takes=True), task(1, 5, [Need(0, 45)], frees=1), due=2)
    s = schedule([held, other], house("a", clamp_sets=1), NOW)
    assert s.rota.placed[102][0].start >= s.rota.placed[101][0].end
    assert faults(s) == []


def test_what_is_under_way_goes_on_first_and_its_hand_is_taken():
    began = case(101, task(0, 60, began=minute(NOW) - 20, who="a"), due=9)
    s = schedule([began, case(102, task(0, 10), due=0)], house("a"), NOW)
    (running,), (other,) = s.rota.placed[101], s.rota.placed[102]
    assert (running.start, running.end) == (s.now, s.now + 40)
    assert other.start >= running.end
    assert today_view(s).hands[0].slots[0].running


def test_days_away_and_stages_left_to_others_are_kept():
    away = Worker(away=(Shut(first=NOW.date(), last=NOW.date()),))
    calendar = house("a").calendar
    shop = House(calendar, (Hand("a", "a", worker=away), Hand("b", "b", worker=Worker(leaves=("mount",)))), 4, 4)
    s = schedule([case(101, task(0, 10, stage="mount")), case(102, task(0, 10))], shop, NOW)
    (mounted,), (framed,) = s.rota.placed[101], s.rota.placed[102]
    assert (mounted.hands, framed.hands) == (("a",), ("b",))
    assert moment(mounted.start).date() == NOW.date() + dt.timedelta(days=1)
    view = today_view(s)
    assert [(h.id, bool(h.slots), h.away) for h in view.hands] == [
        ("a", False, "not here, back Fri 27 Nov"),
        ("b", True, ""),
    ]


FOR_YEARS = (Shut(first=NOW.date(), last=dt.date(2040, 1, 1)),)


@pytest.mark.parametrize(
    ("shop", "says"),
    [
        (house(), "nobody works here yet"),
        (
            House(house("a").calendar, (Hand("a", "a", worker=Worker(leaves=("frame",))),), 1, 1),
            "nobody does “The frame”",
        ),
        (
            House(Calendar(shut=(Shut(first=NOW.date(), last=dt.date(2040, 1, 1)),)), (Hand("a", "a"),), 1, 1),
            "no time",
        ),
    ],
)
def test_a_job_that_nobody_can_do_says_why(shop, says):
    s = schedule([case(101, task(0), due=1)], shop, NOW)
    (view,) = ready_views(s)
    assert (view.promise, view.ready) == ("not planned", "not planned")
    assert says in view.says


def test_a_job_that_is_stopped_says_why_and_its_first_steps_are_done_all_the_same():
    s = schedule([case(101, task(0), due=1, stopped="to be settled first: too shallow", beyond=3)], house("a"), NOW)
    assert s.rota.placed[101]
    assert (s.ready(101), promise_of(s, 101)) == (None, "not planned")
    assert ready_views(s)[0].says == "to be settled first: too shallow"


def test_a_job_due_yesterday_is_late_by_open_hours():
    s = schedule([case(101, task(0, 60), due=-1)], house("a"), NOW)
    assert s.late == s.least == s.late_by(101) == 60
    assert reason(s, 101).startswith("1 day late")
    assert "no other order is better" in summary(s)


def test_little_in_hand_is_told():
    end = house("a", hours="Mon-Fri 9-17:30")
    tasks = [task(n, 200, [Need(n - 1)] if n else []) for n in range(2)]
    s = schedule([case(101, *tasks, due=0)], end, NOW)
    assert promise_of(s, 101) == "close"
    assert "in hand" in reason(s, 101)


def test_rings_are_of_waits_that_run_and_of_those_to_come():
    tasks = [task(0, 10), task(1, 5, [Need(0, 60, 0, "glue in clamps")])]
    waiting = case(102, task(0, 5, from_=minute(NOW) + 15, why="glass dries"))
    found = {(r.job, r.says, r.sure) for r in rings_of(schedule([case(101, *tasks), waiting], house("a"), NOW))}
    assert found == {(101, "glue in clamps", False), (102, "glass dries", True)}


def test_nothing_to_do_is_no_fault():
    s = schedule([], house("a"), NOW)
    assert (ready_views(s), summary(s), next_day(s)) == ((), "nothing is promised", NOW.date())
    done = schedule([case(101, due=1)], house("a"), NOW)
    assert [v.promise for v in ready_views(done)] == ["done"]


def test_hours_follow_the_clock_on_the_wall():
    """Put back on 25 October 2026 and forward on 28 March 2027 in Copenhagen: nine o'clock stays nine o'clock."""
    calendar = Calendar(hours=parse_hours("Mon-Sun 0-6"), zone="Europe/Copenhagen")
    lengths = {
        d: [b - a for a, b in stretches(calendar, d, 1)] for d in (dt.date(2026, 10, 25), dt.date(2027, 3, 28))
    }
    assert lengths == {dt.date(2026, 10, 25): [420], dt.date(2027, 3, 28): [300]}
    assert end_of_day(calendar, dt.date(2026, 10, 25)) - end_of_day(calendar, dt.date(2026, 10, 24)) == 25 * 60
    later = calendar.after_working_days(dt.datetime(2026, 10, 23, 8, tzinfo=dt.UTC), 1)
    assert later == dt.datetime(2026, 10, 26, 9, tzinfo=dt.UTC)  # ten o'clock on both days


def test_a_whole_shop_of_sixty_jobs_is_planned_with_a_bound(seed_of_sixty):
    s = schedule(seed_of_sixty, house("a", "b", "c", "d"), NOW)
    assert faults(s) == []
    assert 0 < s.least <= s.late


@pytest.fixture
def seed_of_sixty():
    lengths = (4, 8, 20, 45, 90)
    tasks = [task(n, lengths[n % 5], [Need(n - 1, 45 if n % 7 == 0 else 0)] if n else []) for n in range(25)]
    return [case(100 + n, *tasks, due=n % 12) for n in range(60)]


def test_an_outline_of_nothing_but_a_stop():
    s = schedule([case(101, due=3, stopped="2 readings to take")], house("a"), NOW)
    assert (s.cases[101].outline, ready_views(s)[0].says) == (Outline((), "2 readings to take"), "2 readings to take")


@pytest.mark.parametrize("day", [dt.date.min, dt.date(1969, 1, 1), dt.date.max])
def test_a_day_that_no_clock_knows_is_no_fault(day):
    found = Case(101, "job", day, Outline((task(0, 20),)))
    s = schedule([found], house("a"), NOW)
    assert promise_of(s, 101) == ("kept" if day == dt.date.max else "late")
    assert ready_views(s)[0].says
    assert draw_weeks(s).startswith("<svg")


def test_more_steps_than_a_solver_is_asked_about_are_laid_all_the_same():
    many = [case(100 + n, *(task(k, 30) for k in range(15)), due=0) for n in range(6)]
    s = schedule(many, house("a", "b"), NOW)
    assert faults(s) == []
    assert 0 < s.least <= s.late


def test_what_is_overdue_has_its_flag_even_where_today_is_over():
    evening = dt.datetime(2026, 11, 28, 20, tzinfo=dt.UTC)  # a Saturday
    s = schedule([case(101, task(0, 20), due=0), case(102, task(0, 20), due=1)], house("a"), evening)
    drawn = draw_weeks(s)
    for number in (101, 102):
        assert f'class="flag" data-key="{number}"' in drawn


@settings(max_examples=25, deadline=None)
@given(
    st.lists(st.integers(-6, 9), min_size=1, max_size=24),
    st.integers(0, 100),
)
def test_no_flag_covers_another_however_many_are_promised_for_a_day_or_overdue(days: list[int], hours: int):
    cases = [case(101 + n, task(0, 20), due=due) for n, due in enumerate(days)]
    drawn = draw_weeks(schedule(cases, house("a"), NOW + dt.timedelta(hours=hours)))
    height = float(re.findall(r'viewBox="0 0 \S+ (\S+)"', drawn)[0])
    boxes = []
    for flag in re.findall(r'<g class="flag".*?</g>', drawn):
        ring = next(d for d in re.findall(r'<path d="([^"]*)"', flag) if d.endswith("Z"))
        dots = [(float(x), float(y)) for x, y in re.findall(r"(-?[\d.]+)[ ,](-?[\d.]+)", ring)]
        boxes.append(box_of(dots))
        assert boxes[-1][3] < height
    assert len(boxes) >= sum(due <= 0 for due in days)
    assert all(overlap(rect(*one), rect(*other)) == 0 for one, other in combinations(boxes, 2))
