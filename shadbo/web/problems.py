"""Errors as problem details (RFC 9457), each with the place where the mistake was made."""

import json
import logging
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import Response
from pydantic import BaseModel
from sqlalchemy.exc import DataError, DBAPIError, OperationalError
from sqlalchemy.exc import TimeoutError as PoolTimeout
from starlette.exceptions import HTTPException

from shadbo.core.decisions.edit import BadEdit
from shadbo.core.findings import CannotPlan
from shadbo.core.words.refusals import refusal
from shadbo.files.job_file import BadFile
from shadbo.store.entrance import TooManyTries
from shadbo.store.people import BadPerson, NoSuchPerson
from shadbo.store.photos import NoSuchPhoto, TooManyPhotos
from shadbo.store.records import NoSuchJob, NothingToUndo, Stale
from shadbo.store.secrets import BadPassword, Busy
from shadbo.store.work import TooMuchWork
from shadbo.store.workshops import StockChanged

log = logging.getLogger("shadbo.web")


class Wrong(BaseModel):
    """One mistake: where, what is wrong with it, what was found."""

    at: str
    message: str
    found: Any = None


class Since(BaseModel):
    """One change that someone else saved meanwhile."""

    at: str
    to: Any = None


class Problem(BaseModel):
    """Problem details, with the mistakes and, for a stale save, what has changed since."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str = ""
    errors: list[Wrong] = []
    version: int | None = None
    since: list[Since] = []
    clashing: list[str] = []


RESPONSES: dict[int | str, dict[str, Any]] = {
    code: {"model": Problem, "description": words, "content": {"application/problem+json": {}}}
    for code, words in (
        (401, "Not signed in"),
        (403, "Not for this role"),
        (404, "Not found"),
        (409, "Not as it stands"),
        (408, "Not sent in time"),
        (413, "Too large"),
        (421, "Not a name of this installation"),
        (412, "Changed meanwhile"),
        (422, "Not accepted"),
        (503, "No database"),
    )
}


RETRY_SECONDS = 2


def answer(problem: Problem) -> Response:
    """The problem as a response; one that passes says when to try again. Half of a pair of signs is told as “?”."""
    again = {"Retry-After": str(RETRY_SECONDS)} if problem.status == 503 else None
    told = json.dumps(problem.model_dump(mode="json"), ensure_ascii=False).encode("utf-8", "replace")
    return Response(told, status_code=problem.status, headers=again, media_type="application/problem+json")


def install(app: FastAPI) -> None:
    """Teach the application to answer every error as a problem."""

    @app.exception_handler(BadEdit)
    def bad_edit(_: Request, bad: BadEdit) -> Response:
        wrong = Wrong(at=bad.at, message=bad.message, found=_plain(bad.found))
        return answer(Problem(title="This cannot stand there", status=422, detail=str(bad), errors=[wrong]))

    @app.exception_handler(CannotPlan)
    def cannot_plan(_: Request, bad: CannotPlan) -> Response:
        log.error("a plan fails", exc_info=bad)
        return answer(
            Problem(
                type="/problems/cannot-plan",
                title="This cannot be planned as it stands",
                status=422,
                detail="Nothing typed is lost. The drawing is the last that could be made; take back what was "
                "decided last, or type another size.",
            )
        )

    @app.exception_handler(BadFile)
    def bad_file(_: Request, bad: BadFile) -> Response:
        wrong = Wrong(at=bad.where, message=f"expected {bad.expected}", found=bad.found)
        return answer(Problem(title="This is no job file", status=422, detail=str(bad), errors=[wrong]))

    @app.exception_handler(RequestValidationError)
    def bad_request(_: Request, bad: RequestValidationError) -> Response:
        errors = [
            Wrong(
                at="/".join(str(p) for p in e["loc"] if p != "body"),
                message=refusal(e),
                found=_plain(e.get("input")),
            )
            for e in bad.errors()
        ]
        return answer(Problem(title="The request is not understood", status=422, errors=errors[:20]))

    @app.exception_handler(NoSuchJob)
    def no_job(_: Request, bad: NoSuchJob) -> Response:
        return answer(Problem(title="Not found", status=404, detail=str(bad)))

    @app.exception_handler(NoSuchPhoto)
    def no_photo(_: Request, bad: NoSuchPhoto) -> Response:
        return answer(Problem(title="Not found", status=404, detail=str(bad)))

    @app.exception_handler(TooManyPhotos)
    def too_many(_: Request, bad: TooManyPhotos) -> Response:
        wrong = Wrong(at="photos", message=str(bad))
        return answer(Problem(title="No room for it", status=422, detail=str(bad), errors=[wrong]))

    @app.exception_handler(NothingToUndo)
    def nothing(_: Request, bad: NothingToUndo) -> Response:
        return answer(Problem(title="Nothing to do", status=409, detail=str(bad)))

    @app.exception_handler(StockChanged)
    def stock_changed(_: Request, bad: StockChanged) -> Response:
        return answer(Problem(title="Someone else has changed the stock", status=412, detail=str(bad),
                              version=bad.version))  # fmt: skip

    @app.exception_handler(TooManyTries)
    def too_often(_: Request, bad: TooManyTries) -> Response:
        minutes = -(-bad.seconds // 60)
        told = answer(Problem(title="Too many tries from there", status=429,
                              detail=f"Try again in {minutes} minute{'s' if minutes > 1 else ''}."))  # fmt: skip
        told.headers["Retry-After"] = str(bad.seconds)
        return told

    @app.exception_handler(TooMuchWork)
    def too_much(_: Request, bad: TooMuchWork) -> Response:
        return answer(Problem(title="Too much waits already", status=503, detail=f"{bad}. Try again in a moment."))

    @app.exception_handler(Busy)
    def busy(_: Request, bad: Busy) -> Response:
        return answer(Problem(title="Too much at once", status=503, detail="Try again in a moment."))

    @app.exception_handler(BadPassword)
    def bad_password(_: Request, bad: BadPassword) -> Response:
        wrong = Wrong(at="password", message=str(bad))
        return answer(Problem(title="Not a password", status=422, detail=str(bad), errors=[wrong]))

    @app.exception_handler(BadPerson)
    def bad_person(_: Request, bad: BadPerson) -> Response:
        wrong = Wrong(at=bad.at, message=str(bad))
        return answer(Problem(title="This cannot stand there", status=422, detail=str(bad), errors=[wrong]))

    @app.exception_handler(NoSuchPerson)
    def no_person(_: Request, bad: NoSuchPerson) -> Response:
        return answer(Problem(title="Not found", status=404, detail=str(bad)))

    @app.exception_handler(Stale)
    def stale(_: Request, bad: Stale) -> Response:
        since = [Since(at=e.at, to=e.to) for e in bad.since]
        return answer(
            Problem(
                title="Someone else has changed this job",
                status=412,
                detail=str(bad),
                version=bad.version,
                since=since,
                clashing=bad.clashing,
            )
        )

    @app.exception_handler(HTTPException)
    def http(_: Request, bad: HTTPException) -> Response:
        if bad.status_code == 400:  # a body that cannot be parsed at all, such as one nested without end
            return answer(Problem(title="The request is not understood", status=422, detail=str(bad.detail)))
        told = answer(Problem(title=str(bad.detail), status=bad.status_code))
        told.headers.update(bad.headers or {})
        return told

    @app.exception_handler(OperationalError)
    def no_database(_: Request, bad: OperationalError) -> Response:
        log.warning("database: %s", bad.orig)
        return answer(
            Problem(
                title="The database does not answer",
                status=503,
                detail="Nothing typed is lost; it is tried again.",
            )
        )

    @app.exception_handler(PoolTimeout)
    def too_busy(_: Request, bad: PoolTimeout) -> Response:
        log.warning("no connection to the database is free: %s", bad)
        detail = "Nothing typed is lost; it is tried again."
        return answer(Problem(title="Too much at once", status=503, detail=detail))

    @app.exception_handler(DataError)
    def not_storable(_: Request, bad: DataError) -> Response:
        log.warning("not storable: %s", bad.orig)
        return answer(Problem(title="This cannot be stored", status=422, detail=str(bad.orig).splitlines()[0]))

    @app.exception_handler(DBAPIError)
    def not_written(_: Request, bad: DBAPIError) -> Response:
        log.error("the database refuses", exc_info=bad)
        return answer(Problem(title="The database refuses this just now", status=503,
                              detail="Nothing typed is lost; it is tried again."))  # fmt: skip


def _plain(found: object) -> object:
    text = found if isinstance(found, str | int | float | bool | None) else type(found).__name__
    if isinstance(text, float) and text != text:
        return "not a number"
    return text[:200].encode("utf-8", "replace").decode() if isinstance(text, str) else text
