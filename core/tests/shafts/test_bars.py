import math
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.shafts.bars import bar_shear_mpa, bar_twist_deg, critical_rpm


class BarTest(TestCase):
    def test_worked_by_hand(self) -> None:
        self.assertAlmostEqual(bar_shear_mpa(1_000, outside_mm=30), 188.628, places=3)
        self.assertAlmostEqual(
            bar_twist_deg(1_000, outside_mm=30, length_mm=500, shear_modulus_mpa=80_000), 4.503, places=3
        )

    @given(st.floats(10, 80), st.floats(0.0, 0.95), st.floats(1, 5_000))
    def test_a_bore_never_helps_and_shear_turned_round_the_ring_gives_the_torque_back(
        self, outside_mm: float, bored: float, torque_nm: float
    ) -> None:
        inside_mm = bored * outside_mm
        most = bar_shear_mpa(torque_nm, outside_mm=outside_mm, inside_mm=inside_mm)
        self.assertGreaterEqual(most * (1 + 1e-12), bar_shear_mpa(torque_nm, outside_mm=outside_mm))
        rings, carried = 2_000, 0.0
        for k in range(rings):
            radius = (inside_mm + (outside_mm - inside_mm) * (k + 0.5) / rings) / 2
            carried += most * radius / (outside_mm / 2) * 2 * math.pi * radius**2 * (outside_mm - inside_mm) / 2 / rings
        self.assertAlmostEqual(carried / 1_000 / torque_nm, 1, places=5)

    @given(st.floats(300, 2_000), st.floats(1.01, 2))
    def test_a_longer_tube_whirls_sooner_as_the_square_of_its_length(self, length_mm: float, longer: float) -> None:
        def whirls(at_mm: float) -> float:
            return critical_rpm(length_mm=at_mm, outside_mm=70, inside_mm=66, young_mpa=206_000, density_kgm3=7_850)

        self.assertAlmostEqual(whirls(length_mm) / whirls(length_mm * longer), longer**2, places=9)

    def test_refuses_a_bore_that_leaves_no_wall(self) -> None:
        for inside_mm in (30.0, 31.0, -1.0):
            with self.subTest(inside_mm=inside_mm), self.assertRaisesRegex(ImpossibleInput, "inside is"):
                bar_shear_mpa(100, outside_mm=30, inside_mm=inside_mm)
