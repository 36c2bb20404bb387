import re

from playwright.sync_api import Page, expect

from build.models import Delivery, Release
from e2e.browser import BrowserTestCase
from e2e.labels import labels_that_meet
from e2e.test_plate import entered


class CouplerTest(BrowserTestCase):
    def opened(self, username: str = "fabricator") -> Page:
        page = self.page_of(username)
        self.open_job(page, "Wren", "Coupler")
        expect(page.get_by_role("img", name=re.compile("^The coupler in section"))).to_be_visible()
        return page

    def test_from_a_failing_gap_to_a_solved_spacer_with_the_plate_following(self) -> None:
        page = self.opened()
        gap = page.get_by_role("button", name=re.compile("^Gap between the hubs, for the spider"))
        expect(gap.filter(has_text="Fails")).to_be_visible()
        page.get_by_role("button", name="Take 10.70 mm").click()
        expect(gap.filter(has_text="Tight")).to_be_visible()
        page.get_by_role("navigation", name="Steps").get_by_role("link", name="Adapter plate").click()
        follows = page.get_by_role("button", name=re.compile("^Faces as far apart as asked"))
        expect(follows.filter(has_text="Fails")).to_be_visible()
        page.get_by_role("tab", name="Plate", exact=True).click()
        entered(page, "Thickness", "10.7 ± 0.05")
        expect(follows.filter(has_text="Fails")).to_have_count(0)

    def test_another_kind_is_tried_and_nothing_is_lost(self) -> None:
        page = self.opened()
        page.get_by_role("tab", name="Kind").click()
        page.get_by_role("radio", name=re.compile("^rigid hub, clutch centre")).check()
        expect(page.get_by_role("table", name="Gaps at their extremes")).to_contain_text("Spline engaged")
        page.get_by_role("tab", name="Coupler", exact=True).click()
        entered(page, "Hub end to its spline’s far end", "21.4 ± 0.1")
        page.get_by_role("tab", name="Kind").click()
        page.get_by_role("radio", name=re.compile("^flexible jaw")).check()
        expect(page.get_by_role("table", name="Gaps at their extremes")).to_contain_text("for the spider")
        page.get_by_role("tab", name="Coupler", exact=True).click()
        expect(page.get_by_label("Spider’s rated torque")).to_have_value("600 Nm")
        page.get_by_role("tab", name="Kind").click()
        page.get_by_role("radio", name=re.compile("^rigid hub")).check()
        page.get_by_role("tab", name="Coupler", exact=True).click()
        expect(page.get_by_label("Hub end to its spline’s far end")).to_have_value("21.4 ± 0.1")

    def test_no_label_of_the_section_lies_on_another_or_is_cut_in_any_kind(self) -> None:
        for size in ({"width": 1280, "height": 800}, {"width": 390, "height": 844}):
            page = self.page_of("fabricator", viewport=size)
            self.open_job(page, "Wren", "Coupler")
            for kind in ("rigid hub", "flexible jaw", "flywheel and clutch", "direct spline"):
                page.get_by_role("tab", name="Kind").click()
                page.get_by_role("radio", name=re.compile(f"^{kind}")).check()
                page.wait_for_timeout(600)
                with self.subTest(kind, **size):
                    self.assertEqual(labels_that_meet(page), [])

    def test_the_hub_is_dragged_and_every_gap_follows(self) -> None:
        page = self.opened()
        section = page.get_by_role("img", name=re.compile("^The coupler in section"))
        hub = section.locator("g", has=page.locator("title", has_text="Drag motor hub")).last.locator("rect").first
        box = hub.bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        page.mouse.move(x, y)
        page.mouse.down()
        page.mouse.move(x - 12, y, steps=4)
        page.mouse.up()
        fails = page.get_by_role("button", name=re.compile("^Motor shaft's tip short of the spider"))
        expect(fails.filter(has_text="Fails")).to_be_visible()
        page.get_by_role("button", name="Undo").click()  # one drag is one step
        expect(fails.filter(has_text="Fails")).to_have_count(0)

    def test_a_hub_is_released_and_a_wrong_one_is_turned_down(self) -> None:
        page = self.opened("owner")
        page.get_by_role("button", name="Take 10.70 mm").click()
        page.get_by_role("tab", name="Parts").click()
        hub = page.get_by_role("region", name="Coupler hub", exact=True)  # the gearbox's is a part of its own
        hub.get_by_role("button", name="Release…").click()
        dialog = page.get_by_role("dialog", name="Release the coupler hub")
        expect(dialog.get_by_text("which way do the numbers run")).to_have_count(0)  # a plain hub has no hand
        dialog.get_by_role("radio", name="from the motor side").check()
        dialog.get_by_role("button", name="Release it").click()
        expect(dialog).to_have_count(0)
        self.assertEqual(Release.objects.filter(part="coupler.hub").count(), 1)
        hub.get_by_role("button", name="Check a delivered one…").click()
        dialog = page.get_by_role("dialog", name="Coupler hub A, as delivered")
        field = dialog.get_by_label("Measured thickness")
        field.fill("43.9")
        field.press("Enter")
        dialog.get_by_label("Remark").fill("Faced 1 mm short.")
        dialog.get_by_role("button", name="Turn it down").click()
        expect(dialog).to_have_count(0)
        self.assertFalse(Delivery.objects.get(release__part="coupler.hub").record["accepted"])
        expect(page.get_by_text("turned down", exact=False)).to_be_visible()
