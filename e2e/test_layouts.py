"""From a blank job: a transaxle's gearing, the first axle, and readings that stay as they were set."""

import re

from playwright.sync_api import Page, expect

from e2e.browser import BrowserTestCase


class BlankJobTest(BrowserTestCase):
    def typed(self, page: Page, label: str, value: str) -> None:
        field = page.get_by_role("main").get_by_label(label, exact=True).locator("visible=true")
        field.fill(value)
        field.press("Tab")

    def step(self, page: Page, name: str) -> None:
        page.get_by_role("navigation", name="Steps").get_by_role("link", name=name).click()

    def begun(self, name: str, layout: str) -> Page:
        page = self.page_of("fabricator")
        page.get_by_role("button", name="New job").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_label("Name").fill(name)
        dialog.get_by_text(layout).click()
        dialog.get_by_role("button", name="Start the job").click()
        expect(page.get_by_text(re.compile("^rev 1, saved"))).to_be_visible()
        return page

    def test_a_transaxle_from_blank_has_gears_and_half_shafts_and_no_propshaft(self) -> None:
        page = self.begun("Siskin", "motor on the kept transaxle")
        self.step(page, "Ratios")
        page.get_by_role("tab", name="What could stand in the line").click()
        expect(page.get_by_role("heading", name="Gears of the kept transaxle")).to_be_visible()
        expect(page.get_by_label("Axle torque, both sides")).to_be_visible()
        expect(page.get_by_label(re.compile("Propshaft torque"))).to_have_count(0)
        expect(page.get_by_role("heading", name="Ranges of the transfer box")).to_have_count(0)
        page.get_by_role("tab", name="Turning, parking, clutch").click()
        page.get_by_label("The unit stands").select_option("end_for_end")
        expect(page.get_by_label("Oil level, pick-up and breather suit it")).to_be_visible()

    def test_the_first_axle_opens_and_a_side_is_taken_from_the_other(self) -> None:
        page = self.begun("Siskin", "motor on the kept transaxle")
        self.step(page, "Axles & propshafts")
        page.get_by_placeholder("rear axle", exact=True).fill("rear axle")
        page.keyboard.press("Enter")
        expect(page.get_by_label("Inner joints are")).to_be_visible()
        self.typed(page, "Outer joint’s centre at ride height, to the left", "540 mm")
        sides = page.get_by_role("group", name="Side of rear axle")
        sides.get_by_role("button", name="right side").click()
        page.get_by_role("button", name="take the figures of the other one").click()
        aside = page.get_by_role("main").get_by_label("Outer joint’s centre at ride height, to the left", exact=True)
        expect(aside.locator("visible=true")).to_have_value("-540 mm")

    def test_a_sweep_says_what_turned_and_the_job_is_saved(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Redstart", "Adapter plate")
        page.get_by_role("form", name="New reading").get_by_label("Kind of reading").select_option("sweep")
        sweep = page.get_by_role("form", name="New dial sweep")
        sweep.get_by_label("what turned").select_option("part")
        for clock in (0, 90, 180):
            sweep.get_by_label(f"Dial at {clock} degrees clockwise").fill("0.04")
        sweep.get_by_role("button", name="Keep the sweep").click()
        page.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_text(re.compile("^rev 2, saved"))).to_be_visible()
