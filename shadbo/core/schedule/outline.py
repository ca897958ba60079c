"""What is left to do of one job, as the schedule needs it: steps with what they need, without their drawings."""

import datetime as dt
import math
from collections.abc import Mapping, Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.job.work import Done
from shadbo.core.plan import Plan
from shadbo.core.steps import steps
from shadbo.core.steps.order import makers
from shadbo.core.steps.progress import standings
from shadbo.core.steps.step import Made, Step, Stuff, Thing
from shadbo.core.words.stages import Stage

EPOCH = dt.datetime(1970, 1, 1, tzinfo=dt.UTC)
NOTHING = Done()


def minute(at: dt.datetime) -> int:
    """Whole minutes since 1970, rounded up.

    >>> minute(dt.datetime(1970, 1, 1, 0, 1, 1, tzinfo=dt.UTC))
    2
    """
    return math.ceil((at - EPOCH) / dt.timedelta(minutes=1))


def moment(at: int) -> dt.datetime:
    """The time that so many minutes stand for."""
    return EPOCH + dt.timedelta(minutes=at)


@dataclass(frozen=True, slots=True)
class Need:
    """What a step waits for: the end of the step at that place, and so many minutes or working days more."""

    task: int
    minutes: int = 0
    days: int = 0
    why: str = ""


@dataclass(frozen=True, slots=True)
class Task:
    """One step that is not done. ``from_`` is when what was done before it can be used, ``why`` what keeps it.

    ``takes``: a set of clamps; ``frees``: so many sets are free after it. ``began`` where somebody is at it.
    """

    id: str
    says: str
    stage: Stage
    stuff: Stuff
    minutes: int
    people: int
    needs: tuple[Need, ...] = ()
    from_: int | None = None
    why: str = ""
    takes: bool = False
    frees: int = 0
    began: int | None = None
    who: str = ""


@dataclass(frozen=True, slots=True)
class Outline:
    """What is left of a job: tasks in an order that can be done.

    ``stopped`` says why it cannot be planned to its end, and is empty where it can; ``beyond`` counts the steps that
    come after that. ``anew`` counts what was done and no longer serves; ``held`` sets of clamps are on it now.
    """

    tasks: tuple[Task, ...]
    stopped: str = ""
    beyond: int = 0
    anew: int = 0
    held: int = 0


def outline(plan: Plan, now: dt.datetime) -> Outline:
    """What is left of a plan. ``now`` only tells which done steps no longer serve; the rest does not depend on it."""
    order = steps(plan)
    work, made_by = plan.desk.job.work, makers(order)
    done = {step.id for step in order if work.get(step.id, NOTHING).ended is not None}
    stopped: dict[str, str] = {}
    left: list[Step] = []
    for step in order:
        if step.id in done:
            continue
        before = next((stopped[m] for t in step.needs if (m := order[made_by[t]].id) in stopped), "")
        if step.stops or before:
            stopped[step.id] = before or step.stops
        else:
            left.append(step)
    at = {step.id: n for n, step in enumerate(left)}
    freed = _freed(order, left, made_by)
    tasks = tuple(_task(plan, order, step, at, made_by, freed) for step in left)
    anew = sum(s.state == "changed" for s in standings(plan, order, now))
    held = sum(t.frees for t in tasks) - sum(t.takes for t in tasks)
    return Outline(tasks, next(iter(stopped.values()), ""), len(stopped), anew, max(held, 0))


def _freed(order: Sequence[Step], left: Sequence[Step], made_by: Mapping[Thing, int]) -> dict[str, int]:
    """How many sets of clamps each step frees: it is the first that goes on with what is in them."""
    out: dict[str, int] = {}
    for step in order:
        for made in step.makes:
            if made.clamped and (first := next((s for s in left if made.thing in s.needs), None)) is not None:
                out[first.id] = out.get(first.id, 0) + 1
    return out


def _task(
    plan: Plan,
    order: Sequence[Step],
    step: Step,
    at: Mapping[str, int],
    made_by: Mapping[Thing, int],
    freed: Mapping[str, int],
) -> Task:
    work, calendar = plan.desk.job.work, plan.desk.shop.calendar
    needs: dict[int, Need] = {}
    from_, why = None, ""
    for thing in step.needs:
        maker = order[made_by[thing]]
        made = next(m for m in maker.makes if m.thing == thing)
        ended = work.get(maker.id, NOTHING).ended
        if ended is not None:
            usable = minute(made.usable(ended, calendar))
            if from_ is None or usable > from_:
                from_, why = usable, made.why
        else:
            needs[at[maker.id]] = _longer(needs.get(at[maker.id]), _need(at[maker.id], made))
    done = work.get(step.id, NOTHING)
    return Task(
        step.id,
        step.says,
        step.stage,
        step.stuff,
        max(math.ceil(step.minutes), 1),
        step.people,
        tuple(needs.values()),
        None if done.early else from_,
        why,
        takes=any(m.clamped and _used(m, step, order) for m in step.makes),
        frees=freed.get(step.id, 0),
        began=minute(done.began) if done.began is not None else None,
        who=done.who,
    )


def _used(made: Made, step: Step, order: Sequence[Step]) -> bool:
    """Whether anything goes on with it, so that the clamps come off again."""
    return any(made.thing in other.needs for other in order if other.id != step.id)


def _need(task: int, made: Made) -> Need:
    if made.days:
        return Need(task, 0, round(made.days), made.why)
    return Need(task, math.ceil(made.after_min), 0, made.why)


def _longer(known: Need | None, other: Need) -> Need:
    """Of two waits after one step the longer: a working day is a day at least."""
    if known is None:
        return other
    return max(known, other, key=lambda n: (n.days, n.minutes))
