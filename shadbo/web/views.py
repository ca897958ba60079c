"""What answers carry: plain dataclasses, written out by Pydantic."""

import datetime as dt
from dataclasses import dataclass

from shadbo.core.asking.questions import Question, Station
from shadbo.core.asking.rows import pin_row
from shadbo.core.build.assembly import ViewName
from shadbo.core.decisions.edit import Edit
from shadbo.core.drawing.board import draw, draw_ladder, views_of
from shadbo.core.drawing.marks import Fit
from shadbo.core.findings import Finding
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.core.words.lengths import Both, System
from shadbo.core.words.working import Line, line
from shadbo.store.records import Kept


@dataclass(frozen=True, slots=True)
class EffectView:
    """A line of the sheet that a remedy changes."""

    label: str
    before: Both
    after: Both


@dataclass(frozen=True, slots=True)
class RemedyView:
    """A remedy that was tried: what it is, what it costs, and the edits that make it so."""

    label: Both
    says: Both
    edits: tuple[Edit, ...]
    effects: tuple[EffectView, ...]


@dataclass(frozen=True, slots=True)
class FindingView:
    """A finding; remedies are there once they were asked for."""

    code: str
    place: str
    severity: str
    station: str
    title: Both
    detail: Both
    keys: tuple[str, ...]
    by_hand: Both | None
    remedies: tuple[RemedyView, ...]


@dataclass(frozen=True, slots=True)
class Board:
    """One view as SVG, and where its millimetres lie."""

    view: ViewName
    svg: str
    fit: Fit


@dataclass(frozen=True, slots=True)
class PlanView:
    """All that the job page shows of a plan."""

    version: int
    state: str
    worst: str
    asks: int
    stations: tuple[Station, ...]
    findings: tuple[FindingView, ...]
    board: Board
    ladder: str
    views: tuple[ViewName, ...]
    line: Line | None
    pin: Question | None


@dataclass(frozen=True, slots=True)
class AdviceView:
    """Findings with their remedies."""

    version: int
    findings: tuple[FindingView, ...]


@dataclass(frozen=True, slots=True)
class JobView:
    """A job's header."""

    id: int
    version: int
    title: str
    owner: str
    due: dt.date | None
    changed_at: dt.datetime
    can_undo: bool
    can_redo: bool


@dataclass(frozen=True, slots=True)
class ShopView:
    """What the browser needs to know of the workshop."""

    name: str
    system: System
    mark: str


def finding_view(f: Finding) -> FindingView:
    """A finding as it is sent."""
    remedies = tuple(
        RemedyView(
            r.proposal.label,
            r.says,
            r.proposal.edits,
            tuple(EffectView(e.label, e.before, e.after) for e in r.effects[:12]),
        )
        for r in f.remedies
    )
    return FindingView(f.code, f.place, f.severity, f.station, f.title, f.detail, f.keys, f.by_hand, remedies)


def plan_view(plan: Plan, version: int, view: ViewName, system: System, hold: Fit | None, open_key: str) -> PlanView:
    """Draw the plan and put its stations, findings and the open line together."""
    drawn = draw(plan, view, system, hold)
    sheet = plan.desk.sheet
    opened = line(sheet[open_key], plan.desk.mark) if open_key in sheet else None
    ladder = draw_ladder(plan, system, drawn.fit if view == "edge" else None)
    return PlanView(
        version,
        plan.state,
        plan.worst,
        len(plan.asks),
        stations(plan),
        tuple(finding_view(f) for f in plan.findings),
        Board(view, drawn.svg, drawn.fit),
        ladder,
        views_of(plan),
        opened,
        pin_row(plan.desk, open_key, "Really measured") if opened is not None and opened.can_pin else None,
    )


def job_view(kept: Kept) -> JobView:
    """The header of a stored job."""
    j = kept.job
    return JobView(kept.id, kept.version, j.title, j.owner.name, j.due, kept.changed_at, kept.can_undo, kept.can_redo)
