"""What the bench page shows of a plan: every step in words, how far each has come, its checks with what was read."""

import datetime as dt
from collections.abc import Sequence
from dataclasses import replace
from typing import Literal

from shadbo.core.asking.rows import exact
from shadbo.core.build.assembly import ViewName
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.effects import between
from shadbo.core.job.work import Answer
from shadbo.core.plan import Plan
from shadbo.core.shop.values import Reading, Tool
from shadbo.core.steps import steps
from shadbo.core.steps.leaving import REASON_AT, REOPENING
from shadbo.core.steps.pictures import missing
from shadbo.core.steps.progress import Standing, State, next_of, planned_mm, standings
from shadbo.core.steps.step import PAPER_TITLES, Check, Fetched, Step, Stuff
from shadbo.core.words.lengths import Both, texts
from shadbo.core.words.stages import STAGE_WORDS
from shadbo.core.words.words import both, length, say

Sort = Literal["size", "answer", "name"]
"""What a check takes."""


@dataclass(frozen=True, slots=True)
class CheckView:
    """One check. ``at`` is where its reading, answer or name goes, ``sort`` which of them it takes.

    ``wanted`` and ``within`` are its size and what it may be off by; ``typed`` what was read, ``answer`` what was
    answered. ``says`` is what follows from it, where something does; ``out``: it is out of what it may be.
    ``book``: it may be left out.
    """

    id: str
    words: str
    sort: Sort
    at: str
    wanted: Both | None = None
    within: Both | None = None
    value: Both | None = None
    typed: str = ""
    tool: Tool = "rule"
    key: str = ""
    answer: Answer | None = None
    out: bool = False
    says: Both | None = None
    book: bool = False


@dataclass(frozen=True, slots=True)
class PaperOf:
    """A paper of a step: its file's name, and what it is called."""

    name: str
    title: str


@dataclass(frozen=True, slots=True)
class StepView:
    """One step as it is shown. ``ends_with`` are edits that go with its end, ``remake`` those that begin it anew."""

    id: str
    stage: str
    says: str
    how: tuple[Both, ...]
    view: ViewName
    lit: tuple[str, ...]
    drawn: tuple[str, ...]
    stuff: Stuff
    tools: tuple[str, ...]
    fetched: tuple[Fetched, ...]
    sizes: tuple[Both, ...]
    minutes: float
    people: int
    cautions: tuple[str, ...]
    papers: tuple[PaperOf, ...]
    checks: tuple[CheckView, ...]
    state: State
    began: dt.datetime | None
    ended: dt.datetime | None
    who: str
    note: str
    photo: int | None
    remade: int
    until: dt.datetime | None
    why: str
    early: str
    wait_min: float
    changed: tuple[Both, ...]
    to_remake: bool
    ends_with: tuple[Edit, ...]
    remake: tuple[Edit, ...]


@dataclass(frozen=True, slots=True)
class Consequence:
    """A step further on whose size another reading has changed."""

    step: str
    says: str
    label: str
    before: Both
    after: Both


@dataclass(frozen=True, slots=True)
class Bench:
    """All steps in their order, which comes next, what else can be done meanwhile, and what a reading changes.

    ``reopen`` are the edits that open it again once it is closed, ``reason_at`` the place of their reason.
    """

    steps: tuple[StepView, ...]
    next: str
    meanwhile: tuple[str, ...]
    left_min: float
    closed: bool
    changes: tuple[Consequence, ...]
    reopen: tuple[Edit, ...]
    reason_at: str


def bench(
    plan: Plan, now: dt.datetime, before: Plan | None = None, pictures: Sequence[dt.datetime] | None = None
) -> Bench:
    """The bench of a plan at a time. ``before`` is the plan that was saved, where edits are not saved yet.

    ``pictures`` are when the photographs that are kept with it were taken in, None where nobody knows.
    """
    found = standings(plan, steps(plan), now)
    first = next_of(found)
    ready = [s.step.id for s in found if s.state in ("ready", "later", "running")]
    open_min = sum(s.step.minutes for s in found if s.done.ended is None)
    return Bench(
        tuple(_view(plan, s, pictures) for s in found),
        first.step.id if first is not None else "",
        tuple(id_ for id_ in ready if first is None or id_ != first.step.id),
        round(open_min, 1),
        plan.desk.job.closed,
        _consequences(plan, found, before) if before is not None else (),
        REOPENING,
        REASON_AT,
    )


def _consequences(plan: Plan, found: Sequence[Standing], before: Plan) -> tuple[Consequence, ...]:
    """Sizes of steps that are not done yet, which differ from what they were before the edits."""
    lines = {e.key: e for e in between(before, plan).lines} if before.assembly and plan.assembly else {}
    out, told = [], set()
    for s in found:
        for q in s.step.sizes if s.done.ended is None else ():
            if q.key in lines and q.key not in told and q.key not in plan.desk.job.pins:
                told.add(q.key)
                line = lines[q.key]
                out.append(Consequence(s.step.id, s.step.says, line.label, line.before, line.after))
    return tuple(out)


def _view(plan: Plan, s: Standing, pictures: Sequence[dt.datetime] | None) -> StepView:
    step, mark = s.step, plan.desk.mark
    sizes = tuple(say(mark, f"{q.label or q.key}: {{}}", q) for q in step.sizes if q.key)
    return StepView(
        step.id,
        STAGE_WORDS[step.stage],
        step.says,
        step.how,
        step.view,
        step.lit,
        step.drawn,
        step.stuff,
        step.tools,
        step.fetched,
        sizes,
        step.minutes,
        step.people,
        step.cautions,
        tuple(PaperOf(name, PAPER_TITLES[name]) for name in step.papers),
        tuple(_looked_for(_check(plan, step, s, c), c, plan, step, pictures) for c in step.checks),
        s.state,
        s.done.began,
        s.done.ended,
        s.done.who,
        s.done.note,
        s.done.photo,
        s.done.remade,
        s.until,
        s.why,
        s.early,
        min((m.after_min for m in step.makes if m.after_min > 0), default=0.0),
        tuple(c.says for c in s.changed),
        any(c.verdict == "remake" for c in s.changed),
        step.ends_with,
        _anew(step, s.done.remade),
    )


ABOUT_ITS_END = ("ended", "began", "answers", "sizes", "used", "early")


def _anew(step: Step, remade: int) -> tuple[Edit, ...]:
    """Edits that begin a step anew: its readings and answers are let go, and it is counted."""
    pins = tuple(Edit(at=f"pins/{c.key}") for c in step.checks if c.key)
    fields = tuple(Edit(at=f"work/{step.id}/{name}") for name in ABOUT_ITS_END)
    return (*pins, *fields, Edit(at=f"work/{step.id}/remade", to=remade + 1))


def _looked_for(
    view: CheckView, check: Check, plan: Plan, step: Step, pictures: Sequence[dt.datetime] | None
) -> CheckView:
    """A check of photographs that was answered with yes, held against those that there are."""
    if not check.pictured or pictures is None or view.answer != "yes":
        return view
    says = missing(plan, step, pictures)
    return replace(view, out=True, says=both(says)) if says else view


def _check(plan: Plan, step: Step, s: Standing, check: Check) -> CheckView:
    if check.signed:
        name = s.done.taken_by
        at = f"work/{step.id}/taken_by"
        return CheckView(check.id, check.words, "name", at, value=both(name) if name else None, typed=name)
    if check.wanted is None:
        at = f"work/{step.id}/answers/{check.id}"
        answer = s.done.answers.get(check.id)
        return CheckView(check.id, check.words, "answer", at, answer=answer, out=answer == "no")
    mark, wanted = plan.desk.mark, check.wanted
    at = f"pins/{check.key}" if check.key else f"work/{step.id}/sizes/{check.id}"
    read = plan.desk.job.pins.get(check.key) if check.key else s.done.sizes.get(check.id)
    asked = planned_mm(wanted)
    off = abs(read.mm - asked) if read is not None else 0.0
    out = off > check.within_mm + 1e-6
    return CheckView(
        check.id,
        check.words,
        "size",
        at,
        texts(asked, mark, wanted.way),
        length(check.within_mm, mark, "up"),
        exact(read.mm) if read is not None else None,
        read.typed if read is not None else "",
        read.tool if read is not None else "rule",
        check.key,
        s.done.answers.get(check.id),
        out,
        _off(plan, read, asked, check) if read is not None and out else None,
        check.book,
    )


def _off(plan: Plan, read: Reading, asked: float, check: Check) -> Both:
    word = "more" if read.mm > asked else "less"
    how = length(abs(read.mm - asked), plan.desk.mark, "up")
    return say(plan.desk.mark, f"{{}} {word} than planned; {check.beyond or 'look whether it still serves'}", how)
