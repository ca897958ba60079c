"""``shadbo backup``, ``restore`` and ``copies``: what a workshop puts in, kept."""

import argparse
import datetime as dt
import sys
import time
from collections.abc import Callable
from pathlib import Path

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


def _told(what: Callable[[argparse.Namespace], int]) -> Callable[[argparse.Namespace], int]:
    def run(args: argparse.Namespace) -> int:
        import psycopg  # here and below, so that the other commands start sooner

        from shadbo.store.backup import BadBackup

        try:
            return what(args)
        except (BadBackup, OSError, RuntimeError, psycopg.Error) as bad:
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
