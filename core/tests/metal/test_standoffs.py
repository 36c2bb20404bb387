"""A plate on standoffs: statics, closed forms of legs that sway, and its plate against finite elements."""

import math
from dataclasses import replace
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.arrays import Floats
from driveline.benches.mounts.standoff_picture import bent
from driveline.errors import ImpossibleInput
from driveline.metal.sections import tube
from driveline.metal.standoffs import Legs, flexibility_at, four_places_mm, leg_ends, leg_stress, plate_stress

E_MPA = 205_000.0
STEP = st.floats(-25, 60)


def legs(*longer_mm: float, across_mm: float = 110.0, upright_mm: float = 90.0, long_mm: float = 60.0) -> Legs:
    return Legs(
        places_mm=four_places_mm(across_mm, upright_mm),
        lengths_mm=long_mm + np.array(longer_mm or (0.0,) * 4),
        section=tube(outside_mm=25.0, wall_mm=4.0),
        e_mpa=E_MPA,
    )


def aside(one: Legs) -> tuple[Floats, Floats]:
    """Tops and feet under 4 kN across."""
    ends = leg_ends(one, np.array([[0.0, 4000.0, 0.0]]), np.zeros(3))
    return ends.tops[0], ends.feet[0]


class LegsTest(TestCase):
    def test_legs_of_one_length_sway_in_a_double_curve(self) -> None:
        far = legs(across_mm=2000.0)  # so far apart that the plate keeps level
        tops, feet = aside(far)
        for end in (tops, feet):
            np.testing.assert_allclose(np.abs(end[:, 5]), 4000 * 60 / (2 * 4), rtol=2e-3)
        np.testing.assert_allclose(tops[:, 1], 1000.0, rtol=1e-9)
        gives = float(flexibility_at(far, np.zeros(3))[0][1, 1])
        self.assertAlmostEqual(gives * 4 * 12 * E_MPA * far.section.upright_mm4 / 60**3, 1.0, delta=2e-3)

    def test_a_pull_goes_down_all_legs_alike(self) -> None:
        ends = leg_ends(legs(), np.array([[8000.0, 0.0, 0.0]]), np.zeros(3))
        np.testing.assert_allclose(ends.tops[0, :, 0], 2000.0)
        np.testing.assert_allclose(ends.tops[0, :, 1:], 0.0, atol=1e-9)
        found = leg_stress(legs(), ends)
        self.assertAlmostEqual(found.combined_mpa, 2000 / (math.pi * (25**2 - 17**2) / 4), places=9)

    def test_a_short_leg_takes_most_of_a_push_across(self) -> None:
        tops, _ = aside(legs(-30.0, 0.0, 0.0, 0.0))
        self.assertEqual(int(tops[:, 1].argmax()), 0)
        self.assertGreater(tops[0, 1], 2 * tops[1:, 1].max())

    @given(
        st.tuples(STEP, STEP, STEP, STEP),
        st.tuples(*[st.floats(-9000, 9000)] * 3),
        st.tuples(*[st.floats(-40, 40)] * 3),
    )
    def test_what_the_feet_bear_is_what_the_plate_is_loaded_with(
        self, longer: tuple[float, ...], force: tuple[float, ...], at: tuple[float, ...]
    ) -> None:
        one, load = legs(*longer), np.array(force)
        feet = leg_ends(one, load[None], np.array(at)).feet[0]
        places = np.column_stack([-one.lengths_mm, one.places_mm])
        np.testing.assert_allclose(feet[:, :3].sum(axis=0), load, atol=1e-6 * (1 + np.abs(load).max()))
        turning = (np.cross(places, feet[:, :3]) + feet[:, 3:]).sum(axis=0)
        np.testing.assert_allclose(turning, np.cross(at, load), atol=1e-4 * (1 + np.abs(load).max()))

    @given(STEP, st.floats(1, 10), st.floats(0.1, 2), st.floats(0, 40))
    def test_a_thicker_wall_never_bears_less_and_more_load_never_less_stress(
        self, longer: float, wall: float, more: float, beside: float
    ) -> None:
        def stress(wall_mm: float, share: float) -> float:
            one = replace(legs(longer, 0.0, 0.0, 0.0), section=tube(outside_mm=25.0, wall_mm=wall_mm))
            force, at = share * np.array([[3000.0, -2000.0, 5000.0]]), np.array([10.0, beside, 0.0])
            return leg_stress(one, leg_ends(one, force, at)).combined_mpa

        self.assertLessEqual(stress(wall + more, 1.0), stress(wall, 1.0) * 1.02)  # shares of legs move a little
        self.assertAlmostEqual(stress(wall, 1.5), 1.5 * stress(wall, 1.0), delta=1e-6 * stress(wall, 1.5))

    def test_what_can_not_stand_is_refused(self) -> None:
        for one in ({"long_mm": 0.5}, {"across_mm": 20.0, "upright_mm": 20.0}):
            with self.subTest(one), self.assertRaises(ImpossibleInput):
                legs(**one)


class PlateTest(TestCase):
    SHAPES = (  # plate across and upright, legs across and upright, thickness, what stands on it
        (150.0, 150.0, 110.0, 110.0, 10.0, 50.0),
        (200.0, 120.0, 150.0, 70.0, 8.0, 40.0),
        (140.0, 140.0, 90.0, 90.0, 12.0, 20.0),
        (160.0, 220.0, 100.0, 170.0, 10.0, 60.0),
        (150.0, 150.0, 110.0, 110.0, 6.0, 100.0),
    )

    def test_the_sum_by_hand_is_never_below_finite_elements_nor_far_above(self) -> None:
        for across, upright, leg_across, leg_upright, thick, root in self.SHAPES:
            with self.subTest(across=across, upright=upright, thick=thick):
                one = legs(across_mm=leg_across, upright_mm=leg_upright)
                at = np.array([thick, 0.0, 0.0])
                hand = plate_stress(
                    one,
                    leg_ends(one, np.array([[10_000.0, 0.0, 0.0]]), at),
                    size_mm=(across, upright),
                    thickness_mm=thick,
                    root_mm=root,
                    at_mm=at,
                )
                found = bent(one, (across, upright), thick, root, 10_000.0)
                self.assertTrue(found.settled)
                self.assertGreater(hand.stress_mpa, found.peak_mpa)
                self.assertLess(hand.stress_mpa, 2.4 * found.peak_mpa)

    def test_a_pull_on_the_middle_by_hand(self) -> None:
        one, at = legs(across_mm=110.0, upright_mm=110.0), np.array([10.0, 0.0, 0.0])
        ends = leg_ends(one, np.array([[10_000.0, 0.0, 0.0]]), at)
        found = plate_stress(one, ends, size_mm=(150.0, 150.0), thickness_mm=10.0, root_mm=50.0, at_mm=at)
        self.assertAlmostEqual(found.moment_nmm, 10_000 * (110 / 4 - 50 / 8), places=6)
        self.assertAlmostEqual(found.stress_mpa, 6 * 212_500 / (116 * 100), places=6)

    def test_what_is_broader_than_the_legs_are_apart_does_not_take_the_plate_s_load_away(self) -> None:
        one, at = legs(across_mm=110.0, upright_mm=110.0), np.array([10.0, 0.0, 0.0])
        ends = leg_ends(one, np.array([[10_000.0, 0.0, 0.0]]), at)
        found = [
            plate_stress(one, ends, size_mm=(150.0, 150.0), thickness_mm=10.0, root_mm=root, at_mm=at).moment_nmm
            for root in (110.0, 150.0, 220.0)
        ]
        np.testing.assert_allclose(found, 10_000 * 110 / 8)

    def test_a_push_across_bends_the_plate_beside_its_legs(self) -> None:
        one, at = legs(), np.array([10.0, 0.0, 0.0])
        ends = leg_ends(one, np.array([[0.0, 9000.0, 0.0]]), at)
        found = plate_stress(one, ends, size_mm=(150.0, 150.0), thickness_mm=10.0, root_mm=50.0, at_mm=at)
        self.assertEqual(found.where, "beside a leg")
