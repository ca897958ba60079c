"""The schedule of all jobs: the best of some orders of urgency, beside what no order can do better than."""

import datetime as dt
import math
from bisect import bisect_left
from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from functools import cached_property
from typing import TypeVar, cast

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.bound import Promise, least_lateness
from shadbo.core.schedule.dispatch import dispatch, replay
from shadbo.core.schedule.hours import Clock, Stretch, day_of, end_of_day, stretches
from shadbo.core.schedule.outline import Outline, minute, moment
from shadbo.core.schedule.people import MOST_FETCHES, NEVER
from shadbo.core.schedule.rota import Rota
from shadbo.core.schedule.table import Hours, House, Table

T = TypeVar("T")
TRIES_TASKS = 4500
"""So many tasks are placed in all while better orders are looked for: some hundred milliseconds."""
FAR_DAYS = 400


@dataclass(frozen=True, slots=True)
class Case:
    """A job on the rack: its number, title, the day that it is promised for, and what is left of it."""

    number: int
    title: str
    due: dt.date | None
    outline: Outline

    @property
    def whole(self) -> bool:
        """Whether it can be planned to its end."""
        return not self.outline.stopped


@dataclass(frozen=True)
class Schedule:
    """A rota, the order of urgency that it was made in, and how late it is in all, in minutes of open time."""

    cases: Mapping[int, Case]
    house: House
    now: int
    order: tuple[int, ...]
    rota: Rota
    late: int
    least: int

    @cached_property
    def clock(self) -> Clock:
        """Minutes that the shop is open from now on."""
        return clock_of(self.house, self.now)

    @cached_property
    def _kept(self) -> dict[tuple[str, object], object]:
        return {}

    def once(self, what: str, of: object, make: Callable[[], T]) -> T:
        """What is asked of a schedule again and again, worked out once."""
        if (what, of) not in self._kept:
            self._kept[what, of] = make()
        return cast(T, self._kept[what, of])

    @property
    def today(self) -> dt.date:
        """The day on the shop's wall."""
        return day_of(self.house.calendar, moment(self.now))

    def ready(self, number: int) -> int | None:
        """When a job is ready, in minutes since 1970; None where it cannot be told."""
        return self.rota.ready(number) if self.cases[number].whole else None

    def due(self, number: int) -> int | None:
        """The midnight after the day that it is promised for."""
        day = self.cases[number].due
        return end_of_day(self.house.calendar, day) if day is not None else None

    def late_by(self, number: int) -> int:
        """Open minutes after the day that it is promised for."""
        return late_by(self.clock, self.ready(number), self.due(number))

    def in_hand(self, number: int) -> int | None:
        """Open minutes that it could slip by and still be ready on its day; None without a day."""
        ready, due = self.ready(number), self.due(number)
        if ready is None or due is None:
            return None
        return self.clock.open_until(due) - self.clock.open_until(ready)


def clock_of(house: House, now: int) -> Clock:
    """The shop's open minutes from now on."""
    first = day_of(house.calendar, moment(now))
    return Clock(list(stretches(house.calendar, first, FAR_DAYS)), now)


def late_by(clock: Clock, ready: int | None, due: int | None) -> int:
    """Open minutes after it is due; none where either is not known."""
    if ready is None or due is None or ready <= due:
        return 0
    return max(clock.open_until(ready) - clock.open_until(due), 0)


_Tried = tuple[tuple[int, int], tuple[int, ...], Rota]
"""Lateness and time in all, the order, and what came of it."""


def schedule(cases: Sequence[Case], house: House, now: dt.datetime) -> Schedule:
    """A schedule of all cases. The same cases at the same time give the same schedule."""
    return _Search({case.number: case for case in cases}, house, minute(now)).best()


def again(s: Schedule, more: Case) -> Schedule:
    """A schedule with one more case behind all others, of which none moves: when it would be ready that came in."""
    cases, order = {**s.cases, more.number: more}, (*s.order, more.number)
    table = Table(Hours(s.house, s.now))
    table.book_all({n: c.outline for n, c in s.cases.items()}, s.rota)
    found = dispatch({more.number: more.outline}, (more.number,), table)
    rota = Rota({**s.rota.placed, **found.placed}, s.rota.unplaced | found.unplaced)
    return replace(s, cases=cases, order=order, rota=rota)


class _Search:
    """Orders of urgency, tried one after the other: so many as fit the budget of tasks."""

    def __init__(self, cases: Mapping[int, Case], house: House, now: int) -> None:
        self.cases, self.house, self.now = cases, house, now
        self.outlines = {n: case.outline for n, case in cases.items()}
        self.hours = Hours(house, now)
        self.clock = clock_of(house, now)
        self.dues = {n: end_of_day(house.calendar, c.due) for n, c in cases.items() if c.due is not None}
        self.alone = {n: dispatch(self.outlines, (n,), Table(self.hours, alone=True)).ready(n) for n in cases}
        self.tries = max(TRIES_TASKS // max(sum(len(x.tasks) for x in self.outlines.values()), 1), 1)

    def best(self) -> Schedule:
        """The least late of all that were tried; of equal ones that in which jobs are ready sooner."""
        found = self._try(self._by_day())
        if found[0][0] > (least := self._least()):
            for order in (self._by_slack(), self._by_reach()):
                found = min(found, self._try(order), key=lambda x: x[0])
            found = self._moved_up(found, least)
            found, least = self._solved(found, least)
        (late, _), order, rota = found
        return Schedule(self.cases, self.house, self.now, order, rota, late, min(least, late))

    def _try(self, order: tuple[int, ...]) -> _Tried:
        self.tries -= 1
        rota = dispatch(self.outlines, order, Table(self.hours))
        return self._counted(rota), order, rota

    def _counted(self, rota: Rota) -> tuple[int, int]:
        """How late it is in all, and open minutes to all days, each job's to its own."""
        ready = {n: rota.ready(n) if c.whole else None for n, c in self.cases.items()}
        late = sum(self._late(n, at) for n, at in ready.items())
        return late, sum(self.clock.open_until(at) for at in ready.values() if at is not None)

    def _late(self, number: int, ready: int | None) -> int:
        return late_by(self.clock, ready, self.dues.get(number))

    def _by_day(self) -> tuple[int, ...]:
        """What is due first goes first; what is due on no day, in the order in which it came."""
        return tuple(sorted(self.cases, key=lambda n: (self.dues.get(n, NEVER), n)))

    def _by_slack(self) -> tuple[int, ...]:
        """What could slip by least goes first."""

        def slack(n: int) -> int:
            alone = self.alone[n]
            if n not in self.dues or alone is None:
                return NEVER
            return self.clock.open_until(self.dues[n]) - self.clock.open_until(alone)

        return tuple(sorted(self.cases, key=lambda n: (slack(n), n)))

    def _by_reach(self) -> tuple[int, ...]:
        """What is due, or cannot be ready before, sooner goes first (the modified due date of the field)."""
        key = {n: max(self.dues.get(n, NEVER), self.alone[n] or NEVER) for n in self.cases}
        return tuple(sorted(self.cases, key=lambda n: (key[n], n)))

    def _solved(self, found: _Tried, least: int) -> tuple[_Tried, int]:
        """What a solver makes of it where it is small enough: a better order, a higher bound, or nothing."""
        # Here: to load the solver takes longer than to make a plan.
        from shadbo.core.schedule.exact import Asked, solve

        asked = Asked(self.outlines, self.hours, self.clock, self.dues, {n for n, c in self.cases.items() if c.whole})
        solved = solve(asked, found[2], found[0][0]) if found[0][0] > least else None
        if solved is None:
            return found, least
        if solved.sequence:
            rota = replay(self.outlines, solved.sequence, Table(self.hours))
            tried = self._counted(rota), found[1], rota
            found = min(found, tried, key=lambda x: x[0])
        return found, max(least, min(solved.least, found[0][0]))

    def _moved_up(self, found: _Tried, least: int) -> _Tried:
        """Late jobs put first, or before the one before them, as long as it makes the whole less late."""
        bettered = True
        while bettered and self.tries > 0:
            bettered = False
            _, order, rota = found
            late = sorted(
                (n for n in order if self._late(n, rota.ready(n))), key=lambda n: -self._late(n, rota.ready(n))
            )
            for number in late:
                for to in (0, max(order.index(number) - 1, 0)):
                    if self.tries <= 0 or found[0][0] <= least:
                        return found
                    rest = [n for n in order if n != number]
                    tried = self._try((*rest[:to], number, *rest[to:]))
                    if tried[0] < found[0]:
                        found, bettered = tried, True
                        break
                if bettered:
                    break
        return found

    def _least(self) -> int:
        """What no order can do better than."""
        work = {n: self._work(c) for n, c in self.cases.items()}
        promises = [
            Promise(work[n], alone, self.dues[n])
            for n, c in self.cases.items()
            if n in self.dues and c.whole and (alone := self.alone[n]) is not None
        ]
        return least_lateness(promises, self._done_by(sum(p.work for p in promises)), self.clock.open_until)

    def _work(self, case: Case) -> int:
        """Minutes of people that it takes, without what is under way."""
        able = self.hours.able
        return sum(t.minutes * min(t.people, len(able[t.stage])) for t in case.outline.tasks if t.began is None)

    def _done_by(self, most: int) -> Callable[[int], int]:
        """When everybody together can have done so much work, all else aside."""
        parts: list[Stretch] = []
        fetched = 0
        while fetched < MOST_FETCHES and sum(b - a for a, b in parts) < most:
            parts += [x for hand in self.house.hands for x in self.hours.of(hand, fetched)]
            fetched += 1
        events = sorted([(a, 1) for a, _ in parts] + [(b, -1) for _, b in parts])
        times, sums, hands = [self.now], [0], 0
        for at, change in events:
            sums.append(sums[-1] + hands * (at - times[-1]))
            times.append(at)
            hands += change

        def done_by(work: int) -> int:
            n = bisect_left(sums, work)
            if n == 0:
                return self.now
            if n == len(sums):
                return times[-1]
            rate = (sums[n] - sums[n - 1]) / (times[n] - times[n - 1])
            return times[n - 1] + math.floor((work - sums[n - 1]) / rate)

        return done_by
