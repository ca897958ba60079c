"""Lengths: what was typed, stepped by marks and said in both systems, since the browser reads none itself."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from shadbo.core.asking.rows import exact
from shadbo.core.decisions.edit import BadEdit
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.words.lengths import Both, NotALength, System, parse
from shadbo.web.deps import JobsDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/lengths", tags=["lengths"], responses=RESPONSES)


class Typed(BaseModel):
    """What stands in a field, and by how many marks it is to be stepped."""

    model_config = ConfigDict(extra="forbid")

    typed: Annotated[str, Field(max_length=60)]
    system: System
    steps: Annotated[int, Field(ge=-100, le=100)] = 0


@router.post("")
@opens_to("look")
def read_length(jobs: JobsDep, body: Typed) -> Both:
    """The length in both systems; stepped to the next mark of the workshop where that is asked."""
    try:
        mm = parse(body.typed, body.system)
    except NotALength as bad:
        raise BadEdit("typed", str(bad), body.typed) from None
    if body.steps:
        grid = jobs.shop().the_mark().mm
        mm = max(0.0, to_mark(mm, grid, "nearest") + body.steps * grid)
    return exact(mm)
