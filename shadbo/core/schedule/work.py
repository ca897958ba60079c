"""Whose work is what: somebody's tasks in time, and those of one job that follow one another as one stretch."""

from collections.abc import Iterator, Sequence

from shadbo.core.schedule.dispatch import Placed
from shadbo.core.schedule.schedule import Schedule

GAP_MIN = 12
"""Two tasks of one job closer than this are one stretch."""


def work_of(s: Schedule, hand: str) -> list[Placed]:
    """All tasks that somebody does, in the order of their beginning."""
    mine = (p for placed in s.rota.placed.values() for p in placed if hand in p.hands)
    return sorted(mine, key=lambda p: (p.start, p.job, p.task))


def blocks(tasks: Sequence[Placed]) -> Iterator[list[Placed]]:
    """Tasks of one job that follow one another."""
    block: list[Placed] = []
    for p in tasks:
        if block and (p.job != block[-1].job or p.start - block[-1].end > GAP_MIN):
            yield block
            block = []
        block.append(p)
    if block:
        yield block
