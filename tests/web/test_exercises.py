"""Practice over HTTP: given, answered, marked; each person's own; no answer before it is given."""

import pytest
from sqlalchemy.orm import Session

from shadbo.store.exercises import READY, Exercises
from tests.web.test_doors import crew, hashed, house, signed_in

__all__ = ["crew", "hashed", "house"]


@pytest.fixture
def apprentice(house, database, crew):
    return signed_in(house, database, crew, "apprentice")


def right_answers(database, ids: dict[str, str], exercise_id: str) -> dict[str, float]:
    from shadbo.core.assess import assess
    from shadbo.core.exercises.exercise import asked

    with Session(database[1]) as s:
        given = Exercises(s, "here", ids["apprentice"]).get(exercise_id)
        return {q.key: round(q.value, 2) for q in asked(assess(given.job, given.shop), given.asks)}


def test_an_apprentice_does_ten_exercises_and_is_told_each_slip(apprentice, database, crew):
    told = set()
    for n in range(10):
        given = apprentice.post("/api/exercises", json={"level": 1}).json()
        right = right_answers(database, crew, given["id"])
        assert set(right) == {t["key"] for t in given["exercise"]["tasks"]}
        typed = {k: f"{v:g}" if n % 2 else f"{v + 1234.5:g}" for k, v in right.items()}
        answer = apprentice.post(f"/api/exercises/{given['id']}", json={"answers": typed})
        assert answer.status_code == 200, answer.text
        assert all(m["right"] == bool(n % 2) for m in answer.json()["marks"])
        told |= {m["says"] for m in answer.json()["marks"]}
    progress = apprentice.get("/api/exercises").json()
    assert progress["answers"] >= 10
    assert 0 < progress["right"] < progress["answers"]
    assert "right" in told


def test_right_answers_lead_to_the_next_level(apprentice, database, crew):
    done = 0
    while done < READY:
        given = apprentice.post("/api/exercises", json={"level": 1}).json()
        typed = {k: f"{v:g}" for k, v in right_answers(database, crew, given["id"]).items()}
        done += len(apprentice.post(f"/api/exercises/{given['id']}", json={"answers": typed}).json()["marks"])
    assert apprentice.get("/api/exercises").json()["level"] == 2


def test_the_first_answers_count_and_another_persons_exercise_is_not_there(apprentice, house, database, crew):
    given = apprentice.post("/api/exercises", json={"level": 2}).json()
    right = {k: f"{v:g}" for k, v in right_answers(database, crew, given["id"]).items()}
    wrong = dict.fromkeys(right, "1")
    assert not any(
        m["right"] for m in apprentice.post(f"/api/exercises/{given['id']}", json={"answers": wrong}).json()["marks"]
    )
    later = apprentice.post(f"/api/exercises/{given['id']}", json={"answers": right}).json()
    assert all(m["right"] for m in later["marks"])
    assert later["progress"]["right"] == 0, "the first answers stand"
    framer = signed_in(house, database, crew, "framer")
    assert framer.get(f"/api/exercises/{given['id']}").status_code == 404
    assert apprentice.get(f"/api/exercises/{given['id']}").json()["exercise"] == given["exercise"]


def test_what_is_no_length_or_nothing_is_said_at_its_line(apprentice, database, crew):
    given = apprentice.post("/api/exercises", json={"level": 1}).json()
    key = given["exercise"]["tasks"][0]["key"]
    for typed, says in (("", "nothing stands here"), ("a hand", ""), ("1e999", "")):
        answers = {t["key"]: "100" for t in given["exercise"]["tasks"]} | {key: typed}
        answer = apprentice.post(f"/api/exercises/{given['id']}", json={"answers": answers})
        assert answer.status_code == 422
        error = answer.json()["errors"][0]
        assert error["at"] == key
        assert says in error["message"]
    assert apprentice.get("/api/exercises").json()["answers"] == 0
    assert apprentice.post("/api/exercises", json={"level": 4}).status_code == 422
