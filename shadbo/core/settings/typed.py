"""What is typed about a workshop and its people, as values; refused at its field."""

import datetime as dt
from collections.abc import Callable
from typing import TypeVar

from shadbo.core.decisions.edit import BadEdit
from shadbo.core.shop.calendar import Calendar, NotHours, hours_text, parse_hours, parse_shut, shut_text, zones
from shadbo.core.shop.crew import MOST_RATE, Worker
from shadbo.core.shop.shop import Shop
from shadbo.core.words.amounts import NotAnAmount, parse_number
from shadbo.core.words.days import NotADay
from shadbo.core.words.stages import STAGE_WORDS, STAGES, Stage

T = TypeVar("T")


def _read(at: str, typed: str | None, was: T, read: Callable[[str], T]) -> T:
    """What is typed in one field, or what stood there where nothing is sent. Raises BadEdit."""
    if typed is None:
        return was
    try:
        return read(typed)
    except (NotHours, NotADay, NotAnAmount) as bad:
        raise BadEdit(at, str(bad), typed) from None


def calendar(shop: Shop, hours: str | None, closed: str | None, zone: str | None, today: dt.date) -> Calendar:
    """Hours, closed days and time zone as they are typed; None stays as it was. Raises BadEdit."""
    was = shop.calendar
    opened = _read("hours", hours, was.hours, parse_hours)
    if not opened:
        raise BadEdit("hours", "it must be open on some day: Mon-Fri 8:30-17:30, Sat 9-13", hours or "")
    shut = _read("closed", closed, was.shut, lambda typed: parse_shut(typed, today, shop.system == "in"))
    named = was.zone if zone is None else zone.strip()
    if named not in zones():
        raise BadEdit("zone", "no time zone of this name: Europe/Copenhagen", named)
    return Calendar(hours=opened, shut=shut, zone=named)


def calendar_said(was: Calendar, now: Calendar) -> list[str]:
    """What another calendar changes, in words."""
    told = (
        ("Open", hours_text(was.hours), hours_text(now.hours)),
        ("Closed", shut_text(was.shut), shut_text(now.shut)),
        ("Clock", was.zone, now.zone),
    )
    return [f"{word}: {after or 'none'}" for word, before, after in told if before != after]


def worker(
    shop: Shop,
    was: Worker,
    hours: str | None,
    away: str | None,
    rate: str | None,
    leaves: tuple[Stage, ...] | None,
    today: dt.date,
) -> Worker:
    """Somebody's hours, days away and rate as they are typed; None stays as it was. Raises BadEdit."""
    own = _read("hours", hours, was.hours, lambda typed: parse_hours(typed) or None)
    gone = _read("away", away, was.away, lambda typed: parse_shut(typed, today, shop.system == "in"))
    paid = _read("rate", rate, was.rate, lambda typed: parse_number(typed) if typed.strip() else None)
    if paid is not None and not 0 <= paid <= MOST_RATE:
        raise BadEdit("rate", f"between 0 and {MOST_RATE} makes sense here", rate or "")
    left = was.leaves if leaves is None else tuple(dict.fromkeys(leaves))
    return Worker(hours=own, away=gone, rate=paid, leaves=left)


def worker_said(shop: Shop, worker: Worker) -> str:
    """When somebody works and what their hour costs, in words."""
    parts = [hours_text(worker.hours) if worker.hours is not None else "works whenever it is open"]
    parts += [f"away {shut_text(worker.away)}"] if worker.away else []
    parts += [f"{shop.currency} {worker.rate:g} an hour"] if worker.rate is not None else []
    left = [STAGE_WORDS[s] for s in STAGES if s in worker.leaves]
    parts += [f"leaves to others: {', '.join(left)}"] if left else []
    return ", ".join(parts)
