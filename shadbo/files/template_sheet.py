"""Full-size templates over several pages: each tells its place, and carries a bar to check the printer."""

from html import escape

from shadbo.core.drawing.marks import PX_PER_MM
from shadbo.core.drawing.svg import write_svg
from shadbo.core.drawing.templates import templates_of
from shadbo.core.drawing.tiles import (
    AROUND_MM,
    HEAD_MM,
    MARGIN_MM,
    OVERLAP_MM,
    Page,
    Tile,
    Tiled,
    label,
    on_page,
    on_tile,
    tiled,
)
from shadbo.core.plan import Plan
from shadbo.core.words.lengths import MM_PER_INCH, Mark, System, texts
from shadbo.files.pdf_page import to_pdf

BAR_MM: dict[System, float] = {"mm": 100.0, "in": 4 * MM_PER_INCH}
BAR_WORDS: dict[System, str] = {"mm": "100 mm", "in": "4 in"}
"""The bar that checks the printer, in a size that the shop's own rule has."""
MOST_PAGES = 160
"""Nobody joins more: common practice, no source."""


class NoTemplate(ValueError):
    """A plan that needs no template."""


def template_sheet(plan: Plan, page: Page, system: System, which: str = "") -> bytes:
    """All templates of the plan, or the one of that id, tiled. Raises NoTemplate where there is none."""
    templates = [t for t in templates_of(plan, system) if which in ("", t.id)]
    if not templates:
        raise NoTemplate("this plan has no template to print: nothing is to be marked")
    title = plan.desk.job.title or "untitled"
    pages: list[str] = []
    for template in templates:
        cut = tiled(template, page)
        if len(pages) + len(cut.tiles) > MOST_PAGES:
            pages.append(_instead(cut, page, title))
            continue
        for t in cut.tiles:
            inner = write_svg(on_tile(cut, t, page), template.name, printed=True)
            inner = inner[inner.index("<defs>") : inner.rindex("</svg>")]
            pages.append(_page(cut, t, inner, page, title, _place(t, plan.desk.mark, system), system))
    return to_pdf("".join(pages), page, margin_mm=0.0, title=f"{title}: templates")


def _instead(cut: Tiled, page: Page, title: str) -> str:
    """A page that says why a template is not printed here, and where it is to be had."""
    words = (
        f"{cut.template.name} would be {len(cut.tiles)} pages at full size. Have it printed in one piece from the "
    )
    words += "DXF file, or mark it with the tape from the figures on the work sheet."
    return (
        f'<div class="page" style="padding:{MARGIN_MM}mm;height:{page.height - 2 * MARGIN_MM - 1}mm">'
        f"<h1>{escape(title)}</h1><p>{escape(words)}</p></div>"
    )


def _place(tile: Tile, mark: Mark, system: System) -> str:
    """Where the page's join lines lie in the whole, so that pages far apart can be laid by the tape."""
    half, out = OVERLAP_MM / 2, []
    for n, at, word in ((tile.column, tile.left, "left"), (tile.row, tile.top, "top")):
        if n > 0:
            said = texts(at + half - AROUND_MM, mark).pick(system)
            out.append(f"{said} {'mm' if system == 'mm' else 'in'} from the drawing's {word} edge")
    return f"first join line {', '.join(out)}" if out else ""


def _page(cut: Tiled, tile: Tile, inner: str, page: Page, title: str, place: str, system: System) -> str:
    """One page in mm; the drawing, which is in px at 96 to the inch, is brought to mm and moved to its tile."""
    w, h = page.room
    k = 1 / PX_PER_MM
    top = MARGIN_MM + HEAD_MM
    clip = f"clip-{cut.template.id}-{tile.column}-{tile.row}"
    inner = inner.replace(f"{cut.sheet.paper.name}-", f"{clip}-")
    shift = f"translate({MARGIN_MM - tile.left:.4f} {top - tile.top:.4f}) scale({k:.9f})"
    font = 'font-family="Alegreya Sans, sans-serif" fill="#20242c"'
    words = f"{title} · {cut.template.name} · page {label(tile)} of {cut.columns} across, {cut.rows} down · full size"
    words += f" · {place}" if place else ""
    bar_y = page.height - MARGIN_MM - 6
    long, half = BAR_MM[system], BAR_MM[system] / 8
    bar = (
        f'<g id="bar-{clip}"><rect x="{MARGIN_MM}" y="{bar_y}" width="{long:g}" height="3" fill="#20242c"/>'
        + "".join(
            f'<rect x="{x:g}" y="{bar_y + 0.4}" width="{half:g}" height="2.2" fill="#fff"/>'
            for x in (MARGIN_MM + half * n for n in (1, 3, 5, 7))
        )
        + f'</g><text x="{MARGIN_MM + long + 3:g}" y="{bar_y + 3}" font-size="3.6" {font}>'
        f"{BAR_WORDS[system]}: measure it; print at 100 %, never fit to page</text>"
    )
    return (
        f'<div class="page"><svg xmlns="http://www.w3.org/2000/svg" style="display:block;width:{page.width}mm;'
        f'height:{page.height - 0.2}mm" viewBox="0 0 {page.width} {page.height - 0.2}">'
        f'<defs><clipPath id="{clip}"><rect x="{MARGIN_MM}" y="{top}" width="{w}" height="{h}"/></clipPath></defs>'
        f'<text x="{MARGIN_MM}" y="{MARGIN_MM + 5}" font-size="4" font-weight="700" {font}>{escape(words)}</text>'
        f'<g clip-path="url(#{clip})" font-family="Barlow Condensed, sans-serif">'
        f'<g transform="{shift}">{inner}</g></g>'
        f"{_joins(cut, tile, w, h, top)}{_middles(cut, tile, w, h, top)}{bar}</svg></div>"
    )


def _middles(cut: Tiled, tile: Tile, w: float, h: float, top: float) -> str:
    """The middle lines of what is drawn, where they cross this page: the board's own are laid on them."""
    x, y = on_page(tile, (0.0, 0.0), cut)
    line = 'stroke="#20242c" stroke-width="0.18" stroke-dasharray="8 1.5 1.5 1.5"'
    font = 'font-size="3.2" font-family="Alegreya Sans, sans-serif" fill="#20242c"'
    out = ""
    if MARGIN_MM < x < MARGIN_MM + w:
        out += f'<path d="M{x:.4f} {top}V{top + h}" {line}/><text x="{x + 1:.4f}" y="{top + 4}" {font}>middle</text>'
    if top < y < top + h:
        out += f'<path d="M{MARGIN_MM} {y:.4f}H{MARGIN_MM + w}" {line}/>'
        out += f'<text x="{MARGIN_MM + w - 12}" y="{y - 1:.4f}" {font}>middle</text>'
    return out


def _joins(cut: Tiled, tile: Tile, w: float, h: float, top: float) -> str:
    """Where the next page lies over this one: a line half of the overlap in, with its page's name and two crosses."""
    out, half = "", OVERLAP_MM / 2
    thin = 'stroke="#6b675c" stroke-width="0.2" stroke-dasharray="2 1.4"'
    mark = 'stroke="#9a3412" stroke-width="0.3" fill="none"'

    def cross(x: float, y: float) -> str:
        return f'<path d="M{x - 3} {y}H{x + 3}M{x} {y - 3}V{y + 3}" {mark}/>'

    sides = (
        (tile.column > 0, MARGIN_MM + half, "v"),
        (tile.column < cut.columns - 1, MARGIN_MM + w - half, "v"),
        (tile.row > 0, top + half, "h"),
        (tile.row < cut.rows - 1, top + h - half, "h"),
    )
    for there, at, runs in sides:
        if not there:
            continue
        if runs == "v":
            out += f'<path d="M{at} {top}V{top + h}" {thin}/>' + cross(at, top + h * 0.25) + cross(at, top + h * 0.75)
        else:
            across = MARGIN_MM + w * 0.25, MARGIN_MM + w * 0.75
            out += f'<path d="M{MARGIN_MM} {at}H{MARGIN_MM + w}" {thin}/>' + "".join(cross(x, at) for x in across)
    return out
