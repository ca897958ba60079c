"""Work sheet, templates and mat sheet as PDF: pages, words, and sizes measured on the page by another reader."""

import io
import math

import pdfplumber
import pytest

from shadbo.core.assess import assess
from shadbo.core.drawing.marks import Circle
from shadbo.core.drawing.templates import templates_of
from shadbo.core.drawing.tiles import A4, FOOT_MM, HEAD_MM, LETTER, MARGIN_MM, PAGES, on_page, on_tile, tiled
from shadbo.core.plan import Plan
from shadbo.demo.jobs import demo_jobs
from shadbo.files.mat_sheet import NoMat, mat_sheet
from shadbo.files.papers import papers_of
from shadbo.files.pdf_page import OnlyFonts
from shadbo.files.template_sheet import MOST_PAGES, NoTemplate, template_sheet
from shadbo.files.work_sheet import as_html, work_sheet
from tests.core.test_box_slips import BADGE, PHOTO, jersey, pegged
from tests.core.test_stretch import loose
from tests.flat import gathered, job, plan, value

PT_PER_MM = 72 / 25.4
TITLES = {j.title: j for j in demo_jobs()}


def demo(words: str) -> Plan:
    from shadbo.demo.shop import demo_shop

    return assess(next(j for t, j in TITLES.items() if words in t), demo_shop())


def pages(pdf: bytes) -> list:
    return pdfplumber.open(io.BytesIO(pdf)).pages


def mm(points: float) -> float:
    return points / PT_PER_MM


@pytest.mark.parametrize("page", ["a4", "letter"])
def test_the_check_bar_is_100_mm_on_every_page(page: str):
    size = PAGES[page]
    found = pages(template_sheet(demo("Four coxswains"), size, "mm"))
    assert len(found) >= 2
    for p in found:
        assert (mm(float(p.width)), mm(float(p.height))) == (
            pytest.approx(size.width, abs=0.1),
            pytest.approx(size.height, abs=0.1),
        )
        bars = [r for r in p.rects if abs(mm(r["width"]) - 100) < 0.5 and mm(r["height"]) < 4]
        assert bars, "a bar on every page"
        assert mm(bars[0]["width"]) == pytest.approx(100, abs=0.1)


def test_marks_lie_on_the_page_where_the_drawing_has_them():
    """Circles are drawn as curves: their middles on the page against the sheet's own numbers, to 0.1 mm."""
    p = plan(gathered("shadow box", {"detail": BADGE}, {"detail": BADGE}))
    template = next(t for t in templates_of(p, "mm") if t.id == "board")
    cut = tiled(template, A4)
    found = pages(template_sheet(p, A4, "mm", "board"))
    assert len(found) == len(cut.tiles)
    seen = 0
    for page, tile in zip(found, cut.tiles, strict=True):
        middles = [(mm((c["x0"] + c["x1"]) / 2), mm((c["top"] + c["bottom"]) / 2)) for c in page.curves]
        for mark in template.marks:
            x, y = on_page(tile, mark, cut)
            if 15 < x < A4.width - 15 and 30 < y < A4.height - 35:
                near = min(abs(mx - x) + abs(my - y) for mx, my in middles)
                assert near < 0.1, (mark, middles)
                seen += 1
    assert seen >= 2


def test_a_board_over_several_pages_keeps_its_size_through_the_joins():
    """Two marks that stand on different tiles: their distance from page to page is the distance in the drawing."""
    p = demo("Four coxswains")
    cut = tiled(next(t for t in templates_of(p, "mm") if t.id == "board"), A4)
    assert cut.columns * cut.rows >= 2
    first, last = cut.tiles[0], cut.tiles[-1]
    a, b = cut.template.marks[0], cut.template.marks[-1]
    xa, xb = on_page(first, a, cut)[0] + first.left, on_page(last, b, cut)[0] + last.left
    assert xb - xa == pytest.approx(b[0] - a[0])


def test_no_mark_falls_between_two_pages():
    for words in ("Four coxswains", "winning eight", "jack plane"):
        for template in templates_of(demo(words), "mm"):
            for page in (A4, LETTER):
                cut = tiled(template, page)
                w, h = page.room
                for mark in template.marks:
                    places = [on_page(t, mark, cut) for t in cut.tiles]
                    assert any(12 - 2 <= x <= 12 + w + 2 and 26 - 2 <= y <= 26 + h + 2 for x, y in places), (
                        template.id
                    )


def test_each_display_prints_the_templates_that_it_has_use_for():
    ids = {words: {t.id for t in templates_of(demo(words), "mm")} for words in ("winning eight", "jack plane")}
    assert ids["winning eight"] >= {"board", "form", "hooks"}
    assert "pegs" in ids["jack plane"]
    assert "slits" in {t.id for t in templates_of(plan(job("window mat", "paper")), "mm")}
    assert "staples" in {t.id for t in templates_of(plan(job("floater", "loose")), "mm")}
    assert "corners" in {t.id for t in templates_of(plan(job("two-pane float", "plant")), "mm")}
    with pytest.raises(NoTemplate):
        template_sheet(plan(job("window mat", {"kind": "paper"})), A4, "mm")


def test_pages_far_apart_tell_how_far_their_join_line_is():
    text = "\n".join(p.extract_text() for p in pages(template_sheet(demo("winning eight"), A4, "in", "hooks")))
    text = text.replace(" ", "")
    assert "firstjoinline" in text
    assert "fromthedrawing" in text


def test_the_mat_sheet_says_that_it_is_mirrored_and_lists_every_line():
    p = plan(jersey({"detail": PHOTO}))
    found = pages(mat_sheet(p, A4, "mm"))
    text = [page.extract_text() for page in found]
    assert len(found) == 2
    assert all("FROM THE BACK" in t and "left and right are changed" in t for t in text)
    opening = next(w for w in p.assembly.windows if w.id == "opening")
    left = value(p, "package.width") / 2 - max(x for x, _ in opening.ring)
    assert f"{left:g}" in text[0], "its left edge on the back is its right edge in front"
    rows = [line for line in text[0].splitlines() if line.split(" ")[0].isdigit()]
    assert len([r for r in rows if "level" in r or "upright" in r]) == 8
    with pytest.raises(NoMat):
        mat_sheet(plan(gathered("shadow box", {"detail": BADGE})), A4, "mm")


def test_the_work_sheet_tells_sizes_depth_mounts_parts_and_cautions():
    text = "\n".join(p.extract_text() for p in pages(work_sheet(demo("winning eight"), A4, "mm", 118)))
    for words in ("job 118", "Jersey box", "Sizes", "Depth", "Mount", "To cut and to fetch", "Take care",
                  "stainless pin", "No steam", "long point"):  # fmt: skip
        assert words.lower() in text.lower(), words
    assert len(pages(work_sheet(demo("Four coxswains"), A4, "mm"))) == 2
    inch = as_html(demo("winning eight"), "in")
    assert "Fit allowance" not in inch, "no question rows"
    assert "⁄" in inch or "/" in inch
    assert "Before anything is cut" in as_html(demo("Bosun's kit"), "mm")
    assert "Still to measure" in as_html(plan(job("sash", "banner")), "mm")


def test_only_what_a_plan_has_use_for_is_offered():
    names = {p.name for p in papers_of(plan(jersey()), "mm")}
    assert names >= {"work-sheet.pdf", "templates.pdf", "mats.pdf", "cut.dxf", "mat.svg", "mat_inner.svg"}
    pegs = {p.name for p in papers_of(plan(pegged()), "mm")}
    assert "mats.pdf" not in pegs
    assert "cut.dxf" in pegs
    assert {p.name for p in papers_of(plan(job("sash", "banner")), "mm")} == {"work-sheet.pdf", "ticket.pdf"}


def test_whatever_is_offered_can_be_made():
    made: set[str] = set()
    for the_plan in (plan(jersey({"detail": PHOTO})), plan(pegged())):
        for paper in papers_of(the_plan, "mm"):
            if paper.name in made and paper.name.endswith(".pdf"):
                continue
            made.add(paper.name)
            assert len(paper.make(the_plan, A4, "mm", 7)) > 100, paper.name


def test_the_page_fetches_nothing_but_its_own_fonts():
    with pytest.raises(ValueError, match="nothing is fetched"):
        OnlyFonts().fetch("http://127.0.0.1/style.css")
    with pytest.raises(ValueError, match="nothing is fetched"):
        OnlyFonts().fetch("file:///etc/passwd")


def test_a_page_carries_its_own_part_of_a_large_template():
    """Fifty pages each carried the whole drawing: a minute, and more memory than a small machine has."""
    large = plan(job("floater", loose(3000, 2000)))
    template = next(t for t in templates_of(large, "mm") if t.id == "staples")
    cut = tiled(template, A4)
    whole = sum(len(g.marks) for g in cut.sheet.groups)
    parts = [sum(len(g.marks) for g in on_tile(cut, t, A4).groups) for t in cut.tiles]
    assert sum(parts) < 4 * whole
    for mark in template.marks:
        pages = [t for t in cut.tiles if inside_page(on_page(t, mark, cut))]
        assert pages
        for t in pages:
            circles = [m.centre for g in on_tile(cut, t, A4).groups for m in g.marks if isinstance(m, Circle)]
            at = cut.sheet.fit.put(mark)
            assert min(math.dist(at, c) for c in circles) < 0.5, "the mark is on the page that it lies on"


def test_a_template_without_end_says_where_to_have_it_instead():
    large = plan(job("floater", loose(11_000, 9_000)))
    with pdfplumber.open(io.BytesIO(template_sheet(large, A4, "mm"))) as pdf:
        assert len(pdf.pages) <= MOST_PAGES + 1
        assert any("in one piece" in (p.extract_text() or "") for p in pdf.pages)


def inside_page(at: tuple[float, float]) -> bool:
    return MARGIN_MM < at[0] < A4.width - MARGIN_MM and MARGIN_MM + HEAD_MM < at[1] < A4.height - MARGIN_MM - FOOT_MM
