"""Boxes on every screen, in inches, and where the connection or the cutter fails."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.test_boxes import BADGES, SHIRT, csv, row
from tests.browser.test_displays import JOBS
from tests.browser.test_job import open_job, saved
from tests.browser.test_small_screens import SCREENS


@pytest.mark.parametrize(("width", "height"), SCREENS)
def test_nothing_runs_off_the_side(page: Page, demo: None, width: int, height: int):
    page.set_viewport_size({"width": width, "height": height})
    open_job(page, BADGES, "sizes")
    assert page.evaluate("document.documentElement.scrollWidth") <= width
    page.get_by_role("button", name="Paper & files").click()
    expect(page.get_by_role("region", name="Paper and files")).to_contain_text("Work sheet")
    assert page.evaluate("document.documentElement.scrollWidth") <= width
    page.goto("/stock")
    expect(page.get_by_role("region", name="Dowels")).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth") <= width


def test_in_inches_places_marks_and_stock_are_in_inches(page: Page, demo: None):
    open_job(page, BADGES, "sizes")
    page.get_by_role("button", name="in", exact=True).click()
    expect(row(page, "name plate")).to_contain_text(" in from the left")
    page.goto("/stock")
    expect(page.get_by_role("region", name="Dowels")).to_contain_text(re.compile(r"\d in"))


def test_a_cutter_that_went_away_is_told_at_its_row(page: Page, demo: None):
    open_job(page, SHIRT, "parts")
    cutter = page.get_by_role("region", name="Mat cutter")
    expect(cutter).to_contain_text("stand-in")
    page.route("**/cut", lambda route: route.abort())
    cutter.get_by_role("button", name="Cut the outer mat").click()
    expect(cutter.get_by_role("alert")).to_contain_text("No connection just now")
    page.unroute_all(behavior="wait")
    cutter.get_by_role("button", name="Cut the outer mat").click()
    expect(cutter).to_contain_text(re.compile(r"Done: \d\.\d\d m of cut"))


def test_a_table_and_a_move_without_a_connection_lose_nothing(page: Page, demo: None):
    open_job(page, BADGES, "sizes")
    plate = row(page, "name plate")
    plate.focus()
    page.route("**/move", lambda route: route.abort())
    page.keyboard.press("ArrowLeft")
    expect(page.get_by_role("banner").get_by_role("alert")).to_contain_text("No connection just now")
    expect(plate).to_contain_text("187 mm from the left")
    page.unroute_all(behavior="wait")
    page.keyboard.press("ArrowLeft")
    expect(plate).to_contain_text("186.5 mm from the left")
    saved(page)
    open_job(page, BADGES, "measure")
    page.route("**/table?*", lambda route: route.abort())
    field = page.get_by_label("Pieces from a table (CSV)")
    field.set_input_files(csv("kind,width,height,relief\nbadge,40,40,4\n"))
    expect(page.get_by_text("No connection just now")).to_be_visible()
    page.unroute_all(behavior="wait")
    field.set_input_files(csv("kind,width,height,relief\nbadge,40,40,4\n"))
    expect(page.get_by_role("button", name="Take in 1 piece")).to_be_visible()


def test_a_tool_on_pegs_marks_its_rails_and_itself(page: Page, demo: None):
    open_job(page, JOBS["Shipwright's jack plane"], "mount")
    expect(page.get_by_role("button", name="Marks", exact=True)).to_have_attribute("aria-pressed", "true")
    expect(page.locator(".drawing").first).to_contain_text("rails and object")
