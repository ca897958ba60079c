"""Those who wait for heavy work in one process: one look at the database for all of them."""

import asyncio
from collections.abc import Callable, Iterable

from fastapi.concurrency import run_in_threadpool
from sqlalchemy import Engine

from shadbo.store.work import OPEN, states_of

FIRST_PAUSE, LAST_PAUSE = 0.03, 0.5

Work = tuple[str, str]
"""A workshop, and the id of its work."""


class WaitingRoom:
    """Requests that wait until their work is no longer open, without a connection or a thread of their own."""

    def __init__(self, engine: Callable[[], Engine]) -> None:
        self._engine = engine
        self._waiting: dict[Work, set[asyncio.Future[None]]] = {}
        self._looking: asyncio.Task[None] | None = None
        self._pause = FIRST_PAUSE

    async def closed(self, work: Work, seconds: float) -> None:
        """Return once the work is done, given up or gone, or after so long. Raises what looking at it raised."""
        told: asyncio.Future[None] = asyncio.get_running_loop().create_future()
        self._waiting.setdefault(work, set()).add(told)
        self._pause = FIRST_PAUSE
        if self._looking is None or self._looking.done():
            self._looking = asyncio.create_task(self._look())
        try:
            await asyncio.wait([told], timeout=seconds)
            if told.done():
                told.result()
        finally:
            self._gone(work, told)

    def _gone(self, work: Work, told: asyncio.Future[None]) -> None:
        """What nobody waits for any more is not looked at."""
        others = self._waiting.get(work, set())
        others.discard(told)
        if not others:
            self._waiting.pop(work, None)

    async def _look(self) -> None:
        """Look again and again, ever more slowly while nothing comes, until nobody waits."""
        while self._waiting:
            await asyncio.sleep(self._pause)
            self._pause = min(self._pause * 1.5, LAST_PAUSE)
            asked, failed, still_open = list(self._waiting), None, set[Work]()
            if not asked:
                return
            try:
                still_open = await run_in_threadpool(self._open, asked)
            except Exception as bad:  # whatever it is, those who wait are told, and ask again
                failed = bad
            for work in asked:
                if work not in still_open:
                    self._tell(work, failed)

    def _tell(self, work: Work, failed: Exception | None) -> None:
        for told in self._waiting.pop(work, set()):
            if told.done():
                continue
            if failed is None:
                told.set_result(None)
            else:
                told.set_exception(failed)

    def _open(self, asked: Iterable[Work]) -> set[Work]:
        """One statement, in no transaction."""
        with self._engine().connect().execution_options(isolation_level="AUTOCOMMIT") as c:
            return {work for work, state in states_of(c, asked) if state in OPEN}
