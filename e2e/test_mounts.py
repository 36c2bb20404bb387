"""The mounts bench in Chromium, whole tasks."""

import re

from playwright.sync_api import Locator, Page, expect

from build.models import Release
from e2e.browser import BrowserTestCase
from tests.metal.section_files import rectangle, section_dxf


class MountsTest(BrowserTestCase):
    def field(self, page: Page, label: str) -> Locator:
        return page.get_by_role("main").get_by_label(label, exact=True).locator("visible=true")

    def typed(self, page: Page, label: str, value: str) -> None:
        field = self.field(page, label)
        field.fill(value)
        field.press("Tab")

    def check(self, page: Page, title: str, verdict: str) -> None:
        expect(page.get_by_role("button", name=re.compile(f"^{title}")).filter(has_text=verdict)).to_be_visible()

    def tab(self, page: Page, name: str) -> None:
        page.get_by_role("main").get_by_role("tab", name=name, exact=True).click()

    def spot(self, page: Page, what: str, at: tuple[float, float, float]) -> None:
        for way, value in zip(("forward", "to the left", "up"), at, strict=True):
            self.typed(page, f"{what}, {way}", f"{value:g}")

    def test_from_a_boss_and_a_rail_to_a_released_bracket_with_its_jig_gap(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Mounts")
        page.get_by_role("button", name="Take left mount away").click()
        self.check(page, "Held all ways", "Fails")
        expect(page.get_by_role("main")).to_contain_text("Nothing holds it yet so that it can not")
        page.get_by_label("Name of a mount").fill("left mount")
        page.get_by_label("Name of a mount").press("Enter")
        self.field(page, "It is a").select_option("rubber")
        self.spot(page, "On the unit, in its own axes", (100, 170, 20))
        self.field(page, "On the vehicle is").select_option("")
        self.spot(page, "On the vehicle", (90, 391, 330))
        for way, value in (("fore and aft", "1300"), ("across", "900"), ("upright", "2600")):
            self.typed(page, f"Stiffness {way}, N/mm", value)
        self.typed(page, "Goes so far before it bottoms", "9")
        self.typed(page, "Greatest load, by its maker, N", "12000")
        self.field(page, "If it lets go").select_option("yes")
        self.field(page, "Bracket").select_option("box")
        for label, value in (
            ("Breadth, across", "70"),
            ("Depth, upright", "80"),
            ("Wall", "6"),
            ("Cut to a length of", "199"),
            ("The load passes beside its middle by", "12"),
            ("Leg of the weld round its root", "8"),
            ("Thickness of what it is welded to", "8"),
            ("Ears on its bolt", "2"),
            ("Bolt", "12"),
            ("Hole", "12.5"),
            ("Thickness of an ear", "14"),
            ("Width across the hole", "40"),
            ("From the hole’s edge to the plate’s edge", "14"),
            ("Width at the foot", "70"),
            ("From the foot to the hole’s middle", "45"),
        ):
            self.typed(page, label, value)
        self.field(page, "They stand").select_option("end")
        self.field(page, "That weld is").select_option("yes")
        self.check(page, "What left mount's bracket is welded to", "Not known")
        self.field(page, "On the vehicle it is").select_option(label="welded")
        self.check(page, "What left mount's bracket is welded to", "Holds")
        self.check(page, "Held all ways", "Holds")
        self.check(page, r"Bracket of left mount \d", "Holds")
        self.tab(page, "Weld")
        expect(page.get_by_role("main")).to_contain_text("Jig at 30.80 mm")
        self.typed(page, "Gap that you jig it at", "30.8")
        self.check(page, "Gap after the weld has pulled it", "Holds")
        self.tab(page, "Parts")
        part = page.get_by_role("region", name="Ear of left mount")
        part.get_by_role("button", name=re.compile("^Release")).click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_role("radio").first.check()
        dialog.get_by_label("Why is it released all the same?").fill("To try its fit; the bolt comes up a size.")
        dialog.get_by_role("button", name="Release it").click()
        expect(dialog).to_be_hidden()
        self.assertEqual(Release.objects.filter(part__endswith="_ear").count(), 1)

    def test_an_open_arm_fails_and_boxed_it_holds(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Mounts")
        page.get_by_role("list", name="Mounts").get_by_role("button", name="right mount", exact=True).click()
        self.field(page, "Bracket").select_option("channel")
        self.typed(page, "Web", "5")
        self.typed(page, "Wall", "5")
        self.typed(page, "The load passes beside its middle by", "25")
        self.check(page, r"Bracket of right mount \d", "it twists")
        self.check(page, r"Bracket of right mount \d", "Fails")
        self.field(page, "Bracket").select_option("box")
        self.check(page, r"Bracket of right mount \d", "Holds")
        page.get_by_role("button", name="look at its landing plate by finite elements").click()
        expect(page.get_by_role("status").filter(has_text="no answer")).to_be_visible(timeout=60_000)

    def test_a_cut_frame_stays_on_hold_until_it_is_signed(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Mounts")
        self.check(page, "Cut frame approved", "Not known")
        self.tab(page, "Frame")
        self.typed(page, "Approved by", "the county's engineer")
        self.check(page, "Cut frame approved", "Not known")
        self.typed(page, "On", "3 December")
        self.check(page, "Cut frame approved", "Holds")

    def test_a_cut_that_is_too_weak_is_made_up_for(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Mounts")
        self.tab(page, "Frame")
        wall = page.get_by_role("main").get_by_label("Wall", exact=True).locator("visible=true").nth(1)
        wall.fill("4")
        wall.press("Tab")
        self.check(page, "Frame as strong where it is cut", "Fails")
        page.get_by_role("button", name="find plates that make up for it").click()
        expect(page.get_by_role("table", name="Plates that make up for it")).to_contain_text("notch for the motor")
        page.get_by_role("button", name="take the lightest").click()
        self.check(page, "Frame as strong where it is cut", "Tight")
        expect(page.get_by_role("img", name=re.compile("^Section of notch"))).to_be_visible()

    def test_a_notch_is_entered_by_its_depth_and_side_and_a_plate_makes_up_for_it(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Mounts")
        self.tab(page, "Frame")
        main = page.get_by_role("main")
        main.get_by_label("It is", exact=True).locator("visible=true").first.select_option("notched")
        self.check(page, "Frame as strong where it is cut", "Not known")
        self.typed(page, "Notch, deep", "20 mm")
        self.field(page, "Cut from").select_option("above")
        self.typed(page, "What closes the notch, thick", "5 mm")
        self.check(page, "Frame as strong where it is cut", "Fails")
        self.typed(page, "Plates on its upright walls, thick", "12 mm")
        self.field(page, "They lie").select_option("outside")
        self.check(page, "Frame as strong where it is cut", "Holds")

    def test_a_cross_tube_bears_both_mounts_until_its_wall_is_thin(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Mounts")
        self.check(page, "Cross tube bears all that stands on it", "Holds")
        page.get_by_role("list", name="Cross members").get_by_role("button", name="cross tube", exact=True).click()
        self.typed(page, "Wall", "0.5 mm")
        self.check(page, "Cross tube bears all that stands on it", "Fails")
        page.get_by_role("list", name="Mounts").get_by_role(
            "button", name="left, on the cross tube", exact=True
        ).click()
        self.field(page, "Its bracket stands on").select_option("")
        page.get_by_role("list", name="Mounts").get_by_role(
            "button", name="right, on the cross tube", exact=True
        ).click()
        self.field(page, "Its bracket stands on").select_option("")
        self.check(page, "Cross tube bears all that stands on it", "Not known")

    def test_a_cross_tube_is_made_from_its_name_to_its_welds(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Mounts")
        page.get_by_role("button", name="Take cross tube away").click()
        self.check(page, "Held all ways", "Not known")
        page.get_by_label("Name of a cross member").fill("rear tube")
        page.get_by_role("button", name="add a cross member").click()
        expect(page.get_by_text("Nothing stands on it yet")).to_have_count(0)  # first its ends
        self.spot(page, "Its one end, on the vehicle", (1120, 350, 317))
        self.spot(page, "Its other end", (1120, -350, 317))
        self.field(page, "It is made of").select_option("tube")
        for label, value in (
            ("Upright", "76.1 mm"),
            ("Wall", "5 mm"),
            ("Cut to a length of", "700 mm"),
            ("Leg of the weld round either end", "5 mm"),
            ("Thickness of what they are welded to", "6 mm"),
        ):
            self.typed(page, label, value)
        expect(page.get_by_text("Nothing stands on it yet")).to_be_visible()
        mounts = page.get_by_role("list", name="Mounts")
        for name in ("left, on the cross tube", "right, on the cross tube"):
            mounts.get_by_role("button", name=name, exact=True).click()
            self.field(page, "Its bracket stands on").select_option("rear tube")
        self.check(page, "Held all ways", "Holds")
        self.check(page, "Rear tube bears all that stands on it", "Holds")
        self.check(page, "Weld of left end of rear tube", "Not known")  # by whom it is looked at
        page.get_by_role("list", name="Cross members").get_by_role("button", name="rear tube", exact=True).click()
        self.field(page, "These welds are").select_option("yes")
        self.field(page, "On the vehicle it is").select_option("no")
        self.check(page, "Weld of left end of rear tube", "Holds")
        self.check(page, "Rear tube reaches from rail to rail", "Holds")

    def test_a_rail_is_taken_from_its_drawing_and_when_it_folds_is_asked_by_plates(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Mounts")
        self.check(page, "Walls of the cut frame fold no sooner", "Holds")
        self.tab(page, "Frame")
        section = page.get_by_role("main").get_by_label("It is", exact=True).locator("visible=true").first
        section.select_option("outline")
        drawing = section_dxf(rectangle(70, 84), rectangle(70, 84, 7))
        file = page.get_by_label("Read the section of notch for the motor…")
        file.set_input_files({"name": "rail.txt", "mimeType": "image/vnd.dxf", "buffer": b"no drawing"})
        expect(page.get_by_role("main")).to_contain_text("can't be read as a DXF drawing")
        file.set_input_files({"name": "rail.dxf", "mimeType": "image/vnd.dxf", "buffer": drawing})
        expect(page.get_by_role("status").filter(has_text="one hollow")).to_be_visible()
        page.get_by_role("button", name="Take it", exact=True).click()
        expect(page.get_by_role("img", name=re.compile("^Section of notch for the motor, 70 × 84"))).to_be_visible()
        self.check(page, "Frame as strong where it is cut", "Fails")
        self.check(page, "Walls of the cut frame fold no sooner", "Not known")

    def test_a_plate_on_standoffs_is_judged_looked_at_and_cut(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Mounts")
        page.get_by_role("list", name="Mounts").get_by_role("button", name="left mount", exact=True).click()
        self.field(page, "Bracket").select_option("standoffs")
        for label, value in (
            ("Breadth, across", "150"),
            ("Depth, upright", "140"),
            ("Wall", "12"),
            ("Legs apart, across", "100"),
            ("Legs apart, upright", "90"),
            ("Diameter of a leg", "30"),
            ("Wall of a leg", "5"),
            ("What stands on its middle, broad", "60"),
        ):
            self.typed(page, label, value)
        self.check(page, "Legs of left mount's bracket Not", "flat face or a stepped")
        self.field(page, "The face below its legs is").select_option(label="stepped")
        for corner, value in (("Lower left", "0"), ("Lower right", "0"), ("Upper left", "20"), ("Upper right", "20")):
            self.typed(page, f"{corner} leg", value)
        self.check(page, r"Legs of left mount's bracket \d", "Holds")
        self.check(page, r"Plate of left mount's standoffs", "Tight")
        page.get_by_role("button", name="look at its plate by finite elements").click()
        expect(page.get_by_role("img", name=re.compile("^Stress in the plate of left mount"))).to_be_visible()
        self.tab(page, "Parts")
        expect(page.get_by_role("region", name="Plate of left mount's standoffs")).to_be_visible()

    def test_a_cylinder_is_held_by_a_cradle_and_the_torque_of_its_strap_is_said(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Mounts")
        page.get_by_role("list", name="Mounts").get_by_role("button", name="left mount", exact=True).click()
        self.field(page, "It takes hold of the unit by").select_option("strap")
        for label, value in (
            ("Diameter of what lies in it", "200"),
            ("It embraces it from below by", "120"),
            ("Cylinder’s middle over its foot", "130"),
            ("Its two plates, wide at the foot", "240"),
            ("Its two plates, thick", "10"),
            ("Friction of its lining", "0.3"),
            ("Strap, broad", "60"),
            ("Strap, thick", "12"),
            ("Cylinder’s middle down to its feet", "60"),
            ("Its bolts off its uprights", "16"),
        ):
            self.typed(page, label, value)
        for label, choice in (
            ("Its bolts", "M12"),
            ("Strength on their heads", "8.8"),
            ("Their threads are", "oiled"),
        ):
            self.field(page, label).select_option(choice)
        self.check(page, "Feet of the strap over left mount", "Between")
        self.typed(page, "Tightened to", "12")
        self.check(page, "Feet of the strap over left mount", "Holds")
        self.check(page, "Unit stays in the cradle of left mount", "Holds")

    def test_a_case_is_looked_at_moved_ten_times_as_far_and_left_out_with_a_reason(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Mounts")
        self.tab(page, "Loads")
        page.get_by_role("table", name="Cases of load").get_by_role("button", name="wheels locked", exact=True).click()
        page.get_by_role("checkbox", name="moved ten times as far").check()
        page.get_by_label("what the mounts put on").select_option("the vehicle")
        expect(page.get_by_role("application", name=re.compile("^Top view"))).to_contain_text("12\u2009161\u00a0N")
        table = page.get_by_role("table", name="What each mount carries")
        expect(table).to_contain_text("wheels locked")
        page.get_by_label("left out, because").fill("Its brakes are on the other axle.")
        page.get_by_label("left out, because").press("Tab")
        expect(table.get_by_role("button", name="wheels locked", exact=True)).to_have_count(0)
