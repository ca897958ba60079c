"""Jobs as they are kept: read from their document, and found as they were at a version."""

from typing import Any, cast

from sqlalchemy import select
from sqlalchemy.orm import Session

from shadbo.core.job.edits import read_job
from shadbo.core.job.job import Job
from shadbo.core.job_versions import upgrade
from shadbo.core.shop.values import STORED
from shadbo.store.history import Kind, Past, undoable
from shadbo.store.models import RevisionRow
from shadbo.store.records import NoSuchJob, within_range


def job_of(document: dict[str, Any]) -> Job:
    """A job from its document: of any earlier format, and with what was kept before a bound was set."""
    return read_job(upgrade(document), STORED)


def revision_at(session: Session, workshop_id: str, job_id: int, version: int) -> RevisionRow:
    """The revision that made a version of a job of that workshop. NoSuchJob where there is none."""
    within_range(version)
    then = session.get(RevisionRow, (workshop_id, job_id, version))
    if then is None:
        raise NoSuchJob(f"job {job_id} has no version {version}")
    return then


def steps_of(session: Session, workshop_id: str, job_id: int) -> tuple[int | None, int | None]:
    """Versions of a job that undo would take back and redo bring again."""
    query = select(RevisionRow.version, RevisionRow.kind, RevisionRow.of_version).where(
        RevisionRow.workshop_id == workshop_id, RevisionRow.job_id == job_id
    )
    rows = session.execute(query.order_by(RevisionRow.version))
    return undoable([Past(v, cast(Kind, k), of) for v, k, of in rows])
