"""Every route against everybody who may ask: a route without a row here fails the test."""

import json
from dataclasses import dataclass
from typing import Any, Final
from unittest import mock
from uuid import uuid4

from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import transaction

from accounts.invitations import invite
from accounts.models import Membership, Role, User
from fernback.api import api
from jobs.actions import copy_job, put_away
from jobs.tests.shops import DEMO, PASSWORD, ShopClient, ShopTestCase
from library.models import Part
from scans.work import work_off
from tests.metal.section_files import BOX_DXF
from tests.scans.files import box_mesh, stl_bytes

WHO: Final = (None, "stranger", "viewer", "fabricator", "owner")
VIEWER: Final = WHO.index("viewer")
READ: Final = (401, 404, 200, 200, 200)  # members of the job's shop
WRITE: Final = (401, 404, 403, 201, 201)  # those of them who may write
OWN: Final = (401, 200, 200, 200, 200)  # whoever is signed in, of their own
OWNER: Final = (401, 404, 403, 403, 200)  # only the owners of the job's shop
OLD: Final = (401, 404, 409, 409, 409)  # what releases of old did not keep
GOOD: Final = {"measures": [{"kind": "thickness", "reading": {"text": "10.05"}}], "runs_as_drawn": True}
BOX: Final = {"kind": "reduction", "box": {"name": "1.75 box", "ratio": {"text": "1.75"}, "rating": {"text": "300 Nm"}}}
# Those that end a session or change a password: who may is looked at by themselves, in accounts.
THEIR_OWN: Final = {
    "session_create",
    "session_delete",
    "password_change",
    "sessions_end",
    "device_end",
    "invitation_take",
    "demo_put_away",
    "second_secret",
    "second_begin",
    "second_end",
    "shop_first",
}


@dataclass(frozen=True, kw_only=True)
class Row:
    """How a route is asked, and what each of ``WHO`` gets."""

    path: str
    wanted: tuple[int, ...]
    body: Any = None
    file: tuple[str, bytes] | None = None
    more: dict[str, str] | None = None
    stream: bytes | None = None


class RoutesTest(ShopTestCase):
    def setUp(self) -> None:
        self.clients = [ShopClient() if name is None else self.client_of(name) for name in WHO]
        demoted = User.objects.create_user(username="demoted", password=PASSWORD)
        place = Membership.objects.create(user=demoted, shop=self.shop, role=Role.OWNER)
        self.clients.append(self.client_of("demoted"))  # an owner when they signed in, a viewer since
        place.role = Role.VIEWER
        place.save()
        fabricator = self.clients[3]
        made = fabricator.send(
            "post", "/api/library", {"shop_id": self.shop.pk, "name": "1.75 box", "source": "Maker", "content": BOX}
        )
        self.part = Part.objects.get(pk=made.json()["id"]).pk
        made_link, self.token = invite(role=Role.VIEWER, shop=self.shop, made_by=None)
        self.invitation = made_link.pk
        old = copy_job(job=self.wren, author=User.objects.get(username="owner"), name="Wren, put away")
        put_away(job=old, is_put_away=True)
        self.old = old.pk
        self.scan = self.brought(fabricator, "first", (11.0, 12.0, 14.0)).json()
        work_off()

    def brought(self, client: ShopClient, name: str, size: tuple[float, float, float]) -> Any:
        return self.asked(client, "post", Row(path=self.scans(name), wanted=(), stream=stl_bytes(*box_mesh(size))))

    def scans(self, name: str) -> str:
        return f"/api/scans?shop_id={self.shop.pk}&name={name}.stl"

    def rows(self) -> dict[str, Row]:
        job, shop = f"/api/jobs/{self.wren.pk}", self.shop.pk
        sheets = self.clients[3].get(job).json()["version"]["sheets"]
        part, released = f"{job}/drawings/plate.plate", f"{job}/releases/plate.plate/A"
        viewer = f"/api/shops/{shop}/people/{User.objects.get(username='viewer').pk}"
        release = {
            "based_on": 1,
            "part": "plate.plate",
            "side": "second",
            "confirmed_runs": "clockwise",
            "despite": "so",
        }
        wren = (DEMO / "wren.fernback.json").read_bytes()
        curve = b"rpm;nm_peak;nm_continuous\n0;235;120\n3000;235,5;120\n9000;95;47,7\n"
        holes = b"kind,from,to,reading,unit,tool,u_mm\nhole,H1,,10.5,mm,,\n"
        revision = {"based_on": 1, "source": "Asked the maker", "content": BOX}
        library = {"shop_id": shop, "name": "Another", "source": "Maker", "content": BOX}
        measures, signed = {"measures": GOOD["measures"]}, GOOD | {"accepted": True}
        return {
            "session_read": Row(path="/api/session", wanted=(200,) * 5),
            "session_prefer": Row(path="/api/session", wanted=OWN, body={"units": "us"}),
            "jobs_list": Row(path="/api/jobs", wanted=OWN),
            "jobs_create": Row(
                path="/api/jobs", wanted=(401, 404, 404, 201, 201), body={"shop_id": shop, "name": "New"}
            ),
            "jobs_import": Row(
                path=f"/api/jobs/import?shop_id={shop}", wanted=(401, 404, 404, 201, 201), file=("w.json", wren)
            ),
            "jobs_read": Row(path=job, wanted=READ),
            "jobs_copy": Row(path=f"{job}/copy", wanted=WRITE, body={"name": "Wren the second"}),
            "jobs_put_away": Row(path=job, wanted=(401, 404, 403, 204, 204), body={"is_put_away": True}),
            "job_versions_list": Row(path=f"{job}/versions", wanted=READ),
            "job_versions_create": Row(path=f"{job}/versions", wanted=WRITE, body={"based_on": 1, "sheets": sheets}),
            "job_gearing_choices": Row(path=f"{job}/gearing-choices", wanted=READ),
            "job_margin_changes": Row(path=f"{job}/margin-changes", wanted=READ),
            "job_field_changes": Row(path=f"{job}/field-changes", wanted=READ, body={"path": ["brief", "notes"]}),
            "job_versions_read": Row(path=f"{job}/versions/1", wanted=READ),
            "jobs_evaluate": Row(path=f"{job}/evaluate", wanted=READ, body={}),
            "job_workings": Row(path=f"{job}/workings", wanted=READ, body={}),
            "job_sureness": Row(path=f"{job}/sureness", wanted=READ, body={}),
            "job_seek": Row(path=f"{job}/seek/placement.most_room", wanted=READ, body={}),
            "job_calculation_sheet": Row(path=f"{job}/calculation-sheet.pdf?check=plate.ligament", wanted=READ),
            "jobs_pack": Row(path=f"{job}/pack", wanted=READ),
            "jobs_export": Row(path=f"{job}/file", wanted=READ),
            "job_cut_list": Row(path=f"{job}/drawings/cut-list.csv", wanted=READ),
            "job_paper": Row(path=f"{job}/papers/mounts.welding.pdf", wanted=READ),
            "job_part_holes": Row(path=f"{part}-holes.csv", wanted=READ),
            "job_part_template": Row(path=f"{part}-template.pdf", wanted=READ),
            "job_part_nested": Row(path=f"{part}-nested.dxf", wanted=READ),
            "job_part_sheet": Row(path=f"{part}-sheet.pdf", wanted=READ),
            "job_part_order": Row(path=f"{job}/drawings/axles.l1.t1_tube.order.json", wanted=READ),
            "job_part_drawing": Row(path=f"{part}.dxf", wanted=READ),
            "releases_list": Row(path=f"{job}/releases", wanted=READ),
            "release": Row(path=f"{job}/releases", wanted=WRITE, body=release),
            "release_dxf": Row(path=f"{released}.dxf", wanted=READ),
            "release_sheet": Row(
                path=f"{released}-sheet.pdf", wanted=(401, 404, 409, 409, 409)
            ),  # not kept in old ones
            "release_holes": Row(path=f"{released}-holes.csv", wanted=OLD),
            "delivery_judge": Row(path=f"{released}/judge", wanted=READ, body=measures),
            "delivery_record": Row(path=f"{released}/deliveries", wanted=WRITE, body=signed),
            "measure_read": Row(path="/api/measure", wanted=OWN, body={"text": "8 mm", "quantity": "length"}),
            "motor_curve_read": Row(path="/api/measure/motor-curve", wanted=OWN, file=("c.csv", curve)),
            "section_file_read": Row(path="/api/measure/section-file", wanted=OWN, file=("s.dxf", BOX_DXF)),
            "survey_file_read": Row(
                path="/api/measure/survey-file", wanted=OWN, file=("s.csv", holes), more={"survey": "{}"}
            ),
            "library_list": Row(path="/api/library", wanted=OWN),
            "library_create": Row(path="/api/library", wanted=(401, 404, 404, 201, 201), body=library),
            "library_revise": Row(
                path=f"/api/library/{self.part}/revisions", wanted=(401, 404, 404, 201, 201), body=revision
            ),
            "library_retire": Row(path=f"/api/library/{self.part}", wanted=(401, 404, 404, 200, 200)),
            "devices_list": Row(path="/api/session/devices", wanted=OWN),
            "demo_read": Row(path="/api/shops/demo", wanted=OWN),
            "people_list": Row(path=f"/api/shops/{shop}", wanted=OWNER),
            "events_list": Row(path=f"/api/shops/{shop}/events", wanted=OWNER),
            "shop_rename": Row(
                path=f"/api/shops/{shop}", wanted=(401, 404, 403, 403, 204), body={"name": "Saltmarsh Works"}
            ),
            "invitation_look": Row(
                path="/api/invitations/look", wanted=(200,) * 5, body={"token": self.token}
            ),  # the link is its own right
            "invitation_make": Row(
                path=f"/api/shops/{shop}/invitations", wanted=(401, 404, 403, 403, 201), body={"role": "viewer"}
            ),
            "invitation_withdraw": Row(
                path=f"/api/shops/{shop}/invitations/{self.invitation}", wanted=(401, 404, 403, 403, 204)
            ),
            "person_role": Row(path=f"{viewer}", wanted=(401, 404, 403, 403, 204), body={"role": "fabricator"}),
            "person_remove": Row(path=f"{viewer}", wanted=(401, 404, 403, 403, 204)),
            "jobs_all": Row(path=f"/api/jobs/all?shop_id={shop}", wanted=OWNER),
            "jobs_delete": Row(
                path=f"/api/jobs/{self.old}", wanted=(401, 404, 403, 403, 204), body={"name": "Wren, put away"}
            ),
            "job_here": Row(path=f"{job}/here", wanted=READ, body={"tab": str(uuid4()), "bench": "plate"}),
            "scans_list": Row(path="/api/scans", wanted=OWN),
            "scans_create": Row(
                path=self.scans("second"),
                wanted=(401, 404, 404, 201, 201),
                stream=stl_bytes(*box_mesh((9.0, 8.0, 7.0))),
            ),
            "scans_read": Row(path=f"/api/scans/{self.scan['id']}", wanted=READ),
            "scans_delete": Row(path=f"/api/scans/{self.scan['id']}", wanted=(401, 404, 403, 200, 200)),
            "scans_view": Row(path=f"/api/scans/view/{self.scan['sha256']}", wanted=READ),
        }

    def asked(self, client: ShopClient, method: str, row: Row) -> Any:
        headers = {"X-CSRFToken": client.cookies["csrftoken"].value}
        if row.file is not None:
            body: Any = {"file": SimpleUploadedFile(*row.file), **(row.more or {})}
            return client.post(row.path, body, headers=headers)
        if row.stream is not None:
            return client.post(row.path, row.stream, content_type="application/octet-stream", headers=headers)
        if method == "get":
            return client.get(row.path)
        return getattr(client, method)(row.path, json.dumps(row.body), content_type="application/json", headers=headers)

    def test_every_route_lets_in_whom_it_should_and_nobody_else(self) -> None:
        operations = {
            operation["operationId"]: method
            for methods in api.get_openapi_schema()["paths"].values()
            for method, operation in methods.items()
        }
        rows = self.rows()
        self.assertEqual(set(operations) - THEIR_OWN, set(rows))  # a new route wants a row
        with mock.patch("jobs.api.sureness_beside", return_value=()):
            for name, row in rows.items():
                with self.subTest(name):
                    found = tuple(self.status(client, operations[name], row) for client in self.clients)
                    self.assertEqual(found, (*row.wanted, row.wanted[VIEWER]))

    def status(self, client: ShopClient, method: str, row: Row) -> int:
        """What somebody gets; what it changed is taken back, so that everybody finds the same."""
        with transaction.atomic():
            status: int = self.asked(client, method, row).status_code
            transaction.set_rollback(True)
        return status
