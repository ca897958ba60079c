"""What a job that came in now would be ready on: after all that is on the rack, none of which moves."""

import datetime as dt

from shadbo.core.schedule.outline import Outline
from shadbo.core.schedule.schedule import Case, Schedule, again

ASKED = 0
"""The number of a job that is only asked about."""


def with_asked(s: Schedule, title: str, outline: Outline, due: dt.date | None = None) -> Schedule:
    """The same schedule with one more job behind all others: no other job is ready later for it."""
    return again(s, Case(ASKED, title, due, outline))
