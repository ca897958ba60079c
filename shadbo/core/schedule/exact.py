"""The schedule as a constraint programme, for shops small enough that a solver proves something in its time.

OR-Tools CP-SAT, one worker, fixed seed, bounded by deterministic time: the same question has the same answer.
"""

import datetime as dt
from collections.abc import Iterator, Mapping, Set

from ortools.sat.python import cp_model

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.hours import Clock, Stretch, day_of, end_of_day
from shadbo.core.schedule.outline import Outline, Task, minute, moment
from shadbo.core.schedule.rota import Rota
from shadbo.core.schedule.table import Hours

MOST_TASKS = 40
DETERMINISTIC_TIME = 0.02
"""Some tenths of a second on any machine of these years."""
DAY = 1440


@dataclass(frozen=True, slots=True)
class Asked:
    """What is to be scheduled: outlines, hours, what counts as time, due times, and the jobs that count when late."""

    outlines: Mapping[int, Outline]
    hours: Hours
    clock: Clock
    dues: Mapping[int, int]
    whole: Set[int]


@dataclass(frozen=True, slots=True)
class Solved:
    """Tasks in the order of their beginning, with their people, where that is less late; and the proven bound."""

    sequence: tuple[tuple[int, int, tuple[str, ...]], ...]
    least: int


def solve(asked: Asked, rota: Rota, late: int, time: float = DETERMINISTIC_TIME) -> Solved | None:
    """A less late schedule than ``rota``, and what none can do better than. None where it is too much to ask."""
    tasks = [(job, n, t) for job, x in asked.outlines.items() for n, t in enumerate(x.tasks)]
    chunk = asked.hours.chunk
    if not tasks or len(tasks) > MOST_TASKS or rota.unplaced or any(t.minutes > chunk[t.stage] for _, _, t in tasks):
        return None
    model = _Model(asked, rota)
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = 1
    solver.parameters.max_deterministic_time = time
    status = solver.solve(model.model)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return Solved((), 0)
    least = int(-(-solver.best_objective_bound // 1))
    if solver.objective_value >= late:
        return Solved((), least)
    return Solved(tuple(model.sequence(solver)), least)


class _Model:
    """Starts of tasks, who does them, and how late each job is, in minutes from now."""

    def __init__(self, asked: Asked, rota: Rota) -> None:
        self.asked, self.model = asked, cp_model.CpModel()
        self.now = asked.hours.now
        self.placed = {(p.job, p.task): p for found in rota.placed.values() for p in found}
        self.end = max(p.end for p in self.placed.values()) - self.now + DAY
        self.parts = {h.id: self._parts(h.id) for h in asked.hours.house.hands}
        self.starts: dict[tuple[int, int], cp_model.IntVar] = {}
        self.does: dict[tuple[int, int, str], cp_model.IntVar] = {}
        self.busy: dict[str, list[cp_model.IntervalVar]] = {h: [] for h in self.parts}
        self.all: list[cp_model.IntervalVar] = []
        for job, outline in asked.outlines.items():
            for n, task in enumerate(outline.tasks):
                self._task(job, n, task)
            for n, task in enumerate(outline.tasks):
                self._needs(job, n, task)
        for intervals in self.busy.values():
            self.model.add_no_overlap(intervals)
        house = asked.hours.house
        if house.benches < len(house.hands):
            self.model.add_cumulative(self.all, [1] * len(self.all), house.benches)
        self._clamps()
        self.model.minimize(sum(self._late(job) for job in asked.whole if job in asked.dues))

    def sequence(self, solver: cp_model.CpSolver) -> Iterator[tuple[int, int, tuple[str, ...]]]:
        """Tasks as they begin; of those at one time what others need goes first."""
        for job, n in sorted(self.starts, key=lambda at: (solver.value(self.starts[at]), at)):
            hands = tuple(h for h in self.parts if (job, n, h) in self.does and solver.value(self.does[job, n, h]))
            yield job, n, hands

    def _parts(self, hand: str) -> list[Stretch]:
        who = next(h for h in self.asked.hours.house.hands if h.id == hand)
        out: list[Stretch] = []
        n = 0
        while n < 2 or (out and out[-1][1] < self.end and n < 24):
            out += [(a - self.now, b - self.now) for a, b in self.asked.hours.of(who, n)]
            n += 1
        return [(a, b) for a, b in out if a < self.end]

    def _task(self, job: int, n: int, task: Task) -> None:
        placed, name = self.placed[job, n], f"{job} {n}"
        if task.began is not None:
            start = self.model.new_constant(placed.start - self.now)
            self.starts[job, n] = start
            for hand in placed.hands:
                self.busy[hand].append(self.model.new_fixed_size_interval_var(start, self._length(job, n), name))
            return
        start = self.starts[job, n] = self.model.new_int_var(0, self.end, name)
        self.model.add_hint(start, placed.start - self.now)
        self.all.append(self.model.new_fixed_size_interval_var(start, task.minutes, f"{name} bench"))
        who = []
        able = self.asked.hours.able[task.stage]
        for hand in able:
            parts = self.parts[hand]
            fits = [[a, b - task.minutes] for a, b in parts if b - a >= task.minutes]
            if not fits:
                continue
            does = self.does[job, n, hand] = self.model.new_bool_var(f"{name} {hand}")
            self.model.add_hint(does, hand in placed.hands)
            domain = cp_model.Domain.from_intervals(fits)
            self.model.add_linear_expression_in_domain(start, domain).only_enforce_if(does)
            self.busy[hand].append(
                self.model.new_optional_fixed_size_interval_var(start, task.minutes, does, f"{name} {hand} at")
            )
            who.append(does)
        self.model.add(sum(who) == min(task.people, len(able)))
        if task.from_ is not None:
            self.model.add(start >= task.from_ - self.now)

    def _length(self, job: int, n: int) -> int:
        task, placed = self.asked.outlines[job].tasks[n], self.placed[job, n]
        return placed.end - placed.start if task.began is not None else task.minutes

    def _needs(self, job: int, n: int, task: Task) -> None:
        if task.began is not None:
            return
        for need in task.needs:
            end = self.starts[job, need.task] + self._length(job, need.task)
            if need.days:
                self._after_days(self.starts[job, n], end, need.days)
            else:
                self.model.add(self.starts[job, n] >= end + need.minutes)

    def _after_days(self, start: cp_model.IntVar, end: cp_model.LinearExprT, days: int) -> None:
        """It begins so many working days after; how many days of the calendar these are hangs on the day."""
        calendar, known = self.asked.hours.house.calendar, []
        day = day_of(calendar, moment(self.now))
        at = 0
        while at < self.end + DAY:
            until = end_of_day(calendar, day) - self.now
            shift = minute(calendar.after_working_days(moment(at + self.now), days)) - self.now - at
            here = self.model.new_bool_var("")
            self.model.add(end >= at).only_enforce_if(here)
            self.model.add(end < until).only_enforce_if(here)
            self.model.add(start >= end + shift).only_enforce_if(here)
            known.append(here)
            day, at = day + dt.timedelta(days=1), until
        self.model.add_exactly_one(known)

    def _clamps(self) -> None:
        """From where clamps go on to where they come off."""
        spans = []
        for job, outline in self.asked.outlines.items():
            on = [self.model.new_constant(0)] * outline.held
            for n, task in enumerate(outline.tasks):
                for _ in range(task.frees):
                    if on:
                        begin, off = on.pop(0), self.starts[job, n] + self._length(job, n)
                        size = self.model.new_int_var(0, self.end, "")
                        spans.append(self.model.new_interval_var(begin, size, off, f"{job} clamps {n}"))
                if task.takes:
                    on.append(self.starts[job, n])
        if spans:
            self.model.add_cumulative(spans, [1] * len(spans), self.asked.hours.house.clamp_sets)

    def _late(self, job: int) -> cp_model.IntVar:
        """Open minutes after it is due: of each stretch of opening hours, those that lie between."""
        ready = self.model.new_int_var(0, self.end, f"{job} ready")
        for n in range(len(self.asked.outlines[job].tasks)):
            self.model.add(ready >= self.starts[job, n] + self._length(job, n))
        late = self.model.new_int_var(0, self.end, f"{job} late")
        due = self.asked.dues[job]
        before = self.asked.clock.open_until(due)
        for a, b in self.asked.clock.parts:
            if b <= due or a - self.now > self.end:
                continue
            # Past its beginning at least what was open before it counts, within it every minute.
            past = self.model.new_bool_var("")
            self.model.add(ready <= b - self.now).only_enforce_if(past.negated())
            self.model.add(late >= self.asked.clock.open_until(b) - before).only_enforce_if(past)
            within = self.model.new_bool_var("")
            self.model.add(ready <= max(a, due) - self.now).only_enforce_if(within.negated())
            self.model.add(
                late >= self.asked.clock.open_until(max(a, due)) - before + ready - (max(a, due) - self.now)
            ).only_enforce_if(within, past.negated())
        return late
