"""Build-ups, sleeves and overhang: by hand first, then through the whole bench."""

import math
from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.checks import Verdict
from driveline.errors import ImpossibleInput
from driveline.flat.buildup import face_tilt, foot_holes
from driveline.flat.holes import bolt_circle_mm
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from driveline.metal.overhang import heel_tension_n, hub_tilt_deg
from driveline.metal.sleeves import sleeve, tube_stress_mpa
from tests.demo import demo_json, plate_parts
from tests.jobs import check_of

STEEL: dict[str, float] = {"modulus_mpa": 206_000, "poisson": 0.3}
# Hub radius over rim radius, and θ E t³/M: Roark's Formulas for Stress and Strain, 7th ed., table 11.2, trunnion on a
# plate clamped at its rim, ν = 0.3.
TRUNNION = [(0.1, 1.149), (0.2, 0.595), (0.3, 0.320), (0.4, 0.167), (0.5, 0.081), (0.6, 0.035), (0.7, 0.013)]


def wren(**changes: Any) -> JobResult:
    """Wren with parts of its plate sheet changed: bench__field=value."""
    data = demo_json("wren")
    data.pop("build", None)
    data["sheets"]["plate"]["survey"]["readings"][11]["reading"]["text"] = "96.47"
    for path, value in changes.items():
        *parents, last = path.split("__")
        place = data["sheets"]
        for name in parents:
            place = place.setdefault(name, {})
        place[last] = value
    return evaluate(JobFile.model_validate(data))


class FaceTiltTest(TestCase):
    def test_one_long_leg_of_three_by_hand(self) -> None:
        # Three on Ø300, at 0, 120 and 240°; the first 0.3 long. The plane rises 0.3 over 225 mm towards it.
        found = face_tilt(bolt_circle_mm(count=3, circle_mm=300, first_at_deg=0), [60.3, 60.0, 60.0])
        self.assertAlmostEqual(found.tilt_deg, math.degrees(math.atan(0.3 / 225)), places=9)
        self.assertAlmostEqual(found.high_at_deg % 360, 0, places=6)
        np.testing.assert_allclose(found.take_off_mm, (0.3, 0, 0), atol=1e-9)
        self.assertAlmostEqual(found.rock_mm, 0, places=9)

    def test_four_legs_of_which_one_is_short_rock(self) -> None:
        found = face_tilt(bolt_circle_mm(count=4, circle_mm=200, first_at_deg=0), [50, 50, 50, 49.6])
        self.assertAlmostEqual(found.rock_mm, 0.1, places=9)  # a quarter of what is missing stays at every leg
        self.assertAlmostEqual(found.high_at_deg, 90, places=6)

    @given(st.integers(3, 8), st.floats(80, 400), st.floats(20, 200), st.floats(-1, 1), st.floats(-1, 1))
    def test_a_plane_is_found_again(self, count: int, circle: float, mean: float, a_deg: float, b_deg: float) -> None:
        xy = bolt_circle_mm(count=count, circle_mm=circle, first_at_deg=17)
        a, b = math.tan(math.radians(a_deg)), math.tan(math.radians(b_deg))
        found = face_tilt(xy, list(mean + xy @ np.array([a, b])))
        self.assertAlmostEqual(found.tilt_deg, math.degrees(math.atan(math.hypot(a, b))), places=6)
        self.assertAlmostEqual(found.rock_mm, 0, places=6)

    def test_what_spans_no_plane_is_refused(self) -> None:
        line = np.array([[0.0, 0.0], [10.0, 0.0], [20.0, 0.0]])
        for xy, lengths in [(line, [1, 2, 3]), (line[:2], [1, 2]), (line, [1, 2])]:
            with self.assertRaises(ImpossibleInput):
                face_tilt(xy, lengths)


class SmallPartsTest(TestCase):
    def test_foot_holes_of_each_row_by_hand(self) -> None:
        found = foot_holes(along_mm=200, across_mm=240, from_face_mm=120, rows=[("kept", 0), ("drilled", -12)])
        self.assertEqual([hole.id for hole in found], ["A1", "A2", "A3", "A4", "B1", "B2", "B3", "B4"])
        self.assertEqual((found[0].x_mm, found[0].y_mm, found[6].x_mm, found[6].y_mm), (120, -120, 308, 120))
        with self.assertRaises(ImpossibleInput):
            foot_holes(along_mm=0, across_mm=240, from_face_mm=0, rows=[("kept", 0)])

    def test_a_sleeve_fills_what_the_screw_leaves(self) -> None:
        made = sleeve(hole_mm=14.0, screw_mm=10.0)  # (14 − 10)/2 less 0.1 of running clearance
        self.assertAlmostEqual(made.wall_mm, 1.9)
        self.assertEqual((made.outside_mm, made.inside_mm, made.can_be_turned), (13.9, 10.1, True))
        self.assertFalse(sleeve(hole_mm=11.5, screw_mm=10.0).can_be_turned)
        with self.assertRaises(ImpossibleInput):
            sleeve(hole_mm=10.1, screw_mm=10.0)

    def test_a_tube_carries_preload_over_area(self) -> None:
        # 30 kN on Ø16 × Ø10.5: π/4 (256 − 110.25) = 114.47 mm², 262 MPa.
        self.assertAlmostEqual(tube_stress_mpa(force_n=30_000, outside_mm=16, inside_mm=10.5), 262.08, places=1)
        with self.assertRaises(ImpossibleInput):
            tube_stress_mpa(force_n=1, outside_mm=10, inside_mm=10)


class OverhangTest(TestCase):
    def test_a_hub_leans_as_the_text_has_it(self) -> None:
        for share, coefficient in TRUNNION:
            lean = hub_tilt_deg(moment_nm=100, inner_mm=150 * share, outer_mm=150, thickness_mm=10, **STEEL)
            found = math.radians(lean) * STEEL["modulus_mpa"] * 10**3 / 100_000
            self.assertAlmostEqual(found, coefficient, delta=0.0006 + 0.003 * coefficient)

    @given(st.floats(20, 140), st.floats(4, 30), st.floats(1, 500))
    def test_twice_the_thickness_leans_an_eighth_and_twice_the_moment_twice(
        self, inner: float, thickness: float, moment: float
    ) -> None:
        def lean(moment_nm: float, thickness_mm: float) -> float:
            return hub_tilt_deg(moment_nm=moment_nm, inner_mm=inner, outer_mm=150, thickness_mm=thickness_mm, **STEEL)

        base = lean(moment, thickness)
        self.assertAlmostEqual(lean(moment, 2 * thickness) / base, 1 / 8, places=6)
        self.assertAlmostEqual(lean(2 * moment, thickness) / base, 2, places=6)

    def test_about_its_heel_by_hand(self) -> None:
        # Four on a square of 100, heel 20 below: y 20, 20, 120, 120; Σy² 29 600. 100 N·m: 405 N; the diagonal is worse.
        square = np.array([[-50, -50], [50, -50], [50, 50], [-50, 50]])
        straight = 100_000 * 120 / 29_600
        reach = math.hypot(50, 50)
        y = np.array([20, 20 + reach, 20 + reach, 20 + 2 * reach])
        diagonal = 100_000 * y.max() / (y**2).sum()
        self.assertAlmostEqual(heel_tension_n(square, 100, heel_mm=20), max(straight, diagonal), places=6)

    def test_impossible_sizes(self) -> None:
        for inner, thickness in [(0, 10), (150, 10), (50, 0), (math.nan, 10)]:
            with self.assertRaises(ImpossibleInput):
                hub_tilt_deg(moment_nm=1, inner_mm=inner, outer_mm=150, thickness_mm=thickness, **STEEL)


TWO = {"kind": "two_plates", "second_thickness": {"text": "12 mm"}}
LEGS = {"count": 4, "circle": {"text": "210"}, "hole": {"text": "13"}, "first_at": {"text": "20 deg"}}


class BuildUpBenchTest(TestCase):
    def test_two_plates_are_two_parts_with_the_standoffs_in_both(self) -> None:
        result = wren(plate__build_up={**TWO, "standoffs": {**LEGS, "length": {"text": "60"}}})
        gearbox, motor = plate_parts(result)
        kinds = [{hole.kind for hole in part.hole_table} for part in (gearbox, motor)]
        self.assertEqual(kinds, [{"flange", "standoff"}, {"motor", "standoff", "bore"}])
        self.assertEqual(result.plate.build_up.apart and result.plate.build_up.apart.nominal_mm, 10 + 60 + 12)
        self.assertEqual([part.cut and part.cut.thickness_mm for part in plate_parts(result)], [10, 12])
        self.assertIs(check_of(result, "plate.face_tilt").verdict, Verdict.NOT_KNOWN)
        # On standoffs the motor's holes are clear of the flange's: only the standoffs bar an angle.
        assert result.plate.clocking is not None
        self.assertTrue(all(pair.startswith("S") for pair in result.plate.clocking.closest))

    def test_measured_legs_are_judged_by_the_couplers_angle(self) -> None:
        # Wren's coupler is flexible, of no stated angle: 0.5°. Opposite legs on Ø210: 1 mm apart is 0.273°,
        # 1.75 is 0.477, 2 is 0.546.
        for apart, verdict in [(1.0, Verdict.HOLDS), (1.75, Verdict.TIGHT), (2.0, Verdict.FAILS)]:
            measured = [{"text": f"{60 + mm:g}"} for mm in (apart / 2, 0, -apart / 2, 0)]
            result = wren(
                plate__build_up={**TWO, "standoffs": {**LEGS, "measured": measured}}, coupler__allowed_angle=None
            )
            check = check_of(result, "plate.face_tilt")
            self.assertIs(check.verdict, verdict)
            self.assertAlmostEqual(check.demand or 0, math.degrees(math.atan(apart / 210)), places=6)

    def test_a_ring_makes_the_screws_of_its_joint_longer(self) -> None:
        plain = wren().plate.joints[1].shortest_mm or 0
        ring = {"kind": "ring", "ring": {"thickness": {"text": "8"}, "inside": {"text": "240"}}}
        result = wren(plate__build_up=ring)
        self.assertAlmostEqual((result.plate.joints[1].shortest_mm or 0) - plain, 8)
        self.assertEqual([part.key for part in plate_parts(result)], ["plate.plate", "plate.ring"])
        self.assertEqual(result.plate.build_up.apart and result.plate.build_up.apart.nominal_mm, 18)
        on_motor = wren(plate__build_up={**ring, "ring": {**ring["ring"], "on": "motor"}})  # type: ignore[dict-item]
        self.assertAlmostEqual((on_motor.plate.joints[1].shortest_mm or 0), plain)
        self.assertEqual(len(plate_parts(on_motor)[1].views[0].drawing.entities[0].vertices), 2)  # type: ignore[union-attr]

    def test_a_base_plate_has_its_rows_named_and_wants_shims(self) -> None:
        base = {
            "along": {"text": "200"},
            "across": {"text": "240"},
            "hole": {"text": "13.5"},
            "rows": [{"name": "spider kept", "shift": {"text": "0"}}, {"name": "shaft cut", "shift": {"text": "-30"}}],
        }
        for shaft, bed, verdict in [("112", "114.5", Verdict.HOLDS), ("116", "114.5", Verdict.FAILS)]:
            heights = {"shaft_height": {"text": shaft}, "bed_height": {"text": bed}}
            result = wren(plate__build_up={"kind": "base", "base": {**base, **heights}})
            self.assertIs(check_of(result, "plate.shim").verdict, verdict)
        (part,) = plate_parts(result)
        texts = [one.text for one in part.views[0].drawing.entities if one.shape == "text"]
        self.assertIn("A: SPIDER KEPT", texts)
        self.assertIn("B: SHAFT CUT", texts)
        self.assertEqual(tuple(view.drawing.seen_from for view in part.views), ("above", "below"))
        self.assertEqual(result.plate.joints, ())

    def test_faces_as_far_apart_as_asked(self) -> None:
        for wanted, verdict in [("10.2", Verdict.HOLDS), ("10.40", Verdict.TIGHT), ("11", Verdict.FAILS)]:
            result = wren(plate__build_up={"wanted_apart": {"text": wanted}})
            self.assertIs(check_of(result, "plate.faces_apart").verdict, verdict)
        unknown = wren(plate__build_up={"wanted_apart": {"text": "10"}}, plate__plate__thickness=None)
        self.assertIs(check_of(unknown, "plate.faces_apart").verdict, Verdict.NOT_KNOWN)

    def test_limits_of_every_length_add_up_at_worst(self) -> None:
        # 10 ± 0.1 and a ring of 8 ± 0.3: 18 ± 0.4 at worst, ± 0.316 likely, nine tenths of it the ring's.
        ring = {"thickness": {"text": "8 ±0.3"}, "inside": {"text": "240"}}
        build = {"kind": "ring", "ring": ring, "wanted_apart": {"text": "18.05"}}
        result = wren(plate__build_up=build, plate__plate__thickness={"text": "10 ±0.1"})
        apart = result.plate.build_up.apart
        assert apart is not None
        np.testing.assert_allclose((apart.worst_mm, apart.likely_mm), (0.4, math.hypot(0.1, 0.3)))
        np.testing.assert_allclose([one.share for one in apart.shares], (0.1, 0.9))
        self.assertAlmostEqual(check_of(result, "plate.faces_apart").demand or 0, 0.45)  # cold; 0.425 when 0.025 warmer

    def test_a_pressed_register_stretches_the_plate_and_wants_it_warm(self) -> None:
        """H7/s6 on 130: 0.092 to 0.117 over, 0.117 at most. Warm by (0.117 + 0.13)/(23e-6 × 130) = 82.6 K."""
        pressed = {"plate__plate__registers": [{"size": {"text": "130"}, "fit": "H7/s6"}]}
        result = wren(**pressed)
        self.assertAlmostEqual(result.plate.registers[0].warmer_k or 0, (0.117 + 0.13) / (23e-6 * 130), places=3)
        self.assertIs(check_of(result, "plate.register_pressed_1").verdict, Verdict.HOLDS)
        self.assertIs(
            check_of(wren(**pressed, plate__plate__made_of=None), "plate.register_pressed_1").verdict, Verdict.NOT_KNOWN
        )
        self.assertIsNone(
            wren(plate__plate__registers=[{"size": {"text": "130"}, "fit": "H7/g6"}]).plate.registers[0].warmer_k
        )

    def test_a_thin_plate_leans_under_a_motor_on_a_small_circle(self) -> None:
        small = {"plate__face__bolt_circle": {"text": "90"}, "plate__face__register_size": {"text": "60"}}
        stiff, soft = wren(**small), wren(**small, plate__plate__thickness={"text": "2"})
        ratio = (check_of(soft, "plate.lean").demand or 0) / (check_of(stiff, "plate.lean").demand or 1)
        self.assertAlmostEqual(ratio, 125, places=3)  # (10/2)³
        self.assertIs(check_of(stiff, "plate.lean").verdict, Verdict.HOLDS)
        self.assertIs(check_of(wren(plate__plate__made_of=None), "plate.lean").verdict, Verdict.NOT_KNOWN)

    def test_terminals_have_their_window_and_the_best_angle_stays_in_it(self) -> None:
        # Terminals at 12 o'clock on the face stay there reflected: 90° + φ. Window 50° to 140°; they take 50°.
        for deg, verdict in [(-15, Verdict.HOLDS), (25, Verdict.HOLDS), (26, Verdict.FAILS), (90, Verdict.FAILS)]:
            result = wren(plate__plate__turned={"text": f"{deg} deg"})
            self.assertIs(check_of(result, "plate.terminals").verdict, verdict, deg)
        clocking = wren().plate.clocking
        assert clocking is not None
        self.assertLessEqual(-15 - 1e-6, clocking.best_turn_deg)
        self.assertLessEqual(clocking.best_turn_deg, 25 + 1e-6)
        self.assertIs(check_of(wren(plate__plate__terminals_to=None), "plate.terminals").verdict, Verdict.NOT_KNOWN)
        narrow = wren(plate__plate__terminals_to={"text": "80 deg"})
        self.assertIs(check_of(narrow, "plate.terminals").verdict, Verdict.FAILS)

    def test_sleeves_where_holes_are_too_large_and_their_stress(self) -> None:
        (sleeves,) = wren().plate.joints[1].sleeves
        self.assertEqual((sleeves.holes, sleeves.hole_mm), (("H3", "H7"), 12.2))
        # 27.5 kN at most on Ø12.1 × Ø10.1: 788 MPa, and 1.5 is wanted.
        for yield_mpa, verdict in [
            (1400, Verdict.HOLDS),
            (1200, Verdict.TIGHT),
            (400, Verdict.FAILS),
            (None, Verdict.NOT_KNOWN),
        ]:
            result = wren(plate__flange_joint__crush_tube=True, plate__flange_joint__sleeve_yield_mpa=yield_mpa)
            self.assertIs(check_of(result, "plate.flange_sleeve").verdict, verdict)

    def test_a_motors_own_survey_stands_for_its_bolt_circle(self) -> None:
        """Four holes on Ø268 by their six distances and four radii: the very plate that the circle gives."""
        xy = bolt_circle_mm(count=4, circle_mm=268, first_at_deg=0)
        holes = [{"id": f"H{k + 1}", "diameter": {"text": "8.5", "u": 0.05}} for k in range(4)]
        readings = [
            {
                "kind": "distance",
                "a": f"H{i + 1}",
                "b": f"H{j + 1}",
                "reading": {"text": f"{math.dist(xy[i], xy[j]):.6f}"},
            }
            for i in range(4)
            for j in range(i + 1, 4)
        ] + [{"kind": "radius", "a": f"H{k + 1}", "reading": {"text": "134"}} for k in range(4)]
        survey = {"holes": holes, "readings": readings, "numbered": "anticlockwise", "seen_from": "gearbox"}
        by_survey = wren(plate__face__survey=survey)
        by_circle = wren(plate__face__count=4)
        places = [
            {
                row.id.replace("MH", "M"): (row.x_mm, row.y_mm)
                for row in result.parts[0].hole_table
                if row.kind == "motor"
            }
            for result in (by_survey, by_circle)
        ]
        self.assertEqual(places[0].keys(), places[1].keys())
        for name, xy_mm in places[0].items():
            np.testing.assert_allclose(xy_mm, places[1][name], atol=1e-3)
        self.assertIsNotNone(by_survey.plate.face_survey)
