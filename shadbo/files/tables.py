"""Tables (CSV) taken in: rows by column name, everything wrong by line and column, shown before anything is saved."""

import csv
import io
from dataclasses import dataclass
from typing import Any

from pydantic import ValidationError

from shadbo.core.decisions.edit import Edit
from shadbo.core.shop.values import Value
from shadbo.core.words.refusals import refusal

MOST_ROWS = 500
MOST_COLUMNS = 60
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


class Table:
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
        if len(names) > MOST_COLUMNS:
            self.wrong.append(Wrong(1, "the header", f"{len(names)} columns", f"at most {MOST_COLUMNS}"))
            return
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


def said(text: str) -> str:
    return f"“{text[:40]}”" if text else "nothing"


def fits(model: type[Value], data: dict[str, Any], line: int, wrong: list[Wrong]) -> bool:
    try:
        model.model_validate(data)
    except ValidationError as bad:
        first = bad.errors(include_url=False)[0]
        column = str(first["loc"][-1]) if first["loc"] else "the line"
        found = first["input"] if isinstance(first["input"], str | int | float) else ""
        wrong.append(Wrong(line, column, said(str(found)), refusal(first)))
        return False
    return True
