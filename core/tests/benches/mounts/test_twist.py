"""A bush that resists twist about its bolt: the unit turns less, and its bracket bears the twist."""

import math
from typing import Any
from unittest import TestCase

import numpy as np

from driveline.benches.mounts.brackets import Arm, stresses_of, weld_of
from driveline.benches.mounts.ears import ear_share_n
from driveline.benches.mounts.landings import LandingFound, bolt_pulls
from driveline.benches.mounts.sheet import ArmKind, Bracket
from driveline.metal.ears import Ear
from driveline.metal.sections import box
from driveline.sheet import Length
from tests.benches.mounts.test_mounts import PLOVER, changed, solved
from tests.workings.test_workings import faults_of

ACROSS = {"is_turned": True, "angles": {"roll": {"text": "0°"}, "pitch": {"text": "0°"}, "yaw": {"text": "90°"}}}
BOX = box(breadth_mm=70, depth_mm=80, wall_mm=6)
ARM = Arm(
    section=BOX,
    length_mm=200.0,
    turn=np.eye(3),
    stiffness_n_per_mm=np.full(3, 1e5),
    turning_nmm_per_rad=np.full(3, 1e9),
)
BRACKET = Bracket(kind=ArmKind.BOX, breadth=Length.of_mm(70), leg=Length.of_mm(6), beside=Length.of_mm(0))
NOTHING, TWIST = np.zeros((1, 3)), np.array([[2e5, 3e5, 4e5]])


def job(nm_per_deg: float | None) -> dict[str, Any]:
    """Plover with its two bushes' bolts across."""
    bolts = {f"mounts.{k}.{name}": value for k in (0, 1) for name, value in ACROSS.items()}
    return changed(PLOVER, {**bolts, **{f"mounts.{k}.turning_nm_per_deg": nm_per_deg for k in (0, 1)}})


class TwistTest(TestCase):
    def test_the_unit_turns_less_the_more_its_bushes_resist_and_every_sum_can_be_done_again(self) -> None:
        turns = []
        for nm_per_deg in (None, 20.0, 200.0):
            result, checks = solved(job(nm_per_deg))
            launch = next(one for one in result.cases if one.name == "launch")
            assert launch.turn_deg is not None
            turns.append(abs(launch.turn_deg[1]))
            for key, check in checks.items():
                if key.startswith("mounts.m"):
                    self.assertEqual(faults_of(check, check.working), [], key)
        self.assertTrue(turns[0] > turns[1] > turns[2], turns)

    def test_the_bracket_hands_the_twist_on(self) -> None:
        """Upright and fore and aft by the lever of the force; about the arm, which lies across, by the twist too."""
        result, _ = solved(job(200.0))
        left = result.mounts[0]
        assert left.at_mm is not None and left.rail_mm is not None
        lever = np.array(left.at_mm) - np.array(left.rail_mm)
        launch = next(one for one in left.cases if one.case == "launch")
        assert launch.at_root_nm is not None
        by_force = float(np.linalg.norm(np.cross(lever, launch.force_n))) / 1000
        self.assertGreater(abs(launch.at_root_nm - by_force), 1.0)

    def test_an_arm_its_weld_ears_and_bolts_bear_a_twist_by_hand(self) -> None:
        """Nothing but moments of 200, 300 and 400 N·m about the arm, level across it and upright."""
        (stressed,) = stresses_of(ARM, BRACKET, NOTHING[0], TWIST[0])
        bending = 3e5 * 40 / BOX.upright_mm4 + 4e5 * 35 / BOX.across_mm4
        self.assertAlmostEqual(stressed.stress.bending_and_axial_mpa, bending)
        self.assertAlmostEqual(stressed.stress.torsion_mpa, 2e5 * BOX.shear_per_nmm)
        found = weld_of(ARM, BRACKET, NOTHING, TWIST)
        assert found is not None
        np.testing.assert_allclose(found[1].moment_nmm, [3e5, 4e5, 2e5])
        ear = Ear(bolt_mm=12, hole_mm=12.5, thickness_mm=10, width_mm=40, edge_mm=14, root_mm=70, height_mm=50)
        self.assertEqual(ear_share_n(ear, 2, NOTHING[0], TWIST[0], np.array([0.0, 1.0, 0.0])), (3e5 / 50 / 2, 0.0))
        plate = LandingFound(size_mm=(150, 170), thickness_mm=16, apart_mm=(100, 120))
        (pull,) = bolt_pulls(plate, ARM, 0.0, NOTHING, TWIST)
        self.assertAlmostEqual(pull.pull_n, 3e5 / 240 + 4e5 / 200)
        self.assertAlmostEqual(pull.shear_n, 2e5 / (4 * math.hypot(50, 60)))
