import gzip
import json
import time
from concurrent.futures import ThreadPoolExecutor
from typing import Any
from uuid import uuid4

import pypdfium2
from django.db import DatabaseError, transaction

from driveline.benches.mounts.sheet import RailShape
from driveline.job.evaluate import evaluate
from driveline.job.file import Sheets
from jobs import beside
from jobs.actions import job_file, saved_sheets
from jobs.exports import safe_cell
from jobs.models import Job, JobVersion
from jobs.tests.shops import DEMO, ShopClient, ShopTestCase
from tests.metal.section_files import BOX_DXF, rectangle, section_dxf


class JobsApiTest(ShopTestCase):
    def setUp(self) -> None:
        self.base = f"/api/jobs/{self.wren.pk}"
        self.fabricator = self.client_of("fabricator")

    def sheets(self) -> dict[str, Any]:
        found: dict[str, Any] = self.fabricator.get(self.base).json()["version"]["sheets"]
        return found

    def test_the_list_tells_state_worst_check_and_who_touched_it_last(self) -> None:
        (line,) = self.fabricator.get("/api/jobs").json()
        self.assertEqual(line["name"], "Wren")
        self.assertEqual((line["worst"], line["worst_title"]), ("fails", "Flange readings agree"))
        self.assertEqual((line["stage"], line["saved_by"]), ("shafts designed", "fabricator"))

    def test_a_job_is_copied_without_its_records_and_put_away_and_fetched_back(self) -> None:
        made = self.fabricator.send("post", f"{self.base}/copy", {"name": "Wren the second"}).json()
        self.assertEqual(made["version"]["sheets"], self.sheets())
        self.assertEqual(self.fabricator.get(f"/api/jobs/{made['id']}/releases").json(), [])
        for is_away in (True, False):
            put = self.fabricator.send("patch", self.base, {"is_put_away": is_away})
            self.assertEqual(put.status_code, 204)
            lines = {one["name"]: one["is_put_away"] for one in self.fabricator.get("/api/jobs").json()}
            self.assertEqual(lines, {"Wren": is_away, "Wren the second": False})
        self.assertEqual({one["may_edit"] for one in self.client_of("viewer").get("/api/jobs").json()}, {False})

    def test_whoever_has_a_job_open_is_named_before_it_is_put_away(self) -> None:
        here = {"tab": str(uuid4()), "bench": "plate"}
        self.assertEqual(self.client_of("viewer").send("post", f"{self.base}/here", here).status_code, 200)
        own = {"tab": str(uuid4()), "bench": "brief"}
        self.fabricator.send("post", f"{self.base}/here", own)  # one's own other tab is nobody else
        refused = self.fabricator.send("patch", self.base, {"is_put_away": True})
        self.assertEqual(refused.status_code, 409)
        self.assertIn("viewer has Wren open", refused.json()["says"])
        self.assertIsNone(Job.objects.get(pk=self.wren.pk).put_away_at)
        although = {"is_put_away": True, "although_open": True}
        self.assertEqual(self.fabricator.send("patch", self.base, although).status_code, 204)
        self.assertEqual(self.fabricator.send("patch", self.base, {"is_put_away": False}).status_code, 204)

    def test_no_two_things_of_the_schema_go_by_one_name(self) -> None:
        schemas = self.fabricator.get("/api/openapi.json").json()["components"]["schemas"]
        self.assertEqual([name for name in schemas if "__" in name], [])  # a name with its module in it stands twice

    def test_a_person_from_another_shop_gets_404_for_everything(self) -> None:
        stranger = self.client_of("stranger")
        self.assertEqual(stranger.get("/api/jobs").json(), [])
        sheets = self.sheets()
        for method, path, body in [
            ("get", "", None),
            ("get", "/versions", None),
            ("get", "/versions/1", None),
            ("get", "/file", None),
            ("get", "/drawings/plate.plate.dxf", None),
            ("get", "/drawings/plate.plate-holes.csv", None),
            ("post", "/evaluate", {}),
            ("post", "/workings", {}),
            ("post", "/sureness", {}),
            ("post", "/seek/placement.most_room", {}),
            ("get", "/calculation-sheet.pdf", None),
            ("post", "/versions", {"based_on": 1, "sheets": sheets}),
        ]:
            with self.subTest(path):
                answer = (
                    stranger.get(self.base + path) if method == "get" else stranger.send("post", self.base + path, body)
                )
                self.assertEqual(answer.status_code, 404)
        self.assertEqual(self.wren.versions.count(), 1)
        made = stranger.send("post", "/api/jobs", {"shop_id": self.shop.pk, "name": "Mine"})
        self.assertEqual(made.status_code, 404)

    def test_nobody_signed_in_gets_401_and_a_request_without_the_token_403(self) -> None:
        self.assertEqual(ShopClient().get(self.base).status_code, 401)
        bare = self.fabricator.post(f"{self.base}/evaluate", "{}", content_type="application/json")
        self.assertEqual(bare.status_code, 403)

    def test_a_viewer_looks_and_evaluates_but_does_not_save(self) -> None:
        viewer = self.client_of("viewer")
        self.assertFalse(viewer.get(self.base).json()["may_edit"])
        self.assertEqual(viewer.send("post", f"{self.base}/evaluate", {}).status_code, 200)
        refused = viewer.send("post", f"{self.base}/versions", {"based_on": 1, "sheets": self.sheets()})
        self.assertEqual(refused.status_code, 403)
        self.assertIn("Ask the shop's owner", refused.json()["says"])
        self.assertEqual(viewer.send("post", "/api/jobs", {"shop_id": self.shop.pk, "name": "X"}).status_code, 404)

    def test_saving_adds_a_version_and_keeps_the_one_before(self) -> None:
        sheets = self.sheets()
        sheets["plate"]["plate"]["turned"]["text"] = "58 deg"
        saved = self.fabricator.send("post", f"{self.base}/versions", {"based_on": 1, "sheets": sheets})
        self.assertEqual((saved.status_code, saved.json()["number"]), (201, 2))
        before = self.fabricator.get(f"{self.base}/versions/1").json()["sheets"]
        self.assertEqual(before["plate"]["plate"]["turned"]["text"], "-5 deg")
        history = self.fabricator.get(f"{self.base}/versions").json()
        self.assertEqual([version["number"] for version in history], [2, 1])

    def test_saving_against_an_old_version_is_a_conflict_and_changes_nothing(self) -> None:
        body = {"based_on": 1, "sheets": self.sheets()}
        self.client_of("owner").send("post", f"{self.base}/versions", body)
        refused = self.fabricator.send("post", f"{self.base}/versions", body)
        self.assertEqual(refused.status_code, 409)
        self.assertEqual((refused.json()["newest"], refused.json()["newest_by"]), (2, "owner"))
        self.assertEqual(self.wren.versions.count(), 2)

    def test_a_saved_version_is_never_changed(self) -> None:
        with self.assertRaises(DatabaseError), transaction.atomic():
            JobVersion.objects.filter(job=self.wren).update(note="changed")

    def test_evaluating_unsaved_sheets_is_the_cores_answer_and_saves_nothing(self) -> None:
        sheets = self.sheets()
        sheets["plate"]["survey"]["readings"][11]["reading"]["text"] = "96.47"
        answer = self.fabricator.send("post", f"{self.base}/evaluate", {"sheets": sheets}).json()["answer"]
        expected = json.loads(evaluate(job_file(self.wren, Sheets.model_validate(sheets))).model_dump_json())
        for piece in ("brief", "ratios", "plate", "benches"):
            self.assertEqual(answer[piece], expected[piece], piece)
        cases = [own | other for own, other in zip(answer["line"]["cases"], answer["motion"]["cases"], strict=True)]
        self.assertEqual({**answer["line"], **answer["motion"], "cases": cases}, expected["line"])
        checks = sorted((one for own in answer["checks"].values() for one in own), key=lambda one: one["rank"])
        self.assertEqual(checks, expected["checks"])
        self.assertEqual([part for own in answer["parts"].values() for part in own], expected["parts"])
        self.assertEqual(self.wren.versions.count(), 1)

    def test_only_what_differs_from_what_the_screen_has_is_sent(self) -> None:
        sheets, path = self.sheets(), f"{self.base}/evaluate"
        first = self.fabricator.send("post", path, {"sheets": sheets}).json()["answer"]
        again = self.fabricator.send("post", path, {"sheets": sheets, "have": first["keys"]}).json()["answer"]
        self.assertEqual(set(again), {"keys", "line", "motion", "parts", "checks", "benches"})
        self.assertEqual((again["keys"], again["line"], again["checks"]), (first["keys"], None, {}))
        sheets["plate"]["plate"]["turned"]["text"] = "-3 deg"
        turned = self.fabricator.send("post", path, {"sheets": sheets, "have": first["keys"]}).json()["answer"]
        self.assertEqual((set(turned["checks"]), set(turned["parts"])), ({"plate"}, {"plate"}))
        self.assertNotIn("ratios", turned)
        told = {key for key, value in turned["keys"].items() if value != first["keys"][key]}
        self.assertEqual(told, {"plate"})

    def test_a_keystroke_reads_the_database_twice_once_its_records_are_known(self) -> None:
        sheets, path = self.sheets(), f"{self.base}/evaluate"
        self.fabricator.send("post", path, {"sheets": sheets})
        with self.assertNumQueries(2):  # the session with its person; the job with how many records it has
            answer = self.fabricator.send("post", path, {"sheets": sheets})
        self.assertEqual(answer.status_code, 200)

    def test_answers_are_compressed(self) -> None:
        answer = self.fabricator.send("post", f"{self.base}/evaluate", {}, HTTP_ACCEPT_ENCODING="gzip")
        self.assertEqual(answer.headers["Content-Encoding"], "gzip")
        self.assertIn("answer", json.loads(gzip.decompress(answer.content)))

    def test_a_figure_just_typed_is_read_back_in_the_same_answer(self) -> None:
        path, typed = f"{self.base}/evaluate", {"text": "8 1/4 in", "quantity": "length"}
        read = self.fabricator.send("post", path, {"sheets": self.sheets(), "typed": typed}).json()["read"]
        self.assertEqual((round(read["value"], 6), read["inch"]), (209.55, "8.250 in"))
        refused = self.fabricator.send("post", path, {"sheets": self.sheets(), "typed": {**typed, "text": "8 1/"}})
        self.assertEqual(refused.status_code, 422)
        self.assertEqual(refused.json()["fields"][0]["field"], "text")

    def test_a_working_is_written_in_the_readers_units_with_where_each_number_is_from(self) -> None:
        sheets, path = self.sheets(), f"{self.base}/workings"
        sheets["brief"]["wanted"]["top_speed"]["text"] = "100 km/h"
        asked = {"sheets": sheets, "checks": ["motor.top_speed"], "units": "us"}
        (working,) = self.fabricator.send("post", path, asked).json()
        step = working["steps"][-1]
        self.assertEqual((step["symbol"], step["formula"]), ("n", "v / C × i_box × i_fd"))
        # 62.137 mph / 72.244 in × 1.37 × 4.1111 = 4.8443, × 1056 = 5116 rpm: in a mile 63 360 in, an hour 60 min.
        self.assertEqual("".join(one["text"] for one in step["put"])[-7:], "× 1\u202f056")
        self.assertEqual(step["result"], "5\u202f116\u00a0rpm")
        self.assertEqual(step["put"][0]["text"], "62.137\u00a0mph")
        self.assertEqual(step["put"][0]["field"], "brief.wanted.top_speed")
        self.assertEqual(
            len(self.fabricator.send("post", path, {}).json()),
            len(evaluate(job_file(self.wren, Sheets.model_validate(self.sheets()))).checks),
        )
        self.assertEqual(self.fabricator.send("post", path, {"units": "cubits"}).status_code, 422)

    def test_how_sure_a_margin_is_follows_the_sheets_on_the_screen(self) -> None:
        sheets = self.sheets()
        found = self.range_of("plate.motor_engagement", sheets)
        self.assertEqual(found["narrowers"][0]["field"], "plate.plate.thickness")
        sheets["plate"]["plate"]["thickness"]["u"] = 0.1  # twice a caliper's
        coarser = self.range_of("plate.motor_engagement", sheets)
        ratio = (coarser["greatest"] - coarser["least"]) / (found["greatest"] - found["least"])
        self.assertAlmostEqual(ratio, 2, places=3)
        sheets["plate"]["face"]["bolt_circle"] = {"text": "30 m"}  # can't be a real part's
        refused = self.fabricator.send("post", f"{self.base}/sureness", {"sheets": sheets})
        self.assertEqual((refused.status_code, len(refused.json()["fields"])), (422, 1))

    def range_of(self, check: str, sheets: Any) -> Any:
        found = self.fabricator.send("post", f"{self.base}/sureness", {"sheets": sheets})
        return next(one for one in found.json()["ranges"] if one["check"] == check)

    def test_a_search_answers_with_fields_to_type_into(self) -> None:
        path = f"{self.base}/seek/placement.most_room"
        found = self.fabricator.send("post", path, {}).json()
        self.assertEqual([one["field"] for one in found["fields"]], [f"placement.stands.0.at.{axis}" for axis in "xyz"])
        self.assertEqual(self.wren.versions.count(), 1)  # nothing is saved
        sheets = self.sheets()
        sheets["placement"]["stands"] = []
        for asked, body in ((path, {"sheets": sheets}), (f"{self.base}/seek/placement.nothing", {})):
            self.assertIn(self.fabricator.send("post", asked, body).status_code, (404, 409, 422), asked)

    def test_one_long_sum_at_a_time(self) -> None:
        """The one that comes second is asked to come again, and nothing that waits holds a thread."""
        with beside._ONE_AT_A_TIME:
            refused = self.fabricator.send(
                "post", f"{self.base}/sureness", {"sheets": self.sheets() | {"margins": {"clearance": 1.01}}}
            )
        self.assertEqual(refused.json(), {"is_busy": True, "ranges": []})

    def test_a_newer_question_of_the_same_job_gives_the_older_up(self) -> None:
        file = job_file(self.wren, saved_sheets(self.wren.versions.latest("number")))
        self.addCleanup(beside.give_up_and_wait)
        with ThreadPoolExecutor(2) as threads:
            before = beside._WANTED.value
            older = threads.submit(beside.sureness_beside, file, "one job")
            while beside._WANTED.value == before:
                time.sleep(0.05)
            newer = threads.submit(beside.sureness_beside, file.model_copy(update={"name": "Wren again"}), "one job")
            self.assertIsNone(older.result(beside.GREATEST_S))
            beside.give_up_and_wait()
            newer.result(beside.GREATEST_S)

    def test_the_calculation_sheet_is_of_a_saved_version(self) -> None:
        path = f"{self.base}/calculation-sheet.pdf"
        whole = self.fabricator.get(path, {"units": "us"})
        self.assertTrue(whole.content.startswith(b"%PDF"))
        self.assertIn("wren-calculation-rev", whole.headers["Content-Disposition"])
        one = self.fabricator.get(path, {"check": "plate.ligament"})
        self.assertLess(len(one.content), len(whole.content))
        self.assertEqual(self.fabricator.get(path, {"check": "plate.nothing"}).status_code, 404)

    def test_who_changed_a_wanted_margin_and_why_is_kept(self) -> None:
        sheets = self.sheets()
        sheets["margins"] = {"friction_joint": 2.0, "reasons": {"friction_joint": "painted faces"}}
        self.fabricator.send("post", f"{self.base}/versions", {"based_on": 1, "sheets": sheets})
        sheets["margins"] = {}
        self.client_of("owner").send("post", f"{self.base}/versions", {"based_on": 2, "sheets": sheets})
        back, stated = self.fabricator.get(f"{self.base}/margin-changes").json()
        self.assertEqual((stated["kind"], stated["margin"], stated["why"]), ("friction_joint", 2.0, "painted faces"))
        self.assertEqual((back["margin"], back["why"], back["version"]), (None, "", 3))
        self.assertNotEqual(back["author"], stated["author"])
        sheets["margins"] = {"reasons": {"luck": "none needed"}}
        refused = self.fabricator.send("post", f"{self.base}/evaluate", {"sheets": sheets})
        self.assertEqual(refused.status_code, 422)

    def test_bad_input_names_the_field_and_the_fix(self) -> None:
        for path, value, field, word in [
            (
                ("brief", "tyre", "roll_out"),
                {"text": "far"},
                "brief.tyre.roll_out",
                "does not start with a number",
            ),
            (("brief", "vehicle", "front_share"), 1.4, "brief.vehicle.front_share", "less than 1"),
            (("brief", "layout"), "sideways", "brief.layout", "kept_gearbox"),
            (("plate", "colour"), "red", "plate.colour", "not permitted"),
        ]:
            sheets = self.sheets()
            place: Any = sheets
            for name in path[:-1]:
                place = place[name]
            place[path[-1]] = value
            for route, body in [("evaluate", {}), ("versions", {"based_on": 1})]:
                with self.subTest(field=field, route=route):
                    refused = self.fabricator.send("post", f"{self.base}/{route}", {**body, "sheets": sheets})
                    self.assertEqual(refused.status_code, 422)
                    self.assertEqual(refused.json()["fields"][0]["field"], field)
                    self.assertIn(word, refused.json()["fields"][0]["says"])
        self.assertEqual(self.wren.versions.count(), 1)

    def test_a_figure_that_cannot_be_is_refused_with_its_field(self) -> None:
        sheets = self.sheets()
        sheets["brief"]["motor"]["curve"] = [{"rpm": 100, "peak_nm": 5}, {"rpm": 100, "peak_nm": 6}]
        refused = self.fabricator.send("post", f"{self.base}/evaluate", {"sheets": sheets})
        self.assertEqual((refused.status_code, refused.json()["fields"][0]["field"]), (422, "curve"))

    def test_nan_in_a_body_goes_no_further(self) -> None:
        body = json.dumps({"sheets": self.sheets()}).replace('"front_share": 0.55', '"front_share": NaN')
        self.assertIn("NaN", body)
        token = self.fabricator.cookies["csrftoken"].value
        path = f"{self.base}/evaluate"
        refused = self.fabricator.post(path, body, content_type="application/json", headers={"X-CSRFToken": token})
        self.assertIn(refused.status_code, (400, 422))

    def test_an_unknown_job_is_404(self) -> None:
        self.assertEqual(self.fabricator.get(f"/api/jobs/{uuid4()}").status_code, 404)


class FilesTest(ShopTestCase):
    def setUp(self) -> None:
        self.base = f"/api/jobs/{self.wren.pk}"
        self.fabricator = self.client_of("fabricator")

    def upload(self, data: bytes) -> Any:
        return self.fabricator.upload(f"/api/jobs/import?shop_id={self.shop.pk}", "job.json", data)

    def test_export_and_import_round_trip_exactly(self) -> None:
        exported = self.fabricator.get(f"{self.base}/file")
        self.assertIn('filename="wren.fernback.json"', exported.headers["Content-Disposition"])
        again = self.upload(exported.content)
        self.assertEqual(again.status_code, 201)
        once_more = self.fabricator.get(f"/api/jobs/{again.json()['id']}/file")
        files = [json.loads(file.content) for file in (once_more, exported)]
        for record in (one for file in files for kept in file["build"].values() for one in kept):
            self.assertEqual(record.pop("brought")["by"], "fabricator")  # each time with another file
        self.assertEqual(*files)

    def test_a_file_that_cannot_be_taken_is_refused_and_changes_nothing(self) -> None:
        whole = (DEMO / "wren.fernback.json").read_text()
        deep = b'{"name":' + b"[" * 200_000
        for name, data, status in [
            ("empty", b"", 422),
            ("not JSON", b"\x00\xff PK", 422),
            ("cut short", whole[: len(whole) // 2].encode(), 422),
            ("another format", whole.replace("fernback-job", "other").encode(), 422),
            ("a version to come", whole.replace('"version": 2', '"version": 9').encode(), 422),
            ("nested deep", deep, 422),
            ("huge", b" " * 8_100_000 + whole.encode(), 413),
            ("a reading to nowhere", whole.replace('"b": "H5"', '"b": "H77"').encode(), 422),
        ]:
            with self.subTest(name):
                refused = self.upload(data)
                self.assertEqual(refused.status_code, status)
                self.assertIn("Nothing was changed", refused.json()["says"])
        self.assertEqual(Job.objects.count(), 1)

    def test_the_drawing_belongs_to_a_revision_and_a_side(self) -> None:
        dxf = self.fabricator.get(f"{self.base}/drawings/plate.plate.dxf?side=second")
        self.assertIn("wren-adapter-plate-rev1-gearbox-side.dxf", dxf.headers["Content-Disposition"])
        self.assertIn(b"Seen from the gearbox side", dxf.content)
        self.assertEqual(self.fabricator.get(f"{self.base}/drawings/plate.plate.dxf?side=top").status_code, 422)
        self.assertEqual(self.fabricator.get(f"{self.base}/drawings/plate.exe").status_code, 422)
        self.assertIn(b"<svg", self.fabricator.get(f"{self.base}/drawings/plate.plate.svg").content)

    def test_a_cut_in_a_floor_is_a_template_for_the_printers_paper(self) -> None:
        data = json.loads((DEMO / "dunlin.fernback.json").read_text())
        bodies = data["sheets"]["placement"]["bodies"]
        k = [one["name"] for one in bodies].index("tunnel top")
        bodies[k]["fate"] = "cut"
        made = self.upload(json.dumps(data).encode()).json()
        path = f"/api/jobs/{made['id']}/papers/placement.cut_{k + 1}.pdf"
        paths = {one: f"{path}?paper={one}" for one in ("a4", "letter", "a9")}
        for paper, points in (("a4", (595, 842)), ("letter", (612, 792))):
            page = pypdfium2.PdfDocument(self.fabricator.get(paths[paper]).content)[0]
            self.assertEqual(tuple(round(one) for one in page.get_size()), points)
            self.assertIn("Printed at 100", page.get_textpage().get_text_bounded())
        self.assertEqual(self.fabricator.get(paths["a9"]).status_code, 422)

    def test_a_plate_that_cannot_be_drawn_says_what_is_missing(self) -> None:
        made = self.fabricator.send("post", "/api/jobs", {"shop_id": self.shop.pk, "name": "New"}).json()
        refused = self.fabricator.get(f"/api/jobs/{made['id']}/drawings/plate.plate.dxf")
        self.assertEqual(refused.status_code, 409)
        self.assertIn("Name the holes", refused.json()["says"])

    def test_the_hole_table_is_safe_in_a_spreadsheet(self) -> None:
        lines = self.fabricator.get(f"{self.base}/drawings/plate.plate-holes.csv").content.decode().splitlines()
        self.assertEqual(len(lines), 16)
        self.assertTrue(lines[1].startswith("H1,flange,152."))
        self.assertEqual(
            lines[0],
            "id,kind,x_mm,y_mm,diameter_mm,cut_mm,radius_mm,angle_deg,left_mm,bottom_mm,sure_95_mm,made",
        )
        table = self.fabricator.get(f"{self.base}/drawings/plate.plate-holes.csv", {"units": "us"}).content.decode()
        self.assertTrue(table.startswith("id,kind,x_in,y_in,"))
        self.assertAlmostEqual(
            float(table.splitlines()[1].split(",")[2]) * 25.4, float(lines[1].split(",")[2]), places=3
        )
        for text in ("=1+1", "@cmd", "+x", "-x"):
            self.assertEqual(safe_cell(text), f"'{text}")


class MeasureApiTest(ShopTestCase):
    def test_reads_and_refuses_in_the_trades_words(self) -> None:
        client = self.client_of("viewer")
        read = client.send("post", "/api/measure", {"text": '8 1/4"', "quantity": "length", "tool": "caliper"}).json()
        self.assertAlmostEqual(read["value"], 209.55)
        self.assertEqual(read["fraction"], '8 1/4"')
        refused = client.send("post", "/api/measure", {"text": "12 rpm", "quantity": "length"})
        self.assertEqual(refused.status_code, 422)
        self.assertIn("unit of spin", refused.json()["says"])

    def test_a_motor_curve_is_read_or_refused_with_the_row(self) -> None:
        client = self.client_of("fabricator")
        path = "/api/measure/motor-curve"
        read = client.upload(path, "curve.csv", b"rpm;Nm peak;Nm cont\n6000;90,5;50\n0;200;90\n").json()
        self.assertEqual([point["rpm"] for point in read["points"]], [0, 6000])
        self.assertEqual(read["points"][1], {"rpm": 6000, "peak_nm": 90.5, "continuous_nm": 50})
        self.assertIn("order of speed", read["notes"][0])
        refused = client.upload(path, "curve.csv", b"0,200\n3000,-180\n")
        self.assertEqual(refused.status_code, 422)
        self.assertIn("Row 2", refused.json()["says"])
        self.assertEqual(client.upload(path, "curve.csv", b"0,1\n" * 300_000).status_code, 413)
        self.assertEqual(ShopClient().upload(path, "curve.csv", b"0,1\n1,1\n").status_code, 401)

    def test_a_section_is_read_from_a_drawing_as_a_sheet_takes_it_or_refused(self) -> None:
        client = self.client_of("fabricator")
        path = "/api/measure/section-file"
        read = client.upload(path, "rail.dxf", BOX_DXF).json()
        self.assertEqual([len(ring["points"]) for ring in read["rings"]], [4, 4])
        self.assertEqual(read["notes"], [])
        RailShape.model_validate({"kind": "outline", "rings": read["rings"]})
        refused = client.upload(path, "rail.dxf", section_dxf(rectangle(2.75, 4.3)))
        self.assertEqual(refused.status_code, 422)
        self.assertIn("unit right", refused.json()["says"])
        self.assertEqual(client.upload(path, "rail.dxf", b"0\n" * 2_100_000).status_code, 413)


class GearingChoicesTest(ShopTestCase):
    def test_every_saved_change_of_the_choice_is_kept_with_who_and_why(self) -> None:
        client = self.client_of("fabricator")
        base = f"/api/jobs/{self.wren.pk}"
        sheets = client.get(base).json()["version"]["sheets"]
        sheets["brief"]["notes"] = "Nothing about gears."
        client.send("post", f"{base}/versions", {"based_on": 1, "sheets": sheets})
        sheets["ratios"]["choice"] |= {"gear": "4th", "reason": "Quieter."}
        owner = self.client_of("owner")
        owner.send("post", f"{base}/versions", {"based_on": 2, "sheets": sheets})
        sheets["ratios"]["choice"] = None
        client.send("post", f"{base}/versions", {"based_on": 3, "sheets": sheets})
        found = client.get(f"{base}/gearing-choices").json()
        self.assertEqual(
            [(one["version"], one["author"]) for one in found], [(4, "fabricator"), (3, "owner"), (1, "fabricator")]
        )
        self.assertEqual([one["choice"] and one["choice"]["gear"] for one in found], [None, "4th", "3rd"])
        self.assertEqual(found[1]["choice"]["reason"], "Quieter.")
        self.assertEqual(self.client_of("stranger").get(f"{base}/gearing-choices").status_code, 404)
