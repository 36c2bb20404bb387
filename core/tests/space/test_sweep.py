from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.arrays import Floats
from driveline.space.bodies import Body, Piece
from driveline.space.distance import nearest
from driveline.space.path import PathPart, installed, walk
from driveline.space.pose import AS_IS, Placed, Pose, pose_of, turn_about, turn_vector_rad
from driveline.space.shapes import Box, Mesh
from driveline.space.sweep import Move, sweep
from tests.space.test_distance import pieces, poses, random_mesh

QUICK = settings(max_examples=60, deadline=None)
shifts = st.tuples(*[st.floats(-300, 300)] * 3).map(np.array)


def straight(*mm: float) -> Move:
    return Move(np.array(mm), np.eye(3), np.zeros(3))


class SweepTest(TestCase):
    @QUICK
    @given(pieces, pieces, shifts)
    def test_a_straight_move_comes_no_nearer_than_it_says(self, one: Piece, other: Piece, shift: Floats) -> None:
        move = straight(*shift)
        found = sweep(one, other, move)
        looks = [(s, nearest(one.moved(move.part(s)), other).gap_mm) for s in np.linspace(0, 1, 41)]
        if found.contact_at is None:
            self.assertLessEqual(found.near.gap_mm, min(gap for _, gap in looks) + 2e-3)
        else:
            self.assertTrue(all(gap > 0 for s, gap in looks if s < found.contact_at - 1e-6))

    @QUICK
    @given(pieces, pieces, shifts, st.floats(-1.2, 1.2), st.sampled_from(range(3)))
    def test_nor_does_one_that_turns(self, one: Piece, other: Piece, shift: Floats, angle: float, axis: int) -> None:
        move = Move(shift, turn_about(np.eye(3)[axis], angle), np.zeros(3))
        found = sweep(one, other, move)
        looks = [(s, nearest(one.moved(move.part(s)), other).gap_mm) for s in np.linspace(0, 1, 41)]
        if found.contact_at is None:
            self.assertLessEqual(found.near.gap_mm - found.sure_mm, min(gap for _, gap in looks) + 2e-3)
        else:
            self.assertTrue(all(gap > 0 for s, gap in looks if s < found.contact_at - 1e-3))

    def test_a_mesh_is_swept_too(self) -> None:
        mesh = random_mesh(np.random.default_rng(5), 1)
        assert isinstance(mesh.shape, Mesh)
        wall = Piece(Box((10, 400, 400)), Placed(np.eye(3), np.array([300.0, 0, 0])))
        front = float(mesh.corners_mm[:, 0].max())
        short = sweep(mesh, wall, straight(295 - front - 7, 0, 0))
        self.assertAlmostEqual(short.near.gap_mm, 7.0, delta=0.51)
        hit = sweep(mesh, wall, straight(400, 0, 0))
        assert hit.contact_at is not None
        self.assertAlmostEqual(400 * hit.contact_at, 295 - front, delta=0.02)

    def test_a_bar_turned_into_a_post_meets_it_by_its_corner(self) -> None:
        bar = Piece(Box((200, 20, 20)), AS_IS)
        post = Piece(Box((20, 20, 100)), Placed(np.eye(3), np.array([0.0, 110.0, 0])))
        turn = Move(np.zeros(3), turn_about(np.array([0.0, 0, 1]), np.pi / 2), np.zeros(3))
        found = sweep(bar, post, turn)
        assert found.contact_at is not None
        corner = np.array([100.0, 10.0, 0])
        # Its farthest corner reaches the post's near face, y = 100, once turned by asin(100/r) less its own bearing.
        r, own = np.hypot(*corner[:2]), np.arctan2(10, 100)
        self.assertAlmostEqual(found.contact_at * np.pi / 2, np.arcsin(100 / r) - own, delta=0.02)


class PathTest(TestCase):
    def test_a_bracket_that_goes_on_after_is_not_in_the_way(self) -> None:
        def at(*mm: float) -> Placed:
            return Placed(np.eye(3), np.array(mm))

        unit = Body("unit", (Piece(Box((100, 100, 100)), at(0, 0, 0)),))
        bracket = Body("bracket", (Piece(Box((20, 20, 20)), at(0, 0, 100)),))
        moves = [straight(0, 0, 200), straight(100, 0, 0)]
        stays = walk([PathPart(body=unit)], [PathPart(body=bracket)], moves)
        self.assertEqual([one.contact_at for one in stays], [40 / 200, None])
        after = walk([PathPart(body=unit)], [PathPart(body=bracket, after_step=2)], moves)
        self.assertEqual([one.near for one in after], [None, None])
        end = installed([PathPart(body=unit)], [PathPart(body=bracket, after_step=2)], moves)
        assert end.near is not None
        self.assertAlmostEqual(end.near.gap_mm, np.hypot(40, 40))


class PoseTest(TestCase):
    @QUICK
    @given(poses)
    def test_six_numbers_and_back(self, placed: Placed) -> None:
        again = pose_of(placed).placed
        self.assertTrue(np.allclose(again.turn, placed.turn, atol=1e-9))
        self.assertTrue(np.allclose(placed.holding(placed.inverse).turn, np.eye(3), atol=1e-12))

    def test_the_signs_are_the_vehicles(self) -> None:
        """Positive pitch is nose down, positive roll right side down, positive yaw nose left."""
        nose, right = np.array([1.0, 0, 0]), np.array([0.0, -1, 0])
        self.assertLess(Pose(pitch_deg=10).placed.points(nose)[2], 0)
        self.assertLess(Pose(roll_deg=10).placed.points(right)[2], 0)
        self.assertGreater(Pose(yaw_deg=10).placed.points(nose)[1], 0)

    @QUICK
    @given(st.floats(-3, 3), shifts)
    def test_a_turns_vector_is_its_axis_times_its_angle(self, angle: float, axis: Floats) -> None:
        if np.linalg.norm(axis) < 1 or abs(angle) < 1e-3:
            return
        found = turn_vector_rad(turn_about(axis, angle))
        self.assertTrue(np.allclose(found, angle * axis / np.linalg.norm(axis), atol=1e-6))
