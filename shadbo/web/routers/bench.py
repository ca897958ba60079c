"""The bench: a job's work step by step, with the drawing of the step that is shown."""

import datetime as dt
from dataclasses import dataclass

from fastapi import APIRouter, Response
from pydantic import TypeAdapter

from shadbo.core.assess import assess
from shadbo.core.drawing.board import draw_for_bench
from shadbo.core.job.edits import as_typed
from shadbo.core.job.job import Job
from shadbo.core.plan import Plan
from shadbo.core.steps.bench import Bench, bench
from shadbo.core.words.lengths import System
from shadbo.store.jobs import Jobs
from shadbo.web.album import addresses
from shadbo.web.bodies import AskBench
from shadbo.web.deps import JobsDep, PhotosDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES
from shadbo.web.views import drawing_mark

router = APIRouter(prefix="/api/jobs", tags=["bench"], responses=RESPONSES)


@dataclass(frozen=True, slots=True)
class BenchView:
    """The bench of a job. ``drawn`` names the step whose drawing this is; no SVG where it is shown already."""

    version: int
    title: str
    owner: str
    due: dt.date | None
    now: dt.datetime
    bench: Bench
    drawn: str
    drawing: str | None
    mark: str


_VIEW = TypeAdapter(BenchView)


@router.post("/{job_id}/bench", response_model=BenchView)
@opens_to("look")
def at_the_bench(jobs: JobsDep, photos: PhotosDep, job_id: int, body: AskBench) -> Response:
    """Every step of a job with edits that are not saved yet, and the drawing of one."""
    version, job, shop = jobs.laid_out(job_id, as_typed(body.edits, body.system, dt.date.today()))
    before = _before(jobs, job_id, version, body)
    pictures = [p.at for p in photos.of(job_id)]
    jobs.let_go()
    plan, now = assess(job, shop), dt.datetime.now(dt.UTC)
    found = bench(plan, now, assess(before, shop) if before is not None else None, pictures)
    step, svg = _drawn(plan, found, body.step, body.system, job_id)
    mark = drawing_mark(svg)
    view = BenchView(
        version, job.title, job.owner.name, job.due, now, found, step, None if mark == body.seen else svg, mark
    )
    return Response(_VIEW.dump_json(view), media_type="application/json")


def _before(jobs: Jobs, job_id: int, version: int, body: AskBench) -> Job | None:
    """The job as it was when the step came up; None where nothing has changed since."""
    since = body.since if body.since is not None and body.since <= version else version
    if since == version and not body.edits:
        return None
    return jobs.as_of(job_id, since)


def _drawn(plan: Plan, found: Bench, wanted: str, system: System, job_id: int) -> tuple[str, str]:
    """Which step is drawn, and its drawing; one that the plan no longer has gives way to the next."""
    by_id = {s.id: s for s in found.steps}
    step = by_id.get(wanted) or by_id.get(found.next) or found.steps[-1]
    return step.id, draw_for_bench(plan, step.view, system, step.drawn, addresses(job_id))
