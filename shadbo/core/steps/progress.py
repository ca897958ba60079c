"""How far the work has come: which steps are done, what waits, what comes next, and what a change of plan undid."""

import datetime as dt
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.job.work import Done
from shadbo.core.plan import Plan
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.steps.order import makers
from shadbo.core.steps.step import Check, Step, Thing
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, say

State = Literal["done", "changed", "running", "waiting", "ready", "later", "blocked"]
Verdict = Literal["good", "adapt", "remake"]
NOTHING = Done()


@dataclass(frozen=True, slots=True)
class Changed:
    """A size that was asked for otherwise when its step was done, or a thing that was made anew: what follows."""

    key: str
    verdict: Verdict
    says: Both


@dataclass(frozen=True, slots=True)
class Standing:
    """Where one step stands. ``until`` is when what it needs can be used, ``why`` what keeps it; both may be empty.

    ``early`` says what comes of going on before that.
    """

    step: Step
    state: State
    done: Done
    until: dt.datetime | None = None
    why: str = ""
    early: str = ""
    changed: tuple[Changed, ...] = ()


def planned_mm(q: Quantity) -> float:
    """What the plan asks of a size, whatever was really made."""
    return q.value if q.planned is None else q.planned.value


def used_by(step: Step) -> dict[str, float]:
    """The sizes that a step is done by, as the plan asks for them, in mm."""
    return {q.key: round(planned_mm(q), 3) for q in step.sizes if q.key and q.value > 0}


def _answered(check: Check, done: Done, plan: Plan) -> bool:
    if check.key:
        return check.key in plan.desk.job.pins or done.answers.get(check.id) in ("yes", "no")
    if check.signed:
        return bool(done.taken_by)
    if check.wanted is not None:
        return check.id in done.sizes
    return done.answers.get(check.id) in ("yes", "no")


def standings(plan: Plan, steps: Sequence[Step], now: dt.datetime) -> tuple[Standing, ...]:
    """Every step as it stands at a time. ``steps`` are in an order that can be done."""
    work = plan.desk.job.work
    left = open_checks(plan, steps)
    made_by = makers(steps)
    usable: dict[Thing, dt.datetime | None] = {}
    out = []
    for step in steps:
        done = work.get(step.id, NOTHING)
        if done.ended is not None:
            for made in step.makes:
                usable[made.thing] = made.usable(done.ended, plan.desk.shop.calendar)
        found = _standing(plan, steps, step, done, made_by, usable, now)
        if step.closes and left and found.state in ("ready", "running", "later"):
            found = replace(found, state="blocked", why=f"still open: {left[0]}")
        out.append(found)
    return tuple(out)


def open_checks(plan: Plan, steps: Sequence[Step]) -> tuple[str, ...]:
    """Checks of steps that are done, which nobody has answered with yes: in words, with the step that asks them."""
    work = plan.desk.job.work
    return tuple(
        f"{check.words} ({step.says})"
        for step in steps
        if (done := work.get(step.id)) is not None and done.ended is not None
        for check in step.checks
        if not check.book
        if done.answers.get(check.id) in ("no", "later") or not _answered(check, done, plan)
    )


def _standing(
    plan: Plan,
    steps: Sequence[Step],
    step: Step,
    done: Done,
    made_by: Mapping[Thing, int],
    usable: Mapping[Thing, dt.datetime | None],
    now: dt.datetime,
) -> Standing:
    if done.ended is not None:
        changes = (*changes_of(plan, step, done), *_made_anew(plan, steps, step, done, made_by))
        worse = any(c.verdict != "good" for c in changes)
        return Standing(step, "changed" if worse else "done", done, changed=changes)
    missing = [t for t in step.needs if t not in usable]
    if missing:
        first = steps[made_by[missing[0]]]
        return Standing(step, "blocked", done, why=f"first: {first.says}")
    if step.stops:
        return Standing(step, "blocked", done, why=step.stops)
    waits = [(at, t) for t in step.needs if (at := usable[t]) is not None and at > now]
    if waits and not done.early:
        until, thing = max(waits, key=lambda x: x[0])
        made = next(m for m in steps[made_by[thing]].makes if m.thing == thing)
        return Standing(step, "waiting", done, until, made.why, made.early)
    state: State = "running" if done.began is not None else "later" if done.later else "ready"
    return Standing(step, state, done)


def _made_anew(
    plan: Plan, steps: Sequence[Step], step: Step, done: Done, made_by: Mapping[Thing, int]
) -> tuple[Changed, ...]:
    """What a step was done with and is not there any more, or was made again after it."""
    work, out = plan.desk.job.work, []
    for maker in {steps[made_by[t]].id: steps[made_by[t]] for t in step.needs}.values():
        now = work.get(maker.id, NOTHING)
        if now.ended is None:
            out.append(Changed(maker.id, "remake", both(f"it needs what is not done now: {maker.says}")))
        elif now.remade and done.ended is not None and now.ended > done.ended:
            out.append(Changed(maker.id, "remake", both(f"what it was done with was made anew since: {maker.says}")))
    return tuple(out)


def changes_of(plan: Plan, step: Step, done: Done) -> tuple[Changed, ...]:
    """What a step was done by and the plan asks otherwise now."""
    mark, out = plan.desk.mark, []
    for q in step.sizes:
        then = done.used.get(q.key)
        if then is None or abs(planned_mm(q) - then) <= mark.mm / 2:
            continue
        now_mm = planned_mm(q)
        label = q.label or q.key
        made = plan.desk.job.pins[q.key].mm if q.key in plan.desk.job.pins else then
        verdict, words = _verdict(plan, q, made, now_mm)
        then_words, now_words = say(mark, "{}", _length(q, then)), say(mark, "{}", _length(q, now_mm))
        out.append(
            Changed(q.key, verdict, say(mark, f"{label}: {{}} then, {{}} now; {words}", then_words, now_words))
        )
    return tuple(out)


def _verdict(plan: Plan, q: Quantity, made_mm: float, now_mm: float) -> tuple[Verdict, str]:
    """Whether what was made still serves: the plan works with a pinned size, a larger one is cut down."""
    stopped = any(f.severity == "stop" and q.key in f.keys for f in plan.findings)
    if q.key in plan.desk.job.pins and not stopped:
        return "good", "the plan goes on with what was made"
    if made_mm > now_mm:
        return "adapt", "cut it down"
    return "remake", "too small: remake it"


def _length(q: Quantity, mm: float) -> Quantity:
    same = Quantity(q.ledger, mm, q.unit)
    same.way = q.way
    return same


def next_of(found: Sequence[Standing]) -> Standing | None:
    """What to do now: what is begun, else the first that no longer serves or can be done, else what was put off."""
    for states in (("running",), ("changed", "ready"), ("later",)):
        for s in found:
            if s.state in states:
                return s
    waiting = [s for s in found if s.state == "waiting" and s.until is not None]
    if waiting:
        return min(waiting, key=lambda s: s.until or dt.datetime.max.replace(tzinfo=dt.UTC))
    return next((s for s in found if s.state == "blocked"), None)
