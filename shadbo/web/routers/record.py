"""The record of a job, and its archive."""

from dataclasses import dataclass

from fastapi import APIRouter, Response

from shadbo.core.assess import assess
from shadbo.core.record.record import Record, record
from shadbo.core.roles import may
from shadbo.web.deps import ArchivesDep, EnteredDep, JobsDep, PeopleDep, PhotosDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/jobs", tags=["record"], responses=RESPONSES)


@dataclass(frozen=True, slots=True)
class RecordView:
    """A job's record, with its number, the shop's name, and the photographs it has."""

    number: int
    shop: str
    record: Record
    photos: tuple[int, ...]


@router.get("/{job_id}/record")
@opens_to("look")
def read_record(jobs: JobsDep, people: PeopleDep, photos: PhotosDep, who: EnteredDep, job_id: int) -> RecordView:
    """As planned against as built, and all that was done, by whom, in how long; its cost for those who set rates."""
    _, job, shop = jobs.laid_out(job_id)
    known = people.all() if may(who.role, "practice") else []
    rates = {p.name: w.rate for p in known if (w := shop.crew.get(p.id)) is not None and w.rate is not None}
    kept = tuple(p.id for p in photos.of(job_id))
    jobs.let_go()
    return RecordView(job_id, shop.name, record(assess(job, shop), rates), kept)


@router.get("/{job_id}/archive.zip", response_class=Response)
@opens_to("look")
def archive(archives: ArchivesDep, job_id: int) -> Response:
    """Everything of a job as one open archive: JSON, CSV, drawings, photographs, every revision."""
    headers = {"Content-Disposition": f'attachment; filename="job-{job_id}.zip"'}
    return Response(archives.of_job(job_id), media_type="application/zip", headers=headers)
