"""Ten people typing, without and with heavy work waiting: script/bench load [--heavy 50]

The same typing as in live_plan, first alone, then while so many layouts, none of them asked for before, wait for the
worker: from the moment that all of them are in the queue, since ten people do not ask for fifty at once.
"""

import argparse
import json
import threading
import time
import urllib.error
import urllib.request
from collections import Counter

from bench.common import machine, show
from bench.live_plan import PEOPLE, person
from bench.serving import serving

LAID_OUT = 119
PATIENCE_S = 120


def typing(port: int, says: str) -> None:
    """Ten people type; their times are printed."""
    times: list[float] = []
    people = [threading.Thread(target=person, args=(port, n, times)) for n in range(PEOPLE)]
    for p in people:
        p.start()
    for p in people:
        p.join()
    show(says, times, "p95 < 40 ms")


def lays_out(url: str, n: int, came: Counter[int]) -> None:
    """Somebody asks for layouts of pieces with a gap that nobody has asked for yet."""
    edit = {"at": "options/shadow_box/layout/gap", "to": {"typed": f"{20 + n / 10:g}"}}
    body = json.dumps({"edits": [edit], "system": "mm"}).encode()
    ask = urllib.request.Request(f"{url}/api/jobs/{LAID_OUT}/layouts", body, {"Content-Type": "application/json"})
    try:
        with urllib.request.urlopen(ask, timeout=PATIENCE_S) as answer:
            came[answer.status] += 1
    except urllib.error.HTTPError as refused:
        came[refused.code] += 1
    except OSError:
        came[0] += 1


def waiting(url: str) -> int:
    """How much heavy work is in the queue."""
    with urllib.request.urlopen(f"{url}/api/health", timeout=10) as answer:
        many: int = json.load(answer)["waiting"]
    return many


def main() -> None:
    """Type, ask for heavy work, type again, print."""
    ask = argparse.ArgumentParser(description=__doc__)
    ask.add_argument("--heavy", type=int, default=50)
    said = ask.parse_args()
    print(machine(), f"— {PEOPLE} people typing; then {said.heavy} layouts waiting beside them")
    with serving() as server:
        typing(server.port, "warming up")
        typing(server.port, "alone")
        came: Counter[int] = Counter()
        began = time.monotonic()
        heavy = [threading.Thread(target=lays_out, args=(server.url, n, came)) for n in range(said.heavy)]
        for h in heavy:
            h.start()
        while waiting(server.url) < said.heavy - 2 and time.monotonic() - began < PATIENCE_S:
            time.sleep(0.1)
        print(f"{said.heavy} asked for and in the queue after {time.monotonic() - began:.1f} s")
        typing(server.port, f"beside {said.heavy} layouts")
        print("still waiting:", waiting(server.url))
        for h in heavy:
            h.join()
        print(f"answers {dict(came)} after {time.monotonic() - began:.0f} s (503: still at work, ask again)")


if __name__ == "__main__":
    main()
