"""What a plunging joint takes up, and an arm about two pivots."""

import math
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.suspension.arcs import arm_arc
from driveline.suspension.envelope import Envelope, best_length_mm, room_mm

places = st.lists(st.tuples(st.floats(350, 420), st.floats(2, 25)), min_size=1, max_size=30)


class EnvelopeTest(TestCase):
    def test_plunge_shrinks_on_a_straight_line_to_its_end(self) -> None:
        joint = Envelope(((0, 25), (20, 15)))
        np.testing.assert_allclose(joint.plunge_at(np.array([0.0, 10.0, 20.0, 30.0])), [25, 20, 15, 15])

    @given(places, st.floats(-10, 10))
    def test_no_other_length_leaves_more_room(self, found: list[tuple[float, float]], off: float) -> None:
        lengths, allowed = (np.array(one) for one in zip(*found, strict=True))
        best = best_length_mm(lengths, allowed)
        most = room_mm(lengths, allowed, length_mm=best)
        self.assertGreaterEqual(most + 1e-9, room_mm(lengths, allowed, length_mm=best + off))

    def test_alike_plunge_everywhere_is_best_halved(self) -> None:
        lengths = np.array([380.0, 391.0, 402.0])
        self.assertEqual(best_length_mm(lengths, np.full(3, 20.0)), 391)
        self.assertEqual(room_mm(lengths, np.full(3, 20.0), length_mm=391), 9)


class ArmTest(TestCase):
    def test_turns_about_the_line_through_its_pivots(self) -> None:
        a, b, ride = np.array([430.0, 200.0, 300.0]), np.array([450.0, 560.0, 320.0]), np.array([0.0, 540.0, 280.0])
        arc = arm_arc(a, b, ride)
        axis = (b - a) / np.linalg.norm(b - a)
        for point in arc.at_height_mm(np.array([200.0, 280.0, 340.0]), ride):
            self.assertAlmostEqual(float((point - ride) @ axis), 0, places=6)
            self.assertAlmostEqual(
                float(np.linalg.norm(np.cross(point - a, axis))), float(np.linalg.norm(np.cross(ride - a, axis)))
            )
        self.assertTrue(math.isclose(float(arc.misses_mm.max()), 0))

    def test_refuses_what_is_no_arm(self) -> None:
        ride = np.array([0.0, 540.0, 280.0])
        for a, b in (((1.0, 2.0, 3.0), (1.0, 2.0, 3.0)), ((0.0, 500.0, 280.0), (0.0, 600.0, 280.0))):
            with self.assertRaises(ImpossibleInput):
                arm_arc(np.array(a), np.array(b), ride)
