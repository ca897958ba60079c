"""Takes the pictures of docs/screenshots from the demo data. Run: script/bench screenshots"""

from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from bench.serving import serving

OUT = Path(__file__).parents[1] / "docs" / "screenshots"


def rest(page: Page) -> None:
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(700)


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
        shot("receive", "/jobs/108?at=receive")
        shot("measure", "/jobs/104?at=measure")
        shot("stretch", "/jobs/107?at=measure", "button:text-is('Stretch')")
        shot("display", "/jobs/108?at=display")
        shot("window-mat", "/jobs/108?at=depth")
        shot("needlework", "/jobs/114?at=sizes")
        shot("two-panes", "/jobs/113?at=sizes")
        shot("bought-box", "/jobs/112?at=depth")
        shot("bowed", "/jobs/110?at=sizes")
        shot("poster-rails", "/jobs/116?at=sizes", "button:text-is('Edge section')")
        shot("sizes", "/jobs/101?at=sizes")
        shot("depth", "/jobs/102?at=depth")
        shot("stop-and-working", "/jobs/103?at=depth", "text=Pad wanted")
        shot("mount", "/jobs/101?at=mount")
        shot("parts", "/jobs/102?at=parts")
        shot("hang", "/jobs/102?at=hang", "button[aria-pressed]:has-text('in') >> nth=-1")
        page.evaluate("localStorage.clear()")
        page.set_viewport_size({"width": 800, "height": 1180})
        shot("tablet", "/jobs/102?at=depth")
        browser.close()


if __name__ == "__main__":
    main()
