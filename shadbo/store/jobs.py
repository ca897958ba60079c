"""The repository of jobs: every method is given the workshop, and reaches nothing outside it."""

import datetime as dt
from collections.abc import Sequence
from dataclasses import replace
from typing import Any

from sqlalchemy import Select, select
from sqlalchemy.orm import Session

from shadbo.core.change import change, planned, refuse_closed, with_materials
from shadbo.core.decisions.edit import Edit
from shadbo.core.job.afresh import afresh
from shadbo.core.job.edits import apply, apply_to, clashes
from shadbo.core.job.job import Job
from shadbo.core.job_versions import upgrade
from shadbo.core.plan import Plan
from shadbo.core.shop.shop import Shop
from shadbo.store.finding import Finder, Found, Shelf, Wanted
from shadbo.store.history import Kind
from shadbo.store.models import JobRow, RevisionRow, WorkshopRow
from shadbo.store.past import job_of, revision_at, steps_of
from shadbo.store.rack import TOLD_AT_ONCE, left_behind, tell
from shadbo.store.records import Kept, Listed, NoSuchJob, NothingToUndo, Revision, Stale, as_kept, within_range
from shadbo.store.shops import row_mark, shop_as_of


class Jobs:
    """Jobs of one workshop, within one transaction of the caller's session; ``who`` stands in what is changed."""

    def __init__(self, session: Session, workshop_id: str, who: str = "") -> None:
        self._session = session
        self._workshop_id = workshop_id
        self._who = who

    def shop(self) -> Shop:
        """The workshop's own practice and stock. LookupError when there is no such workshop."""
        row = self._session.get(WorkshopRow, self._workshop_id)
        if row is None:
            raise LookupError(f"no workshop “{self._workshop_id}”")
        return Shop.model_validate(row.shop)

    def make(self, job: Job, edit_id: str) -> Kept:
        """A new job with the next number; the same edit id again gives the same job."""
        again = self._session.scalars(self._mine().where(JobRow.made_by_edit == edit_id)).first()
        if again is not None:
            return self._kept(again)
        workshop = self._session.get(WorkshopRow, self._workshop_id, with_for_update=True)
        if workshop is None:
            raise LookupError(f"no workshop “{self._workshop_id}”")
        again = self._session.scalars(self._mine().where(JobRow.made_by_edit == edit_id)).first()
        if again is not None:
            return self._kept(again)
        workshop.last_job += 1
        row = JobRow(workshop_id=self._workshop_id, id=workshop.last_job, version=1, made_by_edit=edit_id)
        shop = Shop.model_validate(workshop.shop)
        job, plan = with_materials(job, shop)
        self._write(row, job, plan, shop)
        self._session.add(row)
        self._session.flush()
        self._remember(row, "made", None, edit_id, [], [])
        return self._kept(row)

    def get(self, job_id: int) -> Kept:
        """One job."""
        return self._kept(self._row(job_id))

    def laid_out(self, job_id: int, edits: Sequence[Edit] = ()) -> tuple[int, Job, Shop]:
        """Version, job with edits that are not saved, and shop, for a live plan that is wanted many times a second.

        The job is checked once, after the edits; the shop is read anew only when its row has changed.
        """
        within_range(job_id)
        query = (
            select(JobRow.version, JobRow.document, row_mark())
            .join(WorkshopRow, WorkshopRow.id == JobRow.workshop_id)
            .where(JobRow.workshop_id == self._workshop_id, JobRow.id == job_id)
        )
        found = self._session.execute(query).first()
        if found is None:
            raise NoSuchJob(f"there is no job {job_id}")
        return found[0], apply_to(upgrade(found[1]), edits)[0], shop_as_of(self._session, self._workshop_id, found[2])

    def asked_of(self, job_id: int, edits: Sequence[Edit] = ()) -> dict[str, Any]:
        """Job and shop as data for heavy work, with edits that are not saved; the connection is given back."""
        _, job, shop = self.laid_out(job_id, edits)
        self.let_go()
        return {"job": job.as_written(), "shop": shop.model_dump(mode="json")}

    def let_go(self) -> None:
        """Give the connection back: what follows is computed, and reads nothing more."""
        self._session.commit()

    def find(self, words: str = "", state: str = "", shelf: Shelf = "rack") -> list[Listed]:
        """The first page of jobs by words and state, what is due first on top."""
        return self.rack(Wanted(words, state, shelf=shelf)).jobs

    def rack(self, wanted: Wanted) -> Found:
        """A page of jobs as they are to be found; some that were planned with another shop are told anew first."""
        self._follow_the_shop()
        return Finder(self._session, self._workshop_id).find(wanted)

    def copy(self, job_id: int, edit_id: str, first: str = "") -> Kept:
        """A new job like this one, with nothing cut yet, about another piece of its set where one is named."""
        return self.make(afresh(self.get(job_id).job, first), edit_id)

    def shelve(self, job_id: int, shelf: Shelf) -> Kept:
        """Put a job on another shelf; nothing of it is lost there."""
        row = self._row(job_id, lock=True)
        row.shelf = shelf
        self._session.flush()
        return self._kept(row)

    def save(self, job_id: int, version: int, edits: Sequence[Edit], edit_id: str) -> Kept:
        """Apply edits made on ``version``; a stale version raises Stale.

        A known edit id changes nothing; it is answered with the version that it made, so that what others have
        changed since is not passed over.
        """
        row, again = self._to_change(job_id, edit_id, version, edits)
        return again or self._advance(row, "edit", None, list(edits), edit_id)

    def undo(self, job_id: int, edit_id: str, version: int | None = None) -> Kept:
        """Take back the last change that still stands, as a new revision. Raises Stale on another ``version``."""
        return self._step(job_id, "undo", edit_id, version)

    def redo(self, job_id: int, edit_id: str, version: int | None = None) -> Kept:
        """Bring back the last change that was undone, as a new revision. Raises Stale on another ``version``."""
        return self._step(job_id, "redo", edit_id, version)

    def go_back(self, job_id: int, to_version: int, edit_id: str, version: int | None = None) -> Kept:
        """Make an earlier revision the newest one. Raises Stale on another ``version``."""
        row, again = self._to_change(job_id, edit_id, version)
        if again:
            return again
        before, target = row.document, revision_at(self._session, self._workshop_id, job_id, to_version).document
        marks = ("format", "version")
        names = [n for n in {**before, **target} if n not in marks and before.get(n) != target.get(n)]
        edits = [Edit(at=n, to=target.get(n)) for n in names]
        return self._advance(row, "back", to_version, edits, edit_id)

    def as_of(self, job_id: int, version: int) -> Job:
        """The job as it was at a version."""
        self._row(job_id)
        return job_of(revision_at(self._session, self._workshop_id, job_id, version).document)

    def revisions(self, job_id: int) -> list[Revision]:
        """Every revision, the newest first."""
        self._row(job_id)
        rows = self._session.scalars(self._past(job_id).order_by(RevisionRow.version.desc()))
        return [Revision(r.version, r.kind, r.who, r.at, as_kept(r.edits), as_kept(r.inverse)) for r in rows]

    def _mine(self) -> Select[JobRow]:
        return select(JobRow).where(JobRow.workshop_id == self._workshop_id)

    def _past(self, job_id: int) -> Select[RevisionRow]:
        return select(RevisionRow).where(RevisionRow.workshop_id == self._workshop_id, RevisionRow.job_id == job_id)

    def _row(self, job_id: int, lock: bool = False) -> JobRow:
        within_range(job_id)
        query = self._mine().where(JobRow.id == job_id)
        row = self._session.scalars(query.with_for_update() if lock else query).first()
        if row is None:
            raise NoSuchJob(f"there is no job {job_id}")
        return row

    def _to_change(
        self, job_id: int, edit_id: str, version: int | None, edits: Sequence[Edit] = ()
    ) -> tuple[JobRow, Kept | None]:
        """The job, locked, to be changed on a version; an edit that is known is answered with the version it made."""
        row = self._row(job_id, lock=True)
        made = self._session.scalars(self._past(job_id).where(RevisionRow.edit_id == edit_id)).first()
        if made is not None:
            return row, replace(self._kept(row), version=made.version)
        if version is not None and version != row.version:
            raise self._stale(row, version, edits)
        return row, None

    def _stale(self, row: JobRow, version: int, edits: Sequence[Edit]) -> Stale:
        rows = self._session.scalars(
            self._past(row.id).where(RevisionRow.version > version).order_by(RevisionRow.version)
        )
        since = [Edit.model_validate(e) for r in rows for e in r.edits]
        return Stale(row.version, since, clashes(edits, since))

    def _step(self, job_id: int, kind: Kind, edit_id: str, version: int | None) -> Kept:
        row, again = self._to_change(job_id, edit_id, version)
        if again:
            return again
        undo, redo = steps_of(self._session, self._workshop_id, job_id)
        target = undo if kind == "undo" else redo
        if target is None:
            raise NothingToUndo(f"nothing to {kind}")
        past = self._session.get_one(RevisionRow, (self._workshop_id, job_id, target))
        edits = [Edit.model_validate(e) for e in (past.inverse if kind == "undo" else past.edits)]
        return self._advance(row, kind, target, edits, edit_id)

    def _advance(self, row: JobRow, kind: Kind, of_version: int | None, edits: list[Edit], edit_id: str) -> Kept:
        before, shop = job_of(row.document), self.shop()
        if kind == "edit":
            done = change(before, edits, shop)
            after, inverse, plan = done.job, list(done.inverse), done.plan
            edits = list(done.edits)
        else:
            refuse_closed(before, [])
            after, inverse = apply(before, edits)
            plan = planned(after, shop)
        row.version += 1
        self._write(row, after, plan, shop)
        self._session.flush()
        self._remember(row, kind, of_version, edit_id, edits, inverse)
        return self._kept(row)

    def _write(self, row: JobRow, job: Job, plan: Plan | None, shop: Shop) -> None:
        row.title, row.owner, row.due = job.title, job.owner.name, job.due
        row.document = job.as_written()
        row.changed_at = dt.datetime.now(dt.UTC)
        tell(row, job, plan, shop)

    def _follow_the_shop(self) -> None:
        """Plan again some of what was planned with another stock or practice, what is due first."""
        shop = self.shop()
        stale = self._mine().where(*left_behind(shop)).order_by(JobRow.due.asc().nulls_last(), JobRow.id)
        for row in self._session.scalars(stale.limit(TOLD_AT_ONCE).with_for_update(skip_locked=True)):
            job = job_of(row.document)
            tell(row, job, planned(job, shop), shop)
        self._session.flush()

    def _remember(
        self,
        row: JobRow,
        kind: Kind,
        of_version: int | None,
        edit_id: str,
        edits: Sequence[Edit],
        inverse: Sequence[Edit],
    ) -> None:
        self._session.add(
            RevisionRow(
                workshop_id=self._workshop_id,
                job_id=row.id,
                version=row.version,
                kind=kind,
                of_version=of_version,
                edit_id=edit_id,
                edits=[e.model_dump(mode="json") for e in edits],
                inverse=[e.model_dump(mode="json") for e in inverse],
                document=row.document,
                who=self._who,
            )
        )
        self._session.flush()

    def _kept(self, row: JobRow) -> Kept:
        undo, redo = steps_of(self._session, self._workshop_id, row.id)
        return Kept(
            row.id, row.version, job_of(row.document), row.changed_at, undo is not None, redo is not None, row.shelf
        )
