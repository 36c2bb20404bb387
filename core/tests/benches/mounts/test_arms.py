"""A torque arm by itself: its tube straight or bent, its eyes, its welds, the ears at its ends."""

import math
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.checks import Check
from driveline.metal.ears import Ear, ear_stress
from driveline.metal.struts import secant_load_n, secant_stress_mpa
from tests.benches.mounts.test_mounts import FAILS, HOLDS, NOT_KNOWN, PLOVER, changed, mm, solved
from tests.workings.test_workings import faults_of

ARM = "mounts.2"
TUBE = {"area_mm2": 301.6, "gyration_mm": 8.6, "fibre_mm": 14.0, "length_mm": 180.0, "e_mpa": 205_000.0}


def checks(changes: dict[str, Any]) -> dict[str, Check]:
    every = solved(changed(PLOVER, {f"{ARM}.{name}": value for name, value in changes.items()}))[1]
    return {key.removeprefix("mounts.m3."): one for key, one in every.items() if key.startswith("mounts.m3.")}


class SecantTest(TestCase):
    def test_an_end_that_is_free_bears_as_a_pinned_strut_of_twice_the_length(self) -> None:
        free = secant_load_n(**TUBE, end_factor=2.0, offset_mm=4.0, yield_mpa=250.0)
        long = secant_load_n(**TUBE | {"length_mm": 360.0}, end_factor=1.0, offset_mm=4.0, yield_mpa=250.0)
        self.assertAlmostEqual(free, long, places=6)
        self.assertLess(free, secant_load_n(**TUBE, end_factor=1.0, offset_mm=4.0, yield_mpa=250.0))

    @given(st.floats(0.5, 2.0), st.floats(0.5, 40.0))
    def test_at_the_load_that_is_found_the_outer_fibre_yields(self, ends: float, offset: float) -> None:
        load = secant_load_n(**TUBE, end_factor=ends, offset_mm=offset, yield_mpa=250.0)
        self.assertAlmostEqual(secant_stress_mpa(load, **TUBE, end_factor=ends, offset_mm=offset), 250.0, places=4)


class ArmTest(TestCase):
    def test_a_bent_arm_bears_less_and_one_nobody_looked_at_is_not_known(self) -> None:
        straight = checks({})["strut"]
        margins = [checks({"bracket.beside": mm(size)})["strut"].margin or 0.0 for size in (0, 5, 20, 60)]
        self.assertAlmostEqual(margins[0], straight.margin or 1.0)
        self.assertEqual(margins, sorted(margins, reverse=True))
        self.assertIs(checks({"bracket.beside": mm(60)})["strut"].verdict, FAILS)
        self.assertIs(checks({"bracket.beside": None})["strut"].verdict, NOT_KNOWN)

    def test_an_eye_by_hand(self) -> None:
        """Both sides of a ring of 48 round 34, 40 wide: F over 14 × 40 mm², torn out at 0.4 of yield."""
        found = checks({})
        force = float(found["strut"].demand or 0)
        self.assertAlmostEqual(found["eye"].demand or 0, force / (14 * 40), places=6)
        self.assertIs(checks({"eye.outside": mm(36)})["eye"].verdict, FAILS)
        for size in ({"eye.bore": None}, {"eye.bore": mm(50)}):
            self.assertIs(checks(size)["eye"].verdict, NOT_KNOWN)

    def test_its_welds_by_hand_count_no_more_leg_than_the_tube_has_wall(self) -> None:
        found = checks({})
        force = float(found["strut"].demand or 0)
        self.assertAlmostEqual(found["weld"].demand or 0, force / (math.pi * 28 * 4 / math.sqrt(2)), places=6)
        thick = checks({"bracket.leg": mm(12)})
        self.assertAlmostEqual(thick["weld"].demand or 0, found["weld"].demand or 1)
        self.assertAlmostEqual(thick["fatigue"].demand or 0, found["fatigue"].demand or 1)
        self.assertIs(checks({"bracket.is_inspected": None})["weld"].verdict, NOT_KNOWN)

    def test_its_ears_bolt_and_tube_are_judged_as_those_of_any_mount(self) -> None:
        found = checks({})
        for key in ("ears", "ear_foot", "ear_weld", "ear_bolt", "ear_proof", "ear_engagement", "tube", "tube_length"):
            self.assertIs(found[key].verdict, HOLDS, key)
        self.assertIs(checks({"ears.bolt": mm(4)})["ear_bolt"].verdict, FAILS)
        self.assertIs(checks({"ears.thickness": None})["ears"].verdict, NOT_KNOWN)

    def test_an_eye_that_nothing_pulls_has_a_figure_all_the_same(self) -> None:
        ear = Ear(bolt_mm=34, hole_mm=34, thickness_mm=40, width_mm=48, edge_mm=7, root_mm=48, height_mm=24)
        found = ear_stress(ear, force_n=0.0, side_n=0.0, yield_mpa=225)
        self.assertEqual(found.governing_mpa, 0.0)
        self.assertTrue(math.isfinite(found.allowed_mpa))

    def test_their_workings_come_out(self) -> None:
        for changes in ({}, {"bracket.beside": mm(15)}):
            for check in checks(changes).values():
                self.assertEqual(faults_of(check, check.working), [], check.key)
