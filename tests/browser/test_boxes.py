"""Boxes and objects in the real interface: layouts, places by hand, tables, zones, colours, papers, cutter, stock."""

import io
import re

import pdfplumber
import pytest
from playwright.sync_api import FilePayload, Page, expect
from sqlalchemy import Engine
from sqlalchemy.orm import Session

from shadbo.demo.pictures import CORNERS, shirt_photo
from shadbo.files.photo import take_in
from shadbo.store.photos import Photos
from tests.browser.conftest import axe
from tests.browser.test_displays import JOBS
from tests.browser.test_job import open_job, saved, unfold, verdict

BADGES = JOBS["Four coxswains, badges and medals"]
SHIRT = JOBS["Shirt of the winning eight"]


@pytest.fixture
def photographed(demo: None, database: tuple[str, Engine]) -> None:
    """The demo jobs, and a photograph of the shirt."""
    with Session(database[1]) as s, s.begin():
        Photos(s, "netloft").add(SHIRT, take_in(shirt_photo()), "the shirt on the bench", "shirt")


def row(page: Page, name: str):
    return page.get_by_role("button", name=re.compile(rf"^{name} \d"))


def test_a_proposed_layout_is_taken_and_undone(page: Page, demo: None):
    open_job(page, BADGES, "sizes")
    before = row(page, "gale medal").inner_text()
    page.get_by_role("button", name="Propose layouts, smallest frame first").click()
    smallest = page.get_by_role("button", name=re.compile("^smallest"))
    expect(smallest).to_contain_text("the cheapest frame", timeout=20_000)
    assert axe(page) == []
    smallest.click()
    saved(page)
    expect(row(page, "gale medal")).not_to_have_text(before)
    page.get_by_role("button", name="undo").click()
    expect(row(page, "gale medal")).to_have_text(before, use_inner_text=True)


def test_arrow_keys_move_a_piece_by_marks_and_distances_can_be_typed(page: Page, demo: None):
    open_job(page, BADGES, "sizes")
    plate = row(page, "name plate")
    expect(plate).to_contain_text("187 mm from the left")
    plate.focus()
    expect(page.locator(".drawing .tape.lit").first).to_be_visible()
    page.keyboard.press("ArrowLeft")
    expect(plate).to_contain_text("186.5 mm from the left")
    page.keyboard.press("Shift+ArrowRight")
    expect(plate).to_contain_text("191.5 mm from the left")
    field = page.get_by_role("textbox", name="name plate: from the left")
    field.fill("180")
    page.keyboard.press("Enter")
    expect(plate).to_contain_text("180 mm from the left")
    page.get_by_role("button", name="Give name plate back to the rule").click()
    expect(plate).to_contain_text("by the rule")
    page.get_by_role("button", name="type them: the distances of cox 1951").click()
    expect(page.get_by_role("textbox", name="cox 1951: from the top")).to_have_value("40")
    saved(page)


def test_a_dragged_piece_rests_on_what_it_lines_up_with(page: Page, demo: None):
    open_job(page, BADGES, "sizes")
    plate = row(page, "name plate")
    before = plate.inner_text()
    box = page.locator("[data-moves='plate'] path").first.bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + 30, box["y"] + 10)
    page.mouse.down()
    page.mouse.move(box["x"] + 40, box["y"] + 30, steps=4)
    page.mouse.move(box["x"] + 2, box["y"] + 52, steps=4)
    page.mouse.up()
    expect(plate).to_contain_text("put there by hand")
    expect(page.get_by_text("middles in line")).to_be_visible()
    assert plate.inner_text() != before
    saved(page)


def test_pieces_that_overlap_are_told_and_one_click_mends_it(page: Page, demo: None):
    open_job(page, JOBS["Bosun's kit"], "sizes")
    expect(verdict(page)).to_contain_text("lies over")
    remedy = page.get_by_role("button", name=re.compile("back to the rule")).first
    expect(remedy).to_be_visible()
    page.wait_for_load_state("networkidle")  # a plan that is still on its way would take its remedies along
    remedy.click()
    expect(verdict(page)).not_to_contain_text("netting needle lies over fid")
    saved(page)


def csv(text: str) -> FilePayload:
    return {"name": "pieces.csv", "mimeType": "text/csv", "buffer": text.encode()}


def test_pieces_from_a_table_are_shown_with_what_is_wrong_before_they_come_in(page: Page, demo: None):
    open_job(page, BADGES, "measure")
    field = page.get_by_label("Pieces from a table (CSV)")
    field.set_input_files(csv("kind,name,width,height,relief\nbadge,cox 2019,forty,40,4\nteapot,x,1,1,\n"))
    wrong = page.get_by_role("alert").filter(has_text="Line 2")
    expect(wrong).to_contain_text("Line 2, width: found “forty”")
    expect(wrong).to_contain_text("Line 3, kind: found “teapot”")
    expect(page.get_by_role("button", name=re.compile("^Take in"))).to_have_count(0)
    assert axe(page) == []
    field.set_input_files(csv("kind,name,width,height,relief\nbadge,cox 2019,1 1/2 in,38,4\n"))
    page.get_by_role("button", name="Take in 1 piece").click()
    saved(page)
    expect(page.get_by_role("navigation")).to_contain_text("8 pieces")


def test_a_zone_is_traced_on_a_photograph_by_taps_and_by_keys(page: Page, photographed: None):
    open_job(page, SHIRT, "receive")
    unfold(page, "Maker, condition, marks")
    trace = page.get_by_role("region", name="Trace a zone on a photograph")
    trace.get_by_role("button").first.click()
    sheet = page.get_by_role("button", name=re.compile("^Photograph: arrow keys"))
    expect(trace).to_contain_text("the top left corner of the piece")
    expect(sheet.locator("img")).to_have_js_property("complete", True)  # before that it has no size yet
    box = sheet.bounding_box()
    assert box is not None
    for x, y in (*CORNERS, (0.4, 0.46), (0.58, 0.46)):
        page.mouse.click(box["x"] + x * box["width"], box["y"] + y * box["height"])
    expect(trace).to_contain_text("2 points so far")
    assert axe(page) == []
    sheet.focus()
    for _ in range(6):
        page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    expect(trace).to_contain_text("3 points so far")
    trace.get_by_role("button", name="That is the zone").click()
    saved(page)
    expect(page.get_by_role("textbox", name=re.compile("Nothing may go where")).nth(1)).to_have_value("autograph")
    page.get_by_role("button", name="Front", exact=True).click()
    expect(page.locator(".drawing").first).to_contain_text("autograph")


def test_the_front_view_shows_the_photograph_once_its_corners_are_picked(page: Page, photographed: None):
    open_job(page, SHIRT, "receive")
    unfold(page, "In the drawing")
    row = page.get_by_role("region", name="club shirt in the drawing")
    row.get_by_role("button", name="the shirt on the bench").click()
    sheet = page.get_by_role("button", name=re.compile("^Photograph: arrow keys"))
    expect(sheet.locator("img")).to_have_js_property("complete", True)
    box = sheet.bounding_box()
    assert box is not None
    for n, (x, y) in enumerate(CORNERS):
        expect(row.get_by_role("status")).to_contain_text("top left" if n == 0 else "corner of the piece")
        page.mouse.click(box["x"] + x * box["width"], box["y"] + y * box["height"])
    saved(page)
    image = page.locator(".drawing image").first
    expect(image).to_have_attribute("href", re.compile("/squared"))
    assert axe(page) == []
    row.get_by_role("button", name="Draw it instead").click()
    expect(page.locator(".drawing image")).to_have_count(0)


def test_mats_are_chosen_by_the_colours_of_the_photograph(page: Page, photographed: None):
    open_job(page, SHIRT, "display")
    colours = page.get_by_role("region", name="Colours by the photograph")
    colours.get_by_role("button").first.click()
    expect(colours).to_contain_text("dominant colour")
    assert axe(page) == []
    colours.get_by_role("button", name=re.compile("night watch blue, large as inner mat")).first.click()
    saved(page)
    page.get_by_role("button", name=re.compile("^Photograph: arrow keys")).click(position={"x": 250, "y": 215})
    expect(colours).to_contain_text("the colour picked")
    colours.get_by_role("button", name="Back to the drawing").click()
    page.get_by_role("button", name="Edge section", exact=True).click()
    drawn = page.get_by_role("region", name="Board").locator(".drawing").first
    expect(drawn).to_contain_text("mat, night watch blue, large 1.4")


def test_papers_are_saved_in_either_page_size(page: Page, demo: None):
    open_job(page, SHIRT, "sizes")
    page.get_by_role("button", name="Paper & files").click()
    board = page.get_by_role("region", name="Paper and files")
    expect(board).to_contain_text("Mat cutting sheet")
    assert axe(page) == []
    with page.expect_download() as download:
        board.get_by_role("link", name="Letter: Mat cutting sheet").click()
    found = pdfplumber.open(io.BytesIO(download.value.path().read_bytes())).pages
    assert float(found[0].width) == pytest.approx(612)
    assert "FROM THE BACK" in found[0].extract_text()
    with page.expect_download() as download:
        board.get_by_role("link", name="save: Cutting file, DXF").click()
    assert download.value.suggested_filename == f"job-{SHIRT}-cut.dxf"
    page.get_by_role("button", name="Mat, from behind").click()
    expect(page.locator(".drawing").first).to_contain_text("from the BACK")
    page.get_by_role("button", name="Marks", exact=True).click()
    expect(page.locator(".drawing").first).to_contain_text("the mount board")
    assert axe(page) == []


def test_a_mat_is_sent_to_the_cutter_and_watched(page: Page, demo: None):
    open_job(page, SHIRT, "parts")
    cutter = page.get_by_role("region", name="Mat cutter")
    expect(cutter).to_contain_text("stand-in")
    cutter.get_by_role("button", name="Cut the inner mat").click()
    expect(cutter.get_by_role("progressbar")).to_be_visible()
    expect(cutter).to_contain_text(re.compile(r"Done: \d\.\d\d m of cut"))
    assert axe(page) == []


def test_the_stock_is_seen_and_a_table_adds_to_it(page: Page, demo: None):
    page.goto("/")
    page.get_by_role("link", name="Stock").click()
    expect(page.get_by_role("region", name="Mouldings", exact=True)).to_contain_text("Beacon 45 ash")
    assert axe(page) == []
    head = "type,id,name,face_mm,height_mm,rabbet_mm,lip_mm,price_per_m\n"
    field = page.get_by_label("Take stock in from a table (CSV)")
    field.set_input_files(csv(head + "moulding,quoin-50,Quoin 50,50,70,60,49,12\n"))
    expect(page.get_by_role("alert").filter(has_text="Line 2")).to_contain_text("at most 47 mm")
    field.set_input_files(csv(head + "moulding,quoin-50,Quoin 50,50,70,60,9,12\n"))
    page.get_by_role("button", name="Take in 1 line").click()
    mouldings = page.get_by_role("region", name="Mouldings", exact=True)
    expect(mouldings).to_contain_text("Quoin 50")
    changes = page.get_by_role("region", name="Changes of stock and habits")
    expect(changes).to_contain_text("Quoin 50: new")
    assert axe(page) == []
    changes.get_by_role("button", name="Take it back").click()
    expect(mouldings).not_to_contain_text("Quoin 50")
    expect(changes).to_contain_text("taken back")


def test_a_table_in_other_letters_is_asked_about_and_not_spoilt(page: Page, demo: None):
    page.goto("/stock")
    table = (
        "type,id,name,face_mm,height_mm,rabbet_mm,lip_mm,price_per_m\nmoulding,baltic-28,Ø-Täfel 28,28,30,20,6,9\n"
    )
    field = page.get_by_label("Take stock in from a table (CSV)")
    field.set_input_files({"name": "stock.csv", "mimeType": "text/csv", "buffer": table.encode("cp1252")})
    asked = page.get_by_role("group", name="Which of these is spelt right?")
    expect(asked).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^Take in"))).to_have_count(0)
    assert axe(page) == []
    asked.get_by_role("button", name=re.compile("Ø-Täfel 28")).first.click()
    page.get_by_role("button", name="Take in 1 line").click()
    expect(page.get_by_role("region", name="Mouldings", exact=True)).to_contain_text("Ø-Täfel 28")
    field.set_input_files({"name": "stock.csv", "mimeType": "text/csv", "buffer": table.encode("utf-16")})
    expect(page.get_by_role("button", name="Take in 1 line")).to_be_visible()


def test_artwork_is_cut_out_of_the_lit_board_and_a_file_that_is_none_is_refused(page: Page, demo: None):
    open_job(page, JOBS["Pilot cutter, lit"], "sizes")
    field = page.get_by_label("Artwork to cut out (SVG)")
    field.set_input_files({"name": "notes.svg", "mimeType": "image/svg+xml", "buffer": b"words"})
    expect(page.get_by_role("alert").filter(has_text="notes.svg")).to_contain_text("no SVG drawing")
    svg = b'<svg xmlns="http://www.w3.org/2000/svg"><circle cx="9" cy="9" r="9"/><circle cx="9" cy="9" r="4"/></svg>'
    field.set_input_files({"name": "buoy.svg", "mimeType": "image/svg+xml", "buffer": svg})
    expect(verdict(page)).to_contain_text("1 piece would fall out of the artwork")
    page.get_by_role("button", name=re.compile("^A translucent sheet behind")).click()
    expect(verdict(page)).not_to_contain_text("would fall out")
    saved(page)
