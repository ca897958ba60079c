"""An exercise: a job with its sizes given, some lines to be worked out, and how an answer is marked."""

from collections.abc import Mapping
from typing import Any

from shadbo.core.asking.rows import exact
from shadbo.core.assess import assess
from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.thumb import front_thumb, thumb
from shadbo.core.exercises.chance import pick, share
from shadbo.core.exercises.choices import choosing
from shadbo.core.exercises.marks import lay_marks
from shadbo.core.exercises.slips import Slip, SlipKind, can_be_asked, depth, formula, given, slips
from shadbo.core.findings import CannotPlan
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.settings.examples import EXAMPLES, example
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import Both, System
from shadbo.core.words.words import value_text

LEVELS = (1, 2, 3)
STEPS = {1: (1, 1), 2: (2, 3), 3: (4, 30)}
"""Steps of arithmetic that the lines of a level take, from and to."""
INTO = {1: 0, 2: 0, 3: 1}
"""So many lines into a sum a level goes: what those come to is worked out too."""
MOST_GIVEN = 8
FINEST_IN = 25.4 / 16
"""Inches are worked out by hand in sixteenths."""
ASKED, LOOKED_AT = 3, 10
LEAST_SLIPS = 2
SCALE = (0.8, 1.3)


@dataclass(frozen=True, slots=True)
class Asks:
    """Which lines are asked: a level from 1 to 3, a seed, and the slips that are to be met again."""

    level: int
    seed: int
    wanted: tuple[SlipKind, ...] = ()


@dataclass(frozen=True, slots=True)
class Given:
    """Something that is known: what it is called, and what it is."""

    label: str
    value: Both


@dataclass(frozen=True, slots=True)
class Option:
    """What can be picked, in words."""

    id: str
    says: Both


@dataclass(frozen=True, slots=True)
class Task:
    """A line to be worked out, or a choice where there are ``options``; and what it starts from."""

    key: str
    label: str
    given: tuple[Given, ...]
    options: tuple[Option, ...] = ()


@dataclass(frozen=True, slots=True)
class Exercise:
    """What the learner sees: no answer is in it. The pictures are true, and without figures."""

    title: str
    display: str
    front: str
    edge: str
    tasks: tuple[Task, ...]


class NoExercise(LookupError):
    """Nothing can be asked of this job at this level."""


def made_up(seed: int) -> Job:
    """A job of any display with sizes of its own."""
    data = example(pick(seed, "job", sorted(EXAMPLES))).as_written()
    least, most = SCALE
    for piece in data["pieces"]:
        piece["detail"] = _scaled(piece["detail"], least + (most - least) * share(seed, "size"))
    return Job.model_validate(data)


def _scaled(detail: dict[str, Any], times: float) -> dict[str, Any]:
    """Widths and heights of another size, to half a millimetre; depths and thicknesses stay."""
    out = dict(detail)
    for name, value in detail.items():
        if name.startswith(("width", "height")) and isinstance(value, dict) and "mm" in value:
            mm = round(value["mm"] * times * 2) / 2
            out[name] = value | {"mm": mm, "typed": f"{mm:g} mm"}
    return out


def exercise(job: Job, shop: Shop, asks: Asks, system: System) -> Exercise:
    """Lines of a job at a level; those in which a ``wanted`` slip can be made go first. Raises NoExercise."""
    plan, mirrored = laid_out(job, shop)
    lines = asked(plan, mirrored, asks)
    into = INTO[asks.level]
    tasks = tuple(Task(q.key, q.label or q.key, tuple(_given(g, plan) for g in given(q, into))) for q in lines)
    choice = choosing(plan, asks.seed)
    if choice is not None:
        options = tuple(Option(o.id, o.says) for o in choice.offers)
        tasks += (Task(choice.key, choice.label, tuple(_given(g, plan) for g in choice.given), options),)
    return Exercise(job.title, plan.display.name, front_thumb(plan, system), thumb(plan, system), tasks)


def laid_out(job: Job, shop: Shop) -> tuple[Plan, dict[str, Slip]]:
    """The plan with the marks of the bench on its sheet, and by their keys the slip of who forgets to mirror them."""
    try:
        plan = assess(job, shop)
    except CannotPlan as bad:
        raise NoExercise(str(bad)) from None
    if plan.assembly is None:
        raise NoExercise("it is not measured")
    return plan, lay_marks(plan)


def asked(plan: Plan, mirrored: Mapping[str, Slip], asks: Asks) -> list[Quantity]:
    """The lines that are asked: the same for the same job, level and seed."""
    least, most = STEPS[asks.level]
    grid, into = plan.desk.mark.mm, INTO[asks.level]
    able = [
        q
        for q in plan.desk.sheet.named.values()
        if can_be_asked(q) and least <= depth(q, into) <= most and _is_fair(q, into, grid)
    ]
    found: list[tuple[Quantity, set[SlipKind]]] = []
    most_looked = LOOKED_AT * (4 if asks.wanted else 1)
    for q in sorted(able, key=lambda q: share(asks.seed, q.key)):
        ways = slips(q, grid) if len(found) < most_looked else []
        back = mirrored.get(q.key)
        ways = [back, *ways] if back is not None else ways
        if len(ways) >= LEAST_SLIPS:
            found.append((q, {s.kind for s in ways}))
    if not found:
        raise NoExercise(f"nothing of it takes {least} to {most} steps")
    found.sort(key=lambda x: -len(x[1] & set(asks.wanted)))
    lines: list[Quantity] = []
    for q, _ in found:
        # A line that another one starts from would give that one's answer away.
        if len(lines) < ASKED and not any(_tells(q, x, asks.level) for x in lines):
            lines.append(q)
    return sorted(lines, key=lambda q: q.serial)


def _is_fair(q: Quantity, into: int, grid: float) -> bool:
    """Whether not too much is given, and none of it is the answer."""
    told = given(q, into)
    return len(told) <= MOST_GIVEN and all(abs(g.value - formula(q).value) >= grid for g in told)


def _tells(a: Quantity, b: Quantity, level: int) -> bool:
    """Whether of two lines one is given with the other, or both are the same sum."""
    if formula(a).value == formula(b).value or (a.key and b.key and a.label == b.label):
        return True
    return a in given(b, INTO[level]) or b in given(a, INTO[level])


def _given(q: Quantity, plan: Plan) -> Given:
    """Lengths finer than the mark, so that rounding them costs the answer nothing."""
    if q.unit == MM:
        value = exact(q.value)
        return Given(q.label, Both(f"{value.mm} mm", f"{value.inch} in"))
    return Given(q.label, value_text(q, plan.desk.mark))
