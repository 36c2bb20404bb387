"""The wall of a rail under a bracket, the seams of a boxed arm, room for a socket beside a weld."""

import math
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.benches.mounts.landings import LandingFound
from driveline.benches.mounts.lands_checks import bolt_to_arm_mm
from driveline.checks import Check
from driveline.metal.bolts import thread
from driveline.metal.chord_face import chord_face
from driveline.metal.spanners import socket_mm
from tests.benches.mounts.test_landings import straight_arm
from tests.benches.mounts.test_mounts import FAILS, HOLDS, NOT_KNOWN, PLOVER, changed, mm, solved
from tests.workings.test_workings import faults_of

FACE: dict[str, Any] = {
    "face_mm": 100.0,
    "wall_mm": 4.0,
    "foot_along_mm": 60.0,
    "foot_across_mm": 50.0,
    "yield_mpa": 235.0,
    "is_round": False,
}


def checks(changes: dict[str, Any]) -> dict[str, Check]:
    every = solved(changed(PLOVER, {f"mounts.0.bracket.{name}": value for name, value in changes.items()}))[1]
    return {key.removeprefix("mounts.m1."): one for key, one in every.items() if key.startswith("mounts.m1.")}


class ChordFaceTest(TestCase):
    def test_by_hand(self) -> None:
        """β 0.5, η 0.6: 235 × 16/0.5 × (1.2 + 4 √0.5) = 30.3 kN; 235 × 16 × 60 × (1/1.2 + 2/√0.5 + 1.2) = 1097 N·m."""
        found = chord_face(**FACE)
        self.assertAlmostEqual(found.pull_n, 235 * 16 / 0.5 * (1.2 + 4 * math.sqrt(0.5)), places=6)
        self.assertAlmostEqual(found.along_nmm, 235 * 16 * 60 * (1 / 1.2 + 2 / math.sqrt(0.5) + 0.6 / 0.5), places=3)
        across = 235 * 16 * (60 * 1.5 / (2 * 0.5) + math.sqrt(2 * 100 * 50 * 1.5 / 0.5))
        self.assertAlmostEqual(found.across_nmm, across, places=3)
        self.assertAlmostEqual(found.share(pull_n=found.pull_n, along_nmm=0, across_nmm=found.across_nmm), 2.0)

    @given(
        st.sampled_from(("wall_mm", "foot_along_mm", "foot_across_mm", "yield_mpa")),
        st.floats(1.0, 1.6),
        st.floats(10, 95),
        st.floats(10, 200),
    )
    def test_more_wall_or_a_larger_foot_never_bears_less(
        self, name: str, times: float, across: float, along: float
    ) -> None:
        sizes = FACE | {"foot_across_mm": across, "foot_along_mm": along}
        before, after = chord_face(**sizes), chord_face(**sizes | {name: sizes[name] * times})
        self.assertGreaterEqual(after.pull_n, before.pull_n * (1 - 1e-12))
        self.assertGreaterEqual(after.across_nmm, before.across_nmm * (1 - 1e-12))
        self.assertGreaterEqual(after.along_nmm, before.along_nmm * (1 - 1e-12))


class RailFaceTest(TestCase):
    def test_a_thin_wall_bends_in_and_what_nobody_looked_at_is_not_known(self) -> None:
        self.assertIs(checks({})["rail_face"].verdict, HOLDS)
        self.assertIs(checks({"base": mm(2)})["rail_face"].verdict, FAILS)
        for name in ("is_hollow", "face", "runs"):
            self.assertIs(checks({f"rail.{name}": None})["rail_face"].verdict, NOT_KNOWN, name)
        self.assertIs(checks({"rail.is_hollow": False, "rail.face": None})["rail_face"].verdict, HOLDS)

    def test_the_rail_has_a_yield_of_its_own_and_a_bracket_of_better_steel_flatters_nothing(self) -> None:
        plain, better = (checks(one)["rail_face"].margin for one in ({}, {"yield_mpa": 700}))
        self.assertEqual(plain, better)
        self.assertGreater(checks({"rail.yield_mpa": 355})["rail_face"].margin or 0, plain or 0)

    def test_a_rail_whose_walls_fill_it_is_not_hollow(self) -> None:
        self.assertIs(checks({"base": mm(60)})["rail_face"].verdict, NOT_KNOWN)

    def test_which_way_the_rail_runs_turns_its_foot(self) -> None:
        across, upright = (checks({"rail.runs": way})["rail_face"].margin or 0.0 for way in ("across", "upright"))
        self.assertNotAlmostEqual(across, upright)

    def test_their_workings_come_out(self) -> None:
        for changes in ({}, {"rail.runs": "upright"}, {"kind": "tube"}):
            for name, check in checks(changes).items():
                if name in ("rail_face", "seams"):
                    self.assertEqual(faults_of(check, check.working), [], check.key)


class SeamTest(TestCase):
    def test_the_seams_bear_the_shear_and_twist_of_the_arm(self) -> None:
        """By Bredt 2 (b - t)(d - t) takes its twist: a load farther beside it shears the seams more."""
        near, far = (checks({"beside": mm(size)})["seams"] for size in (12, 60))
        self.assertIs(near.verdict, HOLDS)
        self.assertGreater(far.demand or 0, 1.5 * (near.demand or 1))
        self.assertAlmostEqual(checks({"seam": mm(2)})["seams"].demand or 0, 2 * (near.demand or 1))
        self.assertAlmostEqual(
            checks({"seam": mm(20)})["seams"].demand or 0, checks({"seam": mm(6)})["seams"].demand or 1
        )

    def test_a_hollow_section_has_none_and_one_unsaid_is_not_known(self) -> None:
        self.assertIs(checks({"box_made": "section", "seam": None})["seams"].verdict, HOLDS)
        self.assertIs(checks({"box_made": None})["seams"].verdict, NOT_KNOWN)
        self.assertIs(checks({"seam": None})["seams"].verdict, NOT_KNOWN)


class SocketTest(TestCase):
    def test_sockets_are_those_of_the_standard_s_table(self) -> None:
        for name, outside in (("M8", 20.0), ("M12", 26.5), ("M16", 34.2)):
            self.assertAlmostEqual(socket_mm(thread(name)), outside, delta=0.3)

    def test_room_is_from_the_bolt_to_the_foot_of_the_weld(self) -> None:
        """Bolts 100 × 120 apart round 70 × 80: 15 and 20 mm off, so 25; round a tube of 80: 78.1 - 40."""
        found = LandingFound(size_mm=(150, 170), thickness_mm=16, apart_mm=(100, 120))
        self.assertAlmostEqual(bolt_to_arm_mm(found, straight_arm(), is_round=False), 25.0)
        self.assertAlmostEqual(bolt_to_arm_mm(found, straight_arm(), is_round=True), math.hypot(50, 60) - 40)
        near = LandingFound(size_mm=(150, 170), thickness_mm=16, apart_mm=(60, 60))
        self.assertEqual(bolt_to_arm_mm(near, straight_arm(), is_round=False), 0.0)

    def test_a_weld_that_is_larger_leaves_less(self) -> None:
        def margin(leg_mm: float) -> float:
            job = changed(PLOVER, {"mounts.1.bracket.leg": mm(leg_mm)})
            return solved(job)[1]["mounts.m2.landing_room"].margin or 0.0

        self.assertGreater(margin(4), margin(6))
        self.assertLess(margin(12), 1.0)
