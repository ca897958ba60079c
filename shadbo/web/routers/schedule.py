"""Days and weeks: who does what, when each job is ready and why, what rings, and the calendar of it all."""

import datetime as dt
from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, HTTPException, Path, Query, Response
from pydantic import Field

from shadbo.core.assess import assess
from shadbo.core.decisions.edit import BadEdit
from shadbo.core.job.afresh import afresh
from shadbo.core.schedule.drawn import draw_weeks
from shadbo.core.schedule.outline import moment, outline
from shadbo.core.schedule.said import clock_said
from shadbo.core.schedule.schedule import Case, Schedule, again, schedule
from shadbo.core.schedule.views import ReadyView, TodayView, ready_view, ready_views, summary, today_view
from shadbo.core.settings.examples import EXAMPLES, example, size_of
from shadbo.core.shop.shop import Shop
from shadbo.core.words.days import NotADay, parse_day
from shadbo.core.words.lengths import System
from shadbo.core.words.words import Mm, say
from shadbo.files.calendar_file import write
from shadbo.store.entrance import within
from shadbo.store.scheduling import Laid, Scheduling, whose_feed
from shadbo.web.bodies import Body
from shadbo.web.deps import EnteredDep, JobsDep, ScheduleDep, SessionDep
from shadbo.web.opens import opens_to, opens_to_all
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/schedule", tags=["schedule"], responses=RESPONSES)
feeds = APIRouter(prefix="/api/calendar", tags=["schedule"], responses=RESPONSES)
ASKED = 0
"""The number of a job that is only asked about."""
ICALENDAR = "text/calendar; charset=utf-8"


@dataclass(frozen=True, slots=True)
class Example:
    """A piece that can be asked about."""

    id: str
    says: str


@dataclass(frozen=True, slots=True)
class WeeksView:
    """The weeks: their drawing, every job's day, how good the order is; ``behind`` jobs are not known yet,
    and ``later`` ones not planned, since so many are due before them.

    ``feed`` says who made the calendar's secret address, and is empty where it has none.
    """

    planned: str
    summary: str
    drawing: str
    ready: tuple[ReadyView, ...]
    behind: int
    later: int
    examples: tuple[Example, ...]
    feed: str


@dataclass(frozen=True, slots=True)
class DayView:
    """A day, with the time at which it was planned; ``behind`` jobs are not known yet."""

    planned: str
    now: dt.datetime
    today: TodayView
    behind: int
    me: str


class AskAbout(Body):
    """A piece that might come in: an example, or another like a job; and the day it would be promised for."""

    example: Annotated[str, Field(max_length=40)] = ""
    job_id: Annotated[int, Field(ge=1)] | None = None
    due: Annotated[str, Field(max_length=40)] = ""
    system: System = "mm"


@dataclass(frozen=True, slots=True)
class Feed:
    """Where the calendar is read, from this server on. It is shown now, and never again."""

    path: str


def _now() -> dt.datetime:
    return dt.datetime.now(dt.UTC)


def _scheduled(store: Scheduling, now: dt.datetime) -> tuple[Laid, Schedule]:
    laid = store.laid(now)
    store.let_go()
    return laid, schedule(laid.cases, laid.house, now)


@router.get("/weeks")
@opens_to("look")
def weeks(store: ScheduleDep, system: System = "mm") -> WeeksView:
    """The weeks to come."""
    feed = store.feed()
    laid, s = _scheduled(store, _now())
    mark = laid.shop.the_mark()
    asks = tuple(
        Example(id_, say(mark, told, *(Mm(x) for x in size_of(id_))).pick(system))
        for id_, (told, *_) in EXAMPLES.items()
    )
    said = clock_said(moment(s.now), laid.shop.calendar)
    feed_by = (feed[0] or "the owner") if feed else ""
    return WeeksView(said, summary(s), draw_weeks(s), ready_views(s), laid.behind, laid.later, asks, feed_by)


@router.get("/today")
@opens_to("look")
def today(store: ScheduleDep, who: EnteredDep) -> DayView:
    """Today, or the next day on which there is work."""
    laid, s = _scheduled(store, _now())
    said = clock_said(moment(s.now), laid.shop.calendar)
    return DayView(said, moment(s.now), today_view(s), laid.behind, who.person_id)


@router.get("/jobs/{job_id}")
@opens_to("look")
def way(store: ScheduleDep, job_id: int) -> ReadyView:
    """One job's way to its day."""
    _, s = _scheduled(store, _now())
    if job_id not in s.cases:
        raise HTTPException(404, f"job {job_id} is not on the rack, or is handed over")
    return ready_view(s, job_id)


@router.post("/ask")
@opens_to("look")
def ask(store: ScheduleDep, jobs: JobsDep, body: AskAbout) -> ReadyView:
    """When a piece would be ready that came in now; nothing is kept, and no other job moves for it."""
    now, title, job = _now(), "", None
    if body.job_id is not None:
        job = afresh(jobs.get(body.job_id).job)
        title = f"another like {body.job_id}"
    elif body.example not in EXAMPLES:
        raise BadEdit("example", "there is no such example", body.example)
    laid, s = _scheduled(store, now)
    if job is None:
        job = example(body.example)
        told = EXAMPLES[body.example][0]
        title = say(laid.shop.the_mark(), told, *(Mm(x) for x in size_of(body.example))).pick(body.system)
    asked = again(s, Case(ASKED, title, _due(body, laid.shop, s), outline(assess(job, laid.shop), now)))
    return ready_view(asked, ASKED)


def _due(body: AskAbout, shop: Shop, s: Schedule) -> dt.date | None:
    if not body.due.strip():
        return None
    try:
        return parse_day(body.due, s.today, shop.system == "in")
    except NotADay as bad:
        raise BadEdit("due", str(bad), body.due) from None


@router.get("/calendar.ics", response_class=Response)
@opens_to("look")
def calendar_file(store: ScheduleDep, hand: Annotated[str, Query(max_length=40)] = "") -> Response:
    """The schedule as an iCalendar file; with somebody's id their work too."""
    laid, s = _scheduled(store, _now())
    headers = {"Content-Disposition": 'attachment; filename="schedule.ics"'}
    return Response(write(s, laid.shop.name, hand), media_type=ICALENDAR, headers=headers)


@router.post("/feed")
@opens_to("pair")
def new_feed(store: ScheduleDep, who: EnteredDep) -> Feed:
    """A secret address for the calendar; the one before it is void."""
    return Feed(f"/api/calendar/{store.new_feed(who.name)}.ics")


@router.delete("/feed", status_code=204)
@opens_to("pair")
def no_feed(store: ScheduleDep) -> None:
    """The calendar has no address any more."""
    store.no_feed()


@feeds.get("/{secret}.ics", response_class=Response)
@opens_to_all
def feed(
    session: SessionDep,
    secret: Annotated[str, Path(max_length=80)],
    hand: Annotated[str, Query(max_length=40)] = "",
) -> Response:
    """The calendar, for who knows its address."""
    workshop = whose_feed(session, secret)
    if workshop is None:
        raise HTTPException(404, "There is no calendar at this address, or no longer")
    within(session, workshop)
    laid, s = _scheduled(Scheduling(session, workshop), _now())
    return Response(write(s, laid.shop.name, hand), media_type=ICALENDAR)
