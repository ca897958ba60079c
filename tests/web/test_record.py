"""The record, its archive and what was learned, over HTTP."""

import io
import zipfile
from uuid import uuid4

import pytest

from tests.making import job as made
from tests.web.test_doors import crew, hashed, house, signed_in

__all__ = ["crew", "hashed", "house"]


def put(netloft, path: str, **body):
    return netloft.client.post(path, json={"edit_id": str(uuid4()), **body})


@pytest.fixture
def job(netloft) -> int:
    pieces = {"at": "pieces", "to": made().as_written()["pieces"]}
    number = put(netloft, "/api/jobs", edits=[{"at": "title", "to": "Harbour wall"}, pieces]).json()["id"]
    work = {
        "began": "2026-11-24T09:00:00Z",
        "ended": "2026-11-24T09:11:00Z",
        "who": "Ida",
        "note": "the lip was chipped",
    }
    answer = put(netloft, f"/api/jobs/{number}/edits", version=1, edits=[{"at": "work/receive", "to": work}])
    assert answer.status_code == 200, answer.text
    return number


def test_a_record_tells_what_was_done(netloft, job):
    view = netloft.client.get(f"/api/jobs/{job}/record").json()
    (doing,) = view["record"]["doings"]
    assert (doing["took"], doing["who"], doing["note"]) == (11.0, "Ida", "the lip was chipped")
    assert doing["when"] == "24 Nov 2026, 10:11", "by the shop's clock"
    assert view["record"]["title"] == "Harbour wall"
    assert netloft.client.get("/api/jobs/999/record").status_code == 404


def test_a_jobs_archive_is_a_whole_zip(netloft, job):
    answer = netloft.client.get(f"/api/jobs/{job}/archive.zip")
    assert answer.headers["content-type"] == "application/zip"
    with zipfile.ZipFile(io.BytesIO(answer.content)) as archive:
        assert archive.testzip() is None
        assert f"jobs/{job:05}/revisions.jsonl" in archive.namelist()
    assert netloft.client.get("/api/jobs/999/archive.zip").status_code == 404


def test_what_was_learned_is_told_and_tried_and_set_by_nobody_but_the_framer(netloft, job):
    view = netloft.client.get("/api/learned").json()
    assert view["jobs"] == 0
    assert all(not x["enough"] for x in view["lessons"])
    found = netloft.client.post("/api/learned/effect", json={"name": "pace_times", "typed": "1.2"}).json()
    assert (found["not_begun"], found["begun"]) == (0, 1)
    for body, at in (({"name": "whim", "typed": "1"}, "name"), ({"name": "pace_times", "typed": "fast"}, "typed")):
        answer = netloft.client.post("/api/learned/effect", json=body)
        assert (answer.status_code, answer.json()["errors"][0]["at"]) == (422, at)


def test_the_rack_finds_a_job_by_what_went_wrong(netloft, job):
    assert [x["id"] for x in netloft.client.get("/api/jobs", params={"words": "chipped lip"}).json()["jobs"]] == [job]


def test_what_an_hour_costs_is_for_those_who_set_it(house, database, crew):
    owner, apprentice = (signed_in(house, database, crew, role) for role in ("owner", "apprentice"))
    body = {"edit_id": str(uuid4()), "rate": "38"}
    assert owner.post(f"/api/people/{crew['framer']}/hours", json=body).status_code == 200
    rates = [{h["id"]: h["rate"] for h in who.get("/api/people/hours").json()} for who in (owner, apprentice)]
    assert (rates[0][crew["framer"]], set(rates[1].values())) == ("38", {""})
    work = {"began": "2026-11-24T09:00:00Z", "ended": "2026-11-24T09:30:00Z", "who": "framer here"}
    edit = {"edit_id": str(uuid4()), "version": 1, "edits": [{"at": "work/receive", "to": work}]}
    assert owner.post("/api/jobs/101/edits", json=edit).status_code == 200
    costs = [who.get("/api/jobs/101/record").json()["record"]["spent"]["cost"] for who in (owner, apprentice)]
    assert costs == [19.0, None]
