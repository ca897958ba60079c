"""Days and weeks in the browser: read, asked, by keys; who is away; a calendar for the phone."""

import re
from collections.abc import Iterator

import pytest
from playwright.sync_api import Page, expect
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.store.people import People
from tests.browser.conftest import axe


@pytest.fixture
def crew(database: tuple[str, Engine], demo: None) -> Iterator[None]:
    """Two framers and an apprentice, for as long as the test."""
    with Session(database[1]) as s, s.begin():
        people = People(s, "netloft")
        for name in ("Hedda Sorrel", "Piran Oake"):
            people.add(name, "framer")
        people.add("Jory Lusk", "apprentice")
    yield
    with Session(database[1]) as s, s.begin():
        s.execute(text("delete from people"))
        s.execute(text("delete from feeds"))
        s.execute(text("update workshops set shop = jsonb_set(shop, '{crew}', '{}')"))
        s.execute(text("delete from shop_revisions"))


def test_weeks_show_each_jobs_day_and_why(page: Page, crew: None):
    page.goto("/")
    page.get_by_role("navigation", name="The shop").get_by_role("link", name="Weeks").click()
    expect(page.get_by_role("heading", name="Weeks at the bench")).to_be_visible()
    drawing = page.get_by_role("img", name=re.compile("^The work of"))
    expect(drawing).to_contain_text("Hedda")
    expect(drawing).to_contain_text("learning")
    assert axe(page) == []
    jobs = page.get_by_role("list", name="Jobs by the day promised")
    stopped = jobs.get_by_role("button", name=re.compile("^103"))
    expect(stopped).to_contain_text("not planned")
    expect(stopped).to_contain_text("to be settled first")
    shirt = jobs.get_by_role("button", name=re.compile("^118"))
    expect(shirt).to_contain_text("on order until")
    shirt.press("Enter")
    expect(shirt).to_have_attribute("aria-expanded", "true")
    expect(jobs).to_contain_text("Hand it over")
    expect(drawing.locator(".lit")).not_to_have_count(0)
    assert axe(page) == []
    drawing.locator(".flag[data-key='101'] text").click()
    expect(jobs.get_by_role("button", name=re.compile("^101"))).to_have_attribute("aria-expanded", "true")
    jobs.get_by_role("link", name="bench").click()
    expect(page).to_have_url(re.compile("/jobs/101/bench$"))


def test_a_piece_that_might_come_in_is_asked_about(page: Page, crew: None):
    page.goto("/weeks")
    form = page.get_by_role("form", name="If it came in now")
    form.get_by_role("combobox").select_option(label="a poster of 500 mm × 700 mm on rails")
    form.get_by_role("button", name="When is it ready?").click()
    expect(form).to_contain_text("It would be ready")
    expect(form).to_contain_text("No other job moves for it")
    day = form.get_by_role("textbox", name="promised for")
    day.fill("soonish")
    day.press("Enter")
    expect(form).to_contain_text("is no day")
    expect(day).to_have_value("soonish")
    day.fill("+30")
    day.press("Enter")
    expect(form).to_contain_text("It would be ready")


def test_today_is_told_to_each_and_leads_to_the_bench(page: Page, crew: None):
    page.goto("/today")
    hedda = page.get_by_role("region", name="Hedda Sorrel")
    first = hedda.get_by_role("link").first
    expect(first).to_be_visible()
    assert axe(page) == []
    page.set_viewport_size({"width": 390, "height": 800})
    assert axe(page) == []
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.set_viewport_size({"width": 1280, "height": 800})
    first.click()
    expect(page).to_have_url(re.compile(r"/jobs/\d+/bench$"))


def test_who_is_away_has_nothing_to_do_and_others_have_it(page: Page, crew: None):
    page.goto("/people")
    page.get_by_role("button", name="hours of Piran Oake").click()
    form = page.get_by_role("form", name="Hours of Piran Oake")
    away = form.get_by_role("textbox", name="Away on")
    away.fill("the spring")
    away.press("Enter")
    expect(form).to_contain_text("is no day")
    expect(away).to_have_value("the spring")
    away.fill("today to +60")
    form.get_by_role("textbox", name="€ an hour").fill("38")
    form.get_by_role("checkbox", name="Mount").uncheck()
    assert axe(page) == []
    away.press("Enter")
    expect(page.get_by_text(re.compile(r"away .* to .* · € 38 an hour · not mount"))).to_be_visible()
    page.goto("/today")
    piran = page.get_by_role("region", name="Piran Oake")
    expect(piran).to_contain_text("not here")
    expect(piran.get_by_role("link")).to_have_count(0)
    expect(page.get_by_role("region", name="Jory Lusk").get_by_role("link")).not_to_have_count(0)


def test_the_calendar_has_a_secret_address_that_is_shown_once(page: Page, crew: None):
    page.goto("/weeks")
    page.get_by_role("button", name="Calendar for the phone").click()
    address = page.get_by_role("textbox", name="Address of the calendar", exact=True).input_value()
    assert re.search(r"/api/calendar/[\w-]{40,}\.ics$", address)
    answer = page.request.get(address)
    assert answer.headers["content-type"].startswith("text/calendar")
    assert "BEGIN:VEVENT" in answer.text()
    assert axe(page) == []
    page.reload()
    expect(page.get_by_text(re.compile("^Its address was made by"))).to_be_visible()
    expect(page.get_by_role("textbox", name="Address of the calendar")).to_have_count(0)
    page.get_by_role("button", name="No address").click()
    expect(page.get_by_role("button", name="Calendar for the phone")).to_be_visible()
    assert page.request.get(address).status == 404


def test_without_connection_the_last_weeks_stay(page: Page, crew: None):
    page.goto("/weeks")
    drawing = page.get_by_role("img", name=re.compile("^The work of"))
    expect(drawing).to_be_visible()
    page.context.set_offline(True)
    page.evaluate("document.dispatchEvent(new Event('visibilitychange'))")
    expect(page.get_by_role("alert").filter(has_text="No connection")).to_be_visible()
    expect(drawing).to_be_visible()
    page.context.set_offline(False)
    page.evaluate("document.dispatchEvent(new Event('visibilitychange'))")
    expect(page.get_by_role("alert").filter(has_text="No connection")).to_have_count(0)


def test_a_shop_without_people_says_whom_to_put_in(page: Page, demo: None):
    page.goto("/today")
    expect(page.get_by_text("Nobody works here yet")).to_be_visible()
    page.goto("/weeks")
    expect(page.get_by_text("nobody works here yet: put people in").first).to_be_visible()
    assert axe(page) == []
