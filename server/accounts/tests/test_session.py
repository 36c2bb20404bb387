from django.core.cache import cache

from accounts.models import User
from jobs.tests.shops import PASSWORD, ShopClient, ShopTestCase


class SessionTest(ShopTestCase):
    def setUp(self) -> None:
        cache.clear()

    def test_signing_in_says_who_and_where_and_signing_out_ends_it(self) -> None:
        client = self.client_of("fabricator")
        me = client.get("/api/session").json()["me"]
        self.assertEqual(me["shops"], [{"shop_id": self.shop.pk, "shop": self.shop.name, "role": "fabricator"}])
        self.assertEqual(client.send("delete", "/api/session").status_code, 204)
        self.assertIsNone(client.get("/api/session").json()["me"])
        self.assertEqual(client.get("/api/jobs").status_code, 401)

    def test_a_wrong_password_is_refused_and_five_lock_the_name_out(self) -> None:
        client = ShopClient()
        codes = [client.sign_in("owner", "wrong").status_code for _ in range(6)]
        self.assertEqual(codes[:4], [401] * 4)
        self.assertEqual(codes[-1], 429)
        locked = client.sign_in("owner", PASSWORD)
        self.assertEqual(locked.status_code, 429)
        self.assertIn("Wait a quarter of an hour", locked.json()["says"])
        self.assertEqual(ShopClient().sign_in("fabricator").status_code, 200)

    def test_a_session_is_its_own_persons_and_ends_with_their_right_to_sign_in(self) -> None:
        owner, viewer = self.client_of("owner"), self.client_of("viewer")
        for _ in range(2):  # one after the other, in the same process
            self.assertEqual(owner.get("/api/session").json()["me"]["username"], "owner")
            self.assertEqual(viewer.get("/api/session").json()["me"]["username"], "viewer")
        person = User.objects.get(username="owner")
        self.assertEqual(person.sessions.count(), 1)
        person.set_password("another one")
        person.save()
        self.assertIsNone(owner.get("/api/session").json()["me"])
        User.objects.filter(username="viewer").update(is_active=False)
        self.assertEqual(viewer.get("/api/jobs").status_code, 401)

    def test_the_units_a_person_reads_in_are_kept(self) -> None:
        client = self.client_of("viewer")
        self.assertEqual(client.get("/api/session").json()["me"]["units"], "metric")
        self.assertEqual(client.send("patch", "/api/session", {"units": "us"}).json()["units"], "us")
        self.assertEqual(self.client_of("viewer").get("/api/session").json()["me"]["units"], "us")
        self.assertEqual(client.send("patch", "/api/session", {"units": "furlongs"}).status_code, 422)
        self.assertEqual(ShopClient().send("patch", "/api/session", {"units": "us"}).status_code, 401)

    def test_signing_in_wants_the_token_and_nothing_unknown(self) -> None:
        bare = ShopClient()
        body = {"username": "owner", "password": PASSWORD}
        self.assertEqual(bare.post("/api/session", body, content_type="application/json").status_code, 403)
        self.assertEqual(bare.send("post", "/api/session", {**body, "role": "owner"}).status_code, 422)

    def test_every_page_says_where_it_may_load_from(self) -> None:
        self.assertIn("default-src 'self'", self.client_of("owner").get("/").headers["Content-Security-Policy"])

    def test_a_new_password_signs_every_other_device_out(self) -> None:
        here, elsewhere = self.client_of("fabricator"), self.client_of("fabricator")
        path = "/api/session/password"
        for current, new, field, word in (
            ("wrong", "three brass bushes", "current", "not your password"),
            (PASSWORD, "short", "new", "at least 10"),
            (PASSWORD, "1234567890", "new", "too common"),
            (PASSWORD, "fabricator1", "new", "too similar"),
        ):
            refused = here.send("post", path, {"current": current, "new": new})
            self.assertEqual((refused.status_code, refused.json()["fields"][0]["field"]), (422, field), new)
            self.assertIn(word, refused.json()["says"])
        changed = here.send("post", path, {"current": PASSWORD, "new": "three brass bushes"})
        self.assertEqual((changed.status_code, changed.json()["count"]), (200, 1))
        self.assertEqual(here.get("/api/jobs").status_code, 200)
        self.assertEqual(elsewhere.get("/api/jobs").status_code, 401)
        self.assertEqual(ShopClient().sign_in("fabricator").status_code, 401)
        self.assertEqual(ShopClient().sign_in("fabricator", "three brass bushes").status_code, 200)

    def test_wrong_passwords_are_counted_there_as_well(self) -> None:
        here = self.client_of("viewer")
        asked = {"current": "wrong", "new": "three brass bushes"}
        codes = [here.send("post", "/api/session/password", asked).status_code for _ in range(6)]
        self.assertEqual(codes[-1], 429)

    def test_other_devices_can_be_signed_out(self) -> None:
        here, elsewhere = self.client_of("owner"), self.client_of("owner")
        self.assertEqual(here.send("delete", "/api/session/others").json(), {"count": 1})
        self.assertEqual((here.get("/api/jobs").status_code, elsewhere.get("/api/jobs").status_code), (200, 401))
