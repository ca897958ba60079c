"""Layout: proposals by the solver, a piece moved by hand, pieces from a table."""

import datetime as dt
from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, Body, Query, Request, Response
from fastapi.concurrency import run_in_threadpool

from shadbo.core.arranging.by_hand import CannotMove, put
from shadbo.core.arranging.proposals import ProposedLayout
from shadbo.core.assess import assess
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.decisions.levers import Lever
from shadbo.core.job.edits import as_typed
from shadbo.core.shapes.artwork import Artwork
from shadbo.core.words.lengths import System
from shadbo.files.pieces_table import pieces_table
from shadbo.files.tables import MOST_BYTES, Taken
from shadbo.store.jobs import Jobs
from shadbo.web.bodies import Advice, Move
from shadbo.web.deps import EnteredDep, JobsDep
from shadbo.web.heavy import Given, made
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/jobs/{job_id}", tags=["layout"], responses=RESPONSES)


@dataclass(frozen=True, slots=True)
class Moved:
    """The edits that put a piece there, and what it lines up with."""

    edits: tuple[Edit, ...]
    why: tuple[str, ...]


@router.post("/layouts", response_model=list[ProposedLayout])
@opens_to("look")
async def layouts(request: Request, jobs: JobsDep, who: EnteredDep, job_id: int, body: Advice) -> Response:
    """Layouts for the pieces of the job, the best first."""
    edits = as_typed(body.edits, body.system, dt.date.today())
    asked = await run_in_threadpool(jobs.asked_of, job_id, edits)
    found = await made(request, who.workshop_id, Given("layouts", job_id, asked))
    return Response(found.content, media_type=found.media)


@router.post("/move")
@opens_to("look")
def move(jobs: JobsDep, job_id: int, body: Move) -> Moved:
    """A piece moved by hand: by so many px on the board, or by marks."""
    _, job, shop = jobs.laid_out(job_id, as_typed(body.edits, body.system, dt.date.today()))
    plan = assess(job, shop)
    step = plan.desk.mark.mm if body.scale is None else 1 / body.scale
    try:
        edits, rest = put(plan, body.piece, body.right * step, body.down * step, body.scale is not None)
    except CannotMove as bad:
        raise BadEdit(f"pieces/{body.piece}", str(bad)) from None
    return Moved(tuple(edits), rest.why)


@router.post("/pieces/table")
@opens_to("look")
def pieces_from_table(
    jobs: JobsDep,
    job_id: int,
    text: Annotated[str, Body(media_type="text/plain", max_length=MOST_BYTES)],
    system: Annotated[System, Query()] = "mm",
) -> Taken:
    """What a table of pieces gives; nothing is saved: its edits are, when they are sent."""
    _, job, _ = jobs.laid_out(job_id)
    return pieces_table(text, job, system)


@router.post("/artwork")
@opens_to("look")
async def artwork_from_svg(
    request: Request,
    jobs: JobsDep,
    who: EnteredDep,
    job_id: int,
    text: Annotated[str, Body(media_type="text/plain", max_length=MOST_BYTES)],
    name: Annotated[str, Query(max_length=80, pattern=r"^[^\x00-\x1f]*$")] = "",
) -> Moved:
    """Artwork to cut out of the middle board, from SVG: the edit that takes it, and what it is."""
    lever = await run_in_threadpool(_artwork_lever, jobs, job_id)
    found = await made(request, who.workshop_id, Given("artwork", job_id, {"name": name}, text.encode()))
    drawn = Artwork.model_validate_json(found.content)
    n = len(drawn.rings)
    return Moved((lever.set(drawn),), (f"{name or 'the drawing'}: {n} outline{'s' if n > 1 else ''}",))


def _artwork_lever(jobs: Jobs, job_id: int) -> Lever[Artwork]:
    _, job, shop = jobs.laid_out(job_id)
    jobs.let_go()
    lever = assess(job, shop).desk.levers.artwork
    if lever is None:
        raise BadEdit("artwork", "this display cuts no artwork out")
    return lever
