"""A member from rail to rail: by hand, and by balance."""

from collections.abc import Callable
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.metal.cross_members import CrossMember, MemberEnds, gives_at, held_ends, inside, pinned_ends
from driveline.metal.sections import box, tube

TUBE = tube(outside_mm=60, wall_mm=4)
E_MPA = 210e3
Ends = Callable[[CrossMember, Floats, Floats], MemberEnds]


def member(length_mm: float = 800.0) -> CrossMember:
    return CrossMember(section=TUBE, length_mm=length_mm, e_mpa=E_MPA)


def down(newtons: float) -> Floats:
    return np.array([[[0.0, 0.0, -newtons, 0.0, 0.0, 0.0]]])


class ByHandTest(TestCase):
    def test_a_load_in_the_middle_bends_held_ends_by_an_eighth_and_pinned_ones_by_a_quarter(self) -> None:
        one = member()
        at = np.array([400.0])
        held = held_ends(one, at, down(1000))
        self.assertAlmostEqual(held.first[0, 0, 4], 1000 * 800 / 8, 4)
        self.assertAlmostEqual(held.other[0, 0, 4], -1000 * 800 / 8, 4)
        pinned = pinned_ends(one, at, down(1000))
        _, faces = inside(one, at, down(1000), pinned)
        self.assertAlmostEqual(float(np.abs(faces[0, :, 0, 4]).max()), 1000 * 800 / 4, 4)
        self.assertAlmostEqual(pinned.first[0, 0, 4], 0.0)

    def test_a_load_off_the_middle_by_the_tables_of_beams(self) -> None:
        """P a b²/L² and P a² b/L² at the ends, P b² (3 a + b)/L³ down the nearer one."""
        held = held_ends(member(), np.array([200.0]), down(1000))
        self.assertAlmostEqual(held.first[0, 0, 4], 1000 * 200 * 600**2 / 800**2, 4)
        self.assertAlmostEqual(held.other[0, 0, 4], -1000 * 200**2 * 600 / 800**2, 4)
        self.assertAlmostEqual(held.first[0, 0, 2], -1000 * 600**2 * (3 * 200 + 600) / 800**3, 4)

    def test_a_twist_goes_to_the_nearer_end_by_the_other_length(self) -> None:
        loads = np.zeros((1, 1, 6))
        loads[0, 0, 3] = 1e5
        held = held_ends(member(), np.array([200.0]), loads)
        self.assertAlmostEqual(held.first[0, 0, 3], 75_000, 4)
        self.assertAlmostEqual(held.other[0, 0, 3], 25_000, 4)

    def test_it_gives_as_a_beam_held_at_both_ends(self) -> None:
        gives = gives_at(member(), 400.0, np.zeros(3))
        self.assertAlmostEqual(gives[2, 2] * 192 * E_MPA * TUBE.upright_mm4 / 800**3, 1.0, 9)

    def test_two_ends_in_one_place_are_refused(self) -> None:
        with self.assertRaisesRegex(ImpossibleInput, "length"):
            member(1.0)


class BalanceTest(TestCase):
    @given(
        st.lists(st.floats(5, 795), min_size=1, max_size=3),
        st.lists(st.floats(-5e3, 5e3), min_size=18, max_size=18),
        st.sampled_from((held_ends, pinned_ends)),
    )
    def test_what_the_ends_bear_is_what_was_put_on(self, places: list[float], parts: list[float], ends: Ends) -> None:
        one = CrossMember(section=box(breadth_mm=60, depth_mm=80, wall_mm=4), length_mm=800.0, e_mpa=E_MPA)
        at = np.array(places)
        loads = np.array(parts).reshape(1, 3, 6)[:, : len(places)]
        found = ends(one, at, loads)
        np.testing.assert_allclose(found.first[..., :3] + found.other[..., :3], loads[..., :3], atol=1e-6)
        about_first = loads[..., 3:].copy()
        about_first[..., 1] -= at * loads[..., 2]
        about_first[..., 2] += at * loads[..., 1]
        borne = found.first[..., 3:] + found.other[..., 3:]
        borne[..., 1] -= 800 * found.other[..., 2]
        borne[..., 2] += 800 * found.other[..., 1]
        np.testing.assert_allclose(borne, about_first, atol=1e-3)
        _, faces = inside(one, at, loads, found)
        np.testing.assert_allclose(faces[:, 0], found.first, atol=1e-6)
