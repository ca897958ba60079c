"""When the workshop is open, and the days on which it is not."""

import datetime as dt
import re
from functools import cache
from typing import Annotated
from zoneinfo import ZoneInfo, available_timezones

from pydantic import AfterValidator, Field, model_validator

from shadbo.core.shop.values import Value
from shadbo.core.words.days import NotADay, day_text, parse_day

WEEK = ("Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun")
WEEKEND = 5
MOST_SHUT = 60


class NotHours(ValueError):
    """The text names no opening hours; the message says what would."""


@cache
def zones() -> tuple[str, ...]:
    """Names of the time zones there are (IANA), those that name a place first."""
    known = available_timezones()
    aside = ("Etc/", "SystemV/", "posix", "right")
    return (*sorted(z for z in known if "/" in z and not z.startswith(aside)), "UTC")


def known_zone(name: str) -> str:
    """The zone's name; ValueError where there is none of it."""
    if name not in zones():
        raise ValueError(f"“{name[:40]}” is no time zone: Europe/Copenhagen")
    return name


class Open(Value):
    """Open on one day of the week (0 is Monday), from and to in minutes after midnight."""

    day: Annotated[int, Field(ge=0, le=6)]
    start: Annotated[int, Field(ge=0, lt=1440)]
    end: Annotated[int, Field(gt=0, le=1440)]

    @model_validator(mode="after")
    def _ends_later(self) -> "Open":
        if self.end <= self.start:
            raise ValueError("it closes before it opens")
        return self


class Shut(Value):
    """Closed from the first to the last of these days."""

    first: dt.date
    last: dt.date


class Calendar(Value):
    """Opening hours by day of the week, days on which it is closed all the same, and whose clock it goes by."""

    zone: Annotated[str, AfterValidator(known_zone)] = "UTC"

    hours: Annotated[tuple[Open, ...], Field(max_length=28)] = (
        *(Open(day=d, start=540, end=1050) for d in range(5)),
        Open(day=5, start=540, end=780),
    )
    shut: Annotated[tuple[Shut, ...], Field(max_length=MOST_SHUT)] = ()

    @property
    def clock(self) -> ZoneInfo:
        """The time zone that the hours are told in."""
        return ZoneInfo(self.zone)

    def closed(self, day: dt.date) -> bool:
        """Whether it is closed on a day that it would be open by its week."""
        return any(s.first <= day <= s.last for s in self.shut)

    def after_working_days(self, start: dt.datetime, days: float) -> dt.datetime:
        """The same hour of the clock so many working days later: Mondays to Fridays on which it is not closed.

        >>> friday = dt.datetime(2026, 11, 27, 15, tzinfo=dt.UTC)
        >>> Calendar().after_working_days(friday, 1).strftime("%a %d %b %H")
        'Mon 30 Nov 15'
        """
        at, left = start.astimezone(self.clock), round(days)
        for _ in range(20 * 366):
            if left <= 0:
                return at.astimezone(dt.UTC)
            at += dt.timedelta(days=1)
            if at.weekday() < WEEKEND and not self.closed(at.date()):
                left -= 1
        return at.astimezone(dt.UTC)


def parse_hours(text: str) -> tuple[Open, ...]:
    """Opening hours as they are said. Raises NotHours.

    >>> [(x.day, x.start, x.end) for x in parse_hours("Tue-Wed 8:30-12, 13-17; Sat 9-13")][:3]
    [(1, 510, 720), (1, 780, 1020), (2, 510, 720)]
    """
    found: list[Open] = []
    days: list[int] = []
    for part in re.split(r"[,;]", text.replace("–", "-").replace("—", "-")):
        said = " ".join(part.split())
        if not said:
            continue
        m = re.fullmatch(
            r"(?:([A-Za-z]{3,9})(?: ?- ?([A-Za-z]{3,9}))? )?(\d{1,2})(?:[:.](\d\d))? ?- ?(\d{1,2})(?:[:.](\d\d))?",
            said,
        )
        if m is None or not (m[1] or days):
            raise NotHours(f"“{said[:40]}” is not understood: Mon-Fri 8:30-17:30, Sat 9-13")
        if m[1]:
            first, last = _day(m[1], said), _day(m[2] or m[1], said)
            days = [(first + n) % 7 for n in range((last - first) % 7 + 1)]
        start, end = int(m[3]) * 60 + int(m[4] or 0), int(m[5]) * 60 + int(m[6] or 0)
        if not 0 <= start < end <= 1440:
            raise NotHours(f"“{said[:40]}” closes before it opens")
        found += [Open(day=d, start=start, end=end) for d in days]
    return tuple(sorted(found, key=lambda x: (x.day, x.start)))


def _day(word: str, said: str) -> int:
    for n, name in enumerate(WEEK):
        if word[:3].capitalize() == name:
            return n
    raise NotHours(f"“{said[:40]}” begins with no day of the week")


def hours_text(hours: tuple[Open, ...]) -> str:
    """Opening hours in words, equal days together.

    >>> hours_text(Calendar().hours)
    'Mon-Fri 9:00-17:30, Sat 9:00-13:00'
    """
    by_day = {d: tuple((x.start, x.end) for x in hours if x.day == d) for d in range(7)}
    parts, n = [], 0
    while n < 7:
        last = n
        while last < 6 and by_day[last + 1] == by_day[n]:
            last += 1
        if by_day[n]:
            days = WEEK[n] if last == n else f"{WEEK[n]}-{WEEK[last]}"
            parts.append(f"{days} " + ", ".join(f"{_clock(a)}-{_clock(b)}" for a, b in by_day[n]))
        n = last + 1
    return ", ".join(parts)


def _clock(minutes: int) -> str:
    return f"{minutes // 60}:{minutes % 60:02d}"


def parse_shut(text: str, today: dt.date, month_first: bool = False) -> tuple[Shut, ...]:
    """Closed days as they are said: one day, or from one to another. Raises NotADay.

    >>> [(str(x.first), str(x.last)) for x in parse_shut("24 Dec to 2 Jan, 6 Jan", dt.date(2026, 11, 26))]
    [('2026-12-24', '2027-01-02'), ('2027-01-06', '2027-01-06')]
    """
    out = []
    for part in (p.strip() for p in re.split(r"[,;]", text)):
        if not part:
            continue
        ends = re.split(r"\s+(?:to|until|-|–)\s+", part)
        if len(ends) > 2:
            raise NotADay(f"“{part[:40]}” is not understood: 24 Dec to 2 Jan, 6 Jan")
        first = parse_day(ends[0], today, month_first)
        last = parse_day(ends[-1], first, month_first)
        if last < first:
            raise NotADay(f"“{part[:40]}” ends before it begins")
        out.append(Shut(first=first, last=last))
    if len(out) > MOST_SHUT:
        raise NotADay(f"at most {MOST_SHUT} of them are kept")
    return tuple(out)


def shut_text(shut: tuple[Shut, ...]) -> str:
    """Closed days in words."""
    return ", ".join(
        day_text(s.first) if s.first == s.last else f"{day_text(s.first)} to {day_text(s.last)}" for s in shut
    )
