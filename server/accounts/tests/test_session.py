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
