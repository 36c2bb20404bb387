"""The adapter plate as a fabricator works it: squares and dials, files, build-ups, release, later edits, delivery."""

import hashlib
import re
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

import ezdxf
from playwright.sync_api import Download, Locator, Page, expect

from build.models import Delivery, Release
from e2e.browser import BrowserTestCase

RIGHT_READING = "96.47"


def measured_again(page: Page) -> None:
    """Put the demo's wrong reading right."""
    cell = page.get_by_role("textbox", name="Reading H4–H5")
    cell.fill(RIGHT_READING)
    cell.press("Enter")
    expect(page.get_by_text("All 28 readings agree, each checked by others.")).to_be_visible()


def entered(page: Page, label: str, text: str) -> None:
    """Type a figure and leave the field; nothing is refused."""
    field = page.get_by_label(label, exact=True)
    field.fill(text)
    field.press("Enter")
    expect(page.get_by_role("alert")).to_have_count(0)


def saved_circles(download: Download) -> list[tuple[float, float, float]]:
    """Centre and diameter of every circle of a downloaded DXF, mm."""
    with TemporaryDirectory() as folder:
        path = Path(folder) / "part.dxf"
        download.save_as(path)
        space = ezdxf.readfile(path).modelspace()
        return [(c.dxf.center.x, c.dxf.center.y, 2 * c.dxf.radius) for c in space.query("CIRCLE")]


class ReleaseTest(BrowserTestCase):
    def test_release_edit_and_see_what_differs(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        expect(page.get_by_text("▲ differs from released A", exact=True).first).to_be_visible()
        measured_again(page)
        expect(page.get_by_text("as released A").first).to_be_visible()
        page.get_by_role("tab", name="Parts").click()
        part = page.get_by_role("region", name="Adapter plate", exact=True)
        part.get_by_role("button", name="Release anew…").click()
        dialog = page.get_by_role("dialog", name="Release the adapter plate")
        self._held_while_mirrored(dialog)
        dialog.get_by_role("radio", name="clockwise", exact=True).check()
        dialog.get_by_role("button", name="Release it").click()
        expect(dialog).to_have_count(0)
        expect(part.get_by_text("Released B")).to_be_visible()
        expect(part.get_by_text(re.compile("^As released; SHA-256"))).to_be_visible()
        self._the_file_is_what_was_hashed(page, part)
        self._turned_afterwards_it_is_told(page, part)

    def _held_while_mirrored(self, dialog: Locator) -> None:
        """Seen from the gearbox side the demo's numbers run clockwise: the other answer holds the release."""
        release = dialog.get_by_role("button", name="Release it")
        expect(release).to_be_disabled()
        expect(dialog.get_by_role("img", name=re.compile("^Adapter plate from the"))).to_have_count(2)
        dialog.get_by_role("radio", name="from the gearbox side").check()
        dialog.get_by_role("radio", name="anticlockwise").check()
        release.click()
        expect(dialog.get_by_role("alert")).to_contain_text("One of them is mirrored")

    def _the_file_is_what_was_hashed(self, page: Page, part: Locator) -> None:
        record = Release.objects.get(letter="B")
        with page.expect_download() as download, TemporaryDirectory() as folder:
            part.get_by_role("button", name="the file as released").click()
            path = Path(folder) / "released.dxf"
            download.value.save_as(path)
            self.assertEqual(hashlib.sha256(path.read_bytes()).hexdigest(), record.sha256)

    def _turned_afterwards_it_is_told(self, page: Page, part: Locator) -> None:
        motor = page.get_by_role("slider", name="Motor turned, degrees")
        motor.focus()
        self.as_one_gesture(page)
        page.keyboard.press("ArrowUp")
        page.keyboard.press("ArrowUp")
        expect(part.get_by_text("▲ Differs from released B:")).to_be_visible()
        expect(part.get_by_text("M1 moved 2.34 mm")).to_be_visible()
        check = page.get_by_role("button", name="Adapter plate as released B")
        expect(check.filter(has_text="Fails")).to_be_visible()
        page.get_by_role("button", name="Undo").click()
        expect(check.filter(has_text="Holds")).to_be_visible()

    def test_a_failing_check_holds_a_release_until_somebody_says_why(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("tab", name="Parts").click()
        page.get_by_role("button", name="Release anew…").click()
        dialog = page.get_by_role("dialog", name="Release the adapter plate")
        expect(dialog.get_by_text("Flange readings agree: H4–H5 looks 1.9 mm long")).to_be_visible()
        dialog.get_by_role("radio", name="from the engine side").check()
        dialog.get_by_role("radio", name="anticlockwise").check()
        expect(dialog.get_by_role("button", name="Release it")).to_be_disabled()
        dialog.get_by_label("Why is it released all the same?").fill("Card template only.")
        dialog.get_by_role("button", name="Release it").click()
        expect(dialog).to_have_count(0)
        self.assertEqual(Release.objects.get(letter="B").record["note"], "Card template only.")

    def test_a_delivered_plate_is_measured_and_turned_down_or_accepted(self) -> None:
        page = self.page_of("owner")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("tab", name="Parts").click()
        page.get_by_role("button", name="Check a delivered one…").click()
        dialog = page.get_by_role("dialog", name="Adapter plate A, as delivered")
        expect(dialog.get_by_role("button", name="Accept it")).to_be_disabled()
        dialog.get_by_label("as drawn", exact=True).check()
        for feature, text in (("M1–M4 inside", "257.1"), ("thickness", "10.4")):
            field = dialog.get_by_label(f"Measured {feature}")
            field.fill(text)
            field.press("Tab")
        row = dialog.get_by_role("row", name=re.compile("^thickness"))
        expect(row).to_contain_text("+0.40")
        expect(row.get_by_role("img", name="Fails")).to_be_visible()
        dialog.get_by_role("button", name="Accept it").click()
        expect(dialog.get_by_role("alert")).to_contain_text("thickness: out of tolerance")
        dialog.get_by_label(re.compile("^Remark")).fill("Sheet too thick; back to the cutter.")
        dialog.get_by_role("button", name="Turn it down").click()
        expect(dialog).to_have_count(0)
        check = page.get_by_role("button", name="Adapter plate as delivered")
        expect(check.filter(has_text="Fails")).to_contain_text("Sheet too thick")
        self.assertFalse(Delivery.objects.get().record["accepted"])


class SurveyWaysTest(BrowserTestCase):
    def test_a_square_and_a_dial_find_the_shaft_beside_the_radii(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        measured_again(page)
        self._a_bore_and_its_edge(page)
        page.get_by_role("tab", name="Readings").click()
        form = page.get_by_role("form", name="New reading")
        rows = page.get_by_role("table", name="Flange readings").get_by_role("row")
        for count, k in enumerate((1, 3, 5), start=30):
            form.get_by_label("Kind of reading", exact=True).select_option("inside")
            form.get_by_label("From hole").select_option(f"H{k}")
            form.get_by_label("To hole").select_option("B1")
            form.get_by_label(f"New reading, H{k} to B1").fill({1: "88.6", 3: "85.9", 5: "85.6"}[k])
            page.keyboard.press("Enter")
            expect(rows).to_have_count(count)
        form.get_by_label("Kind of reading", exact=True).select_option("sweep")
        sweep = page.get_by_role("form", name="New dial sweep")
        for clock, text in ((0, "0.10"), (90, "0.06"), (180, "-0.02"), (270, "0.02")):
            sweep.get_by_label(f"Dial at {clock} degrees clockwise").fill(text)
        sweep.get_by_role("button", name="Keep the sweep").click()
        expect(page.get_by_role("row", name=re.compile("^B1 round sweep"))).to_contain_text("0.063")
        page.get_by_role("tab", name="Holes").click()
        routes = page.get_by_role("table", name="The shaft's centre, route by route")
        expect(routes.get_by_role("row")).to_have_count(3)
        expect(routes).to_contain_text("indicator sweep")

    def _a_bore_and_its_edge(self, page: Page) -> None:
        page.get_by_role("tab", name="Holes").click()
        page.get_by_label("a bore about the shaft").check()
        page.get_by_label("B1, diameter").fill("118")
        page.get_by_role("button", name="add the hole").click()
        expect(page.get_by_label("B1, bore")).to_have_value("118")

    def test_points_come_from_a_file_or_are_refused_and_nothing_changes(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("tab", name="Holes").click()
        chooser = page.get_by_label("Read a DXF or CSV file…")
        bad: Any = {"name": "card.csv", "mimeType": "text/csv", "buffer": b"id,x_mm,y_mm\nH1,1,2\nH1,3,4\n"}
        chooser.set_input_files(bad)
        expect(page.get_by_role("alert").filter(has_text="H1 comes twice")).to_contain_text("Nothing was changed")
        good: Any = {"name": "card.csv", "mimeType": "text/csv", "buffer": b"id,x_mm,y_mm\nH1,152,14\nH2,104,112\n"}
        chooser.set_input_files(good)
        expect(page.get_by_text("card.csv: 0 new holes, 4 readings.")).to_be_visible()
        page.get_by_role("button", name="Take them").click()
        page.get_by_role("tab", name="Readings").click()
        expect(page.get_by_role("row", name=re.compile("^H2 y in card"))).to_be_visible()
        page.get_by_role("button", name="Undo").click()
        expect(page.get_by_role("row", name=re.compile("^H2 y in card"))).to_have_count(0)

    def test_the_motors_face_has_a_survey_of_its_own(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("tab", name="Motor").click()
        page.get_by_label("Its holes by").select_option("survey")
        expect(page.get_by_role("heading", name="Looking at the motor’s face")).to_be_visible()
        page.get_by_role("tab", name="Holes").click()
        for hole in ("H1", "H2", "H3"):
            page.get_by_label(f"{hole}, diameter").fill("8.5")
            page.get_by_role("button", name="add the hole").click()
            expect(page.get_by_role("button", name=f"Take {hole} and its readings away")).to_be_visible()
        page.get_by_role("tab", name="Readings").click()
        rows = page.get_by_role("table", name="Motor face readings").get_by_role("row")
        round_it = [("radius", hole, "100") for hole in ("H1", "H2", "H3")]
        across = [("inside", hole, "164.7") for hole in ("H1", "H2", "H3")]
        for count, (kind, hole, text) in enumerate(round_it + across, start=1):
            expect(page.get_by_label("Kind of reading", exact=True)).to_have_value(kind)
            expect(page.get_by_label("From hole", exact=True)).to_have_value(hole)
            page.locator("[data-measure]").fill(text)
            page.keyboard.press("Enter")
            expect(rows).to_have_count(count + 1)
        expect(page.get_by_role("tabpanel").get_by_text("Checked by nothing: H1–H2")).to_be_visible()
        page.get_by_role("radio", name="Gearbox flange").click()
        expect(page.get_by_role("table", name="Flange readings").get_by_role("row")).to_have_count(29)
        page.get_by_role("tab", name="Parts").click()
        expect(page.get_by_role("table", name="Hole table")).to_contain_text("MH3")

    def test_two_plates_on_standoffs_show_their_tilt(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("tab", name="Plate").click()
        page.get_by_label("Built as").select_option("two_plates")
        for label, text in (
            ("Motor plate, thickness", "12 mm"),
            ("Standoffs", "3"),
            ("On a circle of", "210 mm"),
            ("Hole in each plate", "13 mm"),
        ):
            field = page.get_by_label(label, exact=True)
            field.fill(text)
            field.press("Enter")
            expect(page.get_by_role("alert")).to_have_count(0)
        for k, text in ((1, "60.5 mm"), (2, "60 mm"), (3, "60 mm")):
            field = page.get_by_label(f"S{k} as measured")
            field.fill(text)
            field.press("Enter")
            expect(field).to_have_value(text)
        # 0.5 mm over 157.5 mm, from the first leg to the line of the others.
        expect(page.get_by_text("0.182°", exact=True)).to_be_visible()
        page.get_by_role("radio", name="Motor plate").click()
        expect(page.get_by_role("group", name=re.compile("^Motor plate to scale"))).to_be_visible()
        expect(
            page.get_by_role("button", name="Motor face square to the shaft").filter(has_text="Holds")
        ).to_be_visible()


class BuildUpTest(BrowserTestCase):
    def test_every_row_of_a_base_plates_holes_is_in_the_cut_file(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("tab", name="Plate").click()
        page.get_by_label("Built as").select_option("base plate, motor on feet")
        expect(page.get_by_role("button", name="DXF", exact=True)).to_be_disabled()
        for label, text in (
            ("Feet’s holes, along the shaft", "160 mm"),
            ("Feet’s holes, across", "190 mm"),
            ("Hole for the feet", "13 mm"),
            ("Gearbox face to the first pair", "60 mm"),
            ("Feet to motor shaft", "112 mm"),
            ("Base plate to gearbox shaft", "115.5 mm"),
        ):
            entered(page, label, text)
        for row in ("spider as bought", "spider drilled out"):
            page.get_by_role("button", name=f"add a row: {row}").click()
        entered(page, "Shift of row 2", "-22 mm")
        expect(page.get_by_role("group", name=re.compile("^Base plate to scale"))).to_be_visible()
        shims = page.get_by_role("button", name="Motor shaft at the gearbox's height")
        expect(shims).to_contain_text("3.50 mm")
        with page.expect_download() as download:
            page.get_by_role("button", name="DXF", exact=True).click()
        circles = saved_circles(download.value)
        self.assertEqual({round(diameter_mm, 6) for _, _, diameter_mm in circles}, {13.0})
        # Four feet to a row; those of the second, typed just before, stand 22 mm nearer the gearbox.
        along_mm = sorted({round(x, 6) for x, _, _ in circles})
        self.assertEqual(len(circles), 8)
        self.assertEqual([round(x - along_mm[0], 6) for x in along_mm], [0, 22, 160, 182])

    def test_a_gearbox_plate_without_a_bore_is_told_before_it_is_released(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        measured_again(page)
        page.get_by_role("tab", name="Plate").click()
        page.get_by_label("Built as").select_option("two_plates")
        for label, text in (("Standoffs", "4"), ("On a circle of", "200 mm"), ("Hole in each plate", "13 mm")):
            entered(page, label, text)
        comes_through = page.get_by_role("button", name="Shaft comes through")
        expect(comes_through.filter(has_text="Fails")).to_contain_text("Give the bore through the gearbox plate")
        entered(page, "Bore, gearbox plate", "80 mm")
        expect(comes_through.filter(has_text="Holds")).to_contain_text("80 mm")

    def test_a_quantity_is_nested_on_the_stock_sheet(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        measured_again(page)
        page.get_by_role("tab", name="Plate").click()
        more = page.get_by_label("More files")
        for label, text in (("Quantity", "4"), ("Stock sheet, long", "1250 mm"), ("Stock sheet, wide", "1250 mm")):
            entered(page, label, text)
        with page.expect_download() as download:
            page.get_by_role("button", name="DXF", exact=True).click()
        one = saved_circles(download.value)
        with page.expect_download() as download:
            more.select_option("Nested DXF")
        nested = saved_circles(download.value)
        self.assertEqual(len(nested), 4 * len(one))
        self.assertEqual(sorted(round(d, 6) for *_, d in nested)[::4], sorted(round(d, 6) for *_, d in one))
        for x, y, diameter_mm in nested:  # all on the sheet
            self.assertGreater(min(x, y), diameter_mm / 2)
            self.assertLess(max(x, y), 1250 - diameter_mm / 2)
