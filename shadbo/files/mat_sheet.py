"""The mat cutting sheet: each mat from the back, mirrored, every line from two edges, its start and its stop."""

from collections.abc import Callable
from html import escape

from shadbo.core.cutting.mat_lines import CutLine, Mat, cut_lines, mats_of
from shadbo.core.drawing.board import BOARDS
from shadbo.core.drawing.compose import compose
from shadbo.core.drawing.mat import mat_scene
from shadbo.core.drawing.svg import write_svg
from shadbo.core.drawing.tiles import Page
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import System, texts
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
    body = "".join(_mat(plan, mat, system) for mat in mats)
    title = plan.desk.job.title or "untitled"
    return to_pdf(body, page, title=f"{title}: mats")


def _mat(plan: Plan, mat: Mat, system: System) -> str:
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
    rows = "".join(_row(line, say) for line in cut_lines(mat))
    table = (
        f"<table class='tight'><tr><th>line</th><th>opening</th><th>runs, {unit}</th><th class='n'>left, top</th>"
        "<th class='n'>right, bottom</th><th class='n'>corner to corner</th>"
        f"<th class='n'>start</th><th class='n'>stop</th></tr>{rows}</table>"
    )
    after = (
        "<p>Upright lines: left and right edge, start and stop from the top. Level lines: top and bottom edge, "
        f"start and stop from the left. The bevel opens to the face by {say(mat.thick)} {unit}: the blade starts and "
        "stops that much past an inner corner, and that much short of the tip of a notch, which is finished by hand "
        "from the face.</p><div class='care'>Knives: fresh blade, several light passes, hand "
        "behind the rule.</div>"
    )
    return f"<div class='page'>{head}{words}<div class='drawing keep'>{svg}</div>{table}{after}</div>"


def _row(line: CutLine, say: Callable[[float], str]) -> str:
    runs = "upright" if line.upright else "level"
    ends = f"{say(line.drawn_from)} to {say(line.drawn_to)}"
    cells = (say(line.first_edge), say(line.second_edge), ends, say(line.from_), say(line.to))
    numbers = "".join(f"<td class='n'>{c}</td>" for c in cells)
    return f"<tr><td>{line.number}</td><td>{escape(line.name)}</td><td>{runs}</td>{numbers}</tr>"
