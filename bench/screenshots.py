"""Takes the pictures of docs/screenshots from the demo data. Run: script/bench screenshots"""

from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from bench.serving import serving

OUT = Path(__file__).parents[1] / "docs" / "screenshots"


def rest(page: Page) -> None:
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(700)


def measured_at_the_bench(page: Page) -> None:
    """A floater's frame, two of its readings taken."""
    page.goto("/jobs/102/bench")
    for _ in range(40):
        rest(page)
        if page.locator("h2").first.inner_text().startswith("Measure the frame"):
            break
        early, field = page.get_by_role("button", name="Go on all the same"), page.locator(".bench-checks .now input")
        if early.count():
            early.click()
        elif field.count():
            page.keyboard.type(field.get_attribute("placeholder") or "")
            page.keyboard.press("Enter")
        else:
            page.keyboard.press("PageDown")
    for reading in ("424.5", "426"):
        page.keyboard.type(reading)
        page.keyboard.press("Enter")
        rest(page)


def main() -> None:
    OUT.mkdir(parents=True, exist_ok=True)
    with serving() as server, sync_playwright() as p:
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=["--no-sandbox", "--disable-gpu"])
        page = browser.new_page(viewport={"width": 1280, "height": 800}, base_url=server.url)

        def shot(name: str, path: str, *clicks: str) -> None:
            page.goto(path)
            rest(page)
            for click in clicks:
                page.locator(click).first.click()
                rest(page)
            page.screenshot(path=OUT / f"{name}.png")
            print(f"docs/screenshots/{name}.png")

        shot("rack", "/")
        shot("stock", "/stock", "button:has-text('Hawser 30')")
        shot("settings", "/settings", "button:has-text('Sizes, borders')", "button:has-text('Border of a mat')")
        shot("weeks", "/weeks", "button:has-text('118 Shirt')", "button:has-text('When is it ready?')")
        shot("today", "/today")
        shot("learned", "/learned", "button:has-text('What would it change?')")
        shot("record", "/jobs/93/record")
        shot("practice", "/practice", "button:has-text('the whole sum')")
        shot("measure", "/jobs/104?at=measure")
        shot("display", "/jobs/108?at=display")
        shot("depth", "/jobs/102?at=depth")
        shot("stop-and-working", "/jobs/103?at=depth", "text=Pad wanted")
        shot("shadow-box", "/jobs/119?at=sizes", ".move-row >> nth=-1")
        shot("jersey-box", "/jobs/118?at=sizes")
        shot("apart", "/jobs/118?at=depth", "button:text-is('Taken apart')")
        shot("papers", "/jobs/118?at=mount", "button:text-is('Paper & files')")
        shot("wait", "/jobs/105/bench")
        measured_at_the_bench(page)
        rest(page)
        page.screenshot(path=OUT / "bench.png")
        page.set_viewport_size({"width": 800, "height": 1180})
        shot("tablet", "/jobs/102?at=depth")
        browser.close()


if __name__ == "__main__":
    main()
