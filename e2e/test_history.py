"""Saved revisions in Chromium: noted, looked at, compared, brought back."""

from playwright.sync_api import expect

from e2e.browser import BrowserTestCase
from jobs.models import Job


class HistoryTest(BrowserTestCase):
    def test_a_noted_revision_is_compared_and_an_older_one_brought_back(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Brief")
        mass = page.get_by_label("Kerb mass", exact=True)
        mass.fill("1100 kg")
        mass.press("Tab")
        page.get_by_role("button", name="revisions").click()
        page.get_by_label("Note for the next save").fill("as cut")
        page.keyboard.press("Escape")
        page.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_text("rev 2, saved")).to_be_visible()

        page.get_by_role("button", name="revisions").click()
        dialog = page.get_by_role("dialog")
        expect(dialog.get_by_role("button", name="rev 2")).to_contain_text("as cut")
        dialog.get_by_role("button", name="rev 2").click()
        expect(dialog).to_contain_text("Both hold the same figures.")
        dialog.get_by_role("button", name="rev 1").click()
        row = dialog.get_by_role("row").filter(has_text="kerb mass")
        expect(row.get_by_role("cell")).to_have_text(["brief › vehicle › kerb mass", "1080 kg", "1100 kg"])
        dialog.get_by_role("button", name="Pin it, to compare its checks").click()
        expect(page.get_by_role("button", name="Unpin")).to_be_visible()

        page.get_by_role("button", name="revisions").click()
        dialog.get_by_role("button", name="rev 1").click()
        dialog.get_by_role("button", name="Bring it back").click()
        expect(mass).to_have_value("1080 kg")
        page.get_by_role("button", name="Undo").click()
        expect(mass).to_have_value("1100 kg")
        page.get_by_role("button", name="Redo").click()
        page.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_text("rev 3, saved")).to_be_visible()
        mass.press("Alt+w")
        changes = page.get_by_role("list", name="Changes, the newest first").get_by_role("listitem")
        expect(changes).to_have_count(3)
        expect(changes.first).to_contain_text("1100 kg → 1080 kg")
        page.keyboard.press("Escape")
        kept = Job.objects.get(name="Wren").versions.order_by("number").values_list("number", "note")
        self.assertEqual(list(kept), [(1, ""), (2, "as cut"), (3, "as revision 1")])

    def test_a_viewer_looks_and_brings_nothing_back(self) -> None:
        page = self.page_of("viewer")
        self.open_job(page, "Wren", "Brief")
        page.get_by_role("button", name="revisions").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_role("button", name="rev 1").click()
        expect(dialog.get_by_role("button", name="Pin it, to compare its checks")).to_be_visible()
        expect(dialog.get_by_role("button", name="Bring it back")).to_have_count(0)
