"""Practice for apprentices: exercises given, answers marked by their working, progress of each."""

from dataclasses import dataclass
from typing import Annotated, Literal

from fastapi import APIRouter, HTTPException, Path, status
from pydantic import Field

from shadbo.core.decisions.edit import BadEdit
from shadbo.core.exercises.choices import choosing
from shadbo.core.exercises.exercise import Exercise, NoExercise, asked, exercise, laid_out
from shadbo.core.exercises.marking import Marked, mark, mark_choice
from shadbo.core.words.lengths import NotALength, System, parse
from shadbo.store.exercises import Exercises, NoSuchExercise, Progress, Set
from shadbo.web.bodies import Body
from shadbo.web.deps import ExercisesDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/exercises", tags=["exercises"], responses=RESPONSES)
Key = Annotated[str, Field(max_length=80)]
Typed = Annotated[str, Field(max_length=40)]
ExerciseId = Annotated[str, Path(max_length=40, pattern=r"^[0-9a-f]+$")]


class NewExercise(Body):
    """At which level, and in which system it is shown."""

    level: Literal[1, 2, 3] = 1
    system: System = "mm"


class Answers(Body):
    """Answers as they are typed, by the key of their line."""

    answers: Annotated[dict[Key, Typed], Field(max_length=8)]
    system: System = "mm"


@dataclass(frozen=True, slots=True)
class Standing:
    """An exercise as it is shown: no answer is in it."""

    id: str
    level: int
    exercise: Exercise


@dataclass(frozen=True, slots=True)
class MarkedView:
    """Every answer with its mark, and what the person has learned so far."""

    marks: tuple[Marked, ...]
    progress: Progress


@router.get("")
@opens_to("look")
def progress(exercises: ExercisesDep) -> Progress:
    """What the person who is here has answered so far."""
    return exercises.progress()


@router.post("", status_code=status.HTTP_201_CREATED)
@opens_to("look")
def another(exercises: ExercisesDep, body: NewExercise) -> Standing:
    """Another exercise."""
    try:
        given, shown = exercises.new(body.level, body.system)
    except NoExercise as bad:
        raise BadEdit("level", str(bad)) from None
    return Standing(given.id, given.asks.level, shown)


@router.get("/{exercise_id}")
@opens_to("look")
def again(exercises: ExercisesDep, exercise_id: ExerciseId, system: System = "mm") -> Standing:
    """One that was given, once more."""
    given = _found(exercises, exercise_id)
    return Standing(given.id, given.asks.level, exercise(given.job, given.shop, given.asks, system))


@router.post("/{exercise_id}")
@opens_to("look")
def answer(exercises: ExercisesDep, exercise_id: ExerciseId, body: Answers) -> MarkedView:
    """Mark answers: right, or which slip they show. The first that are given count."""
    given = _found(exercises, exercise_id)
    plan, mirrored = laid_out(given.job, given.shop)
    choice = choosing(plan, given.asks.seed)
    keys = [q.key for q in asked(plan, mirrored, given.asks)] + ([choice.key] if choice is not None else [])
    typed = [(key, body.answers.get(key, "").strip()) for key in keys]
    marks = []
    for key, text in typed:
        if not text:
            raise BadEdit(key, "nothing stands here yet", text)
        if choice is not None and key == choice.key:
            try:
                marks.append((text, mark_choice(choice, text, body.system)))
            except LookupError as bad:
                raise BadEdit(key, str(bad), text) from None
            continue
        try:
            mm = parse(text, body.system)
        except NotALength as bad:
            raise BadEdit(key, str(bad), text) from None
        marks.append((text, mark(given.job, given.shop, key, mm, body.system, given.asks.level)))
    exercises.answered(exercise_id, marks)
    return MarkedView(tuple(m for _, m in marks), exercises.progress())


def _found(exercises: Exercises, exercise_id: str) -> Set:
    try:
        return exercises.get(exercise_id)
    except NoSuchExercise as bad:
        raise HTTPException(404, str(bad)) from None
