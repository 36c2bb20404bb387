"""The list of jobs in Chromium: looked through, copied, put away and fetched back."""

import re

from playwright.sync_api import expect

from e2e.browser import BrowserTestCase


class JobsPageTest(BrowserTestCase):
    def test_a_job_is_found_copied_put_away_and_fetched_back(self) -> None:
        page = self.page_of("fabricator")
        rows = page.get_by_role("main").get_by_role("listitem")
        expect(rows).to_have_count(6)
        page.get_by_label("Look for a job").fill("pick-up forest")
        expect(rows).to_have_count(1)
        expect(rows.first).to_contain_text("Bittern")
        page.get_by_role("button", name="Copy Bittern").click()
        expect(page.get_by_text("Bittern, again")).to_be_visible()
        expect(page.get_by_text(re.compile("^rev 1, saved"))).to_be_visible()
        page.get_by_role("link", name="Fernback: all jobs").click()
        expect(rows).to_have_count(7)
        page.get_by_role("button", name="Put away Bittern, again").click()
        expect(rows).to_have_count(6)
        page.get_by_label("those put away").check()
        expect(rows).to_have_count(1)
        page.get_by_role("button", name="Fetch back Bittern, again").click()
        expect(page.get_by_label("those put away")).to_have_count(0)
        expect(rows).to_have_count(7)

    def test_a_viewer_copies_nothing(self) -> None:
        page = self.page_of("viewer")
        expect(page.get_by_role("main").get_by_role("listitem")).to_have_count(6)
        expect(page.get_by_role("button", name=re.compile("^Copy|^Put away"))).to_have_count(0)
