"""A job with its scans, packed: out of one shop and into another; anything else in a pack is refused."""

import io
import json
import zipfile
from typing import Any

from accounts.models import User
from jobs.actions import import_job
from jobs.models import Job
from jobs.tests.shops import DEMO, ShopTestCase
from scans.incoming import bring_scan
from scans.models import Scan
from scans.work import work_off

FLOOR = DEMO / "bittern-floor.ply"


def packed(*entries: tuple[str, bytes]) -> bytes:
    made = io.BytesIO()
    with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as pack:
        for name, data in entries:
            pack.writestr(name, data)
    return made.getvalue()


class PackTest(ShopTestCase):
    def setUp(self) -> None:
        author = User.objects.get(username="fabricator")
        with FLOOR.open("rb") as file:
            bring_scan(shop=self.shop, author=author, name=FLOOR.name, stream=file, length=FLOOR.stat().st_size)
        work_off()
        self.bittern = import_job(shop=self.shop, author=author, data=(DEMO / "bittern.fernback.json").read_bytes())
        self.stranger = self.client_of("stranger")

    def bring(self, data: bytes) -> Any:
        return self.stranger.upload(f"/api/jobs/import?shop_id={self.other_shop.pk}", "job.fernback.zip", data)

    def pack(self) -> bytes:
        answer = self.client_of("viewer").get(f"/api/jobs/{self.bittern.pk}/pack")
        self.assertIn("bittern.fernback.zip", answer["Content-Disposition"])
        return answer.getvalue()

    def test_a_job_goes_from_shop_to_shop_with_its_scan(self) -> None:
        answer = self.bring(self.pack())
        self.assertEqual(answer.status_code, 201, answer.content)
        self.assertEqual(answer.json()["version"]["sheets"], json.loads(self.pack_job())["sheets"])
        scan = Scan.objects.get(shop=self.other_shop)
        self.assertEqual((scan.name, scan.state), (FLOOR.name, "ready"))
        self.assertEqual(self.stranger.get(f"/api/scans/view/{scan.sha256}").status_code, 200)

    def pack_job(self) -> bytes:
        with zipfile.ZipFile(io.BytesIO(self.pack())) as pack:
            return pack.read("bittern.fernback.json")

    def test_a_job_without_scans_is_its_plain_file(self) -> None:
        answer = self.client_of("viewer").get(f"/api/jobs/{self.wren.pk}/pack")
        self.assertIn("wren.fernback.json", answer["Content-Disposition"])
        self.assertEqual(self.stranger.get(f"/api/jobs/{self.wren.pk}/pack").status_code, 404)

    def test_what_is_no_packed_job_is_refused_and_changes_nothing(self) -> None:
        job = self.pack_job()
        bodies = json.loads(job)["sheets"]["placement"]["bodies"]
        named = next(body["scan"]["file"] for body in bodies if (body.get("scan") or {}).get("file"))
        cut = self.pack()
        for what, data in (
            ("no job", packed(("scans/x/y.ply", b"ply"))),
            ("two jobs", packed(("a.fernback.json", job), ("b.fernback.json", job))),
            ("something else", packed(("a.fernback.json", job), ("../../evil.sh", b"x"))),
            ("another scan by its name", packed(("a.fernback.json", job), (f"scans/{named}/a.ply", OTHER))),
            ("a broken scan", packed(("a.fernback.json", job), (f"scans/{named}/a.ply", b"ply\nnothing"))),
            ("a job that is none", packed(("a.fernback.json", b"{}"))),
            ("cut short", cut[: len(cut) // 2]),
        ):
            with self.subTest(what):
                answer = self.bring(data)
                self.assertEqual(answer.status_code, 422, answer.content)
                self.assertFalse(Job.objects.filter(shop=self.other_shop).exists())

    def test_a_scan_that_the_job_does_not_name_is_left_out(self) -> None:
        answer = self.bring(packed(("a.fernback.json", self.pack_job()), (f"scans/{'0' * 64}/a.ply", OTHER)))
        self.assertEqual(answer.status_code, 201, answer.content)
        self.assertFalse(Scan.objects.filter(shop=self.other_shop).exists())


OTHER = FLOOR.read_bytes().replace(b"1.0\n", b"1.0\ncomment of another day\n", 1)
