"""Random outlines and shops for the schedule's tests, and what is true of every rota."""

import datetime as dt
from collections.abc import Mapping, Sequence
from itertools import pairwise

from hypothesis import strategies as st

from shadbo.core.schedule.hours import Hand, stretches
from shadbo.core.schedule.outline import Need, Outline, Task, minute, moment
from shadbo.core.schedule.rota import Rota
from shadbo.core.schedule.schedule import Case, Schedule
from shadbo.core.schedule.table import House
from shadbo.core.shop.calendar import Calendar, Shut, parse_hours
from shadbo.core.shop.crew import Worker
from shadbo.core.words.stages import STAGES

NOW = dt.datetime(2026, 11, 26, 9, 7, tzinfo=dt.UTC)
ZONES = ("UTC", "Europe/Copenhagen", "America/Denver", "Asia/Kolkata")


def task(n: int, minutes: int = 10, needs: Sequence[Need] = (), **more: object) -> Task:
    """A step, by its number."""
    fields = {"stage": "frame", "stuff": "wood", "people": 1, **more}
    return Task(f"t{n}", f"do {n}", minutes=minutes, needs=tuple(needs), **fields)  # type: ignore[arg-type]


def case(number: int, *tasks: Task, due: int | None = None, **more: object) -> Case:
    """A job, due so many days from the day of ``NOW``."""
    day = NOW.date() + dt.timedelta(days=due) if due is not None else None
    return Case(number, f"job {number}", day, Outline(tasks, **more))  # type: ignore[arg-type]


def house(*names: str, hours: str = "Mon-Fri 9-12, 13-17:30; Sat 9-13", **more: int) -> House:
    """A shop in which these work."""
    calendar = Calendar(hours=parse_hours(hours), zone="Europe/Copenhagen")
    return House(calendar, tuple(Hand(n, n) for n in names), more.get("benches", 9), more.get("clamp_sets", 9))


@st.composite
def outlines(draw: st.DrawFn, most: int = 9) -> Outline:
    """Steps that need earlier ones, wait after some, take two people, clamps, days; some under way."""
    tasks: list[Task] = []
    clamped: list[int] = []
    some = st.integers(0, 1)
    for n in range(draw(st.integers(1, most))):
        before = draw(st.lists(st.integers(0, max(n - 1, 0)), max_size=min(n, 2), unique=True))
        wait, days = st.sampled_from((0, 0, 0, 45, 1440)), st.sampled_from((0, 0, 0, 0, 3))
        needs = [Need(b, draw(wait), 0, "glue") if not (d := draw(days)) else Need(b, 0, d, "order") for b in before]
        frees = 0
        if draw(some) and clamped:
            needs.append(Need(clamped.pop(), 45, 0, "glue in clamps"))
            frees = 1
        takes = draw(st.integers(0, 5)) == 0 and bool(needs)
        length = draw(st.sampled_from((1, 4, 10, 45, 200, 700)))
        people, stage = draw(st.sampled_from((1, 1, 1, 2))), draw(st.sampled_from(STAGES))
        began = minute(NOW) - 5 if not needs and draw(st.integers(0, 9)) == 0 else None
        who = draw(st.sampled_from("abx")) if began is not None else ""
        unique = tuple({need.task: need for need in needs}.values())
        more = {"people": people, "stage": stage, "takes": takes, "frees": frees, "began": began, "who": who}
        tasks.append(task(n, length, unique, **more))
        if takes:
            clamped.append(n)
    for n in clamped:
        tasks.append(task(len(tasks), 5, [Need(n, 45, 0, "glue in clamps")], frees=1))
    return Outline(tuple(tasks), held=0)


@st.composite
def cases(draw: st.DrawFn, most: int = 5) -> tuple[Case, ...]:
    """Some jobs, of which some have no day."""
    found = draw(st.lists(outlines(), min_size=1, max_size=most))
    dues = st.one_of(st.none(), st.integers(-3, 12))
    return tuple(
        Case(100 + n, f"job {n}", NOW.date() + dt.timedelta(days=d) if (d := draw(dues)) is not None else None, x)
        for n, x in enumerate(found)
    )


@st.composite
def houses(draw: st.DrawFn) -> House:
    """One to three people, some with hours of their own, days away or stages that they leave to others."""
    hands: list[Hand] = []
    for name in "abc"[: draw(st.integers(1, 3))]:
        own = draw(st.sampled_from((None, None, "Mon-Wed 8-12", "Tue-Sat 13-19")))
        away = draw(st.sampled_from(((), (), (Shut(first=NOW.date(), last=NOW.date() + dt.timedelta(days=4)),))))
        leaves = draw(st.sampled_from(((), (), ("mount", "fit")))) if hands else ()
        worker = Worker(hours=parse_hours(own) if own else None, away=away, leaves=leaves)
        hands.append(Hand(name, name, worker=worker))
    calendar = Calendar(hours=parse_hours("Mon-Fri 9-12, 13-17:30; Sat 9-13"), zone=draw(st.sampled_from(ZONES)))
    return House(calendar, tuple(hands), draw(st.integers(1, 3)), draw(st.integers(1, 3)))


def faults(s: Schedule) -> list[str]:
    """What cannot be in a schedule, in words; nothing where it can be done."""
    known = {n: c.outline for n, c in s.cases.items()}
    return [
        *_apart(known, s.rota, s.house, s.now),
        *_after(known, s.rota, s.house),
        *_clamped(known, s.rota, s.house),
    ]


def _apart(known: Mapping[int, Outline], rota: Rota, house: House, now: int) -> list[str]:
    """Nobody twice at once, nobody outside their hours, enough people and benches, every minute of work."""
    out = []
    spells: dict[str, list[tuple[int, int]]] = {h.id: [] for h in house.hands}
    changes: list[tuple[int, int]] = []
    for job, placed in rota.placed.items():
        for p in placed:
            t = known[job].tasks[p.task]
            if t.began is not None:
                for hand in p.hands:
                    spells[hand].append((p.start, p.end))
                continue
            able = [h for h in house.hands if t.stage not in h.worker.leaves]
            if sum(x.end - x.start for x in p.parts) != t.minutes:
                out.append(f"{job} {t.id} is not done for all its minutes")
            for part in p.parts:
                changes += [(part.start, 1), (part.end, -1)]
                if len(part.hands) != min(t.people, len(able)) or part.start < now:
                    out.append(f"{job} {t.id} by {part.hands} at {part.start}")
                for hand in part.hands:
                    spells[hand].append((part.start, part.end))
                    if not _works(house, hand, part.start, part.end):
                        out.append(f"{hand} does not work at {part.start}")
                    if hand not in {h.id for h in able}:
                        out.append(f"{hand} leaves that to others")
    at = 0
    for _, change in sorted(changes):
        at += change
        if at > max(house.benches, 1) and house.benches < len(house.hands):
            out.append("more at work than there are benches")
    for hand, mine in spells.items():
        ordered = sorted(mine)
        out += [f"{hand} twice at {b[0]}" for a, b in pairwise(ordered) if a[1] > b[0]]
    return out


def _works(house: House, hand: str, start: int, end: int) -> bool:
    who = next(h for h in house.hands if h.id == hand)
    day = moment(start).astimezone(house.calendar.clock).date()
    return any(a <= start and end <= b for a, b in stretches(house.calendar, day, 1, who.worker))


def _after(known: Mapping[int, Outline], rota: Rota, house: House) -> list[str]:
    """No step before what it needs, no wait cut short."""
    out = []
    for job, placed in rota.placed.items():
        ends = {p.task: p.end for p in placed}
        for p in placed:
            t = known[job].tasks[p.task]
            if t.began is not None:
                continue
            for need in t.needs:
                usable = moment(ends[need.task]) + dt.timedelta(minutes=need.minutes)
                if need.days:
                    usable = house.calendar.after_working_days(moment(ends[need.task]), need.days)
                if moment(p.start) < usable:
                    out.append(f"{job} {t.id} before {need}")
            if t.from_ is not None and p.start < t.from_:
                out.append(f"{job} {t.id} before its wait is over")
    return out


def _clamped(known: Mapping[int, Outline], rota: Rota, house: House) -> list[str]:
    """No more frames in clamps than there are sets."""
    changes = []
    for job, placed in rota.placed.items():
        for p in placed:
            t = known[job].tasks[p.task]
            changes += [(p.start, 1)] if t.takes else []
            changes += [(p.end, -1)] * t.frees
    at = sum(x.held for x in known.values())
    for _, change in sorted(changes):
        at += change
        if at > house.clamp_sets:
            return ["more frames in clamps than there are sets"]
    return []
