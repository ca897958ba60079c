"""The repository of photographs: every method is given the workshop, and reaches nothing outside it."""

import datetime as dt
from dataclasses import dataclass
from typing import Any

from sqlalchemy import ColumnElement, delete, func, select
from sqlalchemy.orm import Session

from shadbo.files.photo import Photo
from shadbo.store.models import JobRow, PhotoRow
from shadbo.store.records import NoSuchJob

MOST_PHOTOS = 40
MOST_ASIDE = 20
"""So many that were taken away can come back."""


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
        return self._listed(job_id, PhotoRow.removed_at.is_(None), PhotoRow.id)

    def aside(self, job_id: int) -> list[KeptPhoto]:
        """Those that were taken away and can come back, the last one first. NoSuchJob when there is none."""
        return self._listed(job_id, PhotoRow.removed_at.is_not(None), PhotoRow.removed_at.desc())

    def _listed(self, job_id: int, which: ColumnElement[bool], order: Any) -> list[KeptPhoto]:  # noqa: ANN401
        self._job(job_id)
        columns = PhotoRow.id, PhotoRow.name, PhotoRow.width, PhotoRow.height, PhotoRow.at
        query = select(*columns).where(*self._mine(job_id), which).order_by(order)
        return [KeptPhoto(*row) for row in self._session.execute(query)]

    def add(self, job_id: int, photo: Photo, name: str, edit_id: str) -> KeptPhoto:
        """Keep a photograph; the same edit id again adds nothing."""
        self._job(job_id, lock=True)
        mine = self._mine(job_id)
        again = self._session.scalars(select(PhotoRow).where(*mine, PhotoRow.edit_id == edit_id)).first()
        if again is not None:
            return _kept(again)
        last = self._session.scalar(select(func.max(PhotoRow.id)).where(*mine))
        self._has_room(job_id)
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
        """The JPEG itself. NoSuchPhoto when there is none, or it lies aside."""
        column = PhotoRow.small if small else PhotoRow.full
        there = PhotoRow.id == photo_id, PhotoRow.removed_at.is_(None)
        query = select(column).where(*self._mine(job_id), *there)
        found = self._session.scalars(query).first()
        if found is None:
            raise NoSuchPhoto(f"job {job_id} has no photograph {photo_id}")
        return found

    def remove(self, job_id: int, photo_id: int) -> None:
        """Take a photograph away: it lies aside, and the oldest there are let go. One that is gone stays gone."""
        row = self._session.get(PhotoRow, (self._workshop_id, job_id, photo_id), with_for_update=True)
        if row is None or row.removed_at is not None:
            return
        row.removed_at = dt.datetime.now(dt.UTC)
        self._session.flush()
        for old in self.aside(job_id)[MOST_ASIDE:]:
            self._session.execute(delete(PhotoRow).where(*self._mine(job_id), PhotoRow.id == old.id))

    def bring_back(self, job_id: int, photo_id: int) -> None:
        """What was taken away stands where it stood. NoSuchPhoto where it is gone, TooManyPhotos without room."""
        self._job(job_id, lock=True)
        row = self._session.get(PhotoRow, (self._workshop_id, job_id, photo_id), with_for_update=True)
        if row is None:
            raise NoSuchPhoto(f"job {job_id} has no photograph {photo_id}")
        if row.removed_at is not None:
            self._has_room(job_id)
            row.removed_at = None
            self._session.flush()

    def _mine(self, job_id: int) -> tuple[ColumnElement[bool], ColumnElement[bool]]:
        return PhotoRow.workshop_id == self._workshop_id, PhotoRow.job_id == job_id

    def _has_room(self, job_id: int) -> None:
        query = select(func.count()).where(*self._mine(job_id), PhotoRow.removed_at.is_(None))
        if (self._session.scalar(query) or 0) >= MOST_PHOTOS:
            raise TooManyPhotos(f"a job keeps {MOST_PHOTOS} photographs; take one away first")

    def _job(self, job_id: int, lock: bool = False) -> None:
        query = select(JobRow.id).where(JobRow.workshop_id == self._workshop_id, JobRow.id == job_id)
        if self._session.scalars(query.with_for_update() if lock else query).first() is None:
            raise NoSuchJob(f"there is no job {job_id}")


def _kept(row: PhotoRow) -> KeptPhoto:
    return KeptPhoto(row.id, row.name, row.width, row.height, row.at)
