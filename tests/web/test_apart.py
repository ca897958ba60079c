"""Workshops in one database see nothing of one another: by any route, and in any table."""

import datetime as dt
from contextlib import suppress

import pytest
from sqlalchemy import inspect, text
from sqlalchemy.exc import ProgrammingError
from sqlalchemy.orm import Session

from shadbo.demo.pictures import shirt_photo
from shadbo.files.photo import take_in
from shadbo.store import models_people, models_schedule, models_work
from shadbo.store.entrance import within
from shadbo.store.exercises import Exercises
from shadbo.store.jobs import Jobs
from shadbo.store.models import Base
from shadbo.store.people import People
from shadbo.store.photos import Photos
from shadbo.store.scheduling import Scheduling
from shadbo.store.work import Works
from shadbo.store.workshops import Stockroom
from shadbo.web.opens import is_open
from tests.making import job
from tests.web.test_doors import crew, hashed, house, routes, signed_in

assert models_people
assert models_schedule
assert models_work
__all__ = ["crew", "hashed", "house"]

SECRET = "Nobody Else's Regatta"
TABLES = sorted(Base.metadata.tables)
OF_NO_WORKSHOP = {"tries"}


@pytest.fixture
def foreign(database, crew) -> None:
    """Another workshop with something of every kind, under ids that the first one has not."""
    with Session(database[1]) as s, s.begin():
        jobs = Jobs(s, "there", SECRET)
        made = jobs.make(job().model_copy(update={"title": SECRET}), "foreign-job")
        assert made.id == 102
        Photos(s, "there").add(102, take_in(shirt_photo()), SECRET, "foreign-photo")
        Stockroom(s, "there", SECRET).restock(lambda stock: (stock, SECRET), "foreign-stock")
        People(s, "there").code_to_pair(SECRET)
        schedule = Scheduling(s, "there")
        assert schedule.laid(dt.datetime.now(dt.UTC)).cases
        assert schedule.new_feed(SECRET)
        Exercises(s, "there", "nobody").new(1, "mm")
        Works(s, "there").ask("artwork", 102, {"name": SECRET}, b"")


def test_no_route_reaches_another_workshop(house, database, crew, foreign):
    client = signed_in(house, database, crew, "owner")
    own = {"job": client.get("/api/jobs").json()["jobs"], "stock": client.get("/api/stock/changes").json()}
    for method, path, route in routes(house):
        if is_open(route.endpoint):
            continue
        there = path.replace("/101", "/102").replace("0" * 32, crew["framer there"])
        body = {"edit_id": "from-outside", "version": 1, "edits": [{"at": "title", "to": "taken"}]}
        answer = client.request(method, there, json=body if method in ("POST", "PATCH") else None)
        assert SECRET not in answer.text, there
        if "/102" in there or crew["framer there"] in there:
            gone = method == "DELETE" and "/photos/" in there  # taking away what is not there is no mistake
            assert answer.status_code in ((204,) if gone else (404, 422)), (method, there, answer.text)
    assert {"job": client.get("/api/jobs").json()["jobs"], "stock": client.get("/api/stock/changes").json()} == own
    with Session(database[1]) as s:
        assert Jobs(s, "there").get(102).job.title == SECRET
        assert len(Jobs(s, "there").revisions(102)) == 1
        assert len(Photos(s, "there").of(102)) == 1
        assert {p.name for p in People(s, "there").all()} >= {"framer there", SECRET}


@pytest.mark.parametrize("table", TABLES)
def test_no_table_shows_another_workshops_rows(database, crew, foreign, table):
    with Session(database[1]) as s, s.begin():
        everything = s.execute(text(f"select * from {table}")).all()
    with Session(database[1]) as s, s.begin():
        within(s, "here")
        if table in OF_NO_WORKSHOP:
            with pytest.raises(ProgrammingError, match="permission denied"):
                s.execute(text(f"select * from {table}"))
            return
        column = "id" if table == "workshops" else "workshop_id"
        seen = s.execute(text(f"select {column} from {table}")).scalars().all()
        assert set(seen) <= {"here"}
        assert len(seen) < len(everything) or table == "sessions"


@pytest.mark.parametrize("table", [t for t in TABLES if t not in OF_NO_WORKSHOP])
def test_no_table_takes_a_row_for_another_workshop(database, crew, foreign, table):
    """Whatever is written, changed or taken away under one workshop's name leaves the other's rows as they are."""
    column = "id" if table == "workshops" else "workshop_id"
    theirs = text(f"select count(*), max({column}) from {table} where {column} = 'there'")
    with Session(database[1]) as s:
        before = s.execute(theirs).one()
    columns = [c["name"] for c in inspect(database[1]).get_columns(table)]
    moved = ", ".join("'there'" if c == column else f'"{c}"' for c in columns)
    for statement in (
        f"insert into {table} select {moved} from {table}",
        f"update {table} set {column} = 'there' where {column} = 'here'",
        f"update {table} set {column} = 'here' where {column} = 'there'",
        f"delete from {table} where {column} = 'there'",
    ):
        with Session(database[1]) as s:
            within(s, "here")
            with suppress(ProgrammingError):  # no right to it, or against the policy
                s.execute(text(statement))
                s.commit()
    with Session(database[1]) as s:
        assert s.execute(theirs).one() == before


def test_the_next_transaction_is_nobodys(database, crew):
    with Session(database[1]) as s:
        with s.begin():
            within(s, "here")
            assert s.scalar(text("select current_user")) == "shadbo_workshop"
        with s.begin():
            assert s.scalar(text("select current_user")) != "shadbo_workshop"
            assert not s.scalar(text("select current_setting('shadbo.workshop', true)"))
