"""The house: health, and the workshop."""

import os
from dataclasses import dataclass
from pathlib import Path

from fastapi import APIRouter
from sqlalchemy import text

from shadbo.core.desk import TOOL_WORDS
from shadbo.store.copies import VARIABLE, Copies, told
from shadbo.web.deps import JobsDep, SessionDep
from shadbo.web.problems import RESPONSES
from shadbo.web.views import ShopView, ToolName

router = APIRouter(prefix="/api", tags=["house"], responses={503: RESPONSES[503]})


@dataclass(frozen=True, slots=True)
class Health:
    """Up, and the database answers; the newest copy of it that was read back whole, and how the last try went.

    ``copies`` is None where nobody keeps any.
    """

    status: str
    copies: Copies | None


@router.get("/health")
def health(session: SessionDep) -> Health:
    """200 when the database answers, 503 when it does not."""
    session.execute(text("select 1"))
    folder = os.environ.get(VARIABLE)
    return Health("ok", told(Path(folder)) if folder else None)


@router.get("/shop")
def shop(jobs: JobsDep) -> ShopView:
    """The workshop's name, and how it measures."""
    s = jobs.shop()
    return ShopView(s.name, s.system, s.mark, tuple(ToolName(t, w) for t, w in TOOL_WORDS.items()))
