"""The repository of photographs: every method is given the workshop, and reaches nothing outside it."""

import datetime as dt
from dataclasses import dataclass

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from shadbo.files.photo import Photo
from shadbo.store.models import JobRow, PhotoRow
from shadbo.store.records import NoSuchJob

MOST_PHOTOS = 40


class NoSuchPhoto(LookupError):
    """There is no such photograph of that job in this workshop."""


class TooManyPhotos(ValueError):
    """A job keeps no more than so many."""


@dataclass(frozen=True, slots=True)
class KeptPhoto:
    """A photograph without its pixels."""

    id: int
    name: str
    width: int
    height: int
    at: dt.datetime


class Photos:
    """Photographs of the jobs of one workshop."""

    def __init__(self, session: Session, workshop_id: str) -> None:
        self._session = session
        self._workshop_id = workshop_id

    def let_go(self) -> None:
        """Give the connection back."""
        self._session.commit()

    def of(self, job_id: int) -> list[KeptPhoto]:
        """All of a job, in the order in which they were taken in. NoSuchJob when there is none."""
        self._job(job_id)
        query = (
            select(PhotoRow.id, PhotoRow.name, PhotoRow.width, PhotoRow.height, PhotoRow.at)
            .where(PhotoRow.workshop_id == self._workshop_id, PhotoRow.job_id == job_id)
            .order_by(PhotoRow.id)
        )
        return [KeptPhoto(*row) for row in self._session.execute(query)]

    def add(self, job_id: int, photo: Photo, name: str, edit_id: str) -> KeptPhoto:
        """Keep a photograph; the same edit id again adds nothing."""
        self._job(job_id, lock=True)
        mine = (PhotoRow.workshop_id == self._workshop_id, PhotoRow.job_id == job_id)
        again = self._session.scalars(select(PhotoRow).where(*mine, PhotoRow.edit_id == edit_id)).first()
        if again is not None:
            return _kept(again)
        count, last = self._session.execute(select(func.count(), func.max(PhotoRow.id)).where(*mine)).one()
        if count >= MOST_PHOTOS:
            raise TooManyPhotos(f"a job keeps {MOST_PHOTOS} photographs; take one away first")
        row = PhotoRow(
            workshop_id=self._workshop_id,
            job_id=job_id,
            id=(last or 0) + 1,
            name=name,
            edit_id=edit_id,
            width=photo.width,
            height=photo.height,
            full=photo.full,
            small=photo.small,
        )
        self._session.add(row)
        self._session.flush()
        return _kept(row)

    def pixels(self, job_id: int, photo_id: int, small: bool) -> bytes:
        """The JPEG itself. NoSuchPhoto when there is none."""
        column = PhotoRow.small if small else PhotoRow.full
        query = select(column).where(
            PhotoRow.workshop_id == self._workshop_id, PhotoRow.job_id == job_id, PhotoRow.id == photo_id
        )
        found = self._session.scalars(query).first()
        if found is None:
            raise NoSuchPhoto(f"job {job_id} has no photograph {photo_id}")
        return found

    def remove(self, job_id: int, photo_id: int) -> None:
        """Take a photograph away; one that is gone already stays gone."""
        row = self._session.get(PhotoRow, (self._workshop_id, job_id, photo_id))
        if row is not None:
            self._session.delete(row)

    def _job(self, job_id: int, lock: bool = False) -> None:
        query = select(JobRow.id).where(JobRow.workshop_id == self._workshop_id, JobRow.id == job_id)
        if self._session.scalars(query.with_for_update() if lock else query).first() is None:
            raise NoSuchJob(f"there is no job {job_id}")


def _kept(row: PhotoRow) -> KeptPhoto:
    return KeptPhoto(row.id, row.name, row.width, row.height, row.at)
