"""The real server as a process of its own, for tests that cut it off, and for the browser."""

import os
import socket
import ssl
import subprocess
import sys
import time
import urllib.request
from pathlib import Path

from shadbo.store.database import VARIABLE
from shadbo.web.variables import UNLOCKED

LOG = Path(__file__).parents[1] / "var" / "log"


def free_port() -> int:
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        port: int = s.getsockname()[1]
        return port


class Server:
    """``shadbo serve`` on a database; can be killed and started again at the same address."""

    def __init__(
        self, database_url: str, name: str, processes: int = 1, workers: int = 0, **environment: str
    ) -> None:
        self.database_url = database_url
        self.environment = environment
        self.processes = processes
        self.workers = workers
        self.port = free_port()
        self.log = LOG / f"server-{name}.log"
        self.process: subprocess.Popen[bytes] | None = None

    @property
    def url(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self, *more: str, at: str = "http://127.0.0.1", authority: Path | None = None) -> None:
        """With more words of the command line; where it is asked whether it is up, and whose certificates it has."""
        self.log.parent.mkdir(parents=True, exist_ok=True)
        with self.log.open("ab") as out:
            self.process = subprocess.Popen(
                [
                    sys.executable,
                    "-m",
                    "shadbo",
                    "serve",
                    "--port",
                    str(self.port),
                    "--processes",
                    str(self.processes),
                    "--workers",
                    str(self.workers),
                    *more,
                ],
                env={**os.environ, UNLOCKED: "yes", **self.environment, VARIABLE: self.database_url},
                stdout=out,
                stderr=out,
            )
        for _ in range(400):
            try:
                trusting = ssl.create_default_context(cafile=str(authority)) if authority else None
                tls = [urllib.request.HTTPSHandler(context=trusting)] if trusting else []
                opener = urllib.request.build_opener(urllib.request.ProxyHandler({}), *tls)
                with opener.open(f"{at}:{self.port}/api/health", timeout=2) as answer:
                    if answer.status == 200:
                        return
            except OSError:
                time.sleep(0.1)
        raise RuntimeError(f"the server did not come up; see {self.log}")

    def kill(self) -> None:
        """At once, as when the power goes."""
        if self.process is not None:
            self.process.kill()
            self.process.wait()
            self.process = None
            self._gone()

    def _gone(self) -> None:
        """Those that it started end with it, a moment later."""
        for _ in range(100):
            with socket.socket() as s:
                if s.connect_ex(("127.0.0.1", self.port)) != 0:
                    return
            time.sleep(0.05)
        raise RuntimeError("it still serves after it was killed")

    def stop(self) -> int:
        """As Ctrl-C does; the exit status."""
        assert self.process is not None
        self.process.terminate()
        status = self.process.wait(timeout=20)
        self.process = None
        return status
