"""Those who wait for heavy work: one look for all of them, told when it is done, and when it cannot be told."""

import asyncio
from collections.abc import Iterator

import pytest
from sqlalchemy import Engine, create_engine, event
from sqlalchemy.exc import OperationalError
from sqlalchemy.orm import Session

from shadbo.store.work import Bench, Outcome, Works
from shadbo.web.waiting import WaitingRoom

MANY = 30


@pytest.fixture
def works(client, database: tuple[str, Engine]) -> list[str]:
    """So many pieces of work that nobody does."""
    with Session(database[1]) as s, s.begin():
        return [Works(s, "here").ask("photo", 101, {}, str(n).encode()) for n in range(MANY)]


@pytest.fixture
def looks(database: tuple[str, Engine]) -> Iterator[list[str]]:
    """The statements that are sent while a test runs."""
    sent: list[str] = []

    def note(*told: object) -> None:
        sent.append(str(told[2]))

    event.listen(database[1], "before_cursor_execute", note)
    yield sent
    event.remove(database[1], "before_cursor_execute", note)


def done(engine: Engine, *work_ids: str) -> None:
    with Session(engine) as s, s.begin():
        for work_id in work_ids:
            assert Bench(s).take(work_id) is not None
            Bench(s).done(work_id, Outcome("made", media="text/plain", made=b"it"))


def test_one_look_serves_all_and_each_goes_when_its_own_is_done(works: list[str], database, looks: list[str]):
    engine = database[1]

    async def all_of_them() -> None:
        room = WaitingRoom(lambda: engine)
        waiting = [asyncio.create_task(room.closed(("here", w), 20)) for w in works]
        again = asyncio.create_task(room.closed(("here", works[0]), 20))
        await asyncio.sleep(1)
        assert not any(w.done() for w in (*waiting, again))
        asked = sum("unnest" in said for said in looks)
        assert 1 <= asked <= 12, "looks, however many wait"
        await asyncio.to_thread(done, engine, works[0])
        await asyncio.wait_for(asyncio.gather(waiting[0], again), 5)
        assert not any(w.done() for w in waiting[1:])
        await asyncio.to_thread(done, engine, *works[1:])
        await asyncio.wait_for(asyncio.gather(*waiting), 5)

    asyncio.run(all_of_them())


def test_nobody_waits_longer_than_was_said_nor_for_what_is_not_there(works: list[str], database, looks: list[str]):
    async def two() -> None:
        room = WaitingRoom(lambda: database[1])
        clock = asyncio.get_running_loop().time
        began = clock()
        await room.closed(("here", works[0]), 0.3)
        assert 0.25 < clock() - began < 5
        await asyncio.wait_for(room.closed(("there", works[0]), 60), 5)  # another workshop's: as good as none
        left = asyncio.create_task(room.closed(("here", works[1]), 60))
        await asyncio.sleep(0.1)
        left.cancel()
        await asyncio.sleep(1)
        before = len(looks)
        await asyncio.sleep(1)
        assert len(looks) == before, "nobody waits, and nobody looks"

    asyncio.run(two())


def test_a_database_that_is_away_is_told_to_all_who_wait():
    away = create_engine("postgresql+psycopg://nobody@127.0.0.1:9/none", connect_args={"connect_timeout": 1})

    async def all_of_them() -> list[BaseException | None]:
        room = WaitingRoom(lambda: away)
        return await asyncio.gather(*(room.closed(("here", str(n)), 30) for n in range(3)), return_exceptions=True)

    assert [type(told) for told in asyncio.run(all_of_them())] == [OperationalError] * 3
    away.dispose()
