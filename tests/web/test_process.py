"""The server as a process: it stops cleanly, and being killed loses no change that it has acknowledged."""

import os
import signal
from collections.abc import Iterator
from pathlib import Path
from uuid import uuid4

import httpx
import pytest

from shadbo.demo.pictures import shirt_photo
from tests.server import Server


@pytest.fixture
def server(database, client) -> Iterator[Server]:
    server = Server(database[0], "process", processes=2, workers=1)
    server.start()
    yield server
    server.kill()


def test_killed_at_once_it_has_kept_every_acknowledged_change(server: Server):
    with httpx.Client(base_url=server.url, trust_env=False, timeout=10) as http:
        job = http.post("/api/jobs", json={"edit_id": str(uuid4())}).json()
        acknowledged = 1
        for _ in range(20):
            edit = {"at": "note", "to": f"change {acknowledged}"}
            body = {"version": acknowledged, "edit_id": str(uuid4()), "edits": [edit]}
            acknowledged = http.post(f"/api/jobs/{job['id']}/edits", json=body).json()["version"]
        server.kill()
        server.start()
        kept = http.get(f"/api/jobs/{job['id']}").json()
        assert kept["version"] == acknowledged == 21
        assert len(http.get(f"/api/jobs/{job['id']}/revisions").json()) == acknowledged


def worker_of(server: Server) -> int:
    """The process that does the heavy work of a server."""
    assert server.process is not None
    for task in Path(f"/proc/{server.process.pid}/task").iterdir():
        for child in (task / "children").read_text().split():
            if b"\0work\0" in Path(f"/proc/{child}/cmdline").read_bytes():
                return int(child)
    raise AssertionError("the server has no worker")


def test_heavy_work_is_done_by_a_worker_that_comes_back_when_it_is_killed(server: Server):
    with httpx.Client(base_url=server.url, trust_env=False, timeout=60) as http:
        job = http.post("/api/jobs", json={"edit_id": str(uuid4())}).json()
        sheet = f"/api/jobs/{job['id']}/papers/work-sheet.pdf"
        assert http.get(sheet).content.startswith(b"%PDF")
        assert http.get("/api/health").json()["waiting"] == 0
        os.kill(worker_of(server), signal.SIGKILL)
        photo = http.post(f"/api/jobs/{job['id']}/photos?edit_id=while-away", content=shirt_photo())
        assert photo.status_code == 201, photo.text
        nothing = http.post(f"/api/jobs/{job['id']}/photos?edit_id=no-photo", content=b"none")
        assert (nothing.status_code, nothing.json()["errors"][0]["at"]) == (422, "photos")
        assert http.get("/api/work").json() == []


def test_what_one_process_keeps_the_others_show_and_all_stop_cleanly(server: Server):
    """A fresh connection each time: any process may answer, and none may answer from before the change."""

    def ask(method: str, path: str, **more: object) -> httpx.Response:
        with httpx.Client(base_url=server.url, trust_env=False, timeout=10) as http:
            return http.request(method, path, **more)  # type: ignore[arg-type]

    job = ask("POST", "/api/jobs", json={"edit_id": str(uuid4())}).json()
    edit = {"at": "note", "to": "kept"}
    ask("POST", f"/api/jobs/{job['id']}/edits", json={"version": 1, "edit_id": str(uuid4()), "edits": [edit]})
    for _ in range(8):
        assert ask("GET", f"/api/jobs/{job['id']}").json()["version"] == 2
    assert server.stop() in (0, -15)
