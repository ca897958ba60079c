"""An exercise: a job with its sizes given, some lines to be worked out, and how an answer is marked."""

from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass
from typing import Any

from shadbo.core.asking.rows import exact
from shadbo.core.assess import assess
from shadbo.core.decisions.edit import Edit
from shadbo.core.drawing.board import draw
from shadbo.core.drawing.thumb import front_thumb, thumb
from shadbo.core.exercises.chance import pick, share
from shadbo.core.exercises.slips import Slip, SlipKind, can_be_asked, depth, formula, given, slips, with_given
from shadbo.core.findings import CannotPlan
from shadbo.core.job.edits import apply
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.settings.examples import EXAMPLES, example
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import Both, NotALength, System, parse
from shadbo.core.words.words import value_text
from shadbo.core.words.working import Token, working

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
class Task:
    """A line to be worked out, and what it starts from."""

    key: str
    label: str
    given: tuple[Given, ...]


@dataclass(frozen=True, slots=True)
class Exercise:
    """What the learner sees: no answer is in it. The pictures are true, and without figures."""

    title: str
    display: str
    front: str
    edge: str
    tasks: tuple[Task, ...]


@dataclass(frozen=True, slots=True)
class Marked:
    """An answer with its mark: right, or which slip it shows, or none that is known; then the working.

    ``happens`` is what would come of it, ``picture`` the frame that was made so, where that can be drawn.
    """

    key: str
    right: bool
    kind: SlipKind | None
    says: str
    answer: Both
    working: tuple[Token, ...]
    happens: str
    picture: str


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
    plan = _plan(job, shop)
    lines = asked(plan, asks)
    into = INTO[asks.level]
    tasks = tuple(
        Task(q.key, q.name.label if q.name else q.key, tuple(_given(g, plan) for g in given(q, into))) for q in lines
    )
    return Exercise(job.title, plan.display.name, front_thumb(plan, system), thumb(plan, system), tasks)


def _plan(job: Job, shop: Shop) -> Plan:
    try:
        plan = assess(job, shop)
    except CannotPlan as bad:
        raise NoExercise(str(bad)) from None
    if plan.assembly is None:
        raise NoExercise("it is not measured")
    return plan


def asked(plan: Plan, asks: Asks) -> list[Quantity]:
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
    if formula(a).value == formula(b).value or (a.name and b.name and a.name.label == b.name.label):
        return True
    return a in given(b, INTO[level]) or b in given(a, INTO[level])


def _given(q: Quantity, plan: Plan) -> Given:
    """Lengths finer than the mark, so that rounding them costs the answer nothing."""
    if q.unit == MM:
        value = exact(q.value)
        return Given(q.name.label if q.name else "", Both(f"{value.mm} mm", f"{value.inch} in"))
    return Given(q.name.label if q.name else "", value_text(q, plan.desk.mark))


def mark(job: Job, shop: Shop, key: str, answer_mm: float, system: System, level: int = 1) -> Marked:
    """An answer to one line. Right within half a mark of the plan, of its text, or of the sum by what was given; else
    the nearest slip that gives it.
    """
    plan = _plan(job, shop)
    q, grid = plan.desk.sheet[key], plan.desk.mark.mm
    right = formula(q).value
    shown, how = value_text(q, plan.desk.mark), working(formula(q), plan.desk.mark)
    rights = (right, _by_hand(q, INTO[level], system), *_read(shown.pick(system), system))
    if any(abs(answer_mm - x) <= max(grid, FINEST_IN if system == "in" else 0) / 2 + 1e-6 for x in rights):
        return Marked(key, True, None, "right", shown, how, "", "")
    slip = _slip(plan, q, answer_mm, grid)
    says = slip.says if slip is not None else "wrong, by no slip that is known: go through the working"
    happens, picture = _happens(job, shop, key, answer_mm, system)
    return Marked(key, False, slip.kind if slip is not None else None, says, shown, how, happens, picture)


def _by_hand(q: Quantity, into: int, system: System) -> float:
    """What a line comes to by the given lines as they are told, which are rounded."""
    told = {g.key: next(_read(exact(g.value).pick(system), system), g.value) for g in given(q, into) if g.unit == MM}
    return with_given(q, told)


def _read(text: str, system: System) -> Iterator[float]:
    """A length as it stands on the screen, in mm; nothing where it is none."""
    with suppress(NotALength):
        yield parse(text, system)


def _slip(plan: Plan, q: Quantity, answer_mm: float, grid: float) -> Slip | None:
    near = [s for s in slips(q, grid) if abs(s.value - answer_mm) <= grid / 2 + 1e-6]
    if near:
        return min(near, key=lambda s: abs(s.value - answer_mm))
    for other in plan.desk.sheet.named.values():
        if (
            other is not q
            and other.unit == q.unit
            and abs(other.value - answer_mm) <= 1e-6
            and other.name is not None
        ):
            return Slip("other line", f"that is “{other.name.label}”: another line than was asked", other.value)
    return None


def _happens(job: Job, shop: Shop, key: str, answer_mm: float, system: System) -> tuple[str, str]:
    """What a frame made by a wrong answer comes to: the gravest that is said of it, and its edge cut through."""
    if not 0 < answer_mm <= 20_000:
        return "", ""
    pin = Edit(at=f"pins/{key}", to={"mm": answer_mm, "typed": f"{answer_mm:g} mm"})
    try:
        wrong, was = assess(apply(job, [pin])[0], shop), assess(job, shop)
    except (CannotPlan, ValueError):
        return "it cannot be built at all", ""
    told = {(f.code, f.title.mm) for f in was.findings}
    new = [f for f in wrong.findings if (f.code, f.title.mm) not in told and f.severity != "note"]
    if not new or key not in wrong.desk.sheet or wrong.desk.sheet[key].planned is None:
        return "", ""
    return new[0].title.pick(system), draw(wrong, "edge", system).svg
