"""What the bolt through two ears is tightened on."""

import math
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.checks import Check
from driveline.metal.sleeves import drawn_in_mpa
from tests.benches.mounts.test_mounts import FAILS, HOLDS, NOT_KNOWN, PLOVER, TIGHT, changed, mm, solved
from tests.workings.test_workings import faults_of

TUBE = "mounts.0.tube"


def checks(changes: dict[str, Any]) -> dict[str, Check]:
    every = solved(changed(PLOVER, changes))[1]
    return {key.removeprefix("mounts.m1."): one for key, one in every.items() if key.startswith("mounts.m1.tube")}


class TubeTest(TestCase):
    def test_crushed_by_hand(self) -> None:
        """M12 oiled at 80 N·m: 80/(0.15 × 12) = 44.4 kN and a quarter more, on π/4 (24² - 12.2²) mm²: 166 MPa."""
        found = checks({})["tube"]
        preload = 1.25 * 80_000 / (0.15 * 12)
        self.assertAlmostEqual(found.demand or 0, preload / (math.pi / 4 * (24**2 - 12.2**2)), places=6)
        self.assertIs(found.verdict, HOLDS)
        self.assertIs(checks({f"{TUBE}.outside": mm(19)})["tube"].verdict, FAILS)
        self.assertEqual(faults_of(found, found.working), [])

    def test_a_tube_that_is_short_draws_the_ears_in_and_a_long_one_spreads_them(self) -> None:
        """14 mm ears 45 mm high: half a millimetre less makes each go 0.25 mm, 3 E t δ/(2 h²)."""
        short, long = (checks({f"{TUBE}.length": mm(size)})["tube_length"] for size in (29.5, 30.5))
        by_hand = 3 * 205_000 * 14 * 0.25 / (2 * 45**2)
        self.assertAlmostEqual(short.demand or 0, by_hand, delta=0.03 * by_hand)
        self.assertAlmostEqual(short.demand or 0, long.demand or 0)
        self.assertIn("short", short.says)
        self.assertIn("spreads", long.says)
        self.assertIs(short.verdict, FAILS)
        self.assertEqual(faults_of(short, short.working), [])
        self.assertIn("straight", checks({f"{TUBE}.length": mm(30)})["tube_length"].says)

    def test_what_is_not_said_is_not_known_and_nothing_between_them_has_its_catch(self) -> None:
        unsaid = checks({f"{TUBE}.is_there": None, f"{TUBE}.length": mm(40)})
        self.assertEqual([one.verdict for one in unsaid.values()], [NOT_KNOWN, NOT_KNOWN])
        nothing = checks({f"{TUBE}.is_there": False})["tube"]
        self.assertIs(nothing.verdict, TIGHT)
        self.assertIn("castle nut", nothing.says)
        for field in ("tube.gap", "tube.length", "tube.outside", "ears.count"):
            every = checks({f"mounts.0.{field}": None})
            self.assertEqual(len(every), 2)
            self.assertIn(NOT_KNOWN, [one.verdict for one in every.values()], field)

    def test_a_tube_that_can_not_be_is_named(self) -> None:
        for field, size, words in (("outside", 12.0, "a tube with a wall"), ("inside", 11.5, "its bolt goes through")):
            found = checks({f"{TUBE}.{field}": mm(size)})["tube"]
            self.assertIs(found.verdict, NOT_KNOWN)
            self.assertIn(words, " ".join(found.missing))

    def test_one_ear_asks_for_none(self) -> None:
        self.assertEqual(checks({"mounts.0.ears.count": 1}), {})

    @given(st.floats(0.0, 2.0), st.floats(2.0, 20.0), st.floats(20.0, 100.0))
    def test_twice_as_far_is_twice_the_stress_and_twice_as_high_a_quarter(
        self, off_mm: float, thickness_mm: float, height_mm: float
    ) -> None:
        once = drawn_in_mpa(off_mm=off_mm, thickness_mm=thickness_mm, height_mm=height_mm, e_mpa=2e5)
        farther = drawn_in_mpa(off_mm=2 * off_mm, thickness_mm=thickness_mm, height_mm=height_mm, e_mpa=2e5)
        higher = drawn_in_mpa(off_mm=off_mm, thickness_mm=thickness_mm, height_mm=2 * height_mm, e_mpa=2e5)
        self.assertAlmostEqual(farther, 2 * once)
        self.assertAlmostEqual(higher, once / 4)
