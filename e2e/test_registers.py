"""Registers from two measured diameters to metal in section, holes by what holds them, and what shakes at a speed."""

import re

from playwright.sync_api import Page, expect

from e2e.browser import BrowserTestCase


class RegisterTest(BrowserTestCase):
    def opened(self, tab: str) -> Page:
        page = self.page_of("fabricator")
        self.open_job(page, "Redstart", "Adapter plate")
        page.get_by_role("main").get_by_role("tab", name=tab, exact=True).click()
        return page

    def typed(self, page: Page, label: str, value: str) -> None:
        field = page.get_by_role("main").get_by_label(label, exact=True).locator("visible=true")
        field.fill(value)
        field.press("Tab")

    def test_what_a_measured_bore_needs_is_proposed_and_made_so(self) -> None:
        page = self.opened("Plate")
        expect(page.get_by_text(re.compile("takes a separate ring, pressed into the plate"))).to_be_visible()
        page.get_by_role("button", name="make it so").click()
        expect(page.get_by_text("Metal for register 2")).to_be_visible()
        section = page.get_by_role("img", name="The plate in section")
        expect(section.get_by_text(re.compile("^R2 Ø102"))).to_be_visible()
        self.typed(page, "Bore through it", "130 mm")
        metal = page.get_by_role(
            "button", name=re.compile("^Metal for register 1 0.00 Fails.*no metal is left.*a ring")
        )
        expect(metal).to_be_visible()

    def test_a_hole_is_made_by_what_holds_it(self) -> None:
        page = self.opened("Screws")
        page.get_by_label("Made otherwise").select_option("H3")
        made = page.get_by_role("group", name="How H3 is made")
        made.get_by_label("Held by").select_option("tapped")
        made.get_by_label("Thread in the plate").select_option("M10")
        turned = page.get_by_role("group", name="How motor is made")
        turned.get_by_label("Held by").select_option("slot")
        turned.get_by_label("Slotted either way").fill("2 deg")
        page.keyboard.press("Tab")
        page.get_by_role("main").get_by_role("tab", name="Parts", exact=True).click()
        expect(page.get_by_text("* H3: tap M10")).to_be_visible()
        expect(page.get_by_text(re.compile("M1, M2, M3, M4, M5, M6: mark, mill a slot ±2°"))).to_be_visible()

    def test_what_shakes_at_a_speed_stands_beside_it(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Axles & propshafts")
        self.typed(page, "It shakes at", "90 km/h")
        table = page.get_by_role("table", name="What may shake, slowest first")
        expect(table.get_by_role("row").nth(1)).to_contain_text("wheels, 1×")
        expect(table).to_contain_text("yokes twisted")
