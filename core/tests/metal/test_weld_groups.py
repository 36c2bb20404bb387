"""Groups of fillets: every force of many as by itself, and by hand."""

import math
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.metal.weld_groups import frame_lines, ring_lines, weld_sizes_mpa, weld_stress

forces = st.lists(st.tuples(*[st.floats(-2e4, 2e4)] * 3), min_size=1, max_size=5)


class WeldGroupTest(TestCase):
    @given(forces, st.tuples(*[st.floats(-120, 120)] * 3), st.floats(3, 12))
    def test_many_forces_come_to_what_each_does_by_itself(
        self, several: list[tuple[float, float, float]], at: tuple[float, float, float], leg: float
    ) -> None:
        lines, place = frame_lines(60, 90), np.array(at)
        together = weld_sizes_mpa(lines, leg_mm=leg, forces_n=np.array(several), at_mm=place)
        for size, force in zip(together.tolist(), several, strict=True):
            one = weld_stress(lines, leg_mm=leg, force_n=np.array(force), at_mm=place)
            self.assertAlmostEqual(size, one.governing_mpa, delta=1e-9 * max(size, 1.0))

    def test_a_ring_that_is_only_twisted_by_hand(self) -> None:
        """1 kN·m on a ring of 80: F/l = T/(2 π r²) = 99.5 N/mm, on a throat of 0.707 × 6."""
        lines = ring_lines(80, sides=360)
        found = weld_stress(lines, leg_mm=6, force_n=np.array([0, 1000.0, 0]), at_mm=np.array([1000.0, 0, 0]))
        direct = 1000 / (math.pi * 80)
        twist = 1e6 / (2 * math.pi * 40**2)
        self.assertAlmostEqual(found.governing_mpa / ((twist + direct) / (0.707 * 6)), 1, places=2)

    @given(st.floats(10, 5000), st.floats(10, 200))
    def test_a_single_line_hinges_about_itself_and_bears_nothing_that_way(self, force: float, lever: float) -> None:
        line = np.array([[[-40.0, 0.0], [40.0, 0.0]]])
        hinged = weld_sizes_mpa(
            line, leg_mm=6, forces_n=np.array([[0.0, force, 0.0], [0.0, 0.0, 0.0]]), at_mm=np.array([0, 0, lever])
        )
        self.assertEqual(hinged[0], math.inf)
        self.assertEqual(hinged[1], 0.0)

    def test_a_leg_of_nothing_is_no_weld(self) -> None:
        for leg in (0.0, -3.0):
            with self.assertRaises(ImpossibleInput):
                weld_sizes_mpa(frame_lines(60, 90), leg_mm=leg, forces_n=np.ones((1, 3)), at_mm=np.zeros(3))
