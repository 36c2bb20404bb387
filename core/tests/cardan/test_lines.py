import math
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.cardan.lines import (
    allowed_joint_deg,
    best_twist_deg,
    excitation_rad_s2,
    joint_angle_deg,
    joint_line,
    residual_deg,
)
from driveline.cardan.turning import chain_turns_rad
from driveline.errors import ImpossibleInput

slopes = st.floats(-0.09, 0.09)
lines = st.lists(st.tuples(st.just(1.0), slopes, slopes), min_size=3, max_size=5)
twists = st.lists(st.floats(-90, 90), min_size=3, max_size=3)


def second_order_deg(swing: np.ndarray) -> float:
    """Return the angle of the one joint whose second order is a swing's: its amplitude is β²/4."""
    steps = np.arange(len(swing)) * 2 * np.pi / len(swing)
    return math.degrees(2 * math.sqrt(abs(2 * np.mean(swing * np.exp(-2j * steps)))))


class JointAngleTest(TestCase):
    def test_worked_by_hand(self) -> None:
        for a, b, angle in (
            ([1, 0, 0], [1, 1, 0], 45.0),
            ([1, 0, 0], [-1, 0, 0], 0.0),
            ([2, 0, 0], [3, 0, 3 * math.tan(math.radians(3))], 3.0),
            ([1, 0, 0], [1, 1e-9, 0], math.degrees(1e-9)),
        ):
            with self.subTest(a=a, b=b):
                self.assertAlmostEqual(joint_angle_deg(np.array(a, float), np.array(b, float)), angle, places=12)

    def test_refuses_what_has_no_direction_and_what_doubles_back(self) -> None:
        for chain in ([[1, 0, 0], [0, 0, 0]], [[1, 0, 0], [0, 1, 0]], [[1, 0, 0]]):
            with self.subTest(chain=chain), self.assertRaisesRegex(ImpossibleInput, "lines"):
                joint_line([np.array(one, float) for one in chain])


class ResidualTest(TestCase):
    def test_equal_angles_in_one_plane_cancel_in_z_and_in_w_and_add_when_a_yoke_is_square(self) -> None:
        for out in ([1, 0, 0], [1, 0, math.tan(math.radians(10))]):
            with self.subTest(out=out):
                bent = joint_line([np.array(one, float) for one in ([1, 0, 0], [1, 0, math.tan(math.radians(5))], out)])
                self.assertAlmostEqual(residual_deg(bent.angles_deg, bent.planes_deg, np.zeros(1)), 0, places=5)
                square = residual_deg(bent.angles_deg, bent.planes_deg, np.array([90.0]))
                self.assertAlmostEqual(square, 5 * math.sqrt(2), places=9)

    @given(lines, twists)
    def test_the_rule_is_what_the_turned_crosses_do(
        self, chain: list[tuple[float, float, float]], yokes: list[float]
    ) -> None:
        phasing = np.array(yokes[: len(chain) - 2])
        vectors = [np.array(one) for one in chain]
        line = joint_line(vectors)
        if line.angles_deg.min() < 0.05:  # a straight joint has no plane to start from
            return
        ruled = math.radians(residual_deg(line.angles_deg, line.planes_deg, phasing)) ** 2
        turned = math.radians(second_order_deg(chain_turns_rad(vectors, list(phasing))[-1])) ** 2
        fourth = float((np.radians(line.angles_deg) ** 4).sum()) * len(chain)
        self.assertAlmostEqual(turned, ruled, delta=fourth + 1e-9)

    @given(lines, twists, st.floats(-90, 90))
    def test_no_twist_of_the_last_yoke_beats_the_best(
        self, chain: list[tuple[float, float, float]], yokes: list[float], other: float
    ) -> None:
        line = joint_line([np.array(one) for one in chain])
        phasing = np.array(yokes[: len(chain) - 2])
        best = np.append(phasing[:-1], best_twist_deg(line, phasing, len(phasing) - 1))
        left = residual_deg(line.angles_deg, line.planes_deg, best)
        self.assertLessEqual(
            left**2, residual_deg(line.angles_deg, line.planes_deg, np.append(phasing[:-1], other)) ** 2 + 1e-6
        )

    def test_each_shaft_between_needs_its_phasing(self) -> None:
        with self.assertRaisesRegex(ImpossibleInput, "phasing_deg"):
            residual_deg(np.array([3.0, 3.0]), np.zeros(2), np.zeros(2))


class AllowedTest(TestCase):
    @given(st.floats(100, 9_000), st.floats(1, 3_000))
    def test_faster_never_allows_more_and_never_beyond_the_rule_by_more_than_the_table_rounds(
        self, rpm: float, more: float
    ) -> None:
        self.assertGreaterEqual(allowed_joint_deg(rpm), allowed_joint_deg(rpm + more))
        self.assertLess(excitation_rad_s2(allowed_joint_deg(rpm), rpm), 1_060)
