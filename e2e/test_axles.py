"""The shafts in Chromium, whole tasks."""

import json
import re

import pypdfium2
from playwright.sync_api import Locator, Page, expect

from build.models import Release
from e2e.browser import BrowserTestCase


class AxlesTest(BrowserTestCase):
    def field(self, page: Page, label: str) -> Locator:
        return page.get_by_role("main").get_by_label(label, exact=True).locator("visible=true")

    def typed(self, page: Page, label: str, value: str) -> None:
        field = self.field(page, label)
        field.fill(value)
        field.press("Tab")

    def check(self, page: Page, title: str, verdict: str) -> None:
        expect(page.get_by_role("button", name=re.compile(f"^{title}")).filter(has_text=verdict)).to_be_visible()

    def opened(self, page: Page, name: str) -> None:
        page.get_by_role("main").get_by_role("list").get_by_role("button", name=name, exact=True).click()

    def orders(self, page: Page) -> None:
        page.get_by_role("main").get_by_role("tab", name="Order sheets").click()

    def test_three_heights_a_side_that_fails_a_strap_and_a_released_bar_that_comes_too_long(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Axles & propshafts")
        self.opened(page, "Rear axle")
        for _ in range(4):
            page.get_by_role("button", name="Take the last away").click()
        self.check(page, "Rear axle, left: inner joint's angle", "Not known")
        for k, (height, outer) in enumerate(((346, 539), (236, 540), (191, 536)), start=1):
            page.get_by_role("button", name="Add a height").click()
            for way, value in (("forward", 2), ("to the left", outer), ("up", height)):
                self.typed(page, f"Height {k}, {way}", f"{value:g}")
        self.check(page, "Rear axle, left: inner joint's angle", "Fails")
        picture = page.get_by_role("img", name="Rear axle from behind, in true shape")
        at_rest = picture.text_content() or ""
        page.get_by_label("Load on the unit").select_option("launch")
        expect(picture).not_to_have_text(at_rest)
        said = page.get_by_role("button", name=re.compile("^Rear axle, left: inner joint's angle")).inner_text()
        strap = re.search(r"stops it (\d+)\smm down", said)
        assert strap is not None, said
        self.typed(page, "A limit strap stops it after", strap.group(1))
        self.check(page, "Rear axle, left: inner joint's angle", "Tight")
        self.orders(page)
        bar = page.get_by_role("region", name="Rear axle, left bar")
        bar.get_by_role("button", name="Release…").click()
        page.get_by_role("dialog").get_by_role("button", name="Release it").click()
        expect(bar).to_contain_text("Released A")
        self.assertEqual(Release.objects.filter(part="axles.a1.left_bar").count(), 1)
        bar.get_by_role("button", name="Check a delivered one…").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_label("Measured seat to seat").fill("384")
        dialog.get_by_label("Measured seat to seat").press("Tab")
        expect(dialog).to_contain_text(re.compile(r"takes 3\.0\smm of the .*plunge that was left"))
        dialog.get_by_role("button", name="Accept it").click()
        expect(dialog.get_by_role("alert")).to_contain_text("out of tolerance")
        dialog.get_by_label(re.compile("^Remark")).fill("3 mm long")
        dialog.get_by_role("button", name="Turn it down").click()
        expect(bar).to_contain_text("turned down")

    def test_a_yoke_is_turned_and_what_shakes_drops(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Axles & propshafts")
        page.get_by_role("group", name="Shafts shown").get_by_role("button", name="Front propshaft").click()
        self.check(page, "Front propshaft: the axle is driven evenly", "Fails")
        page.get_by_role("button", name="Turn the yoke").click()
        self.check(page, "Front propshaft: the axle is driven evenly", "Holds")
        expect(page.get_by_role("button", name="Turn the yoke")).to_have_count(0)
        expect(self.field(page, "Shaft 1, yokes twisted by")).to_have_value(re.compile("^-?6"))
        page.get_by_role("group", name="Shafts shown").get_by_role("button", name="The whole line").click()
        modes = page.get_by_role("table", name="Modes of the line in each gear")
        expect(modes).to_contain_text("Hz")
        as_it_was = modes.inner_text()
        self.typed(page, "Torque that turns a tyre a degree on its rim, N·m", "100")
        expect(modes).not_to_have_text(as_it_was)
        self.typed(page, "Inertia of a driven wheel, kg·m²", "")
        expect(page.get_by_role("main")).to_contain_text("Still wanted: Inertia of a driven wheel")

    def test_an_adapter_from_one_hole_to_the_next_is_drawn_and_asked_about(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Axles & propshafts")
        page.get_by_role("textbox", name="a flange adapter").fill("axle end")
        page.get_by_role("button", name="add a flange adapter").click()
        for label, value in (("Outside diameter", "120"), ("Thickness", "14"), ("Bore right through", "0")):
            self.typed(page, label, value)
        near = page.get_by_role("group", name="To the shaft’s flange")
        far = page.get_by_role("group", name="To the box’s or axle’s flange")
        for face, count, chord in ((near, "4", "53.74"), (far, "4", "67.2")):
            for label, value in (("Screws", count), ("From one hole to the next, centres", chord), ("Holes", "10.5")):
                face.get_by_label(label, exact=True).fill(value)
                face.get_by_label(label, exact=True).press("Tab")
        expect(near).to_contain_text(re.compile(r"On a circle of 76\.00\smm"))
        self.check(page, "axle end: enough is left between its holes", "Not known")
        self.typed(page, "Far holes turned from the near ones", "0")
        expect(page.get_by_role("img", name="Flange adapter, axle end")).to_be_visible()
        self.check(page, "axle end: enough is left between its holes", "Fails")
        self.typed(page, "Far holes turned from the near ones", "45")
        self.check(page, "axle end: enough is left between its holes", "Holds")
        self.check(page, "axle end: a register centres it", "Not known")

    def test_a_mock_up_is_not_released_and_an_order_has_every_field(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Axles & propshafts")
        self.opened(page, "Rear axle")
        page.get_by_role("button", name="right side").click()
        self.field(page, "This bar is").select_option("yes")
        self.check(page, "Rear axle, right: a made shaft", "Fails")
        self.orders(page)
        bar = page.get_by_role("region", name="Rear axle, right bar")
        expect(bar).to_contain_text("measuring stick, never for the road")
        expect(bar.get_by_role("button", name=re.compile("^Release"))).to_have_count(0)
        left = page.get_by_role("region", name="Rear axle, left bar")
        with page.expect_download() as sheet:
            left.get_by_role("button", name="order sheet, PDF").click()
        words = pypdfium2.PdfDocument(sheet.value.path().read_bytes())[0].get_textpage().get_text_range()
        for field in ("seat to seat", "28 teeth", "over pins", "greatest torque", "alloy, hardened", "PL-301"):
            self.assertIn(field, words)
        with page.expect_download() as data:
            left.get_by_role("button", name="as data, JSON").click()
        order = json.loads(data.value.path().read_text())
        self.assertEqual((order["format"], order["sizes"][0]["mm"]), ("fernback-order", 381))
