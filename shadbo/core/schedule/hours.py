"""Stretches of time in which somebody works: opening hours by the clock on the wall, told in minutes since 1970."""

import datetime as dt
from collections.abc import Iterator, Sequence
from dataclasses import field

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.outline import minute
from shadbo.core.shop.calendar import Calendar, Shut
from shadbo.core.shop.crew import Worker

FIRST_DAY, LAST_DAY = dt.date(1970, 1, 2), dt.date(2999, 12, 31)
Stretch = tuple[int, int]
"""From and to, in minutes since 1970."""


@dataclass(frozen=True, slots=True)
class Hand:
    """One who works: their id and name, whether they are learning, and hours of their own where they have any."""

    id: str
    name: str
    learning: bool = False
    worker: Worker = field(default_factory=Worker)


def day_of(calendar: Calendar, at: dt.datetime) -> dt.date:
    """The day on the shop's wall."""
    return at.astimezone(calendar.clock).date()


def stretches(calendar: Calendar, first: dt.date, days: int, worker: Worker | None = None) -> Iterator[Stretch]:
    """Hours of so many days, in their order. By the clock: a day on which it is put forward is an hour shorter.

    >>> calendar = Calendar(zone="Europe/Copenhagen")
    >>> [b - a for a, b in stretches(calendar, dt.date(2026, 11, 27), 2)]
    [510, 240]
    """
    last: Stretch | None = None
    for a, b in _by_day(calendar, first, days, worker):
        if last is not None and a <= last[1]:
            last = (last[0], max(last[1], b))  # through midnight
            continue
        if last is not None:
            yield last
        last = (a, b)
    if last is not None:
        yield last


def _by_day(calendar: Calendar, first: dt.date, days: int, worker: Worker | None) -> Iterator[Stretch]:
    hours = calendar.hours if worker is None or worker.hours is None else worker.hours
    away: Sequence[Shut] = worker.away if worker is not None else ()
    for n in range(days):
        day = first + dt.timedelta(days=n)
        if calendar.closed(day) or any(s.first <= day <= s.last for s in away):
            continue
        for a, b in _joined([(x.start, x.end) for x in hours if x.day == day.weekday()]):
            start, end = (minute(_on(calendar, day, m)) for m in (a, b))
            if end > start:
                yield start, end


def _joined(parts: list[Stretch]) -> list[Stretch]:
    """Stretches of one day without what is said twice."""
    out: list[Stretch] = []
    for a, b in sorted(parts):
        if out and a <= out[-1][1]:
            out[-1] = (out[-1][0], max(out[-1][1], b))
        else:
            out.append((a, b))
    return out


def _on(calendar: Calendar, day: dt.date, minutes: int) -> dt.datetime:
    midnight = dt.datetime.combine(day, dt.time(), calendar.clock)
    wall = midnight + dt.timedelta(minutes=minutes)
    return wall.astimezone(dt.UTC)


class Clock:
    """Minutes that the shop has been open, counted from one time on: what waits and lateness are told in."""

    def __init__(self, parts: Sequence[Stretch], start: int) -> None:
        self.parts = [(max(a, start), b) for a, b in parts if b > start]
        self._before = [0]
        for a, b in self.parts:
            self._before.append(self._before[-1] + b - a)

    def open_until(self, at: int) -> int:
        """Minutes that it is open up to then; none before the start."""
        total = 0
        for (a, b), before in zip(self.parts, self._before, strict=False):
            if at <= a:
                break
            total = before + min(at, b) - a
        return total


def end_of_day(calendar: Calendar, day: dt.date) -> int:
    """Midnight after a day, by the shop's clock; days that no clock knows are the first or last that one does."""
    day = min(max(day, FIRST_DAY), LAST_DAY)
    return minute(dt.datetime.combine(day + dt.timedelta(days=1), dt.time(), calendar.clock).astimezone(dt.UTC))
