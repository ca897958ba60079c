"""The mat cutter: a device on the network, spoken to over HTTP in its own open protocol."""

import os
from dataclasses import dataclass
from typing import Any

import httpx
from fastapi import APIRouter, HTTPException, status

from shadbo.core.assess import assess
from shadbo.core.cutting.mat_choice import to_cut
from shadbo.core.decisions.edit import BadEdit
from shadbo.core.words.lengths import Both
from shadbo.cutter.protocol import Machine, Progress
from shadbo.cutter.words import told
from shadbo.files.cut_job import cut_job
from shadbo.web.bodies import CutWhat
from shadbo.web.deps import EnteredDep, JobsDep
from shadbo.web.opens import opens_to
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
    return Cut(p.id, p.state, p.done_mm / p.path_mm if p.path_mm else 1.0, told(p))


@router.get("/cutter")
@opens_to("look")
def machine(_: EnteredDep) -> Machine:
    """Which machine answers, and what it can take."""
    return Machine.model_validate(_ask("GET", "/").json())


@router.post("/jobs/{job_id}/cut", status_code=status.HTTP_201_CREATED)
@opens_to("cut")
def cut(jobs: JobsDep, job_id: int, body: CutWhat) -> Cut:
    """Send a mat to the cutter. What it refuses is told, reason by reason, and nothing is cut."""
    _, job, shop = jobs.laid_out(job_id)
    mat = to_cut(assess(job, shop), body.sheet)
    answer = _ask("POST", "/cuts", cut_job(mat, job.title or f"job {job_id}", body.edit_id or ""))
    if answer.status_code == 422:
        refused = answer.json().get("refused")
        reasons = "; ".join(r["message"] for r in refused) if refused else "the job is not understood"
        raise BadEdit("sheet", f"the cutter refuses: {reasons}", body.sheet)
    return _progress(answer)


@router.get("/cuts/{cut_id}")
@opens_to("look")
def progress(_: EnteredDep, cut_id: str) -> Cut:
    """How far a cut is."""
    return _progress(_ask("GET", f"/cuts/{_plain(cut_id)}"))


@router.delete("/cuts/{cut_id}")
@opens_to("cut")
def stop(_: EnteredDep, cut_id: str) -> Cut:
    """Stop a cut."""
    return _progress(_ask("DELETE", f"/cuts/{_plain(cut_id)}"))


def _plain(cut_id: str) -> str:
    if not cut_id.isalnum() or len(cut_id) > 40:
        raise HTTPException(404, "There is no such cut")
    return cut_id
