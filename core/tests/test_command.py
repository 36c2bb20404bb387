"""The core on its own, as it is called from a shell."""

import contextlib
import io
import json
from typing import Any
from unittest import TestCase

from driveline.__main__ import FAILS, main
from tests.demo import FOLDER

WREN = str(FOLDER / "wren.fernback.json")


def checked(*options: str) -> tuple[int, str, dict[str, Any]]:
    said = io.StringIO()
    with contextlib.redirect_stdout(said):
        code = main(["check", WREN, *options])
    return code, said.getvalue(), json.loads(said.getvalue())


class CheckTest(TestCase):
    def test_it_prints_workings_and_plain_text_in_the_units_that_are_asked_for(self) -> None:
        for units, speed in (("metric", "km/h"), ("us", "mph")):
            code, text, data = checked("--units", units)
            self.assertEqual(code, FAILS)
            self.assertNotIn("⟨", text)
            worked = {one["key"]: one for one in data["workings"]}
            self.assertEqual({one["key"] for one in data["checks"]}, set(worked))
            steps = worked["motor.top_speed"]["steps"]
            self.assertTrue(steps and all(one["result"] for one in steps))
            says = next(one["says"] for one in data["checks"] if one["key"] == "road.top_speed")
            self.assertIn(speed, says)
