"""Whose work is what: somebody's stretches of work, and those of one job that follow one another together."""

from collections.abc import Iterator, Sequence

from shadbo.core.dataclass import dataclass
from shadbo.core.schedule.schedule import Schedule

GAP_MIN = 12
"""Two stretches of one job closer than this are one."""


@dataclass(frozen=True, slots=True)
class Spell:
    """Somebody is at a task of a job from one time to another; ``first``: the task begins with it."""

    start: int
    end: int
    job: int
    task: int
    first: bool


def work_of(s: Schedule, hand: str) -> list[Spell]:
    """All that somebody does, in the order of its beginning."""
    return s.once("work", hand, lambda: _work_of(s, hand))


def _work_of(s: Schedule, hand: str) -> list[Spell]:
    mine = (
        Spell(part.start, part.end, p.job, p.task, part is p.parts[0])
        for placed in s.rota.placed.values()
        for p in placed
        for part in p.parts
        if hand in part.hands
    )
    return sorted(mine, key=lambda x: (x.start, x.job, x.task))


def blocks(work: Sequence[Spell]) -> Iterator[list[Spell]]:
    """Spells of one job that follow one another."""
    block: list[Spell] = []
    for spell in work:
        if block and (spell.job != block[-1].job or spell.start - block[-1].end > GAP_MIN):
            yield block
            block = []
        block.append(spell)
    if block:
        yield block
