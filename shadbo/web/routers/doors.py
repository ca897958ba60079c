"""Doors: who is here, signing in and out, and the codes that let somebody in."""

import logging
from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, HTTPException, Request, Response
from fastapi.responses import JSONResponse
from pydantic import Field
from sqlalchemy.orm import Session

from shadbo.core.roles import ABILITIES, Ability, Role, may
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import MarkName
from shadbo.store.entrance import Entered, Entrance, NotLetIn
from shadbo.store.people import People
from shadbo.web.bodies import Body
from shadbo.web.cookies import give, take, token_of
from shadbo.web.deps import SessionDep, known
from shadbo.web.opens import opens_to_all
from shadbo.web.problems import RESPONSES, Problem, answer

log = logging.getLogger("shadbo.doors")
router = APIRouter(prefix="/api/session", tags=["doors"], responses=RESPONSES | {429: RESPONSES[403]})

Name = Annotated[str, Field(min_length=1, max_length=60, pattern=r"^[^\x00-\x1f]*$")]
Password = Annotated[str, Field(min_length=1, max_length=200, pattern=r"^[^\x00]*$")]
Code = Annotated[str, Field(min_length=1, max_length=40)]


class SignIn(Body):
    """Name and password."""

    name: Name
    password: Password


class Join(Body):
    """The code that was given, and the password that is chosen with it."""

    code: Code
    password: Password


class Pair(Body):
    """The code that was given to a tablet."""

    code: Code


class SetUp(Body):
    """The code that the first start printed; the first owner; and what a workshop that is not there yet is called.

    Its racks are empty, and its practice is what the program ships with.
    """

    code: Code
    name: Name
    password: Password
    shop_name: Annotated[str, Field(max_length=80, pattern=r"^[^\x00-\x1f]*$")] = ""
    mark: MarkName = "0.5 mm"


class NewPassword(Body):
    """The password so far, and the new one."""

    old: Password
    new: Password


class ChangeTo(Body):
    """Whom to be, in a house without a lock."""

    person_id: Annotated[str, Field(max_length=40)]


@dataclass(frozen=True, slots=True)
class Other:
    """Someone else to change to."""

    id: str
    name: str
    role: Role


@dataclass(frozen=True, slots=True)
class Here:
    """Who is here, and what they may do; nobody, where ``name`` is None.

    ``others`` can be changed to without a password where the house has no lock; ``needs_set_up`` is true before the
    first owner has come in.
    """

    id: str
    name: str | None
    role: Role | None
    may: tuple[Ability, ...]
    unlocked: bool
    needs_set_up: bool
    others: tuple[Other, ...]


def _here(request: Request, session: Session, who: Entered | None) -> Here:
    unlocked = bool(request.app.state.unlocked)
    if who is None:
        return Here("", None, None, (), unlocked, Entrance(session).needs_set_up(), ())
    others: tuple[Other, ...] = ()
    if unlocked:
        people = People(session, who.workshop_id).all()
        others = tuple(Other(p.id, p.name, p.role) for p in people if p.id != who.person_id)
    can = tuple(a for a in ABILITIES if may(who.role, a))
    return Here(who.person_id, who.name, who.role, can, unlocked, False, others)


def _address(request: Request) -> str:
    return request.client.host if request.client else ""


def _through(request: Request, door: Callable[[], str]) -> Response:
    """Let the device keep the token that a door gives, or say why there is none.

    A refusal is answered, not raised: the try that failed is to be remembered with this very transaction.
    """
    try:
        token = door()
    except NotLetIn as bad:
        log.warning("not let in from %s by %s", _address(request), request.url.path)
        return answer(Problem(title="Not let in", status=403, detail=str(bad)))
    log.info("let in from %s by %s", _address(request), request.url.path)
    response = JSONResponse(None)
    give(request, response, token)
    return response


@router.get("")
@opens_to_all
def who_is_here(request: Request, session: SessionDep) -> Here:
    """Who this device belongs to."""
    try:
        return _here(request, session, known(request, session))
    except HTTPException:  # no workshop yet, in a house without a lock
        return _here(request, session, None)


@router.post("", response_model=None)
@opens_to_all
def sign_in(request: Request, session: SessionDep, body: SignIn) -> Response:
    """By name and password."""
    return _through(request, lambda: Entrance(session).sign_in(body.name, body.password, _address(request)))


@router.delete("", response_model=None)
@opens_to_all
def sign_out(request: Request, session: SessionDep) -> Response:
    """This device is nobody's any more."""
    if token := token_of(request):
        Entrance(session).sign_out(token)
    response = JSONResponse(None, headers={"Clear-Site-Data": '"cache"'})
    take(request, response)
    return response


@router.post("/join", response_model=None)
@opens_to_all
def join(request: Request, session: SessionDep, body: Join) -> Response:
    """Choose a password with a code."""
    return _through(request, lambda: Entrance(session).join(body.code, body.password, _address(request)))


@router.post("/pair", response_model=None)
@opens_to_all
def pair(request: Request, session: SessionDep, body: Pair) -> Response:
    """Make this device a tablet of the workshop, with a code."""
    return _through(request, lambda: Entrance(session).pair(body.code, _address(request)))


@router.post("/setup", response_model=None)
@opens_to_all
def set_up(request: Request, session: SessionDep, body: SetUp) -> Response:
    """The first owner, with the code of the first start."""
    shop = Shop(name=" ".join(body.shop_name.split()) or "Workshop", mark=body.mark)
    return _through(
        request, lambda: Entrance(session).set_up(body.code, body.name, body.password, shop, _address(request))
    )


@router.post("/as", response_model=None)
@opens_to_all
def change_to(request: Request, session: SessionDep, body: ChangeTo) -> Response:
    """Be somebody else, where the house has no lock."""
    who = known(request, session) if request.app.state.unlocked else None
    if who is None:
        return answer(Problem(title="Not let in", status=403, detail="here everyone signs in with a password"))
    return _through(request, lambda: Entrance(session).as_person(who.workshop_id, body.person_id))


@router.post("/password", response_model=None)
@opens_to_all
def change_password(request: Request, session: SessionDep, body: NewPassword) -> Response:
    """Another password for who is here and knows the old one; every other device of theirs is signed out."""
    who = known(request, session)
    if who is None or not who.person_id:
        raise HTTPException(401, "Sign in first")
    return _through(request, lambda: Entrance(session).change_password(who, body.old, body.new, _address(request)))
