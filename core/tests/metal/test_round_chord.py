"""Plates on a round tube, by hand after the table of the standard."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.metal.round_chord import RoundChord, round_chord


def found(
    wall_mm: float = 5.0, plate_mm: float = 60.0, count: int = 2, *, is_along: bool = True, outside_mm: float = 76.1
) -> RoundChord:
    return round_chord(
        outside_mm=outside_mm,
        wall_mm=wall_mm,
        plate_mm=plate_mm,
        count=count,
        apart_mm=68.0,
        is_along=is_along,
        yield_mpa=225.0,
    )


class ByHandTest(TestCase):
    def test_two_plates_along_a_tube(self) -> None:
        """N of one: 5 · 225 · 25 (1 + 0.25 · 60/76.1) = 33 669 N."""
        one = 5 * 225 * 25 * (1 + 0.25 * 60 / 76.1)
        pair = found()
        self.assertAlmostEqual(pair.plate_n, one)
        self.assertAlmostEqual(pair.pull_n, 2 * one)
        self.assertAlmostEqual(pair.in_plane_nmm, 2 * one * 60)
        self.assertAlmostEqual(pair.aside_nmm, one * 68)

    def test_two_plates_across_it(self) -> None:
        one = 225 * 25 * (4 + 20 * (60 / 76.1) ** 2)
        pair = found(is_along=False)
        self.assertAlmostEqual(pair.plate_n, one)
        self.assertAlmostEqual(pair.in_plane_nmm, one * 60)

    def test_one_by_itself_bears_nothing_aside(self) -> None:
        self.assertEqual(found(count=1).aside_nmm, 0.0)

    def test_a_tube_that_the_rule_is_not_for_is_refused_by_name(self) -> None:
        for wall, words in ((1.0, "10 to 50"), (20.0, "10 to 50"), (0.0, "above 0"), (float("inf"), "above 0")):
            with self.subTest(wall), self.assertRaisesRegex(ImpossibleInput, words):
                found(wall_mm=wall)


class MoreBearsMoreTest(TestCase):
    @given(st.floats(2, 7), st.floats(10, 150), st.booleans())
    def test_a_thicker_wall_or_longer_plate_never_bears_less(self, wall: float, plate: float, is_along: bool) -> None:
        before = found(wall, plate, is_along=is_along)
        for after in (found(wall * 1.05, plate, is_along=is_along), found(wall, plate * 1.1, is_along=is_along)):
            self.assertGreaterEqual(after.pull_n, before.pull_n)
            self.assertGreaterEqual(after.in_plane_nmm, before.in_plane_nmm)
            self.assertGreaterEqual(after.aside_nmm, before.aside_nmm)
