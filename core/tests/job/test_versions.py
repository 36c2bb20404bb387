"""Job files of every version open, and come out as the newest writes them."""

import copy
import json
from pathlib import Path
from typing import Any
from unittest import TestCase

from pydantic import ValidationError

from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.job.versions import STEPS, VERSION, brought_up, record_brought_up, sheets_brought_up
from tests.demo import demo_as_at_first

KEPT = Path(__file__).parents[1] / "data" / "versions"  # one file as each older version wrote it


def kept(version: int) -> dict[str, Any]:
    data: dict[str, Any] = json.loads((KEPT / f"{version}.fernback.json").read_text())
    return data


class VersionsTest(TestCase):
    def test_a_file_of_each_version_is_kept_and_opens_to_the_same_answers(self) -> None:
        self.assertEqual({int(path.name.split(".")[0]) for path in KEPT.iterdir()}, set(range(1, VERSION)))
        newest = evaluate(demo_as_at_first("wren"))
        for version in range(1, VERSION):
            opened = JobFile.model_validate(kept(version))
            self.assertEqual(opened, demo_as_at_first("wren"))
            self.assertTrue(evaluate(opened) == newest)

    def test_one_that_states_no_version_is_of_the_first(self) -> None:
        data = kept(1)
        del data["version"]
        self.assertEqual(JobFile.model_validate(data), demo_as_at_first("wren"))

    def test_what_is_brought_up_is_not_brought_up_again_and_the_file_read_is_left_as_it_was(self) -> None:
        data = kept(1)
        before = copy.deepcopy(data)
        once = brought_up(data)
        self.assertEqual(data, before)
        self.assertEqual(brought_up(once), once)
        self.assertEqual(set(STEPS), set(range(1, VERSION)))

    def test_choices_and_parts_are_named_by_slugs_and_masses_stand_in_the_brief(self) -> None:
        data = kept(1)
        data["sheets"]["plate"]["build_up"] = {"kind": "base plate, foot-mounted motor"}
        data["sheets"]["plate"]["plate"] |= {"made_of": "stainless steel", "locating": "not chosen"}
        data["build"]["releases"][0] |= {"part": "base_plate", "side": "gearbox"}
        data["build"]["incoming"] = [{"part": "motor_plate"}]
        found = brought_up(data)
        plate = found["sheets"]["plate"]
        self.assertEqual((plate["build_up"]["kind"], plate["plate"]["made_of"]), ("base", "stainless"))
        self.assertEqual((plate["plate"]["locating"], plate["survey"]["seen_from"]), ("not_chosen", "engine"))
        self.assertEqual({reading["reading"]["tool"] for reading in plate["survey"]["readings"][:8]}, {"depth_gauge"})
        release = found["build"]["releases"][0]
        self.assertEqual(
            (release["part"], release["side"], release["seen_from"]), ("plate.base_plate", "second", "below")
        )
        self.assertEqual(found["build"]["incoming"][0]["part"], "plate.motor_plate")
        self.assertIn("items", found["sheets"]["brief"]["masses"])
        self.assertNotIn("masses", found["sheets"])

    def test_sheets_and_records_kept_by_themselves_are_brought_up_too(self) -> None:
        data = kept(1)
        newest = brought_up(data)
        self.assertEqual(sheets_brought_up(data["sheets"], 1), newest["sheets"])
        self.assertEqual(sheets_brought_up(newest["sheets"], VERSION), newest["sheets"])
        record = data["build"]["releases"][0]
        self.assertEqual(record_brought_up(record), newest["build"]["releases"][0])
        self.assertEqual(record_brought_up(newest["build"]["releases"][0]), newest["build"]["releases"][0])

    def test_a_version_to_come_or_none_at_all_is_refused(self) -> None:
        refused: tuple[Any, ...] = (VERSION + 1, 0, "two", None, [])
        for version in refused:
            with self.subTest(version), self.assertRaisesRegex(ValidationError, "version"):
                JobFile.model_validate({**kept(1), "version": version})
