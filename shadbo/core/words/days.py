"""Days as they are said and written: read from what is typed, told in words."""

import datetime as dt
import re

MONTHS = ("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec")
WEEKDAYS = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")
LONG_AGO = 60
"""Days. A day without its year is the next one of its name, unless it passed so lately that it is meant."""


class NotADay(ValueError):
    """The text names no day; the message says what would."""


def day_text(day: dt.date) -> str:
    """A day in words.

    >>> day_text(dt.date(2026, 12, 18))
    '18 Dec 2026'
    """
    return f"{day.day} {MONTHS[day.month - 1].capitalize()} {day.year}"


def parse_day(text: str, today: dt.date, month_first: bool = False) -> dt.date:
    """The day that a text names. Raises NotADay. ``month_first`` reads 12/18 as the inch countries write it.

    >>> today = dt.date(2026, 11, 26)
    >>> [str(parse_day(x, today)) for x in ("18 dec", "18.12.", "fri", "+14", "3 weeks", "2027-01-05")]
    ['2026-12-18', '2026-12-18', '2026-11-27', '2026-12-10', '2026-12-17', '2027-01-05']
    """
    said = " ".join(text.lower().replace(",", " ").split())
    try:
        found = _named(said, today) or _counted(said, today) or _numbered(said, today, month_first)
        found = found or _written(said, today)
    except (ValueError, OverflowError):
        found = None
    if found is None or not dt.date(1900, 1, 1) <= found <= dt.date(2999, 12, 31):
        raise NotADay(
            f"“{text.strip()[:40]}” is no day: 18 Dec, {'12/18' if month_first else '18.12.'}, Friday or +14"
        )
    return found


def _named(said: str, today: dt.date) -> dt.date | None:
    if said in ("today", "tomorrow"):
        return today + dt.timedelta(days=said == "tomorrow")
    if said.isalpha() and len(said) > 2 and said[:3] in WEEKDAYS and _begins(said, dt.date(2024, 1, 1), 7, "%A"):
        ahead = (WEEKDAYS.index(said[:3]) - today.weekday() - 1) % 7 + 1
        return today + dt.timedelta(days=ahead)
    return None


def _begins(said: str, first: dt.date, count: int, form: str) -> bool:
    """Whether a word is the beginning of a weekday's name."""
    return any((first + dt.timedelta(days=n)).strftime(form).lower().startswith(said) for n in range(count))


def _counted(said: str, today: dt.date) -> dt.date | None:
    m = re.fullmatch(r"(?:in )?(\+ ?)?(\d{1,4})( ?(?:d|days?|w|weeks?))?", said)
    if m is None or not (m[1] or m[3]):
        return None
    weeks = (m[3] or "").strip().startswith("w")
    return today + dt.timedelta(days=int(m[2]) * (7 if weeks else 1))


def _numbered(said: str, today: dt.date, month_first: bool) -> dt.date | None:
    m = re.fullmatch(r"(\d{4})-(\d{1,2})-(\d{1,2})", said)
    if m:
        return dt.date(int(m[1]), int(m[2]), int(m[3]))
    m = re.fullmatch(r"(\d{1,2})([./-]) ?(\d{1,2})(?:\.|[./-] ?(\d{2}|\d{4}))?", said)
    if m is None:
        return None
    day, month = int(m[1]), int(m[3])
    if (month_first and m[2] == "/" and day <= 12) or month > 12:
        day, month = month, day
    return _in_year(day, month, m[4], today)


def _written(said: str, today: dt.date) -> dt.date | None:
    m = re.fullmatch(r"(\d{1,2})(?:\.|st|nd|rd|th)? ?([a-z]{3,9})\.?(?: (\d{4}|\d{2}))?", said)
    day, word, year = (m[1], m[2], m[3]) if m else (None, "", None)
    if m is None:
        m = re.fullmatch(r"([a-z]{3,9})\.? ?(\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}|\d{2}))?", said)
        if m is None:
            return None
        day, word, year = m[2], m[1], m[3]
    names = [dt.date(2024, n, 1).strftime("%B").lower() for n in range(1, 13)]
    month = next((n for n, name in enumerate(names, 1) if name.startswith(word) or (word == "sept" and n == 9)), None)
    return None if month is None or day is None else _in_year(int(day), month, year, today)


def _in_year(day: int, month: int, year: str | None, today: dt.date) -> dt.date:
    if year is not None:
        return dt.date(int(year) + (2000 if len(year) == 2 else 0), month, day)
    for ahead in range(9):  # the 29th of February comes every eighth year at the latest
        try:
            found = dt.date(today.year + ahead, month, day)
        except ValueError:
            if day > 29 or month != 2:
                raise
            continue
        if found >= today - dt.timedelta(days=LONG_AGO):
            return found
    raise ValueError("no such day")
