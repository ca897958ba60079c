"""Who may come in, by which door, and what they may do once they are in."""

import datetime as dt
import re
from collections.abc import Iterator, Sequence
from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.routing import APIRoute
from fastapi.testclient import TestClient
from sqlalchemy import text
from sqlalchemy.orm import Session
from starlette.routing import BaseRoute

from shadbo.core.roles import MAY, ROLES, may
from shadbo.demo.shop import demo_shop
from shadbo.store.entrance import MOST_FROM_ADDRESS, MOST_OF_NAME, Entrance
from shadbo.store.jobs import Jobs
from shadbo.store.people import People
from shadbo.store.secrets import password_hash
from shadbo.store.workshops import Workshops
from shadbo.web.app import create_app
from shadbo.web.cookies import PLAIN
from shadbo.web.opens import asked_by, is_open
from tests.making import job
from tests.web.conftest import browser

PASSWORD = "tide bell lantern"
OPEN = {
    "health", "authority", "who_is_here", "sign_in", "sign_out", "join", "pair", "set_up", "change_to",
    "change_password", "feed",
}  # fmt: skip
"""Doors, and what says how the house is. Changing a password asks for the old one itself."""


@pytest.fixture(scope="module")
def house(database) -> Iterator[FastAPI]:
    """A locked house."""
    app = create_app(database[1], unlocked=False)
    with browser(app):
        yield app


@pytest.fixture(scope="module")
def hashed() -> str:
    return password_hash(PASSWORD)


@pytest.fixture
def crew(database, hashed) -> dict[str, str]:
    """Two workshops of one database, each with somebody of every role; the ids of those of the first, by role."""
    with Session(database[1]) as s, s.begin():
        s.execute(text("truncate workshops, codes, tries cascade"))
        ids = {}
        for shop in ("here", "there"):
            Workshops(s).add(shop, demo_shop())
            people = People(s, shop)
            for role in ROLES:
                made = people.add(f"{role} {shop}", role, hashed)
                ids[role if shop == "here" else f"{role} there"] = made.id
            Jobs(s, shop, "before").make(job(), f"made-{shop}")
        return ids


def signed_in(house: FastAPI, database, ids: dict[str, str], role: str, shop: str = "here") -> TestClient:
    """The device of somebody of that role."""
    with Session(database[1]) as s, s.begin():
        token = Entrance(s).as_person(shop, ids[role if shop == "here" else f"{role} there"])
    client = browser(house)
    client.cookies.set(PLAIN, token)
    return client


def routes(house: FastAPI) -> list[tuple[str, str, APIRoute]]:
    """Every way in: its method and an address that names nothing in particular."""
    found = []
    for route in _flat(house.routes):
        if route.path.startswith("/api/") and route.include_in_schema:
            path = re.sub(r"\{job_id\}", "101", route.path)
            path = re.sub(r"\{person_id\}", "0" * 32, path)
            path = path.replace("{view}", "front").replace("{name}", "work-sheet.pdf")
            found += [(m, re.sub(r"\{\w+\}", "1", path), route) for m in sorted(route.methods or ())]
    return found


def _flat(these: Sequence[BaseRoute]) -> list[APIRoute]:
    """Routes, those of routers that were taken in among them."""
    found = [r for r in these if isinstance(r, APIRoute)]
    for route in these:
        inner = getattr(route, "original_router", None)
        found += _flat(inner.routes) if inner is not None else []
    return found


def test_every_way_in_says_to_whom_it_opens(house):
    ways = routes(house)
    assert len(ways) > 40
    for _, path, route in ways:
        assert is_open(route.endpoint) or asked_by(route.endpoint) is not None, path
    assert {r.endpoint.__name__ for _, _, r in ways if is_open(r.endpoint)} == OPEN


def test_nobody_comes_in_without_signing_in(house, crew):
    stranger = browser(house)
    for method, path, route in routes(house):
        if not is_open(route.endpoint):
            assert stranger.request(method, path).status_code in (401, 422), path
            wrong = browser(house)
            wrong.cookies.set(PLAIN, "x" * 43)
            assert wrong.get("/api/jobs").status_code == 401


@pytest.mark.parametrize("role", ROLES)
def test_each_role_may_do_what_the_table_says(house, database, crew, role):
    client = signed_in(house, database, crew, role)
    told: dict[str, dict[str, Any]] = {"POST": {"json": {}}, "PATCH": {"json": {}}}
    refused = 0
    for method, path, route in routes(house):
        ability = asked_by(route.endpoint)
        if ability is None:
            continue
        status = client.request(method, path, **told.get(method, {})).status_code
        if may(role, ability):
            assert status not in (401, 403), (path, status)
        else:
            assert status in (403, 422), (path, status)
            refused += status == 403
    assert (refused > 0) == (len(MAY[role]) < len(MAY["owner"]))


def test_signing_in_and_out(house, crew):
    client = browser(house)
    here = client.get("/api/session").json()
    assert (here["name"], here["unlocked"], here["needs_set_up"]) == (None, False, False)
    answer = client.post("/api/session", json={"name": "Framer  here", "password": PASSWORD})
    assert answer.status_code == 200
    kept = answer.headers["set-cookie"]
    assert "HttpOnly" in kept
    assert "SameSite=strict" in kept
    assert client.get("/api/session").json()["role"] == "framer"
    assert client.get("/api/jobs").status_code == 200
    token = client.cookies[PLAIN]
    client.delete("/api/session")
    assert client.get("/api/jobs").status_code == 401
    client.cookies.set(PLAIN, token)
    assert client.get("/api/jobs").status_code == 401


def test_what_is_kept_of_a_device_opens_nothing(house, database, crew):
    client = signed_in(house, database, crew, "owner")
    with Session(database[1]) as s:
        hashes = s.scalars(text("select token_hash from sessions")).all()
    assert client.cookies[PLAIN] not in hashes
    thief = browser(house)
    thief.cookies.set(PLAIN, hashes[0])
    assert thief.get("/api/jobs").status_code == 401


def test_a_wrong_password_says_nothing_of_who_is_here(house, crew):
    client = browser(house)
    wrong = client.post("/api/session", json={"name": "owner here", "password": "not the password"})
    stranger = client.post("/api/session", json={"name": "nobody at all", "password": "not the password"})
    assert (wrong.status_code, stranger.status_code) == (403, 403)
    assert wrong.json() == stranger.json()


@pytest.mark.parametrize("name", ["Hedda Strauß", "İlkay Œ", "ΝΊΚΟΣ", "O'Brien-Śliwa"])
def test_any_name_comes_in_as_it_was_given(house, database, crew, hashed, name: str):
    with Session(database[1]) as s, s.begin():
        People(s, "here").add(name, "framer", hashed)
    for typed in (name, f"  {name} "):
        assert browser(house).post("/api/session", json={"name": typed, "password": PASSWORD}).status_code == 200


def test_guessing_ends_after_a_few_tries(house, database, crew):
    client = browser(house)
    for _ in range(MOST_OF_NAME):
        assert client.post("/api/session", json={"name": "owner here", "password": "guessed"}).status_code == 403
    late = client.post("/api/session", json={"name": "owner here", "password": PASSWORD})
    assert late.status_code == 429
    assert 0 < int(late.headers["retry-after"]) <= 900
    assert client.post("/api/session", json={"name": "framer here", "password": PASSWORD}).status_code == 200
    with Session(database[1]) as s, s.begin():
        s.execute(text("update tries set at = at - interval '16 minutes'"))
    assert client.post("/api/session", json={"name": "owner here", "password": PASSWORD}).status_code == 200


def test_codes_cannot_be_guessed_either(house, crew):
    client = browser(house)
    for _ in range(MOST_FROM_ADDRESS):
        assert client.post("/api/session/pair", json={"code": "AAAAA-AAAAA"}).status_code == 403
    assert client.post("/api/session/pair", json={"code": "AAAAA-AAAAA"}).status_code == 429


def test_a_new_person_chooses_a_password_once(house, database, crew):
    owner = signed_in(house, database, crew, "owner")
    made = owner.post("/api/people", json={"name": "New  Hand", "role": "apprentice"}).json()
    assert made["person"]["waits"]
    client = browser(house)
    short = client.post("/api/session/join", json={"code": made["code"], "password": "short"})
    assert (short.status_code, short.json()["errors"][0]["at"]) == (422, "password")
    own = client.post("/api/session/join", json={"code": made["code"], "password": "new hand at the bench"})
    assert "own name" in own.json()["detail"]
    typed = made["code"].lower().replace("-", " ")
    assert client.post("/api/session/join", json={"code": typed, "password": "oar locker nine"}).status_code == 200
    assert client.get("/api/session").json()["name"] == "New Hand"
    again = browser(house).post("/api/session/join", json={"code": made["code"], "password": "oar locker ten"})
    assert again.status_code == 403
    taken = owner.post("/api/people", json={"name": "new hand", "role": "framer"})
    assert (taken.status_code, taken.json()["errors"][0]["at"]) == (422, "name")


def test_a_tablet_is_paired_once_and_in_time(house, database, crew):
    framer = signed_in(house, database, crew, "framer")
    made = framer.post("/api/tablets", json={"name": "long bench"}).json()
    tablet = browser(house)
    assert tablet.post("/api/session/pair", json={"code": made["code"]}).status_code == 200
    assert tablet.get("/api/session").json()["may"] == ["look", "work"]
    assert browser(house).post("/api/session/pair", json={"code": made["code"]}).status_code == 403
    late = framer.post("/api/tablets", json={"name": "short bench"}).json()
    with Session(database[1]) as s, s.begin():
        s.execute(text("update codes set until = :t"), {"t": dt.datetime.now(dt.UTC) - dt.timedelta(minutes=1)})
    assert browser(house).post("/api/session/pair", json={"code": late["code"]}).status_code == 403


def test_who_leaves_is_out_at_once_and_what_they_did_stays_theirs(house, database, crew):
    framer, owner = (signed_in(house, database, crew, role) for role in ("framer", "owner"))
    saved = framer.post("/api/jobs/101/edits", json={
        "version": 1, "edit_id": "by-a-framer", "edits": [{"at": "title", "to": "Regatta"}]})  # fmt: skip
    assert saved.status_code == 200
    owner.delete(f"/api/people/{crew['framer']}")
    assert framer.get("/api/jobs").status_code == 401
    assert [r["who"] for r in owner.get("/api/jobs/101/revisions").json()] == ["framer here", "before"]
    assert owner.post("/api/people", json={"name": "framer here", "role": "framer"}).status_code == 201


def test_a_workshop_keeps_an_owner(house, database, crew):
    owner = signed_in(house, database, crew, "owner")
    for answer in (
        owner.delete(f"/api/people/{crew['owner']}"),
        owner.patch(f"/api/people/{crew['owner']}", json={"role": "framer"}),
    ):
        assert (answer.status_code, answer.json()["errors"][0]["at"]) == (422, "role")
    owner.patch(f"/api/people/{crew['framer']}", json={"role": "owner"})
    assert owner.patch(f"/api/people/{crew['owner']}", json={"role": "framer"}).status_code == 200


def test_another_password_signs_out_every_other_device(house, database, crew):
    here, other = (signed_in(house, database, crew, "framer") for _ in range(2))
    wrong = here.post("/api/session/password", json={"old": "not it at all", "new": "pewter gull harbour"})
    assert wrong.status_code == 403
    assert here.post("/api/session/password", json={"old": PASSWORD, "new": "pewter gull harbour"}).status_code == 200
    assert here.get("/api/jobs").status_code == 200
    assert other.get("/api/jobs").status_code == 401


def test_the_first_owner_comes_in_by_the_code_of_the_first_start(house, database, crew):
    with Session(database[1]) as s, s.begin():
        s.execute(text("truncate workshops cascade"))
        assert Entrance(s).needs_set_up()
        code = Entrance(s).code_to_set_up()
    client = browser(house)
    assert client.get("/api/session").json()["needs_set_up"]
    asked = {"name": "First Owner", "password": PASSWORD, "shop_name": "Slipway Frames", "mark": "1/16 in"}
    assert client.post("/api/session/setup", json=asked | {"code": "BBBBB-BBBBB"}).status_code == 403
    assert client.post("/api/session/setup", json=asked | {"code": code}).status_code == 200
    shop = client.get("/api/shop").json()
    assert (shop["name"], shop["system"]) == ("Slipway Frames", "in")
    assert browser(house).post("/api/session/setup", json=asked | {"code": code}).status_code == 403


def test_an_upgraded_workshop_is_its_first_owners(house, database, crew):
    with Session(database[1]) as s, s.begin():
        s.execute(text("truncate people cascade"))
        code = Entrance(s).code_to_set_up()
    client = browser(house)
    client.post("/api/session/setup", json={"code": code, "name": "Keeper", "password": PASSWORD})
    assert client.get("/api/jobs/101").status_code == 200


def test_a_device_that_lies_unused_is_signed_out(house, database, crew):
    client = signed_in(house, database, crew, "framer")
    with Session(database[1]) as s, s.begin():
        s.execute(text("update sessions set until = now() + interval '1 hour', seen_at = now() - interval '1 day'"))
    assert client.get("/api/jobs").status_code == 200
    with Session(database[1]) as s, s.begin():
        assert s.scalar(text("select min(until) from sessions")) > dt.datetime.now(dt.UTC) + dt.timedelta(days=10)
        s.execute(text("update sessions set until = now() - interval '1 second'"))
    assert client.get("/api/jobs").status_code == 401


def test_an_unlocked_house_changes_who_is_here_without_a_password(database, crew):
    app = create_app(database[1], unlocked=True)
    client = browser(app)
    here = client.get("/api/session").json()
    assert (here["name"], here["role"]) == ("owner here", "owner")
    assert {o["name"] for o in here["others"]} == {"framer here", "apprentice here", "tablet here"}
    client.post("/api/session/as", json={"person_id": crew["apprentice"]})
    assert client.get("/api/session").json()["role"] == "apprentice"
    assert client.post("/api/stock/table", content="x", headers={"Content-Type": "text/plain"}).status_code == 403
    stranger = client.post("/api/session/as", json={"person_id": crew["owner there"]})
    assert stranger.status_code == 403
    locked = browser(create_app(database[1], unlocked=False))
    assert locked.post("/api/session/as", json={"person_id": crew["owner"]}).status_code == 403
