"""The real interface, driven as a framer drives it."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import axe
from tests.server import Server

NUMBERS = {
    "Width along the top": "412",
    "Width along the bottom": "412",
    "Height at the left": "613",
    "Height at the right": "613",
    "Depth, bar and cloth": "1 1/2",
    "Bar width, seen from behind": "45",
}


def open_job(page: Page, number: int, station: str) -> None:
    page.goto(f"/jobs/{number}?at={station}")
    expect(page.get_by_role("region", name="Board")).to_be_visible()


def unfold(page: Page, label: str) -> None:
    """Open a line of rows that are seldom needed."""
    page.get_by_role("button", name=re.compile(f"^{label}"), expanded=False).click()


def verdict(page: Page):
    return page.get_by_role("region", name="Verdict")


def saved(page: Page) -> None:
    expect(page.get_by_role("banner").get_by_role("status")).to_contain_text(re.compile(r"^saved \d\d:\d\d$"))


def board_text(page: Page) -> str:
    return page.locator(".drawing").first.inner_text()


def test_from_an_empty_rack_to_the_cut_list_by_keyboard_alone(page: Page, empty: None):
    page.goto("/")
    expect(page.get_by_text("The rack is empty")).to_be_visible()
    for _ in range(16):
        page.keyboard.press("Tab")
        if page.evaluate("document.activeElement.textContent") == "New job":
            break
    page.keyboard.press("Enter")
    expect(page.get_by_label("What it is")).to_be_focused()
    page.keyboard.type("Slip rope and floats")
    page.keyboard.press("Enter")
    expect(page.get_by_label("Owner", exact=True)).to_be_focused()
    page.keyboard.type("Pia Rand")
    page.keyboard.press("Enter")
    page.keyboard.press("PageDown")
    for label, typed in NUMBERS.items():
        field = page.get_by_role("textbox", name=label, exact=True)
        expect(field).to_be_focused()
        page.keyboard.type(typed)
        page.keyboard.press("Enter")
    expect(verdict(page)).to_contain_text("It fits")
    for _ in range(4):
        page.keyboard.press("PageDown")
    expect(page.get_by_role("button", name="Parts", exact=True)).to_have_attribute("aria-pressed", "true")
    expect(page.locator(".drawing").first).to_contain_text("442")
    expect(page.locator(".drawing").first).to_contain_text("643")
    expect(page.locator(".drawing").first).to_contain_text("long point to long point")
    expect(page.get_by_role("heading", level=1)).to_contain_text("Slip rope and floats")
    saved(page)


def test_a_remedy_mends_the_job_with_one_click(page: Page, demo: None):
    open_job(page, 103, "depth")
    expect(verdict(page)).to_contain_text("stop")
    expect(verdict(page)).to_contain_text("The canvas stands 12 mm proud")
    page.get_by_role("button", name="Quay 54 oak").click()
    expect(verdict(page)).to_contain_text("It fits")
    expect(page.locator(".drawing").first).to_contain_text("Quay 54 oak")
    saved(page)
    page.get_by_role("button", name="undo").click()
    expect(verdict(page)).to_contain_text("12 mm proud")
    page.get_by_role("button", name="redo").click()
    expect(verdict(page)).to_contain_text("It fits")


def test_pinning_a_cut_carries_on_downstream_and_undoes(page: Page, demo: None):
    open_job(page, 102, "parts")
    rail = page.get_by_label("Rails, top and bottom: outside", exact=True)
    rail.fill("441")
    rail.press("Enter")
    expect(
        page.locator("p", has_text="442.5 planned").or_(page.locator("p", has_text="442 planned")).first
    ).to_be_visible()
    saved(page)
    page.get_by_role("button", name=re.compile("^4Sizes|Sizes")).first.click()
    expect(page.get_by_role("button", name=re.compile("Inside, width"))).to_contain_text("423 mm")
    page.keyboard.press("Control+z")
    expect(page.get_by_role("button", name=re.compile("Inside, width"))).to_contain_text("424 mm")


def test_a_number_opens_its_working_and_takes_what_was_really_measured(page: Page, demo: None):
    open_job(page, 102, "depth")
    page.locator('.drawing [data-key="pad.made"]').last.click()
    strip = page.get_by_role("region", name=re.compile("Working of pad"))
    expect(strip).to_contain_text("foam board 5, for")
    field = strip.get_by_role("textbox", name="Really measured")
    field.fill("4.6")
    field.press("Enter")
    expect(page.get_by_label("Pad, as stacked", exact=True)).to_have_value("4.6")
    page.locator('.drawing .layer[data-key="pad.made"]').click()
    expect(strip).to_contain_text("5 mm was planned")
    page.keyboard.press("Escape")
    expect(strip).to_be_hidden()


def test_the_working_leads_from_line_to_line(page: Page, demo: None):
    open_job(page, 102, "sizes")
    page.get_by_role("button", name=re.compile("Outside, width")).click()
    strip = page.get_by_role("region", name=re.compile("Working of"))
    strip.get_by_role("button", name=re.compile("wall of the profile")).click()
    expect(strip).to_contain_text("wall of the profile: 9 mm")
    expect(strip).to_contain_text("Quay 46")


def test_while_typing_the_drawing_follows_and_nothing_is_saved(page: Page, demo: None):
    open_job(page, 102, "sizes")
    gap = page.get_by_label("Gap, each side")
    gap.fill("12")
    page.get_by_role("button", name="Edge section").click()
    expect(page.get_by_role("button", name="Docket")).to_have_count(0)
    gap.fill("14")
    expect(page.locator(".drawing").first).to_contain_text(re.compile(r"gap 14"))


def test_a_reload_in_the_middle_of_typing_loses_nothing(page: Page, demo: None):
    open_job(page, 102, "sizes")
    gap = page.get_by_label("Gap, each side")
    gap.focus()
    page.keyboard.type("8.")
    page.keyboard.type("5")
    page.reload()
    expect(page.get_by_label("Gap, each side")).to_have_value("8.5")
    page.get_by_label("Gap, each side").focus()
    page.keyboard.press("Enter")
    saved(page)
    open_job(page, 102, "sizes")
    expect(page.get_by_label("Gap, each side")).to_have_value("8.5")


def test_a_lost_connection_keeps_what_is_typed_and_the_drawing(page: Page, demo: None, server: Server):
    open_job(page, 102, "sizes")
    expect(page.locator(".drawing").first).to_contain_text("inside 424")
    page.wait_for_load_state("networkidle")
    server.kill()
    gap = page.get_by_label("Gap, each side")
    gap.fill("9")
    gap.press("Enter")
    expect(page.get_by_role("status")).to_contain_text("no connection, 1 change kept here")
    expect(page.get_by_text(re.compile(r"drawn \d\d:\d\d"))).to_be_visible()
    assert "inside" in board_text(page)
    server.start()
    saved(page)
    expect(page.get_by_role("button", name=re.compile("Sizes")).first).to_contain_text("gap 9 mm")
    open_job(page, 102, "sizes")
    expect(page.get_by_label("Gap, each side")).to_have_value("9")


def test_bad_input_is_told_at_the_field_and_stays(page: Page, demo: None):
    open_job(page, 102, "measure")
    field = page.get_by_label("Width along the top", exact=True)
    field.fill("41x")
    expect(page.get_by_text("“41x” is not a length")).to_be_visible()
    expect(field).to_have_attribute("aria-invalid", "true")
    page.get_by_label("Height at the left", exact=True).focus()
    expect(field).to_have_value("41x")
    other = page.get_by_label("Height at the right", exact=True)
    other.fill("620")
    page.get_by_role("button", name="Front", exact=True).click()
    expect(page.locator(".drawing").first).to_contain_text("outside 650")
    page.get_by_role("button", name="Tape", exact=True).click()
    expect(field).to_have_attribute("aria-invalid", "true")
    other.press("Escape")
    field.press("Escape")
    expect(field).to_have_value("412")
    unfold(page, "When it matters")
    weight = page.get_by_label("Weight, on the scale")
    weight.fill("heavy")
    weight.press("Enter")
    expect(page.locator("p").get_by_text("is no number")).to_be_visible()
    expect(weight).to_have_value("heavy")


def test_two_at_one_job_disjoint_changes_both_stand(page: Page, demo: None, chromium, server: Server):
    open_job(page, 102, "sizes")
    other = chromium.new_context(base_url=server.url).new_page()
    open_job(other, 102, "receive")
    title = other.get_by_label("What it is")
    title.fill("Slipway, mended")
    title.press("Enter")
    saved(other)
    gap = page.get_by_label("Gap, each side")
    gap.fill("8")
    gap.press("Enter")
    saved(page)
    open_job(page, 102, "sizes")
    expect(page.get_by_role("heading", level=1)).to_contain_text("Slipway, mended")
    expect(page.get_by_label("Gap, each side")).to_have_value("8")
    other.context.close()


def test_two_at_one_field_see_both_values(page: Page, demo: None, chromium, server: Server):
    open_job(page, 102, "sizes")
    mine = page.get_by_label("Gap, each side")
    mine.fill("8")
    other = chromium.new_context(base_url=server.url).new_page()
    open_job(other, 102, "sizes")
    theirs = other.get_by_label("Gap, each side")
    theirs.fill("7")
    theirs.press("Enter")
    saved(other)
    mine.press("Enter")
    page.get_by_role("button", name="Gap, each side: changed by someone else").click()
    expect(page.get_by_text("Someone else put 7 here. You typed 8.")).to_be_visible()
    page.get_by_role("button", name="Keep mine").click()
    saved(page)
    open_job(page, 102, "sizes")
    expect(page.get_by_label("Gap, each side")).to_have_value("8")
    other.context.close()


def test_both_systems(page: Page, demo: None):
    open_job(page, 102, "depth")
    expect(page.locator(".drawing").first).to_contain_text("pad 5")
    page.get_by_role("button", name="in", exact=True).click()
    expect(page.locator(".drawing").first).to_contain_text("pad 3/16")
    expect(page.get_by_label("Canvas depth, bar and cloth", exact=True)).to_have_value("1 1/2")
    depth = page.get_by_label("Canvas depth, bar and cloth", exact=True)
    depth.focus()
    depth.press("ArrowDown")
    expect(depth).not_to_have_value("1 1/2")
    depth.press("Escape")
    page.get_by_role("button", name="mm", exact=True).click()
    expect(depth).to_have_value("38")


def test_focusing_a_reading_shows_where_the_tape_goes(page: Page, demo: None):
    open_job(page, 102, "measure")
    tape = page.locator('.drawing .tape[data-key="canvas.height_left"]')
    expect(tape).to_have_css("visibility", "hidden")
    page.get_by_label("Height at the left", exact=True).focus()
    expect(tape).to_have_css("visibility", "visible")


def test_all_findings_are_one_list_and_each_is_reached_from_it(page: Page, demo: None):
    open_job(page, 103, "depth")
    verdict = page.get_by_role("region", name="Verdict")
    expect(verdict).to_contain_text("The canvas stands 12 mm proud")
    page.get_by_role("button", name="The finding before").click()
    expect(verdict).to_contain_text("The hanger's screws")
    verdict.get_by_role("button", name="2 of 2").click()
    listed = page.get_by_role("listitem").filter(has_text="The canvas stands")
    expect(listed.get_by_role("button", name=re.compile("^Mole 68"))).to_be_visible()
    assert axe(page) == []
    listed.get_by_role("button", name="The canvas stands").click()
    expect(verdict).to_contain_text("1 of 2")
    verdict.get_by_role("button", name="1 of 2").click()
    page.get_by_role("listitem").filter(has_text="The hanger").get_by_role("button", name="Close & hang").click()
    expect(page).to_have_url(re.compile("at=hang"))


def test_history_goes_back(page: Page, demo: None):
    open_job(page, 102, "sizes")
    gap = page.get_by_label("Gap, each side")
    gap.fill("8")
    gap.press("Enter")
    saved(page)
    page.get_by_role("button", name="history").click()
    page.get_by_role("button", name="Go back here").last.click()
    expect(page.get_by_role("button", name=re.compile("Sizes")).first).to_contain_text("gap 6 mm")


def test_a_moulding_is_picked_from_the_rack(page: Page, demo: None):
    open_job(page, 102, "display")
    page.get_by_role("button", name=re.compile("Moulding")).click()
    expect(page.get_by_role("option", name=re.compile("Skiff 24"))).to_contain_text("too shallow")
    page.get_by_role("option", name=re.compile("Mole 68")).click()
    expect(page.get_by_role("button", name=re.compile("Display")).first).to_contain_text("Mole 68")
    saved(page)


def test_finding_a_job_and_taking_in_a_file(page: Page, demo: None, tmp_path):
    page.goto("/")
    expect(page.get_by_role("listitem")).to_have_count(23)
    page.get_by_label("Find by any word or number").fill("squall")
    expect(page.get_by_role("listitem")).to_have_count(1)
    page.get_by_label("Find by any word or number").fill("nothing like it")
    expect(page.get_by_text("Nothing here answers")).to_be_visible()
    bad = tmp_path / "bad.json"
    bad.write_text('{"format": "other"}')
    page.get_by_label("Open a job file").set_input_files(bad)
    expect(page.get_by_role("alert")).to_contain_text("format")
    good = tmp_path / "good.json"
    good.write_text('{"format": "shadbo-job", "version": 1, "title": "From a file"}')
    page.get_by_label("Open a job file").set_input_files(good)
    expect(page.get_by_role("heading", level=1)).to_contain_text("From a file")


def test_the_job_page_is_accessible(page: Page, demo: None):
    open_job(page, 101, "receive")
    stations = page.get_by_role("navigation").get_by_role("button")
    for n in range(8):
        stations.nth(n).click()
        expect(page.locator(".questions-area [data-field], .questions-area .min-h-12").first).to_be_visible()
        assert axe(page) == [], n
    open_job(page, 101, "history")
    page.wait_for_load_state("networkidle")
    assert axe(page) == []


def test_the_working_and_a_stop_are_accessible(page: Page, demo: None):
    open_job(page, 103, "depth")
    page.get_by_role("button", name=re.compile("Pad wanted")).click()
    expect(page.get_by_role("region", name=re.compile("Working of"))).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("Accept proud"))).to_be_visible()
    assert axe(page) == []


def test_the_list_is_accessible(page: Page, demo: None):
    page.goto("/")
    expect(page.get_by_role("listitem")).to_have_count(23)
    assert axe(page) == []


@pytest.mark.parametrize(("width", "height"), [(320, 640), (800, 1180), (1280, 660), (1280, 800), (1920, 1080)])
def test_it_fits_the_screen(page: Page, demo: None, width: int, height: int):
    page.set_viewport_size({"width": width, "height": height})
    open_job(page, 103, "depth")
    assert page.evaluate("document.documentElement.scrollWidth") <= width
    if width >= 1280:
        assert page.evaluate("document.documentElement.scrollHeight") <= height
        boxes = [page.locator(".drawing svg").nth(i).bounding_box() for i in (0, 1)]
        assert boxes[0]["x"] == pytest.approx(boxes[1]["x"], abs=1.5), "ladder and section share their axis"
        assert boxes[0]["width"] == pytest.approx(boxes[1]["width"], abs=1.5)


def test_targets_are_large_enough_for_hands_that_hold_a_tape(page: Page, demo: None):
    open_job(page, 103, "depth")
    expect(page.get_by_role("button", name=re.compile("Accept proud"))).to_be_visible()
    for button in verdict(page).get_by_role("button", name=re.compile("Accept|Mole|Quay")).all():
        assert button.bounding_box()["height"] >= 48
    for radio in page.get_by_role("radio").all():
        assert radio.bounding_box()["height"] >= 44


def test_an_unknown_job_and_address_say_so(page: Page, demo: None):
    page.goto("/jobs/9999")
    expect(page.get_by_text("There is no such job.")).to_be_visible()
    page.goto("/shelves")
    expect(page.get_by_text("There is nothing at this address.")).to_be_visible()


def test_nothing_is_fetched_from_elsewhere(page: Page, demo: None, server: Server):
    asked: list[str] = []
    page.on("request", lambda r: asked.append(r.url))
    open_job(page, 102, "depth")
    page.wait_for_load_state("networkidle")
    assert asked
    assert [u for u in asked if not u.startswith((server.url, "data:"))] == []
