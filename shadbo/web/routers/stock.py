"""The stock: what lies in the racks, and tables that add to it."""

from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, Body, Query, Response

from shadbo.core.shop.stock_words import Rack, racks
from shadbo.files.stock_table import stock_csv, stock_table
from shadbo.files.tables import MOST_BYTES, Taken
from shadbo.web.deps import JobsDep, StockDep
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/stock", tags=["stock"], responses=RESPONSES)


@dataclass(frozen=True, slots=True)
class StockTable:
    """What a table gave; ``saved`` is false for a preview, and where anything is wrong."""

    taken: Taken
    saved: bool


@router.get("")
def stock(jobs: JobsDep) -> tuple[Rack, ...]:
    """All of it, rack by rack."""
    return racks(jobs.shop())


@router.get("/table", response_class=Response)
def as_table(jobs: JobsDep) -> Response:
    """Sheets, mouldings and spacers as a table that can be taken in again."""
    headers = {"Content-Disposition": 'attachment; filename="stock.csv"'}
    return Response(stock_csv(jobs.shop().stock), media_type="text/csv", headers=headers)


@router.post("/table")
def stock_from_table(
    jobs: JobsDep,
    restock: StockDep,
    text: Annotated[str, Body(media_type="text/plain", max_length=MOST_BYTES)],
    save: Annotated[bool, Query()] = False,
) -> StockTable:
    """Read a table of stock; it is saved only when asked for, and only when nothing is wrong with it."""
    taken, after = stock_table(text, jobs.shop().stock)
    if save and not taken.wrong:
        restock(after)
    return StockTable(taken, save and not taken.wrong)
