"""Backup and restore: the whole database as one ZIP file of PostgreSQL's own COPY text, and a manifest.

``manifest.json``: format, version, the tables' version (Alembic), and for each table its columns, rows and SHA-256;
``tables/NAME.copy`` has its rows in the order of their primary key. What is backed up is one snapshot, taken while
people go on working; what is restored is checked against the manifest before any of it counts.
"""

import hashlib
import json
import os
import zipfile
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import psycopg
from psycopg import sql
from sqlalchemy import MetaData, create_engine, make_url

from shadbo.store.database import migrate

FORMAT, VERSION = "shadbo-backup", 1
STAMP = (1980, 1, 1, 0, 0, 0)
"""The same time on every entry: equal data gives an equal file."""
PIECE = 1 << 20
LEFT_OUT = ["alembic_version", "codes", "sessions", "tries", "work"]
"""What migrations keep, what lets people in for a while, and work in hand: nobody is signed in by a restored file."""


class BadBackup(ValueError):
    """A file that is no backup, or no whole one; or a place that it cannot go to. Says what was found."""


@dataclass(frozen=True, slots=True)
class Table:
    """A table of a backup: its columns, how many rows, and the SHA-256 of its text."""

    name: str
    columns: tuple[str, ...]
    rows: int
    sha256: str


@dataclass(frozen=True, slots=True)
class Manifest:
    """What a backup holds: the version of its tables, and each of them."""

    tables_version: str
    tables: tuple[Table, ...]

    def data(self) -> dict[str, Any]:
        """As it is written."""
        tables = {t.name: {"columns": list(t.columns), "rows": t.rows, "sha256": t.sha256} for t in self.tables}
        return {"format": FORMAT, "version": VERSION, "tables_version": self.tables_version, "tables": tables}


def plain(url: str) -> str:
    """The address as PostgreSQL's own library takes it."""
    return make_url(url).set(drivername="postgresql").render_as_string(hide_password=False)


@contextmanager
def _connected(url: str) -> Iterator[psycopg.Connection[Any]]:
    with psycopg.connect(plain(url), connect_timeout=5) as c:
        yield c


def back_up(url: str, file: Path) -> Manifest:
    """Write the database to a file, whole or not at all; it replaces what was there."""
    part = file.with_name(f".{file.name}.part")
    try:
        with _connected(url) as c, zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED, compresslevel=6) as out:
            c.execute("set transaction isolation level repeatable read, read only, deferrable")
            manifest = _write(c, out)
        with part.open("rb+") as whole:
            os.fsync(whole.fileno())
        part.replace(file)
    finally:
        part.unlink(missing_ok=True)
    return manifest


def _write(c: psycopg.Connection[Any], out: zipfile.ZipFile) -> Manifest:
    found = c.execute("select version_num from alembic_version").fetchone()
    if found is None:
        raise BadBackup("the database has no tables yet: nothing to back up")
    tables = []
    for name, columns, key in _tables(c):
        digest, rows = hashlib.sha256(), 0
        entry = zipfile.ZipInfo(f"tables/{name}.copy", STAMP)
        entry.compress_type = zipfile.ZIP_DEFLATED
        query = sql.SQL("copy (select {} from {} order by {}) to stdout").format(
            sql.SQL(", ").join(map(sql.Identifier, columns)), sql.Identifier(name),
            sql.SQL(", ").join(map(sql.Identifier, key)),
        )  # fmt: skip
        with out.open(entry, "w", force_zip64=True) as stream, c.cursor().copy(query) as copy:
            for block in copy:
                digest.update(block)
                rows += bytes(block).count(b"\n")
                stream.write(block)
        tables.append(Table(name, columns, rows, digest.hexdigest()))
    manifest = Manifest(str(found[0]), tuple(tables))
    entry = zipfile.ZipInfo("manifest.json", STAMP)
    out.writestr(entry, json.dumps(manifest.data(), ensure_ascii=False, indent=1))
    return manifest


def _tables(c: psycopg.Connection[Any]) -> list[tuple[str, tuple[str, ...], tuple[str, ...]]]:
    """Every table but the migrations' own: its columns and its primary key, by name."""
    rows = c.execute(
        "select t.table_name, array_agg(c.column_name::text order by c.ordinal_position),"
        " (select array_agg(a.attname::text order by array_position(i.indkey::int[], a.attnum::int))"
        "  from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any(i.indkey)"
        "  where i.indrelid = quote_ident(t.table_name)::regclass and i.indisprimary)"
        " from information_schema.tables t join information_schema.columns c using (table_schema, table_name)"
        " where t.table_schema = 'public' and t.table_type = 'BASE TABLE' and t.table_name <> all(%s)"
        " and t.table_name not like 'procrastinate%%'"
        " and c.is_generated = 'NEVER' group by 1 order by 1",
        (LEFT_OUT,),
    ).fetchall()
    return [(name, tuple(columns), tuple(key or columns)) for name, columns, key in rows]


def read_manifest(file: Path) -> Manifest:
    """What a file says it holds. Raises BadBackup where it is no backup, or one of a newer program."""
    try:
        with zipfile.ZipFile(file) as whole:
            data = json.loads(whole.read("manifest.json"))
    except (zipfile.BadZipFile, KeyError, json.JSONDecodeError, UnicodeDecodeError) as bad:
        raise BadBackup(f"{file} is no backup of this program: {bad}") from None
    if not isinstance(data, dict) or data.get("format") != FORMAT:
        raise BadBackup(f"{file} is no backup of this program")
    if data.get("version") != VERSION:
        raise BadBackup(f"{file} is a backup of version {data.get('version')}; this program reads {VERSION}")
    try:
        tables = tuple(
            Table(name, tuple(t["columns"]), int(t["rows"]), str(t["sha256"])) for name, t in data["tables"].items()
        )
        return Manifest(str(data["tables_version"]), tables)
    except (AttributeError, KeyError, TypeError, ValueError) as bad:
        raise BadBackup(f"{file}: its manifest is damaged: {bad}") from None


def restore(url: str, file: Path) -> Manifest:
    """Bring a backup into a database that holds nothing yet, as old as it is, then up to this program's tables.

    Raises BadBackup, and leaves the database as it was, where anything differs from the manifest.
    """
    from alembic.util import CommandError  # here, so that a server is up sooner

    manifest = read_manifest(file)
    with _connected(url) as c:
        if _holds_rows(c):
            raise BadBackup("the database is not empty: restore beside it, or into a new installation")
    try:
        migrate(url, manifest.tables_version)
    except CommandError as bad:
        raise BadBackup(f"{file} has tables of a version that this program does not know: {bad}") from None
    with zipfile.ZipFile(file) as whole, _connected(url) as c:
        here = {name: columns for name, columns, _ in _tables(c)}
        by = {t.name: t for t in manifest.tables}
        for name in (x for x in _in_order(url) if x in by):
            if set(by[name].columns) != set(here.get(name, ())):
                raise BadBackup(f"table {name} has other columns than the backup tells")
            _fill(c, whole, by[name])
        lost = by.keys() - here.keys()
        if lost:
            raise BadBackup(f"the backup has tables that its own version lacks: {', '.join(sorted(lost))}")
    migrate(url)
    return manifest


def _holds_rows(c: psycopg.Connection[Any]) -> bool:
    return any(
        c.execute(sql.SQL("select 1 from {} limit 1").format(sql.Identifier(name))).fetchone() is not None
        for name, _, _ in _tables(c)
    )


def _in_order(url: str) -> list[str]:
    """Tables, each after those that it points at."""
    engine = create_engine(url)
    try:
        found = MetaData()
        found.reflect(engine)
        return [t.name for t in found.sorted_tables]
    finally:
        engine.dispose()


def _fill(c: psycopg.Connection[Any], whole: zipfile.ZipFile, table: Table) -> None:
    digest, rows = hashlib.sha256(), 0
    query = sql.SQL("copy {} ({}) from stdin").format(
        sql.Identifier(table.name), sql.SQL(", ").join(map(sql.Identifier, table.columns))
    )
    try:
        with whole.open(f"tables/{table.name}.copy") as stream, c.cursor().copy(query) as copy:
            while block := stream.read(PIECE):
                digest.update(block)
                rows += block.count(b"\n")
                copy.write(block)
    except (KeyError, zipfile.BadZipFile, OSError, psycopg.Error) as bad:
        raise BadBackup(f"table {table.name} cannot be read back: {str(bad).splitlines()[0]}") from None
    if (rows, digest.hexdigest()) != (table.rows, table.sha256):
        raise BadBackup(f"table {table.name} is not what the backup says: {rows} rows where {table.rows} are told")
