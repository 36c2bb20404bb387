"""From a key to the painted answer, in Chromium: ``python bench/keystroke.py URL PASSWORD``, against a running ./start.

Figures are typed and entered on the three benches of Wren. A keystroke ends at the first frame that is
painted after the screen has changed. Printed: median and 95th percentile, against the slowest empty call of the same
run; bytes on the wire; and what the first page weighs before a bench is opened.
"""

import statistics
import sys
from typing import Any

from playwright.sync_api import Page, sync_playwright

FLAGS = ["--no-sandbox", "--disable-dev-shm-usage", "--disable-quic", "--disable-background-networking"]
ROUNDS = 30
WATCH = """() => {
  window.took = [];
  let began = null;
  addEventListener('keydown', (event) => { if (event.key === 'Enter') began = performance.now(); }, true);
  const ledger = document.querySelector('main').parentElement;
  new MutationObserver(() => {
    const calls = performance.getEntriesByType('resource').filter((one) => one.name.includes('/evaluate'));
    if (began === null || !calls.some((one) => one.responseEnd > began)) return;
    const from = began;
    began = null;
    requestAnimationFrame(() => setTimeout(() => window.took.push(performance.now() - from)));
  }).observe(ledger, { subtree: true, childList: true, characterData: true, attributes: true });
}"""
EMPTY = """async () => {
  const took = [];
  for (let k = 0; k < 20; k++) {
    const from = performance.now();
    await (await fetch('/api/session')).text();
    took.push(performance.now() - from);
  }
  return took;
}"""
SIZES = """() => performance.getEntriesByType('resource').filter((one) => one.name.includes('/evaluate'))
  .map((one) => one.transferSize)"""
FIRST = """() => performance.getEntriesByType('resource').concat(performance.getEntriesByType('navigation'))
  .map((one) => ({ name: one.name, bytes: one.transferSize }))"""


def opened(page: Page, url: str, password: str) -> list[dict[str, Any]]:
    """Sign in; return what the first page fetched."""
    page.goto(url)
    page.get_by_label("Name").fill("fabricator")
    page.get_by_label("Password").fill(password)
    first: list[dict[str, Any]] = page.evaluate(FIRST)
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("heading", name="Jobs").wait_for()
    return first


def typed(page: Page, bench: str, tab: str, label: str, texts: list[str]) -> tuple[list[float], list[int], list[float]]:
    page.get_by_role("link", name="Wren").first.click()
    page.get_by_role("navigation", name="Steps").get_by_role("link", name=bench).click()
    page.get_by_role("tab", name=tab).click()
    field = page.get_by_label(label, exact=True)
    field.wait_for()
    page.wait_for_timeout(1500)
    page.evaluate("() => performance.clearResourceTimings()")
    page.evaluate(WATCH)
    for k, text in enumerate(texts):
        field.fill(text)
        field.press("Enter")
        page.wait_for_function(f"() => window.took.length > {k}", timeout=15_000)
        page.wait_for_timeout(60)
    took: list[float] = page.evaluate("() => window.took")
    sizes: list[int] = page.evaluate(SIZES)
    return took, sizes, page.evaluate(EMPTY)


def told(name: str, took_ms: list[float], sizes: list[int], empty_ms: list[float]) -> None:
    in_turn = sorted(took_ms)
    p95 = in_turn[int(0.95 * len(in_turn))]
    print(
        f"{name:8} median {statistics.median(in_turn):6.1f} ms, p95 {p95:6.1f}, {p95 / max(empty_ms):4.1f} times the "
        f"slowest empty call ({max(empty_ms):.1f} ms); on the wire at most {max(sizes) / 1000:.1f} kB"
    )


def main(url: str, password: str) -> None:
    with sync_playwright() as play:
        browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        page = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
        first = opened(page, url, password)
        total = sum(one["bytes"] for one in first)
        benches = [one["name"] for one in first if "/Bench-" in one["name"]]
        print(f"first page: {total / 1000:.0f} kB in {len(first)} files, benches in it: {benches or 'none'}")
        turns = [f"-{4 + k / 10:.1f} deg" for k in range(ROUNDS)]
        told("plate", *typed(page, "Adapter plate", "Motor", "Motor turned by", turns))
        page.get_by_role("link", name="Fernback: all jobs").click()
        ratings = [f"{1600 + 10 * k} Nm" for k in range(ROUNDS)]
        told("ratios", *typed(page, "Ratios", "What could stand in the line", "Axle torque, both sides", ratings))
        page.get_by_role("link", name="Fernback: all jobs").click()
        masses = [f"{1050 + k} kg" for k in range(ROUNDS)]
        told("brief", *typed(page, "Brief", "Where it stands", "Kerb mass", masses))
        browser.close()


if __name__ == "__main__":
    main(*sys.argv[1:3])
