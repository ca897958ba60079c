"""The record of a job and what was learned, in the browser."""

import re
from collections.abc import Iterator

import pypdfium2
import pytest
from playwright.sync_api import Page, expect
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.core.shop.shop import Shop
from shadbo.demo.autumn import autumn
from shadbo.store.jobs import Jobs
from tests.browser.conftest import axe, clear
from tests.core.schedule_cases import NOW


@pytest.fixture
def finished(database: tuple[str, Engine], empty: None) -> Iterator[None]:
    """The jobs of the autumn, handed over."""
    with Session(database[1]) as s, s.begin():
        jobs = Jobs(s, "netloft", "Hedda Sorrel")
        shop: Shop = jobs.shop()
        for n, one in enumerate(autumn(shop, NOW)):
            made = jobs.make(one.job, f"autumn-{n:02}")
            jobs.save(made.id, made.version, one.edits, f"worked-{n:02}")
    yield
    with Session(database[1]) as s, s.begin():
        clear(s)
        s.execute(text("update workshops set shop = jsonb_set(shop, '{practice,pace_times}', '1.0')"))
        s.execute(text("delete from shop_revisions"))


def test_a_record_is_found_read_and_taken_away(page: Page, finished: None):
    page.goto("/")
    rows = page.get_by_role("listitem")
    expect(rows.first).to_contain_text("handed over")
    all_of_them = rows.count()
    page.get_by_role("searchbox").fill("mitre would not close")
    expect(rows).not_to_have_count(all_of_them)
    expect(rows.first).to_contain_text("handed over")
    rows.first.get_by_role("link").click()
    page.get_by_role("button", name="more").click()
    page.get_by_role("menuitem", name="Its record").click()
    expect(page.get_by_text(re.compile("^record of job"))).to_be_visible()
    expect(page.get_by_role("region", name="As planned, as built")).to_contain_text("rail, outside width")
    done = page.get_by_role("region", name="What was done")
    expect(done).to_contain_text("not as planned: the mitre would not close")
    expect(done).to_contain_text("made again, 1 ×")
    assert axe(page) == []
    with page.expect_download() as download:
        page.get_by_role("link", name="Archive").click()
    assert download.value.suggested_filename.endswith(".zip")
    page.set_viewport_size({"width": 390, "height": 800})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390


def test_every_record_prints_on_one_page(page: Page, finished: None):
    page.goto("/")
    expect(page.get_by_role("listitem").first).to_be_visible()
    links = page.get_by_role("listitem").get_by_role("link").evaluate_all("all => all.map(a => a.pathname)")
    assert len(links) > 8
    for path in links[:9]:
        page.goto(f"{path}/record")
        expect(page.get_by_role("heading", name="What was done")).to_be_visible()
        with pypdfium2.PdfDocument(page.pdf(prefer_css_page_size=True)) as printed:
            assert len(printed) == 1, path
            assert printed[0].get_width() == pytest.approx(595, abs=1)
            assert "Hand it over" in printed[0].get_textpage().get_text_bounded()


def test_a_habit_is_set_to_what_the_jobs_say_by_the_framer_alone(page: Page, finished: None):
    page.goto("/settings")
    page.get_by_role("link", name="What its own jobs say").click()
    pace = page.get_by_role("listitem").filter(has_text="How long work takes")
    expect(pace).to_contain_text("longer than is reckoned with")
    expect(page.get_by_role("listitem").filter(has_text="How ordered sheets come")).to_contain_text("too few")
    assert axe(page) == []
    expect(pace.get_by_role("button", name=re.compile("^Set it to"))).to_have_count(0)
    pace.get_by_role("button", name="What would it change?").click()
    expect(pace).to_contain_text("open jobs are not begun")
    pace.get_by_role("button", name=re.compile("^Set it to")).click()
    expect(pace).to_contain_text("and the jobs say so too")
    page.goto("/settings")
    expect(page.get_by_role("region", name="Changes of stock and habits")).to_contain_text("Work takes, times")
