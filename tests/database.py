"""A database of their own for the tests of one kind, on the server that script/test has started."""

import os
from collections.abc import Iterator
from contextlib import contextmanager

from sqlalchemy import Engine, create_engine, make_url, text

from shadbo.store.database import VARIABLE, engine, migrate


@contextmanager
def fresh_database(name: str, to: str = "head") -> Iterator[tuple[str, Engine]]:
    """An empty database, migrated to a version; dropped afterwards. Yields its address and an engine on it.

    Tests that run side by side have one each.
    """
    name = f"{name}_{os.environ.get('PYTEST_XDIST_WORKER', 'alone')}"
    base = os.environ.get(VARIABLE)
    assert base, "start the tests with script/test: it starts PostgreSQL"
    url = make_url(base)
    admin = create_engine(url.set(database="postgres"), isolation_level="AUTOCOMMIT", pool_pre_ping=True)
    with admin.connect() as c:
        c.execute(text(f'drop database if exists "{name}" with (force)'))
        c.execute(text(f'create database "{name}"'))
    mine = url.set(database=name).render_as_string(hide_password=False)
    migrate(mine, to)
    e = engine(mine)
    try:
        yield mine, e
    finally:
        e.dispose()
        with admin.connect() as c:
            c.execute(text(f'drop database if exists "{name}" with (force)'))
        admin.dispose()
