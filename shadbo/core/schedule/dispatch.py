"""A schedule by rule: job after job in order of urgency, each task as early as people, benches, clamps allow."""

import datetime as dt
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from shadbo.core.schedule.hours import Hand, Stretch, day_of, stretches
from shadbo.core.schedule.outline import Outline, Task, minute, moment
from shadbo.core.schedule.people import NEVER, Booking, Free
from shadbo.core.shop.calendar import Calendar

FETCH_DAYS = 28
HAND_OVER_MIN = 20
"""Rather than hand a job on, it waits so long for who was at it last: common practice, no source."""
ALWAYS: Stretch = (0, NEVER)
Cause = Literal["now", "step", "wait", "hands", "bench", "clamps", "hours"]
"""What a task begins no earlier for: it is at once, the step before it, the wait after that, somebody who is at other
work, benches or clamps that are taken, or the shop is closed."""


@dataclass(frozen=True, slots=True)
class Part:
    """One stretch of a task, and who is at it: a task longer than a day is done in several."""

    start: int
    end: int
    hands: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Placed:
    """One task in time: by whom, and what it could not begin before.

    ``usable`` is from when it could begin if everybody were free, ``after`` the task that it came after, where one
    is; ``held_by`` what its people do before it.
    """

    job: int
    task: int
    parts: tuple[Part, ...]
    cause: Cause
    usable: int
    after: int | None = None
    held_by: Booking | None = None
    why: str = ""

    @property
    def start(self) -> int:
        """When it begins."""
        return self.parts[0].start

    @property
    def end(self) -> int:
        """When it is done."""
        return self.parts[-1].end

    @property
    def hands(self) -> tuple[str, ...]:
        """Everybody who is at it."""
        return tuple(dict.fromkeys(id_ for part in self.parts for id_ in part.hands))


@dataclass(frozen=True, slots=True)
class House:
    """What the shop has: when it is open, who works, so many benches, so many sets of clamps."""

    calendar: Calendar
    hands: tuple[Hand, ...]
    benches: int
    clamp_sets: int

    def chunk(self) -> int:
        """The longest stretch that somebody works at once in a usual week; longer tasks are done in parts."""
        monday = dt.date(2024, 1, 1)
        plain = Calendar(hours=self.calendar.hours, zone=self.calendar.zone)
        return max(
            (
                b - a
                for h in self.hands
                for a, b in stretches(plain, monday, 7, h.worker.model_copy(update={"away": ()}))
            ),
            default=0,
        )


class Hours:
    """Everybody's hours from now on, read from the calendar once for however many tables."""

    def __init__(self, house: House, now: int) -> None:
        self.house, self.now = house, now
        self._first = day_of(house.calendar, moment(now))
        self._known: dict[tuple[str, int], list[Stretch]] = {}

    def of(self, hand: Hand, n: int) -> list[Stretch]:
        """Their hours in the n-th few weeks."""
        if (hand.id, n) not in self._known:
            day = self._first + dt.timedelta(days=n * FETCH_DAYS)
            found = stretches(self.house.calendar, day, FETCH_DAYS, hand.worker)
            self._known[hand.id, n] = [(max(a, self.now), b) for a, b in found if b > self.now]
        return self._known[hand.id, n]


class Table:
    """People, benches and clamps with what is booked so far.

    ``alone``: nothing ever is, as if a job were the only one and had every hand to itself.
    """

    def __init__(self, hours: Hours, alone: bool = False) -> None:
        self.house, self.now, self.alone = hours.house, hours.now, alone
        house = self.house
        self.free = {h.id: Free(lambda n, h=h: list(hours.of(h, n))) for h in house.hands}  # type: ignore[misc]
        narrow = house.benches < len(house.hands) and not alone
        self.benches = [Free(lambda n: [ALWAYS] if n == 0 else []) for _ in range(house.benches if narrow else 0)]
        self.clamps = [self.now] * house.clamp_sets
        self.taken: dict[int, list[int]] = {}

    def hold(self, job: int, sets: int) -> None:
        """Sets of clamps that are on a job's frame now."""
        for _ in range(sets):
            free = [n for n, at in enumerate(self.clamps) if at < NEVER]
            if free:
                self._take(job, free[0])

    def book_all(self, outlines: Mapping[int, Outline], rota: "Rota") -> None:
        """Everything of a rota, so that what comes after it finds its place."""
        for job, outline in outlines.items():
            self.hold(job, outline.held)
        for p in sorted((p for found in rota.placed.values() for p in found), key=lambda p: (p.start, p.end)):
            for part in p.parts:
                self.book(part.hands, Booking(part.start, part.end, p.job, p.task))
            self.seize(p.job, outlines[p.job].tasks[p.task], p.end)

    def clamps_free(self, task: Task) -> int:
        """From when there is a set of clamps for it; NEVER while all are on frames that nobody took out yet."""
        return min(self.clamps) if task.takes and not self.alone else self.now

    def seize(self, job: int, task: Task, end: int) -> None:
        """Put clamps on and take them off, as the task does."""
        if self.alone:
            return
        if task.takes:
            self._take(job, self.clamps.index(min(self.clamps)))
        for _ in range(min(task.frees, len(self.taken.get(job, ())))):
            self.clamps[self.taken[job].pop(0)] = end

    def _take(self, job: int, n: int) -> None:
        self.clamps[n] = NEVER
        self.taken.setdefault(job, []).append(n)

    def first(
        self, at: int, minutes: int, people: int, liked: Sequence[str], only: Sequence[str] = ()
    ) -> tuple[int, tuple[str, ...]]:
        """When so many people and a bench are free at once, and who: whom the job knows first. NEVER: at no time.

        ``only`` these people, where any are named.
        """
        asked = only or self.free
        while at < NEVER:
            fits = {id_: self.free[id_].fit(at, minutes) for id_ in asked}
            then = _soonest(fits, people, liked)
            bench = min((b.fit(then, minutes) for b in self.benches), default=then) if then < NEVER else then
            if then >= NEVER or bench > then:
                at = bench
                continue
            who = [id_ for id_, fit in fits.items() if fit == then]
            if len(who) >= people:
                known = sorted(who, key=lambda id_: liked.index(id_) if id_ in liked else len(liked))
                return then, tuple(known[:people])
            at = then
        return NEVER, ()

    def book(self, hands: Sequence[str], booking: Booking) -> None:
        """Somebody is at it."""
        if self.alone:
            return
        for id_ in hands:
            self.free[id_].book(booking)
        minutes = booking.end - booking.start
        bench = next((b for b in self.benches if b.fit(booking.start, minutes) == booking.start), None)
        if bench is not None:
            bench.book(booking)


def _soonest(fits: Mapping[str, int], people: int, liked: Sequence[str]) -> int:
    """When enough people are free; who was at the job last goes on with it even if somebody else were free sooner."""
    soonest = sorted(fits.values())
    if len(soonest) < people:
        return NEVER
    at = soonest[people - 1]
    last = fits.get(liked[0], NEVER) if liked and people == 1 else NEVER
    return last if last <= at + HAND_OVER_MIN else at


@dataclass(frozen=True, slots=True)
class Rota:
    """A schedule: every task that has a time, by job; ``unplaced`` jobs never get one for some of their tasks."""

    placed: Mapping[int, tuple[Placed, ...]]
    unplaced: frozenset[int]

    def ready(self, job: int) -> int | None:
        """When the last of its tasks ends; None where one has no time, or none is left."""
        if job in self.unplaced or not self.placed.get(job):
            return None
        return max(p.end for p in self.placed[job])


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
    chunk, short = table.house.chunk(), set()
    for job in order:
        if not _lay(table, job, outlines[job].tasks, chunk, placed[job]):
            short.add(job)
    return Rota({job: tuple(p for _, p in sorted(found.items())) for job, found in placed.items()}, frozenset(short))


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
    chunk, short = table.house.chunk(), set()
    for job, n, hands in sequence:
        if n in placed[job]:
            continue
        put = _put(table, job, n, outlines[job].tasks[n], placed[job], chunk, (), hands)
        if put is None:
            short.add(job)
            break
        placed[job][n] = put
    short |= {job for job, x in outlines.items() if len(placed[job]) < len(x.tasks)}
    return Rota({job: tuple(p for _, p in sorted(found.items())) for job, found in placed.items()}, frozenset(short))


def _under_way(table: Table, job: int, n: int, task: Task, placed: dict[int, Placed]) -> None:
    """A task that somebody is at: it goes on now, for what is left of its minutes."""
    assert task.began is not None
    left = max(task.minutes - max(table.now - task.began, 0), 1)
    who = tuple(h.id for h in table.house.hands if h.name == task.who)
    end = table.now + left
    table.book(who, Booking(table.now, end, job, n))
    table.seize(job, task, end)
    placed[n] = Placed(job, n, (Part(table.now, end, who),), "now", table.now)


def _lay(table: Table, job: int, tasks: Sequence[Task], chunk: int, placed: dict[int, Placed]) -> bool:
    """Give every task of a job its time; one for which all clamps are taken waits for those that free them."""
    left = [n for n in range(len(tasks)) if n not in placed]
    liked: list[str] = [id_ for p in placed.values() for id_ in p.hands]
    while left:
        able = (n for n in left if all(need.task in placed for need in tasks[n].needs))
        found = next((n for n in able if table.clamps_free(tasks[n]) < NEVER), None)
        if found is None:
            return False
        put = _put(table, job, found, tasks[found], placed, chunk, liked)
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
    chunk: int,
    liked: Sequence[str],
    only: Sequence[str] = (),
) -> Placed | None:
    """One task at its earliest, in parts where it is longer than anybody works at once; None where it never is."""
    if chunk <= 0:
        return None
    earliest, cause, after, why = _earliest(table, task, placed)
    usable, clamps = earliest, table.clamps_free(task)
    if clamps > earliest:
        earliest, cause = clamps, "clamps"
    people = min(task.people, len(table.free))
    left, at, held = task.minutes, earliest, None
    parts: list[Part] = []
    while left > 0:
        part = min(left, chunk)
        start, who = table.first(at, part, people, parts[-1].hands if parts else liked, only)
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
