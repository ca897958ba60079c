"""Serving: one process a core, with the database as all that they share."""

import ctypes
import os
import signal

import uvicorn
from fastapi import FastAPI

from shadbo.web.app import create_app
from shadbo.web.settle import settle

PR_SET_PDEATHSIG = 1
"""prctl(2) on Linux: the signal that a process gets when the one that started it has died."""

FIRST = "SHADBO_FIRST_PROCESS"


def cores() -> int:
    """How many cores this process may run on."""
    return len(os.sched_getaffinity(0))


def served() -> FastAPI:
    """The application of one process among several; it ends at once when the first one has died."""
    ctypes.CDLL(None, use_errno=True).prctl(PR_SET_PDEATHSIG, signal.SIGKILL)
    if os.getppid() != int(os.environ[FIRST]):
        raise SystemExit("the process that started this one has died already")
    return _ready()


def serve(port: int, processes: int) -> None:
    """Serve on loopback until stopped."""
    if processes == 1:
        uvicorn.run(_ready(), host="127.0.0.1", port=port, log_level="warning")
    else:
        os.environ[FIRST] = str(os.getpid())
        uvicorn.run(
            "shadbo.web.serve:served",
            factory=True,
            workers=processes,
            host="127.0.0.1",
            port=port,
            log_level="warning",
        )


def _ready() -> FastAPI:
    app = create_app()
    settle()
    return app
