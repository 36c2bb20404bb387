from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.gearing.differential import clutched_high_nm, high_share


class DifferentialTest(TestCase):
    def test_worked_by_hand(self) -> None:
        self.assertAlmostEqual(high_share(3), 0.75)
        self.assertEqual(clutched_high_nm(1_000, 400), 700)
        self.assertEqual(clutched_high_nm(300, 400), 300)

    @given(st.floats(1, 20), st.floats(0, 5_000), st.floats(0, 5_000))
    def test_one_side_has_at_least_half_and_at_most_all(self, bias: float, whole_nm: float, lock_nm: float) -> None:
        self.assertTrue(0.5 <= high_share(bias) <= 1)
        self.assertTrue(whole_nm / 2 <= clutched_high_nm(whole_nm, lock_nm) <= whole_nm)

    def test_refuses_a_bias_below_one(self) -> None:
        with self.assertRaisesRegex(ImpossibleInput, "bias_ratio"):
            high_share(0.9)
