from collections.abc import Iterator

import pytest
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.store.workshops import Workshops
from tests.database import fresh_database
from tests.making import shop


@pytest.fixture(scope="session")
def database() -> Iterator[Engine]:
    with fresh_database("shadbo_store_tests") as (_, engine):
        yield engine


@pytest.fixture
def session(database: Engine) -> Iterator[Session]:
    with Session(database) as s, s.begin():
        s.execute(text("truncate workshops cascade"))
        for name in ("here", "there"):
            Workshops(s).add(name, shop())
    with Session(database, expire_on_commit=False) as s:
        yield s
        s.rollback()
