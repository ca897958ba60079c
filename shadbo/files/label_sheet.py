"""The label for the back, and the ticket that goes with a piece through the workshop, as PDF."""

from html import escape

from shadbo.core.drawing.board import BOARDS, TITLES, scene_of
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.svg import write_svg
from shadbo.core.drawing.tiles import Page
from shadbo.core.label import label_of
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.core.words.days import day_text
from shadbo.core.words.lengths import System
from shadbo.files.pdf_page import to_pdf

LABEL_MM = (120, 82)
CUT = "border:0.2mm dashed #625e53;padding:5mm;margin-bottom:10mm;box-sizing:border-box;font-size:9.5pt"
RULE = "border-bottom:0.35mm solid #625e53;display:inline-block;height:7mm"


def label_sheet(plan: Plan, page: Page, number: int = 0) -> bytes:
    """Two of the same: one for the bottom middle of the back, one for the owner."""
    return to_pdf(label_html(plan, number) * 2, page, title=f"Label {number}")


def label_html(plan: Plan, number: int = 0) -> str:
    """One label, to be cut out along its border."""
    label, job, shop = label_of(plan), plan.desk.job, plan.desk.shop
    made = day_text(job.handed_over) if job.handed_over else ""
    date = escape(made) or f"<span style='{RULE};width:38mm'></span>"
    lines = [f"<h1>{escape(label.title or 'untitled')}</h1>"]
    if label.makers:
        lines.append(f"<p>{escape(', '.join(label.makers))}</p>")
    if label.made_of:
        lines.append(f"<p><b>Made of</b> {escape('; '.join(label.made_of))}</p>")
    if label.held_by:
        lines.append(f"<p><b>Held by</b> {escape(', '.join(label.held_by))}</p>")
    lines.append(f"<p>{escape(' '.join(label.care))}</p>")
    no = f"job {number} · " if number else ""
    lines.append(f"<p>{no}framed by <b>{escape(shop.name)}</b>, {date}</p>")
    return f"<div style='{CUT};width:{LABEL_MM[0]}mm;min-height:{LABEL_MM[1]}mm'>{''.join(lines)}</div>"


def ticket(plan: Plan, page: Page, system: System, number: int = 0) -> bytes:
    """One page that goes with the piece: whose, what, in what state, what was agreed."""
    return to_pdf(ticket_html(plan, system, number), page, title=f"Ticket {number}")


def ticket_html(plan: Plan, system: System, number: int = 0) -> str:
    """What was told and agreed when it came in, a small front, and a line to sign."""
    job, money = plan.desk.job, plan.desk.shop.currency
    rows = [
        ("Owner", job.owner.name),
        ("Reached at", job.owner.contact),
        ("Received", day_text(job.received) if job.received else ""),
        ("Due", day_text(job.due) if job.due else ""),
        ("Price agreed", f"{money} {job.agreed:.2f}" if job.agreed is not None else ""),
        ("Insured while here", f"{money} {job.insured:.2f}" if job.insured is not None else ""),
        ("Notes", job.note),
    ]
    for piece in job.pieces:
        named = len(job.pieces) > 1
        rows += [
            (piece.name or piece.noun if named else "Made by", piece.maker),
            ("Condition on arrival", piece.condition),
            ("Never", piece.never),
        ]
    measured = next(s for s in stations(plan) if s.name == "measure")
    rows.append(("Measures", f"{measured.answer.pick(system)}, {measured.second.pick(system)}".strip(", ")))
    table = "".join(f"<tr><th style='width:42mm'>{escape(k)}</th><td>{escape(v)}</td></tr>" for k, v in rows if v)
    no = f"<h1 style='font-size:40pt'>{number}</h1>" if number else ""
    sign = f"<p style='margin-top:12mm'><span style='{RULE};width:70mm'></span> left in this condition</p>"
    sign += f"<p><span style='{RULE};width:70mm'></span> fetched, and found as agreed</p>"
    head = f"<h1>{escape(job.title or 'untitled')}</h1><p>{escape(plan.desk.shop.name)}</p>"
    return f"{no}{head}{_front(plan, system)}<table>{table}</table>{sign}"


def _front(plan: Plan, system: System) -> str:
    if plan.assembly is None:
        return ""
    svg = write_svg(compose(scene_of(plan, "front", system), BOARDS["front"]), TITLES["front"], printed=True)
    return f"<div class='drawing' style='width:90mm'>{svg}</div>"
