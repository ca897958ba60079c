"""The cut list as CSV and as XLSX."""

import csv
import io

from shadbo.core.cutting.cut_list import CutRow, cut_list, set_words
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import Mark, System
from shadbo.core.words.signs import storable_in_xml
from shadbo.core.words.words import size_text


def head(system: System) -> tuple[str, ...]:
    """The columns, sizes in the shop's own unit."""
    return ("kind", "count", "part", f"length {system}", f"width {system}", f"thickness {system}", "material", "note")


def _cells(row: CutRow, mark: Mark) -> list[str | float | int | None]:
    """Millimetres as numbers; inches as the fractions that a rule has."""
    sizes = (row.length_mm, row.width_mm, row.thick_mm)
    told = sizes if mark.system == "mm" else (None if x is None else size_text(x, mark, "in") for x in sizes)
    return [row.kind, row.count, row.name, *told, row.material, row.note]


def safe(cell: object) -> object:
    """A cell that a spreadsheet would run as a formula, made plain text."""
    if not isinstance(cell, str):
        return cell
    cell = storable_in_xml(cell)
    return "'" + cell if cell.lstrip()[:1] in ("=", "+", "-", "@") else cell


def as_csv(plan: Plan) -> str:
    """Comma-separated, with a header; points as decimal signs."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    columns = head(plan.desk.mark.system)
    writer.writerow(columns)
    for row in cut_list(plan):
        writer.writerow(["" if c is None else safe(c) for c in _cells(row, plan.desk.mark)])
    if set_words(plan):
        writer.writerow(["note", "", set_words(plan), *[""] * (len(columns) - 3)])
    return out.getvalue()


def as_xlsx(plan: Plan) -> bytes:
    """One sheet, header bold and frozen, numbers as numbers."""
    from openpyxl import Workbook  # here, so that a server is up sooner
    from openpyxl.styles import Font
    from openpyxl.utils import get_column_letter

    book = Workbook()
    sheet = book.active
    assert sheet is not None
    sheet.title = "Cut list"
    sheet.append(list(head(plan.desk.mark.system)))
    for cell in sheet[1]:
        cell.font = Font(bold=True)
    sheet.freeze_panes = "A2"
    for row in cut_list(plan):
        sheet.append([safe(c) for c in _cells(row, plan.desk.mark)])
    if set_words(plan):
        sheet.append(["note", None, set_words(plan)])
    for n, width in enumerate((10, 8, 40, 12, 12, 14, 28, 48), 1):
        sheet.column_dimensions[get_column_letter(n)].width = width
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()
