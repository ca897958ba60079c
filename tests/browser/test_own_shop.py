"""Settings and stock in the browser: tried, set, taken back, laid in; in both systems, by two at once."""

import io
import json
import re
from collections.abc import Iterator
from pathlib import Path

import openpyxl
import PIL.Image
import PIL.ImageDraw
import pytest
from playwright.sync_api import Page, expect
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.demo.shop import demo_shop
from tests.browser.conftest import axe, slow_line


@pytest.fixture(autouse=True)
def afterwards(database: tuple[str, Engine]) -> Iterator[None]:
    """The shop as it was, for whoever comes next."""
    yield
    with Session(database[1]) as s, s.begin():
        shop = json.dumps(demo_shop().model_dump(mode="json"))
        s.execute(text("update workshops set shop = cast(:shop as jsonb)"), {"shop": shop})
        s.execute(text("delete from shop_revisions"))


def settings(page: Page, group: str, label: str) -> None:
    page.goto("/settings")
    page.get_by_role("button", name=re.compile(f"^{group}")).click()
    page.get_by_role("button", name=re.compile(f"^{label}")).click()


def test_a_habit_shows_what_it_changes_while_it_is_typed_and_is_taken_back(page: Page, demo: None):
    page.goto("/")
    page.get_by_role("link", name="Settings").click()
    expect(page.get_by_role("heading", name="How this shop works")).to_be_visible()
    assert axe(page) == []
    page.get_by_role("button", name="Sizes, borders and gaps").click()
    page.get_by_role("button", name=re.compile("^Border of a mat")).click()
    field = page.get_by_role("textbox", name=re.compile("^Set it to"))
    expect(field).to_be_focused()
    shown = page.get_by_role("region", name="What it changes")
    expect(shown).to_contain_text("outside width 577 mm")
    expect(shown.locator(".lit")).not_to_have_count(0)
    page.keyboard.type("80")
    expect(shown).to_contain_text("outside width 607 mm")
    assert axe(page) == []
    page.keyboard.press("Enter")
    row = page.get_by_role("button", name=re.compile("^Border of a mat"))
    expect(row).to_contain_text("80 mm")
    expect(row).to_contain_text("usual 65 mm")
    expect(page.get_by_role("button", name=re.compile("^Sizes, borders"))).to_contain_text("1 of your own")
    page.get_by_role("button", name="The workshop").click()
    changes = page.get_by_role("region", name="Changes of stock and habits")
    expect(changes).to_contain_text("Border of a mat: 65 mm to 80 mm")
    changes.get_by_role("button", name="Take it back").click()
    expect(page.get_by_role("button", name=re.compile("^Sizes, borders"))).not_to_contain_text("of your own")


def test_what_makes_no_sense_stands_at_the_field_and_is_not_set(page: Page, demo: None):
    settings(page, "Hanging", "Eye height")
    page.keyboard.type("1 mile")
    expect(page.get_by_role("alert").filter(has_text="not a length")).to_be_visible()
    expect(page.get_by_role("button", name="Set it")).to_be_disabled()
    page.get_by_role("textbox", name=re.compile("^Set it to")).fill("40")
    expect(page.get_by_role("alert").filter(has_text="makes sense here")).to_be_visible()
    expect(page.get_by_role("textbox", name=re.compile("^Set it to"))).to_have_value("40")


def test_two_who_set_one_habit_see_both_values(page: Page, demo: None):
    other = page.context.new_page()
    for who in (page, other):
        settings(who, "Hanging", "Eye height")
    other.keyboard.type("1450")
    other.keyboard.press("Enter")
    expect(other.get_by_role("button", name=re.compile("^Eye height"))).to_contain_text("1450 mm")
    page.keyboard.type("1600")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Someone else set it to 1450 mm; you typed 1600.")).to_be_visible()
    page.get_by_role("button", name="Keep on with mine").click()
    page.get_by_role("button", name="Set it").click()
    expect(page.get_by_role("button", name=re.compile("^Eye height"))).to_contain_text("1600 mm")
    other.close()


def test_a_setting_is_found_by_a_word_and_an_inch_shop_has_no_millimetres(page: Page, demo: None):
    page.goto("/settings")
    page.get_by_text("1/16 in", exact=True).click()
    page.get_by_role("button", name="Set it").click()
    expect(page.get_by_text("It is set.")).to_be_visible()
    page.evaluate("localStorage.clear()")
    page.reload()
    page.get_by_role("searchbox", name="Find a setting").fill("border")
    rows = page.get_by_role("region", name="Settings")
    expect(rows.get_by_role("listitem")).not_to_have_count(0)
    expect(rows).to_contain_text("2 9/16 in")
    expect(rows).not_to_contain_text(" mm")
    rows.get_by_role("button", name=re.compile("^Border of a mat")).click()
    page.keyboard.type("3 1/4")
    shown = page.get_by_role("region", name="What it changes")
    expect(shown).to_contain_text("outside width")
    expect(shown).not_to_contain_text(" mm")


def test_a_moulding_is_laid_in_as_it_is_typed_and_retired(page: Page, demo: None):
    page.goto("/stock")
    page.get_by_role("button", name="Add a moulding", exact=True).click()
    form = page.get_by_role("form", name="A new moulding")
    expect(form.get_by_role("heading", name="A new moulding")).to_be_focused()
    assert axe(page) == []
    for label, typed in (("Name", "Lead line 28"), ("Face", "28"), ("Height", "32"), ("Rabbet", "22"), ("Lip", "27")):
        form.get_by_label(re.compile(f"^{label}")).fill(typed)
    expect(form).to_contain_text("no wall behind it")
    form.get_by_label(re.compile("^Lip")).fill("7")
    expect(form.locator(".drawing")).to_contain_text("lip 7 mm")
    form.get_by_role("button", name="Lay it in").click()
    racks = page.get_by_role("region", name="Mouldings", exact=True)
    expect(racks).to_contain_text("Lead line 28")
    kept = page.get_by_role("form", name="Lead line 28")
    kept.get_by_label("Price a metre").fill("4,20")
    kept.get_by_role("button", name="Keep the change").click()
    expect(racks.get_by_role("button", name=re.compile("Lead line 28"))).to_contain_text("€ 4.20 / m")
    kept.get_by_role("button", name="Offer it no more").click()
    expect(kept).to_contain_text("Offered no more")
    expect(racks.get_by_role("button", name=re.compile("Lead line 28"))).to_contain_text("offered no more")
    assert axe(page) == []
    kept.get_by_role("button", name="Offer it again").click()
    expect(kept).not_to_contain_text("Offered no more")


def test_a_lost_connection_keeps_what_was_written_down(page: Page, demo: None):
    page.goto("/stock")
    page.get_by_role("button", name="Add a screw", exact=True).click()
    form = page.get_by_role("form", name="A new screw")
    for label, typed in (("Name", "brass 3 × 20"), ("Length", "20"), ("Diameter", "3")):
        form.get_by_label(re.compile(f"^{label}")).fill(typed)
    page.route("**/api/stock/item", lambda route: route.abort())
    form.get_by_role("button", name="Lay it in").click()
    expect(form.get_by_role("alert")).to_contain_text("No connection")
    expect(form.get_by_label(re.compile("^Name"))).to_have_value("brass 3 × 20")
    page.unroute_all(behavior="wait")
    form.get_by_role("button", name="Lay it in").click()
    expect(page.get_by_role("region", name="Screws")).to_contain_text("brass 3 × 20")


def test_a_moulding_is_traced_by_clicks_and_by_keys(page: Page, demo: None, tmp_path: Path):
    photo = tmp_path / "end.png"
    picture = PIL.Image.new("RGB", (800, 600), "white")
    corners = [(100, 500), (420, 500), (420, 260), (540, 260), (540, 100), (100, 100)]
    PIL.ImageDraw.Draw(picture).polygon(corners, fill="tan", outline="black")
    picture.save(photo)
    page.goto("/stock")
    page.get_by_role("region", name="Mouldings", exact=True).get_by_role("button", name="add").click()
    page.get_by_role("button", name="Trace it from a photograph").click()
    dialog = page.get_by_role("dialog")
    dialog.locator("input[type=file]").set_input_files(photo)
    plate = dialog.get_by_role("group", name="The photograph")
    expect(plate).to_be_focused()
    assert axe(page) == []
    box = plate.bounding_box()
    for x, y in [(100, 500), (420, 500), (420, 260), (540, 260)]:
        page.mouse.click(box["x"] + x * box["width"] / 800, box["y"] + y * box["height"] / 600)
    expect(dialog.get_by_role("listitem").nth(4)).to_have_attribute("aria-current", "step")
    for _ in range(10):
        page.keyboard.press("Shift+ArrowUp")
    page.keyboard.press("Enter")
    dialog.get_by_label("As read").fill("44")
    expect(dialog.get_by_role("definition").nth(3)).to_have_text(re.compile(r"^1[12](\.[019])?$"))
    expect(dialog.get_by_role("definition").nth(2)).to_have_text(re.compile(r"^2[34](\.[019])?$"))
    assert axe(page) == []
    dialog.get_by_role("button", name="Take these sizes").click()
    expect(page.get_by_label("Lip over the package")).to_have_value(re.compile(r"^1[12](\.[019])?$"))
    page.get_by_label("Name").fill("Traced 44")
    page.get_by_role("button", name="Lay it in").click()
    expect(page.get_by_role("button", name=re.compile("^Traced 44"))).to_be_visible()


def test_the_stock_goes_out_as_a_spreadsheet_and_comes_back_changed(page: Page, demo: None, tmp_path: Path):
    page.goto("/stock")
    with page.expect_download() as download:
        page.get_by_role("link", name="As a spreadsheet").click()
    book = openpyxl.load_workbook(io.BytesIO(download.value.path().read_bytes()))
    sheet = book.worksheets[0]
    heads = [cell.value for cell in sheet[1]]
    name = heads.index("name")
    row = next(r for r in sheet.iter_rows(min_row=2) if r[name].value == "Buoy 16")
    price = next(c for h, c in zip(heads, row, strict=True) if h and h.startswith("price"))
    price.value = 3.35
    changed, wrong = tmp_path / "changed.xlsx", tmp_path / "wrong.xlsx"
    book.save(changed)
    price.value = "dear"
    book.save(wrong)
    table = page.get_by_label("Take stock in from a table")
    table.set_input_files(wrong)
    expect(page.get_by_role("alert").filter(has_text="dear")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^Take in"))).to_have_count(0)
    table.set_input_files(changed)
    page.get_by_role("button", name=re.compile("^Take in")).click()
    expect(page.get_by_role("button", name=re.compile("^Buoy 16"))).to_contain_text("3.35")
    assert axe(page) == []
    wrong.write_bytes(b"PK\x03\x04 torn")
    table.set_input_files(wrong)
    expect(page.get_by_role("status").filter(has_text="spreadsheet")).to_be_visible()


def test_a_paper_on_a_slow_line_says_that_it_is_being_made(page: Page, demo: None):
    page.goto("/jobs/101?at=sizes")
    page.get_by_role("button", name="Paper & files").click()
    link = page.get_by_role("link", name=re.compile("Work sheet")).first
    with slow_line(page, 800), page.expect_download() as download:
        link.click()
        expect(page.get_by_text(re.compile("being made|making", re.I)).first).to_be_visible()
    assert download.value.path().read_bytes().startswith(b"%PDF")
