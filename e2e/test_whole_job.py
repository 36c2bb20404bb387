"""Whole tasks, as a fabricator does them."""

import json
import re
import subprocess
import sys
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

import ezdxf
from playwright.sync_api import Page, expect

from driveline.figures import written
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from e2e.browser import BrowserTestCase
from jobs.models import Job

RIGHT_READING = "96.47"


def saved(page: Page, number: int) -> None:
    expect(page.get_by_role("status").filter(has_text=f"rev {number}, saved")).to_be_visible()


class WholeSliceTest(BrowserTestCase):
    def test_from_gearing_to_a_cut_file(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Ratios")
        self._choose_gearing(page)
        page.get_by_role("navigation", name="Steps").get_by_role("link", name="Adapter plate").click()
        self._find_and_correct_the_wrong_reading(page)
        self._clock_the_motor(page)
        with TemporaryDirectory() as folder:
            job_path, dxf_path = self._download(page, Path(folder))
            self._the_cut_file_is_the_cores_plate(job_path, dxf_path)
            self._the_command_line_agrees_with_the_screens_api(page, job_path)

    def _choose_gearing(self, page: Page) -> None:
        table = page.get_by_role("table", name="Gearings side by side")
        page.get_by_role("checkbox", name="1.75 box · 4th · 4.11").check()
        expect(table.get_by_role("columnheader", name="1.75 box · 4th · 4.11")).to_be_visible()
        page.get_by_role("button", name="Choose 1.75 box · 4th · 4.11").click()
        page.get_by_label("Why this one?").fill("Quicker off the ramp; the box is on the shelf.")
        page.get_by_role("button", name="Choose it").click()
        expect(page.get_by_text("Chosen because: Quicker off the ramp")).to_be_visible()
        expect(page.get_by_role("button", name=re.compile(r"^Reduction 1\.75.*: open its bench$"))).to_be_visible()

    def _find_and_correct_the_wrong_reading(self, page: Page) -> None:
        expect(
            page.get_by_text("▲ H4–H5 looks 1.9 mm long; measure it again.").locator("visible=true").first
        ).to_be_visible()
        page.get_by_role("button", name="Measure H4–H5 again").click()
        cell = page.get_by_role("textbox", name="Reading H4–H5")
        expect(cell).to_be_focused()
        cell.fill("about 96")
        cell.press("Enter")
        expect(page.get_by_role("alert").filter(has_text="does not start with a number")).to_be_visible()
        cell.fill(RIGHT_READING)
        cell.press("Enter")
        expect(page.get_by_text("All 28 readings agree, each checked by others.")).to_be_visible()
        expect(page.get_by_role("button", name="Flange readings agree").filter(has_text="Holds")).to_be_visible()

    def _clock_the_motor(self, page: Page) -> None:
        page.get_by_role("tab", name="Motor").click()
        turned = page.get_by_label("Motor turned by")
        turned.fill("24 deg")
        turned.press("Enter")
        expect(page.get_by_role("button", name="Least ligament").filter(has_text="Fails")).to_be_visible()
        self._drag_the_motor(page)
        turned.fill("57 deg")
        turned.press("Enter")
        expect(page.get_by_role("button", name="Least ligament").filter(has_text="Holds")).to_be_visible()

    def _drag_the_motor(self, page: Page) -> None:
        motor = page.get_by_role("slider", name="Motor turned, degrees")
        box = motor.bounding_box()
        assert box is not None
        middle = (box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
        reach = box["width"] / 2 - 14  # on the bolt circle, inside the grip
        page.mouse.move(middle[0] + reach, middle[1])
        page.mouse.down()
        page.mouse.move(middle[0] + reach * 0.866, middle[1] - reach * 0.5, steps=4)  # 30° anticlockwise
        page.mouse.up()
        expect(motor).to_have_attribute("aria-valuenow", re.compile(r"^5[2-6]"))

    def _download(self, page: Page, folder: Path) -> tuple[Path, Path]:
        with page.expect_download() as dxf:
            page.get_by_role("button", name="DXF").click()
        saved(page, 2)
        self.assertEqual(dxf.value.suggested_filename, "wren-adapter-plate-rev2-engine-side.dxf")
        with page.expect_download() as job:
            page.get_by_role("button", name="Job file").click()
        job.value.save_as(folder / "wren.fernback.json")
        dxf.value.save_as(folder / "plate.dxf")
        return folder / "wren.fernback.json", folder / "plate.dxf"

    def _the_cut_file_is_the_cores_plate(self, job_path: Path, dxf_path: Path) -> None:
        job = JobFile.model_validate_json(job_path.read_bytes())
        self.assertEqual(job.sheets.plate.survey.readings[11].reading.text, RIGHT_READING)
        table = next(part for part in evaluate(job).parts if part.key == "plate.plate").hole_table
        circles = ezdxf.readfile(dxf_path).modelspace().query("CIRCLE[layer=='CUT']")
        found = sorted((c.dxf.center.x, c.dxf.center.y, 2 * c.dxf.radius) for c in circles)
        wanted = sorted((row.x_mm, row.y_mm, row.cut_mm or 0.0) for row in table)
        self.assertEqual(len(found), 15)
        for one, other in zip(found, wanted, strict=True):
            for figure, expected in zip(one, other, strict=True):
                self.assertAlmostEqual(figure, expected, delta=0.001)

    def _the_command_line_agrees_with_the_screens_api(self, page: Page, job_path: Path) -> None:
        job_id = Job.objects.get(name="Wren").pk
        token = next(c["value"] for c in page.context.cookies() if c["name"] == "csrftoken")
        answer = page.request.post(
            f"{self.live_server_url}/api/jobs/{job_id}/evaluate", data={}, headers={"X-CSRFToken": token}
        )
        core = [sys.executable, "-m", "driveline", "check", str(job_path)]
        printed = subprocess.run(core, capture_output=True, text=True)
        whole = json.loads(printed.stdout)
        pieces = json.loads(written(json.dumps(answer.json()["answer"], ensure_ascii=False)))
        cases = zip(pieces["line"]["cases"], pieces["motion"]["cases"], strict=True)
        pieces["line"] |= pieces["motion"] | {"cases": [judged | moved for judged, moved in cases]}
        for piece in ("brief", "ratios", "plate", "line", "benches"):
            self.assertTrue(whole[piece] == pieces[piece], piece)  # their difference would be too long to read
        self.assertTrue(whole["parts"] == [part for parts in pieces["parts"].values() for part in parts])


class NothingIsLostTest(BrowserTestCase):
    def test_undo_redo_and_coming_back_with_unsaved_edits(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Brief")
        mass = page.get_by_label("Kerb mass", exact=True)
        for text in ("1120 kg", "1140 kg"):
            mass.fill(text)
            mass.press("Enter")
            expect(page.get_by_role("status").filter(has_text="not saved")).to_be_visible()
        page.get_by_role("button", name="Undo").click()
        expect(mass).to_have_value("1120 kg")
        page.get_by_role("button", name="Redo").click()
        expect(mass).to_have_value("1140 kg")
        page.reload()
        expect(page.get_by_label("Kerb mass", exact=True)).to_have_value("1140 kg")
        expect(page.get_by_text("were not saved; here they are again")).to_be_visible()
        page.keyboard.press("Control+s")
        saved(page, 2)
        page.reload()
        expect(page.get_by_label("Kerb mass", exact=True)).to_have_value("1140 kg")
        saved(page, 2)

    def test_two_people_saving_see_both_versions(self) -> None:
        first, second = self.page_of("fabricator"), self.page_of("owner")
        for page, text in ((first, "1100 kg"), (second, "1060 kg")):
            self.open_job(page, "Wren", "Brief")
            page.get_by_label("Kerb mass", exact=True).fill(text)
            page.get_by_label("Kerb mass", exact=True).press("Enter")
        first.get_by_role("button", name="Save").click()
        saved(first, 2)
        second.get_by_role("button", name="Save").click()
        dialog = second.get_by_role("dialog")
        expect(dialog.get_by_role("heading", name=re.compile("fabricator saved revision 2"))).to_be_visible()
        expect(dialog.get_by_label("1060 kg")).to_be_visible()
        expect(dialog.get_by_label("1100 kg")).to_be_visible()
        second.get_by_role("button", name="Save mine alone").click()
        saved(second, 3)
        texts = [v.sheets["brief"]["vehicle"]["kerb_mass"]["text"] for v in Job.objects.get(name="Wren").versions.all()]
        self.assertEqual(texts, ["1060 kg", "1100 kg", "1080 kg"])

    def test_a_viewer_may_look(self) -> None:
        page = self.page_of("viewer")
        self.open_job(page, "Wren", "Brief")
        expect(page.get_by_label("Kerb mass", exact=True)).to_be_disabled()
        expect(page.get_by_role("button", name="Save")).to_have_count(0)


class NewFlangeTest(BrowserTestCase):
    """A flange measured from nothing: four holes on a square of 200 mm, shaft in the middle."""

    READINGS = ("141.42", "141.42", "141.42", "141.42", "190", "190", "190", "190", "272.84")

    def start(self, page: Page) -> None:
        page.get_by_role("button", name="New job").click()
        page.get_by_label("Name", exact=True).fill("Quay cart")
        page.get_by_role("radio", name="reduction box on the propshaft").check()
        page.get_by_role("button", name="Start the job").click()
        expect(page.get_by_label("Layout")).to_have_value("propshaft_reduction")
        page.get_by_role("navigation", name="Steps").get_by_role("link", name="Adapter plate").click()
        for hole in ("H1", "H2", "H3", "H4"):
            page.get_by_label(f"{hole}, diameter").fill("10")
            page.get_by_role("button", name="add the hole").click()
            expect(page.get_by_role("button", name=f"Take {hole} and its readings away")).to_be_visible()

    def test_what_is_missing_leads_to_its_field(self) -> None:
        page = self.page_of("fabricator")
        page.get_by_role("button", name="New job").click()
        page.get_by_label("Name", exact=True).fill("Quay cart")
        page.get_by_role("button", name="Start the job").click()
        page.get_by_role("button", name="Give the drag area").click()
        expect(page.get_by_label("Drag area")).to_be_focused()  # folded away till then
        page.get_by_role("navigation", name="Steps").get_by_role("link", name="Ratios").click()
        page.get_by_role("button", name="Enter the final drive").click()
        expect(page.get_by_role("textbox", name="Ratio of a final drive", exact=True)).to_be_focused()
        page.get_by_role("button", name="Give the driven tyre").click()
        expect(page.get_by_label("Sidewall code")).to_be_focused()

    def holes(self) -> dict[str, tuple[float, float]]:
        version: Any = Job.objects.get(name="Quay cart").versions.first()
        result = evaluate(JobFile.model_validate({"name": "Quay cart", "sheets": version.sheets}))
        return {hole.id: (hole.x_mm, hole.y_mm) for hole in result.plate.survey.holes}

    def test_by_keyboard_type_enter_next(self) -> None:
        page = self.page_of("fabricator")
        self.start(page)
        page.get_by_role("tab", name="Readings").click()
        page.get_by_role("textbox", name="New reading, H1 to C").focus()
        for count, text in enumerate(self.READINGS, start=1):
            page.keyboard.type(text)
            page.keyboard.press("Enter")
            expect(page.get_by_role("table", name="Flange readings").get_by_role("row")).to_have_count(count + 1)
            expect(page.get_by_role("form", name="New reading").get_by_text("suggested")).to_be_visible()
        page.keyboard.press("Control+s")
        saved(page, 2)
        for hole, (x, y) in self.holes().items():
            self.assertAlmostEqual((x**2 + y**2) ** 0.5, 0 if hole == "C" else 141.42, delta=0.02)

    def test_on_a_phone_one_reading_at_a_time(self) -> None:
        page = self.page_of("fabricator", viewport={"width": 390, "height": 844}, has_touch=True)
        self.start(page)
        entry = page.get_by_role("region", name="One reading at a time")
        expect(entry.get_by_role("heading", name="H1 to the shaft centre, radius")).to_be_visible()
        entry.get_by_role("button", name="mm").click()
        for key in ("5", "1/2"):
            entry.get_by_role("button", name=key, exact=True).click()
        expect(entry.get_by_text("= 139.7 mm")).to_be_visible()
        for _ in "5 1/2":
            entry.get_by_role("button", name="delete").click()
        entry.get_by_role("button", name="inch", exact=True).click()
        page.get_by_role("tab", name="Readings").click()
        rows = page.get_by_role("table", name="Flange readings").get_by_role("row")
        for taken, text in enumerate(self.READINGS[:-1], start=1):
            for key in text:
                entry.get_by_role("button", name=key, exact=True).click()
            entry.get_by_role("button", name="Keep, next").click()
            expect(rows).to_have_count(taken + 1)
        entry.get_by_text("Another pair, or the square").click()
        entry.get_by_label("Phone: kind of reading").select_option("outside")
        entry.get_by_label("Phone: from hole").select_option("H1")
        entry.get_by_label("Phone: to hole").select_option("H3")
        for key in "292.84":
            entry.get_by_role("button", name=key, exact=True).click()
        entry.get_by_role("button", name="Keep, next").click()
        expect(page.get_by_role("row", name=re.compile("^H1–H3 outside"))).to_be_visible()
        page.get_by_role("button", name="Save").click()
        saved(page, 2)
        for hole, (x, y) in self.holes().items():
            self.assertAlmostEqual((x**2 + y**2) ** 0.5, 0 if hole == "C" else 141.42, delta=0.05)
