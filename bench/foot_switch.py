"""From the foot switch to the next step on the screen in Chromium, on loopback. Run: script/bench foot_switch"""

from playwright.sync_api import sync_playwright

from bench.common import machine, show
from bench.serving import serving

JOBS = (101, 102, 108, 110, 118, 119)
PRESSES = 60
WATCH = """() => {
  window.steps = [];
  let pressed = 0;
  const step = () => document.querySelector('.bench-grid h2')?.textContent ?? '';
  let before = step();
  window.addEventListener('keydown', () => { pressed = performance.now(); before = step(); }, true);
  new MutationObserver(() => {
    if (!pressed || step() === before) return;
    const at = pressed; pressed = 0;
    requestAnimationFrame(() => window.steps.push(performance.now() - at));
  }).observe(document.body, {childList: true, subtree: true, characterData: true});
}"""


def main() -> None:
    print(machine())
    with serving() as server, sync_playwright() as p:
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=["--no-sandbox", "--disable-gpu"])
        page = browser.new_page(viewport={"width": 800, "height": 1280})
        for job in JOBS:
            page.goto(f"{server.url}/jobs/{job}/bench")
            page.get_by_role("heading", level=1).wait_for()
            page.wait_for_load_state("networkidle")
            page.evaluate(WATCH)
            for n in range(PRESSES):
                reading = page.evaluate("document.activeElement?.closest('[data-reads]')?.dataset.reads ?? ''")
                if reading:  # a reading is not what is timed: turn round
                    page.keyboard.press("Tab")
                page.keyboard.press("PageUp" if reading or n % 15 > 9 else "PageDown")
                page.wait_for_timeout(250)
            took = page.evaluate("window.steps")
            if took:
                show(f"foot switch to next step: job {job}", took, "< 100 ms")
        browser.close()


if __name__ == "__main__":
    main()
