"""Scans over the API: brought, made ready, looked at; refused with the reason; nothing left of what broke off."""

import io
import os
import signal
from pathlib import Path
from typing import Any
from unittest.mock import patch

from django.conf import settings

from accounts.models import Membership, Role, User
from driveline.scans.store import is_ready
from jobs.actions import import_job
from jobs.tests.shops import DEMO, ShopClient, ShopTestCase
from scans.incoming import ScanRefused, bring_scan, tidy, waiting_file
from scans.models import Scan
from scans.work import work_off
from tests.scans.files import box_mesh, stl_bytes

STL = stl_bytes(*box_mesh())


def files_under(folder: Path) -> list[str]:
    return sorted(str(path.relative_to(folder)) for path in folder.rglob("*") if path.is_file())


class ScansTest(ShopTestCase):
    def setUp(self) -> None:
        self.fabricator = self.client_of("fabricator")

    def bring(self, name: str = "tail.stl", data: bytes = STL, client: ShopClient | None = None) -> Any:
        client = client or self.fabricator
        return client.post(
            f"/api/scans?shop_id={self.shop.pk}&name={name}",
            data,
            content_type="application/octet-stream",
            headers={"X-CSRFToken": client.cookies["csrftoken"].value},
        )

    def test_a_scan_is_brought_made_ready_and_looked_at(self) -> None:
        answer = self.bring(data=stl_bytes(*box_mesh((11.0, 12.0, 13.0))))
        self.assertEqual(answer.status_code, 201, answer.content)
        scan = answer.json()
        self.assertEqual((scan["state"], scan["triangles"]), ("waiting", None))
        self.assertEqual(self.fabricator.get(f"/api/scans/view/{scan['sha256']}").status_code, 404)
        self.assertEqual(work_off(), 1)
        now = self.fabricator.get(f"/api/scans/{scan['id']}").json()
        self.assertEqual((now["state"], now["done"], now["triangles"]), ("ready", 1.0, 12))
        picture = self.fabricator.get(f"/api/scans/view/{scan['sha256']}")
        self.assertEqual((picture.status_code, "immutable" in picture["Cache-Control"]), (200, True))
        self.assertFalse(waiting_file(scan["sha256"]).exists())

    def test_the_same_file_again_is_the_same_scan(self) -> None:
        first = self.bring().json()
        work_off()
        again = self.bring("by another name.stl").json()
        self.assertEqual((again["id"], again["state"]), (first["id"], "ready"))

    def test_a_stranger_and_a_viewer(self) -> None:
        scan = self.bring().json()
        work_off()
        stranger, viewer = self.client_of("stranger"), self.client_of("viewer")
        self.assertEqual(stranger.get(f"/api/scans/{scan['id']}").status_code, 404)
        self.assertEqual(stranger.get(f"/api/scans/view/{scan['sha256']}").status_code, 404)
        self.assertEqual(self.bring(client=stranger).status_code, 404)
        self.assertEqual(self.bring(client=viewer).status_code, 404)
        self.assertEqual(viewer.get(f"/api/scans/view/{scan['sha256']}").status_code, 200)
        self.assertEqual(viewer.send("delete", f"/api/scans/{scan['id']}").status_code, 403)

    def test_who_belongs_to_two_shops_that_hold_one_scan_sees_it(self) -> None:
        sha256 = self.bring().json()["sha256"]
        work_off()
        stranger = User.objects.get(username="stranger")
        bring_scan(shop=self.other_shop, author=stranger, name="b.stl", stream=io.BytesIO(STL), length=len(STL))
        Membership.objects.create(user=stranger, shop=self.shop, role=Role.VIEWER)
        self.assertEqual(self.client_of("stranger").get(f"/api/scans/view/{sha256}").status_code, 200)

    def test_what_can_not_be_a_scan_is_refused_before_it_is_kept(self) -> None:
        for name, data, status, says in (
            ("a.exe", STL, 422, "no STL, OBJ, PLY or STEP"),
            ("a.stl", STL[:-7], 422, "holds 11"),
        ):
            answer = self.bring(name, data)
            self.assertEqual((answer.status_code, says in answer.json()["says"]), (status, True), answer.content)
        self.assertEqual((Scan.objects.count(), files_under(settings.MEDIA / "incoming")), (0, []))

    def test_what_turns_out_to_be_broken_is_refused_with_the_reason_and_can_be_brought_again(self) -> None:
        vertices, faces = box_mesh((21.0, 22.0, 23.0))
        vertices[3, 1] = float("nan")
        scan = self.bring(data=stl_bytes(vertices, faces)).json()
        work_off()
        now = self.fabricator.get(f"/api/scans/{scan['id']}").json()
        self.assertEqual(now["state"], "refused")
        self.assertIn("no number", now["says"])
        self.assertFalse(is_ready(scan["sha256"]))
        self.assertFalse(waiting_file(scan["sha256"]).exists())
        self.assertEqual(self.bring(data=stl_bytes(vertices, faces)).json()["state"], "waiting")

    def test_an_upload_that_breaks_off_leaves_nothing(self) -> None:
        author = User.objects.get(username="fabricator")
        for stream in (io.BytesIO(STL[:100]), Broken(STL[:100])):
            with self.assertRaises((ScanRefused, OSError)):
                bring_scan(shop=self.shop, author=author, name="a.stl", stream=stream, length=len(STL))
        self.assertEqual((Scan.objects.count(), files_under(settings.MEDIA / "incoming")), (0, []))

    def test_a_file_over_300_mb_is_not_even_begun(self) -> None:
        author = User.objects.get(username="fabricator")
        with self.assertRaises(ScanRefused) as refusal:
            bring_scan(shop=self.shop, author=author, name="a.stl", stream=io.BytesIO(b""), length=300_000_001)
        self.assertEqual(refusal.exception.status, 413)

    def test_what_a_killed_server_left_is_thrown_away(self) -> None:
        folder = settings.MEDIA / "incoming"
        folder.mkdir(parents=True, exist_ok=True)
        old, new = folder / "old", folder / "new"
        for path in (old, new):
            path.write_bytes(b"half")
        os.utime(old, (0, 0))
        tidy()
        self.assertEqual((old.exists(), new.exists()), (False, True))
        new.unlink()

    def test_a_worker_killed_on_the_way_is_taken_over_and_not_for_ever(self) -> None:
        scan = self.bring(data=stl_bytes(*box_mesh((31.0, 32.0, 33.0)))).json()
        with patch("scans.work.prepare_safely", side_effect=KeyboardInterrupt):
            for _ in range(2):
                with self.assertRaises(KeyboardInterrupt):
                    work_off()
        self.assertEqual(Scan.objects.get(pk=scan["id"]).state, "preparing")
        self.assertEqual(work_off(), 1)
        self.assertEqual(Scan.objects.get(pk=scan["id"]).state, "ready")

    def test_a_parser_that_is_killed_refuses_its_file_and_not_the_worker(self) -> None:
        def dies(*_: object) -> None:
            os.kill(os.getpid(), signal.SIGKILL)

        scan = self.bring(data=stl_bytes(*box_mesh((41.0, 42.0, 43.0)))).json()
        with patch("driveline.scans.safely.prepare", dies):
            self.assertEqual(work_off(), 1)
        self.assertIn("more memory or time", Scan.objects.get(pk=scan["id"]).says)

    def test_a_scan_that_a_job_names_stays(self) -> None:
        floor = (DEMO / "bittern-floor.ply").read_bytes()
        scan = self.bring("bittern-floor.ply", floor).json()
        work_off()
        author = User.objects.get(username="fabricator")
        import_job(shop=self.shop, author=author, data=(DEMO / "bittern.fernback.json").read_bytes())
        answer = self.fabricator.send("delete", f"/api/scans/{scan['id']}")
        self.assertEqual((answer.status_code, "Bittern" in answer.json()["says"]), (409, True))
        other = self.bring(data=stl_bytes(*box_mesh((51.0, 52.0, 53.0)))).json()
        self.assertEqual(self.fabricator.send("delete", f"/api/scans/{other['id']}").status_code, 200)


class Broken(io.BytesIO):
    """A connection that is lost."""

    def read(self, size: int | None = -1, /) -> bytes:
        if piece := super().read(size):
            return piece
        raise OSError("the connection was lost")
