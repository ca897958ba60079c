"""The new stations on every screen, by keyboard, and without a connection."""

import re

import pytest
from playwright.sync_api import Page, Route, expect

from shadbo.demo.jobs import demo_jobs
from tests.browser.conftest import axe
from tests.browser.test_job import open_job, saved, verdict

JOBS = {job.title: n for n, job in enumerate(demo_jobs(), 101)}
SCREENS = [(320, 640), (800, 1180), (1280, 660), (1920, 1080)]


@pytest.mark.parametrize(("width", "height"), SCREENS)
@pytest.mark.parametrize("station", ["receive", "display"])
def test_nothing_runs_off_the_side(page: Page, demo: None, width: int, height: int, station: str):
    page.set_viewport_size({"width": width, "height": height})
    open_job(page, JOBS["Oyster beds, pastel"], station)
    if station == "display":
        expect(page.locator(".compare svg").first).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth") <= width


def test_displays_are_picked_by_keyboard(page: Page, demo: None):
    open_job(page, JOBS["Net loft stairs"], "display")
    expect(page.locator(".compare").first).to_be_visible()
    floater = page.get_by_role("button", name=re.compile("^Floater from plain stock"))
    expect(floater).to_have_attribute("aria-pressed", "true")
    page.locator(".compare").first.focus()
    page.keyboard.press("Enter")
    saved(page)
    expect(page.locator(".compare").first).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("Control+z")
    expect(floater).to_have_attribute("aria-pressed", "true")


def test_each_line_of_a_comparison_is_planned_with_what_is_typed(page: Page, demo: None):
    open_job(page, JOBS["Sea lavender, pressed"], "display")
    window = page.get_by_role("button", name=re.compile("^Window mat"))
    expect(window).to_contain_text("359 × 457")
    page.get_by_role("navigation").get_by_role("button").nth(1).click()
    field = page.get_by_role("textbox", name=re.compile("^Width along the top"))
    field.fill("234")
    page.keyboard.press("Enter")
    saved(page)
    page.get_by_role("navigation").get_by_role("button").nth(2).click()
    expect(window).to_contain_text("379 × 457")


def test_in_inches_all_of_it_is_in_inches(page: Page, demo: None):
    open_job(page, JOBS["Oyster beds, pastel"], "display")
    page.get_by_role("button", name="in", exact=True).click()
    line = page.get_by_role("button", name=re.compile("^Window mat"))
    expect(line).to_contain_text("23 7/32 × 18 3/4")
    expect(line).to_contain_text("lb")


def test_a_photograph_that_cannot_be_sent_says_so(page: Page, demo: None):
    from tests.files.test_photo import picture

    open_job(page, JOBS["Kelp gatherers"], "receive")
    page.route("**/photos?*", lambda route: route.abort())
    page.get_by_label("Photographs").set_input_files(
        {"name": "back.jpg", "mimeType": "image/jpeg", "buffer": picture()}
    )
    expect(page.get_by_role("alert").filter(has_text="was not sent")).to_be_visible()
    page.unroute_all(behavior="wait")
    page.get_by_label("Photographs").set_input_files(
        {"name": "back.jpg", "mimeType": "image/jpeg", "buffer": picture()}
    )
    expect(page.get_by_role("img", name="back.jpg")).to_be_visible()


def test_what_was_typed_over_meanwhile_does_not_block_its_field(page: Page, demo: None):
    """A refusal of half a fraction arrives after the whole fraction stands there."""
    open_job(page, JOBS["Sea lavender, pressed"], "measure")
    held: list[Route] = []

    def slow(route):
        if '"21 1/"' in (route.request.post_data or "") and not held:
            held.append(route)  # kept back until more is typed
        else:
            route.continue_()

    page.route("**/plan", slow)
    field = page.get_by_role("textbox", name=re.compile("^Width along the top"))
    field.click()
    field.fill("21 1/")
    page.wait_for_timeout(400)
    field.press("End")
    page.keyboard.type("2 in")
    assert held, "the half fraction was asked about"
    held[0].continue_()
    page.wait_for_timeout(300)
    page.keyboard.press("Enter")
    expect(field).to_have_attribute("aria-invalid", "false")
    saved(page)
    page.unroute_all(behavior="wait")
    expect(field).to_have_value("546.1")
    expect(verdict(page)).to_be_visible()


def test_what_is_wrong_in_a_field_moves_nothing_beside_it(page: Page, demo: None):
    open_job(page, JOBS["Kelp gatherers"], "parts")
    fields = page.locator(".questions-area input.entry")

    def lies() -> list[float]:
        boxes = (f.bounding_box() for f in fields.all())
        return [b["y"] - first["y"] for b in boxes if b and (first := fields.first.bounding_box())]

    fields.nth(1).focus()
    before = lies()
    fields.nth(1).fill("12 bananas")
    expect(page.get_by_text("“12 bananas” is not a length")).to_be_visible()
    assert lies() == before
    message, field = page.locator(".field-error").nth(1).bounding_box(), fields.nth(1).bounding_box()
    assert message
    assert field
    assert abs(message["y"] + message["height"] / 2 - field["y"] - field["height"] / 2) < 12, "beside its field"


def test_the_facts_change_what_holds_the_piece(page: Page, demo: None):
    open_job(page, JOBS["Dock crane, 1000 pieces"], "mount")
    expect(page.get_by_role("button", name=re.compile("^Held by"))).to_contain_text("The plan chooses")
    page.get_by_role("button", name=re.compile("^Held by")).click()
    option = page.get_by_role("option", name=re.compile("sprayed onto its board"))
    expect(option).to_contain_text("must come off again")
    option.click()
    expect(verdict(page)).to_contain_text("Not sprayed onto its board")
    assert axe(page) == []
    page.get_by_role("button", name=re.compile("^taped across the whole back")).click()
    expect(verdict(page)).not_to_contain_text("Not sprayed")
