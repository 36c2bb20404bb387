"""A subframe that stays with the unit."""

import copy
from typing import Any
from unittest import TestCase

from driveline.checks import Verdict
from tests.benches.mounts.test_mounts import PLOVER, Job, mm, solved


def with_one(**more: Any) -> Job:
    job = copy.deepcopy(PLOVER)
    job["sheets"]["mounts"]["subframe"] = {"is_there": True, **more}
    return job


AT = {"x": mm(100), "y": mm(0), "z": mm(-80)}


class SubframeTest(TestCase):
    def test_its_weight_is_on_the_mounts(self) -> None:
        """In the mounts' balance of bump, 3 g down, 20 kg more: Σ of what they put up is 3 × 20 × 9.80665 N more."""
        up = []
        for job in (PLOVER, with_one(mass={"text": "20 kg"}, cg=AT)):
            mounts = solved(job)[0].mounts
            up.append(sum(case.force_n[2] for one in mounts for case in one.cases if case.case == "bump"))
        self.assertAlmostEqual(up[1] - up[0], 3 * 20 * 9.80665, delta=0.5)

    def test_it_shakes_more_slowly_with_it(self) -> None:
        alone = min(one.frequency_hz for one in solved(PLOVER)[0].modes)
        heavy = min(one.frequency_hz for one in solved(with_one(mass={"text": "20 kg"}, cg=AT))[0].modes)
        self.assertLess(heavy, alone)

    def test_what_is_not_known_of_it_is_asked_for_and_its_wheels_are_named(self) -> None:
        for more in ({"cg": AT}, {"mass": {"text": "20 kg"}}, {"mass": {"text": "20 kg"}, "cg": {"x": mm(1)}}):
            result, checks = solved(with_one(**more))
            self.assertIs(checks["mounts.m1.load"].verdict, Verdict.NOT_KNOWN)
            self.assertIn("subframe", " ".join(checks["mounts.m1.load"].missing))
        self.assertTrue(any("wheels, springs and arms" in one.text for one in result.queries))
