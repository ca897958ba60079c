"""The stock: what lies in the racks, and tables that add to it."""

from dataclasses import dataclass
from hashlib import blake2b
from typing import Annotated
from uuid import uuid4

from fastapi import APIRouter, HTTPException, Query, Request, Response
from fastapi import Body as Sent
from pydantic import Field
from starlette.concurrency import run_in_threadpool

from shadbo.core.decisions.edit import BadEdit
from shadbo.core.drawing.profile import profile_picture
from shadbo.core.shapes.traced import TRACINGS
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.stock_kinds import BY_HOME, StockKind, changes, found, laid_in, new_id, retired
from shadbo.core.shop.stock_words import Rack, racks
from shadbo.core.shop.values import Value
from shadbo.core.shop.writing import BadItem, Blank, blanks, item_of
from shadbo.core.words.lengths import System
from shadbo.files.papers import XLSX
from shadbo.files.stock_table import stock_csv, stock_table, stock_xlsx
from shadbo.files.tables import MOST_BYTES, Taken
from shadbo.files.workbook import NotATable, as_text
from shadbo.store.workshops import ShopChange
from shadbo.web.bodies import Body, EditId, StockUndo
from shadbo.web.deps import EnteredDep, JobsDep, StockDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/stock", tags=["stock"], responses=RESPONSES)
_SHEET = {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}
_BODY = {"requestBody": {"required": True, "content": _SHEET}}


@dataclass(frozen=True, slots=True)
class TableText:
    """A table as comma-separated text."""

    text: str


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
    """All of it as a table that can be taken in again."""
    headers = {"Content-Disposition": 'attachment; filename="stock.csv"'}
    return Response(stock_csv(jobs.shop().stock), media_type="text/csv", headers=headers)


@router.get("/table.xlsx", response_class=Response)
@opens_to("look")
def as_spreadsheet(jobs: JobsDep) -> Response:
    """The same as a spreadsheet."""
    headers = {"Content-Disposition": 'attachment; filename="stock.xlsx"'}
    return Response(stock_xlsx(jobs.shop().stock), media_type=XLSX, headers=headers)


@router.post("/text", openapi_extra=_BODY)
@opens_to("plan")
async def text_of_spreadsheet(request: Request, who: EnteredDep) -> TableText:
    """The first sheet of a spreadsheet as the text of a table, to be looked through before anything is taken in."""
    data = bytearray()
    async for chunk in request.stream():
        data += chunk
        if len(data) > MOST_BYTES:
            break
    try:
        return TableText(await run_in_threadpool(as_text, bytes(data)))
    except NotATable as bad:
        raise BadEdit("the file", str(bad)) from None


@router.post("/table")
@opens_to("stock")
def stock_from_table(
    jobs: JobsDep,
    store: StockDep,
    text: Annotated[str, Sent(media_type="text/plain", max_length=MOST_BYTES)],
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


@dataclass(frozen=True, slots=True)
class ItemView:
    """A thing of the stock with its fields; ``id`` is empty for a new one, ``mark`` says how it was looked at."""

    home: str
    id: str
    title: str
    blanks: tuple[Blank, ...]
    picture: str
    mark: str
    retired: bool
    traced: bool


@dataclass(frozen=True, slots=True)
class Drawn:
    """What is being written down, drawn; and what is wrong with it, by field."""

    picture: str
    wrong: dict[str, str]


class Written(Body):
    """A thing of the stock as it is typed; no ``id`` makes a new one."""

    home: Annotated[str, Field(max_length=40)]
    id: Annotated[str, Field(max_length=41)] = ""
    typed: Annotated[dict[str, Annotated[str, Field(max_length=200)]], Field(max_length=40)]
    system: System = "mm"


class LaidIn(Written):
    """The same, to be kept; ``mark`` is that of the thing as it was looked at."""

    mark: Annotated[str, Field(max_length=40)] = ""
    edit_id: EditId


class Retire(Body):
    """Whether a thing is offered."""

    home: Annotated[str, Field(max_length=40)]
    id: Annotated[str, Field(max_length=41)]
    retired: bool
    edit_id: EditId


def _drawer(home: str) -> StockKind:
    if home not in BY_HOME:
        raise HTTPException(404, f"There is no drawer “{home}”")
    return BY_HOME[home]


def _mark_of(item: Value | None) -> str:
    return "" if item is None else blake2b(item.model_dump_json().encode(), digest_size=9).hexdigest()


def _found(shop: Shop, home: str, id_: str) -> Value:
    try:
        return found(shop, home, id_)
    except LookupError as none:
        raise HTTPException(404, str(none)) from None


def _view(shop: Shop, home: str, id_: str, system: System) -> ItemView:
    drawer, mark = _drawer(home), shop.the_mark()
    item = _found(shop, home, id_) if id_ else None
    picture = profile_picture(item, mark, system) if item is not None else ""
    gone = f"{home}/{id_}" in shop.stock.retired
    name = getattr(item, "name", "") or f"A new {drawer.one}"
    return ItemView(home, id_, name, blanks(drawer, item, mark), picture, _mark_of(item), gone, home in TRACINGS)


@router.get("/item")
@opens_to("look")
def item(jobs: JobsDep, home: str, id: str = "", system: System = "mm") -> ItemView:
    """One thing of the stock, or the fields of a new one."""
    return _view(jobs.shop(), home, id, system)


@router.post("/try")
@opens_to("look")
def try_item(jobs: JobsDep, body: Written) -> Drawn:
    """What is typed so far, drawn, and what is wrong with it; nothing is kept."""
    before = _found(jobs.shop(), body.home, body.id) if body.id else None
    nameless = {} if body.id or body.typed.get("name", "").strip() else {"name": "is needed"}
    typed = body.typed | {"name": "new"} if nameless else body.typed
    try:
        thing = item_of(_drawer(body.home), body.id or "new", typed, body.system, before)
    except BadItem as bad:
        return Drawn("", {**bad.wrong, **nameless})
    return Drawn(profile_picture(thing, jobs.shop().the_mark(), body.system), nameless)


@router.post("/item")
@opens_to("stock")
def lay_in(store: StockDep, body: LaidIn) -> ItemView:
    """Keep a thing: a new one, or a change of one. Refused where someone else changed it meanwhile."""
    drawer, kept = _drawer(body.home), {"id": body.id}

    def change(shop: Shop) -> tuple[Shop, str]:
        there = {x.id for x in getattr(shop.stock, drawer.home)}
        before = _found(shop, body.home, body.id) if body.id else None
        if _mark_of(before) != body.mark:
            raise BadEdit("name", "someone else changed it meanwhile: look at it again", body.typed.get("name", ""))
        kept["id"] = body.id or new_id(body.typed.get("name", ""), there)
        try:
            thing = item_of(drawer, kept["id"], body.typed, body.system, before)
        except BadItem as bad:
            at, why = next(iter(bad.wrong.items()))
            raise BadEdit(at, why, body.typed.get(at, "")) from None
        return laid_in(shop, drawer.home, thing), changes(before, thing, drawer.one)

    after = store.change(change, body.edit_id)
    if not kept["id"]:  # sent again: it is there already, the last of its name
        name = body.typed.get("name", "").strip()
        kept["id"] = [x.id for x in getattr(after.stock, drawer.home) if x.name == name][-1]
    return _view(after, body.home, kept["id"], body.system)


@router.post("/retire")
@opens_to("stock")
def retire(store: StockDep, body: Retire) -> ItemView:
    """Offer a thing no more, or again. Nothing is ever deleted: jobs keep what was chosen for them."""

    def change(shop: Shop) -> tuple[Shop, str]:
        thing = _found(shop, body.home, body.id)
        says = f"{getattr(thing, 'name', '')}: {'offered no more' if body.retired else 'offered again'}"
        return retired(shop, body.home, body.id, body.retired), says

    return _view(store.change(change, body.edit_id), body.home, body.id, "mm")


@router.get("/changes")
@opens_to("look")
def list_changes(store: StockDep) -> list[ShopChange]:
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
