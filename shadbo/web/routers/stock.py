"""The stock: what lies in the racks, and tables that add to it."""

from dataclasses import dataclass
from typing import Annotated
from uuid import uuid4

from fastapi import APIRouter, Body, Query, Response

from shadbo.core.shop.stock_words import Rack, racks
from shadbo.files.stock_table import stock_csv, stock_table
from shadbo.files.tables import MOST_BYTES, Taken
from shadbo.store.workshops import ShopChange
from shadbo.web.bodies import EditId, StockUndo
from shadbo.web.deps import JobsDep, StockDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/stock", tags=["stock"], responses=RESPONSES)


@dataclass(frozen=True, slots=True)
class StockTable:
    """What a table gave; ``saved`` is false for a preview, and where anything is wrong."""

    taken: Taken
    saved: bool


@router.get("")
@opens_to("look")
def stock(jobs: JobsDep) -> tuple[Rack, ...]:
    """All of it, rack by rack."""
    return racks(jobs.shop())


@router.get("/table", response_class=Response)
@opens_to("look")
def as_table(jobs: JobsDep) -> Response:
    """Sheets, mouldings and spacers as a table that can be taken in again."""
    headers = {"Content-Disposition": 'attachment; filename="stock.csv"'}
    return Response(stock_csv(jobs.shop().stock), media_type="text/csv", headers=headers)


@router.post("/table")
@opens_to("stock")
def stock_from_table(
    jobs: JobsDep,
    store: StockDep,
    text: Annotated[str, Body(media_type="text/plain", max_length=MOST_BYTES)],
    save: Annotated[bool, Query()] = False,
    edit_id: Annotated[EditId | None, Query()] = None,
) -> StockTable:
    """Read a table of stock; it is saved only when asked for, and only when nothing is wrong with it.

    It is laid over the stock as it is when it is saved: of two tables sent side by side both are kept. The same edit
    id again changes nothing.
    """
    taken, _ = stock_table(text, jobs.shop().stock)
    if save and not taken.wrong:
        store.restock(lambda stock: (stock_table(text, stock)[1], _says(taken)), edit_id or uuid4().hex)
    return StockTable(taken, save and not taken.wrong)


@router.get("/changes")
@opens_to("look")
def changes(store: StockDep) -> list[ShopChange]:
    """What was done to the stock, the newest first."""
    return store.changes()


@router.post("/undo", responses={409: RESPONSES[412]})
@opens_to("stock")
def undo(store: StockDep, body: StockUndo) -> list[ShopChange]:
    """Take back its last change, if it is still the one that was looked at."""
    store.undo(body.version, body.edit_id)
    return store.changes()


def _says(taken: Taken) -> str:
    names = [row.says for row in taken.rows]
    return f"from a table: {', '.join(names[:3])}{f' and {len(names) - 3} more' if len(names) > 3 else ''}"
