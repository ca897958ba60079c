"""The repository of what was learned: the jobs that were finished last, and those that are still open."""

from sqlalchemy import select
from sqlalchemy.orm import Session

from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from shadbo.store.models import JobRow
from shadbo.store.past import job_of
from shadbo.store.shops import shop_of

LATEST = 60
"""So many finished jobs are asked: a shop changes, and each takes some milliseconds."""
MOST_OPEN = 40


class Learning:
    """Jobs of one workshop, to be learned from and to be tried on."""

    def __init__(self, session: Session, workshop_id: str) -> None:
        self._session = session
        self._workshop_id = workshop_id

    def shop(self) -> Shop:
        """The workshop."""
        return shop_of(self._session, self._workshop_id)

    def finished(self) -> dict[int, Job]:
        """The jobs that were handed over last, by their number."""
        query = (
            select(JobRow)
            .where(JobRow.workshop_id == self._workshop_id, JobRow.state == "handed over")
            .where(JobRow.shelf.in_(("rack", "archive")))
            .order_by(JobRow.changed_at.desc(), JobRow.id.desc())
            .limit(LATEST)
        )
        return {row.id: job_of(row.document) for row in self._session.scalars(query)}

    def open(self) -> dict[int, Job]:
        """Jobs on the rack that are not handed over, what is due first."""
        query = (
            select(JobRow)
            .where(JobRow.workshop_id == self._workshop_id, JobRow.state != "handed over", JobRow.shelf == "rack")
            .order_by(JobRow.due.asc().nulls_last(), JobRow.id)
            .limit(MOST_OPEN)
        )
        return {row.id: job_of(row.document) for row in self._session.scalars(query)}

    def let_go(self) -> None:
        """Give the connection back."""
        self._session.commit()
