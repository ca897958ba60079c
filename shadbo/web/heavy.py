"""Heavy work from the side of a request: asked for, waited for without a connection or a thread, and answered."""

from dataclasses import dataclass

from fastapi import HTTPException, Request
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.orm import Session

from shadbo.core.decisions.edit import BadEdit
from shadbo.store.entrance import within
from shadbo.store.work import Outcome, Works, outcome_of
from shadbo.web.waiting import WaitingRoom
from shadbo.work.kinds import KINDS, Asked, Made, WorkRefused
from shadbo.work.queue import Queue

MOST_SECONDS = 80.0
"""So long a request waits; what is made afterwards is there when it is asked for again."""


@dataclass(frozen=True, slots=True)
class Given:
    """What is asked of a kind of work, for which job, and what is given with it."""

    kind: str
    job_id: int
    asked: Asked
    given: bytes = b""


async def made(request: Request, workshop_id: str, what: Given) -> Made:
    """What comes of it. Raises BadEdit for what cannot be worked on, HTTPException where it came to nothing.

    Without a queue, as in tests of the routes alone, it is done at once in this process.
    """
    queue: Queue | None = request.app.state.queue
    try:
        if queue is None:
            return await run_in_threadpool(KINDS[what.kind].run, what.asked, what.given)
        work_id = await run_in_threadpool(_put, request, queue, workshop_id, what)
        return _came(await _waited(request, workshop_id, work_id))
    except WorkRefused as bad:
        raise BadEdit(bad.at, str(bad)) from None


def _put(request: Request, queue: Queue, workshop_id: str, what: Given) -> str:
    with Session(request.app.state.engine) as s, s.begin():
        within(s, workshop_id)
        work_id = Works(s, workshop_id).ask(what.kind, what.job_id, what.asked, what.given)
    queue.put(work_id)
    return work_id


async def _waited(request: Request, workshop_id: str, work_id: str) -> Outcome | None:
    room: WaitingRoom = request.app.state.waiting
    await room.closed((workshop_id, work_id), MOST_SECONDS)
    return await run_in_threadpool(_outcome, request, workshop_id, work_id)


def _outcome(request: Request, workshop_id: str, work_id: str) -> Outcome | None:
    with request.app.state.engine.connect() as c:
        return outcome_of(c, workshop_id, work_id)


def _came(found: Outcome | None) -> Made:
    if found is None or found.state == "given up":
        raise HTTPException(409, "It was given up")
    if found.state == "made" and found.made is not None:
        return Made(found.media, found.made)
    if found.state == "refused":
        raise WorkRefused(found.at, found.says)
    if found.state == "failed":
        raise BadEdit("", f"This was too much to do: {found.says}")
    raise HTTPException(503, "It is still at work; ask again for what comes of it")
