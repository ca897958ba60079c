"""From a key press to the new drawing in Chromium, on loopback. Run: script/bench keypress"""

from playwright.sync_api import sync_playwright

from bench.common import machine, show
from bench.serving import serving

WATCH = """() => {
  window.times = [];
  let pressed = 0;
  document.addEventListener('input', () => { pressed = performance.now(); }, true);
  new MutationObserver(() => {
    if (!pressed) return;
    const at = pressed; pressed = 0;
    requestAnimationFrame(() => window.times.push(performance.now() - at));
  }).observe(document.querySelector('.drawing'), {childList: true, subtree: true});
}"""


def main() -> None:
    print(machine())
    with serving() as server, sync_playwright() as p:
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=["--no-sandbox", "--disable-gpu"])
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        for station, label, usual in (("sizes", "Gap, each side", 3), ("measure", "Width along the top", 412)):
            page.goto(f"{server.url}/jobs/102?at={station}")
            field = page.get_by_label(label, exact=True)
            field.wait_for()
            page.wait_for_load_state("networkidle")
            page.evaluate(WATCH)
            field.focus()
            for n in range(60):
                field.press("Control+a")
                for key in str(usual + n % 7):  # a size that can be is drawn at its last key
                    page.keyboard.press(key)
                    page.wait_for_timeout(180)
            times = page.evaluate("window.times")
            assert len(times) >= 50, "nothing was drawn anew"
            show(f"key press to drawing: {label}", times, "< 120 ms")
            page.keyboard.press("Escape")
        browser.close()


if __name__ == "__main__":
    main()
