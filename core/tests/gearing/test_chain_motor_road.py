import math
from collections.abc import Callable
from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput, UnreadableMeasurement
from driveline.gearing.chain import Chain, Stage, StageKind
from driveline.gearing.design import design_torques
from driveline.gearing.motor import CurvePoints, Motor, PeakFigures, at_bus_voltage
from driveline.gearing.road import (
    FRONT_PULL,
    Balance,
    Body,
    Driven,
    FrontPull,
    balance_speed_ms,
    grade_gripped_pct,
    grade_held_pct,
    overrun_slip_limit_n,
    resistance_n,
    slip_limit_n,
)
from driveline.gearing.tyre import (
    Construction,
    is_plausible,
    methods_disagree,
    read_tyre_code,
    rolling_from_code,
    rolling_from_loaded_radius,
    rolling_from_roll_out,
)

stages = st.builds(
    lambda ratio, efficiency, sense: Stage(
        kind=StageKind.REDUCTION, title="stage", ratio=ratio, efficiency=efficiency, sense=sense
    ),
    st.floats(0.3, 12),
    st.floats(0.5, 1),
    st.sampled_from([1, -1]),
)
chains = st.lists(stages, min_size=1, max_size=6).map(lambda found: Chain(tuple(found)))
BODY = Body(mass_kg=1200, crr=0.012, cda_m2=0.8)
BALANCE = Balance(front_share=0.5, cg_height_mm=600, wheelbase_mm=2400)


class TyreTest(TestCase):
    def test_codes(self) -> None:
        for code, free_mm, construction in [
            ("195/65R15", 634.5, Construction.RADIAL),
            ("P195/65 R 15 91H", 634.5, Construction.RADIAL),
            ("165 R 13", 600.8, Construction.RADIAL),  # 25.4·13 + 2·165·0.82
            ("6.50-16", 720.09, Construction.CROSS_PLY),  # 25.4·16 + 2·6.5·25.4·0.95
            ("31x10.50 R 15", 787.4, Construction.RADIAL),
        ]:
            with self.subTest(code):
                size = read_tyre_code(code)
                self.assertAlmostEqual(size.free_diameter_mm, free_mm, places=2)
                self.assertIs(size.construction, construction)

    def test_other_text_is_refused_with_examples(self) -> None:
        with self.assertRaisesRegex(UnreadableMeasurement, "195/65R15"):
            read_tyre_code("size 15")

    def test_pi_times_free_diameter_is_noticed(self) -> None:
        size = read_tyre_code("195/65R15")
        mistaken = rolling_from_roll_out(distance_mm=math.pi * size.free_diameter_mm, turns=1)
        self.assertTrue(methods_disagree(mistaken, rolling_from_code(size)))
        self.assertFalse(is_plausible(rolling_from_roll_out(distance_mm=5505, turns=1)))

    def test_impossible_tyres(self) -> None:
        calls: tuple[Callable[[], object], ...] = (
            lambda: rolling_from_roll_out(distance_mm=0, turns=1),
            lambda: rolling_from_roll_out(distance_mm=math.nan, turns=1),
            lambda: rolling_from_roll_out(distance_mm=1800, turns=0),
            lambda: rolling_from_loaded_radius(loaded_radius_mm=-1, construction=Construction.RADIAL),
            lambda: rolling_from_loaded_radius(
                loaded_radius_mm=300, construction=Construction.RADIAL, free_radius_mm=290
            ),
        )
        for call in calls:
            with self.assertRaises(ImpossibleInput):
                call()


class ChainTest(TestCase):
    @given(chains, st.floats(1, 500), st.floats(100, 15000))
    def test_power_at_the_wheels_is_the_motors_less_the_losses(
        self, chain: Chain, motor_nm: float, motor_rpm: float
    ) -> None:
        wheel_power = motor_nm * chain.driving_multipliers[-1] * motor_rpm / chain.speed_divisors[-1]
        self.assertAlmostEqual(wheel_power / (motor_nm * motor_rpm * chain.efficiency), 1)

    @given(chains, st.floats(1, 5000))
    def test_overrun_loses_power_on_the_way_to_the_motor(self, chain: Chain, axle_nm: float) -> None:
        motor_nm = axle_nm / chain.overrun_multipliers[-1]
        self.assertAlmostEqual(motor_nm * chain.overall_ratio / (axle_nm * chain.efficiency), 1)

    def test_a_split_halves_the_torque_and_not_the_speed(self) -> None:
        half = Stage(kind=StageKind.PROPSHAFT, title="propshafts", share=0.5)
        unit = Stage(kind=StageKind.DRIVE_UNIT, title="unit", ratio=9)
        chain = Chain((unit, half))
        self.assertAlmostEqual(100 * chain.driving_multipliers[1], 450)
        self.assertAlmostEqual(9000 / chain.speed_divisors[1], 1000)

    def test_senses_multiply(self) -> None:
        turned = Stage(kind=StageKind.REDUCTION, title="turned", sense=-1)
        self.assertEqual(Chain((turned,)).sense, -1)
        self.assertEqual(Chain((turned, turned)).sense, 1)

    def test_impossible_stages(self) -> None:
        for wrong in ({"ratio": 0}, {"ratio": math.nan}, {"efficiency": 1.2}, {"sense": 0}):
            with self.subTest(wrong), self.assertRaises(ImpossibleInput):
                Stage(kind=StageKind.REDUCTION, title="box", **wrong)


class DesignTorqueTest(TestCase):
    CHAIN = Chain((Stage(kind=StageKind.GEARBOX, title="gearbox", ratio=4, efficiency=0.5),))

    def test_the_lesser_of_motor_and_tyres_governs(self) -> None:
        # Forward: 100 × 1.5 = 150 at the motor. Back from 200 at the axle: 200 × 1.2 / (4 × 0.5) = 120.
        at_input, at_wheel = design_torques(
            self.CHAIN, peak_nm=100, dynamic_factor=1.5, slip_axle_nm=200, overrun_nm=None
        )
        self.assertAlmostEqual(at_input.motor_limited_nm, 150)
        self.assertAlmostEqual(at_input.slip_limited_nm or 0, 120)
        self.assertEqual(at_input.governed_by, "tyres")
        self.assertAlmostEqual(at_wheel.design_nm, 240)

    def test_never_below_the_overrun(self) -> None:
        at_input, _ = design_torques(self.CHAIN, peak_nm=100, dynamic_factor=1.5, slip_axle_nm=10, overrun_nm=60)
        self.assertAlmostEqual(at_input.design_nm, 60)

    def test_without_grip_known_the_motor_governs(self) -> None:
        at_input, _ = design_torques(self.CHAIN, peak_nm=100, dynamic_factor=1.25, slip_axle_nm=None, overrun_nm=None)
        self.assertIsNone(at_input.slip_limited_nm)
        self.assertEqual(at_input.governed_by, "motor")


class MotorTest(TestCase):
    def test_power_limit_and_taper(self) -> None:
        peak = PeakFigures(torque_nm=200, power_kw=100, taper_from_rpm=8000, taper_to_nm=20)
        motor = Motor(peak=peak, greatest_rpm=10000)
        at = motor.peak_nm(np.array([0.0, 4000, 6000, 8000, 9000, 10000, 10100]))
        at_8000 = 100_000 / (8000 * math.pi / 30)
        expected = [200, 200, 100_000 / (6000 * math.pi / 30), at_8000, (at_8000 + 20) / 2, 20, 0]
        np.testing.assert_allclose(at, expected, rtol=1e-9)

    def test_voltage_scales_speed_and_power_but_never_the_top_speed_up(self) -> None:
        motor = Motor(peak=PeakFigures(torque_nm=200, power_kw=100), greatest_rpm=10000)
        for bus_v, knee_rpm, greatest_rpm in [(200, 2387.3, 5000), (400, 4774.6, 10000), (600, 7161.97, 10000)]:
            scaled = at_bus_voltage(motor, bus_v=bus_v, rated_v=400)
            self.assertAlmostEqual(scaled.greatest_rpm, greatest_rpm)
            self.assertAlmostEqual(float(scaled.peak_nm(np.array([knee_rpm]))[0]), 200, places=1)

    def test_a_battery_caps_the_power(self) -> None:
        motor = Motor(peak=PeakFigures(torque_nm=200), greatest_rpm=10000, greatest_mechanical_kw=50)
        self.assertAlmostEqual(float(motor.peak_nm(np.array([10000.0]))[0]), 47.746, places=2)

    def test_points_are_joined_by_straight_lines(self) -> None:
        curve = CurvePoints(rpm=(1000, 3000), torque_nm=(100, 50))
        self.assertAlmostEqual(float(Motor(peak=curve, greatest_rpm=3000).peak_nm(np.array([2000.0]))[0]), 75)
        for rpm in ((1000.0, 1000.0), (2000.0, 1000.0), ()):
            with self.assertRaises(ImpossibleInput):
                CurvePoints(rpm=rpm, torque_nm=(1.0,) * len(rpm))

    def test_where_torque_falls(self) -> None:
        motor = Motor(peak=PeakFigures(torque_nm=200, power_kw=100), greatest_rpm=10000)
        self.assertAlmostEqual(motor.falls_from_rpm(), 4774.6, delta=150)
        self.assertEqual(Motor(peak=PeakFigures(torque_nm=200), greatest_rpm=9000).falls_from_rpm(), 9000)


class RoadTest(TestCase):
    def test_a_pull_that_equals_the_drag_sets_the_speed(self) -> None:
        speed = np.linspace(0, 60, 601)
        spare_n = 500 - resistance_n(BODY, speed)
        # 500 = 1200 g 0.012 + ½ 1.225 0.8 v²
        expected = math.sqrt((500 - 1200 * 9.80665 * 0.012) / (0.5 * 1.225 * 0.8))
        self.assertAlmostEqual(float(balance_speed_ms(speed, spare_n)), expected, places=2)

    @given(st.floats(500, 9000), st.floats(0, 20))
    def test_a_grade_held_is_a_grade_whose_resistance_is_the_pull(self, drive_n: float, speed_ms: float) -> None:
        grade = float(grade_held_pct(drive_n=drive_n, body=BODY, speed_ms=speed_ms))
        if grade:
            self.assertAlmostEqual(float(resistance_n(BODY, speed_ms, grade)) / drive_n, 1)

    def test_no_grade_is_held_by_too_little_and_any_by_too_much(self) -> None:
        self.assertEqual(grade_held_pct(drive_n=10, body=BODY, speed_ms=0), 0)
        self.assertTrue(np.isnan(grade_held_pct(drive_n=1e6, body=BODY, speed_ms=0)))

    def test_all_wheels_at_grip_09_hold_tan_088(self) -> None:
        slip_n = slip_limit_n(mass_kg=1200, balance=BALANCE, front_pull=FRONT_PULL[Driven.BOTH], mu=0.9)
        self.assertAlmostEqual(float(grade_gripped_pct(slip_n=slip_n, body=BODY, balance=BALANCE)), 88.8)

    @given(st.floats(0.1, 1.2))
    def test_load_moves_back_driving_and_forward_on_overrun(self, mu: float) -> None:
        def held(limit: Callable[..., Any], driven: Driven) -> float:
            return float(limit(mass_kg=1200.0, balance=BALANCE, mu=mu, front_pull=FRONT_PULL[driven]))

        self.assertGreater(held(slip_limit_n, Driven.REAR), held(slip_limit_n, Driven.FRONT))
        self.assertLess(held(overrun_slip_limit_n, Driven.REAR), held(overrun_slip_limit_n, Driven.FRONT))
        self.assertLessEqual(held(slip_limit_n, Driven.REAR), held(slip_limit_n, Driven.BOTH) + 1e-9)
        self.assertAlmostEqual(held(slip_limit_n, Driven.BOTH), mu * 1200 * 9.80665)

    @given(st.floats(0.1, 1.2), st.floats(0.01, 0.99))
    def test_at_the_slip_limit_one_axle_is_at_its_grip_and_the_other_within(self, mu: float, front: float) -> None:
        """The defining property, from the axle loads themselves."""
        kinds: Any = {"mass_kg": 1200.0, "balance": BALANCE, "mu": mu, "front_pull": FrontPull(front, front)}
        pull_n = float(slip_limit_n(**kinds))
        moved_n = pull_n * BALANCE.cg_height_mm / BALANCE.wheelbase_mm
        weight_n = 1200 * 9.80665
        used = [
            pull_n * front / (mu * (weight_n * BALANCE.front_share - moved_n)),
            pull_n * (1 - front) / (mu * (weight_n * (1 - BALANCE.front_share) + moved_n)),
        ]
        self.assertAlmostEqual(max(float(np.ravel(one)[0]) for one in used), 1, places=6)
