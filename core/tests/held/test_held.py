"""A unit on its mounts: in balance whatever stands where, alike on both sides, turned as the whole job is turned."""

from dataclasses import replace
from itertools import product
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.held.balance import free_motions, hold, inertia_wrench
from driveline.held.holds import Hold, arm, hard, rubber
from driveline.held.modes import modes_of
from driveline.held.shares import redundancy, shares_of
from driveline.held.stops import Limit, hold_on_stops, unbalanced
from driveline.space.pose import rotation

places = st.tuples(*[st.floats(-400, 400)] * 3).map(np.array)
springs = st.tuples(*[st.floats(50, 3000)] * 3).map(np.array)
turns = st.tuples(*[st.floats(-180, 180)] * 3).map(lambda t: rotation(roll_deg=t[0], pitch_deg=t[1], yaw_deg=t[2]))
LEFT, RIGHT, TAIL = (np.array(at, dtype=float) for at in ((150, 220, 30), (150, -220, 30), (-220, 0, 10)))


@st.composite
def spread_mounts(draw: st.DrawFn) -> list[Hold]:
    """Three to five mounts, three of them well apart."""
    at = [one + draw(st.tuples(*[st.floats(-40, 40)] * 3).map(np.array)) for one in (LEFT, RIGHT, TAIL)]
    at += draw(st.lists(places, max_size=2))
    twists = st.sampled_from((0.0, 2e5, 4e6))
    return [
        rubber(f"m{k}", one, draw(springs), turn=draw(turns), twist_nmm_per_rad=draw(twists))
        for k, one in enumerate(at)
    ]


def load(draw_g: tuple[float, float, float], moment_nm: tuple[float, float, float]) -> Floats:
    return inertia_wrench(90.0, np.array([20.0, -10.0, 60.0]), np.array(draw_g), np.array(moment_nm))[None]


loads = st.builds(load, st.tuples(*[st.floats(-3, 3)] * 3), st.tuples(*[st.floats(-3000, 3000)] * 3))


class BalanceTest(TestCase):
    @given(spread_mounts(), loads)
    def test_every_answer_is_in_balance(self, holds: list[Hold], loading: Floats) -> None:
        self.assertLess(unbalanced(holds, hold(holds, loading), loading), 1e-6)

    @given(loads.filter(lambda one: abs(one[0, 2]) > 1))
    def test_symmetric_mounts_share_alike(self, loading: Floats) -> None:
        stiffness = np.array([600.0, 500.0, 1200.0])
        pair = [rubber(name, at, stiffness, turn=np.eye(3)) for name, at in (("l", LEFT), ("r", RIGHT))]
        holds = [*pair, rubber("t", TAIL, stiffness, turn=np.eye(3))]
        upright = loading.copy()
        upright[0, [1, 3, 5]] = 0.0  # nothing sideways
        forces = hold(holds, upright).forces_n[0]
        np.testing.assert_allclose(forces[0, [0, 2]], forces[1, [0, 2]], atol=1e-6)

    @given(spread_mounts(), loads, st.floats(0.2, 5))
    def test_stiffer_mounts_share_as_before_and_move_less(self, holds: list[Hold], loading: Floats, k: float) -> None:
        stiffer = [
            replace(
                one,
                stiffness_n_per_mm=k * one.stiffness_n_per_mm,
                turning_nmm_per_rad=k * one.turning_nmm_per_rad,
            )
            for one in holds
        ]
        before, after = hold(holds, loading), hold(stiffer, loading)
        np.testing.assert_allclose(after.forces_n, before.forces_n, rtol=1e-6, atol=1e-5)
        np.testing.assert_allclose(after.mount_moves_mm * k, before.mount_moves_mm, rtol=1e-6, atol=1e-8)

    @given(spread_mounts(), loads, turns)
    def test_the_whole_turned_turns_the_answer(self, holds: list[Hold], loading: Floats, turn: Floats) -> None:
        turned = [
            replace(
                one,
                at_mm=turn @ one.at_mm,
                stiffness_n_per_mm=turn @ one.stiffness_n_per_mm @ turn.T,
                directions=one.directions @ turn.T,
                turning_nmm_per_rad=turn @ one.turning_nmm_per_rad @ turn.T,
            )
            for one in holds
        ]
        swung = np.hstack([loading[:, :3] @ turn.T, loading[:, 3:] @ turn.T])
        np.testing.assert_allclose(
            hold(turned, swung).forces_n, hold(holds, loading).forces_n @ turn.T, rtol=1e-6, atol=1e-4
        )

    def test_twisted_rubber_bears_its_part_of_a_moment_about_its_bolt_and_no_other(self) -> None:
        """About y: 2 × 600 × 150² + 600 × 220² of the mounts, beside 2 × κ of two bushes whose bolts lie across."""
        stiff, across = np.full(3, 600.0), rotation(roll_deg=0, pitch_deg=0, yaw_deg=90)
        flat = [np.array([x, y, 0.0]) for x, y in ((150, 220), (150, -220), (-300, 0))]
        twists = (3e7, 3e7, 0.0)
        holds = [
            rubber(f"m{k}", at, stiff, turn=across, twist_nmm_per_rad=twist)
            for k, (at, twist) in enumerate(zip(flat, twists, strict=True))
        ]
        about_y = hold(holds, np.array([[0, 0, 0, 0, 1e6, 0.0]]))
        springs_nmm = 2 * 600 * 150**2 + 600 * 300**2
        self.assertAlmostEqual(about_y.turns_rad[0, 1] * (springs_nmm + 6e7), 1e6, places=3)
        np.testing.assert_allclose(about_y.moments_nmm[0, :, 1], [-3e7 * about_y.turns_rad[0, 1]] * 2 + [0.0])
        about_z = hold(holds, np.array([[0, 0, 0, 0, 0, 1e6]]))
        np.testing.assert_allclose(about_z.moments_nmm, 0.0, atol=1e-6)

    def test_what_is_left_free_is_named(self) -> None:
        hinge = [
            hard(name, at, (True, True, True), turn=np.eye(3))
            for name, at in (("a", np.array([0.0, 200, 50])), ("b", np.array([0.0, -200, 50])))
        ]
        (motion,) = free_motions(hinge)
        self.assertEqual(motion.kind, "turn about a line")
        np.testing.assert_allclose(np.abs(motion.direction), [0, 1, 0], atol=1e-9)
        np.testing.assert_allclose(motion.at_mm, [0, 0, 50], atol=1e-6)
        self.assertEqual(len(free_motions([])), 6)
        with self.assertRaises(ImpossibleInput):
            hold(hinge, load((0, 0, -1), (0, 0, 0)))
        arms = [
            arm(n, at, np.array([0, 0, 1.0]), 1e4, is_rubber=False)
            for n, at in (("c", LEFT), ("d", RIGHT), ("e", TAIL))
        ]
        self.assertEqual({one.kind for one in free_motions(arms)} & {"slide"}, {"slide"})

    def test_mounts_that_can_not_be(self) -> None:
        for wrong in (np.array([-1.0, 2, 3]), np.array([5.0, -2, 3])):
            with self.assertRaises(ImpossibleInput):
                rubber("x", LEFT, wrong, turn=np.eye(3))
        with self.assertRaises(ImpossibleInput):
            rubber("x", LEFT, np.array([5.0, 2, 3]), turn=np.eye(3), twist_nmm_per_rad=-1.0)
        with self.assertRaises(ImpossibleInput):
            arm("x", LEFT, np.zeros(3), 100.0, is_rubber=True)
        with self.assertRaises(ImpossibleInput):
            arm("x", LEFT, np.array([1.0, 0, 0]), -4.0, is_rubber=True)


class SharesTest(TestCase):
    @given(spread_mounts(), loads)
    def test_the_nominal_share_lies_in_its_range(self, holds: list[Hold], loading: Floats) -> None:
        three = holds[:4]
        found, shares = hold(three, loading).forces_n, shares_of(three, loading)
        self.assertTrue((shares.least_n <= found + 1e-6).all() and (shares.greatest_n >= found - 1e-6).all())

    @given(spread_mounts(), loads)
    def test_it_is_every_set_of_stiffnesses_solved_by_itself(self, holds: list[Hold], loading: Floats) -> None:
        four = holds[:4]
        every = []
        for factors in product((0.5, 1.0, 2.0), repeat=len(four)):
            changed = [
                replace(one, stiffness_n_per_mm=factor * one.stiffness_n_per_mm)
                for one, factor in zip(four, factors, strict=True)
            ]
            every.append(hold(changed, loading).forces_n)
        found, size = shares_of(four, loading), max(float(np.abs(every).max()), 1.0)
        np.testing.assert_allclose(found.least_n, np.min(every, axis=0), atol=1e-7 * size)
        np.testing.assert_allclose(found.greatest_n, np.max(every, axis=0), atol=1e-7 * size)

    def test_six_directions_are_decided_by_statics(self) -> None:
        eye = np.eye(3)
        six = [
            hard("a", LEFT, (True, True, True), turn=eye),
            hard("b", RIGHT, (True, False, True), turn=eye),
            hard("c", TAIL, (False, False, True), turn=eye),
        ]
        self.assertEqual(redundancy(six), 0)
        shares = shares_of(six, load((0, 0, -1), (0, -1000, 0)))
        np.testing.assert_allclose(shares.least_n, shares.greatest_n, atol=1e-3)


class StopsTest(TestCase):
    def three(self) -> list[Hold]:
        return [
            rubber(n, at, np.array([400.0, 400, 800]), turn=np.eye(3))
            for n, at in zip("abc", (LEFT, RIGHT, TAIL), strict=True)
        ]

    @given(loads)
    def test_a_bush_that_bottoms_stays_in_balance_and_within_its_travel(self, loading: Floats) -> None:
        holds = self.three()
        limits = [Limit(turn=np.eye(3), travel_mm=np.array([4.0, 4.0, 5.0])) for _ in holds]
        found = hold_on_stops(holds, limits, loading)
        if not found.settled:
            return
        self.assertLess(unbalanced(holds, found.held, loading), 1e-6)
        free = hold(holds, loading)
        is_within = bool((np.abs(free.mount_moves_mm[0]) < [4.0, 4.0, 5.0]).all())
        if is_within:
            np.testing.assert_allclose(found.held.forces_n, free.forces_n, atol=1e-6)
        self.assertEqual(bool(found.bottomed.any()), not is_within)

    @given(spread_mounts(), st.lists(loads, min_size=2, max_size=6), st.floats(0.5, 8.0))
    def test_loads_together_come_to_what_each_does_by_itself(
        self, holds: list[Hold], loading: list[Floats], travel: float
    ) -> None:
        limits = [Limit(turn=np.eye(3), travel_mm=np.full(3, travel)) if k % 2 else None for k in range(len(holds))]
        together = hold_on_stops(holds, limits, np.vstack(loading))
        alone = [hold_on_stops(holds, limits, one) for one in loading]
        self.assertEqual(together.settled, all(one.settled for one in alone))
        if not together.settled:
            return
        for k, one in enumerate(alone):
            size = max(float(np.abs(one.held.forces_n).max()), 1.0)
            np.testing.assert_allclose(together.held.forces_n[k], one.held.forces_n[0], atol=1e-7 * size)
            np.testing.assert_array_equal(together.bottomed[k], one.bottomed[0])

    def test_held_by_next_to_nothing_one_way_there_is_no_answer(self) -> None:
        faint, aslant = np.array([1e7, 1e7, 1e-300]), rotation(roll_deg=45, pitch_deg=0, yaw_deg=0)
        every = [rubber(str(k), at, faint, turn=aslant) for k, at in enumerate((LEFT, RIGHT, TAIL))]
        found = hold_on_stops(every, [None] * 3, load((0, 0, -1), (0, 0, 0)))
        self.assertFalse(found.settled)

    def test_on_its_stop_it_goes_little_further(self) -> None:
        holds, heavy = self.three(), load((0, 0, -3), (0, -2500, 0))
        limits = [Limit(turn=np.eye(3), travel_mm=np.array([np.inf, np.inf, 3.0])) for _ in holds]
        found = hold_on_stops(holds, limits, heavy)
        self.assertTrue(found.settled and found.bottomed.any())
        self.assertLess(float(np.abs(found.held.mount_moves_mm[..., 2]).max()), 3.5)
        self.assertGreater(float(np.abs(hold(holds, heavy).mount_moves_mm[..., 2]).max()), 4)


class ModesTest(TestCase):
    def test_a_unit_on_equal_springs_bounces_as_a_mass_on_a_spring(self) -> None:
        stiffness = np.array([500.0, 500.0, 500.0])
        at = [np.array([x, y, 0.0]) for x in (-200, 200) for y in (-200, 200)]
        holds = [rubber(str(k), one, stiffness, turn=np.eye(3)) for k, one in enumerate(at)]
        modes = modes_of(holds, mass_kg=80, cg_mm=np.zeros(3), inertia_kgm2=np.diag([2.0, 3.0, 4.0]), dynamic=1.5)
        heave = next(one for one in modes if one.name == "heave (z)")
        self.assertAlmostEqual(heave.frequency_hz, float(np.sqrt(1.5 * 4 * 500e3 / 80)) / (2 * np.pi), 6)
        self.assertEqual(len({one.name for one in modes}), 6)

    @given(spread_mounts(), st.floats(1.1, 4))
    def test_stiffer_never_shakes_slower(self, holds: list[Hold], k: float) -> None:
        slow, fast = (
            modes_of(
                holds,
                mass_kg=90.0,
                cg_mm=np.array([10.0, 5, 40]),
                inertia_kgm2=np.diag([2.0, 3.0, 3.5]),
                dynamic=dynamic,
            )
            for dynamic in (1.0, k)
        )
        for one, other in zip(slow, fast, strict=True):
            self.assertAlmostEqual(other.frequency_hz, one.frequency_hz * float(np.sqrt(k)), 5)
