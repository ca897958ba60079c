"""A database of their own for the tests of one kind, on the server that script/test has started.

Most are copies: the tables, and the demo workshop, are made once, by the first who asks, and copied by PostgreSQL.
"""

import hashlib
import os
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import date
from functools import cache
from pathlib import Path

from sqlalchemy import URL, Connection, Engine, create_engine, make_url, text

from shadbo.demo.load import load
from shadbo.store.database import VARIABLE, engine, migrate

PROGRAM = Path(__file__).parents[1] / "shadbo"


def _server() -> URL:
    base = os.environ.get(VARIABLE)
    assert base, "start the tests with script/test: it starts PostgreSQL"
    return make_url(base)


@contextmanager
def _admin() -> Iterator[Connection]:
    admin = create_engine(_server().set(database="postgres"), isolation_level="AUTOCOMMIT")
    with admin.connect() as c:
        yield c
    admin.dispose()


def _address(name: str) -> str:
    return _server().set(database=name).render_as_string(hide_password=False)


@cache
def _program() -> str:
    """What stands in a copied database hangs on all of the program, and on the day."""
    said = hashlib.sha256(date.today().isoformat().encode())
    for file in sorted(PROGRAM.rglob("*.py")):
        said.update(file.read_bytes())
    return said.hexdigest()[:16]


def _original(what: str, fill: Callable[[str], object]) -> str:
    """The name of a database to copy; made by the first process that asks, while others wait for it."""
    name = f"original_{what}_{_program()}"
    with _admin() as c:
        c.execute(text("select pg_advisory_lock(hashtext(:n))"), {"n": name})
        if c.scalar(text("select 1 from pg_database where datname = :n"), {"n": name}) is None:
            _swept(c, what)
            part = f"part_of_{name}"
            c.execute(text(f'drop database if exists "{part}" with (force)'))
            c.execute(text(f'create database "{part}"'))
            fill(_address(part))
            c.execute(text(f'alter database "{part}" with allow_connections false'))
            c.execute(text("select pg_terminate_backend(pid) from pg_stat_activity where datname = :n"), {"n": part})
            c.execute(text(f'alter database "{part}" rename to "{name}"'))
    return name


def _swept(c: Connection, what: str) -> None:
    """Away with what earlier programs left to be copied."""
    old = c.scalars(text("select datname from pg_database where datname like :n"), {"n": f"original\\_{what}\\_%"})
    for name in old.all():
        c.execute(text(f'drop database if exists "{name}" with (force)'))


@contextmanager
def empty_database(name: str, like: str = "template1") -> Iterator[str]:
    """A database of its own, without a table or like another one; dropped afterwards. Yields its address."""
    name = f"{name}_{os.environ.get('PYTEST_XDIST_WORKER', 'alone')}"
    with _admin() as c:
        c.execute(text(f'drop database if exists "{name}" with (force)'))
        c.execute(text(f'create database "{name}" template "{like}" strategy file_copy'))
    try:
        yield _address(name)
    finally:
        with _admin() as c:
            c.execute(text(f'drop database if exists "{name}" with (force)'))


@contextmanager
def _on(mine: str) -> Iterator[tuple[str, Engine]]:
    e = engine(mine)
    try:
        yield mine, e
    finally:
        e.dispose()


@contextmanager
def fresh_database(name: str, to: str = "head") -> Iterator[tuple[str, Engine]]:
    """A database with this program's tables, or those of a version. Yields its address and an engine on it."""
    if to != "head":
        with empty_database(name) as mine:
            migrate(mine, to)
            with _on(mine) as both:
                yield both
        return
    with empty_database(name, _original("tables", migrate)) as mine, _on(mine) as both:
        yield both


@contextmanager
def demo_database(name: str) -> Iterator[tuple[str, Engine]]:
    """A database with the demo workshop. Yields its address and an engine on it."""
    with empty_database(name, _original("demo", load)) as mine, _on(mine) as both:
        yield both
