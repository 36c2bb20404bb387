"""Axles: what binds and what mends it, and what a bar carries."""

import math
from typing import Any
from unittest import TestCase

from pydantic import ValidationError

from driveline.checks import Verdict
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from tests.benches.axles.jobs import UNKNOWN, check_of, job, plain


class AxleTest(TestCase):
    def test_the_left_side_fails_until_the_strap_that_it_names_is_set(self) -> None:
        check = check_of(job("plover"), "a1.left.inner")
        self.assertIs(check.verdict, Verdict.FAILS)
        shown = evaluate(JobFile.model_validate(job("plover"))).axles.axles[0].left
        self.assertIn(f"{shown.strap_mm:.0f} mm down would hold it", plain(check.says))
        strapped = job("plover", axles__0__left__outer__strap=f"{shown.strap_mm} mm")
        self.assertIsNot(check_of(strapped, "a1.left.inner").verdict, Verdict.FAILS)
        self.assertGreater(evaluate(JobFile.model_validate(strapped)).axles.axles[0].left.strap_buys_deg, 0.5)

    def test_angle_at_ride_by_hand(self) -> None:
        """Inner joint (-10, 145, 302), outer (2, 542, 276): atan(√(12² + 26²)/397), the arc's miss within 0.2 mm."""
        still = job("plover", axles__0__laden="0 mm", axles__0__empty="0 mm")
        by_hand = math.degrees(math.atan(math.hypot(12, 26) / 397))
        self.assertAlmostEqual(check_of(still, "a1.left.ride").demand or 0, by_hand, delta=0.04)

    def test_it_runs_empty_and_laden_as_well(self) -> None:
        """12 mm lower, the outer joint is 38 mm below the inner one and 0.6 mm nearer by the arc that was measured."""
        check = check_of(job("plover"), "a1.left.ride")
        self.assertAlmostEqual(check.demand or 0, math.degrees(math.atan(math.hypot(13, 38) / 397)), delta=0.06)
        self.assertIn("empty", check.says)
        for figure in ("laden", "empty"):
            self.assertIs(check_of(job("plover", **{f"axles__0__{figure}": None}), "a1.left.ride").verdict, UNKNOWN)
        above = evaluate(JobFile.model_validate(job("plover", axles__0__laden="80 mm"))).axles.queries
        self.assertIn("above its bump stop", above[0].text)

    def test_the_arc_is_as_sure_as_its_heights_were_measured(self) -> None:
        left = evaluate(JobFile.model_validate(job("plover"))).axles.axles[0].left
        finer = job("plover")
        outer = finer["sheets"]["axles"]["axles"][0]["left"]["outer"]
        for place in (outer["ride"], *outer["heights"]):
            for axis in "xyz":
                place[axis]["u"] = 0.1
        sure = evaluate(JobFile.model_validate(finer)).axles.axles[0].left
        share = (left.radius_either_way_mm or 0) / (sure.radius_either_way_mm or 1)
        self.assertAlmostEqual(
            (left.heights[0].either_way_mm or 0) / (sure.heights[0].either_way_mm or 1), share, delta=0.2
        )
        del outer["ride"]["x"]["u"], outer["ride"]["x"]["tool"]
        self.assertIsNone(evaluate(JobFile.model_validate(finer)).axles.axles[0].left.radius_either_way_mm)

    def test_a_mock_up_says_how_its_sleeve_goes_on_and_what_it_proved(self) -> None:
        """25 mm into 24.95: (0.05 + 0.03)/(11.5e-6 × 25) = 278 K; 379 proved, 381 to be made."""
        log = {"sleeve_bore": {"text": "24.95 mm"}, "runout": {"text": "0.6 mm"}, "proved": {"text": "379 mm"}}
        says = (
            evaluate(JobFile.model_validate(job("plover", axles__0__left__bar__mock_up=log)))
            .axles.axles[0]
            .left.mock_up
        )
        sleeve, dial, length = (plain(one) for one in says)
        self.assertIn("278 K", sleeve)
        self.assertIn("0.30 mm off its line", dial)
        self.assertIn("2.0 mm longer", length)

    def test_a_chosen_bar_is_compared_and_never_overwritten(self) -> None:
        shown = evaluate(JobFile.model_validate(job("plover"))).axles.axles[0].left
        self.assertEqual(shown.chosen_bar_mm, 381)
        at_best = job("plover", axles__0__left__bar__length=f"{shown.best_bar_mm:.2f} mm")
        self.assertGreater(evaluate(JobFile.model_validate(at_best)).axles.axles[0].left.left_mm, shown.left_mm)
        longer = check_of(job("plover", axles__0__left__bar__length="396 mm"), "a1.left.plunge")
        self.assertIs(longer.verdict, Verdict.FAILS)
        self.assertIn("longer than is best", longer.says)

    def test_a_locked_differential_doubles_what_a_side_bears(self) -> None:
        opened, locked = (
            check_of(job("plover", axles__0__differential=None) | {}, "a1.left.shear"),
            check_of(_differential("locked"), "a1.left.shear"),
        )
        self.assertIs(opened.verdict, Verdict.NOT_KNOWN)
        self.assertAlmostEqual((locked.demand or 0) / (check_of(_differential("open"), "a1.left.shear").demand or 1), 2)

    def test_the_vehicle_rocks_on_both_bars_as_by_hand(self) -> None:
        """Rotor 0.03 × 8.6² against the vehicle's mass at the axle, on two bars of 79 230 J/L each, tyres stiff."""
        found = evaluate(JobFile.model_validate(job("plover", turning__tyre_nm_per_deg=1e5, turning__wheel_kgm2=1e-3)))
        polar = math.pi * 25**4 / 32
        both = sum(79.23 * polar / length for length in (381, 379.5))
        left, turning = found.axles.axles[0].left, found.axles.turning
        self.assertAlmostEqual(left.twist_deg or 0, math.degrees(1114.56 * 381 / (79.23 * polar)), places=3)
        alone_hz = math.sqrt(both / (0.03 * 8.6**2)) / (2 * math.pi)  # were the vehicle held
        self.assertAlmostEqual(turning.gears[0].shuffle_hz, alone_hz, delta=0.3)
        self.assertAlmostEqual(turning.play_at_motor_deg or 0, 0.6 * 8.6)

    def test_not_known_without_mounts_that_are_known_yet_it_may_fail(self) -> None:
        data = job("plover")
        data["sheets"]["mounts"]["mounts"][0]["boss"] = {}
        check = check_of(data, "a1.left.plunge")
        self.assertIs(check.verdict, Verdict.NOT_KNOWN)
        data["sheets"]["axles"]["axles"][0]["left"]["bar"]["length"] = {"text": "430 mm"}
        self.assertIs(check_of(data, "a1.left.plunge").verdict, Verdict.FAILS)

    def test_without_any_mounts_the_unit_moves_the_usual_way_and_it_is_said(self) -> None:
        data = job("plover")
        data["sheets"]["mounts"] = {}
        assumed = evaluate(JobFile.model_validate(data)).axles.assumed
        self.assertTrue(any("no mounts are entered" in one.text for one in assumed))

    def test_what_can_not_be_is_asked_about_by_its_field(self) -> None:
        side = "axles__0__left__"
        one_point = {"x": {"text": "2 mm"}, "y": {"text": "542 mm"}, "z": {"text": "276 mm"}}
        for changes, field in (
            ({f"{side}outer__heights": [one_point] * 3}, "axles.axles.0.left.outer"),
            ({f"{side}outer__droop": "2000 mm"}, "axles.axles.0.left.outer"),
            ({f"{side}outer__strap": "120 mm"}, "axles.axles.0.left.outer.strap"),
            ({f"{side}bar__diameter": "31 mm"}, "axles.axles.0.left.bar.inner_spline.outside"),
            ({f"{side}bar__inner_spline__root": "27 mm"}, "axles.axles.0.left.bar.inner_spline.root"),
        ):
            with self.subTest(field):
                queries = evaluate(JobFile.model_validate(job("plover", **changes))).axles.queries
                self.assertIn(field, [one.field for one in queries])
        with self.assertRaises(ValidationError):
            JobFile.model_validate(job("plover", axles__0__left__bar__inner_spline__teeth=0))

    def test_a_carrier_that_turns_with_its_arm_takes_the_joints_own_line_along(self) -> None:
        """Arm and output in one upright plane: what the arm turns by, the outer joint bends less or more by."""
        data = job("plover")
        outer = data["sheets"]["axles"]["axles"][0]["left"]["outer"]
        outer.update(kind="pivots", pivot_a=_at(-100, 200, 290), pivot_b=_at(100, 200, 290), ride=_at(-10, 542, 290))
        outer["strap"] = {"text": "0 mm"}
        data["sheets"]["mounts"] = {}
        data["sheets"]["placement"]["travel"] = {"text": "0 mm"}
        rows = evaluate(JobFile.model_validate(data)).axles.axles[0].left.heights
        for row in rows:
            arm = math.degrees(math.asin(row.height_mm / 342))
            bar = math.degrees(math.atan2(row.outer_mm[2] - 302, row.outer_mm[1] - 145))
            self.assertAlmostEqual(row.outer_deg, abs(bar - arm), delta=0.02)

    def test_both_joints_in_one_place_are_asked_about(self) -> None:
        data = job("plover")
        outer = data["sheets"]["axles"]["axles"][0]["left"]["outer"]
        outer.update(kind="pivots", ride=_at(-10, 145, 302), pivot_a=_at(400, 100, 300), pivot_b=_at(400, 200, 300))
        queries = evaluate(JobFile.model_validate(data)).axles.queries
        self.assertIn("away from the outer joint's centre", queries[0].text)

    def test_a_front_wheel_bends_most_at_a_lock(self) -> None:
        data = job("plover")
        side = data["sheets"]["axles"]["axles"][0]["left"]
        side.update(
            steers=True,
            steered={
                "pin_top": _at(-10, 560, 420),
                "pin_bottom": _at(10, 580, 180),
                "to_left": {"text": "32 deg"},
                "to_right": {"text": "28 deg"},
            },
        )
        check = check_of(data, "a1.left.outer")
        self.assertIn("left lock", check.says)
        self.assertGreater(check.demand or 0, 32)


def _differential(kind: str | None) -> dict[str, Any]:
    data = job("plover")
    data["sheets"]["axles"]["axles"][0]["differential"] = kind
    return data


def _at(x: float, y: float, z: float) -> dict[str, Any]:
    return {axis: {"text": f"{value} mm"} for axis, value in zip("xyz", (x, y, z), strict=True)}


class EndsTest(TestCase):
    def test_a_makers_figure_left_out_never_makes_a_shaft_hold(self) -> None:
        for path, keys in (
            ("inner__plunge_bent", ("plunge",)),
            ("inner__angle", ("inner", "plunge")),
            ("inner__plunge", ("plunge",)),
            ("outer__angle", ("outer",)),
            ("outer__fast", ("outer_fast",)),
            ("inner__rating", ("inner_torque",)),
            ("outer__rating", ("outer_torque",)),
        ):
            gone: dict[str, Any] = {f"axles__0__{path}": None}
            for key in keys:
                with self.subTest(path, key=key):
                    verdict = check_of(job("plover", **gone), f"a1.right.{key}").verdict
                    self.assertIn(verdict, (Verdict.FAILS, Verdict.NOT_KNOWN))

    def test_plunge_past_the_angle_that_is_stated_is_not_known(self) -> None:
        check = check_of(job("plover"), "a1.left.plunge")
        self.assertIs(check.verdict, Verdict.NOT_KNOWN)
        self.assertIn("past the inner joint's greatest angle", check.missing[-1])

    def test_a_wheel_of_which_nobody_says_whether_it_steers_is_not_known(self) -> None:
        unsaid = job("plover", axles__0__right__steers=None)
        self.assertIn("steers", " ".join(check_of(unsaid, "a1.right.outer").missing))
        rear = job("plover", axles__0__right__steers=None, axles__0__which=None)
        rear["sheets"]["axles"]["axles"][0]["which"] = "rear"
        self.assertNotIn("steers", " ".join(check_of(rear, "a1.right.outer").missing))

    def test_joints_and_splines_bear_the_torque_of_their_side(self) -> None:
        for path, key in (
            ("inner__rating", "inner_torque"),
            ("outer__rating", "outer_torque"),
        ):
            weak: dict[str, Any] = {f"axles__0__{path}": "500 N.m"}
            self.assertIs(check_of(job("plover", **weak), f"a1.left.{key}").verdict, Verdict.FAILS)
        short: dict[str, Any] = {"axles__0__left__bar__inner_spline__engaged": "10 mm"}
        for key in ("inner_spline", "inner_spline_engaged"):
            self.assertIs(check_of(job("plover", **short), f"a1.left.{key}").verdict, Verdict.FAILS)
