"""Practice over HTTP: given, answered, marked; each person's own; no answer before it is given."""

import pytest
from sqlalchemy.orm import Session

from shadbo.core.exercises.choices import choosing
from shadbo.core.exercises.exercise import asked, laid_out
from shadbo.store.exercises import READY, Exercises
from tests.web.test_doors import crew, hashed, house, signed_in

__all__ = ["crew", "hashed", "house"]


@pytest.fixture
def apprentice(house, database, crew):
    return signed_in(house, database, crew, "apprentice")


def answers_to(database, ids: dict[str, str], exercise_id: str, right: bool = True) -> dict[str, str]:
    """Right or wrong answers to all that is asked, as they are typed or picked."""
    with Session(database[1]) as s:
        given = Exercises(s, "here", ids["apprentice"]).get(exercise_id)
        plan, mirrored = laid_out(given.job, given.shop)
        off = 0 if right else 1234.5
        out = {q.key: f"{round(q.value, 2) + off:g}" for q in asked(plan, mirrored, given.asks)}
        choice = choosing(plan, given.asks.seed)
        picked = {choice.key: next(o.id for o in choice.offers if o.right is right)} if choice is not None else {}
        return out | picked


def test_an_apprentice_does_ten_exercises_and_is_told_each_slip(apprentice, database, crew):
    told = set()
    for n in range(10):
        given = apprentice.post("/api/exercises", json={"level": 1}).json()
        typed = answers_to(database, crew, given["id"], bool(n % 2))
        assert set(typed) == {t["key"] for t in given["exercise"]["tasks"]}
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
        typed = answers_to(database, crew, given["id"])
        done += len(apprentice.post(f"/api/exercises/{given['id']}", json={"answers": typed}).json()["marks"])
    assert apprentice.get("/api/exercises").json()["level"] == 2


def test_the_first_answers_count_and_another_persons_exercise_is_not_there(apprentice, house, database, crew):
    given = apprentice.post("/api/exercises", json={"level": 2}).json()
    right, wrong = (answers_to(database, crew, given["id"], so) for so in (True, False))
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


def test_a_choice_that_is_none_of_those_offered_is_said_and_one_that_does_not_serve_is_told_why(
    apprentice, database, crew
):
    told = 0
    for _ in range(6):
        given = apprentice.post("/api/exercises", json={"level": 1}).json()
        choice = next((t for t in given["exercise"]["tasks"] if t["options"]), None)
        if choice is None:
            continue
        wrong = answers_to(database, crew, given["id"], False)
        odd = apprentice.post(f"/api/exercises/{given['id']}", json={"answers": wrong | {choice["key"]: "a rope"}})
        assert (odd.status_code, odd.json()["errors"][0]["at"]) == (422, choice["key"])
        marks = apprentice.post(f"/api/exercises/{given['id']}", json={"answers": wrong}).json()["marks"]
        mark = next(m for m in marks if m["key"] == choice["key"])
        assert (mark["right"], mark["kind"]) == (False, "choice")
        assert mark["says"].startswith("it does not serve: ")
        assert mark["answer"]["mm"]
        told += 1
    assert told
    assert apprentice.post("/api/exercises", json={"level": 4}).status_code == 422
