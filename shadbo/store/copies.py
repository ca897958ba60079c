"""Copies kept in a folder: one a night, each checked by restoring it, older ones thinned out by a rule."""

import contextlib
import datetime as dt
import json
import os
import re
import secrets
import tempfile
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from dataclasses import asdict, dataclass
from pathlib import Path

import psycopg
from psycopg import sql
from sqlalchemy import make_url

from shadbo.store.backup import BadBackup, back_up, plain, restore

VARIABLE = "SHADBO_COPIES"
NAME = re.compile(r"shadbo-(\d{4}-\d{2}-\d{2}T\d{4}Z)\.zip")
STAMP = "%Y-%m-%dT%H%MZ"
STATE = "state.json"
CHECKED_IN = "shadbo_check_"
DAYS, WEEKS, MONTHS = 7, 4, 12
"""The newest copy of each of so many days, weeks and months is kept: common practice, no source."""


@dataclass(frozen=True, slots=True)
class Copies:
    """What a folder of copies tells: the newest that was read back whole, and how the last try went."""

    good: str | None = None
    good_at: str | None = None
    good_bytes: int = 0
    tried_at: str | None = None
    said: str = "no copy was made yet"


def kept(made: Iterable[dt.datetime], now: dt.datetime) -> set[dt.datetime]:
    """Which copies stay: the newest of all, and of each of the last days, weeks and months that have one.

    >>> day = dt.datetime(2026, 11, 25, 2, tzinfo=dt.UTC)
    >>> len(kept([day - dt.timedelta(days=n) for n in range(400)], day))  # 7 days, 2 weeks, 11 months
    20
    """
    whole = sorted(made, reverse=True)
    out = set(whole[:1])
    for most, of in ((DAYS, "%Y-%j"), (WEEKS, "%G-%V"), (MONTHS, "%Y-%m")):
        newest: dict[str, dt.datetime] = {}
        for at in whole:
            if at <= now:
                newest.setdefault(at.strftime(of), at)
        out |= set(list(newest.values())[:most])
    return out


def copy_now(url: str, folder: Path, now: dt.datetime) -> Copies:
    """Make a copy, restore it beside the database to check it, thin out the others; tells how it went."""
    folder.mkdir(parents=True, exist_ok=True)
    before = told(folder)
    file = folder / f"shadbo-{now.astimezone(dt.UTC).strftime(STAMP)}.zip"
    try:
        back_up(url, file)
        check(url, file)
    except (BadBackup, OSError, psycopg.Error) as bad:
        file.unlink(missing_ok=True)
        state = Copies(before.good, before.good_at, before.good_bytes, now.isoformat(), f"failed: {bad}")
    else:
        state = Copies(file.name, now.isoformat(), file.stat().st_size, now.isoformat(), "made, and read back whole")
        _thin(folder, now)
    _write(folder, state)
    return state


def told(folder: Path) -> Copies:
    """What the folder's state says; that there is none where it cannot be read."""
    try:
        return Copies(**json.loads((folder / STATE).read_text()))
    except (OSError, ValueError, TypeError):
        return Copies()


def due(folder: Path, now: dt.datetime, hours: float) -> bool:
    """Whether the newest good copy is older than that."""
    at = told(folder).good_at
    return at is None or now - dt.datetime.fromisoformat(at) >= dt.timedelta(hours=hours)


def check(url: str, file: Path) -> None:
    """Restore a copy into a database of its own and back that up again: both hold the same. Raises BadBackup."""
    _sweep(url)
    with beside(url, f"{CHECKED_IN}{secrets.token_hex(4)}", drop=True) as other:
        first = restore(other, file)
        with tempfile.TemporaryDirectory() as folder:
            again = back_up(other, Path(folder) / "again.zip")
    if first.tables_version == again.tables_version and first.tables != again.tables:
        raise BadBackup("what was restored is not what was copied")


def _sweep(url: str) -> None:
    """Drop what a check that was killed has left; one that somebody is in is left alone."""
    with psycopg.connect(plain(url), autocommit=True) as c:
        left = c.execute("select datname from pg_database where starts_with(datname, %s)", (CHECKED_IN,)).fetchall()
        for (name,) in left:
            with contextlib.suppress(psycopg.errors.ObjectInUse, psycopg.errors.InvalidCatalogName):
                c.execute(sql.SQL("drop database {}").format(sql.Identifier(name)))


@contextmanager
def beside(url: str, name: str, drop: bool) -> Iterator[str]:
    """A new database of that name on the same server; its address. It goes again when told to, or when this fails."""
    mine = make_url(url).set(database=name).render_as_string(hide_password=False)
    with psycopg.connect(plain(url), autocommit=True) as c:
        if c.execute("select 1 from pg_database where datname = %s", (name,)).fetchone() is not None:
            raise BadBackup(f"there is a database {name} already: choose another name")
        c.execute(sql.SQL("create database {}").format(sql.Identifier(name)))
    gone = sql.SQL("drop database if exists {} with (force)").format(sql.Identifier(name))
    whole = False
    try:
        yield mine
        whole = True
    finally:
        if drop or not whole:
            with psycopg.connect(plain(url), autocommit=True) as c:
                c.execute(gone)


def _thin(folder: Path, now: dt.datetime) -> None:
    by = {
        dt.datetime.strptime(m[1], STAMP).replace(tzinfo=dt.UTC): path
        for path in folder.iterdir()
        if (m := NAME.fullmatch(path.name)) is not None
    }
    stay = kept(by, now)
    for at, path in by.items():
        if at not in stay:
            path.unlink()


def _write(folder: Path, state: Copies) -> None:
    part = folder / f".{STATE}.part"
    part.write_text(json.dumps(asdict(state), indent=1))
    with part.open("rb+") as whole:
        os.fsync(whole.fileno())
    part.replace(folder / STATE)
