"""The queue of heavy work: put in by those who serve, taken out by those who work, both on the one database."""

import asyncio
import datetime as dt
import logging
from collections.abc import Callable
from contextlib import suppress

from procrastinate import App, PsycopgConnector, SyncPsycopgConnector
from procrastinate.exceptions import AlreadyEnqueued
from sqlalchemy import Engine
from sqlalchemy.orm import Session

from shadbo.store.backup import plain
from shadbo.store.database import database_url
from shadbo.store.work import Bench, Outcome, Piece
from shadbo.work.kinds import KINDS, WorkRefused
from shadbo.work.limits import WALL, WorkFailed, WorkStopped, within_limits

log = logging.getLogger("shadbo.work")
TASK = "work"
SWEEP_SECONDS = 15
FORGOTTEN = dt.timedelta(seconds=30)
OVERDUE = dt.timedelta(seconds=max(k.seconds for k in KINDS.values()) * WALL + 60)
"""No piece of work is let go on for so long: whoever had it in hand could not write down what came of it."""
STALLED_SECONDS = 30
MOST_TRIES = 3


class Queue:
    """Where those who serve put work in."""

    def __init__(self, url: str) -> None:
        self._app = App(connector=SyncPsycopgConnector(conninfo=plain(url), min_size=0, max_size=2, timeout=5))
        self._open = False

    def put(self, work_id: str) -> None:
        """Let it be done; what is in already is not put in twice."""
        if not self._open:
            self._app.open()
            self._open = True
        with suppress(AlreadyEnqueued):
            self._app.configure_task(TASK, queueing_lock=work_id).defer(work_id=work_id)

    def close(self) -> None:
        """Let its connections go."""
        if self._open:
            self._app.close()


def do(engine: Engine, work_id: str) -> None:
    """Do one piece of work, and keep what came of it."""
    with Session(engine) as s, s.begin():
        piece = Bench(s).take(work_id)
    if piece is None:
        return

    def given_up() -> bool:
        with Session(engine) as s, s.begin():
            return not Bench(s).is_wanted(work_id)

    came = _came(piece, given_up)
    if came is not None:
        with Session(engine) as s, s.begin():
            Bench(s).done(work_id, came)


def _came(piece: Piece, given_up: Callable[[], bool]) -> Outcome | None:
    """What comes of it; None for what was given up."""
    try:
        made = within_limits(KINDS[piece.kind], piece.asked, piece.given, given_up)
    except WorkStopped:
        return None
    except WorkRefused as bad:
        return Outcome("refused", bad.at, str(bad))
    except WorkFailed as bad:
        log.warning("%s %s: %s", piece.kind, piece.id, bad)
        return Outcome("failed", says=str(bad))
    return Outcome("made", media=made.media, made=made.content)


async def work(engine: Engine, at_once: int = 1) -> None:
    """Take work out and do it until told to stop."""
    app = App(connector=PsycopgConnector(conninfo=plain(database_url()), min_size=1, max_size=4))

    @app.task(name=TASK)
    def one(work_id: str) -> None:
        do(engine, work_id)

    async with app.open_async():
        sweeping = asyncio.create_task(_sweep(app, engine))
        try:
            await app.run_worker_async(concurrency=at_once, fetch_job_polling_interval=2, delete_jobs="always")
        finally:
            sweeping.cancel()


async def _sweep(app: App, engine: Engine) -> None:
    """Again what a worker left behind that died, and what was never put in; away with what is long done."""
    while True:
        try:
            for job in await app.job_manager.get_stalled_jobs(seconds_since_heartbeat=STALLED_SECONDS):
                if job.attempts + 1 >= MOST_TRIES:
                    await asyncio.to_thread(_despair, engine, str(job.task_kwargs["work_id"]))
                await app.job_manager.retry_job(job)
            for work_id in await asyncio.to_thread(_left, engine):
                with suppress(AlreadyEnqueued):
                    await app.configure_task(TASK, queueing_lock=work_id).defer_async(work_id=work_id)
        except Exception:  # the database is away: the next round finds what this one has not
            log.exception("sweeping")
        await asyncio.sleep(SWEEP_SECONDS)


def _despair(engine: Engine, work_id: str) -> None:
    with Session(engine) as s, s.begin():
        Bench(s).done(work_id, Outcome("failed", says=f"it was begun {MOST_TRIES} times and never came to an end"))


def _left(engine: Engine) -> list[str]:
    with Session(engine) as s, s.begin():
        bench = Bench(s)
        bench.clear()
        return bench.left(FORGOTTEN, OVERDUE)
