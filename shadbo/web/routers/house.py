"""The house: health, and the workshop."""

from dataclasses import dataclass

from fastapi import APIRouter
from sqlalchemy import text

from shadbo.core.desk import TOOL_WORDS
from shadbo.web.deps import JobsDep, SessionDep
from shadbo.web.problems import RESPONSES
from shadbo.web.views import ShopView, ToolName

router = APIRouter(prefix="/api", tags=["house"], responses={503: RESPONSES[503]})


@dataclass(frozen=True, slots=True)
class Health:
    """Up, and the database answers."""

    status: str


@router.get("/health")
def health(session: SessionDep) -> Health:
    """200 when the database answers, 503 when it does not."""
    session.execute(text("select 1"))
    return Health("ok")


@router.get("/shop")
def shop(jobs: JobsDep) -> ShopView:
    """The workshop's name, and how it measures."""
    s = jobs.shop()
    return ShopView(s.name, s.system, s.mark, tuple(ToolName(t, w) for t, w in TOOL_WORDS.items()))
