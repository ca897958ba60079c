"""Killing what serves, while people save: ``script/bench kills [--kills N]``.

Four people save edits without a pause, each again under its id until it is acknowledged, and one asks for papers.
Every second or so a process that serves, the one that does heavy work, the whole server, or a process of the database
is killed. Prints what was acknowledged, lost and doubled, and how many papers came.
"""

import argparse
import json
import os
import random
import signal
import subprocess
import threading
import time
import urllib.error
import urllib.request
import uuid
from collections import Counter
from contextlib import suppress
from dataclasses import dataclass, field

import psycopg

from bench.common import machine
from bench.serving import serving
from shadbo.store.backup import plain
from tests.server import Server

PEOPLE = 4
PATIENCE_S = 90
VICTIMS = ("serving process", "heavy worker", "server", "database process")


@dataclass
class Person:
    """Somebody who saves one job, one note after the other, and remembers what was acknowledged."""

    url: str
    job: int
    done: threading.Event
    acknowledged: list[tuple[str, str]] = field(default_factory=list)
    tries: int = 0

    def run(self) -> None:
        """Save until told to stop; what was not acknowledged is sent again under its id."""
        n = 0
        while not self.done.is_set():
            edit_id, note = uuid.uuid4().hex, f"note {n} of job {self.job}"
            version = self._version()
            while version is not None and not self.done.is_set():
                self.tries += 1
                body = {"version": version, "edit_id": edit_id, "edits": [{"at": "note", "to": note}]}
                status = self._send("POST", f"/api/jobs/{self.job}/edits", body)
                if status == 200:
                    self.acknowledged.append((edit_id, note))
                    break
                if status == 412:
                    version = self._version()
                else:
                    time.sleep(0.05)
            n += 1

    def _version(self) -> int | None:
        while not self.done.is_set():
            try:
                with urllib.request.urlopen(f"{self.url}/api/jobs/{self.job}", timeout=5) as answer:
                    return int(json.load(answer)["version"])
            except (OSError, ValueError):
                time.sleep(0.05)
        return None

    def _send(self, method: str, path: str, body: dict[str, object]) -> int:
        data = json.dumps(body).encode()
        ask = urllib.request.Request(self.url + path, data, {"Content-Type": "application/json"}, method=method)
        try:
            with urllib.request.urlopen(ask, timeout=10) as answer:
                return int(answer.status)
        except urllib.error.HTTPError as refused:
            return refused.code
        except OSError:
            return 0


def again(server: Server) -> None:
    """Kill the server and start it. A worker that is just loading holds the port until it sees that it is alone."""
    end = time.monotonic() + PATIENCE_S
    while True:
        try:
            server.kill()
            server.start()
            return
        except RuntimeError:
            if time.monotonic() > end:
                raise


def kill(server: Server, rng: random.Random) -> str:
    """Kill one of what serves; what does not come again by itself is started again."""
    assert server.process is not None
    victim = rng.choice(VICTIMS)
    if victim == "server":
        again(server)
    elif victim in ("serving process", "heavy worker"):
        found = children(server.process.pid, heavy=victim == "heavy worker")
        if not found:
            return "nothing"
        os.kill(rng.choice(found), signal.SIGKILL)
    else:
        try:
            with psycopg.connect(plain(server.database_url), connect_timeout=2) as c:
                sessions = c.execute(
                    "select pid from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()"
                ).fetchall()
            if sessions:
                os.kill(int(rng.choice(sessions)[0]), signal.SIGKILL)
        except (psycopg.Error, ProcessLookupError):
            return "nothing"
    return victim


def children(pid: int, heavy: bool) -> list[int]:
    """The processes that a server has started: those that do heavy work, or the others."""
    told = subprocess.run(["pgrep", "-P", str(pid), "-a"], capture_output=True, text=True, check=False)
    return [int(line.split()[0]) for line in told.stdout.splitlines() if (" work " in line) == heavy]


def reads_papers(url: str, done: threading.Event, came: list[int]) -> None:
    """Somebody who asks for one work sheet after the other, whatever becomes of it."""
    while not done.is_set():
        try:
            with urllib.request.urlopen(f"{url}/api/jobs/105/papers/work-sheet.pdf", timeout=30) as answer:
                came.append(len(answer.read()))
        except OSError:
            time.sleep(0.1)


def count(url: str, people: list[Person]) -> tuple[int, int, int]:
    """Acknowledged, lost, doubled: by the revisions that the database has."""
    acknowledged = lost = doubled = 0
    end = time.monotonic() + 60
    while True:
        try:
            with psycopg.connect(plain(url), connect_timeout=5) as c:
                rows = c.execute("select job_id, edit_id, edits from revisions").fetchall()
            break
        except psycopg.Error:
            if time.monotonic() > end:
                raise
            time.sleep(0.2)
    for person in people:
        notes = Counter(e["to"] for job, _, edits in rows if job == person.job for e in edits if e["at"] == "note")
        ids = {edit_id for job, edit_id, _ in rows if job == person.job}
        acknowledged += len(person.acknowledged)
        lost += sum(edit_id not in ids for edit_id, _ in person.acknowledged)
        doubled += sum(n > 1 for n in notes.values())
    return acknowledged, lost, doubled


def keeps(database_url: str) -> None:
    """Refuse a database that says it has kept what it has not: the tests' own, which is quick instead."""
    with psycopg.connect(plain(database_url)) as c:
        for setting in ("fsync", "synchronous_commit"):
            if c.execute(f"show {setting}").fetchall() != [("on",)]:
                raise SystemExit(f"{setting} is off: what this database acknowledges, a killed process may lose")


def main() -> None:
    """Save, kill, count, print."""
    ask = argparse.ArgumentParser(description=__doc__)
    ask.add_argument("--kills", type=int, default=40)
    ask.add_argument("--seed", type=int, default=1)
    said = ask.parse_args()
    rng = random.Random(said.seed)
    print(machine())
    with serving() as server:
        keeps(server.database_url)
        done = threading.Event()
        people = [Person(server.url, 101 + n, done) for n in range(PEOPLE)]
        papers: list[int] = []
        threads = [threading.Thread(target=p.run) for p in people]
        threads.append(threading.Thread(target=reads_papers, args=(server.url, done, papers)))
        for t in threads:
            t.start()
        began, killed = time.monotonic(), Counter[str]()
        with suppress(KeyboardInterrupt):  # Ctrl-C ends the killing; what was saved until then is counted
            while sum(killed.values()) < said.kills:
                time.sleep(rng.uniform(0.3, 1.2))
                killed[kill(server, rng)] += 1
                if sum(killed.values()) % 50 == 0:
                    print(f"{sum(killed.values())} after {time.monotonic() - began:.0f} s", flush=True)
        time.sleep(2)
        done.set()
        for t in threads:
            t.join()
        acknowledged, lost, doubled = count(server.database_url, people)
    print(f"{dict(killed)} in {time.monotonic() - began:.0f} s, {sum(p.tries for p in people)} tries")
    print(f"acknowledged {acknowledged}, lost {lost}, doubled {doubled}; {len(papers)} papers came")


if __name__ == "__main__":
    main()
