"""Stand-ins of devices as processes of their own, at a pace that tests can wait for."""

import subprocess
import sys
import time
from collections.abc import Callable
from types import TracebackType
from typing import Any, Self

import httpx

from tests.server import free_port


class Service:
    """A command of the program that serves on a free port, as a process of its own; stopped at the end."""

    def __init__(self, *command: str) -> None:
        self.port, self.command = free_port(), command
        self.url = f"http://127.0.0.1:{self.port}"
        self.process: subprocess.Popen[bytes] | None = None

    def begin(self) -> None:
        """Start it without waiting for it."""
        command = [sys.executable, "-m", "shadbo", *self.command, "--port", str(self.port)]
        self.process = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)

    def __enter__(self) -> Self:
        if self.process is None:
            self.begin()
        for _ in range(150):
            try:
                httpx.get(self.url, timeout=1, trust_env=False)
                return self
            except httpx.HTTPError:
                time.sleep(0.1)
        raise RuntimeError(f"{self.command} did not come up")

    def __exit__(self, *_: type[BaseException] | BaseException | TracebackType | None) -> None:
        assert self.process is not None
        self.process.terminate()
        self.process.wait(timeout=20)


class Cutter(Service):
    """The cutter's stand-in, so many times quicker than a machine."""

    def __init__(self, pace: float) -> None:
        super().__init__("cutter", "--pace", str(pace))

    def wait(self, ask: Callable[[], dict[str, Any]], state: str) -> dict[str, Any]:
        """Ask until that state is told; the last answer."""
        for _ in range(100):
            answer = ask()
            if answer["state"] == state:
                return answer
            time.sleep(0.05)
        raise AssertionError(answer)
