"""What the shop has, and what of it is taken when: people, benches, sets of clamps."""

import datetime as dt
from collections.abc import Mapping, Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.hours import Hand, Stretch, day_of, stretches
from shadbo.core.schedule.outline import Outline, Task, moment
from shadbo.core.schedule.people import NEVER, Booking, Free
from shadbo.core.schedule.rota import Rota
from shadbo.core.shop.calendar import Calendar
from shadbo.core.words.stages import STAGES

FETCH_DAYS = 28
HAND_OVER_MIN = 20
"""Rather than hand a job on, it waits so long for who was at it last: common practice, no source."""
ALWAYS: Stretch = (0, NEVER)


@dataclass(frozen=True, slots=True)
class House:
    """What the shop has: when it is open, who works, so many benches, so many sets of clamps."""

    calendar: Calendar
    hands: tuple[Hand, ...]
    benches: int
    clamp_sets: int


class Hours:
    """Everybody's hours from now on, read from the calendar once for however many tables.

    ``able`` tells who does the work of a stage, ``chunk`` the longest stretch that any of them works at once in a
    usual week: longer tasks are done in parts.
    """

    def __init__(self, house: House, now: int) -> None:
        self.house, self.now = house, now
        self._first = day_of(house.calendar, moment(now))
        self._known: dict[tuple[str, int], list[Stretch]] = {}
        longest = {h.id: _longest(house.calendar, h) for h in house.hands}
        self.able = {s: tuple(h.id for h in house.hands if s not in h.worker.leaves) for s in STAGES}
        self.chunk = {s: max((longest[id_] for id_ in ids), default=0) for s, ids in self.able.items()}

    def of(self, hand: Hand, n: int) -> list[Stretch]:
        """Their hours in the n-th few weeks."""
        if (hand.id, n) not in self._known:
            day = self._first + dt.timedelta(days=n * FETCH_DAYS)
            found = stretches(self.house.calendar, day, FETCH_DAYS, hand.worker)
            self._known[hand.id, n] = [(max(a, self.now), b) for a, b in found if b > self.now]
        return self._known[hand.id, n]


def _longest(calendar: Calendar, hand: Hand) -> int:
    plain = Calendar(hours=calendar.hours, zone=calendar.zone)
    week = stretches(plain, dt.date(2024, 1, 1), 7, hand.worker.model_copy(update={"away": ()}))
    return max((b - a for a, b in week), default=0)


class Table:
    """People, benches and clamps with what is booked so far.

    ``alone``: nothing ever is, as if a job were the only one and had every hand to itself.
    """

    def __init__(self, hours: Hours, alone: bool = False) -> None:
        self.hours, self.house, self.now, self.alone = hours, hours.house, hours.now, alone
        house = self.house
        self.free = {h.id: Free(lambda n, h=h: list(hours.of(h, n))) for h in house.hands}  # type: ignore[misc]
        narrow = house.benches < len(house.hands) and not alone
        self.benches = [Free(lambda n: [ALWAYS] if n == 0 else []) for _ in range(house.benches if narrow else 0)]
        self.clamps = [self.now] * house.clamp_sets
        self.taken: dict[int, list[int]] = {}
        self.at_it: dict[str, int] = {}

    def hold(self, job: int, sets: int) -> None:
        """Sets of clamps that are on a job's frame now."""
        for _ in range(sets):
            free = [n for n, at in enumerate(self.clamps) if at < NEVER]
            if free:
                self._take(job, free[0])

    def book_all(self, outlines: Mapping[int, Outline], rota: Rota) -> None:
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
        self, at: int, minutes: int, people: int, liked: Sequence[str], able: Sequence[str]
    ) -> tuple[int, tuple[str, ...]]:
        """When so many people and a bench are free at once, and who: whom the job knows first. NEVER: at no time.

        Only those who are ``able`` to are asked.
        """
        while at < NEVER:
            fits = {id_: self.free[id_].fit(at, minutes) for id_ in able}
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
