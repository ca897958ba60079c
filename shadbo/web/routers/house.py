"""The house: health, and the workshop."""

import os
import shutil
from dataclasses import dataclass
from pathlib import Path

from fastapi import APIRouter, HTTPException, Request, Response
from sqlalchemy import text

from shadbo.core.desk import TOOL_WORDS
from shadbo.store.copies import VARIABLE, Copies, told
from shadbo.store.work import Bench
from shadbo.web.deps import JobsDep, SessionDep, is_known
from shadbo.web.opens import opens_to, opens_to_all
from shadbo.web.problems import RESPONSES
from shadbo.web.variables import AUTHORITY, GAUGE
from shadbo.web.views import ShopView, ToolName

router = APIRouter(prefix="/api", tags=["house"], responses=RESPONSES)


@dataclass(frozen=True, slots=True)
class Health:
    """Up, and the database answers; the newest copy of it that was read back whole, and how the last try went.

    ``copies`` is None where nobody keeps any, ``free_mb`` what is free on the disk that they are on; ``waiting`` is
    how much heavy work waits, ``waits_s`` is for how long the first of it has.
    """

    status: str
    copies: Copies | None
    free_mb: int | None
    waiting: int = 0
    waits_s: int = 0


@router.get("/health")
@opens_to_all
def health(request: Request, session: SessionDep) -> Health:
    """200 when the database answers, 503 when it does not; the rest is for those who work here."""
    session.execute(text("select 1"))
    if not is_known(request, session):
        return Health("ok", None, None)
    waiting, waits = Bench(session).waiting()
    folder = os.environ.get(VARIABLE)
    if not folder:
        return Health("ok", None, None, waiting, waits)
    home = Path(folder)
    free = shutil.disk_usage(home).free // 1_000_000 if home.is_dir() else None
    return Health("ok", told(home), free, waiting, waits)


@router.get("/authority.pem", response_class=Response)
@opens_to_all
def authority() -> Response:
    """The certificate that a tablet is told to trust, once, where this installation has one of its own."""
    file = os.environ.get(AUTHORITY)
    if not file:
        raise HTTPException(404, "This installation has no certificate of its own")
    headers = {"Content-Disposition": 'attachment; filename="shadbo-authority.pem"'}
    return Response(Path(file).read_bytes(), media_type="application/x-x509-ca-cert", headers=headers)


@router.get("/shop")
@opens_to("look")
def shop(jobs: JobsDep) -> ShopView:
    """The workshop's name, and how it measures."""
    s = jobs.shop()
    tools = tuple(ToolName(t, w) for t, w in TOOL_WORDS.items())
    return ShopView(s.name, s.system, s.mark, tools, os.environ.get(GAUGE, ""))
