"""Schedules against brute force and published instances; the calendar file read back by another reader."""

import datetime as dt
from itertools import permutations, product

import pytest
import vobject
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.schedule.bound import Promise, least_lateness
from shadbo.core.schedule.dispatch import dispatch, replay
from shadbo.core.schedule.exact import Asked, solve
from shadbo.core.schedule.hours import Hand
from shadbo.core.schedule.outline import Need, minute
from shadbo.core.schedule.schedule import clock_of, schedule
from shadbo.core.schedule.table import Hours, House, Table
from shadbo.core.shop.calendar import Calendar, parse_hours
from shadbo.core.shop.crew import Worker
from shadbo.core.words.stages import STAGES
from shadbo.files.calendar_file import write
from tests.core.schedule_cases import NOW, case, cases, faults, house, houses, task

ALWAYS = Calendar(hours=parse_hours("Mon-Sun 0-24"))
LONG = 60.0
"""Deterministic time that the solver gets here: enough to prove small ones."""


def always(*hands: Hand) -> House:
    """A shop that never closes."""
    return House(ALWAYS, hands, 9, 9)


def lateness(jobs: list[tuple[int, int]], machines: int) -> int:
    """Total tardiness of jobs of one step (length, due), the best of all orders and machines, by trying every one."""
    best = 10**9
    for order in permutations(range(len(jobs))):
        for on in product(range(machines), repeat=len(jobs)):
            ends, late = [0] * machines, 0
            for n in order:
                ends[on[n]] += jobs[n][0]
                late += max(ends[on[n]] - jobs[n][1], 0)
            best = min(best, late)
    return best


@settings(max_examples=80, deadline=None)
@given(st.lists(st.tuples(st.integers(1, 30), st.integers(0, 60)), min_size=1, max_size=5), st.integers(1, 2))
def test_the_bound_is_never_over_the_best_of_all_orders(jobs, machines):
    promises = [Promise(p, p, d) for p, d in jobs]
    least = least_lateness(promises, lambda work: -(-work // machines), lambda at: at)
    assert least <= lateness(jobs, machines)


def solved(found, shop, time=LONG):
    """The solver's bound and the lateness of what it made, of cases whose due times are at midnight."""
    s = schedule(found, shop, NOW)
    outlines = {n: c.outline for n, c in s.cases.items()}
    dues = {n: d for n in s.cases if (d := s.due(n)) is not None}
    asked = Asked(
        outlines, Hours(shop, s.now), clock_of(shop, s.now), dues, {n for n, c in s.cases.items() if c.whole}
    )
    return s, asked, solve(asked, s.rota, 10**9, time)


@settings(max_examples=12, deadline=None)
@given(st.lists(st.tuples(st.integers(60, 900), st.integers(0, 2)), min_size=2, max_size=4))
def test_the_solver_finds_the_best_of_all_orders(jobs):
    """One hand, a shop that never closes: every order of whole jobs is a schedule, and the best is among them."""
    found = [case(100 + n, task(0, p), due=d) for n, (p, d) in enumerate(jobs)]
    s, _, answer = solved(found, always(Hand("a", "a")))
    due = [(p, s.due(100 + n) - s.now) for n, (p, _) in enumerate(jobs)]
    best = lateness(due, 1)
    assert answer is not None
    assert answer.least == best
    assert s.least <= best <= s.late


@settings(max_examples=15, deadline=None)
@given(cases(most=2), houses())
def test_no_bound_is_over_what_the_solver_makes(found, shop):
    s, asked, answer = solved(found, shop, 0.5)
    if answer is None:
        return
    assert s.least <= s.late
    assert answer.least <= s.late
    if answer.sequence:
        rota = replay(asked.outlines, answer.sequence, Table(asked.hours))
        assert faults(type(s)(s.cases, shop, s.now, s.order, rota, 0, 0)) == []


def test_a_textbooks_total_tardiness():
    """Pinedo, Scheduling, example 3.4.5 (from memory): five jobs on one machine, least total tardiness 370."""
    jobs = list(zip((121, 79, 147, 83, 130), (260, 266, 266, 336, 337), strict=True))
    assert lateness(jobs, 1) == 370
    assert least_lateness([Promise(p, p, d) for p, d in jobs], lambda work: work, lambda at: at) <= 370


FT06 = (
    "2 1 0 3 1 6 3 7 5 3 4 6", "1 8 2 5 4 10 5 10 0 10 3 4", "2 5 3 4 5 8 0 9 1 1 4 7",
    "1 5 0 5 2 5 3 3 4 8 5 9", "2 9 1 3 4 5 5 4 0 3 3 1", "1 3 3 3 5 9 0 10 4 4 2 1",
)  # fmt: skip
"""Fisher and Thompson, in Muth and Thompson, Industrial Scheduling (1963), the instance of six jobs on six machines,
machine and time by turns (from memory). Its least makespan is 55."""


def test_a_published_job_shop_within_a_third_of_its_best():
    """Each machine is a hand that does one stage; jobs in the order of their numbers, and of their length."""
    hands = tuple(
        Hand(f"m{m}", f"m{m}", worker=Worker(leaves=tuple(x for x in STAGES if x != STAGES[m]))) for m in range(6)
    )
    found = []
    for n, line in enumerate(FT06):
        pairs = [int(x) for x in line.split()]
        steps = zip(pairs[::2], pairs[1::2], strict=True)
        found.append(
            case(n, *(task(k, t, [Need(k - 1)] if k else [], stage=STAGES[m]) for k, (m, t) in enumerate(steps)))
        )
    hours = Hours(always(*hands), minute(NOW))
    outlines = {c.number: c.outline for c in found}
    spans = []
    for order in permutations(range(6)):
        rota = dispatch(outlines, order, Table(hours))
        spans.append(max(p.end for placed in rota.placed.values() for p in placed) - minute(NOW))
    assert min(spans) >= 55
    assert min(spans) <= 55 * 4 / 3
    print(f"least makespan by rule {min(spans)}, published 55")


ZONES = ("UTC", "Europe/Copenhagen", "America/Denver", "Asia/Kolkata")


@pytest.mark.parametrize("zone", ZONES)
def test_the_calendar_is_read_back_by_another_reader_with_its_zone(zone):
    glue = [Need(0, 1440, 0, "glue hardens")]
    found = [
        case(101, task(0, 30), task(1, 30, glue), due=2),
        case(102, task(0, 5, from_=minute(NOW) + 20, why="glass dries"), due=9),
        case(103, due=4, stopped="to measure"),
    ]
    shop = House(Calendar(hours=parse_hours("Mon-Sun 0-24"), zone=zone), (Hand("a", "Ida Nord"),), 4, 4)
    s = schedule(found, shop, NOW)
    calendar = vobject.readOne(write(s, "Netloft, Framing; & Co.", "a").decode())
    events = {e.uid.value: e for e in calendar.vevent_list}
    assert calendar.x_wr_calname.value == "Netloft, Framing; & Co."
    assert events["due-103@shadbo"].dtstart.value == found[2].due
    for number in (101, 102):
        ends, ready = events[f"ready-{number}@shadbo"].dtend.value, s.ready(number)
        assert ready is not None
        assert ends.astimezone(dt.UTC) == dt.datetime.fromtimestamp(ready * 60, dt.UTC)
        assert ends.utcoffset() == ends.astimezone(shop.calendar.clock).utcoffset()
    assert "ready-103@shadbo" not in events
    bell = events["ring-102-t0@shadbo"]
    assert minute(bell.dtstart.value.astimezone(dt.UTC)) == minute(NOW) + 20
    assert bell.valarm.action.value == "DISPLAY"
    work = [e for uid, e in events.items() if uid.startswith("work-a-")]
    assert sum((e.dtend.value - e.dtstart.value).total_seconds() for e in work) == 65 * 60
    assert write(s, "Netloft", "a") == write(s, "Netloft", "a")


def test_a_calendar_keeps_its_hours_across_the_change_of_the_clock():
    """In Copenhagen the clock goes back on 25 October 2026: nine o'clock is seven UTC before it and eight after."""
    shop = House(Calendar(hours=parse_hours("Mon-Sun 9-17"), zone="Europe/Copenhagen"), (Hand("a", "a"),), 4, 4)
    before = dt.datetime(2026, 10, 24, 20, tzinfo=dt.UTC)
    found = [case(101, task(0, 480), task(1, 30, [Need(0)]))]
    s = schedule(found, shop, before)
    first, second = s.rota.placed[101]
    assert [dt.datetime.fromtimestamp(p.start * 60, dt.UTC).hour for p in (first, second)] == [8, 8]
    text = write(s, "shop", "a").decode()
    assert "TZID:Europe/Copenhagen" in text
    assert "DTSTART;TZID=Europe/Copenhagen:20261025T090000" in text
    assert house("a").calendar.zone == "Europe/Copenhagen"
