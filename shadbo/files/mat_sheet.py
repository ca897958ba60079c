"""The mat cutting sheet: each mat from the back, mirrored, every line from two edges, its start and its stop."""

from collections.abc import Callable
from html import escape

from shadbo.core.cutting.mat_lines import CutLine, Mat, cut_lines, mats_of, on_mat
from shadbo.core.drawing.board import BOARDS
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.mat import mat_scene
from shadbo.core.drawing.svg import write_svg
from shadbo.core.drawing.tiles import Page
from shadbo.core.plan import Plan
from shadbo.core.shapes.plane import Ring
from shadbo.core.shapes.polygon import box_of
from shadbo.core.sheet.quantity import Way
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.words.lengths import Mark, System, texts
from shadbo.files.pdf_page import to_pdf


class NoMat(ValueError):
    """A plan without a mat."""


def mat_sheet(plan: Plan, page: Page, system: System) -> bytes:
    """One page or more for each mat, the inner one first: it is cut last, but checked against the outer one.

    Raises NoMat where there is nothing to cut.
    """
    mats = [m for m in mats_of(plan) if m.id.startswith("mat")]
    if not mats:
        raise NoMat("this plan has no mat to cut")
    body = "".join(mat_page(plan, mat, system) for mat in mats)
    title = plan.desk.job.title or "untitled"
    return to_pdf(body, page, title=f"{title}: mats")


def mat_page(plan: Plan, mat: Mat, system: System) -> str:
    """One mat as HTML: drawing, lines, what sits on it, and what is cut first."""
    mark = plan.desk.mark

    def say(mm: float) -> str:
        return texts(mm, mark).pick(system)

    sheet = compose(mat_scene(plan, system, mat.id), BOARDS["mat"])
    svg = write_svg(sheet, mat.name, printed=True).replace("board-", f"{mat.id}-")
    part = next(p for p in (plan.assembly.parts if plan.assembly else ()) if p.id == mat.id)
    head = f"<h1>{escape(plan.desk.job.title or 'untitled')}: {escape(mat.name)}</h1>"
    unit = "mm" if system == "mm" else "in"
    cut = f"{say(mat.width)} × {say(mat.height)} {unit}, {escape(part.name)}"
    words = (
        "<p class='stop'>Drawn and cut FROM THE BACK: left and right are changed. "
        "Lay the mat face down, top edge away from you.</p>"
        f"<p>Cut the mat to {cut}. Draw every line on its back; check each against the pieces before the first "
        "cut.</p>"
    )
    rows = "".join(_row(line, mat, mark, system) for line in cut_lines(mat))
    table = (
        f"<table class='tight'><tr><th>line</th><th>opening</th><th>runs, {unit}</th><th class='n'>left, top</th>"
        "<th class='n'>right, bottom</th><th class='n'>corner to corner</th>"
        f"<th class='n'>start</th><th class='n'>stop</th></tr>{rows}</table>"
    )
    after = (
        "<p>Upright lines: left and right edge, start and stop from the top. Level lines: top and bottom edge, "
        f"start and stop from the left. The bevel opens to the face by {say(mat.thick)} {unit}: the blade starts and "
        "stops that much past an inner corner; at the tip of a notch it runs to the corner, past it lies waste.</p>"
        f"{_order(plan, mat)}<div class='care'>Knives: fresh blade, several light passes, hand behind the rule.</div>"
    )
    on_it = _places(plan, mat, say, unit)
    return f"<div class='page'>{head}{words}<div class='drawing keep'>{svg}</div>{table}{on_it}{after}</div>"


def _order(plan: Plan, mat: Mat) -> str:
    """What comes first: small openings while the sheet is stiff, and the inner mat only when it is joined."""
    mats = [m for m in mats_of(plan) if m.id.startswith("mat")]
    small = sorted(mat.windows, key=lambda w: _area(w.ring))
    names = ", then ".join(escape(w.name) for w in small)
    steps = [f"Cut {names}." if len(small) > 1 else f"Cut {names}: the waste stays in place."]
    if len(mats) > 1 and mat.id == "mat":
        steps.append(
            "Press the waste back in; double-sided tape on the back, clear of every opening by its own width."
        )
        steps.append("Lay the inner mat on, face down, flush at the top edge and one side, and rub it down.")
    elif len(mats) > 1:
        steps = ["Draw these lines when both mats are joined, and check the reveal on every side.",
                 *steps, "Take out the waste of both together."]  # fmt: skip
    return "<ol>" + "".join(f"<li>{s}</li>" for s in steps) + "</ol>"


def _area(ring: Ring) -> float:
    left, low, right, high = box_of(ring)
    return (right - left) * (high - low)


def _places(plan: Plan, mat: Mat, say: Callable[[float], str], unit: str) -> str:
    """Badges and plates that sit on the mat: their middles, from the face."""
    shown = on_mat(plan.assembly, mat.id) if plan.assembly is not None else []
    if not shown:
        return ""
    rows = ""
    for x in shown:
        left, low, right, high = box_of(x.ring)
        cells = ((left + right) / 2 + mat.width / 2, mat.height / 2 - (low + high) / 2, right - left, high - low)
        numbers = "".join(f"<td class='n'>{say(c)}</td>" for c in cells)
        rows += f"<tr><td>{escape(x.name)}</td>{numbers}</tr>"
    return (
        f"<table class='tight'><tr><th>on the mat, seen FROM THE FRONT, {unit}</th><th class='n'>middle, from the "
        "left</th><th class='n'>from the top</th><th class='n'>wide</th><th class='n'>high</th></tr>"
        f"{rows}</table>"
    )


def _row(line: CutLine, mat: Mat, mark: Mark, system: System) -> str:
    """Both edges add up to the mat at the mark, and no rounding shortens the blade's run past a corner."""

    def say(mm: float, way: Way = "nearest") -> str:
        return texts(mm, mark, way).pick(system)

    whole = mat.width if line.upright else mat.height
    first = to_mark(line.first_edge, mark.mm, "nearest")
    runs = "upright" if line.upright else "level"
    ends = f"{say(line.drawn_from)} to {say(line.drawn_to)}"
    cells = (say(first), say(whole - first), ends, say(line.from_, "down"), say(line.to, "up"))
    numbers = "".join(f"<td class='n'>{c}</td>" for c in cells)
    return f"<tr><td>{line.number}</td><td>{escape(line.name)}</td><td>{runs}</td>{numbers}</tr>"
