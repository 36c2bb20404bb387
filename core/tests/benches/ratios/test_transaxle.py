"""A kept transaxle: gears, final drive and differential in one casing, half shafts behind it."""

from typing import Any
from unittest import TestCase

from driveline.benches.mounts.cases import FORWARD_ROLL
from driveline.checks import Verdict
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from tests.jobs import GEARBOX, KEPT, box, check_of, keys_of, round_job, said, solved

AS_MADE: dict[str, Any] = {"unit_facing": "as_made", "kept_input": "clockwise", "oil_pump": "none"}
RUBBER = {"along_n_per_mm": 300, "across_n_per_mm": 260, "upright_n_per_mm": 620}


def turning(**changes: Any) -> JobResult:
    return solved("kept_transaxle", {**KEPT, "turning": {**AS_MADE, **changes}}, motor=ROTATING)


ROTATING = {
    "peak_torque": {"text": "200 Nm"},
    "peak_power": {"text": "125.66 kW"},
    "greatest_rpm": {"text": "6000 rpm"},
    "overrun_torque": {"text": "50 Nm"},
    "rotation": "clockwise",
}


def moments(layout: str, **more: Any) -> dict[str, float | None]:
    """What leaves the casing, by case, of a unit that is placed and has mounts."""
    data = round_job(layout, {**KEPT, "choice": {"gear": "2nd", "final_drive": "4.0"}, **more})
    data["sheets"]["mounts"] = {"mounts": [{"name": "left", "kind": "rubber", **RUBBER}]}
    result = evaluate(JobFile.model_validate(data))
    return {case.name: case.torque_nm for case in result.mounts.cases}


class LeavingTest(TestCase):
    """200 N·m × 1.5 through 2 × 0.9 × 4 × 0.9 is 1944 N·m about the axle; through the box alone 540 along the car."""

    def test_the_mounts_hold_the_wheels_torque(self) -> None:
        self.assertAlmostEqual(moments("kept_transaxle")["launch"] or 0, 300 * 2 * 0.9 * 4 * 0.9)
        self.assertAlmostEqual(moments("kept_transaxle")["launch backward"] or 0, -300 * 2 * 0.9 * 4 * 0.9)
        self.assertAlmostEqual(moments("kept_transaxle")["overrun"] or 0, -50 * 2 / 0.9 * 4 / 0.9)
        self.assertAlmostEqual(moments("kept_gearbox")["launch"] or 0, 300 * 2 * 0.9)

    def test_about_the_axle_and_not_along_the_car(self) -> None:
        data = round_job("kept_transaxle", {**KEPT, "choice": {"gear": "2nd", "final_drive": "4.0"}})
        data["sheets"]["mounts"] = {"mounts": [{"name": "left", "kind": "rubber", **RUBBER}]}
        launch = next(case for case in evaluate(JobFile.model_validate(data)).mounts.cases if case.name == "launch")
        assert launch.moment_nm is not None
        self.assertEqual(launch.moment_nm, tuple(-float(part) * 1944 for part in FORWARD_ROLL))

    def test_locked_wheels_are_the_same_both_ways_and_know_no_usual_loss(self) -> None:
        """Their axle's efficiency is nobody's figure: nothing is taken off for it."""
        found = moments("kept_transaxle")
        locked, back = found["wheels locked"], found["wheels locked, rolling back"]
        assert locked is not None and back is not None
        self.assertAlmostEqual(locked, -back)
        box_only = moments("kept_gearbox")["wheels locked"]
        assert box_only is not None
        self.assertAlmostEqual(box_only, locked / 4 * 0.9)  # of the final drive, which is stated

    def test_the_worst_gear_that_can_be_engaged_loads_them(self) -> None:
        gears = [box("2nd", "2.0", efficiency=0.9), box("1st", "2.5", efficiency=0.9)]
        shifted = moments("kept_transaxle", gearbox={"gears": gears, "use": "shifted"})
        left = moments("kept_transaxle", gearbox={"gears": gears, "use": "left_in_one"})
        self.assertAlmostEqual((shifted["launch"] or 0) / (left["launch"] or 1), 2.5 / 2)


class LineTest(TestCase):
    def test_there_is_no_propshaft_to_rate_and_none_takes_its_share(self) -> None:
        result = solved("kept_transaxle", KEPT)
        self.assertFalse([key for key in keys_of(result) if "propshaft" in key])
        assert result.line is not None
        self.assertEqual(
            [one.kind for one in result.line.stations],
            ["motor", "plate", "coupler", "gearbox", "final_drive", "axle", "wheel"],
        )

    def test_gears_and_a_final_drive_are_asked_for(self) -> None:
        for parts, words in (({"gearbox": GEARBOX}, "final drive"), ({"final_drives": KEPT["final_drives"]}, "gears")):
            result = solved("kept_transaxle", parts)
            self.assertTrue(any(words in said(one.text) for one in result.ratios.to_do), parts)


class TurningTest(TestCase):
    def test_as_it_was_made_it_turns_as_it_did(self) -> None:
        found = turning()
        self.assertIs(check_of(found, "turning.motor").verdict, Verdict.HOLDS)
        self.assertIs(check_of(found, "turning.kept_gears").verdict, Verdict.HOLDS)
        self.assertIn("its usual way", said(check_of(found, "turning.motor").says))

    def test_turned_about_the_motor_must_turn_the_other_way_and_its_final_drive_bears_less(self) -> None:
        found = turning(unit_facing="end_for_end")
        self.assertIn("against its usual way", said(check_of(found, "turning.motor").says))
        self.assertIs(check_of(found, "turning.kept_gears").verdict, Verdict.TIGHT)
        rated = {**KEPT, "final_drives": [box("4.0", "4.0", efficiency=0.9, rating={"text": "1000 Nm"})]}
        rating = []
        for facing in ("as_made", "end_for_end"):
            line = solved("kept_transaxle", {**rated, "turning": {"unit_facing": facing}}).line
            assert line is not None
            rating.append(next(one.rating_nm for one in line.stations if one.kind == "final_drive"))
        self.assertEqual(rating, [1000, 800])

    def test_a_pump_that_works_one_way_stops_when_it_is_turned_about(self) -> None:
        self.assertIs(check_of(turning(oil_pump="one_way"), "turning.oil_pump").verdict, Verdict.HOLDS)
        about = turning(oil_pump="one_way", unit_facing="end_for_end")
        self.assertIs(check_of(about, "turning.oil_pump").verdict, Verdict.FAILS)

    def test_what_is_not_said_of_how_it_stands_is_not_known(self) -> None:
        found = turning(unit_facing=None)
        for key in ("turning.motor", "turning.kept_gears", "turning.oil_level"):
            self.assertIs(check_of(found, key).verdict, Verdict.NOT_KNOWN, key)


class AskedTest(TestCase):
    def test_the_program_asks_where_figures_speak_against_the_layout(self) -> None:
        def asked(layout: str, driven: str, **more: Any) -> str:
            return " ".join(said(one) for one in solved(layout, {**KEPT, **more}, driven=driven).ratios.queries)

        shaft = {"propshaft": {"rating": {"text": "900 Nm"}}}
        self.assertIn("kept transaxle", asked("kept_gearbox", "front"))
        self.assertNotIn("kept transaxle", asked("kept_gearbox", "front", **shaft))
        self.assertNotIn("kept transaxle", asked("kept_gearbox", "rear"))
        self.assertIn("this layout has none", asked("kept_transaxle", "rear", **shaft))
        self.assertNotIn("this layout has none", asked("kept_transaxle", "rear"))
        unit = {"reductions": [box("unit", "8.0")]}
        self.assertIn("a drive unit has none", asked("axle_unit", "rear", **unit))


class BenchesTest(TestCase):
    def test_a_drive_unit_has_no_use_for_plate_and_coupler_unless_something_is_entered_there(self) -> None:
        def out(layout: str, **sheets: Any) -> set[str]:
            data = round_job(layout, {"reductions": [box("unit", "8.0")]})
            data["sheets"] |= sheets
            states = evaluate(JobFile.model_validate(data)).benches
            return {one.bench for one in states if not one.is_in_layout}

        self.assertEqual(out("axle_unit"), {"coupler", "plate"})
        self.assertEqual(out("kept_transaxle"), set())
        self.assertEqual(out("axle_unit", plate={"plate": {"thickness": {"text": "12 mm"}}}), {"coupler"})
