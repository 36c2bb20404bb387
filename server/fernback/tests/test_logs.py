"""What the server writes down of itself."""

import json
import logging
from unittest import mock

from fernback.logs import JsonFormatter, number_now
from jobs.tests.shops import ShopTestCase


class LogsTest(ShopTestCase):
    def test_a_slow_call_is_written_down_with_its_job_and_bench(self) -> None:
        client = self.client_of("viewer")
        page = f"http://testserver/jobs/{self.wren.pk}/plate"
        with mock.patch("fernback.logs.SLOW_S", 0.0), self.assertLogs("fernback.requests", "WARNING") as heard:
            answer = client.get("/api/jobs", headers={"Referer": page})
        facts = heard.records[0].__dict__["facts"]
        self.assertEqual((facts["job"], facts["bench"], facts["status"]), (str(self.wren.pk), "plate", 200))
        self.assertEqual(facts["path"], "/api/jobs")
        self.assertRegex(answer.headers["X-Request-Id"], "^[0-9a-f]{12}$")

    def test_a_line_is_json_with_the_number_that_the_person_was_told(self) -> None:
        record = logging.LogRecord("fernback", logging.ERROR, "", 0, "it broke: %s", ("µ",), None)
        token = number_now.set("abc123")
        try:
            said = json.loads(JsonFormatter().format(record))
        finally:
            number_now.reset(token)
        self.assertEqual((said["request"], said["says"], said["level"]), ("abc123", "it broke: µ", "error"))
