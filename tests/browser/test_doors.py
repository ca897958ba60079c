"""Through the door: set up, join, pair, sign out, and come back to what was left open."""

import re
from collections.abc import Iterator

import pytest
from playwright.sync_api import Browser, Page, Route, expect
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.demo.shop import demo_shop
from shadbo.store.jobs import Jobs
from shadbo.store.workshops import Workshops
from tests.browser.conftest import axe
from tests.database import fresh_database
from tests.making import job
from tests.server import Server

PASSWORD = "tide bell lantern"


@pytest.fixture(scope="module")
def locked() -> Iterator[tuple[Server, Engine, str]]:
    """A locked house with one job, started for the first time: the server, its database, the code that it printed."""
    with fresh_database("locked") as (url, engine):
        with Session(engine) as s, s.begin():
            Workshops(s).add("netloft", demo_shop())
            Jobs(s, "netloft").make(job().model_copy(update={"title": "Evening on the slip"}), "made-1")
        server = Server(url, "locked", SHADBO_UNLOCKED="no")
        server.log.unlink(missing_ok=True)
        server.start()
        code = re.findall(r"good for a day: (\S+)", server.log.read_text())[-1]
        yield server, engine, code
        server.kill()


def device(chromium: Browser, server: Server) -> Page:
    """A device with cookies of its own."""
    return chromium.new_context(base_url=server.url, viewport={"width": 1280, "height": 800}).new_page()


def test_a_workshop_is_set_up_joined_and_left(chromium: Browser, locked: tuple[Server, Engine, str]):
    server, engine, code = locked
    owner, hand, bench = (device(chromium, server) for _ in range(3))

    owner.goto("/")
    expect(owner.get_by_role("heading", name="Set up the workshop")).to_be_visible()
    assert axe(owner) == []
    owner.get_by_label("Code").fill(code)
    owner.get_by_label("Your name").fill("Hedda Sorrel")
    owner.get_by_label("Password").fill("short")
    owner.get_by_role("button", name="Open the workshop").click()
    expect(owner.get_by_label("Password")).to_have_attribute("aria-invalid", "true")
    expect(owner.get_by_label("Your name")).to_have_value("Hedda Sorrel")
    owner.get_by_label("Password").fill(PASSWORD)
    owner.keyboard.press("Enter")
    expect(owner.get_by_role("heading", name="On the rack")).to_be_visible()

    owner.get_by_role("link", name="People").click()
    owner.get_by_label("Name").fill("Jory Lusk")
    owner.get_by_role("region", name="Somebody new").get_by_role("button", name="apprentice").click()
    owner.get_by_role("button", name="Add, and give a code").click()
    joining = shown(owner, "Jory Lusk")
    assert axe(owner) == []

    hand.goto("/jobs/101")
    assert axe(hand) == []
    hand.get_by_role("button", name="I was given a code").click()
    hand.get_by_label("Code").fill(joining.lower())
    hand.get_by_label("New password").fill(PASSWORD)
    hand.get_by_role("button", name="Come in").click()
    expect(hand.get_by_role("heading", name="Evening on the slip")).to_be_visible()

    title = hand.get_by_label("What it is")
    hand.goto("/jobs/101?at=receive")
    expect(title).to_have_value("Evening on the slip")

    def let_out(route: Route) -> None:
        """Ends the hand's session just before what was typed is saved: not earlier, or the door hides the field."""
        with Session(engine) as s, s.begin():
            s.execute(text("delete from sessions where person_id = (select id from people where name = 'Jory Lusk')"))
        route.continue_()

    hand.route(re.compile("/api/jobs/101/edits$"), let_out, times=1)
    title.fill("Evening on the slip, 2nd")
    title.press("Enter")
    expect(hand.get_by_role("heading", name="Who is it?")).to_be_visible()
    expect(hand.get_by_text("What you had open is still there")).to_be_visible()
    hand.get_by_label("Name").fill("jory lusk")
    hand.get_by_label("Password").fill(PASSWORD)
    hand.keyboard.press("Enter")
    expect(hand.get_by_role("heading", name="Evening on the slip, 2nd")).to_be_visible()
    expect(hand.get_by_text(re.compile("^saved"))).to_be_visible(timeout=20_000)
    hand.get_by_role("button", name="history").click()
    expect(hand.get_by_text("changed by Jory Lusk")).to_be_visible()

    owner.get_by_label("The bench that it lies on").fill("Long bench")
    owner.get_by_role("button", name="Pair a tablet").click()
    pairing = shown(owner, "Long bench")
    bench.goto("/")
    bench.get_by_role("button", name="This is the tablet of a bench").click()
    bench.get_by_label("Code").fill(pairing)
    bench.get_by_role("button", name="Pair this tablet").click()
    expect(bench.get_by_role("heading", name="On the rack")).to_be_visible()
    expect(bench.get_by_role("button", name="New job")).to_have_count(0)
    expect(bench.get_by_role("link", name="People")).to_have_count(0)

    leaves = owner.get_by_role("listitem").filter(has_text="Jory Lusk").get_by_role("button", name="Leaves")
    leaves.click()
    owner.get_by_role("button", name="Jory Lusk leaves: press again").click()
    expect(owner.get_by_role("listitem").filter(has_text="Jory Lusk")).to_have_count(0)
    hand.reload()
    expect(hand.get_by_role("heading", name="Who is it?")).to_be_visible()

    owner.get_by_role("banner").get_by_role("button", name="Hedda Sorrel").click()
    owner.get_by_role("menuitem", name="Another password").click()
    owner.get_by_label("So far").fill("not this one at all")
    owner.get_by_label("From now on").fill("pewter gull harbour")
    owner.get_by_role("button", name="Change it").click()
    expect(owner.get_by_text("that is not the password so far")).to_be_visible()
    owner.get_by_label("So far").fill(PASSWORD)
    owner.get_by_role("button", name="Change it").click()
    expect(owner.get_by_role("dialog")).to_have_count(0)
    owner.get_by_role("banner").get_by_role("button", name="Hedda Sorrel").click()
    owner.get_by_role("menuitem", name="Sign out").click()
    expect(owner.get_by_role("heading", name="Who is it?")).to_be_visible()
    expect(owner.get_by_text("still there")).to_have_count(0)


def shown(page: Page, who: str) -> str:
    """The code that is shown for somebody."""
    told = page.get_by_role("status").filter(has_text=f"For {who}")
    expect(told).to_be_visible()
    found = re.search(r"[A-Z2-9]{5}-[A-Z2-9]{5}", told.inner_text())
    assert found is not None
    return found.group()


def test_the_demo_is_its_owners_and_changes_hands_without_a_password(
    page: Page, empty: None, database: tuple[str, Engine]
):
    from shadbo.store.people import People

    with Session(database[1]) as s, s.begin():
        s.execute(text("delete from people"))
        People(s, "netloft").add("Hedda Sorrel", "owner")
        People(s, "netloft").add("Jory Lusk", "apprentice")
    try:
        page.goto("/")
        page.get_by_role("button", name="Hedda Sorrel").click()
        page.get_by_role("menuitem", name="Be Jory Lusk").click()
        expect(page.get_by_role("button", name="Jory Lusk · apprentice")).to_be_visible()
        page.goto("/stock")
        expect(page.get_by_role("heading", name="In the racks")).to_be_visible()
        expect(page.get_by_text("Take stock in from a table")).to_have_count(0)
    finally:
        page.context.clear_cookies()
        with Session(database[1]) as s, s.begin():
            s.execute(text("delete from people"))
