"""Days and weeks over HTTP: the pages' data, what is asked, people's hours, the calendar with and without a door."""

import datetime as dt
from uuid import uuid4

import pytest
import vobject
from sqlalchemy.orm import Session

from shadbo.store.people import People
from shadbo.web.routers import schedule
from tests.making import job as made


def put(netloft, path: str, **body):
    return netloft.client.post(path, json={"edit_id": str(uuid4()), **body})


@pytest.fixture(autouse=True)
def monday(monkeypatch) -> None:
    """It is ten on the next Monday: late on a day, or before a Sunday, other hands do other things."""
    ahead = 7 - dt.date.today().weekday()
    ten = dt.datetime.combine(dt.date.today() + dt.timedelta(days=ahead), dt.time(10), dt.UTC)
    monkeypatch.setattr(schedule, "_now", lambda: ten)


@pytest.fixture
def crew(netloft, database) -> dict[str, str]:
    with Session(database[1]) as s, s.begin():
        people = People(s, "here")
        return {"Ida Nord": people.add("Ida Nord", "owner").id, "Aki": people.add("Aki", "apprentice").id}


@pytest.fixture
def job(netloft, crew) -> int:
    """A job that can be planned, due in a month."""
    due = (dt.date.today() + dt.timedelta(days=30)).isoformat()
    pieces = {"at": "pieces", "to": made().as_written()["pieces"]}
    edits = [{"at": "title", "to": "Harbour wall"}, {"at": "due", "to": due}, pieces]
    answer = put(netloft, "/api/jobs", edits=edits)
    assert answer.status_code == 201, answer.text
    return answer.json()["id"]


def test_weeks_tell_each_jobs_day_with_its_way(netloft, job):
    view = netloft.client.get("/api/schedule/weeks").json()
    (ready,) = view["ready"]
    assert (ready["number"], ready["title"], ready["promise"]) == (job, "Harbour wall", "kept")
    assert ready["way"][-1]["kind"] == "work"
    assert any(link["says"] == "glue hardens" for link in ready["way"])
    assert f'data-key="{job}"' in view["drawing"]
    assert "Ida" in view["drawing"]
    assert (view["summary"], view["behind"]) == ("every day that was promised is kept", 0)
    assert netloft.client.get(f"/api/schedule/jobs/{job}").json()["ready"] == ready["ready"]
    assert netloft.client.get("/api/schedule/jobs/999").status_code == 404


def test_today_says_who_does_what(netloft, job, crew):
    view = netloft.client.get("/api/schedule/today").json()
    hands = {h["name"]: h for h in view["today"]["hands"]}
    assert list(hands) == ["Ida Nord", "Aki"]
    assert hands["Ida Nord"]["slots"][0]["says"] == "Take the piece in"
    assert (hands["Aki"]["learning"], hands["Aki"]["slots"]) == (True, [])
    assert view["me"] == crew["Ida Nord"]
    when = dt.datetime.now(dt.UTC).isoformat()
    done = {"at": "work/receive", "to": {"ended": when, "who": "Ida Nord"}}
    put(netloft, f"/api/jobs/{job}/edits", version=1, edits=[done])
    after = netloft.client.get("/api/schedule/today").json()["today"]["hands"][0]["slots"]
    assert after[0]["says"] == "Read the plan through before anything is cut"


def test_a_piece_that_might_come_in_is_asked_about_and_nothing_kept(netloft, job):
    before = netloft.client.get("/api/schedule/weeks").json()["ready"]
    asked = netloft.client.post("/api/schedule/ask", json={"example": "print"}).json()
    assert asked["title"].startswith("a print of 420 mm × 297 mm")
    assert asked["promise"] == "no day"
    past = (dt.datetime.now(dt.UTC) - dt.timedelta(days=2)).date().isoformat()
    like = netloft.client.post("/api/schedule/ask", json={"job_id": job, "due": past}).json()
    assert (like["title"], like["promise"]) == (f"another like {job}", "late")
    assert [r["ready"] for r in netloft.client.get("/api/schedule/weeks").json()["ready"]] == [
        r["ready"] for r in before
    ]
    assert netloft.client.post("/api/schedule/ask", json={"job_id": 999}).status_code == 404
    for bad, at in (({"example": "a whale"}, "example"), ({"example": "print", "due": "soonish"}, "due")):
        answer = netloft.client.post("/api/schedule/ask", json=bad)
        assert (answer.status_code, answer.json()["errors"][0]["at"]) == (422, at)


def test_hours_are_set_as_they_are_typed_and_told_as_changes(netloft, job, crew):
    ida = crew["Ida Nord"]
    told = put(
        netloft, f"/api/people/{ida}/hours", hours="tue-wed 9-12", away="1 Dec 2031", rate="38.5", leaves=["mount"]
    )
    assert told.status_code == 200, told.text
    assert {k: told.json()[k] for k in ("hours", "away", "rate")} == {
        "hours": "Tue-Wed 9:00-12:00", "away": "1 Dec 2031", "rate": "38.5",
    }  # fmt: skip
    assert [s["stage"] for s in told.json()["stages"] if not s["does"]] == ["mount"]
    changes = netloft.client.get("/api/stock/changes").json()
    assert (
        changes[0]["says"] == "Ida Nord: Tue-Wed 9:00-12:00, away 1 Dec 2031, € 38.5 an hour, leaves to others: Mount"
    )
    kept = put(netloft, f"/api/people/{ida}/hours", rate="").json()
    assert (kept["hours"], kept["rate"]) == ("Tue-Wed 9:00-12:00", "")
    everyone = {h["id"]: h for h in netloft.client.get("/api/people/hours").json()}
    assert everyone[crew["Aki"]]["hours"] == ""
    for field, typed in (
        ("hours", "whenever"),
        ("hours", "Mon 17-9"),
        ("away", "the spring"),
        ("rate", "much"),
        ("rate", "-4"),
    ):
        answer = put(netloft, f"/api/people/{ida}/hours", **{field: typed})
        assert (answer.status_code, answer.json()["errors"][0]["at"]) == (422, field), answer.text
    assert put(netloft, f"/api/people/{'0' * 32}/hours", rate="3").status_code == 404


def test_the_shops_clock_is_set_by_its_name(netloft):
    about = netloft.client.get("/api/practice").json()["about"]
    assert "America/Denver" in about["zones"]
    body = {"name": "Netloft", "currency": "€", "mark": "0.5 mm"}
    assert (
        put(netloft, "/api/practice/about", **body, zone="America/Denver").json()["about"]["zone"] == "America/Denver"
    )
    wrong = put(netloft, "/api/practice/about", **body, zone="Mars/Olympus")
    assert (wrong.status_code, wrong.json()["errors"][0]["at"]) == (422, "zone")


def test_the_calendar_is_a_file_and_has_a_secret_address(netloft, job, crew):
    file = netloft.client.get("/api/schedule/calendar.ics")
    assert file.headers["content-type"] == "text/calendar; charset=utf-8"
    assert {e.uid.value for e in vobject.readOne(file.text).vevent_list} == {
        f"due-{job}@shadbo",
        f"ready-{job}@shadbo",
    }
    path = netloft.client.post("/api/schedule/feed").json()["path"]
    assert netloft.client.get(path).text.count("BEGIN:VEVENT") == 2
    mine = netloft.client.get(path, params={"hand": crew["Ida Nord"]}).text
    assert mine.count("BEGIN:VEVENT") > 2
    assert netloft.client.get("/api/schedule/weeks").json()["feed"] == "Ida Nord"
    newer = netloft.client.post("/api/schedule/feed").json()["path"]
    assert (netloft.client.get(path).status_code, netloft.client.get(newer).status_code) == (404, 200)
    assert netloft.client.delete("/api/schedule/feed").status_code == 204
    assert netloft.client.get(newer).status_code == 404
