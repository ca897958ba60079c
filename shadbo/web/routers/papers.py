"""Paper and cutting files of a job: which there are, and each of them."""

from dataclasses import dataclass
from typing import Annotated, Literal

from fastapi import APIRouter, HTTPException, Path, Request, Response
from fastapi.concurrency import run_in_threadpool

from shadbo.core.assess import assess
from shadbo.core.decisions.edit import BadEdit
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import System
from shadbo.files.papers import papers_of
from shadbo.web.deps import EnteredDep, JobsDep
from shadbo.web.heavy import Given, made
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
    jobs.let_go()
    return assess(job, shop)


@router.get("")
@opens_to("look")
def papers(jobs: JobsDep, job_id: int, system: System = "mm") -> list[PaperView]:
    """What this plan has use for, as it is saved."""
    return [PaperView(p.name, p.title, p.says, p.paged) for p in papers_of(_plan(jobs, job_id), system)]


@router.get("/{name}", response_class=Response)
@opens_to("look")
async def paper(
    request: Request,
    jobs: JobsDep,
    who: EnteredDep,
    job_id: int,
    name: Annotated[str, Path(max_length=60)],
    page: PageName = "a4",
    system: System = "mm",
) -> Response:
    """One of them."""
    asked = await run_in_threadpool(jobs.asked_of, job_id)
    what = {"name": name.replace("\x00", ""), "page": page, "system": system, "job_id": job_id}
    try:
        found = await made(request, who.workshop_id, Given("paper", job_id, asked | what))
    except BadEdit as bad:
        raise HTTPException(404 if bad.at == "name" else 422, bad.message) from None
    headers = {"Content-Disposition": f'attachment; filename="job-{job_id}-{what["name"]}"'}
    return Response(found.content, media_type=found.media, headers=headers)
