"""Chains of joints of any kind: exact against a simulation by rotation matrices, and what a yoke's twist buys."""

import math
from collections.abc import Sequence
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

from driveline.cardan.chains import Chain, best_twists, exact_rad_s2, rule_rad_s2, toward
from driveline.cardan.turning import chain_turns_rad

ONE_RAD_S = 30 / math.pi
slopes = st.floats(-0.2, 0.2)
lines = st.lists(st.tuples(st.just(1.0), slopes, slopes), min_size=3, max_size=5)


def chain(
    directions: Sequence[tuple[float, ...]], phasing: list[float], is_cross: tuple[bool, ...] | None = None
) -> Chain:
    made = tuple(np.array(one) for one in directions)
    return Chain(
        lines=made, is_cross=is_cross or (True,) * (len(made) - 1), phasing_deg=tuple(phasing[: len(made) - 2])
    )


def simulated_rad(directions: list[tuple[float, ...]], phasing: list[float], steps: int) -> np.ndarray:
    """Every shaft as a frame that is turned about its line; each cross found by where its two arms stand square."""
    units = [np.array(one) / np.linalg.norm(one) for one in directions]
    frames = []
    for unit in units:
        turned, _ = Rotation.align_vectors(unit[None], np.array([[1.0, 0.0, 0.0]]))
        frames.append(turned.as_matrix())
    even = np.linspace(0, 2 * np.pi, steps, endpoint=False)
    arms = np.cross(units[0], units[1])
    if not np.linalg.norm(arms) > 0:  # a straight first joint has no plane of its own: any start will do, the same one
        arms = np.cross(units[0], np.eye(3)[int(np.argmin(np.abs(units[0])))])
    arms = Rotation.from_rotvec(even[:, None] * units[0]).apply(arms / np.linalg.norm(arms))
    found = []
    for k, unit in enumerate(units[1:]):
        across, up = frames[k + 1][:, 1], frames[k + 1][:, 2]
        turns = np.unwrap(np.arctan2(-(arms @ across), arms @ up))
        swing = turns - even
        found.append(swing - swing.mean())
        if k < len(units) - 2:
            driven = np.cos(turns)[:, None] * across + np.sin(turns)[:, None] * up
            arms = Rotation.from_rotvec(math.radians(phasing[k]) * unit).apply(driven)
    return np.array(found)


class ExactTest(TestCase):
    @settings(max_examples=200, deadline=None, derandomize=True, database=None)
    @given(lines, st.lists(st.floats(-90, 90), min_size=3, max_size=3))
    def test_is_that_of_rotation_matrices(self, directions: list[tuple[float, ...]], phasing: list[float]) -> None:
        made = chain(directions, phasing)
        expected = simulated_rad(directions, phasing, 360)
        swings = chain_turns_rad(made.lines, made.phasing_deg, steps=360)
        np.testing.assert_allclose(swings, expected, atol=1e-9)

    def test_one_cross_by_its_formula(self) -> None:
        """ε = cos β sin² β sin 2φ / (1 - sin² β cos² φ)², its greatest over a turn."""
        for deg in (2.0, 8.0, 25.0):
            with self.subTest(deg):
                beta, turn = math.radians(deg), np.linspace(0, 2 * np.pi, 100_000)
                swing = math.cos(beta) * math.sin(beta) ** 2 * np.sin(2 * turn)
                greatest = float(np.abs(swing / (1 - (math.sin(beta) * np.cos(turn)) ** 2) ** 2).max())
                made = chain([(1, 0, 0), (math.cos(beta), math.sin(beta), 0)], [])
                self.assertAlmostEqual(exact_rad_s2(made, ONE_RAD_S)[0] / greatest, 1, delta=0.001)

    @settings(max_examples=60, deadline=None, derandomize=True, database=None)
    @given(lines, st.lists(st.floats(-90, 90), min_size=3, max_size=3))
    def test_at_small_angles_the_rule_agrees(self, directions: list[tuple[float, ...]], phasing: list[float]) -> None:
        made = chain([(x, 0.1 * y, 0.1 * z) for x, y, z in directions], phasing)
        greatest = sum(np.linalg.norm(np.cross(a, b)) ** 2 for a, b in zip(made.lines, made.lines[1:], strict=False))
        off = abs(exact_rad_s2(made, ONE_RAD_S)[-1] - rule_rad_s2(made, ONE_RAD_S)[-1])
        self.assertLess(off, 0.01 * greatest + 1e-9)

    @settings(max_examples=60, deadline=None, derandomize=True, database=None)
    @given(lines, st.lists(st.floats(-90, 90), min_size=3, max_size=3))
    def test_the_whole_is_what_drive_and_coast_leave_of_it(
        self, directions: list[tuple[float, ...]], phasing: list[float]
    ) -> None:
        made = chain(directions, phasing)
        *driven, whole = rule_rad_s2(made, ONE_RAD_S)
        coasting = rule_rad_s2(made.reversed(), ONE_RAD_S)[::-1][1:]
        for one, other in zip(driven, coasting, strict=True):
            self.assertLessEqual(whole, one + other + 1e-9)
            self.assertGreaterEqual(whole, abs(one - other) - 1e-9)

    def test_a_joint_that_turns_evenly_adds_nothing_and_parts_two_runs(self) -> None:
        directions = [(1.0, 0.0, 0.0), (1.0, 0.1, 0.0), (1.0, 0.1, 0.1), (1.0, 0.0, 0.1)]
        none = chain(directions, [0, 0], (False, False, False))
        np.testing.assert_array_equal(exact_rad_s2(none, 1000), 0)
        parted = chain(directions, [0, 0], (True, False, True))
        alone = [exact_rad_s2(chain(directions[k : k + 2], []), 1000)[0] for k in (0, 2)]
        self.assertAlmostEqual(exact_rad_s2(parted, 1000)[-1], sum(alone))
        self.assertEqual(parted.reversed().reversed().is_cross, parted.is_cross)


class TwistTest(TestCase):
    @settings(max_examples=25, deadline=None, derandomize=True, database=None)
    @given(lines, st.lists(st.floats(-90, 90), min_size=3, max_size=3))
    def test_no_other_twist_of_that_shaft_leaves_less(
        self, directions: list[tuple[float, ...]], phasing: list[float]
    ) -> None:
        made = chain([(x, 0.2 * y, 0.2 * z) for x, y, z in directions], phasing)
        for twist in best_twists(made, 1000):
            for deg in np.linspace(-90, 90, 13):
                other = list(made.phasing_deg)
                other[twist.shaft] = float(deg)
                left = rule_rad_s2(Chain(lines=made.lines, is_cross=made.is_cross, phasing_deg=tuple(other)), 1000)[-1]
                other[twist.shaft] = twist.phasing_deg
                best = rule_rad_s2(Chain(lines=made.lines, is_cross=made.is_cross, phasing_deg=tuple(other)), 1000)[-1]
                self.assertLessEqual(best, left + 1e-6)

    def test_two_alike_angles_in_planes_square_to_one_another_want_a_quarter_turn(self) -> None:
        made = chain([(1.0, 0.0, 0.0), (1.0, 0.07, 0.0), (1.0, 0.07, 0.07)], [0.0])
        (twist,) = best_twists(made, 3000)
        self.assertAlmostEqual(abs(twist.phasing_deg), 90, delta=0.5)
        self.assertLess(twist.left_rad_s2, 0.05 * float(exact_rad_s2(made, 3000)[-1]))


class DirectionTest(TestCase):
    def test_falls_and_runs_aside_toward_the_axle_either_way(self) -> None:
        front, rear = np.array([900.0, 0, 0]), np.array([100.0, 0, 0])
        down, aside = math.tan(math.radians(3)), math.tan(math.radians(2))
        for start, end, ahead in ((front, rear, -1.0), (rear, front, 1.0)):
            line = toward(start, end, falls_deg=3, left_deg=2)
            np.testing.assert_allclose(line / abs(line[0]), [ahead, aside, -down])
