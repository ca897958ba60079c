"""What one finished job has to say: how long its steps took, how its rails and its frame came out, what came late."""

import datetime as dt
from collections.abc import Iterator

from shadbo.core.dataclass import dataclass
from shadbo.core.job.work import Done
from shadbo.core.plan import Plan
from shadbo.core.record.record import took_min
from shadbo.core.shop.calendar import Calendar
from shadbo.core.steps import steps
from shadbo.core.steps.framing import LEFT
from shadbo.core.steps.progress import planned_mm
from shadbo.core.steps.site import Site, site_of
from shadbo.core.sums.order import kerf_of
from shadbo.core.sums.stretch import FOLD_LAYERS
from shadbo.core.words.stages import Stage


@dataclass(frozen=True, slots=True)
class Timed:
    """A step: its stage, its usual minutes at a pace of one, and those that it took."""

    stage: Stage
    usual: float
    took: float
    again: bool


@dataclass(frozen=True, slots=True)
class Sample:
    """All of one job. ``rails`` and ``frame`` are made less planned in mm, the frame's held against its own rails;
    ``orders`` are working days from order to arrival, ``sheets`` what came less what was ordered, in mm; ``folds``
    what one layer of a canvas's cloth came to, ``kerfs`` what the saw took at a cut, in mm."""

    number: int
    timed: tuple[Timed, ...]
    rails: tuple[float, ...]
    frame: tuple[float, ...]
    orders: tuple[float, ...]
    sheets: tuple[float, ...]
    folds: tuple[float, ...] = ()
    kerfs: tuple[float, ...] = ()


def sample(number: int, plan: Plan) -> Sample:
    """What a plan's job has to say; nothing where it was never measured."""
    site = site_of(plan)
    if site is None:
        return Sample(number, (), (), (), (), ())
    rails, frame = tuple(_rails(site)), tuple(_frame(site))
    return Sample(number, tuple(_timed(plan)), rails, frame, tuple(_orders(plan)), tuple(_sheets(plan)),
                  tuple(_folds(site)), tuple(_kerfs(site)))  # fmt: skip


def _timed(plan: Plan) -> Iterator[Timed]:
    practice = plan.desk.practice
    for step in steps(plan):
        done = plan.desk.job.work.get(step.id, Done())
        took = took_min(done)
        if took is not None:
            pace = practice.pace_times * practice.stage_times(step.stage)
            yield Timed(step.stage, step.minutes / pace, took, done.remade > 0)


def _rails(site: Site) -> Iterator[float]:
    pins = site.job.pins
    for q in site.asked(site.sawn):
        if q.key in pins:
            yield round(pins[q.key].mm - planned_mm(q), 3)


def _frame(site: Site) -> Iterator[float]:
    made, pins = site.made_frame, site.job.pins
    if made is None or not site.sawn:
        return
    for q in (made.top, made.middle.width, made.bottom, made.left, made.middle.height, made.right):
        if q is not None and q.key in pins:
            yield round(pins[q.key].mm - made.by_its_rails(q).value, 3)


def _orders(plan: Plan) -> Iterator[float]:
    work, calendar = plan.desk.job.work, plan.desk.shop.calendar
    for id_, done in work.items():
        came = work.get(id_.replace("order.", "come.", 1)) if id_.startswith("order.") else None
        if came is not None and done.ended is not None and came.ended is not None:
            yield working_days(calendar, done.ended, came.ended)


def working_days(calendar: Calendar, start: dt.datetime, end: dt.datetime) -> float:
    """Working days from one time to another, the last one begun counted whole.

    >>> friday, tuesday = (dt.datetime(2026, 11, d, 15, tzinfo=dt.UTC) for d in (20, 24))
    >>> working_days(Calendar(), friday, tuesday)
    2.0
    """
    days = 0.0
    while days < 366 and calendar.after_working_days(start, days) < end:
        days += 1
    return days


def _sheets(plan: Plan) -> Iterator[float]:
    """Panes and boards that were cut elsewhere, read when they came."""
    for step in steps(plan):
        done = plan.desk.job.work.get(step.id, Done())
        for check in step.checks:
            if step.id.startswith("come.") and check.wanted is not None and check.id in done.sizes:
                yield round(done.sizes[check.id].mm - planned_mm(check.wanted), 3)


def _folds(site: Site) -> Iterator[float]:
    """A canvas measured over its folds, less its bars: one layer of cloth, of those that lie on each other."""
    pins, s = site.job.pins, site.desk.sheet
    for axis in ("width", "height"):
        bar = s.get(f"stretch.bar_{axis}")
        if bar is not None and f"canvas.{axis}" in pins:
            yield round((pins[f"canvas.{axis}"].mm - bar.value) / (2 * FOLD_LAYERS), 3)


def _kerfs(site: Site) -> Iterator[float]:
    """What a stick is short of, over what was cut from it."""
    done, moulding = site.job.work.get("cut.rails", Done()), site.assembly.moulding
    rails = site.desk.sheet.get("rail.total")
    if moulding is not None and rails is not None and LEFT in done.sizes and not done.remade:
        yield round(kerf_of(moulding.stick_mm, rails.value, done.sizes[LEFT].mm), 3)
