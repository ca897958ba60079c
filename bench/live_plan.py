"""The live plan request while ten people type. Run: script/bench live_plan

Each of ten clients types without a pause, five keys in two seconds, for fifteen seconds; a framer who also
handles the tape types far less. What is asked is what the browser asks: the open station, one view, the pictures
that it shows already left out. Plain connections, so that the ones who ask take little of what is measured.
"""

import gzip
import json
import threading
import time
from http.client import HTTPConnection
from typing import Any

from bench.common import machine, show
from bench.serving import serving

PEOPLE, SECONDS, EVERY = 10, 15, 0.4


def post(http: HTTPConnection, path: str, body: dict[str, object]) -> dict[str, Any]:
    """One request on a kept connection; its answer."""
    http.request("POST", path, json.dumps(body), {"Content-Type": "application/json", "Accept-Encoding": "gzip"})
    answer = http.getresponse()
    read = answer.read()
    assert answer.status == 200, read
    held: dict[str, Any] = json.loads(gzip.decompress(read) if answer.getheader("Content-Encoding") else read)
    return held


def person(port: int, n: int, times: list[float]) -> None:
    """One framer at one job, typing gaps."""
    http = HTTPConnection("127.0.0.1", port, timeout=10)
    due = time.perf_counter() + n * EVERY / PEOPLE
    seen: list[str] = []
    for i in range(int(SECONDS / EVERY)):
        time.sleep(max(0.0, due - time.perf_counter()))
        width = {"typed": f"{400 + (n * 37 + i) % 300}.{i % 10}", "tool": "rule"}
        edits = [{"at": "pieces/piece/detail/width_top", "to": width}]
        view = ("edge", "front", "back", "parts")[i % 4]
        start = time.perf_counter()
        plan = post(
            http,
            f"/api/jobs/{101 + n % 4}/plan",
            {"edits": edits, "view": view, "station": "measure", "seen": seen},
        )
        times.append((time.perf_counter() - start) * 1000)
        seen = [plan["board"]["mark"], plan["ladder"]["mark"]]
        due += EVERY


def main() -> None:
    print(machine(), f"— {PEOPLE} clients, a request every {EVERY:g} s each, {SECONDS} s")
    with serving() as server:
        times: list[float] = []
        person(server.port, 0, [])
        people = [threading.Thread(target=person, args=(server.port, n, times)) for n in range(PEOPLE)]
        for p in people:
            p.start()
        for p in people:
            p.join()
        show("live plan, ten people typing", times, "p95 < 40 ms")
        http = HTTPConnection("127.0.0.1", server.port, timeout=10)
        advice = []
        for n in range(60):
            start = time.perf_counter()
            post(http, f"/api/jobs/{101 + n % 4}/remedies", {})
            advice.append((time.perf_counter() - start) * 1000)
        show("remedies, one person", advice, "< 150 ms")


if __name__ == "__main__":
    main()
