"""Jobs as they are kept: read from their document, and found as they were at a version."""

from typing import Any

from sqlalchemy.orm import Session

from shadbo.core.job.edits import read_job
from shadbo.core.job.job import Job
from shadbo.core.job_versions import upgrade
from shadbo.core.shop.values import STORED
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
