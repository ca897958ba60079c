"""Who works here: people, their roles, the codes that let them in, the tablets on the benches."""

from dataclasses import dataclass
from typing import Annotated, Literal

from fastapi import APIRouter, Path, status

from shadbo.core.roles import ROLE_SAYS, Role
from shadbo.store.people import JOIN_HOURS, PAIR_MINUTES, Person
from shadbo.web.bodies import Body
from shadbo.web.deps import PeopleDep
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
