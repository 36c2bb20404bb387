"""A shop of one's own: who starts it, who is asked in, who may do what, and what is written down of it."""

import json
import zipfile
from datetime import timedelta
from io import BytesIO, StringIO
from typing import Any
from unittest import mock

from django.core.cache import cache
from django.core.management import CommandError, call_command
from django.test import override_settings
from django.utils import timezone

from accounts.events import SPRAYED, address_of
from accounts.models import Event, EventKind, Invitation, Membership, PersonSession, Role, Shop, User
from accounts.sessions import device_of
from jobs.actions import copy_job, put_away
from jobs.models import Job
from jobs.tests.shops import PASSWORD, ShopClient, ShopTestCase

NEW = {"username": "newcomer", "name": "A Newcomer", "password": "a long walk home"}


class PeopleTest(ShopTestCase):
    def setUp(self) -> None:
        cache.clear()
        self.owner = self.client_of("owner")
        self.at = f"/api/shops/{self.shop.pk}"

    def link(self, role: str = "fabricator") -> str:
        answer = self.owner.send("post", f"{self.at}/invitations", {"role": role}).json()
        self.assertTrue(answer["squares"])
        token: str = answer["link"].split("#")[1]
        return token

    def member(self, username: str) -> int:
        return Membership.objects.get(shop=self.shop, user__username=username).user_id

    def test_a_link_brings_one_person_in_and_no_second(self) -> None:
        token = self.link()
        self.assertNotIn(token, Invitation.objects.get().token_sha256)
        client = ShopClient()
        asked = client.send("post", "/api/invitations/look", {"token": token}).json()
        self.assertEqual((asked["shop"], asked["role"]), (self.shop.name, "fabricator"))
        me = client.send("post", "/api/invitations/take", {"token": token, **NEW}).json()
        self.assertEqual(me["shops"], [{"shop_id": self.shop.pk, "shop": self.shop.name, "role": "fabricator"}])
        self.assertEqual(client.get(f"/api/jobs/{self.wren.pk}").json()["may_edit"], True)
        again = ShopClient().send("post", "/api/invitations/take", {"token": token, **NEW, "username": "second"})
        self.assertEqual(again.status_code, 404)
        self.assertFalse(User.objects.filter(username="second").exists())
        self.assertEqual(ShopClient().sign_in("newcomer", NEW["password"]).status_code, 200)

    def test_what_a_newcomer_can_not_be_called_or_use_names_its_field_and_leaves_the_link(self) -> None:
        token = self.link()
        for field, value in [("username", "owner"), ("username", "a b"), ("password", "password123")]:
            with self.subTest(field=field, value=value):
                refused = ShopClient().send("post", "/api/invitations/take", {"token": token, **NEW, field: value})
                self.assertEqual(refused.status_code, 422)
                self.assertEqual([one["field"] for one in refused.json()["fields"]], [field])
        self.assertTrue(Invitation.objects.exists())

    def test_links_run_out_and_are_withdrawn(self) -> None:
        old, withdrawn = self.link(), self.link("viewer")
        Invitation.objects.filter(role="fabricator").update(expires_at=timezone.now() - timedelta(seconds=1))
        listed = self.owner.get(self.at).json()["invitations"]
        self.assertEqual([one["role"] for one in listed], ["viewer"])
        self.owner.send("delete", f"{self.at}/invitations/{listed[0]['id']}")
        for token in (old, withdrawn, "no-such-token"):
            self.assertEqual(ShopClient().send("post", "/api/invitations/look", {"token": token}).status_code, 404)

    def test_somebody_signed_in_comes_in_as_they_are_but_once(self) -> None:
        stranger = self.client_of("stranger")
        me = stranger.send("post", "/api/invitations/take", {"token": self.link("viewer")}).json()
        self.assertEqual({place["role"] for place in me["shops"]}, {"owner", "viewer"})
        twice = stranger.send("post", "/api/invitations/take", {"token": self.link("owner")})
        self.assertEqual(twice.status_code, 409)
        self.assertEqual(Membership.objects.get(shop=self.shop, user__username="stranger").role, Role.VIEWER)

    def test_a_role_taken_away_is_gone_at_the_next_request(self) -> None:
        fabricator = self.client_of("fabricator")
        sheets = fabricator.get(f"/api/jobs/{self.wren.pk}").json()["version"]["sheets"]
        save = {"based_on": 1, "sheets": sheets}
        self.owner.send("patch", f"{self.at}/people/{self.member('fabricator')}", {"role": "viewer"})
        refused = fabricator.send("post", f"/api/jobs/{self.wren.pk}/versions", save)
        self.assertEqual(refused.status_code, 403)
        self.assertIn("Ask the shop's owner", refused.json()["says"])
        self.owner.send("delete", f"{self.at}/people/{self.member('fabricator')}")
        self.assertEqual(fabricator.get(f"/api/jobs/{self.wren.pk}").status_code, 404)
        self.assertEqual(self.wren.versions.get(number=1).author.username, "fabricator")

    def test_a_shop_keeps_an_owner(self) -> None:
        me = self.member("owner")
        for answer in (
            self.owner.send("patch", f"{self.at}/people/{me}", {"role": "viewer"}),
            self.owner.send("delete", f"{self.at}/people/{me}"),
        ):
            self.assertEqual(answer.status_code, 409)
        self.owner.send("patch", f"{self.at}/people/{self.member('viewer')}", {"role": "owner"})
        self.assertEqual(self.owner.send("delete", f"{self.at}/people/{me}").status_code, 204)

    def test_an_owner_reads_what_was_done_and_nobody_changes_it(self) -> None:
        ShopClient().sign_in("viewer", "wrong")
        ShopClient().sign_in("my secret typed as a name", "wrong")
        self.link()
        says = [(one["by"], one["says"]) for one in self.owner.get(f"{self.at}/events").json()]
        self.assertIn(("viewer", "A wrong password was given."), says)
        self.assertEqual(says[0], ("owner", "Made a link for one fabricator."))
        self.assertFalse(Event.objects.filter(says__contains="secret").exists())
        self.assertNotIn("stranger", {by for by, _ in says})

    def test_many_names_from_one_address_have_to_wait(self) -> None:
        Event.objects.bulk_create(
            [Event(kind=EventKind.WRONG_PASSWORD, address="127.0.0.1", says="wrong") for _ in range(SPRAYED)]
        )
        self.assertEqual(ShopClient().sign_in("viewer").status_code, 429)
        self.assertEqual(ShopClient(REMOTE_ADDR="127.0.0.2").sign_in("viewer").status_code, 200)

    def test_an_address_is_what_the_outermost_known_proxy_heard(self) -> None:
        request = mock.Mock(headers={"X-Forwarded-For": "6.6.6.6, 10.1.1.1"}, META={"REMOTE_ADDR": "127.0.0.1"})
        self.assertEqual(address_of(request), "127.0.0.1")
        with override_settings(PROXIES=1):
            self.assertEqual(address_of(request), "10.1.1.1")

    def test_a_shop_is_called_anew_but_not_as_another_is(self) -> None:
        for name, status in (("Saltmarsh Works", 204), (self.other_shop.name, 422), ("  ", 422)):
            self.assertEqual(self.owner.send("patch", self.at, {"name": name}).status_code, status)
        self.shop.refresh_from_db()
        self.assertEqual(self.shop.name, "Saltmarsh Works")

    def test_a_job_is_deleted_by_an_owner_once_put_away_and_by_its_name(self) -> None:
        job = copy_job(job=self.wren, author=User.objects.get(username="owner"), name="Old")
        path = f"/api/jobs/{job.pk}"
        self.assertEqual(self.owner.send("delete", path, {"name": "Old"}).status_code, 409)
        put_away(job=job, is_put_away=True)
        self.assertEqual(self.owner.send("delete", path, {"name": "Wren"}).status_code, 422)
        self.assertEqual(self.owner.send("delete", path, {"name": "Old"}).status_code, 204)
        self.assertEqual(list(Job.objects.all()), [self.wren])

    def test_all_jobs_of_a_shop_come_as_one_file_that_opens(self) -> None:
        answer = self.owner.get(f"/api/jobs/all?shop_id={self.shop.pk}")
        with zipfile.ZipFile(BytesIO(b"".join(answer))) as pack:
            (name,) = pack.namelist()
            self.assertEqual(json.loads(pack.read(name))["name"], "Wren")


class DevicesTest(ShopTestCase):
    def setUp(self) -> None:
        cache.clear()

    def signed_in(self, **more: Any) -> ShopClient:
        client = ShopClient(headers={"User-Agent": "Mozilla/5.0 (X11; Linux x86_64) Firefox/140.0"})
        client.send("post", "/api/session", {"username": "viewer", "password": PASSWORD, **more})
        return client

    def test_devices_are_listed_and_ended_one_by_one(self) -> None:
        here, there = self.signed_in(), self.signed_in(is_trusted=True)
        listed = here.get("/api/session/devices").json()
        self.assertEqual(
            [(one["device"], one["is_this"]) for one in listed], [("Firefox, Linux", True), ("Firefox, Linux", False)]
        )
        self.assertNotIn(listed[1]["id"], PersonSession.objects.values_list("session_key", flat=True))
        self.assertEqual(here.send("delete", f"/api/session/devices/{listed[1]['id']}").status_code, 204)
        self.assertIsNone(there.get("/api/session").json()["me"])
        self.assertIsNotNone(here.get("/api/session").json()["me"])

    def test_a_session_ends_when_its_time_is_over_however_much_it_is_used(self) -> None:
        client = self.signed_in()
        ends = PersonSession.objects.get().expire_date
        self.assertLess(abs(ends - timezone.now() - timedelta(hours=12)), timedelta(minutes=1))
        client.send("patch", "/api/session", {"units": "us"})
        client.send("post", "/api/session/password", {"current": PASSWORD, "new": "another long one"})
        self.assertLess(abs(PersonSession.objects.get().expire_date - ends), timedelta(seconds=2))

    def test_a_trusted_device_that_is_not_heard_of_is_signed_out(self) -> None:
        client = self.signed_in(is_trusted=True)
        PersonSession.objects.update(seen_at=timezone.now() - timedelta(days=6))
        self.assertIsNotNone(client.get("/api/session").json()["me"])  # and heard of again
        PersonSession.objects.update(seen_at=timezone.now() - timedelta(days=8))
        self.assertIsNone(client.get("/api/session").json()["me"])

    def test_browsers_are_named_as_far_as_they_say(self) -> None:
        phone = "Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) Version/19.0 Mobile Safari/604.1"
        self.assertEqual(device_of(phone), "Safari, iPhone")
        self.assertEqual(device_of("curl/8.1"), "A browser")


class FirstShopTest(ShopTestCase):
    """This machine's first shop beside the demo."""

    def setUp(self) -> None:
        cache.clear()
        Shop.objects.filter(pk=self.shop.pk).update(is_demo=True)
        Shop.objects.filter(pk=self.other_shop.pk).delete()

    def printed(self, **more: Any) -> str:
        said = StringIO()
        call_command("shop_link", stdout=said, **more)
        return said.getvalue().strip().removeprefix("join#")

    def start(self, token: str, shop: str = "Our Own") -> Any:
        client = ShopClient()
        answer = client.send("post", "/api/invitations/take", {"token": token, "shop": shop, **NEW})
        self.assertEqual(answer.status_code, 200, answer.content)
        return client

    def test_the_link_that_start_prints_starts_the_first_shop_and_then_there_is_none(self) -> None:
        first, token = self.printed(), self.printed()
        self.assertEqual(ShopClient().send("post", "/api/invitations/look", {"token": first}).status_code, 404)
        named = ShopClient().send("post", "/api/invitations/take", {"token": token, "shop": self.shop.name, **NEW})
        self.assertEqual([one["field"] for one in named.json()["fields"]], ["shop"])
        client = self.start(token)
        self.assertEqual(client.get("/api/jobs").json(), [])
        self.assertEqual(self.printed(), "")

    def test_the_demos_owner_may_start_it_from_the_page_and_nobody_else(self) -> None:
        self.assertEqual(self.client_of("fabricator").send("post", "/api/shops/first").status_code, 403)
        owner = self.client_of("owner")
        self.assertTrue(owner.get("/api/shops/demo").json()["may_start_shop"])
        self.start(owner.send("post", "/api/shops/first").json()["link"].split("#")[1])
        self.assertEqual(owner.send("post", "/api/shops/first").status_code, 403)

    def test_a_shop_named_to_start_is_owned_by_who_takes_the_link(self) -> None:
        self.start(self.printed(shop="Our Own"), shop="")
        place = Membership.objects.get(user__username="newcomer")
        self.assertEqual((place.shop.name, place.role), ("Our Own", "owner"))
        with self.assertRaises(CommandError):
            self.printed(shop="Our Own")

    def test_the_demo_is_put_away_and_fetched_back_by_the_owner_of_the_first_shop(self) -> None:
        viewer, demo_owner = self.client_of("viewer"), self.client_of("owner")
        client = self.start(self.printed())
        self.assertEqual(demo_owner.send("patch", "/api/shops/demo", {"is_put_away": True}).status_code, 403)
        self.assertTrue(client.send("patch", "/api/shops/demo", {"is_put_away": True}).json()["is_put_away"])
        self.assertEqual(viewer.get("/api/jobs").status_code, 401)
        self.assertEqual(ShopClient().sign_in("viewer").status_code, 401)
        client.send("patch", "/api/shops/demo", {"is_put_away": False})
        self.assertEqual(len(self.client_of("viewer").get("/api/jobs").json()), 1)
