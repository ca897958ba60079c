"""The server as a process: it stops cleanly, and being killed loses no change that it has acknowledged."""

from collections.abc import Iterator
from uuid import uuid4

import httpx
import pytest

from tests.server import Server


@pytest.fixture
def server(database, client) -> Iterator[Server]:
    server = Server(database[0], "process")
    server.start()
    yield server
    server.kill()


def test_killed_at_once_it_has_kept_every_acknowledged_change(server: Server):
    with httpx.Client(base_url=server.url, trust_env=False, timeout=10) as http:
        job = http.post("/api/jobs", json={"edit_id": str(uuid4())}).json()
        acknowledged = 1
        for round_ in range(3):
            for _ in range(10):
                edit = {"at": "note", "to": f"change {acknowledged}"}
                body = {"version": acknowledged, "edit_id": str(uuid4()), "edits": [edit]}
                acknowledged = http.post(f"/api/jobs/{job['id']}/edits", json=body).json()["version"]
            server.kill()
            server.start()
            kept = http.get(f"/api/jobs/{job['id']}").json()
            assert kept["version"] == acknowledged == 1 + 10 * (round_ + 1)
        assert len(http.get(f"/api/jobs/{job['id']}/revisions").json()) == acknowledged


def test_it_stops_cleanly(server: Server):
    assert server.stop() in (0, -15)
