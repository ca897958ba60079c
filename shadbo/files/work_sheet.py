"""The work sheet: one job on two pages. First its looks, what to cut and what to mind, then how it goes together."""

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
from shadbo.core.words.days import day_text
from shadbo.core.words.lengths import System
from shadbo.core.words.words import size_text
from shadbo.files.pdf_page import to_pdf

FIRST: tuple[ViewName, ...] = ("front", "edge")
SECOND: tuple[ViewName, ...] = ("back", "apart")
Block = tuple[str, int]
"""A piece of the page and about how many lines it takes."""
LETTERS = 50
"""About so many stand on a line of a column."""
TOLD = ("sizes", "depth", "mount", "hang")
MOST_ROWS = 9
"""Of a station: what is told first is told; all of it stands on the screen."""


def work_sheet(plan: Plan, page: Page, system: System, number: int = 0) -> bytes:
    """The PDF."""
    return to_pdf(as_html(plan, system, number), page, 11.0, plan.desk.job.title or "work sheet")


def as_html(plan: Plan, system: System, number: int = 0) -> str:
    """What stands on it. A job with readings still missing gets what is known and what to measure."""
    body = _head(plan, number) + _findings(plan, system)
    if plan.asks:
        asks = "".join(f"<li>{escape(a.label)}</li>" for a in plan.asks)
        return body + f"<h2>Still to measure</h2><ul>{asks}</ul>" + _cautions(plan)
    first = _drawings(plan, system, FIRST) + _cut_list(plan, system) + _cautions(plan)
    second = _drawings(plan, system, SECOND) + _stations(plan, system)
    return f"<div class='tight'>{body}{first}{second}</div>"


def _head(plan: Plan, number: int) -> str:
    """Whose it is, what it is, when it is due, the moulding by name."""
    job = plan.desk.job
    no = f"job {number} · " if number else ""
    due = f", due {day_text(job.due)}" if job.due else ""
    moulding = plan.assembly.moulding if plan.assembly is not None else None
    of = f" · {escape(moulding.name)}" if moulding is not None else ""
    owner = escape(job.owner.name or "no owner yet")
    words = f"{no}{escape(plan.display.name)}{of} · for {owner}{due} · {escape(plan.desk.shop.name)}"
    return f"<h1>{escape(job.title or 'untitled')}</h1><p>{words}</p>"


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
    """Two drawings side by side."""
    out = ""
    for view in (v for v in views if v in views_of(plan)):
        sheet = compose(scene_of(plan, view, system), BOARDS[view])
        svg = write_svg(sheet, TITLES[view], printed=True).replace(f'"{BOARDS[view].name}-', f'"{view}-')
        svg = svg.replace(f"url(#{BOARDS[view].name}-", f"url(#{view}-")
        out += f"<td class='drawing' style='width:50%;border:0'><b>{TITLES[view]}</b>{svg}</td>"
    return f"<table class='keep'><tr>{out}</tr></table>" if out else ""


def _stations(plan: Plan, system: System) -> str:
    out: list[Block] = []
    for station in stations(plan):
        if station.name not in TOLD:
            continue
        rows = [row for q in station.questions if (row := _row(q, system)) is not None]
        left = len(rows) - MOST_ROWS
        more = f"<tr><td colspan='2' class='soft'>and {left} more on the screen</td></tr>" if left > 0 else ""
        answer = escape(station.answer.pick(system))
        head = f"<tr><td colspan='2'><b>{escape(station.label)}: {answer}</b></td></tr>"
        shown = rows[:MOST_ROWS]
        html = "".join(row for row, _ in shown)
        out.append((f"<table class='keep'>{head}{html}{more}</table>", 2 + sum(n for _, n in shown)))
    return _side_by_side(out)


def _side_by_side(blocks: list[Block]) -> str:
    """Two columns, the second begun where the first has half of the lines: set once, where a browser's try many."""
    half, left, columns = sum(n for _, n in blocks) / 2, 0.0, ["", ""]
    for html, lines in blocks:
        columns[0 if left + lines / 2 <= half else 1] += html
        left += lines
    cells = "".join(f"<td style='width:50%;border:0;vertical-align:top;padding-right:4mm'>{c}</td>" for c in columns)
    return f"<table style='margin-top:3mm'><tr>{cells}</tr></table>"


def _row(q: Question, system: System) -> Block | None:
    """What was decided or follows; a question that nobody answered is none for paper."""
    if q.kind not in ("told", "pin") and not q.decided:
        return None
    picked = next((c.label for c in q.choices if c.picked), "")
    value = q.value.pick(system) if q.value is not None else picked
    if not value or (q.kind == "pin" and not q.decided):
        return None
    says = q.note.pick(system) if q.note is not None else ""
    note = f" <span class='soft'>{escape(says)}</span>" if says else ""
    lines = 1 + max(3 * len(q.label), len(value) + len(says)) // LETTERS
    return f"<tr><td>{escape(q.label)}</td><td>{escape(value)}{note}</td></tr>", lines


def _cut_list(plan: Plan, system: System) -> str:
    """Every row with a box to tick."""
    rows, mark = "", plan.desk.mark
    for n, row in enumerate(cut_list(plan), 1):
        sizes = (row.length_mm, row.width_mm, row.thick_mm)
        size = " × ".join(size_text(x, mark, system) for x in sizes if x is not None)
        what = f" <span class='soft'>{escape(row.material)}</span>" if row.material not in row.name else ""
        note = f"<span class='soft'>{escape(row.note)}</span>" if row.note else ""
        first = f"<tr><td class='n soft'>{n}</td><td>☐</td><td class='n'>{row.count} ×</td>"
        rows += f"{first}<td>{escape(row.name)}{what}</td><td class='n'><b>{size}</b></td><td>{note}</td></tr>"
    said = f"<p class='soft'>{escape(set_words(plan))}</p>" if set_words(plan) else ""
    return f"<h2>To cut and to fetch, {system}</h2>{said}<table>{rows}</table>"


def _cautions(plan: Plan) -> str:
    seen = dict.fromkeys(q.label for s in stations(plan) for q in s.questions if q.kind == "care")
    never = plan.desk.piece.never
    told = ([f"Never: {never}"] if never else []) + list(seen)
    blocks = [(f"<div class='care'>{escape(text)}</div>", 1 + len(text) // LETTERS) for text in told]
    return f"<h2>Take care</h2>{_side_by_side(blocks)}" if told else ""
