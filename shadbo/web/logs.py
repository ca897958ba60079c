"""What the server says, for whoever looks after it: one line of JSON each, in files that rotate.

Every answer carries the id of its request, and so does every line about it. What people type is never written down:
no query, no body, no name; a path says which job, and no more.
"""

import contextvars
import json
import logging
import os
import time
import uuid
from logging.handlers import RotatingFileHandler
from pathlib import Path

from starlette.datastructures import MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from shadbo.web.problems import Problem, answer

VARIABLE = "SHADBO_LOGS"
MOST_BYTES, MOST_OLD, MOST_FILES = 2_000_000, 3, 24
SLOW_MS = 1000
_ID: contextvars.ContextVar[str] = contextvars.ContextVar("request", default="")
log = logging.getLogger("shadbo.requests")


class Line(logging.Formatter):
    """A record as one line of JSON."""

    def format(self, record: logging.LogRecord) -> str:
        """Time, level, where, what, the request's id, and what an error looked like from inside."""
        data = {
            "at": time.strftime("%Y-%m-%dT%H:%M:%S", time.gmtime(record.created)) + f".{int(record.msecs):03d}Z",
            "level": record.levelname.lower(),
            "of": record.name,
            "says": record.getMessage(),
            "request": _ID.get(),
        }
        if record.exc_info:
            data["error"] = self.formatException(record.exc_info)
        return json.dumps(data, ensure_ascii=False)


def set_up(folder: Path | None = None) -> logging.Handler | None:
    """Write to files in a folder: the one given, or that the environment names; to nowhere without either.

    Each process has a file of its own, so that none cuts another's short; the oldest go when there are too many.
    """
    named = os.environ.get(VARIABLE)
    folder = folder or (Path(named) if named else None)
    if folder is None:
        return None
    folder.mkdir(parents=True, exist_ok=True)
    old = sorted(folder.glob("shadbo-*.log*"), key=lambda p: p.stat().st_mtime)
    for path in old[: max(len(old) - MOST_FILES, 0)]:
        path.unlink(missing_ok=True)
    handler = RotatingFileHandler(folder / f"shadbo-{os.getpid()}.log", maxBytes=MOST_BYTES, backupCount=MOST_OLD)
    handler.setFormatter(Line())
    root = logging.getLogger()
    root.addHandler(handler)
    logging.getLogger("shadbo").setLevel(logging.INFO)
    return handler


SECRET_PATHS = ("/api/calendar/",)
"""Paths that end in a secret: it is not written down."""


def _told(path: str) -> str:
    return next((f"{begin}…" for begin in SECRET_PATHS if path.startswith(begin)), path)


class Requests:
    """Gives every request an id, answers for those that fail unexpectedly, and tells of them and of slow ones."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        request = uuid.uuid4().hex[:12]
        token, began, status, started = _ID.set(request), time.perf_counter(), 500, False

        async def with_id(message: Message) -> None:
            nonlocal status, started
            if message["type"] == "http.response.start":
                status, started = message["status"], True
                MutableHeaders(scope=message)["X-Request-Id"] = request
            await send(message)

        try:
            await self.app(scope, receive, with_id)
        except Exception:
            log.exception("unexpected error")
            if not started:
                fault = Problem(title="Something went wrong in the program", status=500)
                await answer(fault)(scope, receive, with_id)
        finally:
            took = (time.perf_counter() - began) * 1000
            if status >= 500 or took >= SLOW_MS:
                log.warning("%s %s %d, %.0f ms", scope["method"], _told(scope["path"]), status, took)
            _ID.reset(token)
