"""What is turned away at the door, what an answer carries, and what is said when something underneath breaks."""

import errno
from unittest import mock

from django.db import OperationalError, connection
from django.db.utils import ProgrammingError
from django.test import TestCase

from jobs.tests.shops import ShopClient, ShopTestCase


class SignedInCase(ShopTestCase):
    def setUp(self) -> None:
        self.fabricator = self.client_of("fabricator")


class GateTest(SignedInCase):
    def test_a_stranger_s_body_is_never_read(self) -> None:
        """Neither a form nor a file: nothing of it may reach the disk."""
        stranger = ShopClient()
        with mock.patch("django.http.request.HttpRequest._load_post_and_files", side_effect=AssertionError("read")):
            paths = (
                "/api/jobs/import?shop_id=1",
                "/api/measure/motor-curve",
                "/api/jobs",
                "/api/scans?shop_id=1&name=a",
            )
            for path in paths:
                answer = stranger.post(path, b"x" * 100, content_type="multipart/form-data; boundary=b")
                self.assertEqual((answer.status_code, answer.json()["says"]), (401, "Sign in first."), path)
            answer = stranger.post("/api/session", b"x" * 100, content_type="multipart/form-data; boundary=b")
            self.assertEqual(answer.status_code, 415)

    def test_what_says_that_it_is_too_large_is_refused_before_it_is_read(self) -> None:
        for path, length, status in (
            ("/api/jobs", 2_000_001, 413),
            ("/api/measure/motor-curve", 5_000_001, 413),
            ("/api/jobs/import?shop_id=1", 2_000_000_001, 413),
            ("/api/jobs", "many", 400),
        ):
            answer = self.fabricator.post(path, b"{}", content_type="application/json", CONTENT_LENGTH=str(length))
            self.assertEqual(answer.status_code, status, path)
        small = ShopClient().post("/api/session", b"{}", content_type="application/json", CONTENT_LENGTH="10001")
        self.assertEqual(small.status_code, 413)

    def test_answers_are_not_stored_and_say_which_request_they_are_to(self) -> None:
        one, other = (self.fabricator.get("/api/jobs") for _ in range(2))
        self.assertEqual(one.headers["Cache-Control"], "no-store")
        self.assertNotEqual(one.headers["X-Request-Id"], other.headers["X-Request-Id"])
        self.assertIn("default-src 'self'", self.client.get("/").headers["Content-Security-Policy"])


class BrokenTest(SignedInCase):
    def says(self, error: Exception) -> tuple[int, str]:
        self.fabricator.raise_request_exception = False
        with mock.patch("jobs.api.jobs_visible_to", side_effect=error), self.assertLogs("fernback", "ERROR") as logged:
            answer = self.fabricator.get("/api/jobs")
        number = answer.headers["X-Request-Id"]
        self.assertEqual(logged.records[0].__dict__["facts"]["request"], number)
        self.assertIn(f"Request {number}.", answer.json()["says"])
        self.assertNotIn("secret", answer.content.decode())
        return answer.status_code, answer.json()["says"]

    def test_every_failure_is_told_in_one_form_and_nothing_of_how(self) -> None:
        for error, status, word in (
            (OperationalError("secret"), 503, "database does not answer"),
            (OSError(errno.ENOSPC, "secret"), 507, "disk is full"),
            (RuntimeError("secret"), 500, "Something broke"),
        ):
            with self.subTest(word=word):
                found = self.says(error)
                self.assertEqual(found[0], status)
                self.assertIn(word, found[1])


class HealthTest(TestCase):
    def test_ready_means_it(self) -> None:
        self.assertEqual(self.client.get("/healthz").status_code, 200)
        self.assertEqual(self.client.get("/readyz").json(), {"database": True, "store": True})
        with mock.patch.object(connection, "cursor", side_effect=OperationalError):
            answer = self.client.get("/readyz")
        self.assertEqual((answer.status_code, answer.json()["database"]), (503, False))
        self.assertEqual(self.client.get("/healthz").status_code, 200)


class RoleTest(ShopTestCase):
    def test_the_server_s_role_takes_no_record_away(self) -> None:
        with connection.cursor() as cursor:
            cursor.execute("SET LOCAL ROLE fernback_server")
            cursor.execute("SELECT count(*) FROM jobs_jobversion")
        for statement in (
            "DELETE FROM jobs_jobversion",
            "TRUNCATE jobs_jobversion CASCADE",
            "DELETE FROM build_release",
            "DELETE FROM build_delivery",
            "DELETE FROM library_partrevision",
            "DROP TABLE build_delivery",
            "CREATE ROLE another SUPERUSER",
        ):
            with self.subTest(statement=statement), self.assertRaises(ProgrammingError):
                with_rollback(statement)

    def tearDown(self) -> None:
        with connection.cursor() as cursor:
            cursor.execute("RESET ROLE")


def with_rollback(statement: str) -> None:
    with connection.cursor() as cursor:
        cursor.execute("SAVEPOINT refused")
        try:
            cursor.execute(statement)
        finally:
            cursor.execute("ROLLBACK TO SAVEPOINT refused")
