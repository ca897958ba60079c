"""Heavy work in a process of its own: what it makes comes back, and what takes too much is ended and said."""

import os
import time

import pytest

from shadbo.demo.pictures import shirt_photo
from shadbo.files.photo import take_in
from shadbo.work import limits
from shadbo.work.kinds import KINDS, Kind, Made, WorkRefused, photo_of
from shadbo.work.limits import WorkFailed, WorkStopped, within_limits

PHOTO = KINDS["photo"]


def test_what_is_made_is_what_the_function_makes():
    made = within_limits(PHOTO, {}, shirt_photo())
    assert photo_of(made) == take_in(shirt_photo())


def test_what_cannot_be_worked_on_says_why():
    with pytest.raises(WorkRefused, match="no photograph") as refused:
        within_limits(PHOTO, {}, b"not one")
    assert refused.value.at == "photos"


def test_it_runs_in_another_process_which_is_gone_afterwards():
    with pytest.raises(WorkFailed) as failed:
        within_limits(odd("where"), {}, b"")
    there = int(str(failed.value).rpartition(" ")[2])
    assert there != os.getpid()
    with pytest.raises(ProcessLookupError):
        os.kill(there, 0)


def test_it_takes_the_time_that_others_leave_or_a_small_share_beside_them():
    with pytest.raises(WorkFailed) as failed:
        within_limits(odd("turns"), {}, b"")
    assert str(failed.value).rpartition(": ")[2] == f"{os.SCHED_OTHER} {limits.NICE}", "the tests are such others"
    turn = os.fork()
    if turn == 0:
        limits._in_time_left_over()
        os._exit(os.sched_getscheduler(0))
    assert os.waitstatus_to_exitcode(os.waitpid(turn, 0)[1]) == os.SCHED_IDLE


def test_what_takes_too_long_is_ended(monkeypatch):
    monkeypatch.setattr(limits, "WALL", 15)  # on a busy machine a second of work takes its time
    begun = time.monotonic()
    with pytest.raises(WorkFailed, match="more than 1 s of work"):
        within_limits(odd("spins"), {}, b"")
    assert time.monotonic() - begun < 20


def test_what_sleeps_is_ended_too(monkeypatch):
    monkeypatch.setattr(limits, "WALL", 0.5)
    with pytest.raises(WorkFailed, match="not done"):
        within_limits(odd("sleeps"), {}, b"")


def test_what_takes_too_much_memory_is_ended():
    with pytest.raises(WorkFailed, match="more than 50 MB"):
        within_limits(odd("grows"), {}, b"")


def test_what_ends_without_a_word_is_said():
    with pytest.raises(WorkFailed):
        within_limits(odd("dies"), {}, b"")


def test_what_is_given_up_is_ended():
    with pytest.raises(WorkStopped):
        within_limits(odd("sleeps"), {}, b"", lambda: True)


def odd(name: str) -> Kind:
    """A kind of work that does not behave."""
    return ODD[name]


def _where(*_: object) -> Made:
    raise RuntimeError(f"I am {os.getpid()}")


def _turns(*_: object) -> Made:
    raise RuntimeError(f"{os.sched_getscheduler(0)} {os.nice(0)}")


def _spins(*_: object) -> Made:
    while True:
        pass


def _sleeps(*_: object) -> Made:
    time.sleep(60)
    raise AssertionError


def _grows(*_: object) -> Made:
    kept = []
    while True:
        kept.append(bytearray(5_000_000))


def _dies(*_: object) -> Made:
    os._exit(3)


ODD = {
    name: Kind(name, run, 1 if name != "dies" else 5, 50)
    for name, run in {
        "where": _where, "turns": _turns, "spins": _spins, "sleeps": _sleeps, "grows": _grows, "dies": _dies,
    }.items()
}  # fmt: skip
