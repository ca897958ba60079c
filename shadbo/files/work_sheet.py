"""The work sheet: one job on paper, with sizes, depth, mounts, parts, drawings and cautions."""

from html import escape

from shadbo.core.asking.questions import Question
from shadbo.core.build.assembly import ViewName
from shadbo.core.cutting.cut_list import cut_list, set_words
from shadbo.core.drawing.board import BOARDS, TITLES, scene_of, views_of
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.svg import write_svg
from shadbo.core.drawing.tiles import Page
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.core.words.lengths import System
from shadbo.files.pdf_page import to_pdf

SHOWN: tuple[ViewName, ...] = ("front", "edge", "back", "apart", "holes", "mat", "stretch")
NOT_ON_PAPER = ("act", "photos", "compare", "layouts", "table", "cutter", "colours", "outline", "artwork")
TOLD = ("sizes", "depth", "mount", "parts", "hang")


def work_sheet(plan: Plan, page: Page, system: System, number: int = 0) -> bytes:
    """The PDF."""
    return to_pdf(as_html(plan, system, number), page, title=plan.desk.job.title or "work sheet")


def as_html(plan: Plan, system: System, number: int = 0) -> str:
    """What stands on it. A job with readings still missing gets what is known and what to measure."""
    job = plan.desk.job
    head = f"<h1>{escape(job.title or 'untitled')}</h1>"
    owner = escape(job.owner.name or "no owner yet")
    due = f", due {job.due.isoformat()}" if job.due else ""
    no = f"job {number} · " if number else ""
    head += f"<p>{no}{escape(plan.display.name)} · for {owner}{due} · {escape(plan.desk.shop.name)}</p>"
    body = head + _findings(plan, system)
    if plan.asks:
        asks = "".join(f"<li>{escape(a.label)}</li>" for a in plan.asks)
        body += f"<h2>Still to measure</h2><ul>{asks}</ul>"
    else:
        body += _drawings(plan, system, ("front", "edge")) + _stations(plan, system)
        body += _cut_list(plan) + _drawings(plan, system, SHOWN[2:])
    return body + _cautions(plan)


def _findings(plan: Plan, system: System) -> str:
    rows = [f for f in plan.findings if f.severity in ("stop", "caution", "measure")]
    if not rows:
        return ""
    items = "".join(
        f"<tr><td class='{f.severity}'>{f.severity}</td><td>{escape(f.title.pick(system))}"
        f"<span class='soft'> — {escape(f.detail.pick(system))}</span></td></tr>"
        for f in rows
    )
    return f"<h2>Before anything is cut</h2><table>{items}</table>"


def _drawings(plan: Plan, system: System, views: tuple[ViewName, ...]) -> str:
    here = [v for v in views if v in views_of(plan)]
    out = ""
    for view in here:
        sheet = compose(scene_of(plan, view, system), BOARDS[view])
        svg = write_svg(sheet, TITLES[view], printed=True).replace(f'"{BOARDS[view].name}-', f'"{view}-')
        svg = svg.replace(f"url(#{BOARDS[view].name}-", f"url(#{view}-")
        out += f"<div class='drawing keep'><h2>{TITLES[view]}</h2>{svg}</div>"
    return out


def _stations(plan: Plan, system: System) -> str:
    out = ""
    for station in stations(plan):
        if station.name not in TOLD:
            continue
        rows = "".join(_row(q, system) for q in station.questions)
        answer = escape(station.answer.pick(system))
        out += f"<h2>{escape(station.label)}: {answer}</h2><table>{rows}</table>"
    return out


def _row(q: Question, system: System) -> str:
    if q.kind == "care":
        return f"<tr><td colspan='2'><div class='care'>{escape(q.label)}</div></td></tr>"
    picked = next((c.label for c in q.choices if c.picked), "")
    value = q.value.pick(system) if q.value is not None else picked
    if not value or q.kind in NOT_ON_PAPER:
        return ""
    note = f" <span class='soft'>{escape(q.note.pick(system))}</span>" if q.note is not None else ""
    return f"<tr><td>{escape(q.label)}</td><td>{escape(value)}{note}</td></tr>"


def _cut_list(plan: Plan) -> str:
    rows = ""
    for n, row in enumerate(cut_list(plan), 1):
        size = " × ".join(f"{x:g}" for x in (row.length_mm, row.width_mm, row.thick_mm) if x is not None)
        note = f"<span class='soft'>{escape(row.note)}</span>" if row.note else ""
        name = escape(row.name)
        first = f"<tr><td class='n soft'>{n}</td><td class='n'>{row.count} ×</td>"
        rows += f"{first}<td>{name}</td><td class='n'>{size}</td><td>{note}</td></tr>"
    said = f"<p class='soft'>{escape(set_words(plan))}</p>" if set_words(plan) else ""
    return f"<h2>To cut and to fetch, mm</h2>{said}<table>{rows}</table>"


def _cautions(plan: Plan) -> str:
    seen = dict.fromkeys(q.label for s in stations(plan) for q in s.questions if q.kind == "care")
    rows = "".join(f"<div class='care'>{escape(text)}</div>" for text in seen)
    never = plan.desk.piece.never
    first = f"<div class='care'>Never: {escape(never)}</div>" if never else ""
    return f"<h2>Take care</h2>{first}{rows}" if seen or never else ""
