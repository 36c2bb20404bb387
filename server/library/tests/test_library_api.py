from typing import Any

from django.db import DatabaseError, transaction

from jobs.tests.shops import ShopTestCase
from library.models import Part, PartRevision

BOX = {"kind": "reduction", "box": {"name": "1.75 box", "ratio": {"text": "1.75"}, "rating": {"text": "300 Nm"}}}


class LibraryApiTest(ShopTestCase):
    def setUp(self) -> None:
        self.fabricator = self.client_of("fabricator")

    def add(self, name: str = "1.75 box", client: Any = None, **change: Any) -> Any:
        body = {"shop_id": self.shop.pk, "name": name, "source": "Maker's drawing", "content": BOX} | change
        return (client or self.fabricator).send("post", "/api/library", body)

    def test_a_part_is_kept_with_its_source_and_listed(self) -> None:
        self.assertEqual(self.add().status_code, 201)
        (part,) = self.fabricator.get("/api/library").json()
        self.assertEqual((part["name"], part["revision"], part["source"]), ("1.75 box", 1, "Maker's drawing"))
        self.assertEqual(part["content"]["box"]["rating"]["text"], "300 Nm")
        self.assertEqual(part["saved_by"], "fabricator")

    def test_a_units_envelope_is_kept_with_its_bodies(self) -> None:
        body = {"name": "gear case", "shape": "box", "length": {"text": "12 in"}}
        content = {"kind": "envelope", "unit": {"name": "Unit 4", "bodies": [body]}}
        self.assertEqual(self.add("Unit 4", content=content).status_code, 201)
        (part,) = self.fabricator.get("/api/library").json()
        self.assertEqual(part["content"]["unit"]["bodies"][0]["length"]["text"], "12 in")
        self.assertEqual(self.add("Unit 5", content={**content, "box": BOX["box"]}).status_code, 422)

    def test_another_shop_neither_sees_nor_changes_it(self) -> None:
        part_id = self.add().json()["id"]
        stranger = self.client_of("stranger")
        self.assertEqual(stranger.get("/api/library").json(), [])
        self.assertEqual(self.add("Mine", stranger).status_code, 404)
        revision = {"based_on": 1, "source": "me", "content": BOX}
        self.assertEqual(stranger.send("post", f"/api/library/{part_id}/revisions", revision).status_code, 404)
        self.assertEqual(stranger.send("delete", f"/api/library/{part_id}").status_code, 404)

    def test_a_viewer_looks_and_does_not_write(self) -> None:
        part_id = self.add().json()["id"]
        viewer = self.client_of("viewer")
        self.assertEqual(len(viewer.get("/api/library").json()), 1)
        self.assertEqual(self.add("Mine", viewer).status_code, 404)
        self.assertEqual(viewer.send("delete", f"/api/library/{part_id}").status_code, 404)

    def test_a_revision_is_added_and_one_in_between_is_a_conflict(self) -> None:
        part_id = self.add().json()["id"]
        better = {"kind": "reduction", "box": {**BOX["box"], "rating": {"text": "280 Nm"}}}  # type: ignore[dict-item]
        body = {"based_on": 1, "source": "Asked the maker", "content": better}
        answer = self.fabricator.send("post", f"/api/library/{part_id}/revisions", body)
        self.assertEqual((answer.status_code, answer.json()["revision"]), (201, 2))
        again = self.fabricator.send("post", f"/api/library/{part_id}/revisions", body)
        self.assertEqual(again.status_code, 409)
        self.assertIn("revision 2 in the meantime", again.json()["says"])
        other = {**body, "based_on": 2, "content": {"kind": "final_drive", "box": BOX["box"]}}
        self.assertEqual(self.fabricator.send("post", f"/api/library/{part_id}/revisions", other).status_code, 409)
        self.assertEqual(Part.objects.get(pk=part_id).revisions.count(), 2)

    def test_refusals_name_what_is_wrong(self) -> None:
        self.add()
        cases: list[tuple[dict[str, Any], int, str]] = [
            ({}, 409, "already"),
            ({"name": "Other", "source": ""}, 422, "source"),
            ({"name": "Other", "content": {"kind": "motor", "box": BOX["box"]}}, 422, "described by"),
            ({"name": "Other", "content": {**BOX, "tyre": {"code": "165 R 13"}}}, 422, "nothing else"),
            ({"name": "Other", "content": {"kind": "spring", "box": BOX["box"]}}, 422, "kind"),
            (
                {"name": "Other", "content": {"kind": "reduction", "box": {"name": "x", "ratio": {"text": "175"}}}},
                422,
                "driveline",
            ),
        ]
        for change, status, words in cases:
            with self.subTest(words):
                refused = self.add(**change)
                self.assertEqual(refused.status_code, status)
                self.assertIn(words, refused.content.decode())
        self.assertEqual(Part.objects.count(), 1)

    def test_a_retired_part_is_no_longer_offered_and_its_name_is_free(self) -> None:
        part_id = self.add().json()["id"]
        self.assertEqual(self.client_of("owner").send("delete", f"/api/library/{part_id}").status_code, 200)
        self.assertEqual(self.fabricator.get("/api/library").json(), [])
        self.assertEqual(self.add().status_code, 201)

    def test_the_database_refuses_to_change_a_revision(self) -> None:
        self.add()
        with self.assertRaises(DatabaseError), transaction.atomic():
            PartRevision.objects.update(source="somebody else's")
