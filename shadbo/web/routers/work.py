"""Heavy work that is not done yet: how far it is, and letting it be."""

from typing import Annotated

from fastapi import APIRouter, HTTPException, Path, status

from shadbo.store.work import Pending
from shadbo.web.deps import WorksDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/work", tags=["work"], responses=RESPONSES)


@router.get("")
@opens_to("look")
def pending(works: WorksDep) -> list[Pending]:
    """What is not done yet, in its order."""
    return works.pending()


@router.delete("/{work_id}", status_code=status.HTTP_204_NO_CONTENT)
@opens_to("look")
def give_up(works: WorksDep, work_id: Annotated[str, Path(max_length=40, pattern=r"^[0-9a-f]+$")]) -> None:
    """Let it be; whoever waits for it is told."""
    if not works.give_up(work_id):
        raise HTTPException(404, "There is nothing to stop")
