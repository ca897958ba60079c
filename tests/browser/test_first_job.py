"""A first job in an empty workshop: it leads from the owner's name to the bench, and can be sent away."""

from playwright.sync_api import Page, expect

from tests.browser.conftest import axe


def test_a_first_job_leads_from_the_empty_rack_to_the_bench(page: Page, empty: None):
    page.goto("/")
    page.get_by_role("button", name="A first job that leads me through").click()
    guide = page.get_by_role("complementary", name="First job")
    expect(guide).to_contain_text("1 of 7")
    assert axe(page) == []
    guide.get_by_role("button", name="Show me where").click()
    expect(page.get_by_role("textbox", name="Owner")).to_be_focused()
    page.keyboard.type("Ida Rowan")
    page.keyboard.press("Enter")
    expect(guide).to_contain_text("2 of 7")
    guide.get_by_role("button", name="Show me where").click()
    expect(page.locator("[data-at$=width_top]")).to_be_focused()
    for reading in ("612", "611", "459", "460", "19", "42"):
        page.keyboard.type(reading)
        page.keyboard.press("Enter")
    expect(guide).to_contain_text("3 of 7")
    guide.get_by_role("button", name="Show me where").click()
    expect(page.locator("[data-at$='floater/gap']")).to_be_focused()
    page.keyboard.type("8")
    page.keyboard.press("Enter")
    expect(guide).to_contain_text("4 of 7")
    assert axe(page) == []
    guide.get_by_role("button", name="I know my way").click()
    expect(guide).to_have_count(0)
    page.keyboard.press("Control+z")
    expect(guide).to_contain_text("4 of 7")


def test_any_job_leads_who_asks_among_the_keys(page: Page, demo: None):
    page.goto("/jobs/101")
    expect(page.get_by_role("navigation", name="Stations")).to_be_visible()
    page.keyboard.press("?")
    page.get_by_role("button", name="Lead me through this job").click()
    guide = page.get_by_role("complementary", name="First job")
    expect(guide).to_be_visible()
    page.keyboard.press("Control+z")
    expect(guide).to_have_count(0)
