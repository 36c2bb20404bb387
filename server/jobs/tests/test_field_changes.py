"""Who changed a field, when, and from what."""

from jobs.tests.shops import ShopTestCase


class FieldChangesTest(ShopTestCase):
    def changes(self, *path: str | int) -> list[tuple[int, str, object, object]]:
        answer = self.client_of("viewer").send("post", f"/api/jobs/{self.wren.pk}/field-changes", {"path": list(path)})
        return [(one["version"], one["author"], one["was"], one["now"]) for one in answer.json()]

    def test_each_saved_change_of_a_field_and_of_a_named_row_is_listed_newest_first(self) -> None:
        fabricator, owner = self.client_of("fabricator"), self.client_of("owner")
        path = f"/api/jobs/{self.wren.pk}/versions"
        sheets = fabricator.get(f"/api/jobs/{self.wren.pk}").json()["version"]["sheets"]
        first = sheets["brief"]["vehicle"]["kerb_mass"]
        load = sheets["brief"]["masses"]["items"][0]
        moved = {**first, "text": "1111 kg"}
        sheets["brief"]["vehicle"]["kerb_mass"] = moved
        fabricator.send("post", path, {"based_on": 1, "sheets": sheets})
        lighter = {**load, "mass": {"text": "77 kg"}}
        sheets["brief"]["masses"]["items"] = [{**load, "name": "Ladder"}, lighter]  # one put in above it
        owner.send("post", path, {"based_on": 2, "sheets": sheets})
        self.assertEqual(
            [(n, who, now["text"]) for n, who, _, now in self.changes("brief", "vehicle", "kerb_mass")],  # type: ignore[index]
            [(2, "fabricator", "1111 kg"), (1, "fabricator", first["text"])],
        )
        newest = self.changes("brief", "masses", "items", load["name"], "mass", "text")[0]
        self.assertEqual(newest, (3, "owner", load["mass"]["text"], "77 kg"))
        self.assertEqual(self.changes("brief", "no", "such", 4), [])
