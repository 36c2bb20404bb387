"""A scan laid by matched points: back to where it was, and the one that does not fit named."""

from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.laying import Match, lay_scan
from driveline.space.pose import Placed, Pose

AT = np.array([[0, 400, 300], [0, -410, 310], [900, 350, 280], [880, -360, 420], [450, 0, 600]], dtype=float)

CORNERS = np.array([[0, 400, 300], [0, -400, 700], [900, 400, 700], [900, -400, 300]], dtype=float)


def matches_of(at: Floats, placed: Placed, noise: Floats, u_mm: float = 1.0) -> list[Match]:
    on_scan = placed.inverse.points(at + noise)
    return [
        Match(key=f"P{k}", on_scan_mm=scan, at_mm=here, u_mm=u_mm)
        for k, (scan, here) in enumerate(zip(on_scan, at, strict=True))
    ]


class LayingTest(TestCase):
    @given(
        st.tuples(*[st.floats(-3000, 3000)] * 3, *[st.floats(-180, 180)] * 3),
        st.integers(3, 5),
    )
    def test_a_scan_comes_back_to_where_it_was(self, six: tuple[float, ...], count: int) -> None:
        placed = Pose(*six).placed
        found = lay_scan(matches_of(AT[:count], placed, np.zeros((count, 3))))
        np.testing.assert_allclose(found.placed.turn, placed.turn, atol=1e-9)
        np.testing.assert_allclose(found.placed.at_mm, placed.at_mm, atol=1e-5)
        self.assertLess(found.chi_square, 1e-6)
        self.assertAlmostEqual(found.times, 1.0, 9)

    @given(st.integers(0, 2**32), st.integers(0, 3))
    def test_of_four_the_one_that_is_40_mm_off_is_named(self, seed: int, which: int) -> None:
        rng = np.random.default_rng(seed)
        noise = rng.normal(0, 0.4, (4, 3))
        way = rng.normal(size=3)
        noise[which] += 40 * way / np.linalg.norm(way)
        found = lay_scan(matches_of(AT[:4], Pose(100, 50, 20, 3, 4, 5).placed, noise))
        self.assertGreater(found.chi_square, found.limit)
        named = {one.key: one.size_mm for one in found.suspects}
        self.assertIn(f"P{which}", named)  # beside others only where three with it agree as well
        self.assertAlmostEqual(named[f"P{which}"], 40, delta=4)

    def test_of_four_in_the_corners_of_a_box_it_is_named_alone(self) -> None:
        for which in range(4):
            for way in np.vstack([np.eye(3), -np.eye(3)]):
                noise = np.zeros((4, 3))
                noise[which] = 40 * way
                found = lay_scan(matches_of(CORNERS, Pose(100, 50, 20, 3, 4, 5).placed, noise))
                self.assertEqual([one.key for one in found.suspects], [f"P{which}"])
                self.assertAlmostEqual(found.suspects[0].size_mm, 40, delta=1e-6)

    def test_of_three_none_can_be_named(self) -> None:
        noise = np.zeros((3, 3))
        noise[1, 0] = 40
        found = lay_scan(matches_of(AT[:3], Pose().placed, noise))
        self.assertGreater(found.chi_square, found.limit)
        self.assertEqual(found.suspects, ())

    def test_inches_show_as_another_unit(self) -> None:
        matches = [
            Match(key=one.key, on_scan_mm=one.on_scan_mm / 25.4, at_mm=one.at_mm, u_mm=1.0)
            for one in matches_of(AT, Pose().placed, np.zeros((5, 3)))
        ]
        self.assertAlmostEqual(lay_scan(matches).times, 25.4, 6)

    def test_points_in_a_line_or_too_few_fix_nothing(self) -> None:
        line = np.array([[0, 0, 0], [100, 0, 0], [250, 0, 0.0]])
        for at in (line, AT[:2]):
            with self.assertRaises(ImpossibleInput):
                lay_scan(matches_of(at, Pose().placed, np.zeros(at.shape)))
