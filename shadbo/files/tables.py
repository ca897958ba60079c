"""Pieces and stock from a table (CSV): read with errors by line and column, shown before anything is saved."""

import csv
import io
from dataclasses import dataclass
from typing import Any

from pydantic import ValidationError

from shadbo.core.boards import FrameProfile, SheetStock, SpacerStock
from shadbo.core.edits import Edit
from shadbo.core.job import Job, new_id
from shadbo.core.lengths import NotALength, System, parse
from shadbo.core.pieces import Piece
from shadbo.core.shop import Stock
from shadbo.core.values import Value

MOST_ROWS = 500
MOST_BYTES = 1_000_000


@dataclass(frozen=True, slots=True)
class Wrong:
    """One thing wrong: line as an editor counts them, the column's name, what was found, what was expected."""

    line: int
    column: str
    found: str
    expected: str


@dataclass(frozen=True, slots=True)
class Row:
    """One row as it was understood."""

    line: int
    says: str


@dataclass(frozen=True, slots=True)
class Taken:
    """What a table gives: rows, everything wrong with it, and the edits that would save it (none if any is wrong)."""

    rows: tuple[Row, ...]
    wrong: tuple[Wrong, ...]
    edits: tuple[Edit, ...] = ()


class _Reader:
    """Rows by column name. The delimiter is a comma, semicolon or tab, whichever the header uses."""

    def __init__(self, text: str, needed: tuple[str, ...], known: tuple[str, ...]) -> None:
        self.wrong: list[Wrong] = []
        self.rows: list[tuple[int, dict[str, str]]] = []
        text = text.removeprefix("\ufeff")
        if "\x00" in text:
            self.wrong.append(Wrong(1, "the file", "a NUL character", "a text file"))
            return
        head = text.split("\n", 1)[0]
        delimiter = max(",;\t", key=head.count)
        reader = csv.reader(io.StringIO(text), delimiter=delimiter, strict=True)
        try:
            self._read(reader, needed, known)
        except csv.Error as bad:
            self.wrong.append(Wrong(reader.line_num, "the line", str(bad), "cells with closed quotes"))

    def _read(self, reader: Any, needed: tuple[str, ...], known: tuple[str, ...]) -> None:  # noqa: ANN401
        names = [c.strip().lower() for c in next(reader, [])]
        for name in needed:
            if name not in names:
                self.wrong.append(Wrong(1, name, "no such column", f"a header with {', '.join(needed)}"))
        for n, name in enumerate(names, 1):
            if name and name not in known:
                self.wrong.append(Wrong(1, name or f"column {n}", f"“{name}”", f"one of {', '.join(known)}"))
            if name and names.count(name) > 1 and names.index(name) == n - 1:
                self.wrong.append(Wrong(1, name, "the column stands twice", "each column once"))
        if self.wrong:
            return
        for cells in reader:
            if not any(c.strip() for c in cells):
                continue
            if len(self.rows) >= MOST_ROWS:
                self.wrong.append(Wrong(reader.line_num, "the file", "more rows", f"at most {MOST_ROWS}"))
                return
            if len(cells) > len(names):
                found = f"{len(cells)} cells"
                self.wrong.append(Wrong(reader.line_num, "the line", found, f"{len(names)}, as in the header"))
                continue
            self.rows.append((reader.line_num, dict(zip(names, (c.strip() for c in cells), strict=False))))
        if not self.rows and not self.wrong:
            self.wrong.append(Wrong(2, "the file", "no rows", "at least one row under the header"))


KINDS = ("garment", "flag", "badge", "keepsake", "plate")
MEASURES: dict[str, tuple[str, ...]] = {
    "garment": ("thickness", "body_width"),
    "flag": ("flat_width", "flat_height", "cloth"),
    "badge": ("relief", "back_relief", "pin_off", "pin_width"),
    "keepsake": ("depth", "base_depth", "centre_up"),
    "plate": ("thickness",),
}
LENGTHS = ("width", "height", *dict.fromkeys(m for ms in MEASURES.values() for m in ms))
PIECE_COLUMNS = ("kind", "name", "sort", "weight_kg", *LENGTHS)


def pieces_table(text: str, job: Job, system: System) -> Taken:
    """Pieces to add to a job. Columns: kind, name, width, height, and what the kind measures; lengths as typed."""
    table = _Reader(text, ("kind", "width", "height"), PIECE_COLUMNS)
    wrong, rows, edits = list(table.wrong), [], []
    taken = [p.id for p in job.pieces]
    for line, cells in table.rows:
        kind = cells.get("kind", "").lower()
        if kind not in KINDS:
            wrong.append(Wrong(line, "kind", _said(kind), f"one of {', '.join(KINDS)}"))
            continue
        detail: dict[str, Any] = {"kind": kind}
        for name in LENGTHS:
            typed = cells.get(name, "")
            if not typed:
                continue
            if name not in ("width", "height", *MEASURES[kind]):
                wrong.append(Wrong(line, name, _said(typed), f"nothing: a {kind} has no {name.replace('_', ' ')}"))
                continue
            mm = _length(typed, system, line, name, wrong)
            if mm is not None:
                detail[name] = {"mm": mm, "typed": typed, "tool": "rule"}
        if cells.get("sort"):
            detail["sort"] = cells["sort"]
        data: dict[str, Any] = {"name": cells.get("name", ""), "detail": detail}
        weight = cells.get("weight_kg", "")
        if weight:
            try:
                data["weight_kg"] = float(weight.replace(",", "."))
            except ValueError:
                wrong.append(Wrong(line, "weight_kg", _said(weight), "a number of kilograms"))
                continue
        id_ = new_id(taken, kind)
        if _fits(Piece, {"id": id_, **data}, line, wrong):
            taken.append(id_)
            edits.append(Edit(at=f"pieces/{id_}", to=data))
            w, h = cells.get("width", ""), cells.get("height", "")
            rows.append(Row(line, f"{cells.get('name') or kind}: {kind}, {w} × {h}"))
    if len(taken) > 60:
        wrong.append(Wrong(1, "the file", f"{len(taken)} pieces in one job", "at most 60"))
    return Taken(tuple(rows), tuple(wrong), tuple(edits) if not wrong else ())


def _length(typed: str, system: System, line: int, column: str, wrong: list[Wrong]) -> float | None:
    try:
        mm = parse(typed, system)
    except NotALength as bad:
        wrong.append(Wrong(line, column, _said(typed), str(bad)))
        return None
    if mm <= 0:
        wrong.append(Wrong(line, column, _said(typed), "a length above nothing"))
        return None
    return mm


def _said(text: str) -> str:
    return f"“{text[:40]}”" if text else "nothing"


def _fits(model: type[Value], data: dict[str, Any], line: int, wrong: list[Wrong]) -> bool:
    try:
        model.model_validate(data)
    except ValidationError as bad:
        first = bad.errors(include_url=False, include_context=False)[0]
        column = str(first["loc"][-1]) if first["loc"] else "the line"
        found = first["input"] if isinstance(first["input"], str | int | float) else ""
        wrong.append(Wrong(line, column, _said(str(found)), first["msg"].removeprefix("Value error, ")))
        return False
    return True


STOCK_KINDS: dict[str, tuple[str, type[Value], tuple[str, ...], tuple[str, ...]]] = {
    "sheet": ("sheets", SheetStock, ("thick_mm", "width_mm", "height_mm", "price_per_m2"), ("kind", "colour")),
    "moulding": (
        "frames",
        FrameProfile,
        ("face_mm", "height_mm", "rabbet_mm", "lip_mm", "price_per_m"),
        ("species",),
    ),
    "spacer": ("spacers", SpacerStock, ("height_mm", "thick_mm", "price_per_m"), ()),
}
STOCK_COLUMNS = ("type", "id", "name", *dict.fromkeys(c for _, _, n, w in STOCK_KINDS.values() for c in (*n, *w)))


def stock_table(text: str, stock: Stock) -> tuple[Taken, Stock]:
    """Stock to add or replace by id. Columns: type (sheet, moulding, spacer), id, name and the type's own; mm.

    The stock as it would be; unchanged where anything is wrong.
    """
    table = _Reader(text, ("type", "id", "name"), STOCK_COLUMNS)
    wrong, rows = list(table.wrong), []
    lists: dict[str, dict[str, Value]] = {
        home: {x.id: x for x in getattr(stock, home)} for home, _, _, _ in STOCK_KINDS.values()
    }
    for line, cells in table.rows:
        known = STOCK_KINDS.get(cells.get("type", "").lower())
        if known is None:
            wrong.append(Wrong(line, "type", _said(cells.get("type", "")), f"one of {', '.join(STOCK_KINDS)}"))
            continue
        home, model, numbers, words = known
        data: dict[str, Any] = {"id": cells.get("id", ""), "name": cells.get("name", "")}
        ok = True
        for name, text_ in cells.items():
            if not text_ or name in ("type", "id", "name"):
                continue
            if name not in (*numbers, *words):
                wrong.append(Wrong(line, name, _said(text_), f"nothing: a {cells['type']} has no {name}"))
                ok = False
            elif name in words:
                data[name] = text_
            else:
                ok = _number(text_, line, name, wrong, data) and ok
        if ok and _fits(model, data, line, wrong):
            new = data["id"] not in lists[home]
            lists[home][data["id"]] = model.model_validate(data)
            rows.append(Row(line, f"{data['name']}: {'new' if new else 'replaces what is there'}"))
    if wrong:
        return Taken(tuple(rows), tuple(wrong)), stock
    after = stock.model_copy(update={home: tuple(items.values()) for home, items in lists.items()})
    return Taken(tuple(rows), ()), after


def _number(text: str, line: int, column: str, wrong: list[Wrong], data: dict[str, Any]) -> bool:
    try:
        data[column] = float(text.replace(",", "."))
    except ValueError:
        wrong.append(Wrong(line, column, _said(text), "a number"))
        return False
    return True
