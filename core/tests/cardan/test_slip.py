from unittest import TestCase

import numpy as np

from driveline.cardan.slip import slip_of


class SlipTest(TestCase):
    def test_worked_by_hand(self) -> None:
        lengths = np.array([1_228.0, 1_227.0, 1_239.0])
        for closes_mm, pushed, drawn, longest in (
            ((-2.5, 1.5), 2.5, 13.5, 1_241.5),
            ((0.0, 0.0), 1.0, 11.0, 1_239.0),
            ((1.0, 3.0), 4.0, 11.0, 1_239.0),  # a unit that only ever closes up opens nothing
        ):
            with self.subTest(closes_mm=closes_mm):
                found = slip_of(lengths, ride_mm=1_228.0, closes_mm=closes_mm)
                self.assertEqual((found.in_mm, found.out_mm, found.longest_mm), (pushed, drawn, longest))
                self.assertEqual(found.wanted_mm, pushed + drawn + 30)
