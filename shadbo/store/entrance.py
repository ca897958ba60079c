"""The way in: by password, by code, by the token of a device; before it is known whose workshop it is.

Whoever is let in is served under a role of the database that sees one workshop only (``within``).
"""

import datetime as dt
from dataclasses import dataclass
from uuid import uuid4

from sqlalchemy import ColumnElement, Select, delete, func, select, text, update
from sqlalchemy.orm import Session

from shadbo.core.roles import Role
from shadbo.core.shop.shop import Shop
from shadbo.store.models_people import CodeRow, PersonRow, SessionRow, TryRow
from shadbo.store.people import BadPerson, People
from shadbo.store.secrets import code_digest, digest, is_outdated, is_password, new_code, new_token, password_hash
from shadbo.store.workshops import Workshops

SERVED_AS = "shadbo_workshop"
IDLE: dict[bool, dt.timedelta] = {False: dt.timedelta(days=14), True: dt.timedelta(days=60)}
"""How long a device may lie unused before it has to sign in again: a person's, a tablet."""
WHOLE: dict[bool, dt.timedelta] = {False: dt.timedelta(days=90), True: dt.timedelta(days=400)}
SEEN_AGAIN = dt.timedelta(minutes=5)
SETUP_HOURS = 24
COUNTS = dt.timedelta(minutes=15)
MOST_OF_NAME, MOST_FROM_ADDRESS = 8, 30
"""Failed tries within a quarter of an hour, for one name from one address, and from one address at all."""


_WHO = text(
    "select s.workshop_id, p.id, p.name, p.role, s.seen_at, s.ends from sessions s"
    " join people p on p.workshop_id = s.workshop_id and p.id = s.person_id"
    " where s.token_hash = :hash and s.until > :now and p.left_at is null"
)
_OWNER = text(
    "select w.id as workshop_id, p.id, p.name from (select id from workshops order by id limit 1) w"
    " left join people p on p.workshop_id = w.id and p.role = 'owner' and p.left_at is null"
    " order by p.made_at, p.id limit 1"
)
"""Asked at every request, and so without the mapper."""


class NotLetIn(RuntimeError):
    """Name and password, or code, are not right. Never says which. The try stands in the transaction: commit it."""


class TooManyTries(RuntimeError):
    """Too many failed tries from there: wait ``seconds``."""

    def __init__(self, seconds: int) -> None:
        super().__init__("too many tries from there")
        self.seconds = seconds


@dataclass(frozen=True, slots=True)
class Entered:
    """Who is served: in which workshop, as whom, in which role. Without an id it is nobody of the list."""

    workshop_id: str
    person_id: str
    name: str
    role: Role


def within(session: Session, workshop_id: str) -> None:
    """From here to the end of its transaction the session sees one workshop."""
    session.execute(
        text("select set_config('shadbo.workshop', :own, true), set_config('role', :as_role, true)"),
        {"own": workshop_id, "as_role": SERVED_AS},
    )


class Entrance:
    """Ways in, within one transaction of the caller's session."""

    def __init__(self, session: Session) -> None:
        self._session = session
        self._now = dt.datetime.now(dt.UTC)

    def who(self, token: str) -> Entered | None:
        """Whose device has this token; None when nobody's, or no longer."""
        found = self._session.execute(_WHO, {"hash": digest(token), "now": self._now}).first()
        if found is None:
            return None
        if self._now - found.seen_at > SEEN_AGAIN:
            until = min(found.ends, self._now + IDLE[found.role == "tablet"])
            device = update(SessionRow).where(SessionRow.token_hash == digest(token))
            self._session.execute(device.values(seen_at=self._now, until=until))
        return Entered(found.workshop_id, found.id, found.name, found.role)

    def owner_of_all(self) -> Entered | None:
        """Whom a house without a lock serves: the owner of the first workshop. None where there is no workshop."""
        found = self._session.execute(_OWNER).first()
        return Entered(found.workshop_id, found.id or "", found.name or "", "owner") if found is not None else None

    def needs_set_up(self) -> bool:
        """Whether nobody could come in: no owner has a password."""
        locked = select(PersonRow.id).where(
            PersonRow.role == "owner", PersonRow.password.is_not(None), PersonRow.left_at.is_(None)
        )
        return self._session.scalars(locked.limit(1)).first() is None

    def code_to_set_up(self) -> str:
        """The code with which the first owner comes in, once; any earlier one is void."""
        self._session.execute(delete(CodeRow).where(CodeRow.kind == "setup"))
        code = new_code()
        until = self._now + dt.timedelta(hours=SETUP_HOURS)
        self._session.add(CodeRow(code_hash=code_digest(code), kind="setup", until=until))
        self._session.flush()
        return code

    def sign_in(self, name: str, password: str, address: str) -> str:
        """The token of a new device. Raises NotLetIn, TooManyTries, Busy."""
        plain = " ".join(name.split())
        self._not_too_often(plain.lower(), address)
        named = select(PersonRow).where(_goes_by(plain), PersonRow.left_at.is_(None))
        people: list[PersonRow | None] = [*self._session.scalars(named.order_by(PersonRow.workshop_id).limit(4))]
        for person in people or [None]:
            kept = person.password if person is not None else None
            if is_password(password, kept) and person is not None and kept is not None:
                if is_outdated(kept):
                    person.password = password_hash(password)
                return self._device(person)
        self._failed(plain.lower(), address)
        raise NotLetIn("that name and password do not belong together")

    def join(self, code: str, password: str, address: str) -> str:
        """Choose a password with a code that was given; every other device of theirs is signed out."""
        person = self._person_of(self._code("join", code, address))
        person.password = password_hash(password, person.name)
        self._spend(code)
        self._out_everywhere(person)
        return self._device(person)

    def pair(self, code: str, address: str) -> str:
        """The token of a tablet that was given its code."""
        person = self._person_of(self._code("pair", code, address))
        self._spend(code)
        return self._device(person)

    def set_up(self, code: str, name: str, password: str, shop: Shop, address: str) -> str:
        """The first owner comes in. ``shop`` is the workshop if there is none; one that is there is theirs."""
        self._code("setup", code, address)
        hashed = password_hash(password, name)
        workshop = Workshops(self._session).first()
        if workshop is None:
            workshop = uuid4().hex
            Workshops(self._session).add(workshop, shop)
        named = self._here(workshop).where(_goes_by(" ".join(name.split())))
        person = self._session.scalars(named).first()
        if person is None:
            made = People(self._session, workshop).add(name, "owner", hashed)
            person = self._session.get_one(PersonRow, (workshop, made.id))
        elif person.role == "tablet":
            raise BadPerson("name", "that is a tablet's name")
        person.role, person.password = "owner", hashed
        self._spend(code)
        return self._device(person)

    def as_person(self, workshop_id: str, person_id: str) -> str:
        """The token of someone whom a house without a lock takes at their word. Raises NotLetIn for a stranger."""
        person = self._session.get(PersonRow, (workshop_id, person_id))
        if person is None or person.left_at is not None:
            raise NotLetIn("nobody of that id works here")
        return self._device(person)

    def change_password(self, entered: Entered, old: str, new: str, address: str) -> str:
        """Another password for who knows the old one; out on every device of theirs; the token of a new one."""
        person = self._session.get(PersonRow, (entered.workshop_id, entered.person_id))
        plain = entered.name.lower()
        self._not_too_often(plain, address)
        if person is None or not is_password(old, person.password):
            self._failed(plain, address)
            raise NotLetIn("that is not the password so far")
        person.password = password_hash(new, person.name)
        self._out_everywhere(person)
        return self._device(person)

    def sign_out(self, token: str) -> None:
        """That device's token is worth nothing any more."""
        self._session.execute(delete(SessionRow).where(SessionRow.token_hash == digest(token)))

    def _out_everywhere(self, person: PersonRow) -> None:
        theirs = SessionRow.workshop_id == person.workshop_id, SessionRow.person_id == person.id
        self._session.execute(delete(SessionRow).where(*theirs))

    def _here(self, workshop: str) -> Select[PersonRow]:
        return select(PersonRow).where(PersonRow.workshop_id == workshop, PersonRow.left_at.is_(None))

    def _device(self, person: PersonRow) -> str:
        token, tablet = new_token(), person.role == "tablet"
        self._session.execute(delete(SessionRow).where(SessionRow.until < self._now))
        self._session.add(
            SessionRow(
                token_hash=digest(token),
                workshop_id=person.workshop_id,
                person_id=person.id,
                seen_at=self._now,
                until=self._now + IDLE[tablet],
                ends=self._now + WHOLE[tablet],
            )
        )
        self._session.flush()
        return token

    def _code(self, kind: str, code: str, address: str) -> CodeRow:
        self._not_too_often("", address)
        row = self._session.get(CodeRow, code_digest(code), with_for_update=True)
        if row is None or row.kind != kind or row.until <= self._now:
            self._failed("", address)
            raise NotLetIn("that code is not right, was used already, or is too old")
        return row

    def _person_of(self, code: CodeRow) -> PersonRow:
        person = self._session.get(PersonRow, (code.workshop_id, code.person_id))
        if person is None or person.left_at is not None:
            raise NotLetIn("that code is not right, was used already, or is too old")
        return person

    def _spend(self, code: str) -> None:
        self._session.execute(delete(CodeRow).where(CodeRow.code_hash == code_digest(code)))

    def _not_too_often(self, name: str, address: str) -> None:
        since = TryRow.at > self._now - COUNTS
        here = select(func.count()).where(TryRow.address == address, since)
        n = self._session.execute(
            select(here.scalar_subquery(), here.where(TryRow.name == name).scalar_subquery())
        ).one()
        if n[0] >= MOST_FROM_ADDRESS or (name and n[1] >= MOST_OF_NAME):
            oldest = self._session.scalar(select(func.min(TryRow.at)).where(TryRow.address == address, since))
            wait = (oldest + COUNTS - self._now).total_seconds() if oldest else COUNTS.total_seconds()
            raise TooManyTries(max(1, round(wait)))

    def _failed(self, name: str, address: str) -> None:
        self._session.execute(delete(TryRow).where(TryRow.at < self._now - COUNTS))
        self._session.add(TryRow(address=address[:60], name=name[:60], at=self._now))
        self._session.flush()


def _goes_by(name: str) -> ColumnElement[bool]:
    """Whether somebody goes by a name: small and capital letters are told by the database alone, as in its index."""
    return func.lower(PersonRow.name) == func.lower(name)
