from collections.abc import Iterator
from uuid import uuid4

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.core.shop.shop import Shop
from shadbo.demo.shop import demo_shop
from shadbo.store.workshops import Workshops
from shadbo.web.app import create_app
from tests.database import fresh_database
from tests.making import DEEP, SHALLOW, WORKED, shop


@pytest.fixture(scope="session")
def database() -> Iterator[tuple[str, Engine]]:
    with fresh_database("shadbo_web_tests") as both:
        yield both


@pytest.fixture(scope="session")
def application(database: tuple[str, Engine]) -> Iterator[TestClient]:
    """One application for all tests: it keeps nothing between them that the database does not."""
    with browser(create_app(database[1], unlocked=True)) as c:
        yield c


def browser(app: FastAPI) -> TestClient:
    """A device of its own, with its own cookies."""
    return TestClient(app, base_url="http://127.0.0.1", raise_server_exceptions=False)


def only(database: tuple[str, Engine], the_shop: Shop) -> None:
    """An empty database but for one workshop."""
    with Session(database[1]) as s, s.begin():
        s.execute(text("truncate workshops cascade"))
        Workshops(s).add("here", the_shop)


@pytest.fixture
def client(database: tuple[str, Engine], application: TestClient) -> TestClient:
    only(database, shop(WORKED, SHALLOW, DEEP))
    return application


class Api:
    """The calls that a browser makes."""

    def __init__(self, client: TestClient) -> None:
        self.client = client

    def make(self, *edits: dict) -> dict:
        body = {"edit_id": str(uuid4()), "edits": list(edits)}
        answer = self.client.post("/api/jobs", json=body)
        assert answer.status_code == 201, answer.text
        return answer.json()

    def save(self, job: dict, *edits: dict, version: int | None = None, edit_id: str = "", **more):
        body = {
            "version": version or job["version"],
            "edit_id": edit_id or str(uuid4()),
            "edits": list(edits),
            **more,
        }
        return self.client.post(f"/api/jobs/{job['id']}/edits", json=body)

    def plan(self, job: dict, *edits: dict, **more):
        return self.client.post(f"/api/jobs/{job['id']}/plan", json={"edits": list(edits), **more})


@pytest.fixture
def api(client: TestClient) -> Api:
    return Api(client)


@pytest.fixture
def netloft(database: tuple[str, Engine], application: TestClient) -> Api:
    """The calls of a browser, in the demo workshop with all its stock."""
    only(database, demo_shop())
    return Api(application)


@pytest.fixture
def measured() -> list[dict]:
    """The edits that a framer makes at the measure station, as typed."""
    sizes = {"width_top": "412", "width_bottom": "412", "height_left": "613", "height_right": "613"}
    sizes |= {"depth": "38", "bar_face": "45"}
    at = "pieces/piece/detail"
    return [{"at": f"{at}/{name}", "to": {"typed": typed, "tool": "rule"}} for name, typed in sizes.items()]
