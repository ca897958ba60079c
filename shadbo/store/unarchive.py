"""Reading an open archive in: checked whole before any of it counts, then all of it in one transaction."""

import datetime as dt
import hashlib
import json
import zipfile
from collections.abc import Mapping
from dataclasses import dataclass
from typing import IO, Any

from sqlalchemy import func, select
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from shadbo.core.change import planned
from shadbo.core.job.edits import read_job
from shadbo.core.job_versions import upgrade
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.values import STORED
from shadbo.store.archive import (
    FORMAT,
    JOB_COLUMNS,
    PERSON_COLUMNS,
    PHOTO_COLUMNS,
    READ,
    REVISION_COLUMNS,
    SHOP_COLUMNS,
    VERSION,
)
from shadbo.store.models import JobRow, PhotoRow, RevisionRow, ShopRevisionRow, WorkshopRow
from shadbo.store.models_people import PersonRow
from shadbo.store.rack import tell
from shadbo.store.records import within_range

MOST_FILES, MOST_MB = 100_000, 8_000


class BadArchive(ValueError):
    """A file that is no archive, or no whole one, or cannot go where it should. Says where and what was found."""


@dataclass(frozen=True, slots=True)
class Taken:
    """What was read in: how many jobs, photographs and people."""

    jobs: int
    photos: int
    people: int


class Reader:
    """An archive that was opened and found whole."""

    def __init__(self, file: IO[bytes]) -> None:
        try:
            self._zip = zipfile.ZipFile(file)
        except (zipfile.BadZipFile, OSError, EOFError):
            raise BadArchive("this is no archive, or it was cut off: it does not end as a ZIP file does") from None
        infos = self._zip.infolist()
        size = sum(i.file_size for i in infos)
        if len(infos) > MOST_FILES or size > MOST_MB * 1_000_000:
            raise BadArchive(f"{len(infos)} files of {size / 1e6:.0f} MB: more than an archive holds")
        self.about = self._manifest()
        there = {i.filename for i in infos if f"/{READ}/" not in i.filename} - {"manifest.json"}
        for name in sorted(there ^ self.about["files"].keys()):
            raise BadArchive(f"{name}: it is missing" if name not in there else f"{name}: nobody wrote it")
        for name, wanted in self.about["files"].items():
            if hashlib.sha256(self.bytes(name)).hexdigest() != wanted:
                raise BadArchive(f"{name}: it is not what was written: its SHA-256 is another")

    def _manifest(self) -> dict[str, Any]:
        about = self.json("manifest.json")
        if not isinstance(about, dict) or about.get("format") != FORMAT:
            raise BadArchive(f"manifest.json: found no “{FORMAT}” in it")
        version = about.get("version")
        if not isinstance(version, int) or not 1 <= version <= VERSION:
            raise BadArchive(f"manifest.json: version {version}; this program reads 1 to {VERSION}: update it first")
        files = about.get("files")
        if not isinstance(files, dict) or about.get("holds") not in ("job", "workshop"):
            raise BadArchive("manifest.json: it does not say what it holds")
        return about

    def bytes(self, name: str) -> bytes:
        """A file of it. BadArchive where it is missing or damaged."""
        try:
            return self._zip.read(name)
        except KeyError:
            raise BadArchive(f"{name}: it is missing") from None
        except Exception as bad:  # of a damaged ZIP anything comes
            raise BadArchive(f"{name}: it cannot be read: {str(bad)[:100]}") from None

    def json(self, name: str) -> Any:  # noqa: ANN401
        """A file of JSON."""
        try:
            return json.loads(self.bytes(name))
        except (ValueError, RecursionError) as bad:
            raise BadArchive(f"{name}: no JSON: {str(bad)[:100]}") from None

    def lines(self, name: str) -> list[Any]:
        """A file of JSON, a line each."""
        try:
            return [json.loads(line) for line in self.bytes(name).splitlines() if line.strip()]
        except (ValueError, RecursionError) as bad:
            raise BadArchive(f"{name}: no JSON: {str(bad)[:100]}") from None

    def homes(self) -> list[str]:
        """Folders of jobs."""
        return sorted({n.split("/")[1] for n in self.about["files"] if n.startswith("jobs/") and n.count("/") == 2})


def read_in(session: Session, file: IO[bytes], workshop_id: str) -> Taken:
    """Read an archive into the session's transaction: all of it, or nothing. Raises BadArchive.

    A workshop goes where none of that name is; a job into a workshop that is there, under its own number where that
    is free, else under the next.
    """
    archive = Reader(file)
    there = session.get(WorkshopRow, workshop_id, with_for_update=True)
    try:
        if archive.about["holds"] == "workshop":
            if there is not None:
                raise BadArchive(f"there is a workshop “{workshop_id}” already: read it into an empty installation")
            return _workshop_in(session, archive, workshop_id)
        if there is None:
            raise BadArchive(f"there is no workshop “{workshop_id}” that this job could go to")
        (home,) = archive.homes()
        return _jobs_in(session, archive, there, {home: _free_number(session, there, int(home))})
    except (KeyError, TypeError, ValueError, DBAPIError) as bad:
        if isinstance(bad, BadArchive):
            raise
        raise BadArchive(f"something in it is not as it should be: {type(bad).__name__}: {str(bad)[:200]}") from None


def _free_number(session: Session, workshop: WorkshopRow, wanted: int) -> int:
    within_range(wanted)
    taken = session.get(JobRow, (workshop.id, wanted)) is not None
    number = workshop.last_job + 1 if taken else wanted
    workshop.last_job = max(workshop.last_job, number)
    return number


def _workshop_in(session: Session, archive: Reader, workshop_id: str) -> Taken:
    shop = archive.json("shop.json")
    Shop.model_validate(shop)
    workshop = WorkshopRow(id=workshop_id, shop=shop, last_job=archive.about["last_job"])
    session.add(workshop)
    session.flush()
    for line in archive.lines("shop-revisions.jsonl"):
        session.add(ShopRevisionRow(workshop_id=workshop_id, **_columns(line, SHOP_COLUMNS)))
    people = archive.json("people.json")
    for person in people:
        session.add(PersonRow(workshop_id=workshop_id, password=None, **_columns(person, PERSON_COLUMNS)))
    session.flush()
    taken = _jobs_in(session, archive, workshop, {home: int(home) for home in archive.homes()})
    return Taken(taken.jobs, taken.photos, len(people))


def _jobs_in(session: Session, archive: Reader, workshop: WorkshopRow, numbers: Mapping[str, int]) -> Taken:
    shop, photos = Shop.model_validate(workshop.shop), 0
    for home, number in numbers.items():
        photos += _job_in(session, archive, workshop.id, shop, f"jobs/{home}", number)
    return Taken(len(numbers), photos, 0)


def _job_in(session: Session, archive: Reader, workshop_id: str, shop: Shop, home: str, number: int) -> int:
    document, kept = archive.json(f"{home}/job.json"), archive.json(f"{home}/kept.json")
    job = read_job(upgrade(document), STORED)
    row = JobRow(
        workshop_id=workshop_id, id=number, document=document, **_columns(kept, (*JOB_COLUMNS, "changed_at"))
    )
    row.title, row.owner, row.due = job.title, job.owner.name, job.due
    same = select(func.count()).where(JobRow.workshop_id == workshop_id, JobRow.made_by_edit == row.made_by_edit)
    if session.scalar(same):
        row.made_by_edit = f"{row.made_by_edit}-{number}"[:80]
    tell(row, job, planned(job, shop), shop)
    session.add(row)
    session.flush()
    for line in archive.lines(f"{home}/revisions.jsonl"):
        session.add(RevisionRow(workshop_id=workshop_id, job_id=number, **_columns(line, REVISION_COLUMNS)))
    photos = archive.json(f"{home}/photos.json")
    for p in photos:
        full, small = (archive.bytes(f"{home}/photo-{p['id']:03}{x}.jpg") for x in ("", "-small"))
        columns = _columns(p, PHOTO_COLUMNS)
        session.add(PhotoRow(workshop_id=workshop_id, job_id=number, full=full, small=small, **columns))
    session.flush()
    return len(photos)


def _columns(data: Mapping[str, Any], columns: tuple[str, ...]) -> dict[str, Any]:
    out = {name: data[name] for name in columns}
    return {k: dt.datetime.fromisoformat(v) if k.endswith(("_at", "at")) and v else v for k, v in out.items()}
