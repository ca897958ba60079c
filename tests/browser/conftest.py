from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pytest
from playwright.sync_api import Browser, ConsoleMessage, Error, Page, Playwright, expect, sync_playwright
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.store.jobs import Jobs
from shadbo.store.workshops import Workshops
from tests.database import fresh_database
from tests.server import Server
from tests.stand_ins import Cutter, Service

ARGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--disable-component-update",
    "--no-first-run",
    # One process draws all pages, one after another: to start one for each costs as much as the page itself.
    "--process-per-site",
    "--disable-site-isolation-trials",
    "--disable-features=IsolateOrigins,site-per-process",
]
AXE = Path(__file__).parents[2] / "frontend/node_modules/axe-core/axe.min.js"
expect.set_options(timeout=10_000)


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """A browser test that fails is run again, twice at most: the summary names it, and what it met is looked into."""
    here = Path(__file__).parent
    for item in items:
        if here in item.path.parents:
            item.add_marker(pytest.mark.flaky(reruns=2))


@pytest.fixture(scope="session")
def database() -> Iterator[tuple[str, Engine]]:
    with fresh_database("shadbo_browser_tests") as both:
        with Session(both[1]) as s, s.begin():
            Workshops(s).add("netloft", demo_shop())
        yield both


@pytest.fixture(scope="session")
def gauge() -> Iterator[Service]:
    """A caliper and a tape with a key."""
    with Service("gauge") as service:
        yield service


@pytest.fixture(scope="session")
def server(database: tuple[str, Engine], gauge: Service) -> Iterator[Server]:
    """The server, a mat cutter a hundred times quicker than a real one, and the gauge of a bench."""
    cutter = Cutter(pace=100)
    heard = f"ws://127.0.0.1:{gauge.port}/readings"
    server = Server(database[0], "browser", workers=1, SHADBO_CUTTER_URL=cutter.url, SHADBO_GAUGE_URL=heard)
    cutter.begin()
    server.start()
    with cutter:
        yield server
    server.kill()


@pytest.fixture(scope="session")
def playing() -> Iterator[Playwright]:
    """One a process: it keeps a loop of its own running."""
    with sync_playwright() as p:
        yield p


@pytest.fixture(scope="session")
def chromium(playing: Playwright) -> Iterator[Browser]:
    browser = playing.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
    yield browser
    browser.close()


def clear(session: Session) -> None:
    """Take all jobs off the rack, once the server has done with those that it was asked about before."""
    session.execute(text("update workshops set last_job = 100"))
    session.execute(text("lock table jobs in access exclusive mode"))
    session.execute(text("delete from jobs"))


@pytest.fixture
def empty(database: tuple[str, Engine]) -> None:
    """A rack without jobs."""
    with Session(database[1]) as s, s.begin():
        clear(s)


@pytest.fixture(scope="session")
def demo_rows(database: tuple[str, Engine]) -> tuple[str, ...]:
    """The rows of the demo jobs, made once and kept in tables of their own."""
    tables = ("jobs", "revisions")
    with Session(database[1]) as s, s.begin():
        clear(s)
        for n, job in enumerate(demo_jobs()):
            Jobs(s, "netloft").make(job, f"demo-{n}")
        s.flush()
        for table in tables:
            s.execute(text(f"create table kept_{table} as table {table}"))
    return tables


@pytest.fixture
def demo(database: tuple[str, Engine], demo_rows: tuple[str, ...], empty: None) -> None:
    """The jobs of the demo workshop, from 101."""
    with Session(database[1]) as s, s.begin():
        for table in demo_rows:
            s.execute(text(f"insert into {table} select * from kept_{table}"))
        s.execute(text("update workshops set last_job = 100 + (select count(*) from kept_jobs)"))


FRESH = "fresh"
"""The cookie at which a page forgets what is stored, before it runs: to load another one for that costs too much."""
FORGETS = f"""if (location.protocol === "http:" && document.cookie.includes("{FRESH}=")) {{
    localStorage.clear();
    sessionStorage.clear();
    document.cookie = "{FRESH}=; max-age=0; path=/";
}}"""


@pytest.fixture(scope="session")
def window(chromium: Browser, server: Server) -> Page:
    """The one window of all tests: to open one costs more than most tests."""
    context = chromium.new_context(base_url=server.url)
    context.add_init_script(FORGETS)
    return context.new_page()


@pytest.fixture
def page(window: Page, server: Server) -> Iterator[Page]:
    """A page at 1280 × 800, with nothing stored, that fails the test when the page itself throws."""
    if server.process is None:  # a test that had cut it off has failed before it came back
        server.start()
    window.set_viewport_size({"width": 1280, "height": 800})
    window.context.add_cookies([{"name": FRESH, "value": "yes", "url": server.url}])
    thrown: list[str] = []

    def note(error: Error) -> None:
        thrown.append(str(error))

    def heard(message: ConsoleMessage) -> None:
        if "Content Security Policy" in message.text:
            thrown.append(message.text)

    window.on("pageerror", note)
    window.on("console", heard)
    yield window
    window.unroute_all(behavior="ignoreErrors")
    window.goto("about:blank")
    window.remove_listener("pageerror", note)
    window.remove_listener("console", heard)
    assert thrown == []


@contextmanager
def slow_line(page: Page, late: int) -> Iterator[None]:
    """Each answer comes `late` ms later. The browser waits: a handler that sleeps outlives its test."""
    line = page.context.new_cdp_session(page)
    kept = {"offline": False, "downloadThroughput": -1, "uploadThroughput": -1}
    line.send("Network.enable")
    line.send("Network.emulateNetworkConditions", {**kept, "latency": late})
    try:
        yield
    finally:
        line.send("Network.emulateNetworkConditions", {**kept, "latency": 0})
        line.detach()


def axe(page: Page) -> list[str]:
    """What the accessibility engine finds against WCAG 2.2 AA and its best practices."""
    if not page.evaluate("() => 'axe' in window"):
        page.evaluate(AXE.read_text())
    tags = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"]
    run = """tags => axe.run(document, {runOnly: {type: 'tag', values: tags}, resultTypes: ['violations']})
        .then(found => found.violations.map(v =>
            `${v.id}: ${v.help} — ${v.nodes.slice(0, 3).map(n => n.html.slice(0, 160))}`))"""
    found: list[str] = page.evaluate(run, tags)
    return found
