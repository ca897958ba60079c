"""The repository of people: who works in one workshop, and the codes that let them in."""

import datetime as dt
from dataclasses import dataclass
from typing import NoReturn
from uuid import uuid4

from sqlalchemy import delete, func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from shadbo.core.roles import Role
from shadbo.store.models_people import CodeRow, PersonRow, SessionRow
from shadbo.store.secrets import code_digest, new_code

JOIN_HOURS = 72
PAIR_MINUTES = 10


class NoSuchPerson(LookupError):
    """Nobody of that id works in this workshop."""


class BadPerson(ValueError):
    """Somebody cannot be what was asked; says why, and in which field."""

    def __init__(self, at: str, says: str) -> None:
        super().__init__(says)
        self.at = at


@dataclass(frozen=True, slots=True)
class Person:
    """Someone who works in a workshop, or a tablet of it.

    ``devices`` counts where they are signed in, ``seen_at`` tells when last; ``waits`` is true for who has no
    password yet.
    """

    id: str
    name: str
    role: Role
    waits: bool
    devices: int
    seen_at: dt.datetime | None


class People:
    """People of one workshop, within one transaction of the caller's session."""

    def __init__(self, session: Session, workshop_id: str) -> None:
        self._session = session
        self._workshop_id = workshop_id

    def all(self) -> list[Person]:
        """Everyone who works here, owners first, then by name; tablets last."""
        live = (
            select(SessionRow.person_id, func.count().label("n"), func.max(SessionRow.seen_at).label("seen"))
            .where(SessionRow.workshop_id == self._workshop_id, SessionRow.until > func.now())
            .group_by(SessionRow.person_id)
            .subquery()
        )
        rows = self._session.execute(
            select(PersonRow, live.c.n, live.c.seen)
            .outerjoin(live, live.c.person_id == PersonRow.id)
            .where(PersonRow.workshop_id == self._workshop_id, PersonRow.left_at.is_(None))
            .order_by(PersonRow.role == "tablet", PersonRow.role != "owner", func.lower(PersonRow.name))
        )
        return [_person(row, n or 0, seen) for row, n, seen in rows]

    def get(self, person_id: str) -> Person:
        """One of them. Raises NoSuchPerson."""
        return next((p for p in self.all() if p.id == person_id), None) or self._nobody()

    def add(self, name: str, role: Role, password: str | None = None) -> Person:
        """Somebody new. Raises BadPerson where the name is taken or empty."""
        row = PersonRow(workshop_id=self._workshop_id, id=uuid4().hex, name=_name(name), role=role, password=password)
        try:
            with self._session.begin_nested():
                self._session.add(row)
        except IntegrityError:
            raise BadPerson("name", f"“{row.name}” works here already") from None
        return _person(row, 0, None)

    def change(self, person_id: str, name: str | None = None, role: Role | None = None) -> None:
        """Another name, another role. Raises BadPerson for a name that is taken, or where no owner would be left."""
        row = self._row(person_id)
        if role is not None and role != row.role:
            if "tablet" in (role, row.role):
                raise BadPerson("role", "a tablet is paired, and is no person")
            self._keeps_an_owner(row)
            row.role = role
        try:
            with self._session.begin_nested():
                row.name = _name(name) if name is not None else row.name
        except IntegrityError:
            raise BadPerson("name", f"“{name}” works here already") from None

    def leaves(self, person_id: str) -> None:
        """They work here no longer: signed out everywhere at once. What they did stays theirs."""
        row = self._row(person_id)
        self._keeps_an_owner(row)
        row.left_at = dt.datetime.now(dt.UTC)
        self._end(CodeRow, person_id)
        self._end(SessionRow, person_id)

    def signs_out(self, person_id: str) -> None:
        """Out on every device."""
        self._row(person_id)
        self._end(SessionRow, person_id)

    def code_to_join(self, person_id: str) -> str:
        """A code with which they choose a password, once; any earlier one is void."""
        if self._row(person_id).role == "tablet":
            raise BadPerson("role", "a tablet has no password: pair it anew")
        self._end(CodeRow, person_id)
        return self._code("join", person_id, dt.timedelta(hours=JOIN_HOURS))

    def code_to_pair(self, name: str) -> tuple[Person, str]:
        """A tablet of that name, and the code that it is paired with, once."""
        tablet = self.add(name, "tablet")
        return tablet, self._code("pair", tablet.id, dt.timedelta(minutes=PAIR_MINUTES))

    def _code(self, kind: str, person_id: str, good_for: dt.timedelta) -> str:
        code = new_code()
        until = dt.datetime.now(dt.UTC) + good_for
        row = CodeRow(code_hash=code_digest(code), kind=kind, workshop_id=self._workshop_id, person_id=person_id)
        row.until = until
        self._session.add(row)
        self._session.flush()
        return code

    def _row(self, person_id: str) -> PersonRow:
        found = self._session.get(PersonRow, (self._workshop_id, person_id), with_for_update=True)
        if found is None or found.left_at is not None:
            self._nobody()
        return found

    def _nobody(self) -> NoReturn:
        raise NoSuchPerson("nobody of that id works here")

    def _keeps_an_owner(self, row: PersonRow) -> None:
        if row.role != "owner":
            return
        owners = select(PersonRow).where(
            PersonRow.workshop_id == self._workshop_id, PersonRow.role == "owner", PersonRow.left_at.is_(None)
        )
        if len(self._session.scalars(owners.with_for_update()).all()) < 2:
            raise BadPerson("role", "a workshop keeps at least one owner: make someone else one first")

    def _end(self, kind: type[CodeRow] | type[SessionRow], person_id: str) -> None:
        self._session.execute(delete(kind).where(kind.workshop_id == self._workshop_id, kind.person_id == person_id))


def _name(name: str) -> str:
    plain = " ".join(name.split())
    if not plain:
        raise BadPerson("name", "a name, as the others call them")
    return plain


def _person(row: PersonRow, devices: int, seen: dt.datetime | None) -> Person:
    waits = row.password is None and row.role != "tablet"
    return Person(row.id, row.name, row.role, waits, devices, seen)
