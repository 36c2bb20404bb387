from typing import Any
from unittest import TestCase

from pydantic import ValidationError

from driveline.benches.brief.results import BriefResult
from driveline.benches.brief.sheet import BriefSheet
from driveline.checks import Check, Verdict
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile, Sheets
from driveline.survey.sheet import Survey
from driveline.survey.solve import Fit, solve_survey
from tests.demo import WRONG_READING, demo_job, demo_json, plate_parts, wren_measured_again
from tests.jobs import said


def check_of(result: JobResult, key: str) -> Check:
    return next(check for check in result.checks if check.key == key)


def wren_with(**changes: Any) -> JobResult:
    """Evaluate Wren with values put at dotted paths of its sheets."""
    data = demo_json("wren")
    for path, value in changes.items():
        *parents, last = path.split("__")
        place = data["sheets"]
        for name in parents:
            place = place[name]
        place[last] = value
    return evaluate(JobFile.model_validate(data))


def brief_of(sheet: dict[str, Any]) -> BriefResult:
    job = JobFile(name="brief alone", sheets=Sheets.model_validate({"brief": BriefSheet.model_validate(sheet)}))
    found: BriefResult = evaluate(job).brief
    return found


class BriefTest(TestCase):
    def test_an_empty_brief_names_all_its_gaps_and_its_defaults(self) -> None:
        result = brief_of({})
        fields = {todo.field for todo in result.to_do}
        self.assertLessEqual({"brief.vehicle.kerb_mass", "brief.tyre", "brief.motor.peak_torque"}, fields)
        self.assertIn("rolling resistance C_rr 0.012", [assumed.text for assumed in result.assumed])
        self.assertIsNone(result.rolling_circumference_mm)

    def test_the_surest_tyre_method_is_used_unless_another_is_asked_for(self) -> None:
        tyre = demo_json("wren")["sheets"]["brief"]["tyre"]
        for use, circumference_mm in [("best", 1835.0), ("code", 1832.44), ("loaded_radius", 1825.75)]:
            brief = brief_of({"tyre": {**tyre, "use": use}})
            self.assertAlmostEqual(brief.rolling_circumference_mm or 0, circumference_mm, places=1)

    def test_an_implausible_roll_out_is_queried_and_never_used(self) -> None:
        tyre = {"code": "165 R 13", "roll_out": {"text": "5505 mm"}, "roll_out_turns": 1}
        result = brief_of({"tyre": tyre})
        self.assertEqual(result.rolling_method, "tyre code")
        self.assertIn("no road tyre's", result.queries[0])

    def test_pi_times_the_free_diameter_is_queried(self) -> None:
        tyre = {"code": "195/65R15", "roll_out": {"text": "1993 mm"}}  # π × 634.5
        result = brief_of({"tyre": tyre})
        self.assertIn("free diameter", result.queries[0])

    def test_a_curve_goes_before_peak_figures(self) -> None:
        curve = [{"rpm": 0, "peak_nm": 150, "continuous_nm": 80}, {"rpm": 8000, "peak_nm": 50, "continuous_nm": 40}]
        motor = {"peak_torque": {"text": "999 Nm"}, "greatest_rpm": {"text": "8000"}, "curve": curve}
        plot = brief_of({"motor": motor}).motor
        self.assertEqual((plot.peak_nm[0], plot.peak_nm[30]) if plot else None, (150.0, 100.0))


class SheetsTest(TestCase):
    def test_messages_name_the_field_and_the_fix(self) -> None:
        for sheet, words in [
            ({"brief": {"vehicle": {"kerb_mass": {"text": "heavy"}}}}, "does not start with a number"),
            ({"brief": {"vehicle": {"wheelbase": {"text": "-2350"}}}}, "below zero"),
            ({"ratios": {"final_drives": [{"name": "x", "ratio": {"text": "411"}}]}}, "not a driveline's"),
            ({"plate": {"survey": {"holes": [{"id": "C", "diameter": {"text": "8"}}]}}}, "shaft's centre"),
            (
                {"plate": {"survey": {"readings": [{"kind": "x", "a": "H1", "frame": "s", "reading": {"text": "1"}}]}}},
                "not among the holes",
            ),
            ({"brief": {"vehicle": {"crr": float("nan")}}}, "crr"),
            ({"brief": {"vehicle": {"colour": "green"}}}, "colour"),
        ]:
            with self.subTest(words), self.assertRaisesRegex(ValidationError, words):
                JobFile.model_validate({"name": "Job", "sheets": sheet})


class RatiosTest(TestCase):
    def test_the_demo_vans_gearing(self) -> None:
        """By hand: 3rd 1.37 × 37/9 = 5.632; 115 km/h is 1044.5 wheel rpm on 1835 mm."""
        result = evaluate(demo_job("wren"))
        self.assertAlmostEqual(check_of(result, "motor.top_speed").demand or 0, 5882.6, delta=1)
        self.assertAlmostEqual(check_of(result, "propshaft.speed").demand or 0, 4293.9, delta=1)
        # 235 N·m × 1.25, and 0.96 on the way through the box.
        self.assertAlmostEqual(check_of(result, "gearbox.torque").demand or 0, 293.75, places=2)
        self.assertAlmostEqual(check_of(result, "propshaft.torque").demand or 0, 293.75 * 1.37 * 0.96, places=2)
        chosen = next(one for one in result.ratios.candidates if one.is_chosen)
        self.assertAlmostEqual(chosen.overall_ratio, 1.37 * 37 / 9)
        # The motor's side of the tyres: 235 × 5.632 × 0.96 × 0.995 × 0.95 × 0.99.
        self.assertAlmostEqual(chosen.launch_wheel_nm, 235 * 1.37 * 37 / 9 * 0.96 * 0.995 * 0.95 * 0.99, places=1)

    def test_every_combination_stands_side_by_side_and_beaten_ones_say_by_whom(self) -> None:
        result = evaluate(demo_job("wren"))
        self.assertEqual(len(result.ratios.candidates), 16)  # (none, 1.75) × 4 gears × 2 final drives
        by_key = {one.key: one for one in result.ratios.candidates}
        for one in result.ratios.candidates:
            if one.beaten_by:
                better = by_key[one.beaten_by]
                self.assertGreaterEqual(better.top_kmh, one.top_kmh - 1e-3)
                self.assertLessEqual(better.cruise_rpm, one.cruise_rpm + 1e-3)

    def test_out_of_motor_speed_is_said(self) -> None:
        """Bittern: 9.1 × 37/9 = 37.41 leaves it out of motor speed: 15500 rpm is 59.7 km/h on 2401.6 mm."""
        result = evaluate(demo_job("bittern"))
        self.assertIs(check_of(result, "motor.top_speed").verdict, Verdict.FAILS)
        self.assertAlmostEqual(result.ratios.candidates[0].top_kmh, 15500 / 37.4111 * 0.06 * 2.40157, places=1)
        self.assertEqual(result.ratios.candidates[0].top_set_by, "motor speed")

    def test_two_axles_share_the_torque_after_unit_and_transfer_box(self) -> None:
        line = evaluate(demo_job("bittern")).line
        assert line is not None
        torque = {station.key: row[5] for station, row in zip(line.stations, line.cases[0].torque_nm, strict=True)}
        self.assertAlmostEqual(
            (torque["rear.propshaft"] or 0) / (torque["drive_unit"] or 1), 9.1 * 0.96 * 0.97 / 2, places=2
        )

    def test_missing_figures_are_not_known_and_asked_for(self) -> None:
        result = wren_with(brief__vehicle__kerb_mass=None, brief__vehicle__laden_mass=None, ratios__choice=None)
        for key in ("road.top_speed", "road.hill_start", "road.overrun_wet", "ratios.choice"):
            self.assertIs(check_of(result, key).verdict, Verdict.NOT_KNOWN)
            self.assertTrue(check_of(result, key).missing)
        self.assertIsNone(wren_with(brief__motor={}).line)
        self.assertEqual(wren_with(ratios__final_drives=[]).ratios.to_do[0].field, "ratios.final_drives")

    def test_a_choice_that_is_no_longer_there_counts_as_none(self) -> None:
        result = wren_with(ratios__choice={"gear": "5th", "final_drive": "4.11"})
        self.assertIsNone(result.ratios.chosen)
        self.assertFalse(result.line.is_chosen if result.line else True)

    def test_wanted_margins_are_the_jobs_own(self) -> None:
        stated = check_of(wren_with(margins={"maker_rating": 1.2}), "gearbox.torque")
        self.assertIs(stated.verdict, Verdict.FAILS)
        self.assertFalse(stated.wanted_is_default)
        self.assertTrue(check_of(wren_with(), "gearbox.torque").wanted_is_default)


class SurveyTest(TestCase):
    def test_the_demos_wrong_reading_is_named_in_words(self) -> None:
        result = solve_survey(demo_job("wren").sheets.plate.survey).result
        self.assertIs(result.readings[WRONG_READING].fit, Fit.SUSPECT)
        self.assertRegex(said(result.says[0]), r"^H4–H5 looks (1\.[89]|2\.[01]) mm long; measure it again\.$")
        self.assertEqual(result.next_reading and result.next_reading.replaces, WRONG_READING)

    def test_measured_again_all_agree(self) -> None:
        result = solve_survey(wren_measured_again().sheets.plate.survey).result
        self.assertEqual([one.label for one in result.readings if one.fit is not Fit.FITS], [])
        self.assertEqual(result.says, ())

    def test_left_out_it_stays_in_the_list_and_out_of_the_fit(self) -> None:
        data = demo_json("wren")["sheets"]["plate"]["survey"]
        data["readings"][WRONG_READING] |= {"left_out": True, "why": "jaws slipped"}
        result = solve_survey(Survey.model_validate(data)).result
        self.assertIs(result.readings[WRONG_READING].fit, Fit.LEFT_OUT)
        self.assertIn("jaws slipped", result.readings[WRONG_READING].says)
        self.assertLess(result.worst_w or 9, 3.29)

    def test_a_survey_from_the_gearbox_side_gives_the_same_plate(self) -> None:
        """The same flange seen from behind: numbers run the other way and the first hole's angle is mirrored."""
        data = demo_json("wren")["sheets"]["plate"]["survey"]
        front = solve_survey(Survey.model_validate(data)).result
        behind = solve_survey(
            Survey.model_validate(
                {**data, "seen_from": "gearbox", "numbered": "clockwise", "direction_at": {"text": "175 deg"}}
            )
        ).result
        for one, other in zip(front.holes, behind.holes, strict=True):
            self.assertAlmostEqual(one.x_mm, other.x_mm, places=3)
            self.assertAlmostEqual(one.y_mm, other.y_mm, places=3)

    def test_a_reading_without_a_tool_shows_its_default(self) -> None:
        holes = [{"id": f"H{k}", "diameter": {"text": "10"}} for k in (1, 2, 3)]
        readings = [{"kind": "inside", "a": "H1", "b": "H2", "reading": {"text": "90"}}]
        result = solve_survey(Survey.model_validate({"holes": holes, "readings": readings})).result
        self.assertTrue(result.readings[0].u_is_default)
        self.assertIn("1 readings without a tool", result.assumed[0].text)
        self.assertIs(result.readings[0].fit, Fit.ALONE)


class PlateBenchTest(TestCase):
    def test_verdicts_follow_the_wrong_reading(self) -> None:
        self.assertIs(check_of(evaluate(demo_job("wren")), "plate.readings_agree").verdict, Verdict.FAILS)
        self.assertIs(check_of(evaluate(wren_measured_again()), "plate.readings_agree").verdict, Verdict.HOLDS)

    def test_ligament_holds_tight_and_fails_as_the_motor_turns(self) -> None:
        for deg, verdict in [(-3, Verdict.HOLDS), (-5, Verdict.TIGHT), (24, Verdict.FAILS)]:
            with self.subTest(deg):
                result = wren_with(plate__plate__turned={"text": f"{deg} deg"})
                self.assertIs(check_of(result, "plate.ligament").verdict, verdict)

    def test_two_loose_registers_use_up_a_rigid_hubs_allowance(self) -> None:
        """Two Ø150 H7/g6 registers: 0.079 mm alone, over 0.05; then dowels reamed after indicating."""
        plays = [{"text": "0.079"}, {"text": "0.079"}]
        rigid = {"ratios__coupler": "rigid", "coupler__allowed_parallel": None}
        check = check_of(wren_with(plate__plate__register_plays=plays, **rigid), "plate.on_centre")
        self.assertIs(check.verdict, Verdict.FAILS)
        self.assertIn("ream dowels", check.says)
        dowels = wren_with(plate__plate__locating="dowels", ratios__coupler="rigid")
        self.assertAlmostEqual(check_of(dowels, "plate.on_centre").demand or 0, 0.03)
        self.assertIs(check_of(wren_with(ratios__coupler=None), "plate.on_centre").verdict, Verdict.NOT_KNOWN)

    def test_a_screw_past_the_depth_behind_the_face_fails(self) -> None:
        # 25 mm screw through a 2 mm washer and 10 mm of plate reaches 13 mm.
        for depth, verdict in [("15", Verdict.HOLDS), ("13.5", Verdict.TIGHT), ("12", Verdict.FAILS)]:
            result = wren_with(plate__face__depth_behind={"text": depth})
            self.assertIs(check_of(result, "plate.screw_clear").verdict, verdict)
        self.assertIs(check_of(wren_with(), "plate.screw_clear").verdict, Verdict.NOT_KNOWN)

    def test_edge_distance(self) -> None:
        for factor, verdict in [(2.0, Verdict.HOLDS), (1.55, Verdict.TIGHT), (1.2, Verdict.FAILS)]:
            result = wren_with(plate__plate__edge_factor=factor)
            self.assertIs(check_of(result, "plate.edge").verdict, verdict)

    def test_holes_too_small_for_the_cutter_are_marked(self) -> None:
        (part,) = plate_parts(wren_with(plate__plate__thickness={"text": "12 mm"}))
        made = {row.id: row.made for row in part.hole_table}
        self.assertEqual(made["H1"], "mark, drill by hand")  # Ø10.5 in 12 mm
        self.assertEqual(made["H3"], "cut")  # Ø12.2
        self.assertEqual(made["bore"], "cut small, machine")

    def test_two_holes_are_no_plate_yet(self) -> None:
        result = wren_with(plate={"survey": {"holes": [{"id": "H1", "diameter": {"text": "10"}}]}})
        self.assertEqual(plate_parts(result), ())
        self.assertTrue(result.plate.to_do)
