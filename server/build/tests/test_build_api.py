"""Releases and deliveries through the API: who may, what is held, what is frozen, and that it stays so."""

import hashlib
import json
from typing import Any

from django.db import DatabaseError, transaction

from build.models import Delivery, Release
from driveline.figures import written
from driveline.parts.ordered import Order
from jobs.actions import import_job, job_file, saved_sheets
from jobs.tests.shops import DEMO, ShopTestCase

PLOVER = "plover.fernback.json"
RIGHT = "96.47"
GOOD = {"measures": [{"kind": "thickness", "reading": {"text": "10.05"}}], "runs_as_drawn": True, "accepted": True}


class BuildTestCase(ShopTestCase):
    def setUp(self) -> None:
        self.base = f"/api/jobs/{self.wren.pk}"
        self.fabricator = self.client_of("fabricator")

    def measured_again(self) -> None:
        """The wrong reading put right and saved as revision 2: nothing fails then."""
        sheets = self.fabricator.get(self.base).json()["version"]["sheets"]
        sheets["plate"]["survey"]["readings"][11]["reading"]["text"] = RIGHT
        saved = self.fabricator.send("post", f"{self.base}/versions", {"based_on": 1, "sheets": sheets})
        self.assertEqual(saved.status_code, 201)

    def release(self, client: Any = None, **change: Any) -> Any:
        body = {"based_on": 2, "part": "plate.plate", "side": "second", "confirmed_runs": "clockwise", **change}
        return (client or self.fabricator).send("post", f"{self.base}/releases", body)

    def deliver(self, client: Any = None, letter: str = "A", **change: Any) -> Any:
        path = f"{self.base}/releases/plate.plate/{letter}/deliveries"
        return (client or self.fabricator).send("post", path, {**GOOD, **change})


class ReleaseTest(BuildTestCase):
    def test_the_next_letter_is_frozen_with_its_bytes_hash_person_and_readings(self) -> None:
        self.measured_again()
        made = self.release()
        self.assertEqual(made.status_code, 201, made.content)
        line = made.json()
        self.assertEqual((line["letter"], line["by"], line["revision"], line["readings"]), ("B", "fabricator", 2, 28))
        file = self.fabricator.get(f"{self.base}/releases/plate.plate/B.dxf")
        self.assertEqual(hashlib.sha256(file.content).hexdigest(), line["sha256"])
        self.assertIn("wren-plate-rev-b-gearbox-side.dxf", file.headers["Content-Disposition"])
        self.assertEqual([one["letter"] for one in self.fabricator.get(f"{self.base}/releases").json()], ["B", "A"])

    def test_sheet_and_hole_table_are_frozen_with_it(self) -> None:
        self.measured_again()
        self.release()
        paths = [f"{self.base}/releases/plate.plate/B{end}" for end in ("-sheet.pdf", "-holes.csv")]
        before = [self.fabricator.get(path).content for path in paths]
        self.assertTrue(before[0].startswith(b"%PDF"))
        self.assertIn(b"H1,flange", before[1])
        sheets = self.fabricator.get(self.base).json()["version"]["sheets"]
        sheets["plate"]["plate"]["turned"]["text"] = "-3 deg"
        self.fabricator.send("post", f"{self.base}/versions", {"based_on": 2, "sheets": sheets})
        self.assertEqual(self.fabricator.get(paths[1]).content, before[1])
        old = self.fabricator.get(f"{self.base}/releases/plate.plate/A-sheet.pdf")
        self.assertEqual(old.status_code, 409)
        self.assertIn("Release it anew", old.json()["says"])

    def test_later_edits_are_told_and_the_frozen_bytes_do_not_move(self) -> None:
        self.measured_again()
        self.release()
        before = self.fabricator.get(f"{self.base}/releases/plate.plate/B.dxf").content
        sheets = self.fabricator.get(self.base).json()["version"]["sheets"]
        sheets["plate"]["plate"]["turned"]["text"] = "-3 deg"
        result = self.fabricator.send("post", f"{self.base}/evaluate", {"sheets": sheets}).json()
        state = result["answer"]["parts"]["plate"][0]["released"]
        self.assertEqual(state["letter"], "B")
        self.assertIn("M1 moved 4.68\u00a0mm", [written(one["says"]) for one in state["differs"]])
        self.assertEqual(self.fabricator.get(f"{self.base}/releases/plate.plate/B.dxf").content, before)

    def test_a_failing_check_holds_it_until_somebody_says_why(self) -> None:
        held = self.release(based_on=1)
        self.assertEqual(held.status_code, 409)
        self.assertIn("Flange readings agree: failing", held.json()["says"])
        made = self.release(based_on=1, despite="A card template, not the plate itself.")
        self.assertEqual((made.status_code, made.json()["note"]), (201, "A card template, not the plate itself."))

    def test_holes_that_run_the_other_way_hold_it(self) -> None:
        self.measured_again()
        for side, runs in [("second", "anticlockwise"), ("first", "clockwise")]:
            held = self.release(side=side, confirmed_runs=runs)
            self.assertEqual(held.status_code, 409)
            self.assertIn("mirrored", held.json()["says"])
        self.assertEqual(Release.objects.count(), 1)

    def test_against_an_old_revision_it_is_a_conflict(self) -> None:
        self.measured_again()
        refused = self.release(based_on=1)
        self.assertEqual((refused.status_code, refused.json()["newest"]), (409, 2))

    def test_who_may_not_and_what_is_not_there(self) -> None:
        self.measured_again()
        self.assertEqual(self.release(self.client_of("stranger")).status_code, 404)
        self.assertEqual(self.release(self.client_of("viewer")).status_code, 403)
        for change, status in [({"part": "plate.ring"}, 409), ({"part": "door"}, 422), ({"side": "top"}, 422)]:
            self.assertEqual(self.release(**change).status_code, status)
        stranger = self.client_of("stranger")
        for path in ("releases", "releases/plate.plate/A.dxf"):
            self.assertEqual(stranger.get(f"{self.base}/{path}").status_code, 404)
        self.assertEqual(self.fabricator.get(f"{self.base}/releases/plate.plate/Z.dxf").status_code, 404)
        self.assertEqual(self.client_of("viewer").get(f"{self.base}/releases/plate.plate/A.dxf").status_code, 200)

    def test_a_record_is_never_changed(self) -> None:
        self.deliver()
        for model in (Release, Delivery):
            with self.assertRaises(DatabaseError), transaction.atomic():
                model.objects.update(record={})


class DeliveryTest(BuildTestCase):
    def test_measures_are_judged_against_the_release_and_nothing_is_saved(self) -> None:
        path = f"{self.base}/releases/plate.plate/A/judge"
        measures = [
            {"kind": "inside", "a": "M1", "b": "M4", "reading": {"text": "257.6"}},
            {"kind": "thickness", "reading": {"text": "10 mm"}},
        ]
        rows = self.client_of("viewer").send("post", path, {"measures": measures}).json()
        self.assertEqual([row["verdict"] for row in rows], ["fails", "holds"])
        self.assertAlmostEqual(rows[0]["off_mm"], 0.6)
        self.assertEqual(Delivery.objects.count(), 0)
        unknown = [{"kind": "diameter", "a": "H99", "reading": {"text": "10"}}]
        refused = self.fabricator.send("post", path, {"measures": unknown})
        self.assertEqual((refused.status_code, refused.json()["fields"][0]["field"]), (422, "measures"))

    def test_it_is_signed_for_by_who_is_signed_in(self) -> None:
        self.assertEqual(self.deliver(self.client_of("owner")).status_code, 201)
        (state,) = self.fabricator.send("post", f"{self.base}/evaluate", {}).json()["answer"]["parts"]["plate"][0][
            "incoming"
        ]
        self.assertEqual((state["by"], state["accepted"], state["letter"]), ("owner", True, "A"))

    def test_what_is_held(self) -> None:
        out: dict[str, Any] = {"measures": [{"kind": "thickness", "reading": {"text": "11"}}]}
        cases: list[tuple[dict[str, Any], str]] = [
            ({"runs_as_drawn": False}, "mirrored"),
            ({"measures": []}, "at least one feature"),
            (out, "out of tolerance"),
            ({"accepted": False}, "why it is turned down"),
        ]
        for change, words in cases:
            held = self.deliver(**change)
            self.assertEqual(held.status_code, 409)
            self.assertIn(words, held.json()["says"])
        self.assertEqual(self.deliver(**out, why="Faced down by hand.").status_code, 201)
        self.assertEqual(self.deliver(accepted=False, why="Wrong alloy.").status_code, 201)
        self.assertEqual(self.deliver(self.client_of("viewer")).status_code, 403)
        self.assertEqual(self.deliver(self.client_of("stranger")).status_code, 404)
        self.assertEqual(self.deliver(letter="Q").status_code, 404)


class RecordsTravelTest(BuildTestCase):
    def test_export_and_import_carry_releases_and_deliveries_exactly(self) -> None:
        self.measured_again()
        self.release()
        self.deliver()
        exported = self.fabricator.get(f"{self.base}/file").content
        self.assertIn(b'"accepted": true', exported)
        again = self.fabricator.upload(f"/api/jobs/import?shop_id={self.shop.pk}", "job.json", exported).json()
        came, before = json.loads(self.fabricator.get(f"/api/jobs/{again['id']}/file").content), json.loads(exported)
        for record in (*came["build"]["releases"], *came["build"]["incoming"]):
            self.assertEqual(record["brought"]["file_sha256"], hashlib.sha256(exported).hexdigest())
        for record in (one for file in (came, before) for kept in file["build"].values() for one in kept):
            del record["brought"]
        self.assertEqual(came, before)

    def test_a_record_that_came_with_a_file_never_passes_for_one_signed_here(self) -> None:
        """Whatever the file says of itself: that the owner signed it, or that it was never brought."""
        self.release()
        forged = json.loads(self.fabricator.get(f"{self.base}/file").content)
        forged["build"]["releases"][-1] |= {"by": "owner", "at": "1999-01-01T10:00:00Z"}
        data = json.dumps(forged).encode()
        job = self.fabricator.upload(f"/api/jobs/import?shop_id={self.shop.pk}", "job.json", data).json()
        answer = self.fabricator.send("post", f"/api/jobs/{job['id']}/evaluate", {}).json()["answer"]
        (plate,) = [one for one in answer["parts"]["plate"] if one["key"] == "plate.plate"]
        self.assertEqual(plate["released"]["by"], "owner, by a file that fabricator brought; not signed here")

    def test_a_cut_file_that_is_not_the_one_of_its_hash_is_refused_by_name(self) -> None:
        self.release()
        forged = json.loads(self.fabricator.get(f"{self.base}/file").content)
        forged["build"]["releases"][-1]["dxf"] = forged["build"]["releases"][-1]["dxf"].replace("5.0", "5.2", 1)
        data = json.dumps(forged).encode()
        refused = self.fabricator.upload(f"/api/jobs/import?shop_id={self.shop.pk}", "job.json", data)
        self.assertEqual(refused.status_code, 422)
        self.assertIn("The cut file of plate.plate, release", refused.json()["says"])

    def test_two_releases_of_one_letter_are_refused_whole(self) -> None:
        file = job_file(self.wren, saved_sheets(self.wren.versions.latest("number")))
        twice = file.model_copy(update={"build": file.build.model_copy(update={"releases": file.build.releases * 2})})
        data = twice.model_dump_json().encode()
        refused = self.fabricator.upload(f"/api/jobs/import?shop_id={self.shop.pk}", "job.json", data)
        self.assertEqual(refused.status_code, 422)
        self.assertIn("Nothing was changed", refused.json()["says"])


class DrawingsTest(BuildTestCase):
    def test_every_file_of_a_part_names_its_side_and_revision(self) -> None:
        for path, start, name in [
            ("plate.plate.dxf?side=first", b"  0\nSECTION", "wren-adapter-plate-rev1-engine-side.dxf"),
            ("plate.plate-sheet.pdf?side=second", b"%PDF", "wren-adapter-plate-rev1-gearbox-side-sheet.pdf"),
            ("plate.plate-sheet.svg", b"<svg", "wren-adapter-plate-rev1-engine-side-sheet.svg"),
            ("plate.plate-template.pdf?paper=letter", b"%PDF", "wren-adapter-plate-rev1-engine-side-template.pdf"),
            ("plate.plate-nested.dxf", b"  0\nSECTION", "wren-adapter-plate-rev1-engine-side-nested.dxf"),
            ("cut-list.csv", b"part,material", "wren-cut-list-rev1.csv"),
        ]:
            with self.subTest(path):
                answer = self.fabricator.get(f"{self.base}/drawings/{path}")
                self.assertEqual(answer.status_code, 200)
                self.assertTrue(answer.content.startswith(start))
                self.assertIn(f'"{name}"', answer.headers["Content-Disposition"])
                self.assertEqual(self.client_of("stranger").get(f"{self.base}/drawings/{path}").status_code, 404)

    def test_what_is_not_to_be_had_says_so(self) -> None:
        for path, status in [("plate.ring.dxf", 409), ("door.dxf", 422), ("plate.plate-template.pdf?paper=a3", 422)]:
            self.assertEqual(self.fabricator.get(f"{self.base}/drawings/{path}").status_code, status)

    def test_a_sheet_says_whether_it_is_as_released(self) -> None:
        path = f"{self.base}/drawings/plate.plate-sheet.svg"
        self.assertIn(b"saved revision 1, not released", self.fabricator.get(path).content)
        self.measured_again()
        self.assertIn(b"A, as released", self.fabricator.get(path).content)


class SurveyFileTest(BuildTestCase):
    def read(self, client: Any, name: str, data: bytes, survey: str = "{}", **more: str) -> Any:
        from django.core.files.uploadedfile import SimpleUploadedFile

        token = client.cookies["csrftoken"].value
        body = {"file": SimpleUploadedFile(name, data), "survey": survey, **more}
        return client.post("/api/measure/survey-file", body, headers={"X-CSRFToken": token})

    def test_points_are_read_in_a_frame_named_after_the_file(self) -> None:
        read = self.read(self.fabricator, "card 1.csv", b"id,x_mm,y_mm,diameter_mm\nH1,1,2,10\nH2,90,2,10\n").json()
        self.assertEqual([hole["id"] for hole in read["holes"]], ["H1", "H2"])
        self.assertEqual({reading["frame"] for reading in read["readings"]}, {"card 1"})

    def test_a_cut_file_of_our_own_reads_back_as_the_flange_it_was_cut_for(self) -> None:
        """Its 15 circles without the bore are the plate's holes; turned over, they lie mirrored."""
        dxf = self.fabricator.get(f"{self.base}/drawings/plate.plate.dxf?side=second").content
        read = self.read(self.fabricator, "plate.dxf", dxf, seen_from="gearbox").json()
        self.assertEqual(len(read["holes"]), 15)
        self.assertIsNotNone(read["outline"])
        self.assertIn("turned over to the engine side", " ".join(read["notes"]))

    def test_what_is_wrong_is_said_and_nothing_changes(self) -> None:
        for name, data, survey, status in [
            ("a.csv", b"", "{}", 422),
            ("a.dxf", b"nonsense", "{}", 422),
            ("a.csv", b"id,x_mm,y_mm\nH1,1,2\nH1,3,4\n", "{}", 422),
            ("a.csv", b"id,x_mm,y_mm\nH1,1,2\nH2,3,4\n", "not a survey", 422),
            ("a.dxf", b"0\n" * 2_100_000, "{}", 413),
        ]:
            refused = self.read(self.fabricator, name, data, survey)
            self.assertEqual(refused.status_code, status, (name, refused.content))
        self.assertEqual(self.wren.versions.count(), 1)


class OrderedTest(BuildTestCase):
    """A bar is ordered by its sizes: its sheet, its data, and that a mock-up is never released."""

    def setUp(self) -> None:
        super().setUp()
        plover = import_job(
            shop=self.wren.shop, author=self.wren.versions.latest("number").author, data=(DEMO / PLOVER).read_bytes()
        )
        self.base = f"/api/jobs/{plover.pk}"

    def test_it_has_an_order_sheet_and_an_order_as_data_and_no_cut_file(self) -> None:
        sheet = self.fabricator.get(f"{self.base}/drawings/axles.a1.left_bar-sheet.pdf")
        self.assertTrue(sheet.content.startswith(b"%PDF"))
        order = Order.model_validate_json(
            self.fabricator.get(f"{self.base}/drawings/axles.a1.left_bar.order.json").content
        )
        self.assertEqual((order.number, order.sizes[0].mm), ("PL-301", 381))
        self.assertEqual(self.fabricator.get(f"{self.base}/drawings/axles.a1.left_bar.dxf").status_code, 409)
        refused = self.fabricator.get(f"{self.base}/drawings/mounts.m1.ear.order.json")
        self.assertEqual(refused.status_code, 409)

    def test_only_its_own_failing_checks_hold_it_and_a_mock_up_is_held_for_good(self) -> None:
        for part, letter in (("axles.a1.right_bar", "B"), ("axles.a1.left_bar", "A")):
            made = self.release(based_on=1, part=part, side="first", confirmed_runs=None)
            self.assertEqual((made.status_code, made.json().get("letter")), (201, letter), made.content)
        sheets = self.fabricator.get(self.base).json()["version"]["sheets"]
        sheets["axles"]["axles"][0]["left"]["bar"]["is_mock_up"] = True
        self.fabricator.send("post", f"{self.base}/versions", {"based_on": 1, "sheets": sheets})
        held = self.release(part="axles.a1.left_bar", side="first", confirmed_runs=None, despite="to try")
        self.assertEqual(held.status_code, 409)
        self.assertIn("measuring stick", held.json()["says"])

    def test_one_that_comes_too_long_is_told_with_what_it_takes(self) -> None:
        path = f"{self.base}/releases/axles.a1.right_bar/A/judge"
        measures = [{"kind": "size", "a": "length", "reading": {"text": "380 mm"}}]
        (row,) = self.fabricator.send("post", path, {"measures": measures}).json()
        self.assertEqual(row["verdict"], "fails")
        self.assertIn("plunge that was left", row["means"])
        unknown = [{"kind": "size", "a": "weight", "reading": {"text": "380 mm"}}]
        self.assertIn("size weight", str(self.fabricator.send("post", path, {"measures": unknown}).json()))
