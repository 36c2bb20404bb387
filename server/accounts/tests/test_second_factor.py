"""The second factor: asked for once it is begun, each code taken once, spare codes, guesses limited."""

from datetime import timedelta
from typing import Any
from unittest import mock

import pyotp
from django.core.cache import cache
from django.utils import timezone

from accounts.events import GUESSED
from accounts.models import User
from accounts.second_factor import AROUND, STEP_S
from jobs.tests.shops import PASSWORD, ShopClient, ShopTestCase


class SecondFactorTest(ShopTestCase):
    def setUp(self) -> None:
        cache.clear()
        # The clock stands: a step that ended between two requests would make another code of the same one.
        self.now = timezone.now()
        held = mock.patch("accounts.second_factor.timezone.now", side_effect=lambda: self.now)
        held.start()
        self.addCleanup(held.stop)
        self.client_in = self.client_of("fabricator")
        answer = self.client_in.send("post", "/api/session/second/secret", {"password": PASSWORD}).json()
        self.clock = pyotp.TOTP(answer["secret"])
        self.assertTrue(answer["squares"])

    def begin(self) -> list[str]:
        answer = self.client_in.send("post", "/api/session/second", {"code": self.code()})
        spares: list[str] = answer.json()["spares"]
        return spares

    def sign_in(self, code: str = "") -> Any:
        body = {"username": "fabricator", "password": PASSWORD, "code": code}
        return ShopClient().send("post", "/api/session", body)

    def code(self, steps: int = 0) -> str:
        """The code of so many steps from now."""
        return self.clock.at(self.now + timedelta(seconds=STEP_S * steps))

    def wrong(self) -> str:
        """Six digits that are none of the codes around now."""
        around = {self.code(step) for step in range(-AROUND, AROUND + 1)}
        return next(code for code in ("000000", "111111", "222222", "333333") if code not in around)

    def test_nothing_is_asked_for_before_a_code_was_given_and_then_it_is(self) -> None:
        self.assertEqual(self.sign_in().status_code, 200)
        wrong = self.client_in.send("post", "/api/session/second", {"code": self.wrong()})
        self.assertEqual(wrong.json()["fields"][0]["field"], "code")
        self.begin()
        asked = self.sign_in()
        self.assertEqual((asked.status_code, asked.json()["fields"][0]["field"]), (401, "code"))
        self.assertTrue(self.client_in.get("/api/session").json()["me"]["has_second"])

    def test_a_code_is_taken_once_and_only_around_its_time(self) -> None:
        self.begin()
        self.assertEqual(self.sign_in(self.code()).status_code, 401)  # the one that it was begun with
        early, right = self.code(1), self.code(4)
        self.now += timedelta(seconds=STEP_S * 4)
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
            client.send("post", "/api/session", {"username": "fabricator", "password": PASSWORD, "code": self.wrong()})
        self.assertEqual(self.sign_in(spare).status_code, 429)

    def test_it_is_ended_by_the_password(self) -> None:
        self.begin()
        self.assertEqual(self.client_in.send("post", "/api/session/second/end", {"password": "x"}).status_code, 422)
        self.assertEqual(self.sign_in().status_code, 401)
        self.assertEqual(
            self.client_in.send("post", "/api/session/second/end", {"password": PASSWORD}).status_code, 204
        )
        self.assertEqual(self.sign_in().status_code, 200)
