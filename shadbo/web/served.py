"""The application of one process among several."""

import ctypes
import os
import signal
from typing import TYPE_CHECKING

from shadbo.store.database import database_url
from shadbo.web.logs import set_up
from shadbo.web.settle import load, settle
from shadbo.web.variables import FIRST_PROCESS

if TYPE_CHECKING:
    from fastapi import FastAPI

PR_SET_PDEATHSIG = 1
"""prctl(2) on Linux: the signal that a process gets when the one that started it has died."""


def ready() -> "FastAPI":
    """An application that is loaded and settled."""
    load()
    from shadbo.web.app import create_app
    from shadbo.work.queue import Queue

    set_up()
    app = create_app(queue=Queue(database_url()))
    settle()
    return app


def served() -> "FastAPI":
    """The same in a process that another has started: it ends at once when the first one has died."""
    ctypes.CDLL(None, use_errno=True).prctl(PR_SET_PDEATHSIG, signal.SIGKILL)
    if os.getppid() != int(os.environ[FIRST_PROCESS]):
        raise SystemExit("the process that started this one has died already")
    return ready()
