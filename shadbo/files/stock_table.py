"""Stock from a table, and as one: all kinds by their id, in millimetres and kilograms."""

import csv
import io
from typing import Any

from shadbo.core.shop.stock import Stock
from shadbo.core.shop.stock_kinds import STOCK_KINDS, StockKind, kind_of
from shadbo.core.shop.values import Value
from shadbo.files.cut_list_file import safe
from shadbo.files.tables import Row, Table, Taken, Wrong, fits, said
from shadbo.files.workbook import plain_number, workbook


def _columns(drawer: StockKind) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Columns that hold numbers, and those that hold words."""
    fields = {n: kind_of(n, f)[0] for n, f in drawer.model.model_fields.items() if n not in ("id", "name")}
    words = ("choice", "yes or no", "colour", "text")
    return tuple(n for n, k in fields.items() if k not in words), tuple(n for n, k in fields.items() if k in words)


KINDS: dict[str, tuple[str, type[Value], tuple[str, ...], tuple[str, ...]]] = {
    d.one: (d.home, d.model, *_columns(d)) for d in STOCK_KINDS
}
OFFERED = {"yes": True, "no": False}
STOCK_COLUMNS = (
    "type",
    "id",
    "name",
    "offered",
    *dict.fromkeys(c for _, _, n, w in KINDS.values() for c in (*n, *w)),
)


def stock_table(text: str, stock: Stock) -> tuple[Taken, Stock]:
    """Stock to add or replace by id. Columns: type, id, name, whether it is offered, and the type's own; mm and kg.

    The stock as it would be; unchanged where anything is wrong. What says nothing of it is offered as it was.
    """
    table = Table(text, ("type", "id", "name"), STOCK_COLUMNS)
    wrong, rows = list(table.wrong), []
    lists: dict[str, dict[str, Value]] = {
        home: {x.id: x for x in getattr(stock, home)} for home, _, _, _ in KINDS.values()
    }
    retired = dict.fromkeys(stock.retired)
    for line, cells in table.rows:
        known = KINDS.get(cells.get("type", "").lower())
        if known is None:
            wrong.append(Wrong(line, "type", said(cells.get("type", "")), f"one of {', '.join(KINDS)}"))
            continue
        home, model, numbers, words = known
        data: dict[str, Any] = {"id": cells.get("id", ""), "name": cells.get("name", "")}
        offered = cells.get("offered", "").lower()
        ok = not offered or offered in OFFERED
        if not ok:
            wrong.append(Wrong(line, "offered", said(offered), "yes or no"))
        for name, text_ in cells.items():
            if not text_ or name in ("type", "id", "name", "offered"):
                continue
            if name not in (*numbers, *words):
                wrong.append(Wrong(line, name, said(text_), f"nothing: a {cells['type']} has no {name}"))
                ok = False
            elif name in words:
                data[name] = text_
            else:
                ok = _number(text_, line, name, wrong, data) and ok
        if ok and fits(model, data, line, wrong):
            new = data["id"] not in lists[home]
            lists[home][data["id"]] = model.model_validate(data)
            retired |= {f"{home}/{data['id']}": None} if offered == "no" else {}
            if offered == "yes":
                retired.pop(f"{home}/{data['id']}", None)
            gone = ", offered no more" if offered == "no" else ""
            rows.append(Row(line, f"{data['name']}: {'new' if new else 'replaces what is there'}{gone}"))
    if wrong:
        return Taken(tuple(rows), tuple(wrong)), stock
    things: dict[str, tuple[Any, ...]] = {home: tuple(items.values()) for home, items in lists.items()}
    after = stock.model_copy(update={**things, "retired": tuple(retired)})
    return Taken(tuple(rows), ()), after


def _number(text: str, line: int, column: str, wrong: list[Wrong], data: dict[str, Any]) -> bool:
    try:
        data[column] = float(text.replace(",", "."))
    except ValueError:
        wrong.append(Wrong(line, column, said(text), "a number"))
        return False
    return True


def _cell(value: object) -> str:
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, float | int):
        return plain_number(value)
    return str(safe(str(value or "")))


def stock_xlsx(stock: Stock) -> bytes:
    """The same as a spreadsheet."""
    rows = csv.reader(io.StringIO(stock_csv(stock)))
    return workbook("Stock", ([_number_or_text(cell) for cell in row] for row in rows))


def _number_or_text(cell: str) -> object:
    try:
        return float(cell)
    except ValueError:
        return cell.removeprefix("'")


def stock_csv(stock: Stock) -> str:
    """The same columns with all there is: what is saved, changed and taken in again."""
    out = io.StringIO()
    writer = csv.DictWriter(out, STOCK_COLUMNS, lineterminator="\n")
    writer.writeheader()
    for kind, (home, _, numbers, words) in KINDS.items():
        for item in getattr(stock, home):
            gone = f"{home}/{item.id}" in stock.retired
            row: dict[str, object] = {"type": kind, "offered": _cell(not gone)}
            for name in ("id", "name", *numbers, *words):
                cell = getattr(item, name)
                row[name] = _cell(cell)
            writer.writerow(row)
    return out.getvalue()
