"""What answers carry: plain dataclasses, written out by Pydantic."""

import datetime as dt
import hashlib
from collections.abc import Sequence
from dataclasses import dataclass

from shadbo.core.asking.questions import Question, Station
from shadbo.core.asking.rows import pin_row
from shadbo.core.assess import assess
from shadbo.core.build.assembly import ViewName
from shadbo.core.decisions.edit import Edit
from shadbo.core.displays.registry import others_of_set
from shadbo.core.drawing.board import VIEW_WORDS, draw, draw_ladder, views_of
from shadbo.core.drawing.marks import Fit
from shadbo.core.drawing.svg import Albums
from shadbo.core.findings import CannotPlan, Finding, StationName
from shadbo.core.guide import Lead, lead
from shadbo.core.history import Change, rows_of, told
from shadbo.core.job.job import Job
from shadbo.core.next_step import next_step
from shadbo.core.plan import Plan, State
from shadbo.core.sheet.quantity import Severity
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.values import Tool
from shadbo.core.stations import stations
from shadbo.core.words.lengths import Both, System
from shadbo.core.words.working import Line, line
from shadbo.store.records import Kept, Revision
from shadbo.web.bodies import Ask


@dataclass(frozen=True, slots=True)
class EffectView:
    """A line of the sheet that a remedy changes."""

    label: str
    before: Both
    after: Both


@dataclass(frozen=True, slots=True)
class RemedyView:
    """A remedy that was tried: what it is, what it changes and costs, and the edits that make it so."""

    label: Both
    changes: Both
    cost: str
    edits: tuple[Edit, ...]
    effects: tuple[EffectView, ...]


@dataclass(frozen=True, slots=True)
class FindingView:
    """A finding; remedies are there once they were asked for."""

    code: str
    place: str
    severity: Severity
    station: StationName
    title: Both
    detail: Both
    keys: tuple[str, ...]
    by_hand: Both | None
    remedies: tuple[RemedyView, ...]


@dataclass(frozen=True, slots=True)
class Board:
    """One view as SVG, and where its millimetres lie. No SVG where the picture with that mark is shown already."""

    view: ViewName
    svg: str | None
    fit: Fit
    mark: str


@dataclass(frozen=True, slots=True)
class Ladder:
    """The depth ladder as SVG, the same way."""

    svg: str | None
    mark: str


@dataclass(frozen=True, slots=True)
class ViewTab:
    """A view that this plan has, and what it is called."""

    view: ViewName
    label: str


@dataclass(frozen=True, slots=True)
class PlanView:
    """All that the job page shows of a plan: every station's answer, the questions of the open one.

    ``next`` says what comes next at the bench, ``station`` whose questions are here.
    """

    version: int
    state: State
    worst: Severity
    next: Both
    station: str
    asks: int
    stations: tuple[Station, ...]
    findings: tuple[FindingView, ...]
    board: Board
    ladder: Ladder
    views: tuple[ViewTab, ...]
    line: Line | None
    pin: Question | None
    lead: Lead | None


@dataclass(frozen=True, slots=True)
class AdviceView:
    """Findings with their remedies."""

    version: int
    findings: tuple[FindingView, ...]


@dataclass(frozen=True, slots=True)
class PieceName:
    """A piece by its id, and what it is called."""

    piece: str
    name: str


@dataclass(frozen=True, slots=True)
class JobView:
    """A job's header; ``others`` are pieces of its set, each of which has a frame, and so a job, of its own."""

    id: int
    version: int
    title: str
    owner: str
    due: dt.date | None
    changed_at: dt.datetime
    can_undo: bool
    can_redo: bool
    shelf: str
    others: tuple[PieceName, ...]


@dataclass(frozen=True, slots=True)
class ToolName:
    """A measuring tool, and what it is called."""

    tool: Tool
    label: str


@dataclass(frozen=True, slots=True)
class ShopView:
    """What the browser needs to know of the workshop; ``gauge`` is where readings are heard, empty where nowhere."""

    name: str
    system: System
    mark: str
    tools: tuple[ToolName, ...]
    gauge: str = ""


def finding_view(f: Finding) -> FindingView:
    """A finding as it is sent."""
    remedies = tuple(
        RemedyView(
            r.proposal.label,
            r.changes,
            r.cost,
            r.proposal.edits,
            tuple(EffectView(e.label, e.before, e.after) for e in r.effects[:12]),
        )
        for r in f.remedies
    )
    return FindingView(f.code, f.place, f.severity, f.station, f.title, f.detail, f.keys, f.by_hand, remedies)


def plan_view(plan: Plan, version: int, asked: Ask, hold: Fit | None, album: Albums | None = None) -> PlanView:
    """Draw the plan and put its stations, findings and the open line together."""
    drawn = draw(plan, asked.view, asked.system, hold, asked.turn, album)
    sheet = plan.desk.sheet
    opened = line(sheet[asked.open], plan.desk.mark) if asked.open in sheet else None
    ladder = draw_ladder(plan, asked.system, drawn.fit if asked.view == "edge" else None)
    return PlanView(
        version,
        plan.state,
        plan.worst,
        next_step(plan),
        asked.station,
        len(plan.asks),
        stations(plan, asked.station),
        tuple(finding_view(f) for f in plan.findings),
        Board(asked.view, *_unseen(drawn.svg, asked), drawn.fit, drawing_mark(drawn.svg)),
        Ladder(*_unseen(ladder, asked), drawing_mark(ladder)),
        tuple(ViewTab(v, VIEW_WORDS[v]) for v in views_of(plan) if v not in _hidden(asked)),
        opened,
        pin_row(plan.desk, asked.open, "Really measured") if opened is not None and opened.can_pin else None,
        lead(plan),
    )


def _hidden(asked: Ask) -> tuple[ViewName, ...]:
    """Views that have no tab: those of the bench, and the tape's where nothing is measured."""
    return ("frame",) if asked.station in ("", "measure") else ("frame", "tape")


def drawing_mark(svg: str) -> str:
    """What tells one drawing from another, so that it is sent once."""
    return hashlib.blake2b(svg.encode(), digest_size=9).hexdigest()


def _unseen(svg: str, asked: Ask) -> tuple[str | None]:
    return (None if drawing_mark(svg) in asked.seen else svg,)


def job_view(kept: Kept) -> JobView:
    """The header of a stored job."""
    j = kept.job
    return JobView(
        kept.id,
        kept.version,
        j.title,
        j.owner.name,
        j.due,
        kept.changed_at,
        kept.can_undo,
        kept.can_redo,
        kept.shelf,
        tuple(PieceName(p.id, p.name or p.noun) for p in others_of_set(j)),
    )


@dataclass(frozen=True, slots=True)
class RevisionView:
    """One revision: what it did, who did it, when, and what it changed; ``more`` counts what is not told."""

    version: int
    kind: str
    who: str
    at: dt.datetime
    changes: tuple[Change, ...]
    more: int


def revision_views(past: Sequence[Revision], job: Job, shop: Shop) -> list[RevisionView]:
    """Revisions in the words of the rows that the job has now."""
    try:
        rows = rows_of(assess(job, shop))
    except CannotPlan:
        rows = {}
    views = []
    for r in past:
        did = told(r.edits, r.inverse, rows)
        views.append(RevisionView(r.version, r.kind, r.who, r.at, did.changes, did.more))
    return views
