"""Propshafts: what shakes and what mends it, what they bear, and how the line turns as a whole."""

import copy
import math
from typing import Any
from unittest import TestCase

import numpy as np
from scipy.linalg import eigh

from driveline.checks import Verdict
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from tests.benches.axles.jobs import UNKNOWN, check_of, job
from tests.demo import demo_json


class LineTest(TestCase):
    def test_a_yoke_turned_as_was_found_drives_evenly(self) -> None:
        self.assertIs(check_of(job("bittern"), "l2.even").verdict, Verdict.FAILS)
        line = evaluate(JobFile.model_validate(job("bittern"))).axles.lines[1]
        turned = job("bittern", lines__1__tubes__0__phasing=f"{line.best_twist.phasing_deg} deg")
        self.assertIs(check_of(turned, "l2.even").verdict, Verdict.HOLDS)

    def test_phasing_not_stated_settles_nothing(self) -> None:
        check = check_of(job("bittern", lines__1__tubes__0__phasing=None), "l2.even")
        self.assertIs(check.verdict, Verdict.NOT_KNOWN)
        self.assertIn("yokes", " ".join(check.missing))

    def test_a_constant_velocity_joint_has_no_phasing(self) -> None:
        data = job("dunlin", lines__0__tubes__0__phasing="30 deg")
        queries = evaluate(JobFile.model_validate(data)).axles.queries
        self.assertEqual([one.field for one in queries], ["axles.lines.0.tubes.0.phasing"])

    def test_springs_wind_the_pinion_up_by_their_rate_or_as_was_seen_whichever_is_more(self) -> None:
        seen = check_of(job("wren", lines__0__winds_up="1 deg"), "l1.even").demand or 0
        both = check_of(job("wren", lines__0__winds_up="1 deg", lines__0__wind_nm_per_deg=300.0), "l1.even").demand or 0
        rated = check_of(job("wren", lines__0__winds_up=None, lines__0__wind_nm_per_deg=300.0), "l1.even").demand or 0
        self.assertGreater(both, seen)
        self.assertEqual(both, rated)
        neither = check_of(job("wren", lines__0__winds_up=None), "l1.even")
        self.assertIn("by what torque a degree", neither.missing[0])

    def test_a_pinion_that_winds_up_moves_its_joint_and_reaches_farther_either_way(self) -> None:
        """A joint 190 mm ahead of its axle rises by 190 sin 5°: 16.6 mm."""
        none: dict[str, Any] = {"lines__0__winds_up": "0 deg", "lines__0__winds_down": "0 deg"}
        before = check_of(job("wren", **none), "l1.j2.reach").demand or 0
        for way in none:
            with self.subTest(way):
                wound = job("wren", **{**none, way: "5 deg"})
                self.assertGreater(check_of(wound, "l1.j2.reach").demand or 0, before + 1)
        ahead, at_centre = (
            check_of(job("wren", lines__0__winds_up="8 deg", lines__0__pinion_ahead=one), "l1.j1.reach").demand
            for one in ("190 mm", "0 mm")
        )
        self.assertNotAlmostEqual(ahead or 0, at_centre or 0, places=2)
        for gone in ("winds_up", "winds_down", "pinion_ahead", "pinion_above"):
            changes: dict[str, Any] = {f"lines__0__{gone}": None}
            for key in ("l1.j2.reach", "l1.even", "l1.slip"):
                self.assertIn(check_of(job("wren", **changes), key).verdict, (UNKNOWN, Verdict.FAILS), (gone, key))

    def test_wound_up_and_laden_together_are_worse_than_either(self) -> None:
        def uneven(**changes: Any) -> float:
            return check_of(job("wren", lines__0__winds_down="0 deg", **changes), "l1.even").demand or 0

        both = uneven(lines__0__winds_up="3 deg")
        self.assertGreater(both, uneven(lines__0__winds_up="0 deg") * 2)
        self.assertGreater(both, uneven(lines__0__winds_up="3 deg", lines__0__laden="0 mm", lines__0__empty="0 mm") * 2)

    def test_a_lone_cross_is_judged_on_what_is_comfortable(self) -> None:
        self.assertEqual(check_of(job("dunlin"), "l1.even").capacity, 300)
        self.assertEqual(check_of(job("wren"), "l1.even").capacity, 400)

    def test_a_slip_spline_is_judged_where_it_is_drawn_out_most(self) -> None:
        wren = check_of(job("wren"), "l1.t1.slip_spline")
        shallow = job("wren", lines__0__tubes__0__slip_spline__engaged="36 mm")
        self.assertLess((check_of(shallow, "l1.t1.slip_spline").margin or 9) * 2, wren.margin or 0)
        self.assertIs(check_of(shallow, "l1.t1.slip_spline_engaged").verdict, Verdict.FAILS)

    def test_flange_bolts_are_asked_about_and_judged(self) -> None:
        unsaid = job("wren", lines__0__box_flange={})
        self.assertIs(check_of(unsaid, "l1_box_flange_bolts").verdict, UNKNOWN)
        few = job("wren", lines__0__box_flange__joint__is_fitted=False)
        self.assertIs(check_of(few, "l1_box_flange_friction").verdict, Verdict.FAILS)

    def test_a_joint_bears_what_its_maker_says(self) -> None:
        self.assertIs(
            check_of(job("wren", lines__0__joints__1__rating="300 N.m"), "l1.j2.torque").verdict, Verdict.FAILS
        )
        self.assertIs(check_of(job("wren", lines__0__joints__1__rating=None), "l1.j2.torque").verdict, UNKNOWN)

    def test_the_gearing_takes_the_stricter_of_what_is_typed_and_what_was_measured(self) -> None:
        def ratios(**changes: Any) -> tuple[float | None, tuple[str, ...]]:
            found = evaluate(JobFile.model_validate(job("wren", **changes)))
            torque = next(one for one in found.checks if one.key == "propshaft.torque").capacity
            return torque, tuple(tick.text for tick in found.line.ticks) if found.line else ()

        self.assertEqual(ratios()[0], 900)
        self.assertEqual(ratios(lines__0__joints__0__rating="700 N.m")[0], 700)
        steep, level = ({"falls": {"text": one}, "left": {"text": "0 deg"}} for one in ("9 deg", "4 deg"))
        self.assertIn("propshaft joint angle", " ".join(ratios(lines__0__box=steep)[1]))
        self.assertNotIn("propshaft joint angle", " ".join(ratios(lines__0__box=level)[1]))

    def test_modes_of_the_line_in_each_gear_against_an_independent_sum(self) -> None:
        """Rotor, wheels and vehicle on coupler, tube, half shafts and tyres: K θ = ω² J θ, in Wren's second gear."""
        found = evaluate(JobFile.model_validate(job("wren")))
        gear, turning = found.axles.turning.gears[1], found.axles.turning
        final = 4.1111111
        tube = 79.23e9 * math.pi / 32 * (0.0508**4 - 0.0466**4) / (math.hypot(1100, 89) / 1000)
        half = 2 * math.degrees(120)
        spring = 1 / (1 / half + 1 / (tube * final**2))
        self.assertAlmostEqual(math.degrees(gear.nm_per_deg) / spring, 1, places=4)
        rolls_m = 1.8349976  # a turn, by its tyre
        vehicle = 1080 * (rolls_m / (2 * math.pi)) ** 2
        inertia = np.diag([0.045 * gear.motor_turns**2, 1.4, vehicle])
        tyres = 2 * math.degrees(280)
        stiff = np.array([[spring, -spring, 0], [-spring, spring + tyres, -tyres], [0, -tyres, tyres]])
        hz = np.sqrt(np.maximum(eigh(stiff, inertia, eigvals_only=True), 0)) / (2 * math.pi)
        self.assertTrue(np.allclose(hz[1:], [gear.shuffle_hz, gear.wheels_hz], rtol=1e-4))
        joints = next(one for one in turning.meets if one.gear == "2nd" and "rocks" in one.text)
        wheel_hz_a_kmh = 1000 / 3600 / rolls_m
        self.assertAlmostEqual(joints.kmh, hz[1] / (2 * final) / wheel_hz_a_kmh, delta=0.2)

    def test_a_case_that_folds_the_line_does_not_hide_how_it_runs_at_rest(self) -> None:
        before, after = job("wren"), job("wren", lines__0__winds_up="80 deg")
        for key in ("l1.j2.runs", "l1.j2.life"):
            self.assertEqual(check_of(after, key).verdict, check_of(before, key).verdict)
        self.assertIsNot(check_of(after, "l1.j2.reach").verdict, Verdict.HOLDS)

    def test_what_shakes_at_a_speed_comes_round_as_often_as_it_turns(self) -> None:
        """At 90 km/h in Wren's gear: wheels 25/rolls, the shaft 4.11 times as often, its joints twice a turn."""
        self.assertIsNone(evaluate(JobFile.model_validate(job("wren"))).axles.shakes)
        found = evaluate(JobFile.model_validate(job("wren", turning__shakes_at="90 km/h"))).axles
        shakes = found.shakes
        assert shakes is not None
        hz = {(one.what, one.per_turn): one.hz for one in shakes.shakes}
        line = found.lines[0].name
        wheels = 25 / 1.8349976
        self.assertAlmostEqual(hz["wheels", 1], wheels, delta=0.01)
        self.assertAlmostEqual(hz[line, 1], 4.1111111 * wheels, delta=0.05)
        self.assertAlmostEqual(hz[line, 2], 2 * hz[line, 1])
        self.assertEqual([one.hz for one in shakes.shakes], sorted(one.hz for one in shakes.shakes))
        # At the speeds where the joints meet a mode of the gear that was chosen, the mode stands beside them.
        near = []
        for meet in found.turning.meets:
            met = evaluate(JobFile.model_validate(job("wren", turning__shakes_at=f"{meet.kmh} km/h"))).axles.shakes
            assert met is not None
            near += [(meet.gear, one.what, one.per_turn) for one in met.shakes if one.near]
        self.assertIn((line, 2), [(what, times) for _, what, times in near])

    def test_a_mode_of_the_unit_on_its_mounts_stands_beside_what_meets_it(self) -> None:
        """Bittern's wheels turn as often as its lowest mode shakes at its frequency times their circumference."""
        data = copy.deepcopy(demo_json("bittern"))
        modes = evaluate(JobFile.model_validate(data)).mounts.modes
        kmh = modes[0].frequency_hz * 2.40157 * 3.6
        data["sheets"]["axles"].setdefault("turning", {})["shakes_at"] = {"text": f"{kmh:.4f} km/h"}
        shakes = evaluate(JobFile.model_validate(data)).axles.shakes
        assert shakes is not None
        wheels = next(one for one in shakes.shakes if one.what == "wheels")
        self.assertAlmostEqual(wheels.hz, modes[0].frequency_hz, places=2)
        self.assertIn(f"the unit on its mounts, {modes[0].name}, at", wheels.near)
        data["sheets"]["mounts"]["mounts"][0]["upright_n_per_mm"] = None
        unknown = evaluate(JobFile.model_validate(data)).axles.shakes
        assert unknown is not None
        self.assertIn("How the unit shakes on its mounts, at Mounts", unknown.missing)

    def test_too_straight_a_cross_does_not_roll(self) -> None:
        data = job("wren", lines__0__box={"falls": {"text": "4.626 deg"}, "left": {"text": "0 deg"}})
        check = check_of(data, "l1.j1.runs")
        self.assertIs(check.verdict, Verdict.FAILS)
        self.assertIn("do not roll", check.says)

    def test_nothing_that_takes_up_length_fails(self) -> None:
        data = job("wren")
        data["sheets"]["axles"]["lines"][0]["tubes"][0]["slips"] = False
        self.assertIs(check_of(data, "l1.slip").verdict, Verdict.FAILS)

    def test_the_tube_as_measured_governs_the_gearing_where_it_is_stricter(self) -> None:
        def critical(data: dict[str, Any]) -> float | None:
            found = evaluate(JobFile.model_validate(data)).checks
            return next(one for one in found if one.key == "propshaft.speed").capacity

        self.assertEqual(critical(job("wren")), 6400)
        thinner = critical(job("wren", lines__0__tubes__0__outside="44 mm"))
        self.assertLess(thinner or 0, 6000)

    def test_a_line_that_folds_is_asked_about(self) -> None:
        data = job("bittern")
        data["sheets"]["axles"]["lines"][1]["pinion"]["falls"] = {"text": "80 deg"}
        found = evaluate(JobFile.model_validate(data)).axles
        self.assertIn("less than 60°", found.queries[0].text)

    def test_a_line_without_places_says_which_joint(self) -> None:
        data = job("bittern")
        data["sheets"]["axles"]["lines"][1]["joints"][1]["at"] = {}
        missing = check_of(data, "l2.even").missing
        self.assertIn("Front propshaft, joint 2", " ".join(missing))
