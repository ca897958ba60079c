"""Practice in the browser: given, typed, marked, the next one; by keys alone."""

import json
import re

from playwright.sync_api import Page, Response, expect

from tests.browser.conftest import axe


def test_a_wrong_answer_is_told_and_the_next_one_comes_by_enter(page: Page, demo: None):
    heard: list[str] = []

    def note(answer: Response) -> None:
        if answer.url.endswith("/api/exercises") and answer.request.method == "POST":
            heard.append(answer.text())

    page.on("response", note)
    page.goto("/")
    page.get_by_role("button", name=re.compile("the owner")).click()
    page.get_by_role("menuitem", name="Practice").click()
    form = page.get_by_role("form", name="Sums")
    fields = form.get_by_role("textbox")
    expect(fields.first).to_be_focused()
    so_far = page.get_by_role("region", name="So far")
    right, answers = map(int, re.findall(r"(\d+) of (\d+) right", so_far.inner_text())[0])
    assert axe(page) == []
    page.keyboard.press("Enter")
    expect(form).to_contain_text("nothing stands here yet")
    for n in range(fields.count()):
        fields.nth(n).fill("12345.5")
    radios = form.get_by_role("radio")
    tasks = json.loads(heard[0])["exercise"]["tasks"]
    assert (radios.count() > 0) == any(task["options"] for task in tasks)
    if radios.count():
        radios.first.focus()
        page.keyboard.press("Space")
    fields.first.press("Enter")
    expect(form.get_by_text(re.compile("^(✗|✓ right)"))).to_have_count(len(tasks))
    expect(form.get_by_text(re.compile("^✗")).first).to_be_visible()
    expect(fields.first).to_have_value("12345.5")
    assert sum(not task["options"] for task in tasks) == fields.count()
    for task in tasks:
        assert all(set(option) == {"id", "says"} for option in task["options"])
        assert set(task) == {"key", "label", "given", "options"}, "no answer is sent before it is given"
        assert all(set(g) == {"label", "value"} for g in task["given"])
    more = f"({right}|{right + 1}) of {answers + len(tasks)} right"
    expect(so_far).to_contain_text(re.compile(more))
    assert axe(page) == []
    form.get_by_role("button", name="The next one").press("Enter")
    expect(form.get_by_role("button", name="Mark it")).to_be_visible()
    expect(fields.first).to_be_focused()
    expect(fields.first).to_have_value("")
    page.remove_listener("response", note)
    page.get_by_role("button", name="the whole sum").click()
    expect(page.get_by_role("button", name="the whole sum")).to_have_attribute("aria-pressed", "true")
    page.set_viewport_size({"width": 390, "height": 800})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
