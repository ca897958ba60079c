"""What no order of work can do better than: a bound under the lateness of every schedule."""

from collections.abc import Callable, Sequence
from itertools import accumulate

from shadbo.core.dataclass import dataclass


@dataclass(frozen=True, slots=True)
class Promise:
    """A job that is due: its minutes of work (people times minutes), when it could be ready alone, when it is due."""

    work: int
    alone: int
    due: int


def least_lateness(promises: Sequence[Promise], done_by: Callable[[int], int], told: Callable[[int], int]) -> int:
    """No schedule is late by less in all, in the measure of ``told``.

    ``done_by`` is the first time at which everybody together can have done so many minutes of work, ``told`` turns a
    time into minutes that count (the open ones); both never fall. Two bounds, the larger of them: each job is ready
    no earlier than alone; and of all jobs the i-th to be ready is so no earlier than the i-th smallest work done in
    full by everybody, nor than the i-th of the times alone, of which the sorted due times are taken away (Chu,
    Naval Research Logistics 39, 1992, for one machine; from memory).

    >>> least_lateness([Promise(60, 60, 60), Promise(60, 60, 60)], lambda work: work, lambda at: at)
    60
    """
    told_due = [told(p.due) for p in promises]
    alone = sum(max(told(p.alone) - due, 0) for p, due in zip(promises, told_due, strict=True))
    together = accumulate(sorted(p.work for p in promises))
    ready = [
        max(told(done_by(work)), told(at))
        for work, at in zip(together, sorted(p.alone for p in promises), strict=True)
    ]
    paired = sum(max(at - due, 0) for at, due in zip(ready, sorted(told_due), strict=True))
    return max(alone, paired)
