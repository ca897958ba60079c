"""Tables as spreadsheets (XLSX, ECMA-376): written, and read into the text that tables are taken in from."""

import csv
import io
import zipfile
from collections.abc import Iterable, Sequence

from shadbo.files.cut_list_file import safe
from shadbo.files.tables import MOST_BYTES, MOST_COLUMNS, MOST_ROWS

MOST_UNPACKED = 20_000_000
"""Bytes that a spreadsheet may come to once it is unpacked."""


class NotATable(ValueError):
    """What was sent is no spreadsheet that can be read; the message says what was expected."""


def as_text(data: bytes) -> str:
    """The first sheet of a workbook as comma-separated text, values as they were last worked out. NotATable."""
    if len(data) > MOST_BYTES:
        raise NotATable(f"more than {MOST_BYTES // 1_000_000} MB is not read as a spreadsheet")
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            if sum(info.file_size for info in archive.infolist()) > MOST_UNPACKED:
                raise NotATable(f"it unpacks to more than {MOST_UNPACKED // 1_000_000} MB")
        rows = _rows(data)
    except NotATable:
        raise
    except Exception:  # whatever a reader stumbles over, the file is at fault
        raise NotATable("it is no spreadsheet in XLSX; save it as one, or as CSV") from None
    out = io.StringIO()
    csv.writer(out, lineterminator="\n").writerows(rows)
    return out.getvalue()


def _rows(data: bytes) -> list[list[str]]:
    from openpyxl import load_workbook  # here, so that a server is up sooner

    book = load_workbook(io.BytesIO(data), read_only=True, data_only=True)
    sheet = book.worksheets[0]
    most = {"max_row": MOST_ROWS + 2, "max_col": MOST_COLUMNS + 1}
    rows = [[_text(cell) for cell in row] for row in sheet.iter_rows(values_only=True, **most)]
    wide = max((n for row in rows for n, cell in enumerate(row, 1) if cell), default=0)
    return [row[:wide] for row in rows]


def _text(cell: object) -> str:
    if cell is None:
        return ""
    if isinstance(cell, bool):
        return "yes" if cell else "no"
    if isinstance(cell, float | int):
        return plain_number(cell)
    return str(cell)


def plain_number(value: float) -> str:
    """In twelve digits where those say all of it.

    >>> plain_number(13.0), plain_number(79 / 6)
    ('13', '13.166666666666666')
    """
    short = f"{value:.12g}"
    return short if float(short) == value else repr(value)


def workbook(title: str, rows: Iterable[Sequence[object]]) -> bytes:
    """One sheet with a bold header that stays in sight; numbers as numbers."""
    from openpyxl import Workbook
    from openpyxl.styles import Font

    book = Workbook()
    sheet = book.active
    assert sheet is not None
    sheet.title = title
    for row in rows:
        sheet.append([safe(cell) for cell in row])
    for cell in sheet[1]:
        cell.font = Font(bold=True)
    sheet.freeze_panes = "A2"
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()
