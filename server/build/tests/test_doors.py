"""Limits at the door, letters at their end, and text that no database keeps: refused by name, never a crash."""

import copy
import json
from pathlib import Path
from typing import Any

from accounts.models import User
from build.models import Delivery, Release
from build.records import records_of
from build.tests.test_build_api import GOOD, RIGHT, BuildTestCase
from driveline.job.file import JobFile
from driveline.parts.records import MOST_DELIVERIES, MOST_RELEASES
from jobs.models import Job, JobVersion

KEPT = Path(__file__).parents[3] / "core" / "tests" / "data" / "versions" / "1.fernback.json"


class DoorsTest(BuildTestCase):
    def exported(self) -> dict[str, Any]:
        data: dict[str, Any] = self.fabricator.get(f"{self.base}/file").json()
        data["sheets"]["plate"]["survey"]["readings"][11]["reading"]["text"] = RIGHT
        return data

    def imported(self, data: dict[str, Any]) -> Any:
        path = f"/api/jobs/import?shop_id={self.wren.shop.pk}"
        return self.fabricator.upload(path, "job.fernback.json", json.dumps(data).encode())

    def test_the_delivery_past_the_last_is_refused_and_the_job_stays_open(self) -> None:
        release = Release.objects.get(job=self.wren)
        delivered = self.deliver()
        self.assertEqual(delivered.status_code, 201)
        record = Delivery.objects.get().record
        author = Delivery.objects.get().author
        Delivery.objects.bulk_create(
            Delivery(release=release, author=author, record=record) for _ in range(MOST_DELIVERIES - 1)
        )
        refused = self.deliver()
        self.assertEqual(refused.status_code, 409)
        self.assertIn(f"holds {MOST_DELIVERIES} deliveries", refused.json()["says"])
        Delivery.objects.create(release=release, author=author, record=record)  # as one was taken before this limit
        self.assertEqual(self.fabricator.send("post", f"{self.base}/evaluate", {}).status_code, 200)
        self.assertEqual(len(records_of(self.wren).incoming), MOST_DELIVERIES + 1)

    def test_the_release_past_the_last_is_refused(self) -> None:
        self.measured_again()
        kept = Release.objects.get(job=self.wren)
        letters = [a + b for a in "ABCDEFG" for b in "ABCDEFGHJKLMNPQRSTUVWXYZ"][: MOST_RELEASES - 1]
        Release.objects.bulk_create(
            Release(
                job=kept.job,
                part="plate.plate",
                letter=letter,
                sha256=kept.sha256,
                author=kept.author,
                record={**kept.record, "letter": letter},
            )
            for letter in letters
        )
        refused = self.release()
        self.assertEqual(refused.status_code, 409)
        self.assertIn(f"holds {MOST_RELEASES} releases", refused.json()["says"])

    def test_letters_from_elsewhere_are_gone_on_from_and_end_at_zz(self) -> None:
        for letter, status, then in [("I", 201, "J"), ("O", 201, "P"), ("AI", 201, "AJ"), ("ZZ", 409, "")]:
            data = self.exported()
            data["build"]["releases"][0]["letter"] = letter
            made = self.imported(data)
            self.assertEqual(made.status_code, 201, made.content)
            job = Job.objects.get(pk=made.json()["id"])
            body = {"based_on": 1, "part": "plate.plate", "side": "second", "confirmed_runs": "clockwise"}
            released = self.fabricator.send("post", f"/api/jobs/{job.pk}/releases", body)
            self.assertEqual(released.status_code, status, released.content)
            self.assertEqual(released.json().get("letter", ""), then)

    def test_odd_releases_are_refused_and_large_ones_taken_in_time(self) -> None:
        entities = self.exported()["build"]["releases"][0]["drawing"]["entities"]
        outline = next(one for one in entities if one["shape"] == "path")
        changes: list[dict[str, Any]] = [{"vertices": []}, {"vertices": outline["vertices"][:1]}]
        for change in changes:
            data = self.exported()
            path = next(one for one in data["build"]["releases"][0]["drawing"]["entities"] if one["shape"] == "path")
            path.update(change)
            self.assertEqual(self.imported(data).status_code, 422)
        data = self.exported()
        path = next(one for one in data["build"]["releases"][0]["drawing"]["entities"] if one["shape"] == "path")
        path["vertices"][0]["bulge"] = 1e308
        self.assertEqual(self.imported(data).status_code, 422)
        data = self.exported()
        circle = next(one for one in entities if one["shape"] == "circle")
        drawing = data["build"]["releases"][0]["drawing"]
        drawing["entities"] += [{**circle, "part": f"hole:X{k}", "x_mm": k % 60, "y_mm": k // 60} for k in range(3000)]
        self.assertEqual(self.imported(data).status_code, 201)
        drawing["entities"] += [copy.deepcopy(circle)] * 2000
        self.assertEqual(self.imported(data).status_code, 422)

    def test_text_that_can_not_be_kept_is_refused_with_its_field(self) -> None:
        sheets = self.fabricator.get(self.base).json()["version"]["sheets"]
        sheets["brief"]["notes"] = "a\0b"
        for path, body in [
            (f"{self.base}/versions", {"based_on": 1, "sheets": sheets}),
            (f"{self.base}/versions", {"based_on": 1, "sheets": {**sheets, "brief": {}}, "note": "\0"}),
            ("/api/jobs", {"shop_id": self.wren.shop.pk, "name": "Wr\0en"}),
            (f"{self.base}/releases/plate.plate/A/deliveries", {**GOOD, "why": "\0"}),
        ]:
            refused = self.fabricator.send("post", path, body)
            self.assertEqual(refused.status_code, 422, refused.content)
            self.assertIn("can't be shown", refused.content.decode())
        strange = self.fabricator.get(f"{self.base}/releases/plate.plate/%00.dxf")
        self.assertEqual(strange.status_code, 422)

    def test_what_holds_a_release_is_said_by_the_core(self) -> None:
        """A part that was turned down on delivery does not hold the release of the one that replaces it."""
        self.measured_again()
        turned_down = self.deliver(accepted=False, why="Two holes are oval.")
        self.assertEqual(turned_down.status_code, 201)
        checks = self.fabricator.send("post", f"{self.base}/evaluate", {}).json()["answer"]["checks"]["plate"]
        delivered = next(check for check in checks if check["key"] == "plate.delivered_plate")
        self.assertEqual((delivered["verdict"], delivered["holds_release"]), ("fails", False))
        self.assertFalse([check["key"] for check in checks if check["holds_release"]])
        self.assertEqual(self.release().status_code, 201)


class OlderRecordsTest(BuildTestCase):
    """What an older program kept is read as the newest writes it; the record itself is never changed."""

    def test_a_version_and_a_release_kept_before_slugs_are_opened(self) -> None:
        kept = json.loads(KEPT.read_text())
        job = Job.objects.create(shop=self.shop, name="Kept")
        author = User.objects.get(username="fabricator")
        JobVersion.objects.create(
            job=job,
            number=1,
            author=author,
            sheets=kept["sheets"],
            format_version=1,
            worst="fails",
            fails=2,
            not_known=1,
        )
        record = kept["build"]["releases"][0]
        Release.objects.create(
            job=job, part="plate.plate", letter="A", sha256=record["sha256"], author=author, record=record
        )
        base = f"/api/jobs/{job.pk}"
        sheets = self.fabricator.get(base).json()["version"]["sheets"]
        self.assertEqual((sheets["plate"]["survey"]["seen_from"], "masses" in sheets["brief"]), ("engine", True))
        part = self.fabricator.send("post", f"{base}/evaluate", {}).json()["answer"]["parts"]["plate"][0]
        self.assertEqual((part["key"], part["released"]["letter"]), ("plate.plate", "A"))
        (line,) = self.fabricator.get(f"{base}/releases").json()
        self.assertEqual((line["part"], line["side"]), ("plate.plate", "second"))
        file = self.fabricator.get(f"{base}/releases/plate.plate/A.dxf")
        self.assertIn("gearbox-side", file.headers["Content-Disposition"])
        self.assertEqual(JobFile.model_validate_json(self.fabricator.get(f"{base}/file").content).version, 2)
