"""A piece of work in a process of its own, which ends with it: so much time, so much memory, and no more."""

import ctypes
import multiprocessing
import os
import resource
import signal
import time
from collections.abc import Callable
from contextlib import suppress
from dataclasses import dataclass
from multiprocessing.connection import Connection

from shadbo.work.kinds import Asked, Kind, Made, WorkRefused

PR_SET_PDEATHSIG = 1
NICE = 10
"""Typing goes before heavy work."""
SHARING = "SHADBO_HEAVY"
"""“shared” where other programs keep the machine busy all the time: heavy work takes a small share beside them."""
LOOK_SECONDS = 0.25
WALL = 10
"""It is done in the time that others leave; after so many times as long as it may take it is given up."""
MB = 1_000_000


class WorkFailed(RuntimeError):
    """It took more than its limits, or ended without a word; says which."""


class WorkStopped(RuntimeError):
    """Somebody gave it up."""


@dataclass(frozen=True, slots=True)
class _Told:
    """What a process of work says at its end."""

    made: Made | None = None
    at: str = ""
    refused: str = ""
    failed: str = ""


_context = multiprocessing.get_context("forkserver")
_context.set_forkserver_preload(["shadbo.work.limits", "shadbo.files.pdf_page"])  # once, not for every paper


def within_limits(kind: Kind, asked: Asked, given: bytes, given_up: Callable[[], bool] = lambda: False) -> Made:
    """Do a piece of work. Raises WorkRefused for what none can do, WorkFailed over its limits, WorkStopped."""
    here, there = _context.Pipe(duplex=False)
    child = _context.Process(target=_work, args=(there, kind, asked, given), daemon=True)
    child.start()
    there.close()
    try:
        told = _heard(here, kind, given_up)
    finally:
        child.kill()
        child.join()
        here.close()
    if told.refused:
        raise WorkRefused(told.at, told.refused)
    if told.made is None:
        raise WorkFailed(told.failed)
    return told.made


def _heard(here: Connection, kind: Kind, given_up: Callable[[], bool]) -> _Told:
    until = time.monotonic() + kind.seconds * WALL
    while True:
        try:
            if here.poll(LOOK_SECONDS):
                told: _Told = here.recv()
                return told
        except EOFError:
            return _Told(failed=f"it took more than {kind.seconds} s of work, and was ended")
        if given_up():
            raise WorkStopped("given up")
        if time.monotonic() > until:
            return _Told(failed=f"it was not done after {kind.seconds * WALL} s, and was ended")


def _in_time_left_over() -> None:
    """Whoever types is let in at once, not after a slice of this. Some containers refuse it."""
    with suppress(OSError):
        os.sched_setscheduler(0, os.SCHED_IDLE, os.sched_param(0))


def _work(there: Connection, kind: Kind, asked: Asked, given: bytes) -> None:
    ctypes.CDLL(None, use_errno=True).prctl(PR_SET_PDEATHSIG, signal.SIGKILL)
    os.nice(NICE)
    if os.environ.get(SHARING) != "shared":
        _in_time_left_over()
    limit_data(kind.megabytes)
    resource.setrlimit(resource.RLIMIT_CPU, (kind.seconds, kind.seconds + 1))
    try:
        there.send(_Told(made=kind.run(asked, given)))
    except WorkRefused as bad:
        there.send(_Told(at=bad.at, refused=str(bad)))
    except MemoryError:
        there.send(_Told(failed=f"it takes more than {kind.megabytes} MB, and was ended"))
    except Exception as bad:  # whatever it is, the asker is told and the worker goes on
        there.send(_Told(failed=f"{type(bad).__name__}: {bad}"[:300]))


def limit_data(megabytes: int) -> None:
    """Let this process take so much more memory than it has now; what wants more raises MemoryError."""
    with open("/proc/self/statm", encoding="ascii") as f:
        now = int(f.read().split()[5]) * resource.getpagesize()
    most = now + megabytes * MB
    resource.setrlimit(resource.RLIMIT_DATA, (most, most))
