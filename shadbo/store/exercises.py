"""The repository of exercises: given to one person, answered by them, and what they have learned by it."""

import random
import secrets
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from typing import cast
from uuid import uuid4

from sqlalchemy import Select, select
from sqlalchemy.orm import Session

from shadbo.core.exercises.exercise import LEVELS, Asks, Exercise, NoExercise, exercise, made_up
from shadbo.core.exercises.marking import Marked
from shadbo.core.exercises.slips import SLIP_WORDS, SlipKind
from shadbo.core.job.afresh import afresh
from shadbo.core.job.job import Job
from shadbo.core.shop.shop import Shop
from shadbo.core.words.lengths import System
from shadbo.store.models import JobRow
from shadbo.store.models_schedule import ExerciseRow
from shadbo.store.past import job_of
from shadbo.store.shops import shop_of

TRIES = 30
LATEST = 12
"""So many answers back is looked at for what goes wrong."""
READY = 6
"""So many right answers one after the other, and the next level is offered."""


class NoSuchExercise(LookupError):
    """There is no such exercise of that person."""


@dataclass(frozen=True, slots=True)
class Set:
    """An exercise that stands: its id, what it asks, of which job."""

    id: str
    asks: Asks
    job: Job
    shop: Shop


@dataclass(frozen=True, slots=True)
class Missed:
    """A slip, and how often it was made."""

    kind: SlipKind
    says: str
    times: int


@dataclass(frozen=True, slots=True)
class AtLevel:
    """Answers at one level."""

    level: int
    answers: int
    right: int


@dataclass(frozen=True, slots=True)
class Progress:
    """What somebody has answered, at each level how many and how many of them right; slips, the most frequent first.

    ``level`` is the one that they are at.
    """

    answers: int
    right: int
    by_level: tuple[AtLevel, ...]
    slips: tuple[Missed, ...]
    level: int


class Exercises:
    """Exercises of one person in one workshop, within one transaction of the caller's session."""

    def __init__(self, session: Session, workshop_id: str, person_id: str) -> None:
        self._session = session
        self._workshop_id = workshop_id
        self._person_id = person_id

    def new(self, level: int, system: System) -> tuple[Set, Exercise]:
        """Another exercise: of a finished job or made up, with the lines in which this person slips."""
        shop, wanted = shop_of(self._session, self._workshop_id), tuple(self._wanted())
        jobs = self._finished()
        for _ in range(TRIES):
            seed = secrets.randbelow(2**31)
            job_id = random.Random(seed).choice(jobs) if jobs and seed % 2 else None
            job = self._job(job_id, seed)
            if job is None:
                continue
            asks = Asks(level, seed, wanted)
            try:
                shown = exercise(job, shop, asks, system)
            except NoExercise:
                continue
            row = ExerciseRow(
                workshop_id=self._workshop_id,
                id=uuid4().hex,
                person_id=self._person_id,
                level=level,
                seed=seed,
                job_id=job_id,
                wanted=list(wanted),
                answers=[],
            )
            self._session.add(row)
            self._session.flush()
            return Set(row.id, asks, job, shop), shown
        raise NoExercise("no job was found that asks anything at this level")

    def get(self, exercise_id: str) -> Set:
        """One of them, as it was given."""
        row = self._row(exercise_id)
        job = self._job(row.job_id, row.seed)
        if job is None:
            raise NoSuchExercise("the job that it was made of is gone")
        asks = Asks(row.level, row.seed, tuple(cast(Sequence[SlipKind], row.wanted)))
        return Set(row.id, asks, job, shop_of(self._session, self._workshop_id))

    def answered(self, exercise_id: str, marks: Sequence[tuple[str, Marked]]) -> None:
        """Keep the answers, as they were typed, with their marks. The first ones stand."""
        row = self._row(exercise_id, lock=True)
        if not row.answers:
            row.answers = [{"key": m.key, "typed": typed, "right": m.right, "kind": m.kind} for typed, m in marks]
            self._session.flush()

    def progress(self) -> Progress:
        """What they have answered so far."""
        rows = self._session.scalars(self._mine().order_by(ExerciseRow.asked_at)).all()
        answers = [(row.level, a) for row in rows for a in row.answers]
        slips: Counter[SlipKind] = Counter(a["kind"] for _, a in answers if a["kind"])
        by_level = tuple(
            AtLevel(n, sum(at == n for at, _ in answers), sum(at == n and a["right"] for at, a in answers))
            for n in LEVELS
        )
        level = max((row.level for row in rows[-1:]), default=LEVELS[0])
        last = [a["right"] for at, a in answers if at == level][-READY:]
        if len(last) == READY and all(last):
            level = min(level + 1, LEVELS[-1])
        right = sum(a["right"] for _, a in answers)
        missed = tuple(Missed(kind, SLIP_WORDS[kind], times) for kind, times in slips.most_common())
        return Progress(len(answers), right, by_level, missed, level)

    def _wanted(self) -> list[SlipKind]:
        rows = self._session.scalars(self._mine().order_by(ExerciseRow.asked_at.desc()).limit(LATEST))
        last = [a for row in rows for a in row.answers][:LATEST]
        return list(dict.fromkeys(cast(SlipKind, a["kind"]) for a in last if a["kind"]))

    def _mine(self) -> Select[ExerciseRow]:
        mine = ExerciseRow.workshop_id == self._workshop_id, ExerciseRow.person_id == self._person_id
        return select(ExerciseRow).where(*mine)

    def _row(self, exercise_id: str, lock: bool = False) -> ExerciseRow:
        query = self._mine().where(ExerciseRow.id == exercise_id)
        row = self._session.scalars(query.with_for_update() if lock else query).first()
        if row is None:
            raise NoSuchExercise("there is no such exercise of yours")
        return row

    def _finished(self) -> list[int]:
        done = JobRow.workshop_id == self._workshop_id, JobRow.state == "handed over"
        return list(self._session.scalars(select(JobRow.id).where(*done).order_by(JobRow.id.desc()).limit(60)))

    def _job(self, job_id: int | None, seed: int) -> Job | None:
        if job_id is None:
            return made_up(seed)
        row = self._session.get(JobRow, (self._workshop_id, job_id))
        return afresh(job_of(row.document)) if row is not None else None
