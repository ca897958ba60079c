"""The queue of heavy work on a real database: done once for many, stopped, forgotten, refused."""

import asyncio
import threading
from collections.abc import Coroutine, Iterator
from concurrent.futures import ThreadPoolExecutor

import pytest
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.demo.pictures import shirt_photo
from shadbo.demo.shop import demo_shop
from shadbo.store.database import VARIABLE
from shadbo.store.work import MOST_WAITING, Bench, TooMuchWork, Works, outcome_of
from shadbo.store.workshops import Workshops
from shadbo.work import queue
from shadbo.work.queue import Queue, do
from tests.database import fresh_database


@pytest.fixture(scope="module")
def database() -> Iterator[tuple[str, Engine]]:
    with fresh_database("work") as both:
        with Session(both[1]) as s, s.begin():
            Workshops(s).add("here", demo_shop())
            Workshops(s).add("there", demo_shop())
        yield both


@pytest.fixture(autouse=True)
def empty(database: tuple[str, Engine]) -> None:
    with Session(database[1]) as s, s.begin():
        s.execute(text("truncate work; truncate procrastinate_jobs cascade"))


def asked(database: tuple[str, Engine], given: bytes, shop: str = "here") -> str:
    with Session(database[1]) as s, s.begin():
        return Works(s, shop).ask("photo", 101, {}, given)


def outcome(database: tuple[str, Engine], work_id: str, shop: str = "here"):
    with Session(database[1]) as s, s.begin():
        return outcome_of(s.connection(), shop, work_id)


def test_equal_work_is_done_once(database):
    first = asked(database, b"one")
    assert asked(database, b"one") == first
    assert asked(database, b"two") != first
    assert asked(database, b"one", "there") != first
    assert outcome(database, first, "there") is None


def test_many_ask_at_once_and_one_piece_comes_of_it(database):
    found: list[str] = []
    threads = [threading.Thread(target=lambda: found.append(asked(database, b"same"))) for _ in range(8)]
    for t in threads:
        t.start()
    for t in threads:
        t.join()
    assert len(found) == 8
    assert len(set(found)) == 1


def test_a_worker_takes_it_out_and_keeps_what_came_of_it(database, monkeypatch):
    monkeypatch.setenv(VARIABLE, database[0])
    put = Queue(database[0])
    good, bad = asked(database, shirt_photo()), asked(database, b"not a photograph")
    for work_id in (good, bad, good):
        put.put(work_id)
    worked_off(until(database, {good, bad}))
    put.close()
    assert outcome(database, good).state == "made"
    refused = outcome(database, bad)
    assert (refused.state, refused.at) == ("refused", "photos")
    with Session(database[1]) as s:
        assert s.scalar(text("select sum(length(given)) from work")) == 0


def worked_off(working: Coroutine[None, None, None]) -> None:
    """In a thread of its own: this one may have a loop already."""
    with ThreadPoolExecutor(1) as pool:
        pool.submit(asyncio.run, working).result()


async def until(database: tuple[str, Engine], ids: set[str]) -> None:
    """A worker runs until these are done."""
    working = asyncio.create_task(queue.work(database[1]))
    for _ in range(300):
        states = [(await asyncio.to_thread(outcome, database, i)).state for i in ids]
        if all(state not in ("waiting", "working") for state in states):
            break
        await asyncio.sleep(0.1)
    working.cancel()
    await asyncio.gather(working, return_exceptions=True)


def test_what_was_never_put_in_is_found_again(database, monkeypatch):
    """A server that was killed between writing it down and putting it in loses nothing."""
    monkeypatch.setenv(VARIABLE, database[0])
    left = asked(database, shirt_photo())
    with Session(database[1]) as s, s.begin():
        s.execute(text("update work set asked_at = now() - interval '1 minute'"))
    worked_off(until(database, {left}))
    assert outcome(database, left).state == "made"


def test_what_a_worker_has_in_hand_is_left_to_it_until_it_is_overdue(database):
    work_id = asked(database, shirt_photo())
    with Session(database[1]) as s, s.begin():
        assert Bench(s).take(work_id) is not None
        s.execute(text("update work set asked_at = now() - interval '2 minutes'"))
        assert Bench(s).left(queue.FORGOTTEN, queue.OVERDUE) == []
        s.execute(text("update work set begun_at = now() - interval '1 hour'"))
        assert Bench(s).left(queue.FORGOTTEN, queue.OVERDUE) == [work_id]


def test_what_is_given_up_is_not_done(database):
    work_id = asked(database, shirt_photo())
    with Session(database[1]) as s, s.begin():
        assert not Works(s, "there").give_up(work_id)
        assert Works(s, "here").give_up(work_id)
        assert not Works(s, "here").give_up(work_id)
    do(database[1], work_id)
    assert outcome(database, work_id).state == "given up"
    assert asked(database, shirt_photo()) != work_id


def test_a_failed_piece_is_tried_anew_when_it_is_asked_for_again(database):
    work_id = asked(database, b"not a photograph")
    do(database[1], work_id)
    assert asked(database, b"not a photograph") != work_id


def test_no_more_is_taken_than_can_wait(database):
    with Session(database[1]) as s, s.begin():
        works = Works(s, "here")
        for n in range(MOST_WAITING):
            works.ask("photo", 101, {"n": n}, b"")
        with pytest.raises(TooMuchWork):
            works.ask("photo", 101, {"n": -1}, b"")
        assert works.ask("photo", 101, {"n": 3}, b"")
        assert [p.ahead for p in works.pending()][:3] == [0, 1, 2]


def test_what_was_done_long_ago_is_let_go(database):
    work_id = asked(database, shirt_photo())
    do(database[1], work_id)
    with Session(database[1]) as s, s.begin():
        s.execute(text("update work set asked_at = now() - interval '2 hours'"))
        Bench(s).clear()
    assert outcome(database, work_id) is None
