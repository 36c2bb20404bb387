"""What of a sheet must go for pieces to keep off it."""

import math
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from shapely import Point

from driveline.space.bodies import Piece
from driveline.space.distance import nearest
from driveline.space.opening import opening
from driveline.space.pose import Placed, rotation
from driveline.space.shapes import Box, Cylinder

SHEET = Piece(Box((500.0, 400.0, 2.0)), Placed(np.eye(3), np.array([0.0, 0.0, 300.0])))
TINY = Box((1e-6, 1e-6, 1e-6))


def standing(shape: Box | Cylinder, at: tuple[float, float, float]) -> Piece:
    return Piece(shape, Placed(np.eye(3), np.array(at)))


class OpeningTest(TestCase):
    def test_a_block_through_the_sheet_wants_its_size_and_the_distance_round_it(self) -> None:
        block = standing(Box((100.0, 80.0, 200.0)), (40.0, -10.0, 300.0))
        found = opening(SHEET, 2, (500.0, 400.0), [block], 15.0)
        self.assertEqual([round(one, 6) for one in found.bounds], [-25, -65, 105, 45])
        rounded = 100 * 80 + 2 * 15 * (100 + 80) + math.pi * 15**2
        self.assertAlmostEqual(found.area / rounded, 1, places=3)

    def test_what_stays_off_by_itself_wants_nothing(self) -> None:
        block = standing(Box((100.0, 80.0, 200.0)), (0.0, 0.0, 300.0 + 1 + 15.1 + 100))
        self.assertTrue(opening(SHEET, 2, (500.0, 400.0), [block], 15.0).is_empty)

    def test_it_ends_where_the_sheet_does(self) -> None:
        block = standing(Box((100.0, 80.0, 200.0)), (250.0, 0.0, 300.0))
        self.assertEqual(opening(SHEET, 2, (500.0, 400.0), [block], 15.0).bounds[2], 250)

    @given(
        st.tuples(*(st.floats(-60, 60) for _ in range(3))),
        st.tuples(*(st.floats(-40, 40) for _ in range(3))),
        st.booleans(),
        st.integers(0, 2**32 - 1),
    )
    def test_no_point_of_the_sheet_that_is_too_near_is_left(
        self, angles: tuple[float, ...], at: tuple[float, ...], is_round: bool, seed: int
    ) -> None:
        shape = Cylinder(45.0, 160.0) if is_round else Box((120.0, 70.0, 50.0))
        turn = rotation(roll_deg=angles[0], pitch_deg=angles[1], yaw_deg=angles[2])
        piece = Piece(shape, Placed(turn, np.array(at) + [0, 0, 300.0]))
        found = opening(SHEET, 2, (500.0, 400.0), [piece], 20.0)
        for x, y, z in np.random.default_rng(seed).uniform((-150, -150, -1), (150, 150, 1), (40, 3)):
            point = Piece(TINY, Placed(np.eye(3), np.array([x, y, 300.0 + z])))
            if nearest(point, piece).gap_mm < 20.0 - 0.1:
                self.assertLess(found.distance(Point(x, y)), 0.2)
