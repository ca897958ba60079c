"""A worker: the process that does heavy work, and what keeps one running beside a server."""

import asyncio
import ctypes
import os
import signal
import subprocess
import sys
import threading

from shadbo.store.database import engine
from shadbo.work.limits import PR_SET_PDEATHSIG

AGAIN_SECONDS = 1.0
STOPPING_SECONDS = 0.5
STARTER = "SHADBO_WORK_FOR"
"""The process that a worker ends with, where one started it."""


def run_worker(at_once: int) -> None:
    """Do heavy work until told to stop, or until whoever started it has died."""
    from shadbo.work.queue import work

    if starter := os.environ.get(STARTER):
        ctypes.CDLL(None, use_errno=True).prctl(PR_SET_PDEATHSIG, signal.SIGKILL)
        if os.getppid() != int(starter):
            raise SystemExit("the process that started this worker has died already")
    own = engine()
    try:
        asyncio.run(work(own, at_once))
    finally:
        own.dispose()


class Worker:
    """A worker as a child of this process; one that ends by itself is started again."""

    def __init__(self, at_once: int = 1) -> None:
        self._command = [sys.executable, "-m", "shadbo", "work", "--at-once", str(at_once)]
        self._child: subprocess.Popen[bytes] | None = None
        self._stopped = threading.Event()
        self._keeper = threading.Thread(target=self._keep, daemon=True)

    def start(self) -> None:
        """Keep one running from now on."""
        self._keeper.start()

    def stop(self) -> None:
        """Let it end, and do not start it again."""
        self._stopped.set()
        if self._child is not None:
            self._child.terminate()
        self._keeper.join(STOPPING_SECONDS)
        if self._child is not None and self._child.poll() is None:
            self._child.kill()

    def _keep(self) -> None:
        # The signal at the starter's death follows the thread that started it: this one lives as long as the process.
        while not self._stopped.is_set():
            # In a session of its own: a terminal's Ctrl-C goes to the starter, which ends it.
            own = {**os.environ, STARTER: str(os.getpid())}
            self._child = subprocess.Popen(self._command, env=own, start_new_session=True)
            self._child.wait()
            self._stopped.wait(AGAIN_SECONDS)
