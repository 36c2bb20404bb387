"""How sure a result is, by hand and by draws."""

from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.arrays import Floats
from driveline.reading.combined import combined, drawn_range, slopes_at

SLOPES = st.lists(st.floats(-5, 5).filter(lambda one: abs(one) > 0.1), min_size=3, max_size=3)


def covariance_of(u: Floats, together: float) -> Floats:
    found: Floats = np.outer(u, u) * (together + (1 - together) * np.eye(len(u)))
    return found


class CombinedTest(TestCase):
    def test_by_hand(self) -> None:
        """Of a difference, errors that go wholly together leave nothing; apart, 3 and 4 make 5; of a sum they add."""
        u = np.array([3.0, 4.0])
        self.assertAlmostEqual(combined(np.array([1.0, -1.0]), covariance_of(u, 0.0)).u, 5)
        self.assertAlmostEqual(combined(np.array([1.0, 1.0]), covariance_of(u, 1.0)).u, 7)
        self.assertAlmostEqual(combined(np.array([4.0, -3.0]), covariance_of(u, 1.0)).u, 0, places=6)

    @given(SLOPES, st.floats(-0.45, 0.95))
    def test_shares_are_one_together(self, slopes: list[float], together: float) -> None:
        found = combined(np.array(slopes), covariance_of(np.array([1.0, 0.5, 2.0]), together))
        self.assertAlmostEqual(float(found.shares.sum()), 1, places=6)

    @given(SLOPES, st.floats(-0.45, 0.95))
    def test_what_goes_straight_has_the_range_of_its_u(self, slopes: list[float], together: float) -> None:
        own, u = np.array(slopes), np.array([1.0, 0.5, 2.0])
        covariance = covariance_of(u, together)
        straight = lambda rows: rows @ own  # noqa: E731
        np.testing.assert_allclose(slopes_at(straight, np.ones(3), u), own, rtol=1e-9)
        least, greatest = drawn_range(straight, np.ones(3), covariance)
        sure = combined(own, covariance).u
        self.assertAlmostEqual(least, own.sum() - 1.96 * sure, delta=0.05 * sure)
        self.assertAlmostEqual(greatest, own.sum() + 1.96 * sure, delta=0.05 * sure)
