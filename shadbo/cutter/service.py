"""The service: one machine, one job on the table at a time, the others wait their turn."""

import time
import uuid
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any

from fastapi import FastAPI, HTTPException, status
from fastapi.responses import JSONResponse

from shadbo.cutter import judge
from shadbo.cutter.protocol import FORMAT, CutJob, Machine, Progress

KEPT = 200


@dataclass(slots=True)
class OnTable:
    """A job and when it started; ``stopped_at`` is in seconds of cutting."""

    id: str
    job: CutJob
    strokes: list[judge.Stroke]
    started: float
    stopped_at: float | None = None


@dataclass(slots=True)
class Table:
    """The machine's memory. ``pace`` makes it quicker than a real one; ``clock`` gives seconds."""

    pace: float = 1.0
    clock: Callable[[], float] = time.monotonic
    jobs: dict[str, OnTable] = field(default_factory=dict)

    def take(self, job: CutJob) -> OnTable:
        """Put a job in line: it starts when the one before it is done; one that it has already stays."""
        known = next((j for j in self.jobs.values() if job.key and j.job.key == job.key), None)
        if known is not None:
            return known
        now = self.clock()
        free = max([now, *(self._end(j) for j in self.jobs.values())])
        made = OnTable(uuid.uuid4().hex[:12], job, judge.strokes(job), free)
        self.jobs[made.id] = made
        while len(self.jobs) > KEPT:
            self.jobs.pop(next(iter(self.jobs)))
        return made

    def _end(self, job: OnTable) -> float:
        seconds = job.strokes[-1].until_s if job.stopped_at is None else job.stopped_at
        return job.started + seconds / self.pace

    def progress(self, job: OnTable) -> Progress:
        """How far it is by now."""
        total = job.strokes[-1]
        spent = (self.clock() - job.started) * self.pace
        if job.stopped_at is not None:
            spent = job.stopped_at
        at = min(max(spent, 0.0), total.until_s)
        before, now = judge.Stroke("", 0.0, 0.0), total
        for stroke in job.strokes:
            now = stroke
            if at < stroke.until_s:
                break
            before = stroke
        share = (at - before.until_s) / (now.until_s - before.until_s) if now.until_s > before.until_s else 1.0
        done = min(before.until_mm + max(share, 0.0) * (now.until_mm - before.until_mm), total.until_mm)
        state = "done" if at >= total.until_s else "cutting" if spent > 0 else "waiting"
        if job.stopped_at is not None and state != "done":
            state = "stopped"
        return Progress(
            id=job.id,
            title=job.job.title,
            state=state,
            path_mm=round(total.until_mm, 1),
            done_mm=round(done, 1),
            seconds=round(total.until_s, 1),
            seconds_left=round(total.until_s - at + max(-spent, 0.0), 1),
            opening="" if state == "done" else now.opening,
        )

    def stop(self, job: OnTable) -> None:
        """Lift the blade where it is; a finished job stays finished."""
        if job.stopped_at is None:
            spent = (self.clock() - job.started) * self.pace
            if spent < job.strokes[-1].until_s:
                job.stopped_at = max(spent, 0.0)


def create_cutter(pace: float = 1.0, clock: Callable[[], float] = time.monotonic) -> FastAPI:
    """The machine as an HTTP application."""
    app = FastAPI(title="Mat cutter stand-in", version="1", docs_url=None, redoc_url=None)
    table = Table(pace, clock)

    @app.get("/")
    def machine() -> Machine:
        return Machine(
            name="Netloft cutter, a stand-in",
            format=FORMAT,
            version=1,
            most_width_mm=judge.MOST_MM[0],
            most_height_mm=judge.MOST_MM[1],
            strip_least_mm=judge.STRIP_MM,
            cut_mm_per_s=judge.CUT_MM_PER_S,
            move_mm_per_s=judge.MOVE_MM_PER_S,
        )

    @app.post("/cuts", status_code=status.HTTP_201_CREATED, response_model=None)
    def take(job: CutJob) -> Any:  # noqa: ANN401
        wrong = judge.refusals(job)
        if wrong:
            return JSONResponse({"refused": [r.model_dump() for r in wrong]}, status_code=422)
        return table.progress(table.take(job))

    @app.get("/cuts/{cut_id}")
    def progress(cut_id: str) -> Progress:
        return table.progress(_job(cut_id))

    @app.delete("/cuts/{cut_id}")
    def stop(cut_id: str) -> Progress:
        job = _job(cut_id)
        table.stop(job)
        return table.progress(job)

    def _job(cut_id: str) -> OnTable:
        job = table.jobs.get(cut_id)
        if job is None:
            raise HTTPException(404, "There is no such cut on this machine")
        return job

    return app
