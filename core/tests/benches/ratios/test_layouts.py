"""Every layout worked by hand: top speed by motor speed, torque at each axle, and who shares what."""

from typing import Any
from unittest import TestCase

from driveline.checks import Verdict
from tests.jobs import CENTRE, KEPT, TWO, USUAL_SHAFT_AND_AXLE, WHEEL_RPM_PER_KMH, box, check_of, keys_of, said, solved

# 200 N·m at the motor; 6000 rpm; shaft 0.995 and axle 0.99 where they stand. Layout, parts, driven axles,
# overall ratio, N·m at the rear and the front axle from rest.
LAYOUTS: list[tuple[str, dict[str, Any], str, float, float, float]] = [
    ("kept_gearbox", KEPT, "rear", 2 * 4, 200 * 2 * 0.9 * 4 * 0.9 * USUAL_SHAFT_AND_AXLE, 0),
    ("kept_gearbox", KEPT, "front", 2 * 4, 0, 200 * 2 * 0.9 * 4 * 0.9 * USUAL_SHAFT_AND_AXLE),
    (
        "kept_gearbox",
        KEPT,
        "both",
        2 * 4,
        100 * 2 * 0.9 * 4 * 0.9 * USUAL_SHAFT_AND_AXLE,
        100 * 2 * 0.9 * 4 * 0.9 * USUAL_SHAFT_AND_AXLE,
    ),
    ("kept_transaxle", KEPT, "rear", 2 * 4, 200 * 2 * 0.9 * 4 * 0.9 * 0.99, 0),
    ("kept_transaxle", KEPT, "front", 2 * 4, 0, 200 * 2 * 0.9 * 4 * 0.9 * 0.99),
    ("kept_transaxle", KEPT, "both", 2 * 4, 200 * 2 * 0.9 * 4 * 0.9 * 0.99, 0),  # it has one axle
    (
        "propshaft_reduction",
        {"reductions": [box("2.5", "2.5", efficiency=0.98)], "final_drives": KEPT["final_drives"]},
        "rear",
        2.5 * 4,
        200 * 2.5 * 0.98 * 4 * 0.9 * USUAL_SHAFT_AND_AXLE,
        0,
    ),
    ("axle_unit", {"reductions": [box("8", "8", efficiency=0.9)]}, "rear", 8, 200 * 8 * 0.9 * 0.99, 0),
    ("axle_unit", {"reductions": [box("8", "8", efficiency=0.9)]}, "front", 8, 0, 200 * 8 * 0.9 * 0.99),
    (
        "centre_unit",
        CENTRE,
        "both",
        8 * 4,
        100 * 8 * 0.9 * 4 * 0.9 * USUAL_SHAFT_AND_AXLE,
        100 * 8 * 0.9 * 4 * 0.9 * USUAL_SHAFT_AND_AXLE,
    ),
]


def with_choice(ratios: dict[str, Any], **choice: str) -> dict[str, Any]:
    return {**ratios, "choice": choice}


class LayoutsTest(TestCase):
    def test_speed_and_torque_of_every_layout(self) -> None:
        for layout, ratios, driven, overall, rear_nm, front_nm in LAYOUTS:
            # The reduction may be left out of a layout that has a place for it: choose it.
            chosen = {"reduction": "2.5", "final_drive": "4.0"} if layout == "propshaft_reduction" else {}
            with self.subTest(layout=layout, driven=driven):
                result = solved(layout, with_choice(ratios, **chosen) if chosen else ratios, driven=driven)
                one = result.ratios.candidates[0]
                self.assertAlmostEqual(one.overall_ratio, overall)
                self.assertAlmostEqual(one.top_kmh, 6000 / overall / WHEEL_RPM_PER_KMH)
                self.assertEqual(one.top_set_by, "motor speed")
                self.assertAlmostEqual(one.launch_wheel_nm, rear_nm + front_nm)
                self.assert_wheels(result.line, rear_nm, front_nm)

    def assert_wheels(self, line: Any, rear_nm: float, front_nm: float) -> None:
        """Flat out the motor keeps up half its peak at any speed, so the wheels see half of the above."""
        flat_out = next(case for case in line.cases if case.key == "flat_out")
        torque = {s.key: row[0] for s, row in zip(line.stations, flat_out.torque_nm, strict=True)}
        if "wheel" in torque:
            self.assertAlmostEqual(torque["wheel"] / (rear_nm + front_nm), 0.5, places=3)
        else:
            self.assertAlmostEqual(torque["rear.wheel"] / rear_nm, 0.5, places=3)
            self.assertAlmostEqual(torque["front.wheel"] / front_nm, 0.5, places=3)

    def test_two_units_the_slower_one_ends_it_and_their_pulls_add(self) -> None:
        """Front 10:1 is out of speed at 6000/10 = 600 wheel rpm, 72 km/h; the rear one would reach 90."""
        result = solved("two_units", TWO)
        one = result.ratios.candidates[0]
        self.assertAlmostEqual(one.top_kmh, 72)
        self.assertAlmostEqual(one.launch_wheel_nm, 200 * (8 + 10) * 0.9 * 0.99)
        assert result.line is not None
        rpm = {s.key: row[36] for s, row in zip(result.line.stations, result.line.rpm, strict=True) if row}
        self.assertEqual(result.line.speed_kmh[36], 36)
        self.assertAlmostEqual(rpm["rear.motor"], 36 * WHEEL_RPM_PER_KMH * 8, delta=1)
        self.assertAlmostEqual(rpm["front.motor"], 36 * WHEEL_RPM_PER_KMH * 10, delta=1)
        self.assertIn("front.motor.top_speed", keys_of(result))

    def test_two_units_share_a_hill_as_they_can_pull(self) -> None:
        """Alike but for 8:1 and 10:1, they pull 8 to 10; both motors then see the same torque."""
        line = solved("two_units", TWO).line
        assert line is not None
        climb = next(case for case in line.cases if case.key == "climb")
        torque = {s.key: row[20] or 0 for s, row in zip(line.stations, climb.torque_nm, strict=True)}
        self.assertAlmostEqual(torque["rear.motor"], torque["front.motor"], delta=0.1)
        self.assertAlmostEqual(torque["front.wheel"] / torque["rear.wheel"], 10 / 8, places=2)

    def test_two_units_with_another_motor_in_front(self) -> None:
        front = {"peak_torque": {"text": "80 Nm"}, "greatest_rpm": {"text": "9000 rpm"}}
        one = solved("two_units", TWO, front_motor=front).ratios.candidates[0]
        self.assertAlmostEqual(one.top_kmh, 90)  # now the rear one's 6000/8
        self.assertAlmostEqual(one.launch_wheel_nm, (200 * 8 + 80 * 10) * 0.9 * 0.99)


class SplitTest(TestCase):
    """A unit amidships, 8:1, then 4.0 at the rear and something else in front."""

    def test_other_final_drives_front_and_rear_turn_the_unit_at_their_mean(self) -> None:
        """Rear 8 × 4 = 32, front 8 × 4.4 = 35.2: the open differential turns at 33.6, so 6000 rpm is 21.43 km/h."""
        ratios = {**CENTRE, "front_final_drives": [box("4.4", "4.4", efficiency=0.9)]}
        result = solved("centre_unit", ratios)
        self.assertAlmostEqual(result.ratios.candidates[0].top_kmh, 6000 / 33.6 / WHEEL_RPM_PER_KMH)
        check = check_of(result, "split.speeds")
        self.assertAlmostEqual(check.demand or 0, 10.0)
        # At 60 km/h the wheels turn 500 rpm, the propshafts 2000 and 2200.
        self.assertIn("200 rpm between the outputs", said(check.says))
        self.assertIs(check.verdict, Verdict.FAILS)

    def test_a_front_tyre_of_another_size_counts_like_a_ratio(self) -> None:
        result = solved("centre_unit", CENTRE, front_tyre={"roll_out": {"text": "1900 mm"}})
        self.assertAlmostEqual(check_of(result, "split.speeds").demand or 0, 100 * (2000 / 1900 - 1))

    def test_locked_all_of_it_can_reach_one_axle(self) -> None:
        """Design torque by the motor: 200 × 1.5 × 8 × 0.9 = 2160 at the split, half or all or B/(1+B) of it on."""
        for split, share in [
            ({"kind": "open"}, 0.5),
            ({"kind": "open", "front_share": 0.4}, 0.6),
            ({"kind": "limited_slip", "bias_ratio": 3}, 0.75),
            ({"kind": "limited_slip"}, 1.0),  # its bias not known: the worst
            ({"kind": "locked"}, 1.0),
        ]:
            with self.subTest(split):
                result = solved("centre_unit", {**CENTRE, "coupler": "rigid", "split": split})
                station = next(s for s in result.line.stations if s.key == "rear.propshaft") if result.line else None
                assert station is not None
                self.assertAlmostEqual(station.motor_limited_nm or 0, 2160 * share)

    def test_what_a_lock_does_for_the_pull(self) -> None:
        """Grip 0.9, 1000 kg, level 50:50. Driving, μ h/L = 0.18: open, the front slips first, at
        0.9 m g 0.5/(0.5 + 0.18); locked, all of μ m g."""
        weight_n = 1000 * 9.80665
        for kind, slip_n in [("open", 0.9 * weight_n * 0.5 / 0.68), ("locked", 0.9 * weight_n)]:
            with self.subTest(kind):
                result = solved("centre_unit", {**CENTRE, "split": {"kind": kind}})
                self.assertAlmostEqual((result.ratios.slip_nm or 0) / (slip_n * 2 / 6.283185307), 1)
        # Limited slip 1.5:1 may send 0.4 to the front: 0.5/(0.4 + 0.18) there, 0.5/(0.6 − 0.18) at the rear.
        result = solved("centre_unit", {**CENTRE, "split": {"kind": "limited_slip", "bias_ratio": 1.5}})
        self.assertAlmostEqual((result.ratios.slip_nm or 0) / (0.9 * weight_n * 0.5 / 0.58 * 2 / 6.283185307), 1)

    def test_locked_axles_that_turn_alike_hold_and_others_wind_up(self) -> None:
        locked = {**CENTRE, "split": {"kind": "locked"}}
        self.assertIs(check_of(solved("centre_unit", locked), "split.speeds").verdict, Verdict.HOLDS)
        apart = {**locked, "front_final_drives": [box("4.1", "4.1")]}
        self.assertIs(check_of(solved("centre_unit", apart), "split.speeds").verdict, Verdict.FAILS)
        self.assertNotIn("split.speeds", keys_of(solved("centre_unit", CENTRE)))

    def test_free_front_hubs_want_a_lock(self) -> None:
        for kind, verdict in [("open", Verdict.FAILS), ("limited_slip", Verdict.FAILS), ("locked", Verdict.HOLDS)]:
            with self.subTest(kind):
                result = solved("centre_unit", {**CENTRE, "split": {"kind": kind, "front_hubs_free": True}})
                self.assertIs(check_of(result, "split.hubs").verdict, verdict)
                self.assertEqual({s.way for s in result.line.stations} if result.line else None, {"trunk"})

    def test_an_axle_of_two_is_designed_for_the_load_the_pull_puts_on_it(self) -> None:
        """Laden 1200 kg, μ 1.1: rear 1.1 m g (0.5 + 1.1 × 500/2500) × 1.2 at the axle's wheels."""
        result = solved("centre_unit", CENTRE)
        station = next(s for s in result.line.stations if s.key == "rear.wheel") if result.line else None
        assert station is not None and station.slip_limited_nm is not None
        expected = 1.1 * 1200 * 9.80665 * (0.5 + 0.22) * (2 / 6.283185307) * 1.2
        self.assertAlmostEqual(station.slip_limited_nm / expected, 1)


class NotKnownTest(TestCase):
    """A figure that hangs on something nobody stated is no figure, and nothing is recommended by it."""

    def test_without_a_drag_area_top_speed_climb_and_cruise_are_not_known(self) -> None:
        bare = {"kerb_mass": {"text": "1000 kg"}, "laden_mass": {"text": "1200 kg"}}
        result = solved("kept_gearbox", KEPT, vehicle=bare)
        unknown = result.ratios.candidates[0].not_known
        for name in ("top_kmh", "hill_start_pct", "cruise_share", "grade_at_50_pct"):
            self.assertIn(name, unknown)
        self.assertFalse(result.ratios.candidates[0].is_top_known)
        self.assertTrue(any("reach" in one for one in result.ratios.not_judged))
        self.assertEqual(result.ratios.alternatives, ())
        self.assertEqual(solved("kept_gearbox", KEPT).ratios.candidates[0].not_known, ())

    def test_without_the_loads_place_the_hill_start_is_not_any_grade(self) -> None:
        result = solved("kept_gearbox", KEPT, masses={"items": []})
        self.assertIn("hill_start_pct", result.ratios.candidates[0].not_known)
