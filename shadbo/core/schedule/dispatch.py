"""A schedule by rule: job after job in order of urgency, each task as early as people, benches, clamps allow."""

from collections.abc import Mapping, Sequence

from shadbo.core.schedule.outline import Outline, Task, minute, moment
from shadbo.core.schedule.people import NEVER, Booking
from shadbo.core.schedule.rota import Cause, Part, Placed, Rota
from shadbo.core.schedule.table import Table


def dispatch(outlines: Mapping[int, Outline], order: Sequence[int], table: Table) -> Rota:
    """All tasks of the jobs in an order, each job after what is booked on the table, of which nothing moves.

    What is under way goes first.
    """
    placed: dict[int, dict[int, Placed]] = {job: {} for job in order}
    for job in order:
        table.hold(job, outlines[job].held)
    for job in order:
        for n, task in enumerate(outlines[job].tasks):
            if task.began is not None:
                _under_way(table, job, n, task, placed[job])
    left, before = list(order), -1
    while left and (laid := sum(map(len, placed.values()))) > before:
        # Who waits for clamps that are on a later job's frame is gone on with after it.
        left, before = [job for job in left if not _lay(table, job, outlines[job].tasks, placed[job])], laid
    return _rota(placed, left)


def replay(
    outlines: Mapping[int, Outline], sequence: Sequence[tuple[int, int, tuple[str, ...]]], table: Table
) -> Rota:
    """Tasks one after the other, each as early as it can be with the people that are named for it.

    The sequence puts every task after those that it needs; what is under way stands in it too.
    """
    placed: dict[int, dict[int, Placed]] = {job: {} for job in outlines}
    for job, outline in outlines.items():
        table.hold(job, outline.held)
        for n, task in enumerate(outline.tasks):
            if task.began is not None:
                _under_way(table, job, n, task, placed[job])
    for job, n, hands in sequence:
        if n in placed[job]:
            continue
        put = _put(table, job, n, outlines[job].tasks[n], placed[job], (), hands)
        if put is None:
            break
        placed[job][n] = put
    return _rota(placed, [job for job, x in outlines.items() if len(placed[job]) < len(x.tasks)])


def _rota(placed: Mapping[int, Mapping[int, Placed]], unplaced: Sequence[int]) -> Rota:
    ordered = {job: tuple(p for _, p in sorted(found.items())) for job, found in placed.items()}
    return Rota(ordered, frozenset(unplaced))


def _under_way(table: Table, job: int, n: int, task: Task, placed: dict[int, Placed]) -> None:
    """A task that somebody is at: it goes on now, for what is left of its minutes; of two of one hand, one by one."""
    assert task.began is not None
    left = max(task.minutes - max(table.now - task.began, 0), 1)
    who = tuple(h.id for h in table.house.hands if h.name == task.who)
    start = max((table.at_it.get(id_, table.now) for id_ in who), default=table.now)
    end = start + left
    table.at_it.update(dict.fromkeys(who, end))
    table.book(who, Booking(start, end, job, n))
    table.seize(job, task, end)
    placed[n] = Placed(job, n, (Part(start, end, who),), "now", table.now)


def _lay(table: Table, job: int, tasks: Sequence[Task], placed: dict[int, Placed]) -> bool:
    """Give every task of a job its time; one for which all clamps are taken waits for those that free them."""
    left = [n for n in range(len(tasks)) if n not in placed]
    liked: list[str] = [id_ for p in placed.values() for id_ in p.hands]
    while left:
        able = (n for n in left if all(need.task in placed for need in tasks[n].needs))
        found = next((n for n in able if table.clamps_free(tasks[n]) < NEVER), None)
        if found is None:
            return False
        put = _put(table, job, found, tasks[found], placed, liked)
        if put is None:
            return False
        placed[found] = put
        hands = put.hands
        liked = [*hands, *(id_ for id_ in liked if id_ not in hands)]
        left.remove(found)
    return True


def _put(
    table: Table,
    job: int,
    n: int,
    task: Task,
    placed: Mapping[int, Placed],
    liked: Sequence[str],
    only: Sequence[str] = (),
) -> Placed | None:
    """One task at its earliest, in parts where it is longer than anybody works at once; None where it never is."""
    able, chunk = table.hours.able[task.stage], table.hours.chunk[task.stage]
    if chunk <= 0:
        return None
    earliest, cause, after, why = _earliest(table, task, placed)
    usable, clamps = earliest, table.clamps_free(task)
    if clamps > earliest:
        earliest, cause = clamps, "clamps"
    people = min(task.people, len(able))
    left, at, held = task.minutes, earliest, None
    parts: list[Part] = []
    while left > 0:
        part = min(left, chunk)
        start, who = table.first(at, part, people, parts[-1].hands if parts else liked, only or able)
        if start >= NEVER:
            return None
        if not parts and start > earliest:
            cause, held = _cause(table, who, earliest, start)
        parts.append(Part(start, start + part, who))
        table.book(who, Booking(start, start + part, job, n))
        at, left = start + part, left - part
    table.seize(job, task, at)
    return Placed(job, n, tuple(parts), cause, usable, after, held, why)


def _earliest(table: Table, task: Task, placed: Mapping[int, Placed]) -> tuple[int, Cause, int | None, str]:
    """From when a task could begin if everybody were free, and what makes that."""
    at, cause, after, why = table.now, "now", None, ""
    if task.from_ is not None and task.from_ > at:
        at, cause, why = task.from_, "wait", task.why
    for need in task.needs:
        end = placed[need.task].end
        usable = end + need.minutes
        if need.days:
            usable = minute(table.house.calendar.after_working_days(moment(end), need.days))
        if usable > at or (usable == at and cause == "now"):
            at, after, why = usable, need.task, need.why if usable > end else ""
            cause = "wait" if usable > end else "step"
    return at, cause, after, why  # type: ignore[return-value]


def _cause(table: Table, who: Sequence[str], earliest: int, start: int) -> tuple[Cause, Booking | None]:
    """Why a task begins later than it could: the last that these people do before it, or the hour of the day."""
    met = [b for id_ in who if (b := table.free[id_].last_between(earliest, start)) is not None]
    if met:
        return "hands", max(met, key=lambda b: (b.start, b.job, b.task))
    if any(b.last_between(earliest, start) for b in table.benches):
        return "bench", None
    return "hours", None
