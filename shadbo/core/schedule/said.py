"""Times and lengths of time in words, by the shop's clock."""

import datetime as dt

from shadbo.core.shop.calendar import WEEK, Calendar
from shadbo.core.words.days import MONTHS


def lasts(minutes: float) -> str:
    """A length of work.

    >>> lasts(40), lasts(130), lasts(60)
    ('40 min', '2 h 10', '1 h')
    """
    hours, rest = divmod(round(minutes), 60)
    return f"{rest} min" if not hours else f"{hours} h {rest:02d}" if rest else f"{hours} h"


def day_said(day: dt.date, today: dt.date) -> str:
    """A day as it is said in a shop: near ones by their weekday alone.

    >>> day_said(dt.date(2026, 12, 4), dt.date(2026, 11, 26))
    'Fri 4 Dec'
    """
    if day == today:
        return "today"
    return f"{WEEK[day.weekday()]} {day.day} {MONTHS[day.month - 1].capitalize()}"


def clock_said(at: dt.datetime, calendar: Calendar) -> str:
    """The time on the shop's wall."""
    return at.astimezone(calendar.clock).strftime("%H:%M")


def time_said(at: dt.datetime, today: dt.date, calendar: Calendar) -> str:
    """A day and its hour."""
    return f"{day_said(at.astimezone(calendar.clock).date(), today)}, {clock_said(at, calendar)}"
