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
            for bench in ("Brief", "Ratios", "Adapter plate"):
                page.goto(self.live_server_url)
                self.open_job(page, job, bench)
                page.get_by_label("Units").select_option("us")
                expect(page.get_by_label("Units")).to_have_value("us")
                for tab in tabs_of(page):
                    page.get_by_role("main").get_by_role("tab", name=tab).click()
                    with self.subTest(job, bench=bench, tab=tab):
                        self.assertEqual(metric_lines(page), [])
        page.get_by_label("Units").select_option("metric")
        expect(page.get_by_role("region", name="The Line, motor to road")).to_contain_text("km/h")

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
