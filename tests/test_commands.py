"""The start command, run as a person runs it: in a terminal, stopped with Ctrl-C."""

import os
import pty
import re
import select
import signal
import time
import urllib.request
from pathlib import Path

from tests.server import free_port

ROOT = Path(__file__).parents[1]


def test_the_demo_serves_and_stops_cleanly():
    port = free_port()
    pid, terminal = pty.fork()
    if pid == 0:
        os.chdir(ROOT)
        os.environ["PORT"] = str(port)
        os.execv("script/demo", ["script/demo"])
    said, asked, end = b"", False, time.monotonic() + 240
    while time.monotonic() < end:
        ready, _, _ = select.select([terminal], [], [], 0.5)
        if ready:
            try:
                part = os.read(terminal, 4096)
            except OSError:
                break
            if not part:
                break
            said += part
        # Two programs write to one terminal: what one says may begin before the other's line has ended.
        told = [
            re.search(words + rb" is at (http://[0-9.]+:[0-9]+)[^0-9]", said) for words in (b"Shadbo", b"stand-in")
        ]
        if told[0] and told[1] and not asked:
            address, cutter = (found.group(1).decode() for found in told if found)
            assert answers(f"{address}/api/health", patient=True)
            assert answers(cutter)
            os.write(terminal, b"\x03")
            asked = True
    if not asked:  # it would never end, and nor would this test
        os.killpg(pid, signal.SIGTERM)
    _, status = os.waitpid(pid, 0)
    assert asked, said.decode()
    assert os.waitstatus_to_exitcode(status) == 0, said.decode()
    assert b"stopped" in said
    assert not answers(f"{address}/api/health")
    assert not answers(cutter)


def answers(address: str, patient: bool = False) -> bool:
    opener = urllib.request.build_opener(urllib.request.ProxyHandler({}))
    for _ in range(40 if not patient else 900):
        try:
            with opener.open(address, timeout=2) as answer:
                return answer.status == 200
        except OSError:
            time.sleep(0.1)
    return False
