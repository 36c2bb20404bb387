import math
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.shafts.keys import KeyEnds, KeySize, key_stress, standard_key
from driveline.shafts.runout import hub_runout
from driveline.shafts.splines import proposed_module_mm
from driveline.shafts.torsional import chain_modes_hz


class KeysTest(TestCase):
    def test_the_standard_key_changes_just_past_each_size(self) -> None:
        for shaft_mm, size in (
            (22.01, (8, 7, 4)),
            (30, (8, 7, 4)),
            (30.01, (10, 8, 5)),
            (44, (12, 8, 5)),
            (58, (16, 10, 6)),
        ):
            found = standard_key(shaft_mm)
            assert found is not None
            self.assertEqual((found.width_mm, found.height_mm, found.shaft_depth_mm), size)
        self.assertIsNone(standard_key(22))
        self.assertIsNone(standard_key(58.01))

    def test_round_ends_bear_nothing(self) -> None:
        size = KeySize(width_mm=10, height_mm=8, shaft_depth_mm=5)
        square, rounded = (
            key_stress(torque_nm=100, shaft_mm=35, key=size, length_mm=30, ends=ends) for ends in KeyEnds
        )
        self.assertAlmostEqual(rounded.bearing_hub_mpa / square.bearing_hub_mpa, 30 / 20)
        with self.assertRaises(ImpossibleInput):
            key_stress(torque_nm=100, shaft_mm=35, key=size, length_mm=10, ends=KeyEnds.ROUND)


class RunoutTest(TestCase):
    @given(st.floats(0, 0.2), st.floats(0, 359), st.floats(0, 0.05), st.integers(5, 12))
    def test_what_was_put_in_comes_out(self, eccentric_mm: float, at_deg: float, oval_mm: float, count: int) -> None:
        clock = np.arange(count) * 360 / count
        y = eccentric_mm * np.cos(np.radians(clock - at_deg)) + oval_mm * np.cos(2 * np.radians(clock - 20))
        found = hub_runout(clock.tolist(), y.tolist())
        self.assertAlmostEqual(found.eccentric_mm, eccentric_mm, places=9)
        self.assertAlmostEqual(found.oval_mm, oval_mm, places=9)
        if eccentric_mm > 1e-3:
            self.assertAlmostEqual(found.away_deg(at_deg), 0, places=4)

    def test_readings_all_on_one_side_tell_nothing(self) -> None:
        with self.assertRaises(ImpossibleInput):
            hub_runout([0, 0, 90, 90, 180], [0, 0, 0.1, 0.1, 0])


class TorsionalTest(TestCase):
    def test_two_inertias_on_a_spring_by_hand(self) -> None:
        """ω² = k (1/J₁ + 1/J₂)."""
        (found,) = chain_modes_hz([0.045, 0.9], [4000.0])
        self.assertAlmostEqual(found, math.sqrt(4000 * (1 / 0.045 + 1 / 0.9)) / (2 * math.pi))

    @given(st.floats(0.01, 1), st.floats(0.01, 1), st.floats(100, 1e5), st.floats(1.1, 10))
    def test_a_stiffer_coupler_never_lowers_a_mode(self, one: float, other: float, k: float, stiffer: float) -> None:
        soft = chain_modes_hz([one, 0.02, other], [k, 5e4])
        hard = chain_modes_hz([one, 0.02, other], [k * stiffer, 5e4])
        for low, high in zip(soft, hard, strict=True):
            self.assertGreaterEqual(high * (1 + 1e-9), low)


class SplineTest(TestCase):
    def test_a_module_is_proposed_from_teeth_and_outside(self) -> None:
        self.assertEqual(proposed_module_mm(teeth=23, outside_mm=30.1), 1.25)
        self.assertIsNone(proposed_module_mm(teeth=23, outside_mm=33.5))
