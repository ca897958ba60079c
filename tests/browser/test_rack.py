"""The rack in the browser: found, counted, sorted, kept in the address; copied, put away and brought back."""

import re

from playwright.sync_api import Page, expect
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from tests.browser.conftest import axe
from tests.browser.test_job import open_job


def more(page: Page, what: str) -> None:
    page.get_by_role("button", name="more", exact=True).click()
    page.get_by_role("menuitem", name=what).click()


def test_what_is_looked_for_stands_in_the_address_and_comes_back(page: Page, demo: None):
    page.goto("/")
    expect(page.get_by_role("button", name=re.compile(r"^all \d+"))).to_have_text("all 23")
    page.get_by_label("Find by any word or number").fill("LINDQVIST")
    expect(page.get_by_role("link", name=re.compile("Tug and barge"))).to_be_visible()
    expect(page).to_have_url(re.compile("words=LINDQVIST"))
    page.get_by_label("Find by any word or number").fill("skerrow")
    expect(page).to_have_url(re.compile("words=skerrow"))
    page.get_by_role("button", name=re.compile("^to solve")).click()
    page.get_by_label("In the order of").select_option("title")
    expect(page).to_have_url(re.compile("state=to\\+solve"))
    expect(page.get_by_role("link", name=re.compile("Tug and barge"))).to_have_count(0)
    solve = page.get_by_role("button", name=re.compile("^to solve"))
    expect(solve).to_have_text(re.compile(r"to solve [1-9]"))
    shown = int(solve.inner_text().split()[-1])
    expect(page.get_by_role("main").get_by_role("listitem")).to_have_count(shown)
    page.reload()
    expect(page.get_by_label("Find by any word or number")).to_have_value("skerrow")
    expect(page.get_by_role("button", name=re.compile("^to solve"))).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_role("main").get_by_role("listitem")).to_have_count(shown)
    assert axe(page) == []


def test_more_jobs_than_a_page_holds(page: Page, demo: None, database: tuple[str, Engine]):
    with Session(database[1]) as s, s.begin():
        names = [
            c
            for (c,) in s.execute(
                text("select column_name from information_schema.columns where table_name = 'jobs'")
            )
        ]
        same = ", ".join(n for n in names if n not in ("id", "made_by_edit", "due", "title"))
        many = f"select 200 + n, 'more-' || n, null, 'undated ' || n, {same} from jobs, generate_series(1, 60) n"
        s.execute(text(f"insert into jobs (id, made_by_edit, due, title, {same}) {many} where id = 102"))
    page.goto("/")
    expect(page.get_by_role("button", name=re.compile("^without a day"))).to_have_text("without a day 60")
    pages = page.get_by_role("navigation", name="Pages")
    expect(pages).to_contain_text("1 of 2, 83 jobs")
    pages.get_by_role("button", name="After").click()
    expect(pages).to_contain_text("2 of 2")
    expect(page.get_by_role("main").get_by_role("listitem")).to_have_count(33)
    page.get_by_role("button", name=re.compile("^without a day")).click()
    expect(pages).to_contain_text("1 of 2, 60 jobs")


def test_a_job_is_copied_made_a_pattern_and_thrown_away_with_a_way_back(page: Page, demo: None):
    open_job(page, 102, "measure")
    more(page, "Make a copy")
    expect(page.get_by_role("heading", name="Job 124 · Slipway at low water")).to_be_visible()
    expect(page.get_by_role("navigation", name="Stations")).to_contain_text("412 × 613 × 38")
    more(page, "Keep it as a pattern")
    expect(page.get_by_role("heading", name="Patterns")).to_be_visible()
    page.get_by_role("link", name=re.compile("Slipway")).click()
    more(page, "Make a job by this pattern")
    expect(page.get_by_role("heading", name="Job 125 · Slipway at low water")).to_be_visible()
    more(page, "Into the bin")
    expect(page.get_by_role("heading", name="In the bin")).to_be_visible()
    assert axe(page) == []
    page.get_by_role("link", name=re.compile("125")).click()
    more(page, "Back onto the rack")
    expect(page.get_by_role("heading", name="On the rack")).to_be_visible()
    expect(page.get_by_role("link", name=re.compile(r"125 · for Maren Tolv"))).to_be_visible()


def test_the_other_frame_of_a_pair_gets_a_job_of_its_own(page: Page, demo: None):
    open_job(page, 117, "sizes")
    more(page, "Make a job for Boat names, two, of the same set")
    expect(page.get_by_role("heading", name="Job 124 · Boat names, two")).to_be_visible()
    page.get_by_role("navigation", name="Stations").get_by_role("button").nth(1).click()
    expect(page.get_by_label("Piece 2 of the set")).to_have_value("Boat names, one")
    expect(page.locator(".board-area, .drawing").first).to_be_visible()


def test_a_day_is_typed_as_it_is_said(page: Page, demo: None):
    open_job(page, 102, "receive")
    due = page.get_by_label("Due")
    expect(due).to_have_value("11 Dec 2026")
    due.fill("the day after")
    expect(page.get_by_text("is no day: 18 Dec, 18.12., Friday or +14")).to_be_visible()
    expect(due).to_have_value("the day after")
    due.fill("3 feb 2027")
    due.press("Enter")
    expect(page.get_by_role("banner")).to_contain_text("due Wed 3 Feb")


def test_a_question_mark_tells_the_keys_and_leads_back(page: Page, demo: None):
    open_job(page, 102, "sizes")
    page.get_by_label("Gap, each side").press("?")
    expect(page.get_by_role("heading", name="Keys")).to_be_visible()
    assert axe(page) == []
    page.keyboard.press("?")
    expect(page.get_by_role("heading", name="Keys")).to_have_count(0)
    more(page, "Keys")
    expect(page.get_by_role("heading", name="Keys")).to_be_visible()
