"""A bracket that is a plate on standoffs."""

import io
from typing import Any
from unittest import TestCase

import numpy as np
from ezdxf.entities.circle import Circle
from ezdxf.entities.lwpolyline import LWPolyline
from ezdxf.filemanagement import read

from driveline.benches.mounts.patterns import parts_of
from driveline.benches.mounts.sheet import MountsSheet
from driveline.benches.mounts.standoffs import legs_of
from driveline.checks import Check, Verdict
from driveline.drawing.dxf import write_dxf
from driveline.job.file import REGISTRY, JobFile
from driveline.job.offered import sought
from driveline.parts.drawings import part_drawings
from tests.benches.mounts.test_mounts import PLOVER, changed, mm, solved
from tests.workings.test_workings import faults_of

KEYS = ("arm", "standoff_plate", "legs_buckle", "weld", "base", "fatigue", "beside", "reach")
LEGS: dict[str, Any] = {
    "across": mm(100),
    "upright": mm(90),
    "outside": mm(30),
    "wall": mm(5),
    "foot": mm(60),
    "is_stepped": False,
}
STEPPED = {"is_stepped": True, "lower_left": mm(0), "lower_right": mm(0), "upper_left": mm(20), "upper_right": mm(20)}
BRACKET = {"kind": "standoffs", "breadth": mm(150), "depth": mm(140), "wall": mm(12), "beside": mm(0)}


def job(legs: dict[str, Any] | None = None, **bracket: Any) -> dict[str, Any]:
    made = changed(PLOVER, {f"mounts.0.bracket.{name}": value for name, value in {**BRACKET, **bracket}.items()})
    made["sheets"]["mounts"]["mounts"][0]["bracket"]["legs"] = {**LEGS, **(legs or {})}
    return made


def checks(legs: dict[str, Any] | None = None, **bracket: Any) -> dict[str, Check]:
    found = solved(job(legs, **bracket))[1]
    return {key: found[f"mounts.m1.{key}"] for key in KEYS}


class StandoffsTest(TestCase):
    def test_every_leg_its_weld_and_the_plate_are_judged_and_no_arm_is(self) -> None:
        found = solved(job())[1]
        self.assertNotIn("mounts.m1.walls", found)
        for key, one in checks().items():
            with self.subTest(key):
                self.assertNotEqual(one.verdict, Verdict.NOT_KNOWN, one.missing)
                self.assertEqual(faults_of(one, one.working), [])

    def test_what_is_not_known_of_it_is_named_and_nothing_is_judged(self) -> None:
        for legs, words in (
            ({"across": None}, "its legs apart, across"),
            ({"wall": None}, "the wall of its legs"),
            ({"foot": None}, "what stands on its plate"),
            ({"is_stepped": None}, "a flat face or a stepped one"),
            ({**STEPPED, "upper_left": None}, "each leg is longer"),
            ({"across": mm(140)}, "a plate that its legs stand within"),
            ({"across": mm(20)}, "legs that can be made"),
            ({"wall": mm(16)}, "legs that can be made"),
            ({**STEPPED, "upper_left": mm(-400)}, "legs that can be made"),
        ):
            with self.subTest(words):
                found = checks(legs)
                for key in ("arm", "standoff_plate", "legs_buckle", "weld"):
                    self.assertIs(found[key].verdict, Verdict.NOT_KNOWN)
                    self.assertTrue(any(words in one for one in found[key].missing), found[key].missing)

    def test_on_a_stepped_face_the_short_legs_bear_more(self) -> None:
        level, stepped = checks()["arm"], checks(STEPPED)["arm"]
        self.assertIn("lower", stepped.says)
        self.assertNotEqual(level.margin, stepped.margin)

    def test_its_plate_is_a_part_with_a_hole_over_each_leg_and_says_what_to_saw(self) -> None:
        def plate(legs: dict[str, Any] | None = None) -> Any:
            sheet = MountsSheet.model_validate(job(legs, length=mm(100))["sheets"]["mounts"])
            return next(part for part in parts_of(sheet) if part.key == "mounts.m1_standoff")

        part = plate()
        self.assertEqual(part.thickness_mm, 12.0)
        np.testing.assert_allclose([(h.x_mm, h.y_mm) for h in part.holes], [(25, 25), (125, 25), (125, 115), (25, 115)])
        self.assertIn("saw four of", part.made_to[1])
        self.assertIn("upper left", plate(STEPPED).made_to[1])

    def test_read_again_its_cut_file_has_each_leg_where_it_is_judged(self) -> None:
        file = JobFile.model_validate(job(STEPPED, length=mm(100)))
        part = REGISTRY.part(file, "mounts.m1_standoff")
        space = read(io.StringIO(write_dxf(part_drawings(part, file.name)[0]))).modelspace()
        (edge,) = (one for one in space if isinstance(one, LWPolyline) and one.dxf.layer == "CUT")
        corners = np.array([(x, y) for x, y in edge.get_points("xy")])
        np.testing.assert_allclose(np.ptp(corners, axis=0), (150, 140), atol=0.05)
        marked = np.array([one.dxf.center.vec2 for one in space if isinstance(one, Circle)]) - corners.mean(axis=0)
        legs = legs_of(file.sheets.mounts.mounts[0].bracket, "", 100.0, 205_000).legs
        assert legs is not None
        np.testing.assert_allclose(marked, legs.places_mm, atol=0.05)
        np.testing.assert_allclose(legs.lengths_mm, (88, 88, 108, 108))

    def test_it_stands_in_the_scene_as_a_plate_and_four_legs_and_beside_an_unknown_side_as_all_it_may_be(self) -> None:
        def drawn(**bracket: Any) -> list[str]:
            result, _ = solved(job(STEPPED, **bracket))
            return [piece.kind for piece in result.mounts[0].pieces]

        self.assertEqual(drawn(), ["box", *["round"] * 4])
        self.assertEqual(drawn(beside=mm(15), lies_to=None), ["box"])
        self.assertEqual(drawn(beside=mm(15), lies_to="front"), ["box", *["round"] * 4])

    def test_finite_elements_of_its_plate_are_below_the_sum_by_hand(self) -> None:
        found = sought(REGISTRY, JobFile.model_validate(job()), "mounts.m1_plate")
        assert found.picture is not None
        self.assertIn("by hand", found.says)
        self.assertGreater(len(found.picture.patches), 500)

    def test_the_lightest_plate_and_legs_that_hold_are_found_and_hold(self) -> None:
        """Legs of 2 mm wall are too thin under a plate that is too thin: both are mended."""
        weak = job({"wall": mm(2)}, wall=mm(3))
        self.assertIs(solved(weak)[1]["mounts.m1.arm"].verdict, Verdict.FAILS)
        found = sought(REGISTRY, JobFile.model_validate(weak), "mounts.m1_mend")
        taken = {one.field.split("bracket.")[1]: {"text": one.text} for one in found.fields if "kind" not in one.field}
        after = checks({"wall": taken.pop("legs.wall")}, **taken)
        for key in KEYS[:6]:
            self.assertIs(after[key].verdict, Verdict.HOLDS, after[key].says)
