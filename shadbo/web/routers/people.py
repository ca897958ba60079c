"""Who works here: people, their roles, the codes that let them in, the tablets on the benches."""

import datetime as dt
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from fastapi import APIRouter, Path, status
from pydantic import Field

from shadbo.core.roles import ROLE_SAYS, Role, may
from shadbo.core.settings import typed
from shadbo.core.shop.calendar import hours_text, shut_text
from shadbo.core.shop.crew import Worker
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.values import Line
from shadbo.core.words.stages import STAGE_WORDS, STAGES, Stage
from shadbo.store.people import JOIN_HOURS, PAIR_MINUTES, Person
from shadbo.web.bodies import Body, EditId
from shadbo.web.deps import EnteredDep, JobsDep, PeopleDep, StockDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES
from shadbo.web.routers.doors import Name

router = APIRouter(prefix="/api/people", tags=["people"], responses=RESPONSES)
tablets = APIRouter(prefix="/api/tablets", tags=["people"], responses=RESPONSES)
PersonRole = Literal["owner", "framer", "apprentice"]
PersonId = Annotated[str, Path(max_length=40, pattern=r"^[0-9a-f]+$")]


class NewPerson(Body):
    """Somebody new."""

    name: Name
    role: PersonRole


class ChangedPerson(Body):
    """Another name, another role; what is left out stays."""

    name: Name | None = None
    role: PersonRole | None = None


class NewTablet(Body):
    """What the tablet is called: the bench that it lies on."""

    name: Name


class HoursTo(Body):
    """Hours of their own (empty: whenever it is open), days away, the rate of an hour, as they are typed.

    ``leaves`` are stages of the work that they leave to others.
    """

    edit_id: EditId
    hours: Annotated[Line, Field(max_length=200)] | None = None
    away: Annotated[str, Field(max_length=1000)] | None = None
    rate: Annotated[Line, Field(max_length=20)] | None = None
    leaves: Annotated[tuple[Stage, ...], Field(max_length=8)] | None = None


@dataclass(frozen=True, slots=True)
class StageOf:
    """A stage of the work, and whether somebody does it."""

    stage: Stage
    says: str
    does: bool


@dataclass(frozen=True, slots=True)
class CrewHours:
    """When somebody works: hours of their own, or empty; the shop's, days away, the rate of an hour and its money.

    ``stages`` are those of the work, with whether they do them.
    """

    id: str
    hours: str
    usual: str
    away: str
    rate: str
    currency: str
    stages: tuple[StageOf, ...]


@dataclass(frozen=True, slots=True)
class RoleSays:
    """A role, and what it may do in words."""

    role: Role
    says: str


@dataclass(frozen=True, slots=True)
class Crew:
    """Everyone who works here, and the roles there are."""

    people: list[Person]
    roles: tuple[RoleSays, ...]


@dataclass(frozen=True, slots=True)
class Code:
    """A code that lets somebody in once, and for how long it is good. It is shown now, and never again."""

    person: Person
    code: str
    good_for: str


@router.get("")
@opens_to("pair")
def crew(people: PeopleDep) -> Crew:
    """Who works here."""
    return Crew(people.all(), tuple(RoleSays(role, says) for role, says in ROLE_SAYS.items()))


@router.post("", status_code=status.HTTP_201_CREATED)
@opens_to("people")
def add_person(people: PeopleDep, body: NewPerson) -> Code:
    """Somebody new, and the code with which they choose a password."""
    person = people.add(body.name, body.role)
    return Code(person, people.code_to_join(person.id), f"{JOIN_HOURS} hours")


@router.patch("/{person_id}")
@opens_to("people")
def change_person(people: PeopleDep, person_id: PersonId, body: ChangedPerson) -> list[Person]:
    """Another name, another role."""
    people.change(person_id, body.name, body.role)
    return people.all()


@router.post("/{person_id}/code")
@opens_to("people")
def new_code(people: PeopleDep, person_id: PersonId) -> Code:
    """A new code for who has forgotten a password; the old one stays good until it is used."""
    code = people.code_to_join(person_id)
    return Code(people.get(person_id), code, f"{JOIN_HOURS} hours")


@router.post("/{person_id}/hours")
@opens_to("practice")
def set_hours(people: PeopleDep, store: StockDep, person_id: PersonId, body: HoursTo) -> CrewHours:
    """When somebody works, when they are away, what their hour costs; what is left out stays."""
    name = people.get(person_id).name

    def change(shop: Shop) -> tuple[Shop, str]:
        was, today = shop.crew.get(person_id, Worker()), dt.date.today()
        now = typed.worker(shop, was, body.hours, body.away, body.rate, body.leaves, today)
        said = f"{name}: {typed.worker_said(shop, now)}"
        return shop.model_copy(update={"crew": {**shop.crew, person_id: now}}), said

    return _hours_of(store.change(change, body.edit_id), person_id)


@router.get("/hours")
@opens_to("look")
def hours(people: PeopleDep, jobs: JobsDep, who: EnteredDep) -> list[CrewHours]:
    """When everybody works here. What an hour of somebody costs is for those who may change it."""
    shop = jobs.shop()
    found = [_hours_of(shop, p.id) for p in people.all() if p.role != "tablet"]
    return found if may(who.role, "practice") else [replace(h, rate="") for h in found]


def _hours_of(shop: Shop, person_id: str) -> CrewHours:
    worker = shop.crew.get(person_id, Worker())
    own = hours_text(worker.hours) if worker.hours is not None else ""
    rate = f"{worker.rate:g}" if worker.rate is not None else ""
    stages = tuple(StageOf(s, STAGE_WORDS[s], s not in worker.leaves) for s in STAGES)
    usual, away = hours_text(shop.calendar.hours), shut_text(worker.away)
    return CrewHours(person_id, own, usual, away, rate, shop.currency, stages)


@router.delete("/{person_id}/devices")
@opens_to("people")
def sign_out_everywhere(people: PeopleDep, person_id: PersonId) -> list[Person]:
    """Out on every device: one was lost."""
    people.signs_out(person_id)
    return people.all()


@router.delete("/{person_id}")
@opens_to("people")
def leaves(people: PeopleDep, person_id: PersonId) -> list[Person]:
    """They work here no longer. What they did stays theirs."""
    people.leaves(person_id)
    return people.all()


@tablets.post("", status_code=status.HTTP_201_CREATED)
@opens_to("pair")
def pair_tablet(people: PeopleDep, body: NewTablet) -> Code:
    """A tablet for a bench, and the code that it is paired with."""
    person, code = people.code_to_pair(body.name)
    return Code(person, code, f"{PAIR_MINUTES} minutes")
