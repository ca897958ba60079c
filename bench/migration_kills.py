"""Killing a migration: script/bench migration_kills [--kills 30]

A database of the first tables with a workshop and jobs in it; the process that brings it up to date is killed at a
random moment, then the next one ends what was begun. Prints at which version each kill left the tables, and whether
every row came through.
"""

import argparse
import os
import random
import signal
import subprocess
import sys
import time
from collections import Counter

import psycopg
from sqlalchemy import text

from bench.common import machine
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.store.backup import plain
from shadbo.store.database import VARIABLE, migrate
from tests.database import fresh_database

OLD = "0001"
JOBS = 12


def fill(url: str) -> None:
    """Rows of the first version: a workshop, its jobs, a revision of each."""
    with psycopg.connect(plain(url)) as c:
        c.execute("insert into workshops (id, shop) values ('here', %s)", [demo_shop().model_dump_json()])
        for n, job in enumerate(demo_jobs()[:JOBS], 101):
            written = psycopg.types.json.Jsonb(job.as_written())
            c.execute(
                "insert into jobs"
                " (workshop_id, id, title, owner, state, worst, says, version, document, made_by_edit)"
                " values ('here', %s, %s, '', 'to cut', 'fine', '{\"mm\": \"\", \"inch\": \"\"}', 1, %s, %s)",
                [n, job.title, written, f"made-{n}"],
            )
            c.execute(
                "insert into revisions (workshop_id, job_id, version, kind, edit_id, edits, inverse, document, who)"
                " values ('here', %s, 1, 'made', %s, '[]', '[]', %s, '')",
                [n, f"made-{n}", written],
            )


def one(url: str, after_s: float) -> str:
    """Kill a migration after so long; the version that the tables were left at."""
    code = "from shadbo.store.database import migrate; migrate()"
    child = subprocess.Popen(
        [sys.executable, "-c", code], env={**os.environ, VARIABLE: url}, stderr=subprocess.DEVNULL
    )
    time.sleep(after_s)
    child.send_signal(signal.SIGKILL)
    child.wait()
    with psycopg.connect(plain(url)) as c:
        found = c.execute("select version_num from alembic_version").fetchone()
    return str(found[0]) if found else "none"


def main() -> None:
    """Kill, go on, count, print."""
    ask = argparse.ArgumentParser(description=__doc__)
    ask.add_argument("--kills", type=int, default=30)
    ask.add_argument("--seed", type=int, default=1)
    said = ask.parse_args()
    rng = random.Random(said.seed)
    print(machine(), f"— {said.kills} kills of a migration from {OLD}")
    left, lost = Counter[str](), 0
    for _ in range(said.kills):
        with fresh_database("migrating", to=OLD) as (url, engine):
            fill(url)
            left[one(url, rng.uniform(0.5, 6.0))] += 1
            migrate(url)
            with engine.connect() as c:
                rows = c.execute(text("select (select count(*) from jobs), (select count(*) from revisions)")).one()
            lost += tuple(rows) != (JOBS, JOBS)
    print(f"left at {dict(sorted(left.items()))}; databases that lost rows: {lost}")


if __name__ == "__main__":
    main()
