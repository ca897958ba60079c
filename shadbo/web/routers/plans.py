"""Plans: live while typing, with remedies when typing rests, and as files."""

import datetime as dt
from typing import Any, get_args

from fastapi import APIRouter, HTTPException, Response
from pydantic import TypeAdapter

from shadbo.core.advise import advise
from shadbo.core.assess import assess
from shadbo.core.build.assembly import ViewName
from shadbo.core.compare import Compared, compare
from shadbo.core.decisions.edit import Edit
from shadbo.core.drawing.board import draw
from shadbo.core.drawing.marks import Fit
from shadbo.core.job.edits import as_typed
from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import System
from shadbo.files import job_file, plan_table
from shadbo.store.jobs import Jobs
from shadbo.web.album import addresses, enclosed
from shadbo.web.bodies import Advice, Ask
from shadbo.web.deps import JobsDep, PhotosDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES
from shadbo.web.views import AdviceView, PlanView, finding_view, plan_view

router = APIRouter(prefix="/api/jobs", tags=["plans"], responses=RESPONSES)
_PLAN = TypeAdapter(PlanView)
_ADVICE = TypeAdapter(AdviceView)
_COMPARED = TypeAdapter(list[Compared])


def _json(adapter: TypeAdapter[Any], value: object) -> Response:
    """Written straight out: these values were made here, so they are not checked again."""
    return Response(adapter.dump_json(value), media_type="application/json")


def _job(jobs: Jobs, job_id: int, edits: list[Edit], system: System) -> tuple[int, Job, Shop]:
    found = jobs.laid_out(job_id, as_typed(edits, system, dt.date.today()))
    jobs.let_go()
    return found


@router.post("/{job_id}/plan", response_model=PlanView)
@opens_to("look")
def live_plan(jobs: JobsDep, job_id: int, body: Ask) -> Response:
    """The plan of a job with edits that are not saved yet, drawn."""
    version, job, shop = _job(jobs, job_id, body.edits, body.system)
    plan = assess(job, shop)
    hold = Fit(body.hold.scale, body.hold.x0, body.hold.y0) if body.hold else None
    return _json(_PLAN, plan_view(plan, version, body, hold, addresses(job_id)))


@router.post("/{job_id}/remedies", response_model=AdviceView)
@opens_to("look")
def remedies(jobs: JobsDep, job_id: int, body: Advice) -> Response:
    """The findings with the remedies that were tried and help."""
    version, job, shop = _job(jobs, job_id, body.edits, body.system)
    plan = advise(job, shop)
    return _json(_ADVICE, AdviceView(version, tuple(finding_view(f) for f in plan.findings)))


@router.post("/{job_id}/compare", response_model=list[Compared])
@opens_to("look")
def compare_displays(jobs: JobsDep, job_id: int, body: Advice) -> Response:
    """Every display that suits the piece, planned and held against the others."""
    _, job, shop = _job(jobs, job_id, body.edits, body.system)
    return _json(_COMPARED, compare(job, shop, body.system, addresses(job_id)))


@router.get("/{job_id}/file", response_class=Response)
@opens_to("look")
def as_file(jobs: JobsDep, job_id: int) -> Response:
    """The job as a file."""
    _, job, _ = jobs.laid_out(job_id)
    return _download(job_file.write(job), "application/json", f"job-{job_id}.json")


@router.get("/{job_id}/figures", response_class=Response)
@opens_to("look")
def as_figures(jobs: JobsDep, job_id: int) -> Response:
    """Every figure of the plan as CSV."""
    _, job, shop = jobs.laid_out(job_id)
    return _download(plan_table.as_csv(assess(job, shop)), "text/csv", f"job-{job_id}.csv")


@router.get("/{job_id}/drawings/{view}", response_class=Response)
@opens_to("look")
def as_drawing(jobs: JobsDep, photos: PhotosDep, job_id: int, view: str, system: System = "mm") -> Response:
    """One view as SVG."""
    if view not in get_args(ViewName):
        raise HTTPException(404, f"There is no view “{view}”")
    _, job, shop = jobs.laid_out(job_id)
    svg = draw(assess(job, shop), view, system, album=enclosed(photos, job_id)).svg  # type: ignore[arg-type]
    return _download(svg, "image/svg+xml", f"job-{job_id}-{view}.svg")


def _download(text: str, kind: str, name: str) -> Response:
    return Response(text, media_type=kind, headers={"Content-Disposition": f'attachment; filename="{name}"'})
