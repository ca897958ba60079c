"""A server of its own on the demo jobs, for benchmarks that need one. Start them through script/bench."""

from collections.abc import Iterator
from contextlib import contextmanager

from sqlalchemy.orm import Session

from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.store.jobs import Jobs
from shadbo.store.workshops import Workshops
from tests.database import fresh_database
from tests.server import Server


@contextmanager
def serving() -> Iterator[Server]:
    """The real server as a process, with the demo jobs 101 to 104."""
    with fresh_database("shadbo_bench") as (url, engine):
        with Session(engine) as s, s.begin():
            Workshops(s).add("netloft", demo_shop())
            for n, job in enumerate(demo_jobs()):
                Jobs(s, "netloft").make(job, f"demo-{n}")
        server = Server(url, "bench")
        server.start()
        try:
            yield server
        finally:
            server.kill()
