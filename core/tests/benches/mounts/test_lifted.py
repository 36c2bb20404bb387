"""A unit that a hoist pulls up by its eye while its mounts still hold it."""

from unittest import TestCase

import numpy as np

from tests.benches.mounts.test_mounts import NOT_KNOWN, PLOVER, Job, changed, solved

NAME = "lifted by its eye, still bolted down"


def forces(job: Job) -> list[tuple[np.ndarray, np.ndarray]]:
    """Of each mount where it holds, and what it puts on the unit."""
    return [
        (np.array(mount.at_mm), np.array(case.force_n))
        for mount in solved(job)[0].mounts
        for case in mount.cases
        if case.case == NAME
    ]


def eye(x_mm: float) -> Job:
    job = changed(PLOVER, {})
    job["sheets"]["placement"]["unit"]["eye"]["x"] = {"text": f"{x_mm:g} mm"}
    return job


class LiftedTest(TestCase):
    def test_the_mounts_hold_it_down_with_its_weight_once_more(self) -> None:
        """A pull of twice 61 kg less its own weight: 598 N that the mounts hold down."""
        found = forces(PLOVER)
        np.testing.assert_allclose(np.sum([force for _, force in found], axis=0), [0, 0, -61 * 9.80665], atol=0.1)

    def test_an_eye_a_hundred_millimetres_farther_on_tips_it_by_so_much(self) -> None:
        """1196 N at 100 mm more: 119.6 N·m about the level axis across."""
        near, far = (np.sum([np.cross(at, force) for at, force in forces(eye(x_mm))], axis=0) for x_mm in (90.0, 190.0))
        self.assertAlmostEqual(abs(float((far - near)[1])) / 1000, 2 * 61 * 9.80665 * 0.1, delta=0.5)

    def test_without_an_eye_nobody_lifts_it_by_one_and_half_a_place_is_asked_for(self) -> None:
        job = changed(PLOVER, {})
        job["sheets"]["placement"]["unit"]["eye"].pop("x")
        result, checks = solved(job)
        self.assertIs(checks["mounts.m1.load"].verdict, NOT_KNOWN)
        self.assertIn("lifting eye", " ".join(checks["mounts.m1.load"].missing))
        job["sheets"]["placement"]["unit"].pop("eye")
        result, checks = solved(job)
        self.assertNotIn(NAME, [case.name for case in result.cases])
        self.assertIsNot(checks["mounts.m1.load"].verdict, NOT_KNOWN)
