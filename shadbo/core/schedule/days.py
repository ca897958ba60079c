"""Where days and hours stand across the paper of the weeks."""

import datetime as dt

from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.marks import Paper
from shadbo.core.schedule.hours import Hand, stretches
from shadbo.core.schedule.schedule import Schedule
from shadbo.core.schedule.views import LOOK_AHEAD
from shadbo.core.schedule.work import work_of

PAPER = Paper("weeks", 940, 560, (0, 0, 0, 0))
LEFT, COLUMNS = 92.0, 10
IDLE, LEAD_MIN, FLAG, BESIDE = 48.0, 30, 37.0, 3.0
"""Px: a day with nothing to do; a flag, and from it to the end of its day. Minutes that are shown before now."""


@dataclass(frozen=True, slots=True)
class Column:
    """One day on which somebody works: its place across, and the minutes that its width stands for."""

    day: dt.date
    x: float
    width: float
    start: int
    end: int


class Days:
    """Where a time stands across the paper. A day with much work is wider than one on which little is to be done."""

    def __init__(self, s: Schedule) -> None:
        found: list[tuple[dt.date, int, int]] = []
        hands = s.house.hands or (Hand("", ""),)
        for n in range(LOOK_AHEAD):
            day = s.today + dt.timedelta(days=n)
            parts = [x for h in hands for x in stretches(s.house.calendar, day, 1, h.worker) if x[1] > s.now]
            if parts and len(found) < COLUMNS:
                found.append((day, max(min(a for a, _ in parts), s.now - LEAD_MIN), max(b for _, b in parts)))
        busy = [_busiest(s, a, b) for _, a, b in found]
        spare = PAPER.width - LEFT - 6 - IDLE * len(found)
        self.columns, x = [], LEFT
        for (day, a, b), work in zip(found, busy, strict=True):
            share = work / sum(busy) if any(busy) else 1 / len(found)
            width = IDLE + spare * share
            self.columns.append(Column(day, x, width, a, b))
            x += width

    def x(self, at: int) -> float:
        """A time's place; within the night it is at the edge of the day, beyond the last day at the paper's edge."""
        for column in self.columns:
            if at <= column.start:
                return column.x
            if at < column.end:
                return column.x + 3 + (column.width - 6) * (at - column.start) / (column.end - column.start)
        return PAPER.width - 4

    def of(self, day: dt.date) -> float | None:
        """Where the end of a day stands; what is past stands at the beginning. None beyond the last."""
        if not self.columns or day > self.columns[-1].day:
            return None
        before = [c for c in self.columns if c.day <= day]
        return before[-1].x + before[-1].width if before else self.columns[0].x + FLAG + 2 * BESIDE


def _busiest(s: Schedule, start: int, end: int) -> int:
    """Minutes that the hand with most to do on a day is at work."""
    most = 0
    for hand in s.house.hands:
        most = max(most, sum(p.end - p.start for p in work_of(s, hand.id) if start <= p.start < end))
    return most
