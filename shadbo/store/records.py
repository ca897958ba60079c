"""What the repository of jobs hands out, and how it refuses."""

import datetime as dt
from dataclasses import dataclass
from typing import Any

from shadbo.core.decisions.edit import Edit
from shadbo.core.job.job import Job


class NoSuchJob(LookupError):
    """There is no job of that number in this workshop."""


class Stale(RuntimeError):
    """The edits were made on an older version. Carries what has changed since, and where both clash."""

    def __init__(self, version: int, since: list[Edit], clashing: list[str]) -> None:
        super().__init__(f"the job is at version {version} by now")
        self.version, self.since, self.clashing = version, since, clashing


class NothingToUndo(RuntimeError):
    """There is no change left to take back, or to bring again."""


@dataclass(frozen=True, slots=True)
class Kept:
    """A job with its number, its version and what undo and redo would do."""

    id: int
    version: int
    job: Job
    changed_at: dt.datetime
    can_undo: bool
    can_redo: bool
    shelf: str = "rack"


@dataclass(frozen=True, slots=True)
class Listed:
    """One row of the job list."""

    id: int
    title: str
    owner: str
    due: dt.date | None
    state: str
    worst: str
    says_mm: str
    says_inch: str
    changed_at: dt.datetime


@dataclass(frozen=True, slots=True)
class Revision:
    """One revision, for the record: its edits, and those that would take it back, in the other order."""

    version: int
    kind: str
    who: str
    at: dt.datetime
    edits: tuple[Edit, ...]
    inverse: tuple[Edit, ...]


def as_kept(edits: list[dict[str, Any]]) -> tuple[Edit, ...]:
    """Edits as a revision keeps them: checked when they were made, and not again."""
    return tuple(Edit.model_construct(at=e["at"], to=e["to"]) for e in edits)


def within_range(number: int) -> None:
    """Numbers that the column cannot hold name nothing that is there."""
    if not 0 < number < 2**31:
        raise NoSuchJob(f"there is no {number}")
