"""Every operation, with what its schema allows and what it does not: only answers that are declared, never a 500."""

import os
from collections.abc import Iterator

import pytest
import schemathesis
from hypothesis import HealthCheck, settings
from schemathesis import Case
from schemathesis.checks import not_a_server_error
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

app = create_app(None, unlocked=True)
schema = schemathesis.openapi.from_dict(app.openapi())
schema.app = app


@pytest.fixture(scope="session")
def filled() -> Iterator[str]:
    """A database of its own, with jobs and people, and a cutter; once a process. Yields the cutter's address."""
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
            yield cutter.url


@pytest.fixture
def served(filled: str, monkeypatch: pytest.MonkeyPatch) -> None:
    """The cutter is known for as long as a test runs."""
    monkeypatch.setenv(CUTTER, filled)


@pytest.mark.usefixtures("served")
@schema.parametrize()
@settings(max_examples=EXAMPLES, deadline=None, suppress_health_check=list(HealthCheck))
def test_every_operation_answers_as_declared(case: Case):
    case.call_and_validate(base_url=LOCAL, checks=CHECKS)
