"""Where a mount's ears stand on its bracket: how long that is cut, what it bears then, and whether they land on it."""

from typing import Any
from unittest import TestCase

import numpy as np

from driveline.checks import Check
from tests.benches.mounts.test_mounts import FAILS, HOLDS, NOT_KNOWN, PLOVER, changed, mm, solved
from tests.workings.test_workings import faults_of


def checks(changes: dict[str, Any]) -> dict[str, Check]:
    every = solved(changed(PLOVER, {f"mounts.0.{name}": value for name, value in changes.items()}))[1]
    return {key.removeprefix("mounts.m1."): one for key, one in every.items() if key.startswith("mounts.m1.")}


class EarsLandTest(TestCase):
    def test_both_and_the_gap_between_them_stand_on_the_arm_s_end(self) -> None:
        """Two of 14 with 30 between them are 58 mm on an arm 70 wide, their feet 70 on its 80; with 40, 68 on 70."""
        found = checks({})["ears_land"]
        self.assertEqual((found.demand, found.capacity), (70.0, 80.0))
        self.assertIs(found.verdict, HOLDS)
        self.assertEqual(checks({"tube.gap": mm(40)})["ears_land"].demand, 68.0)
        self.assertIs(checks({"tube.gap": mm(56)})["ears_land"].verdict, FAILS)
        self.assertIs(checks({"ears.root": mm(95)})["ears_land"].verdict, FAILS)
        for gone in ("ears.stands", "ears.root", "ears.thickness", "tube.gap", "ears.count"):
            self.assertIs(checks({gone: None})["ears_land"].verdict, NOT_KNOWN, gone)

    def test_ears_on_its_end_make_it_longer_and_it_is_cut_shorter(self) -> None:
        self.assertIs(checks({})["reach"].verdict, HOLDS)
        self.assertIs(checks({"ears.height": mm(60)})["reach"].verdict, FAILS)
        longer = checks({"ears.height": mm(60), "bracket.length": mm(184)})
        self.assertIs(longer["reach"].verdict, HOLDS)

    def test_on_top_of_it_the_arm_ends_below_the_bolt_by_their_height_and_half_its_depth(self) -> None:
        mount = solved(changed(PLOVER, {"mounts.0.ears.stands": "top"}))[0].mounts[0]
        assert mount.at_mm is not None and mount.rail_mm is not None
        far = float(np.linalg.norm(np.array(mount.at_mm) - np.array([0, 0, 45 + 40]) - np.array(mount.rail_mm)))
        self.assertIs(checks({"ears.stands": "top", "bracket.length": mm(round(far, 1))})["reach"].verdict, HOLDS)

    def test_standing_off_bends_and_twists_the_arm_more(self) -> None:
        """Level, one arm under ears of 45 and one under ears of 5: forces along and across it act 40 mm higher."""

        def arm(height_mm: float) -> float:
            tall = {"ears.stands": "top", "ears.height": mm(height_mm), "ears.edge": mm(1), "ears.hole": mm(4)}
            level = 330 + 85 - (height_mm + 40)
            job = changed(PLOVER, {f"mounts.0.{name}": value for name, value in tall.items()})
            job["sheets"]["mounts"]["mounts"][0]["rail"]["z"] = {"text": f"{level:g} mm"}
            return solved(job)[1]["mounts.m1.arm"].demand or 0.0

        self.assertGreater(arm(60), arm(20))

    def test_until_it_is_said_nothing_of_the_bracket_holds(self) -> None:
        found = checks({"ears.stands": None})
        for key in ("arm", "weld", "reach", "rail_face"):
            self.assertIn(found[key].verdict, (NOT_KNOWN, FAILS), key)

    def test_its_working_comes_out(self) -> None:
        for changes in ({}, {"ears.root": mm(79)}, {"ears.stands": "top", "tube.gap": mm(40)}):
            check = checks(changes)["ears_land"]
            self.assertEqual(faults_of(check, check.working), [])
