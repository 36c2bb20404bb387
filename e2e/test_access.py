"""WCAG 2.2 AA, as far as a program can tell, on every view."""

from pathlib import Path
from typing import Any

from playwright.sync_api import Page, expect

from e2e.browser import BrowserTestCase

AXE = Path(__file__).parents[1] / "web" / "node_modules" / "axe-core" / "axe.min.js"
ONLY_PANES_SCROLL = "document.scrollingElement.scrollHeight <= innerHeight"
TAGS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]


def faults(page: Page) -> list[str]:
    """What axe finds, a line for each rule and place."""
    page.evaluate(AXE.read_text())
    found: dict[str, Any] = page.evaluate("tags => axe.run({ runOnly: tags })", TAGS)
    return [
        f"{rule['id']}: {node['target'][0]} {node['failureSummary'].splitlines()[-1].strip()}"
        for rule in found["violations"]
        for node in rule["nodes"]
    ]


class AccessTest(BrowserTestCase):
    maxDiff = None

    def test_every_bench_and_tab_of_a_job(self) -> None:
        page = self.page_of("fabricator", self.context(bypass_csp=True))
        of_wren = ("Brief", "Ratios", "Placement", "Coupler", "Adapter plate")
        shafts = "Axles & propshafts"
        others = (("Plover", "Mounts"), ("Plover", shafts), ("Bittern", shafts))
        for job, bench in (*(("Wren", bench) for bench in of_wren), *others):
            page.goto(self.live_server_url)
            self.open_job(page, job, bench)
            for tab in page.get_by_role("main").get_by_role("tab").all_inner_texts():
                page.get_by_role("main").get_by_role("tab", name=tab.strip()).click()
                with self.subTest(bench, tab=tab):
                    self.assertEqual(faults(page), [])
                    self.assertTrue(page.evaluate(ONLY_PANES_SCROLL))
            page.get_by_role("region", name="Checks").get_by_role("listitem").first.get_by_role("button").click()
            expect(page.get_by_role("link", name="calculation sheet")).to_be_visible()
            with self.subTest(bench, opened="a check"):
                self.assertEqual(faults(page), [])

    def test_signing_in_the_jobs_and_a_phone(self) -> None:
        context = self.context(bypass_csp=True, viewport={"width": 390, "height": 844})
        page = context.new_page()
        page.goto(self.live_server_url)
        expect(page.get_by_label("Name")).to_be_visible()
        self.assertEqual(faults(page), [])
        page = self.page_of("fabricator", context)
        with self.subTest("jobs"):
            self.assertEqual(faults(page), [])
        self.open_job(page, "Wren", "Adapter plate")
        with self.subTest("plate"):
            self.assertEqual(faults(page), [])

    def test_a_shop_and_its_people(self) -> None:
        page = self.page_of("owner", self.context(bypass_csp=True))
        page.get_by_role("link", name="People of").click()
        expect(page.get_by_role("heading", name="At the doors")).to_be_visible()
        with self.subTest("people"):
            self.assertEqual(faults(page), [])
        page.get_by_role("button", name="Make a link").click()
        expect(page.get_by_role("img", name="The link as a QR code")).to_be_visible()
        with self.subTest("a link"):
            self.assertEqual(faults(page), [])
        link = page.get_by_role("textbox", name="The link").input_value()
        page.goto(self.live_server_url)
        page.get_by_role("button", name="owner", exact=True).click()
        expect(page.get_by_role("list", name="Devices")).to_contain_text("this one")
        with self.subTest("you"):
            self.assertEqual(faults(page), [])
        page.goto(link)
        expect(page.get_by_role("button", name="Come in")).to_be_visible()
        with self.subTest("come in"):
            self.assertEqual(faults(page), [])
