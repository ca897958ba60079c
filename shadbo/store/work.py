"""The repository of heavy work: asked for once, done once, kept for a while."""

import datetime as dt
import hashlib
import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any
from uuid import uuid4

from sqlalchemy import Connection, delete, func, select, text, update
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session, defer

from shadbo.store.models_work import WorkRow

MOST_WAITING = 200
KEPT = dt.timedelta(hours=1)
OPEN = ("waiting", "working")


class TooMuchWork(RuntimeError):
    """So much waits already that no more is taken."""


@dataclass(frozen=True, slots=True)
class Pending:
    """Work that is not done yet: how many wait before it, and for how long it has been worked on."""

    id: str
    kind: str
    job_id: int
    state: str
    ahead: int
    seconds: int


@dataclass(frozen=True, slots=True)
class Outcome:
    """How a piece of work stands, and what came of it."""

    state: str
    at: str = ""
    says: str = ""
    media: str = ""
    made: bytes | None = None


class Works:
    """Heavy work of one workshop, within one transaction of the caller's session."""

    def __init__(self, session: Session, workshop_id: str) -> None:
        self._session = session
        self._workshop_id = workshop_id

    def ask(self, kind: str, job_id: int, asked: dict[str, Any], given: bytes) -> str:
        """The id of the work: a new one, or one that is as good as it. Raises TooMuchWork."""
        key = _key(kind, job_id, asked, given)
        found = self._alike(key)
        if found is not None:
            return found
        waiting = self._session.scalar(select(func.count()).select_from(WorkRow).where(*self._open()))
        if (waiting or 0) >= MOST_WAITING:
            raise TooMuchWork(f"{waiting} wait already")
        row = {"id": uuid4().hex, "workshop_id": self._workshop_id, "job_id": job_id, "key": key, "kind": kind}
        query = insert(WorkRow).values(**row, asked=asked, given=given).on_conflict_do_nothing().returning(WorkRow.id)
        made = self._session.scalar(query)
        return made or self._alike(key) or self.ask(kind, job_id, asked, given)

    def pending(self) -> list[Pending]:
        """What is not done yet, in its order."""
        now = dt.datetime.now(dt.UTC)
        light = [defer(WorkRow.given), defer(WorkRow.made), defer(WorkRow.asked)]
        rows = self._session.scalars(select(WorkRow).where(*self._open()).order_by(WorkRow.asked_at).options(*light))
        return [
            Pending(r.id, r.kind, r.job_id, r.state, n, round((now - (r.begun_at or r.asked_at)).total_seconds()))
            for n, r in enumerate(rows)
        ]

    def give_up(self, work_id: str) -> bool:
        """Let it be; False where there was nothing to stop."""
        mine = WorkRow.workshop_id == self._workshop_id, WorkRow.id == work_id, WorkRow.state.in_(OPEN)
        done = self._session.execute(update(WorkRow).where(*mine).values(state="given up").returning(WorkRow.id))
        return done.first() is not None

    def _open(self) -> tuple[Any, ...]:
        return WorkRow.workshop_id == self._workshop_id, WorkRow.state.in_(OPEN)

    def _alike(self, key: str) -> str | None:
        good = WorkRow.state.in_((*OPEN, "made"))
        query = select(WorkRow.id).where(WorkRow.workshop_id == self._workshop_id, WorkRow.key == key, good)
        return self._session.scalar(query)


_OUTCOME = text("select state, at, says, media, made from work where workshop_id = :own and id = :id")


def outcome_of(connection: Connection, workshop_id: str, work_id: str) -> Outcome | None:
    """How a piece of a workshop's work stands; None for what there is not."""
    row = connection.execute(_OUTCOME, {"own": workshop_id, "id": work_id}).first()
    return Outcome(*row) if row is not None else None


_STATES = text(
    "select own, id, state from work join unnest(cast(:owns as text[]), cast(:ids as text[])) as asked(own, wanted)"
    " on workshop_id = own and id = wanted"
)


def states_of(connection: Connection, works: Iterable[tuple[str, str]]) -> list[tuple[tuple[str, str], str]]:
    """How pieces of work stand, each by its workshop and id; those that are not there are left out."""
    owns, ids = zip(*works, strict=True)
    return [
        ((own, id_), state) for own, id_, state in connection.execute(_STATES, {"owns": list(owns), "ids": list(ids)})
    ]


def _key(kind: str, job_id: int, asked: dict[str, Any], given: bytes) -> str:
    told = json.dumps([kind, job_id, asked], sort_keys=True, ensure_ascii=False).encode()
    return hashlib.sha256(told + b"\0" + given).hexdigest()


@dataclass(frozen=True, slots=True)
class Piece:
    """A piece of work as a worker takes it."""

    id: str
    kind: str
    asked: dict[str, Any]
    given: bytes


class Bench:
    """Heavy work of every workshop, for those who do it; within one transaction of the caller's session."""

    def __init__(self, session: Session) -> None:
        self._session = session

    def take(self, work_id: str) -> Piece | None:
        """Begin it; None for what was given up, is done, or is not there."""
        row = self._session.get(WorkRow, work_id, with_for_update=True)
        if row is None or row.state not in OPEN:
            return None
        row.state, row.begun_at = "working", dt.datetime.now(dt.UTC)
        return Piece(row.id, row.kind, row.asked, row.given)

    def is_wanted(self, work_id: str) -> bool:
        """Whether nobody has given it up."""
        return self._session.scalar(select(WorkRow.state).where(WorkRow.id == work_id)) in OPEN

    def done(self, work_id: str, told: Outcome) -> None:
        """What came of it; what was given up meanwhile stays given up."""
        came = {"state": told.state, "at": told.at, "says": told.says, "media": told.media, "made": told.made}
        query = update(WorkRow).where(WorkRow.id == work_id, WorkRow.state.in_(OPEN))
        self._session.execute(query.values(**came, given=b"", done_at=dt.datetime.now(dt.UTC)))

    def left(self, waiting: dt.timedelta, working: dt.timedelta) -> list[str]:
        """What has waited, or been worked on, for so long that nobody has it in hand."""
        now = dt.datetime.now(dt.UTC)
        forgotten = (WorkRow.state == "waiting") & (WorkRow.asked_at < now - waiting)
        overdue = (WorkRow.state == "working") & (WorkRow.begun_at < now - working)
        return list(self._session.scalars(select(WorkRow.id).where(forgotten | overdue)))

    def clear(self) -> None:
        """Let go of what was done long ago."""
        old = WorkRow.asked_at < dt.datetime.now(dt.UTC) - KEPT
        self._session.execute(delete(WorkRow).where(WorkRow.state.not_in(OPEN), old))

    def waiting(self) -> tuple[int, int]:
        """How many wait, and for how many seconds the first of them has."""
        n, oldest = self._session.execute(
            select(func.count(), func.min(WorkRow.asked_at)).where(WorkRow.state == "waiting")
        ).one()
        return n, round((dt.datetime.now(dt.UTC) - oldest).total_seconds()) if oldest else 0
