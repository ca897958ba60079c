"""Jobs: list, make, read, save, undo, go back."""

import datetime as dt
from typing import Annotated

from fastapi import APIRouter, Body, Query, status

from shadbo.core.job.edits import apply, as_typed
from shadbo.core.job.job import Job
from shadbo.files import job_file
from shadbo.store.finding import Found, Shelf, Sort, Wanted
from shadbo.store.records import Kept
from shadbo.web.bodies import Copy, EditId, NewJob, OnShelf, Save, Step
from shadbo.web.deps import JobsDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES
from shadbo.web.views import JobView, RevisionView, job_view, revision_views

router = APIRouter(prefix="/api/jobs", tags=["jobs"], responses=RESPONSES)
files = APIRouter(prefix="/api/files", tags=["jobs"], responses=RESPONSES)


@router.get("")
@opens_to("look")
def list_jobs(
    jobs: JobsDep,
    words: Annotated[str, Query(max_length=100)] = "",
    state: Annotated[str, Query(max_length=20)] = "",
    undated: bool = False,
    shelf: Shelf = "rack",
    sort: Sort = "due",
    page: Annotated[int, Query(ge=1, le=100_000)] = 1,
) -> Found:
    """Find jobs by all that is written of them, whatever their accents; by state, shelf, or without a day."""
    return jobs.rack(Wanted(words.replace("\x00", ""), state.replace("\x00", ""), undated, shelf, sort, page))


@router.post("", status_code=status.HTTP_201_CREATED)
@opens_to("plan")
def make_job(jobs: JobsDep, body: NewJob) -> JobView:
    """Make a job. The same edit id again answers with the same job."""
    job, _ = apply(Job(), as_typed(body.edits, body.system, dt.date.today()))
    return job_view(jobs.make(job, body.edit_id))


@files.post("", status_code=status.HTTP_201_CREATED)
@opens_to("plan")
def take_in_file(
    jobs: JobsDep,
    edit_id: Annotated[EditId, Query()],
    text: Annotated[str, Body(media_type="text/plain", max_length=2_000_000)],
) -> JobView:
    """Make a job from a job file."""
    return job_view(jobs.make(job_file.read(text), edit_id))


@router.post("/{job_id}/copy", status_code=status.HTTP_201_CREATED)
@opens_to("plan")
def copy_job(jobs: JobsDep, job_id: int, body: Copy) -> JobView:
    """A new job like this one, with nothing cut yet. The same edit id again answers with the same job."""
    return job_view(jobs.copy(job_id, body.edit_id, body.first))


@router.post("/{job_id}/shelf")
@opens_to("plan")
def shelve_job(jobs: JobsDep, job_id: int, body: OnShelf) -> JobView:
    """Put a job on another shelf: the rack, the patterns, the archive, the bin; each is a way back."""
    return job_view(jobs.shelve(job_id, body.shelf))


@router.get("/{job_id}")
@opens_to("look")
def read_job(jobs: JobsDep, job_id: int) -> JobView:
    """A job's header."""
    return job_view(jobs.get(job_id))


@router.post("/{job_id}/edits")
@opens_to("work")
def save_edits(jobs: JobsDep, job_id: int, body: Save) -> JobView:
    """Save edits made on a version. A stale version is answered with 412 and the edits since.

    The same edit id again changes nothing and is answered with the version that it made.
    """
    edits = as_typed(body.edits, body.system, dt.date.today())
    return job_view(jobs.save(job_id, body.version, edits, body.edit_id))


@router.post("/{job_id}/undo", responses={409: RESPONSES[412]})
@opens_to("work")
def undo(jobs: JobsDep, job_id: int, body: Step) -> JobView:
    """Take back the last change."""
    return job_view(jobs.undo(job_id, body.edit_id, version=body.version))


@router.post("/{job_id}/redo", responses={409: RESPONSES[412]})
@opens_to("work")
def redo(jobs: JobsDep, job_id: int, body: Step) -> JobView:
    """Bring the last undone change back."""
    return job_view(jobs.redo(job_id, body.edit_id, version=body.version))


@router.get("/{job_id}/revisions")
@opens_to("look")
def revisions(jobs: JobsDep, job_id: int) -> list[RevisionView]:
    """Every revision, the newest first, with what it changed from what to what."""
    past = jobs.revisions(job_id)
    _, job, shop = jobs.laid_out(job_id)
    jobs.let_go()
    return revision_views(past, job, shop)


@router.post("/{job_id}/revisions/{version}", responses={409: RESPONSES[412]})
@opens_to("plan")
def go_back(jobs: JobsDep, job_id: int, version: int, body: Step) -> JobView:
    """Make an earlier revision the newest."""
    kept: Kept = jobs.go_back(job_id, version, body.edit_id, version=body.version)
    return job_view(kept)
