"""The order of what is cut elsewhere, as PDF and as CSV: from measured sizes alone."""

import csv
import io
from html import escape

from shadbo.core.drawing.tiles import Page
from shadbo.core.plan import Plan
from shadbo.core.steps.orders import Ordered, orders
from shadbo.core.words.days import day_text
from shadbo.core.words.lengths import System
from shadbo.core.words.words import size_text
from shadbo.files.cut_list_file import safe
from shadbo.files.pdf_page import to_pdf

COLUMNS = ("count", "what", "kind", "work", "width", "height", "thickness", "unit", "working days", "job")


def order_csv(plan: Plan, number: int = 0) -> str:
    """One line a sheet, sizes in the shop's own unit."""
    mark = plan.desk.mark
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(COLUMNS)
    for line in _released(plan):
        sizes = [size_text(x, mark, mark.system) for x in (line.width_mm, line.height_mm, line.thick_mm)]
        row = [line.count, line.name, line.kind, line.work, *sizes, mark.system, line.lead_days, number]
        writer.writerow([safe(cell) for cell in row])
    return out.getvalue()


def order_sheet(plan: Plan, page: Page, system: System, number: int = 0) -> bytes:
    """One page to send: what, how large, from when to when."""
    return to_pdf(order_html(plan, system, number), page, title=f"Order {number}")


def order_html(plan: Plan, system: System, number: int = 0) -> str:
    """The order as a table, with who orders and what is checked when it comes."""
    mark, shop = plan.desk.mark, plan.desk.shop
    rows = []
    for line in _released(plan):
        sizes = " × ".join(size_text(x, mark, system) for x in (line.width_mm, line.height_mm))
        thick = size_text(line.thick_mm, mark, system)
        sent = day_text(line.sent.date()) if line.sent else ""
        due = day_text(line.due.date()) if line.due else f"in {line.lead_days} working days"
        cells = (
            f"{line.count} ×",
            line.name,
            line.kind,
            line.work,
            f"{sizes} {system}",
            f"{thick} {system}",
            sent,
            due,
        )
        rows.append("<tr>" + "".join(f"<td>{escape(c)}</td>" for c in cells) + "</tr>")
    heads = ("", "What", "Kind", "Work", "Width × height", "Thick", "Sent", "Due")
    head = "<tr>" + "".join(f"<th>{h}</th>" for h in heads) + "</tr>"
    no = f"job {number} · " if number else ""
    return (
        f"<h1>Order</h1><p>{no}{escape(plan.desk.job.title or 'untitled')} · {escape(shop.name)}</p>"
        f"<table>{head}{''.join(rows)}</table>"
        f"{_machined(plan)}"
        "<p>Sizes are of the frame as it was measured. Both sizes are read when it comes; what is off goes back.</p>"
    )


def _released(plan: Plan) -> list[Ordered]:
    """Lines that may go out."""
    return [line for line in orders(plan) if line.released]


def _machined(plan: Plan) -> str:
    if plan.desk.job.machine_days is None:
        return ""
    return "<p>Openings as in the cutting file that comes with this order, seen from the front, in millimetres.</p>"
