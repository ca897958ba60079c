"""What routers depend on: a session for the request, who comes, the workshop, its jobs."""

from collections.abc import Iterator
from typing import Annotated

from fastapi import Depends, HTTPException, Request
from sqlalchemy.orm import Session

from shadbo.core.roles import REFUSED, may
from shadbo.store.archive import Archives
from shadbo.store.entrance import Entered, Entrance, within
from shadbo.store.exercises import Exercises
from shadbo.store.jobs import Jobs
from shadbo.store.learning import Learning
from shadbo.store.people import People
from shadbo.store.photos import Photos
from shadbo.store.scheduling import Scheduling
from shadbo.store.work import Works
from shadbo.store.workshops import Stockroom
from shadbo.web.cookies import token_of
from shadbo.web.opens import asked_by


def session(request: Request) -> Iterator[Session]:
    """One transaction a request; kept when the handler returns, taken back when it raises."""
    with Session(request.app.state.engine, expire_on_commit=False) as s, s.begin():
        yield s


SessionDep = Annotated[Session, Depends(session, scope="function")]


def known(request: Request, s: Session) -> Entered | None:
    """Who comes: by the token of their device, or at their word where this house has no lock. None for nobody."""
    token = token_of(request)
    who = Entrance(s).who(token) if token else None
    if who is None and request.app.state.unlocked:
        who = Entrance(s).owner_of_all()
        if who is None:
            raise HTTPException(503, "No workshop is set up yet")
    return who


def is_known(request: Request, s: Session) -> bool:
    """Whether it is someone who works here."""
    try:
        return known(request, s) is not None
    except HTTPException:
        return False


def _enter(request: Request, s: Session) -> Entered:
    """Let them in, or say why not; from here on the session sees their workshop alone.

    A plain call: a dependency of its own costs a change of thread.
    """
    before: Entered | None = getattr(request.state, "entered", None)
    if before is not None:
        return before
    who = known(request, s)
    if who is None:
        raise HTTPException(401, "Sign in first")
    ability = asked_by(request.scope["endpoint"])
    if ability is None or not may(who.role, ability):
        what = REFUSED[ability] if ability else "come in here"
        raise HTTPException(403, f"As {who.role} you may not {what}")
    within(s, who.workshop_id)
    request.state.entered = who
    return who


def entered(request: Request, s: SessionDep) -> Entered:
    """Who is served."""
    return _enter(request, s)


def jobs(request: Request, s: SessionDep) -> Jobs:
    """The jobs of their workshop."""
    who = _enter(request, s)
    return Jobs(s, who.workshop_id, who.name)


def photos(request: Request, s: SessionDep) -> Photos:
    """The photographs of their workshop."""
    return Photos(s, _enter(request, s).workshop_id)


def stockroom(request: Request, s: SessionDep) -> Stockroom:
    """The stock of their workshop."""
    who = _enter(request, s)
    return Stockroom(s, who.workshop_id, who.name)


def people(request: Request, s: SessionDep) -> People:
    """Who works in their workshop."""
    return People(s, _enter(request, s).workshop_id)


def works(request: Request, s: SessionDep) -> Works:
    """The heavy work of their workshop."""
    return Works(s, _enter(request, s).workshop_id)


def scheduling(request: Request, s: SessionDep) -> Scheduling:
    """The schedule of their workshop."""
    return Scheduling(s, _enter(request, s).workshop_id)


def archives(request: Request, s: SessionDep) -> Archives:
    """The archives of their workshop."""
    return Archives(s, _enter(request, s).workshop_id)


ArchivesDep = Annotated[Archives, Depends(archives, scope="function")]


def learning(request: Request, s: SessionDep) -> Learning:
    """What is learned from their workshop's jobs."""
    return Learning(s, _enter(request, s).workshop_id)


LearningDep = Annotated[Learning, Depends(learning, scope="function")]


def exercises(request: Request, s: SessionDep) -> Exercises:
    """Exercises of who is served."""
    who = _enter(request, s)
    return Exercises(s, who.workshop_id, who.person_id)


ExercisesDep = Annotated[Exercises, Depends(exercises, scope="function")]
ScheduleDep = Annotated[Scheduling, Depends(scheduling, scope="function")]
WorksDep = Annotated[Works, Depends(works, scope="function")]
EnteredDep = Annotated[Entered, Depends(entered, scope="function")]
StockDep = Annotated[Stockroom, Depends(stockroom, scope="function")]
PhotosDep = Annotated[Photos, Depends(photos, scope="function")]
JobsDep = Annotated[Jobs, Depends(jobs, scope="function")]
PeopleDep = Annotated[People, Depends(people, scope="function")]
