"""A server of its own on the demo jobs, for benchmarks that need one. Start them through script/bench."""

from collections.abc import Iterator
from contextlib import contextmanager

from shadbo.web.serve import cores
from tests.database import demo_database
from tests.server import Server
from tests.stand_ins import Cutter


@contextmanager
def serving() -> Iterator[Server]:
    """The real server as a process, with the demo jobs from 101 and a quick mat cutter."""
    with demo_database("shadbo_bench") as (url, _), Cutter(pace=30) as cutter:
        server = Server(url, "bench", cores(), 1, SHADBO_CUTTER_URL=cutter.url)
        server.start()
        try:
            yield server
        finally:
            server.kill()
