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


def sign_in(browser: Browser, url: str, password: str, size: dict[str, int]) -> Page:
    page = browser.new_context(viewport=size).new_page()
    page.goto(url)
    page.get_by_label("Name").fill("fabricator")
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
    page.wait_for_timeout(900)


def picture(page: Page, name: str) -> None:
    page.screenshot(path=PICTURES / f"{name}.png")


def two_plates(page: Page) -> None:
    """Wren's motor on a plate of its own, on four standoffs: unsaved, so that the demo stays as it is."""
    page.get_by_role("tab", name="Plate", exact=True).click()
    page.get_by_label("Built as").select_option("two plates on standoffs")
    for label, text in (
        ("Motor plate, thickness", "12 mm"),
        ("Standoffs", "4"),
        ("On a circle of", "200 mm"),
        ("First at", "20 deg"),
        ("Hole in each plate", "13 mm"),
        ("Diameter of a leg", "25 mm"),
        ("Bored through", "13 mm"),
        ("Bore, gearbox plate", "80 mm"),
    ):
        page.get_by_label(label, exact=True).fill(text)
        page.get_by_label(label, exact=True).press("Enter")
        page.wait_for_timeout(300)
    page.get_by_label("Legs are made of").select_option("steel")
    for k, text in enumerate(("60.2 mm", "60.0 mm", "59.8 mm", "60.0 mm"), start=1):
        page.get_by_label(f"S{k} as measured").fill(text)
        page.get_by_label(f"S{k} as measured").press("Enter")
        page.wait_for_timeout(300)
    page.get_by_role("radio", name="Motor plate").click()
    page.wait_for_timeout(500)


def main(url: str, password: str) -> None:
    PICTURES.mkdir(parents=True, exist_ok=True)
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        page = sign_in(browser, url, password, DESK)
        picture(page, "jobs")
        for job, step, name in [
            ("Wren", "Brief", "brief"),
            ("Wren", "Ratios", "ratios"),
            ("Bittern", "Ratios", "ratios-out-of-speed"),
            ("Wren", "Adapter plate", "plate"),
        ]:
            open_step(page, job, step)
            picture(page, name)
        plate = page.url
        for job, step, tab, name in [
            ("Wren", "Ratios", "What could stand in the line", "ratios-parts"),
            ("Bittern", "Brief", "Masses", "brief-masses"),
            ("Bittern", "Brief", "As it was", "brief-as-it-was"),
        ]:
            open_step(page, job, step)
            page.get_by_role("tab", name=tab).click()
            page.wait_for_timeout(300)
            picture(page, name)
        page.goto(plate)
        page.wait_for_timeout(900)
        page.get_by_role("button", name="Least ligament").click()
        page.get_by_role("button", name="Turn over").click()
        page.get_by_role("tab", name="Motor").click()
        page.wait_for_timeout(300)
        picture(page, "plate-gearbox-side")
        page.get_by_role("tab", name="Parts").click()
        page.wait_for_timeout(300)
        picture(page, "plate-parts")
        page.get_by_role("button", name="Release anew").click()
        page.wait_for_timeout(300)
        picture(page, "plate-release")
        page.get_by_role("button", name="Not yet").click()
        two_plates(page)
        picture(page, "plate-two")
        phone = sign_in(browser, url, password, PHONE)
        open_step(phone, "Bittern", "Ratios")
        picture(phone, "ratios-phone")
        open_step(phone, "Wren", "Adapter plate")
        phone.get_by_role("region", name="One reading at a time").scroll_into_view_if_needed()
        phone.wait_for_timeout(300)
        picture(phone, "plate-phone")
        browser.close()


if __name__ == "__main__":
    main(*sys.argv[1:3])
