"""The safety side of gearing, by hand on round figures: 1000 kg empty, 1200 laden, 2 m a turn."""

import math
from typing import Any
from unittest import TestCase

from driveline.checks import Check, Verdict
from tests.jobs import CENTRE, KEPT, TWO, box, check_of, keys_of, said, solved

WEIGHT_N = 1000 * 9.80665
RADIUS_M = 1 / math.pi
# 50 N·m of overrun through 2 × 4, each mesh passing its loss to the wheels: i / η.
OVERRUN_N = 50 * 2 / 0.9 * 4 / 0.9 / (0.995 * 0.99) / RADIUS_M


class OverrunTest(TestCase):
    def test_against_what_the_driven_axle_holds(self) -> None:
        """Rear μ m g (1−s)/(1 + μ h/L), front μ m g s/(1 − μ h/L); h/L 0.2."""
        for driven, mu, key, grip_n in [
            ("rear", 0.3, "road.overrun_wet", 0.3 * WEIGHT_N * 0.5 / 1.06),
            ("front", 0.3, "road.overrun_wet", 0.3 * WEIGHT_N * 0.5 / 0.94),
            ("both", 0.3, "road.overrun_wet", 0.3 * WEIGHT_N * 0.5 / (0.5 + 0.06)),  # open: the rear locks first
            ("rear", 0.9, "road.overrun_dry", 0.9 * WEIGHT_N * 0.5 / 1.18),
        ]:
            with self.subTest(driven=driven, mu=mu):
                check = check_of(solved("kept_gearbox", KEPT, driven=driven), key)
                self.assertAlmostEqual(check.demand or 0, OVERRUN_N, places=4)
                self.assertAlmostEqual(check.capacity or 0, grip_n, places=4)

    def test_two_units_slow_each_with_its_own(self) -> None:
        check = check_of(solved("two_units", TWO), "road.overrun_wet")
        self.assertAlmostEqual(check.demand or 0, 50 * (8 + 10) / 0.9 / 0.99 / RADIUS_M)
        # Front 10 of 18 of it: the rear would lock at 0.3 m g 0.5/(8/18 + 0.06), the front, were it slowing alone, with
        # 0.3 m g 0.5/(1 − 0.06) of its own.
        grip_n = 0.3 * WEIGHT_N * min(0.5 / (8 / 18 + 0.06), 0.5 / (1 - 0.06) * 18 / 10)
        self.assertAlmostEqual(check.capacity or 0, grip_n)

    def test_more_overrun_of_either_unit_never_flatters_the_other(self) -> None:
        motor = {"peak_torque": {"text": "200 Nm"}, "greatest_rpm": {"text": "6000 rpm"}}

        def margin(rear_nm: float, front_nm: float) -> float:
            rear, front = ({**motor, "overrun_torque": {"text": f"{nm} Nm"}} for nm in (rear_nm, front_nm))
            return check_of(solved("two_units", TWO, motor=rear, front_motor=front), "road.overrun_wet").margin or 0.0

        self.assertLess(margin(60, 50), margin(50, 50))
        self.assertLess(margin(50, 60), margin(50, 50))


class VoltageTest(TestCase):
    def test_a_motor_on_a_voltage_that_nobody_compared_is_at_best_as_fast_as_its_sheet(self) -> None:
        motor = {
            "peak_torque": {"text": "200 Nm"},
            "peak_power": {"text": "125 kW"},
            "greatest_rpm": {"text": "6000 rpm"},
        }
        for voltages, verdict in (
            ({}, Verdict.HOLDS),
            ({"bus_v": 200}, Verdict.NOT_KNOWN),
            ({"rated_bus_v": 350}, Verdict.NOT_KNOWN),
            ({"bus_v": 200, "rated_bus_v": 350}, Verdict.FAILS),
        ):
            with self.subTest(voltages):
                result = solved("kept_gearbox", KEPT, motor={**motor, **voltages})
                self.assertIs(check_of(result, "motor.top_speed").verdict, verdict)


class ParkedTest(TestCase):
    def handbrake(self, **parking: Any) -> Check:
        return check_of(solved("kept_gearbox", KEPT, parking=parking), "parked.handbrake")

    def test_a_line_without_a_pawl_has_only_the_handbrake(self) -> None:
        cases: list[tuple[dict[str, Any], Verdict]] = [
            ({}, Verdict.NOT_KNOWN),
            ({"pawl": False}, Verdict.NOT_KNOWN),
            ({"handbrake_held_pct": 30}, Verdict.NOT_KNOWN),
            ({"pawl": False, "handbrake_held_pct": 30}, Verdict.HOLDS),
            ({"pawl": False, "handbrake_held_pct": 26}, Verdict.TIGHT),
            ({"pawl": False, "handbrake_held_pct": 20}, Verdict.FAILS),
            ({"pawl": True, "handbrake_held_pct": 20}, Verdict.HOLDS),
        ]
        for parking, verdict in cases:
            with self.subTest(parking):
                self.assertIs(self.handbrake(**parking).verdict, verdict)

    def test_no_brake_holds_more_than_its_tyres_facing_the_wrong_way(self) -> None:
        """Rear facing down: tanθ = 0.9 × 0.5/(1 + 0.9 × 0.2) = 38.1 %; the front facing up the same."""
        for axle in ("rear", "front"):
            check = self.handbrake(pawl=False, handbrake_held_pct=60, handbrake_axle=axle)
            self.assertAlmostEqual(check.capacity or 0, 100 * 0.45 / 1.18)

    def test_a_pawl_ahead_of_the_final_drive_sees_less(self) -> None:
        """1200 kg on 1 in 4: m g sinθ r, over the 4.0 behind it."""
        parking = {"pawl": True, "pawl_rating": {"text": "400 Nm"}}
        check = check_of(solved("centre_unit", CENTRE, parking=parking), "parked.pawl")
        expected = 1200 * 9.80665 * math.sin(math.atan(0.25)) * RADIUS_M / 4.0
        self.assertAlmostEqual(check.demand or 0, expected)
        unit = {"reductions": [box("unit", "8.0")]}
        behind = check_of(solved("axle_unit", unit, parking=parking), "parked.pawl")
        self.assertAlmostEqual(behind.demand or 0, expected * 4.0)
        self.assertIs(behind.verdict, Verdict.FAILS)


class OverspeedTest(TestCase):
    def test_clutch_and_flywheel_where_they_stay(self) -> None:
        """The motor's own 6000 rpm, whatever the road speed; a 300 mm rim at 6000 rpm runs 94.25 m/s, ρv² 63.95 MPa."""
        clutch = {
            "greatest_rpm": {"text": "5000 rpm"},
            "flywheel_diameter": {"text": "300 mm"},
            "flywheel_limit_mpa": 60,
        }
        result = solved("kept_gearbox", {**KEPT, "coupler": "clutch", "clutch": clutch})
        self.assertAlmostEqual(check_of(result, "clutch.speed").demand or 0, 6000)
        rim = check_of(result, "flywheel.rim_stress")
        self.assertAlmostEqual(rim.demand or 0, 7200 * (math.pi * 0.3 * 100) ** 2 / 1e6)
        self.assertIs(rim.verdict, Verdict.FAILS)
        self.assertNotIn("clutch.speed", keys_of(solved("kept_gearbox", {**KEPT, "coupler": "rigid"})))

    def test_a_downshift_turns_the_motor(self) -> None:
        """Top at 60 km/h: 500 × 1.0 × 4 = 2000 rpm; into 3.5 it would be 7000, past 6000; fit below 51 km/h."""
        gearbox: dict[str, Any] = {"gears": [box("low", "3.5"), box("top", "1.0")], "use": "shifted"}
        ratios = {**KEPT, "gearbox": gearbox, "choice": {"gear": "top", "final_drive": "4.0"}}
        check = check_of(solved("kept_gearbox", ratios), "motor.downshift")
        self.assertAlmostEqual(check.demand or 0, 7000)
        self.assertIs(check.verdict, Verdict.FAILS)
        self.assertIn("shift into it below 51 km/h", said(check.says))
        said_nothing = {**ratios, "gearbox": {"gears": gearbox["gears"]}}
        self.assertIs(check_of(solved("kept_gearbox", said_nothing), "motor.downshift").verdict, Verdict.FAILS)
        left = {**ratios, "gearbox": {**gearbox, "use": "left_in_one"}}
        self.assertNotIn("motor.downshift", keys_of(solved("kept_gearbox", left)))

    def test_joints_count_beside_whirl(self) -> None:
        shaft = {"critical_rpm": {"text": "6000 rpm"}, "joint_rpm": {"text": "3000 rpm"}}
        line = solved("kept_gearbox", {**KEPT, "propshaft": shaft}).line
        assert line is not None
        station = next(station for station in line.stations if station.key == "propshaft")
        self.assertEqual(station.greatest_rpm, 3000)  # 0.7 × 6000 is more

    def test_cruise_past_the_motors_speed_fails_and_is_not_unknown(self) -> None:
        check = check_of(solved("centre_unit", CENTRE), "road.cruise")  # 50 km/h; it reaches 22.5
        self.assertIs(check.verdict, Verdict.FAILS)
        self.assertIn("past the motor's top speed", check.says)


class TurningTest(TestCase):
    def test_senses_multiply_from_the_motor_to_the_kept_shaft(self) -> None:
        """Usual way, reduction, needed way; a plain motor minds neither, geared ones drive on their coast flanks."""
        for usual, reverses, needed, verdict in [
            ("clockwise", False, "clockwise", Verdict.HOLDS),
            ("clockwise", True, "anticlockwise", Verdict.HOLDS),
            ("clockwise", True, "clockwise", Verdict.TIGHT),
            ("clockwise", False, "anticlockwise", Verdict.TIGHT),
            ("clockwise", None, "clockwise", Verdict.NOT_KNOWN),
            (None, False, "clockwise", Verdict.NOT_KNOWN),
            ("clockwise", False, None, Verdict.NOT_KNOWN),
        ]:
            with self.subTest(usual=usual, reverses=reverses, needed=needed):
                ratios = {
                    **KEPT,
                    "reductions": [{**box("red", "1.5"), "reverses": reverses}],
                    "turning": {"kept_input": needed, "oil_pump": "none"},
                    "choice": {"reduction": "red", "gear": "2nd", "final_drive": "4.0"},
                }
                motor = {"peak_torque": {"text": "200"}, "greatest_rpm": {"text": "6000"}, "rotation": usual}
                self.assertIs(check_of(solved("kept_gearbox", ratios, motor=motor), "turning.motor").verdict, verdict)

    def test_a_bare_motor_turning_the_other_way_only_wants_its_controller_set(self) -> None:
        ratios = {**KEPT, "turning": {"kept_input": "anticlockwise"}}
        motor = {"peak_torque": {"text": "200"}, "greatest_rpm": {"text": "6000"}, "rotation": "clockwise"}
        result = solved("kept_gearbox", ratios, motor=motor)
        self.assertIs(check_of(result, "turning.motor").verdict, Verdict.HOLDS)
        self.assertIn("controller's direction", check_of(result, "turning.motor").says)
        self.assertNotIn("turning.oil_pump", keys_of(result))

    def test_a_unit_end_for_end_stops_a_one_way_pump_and_moves_its_oil(self) -> None:
        for facing, pump, pumped in [
            ("as_made", "one_way", Verdict.HOLDS),
            ("end_for_end", "one_way", Verdict.FAILS),
            ("end_for_end", "either_way", Verdict.HOLDS),
            ("end_for_end", "electric", Verdict.HOLDS),
            ("end_for_end", None, Verdict.NOT_KNOWN),
            (None, "one_way", Verdict.NOT_KNOWN),
        ]:
            with self.subTest(facing=facing, pump=pump):
                turning = {"unit_facing": facing, "oil_pump": pump}
                result = solved("axle_unit", {"reductions": [box("unit", "8.0")], "turning": turning})
                self.assertIs(check_of(result, "turning.oil_pump").verdict, pumped)
                if facing == "end_for_end":
                    self.assertIs(check_of(result, "turning.motor").verdict, Verdict.TIGHT)
                    self.assertIs(check_of(result, "turning.oil_level").verdict, Verdict.NOT_KNOWN)

    def test_checked_oil_is_fine(self) -> None:
        turning = {"unit_facing": "tilted", "oil_pump": "none", "oil_checked": True}
        result = solved("axle_unit", {"reductions": [box("unit", "8.0")], "turning": turning})
        self.assertIs(check_of(result, "turning.oil_level").verdict, Verdict.HOLDS)
