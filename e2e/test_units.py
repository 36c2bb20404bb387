"""Every figure in the reader's units: on every bench and tab, in what is opened, and in what is printed."""

import re

import pypdfium2
from playwright.sync_api import Page, expect

from e2e.browser import BrowserTestCase

METRIC = re.compile(r"(?<![\w/])(mm²?|cm²|N·m|Nm|km/h|kg(?:·m²)?|kW|MPa|N|m²|°C)(?![\w/²])")
SOMEBODYS_WORDS = "Chosen because:"


def metric_lines(page: Page) -> list[str]:
    """Lines of the page with a metric unit; what somebody typed stands in fields, which have no text."""
    lines = page.locator("body").inner_text().splitlines()
    return [line for line in lines if METRIC.search(line) and not line.startswith(SOMEBODYS_WORDS)]


def tabs_of(page: Page) -> list[str]:
    return [name.strip() for name in page.get_by_role("main").get_by_role("tab").all_inner_texts()]


class UnitsTest(BrowserTestCase):
    maxDiff = None

    def test_no_metric_unit_is_left_in_us_units_and_all_are_back_in_metric(self) -> None:
        page = self.page_of("fabricator")
        for job in ("Wren", "Bittern", "Plover"):
            for bench in ("Brief", "Ratios", "Placement", "Coupler", "Adapter plate", "Mounts", "Axles & propshafts"):
                page.goto(self.live_server_url)
                self.open_job(page, job, bench)
                page.get_by_label("Units").select_option("us")
                expect(page.get_by_label("Units")).to_have_value("us")
                expect(page.get_by_role("region", name="The Line, motor to road")).to_contain_text("mph")
                for tab in tabs_of(page):
                    page.get_by_role("main").get_by_role("tab", name=tab).click()
                    with self.subTest(job, bench=bench, tab=tab):
                        self.assertEqual(metric_lines(page), [])
        page.get_by_label("Units").select_option("metric")
        expect(page.get_by_role("region", name="The Line, motor to road")).to_contain_text("km/h")

    def test_a_bare_number_is_in_the_unit_that_its_reader_is_shown(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Coupler")
        diameter = page.get_by_role("main").get_by_label("Diameter", exact=True).first
        diameter.fill("35")
        diameter.press("Enter")
        expect(diameter).to_have_value("35")
        page.get_by_label("Units").select_option("us")
        expect(diameter).to_have_value("35 mm")
        diameter.fill("1 3/8 ±0.001")
        diameter.press("Enter")
        expect(diameter).to_have_value("1 3/8 in ±0.001")
        page.get_by_label("Units").select_option("metric")
        expect(diameter).to_have_value("1 3/8 in ±0.001")

    def test_an_opened_working_and_its_sheet_are_in_the_same_units(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_label("Units").select_option("us")
        page.get_by_role("button", name=re.compile("^Least ligament")).click()
        expect(page.get_by_text(re.compile(r"^= 0\.457\d\d?\sin$"))).to_be_visible()
        self.assertEqual(metric_lines(page), [])
        with page.expect_download() as download:
            page.get_by_role("link", name="calculation sheet").click()
        text = "".join(one.get_textpage().get_text_bounded() for one in pypdfium2.PdfDocument(download.value.path()))
        self.assertIn("Least ligament", text)
        self.assertIsNone(METRIC.search(text), text)
        with page.expect_download() as download:
            page.get_by_role("button", name="Sheet", exact=True).click()
        text = pypdfium2.PdfDocument(download.value.path())[0].get_textpage().get_text_bounded()
        self.assertIn("all sizes: in", text)
        self.assertIsNone(METRIC.search(text.replace("ISO 2768-m", "")), text)

    def test_a_number_of_a_working_leads_to_its_field(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Ratios")
        page.get_by_role("button", name=re.compile("^Motor speed at the wanted top speed")).click()
        page.get_by_role("button", name=re.compile(r"^115\skm.h$")).click()
        expect(page.get_by_label("Top speed").first).to_be_focused()


class FindTest(BrowserTestCase):
    def test_a_check_a_field_a_reading_an_entry_and_a_job_by_keyboard_alone(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Brief")
        expect(page.get_by_role("button", name=re.compile("^Load on one tyre"))).to_be_visible()
        for typed, where in (
            ("gearbox screws proof", page.get_by_role("button", name=re.compile("^Gearbox screws within proof"))),
            ("thickness field", page.locator("main [data-field=thickness]")),
            ("H4–H5 reading", page.get_by_label("Reading H4–H5")),
            ("kerb mass", page.get_by_label("Kerb mass", exact=True)),
            ("gearbox tail entry", page.get_by_role("button", name="gearbox tail", exact=True, expanded=True)),
            ("gearbox tail ears hole", page.get_by_label("Hole", exact=True)),
            ("gearbox tail tube length", page.get_by_label("Length of the tube", exact=True)),
        ):
            page.locator("body").press("/")
            page.get_by_role("combobox", name="Find").fill(typed)
            expect(page.get_by_role("listbox", name="Found").get_by_role("option").first).to_be_visible()
            page.keyboard.press("Enter")
            expect(where.first).to_be_focused()
            page.evaluate("document.activeElement.blur()")
        page.locator("body").press("/")
        page.get_by_role("combobox", name="Find").fill("bittern")
        expect(page.get_by_role("listbox", name="Found").get_by_role("option").first).to_be_visible()
        page.keyboard.press("Enter")
        expect(page.get_by_role("banner")).to_contain_text("Bittern")


class MarginsTest(BrowserTestCase):
    def test_a_check_opens_the_margin_that_it_used_and_says_who_changed_it(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        check = page.get_by_role("button", name=re.compile("^Motor screws hold the torque"))
        expect(check).to_contain_text("Holds")
        check.click()
        page.get_by_role("button", name=re.compile("^wanted 1.50")).click()
        dialog = page.get_by_role("dialog", name="Wanted margins")
        wanted = dialog.get_by_label(re.compile("^Wanted: What a clamped joint carries"))
        expect(wanted).to_be_focused()
        wanted.fill("9")
        wanted.press("Tab")
        dialog.get_by_label(re.compile("^Why: What a clamped joint carries")).fill("painted faces")
        page.keyboard.press("Escape")
        expect(check).to_contain_text("Fails")
        page.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_role("status").filter(has_text="rev 2, saved")).to_be_visible()
        page.get_by_role("button", name=re.compile("^wanted 9.00")).click()
        expect(dialog.get_by_text(re.compile("^9.00 by .*rev 2"))).to_be_visible()
