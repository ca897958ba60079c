"""Bounds on what comes in: whom a request may name and come from, how large it is, how long it may take.

Plain ASGI, before everything else, so that nothing is read, parsed or looked up for what is refused here.
"""

import asyncio
import os
from urllib.parse import urlsplit

from starlette.datastructures import Headers as Sent
from starlette.exceptions import HTTPException
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from shadbo.web.problems import Problem, answer
from shadbo.web.variables import HOSTS

LOOPBACK = frozenset({"127.0.0.1", "localhost", "::1"})
MOST_BODY = 21_000_000
"""The largest thing that is taken in is a photograph."""
WAIT_SECONDS = 20.0
WHOLE_SECONDS = 120.0
READING = frozenset({"GET", "HEAD", "OPTIONS"})


class Bounds:
    """Refuses foreign hosts and origins, bodies that are too large, and those that do not come."""

    def __init__(self, app: ASGIApp, wait: float = WAIT_SECONDS, whole: float = WHOLE_SECONDS) -> None:
        self.app, self.wait, self.whole = app, wait, whole

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        sent = Sent(scope=scope)
        wrong = foreign(scope["method"], sent) or _too_large(sent)
        if wrong is not None:
            await answer(wrong)(scope, receive, send)
            return
        await self.app(scope, Body(receive, self.wait, self.whole), send)


class Refused(HTTPException):
    """A body that is given up; the application answers it like any other refusal."""

    def __init__(self, problem: Problem) -> None:
        super().__init__(problem.status, problem.title)
        self.problem = problem


class Body:
    """A request's body, counted and timed while it is read."""

    def __init__(self, receive: Receive, wait: float, whole: float) -> None:
        self.receive, self.wait = receive, wait
        self.left, self.until = MOST_BODY, asyncio.get_running_loop().time() + whole
        self.more = True

    async def __call__(self) -> Message:
        """The next piece. Raises Refused where it does not come in time, or where it is too much."""
        if not self.more:  # only that the other side has gone is still to be heard
            return await self.receive()
        seconds = min(self.wait, self.until - asyncio.get_running_loop().time())
        try:
            message = await asyncio.wait_for(self.receive(), max(seconds, 0.01))
        except TimeoutError:
            raise Refused(_problem(408, "The request did not come in time")) from None
        if message["type"] == "http.request":
            self.left -= len(message.get("body", b""))
            self.more = message.get("more_body", False)
            if self.left < 0:
                raise Refused(_large())
        return message


def hosts() -> frozenset[str]:
    """The names that this installation answers to."""
    more = os.environ.get(HOSTS, "")
    return LOOPBACK | {x.strip().lower() for x in more.split(",") if x.strip()}


def foreign(method: str, sent: Sent) -> Problem | None:
    """What is wrong with whom a request names or comes from; None when nothing is.

    Another name for this address is how a page elsewhere would reach in (DNS rebinding); a write that another site
    sends says so by its origin.
    """
    host = sent.get("host", "")
    if _parts(f"//{host}")[0] not in hosts():
        return _problem(421, "This installation does not go by that name")
    if method in READING:
        return None
    origin = sent.get("origin")
    if origin is not None and _parts(origin)[1] != host.lower():
        return _problem(403, "Another site may not write here")
    if sent.get("sec-fetch-site") == "cross-site":
        return _problem(403, "Another site may not write here")
    return None


def _parts(address: str) -> tuple[str, str]:
    """The name that an address goes to, and the same with its port; empty where it cannot be read."""
    try:
        parts = urlsplit(address)
        return parts.hostname or "", parts.netloc.lower()
    except ValueError:
        return "", ""


def _too_large(sent: Sent) -> Problem | None:
    length = sent.get("content-length", "")
    return _large() if length.isdigit() and int(length) > MOST_BODY else None


def _large() -> Problem:
    return _problem(413, f"More than {MOST_BODY // 1_000_000} MB is not taken in")


def _problem(status: int, title: str) -> Problem:
    return Problem(title=title, status=status)
