"""Every operation, with what its schema allows and what it does not: only answers that are declared, never a 500."""

import json
import os
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
import schemathesis
from hypothesis import HealthCheck, settings
from schemathesis import Case
from schemathesis.checks import not_a_server_error
from schemathesis.pytest.lazy import get_all_tests
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)
from sqlalchemy.orm import Session

from shadbo.demo.shop import demo_shop
from shadbo.store.jobs import Jobs
from shadbo.store.people import People
from shadbo.store.workshops import Workshops
from shadbo.web.app import create_app
from shadbo.web.routers.cutter import VARIABLE as CUTTER
from tests.database import fresh_database
from tests.making import job
from tests.stand_ins import Cutter

CHECKS = [
    not_a_server_error, status_code_conformance, content_type_conformance, response_schema_conformance,
]  # fmt: skip
LOCAL = "http://127.0.0.1"
EXAMPLES = int(os.environ.get("SHADBO_SCHEMA_EXAMPLES", "3"))

LIGHTLY = settings(max_examples=EXAMPLES, deadline=None, suppress_health_check=list(HealthCheck))
DOCUMENT = json.loads((Path(__file__).parents[2] / "frontend/openapi.json").read_text(encoding="utf-8"))
"""As it is committed, which another test holds to what the application says: read quickly by who only collects."""
OPERATIONS = [(method.upper(), path) for path, methods in DOCUMENT["paths"].items() for method in methods]


@pytest.fixture(scope="session")
def asking() -> Iterator[tuple[dict[tuple[str, str], Callable[[], None]], str]]:
    """What asks each operation, by method and path, on a database with jobs and people; and a cutter's address.

    Made once a process, and only where such a test is run: the cases take seconds to be thought out.
    """
    app = create_app(None, unlocked=True)
    cutter = Cutter(pace=1000)
    cutter.begin()
    with fresh_database("schema") as (_, engine):
        app.state.engine = engine
        with Session(engine) as s, s.begin():
            Workshops(s).add("here", demo_shop())
            People(s, "here").add("Hedda Sorrel", "owner")
            for n in range(3):
                Jobs(s, "here").make(job(), f"made-{n}")
        with cutter:
            schema = schemathesis.openapi.from_dict(app.openapi())
            schema.app = app
            found = get_all_tests(schema=schema, test_func=answers_as_declared, settings=LIGHTLY, given_kwargs={})
            runs = {(operation.method.upper(), operation.path): run for operation, run in (x.ok() for x in found)}
            yield runs, cutter.url


def answers_as_declared(case: Case) -> None:
    case.call_and_validate(base_url=LOCAL, checks=CHECKS)


@pytest.mark.parametrize(("method", "path"), OPERATIONS)
def test_every_operation_answers_as_declared(asking, monkeypatch: pytest.MonkeyPatch, method: str, path: str):
    runs, cutter = asking
    monkeypatch.setenv(CUTTER, cutter)  # known for as long as this test runs
    runs[method, path]()
