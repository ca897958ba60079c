"""What goes with a finished frame to its owner: how it is kept, and what it is."""

from html import escape

from shadbo.core.drawing.board import BOARDS, TITLES, scene_of
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.svg import write_svg
from shadbo.core.drawing.tiles import Page
from shadbo.core.label import label_of
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.core.words.days import day_text
from shadbo.core.words.lengths import System
from shadbo.core.words.words import sizes, value_text
from shadbo.files.label_sheet import RULE
from shadbo.files.pdf_page import to_pdf

BOTH_HANDS = "Lift it down with both hands at its sides; what is large or heavy takes two people."
ACCLIMATISE = "Let it stand in its room for a day before it is hung where air or warmth are others than in the shop."
LOOK = "Once a year look behind it: hooks, wire and screws sit fast, the back is closed, nothing slipped or faded."


def care_sheet(plan: Plan, page: Page, system: System, number: int = 0) -> bytes:
    """One page for the owner."""
    return to_pdf(care_html(plan, system, number), page, title=f"Care of {number}")


def care_html(plan: Plan, system: System, number: int = 0) -> str:
    """Light, cleaning, hanging, and whom to ask."""
    job, label = plan.desk.job, label_of(plan)
    hung = next((s for s in stations(plan) if s.name == "hang"), None)
    told = [x.pick(system) for x in (hung.answer, hung.second)] if hung is not None else []
    weight = value_text(plan.hang.weight, plan.desk.mark).pick(system) if plan.hang is not None else ""
    rows = [
        ("Light", light_of(plan)),
        ("Cleaning", " ".join(label.care)),
        ("Hanging", ", ".join(x for x in told if x)),
        ("Weight", weight),
        ("Handling", BOTH_HANDS),
        ("Settling", ACCLIMATISE),
        ("Looking after", LOOK),
    ]
    table = "".join(f"<tr><th style='width:34mm'>{escape(k)}</th><td>{escape(v)}</td></tr>" for k, v in rows if v)
    title = f"<h1>{escape(job.title or 'untitled')}</h1><p>How it is kept</p>"
    return f"{title}<table>{table}</table><p style='margin-top:10mm'>{_by(plan, number)}</p>"


def light_of(plan: Plan) -> str:
    """How much light it should stand in at most, by the piece that bears least."""
    limits = [x for p in plan.desk.job.pieces if (x := KINDS[p.detail.kind].lux) is not None]
    if not limits:
        return "Light does it no harm; heat does: not over a stove, no lamp close to it."
    return f"At most {min(limits)} lux, never in the sun: light that has faded a colour does not give it back."


def certificate(plan: Plan, page: Page, system: System, number: int = 0) -> bytes:
    """One page, with its front and a line to sign."""
    return to_pdf(certificate_html(plan, system, number), page, title=f"Certificate {number}")


def certificate_html(plan: Plan, system: System, number: int = 0) -> str:
    """What it is, by whom, of what, when it was framed and by whom."""
    job, label, a = plan.desk.job, label_of(plan), plan.assembly
    outside = sizes(plan.desk.mark, a.outside_width, a.outside_height).pick(system) if a is not None else ""
    framers = dict.fromkeys(d.who for d in job.work.values() if d.who)
    rows = [
        ("Made by", ", ".join(label.makers)),
        ("Outside", f"{outside} {system}" if outside else ""),
        ("Framed in", "; ".join(label.made_of)),
        ("Held by", ", ".join(label.held_by)),
        ("Framed by", ", ".join(framers)),
        ("Handed over", day_text(job.handed_over) if job.handed_over else ""),
    ]
    table = "".join(f"<tr><th style='width:34mm'>{escape(k)}</th><td>{escape(v)}</td></tr>" for k, v in rows if v)
    svg = write_svg(compose(scene_of(plan, "front", system), BOARDS["front"]), TITLES["front"], printed=True)
    front = f"<div class='drawing' style='width:110mm;margin:6mm auto'>{svg}</div>" if a is not None else ""
    sign = f"<p style='margin-top:14mm'><span style='{RULE};width:70mm'></span> {escape(plan.desk.shop.name)}</p>"
    head = f"<h1 style='font-size:24pt'>{escape(job.title or 'untitled')}</h1>"
    return f"{head}{front}<table>{table}</table>{sign}<p>{_by(plan, number)}</p>"


def _by(plan: Plan, number: int) -> str:
    no = f"job {number} · " if number else ""
    return f"{no}framed by <b>{escape(plan.desk.shop.name)}</b>: ask there before anything is opened."
