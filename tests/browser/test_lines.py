"""A slow line, a broken one, a bad draft, two tabs: what is typed is kept, shown, and sent in its order."""

import json
import re

from playwright.sync_api import Browser, Page, Route, expect

from tests.browser.conftest import axe
from tests.browser.test_job import open_job, saved
from tests.server import Server

SAVES = re.compile(r"/api/jobs/\d+/edits$")


def set_gap(page: Page, to: str) -> None:
    gap = page.get_by_label("Gap, each side")
    gap.fill(to)
    gap.press("Enter")
    page.get_by_role("button", name=re.compile("^4 Sizes")).click()


def someone_else(chromium: Browser, server: Server) -> Page:
    """Someone at another machine, who puts another owner meanwhile."""
    other = chromium.new_context(base_url=server.url).new_page()
    open_job(other, 102, "receive")
    owner = other.get_by_label("Owner", exact=True)
    owner.fill("Theirs")
    owner.press("Enter")
    saved(other)
    return other


def test_undo_on_a_slow_line_takes_back_the_last_change(page: Page, demo: None):
    open_job(page, 102, "sizes")
    set_gap(page, "7")
    saved(page)
    held: list[Route] = []
    page.route(SAVES, lambda route: held.append(route))
    set_gap(page, "9")
    page.wait_for_timeout(300)
    page.get_by_role("button", name="undo").click()
    page.wait_for_timeout(400)
    assert held, "the save is on its way"
    for route in list(held):
        route.continue_()
    page.unroute(SAVES)
    saved(page)
    expect(page.get_by_label("Gap, each side")).to_have_value("7")
    open_job(page, 102, "sizes")
    expect(page.get_by_label("Gap, each side")).to_have_value("7")


def test_a_draft_that_the_server_refuses_does_not_lock_the_job(page: Page, demo: None):
    open_job(page, 102, "sizes")
    page.get_by_label("Gap, each side").fill("99999")
    expect(page.get_by_label("Gap, each side")).to_have_attribute("aria-invalid", "true")
    page.reload()
    expect(page.locator(".drawing").first).to_contain_text("inside 424")
    expect(page.get_by_label("Gap, each side")).to_have_value("99999")
    other = page.get_by_label("Screws apart, at most")
    if other.count():
        other.fill("180")
        other.press("Enter")
        saved(page)


def test_a_plan_that_fails_keeps_the_drawing_and_says_so(page: Page, demo: None):
    open_job(page, 102, "sizes")
    problem = {"type": "/problems/cannot-plan", "title": "This cannot be planned", "status": 422, "detail": "x"}
    page.route(
        "**/plan",
        lambda route: route.fulfill(status=500, content_type="application/problem+json", body=json.dumps(problem)),
    )
    set_gap(page, "9")
    page.wait_for_timeout(500)
    expect(page.locator(".drawing").first).to_contain_text("inside 424")
    page.unroute_all(behavior="wait")
    page.reload()
    saved(page)
    expect(page.get_by_label("Gap, each side")).to_have_value("9")


def test_offline_a_field_shows_what_was_put_in_it(page: Page, demo: None, server: Server):
    open_job(page, 102, "sizes")
    page.wait_for_load_state("networkidle")
    server.kill()
    set_gap(page, "9")
    expect(page.get_by_label("Gap, each side")).to_have_value("9")
    expect(page.get_by_text("not saved yet").first).to_be_visible()
    server.start()
    saved(page)
    expect(page.get_by_text("not saved yet")).to_have_count(0)


def test_two_who_choose_differently_see_both_choices(page: Page, demo: None, chromium, server: Server):
    open_job(page, 102, "receive")
    mine = page.get_by_label("Owner", exact=True)
    mine.fill("Mine")
    other = someone_else(chromium, server)
    mine.press("Enter")
    expect(page.get_by_text("Someone else put Theirs here")).to_be_visible()
    page.get_by_role("button", name="Take theirs").click()
    expect(page.get_by_label("Owner", exact=True)).to_have_value("Theirs")
    other.context.close()


def test_what_was_put_in_without_a_line_is_not_laid_over_what_others_saved_meanwhile(
    page: Page, demo: None, chromium, server: Server
):
    open_job(page, 102, "receive")
    page.wait_for_load_state("networkidle")
    page.route("**/api/**", lambda route: route.abort("connectionfailed"))
    for label, to in (("What it is", "Slipway, in ash"), ("Owner", "Mine")):
        field = page.get_by_label(label, exact=True)
        field.fill(to)
        field.press("Enter")
    expect(page.get_by_text("not saved yet").first).to_be_visible()
    other = someone_else(chromium, server)
    page.unroute_all(behavior="wait")
    expect(page.get_by_text("Someone else put Theirs here")).to_be_visible()
    other.reload()
    expect(other.get_by_label("Owner", exact=True)).to_have_value("Theirs")
    expect(other.get_by_label("What it is", exact=True)).to_have_value("Slipway, in ash")
    page.get_by_role("button", name="Keep mine").click()
    saved(page)
    other.reload()
    expect(other.get_by_label("Owner", exact=True)).to_have_value("Mine")
    other.context.close()


def test_what_clashes_and_has_no_field_is_answered_in_the_head_of_the_page(page: Page, demo: None):
    open_job(page, 102, "sizes")
    page.wait_for_load_state("networkidle")
    job = "/api/jobs/102"
    before = page.request.get(job).json()
    page.route(f"**{job}", lambda route: route.fulfill(json=before))  # the page has not looked round yet
    page.keyboard.press("?")
    lead = page.get_by_role("button", name="Lead me through this job")
    expect(lead).to_be_visible()
    page.wait_for_timeout(1500)  # what was asked for with it has come
    theirs = {"version": before["version"], "edit_id": "by-someone-else"}
    page.request.post(f"{job}/edits", data={**theirs, "edits": [{"at": "guided", "to": False}]})
    lead.click()
    alert = page.get_by_role("banner").get_by_role("alert")
    expect(alert).to_contain_text("guided: changed by someone else")
    assert axe(page) == []
    page.unroute_all(behavior="wait")
    page.reload()
    expect(alert.get_by_role("button", name="take theirs")).to_be_visible()
    alert.get_by_role("button", name="keep mine").click()
    saved(page)
    expect(alert).not_to_contain_text("changed by someone else")
    assert '"guided": true' in page.request.get(f"{job}/file").text()


def test_a_change_that_is_refused_whole_can_be_tried_again_or_let_go(page: Page, demo: None):
    why = "a reason that takes a whole line of its own, so that its keys would stand outside if they were not kept"
    problem = {"type": "/problems/no", "title": "no", "status": 422, "detail": why}
    open_job(page, 107, "sizes")
    refused = {"status": 422, "content_type": "application/problem+json", "body": json.dumps(problem)}
    page.route(SAVES, lambda route: route.fulfill(**refused))
    alert = page.get_by_role("banner").get_by_role("alert")
    page.get_by_role("button", name="2 upright braces").click()
    with page.expect_response(SAVES):
        alert.get_by_role("button", name="try again").click()
    expect(alert).to_contain_text("so that its keys")
    alert.get_by_role("button", name="let go").click()
    expect(alert).to_be_empty()


def test_a_page_learns_of_what_is_saved_at_another_machine(page: Page, demo: None, chromium, server: Server):
    open_job(page, 102, "receive")
    other = someone_else(chromium, server)
    expect(page.get_by_label("Owner", exact=True)).to_have_value("Theirs")
    expect(page.get_by_role("banner")).to_contain_text("for Theirs")
    other.context.close()


def test_what_is_put_in_before_the_others_change_is_shown_is_not_laid_over_it(
    page: Page, demo: None, chromium, server: Server
):
    """The head of the page is told of theirs at once; the field only by a plan, and that is slow here."""
    open_job(page, 102, "receive")
    page.wait_for_load_state("networkidle")
    held: list[Route] = []
    page.route("**/plan", lambda route: held.append(route))
    other = someone_else(chromium, server)
    expect(page.get_by_role("banner")).to_contain_text("for Theirs")
    mine = page.get_by_label("Owner", exact=True)
    expect(mine).not_to_have_value("Theirs")
    mine.fill("Mine")
    mine.press("Enter")
    expect(page.get_by_text("Someone else put Theirs here")).to_be_visible()
    for route in held:
        route.continue_()
    page.unroute_all(behavior="ignoreErrors")
    other.context.close()


def test_another_tab_learns_of_what_is_saved(page: Page, demo: None):
    open_job(page, 102, "sizes")
    second = page.context.new_page()
    open_job(second, 102, "sizes")
    set_gap(page, "8")
    saved(page)
    expect(second.get_by_label("Gap, each side")).to_have_value("8")


def test_what_a_remedy_changes_is_read_without_hovering(page: Page, demo: None):
    open_job(page, 103, "sizes")
    page.get_by_role("button", name="what changes").click()
    expect(page.get_by_role("table").first).to_be_visible()
    assert axe(page) == []
    page.get_by_role("button", name="what changes").click()
    expect(page.get_by_role("table")).to_have_count(0)


def test_the_page_about_the_api_is_accessible(page: Page, server: Server):
    page.goto("/api/")
    expect(page.get_by_role("heading", level=1)).to_contain_text("the API")
    # Hundreds of tables are alike; the first forty and the last forty elements hold every kind.
    page.evaluate("[...document.querySelector('main').children].slice(40, -40).forEach(e => e.remove())")
    assert axe(page) == []
