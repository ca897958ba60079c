"""What is written down of requests: ids that lead back, errors whole, and nothing that people typed."""

import json
import logging
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from shadbo.web import logs
from shadbo.web.app import create_app


@pytest.fixture
def folder(tmp_path: Path):
    handler = logs.set_up(tmp_path)
    assert handler is not None
    yield tmp_path
    logging.getLogger().removeHandler(handler)
    handler.close()


def lines(folder: Path) -> list[dict]:
    return [json.loads(x) for p in folder.glob("*.log") for x in p.read_text().splitlines()]


def test_every_answer_has_an_id(client):
    one, two = (client.get("/api/health").headers["X-Request-Id"] for _ in range(2))
    assert one != two


def test_an_error_is_written_down_with_the_id_that_its_answer_carries(folder: Path):
    app = create_app(None)

    @app.get("/api/broken/{name}")
    def broken(name: str) -> None:
        raise RuntimeError("a fault inside")

    app.router.routes.insert(0, app.router.routes.pop())
    client = TestClient(app, base_url="http://127.0.0.1", raise_server_exceptions=False)
    answer = client.get("/api/broken/here?owner=Hilde+Marsh")
    assert answer.status_code == 500
    assert answer.headers["Content-Security-Policy"], "with the headers of every other answer"
    told = [x for x in lines(folder) if x["request"] == answer.headers["X-Request-Id"]]
    assert any("a fault inside" in x.get("error", "") for x in told)
    assert any("/api/broken/here 500" in x["says"] for x in told)
    assert "Hilde" not in json.dumps(lines(folder))


def test_nothing_typed_is_written_down(folder: Path, client, api):
    job = api.make({"at": "owner/name", "to": "Hilde Marsh"})
    api.save(job, {"at": "title", "to": "a secret present"})
    client.get("/api/jobs", params={"words": "Hilde"})
    client.post(f"/api/jobs/{job['id']}/edits", content="{broken", headers={"Content-Type": "application/json"})
    text = json.dumps(lines(folder))
    assert "Hilde" not in text
    assert "secret" not in text


def test_a_secret_address_is_not_written_down(folder: Path, client, monkeypatch: pytest.MonkeyPatch):
    monkeypatch.setattr(logs, "SLOW_MS", 0)
    client.get("/api/calendar/whoever-knows-this-reads-it.ics")
    text = json.dumps(lines(folder), ensure_ascii=False)
    assert "/api/calendar/… 404" in text
    assert "whoever" not in text


def test_old_files_go_when_there_are_too_many(tmp_path: Path):
    for n in range(40):
        (tmp_path / f"shadbo-{n}.log").write_text("old")
    handler = logs.set_up(tmp_path)
    assert handler is not None
    logging.getLogger().removeHandler(handler)
    handler.close()
    assert len(list(tmp_path.glob("*.log"))) <= logs.MOST_FILES + 1


def test_without_a_folder_nothing_is_written(monkeypatch: pytest.MonkeyPatch):
    monkeypatch.delenv(logs.VARIABLE, raising=False)
    assert logs.set_up() is None
