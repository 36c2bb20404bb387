"""Smaller tasks at the bench: leaving a reading out, comparing, keys, files, and mistakes on the way in."""

import re
from pathlib import Path

import ezdxf
from playwright.sync_api import expect

from e2e.browser import BrowserTestCase
from jobs.management.commands.load_demo import ORDER
from jobs.models import Job

DEMO = Path(__file__).parents[1] / "server" / "jobs" / "demo"


class PlateBenchTest(BrowserTestCase):
    def test_a_reading_left_out_stays_struck_through_and_comes_back_by_undo(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("button", name="Leave it out").click()
        dialog = page.get_by_role("dialog", name="Leave H4–H5 out")
        dialog.get_by_label("Why?").fill("jaws slipped")
        dialog.get_by_role("button", name="Leave it out").click()
        row = page.get_by_role("row", name=re.compile("^H4–H5 inside"))
        expect(row).to_have_class(re.compile("line-through"))
        expect(row).to_have_attribute("title", "Left out by fabricator: jaws slipped")
        expect(page.get_by_role("button", name="Flange readings agree").filter(has_text="Holds")).to_be_visible()
        page.get_by_role("button", name="Undo").click()
        expect(row).not_to_have_class(re.compile("line-through"))
        expect(page.get_by_role("button", name="Flange readings agree").filter(has_text="Fails")).to_be_visible()

    def test_a_hole_lights_up_its_readings_and_units_go_round(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("button", name="H3: its readings").locator("text").click()
        expect(page.get_by_role("row", name=re.compile("^H2–H3 inside"))).to_have_class(re.compile("bg-card"))
        cell = page.get_by_role("textbox", name="Reading H2–H3")
        typed = cell.input_value()
        self.assertRegex(typed, r"^\d\.\d{3} in$")
        other = page.get_by_role("textbox", name="Reading H1–H2")
        ligament = page.get_by_role("button", name=re.compile("^Least ligament"))
        expect(ligament).to_contain_text(re.compile(r"11\.\d\smm between"))
        page.keyboard.press("u")  # a look: what was typed is shown in these units too, and can't be typed over
        expect(other).to_have_value(re.compile(r"^3\.88\d\d\sin$"))
        expect(other).to_be_disabled()
        expect(ligament).to_contain_text(re.compile(r"0\.45\d\sin between"))
        page.keyboard.press("u")
        expect(other).to_have_value(re.compile(r'^3 \d+/\d+" \([+−]0\.\d{4}\)$'))
        page.keyboard.press("u")
        page.keyboard.press("u")
        expect(cell).to_have_value(typed)
        page.get_by_label("Units").select_option("us")  # one's own: what was typed stays as typed
        expect(cell).to_have_value(typed)
        expect(ligament).to_contain_text(re.compile(r"0\.45\d\sin between"))
        page.reload()
        expect(page.get_by_label("Units")).to_have_value("us")

    def test_pinned_the_ledger_shows_before_and_after(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.keyboard.press("p")
        motor = page.get_by_role("slider", name="Motor turned, degrees")
        motor.focus()
        self.as_one_gesture(page)
        for _ in range(3):
            page.keyboard.press("ArrowUp")
        expect(motor).to_have_attribute("aria-valuenow", "-3.5")
        expect(page.get_by_role("button", name=re.compile(r"Least ligament 1\.06 → 1\.\d\d"))).to_be_visible()
        page.get_by_role("button", name="Undo").click()  # the three presses are one gesture
        expect(motor).to_have_attribute("aria-valuenow", "-5")

    def test_the_cut_file_follows_the_side_looked_at(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Adapter plate")
        page.get_by_role("button", name="Turn over to the gearbox side").click()
        with page.expect_download() as download:
            page.get_by_role("button", name="DXF").click()
        self.assertEqual(download.value.suggested_filename, "wren-adapter-plate-rev1-gearbox-side.dxf")
        texts = [text.dxf.text for text in ezdxf.readfile(download.value.path()).modelspace().query("TEXT")]
        self.assertIn("Seen from the gearbox side", texts)


class LineTest(BrowserTestCase):
    def test_the_line_answers_slider_case_and_click(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Brief")
        line = page.get_by_role("region", name="The Line, motor to road")
        motor = line.get_by_role("button", name=re.compile(r"^Motor.*: open its bench$"))
        expect(motor).to_contain_text("4\u2009092")
        page.get_by_role("slider", name="Road speed").fill("120")
        expect(motor).to_contain_text("6\u2009139")
        before = motor.text_content()
        page.get_by_role("radio", name="Flat out").click()
        expect(motor).not_to_have_text(before or "")
        line.get_by_role("button", name=re.compile(r"^Adapter plate.*: open its bench$")).click()
        expect(page).to_have_url(re.compile("/plate$"))
        for keys, step in (("gr", "ratios"), ("gb", "brief")):
            page.keyboard.type(keys)
            expect(page).to_have_url(re.compile(f"/{step}$"))
        page.keyboard.press("?")
        expect(page.get_by_role("dialog", name="Keys")).to_be_visible()


class FilesAndSignInTest(BrowserTestCase):
    def test_a_job_file_is_opened_or_refused_with_the_field(self) -> None:
        page = self.page_of("fabricator")
        good = (DEMO / "plover.fernback.json").read_text()
        bad = good.replace('"740 kg"', '"about a tonne"').encode()
        chooser = page.get_by_label("Open a job file…")
        chooser.set_input_files({"name": "bad.json", "mimeType": "application/json", "buffer": bad})
        expect(page.get_by_role("alert")).to_contain_text("brief.vehicle.kerb_mass")
        self.assertEqual(Job.objects.count(), len(ORDER))  # the demo's, and none besides
        chooser.set_input_files({"name": "good.json", "mimeType": "application/json", "buffer": good.encode()})
        expect(page.get_by_label("Kerb mass", exact=True)).to_have_value("740 kg")
        self.assertEqual(Job.objects.filter(name="Plover").count(), 2)

    def test_a_wrong_password_is_said_and_nothing_else(self) -> None:
        page = self.context().new_page()
        page.goto(self.live_server_url)
        page.get_by_label("Name").fill("fabricator")
        page.get_by_label("Password").fill("wrong")
        page.get_by_role("button", name="Sign in").click()
        expect(page.get_by_role("alert")).to_have_text("▲ Name or password is wrong.")

    def test_a_viewer_sees_no_way_to_change_a_job(self) -> None:
        page = self.page_of("viewer")
        expect(page.get_by_role("button", name="New job")).to_have_count(0)
        self.open_job(page, "Wren", "Adapter plate")
        expect(page.get_by_role("textbox", name="Reading H1–H2")).to_be_disabled()
        expect(page.get_by_role("form", name="New reading")).to_have_count(0)
        expect(page.get_by_role("button", name="Leave it out")).to_have_count(0)
