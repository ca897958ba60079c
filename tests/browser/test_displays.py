"""Every display in the real interface: from receive to hang, compared, with photographs, and accessible."""

import re
from functools import cache

import pytest
from playwright.sync_api import Page, expect

from shadbo.core.assess import assess
from shadbo.core.stations import stations
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.browser.conftest import axe
from tests.browser.test_job import board_text, open_job, saved, unfold, verdict
from tests.files.test_photo import located

JOBS = {job.title: n for n, job in enumerate(demo_jobs(), 101)}
SHOWN = {
    "Kelp gatherers": ("Rabbeted frame", "offset clip"),
    "Net loft stairs": ("Floater from plain stock", "screw"),
    "Oyster beds, pastel": ("Window mat", "float glass"),
    "Dock crane, 1000 pieces": ("Puzzle frame", "acrylic"),
    "Tug and barge, puzzle": ("Ready-made box, adapted", "puzzle"),
    "Sea lavender, pressed": ("Two-pane float", "front pane"),
    "Compass rose, quilted": ("Needlework frame", "spacer"),
    "Allotment in June, puzzle": ("Backed, no frame", "mdf"),
    "Tide table poster": ("Poster rails", "sheet"),
    "Breakwater, low sun": ("Floater", "screw"),
    "Shirt of the winning eight": ("Jersey box", "mat, night watch blue"),
    "Four coxswains, badges and medals": ("Shadow box", "walls lined"),
    "Banner of the quilting circle": ("Old window sash", "cloth turned behind"),
    "Shipwright's jack plane": ("Open frame with pegs", "beech dowel 12"),
    "Pilot cutter, lit": ("Layered light box", "middle board"),
}


@cache
def looked_at() -> dict[str, set[int]]:
    """By job, the stations whose page the accessibility engine reads.

    As few as show between them every job, station and view, and every sort of row in each state that it has there:
    a page that shows nothing new cannot fail by itself.
    """
    shows: dict[tuple[str, int], set[object]] = {}
    for job in demo_jobs():
        if job.title in SHOWN:
            for n, station in enumerate(stations(assess(job, demo_shop()))):
                rows = {
                    (q.kind, q.decided, q.needed, bool(q.note), bool(q.choices), bool(q.spot), bool(q.fold))
                    for q in station.questions
                }
                shows[job.title, n] = {job.title, station.name, station.view, *rows}
    left: set[object] = set().union(*shows.values())
    out: dict[str, set[int]] = {}
    while left:
        best = max(shows, key=lambda at: (len(shows[at] & left), at))
        out.setdefault(best[0], set()).add(best[1])
        left -= shows[best]
    return out


@pytest.mark.parametrize("title", SHOWN)
def test_each_display_is_walked_from_receive_to_hang(page: Page, demo: None, title: str):
    name, on_the_edge = SHOWN[title]
    open_job(page, JOBS[title], "receive")
    stations = page.get_by_role("navigation").get_by_role("button")
    expect(stations).to_have_count(8)
    expect(stations.nth(2)).to_contain_text(name)
    for n in range(8):
        stations.nth(n).click()
        expect(page.locator(".questions-area h2")).to_be_visible()
        expect(page.locator(".questions-area [data-field], .questions-area .min-h-12, .spot").first).to_be_visible()
        expect(page.locator(".drawing svg").first).to_be_visible()
        if n in looked_at()[title]:
            assert axe(page) == [], n
    page.get_by_role("button", name="Edge section", exact=True).click()
    expect(page.locator(".drawing").first).to_contain_text(on_the_edge)


def test_what_is_taken_apart_is_turned_by_taps_keys_and_drags(page: Page, demo: None):
    open_job(page, JOBS["Shirt of the winning eight"], "depth")
    page.get_by_role("button", name="Taken apart").click()
    drawing = page.locator(".drawing").first
    expect(drawing).to_contain_text("from the right and above")
    expect(drawing).to_contain_text("acrylic 3")
    assert axe(page) == []
    page.get_by_role("button", name="turn ▸").click()
    expect(drawing).to_contain_text("from the left and above")
    page.keyboard.press("ArrowRight")
    expect(drawing).to_contain_text("from the left and below")
    box = drawing.bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + 300, box["y"] + 200)
    page.mouse.down()
    page.mouse.move(box["x"] + 220, box["y"] + 200, steps=4)
    page.mouse.up()
    expect(drawing).to_contain_text("from the left and above")
    page.get_by_role("button", name="Edge section", exact=True).click()
    expect(page.get_by_role("button", name="turn ▸")).to_have_count(0)


def test_picking_another_display_keeps_what_this_one_had(page: Page, demo: None):
    open_job(page, JOBS["Oyster beds, pastel"], "display")
    expect(page.locator(".compare")).to_have_count(6)
    panes = page.get_by_role("button", name=re.compile("^Two-pane float"))
    expect(panes).to_contain_text("open the panes")
    panes.click()
    saved(page)
    expect(page.get_by_role("navigation").get_by_role("button").nth(2)).to_contain_text("Two-pane float")
    page.get_by_role("button", name=re.compile("^Window mat")).click()
    saved(page)
    page.get_by_role("navigation").get_by_role("button").nth(3).click()
    expect(page.get_by_label(re.compile("Reveal of the inner mat"))).to_be_visible()


def test_a_remedy_takes_the_package_into_its_rabbet(page: Page, demo: None):
    open_job(page, JOBS["Lifeboat medal certificate"], "depth")
    expect(verdict(page)).to_contain_text("deeper than the rabbet")
    page.get_by_role("button", name=re.compile("^Mount board: foam board 3")).click()
    expect(verdict(page)).to_contain_text("It fits")


def test_a_bowed_frame_gets_its_strainer_back(page: Page, demo: None):
    open_job(page, JOBS["Regatta bill, 61st year"], "sizes")
    expect(verdict(page)).to_contain_text("falls through")
    page.get_by_role("button", name=re.compile("Screw in a strainer back")).click()
    expect(verdict(page)).not_to_contain_text("falls through")
    saved(page)


def test_the_staples_are_numbered_where_the_canvas_is_stretched(page: Page, demo: None):
    open_job(page, JOBS["Breakwater, low sun"], "measure")
    page.get_by_role("button", name="Stretch", exact=True).click()
    expect(page.locator(".drawing").first).to_contain_text("cloth 1306")
    assert {"1", "2", "3", "4"} <= set(board_text(page).split("\n"))
    open_job(page, JOBS["Kelp gatherers"], "measure")
    expect(page.get_by_role("button", name="Stretch", exact=True)).to_have_count(0)


def test_photographs_come_in_small_and_go_again(page: Page, demo: None):
    open_job(page, JOBS["Kelp gatherers"], "receive")
    field = page.get_by_label("Photographs")
    field.set_input_files({"name": "front.jpg", "mimeType": "image/jpeg", "buffer": located()})
    small = page.get_by_role("img", name="front.jpg")
    expect(small).to_be_visible()
    assert small.evaluate("async img => { await img.decode(); return img.naturalWidth }") > 0
    field.set_input_files({"name": "notes.txt", "mimeType": "text/plain", "buffer": b"words"})
    expect(page.get_by_role("alert").filter(has_text="JPEG, PNG or WebP")).to_be_visible()
    assert axe(page) == []
    page.get_by_role("button", name="take away front.jpg").click()
    expect(small).to_have_count(0)
    page.keyboard.press("Control+z")
    expect(small).to_be_visible()
    expect(page.get_by_label("What it is")).to_have_value("Kelp gatherers")
    page.get_by_role("button", name="take away front.jpg").click()
    expect(small).to_have_count(0)


def test_another_kind_of_piece_keeps_the_readings_that_both_have(page: Page, demo: None):
    open_job(page, JOBS["Dock crane, 1000 pieces"], "receive")
    page.get_by_role("button", name=re.compile("Kind of piece")).click()
    page.get_by_role("option", name="paper, print or poster").click()
    saved(page)
    page.get_by_role("navigation").get_by_role("button").nth(1).click()
    expect(page.get_by_role("textbox", name=re.compile("^Width along the top"))).to_have_value("684")


def test_a_reading_that_cannot_be_says_what_could(page: Page, demo: None):
    open_job(page, JOBS["Sea lavender, pressed"], "measure")
    unfold(page, "When it matters")
    for label, typed in (("Diagonal, top left", "900"), ("Diagonal, bottom left", "370")):
        page.get_by_role("textbox", name=re.compile(f"^{label}")).fill(typed)
        page.keyboard.press("Enter")
    expect(verdict(page)).to_contain_text("No four such sides allow a diagonal of 900 mm")
    expect(page.get_by_role("textbox", name=re.compile("^Diagonal, top left"))).to_have_value("900")
