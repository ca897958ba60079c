"""The open archive of a job or of a whole workshop: written for any other program, read in again without loss.

A ZIP of plain files. ``shop.json`` and ``people.json``; for each job a folder with ``job.json`` (what it is now),
``revisions.jsonl`` (every change, with who and when), ``photos.json`` and the photographs. Beside them, for readers
and never read in: the record and the cut list as CSV, the drawings as SVG. Last ``manifest.json``: format, version,
what it holds and the SHA-256 of every file that counts. Equal data gives an equal file.
"""

import datetime as dt
import hashlib
import io
import json
import zipfile
from collections.abc import Iterable, Iterator, Mapping, Sequence
from itertools import chain
from typing import IO, Any

from sqlalchemy import select
from sqlalchemy.orm import Session, defer

from shadbo.core.change import planned
from shadbo.core.shop.shop import Shop
from shadbo.files.record_files import readable
from shadbo.store.models import JobRow, PhotoRow, RevisionRow, ShopRevisionRow, WorkshopRow
from shadbo.store.models_people import PersonRow
from shadbo.store.past import job_of
from shadbo.store.records import NoSuchJob, within_range

FORMAT, VERSION = "shadbo-archive", 1
STAMP = (1980, 1, 1, 0, 0, 0)
READ = "read"
"""The folder of a job's files that are only for readers."""
JOB_COLUMNS = ("version", "shelf", "made_by_edit", "changed_at")
REVISION_COLUMNS = ("version", "kind", "of_version", "edit_id", "edits", "inverse", "document", "who", "at")
PHOTO_COLUMNS = ("id", "name", "edit_id", "width", "height", "at", "removed_at")
SHOP_COLUMNS = ("version", "state_of", "before", "kind", "edit_id", "says", "who", "at", "shop")
PERSON_COLUMNS = ("id", "name", "role", "left_at", "made_at")


def _json(data: object) -> bytes:
    return (json.dumps(data, ensure_ascii=False, indent=1, sort_keys=True) + "\n").encode()


def _line(data: object) -> bytes:
    return (json.dumps(data, ensure_ascii=False, sort_keys=True) + "\n").encode()


def _row(row: object, columns: tuple[str, ...]) -> dict[str, Any]:
    out = {name: getattr(row, name) for name in columns}
    return {k: v.astimezone(dt.UTC).isoformat() if isinstance(v, dt.datetime) else v for k, v in out.items()}


class Archives:
    """Writing the archives of one workshop."""

    def __init__(self, session: Session, workshop_id: str) -> None:
        self._session = session
        self._workshop_id = workshop_id

    def of_job(self, job_id: int) -> bytes:
        """One job. NoSuchJob where there is none."""
        within_range(job_id)
        row = self._session.get(JobRow, (self._workshop_id, job_id))
        if row is None:
            raise NoSuchJob(f"there is no job {job_id}")
        out = io.BytesIO()
        _write(out, {"holds": "job", "job": job_id}, self._job(row, self._shop()))
        return out.getvalue()

    def of_all(self, out: IO[bytes]) -> int:
        """The whole workshop, into a file, one job at a time; says how many."""
        workshop = self._session.get_one(WorkshopRow, self._workshop_id)
        about = {"holds": "workshop", "workshop": self._workshop_id, "last_job": workshop.last_job}
        numbers = self._session.scalars(
            select(JobRow.id).where(JobRow.workshop_id == self._workshop_id).order_by(JobRow.id)
        ).all()
        _write(out, about, chain(self._workshop(), self._jobs(numbers)))
        return len(numbers)

    def _jobs(self, numbers: Sequence[int]) -> Iterator[tuple[str, bytes]]:
        shop = self._shop()
        for number in numbers:
            yield from self._job(self._session.get_one(JobRow, (self._workshop_id, number)), shop)
            self._session.expunge_all()

    def _shop(self) -> Shop:
        return Shop.model_validate(self._session.get_one(WorkshopRow, self._workshop_id).shop)

    def _workshop(self) -> Iterator[tuple[str, bytes]]:
        yield "shop.json", _json(self._session.get_one(WorkshopRow, self._workshop_id).shop)
        own = ShopRevisionRow.workshop_id == self._workshop_id
        rows = self._session.scalars(select(ShopRevisionRow).where(own).order_by(ShopRevisionRow.version))
        yield "shop-revisions.jsonl", b"".join(_line(_row(r, SHOP_COLUMNS)) for r in rows)
        here = PersonRow.workshop_id == self._workshop_id
        people = self._session.scalars(select(PersonRow).where(here).order_by(PersonRow.made_at, PersonRow.id))
        yield "people.json", _json([_row(p, PERSON_COLUMNS) for p in people])

    def _job(self, row: JobRow, shop: Shop) -> Iterator[tuple[str, bytes]]:
        home = f"jobs/{row.id:05}"
        plan = planned(job_of(row.document), shop)
        yield f"{home}/job.json", _json(row.document)
        yield f"{home}/kept.json", _json(_row(row, JOB_COLUMNS))
        mine = RevisionRow.workshop_id == self._workshop_id, RevisionRow.job_id == row.id
        past = self._session.scalars(select(RevisionRow).where(*mine).order_by(RevisionRow.version))
        yield f"{home}/revisions.jsonl", b"".join(_line(_row(r, REVISION_COLUMNS)) for r in past)
        yield from self._photos(home, row.id)
        for name, content in readable(plan) if plan is not None else ():
            yield f"{home}/{READ}/{name}", content

    def _photos(self, home: str, job_id: int) -> Iterator[tuple[str, bytes]]:
        own = PhotoRow.workshop_id == self._workshop_id, PhotoRow.job_id == job_id
        told = select(PhotoRow).options(defer(PhotoRow.full), defer(PhotoRow.small))
        photos = self._session.scalars(told.where(*own).order_by(PhotoRow.id)).all()
        yield f"{home}/photos.json", _json([_row(p, PHOTO_COLUMNS) for p in photos])
        for p in photos:
            pixels = select(PhotoRow.full, PhotoRow.small).where(*own, PhotoRow.id == p.id)
            full, small = self._session.execute(pixels).one()
            yield f"{home}/photo-{p.id:03}.jpg", full
            yield f"{home}/photo-{p.id:03}-small.jpg", small


def _write(out: IO[bytes], about: Mapping[str, object], files: Iterable[tuple[str, bytes]]) -> None:
    """A ZIP, its manifest last; what is only for readers is not in the manifest's list."""
    counted = {}
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED, compresslevel=6) as archive:
        for name, data in files:
            if f"/{READ}/" not in name:
                counted[name] = hashlib.sha256(data).hexdigest()
            archive.writestr(zipfile.ZipInfo(name, STAMP), data, zipfile.ZIP_DEFLATED, 6)
        manifest = _json({"format": FORMAT, "version": VERSION, **about, "files": counted})
        archive.writestr(zipfile.ZipInfo("manifest.json", STAMP), manifest, zipfile.ZIP_DEFLATED, 6)
