"""Takes the pictures in docs/screenshots from a running demo: ``scripts/screenshots.py URL PASSWORD``.

Run it against ``./start --fresh``, with the Python of ./test, which has Playwright.
"""

import sys
from pathlib import Path

from playwright.sync_api import Browser, Page, sync_playwright

PICTURES = Path(__file__).parents[1] / "docs" / "screenshots"
FLAGS = ["--no-sandbox", "--disable-dev-shm-usage", "--disable-quic", "--disable-background-networking"]
DESK = {"width": 1280, "height": 800}
PHONE = {"width": 390, "height": 844}


def sign_in(browser: Browser, url: str, password: str, size: dict[str, int], name: str = "fabricator") -> Page:
    page = browser.new_context(viewport=size).new_page()
    page.goto(url)
    page.get_by_label("Name").fill(name)
    page.get_by_label("Password").fill(password)
    if size is DESK:
        page.screenshot(path=PICTURES / "sign-in.png")
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("heading", name="Jobs").wait_for()
    page.wait_for_timeout(400)
    return page


def open_step(page: Page, job: str, step: str) -> None:
    page.get_by_role("link", name="Fernback: all jobs").click() if "/jobs/" in page.url else None
    page.get_by_role("link", name=job).first.click()
    page.get_by_role("navigation", name="Steps").get_by_role("link", name=step).click()
    page.get_by_role("heading", name="Checks").first.wait_for()
    page.wait_for_timeout(900)


def picture(page: Page, name: str) -> None:
    page.screenshot(path=PICTURES / f"{name}.png")


def the_people(browser: Browser, url: str, password: str) -> None:
    owner = sign_in(browser, url, password, PHONE, "owner")
    owner.set_viewport_size(DESK)
    owner.get_by_role("link", name="People of").click()
    owner.get_by_role("heading", name="At the doors").wait_for()
    owner.wait_for_timeout(400)
    picture(owner, "people")


def main(url: str, password: str) -> None:
    PICTURES.mkdir(parents=True, exist_ok=True)
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        page = sign_in(browser, url, password, DESK)
        picture(page, "jobs")
        the_people(browser, url, password)
        for job, step, name in [
            ("Wren", "Brief", "brief"),
            ("Wren", "Ratios", "ratios"),
            ("Bittern", "Ratios", "ratios-out-of-speed"),
            ("Bittern", "Placement", "placement"),
            ("Wren", "Coupler", "coupler"),
            ("Plover", "Mounts", "mounts"),
            ("Plover", "Axles & propshafts", "axles"),
            ("Wren", "Adapter plate", "plate"),
        ]:
            open_step(page, job, step)
            picture(page, name)
        open_step(page, "Bittern", "Brief")
        page.get_by_role("tab", name="Masses").click()
        page.wait_for_timeout(300)
        picture(page, "brief-masses")
        open_step(page, "Plover", "Placement")
        page.get_by_role("tab", name="Way in").click()
        page.get_by_label("Play it back").fill("0.3")
        page.wait_for_timeout(300)
        picture(page, "placement-way-in")
        open_step(page, "Bittern", "Mounts")
        page.get_by_role("tab", name="Frame").click()
        page.wait_for_timeout(300)
        picture(page, "mounts-frame")
        open_step(page, "Bittern", "Axles & propshafts")
        shown = page.get_by_role("group", name="Shafts shown")
        shown.get_by_role("button", name="Front propshaft").click()
        page.wait_for_timeout(300)
        picture(page, "axles-propshaft")
        open_step(page, "Wren", "Coupler")
        page.get_by_role("button", name="Take 10.70").click()
        page.get_by_role("tab", name="Order").click()
        page.wait_for_timeout(9000)  # till the ranges of the margins are there
        picture(page, "coupler-solved")
        phone = sign_in(browser, url, password, PHONE)
        open_step(phone, "Wren", "Adapter plate")
        phone.get_by_role("region", name="One reading at a time").scroll_into_view_if_needed()
        phone.wait_for_timeout(300)
        picture(phone, "plate-phone")
        browser.close()


if __name__ == "__main__":
    main(*sys.argv[1:3])
