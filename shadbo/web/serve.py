"""Serving: one process a core, with the database as all that they share."""

import datetime as dt
import os
from collections.abc import Sequence
from pathlib import Path

import uvicorn

from shadbo.web.certificate import Certificate, own_certificate
from shadbo.web.network import NotServed, Reach, reach
from shadbo.web.variables import AUTHORITY, FIRST_PROCESS, HOSTS, UNLOCKED

STOPPING_SECONDS = 4
"""What is in flight has so long to end when the server is told to stop; what it would have saved is sent again."""


def cores() -> int:
    """How many cores this process may run on."""
    return len(os.sched_getaffinity(0))


def reached(host: str, names: Sequence[str], behind: str) -> Reach:
    """Where it will be reached. Raises NotServed for a network without a lock."""
    found = reach(host, names)
    if os.environ.get(UNLOCKED) == "yes" and not (found.alone and not behind):
        raise NotServed("an unlocked house opens without a password, and so is served on this machine alone")
    return found


def certificate(at: Reach, cert: Path | None, key: Path | None, folder: Path) -> Certificate | None:
    """What it is served under: the given certificate, or its own; None on this machine alone.

    Raises NotServed where half of one is given, or a file is missing.
    """
    if (cert is None) != (key is None):
        raise NotServed("--cert and --key go together")
    if cert is not None and key is not None:
        missing = next((f for f in (cert, key) if not f.is_file()), None)
        if missing is not None:
            raise NotServed(f"{missing} is not there")
        return Certificate(cert, key)
    if at.alone:
        return None
    return own_certificate(folder, at.names, dt.datetime.now(dt.UTC))


def first_code() -> str | None:
    """Bring the tables up to date; the code to set up with, where nobody could come in yet."""
    if os.environ.get(UNLOCKED) == "yes":
        return None
    from sqlalchemy.orm import Session  # here, so that the process that only watches loads little

    from shadbo.store.database import engine, migrate
    from shadbo.store.entrance import Entrance

    migrate()
    own = engine()
    try:
        with Session(own) as s, s.begin():
            entrance = Entrance(s)
            return entrance.code_to_set_up() if entrance.needs_set_up() else None
    finally:
        own.dispose()


def serve(at: Reach, port: int, processes: int, under: Certificate | None, behind: str = "") -> None:
    """Serve until stopped. The first of several processes only watches, and so loads nothing.

    ``behind`` is the address of a proxy whose word on scheme and sender is taken; nobody's is, without it.
    """
    os.environ[FIRST_PROCESS] = str(os.getpid())
    os.environ[HOSTS] = ",".join((*filter(None, os.environ.get(HOSTS, "").split(",")), *at.names))
    if under is not None and under.authority is not None:
        os.environ[AUTHORITY] = str(under.authority)
    uvicorn.run(
        "shadbo.web.served:ready" if processes == 1 else "shadbo.web.served:served",
        factory=True,
        workers=processes,
        host=at.host,
        port=port,
        log_level="warning",
        timeout_graceful_shutdown=STOPPING_SECONDS,
        timeout_worker_healthcheck=60,  # one that is still loading on a busy machine is not dead
        proxy_headers=bool(behind),
        forwarded_allow_ips=behind or None,
        server_header=False,
        ssl_certfile=under.cert if under else None,
        ssl_keyfile=under.key if under else None,
    )
