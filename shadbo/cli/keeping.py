"""``shadbo backup``, ``restore``, ``copies``, ``export``, ``import``: what a workshop puts in, kept and handed on."""

import argparse
import datetime as dt
import sys
import time
from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from sqlalchemy.orm import Session

LOOK_SECONDS = 600


def add_commands(commands: "argparse._SubParsersAction[argparse.ArgumentParser]") -> None:
    """The three commands, with what they take."""
    backup = commands.add_parser("backup", help="write all that the database holds to one file, while people work")
    backup.add_argument("file", type=Path)
    backup.set_defaults(run=_told(_backup))
    back = commands.add_parser("restore", help="bring a backup into an empty installation, or beside this one")
    back.add_argument("file", type=Path)
    back.add_argument("--beside", metavar="NAME", help="into a new database of that name on the same server")
    back.set_defaults(run=_told(_restore))
    copies = commands.add_parser("copies", help="keep checked copies in a folder, one a night")
    copies.add_argument("folder", type=Path)
    copies.add_argument("--hours", type=float, default=24.0, help="how old the newest copy may be")
    copies.add_argument("--once", action="store_true", help="make one now and end")
    copies.set_defaults(run=_told(_copies))


def add_archives(commands: "argparse._SubParsersAction[argparse.ArgumentParser]") -> None:
    """Export and import: one open archive, for any other program and for this one."""
    out = commands.add_parser("export", help="write a workshop, or one job of it, as an open archive")
    out.add_argument("file", type=Path)
    out.add_argument("--job", type=int, help="one job, by its number")
    out.add_argument("--workshop", help="which, where there are several")
    out.set_defaults(run=_told(_export))
    back = commands.add_parser("import", help="read an open archive into this installation")
    back.add_argument("file", type=Path)
    back.add_argument("--workshop", help="by what name a workshop goes, or which one a job goes to")
    back.set_defaults(run=_told(_import))


def _the_workshop(session: "Session", named: str | None) -> str:
    from sqlalchemy import select

    from shadbo.store.models import WorkshopRow

    known = session.scalars(select(WorkshopRow.id).order_by(WorkshopRow.id)).all()
    if named is None and len(known) != 1:
        raise RuntimeError(f"there are {len(known)} workshops here ({', '.join(known)}): say which with --workshop")
    if named is not None and named not in known:
        raise RuntimeError(f"there is no workshop “{named}” here: {', '.join(known) or 'none at all'}")
    return named or known[0]


def _export(args: argparse.Namespace) -> int:
    from sqlalchemy.orm import Session

    from shadbo.store.archive import Archives
    from shadbo.store.database import engine

    part = args.file.with_name(f".{args.file.name}.part")
    with Session(engine()) as session, session.begin():
        session.connection(execution_options={"isolation_level": "REPEATABLE READ"})
        archives = Archives(session, _the_workshop(session, args.workshop))
        with part.open("wb") as out:
            if args.job is None:
                said = f"{archives.of_all(out)} jobs"
            else:
                out.write(archives.of_job(args.job))
                said = f"job {args.job}"
    part.replace(args.file)
    print(f"{args.file}: {said}; {args.file.stat().st_size / 1e6:.1f} MB")
    return 0


def _import(args: argparse.Namespace) -> int:
    from sqlalchemy.orm import Session

    from shadbo.store.database import engine, migrate
    from shadbo.store.unarchive import Reader, read_in

    with args.file.open("rb") as file:
        about = Reader(file).about
        migrate()
        with Session(engine()) as session, session.begin():
            whole = about["holds"] == "workshop"
            name = args.workshop or about["workshop"] if whole else _the_workshop(session, args.workshop)
            taken = read_in(session, file, name)
    people = f", {taken.people} people (each needs a new code to come in)" if whole else ""
    print(
        f"Read into “{name}”: {taken.jobs} job{'s' if taken.jobs != 1 else ''}, {taken.photos} photographs{people}."
    )
    return 0


def _told(what: Callable[[argparse.Namespace], int]) -> Callable[[argparse.Namespace], int]:
    def run(args: argparse.Namespace) -> int:
        import psycopg  # here and below, so that the other commands start sooner

        from shadbo.store.backup import BadBackup
        from shadbo.store.records import NoSuchJob
        from shadbo.store.unarchive import BadArchive

        try:
            return what(args)
        except (BadBackup, BadArchive, NoSuchJob, OSError, RuntimeError, psycopg.Error) as bad:
            print(f"shadbo: {str(bad).strip()}", file=sys.stderr)
            return 2

    return run


def _backup(args: argparse.Namespace) -> int:
    from shadbo.store.backup import back_up
    from shadbo.store.database import database_url

    manifest = back_up(database_url(), args.file)
    rows = ", ".join(f"{t.rows} {t.name}" for t in manifest.tables)
    print(f"{args.file}: {rows}; {args.file.stat().st_size / 1e6:.1f} MB")
    return 0


def _restore(args: argparse.Namespace) -> int:
    from shadbo.store.backup import restore
    from shadbo.store.copies import beside
    from shadbo.store.database import database_url

    if args.beside is None:
        manifest = restore(database_url(), args.file)
        where = "this installation"
    else:
        with beside(database_url(), args.beside, drop=False) as url:
            manifest = restore(url, args.file)
        where = f"the database {args.beside}; serve it with SHADBO_DATABASE_URL ending in /{args.beside}"
    print(f"Restored {sum(t.rows for t in manifest.tables)} rows of {len(manifest.tables)} tables into {where}.")
    return 0


def _copies(args: argparse.Namespace) -> int:
    from shadbo.store.backup import BadBackup
    from shadbo.store.copies import copy_now, due
    from shadbo.store.database import database_url

    if args.hours <= 0:
        raise BadBackup("--hours: found no time; expected a number above 0")
    while True:
        now = dt.datetime.now(dt.UTC)
        if args.once or due(args.folder, now, args.hours):
            state = copy_now(database_url(), args.folder, now)
            print(f"copy: {state.said}", file=sys.stderr, flush=True)
            if args.once:
                return 0 if state.good_at == now.isoformat() else 1
        time.sleep(LOOK_SECONDS)
