"""The pages of the book on a line that is slow, breaks, and comes back: said in words, nothing typed is lost."""

import re

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import slow_line
from tests.files.test_photo import located

API = re.compile(r"/api/")
PAGES = {
    "/weeks": "every day that was promised",
    "/today": "What is over when",
    "/learned": "How the saw cuts",
    "/practice": "Mark it",
    "/jobs/102/record": "Slipway at low water",
    "/settings": "Clock on the wall",
    "/stock": "Hawser 30 ash",
    "/people": "jobs, stock, habits and machines",
}
"""What each shows of what it was sent."""


def cut(route: Route) -> None:
    route.abort("connectionfailed")


@pytest.mark.parametrize("path", PAGES)
def test_a_page_that_cannot_be_fetched_says_so_and_comes_by_itself_once_it_can(page: Page, demo: None, path: str):
    page.goto("/")
    expect(page.get_by_role("heading", name="On the rack")).to_be_visible()
    page.context.set_offline(True)
    try:
        page.evaluate(
            "path => { history.pushState({}, '', path); dispatchEvent(new PopStateEvent('popstate')); }", path
        )
        expect(page.get_by_text(re.compile("connection", re.I)).first).to_be_visible()
    finally:
        page.context.set_offline(False)
    expect(page.get_by_role("heading", level=1).first).to_be_visible()
    expect(page.get_by_text(re.compile("no connection", re.I))).to_have_count(0)
    expect(page.get_by_text(PAGES[path]).first).to_be_visible()


PARTS = {
    "cutter": (r"/api/cutter$", "/jobs/118?at=parts", "Mat cutter", "stand-in"),
    "revisions": (r"/revisions$", "/jobs/102?at=history", "What was changed", "made"),
    "papers": (r"/papers\?", "/jobs/102", "Paper and files", "Work sheet"),
    "photographs": (r"/photos-aside$", "/jobs/102?at=receive", "The piece comes in", "Photographs"),
    "changes": (r"/stock/changes$", "/stock", "Dowels", "dowel"),
}
"""A part of a page that asks by itself: for what, on which page, in which region, and what it shows."""


@pytest.mark.parametrize("part", PARTS)
def test_a_part_of_a_page_whose_question_was_lost_asks_again(page: Page, demo: None, part: str):
    asked, path, region, shows = PARTS[part]
    lost: list[str] = []

    def once(route: Route) -> None:
        lost.append(route.request.url)
        if len(lost) > 1:
            route.continue_()
        else:
            route.abort("connectionfailed")

    page.route(re.compile(asked), once)
    with page.expect_response(re.compile(asked), timeout=15_000) as answered:
        page.goto(path)
        if part == "papers":
            page.get_by_role("button", name="Paper & files").click()
        page.evaluate("dispatchEvent(new Event('online'))")  # at once, where it waits for that already
    assert answered.value.ok
    assert len(lost) > 1
    where = page.get_by_role("region", name=region)
    expect(where).to_contain_text(re.compile(shows, re.I))
    expect(where.get_by_role("alert").filter(has_text=re.compile("connection", re.I))).to_have_count(0)


def test_a_photograph_taken_in_before_the_others_were_told_of_stays(page: Page, demo: None):
    """The answer to a question from before it came in says nothing of it, and counts no more."""
    held: list[tuple[Route, bytes]] = []

    def hold(route: Route) -> None:
        if held or route.request.method != "GET":
            route.continue_()
        else:
            held.append((route, route.fetch().body()))

    page.route(re.compile(r"/photos$"), hold)
    page.goto("/jobs/105?at=receive")
    field = page.get_by_label("Photographs")
    field.set_input_files({"name": "front.jpg", "mimeType": "image/jpeg", "buffer": located()})
    small = page.get_by_role("img", name="front.jpg")
    expect(small).to_be_visible()
    route, before = held[0]
    route.fulfill(body=before, content_type="application/json")
    page.wait_for_load_state("networkidle")
    expect(small).to_be_visible()


def test_a_late_answer_to_an_earlier_search_does_not_take_the_place_of_the_later(page: Page, demo: None):
    held: list[tuple[Route, bytes]] = []
    page.route(re.compile(r"/api/jobs\?.*words=LINDQVIST"), lambda r: held.append((r, r.fetch().body())))
    page.goto("/")
    find = page.get_by_label("Find by any word or number")
    find.fill("LINDQVIST")
    expect(page).to_have_url(re.compile("words=LINDQVIST"))
    find.fill("Slipway")
    expect(page.get_by_role("main").get_by_role("listitem")).to_have_count(1)
    route, late = held[0]
    route.fulfill(body=late, content_type="application/json")
    page.wait_for_load_state("networkidle")
    expect(page.get_by_role("link", name=re.compile("Slipway at low water"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Tug and barge"))).to_have_count(0)


def test_what_the_shop_is_called_and_measures_with_comes_by_itself(page: Page, demo: None):
    lost: list[str] = []

    def once(route: Route) -> None:
        if lost:
            route.continue_()
        else:
            lost.append(route.request.url)
            route.abort("connectionfailed")

    page.route(re.compile("/api/shop$"), once)
    page.goto("/jobs/102?at=measure")
    expect(page.get_by_role("region", name="Board")).to_be_visible()
    expect(page.locator("select, [role=combobox], button").filter(has_text="rule").first).to_be_visible()
    assert lost


def test_answers_of_practice_outlive_a_broken_line(page: Page, demo: None):
    page.goto("/practice")
    form = page.get_by_role("form", name="Sums")
    fields = form.get_by_role("textbox")
    expect(fields.first).to_be_visible()
    for n in range(fields.count()):
        fields.nth(n).fill(f"{100 + n}")
    if form.get_by_role("radio").count():
        form.get_by_role("radio").first.check()
    page.route(API, cut)
    form.get_by_role("button", name="Mark it").click()
    expect(page.get_by_role("alert").filter(has_text=re.compile("connection", re.I))).to_be_visible()
    assert [fields.nth(n).input_value() for n in range(fields.count())] == [
        f"{100 + n}" for n in range(fields.count())
    ]
    page.unroute_all(behavior="wait")
    form.get_by_role("button", name="Mark it").click()
    expect(form.get_by_role("button", name="The next one")).to_be_visible()


def test_a_first_job_is_led_on_over_a_slow_line(page: Page, empty: None):
    page.goto("/")
    with slow_line(page, 350):
        page.get_by_role("button", name="A first job that leads me through").click()
        guide = page.get_by_role("complementary", name="First job")
        expect(guide).to_contain_text("1 of 7")
        guide.get_by_role("button", name="Show me where").click()
        expect(page.get_by_role("textbox", name="Owner")).to_be_focused()
        page.keyboard.type("Ida Rowan")
        page.keyboard.press("Enter")
        expect(guide).to_contain_text("2 of 7")
