"""The mat cutter: a device on the network, spoken to over HTTP in its own open protocol."""

import os
from dataclasses import dataclass
from typing import Any

import httpx
from fastapi import APIRouter, HTTPException, status

from shadbo.core.assess import assess
from shadbo.core.cutting.mat_lines import mats_of
from shadbo.core.edits import BadEdit
from shadbo.core.lengths import Both
from shadbo.core.words import both
from shadbo.cutter.protocol import Machine, Progress
from shadbo.files.cut_job import cut_job
from shadbo.web.bodies import CutWhat
from shadbo.web.deps import JobsDep
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api", tags=["cutter"], responses=RESPONSES)
VARIABLE = "SHADBO_CUTTER_URL"
TIMEOUT_S = 3.0


@dataclass(frozen=True, slots=True)
class Cut:
    """How far a cut is: ``share`` of the path, from 0 to 1, and the same in words."""

    id: str
    state: str
    share: float
    says: Both


def _ask(method: str, path: str, json: Any = None) -> httpx.Response:  # noqa: ANN401
    address = os.environ.get(VARIABLE)
    if not address:
        raise HTTPException(503, "No mat cutter is set up")
    try:
        return httpx.request(method, address + path, json=json, timeout=TIMEOUT_S, trust_env=False)
    except httpx.HTTPError:
        raise HTTPException(503, "The mat cutter does not answer; is it switched on?") from None


def _progress(answer: httpx.Response) -> Cut:
    if answer.status_code == 404:
        raise HTTPException(404, "The mat cutter knows nothing of this cut any more")
    if answer.status_code >= 400:
        raise HTTPException(503, "The mat cutter gives an answer that is not understood")
    p = Progress.model_validate(answer.json())
    match p.state:
        case "done":
            says = both_units("Done: {} of cut", p.path_mm)
        case "stopped":
            says = both_units(f"Stopped at {p.opening} after {{}} of cut; the blade is lifted", p.done_mm)
        case "waiting":
            says = both(f"waits its turn, {p.seconds_left:.0f} s")
        case _:
            says = both(f"cutting {p.opening}, {p.seconds_left:.0f} s to go")
    return Cut(p.id, p.state, p.done_mm / p.path_mm if p.path_mm else 1.0, says)


def both_units(words: str, mm: float) -> Both:
    """A way of the blade in metres and in feet."""
    return Both(words.format(f"{mm / 1000:.2f} m"), words.format(f"{mm / 304.8:.1f} ft"))


@router.get("/cutter")
def machine() -> Machine:
    """Which machine answers, and what it can take."""
    return Machine.model_validate(_ask("GET", "/").json())


@router.post("/jobs/{job_id}/cut", status_code=status.HTTP_201_CREATED)
def cut(jobs: JobsDep, job_id: int, body: CutWhat) -> Cut:
    """Send a mat to the cutter. What it refuses is told, reason by reason, and nothing is cut."""
    _, job, shop = jobs.laid_out(job_id)
    plan = assess(job, shop)
    mat = next((m for m in mats_of(plan) if m.id == body.sheet), None)
    if mat is None:
        raise BadEdit("sheet", "this plan has no such mat", body.sheet)
    if plan.worst == "stop":
        raise BadEdit("sheet", f"not cut while something stops the job: {plan.findings[0].title.mm}", body.sheet)
    answer = _ask("POST", "/cuts", cut_job(mat, job.title or f"job {job_id}"))
    if answer.status_code == 422:
        refused = answer.json().get("refused")
        reasons = "; ".join(r["message"] for r in refused) if refused else "the job is not understood"
        raise BadEdit("sheet", f"the cutter refuses: {reasons}", body.sheet)
    return _progress(answer)


@router.get("/cuts/{cut_id}")
def progress(cut_id: str) -> Cut:
    """How far a cut is."""
    return _progress(_ask("GET", f"/cuts/{_plain(cut_id)}"))


@router.delete("/cuts/{cut_id}")
def stop(cut_id: str) -> Cut:
    """Stop a cut."""
    return _progress(_ask("DELETE", f"/cuts/{_plain(cut_id)}"))


def _plain(cut_id: str) -> str:
    if not cut_id.isalnum() or len(cut_id) > 40:
        raise HTTPException(404, "There is no such cut")
    return cut_id
