"""The bench, worked with a foot switch: from the first step to the signed list, with what goes wrong on the way."""

import datetime as dt
import io
import math
import re
import shutil
import subprocess
from pathlib import Path

import httpx
import PIL.Image
import PIL.ImageOps
import pytest
from playwright.sync_api import Browser, Page, expect
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.core.decisions.edit import Edit
from shadbo.store.jobs import Jobs
from tests.browser.conftest import axe
from tests.server import Server
from tests.stand_ins import Service

FORWARD = ".bench-target.forward"


def open_bench(page: Page, number: int) -> None:
    page.goto(f"/jobs/{number}/bench")
    expect(page.locator("h2").first).to_be_visible()


def says(page: Page, sentence: str) -> None:
    expect(page.get_by_role("heading", name=re.compile(sentence))).to_be_visible()


def go_on(page: Page) -> None:
    """One press of the foot switch, once the page is ready for it; what is to be measured is read as planned."""
    key = page.locator(FORWARD)
    expect(key).to_be_enabled()
    if "reading" in key.inner_text():
        field = page.locator(".bench-checks .now input")
        expect(field).to_be_focused()
        page.keyboard.type(field.get_attribute("placeholder") or "")
        page.keyboard.press("Enter")
    else:
        page.keyboard.press("PageDown")


def until(page: Page, sentence: str, most: int = 200) -> None:
    """Go on until a step is shown; waits are cut short."""
    for _ in range(most):
        page.wait_for_timeout(60)
        if re.search(sentence, page.locator("h2").first.inner_text()):
            return
        early = page.get_by_role("button", name=re.compile("Go on all the same"))
        if early.count():
            early.click()
            expect(early).to_have_count(0)
            continue
        if page.locator(FORWARD).is_disabled():  # what was done last is on its way to the server
            continue
        go_on(page)
    raise AssertionError(f"never came to {sentence}")


def done(engine: Engine, number: int) -> dict[str, dict[str, object]]:
    with Session(engine) as s:
        work: dict[str, dict[str, object]] = s.execute(
            text("select document->'work' from jobs where id = :n"), {"n": number}
        ).scalar_one()
    return work or {}


def pins(engine: Engine, number: int) -> dict[str, float]:
    with Session(engine) as s:
        kept = s.execute(text("select document->'pins' from jobs where id = :n"), {"n": number}).scalar_one()
    return {key: pin["mm"] for key, pin in (kept or {}).items()}


def write(engine: Engine, number: int, *edits: Edit) -> None:
    with Session(engine) as s, s.begin():
        jobs = Jobs(s, "netloft")
        version = jobs.laid_out(number)[0]
        jobs.save(number, version, list(edits), f"test-{dt.datetime.now(dt.UTC).timestamp()}")


def ended(step: str, minutes_ago: float = 60) -> Edit:
    at = dt.datetime.now(dt.UTC) - dt.timedelta(minutes=minutes_ago)
    return Edit(at=f"work/{step}/ended", to=at.isoformat())


def test_a_floater_goes_over_the_bench_to_the_signed_list_with_two_deviations(
    page: Page, demo: None, database: tuple[str, Engine]
):
    engine = database[1]
    open_bench(page, 102)
    says(page, "Take the piece in")
    assert axe(page) == []
    until(page, "Cut the rails")
    assert axe(page) == []
    field = page.locator(".bench-checks .now input")
    planned = field.get_attribute("placeholder") or ""
    page.keyboard.type("47x")
    page.keyboard.press("Enter")
    expect(page.get_by_text("“47x” is not a length")).to_be_visible()
    field.fill(str(float(planned) - 2))
    page.keyboard.press("Enter")
    expect(page.get_by_text(re.compile("2 mm less than planned"))).to_be_visible()

    page.get_by_role("button", name="not as planned").click()
    page.get_by_role("button", name="Remake it").click()
    expect(page.get_by_text("Say in a few words what happened")).to_be_visible()
    page.keyboard.type("the stop slipped")
    page.get_by_role("button", name="Remake it").click()
    expect(page.locator(".bench-checks .now input")).to_have_value("")
    until(page, "Join the frame")
    assert done(engine, 102)["cut.rails"]["note"] == "the stop slipped"
    assert done(engine, 102)["cut.rails"]["remade"] == 1

    until(page, "Measure the frame")
    field = page.locator(".bench-checks .now input")
    wide = float(field.get_attribute("placeholder") or "") + 1.5
    for _ in range(3):
        page.keyboard.type(str(wide))
        page.keyboard.press("Enter")
        page.wait_for_timeout(250)
    expect(page.get_by_text("1.5 mm more than planned").first).to_be_visible()
    page.wait_for_load_state("networkidle")
    further = page.get_by_role("region", name="What changes further on")
    expect(further).to_contain_text(re.compile("screw 1, top rail, from the corner: 95.5 mm → 96.5 mm"))
    until(page, "Cut what fills")
    expect(further).to_have_count(0)
    until(page, "Look at it from the front")
    page.locator(".bench-checks .now").get_by_role("button", name="no", exact=True).click()
    expect(page.get_by_label("What happened")).to_have_value(re.compile("Its top is up: no"))
    page.get_by_role("button", name="Leave it as it was").click()
    until(page, "Hand it over")
    assert axe(page) == []
    go_on(page)
    expect(page.locator(".bench-checks .now input")).to_be_focused()
    page.keyboard.type("Maren Tolv")
    page.keyboard.press("Enter")
    go_on(page)
    expect(page.locator(FORWARD)).to_have_text("handed over")
    expect(page.get_by_role("banner").get_by_role("status")).to_have_text("saved")
    work = done(engine, 102)
    assert [name for name, step in work.items() if not step.get("ended")] == []
    assert work["hand.over"]["taken_by"] == "Maren Tolv"
    page.goto("/jobs/102?at=sizes")
    gap = page.get_by_label("Gap, each side")
    gap.fill("9")
    gap.press("Enter")
    refused = page.get_by_role("button", name=re.compile("Gap, each side: not accepted"))
    expect(refused).to_be_visible()
    refused.click()
    expect(page.get_by_text(re.compile("reopen it at the bench")).first).to_be_visible()
    assert pins(engine, 102)["frame.inside_width.middle"] == wide
    open_bench(page, 102)
    page.get_by_role("button", name="reopen").click()
    page.get_by_role("button", name="Reopen it").click()
    expect(page.get_by_text("Say in a few words why")).to_be_visible()
    page.keyboard.type("its glass broke on the way")
    page.get_by_role("button", name="Reopen it").click()
    says(page, "Hand it over")
    expect(page.get_by_role("button", name="not as planned")).to_be_enabled()
    expect(page.locator(FORWARD)).to_have_text(re.compile("write the name"))


def test_a_timer_goes_on_through_a_reload_and_rings_when_it_is_over(
    page: Page, demo: None, database: tuple[str, Engine]
):
    engine = database[1]
    write(engine, 102, *(ended(x) for x in ("receive", "plan", "ready.piece", "cut.rails")))
    write(engine, 102, ended("join", 45 - 7 / 60))
    open_bench(page, 102)
    says(page, "Take it out of the clamps")
    expect(page.get_by_role("timer")).to_be_visible()
    expect(page.locator(FORWARD)).to_be_disabled()
    page.reload()
    expect(page.get_by_role("timer")).to_be_visible()
    expect(page.get_by_role("alert").get_by_text("glue in clamps: over")).to_be_visible(timeout=20_000)
    expect(page.locator(FORWARD)).to_be_enabled()
    expect(page.get_by_text("Both diagonals are alike")).to_be_visible()


def test_a_lost_connection_keeps_what_is_done_and_nothing_is_done_twice(
    page: Page, demo: None, server: Server, database: tuple[str, Engine]
):
    open_bench(page, 102)
    page.wait_for_load_state("networkidle")
    server.kill()
    until(page, "Read the plan through")
    go_on(page)
    expect(page.get_by_role("status").first).to_contain_text("no connection")
    server.start()
    expect(page.get_by_role("banner").get_by_role("status")).to_have_text("saved", timeout=20_000)
    work = done(database[1], 102)
    assert work["receive"]["answers"] == {"condition": "yes", "photographed": "yes"}
    assert work["plan"]["answers"] == {"agrees": "yes"}
    page.reload()
    says(page, "Read the plan through")


def test_two_tablets_at_one_job_see_what_the_other_did(
    page: Page, chromium: Browser, demo: None, server: Server, database: tuple[str, Engine]
):
    other = chromium.new_context(base_url=server.url, viewport={"width": 800, "height": 1180}).new_page()
    open_bench(page, 102)
    open_bench(other, 102)
    assert axe(other) == []
    until(page, "Read the plan through")
    expect(other.get_by_role("heading", name=re.compile("Read the plan through"))).to_be_visible(timeout=15_000)
    page.wait_for_load_state("networkidle")
    before = done(database[1], 102)["receive"]["ended"]
    other.route("**/api/jobs/102/bench", lambda route: route.abort())
    until(page, "Make ready")
    page.wait_for_load_state("networkidle")
    until(other, "Make ready")
    other.unroute_all(behavior="ignoreErrors")
    expect(other.get_by_role("alert").get_by_text("was at it too meanwhile")).to_be_visible(timeout=15_000)
    other.get_by_role("button", name="go on with theirs").click()
    expect(other.get_by_role("heading", name=re.compile("Make ready"))).to_be_visible()
    assert done(database[1], 102)["receive"]["ended"] == before
    other.context.close()


@pytest.mark.parametrize(("word", "counts"), [("with mine", 442.1), ("go on with theirs", 441.5)])
def test_a_reading_that_somebody_else_took_too_is_not_dropped(
    page: Page, demo: None, database: tuple[str, Engine], word: str, counts: float
):
    open_bench(page, 102)
    until(page, "Cut the rails")
    page.wait_for_load_state("networkidle")
    write(database[1], 102, Edit(at="pins/rail.width", to={"mm": 441.5, "typed": "441.5", "tool": "rule"}))
    field = page.get_by_label("rail, outside width, long point")
    field.fill("442.1")
    field.press("Enter")
    alert = page.get_by_role("alert").filter(has_text="was at it too meanwhile")
    expect(alert).to_contain_text("Yours: 442.1.")
    assert axe(page) == []
    alert.get_by_role("button", name=word).click()
    expect(alert).to_have_count(0)
    expect(page.get_by_role("banner").get_by_role("status")).to_have_text("saved")
    assert pins(database[1], 102)["rail.width"] == counts


def test_a_gauge_writes_where_the_reading_is_asked_and_what_goes_wrong_is_told(
    page: Page, demo: None, gauge: Service, database: tuple[str, Engine]
):
    def press(value: float, device: str = "caliper-1", **more: object) -> None:
        body = {"device": device, "value": value, **more}
        assert httpx.post(f"{gauge.url}/press", json=body, trust_env=False).status_code == 204

    open_bench(page, 102)
    page.get_by_role("button", name="gauge").click()
    listening = page.get_by_role("button", name=re.compile("^gauge:"))
    expect(listening).to_contain_text("caliper 1, tape 1")
    until(page, "Cut the rails")
    press(442.1, how="twice")
    expect(page.get_by_label("rail, outside width, long point")).to_have_value("442.1")
    expect(page.get_by_label("rail, outside height, long point")).to_be_focused()
    press(17, how="lost")
    press(25.31, unit="in", battery=0.1)
    expect(page.get_by_label("rail, outside height, long point")).to_have_value("642.87")
    expect(listening).to_contain_text("1 before it not heard; its battery is low")
    page.wait_for_load_state("networkidle")
    kept = pins(database[1], 102)
    assert (kept["rail.width"], round(kept["rail.height"], 2)) == (442.1, 642.87)

    press(3, how="nonsense")
    expect(listening).to_contain_text("caliper 1 sent something that is no length")
    until(page, "Measure the frame")
    press(424.2, "tape-1", how="late")
    expect(page.get_by_role("alert")).to_contain_text("tape 1: 424.2 mm, which no open field has taken")
    expect(page.locator(".bench-checks .now input")).to_have_value("")
    page.get_by_role("button", name="take it here").click()
    expect(page.get_by_label("inside width, top")).to_have_value("424.2")
    listening.click()


def test_what_counts_is_large_enough_for_two_metres(page: Page, demo: None):
    """A letter is read at five minutes of arc (ISO 8596, from memory): 2.9 mm from two metres.

    A tablet of ten inches shows 1280 px over 217 mm; capitals are 0.64 of the type's size.
    """
    open_bench(page, 102)
    until(page, "Cut the rails")
    for what in ("h2", ".bench-checks .now input", FORWARD):
        px = page.locator(what).first.evaluate("e => parseFloat(getComputedStyle(e).fontSize)")
        assert px * 0.64 * 217 / 1280 >= 2.9, what
    small = page.locator(".bench-target, .bench-word").evaluate_all(
        "all => all.map(e => e.getBoundingClientRect()).filter(b => b.height < 52 || b.width < 52).length"
    )
    assert small == 0


ARC_MINUTE_MM = 2000 * math.tan(math.radians(1 / 60))
"""What one minute of arc covers from two metres: the least that a normal eye tells apart (ISO 8596, from memory)."""


def read_from_two_metres(page: Page, selector: str, folder: Path) -> str:
    """What a general reader of print makes of a part of the page, with one dot to each minute of arc."""
    shot = PIL.Image.open(io.BytesIO(page.locator(selector).first.screenshot())).convert("L")
    shot = shot.crop((0, 0, shot.width, round(shot.height * 0.88)))  # a field's line is not its writing
    seen = 217 / 1280 / ARC_MINUTE_MM
    small = shot.resize((round(shot.width * seen), round(shot.height * seen)), PIL.Image.Resampling.BOX)
    margin = PIL.ImageOps.expand(small, 4, fill=small.tobytes()[small.width + 1])
    margin.resize((margin.width * 5, margin.height * 5), PIL.Image.Resampling.BICUBIC).save(folder / "seen.png")
    command = ["tesseract", str(folder / "seen.png"), "-", "--psm", "7"]
    return subprocess.run(command, capture_output=True, text=True, check=True).stdout


@pytest.mark.skipif(shutil.which("tesseract") is None, reason="no reader of print is installed")
def test_step_reading_and_key_are_read_from_a_picture_as_seen_from_two_metres(page: Page, demo: None, tmp_path: Path):
    page.set_viewport_size({"width": 800, "height": 1280})
    open_bench(page, 102)
    until(page, "Cut the rails")
    assert "Cut the rails" in read_from_two_metres(page, "h2", tmp_path)
    assert "next reading" in read_from_two_metres(page, FORWARD, tmp_path)
    page.locator(".bench-checks .now input").first.fill("638.5")
    assert "638.5" in read_from_two_metres(page, ".bench-checks .now input", tmp_path)


def test_a_gauge_types_into_the_reading_that_has_the_focus(page: Page, demo: None, gauge: Service):
    page.goto("/jobs/102?at=measure")
    page.get_by_role("button", name="more", exact=True).click()
    page.get_by_role("menuitem", name="Listen to the gauge").click()
    expect(page.get_by_text("caliper 1, tape 1")).to_be_visible()
    field = page.get_by_label("Width along the top", exact=True)
    field.focus()
    body = {"device": "caliper-1", "value": 411.9}
    httpx.post(f"{gauge.url}/press", json=body, trust_env=False)
    expect(field).to_have_value("411.9")
    expect(page.get_by_label("Tool for: Width along the top", exact=True)).to_have_value("caliper")
    expect(page.get_by_label("Width along the bottom", exact=True)).to_be_focused()
    page.get_by_role("button", name="more", exact=True).click()
    page.get_by_role("menuitem", name="Do not listen").click()
