"""The record of a job: as planned against as built, step by step, with who, how long, and what was not as planned."""

import datetime as dt
from collections.abc import Iterator, Mapping

from shadbo.core.asking.rows import exact
from shadbo.core.cutting.cut_list import CutRow, cut_list
from shadbo.core.dataclass import dataclass
from shadbo.core.job.work import Done
from shadbo.core.plan import Plan
from shadbo.core.record.spent import Spent, spent
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.steps import steps
from shadbo.core.steps.leaving import HAND_OVER
from shadbo.core.steps.progress import open_checks, planned_mm
from shadbo.core.steps.step import Check, Step
from shadbo.core.words.days import day_text
from shadbo.core.words.lengths import Both, inch_text
from shadbo.core.words.stages import STAGE_WORDS
from shadbo.core.words.words import both, size_text

LONGEST_MIN = 600.0
"""A step that is open for longer was forgotten, not worked at: its minutes count as planned."""


@dataclass(frozen=True, slots=True)
class Size:
    """One size as planned and as it was really made; ``off`` is made less planned, with its sign."""

    key: str
    label: str
    planned: Both
    made: Both
    off: Both
    off_mm: float
    tool: str


@dataclass(frozen=True, slots=True)
class Answered:
    """A check that was asked, and what was answered or read."""

    words: str
    answer: Both


@dataclass(frozen=True, slots=True)
class Doing:
    """One step that was done, ``when`` by the shop's clock; ``took`` its minutes, ``planned`` those reckoned with."""

    step: str
    stage: str
    says: str
    who: str
    ended: dt.datetime
    when: str
    took: float | None
    planned: float
    took_said: str
    planned_said: str
    note: str
    photo: int | None
    remade: int
    early: bool
    answers: tuple[Answered, ...]


@dataclass(frozen=True, slots=True)
class Arrived:
    """A piece: what it is, by whom, its condition as it came and as it left, what must never happen to it."""

    name: str
    maker: str
    condition: str
    leaves: str
    never: str


@dataclass(frozen=True, slots=True)
class Record:
    """All of it. ``wasted`` are parts that were made again, and how often; ``open`` checks that nobody answered."""

    title: str
    owner: str
    display: str
    moulding: str
    received: dt.date | None
    due: dt.date | None
    handed_over: dt.date | None
    taken_by: str
    pieces: tuple[Arrived, ...]
    sizes: tuple[Size, ...]
    doings: tuple[Doing, ...]
    used: tuple[CutRow, ...]
    wasted: tuple[str, ...]
    spent: Spent
    open: tuple[str, ...]


def record(plan: Plan, rates: Mapping[str, float] | None = None) -> Record:
    """The record of a plan's job. ``rates`` are prices of an hour by name."""
    job, order = plan.desk.job, steps(plan)
    doings = tuple(_doings(plan, order))
    moulding = plan.assembly.moulding if plan.assembly is not None else None
    handed = job.work.get(HAND_OVER, Done())
    pieces = tuple(Arrived(p.name or p.noun, p.maker, p.condition, p.leaves, p.never) for p in job.pieces)
    return Record(
        job.title or "untitled",
        job.owner.name,
        plan.display.name,
        moulding.name if moulding is not None else "",
        job.received,
        job.due,
        job.handed_over,
        handed.taken_by,
        pieces,
        tuple(_sizes(plan)),
        doings,
        tuple(cut_list(plan)),
        tuple(_wasted(plan, order)),
        spent(plan, [(d.who, d.took, d.planned) for d in doings], rates or {}),
        open_checks(plan, order),
    )


def _sizes(plan: Plan) -> Iterator[Size]:
    """Every size that was really measured."""
    for key, pin in plan.desk.job.pins.items():
        q = plan.desk.sheet.get(key)
        label = (q.label if q is not None else "") or key
        if q is None or q.planned is None:
            yield Size(key, label, both("–"), exact(pin.mm), both(""), 0.0, pin.tool)
            continue
        asked = planned_mm(q)
        off, off_mm = _off(pin.mm - asked)
        yield Size(key, label, exact(round(asked, 1)), exact(pin.mm), off, off_mm, pin.tool)


def _off(mm: float) -> tuple[Both, float]:
    """A difference with its sign, to a tenth of a millimetre and a 64th of an inch."""
    rounded = round(mm, 1)
    if abs(rounded) < 0.05:
        return both("0"), 0.0
    sign = "+" if mm > 0 else "−"
    inch = inch_text(abs(mm), 64)
    return Both(f"{sign}{abs(rounded):g}", f"{sign}{inch}" if inch != "0" else f"{sign}1/64"), rounded


def _doings(plan: Plan, order: tuple[Step, ...]) -> Iterator[Doing]:
    """Steps that are done, as they ended."""
    work = plan.desk.job.work
    found = [(step, done) for step in order if (done := work.get(step.id)) is not None and done.ended is not None]
    for step, done in sorted(found, key=lambda x: x[1].ended or dt.datetime.min.replace(tzinfo=dt.UTC)):
        assert done.ended is not None
        local = done.ended.astimezone(plan.desk.shop.calendar.clock)
        answers = tuple(a for check in step.checks if (a := _answered(plan, check, done)) is not None)
        yield Doing(
            step.id,
            STAGE_WORDS[step.stage],
            step.says,
            done.who,
            done.ended,
            f"{day_text(local.date())}, {local:%H:%M}",
            (took := took_min(done)),
            step.minutes,
            f"{took:.0f}" if took is not None else "–",
            f"{step.minutes:.0f}",
            done.note,
            done.photo,
            done.remade,
            done.early,
            answers,
        )


def took_min(done: Done) -> float | None:
    """Minutes that a step was worked at; None where its beginning is not known, or it lay open for hours.

    >>> at = dt.datetime(2026, 11, 26, 9, tzinfo=dt.UTC)
    >>> took_min(Done(began=at, ended=at + dt.timedelta(minutes=12.5)))
    12.5
    """
    if done.began is None or done.ended is None:
        return None
    minutes = (done.ended - done.began) / dt.timedelta(minutes=1)
    return round(minutes, 1) if minutes <= LONGEST_MIN else None


def _answered(plan: Plan, check: Check, done: Done) -> Answered | None:
    if check.signed:
        return Answered(check.words, both(done.taken_by)) if done.taken_by else None
    read = plan.desk.job.pins.get(check.key) if check.key else done.sizes.get(check.id)
    if check.wanted is not None and read is not None:
        value = exact(read.mm)
        return Answered(check.words, Both(f"{value.mm} mm", f"{value.inch} in"))
    answer = done.answers.get(check.id)
    return Answered(check.words, both(answer)) if answer is not None else None


def _wasted(plan: Plan, order: tuple[Step, ...]) -> Iterator[str]:
    """What was made again: the parts of steps that were done anew."""
    parts = {p.id: p for p in plan.assembly.parts} if plan.assembly is not None else {}
    for step in order:
        again = plan.desk.job.work.get(step.id, Done()).remade
        if not again:
            continue
        made = [parts[m.thing.id] for m in step.makes if m.thing.kind == "part" and m.thing.id in parts]
        times = f"{again} time{'s' if again > 1 else ''}"
        said = ", ".join(dict.fromkeys(f"{p.called} {_size(plan, p.length)}".strip() for p in made))
        yield f"{step.says}, again {times}{f': {said}' if said else ''}"


def _size(plan: Plan, q: Quantity | None) -> str:
    system = plan.desk.mark.system
    return f"{size_text(q.value, plan.desk.mark, system)} {system}" if q is not None else ""
