"""Why a job is ready on its day and not before: its last step, what that came after, and so on back to now."""

import datetime as dt
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.outline import moment
from shadbo.core.schedule.rota import Placed
from shadbo.core.schedule.said import lasts, time_said
from shadbo.core.schedule.schedule import Schedule
from shadbo.core.words.stages import STAGE_WORDS, STAGES

LinkKind = Literal["work", "wait", "hands", "bench", "clamps", "closed"]
SHORT_MIN = 60
"""A wait or a queue under an hour is nothing to speak of."""
CLOSE_MIN = 240
"""A job with less than this in hand is told to be close."""


@dataclass(frozen=True, slots=True)
class Link:
    """One stretch of a job's way: work, a wait, others' work before it, or a closed shop; ``job`` is whose work."""

    kind: LinkKind
    says: str
    start: dt.datetime
    end: dt.datetime
    step: str = ""
    job: int | None = None
    hands: tuple[str, ...] = ()


def chain(schedule: Schedule, number: int) -> tuple[Link, ...]:
    """The stretches that make a job's day, from now to its last step; empty where nothing of it has a time."""
    return schedule.once("chain", number, lambda: _chain(schedule, number))


def _chain(schedule: Schedule, number: int) -> tuple[Link, ...]:
    placed = {p.task: p for p in schedule.rota.placed.get(number, ())}
    if not placed:
        return ()
    out: list[Link] = []
    at: Placed | None = max(placed.values(), key=lambda p: (p.end, p.task))
    while at is not None:
        task = schedule.cases[number].outline.tasks[at.task]
        out.append(Link("work", task.says, moment(at.start), moment(at.end), task.id, number, at.hands))
        before = placed[at.after] if at.after is not None else None
        since = before.end if before is not None else schedule.now
        out += _between(schedule, at, since)
        at = before
    return tuple(reversed(out))


def _between(schedule: Schedule, p: Placed, since: int) -> list[Link]:
    """What lies between a step and the one before it, the later first."""
    out: list[Link] = []
    usable = max(p.usable, since)
    if p.start > usable:
        out.append(_kept(schedule, p, usable))
    if usable > since and p.why:
        out.append(Link("wait", p.why, moment(since), moment(usable), schedule.cases[p.job].outline.tasks[p.task].id))
    return out


def _kept(schedule: Schedule, p: Placed, usable: int) -> Link:
    start, end = moment(usable), moment(p.start)
    if p.cause == "hands" and p.held_by is not None:
        other = p.held_by.job
        title = schedule.cases[other].title or "untitled"
        says = "another step of its own" if other == p.job else f"{other} {title} goes first"
        return Link("hands", says, start, end, job=other, hands=p.hands)
    if p.cause == "clamps":
        return Link("clamps", "all clamps are taken", start, end)
    if p.cause == "bench":
        return Link("bench", "all benches are taken", start, end)
    return Link("closed", "nobody works then", start, end)


def reason(schedule: Schedule, number: int) -> str:
    """What makes a job's day, in one line."""
    case, links = schedule.cases[number], chain(schedule, number)
    if not case.whole:
        return case.outline.stopped
    if not case.outline.tasks:
        return "nothing is left to do"
    if schedule.ready(number) is None:
        return _never(schedule, number)
    spared = schedule.in_hand(number)
    said = _way(schedule, links)
    late = schedule.late_by(number)
    if late or (spared is not None and spared < 0):
        return f"{_late_words(schedule, number, late)}: {said}"
    if spared is not None and spared < CLOSE_MIN:
        return f"{lasts(spared)} in hand: {said}"
    return said


def _never(schedule: Schedule, number: int) -> str:
    hands = schedule.house.hands
    if not hands:
        return "nobody works here yet: put people in"
    stages = {t.stage for t in schedule.cases[number].outline.tasks}
    for stage in STAGES:
        if stage in stages and all(stage in h.worker.leaves for h in hands):
            return f"nobody does “{STAGE_WORDS[stage]}”: everybody leaves it to others"
    return "the shop's hours leave no time for it within three years"


def _late_words(schedule: Schedule, number: int, late: int) -> str:
    ready, due = schedule.ready(number), schedule.cases[number].due
    assert ready is not None
    assert due is not None
    days = (moment(ready).astimezone(schedule.house.calendar.clock).date() - due).days
    if days < 1:
        return f"late by {lasts(late)}"
    return f"{days} day{'s' if days > 1 else ''} late"


def _way(schedule: Schedule, links: tuple[Link, ...]) -> str:
    """The longest wait and the longest queue, and how much work is left after the wait."""

    def length(link: Link) -> float:
        return (link.end - link.start) / dt.timedelta(minutes=1)

    waits = [x for x in links if x.kind == "wait" and length(x) >= SHORT_MIN]
    queues = [x for x in links if x.kind in ("hands", "clamps", "bench") and length(x) >= SHORT_MIN]
    wait = max(waits, key=length, default=None)
    after = [x for x in links if x.kind == "work" and (wait is None or x.start >= wait.end)]
    work = f"{lasts(sum(round(length(x)) for x in after))} at the bench"
    said = []
    if wait is not None:
        said.append(f"{wait.says} until {time_said(wait.end, schedule.today, schedule.house.calendar)}, then {work}")
    else:
        said.append(work)
    if queues:
        said.append(max(queues, key=length).says)
    return "; ".join(said)
