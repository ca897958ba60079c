"""Jobs found on their shelves: by words, state and day, a page at a time, with how many there are of each."""

from dataclasses import dataclass
from typing import Any, Literal, get_args

from sqlalchemy import ColumnElement, Select, false, func, select
from sqlalchemy.orm import Session, defer

from shadbo.core.words.folding import folded
from shadbo.store.models import JobRow
from shadbo.store.records import Listed

Shelf = Literal["rack", "pattern", "archive", "bin"]
SHELVES: tuple[Shelf, ...] = get_args(Shelf)
Sort = Literal["due", "number", "changed", "owner", "title"]
PAGE = 50


@dataclass(frozen=True, slots=True)
class Wanted:
    """What is looked for: all words, a state, those without a day; on which shelf, in which order, which page."""

    words: str = ""
    state: str = ""
    undated: bool = False
    shelf: Shelf = "rack"
    sort: Sort = "due"
    page: int = 1


@dataclass(frozen=True, slots=True)
class Found:
    """A page of jobs; how many answer in all, by state, without a day; how many stand on each shelf."""

    jobs: list[Listed]
    total: int
    pages: int
    states: dict[str, int]
    undated: int
    shelves: dict[str, int]


class Finder:
    """Finds jobs of one workshop."""

    def __init__(self, session: Session, workshop_id: str) -> None:
        self._session = session
        self._workshop_id = workshop_id

    def find(self, wanted: Wanted) -> Found:
        """The page that is wanted; a page past the last is the last."""
        dated = JobRow.due.is_not(None)
        counted = select(JobRow.state, dated, func.count()).where(*self._said(wanted)).group_by(JobRow.state, dated)
        states: dict[str, int] = {}
        undated = total = 0
        for state, with_day, many in self._session.execute(counted):
            without = not with_day and state != "handed over"
            states[state] = states.get(state, 0) + many
            undated += many if without else 0
            total += many if wanted.state in ("", state) and (without or not wanted.undated) else 0
        query = select(JobRow).where(*self._said(wanted), *_narrowed(wanted))
        pages = max(-(-total // PAGE), 1)
        page = min(max(wanted.page, 1), pages)
        paged = _ordered(query, wanted.sort).options(defer(JobRow.document)).limit(PAGE).offset((page - 1) * PAGE)
        rows = self._session.scalars(paged)
        mine = JobRow.workshop_id == self._workshop_id
        on = self._session.execute(select(JobRow.shelf, func.count()).where(mine).group_by(JobRow.shelf))
        shelves: dict[str, int] = dict.fromkeys(SHELVES, 0)
        shelves.update((shelf, many) for shelf, many in on)
        return Found([listed(r) for r in rows], total, pages, states, undated, shelves)

    def _said(self, wanted: Wanted) -> list[ColumnElement[bool]]:
        out: list[ColumnElement[bool]] = [JobRow.workshop_id == self._workshop_id, JobRow.shelf == wanted.shelf]
        words = folded(wanted.words).split()
        out += [JobRow.sought.contains(word, autoescape=True) for word in words]
        if wanted.words.strip() and not words:
            out.append(false())
        return out


def _narrowed(wanted: Wanted) -> list[ColumnElement[bool]]:
    out: list[ColumnElement[bool]] = []
    if wanted.state:
        out.append(JobRow.state == wanted.state)
    if wanted.undated:
        out += [JobRow.due.is_(None), JobRow.state != "handed over"]
    return out


def _ordered(query: Select[JobRow], sort: Sort) -> Select[JobRow]:
    """What is handed over stands last where days count; the number decides between equals."""
    due = (JobRow.state == "handed over", JobRow.due.asc().nulls_last())
    by: dict[Sort, tuple[Any, ...]] = {
        "due": due,
        "number": (),
        "changed": (JobRow.changed_at.desc(),),
        "owner": (func.lower(JobRow.owner), *due),
        "title": (func.lower(JobRow.title),),
    }
    return query.order_by(*by[sort], JobRow.id.desc() if sort == "number" else JobRow.id)


def listed(r: JobRow) -> Listed:
    """A row as it is told."""
    return Listed(r.id, r.title, r.owner, r.due, r.state, r.worst, r.says["mm"], r.says["inch"], r.changed_at)
