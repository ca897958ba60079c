"""The schedule as an iCalendar file (RFC 5545): days that are promised, when jobs are ready, waits that end, work."""

import datetime as dt
from collections.abc import Iterator

from icalendar import Alarm, Calendar, Event, vText

from shadbo.core.schedule.outline import moment
from shadbo.core.schedule.reasons import reason
from shadbo.core.schedule.schedule import Schedule
from shadbo.core.schedule.views import rings_of
from shadbo.core.schedule.work import blocks, work_of
from shadbo.core.words.signs import storable_in_xml as plain

HALF_HOUR = dt.timedelta(minutes=30)
A_YEAR = dt.timedelta(days=366)


def write(s: Schedule, shop_name: str, hand: str = "") -> bytes:
    """The whole calendar; with the id of a ``hand`` their work too. Times carry the shop's time zone.

    Each entry keeps its UID from one writing to the next, so that a calendar moves it and does not double it.
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Shadbo//schedule//EN")
    calendar.add("version", "2.0")
    for name in ("name", "x-wr-calname"):
        calendar.add(name, vText(plain(shop_name)))
    for event in (*_promised(s), *_ready(s), *_rings(s), *_work(s, hand)):
        event.add("dtstamp", moment(s.now))
        calendar.add_component(event)
    around = moment(s.now).date()
    calendar.add_missing_timezones(first_date=around - A_YEAR, last_date=around + 3 * A_YEAR)
    return bytes(calendar.to_ical())


def _event(uid: str, summary: str, says: str = "") -> Event:
    event = Event()
    event.add("uid", f"{uid}@shadbo")
    event.add("summary", plain(summary))
    if says:
        event.add("description", plain(says))
    return event


def _local(s: Schedule, at: int) -> dt.datetime:
    return moment(at).astimezone(s.house.calendar.clock)


def _promised(s: Schedule) -> Iterator[Event]:
    for n, case in s.cases.items():
        if case.due is not None:
            event = _event(f"due-{n}", f"{n} {case.title}: promised")
            event.add("dtstart", case.due)
            event.add("dtend", case.due + dt.timedelta(days=1))
            event.add("transp", "TRANSPARENT")
            yield event


def _ready(s: Schedule) -> Iterator[Event]:
    for n, case in s.cases.items():
        at = s.ready(n)
        if at is not None:
            event = _event(f"ready-{n}", f"{n} {case.title}: ready", reason(s, n))
            event.add("dtstart", _local(s, at) - HALF_HOUR)
            event.add("dtend", _local(s, at))
            yield event


def _rings(s: Schedule) -> Iterator[Event]:
    """Waits that run now, each with its bell."""
    for ring in rings_of(s):
        if ring.sure:
            event = _event(f"ring-{ring.job}-{ring.step}", f"{ring.job} {ring.title}: {ring.says} is over")
            at = ring.at.astimezone(s.house.calendar.clock)
            event.add("dtstart", at)
            event.add("dtend", at + dt.timedelta(minutes=5))
            bell = Alarm()
            bell.add("action", "DISPLAY")
            bell.add("description", plain(ring.says))
            bell.add("trigger", dt.timedelta())
            event.add_component(bell)
            yield event


def _work(s: Schedule, hand: str) -> Iterator[Event]:
    """What somebody does, in stretches of one job."""
    for block in blocks(work_of(s, hand)) if hand else ():
        first, case = block[0], s.cases[block[0].job]
        says = "\n".join(case.outline.tasks[p.task].says for p in block)
        event = _event(
            f"work-{hand}-{first.job}-{case.outline.tasks[first.task].id}", f"{first.job} {case.title}", says
        )
        event.add("dtstart", _local(s, first.start))
        event.add("dtend", _local(s, max(p.end for p in block)))
        yield event
