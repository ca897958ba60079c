"""Paper and cutting files of a job: which there are, and each of them."""

from dataclasses import dataclass
from typing import Literal

from fastapi import APIRouter, HTTPException, Response
from fastapi.concurrency import run_in_threadpool

from shadbo.core.assess import assess
from shadbo.core.drawing.tiles import PAGES
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import System
from shadbo.files.papers import papers_of
from shadbo.web.deps import JobsDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/jobs/{job_id}/papers", tags=["papers"], responses=RESPONSES)
PageName = Literal["a4", "letter"]


@dataclass(frozen=True, slots=True)
class PaperView:
    """A file that can be had: its name in the address, what it is, whether it comes on A4 or Letter."""

    name: str
    title: str
    says: str
    paged: bool


def _plan(jobs: JobsDep, job_id: int) -> Plan:
    _, job, shop = jobs.laid_out(job_id)
    return assess(job, shop)


@router.get("")
@opens_to("look")
def papers(jobs: JobsDep, job_id: int, system: System = "mm") -> list[PaperView]:
    """What this plan has use for, as it is saved."""
    return [PaperView(p.name, p.title, p.says, p.paged) for p in papers_of(_plan(jobs, job_id), system)]


@router.get("/{name}", response_class=Response)
@opens_to("look")
async def paper(jobs: JobsDep, job_id: int, name: str, page: PageName = "a4", system: System = "mm") -> Response:
    """One of them."""
    plan = await run_in_threadpool(_plan, jobs, job_id)
    found = next((p for p in papers_of(plan, system) if p.name == name), None)
    if found is None:
        raise HTTPException(404, f"This plan has no use for “{name[:60]}”")
    content = await run_in_threadpool(found.make, plan, PAGES[page], system, job_id)
    headers = {"Content-Disposition": f'attachment; filename="job-{job_id}-{found.name}"'}
    return Response(content, media_type=found.kind, headers=headers)
