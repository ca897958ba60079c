"""Who has time when: free stretches that bookings are cut out of."""

from bisect import bisect_left, bisect_right
from collections.abc import Callable
from dataclasses import field

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.hours import Stretch

NEVER = 1 << 40


@dataclass(frozen=True, slots=True)
class Booking:
    """Somebody is at a task from one time to another: of a job, by its place in the job's outline."""

    start: int
    end: int
    job: int
    task: int


@dataclass(slots=True)
class Free:
    """Free stretches of one person or bench, in order; more of them are fetched as they are asked for."""

    more: Callable[[int], list[Stretch]]
    parts: list[Stretch] = field(default_factory=list)
    fetched: int = 0
    longest: int = 0
    _starts: list[int] = field(default_factory=list)
    _booked: list[Booking] = field(default_factory=list)

    def fit(self, at: int, minutes: int) -> int:
        """The first time from ``at`` on at which so many minutes are free in one stretch; else NEVER."""
        while self.longest >= minutes or self.fetched < SURE:
            n = max(bisect_right(self.parts, (at, NEVER)) - 1, 0)
            for i in range(n, len(self.parts)):
                a, b = self.parts[i]
                begin = a if a > at else at
                if b - begin >= minutes:
                    return begin
            if not self._fetch():
                break
        return NEVER

    def book(self, booking: Booking) -> None:
        """Take a stretch out; what of it is not free anyway stays as it is."""
        start, end = booking.start, booking.end
        while (not self.parts or self.parts[-1][1] < end) and self._fetch():
            pass
        n = max(bisect_left(self.parts, (start, 0)) - 1, 0)
        while n < len(self.parts) and self.parts[n][0] < end:
            a, b = self.parts[n]
            if b <= start:
                n += 1
                continue
            left = [(a, start)] if a < start else []
            right = [(end, b)] if b > end else []
            self.parts[n : n + 1] = left + right
            n += len(left) + len(right)
        n = bisect_left(self._starts, start)
        self._starts.insert(n, start)
        self._booked.insert(n, booking)

    def last_between(self, start: int, end: int) -> Booking | None:
        """The last booking that begins before the one time and ends after the other."""
        n = bisect_left(self._starts, end) - 1
        return self._booked[n] if n >= 0 and self._booked[n].end > start else None

    def _fetch(self) -> bool:
        if self.fetched >= MOST_FETCHES:
            return False
        found = self.more(self.fetched)
        self.fetched += 1
        self.longest = max((self.longest, *(b - a for a, b in found)), default=0)
        self.parts += found
        return True


SURE, MOST_FETCHES = 6, 40
"""Of some weeks each: after half a year the longest stretch is known, and nobody plans farther than some years."""
