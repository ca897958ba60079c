"""The live plan request while ten people type. Run: script/bench live_plan

Each of ten clients types without a pause, five keys in two seconds, for fifteen seconds; a framer who also
handles the tape types far less.
"""

import threading
import time

import httpx

from bench.common import machine, show
from bench.serving import serving

PEOPLE, SECONDS, EVERY = 10, 15, 0.4


def person(url: str, n: int, times: list[float], late: list[float]) -> None:
    """One framer at one job, typing gaps."""
    with httpx.Client(base_url=url, trust_env=False, timeout=10) as http:
        due = time.perf_counter() + n * EVERY / PEOPLE
        for i in range(int(SECONDS / EVERY)):
            time.sleep(max(0.0, due - time.perf_counter()))
            width = {"typed": f"{400 + (n * 37 + i) % 300}.{i % 10}", "tool": "rule"}
            edits = [{"at": "pieces/piece/detail/width_top", "to": width}]
            body = {"edits": edits, "view": ("edge", "front", "back", "parts")[i % 4]}
            start = time.perf_counter()
            http.post(f"/api/jobs/{101 + n % 4}/plan", json=body).raise_for_status()
            times.append((time.perf_counter() - start) * 1000)
            late.append(max(0.0, start - due) * 1000)
            due += EVERY


def main() -> None:
    print(machine(), f"— {PEOPLE} clients, a request every {EVERY:g} s each, {SECONDS} s")
    with serving() as server:
        times: list[float] = []
        late: list[float] = []
        person(server.url, 0, [], [])
        people = [threading.Thread(target=person, args=(server.url, n, times, late)) for n in range(PEOPLE)]
        for p in people:
            p.start()
        for p in people:
            p.join()
        show("live plan, ten people typing", times, "p95 < 40 ms")
        with httpx.Client(base_url=server.url, trust_env=False, timeout=10) as http:
            advice = []
            for n in range(60):
                start = time.perf_counter()
                http.post(f"/api/jobs/{101 + n % 4}/remedies", json={}).raise_for_status()
                advice.append((time.perf_counter() - start) * 1000)
        show("remedies, one person", advice, "< 150 ms")


if __name__ == "__main__":
    main()
