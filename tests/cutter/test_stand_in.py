"""The cutter's stand-in: what it refuses and why, how long it takes, its line of jobs, its progress and its stop."""

import subprocess
import sys

import pytest
from fastapi.testclient import TestClient
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.core.cutting.mat_lines import mats_of
from shadbo.cutter.judge import CORNER_S, CUT_MM_PER_S, MOVE_MM_PER_S, refusals, strokes
from shadbo.cutter.protocol import CutJob
from shadbo.cutter.service import create_cutter
from shadbo.files.cut_job import cut_job
from tests.core.test_box_slips import PHOTO, jersey
from tests.cutter_jobs import cut, opening
from tests.flat import job, plan
from tests.server import free_port


class Clock:
    """Seconds that pass when told to."""

    def __init__(self) -> None:
        self.now = 100.0

    def __call__(self) -> float:
        return self.now


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def machine(clock: Clock) -> TestClient:
    return TestClient(create_cutter(clock=clock))


def codes(*openings: dict, **board: float) -> list[tuple[str, str]]:
    return [(r.code, r.opening) for r in refusals(CutJob.model_validate(cut(*openings, **board)))]


def test_what_is_refused_and_for_which_opening():
    assert codes(opening("a", 50, 50, 200, 200)) == []
    assert codes(opening("a", 450, 50, 200, 200)) == [("outside", "a")]
    assert codes(opening("a", 5, 50, 200, 200)) == [("strip", "a")]
    assert codes(opening("a", 50, 50, 200, 200), opening("b", 200, 100, 200, 200)) == [("overlap", "b")]
    assert codes(opening("a", 50, 50, 200, 200), opening("b", 255, 50, 200, 200)) == [("strip", "b")]
    assert codes(opening("a", 50, 50, 200, 200), opening("b", 100, 100, 20, 20)) == [("overlap", "b")]
    assert codes(opening("a", 50, 50, 200, 200), width=1700, height=1300) == [("board", "")]


def test_an_outline_that_crosses_itself_or_is_empty_is_none():
    bow = {"id": "bow", "points": [[50, 50], [250, 250], [250, 50], [50, 250]]}
    flat = {"id": "flat", "points": [[50, 50], [250, 50], [150, 50]]}
    assert codes(bow) == [("outline", "bow")]
    assert codes(flat) == [("outline", "flat")]


def test_the_time_is_that_of_moving_and_cutting():
    done = strokes(CutJob.model_validate(cut(opening("a", 50, 50, 180, 90))))
    assert len(done) == 4
    assert done[-1].until_mm == 540
    expected = 5000**0.5 / MOVE_MM_PER_S + 4 * CORNER_S + 540 / CUT_MM_PER_S
    assert done[-1].until_s == pytest.approx(expected)


@given(st.lists(st.tuples(st.integers(20, 500), st.integers(20, 300)), min_size=1, max_size=6))
@settings(max_examples=40, deadline=None)
def test_time_and_path_only_grow(corners):
    found = strokes(CutJob.model_validate(cut(*[opening(str(n), x, y, 30, 20) for n, (x, y) in enumerate(corners)])))
    assert [s.until_s for s in found] == sorted(s.until_s for s in found)
    assert found[-1].until_mm == 100 * len(corners)


def test_progress_runs_from_waiting_to_done(machine: TestClient, clock: Clock):
    sent = machine.post("/cuts", json=cut(opening("a", 50, 50, 180, 90))).json()
    assert (sent["done_mm"], sent["path_mm"]) == (0, 540)
    clock.now += sent["seconds"] / 2
    half = machine.get(f"/cuts/{sent['id']}").json()
    assert half["state"] == "cutting"
    assert 0 < half["done_mm"] < 540
    clock.now += sent["seconds"]
    done = machine.get(f"/cuts/{sent['id']}").json()
    assert (done["state"], done["done_mm"], done["seconds_left"]) == ("done", 540, 0)


def test_one_job_at_a_time_and_the_next_waits_its_turn(machine: TestClient, clock: Clock):
    first = machine.post("/cuts", json=cut(opening("a", 50, 50, 180, 90))).json()
    second = machine.post("/cuts", json=cut(opening("b", 50, 50, 180, 90))).json()
    clock.now += 1
    waits = machine.get(f"/cuts/{second['id']}").json()
    assert waits["state"] == "waiting"
    assert waits["seconds_left"] > second["seconds"]
    machine.delete(f"/cuts/{first['id']}")
    clock.now += second["seconds"] + first["seconds"]
    assert machine.get(f"/cuts/{second['id']}").json()["state"] == "done"


def test_a_cut_that_is_sent_again_is_the_same_cut(machine: TestClient):
    """Pressed twice on a stalled cutter, the mat would have been cut twice."""
    job = cut(opening("a", 50, 50, 180, 90), key="the-same-press")
    ids = {machine.post("/cuts", json=job).json()["id"] for _ in range(3)}
    assert len(ids) == 1
    other = machine.post("/cuts", json=cut(opening("a", 50, 50, 180, 90), key="another-press")).json()
    assert other["id"] not in ids
    bare = {machine.post("/cuts", json=cut(opening("a", 50, 50, 180, 90))).json()["id"] for _ in range(2)}
    assert len(bare) == 2, "without a key each is a cut of its own"


def test_a_stopped_cut_stays_where_it_was(machine: TestClient, clock: Clock):
    sent = machine.post("/cuts", json=cut(opening("a", 50, 50, 180, 90))).json()
    clock.now += 3
    stopped = machine.delete(f"/cuts/{sent['id']}").json()
    clock.now += 60
    later = machine.get(f"/cuts/{sent['id']}").json()
    assert stopped["state"] == later["state"] == "stopped"
    assert stopped["done_mm"] == later["done_mm"] < 540


def test_refusals_are_told_all_at_once_and_unknown_fields_and_cuts_are_refused(machine: TestClient):
    bad = machine.post("/cuts", json=cut(opening("a", 5, 50, 200, 200), opening("b", 500, 50, 200, 200)))
    assert bad.status_code == 422
    assert [r["opening"] for r in bad.json()["refused"]] == ["a", "b"]
    assert machine.post("/cuts", json=cut(opening("a", 50, 50, 9, 9), colour="red")).status_code == 422
    assert machine.post("/cuts", json={"format": "other"}).status_code == 422
    assert machine.post("/cuts", json=cut()).status_code == 422
    assert machine.get("/cuts/nobody").status_code == 404
    assert machine.get("/").json()["format"] == "shadbo-cut"


@pytest.mark.parametrize("the_job", [jersey({"detail": PHOTO}), job("window mat", "paper")], ids=["jersey", "mat"])
def test_what_the_plan_makes_the_machine_takes(the_job):
    for mat in mats_of(plan(the_job)):
        assert refusals(CutJob.model_validate(cut_job(mat, "a test"))) == []


def test_the_command_serves_it_and_refuses_no_pace():
    done = subprocess.run([sys.executable, "-m", "shadbo", "cutter", "--port", str(free_port()), "--pace", "0"],
                          capture_output=True, text=True, check=False)  # fmt: skip
    assert done.returncode == 2
    assert "above 0" in done.stderr
