"""A schedule as it is laid: every task in time, by whom, and what it could not begin before."""

from collections.abc import Mapping
from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.people import Booking

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
class Rota:
    """A schedule: every task that has a time, by job; ``unplaced`` jobs never get one for some of their tasks."""

    placed: Mapping[int, tuple[Placed, ...]]
    unplaced: frozenset[int]

    def ready(self, job: int) -> int | None:
        """When the last of its tasks ends; None where one has no time, or none is left."""
        if job in self.unplaced or not self.placed.get(job):
            return None
        return max(p.end for p in self.placed[job])
