"""What the pages of days and weeks show of a schedule: each job's day and why, each hand's work, what rings when."""

import datetime as dt
from collections.abc import Iterator
from dataclasses import replace
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.hours import Hand, day_of, stretches
from shadbo.core.schedule.outline import moment
from shadbo.core.schedule.reasons import CLOSE_MIN, Link, chain, reason
from shadbo.core.schedule.rota import Placed
from shadbo.core.schedule.said import clock_said, day_said, lasts, time_said
from shadbo.core.schedule.schedule import Schedule

Promise = Literal["late", "close", "kept", "no day", "not planned", "done"]
LOOK_AHEAD = 60
"""Days in which the next day with work is looked for."""


@dataclass(frozen=True, slots=True)
class LinkView:
    """One stretch of a job's way, its times in words."""

    kind: str
    says: str
    when: str
    lasts: str
    who: str
    job: int | None


@dataclass(frozen=True, slots=True)
class ReadyView:
    """A job's day: when it is ready, whether that keeps what was promised, and why it is not sooner."""

    number: int
    title: str
    due: dt.date | None
    promise: Promise
    ready: str
    says: str
    note: str
    way: tuple[LinkView, ...]


@dataclass(frozen=True, slots=True)
class Slot:
    """One step that somebody does: from when to when, of which job, with whom."""

    job: int
    title: str
    step: str
    says: str
    start: str
    end: str
    minutes: int
    running: bool
    others: str


@dataclass(frozen=True, slots=True)
class HandView:
    """What somebody does on a day; ``away`` says when they work again where they do not."""

    id: str
    name: str
    learning: bool
    slots: tuple[Slot, ...]
    away: str


@dataclass(frozen=True, slots=True)
class Ring:
    """A wait that ends: when, of which job, what waits. ``sure`` where it runs already."""

    at: dt.datetime
    when: str
    job: int
    title: str
    step: str
    says: str
    sure: bool


@dataclass(frozen=True, slots=True)
class TodayView:
    """A day of the shop: who does what, what rings when."""

    day: dt.date
    says: str
    hands: tuple[HandView, ...]
    rings: tuple[Ring, ...]


def summary(s: Schedule) -> str:
    """How good the order of work is, in one line."""
    if not s.late:
        return (
            "every day that was promised is kept" if any(c.due for c in s.cases.values()) else "nothing is promised"
        )
    if s.late <= s.least:
        return f"late by {lasts(s.late)} in all; no other order is better"
    return f"late by {lasts(s.late)} in all; no order can save more than {lasts(s.late - s.least)}"


def ready_views(s: Schedule) -> tuple[ReadyView, ...]:
    """Every job, what is promised first on top; what cannot be planned at the end of its day."""
    numbers = sorted(s.cases, key=lambda n: (s.cases[n].due or dt.date.max, n))
    return tuple(ready_view(s, n) for n in numbers)


def promise_of(s: Schedule, number: int) -> Promise:
    """Whether a job keeps its day."""
    case = s.cases[number]
    if case.whole and not case.outline.tasks:
        return "done"
    if s.ready(number) is None:
        return "not planned"
    spared = s.in_hand(number)
    if spared is None:
        return "no day"
    return "late" if spared < 0 or s.late_by(number) else "close" if spared < CLOSE_MIN else "kept"


def ready_view(s: Schedule, number: int) -> ReadyView:
    """One job's day."""
    case, at = s.cases[number], s.ready(number)
    if at is None:
        ready = "done" if case.whole and not case.outline.tasks else "not planned"
    else:
        ready = time_said(moment(at), s.today, s.house.calendar)
    note = []
    if case.outline.anew:
        many = case.outline.anew
        note.append(
            f"{many} step{'s' if many > 1 else ''} done no longer serve{'s' if many == 1 else ''}: look at the bench"
        )
    if any(t.people > len(s.house.hands) for t in case.outline.tasks):
        note.append("it takes more hands than work here: ask for help on the day")
    way = tuple(_link_view(s, x) for x in chain(s, number))
    return ReadyView(
        number,
        case.title or "untitled",
        case.due,
        promise_of(s, number),
        ready,
        reason(s, number),
        "; ".join(note),
        way,
    )


def _link_view(s: Schedule, link: Link) -> LinkView:
    names = {h.id: h.name for h in s.house.hands}
    return LinkView(
        link.kind,
        link.says,
        time_said(link.start, s.today, s.house.calendar),
        lasts((link.end - link.start) / dt.timedelta(minutes=1)),
        ", ".join(names[id_] for id_ in link.hands if id_ in names) if link.kind == "work" else "",
        link.job,
    )


def today_view(s: Schedule) -> TodayView:
    """The first day on which there is something to do, and every wait that ends up to then."""
    day = next_day(s)
    hands = tuple(_hand_view(s, hand, day) for hand in s.house.hands)
    calendar = s.house.calendar
    rings = sorted((r for r in rings_of(s) if day_of(calendar, r.at) <= day), key=lambda r: (r.at, r.job))
    rings = [r if day_of(calendar, r.at) != day else replace(r, when=clock_said(r.at, calendar)) for r in rings]
    return TodayView(day, day_said(day, s.today), hands, tuple(rings))


def next_day(s: Schedule) -> dt.date:
    """The day on which the next step begins; today where there is none."""
    first = min((p.start for placed in s.rota.placed.values() for p in placed), default=s.now)
    return moment(first).astimezone(s.house.calendar.clock).date()


def of_day(s: Schedule, day: dt.date) -> Iterator[Placed]:
    """Tasks that begin on a day, in the order of their beginning."""
    clock = s.house.calendar.clock
    found = (p for placed in s.rota.placed.values() for p in placed)
    yield from sorted(
        (p for p in found if moment(p.start).astimezone(clock).date() == day), key=lambda p: (p.start, p.job, p.task)
    )


def _hand_view(s: Schedule, hand: Hand, day: dt.date) -> HandView:
    slots = tuple(_slot(s, hand, p) for p in of_day(s, day) if hand.id in p.hands)
    works = any(True for _ in stretches(s.house.calendar, day, 1, hand.worker))
    return HandView(hand.id, hand.name, hand.learning, slots, "" if works else _back(s, hand, day))


def _back(s: Schedule, hand: Hand, day: dt.date) -> str:
    for n in range(1, LOOK_AHEAD):
        then = day + dt.timedelta(days=n)
        if any(True for _ in stretches(s.house.calendar, then, 1, hand.worker)):
            return f"not here, back {day_said(then, s.today)}"
    return "not here"


def _slot(s: Schedule, hand: Hand, p: Placed) -> Slot:
    case, calendar = s.cases[p.job], s.house.calendar
    task = case.outline.tasks[p.task]
    names = [h.name for h in s.house.hands if h.id in p.hands and h.id != hand.id]
    return Slot(
        p.job,
        case.title or "untitled",
        task.id,
        task.says,
        clock_said(moment(p.start), calendar),
        clock_said(moment(p.end), calendar),
        p.end - p.start,
        task.began is not None,
        ", ".join(names),
    )


def rings_of(s: Schedule) -> Iterator[Ring]:
    """Waits that end some time: those that run, and those that begin if all goes as planned; each once."""
    for number, placed in s.rota.placed.items():
        case, told, ends = s.cases[number], set(), {p.task: p.end for p in placed}
        for p in placed:
            task = case.outline.tasks[p.task]
            if task.from_ is not None and task.from_ > s.now:
                at, why, runs = task.from_, task.why, True
            elif p.after is not None and p.why and p.usable > ends[p.after]:
                at, why, runs = p.usable, p.why, False
            else:
                continue
            if (at, why) not in told:
                told.add((at, why))
                when = moment(at)
                said = time_said(when, s.today, s.house.calendar)
                yield Ring(when, said, number, case.title or "untitled", task.id, why, runs)
