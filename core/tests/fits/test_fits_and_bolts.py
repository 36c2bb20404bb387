"""ISO 286 limits against the standard's tables, screws against the worked examples, joints by hand."""

import math
from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.checks import Verdict
from driveline.errors import ImpossibleInput
from driveline.fits.limits import fit, limits
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from driveline.metal.bolts import (
    ThreadLimits,
    bolt_class,
    engagement,
    friction_torque_nm,
    preload_n,
    quick_engagement_mm,
    thread,
    thread_limits,
    thread_names,
    usual_tightening_nm,
)
from driveline.metal.overhang import greatest_tension_n
from tests.demo import demo_json
from tests.jobs import check_of, said
from tests.test_worked_examples import EXAMPLES

WARM_MM = (23e-6 - 11.5e-6) * 60 * 130
# Limits of deviation in micrometres, upper then lower, as the standard prints them: ISO 286-2 tables by size.
DEVIATIONS = {
    "H7": {8: (15, 0), 15: (18, 0), 25: (21, 0), 40: (25, 0), 60: (30, 0), 100: (35, 0), 150: (40, 0), 180: (40, 0)},
    "H8": {8: (22, 0), 15: (27, 0), 25: (33, 0), 40: (39, 0), 60: (46, 0), 100: (54, 0), 150: (63, 0)},
    "h6": {8: (0, -9), 15: (0, -11), 25: (0, -13), 40: (0, -16), 60: (0, -19), 100: (0, -22), 150: (0, -25)},
    "g6": {
        8: (-5, -14),
        15: (-6, -17),
        25: (-7, -20),
        40: (-9, -25),
        60: (-10, -29),
        100: (-12, -34),
        150: (-14, -39),
    },
    "k6": {8: (10, 1), 15: (12, 1), 25: (15, 2), 40: (18, 2), 60: (21, 2), 100: (25, 3), 150: (28, 3)},
    "n6": {8: (19, 10), 15: (23, 12), 25: (28, 15), 40: (33, 17), 60: (39, 20), 100: (45, 23), 150: (52, 27)},
    "p6": {8: (24, 15), 15: (29, 18), 25: (35, 22), 40: (42, 26), 60: (51, 32), 100: (59, 37), 150: (68, 43)},
    "s6": {
        8: (32, 23),
        15: (39, 28),
        25: (48, 35),
        40: (59, 43),
        60: (72, 53),
        70: (78, 59),
        90: (93, 71),
        110: (101, 79),
        130: (117, 92),
        150: (125, 100),
        170: (133, 108),
    },
}


class FitsTest(TestCase):
    def test_limits_are_those_of_the_standards_tables(self) -> None:
        for zone, rows in DEVIATIONS.items():
            for nominal_mm, (upper_um, lower_um) in rows.items():
                with self.subTest(zone=zone, nominal_mm=nominal_mm):
                    found = limits(nominal_mm, zone)
                    self.assertAlmostEqual(1000 * (found.greatest_mm - nominal_mm), upper_um, places=6)
                    self.assertAlmostEqual(1000 * (found.least_mm - nominal_mm), lower_um, places=6)

    def test_a_step_belongs_to_the_sizes_up_to_it(self) -> None:
        self.assertAlmostEqual(limits(18, "H7").greatest_mm, 18.018)
        self.assertAlmostEqual(limits(18.001, "H7").greatest_mm, 18.022)

    def test_two_registers_of_150_use_up_0079(self) -> None:
        self.assertAlmostEqual(fit(150, "H7/g6").greatest_play_mm, 0.079)
        self.assertAlmostEqual(fit(150, "H7/g6").least_play_mm, 0.014)
        self.assertLess(fit(40, "H7/s6").greatest_play_mm, 0)

    def test_outside_the_tables_is_refused(self) -> None:
        for nominal_mm, zone in [(3, "H7"), (501, "H7"), (math.nan, "H7"), (40, "H9"), (40, "f7"), (40, ""), (40, "H")]:
            with self.subTest(zone), self.assertRaises(ImpossibleInput):
                limits(nominal_mm, zone)

    @given(st.floats(3.001, 500), st.sampled_from(sorted(DEVIATIONS)))
    def test_a_zone_is_as_wide_as_its_grade(self, nominal_mm: float, zone: str) -> None:
        found, hole = limits(nominal_mm, zone), limits(nominal_mm, f"H{zone[-1]}")
        self.assertAlmostEqual(found.greatest_mm - found.least_mm, hole.greatest_mm - hole.least_mm)


class BoltsTest(TestCase):
    def given_of(self, example_id: str) -> tuple[dict[str, Any], dict[str, float], float]:
        example = next(one for one in EXAMPLES if one["id"] == example_id)
        return example["given"], example["expect"], example["relative_tolerance"]

    def test_the_references_screw(self) -> None:
        given_, expect, tolerance = self.given_of("bolt-M10-8.8")
        size = thread("M10")
        strength = bolt_class("8.8", 10)
        force = preload_n(tightening_nm=given_["tightening_nm"], nut_factor=given_["K"], diameter_mm=10)
        proof = strength.proof_mpa * size.stress_area_mm2
        for found, key in [
            (size.stress_area_mm2, "stress_area_mm2"),
            (proof, "proof_load_n"),
            (force, "preload_n"),
            (force / proof, "share_of_proof"),
        ]:
            self.assertAlmostEqual(found / expect[key], 1, delta=tolerance)

    def test_the_references_circle_of_screws(self) -> None:
        given_, expect, tolerance = self.given_of("bolt-circle-friction")
        nominal = 0.75 * bolt_class("10.9", 10).proof_mpa * thread("M10").stress_area_mm2
        self.assertAlmostEqual(nominal / expect["nominal_preload_n"], 1, delta=tolerance)
        for share, key in [(1.0, "torque_at_nominal_nm"), (0.75, "torque_at_least_preload_nm")]:
            torque = friction_torque_nm(
                count=given_["count"], preload_n=share * nominal, circle_mm=given_["bolt_circle_mm"], mu=given_["mu"]
            )
            self.assertAlmostEqual(torque / expect[key], 1, delta=tolerance)

    def test_the_references_engagement(self) -> None:
        given_, expect, tolerance = self.given_of("thread-engagement-aluminium")
        sizes = ThreadLimits(**{key: mm for key, mm in given_.items() if key.endswith(("max_mm", "min_mm"))})
        kinds: dict[str, Any] = {"size": thread("M8"), "bolt_tensile_mpa": 800, "tapped_tensile_mpa": 310}
        found = engagement(sizes=sizes, **kinds)
        self.assertAlmostEqual(found.same_strength_mm / expect["same_strength_mm"], 1, delta=tolerance)
        self.assertAlmostEqual(found.strength_ratio / expect["J"], 1, delta=tolerance)
        self.assertAlmostEqual(found.least_mm / expect["least_engagement_mm"], 1, delta=tolerance)
        self.assertAlmostEqual(quick_engagement_mm(**kinds) / expect["quick_form_mm"], 1, delta=tolerance)
        # From the formulas that the tables are rounded from, instead of the tables: within 1 %.
        by_formula = engagement(sizes=thread_limits(thread("M8")), **kinds)
        self.assertAlmostEqual(by_formula.least_mm / expect["least_engagement_mm"], 1, delta=0.01)

    def test_inch_threads_have_their_own_stress_area(self) -> None:
        _, expect, tolerance = self.given_of("stress-area-inch")
        self.assertAlmostEqual(thread("3/8-16 UNC").stress_area_mm2 / expect["stress_area_mm2"], 1, delta=tolerance)

    def test_stress_areas_as_the_standard_prints_them(self) -> None:
        for name, area_mm2 in [
            ("M6", 20.1),
            ("M8", 36.6),
            ("M10", 58.0),
            ("M12", 84.3),
            ("M16", 157),
            ("M10x1.25", 61.2),
        ]:
            self.assertAlmostEqual(thread(name).stress_area_mm2 / area_mm2, 1, delta=0.003)

    def test_every_thread_can_be_worked_out(self) -> None:
        for name in thread_names():
            size = thread(name)
            found = engagement(size=size, sizes=thread_limits(size), bolt_tensile_mpa=800, tapped_tensile_mpa=400)
            self.assertTrue(0.4 * size.diameter_mm < found.same_strength_mm < 1.0 * size.diameter_mm, name)

    def test_what_is_not_known_is_refused(self) -> None:
        for call in (
            lambda: thread("M9"),
            lambda: bolt_class("8.8", 60),
            lambda: bolt_class("4.6", 10),
            lambda: greatest_tension_n(np.array([[0, 0], [10, 0], [20, 0]]), 100),
            lambda: greatest_tension_n(np.array([[0, 0], [10, 10]]), 100),
        ):
            with self.assertRaises(ImpossibleInput):
                call()

    def test_a_usual_torque_leaves_what_is_wanted_on_proof(self) -> None:
        size, strength = thread("M10"), bolt_class("8.8", 10)
        torque = usual_tightening_nm(size=size, strength=strength, nut_factor=0.15)
        greatest = 1.25 * preload_n(tightening_nm=torque, nut_factor=0.15, diameter_mm=10)
        self.assertGreaterEqual(strength.proof_mpa * size.stress_area_mm2 / greatest, 1.1)

    @given(st.integers(3, 12), st.floats(50, 400), st.floats(1, 1000))
    def test_on_an_even_circle_the_worst_screw_takes_2_m_over_n_r(
        self, count: int, circle_mm: float, moment_nm: float
    ) -> None:
        angle = np.arange(count) * 2 * np.pi / count
        xy = circle_mm / 2 * np.column_stack([np.cos(angle), np.sin(angle)])
        expected = 2 * moment_nm * 1000 / (count * circle_mm / 2)
        self.assertAlmostEqual(greatest_tension_n(xy, moment_nm) / expected, 1, delta=0.001)


def wren(**plate: Any) -> JobResult:
    """Evaluate Wren with parts of its plate sheet changed, such as ``motor_joint={"thread": "M8"}``."""
    data = demo_json("wren")
    for part, change in plate.items():
        data["sheets"]["plate"][part] |= change
    return evaluate(JobFile.model_validate(data))


class JointsTest(TestCase):
    def test_the_length_that_fits_is_found_between_thread_and_what_is_behind(self) -> None:
        """10 mm of plate and 2 of washer on 12.75 into the hole: from 24.8; to 16 behind the face: to 28."""
        result = wren(face={"depth_behind": {"text": "16 mm"}})
        joint = next(joint for joint in result.plate.joints if joint.name == "motor")
        self.assertAlmostEqual(joint.shortest_mm or 0, 24.75, places=1)
        self.assertAlmostEqual(joint.longest_mm or 0, 28)
        self.assertEqual(joint.stock_mm, [25])
        self.assertIs(check_of(result, "plate.screw_clear").verdict, Verdict.HOLDS)  # 13 in, 16 behind
        short = wren(face={"screw_length": {"text": "20 mm"}})
        self.assertIs(check_of(short, "plate.motor_engagement").verdict, Verdict.FAILS)
        self.assertIn("25 mm or 30 mm", said(check_of(short, "plate.motor_engagement").says))

    def test_a_weaker_thread_wants_more_of_it(self) -> None:
        needed = [
            next(j for j in wren(motor_joint={"tapped": tapped}).plate.joints if j.name == "motor").needed_in_mm or 0
            for tapped in ("steel", "aluminium_wrought", "cast_iron", "aluminium_cast")
        ]
        self.assertEqual(needed, sorted(needed))
        stated = wren(motor_joint={"tapped_mpa": 400})
        self.assertAlmostEqual(next(j for j in stated.plate.joints if j.name == "motor").needed_in_mm or 0, needed[0])

    def test_friction_and_hanging_by_hand(self) -> None:
        """M10 at 36 N·m, K 0.15: 24 kN, at least 18; over 12 of grip and 10 of its ends 0.008 mm settle: 205 GPa ×
        57.99 mm² × 0.008/22 = 4323 N. Six on Ø268 at 0.15: 6 × 0.15 × 13 677 × 0.134 = 1649.5 N·m.
        54 kg at 3 g, 150 mm out: 238.3 N·m, 2 M/(n r) = 592.8 N. Ø20 over Ø11: 219.1 mm², 30 kN: 136.9 MPa."""
        result = wren(motor_joint={"tightening": {"text": "36 Nm"}})
        least = 18_000 - 205_000 * thread("M10").stress_area_mm2 * 0.008 / 22
        self.assertAlmostEqual(least, 13_677, places=0)
        self.assertAlmostEqual(check_of(result, "plate.motor_friction").capacity or 0, 0.9 * least * 0.134)
        self.assertAlmostEqual(check_of(result, "plate.motor_hangs").demand or 0, 592.8, places=0)
        self.assertAlmostEqual(check_of(result, "plate.motor_hangs").capacity or 0, least)
        self.assertAlmostEqual(check_of(result, "plate.motor_head").demand or 0, 136.9, places=1)
        self.assertAlmostEqual(check_of(result, "plate.motor_proof").demand or 0, 30_592.8, places=0)

    def test_missing_figures_are_named(self) -> None:
        cases: list[tuple[dict[str, Any], str, str]] = [
            ({"motor_joint": {"thread": None}}, "plate.motor_engagement", "which thread"),
            ({"motor_joint": {"property_class": None}}, "plate.motor_proof", "Property class"),
            ({"motor_joint": {"tapped": None}}, "plate.motor_engagement", "screwed into"),
            ({"motor_joint": {"condition": None}}, "plate.motor_friction", "Tightening, condition"),
            ({"face": {"overhang": None}}, "plate.motor_hangs", "Centre of gravity"),
            ({"plate": {"made_of": None}}, "plate.motor_head", "made of"),
            ({"flange_joint": {"head": {"text": "12 mm"}}}, "plate.flange_head", "wider than the hole of 12.2 mm"),
            ({"flange_joint": {"depth_behind": None}}, "plate.flange_screw_clear", "Depth behind"),
        ]
        for change, key, words in cases:
            with self.subTest(key):
                check = check_of(wren(**change), key)
                self.assertIs(check.verdict, Verdict.NOT_KNOWN)
                self.assertIn(words, said(" ".join(check.missing)))

    def test_a_thread_nobody_makes_is_refused_by_name(self) -> None:
        with self.assertRaisesRegex(ValueError, "not a thread known here"):
            wren(motor_joint={"thread": "M9"})

    def test_a_register_made_to_a_fit_counts_with_its_greatest_play(self) -> None:
        """H7/g6 on 130: 0.040 + 0.039 = 0.079, 60 K warm 0.0897 more in aluminium; H7/p6 has none till warm."""
        before = check_of(wren(), "plate.on_centre").demand or 0
        result = wren(plate={"registers": [{"size": {"text": "130 mm"}, "fit": "H7/g6"}]})
        self.assertAlmostEqual((check_of(result, "plate.on_centre").demand or 0) - before, (0.079 + WARM_MM) / 2)
        (register,) = result.plate.registers
        self.assertAlmostEqual(register.bore_greatest_mm, 130.040)
        self.assertAlmostEqual(register.spigot_least_mm, 129.961)
        fitted = wren(plate={"registers": [{"size": {"text": "130 mm"}, "fit": "H7/p6"}]})
        self.assertAlmostEqual((check_of(fitted, "plate.on_centre").demand or 0) - before, (WARM_MM - 0.003) / 2)

    def test_play_that_can_not_be_met_names_the_fit_that_would(self) -> None:
        """Two H8/h6 on 150: 0.088 each, over a rigid hub's 0.05; H7/n6 leaves 0.013 each, where steel does not grow."""
        data = demo_json("wren")
        registers = [{"size": {"text": "150 mm"}, "fit": "H8/h6"}] * 2
        data["sheets"]["plate"]["plate"] |= {"registers": registers, "register_plays": [], "made_of": "steel"}
        data["sheets"]["ratios"]["coupler"] = "rigid"
        data["sheets"]["coupler"].pop("allowed_parallel")  # its maker's, of the flexible one
        check = check_of(evaluate(JobFile.model_validate(data)), "plate.on_centre")
        self.assertIs(check.verdict, Verdict.FAILS)
        self.assertIn("fit the registers H7/n6, or ream dowels", check.says)

    def test_dowels_have_their_limits(self) -> None:
        result = wren(plate={"dowel_size": {"text": "10 mm"}, "dowel_fit": "H7/n6"})
        dowel = result.plate.registers[-1]
        self.assertEqual(dowel.what, "dowel Ø10")
        self.assertAlmostEqual(dowel.bore_greatest_mm, 10.015)
        self.assertAlmostEqual(dowel.spigot_least_mm, 10.010)
