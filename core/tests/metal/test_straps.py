"""A strap over a cylinder: by hand, and the window of its preload against the checks that it comes from."""

import math
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.metal.straps import (
    Strap,
    foot_mpa,
    grips_n,
    leg_n,
    preload_window,
    pulled_mpa,
    unseats_n,
)

STRAP = Strap(cylinder_mm=200, breadth_mm=50, thickness_mm=6, foot_mm=12, half_deg=60, friction=0.15)
forces = st.floats(0, 20_000)


class StrapTest(TestCase):
    def test_by_hand(self) -> None:
        """5 kN of preload, 2 kN up, 1 kN aside: 6.5 kN in a leg of 50 × 6, its foot bent at 12 mm."""
        leg = leg_n(preload_n=5000, up_n=2000, side_n=1000)
        self.assertEqual(leg, 6500)
        self.assertAlmostEqual(pulled_mpa(STRAP, leg), 21.667, places=3)
        self.assertAlmostEqual(foot_mpa(STRAP, leg), 6 * 6500 * 12 / (50 * 36), places=9)
        self.assertAlmostEqual(unseats_n(STRAP, up_n=2000, side_n=1000), 2000 + 1000 / math.sqrt(3), places=6)
        self.assertAlmostEqual(grips_n(STRAP, preload_n=5000, up_n=2000), 0.15 * (20_000 - 2000), places=6)
        self.assertEqual(grips_n(STRAP, preload_n=100, up_n=2000), 0.0)

    @given(st.lists(st.tuples(forces, forces, forces), min_size=1, max_size=5), st.floats(1000, 60_000))
    def test_at_either_end_of_the_window_it_just_holds(
        self, loads: list[tuple[float, float, float]], leg_most: float
    ) -> None:
        wanted = 1.5
        found = preload_window(STRAP, leg_most_n=leg_most, loads_n=tuple(loads), slip_margin=wanted)
        if found.most_n > 0:
            legs = [leg_n(preload_n=found.most_n, up_n=up, side_n=side) for _, side, up in loads]
            self.assertAlmostEqual(max(legs), leg_most, delta=1e-6 * leg_most)
        slack = 1e-6 * (1 + found.least_n)
        for along, side, up in loads:
            self.assertGreaterEqual(2 * found.least_n + slack, wanted * unseats_n(STRAP, up_n=up, side_n=side))
            self.assertGreaterEqual(grips_n(STRAP, preload_n=found.least_n, up_n=up) + slack, wanted * along)

    @given(forces, forces, forces, st.floats(0, 5000))
    def test_more_load_is_never_better(self, up: float, side: float, preload: float, more: float) -> None:
        self.assertGreaterEqual(
            leg_n(preload_n=preload, up_n=up + more, side_n=side + more),
            leg_n(preload_n=preload, up_n=up, side_n=side),
        )
        self.assertGreaterEqual(
            unseats_n(STRAP, up_n=up + more, side_n=side + more), unseats_n(STRAP, up_n=up, side_n=side)
        )
        self.assertLessEqual(
            grips_n(STRAP, preload_n=preload, up_n=up + more), grips_n(STRAP, preload_n=preload, up_n=up)
        )

    def test_what_can_not_be_is_refused_by_name(self) -> None:
        sizes = {"cylinder_mm": 200.0, "breadth_mm": 50.0, "thickness_mm": 6.0, "foot_mm": 12.0}
        for name in sizes:
            with self.assertRaisesRegex(ImpossibleInput, "strap"):
                Strap(**{**sizes, name: 0.0}, half_deg=60, friction=0.2)
        with self.assertRaisesRegex(ImpossibleInput, "angle of the cradle"):
            Strap(**sizes, half_deg=90, friction=0.2)
        with self.assertRaisesRegex(ImpossibleInput, "friction"):
            Strap(**sizes, half_deg=60, friction=0.0)
