"""The second factor: asked for once it is begun, each code taken once, spare codes, guesses limited."""

from datetime import timedelta
from typing import Any
from unittest import mock

import pyotp
from django.core.cache import cache
from django.utils import timezone

from accounts.events import GUESSED
from accounts.models import User
from jobs.tests.shops import PASSWORD, ShopClient, ShopTestCase


class SecondFactorTest(ShopTestCase):
    def setUp(self) -> None:
        cache.clear()
        self.client_in = self.client_of("fabricator")
        answer = self.client_in.send("post", "/api/session/second/secret", {"password": PASSWORD}).json()
        self.clock = pyotp.TOTP(answer["secret"])
        self.assertTrue(answer["squares"])

    def begin(self) -> list[str]:
        answer = self.client_in.send("post", "/api/session/second", {"code": self.clock.now()})
        spares: list[str] = answer.json()["spares"]
        return spares

    def sign_in(self, code: str = "") -> Any:
        body = {"username": "fabricator", "password": PASSWORD, "code": code}
        return ShopClient().send("post", "/api/session", body)

    def later(self, steps: int) -> Any:
        return mock.patch(
            "accounts.second_factor.timezone.now", return_value=timezone.now() + timedelta(seconds=30 * steps)
        )

    def code(self, steps: int) -> str:
        return self.clock.at(timezone.now() + timedelta(seconds=30 * steps))

    def test_nothing_is_asked_for_before_a_code_was_given_and_then_it_is(self) -> None:
        self.assertEqual(self.sign_in().status_code, 200)
        wrong = self.client_in.send("post", "/api/session/second", {"code": "000000"})
        self.assertEqual(wrong.json()["fields"][0]["field"], "code")
        self.begin()
        asked = self.sign_in()
        self.assertEqual((asked.status_code, asked.json()["fields"][0]["field"]), (401, "code"))
        self.assertTrue(self.client_in.get("/api/session").json()["me"]["has_second"])

    def test_a_code_is_taken_once_and_only_around_its_time(self) -> None:
        self.begin()
        self.assertEqual(self.sign_in(self.clock.now()).status_code, 401)  # the one that it was begun with
        early, right = self.code(1), self.code(4)
        with self.later(4):
            self.assertEqual(self.sign_in(early).status_code, 401)
            self.assertEqual(self.sign_in(right).status_code, 200)
            self.assertEqual(self.sign_in(right).status_code, 401)

    def test_a_spare_code_works_once(self) -> None:
        spare, *others = self.begin()
        self.assertEqual(self.sign_in(spare).status_code, 200)
        self.assertEqual(self.sign_in(spare).status_code, 401)
        self.assertEqual(self.sign_in(others[0].upper()).status_code, 200)
        self.assertNotIn(others[1], str(User.objects.get(username="fabricator").second_spares))

    def test_guessing_codes_has_to_wait_from_wherever(self) -> None:
        spare = self.begin()[0]
        for k in range(GUESSED):
            client = ShopClient(REMOTE_ADDR=f"10.0.0.{k}")
            client.send("post", "/api/session", {"username": "fabricator", "password": PASSWORD, "code": "000000"})
        self.assertEqual(self.sign_in(spare).status_code, 429)

    def test_it_is_ended_by_the_password(self) -> None:
        self.begin()
        self.assertEqual(self.client_in.send("post", "/api/session/second/end", {"password": "x"}).status_code, 422)
        self.assertEqual(self.sign_in().status_code, 401)
        self.assertEqual(
            self.client_in.send("post", "/api/session/second/end", {"password": PASSWORD}).status_code, 204
        )
        self.assertEqual(self.sign_in().status_code, 200)
