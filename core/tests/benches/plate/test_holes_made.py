"""Holes by what holds them: what is drawn, what is left between them, and what their screws clamp."""

import copy
import math
from typing import Any
from unittest import TestCase

from driveline.checks import Verdict
from driveline.drawing.model import Circle, Layer, Path, Text
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.parts.release import release_of
from driveline.parts.results import HoleRow, PartResult
from tests.benches.axles.jobs import AT
from tests.demo import demo_json
from tests.jobs import check_of


def made(*holes: dict[str, Any], **joint: Any) -> JobResult:
    """Wren, with holes made as given."""
    data = demo_json("wren")
    sheet = data["sheets"]["plate"]
    sheet["plate"]["holes"] = list(holes)
    sheet["flange_joint"] |= joint
    return evaluate(JobFile.model_validate(data))


def plate_of(result: JobResult) -> PartResult:
    return next(part for part in result.parts if part.key == "plate.plate")


def row(result: JobResult, name: str) -> HoleRow:
    return next(one for one in plate_of(result).hole_table if one.id == name)


class HoleMadeTest(TestCase):
    def test_each_is_cut_and_named_by_what_holds_in_it(self) -> None:
        cases: tuple[tuple[dict[str, Any], float, float, str], ...] = (
            ({"held": "tapped", "thread": "M10"}, 10.0, 8.5, "tap M10"),  # M10 × 1.5
            ({"held": "stud", "thread": "M8"}, 8.0, 6.75, "stud"),
            ({"held": "fitted", "size": {"text": "12 mm"}}, 12.0, 9.5, "ream"),
            ({"held": "nut", "size": {"text": "11 mm"}}, 11.0, 11.0, "cut"),
        )
        for rule, finished, cut, words in cases:
            with self.subTest(**rule):
                result = made({"which": "H3", **rule})
                self.assertAlmostEqual(row(result, "H3").finished_mm, finished)
                self.assertIn(words, row(result, "H3").made)
                entities = plate_of(result).views[0].drawing.entities
                circles = [e for e in entities if isinstance(e, Circle) and e.part == "flange:H3"]
                least = 10.0  # waterjet through 10 mm of plate: what is smaller is drilled
                layers = {e.layer for e in circles}
                self.assertIn(Layer.CUT if cut >= least else Layer.MARK, layers)
                self.assertEqual(row(result, "H2").made, "cut")

    def test_one_that_is_not_drilled_is_not_there_and_not_counted_on(self) -> None:
        result = made({"which": "H3", "held": "left_out"})
        self.assertNotIn("H3", [one.id for one in plate_of(result).hole_table])
        joint = next(one for one in result.plate.joints if one.name == "flange")
        self.assertEqual(joint.count, next(one for one in made().plate.joints if one.name == "flange").count - 1)

    def test_a_counterbore_says_its_side_and_takes_its_room(self) -> None:
        sunk = {"counterbore": {"text": "60 mm"}, "counterbore_depth": {"text": "4 mm"}, "counterbore_side": "motor"}
        result = made({"which": "H5", "held": "clearance", **sunk})
        words = [e.text for e in plate_of(result).views[0].drawing.entities if isinstance(e, Text)]
        self.assertTrue(any("cb Ø" in text and "motor side" in text for text in words))
        ligament = check_of(result, "plate.ligament")
        self.assertIs(ligament.verdict, Verdict.FAILS)
        self.assertIn("H5", ligament.says)
        for name in sunk:
            less = {key: value for key, value in sunk.items() if key != name}
            half = check_of(made({"which": "H5", "held": "clearance", **less}), "plate.ligament")
            self.assertIn(half.verdict, (Verdict.NOT_KNOWN, Verdict.FAILS), name)
            self.assertIn("Counterbore of H5: diameter, depth and side", half.missing)

    def test_a_slot_runs_along_the_circle_and_keeps_off_by_its_ends(self) -> None:
        slot = {"which": "motor", "held": "slot", "slot": {"text": "2 deg"}}
        result = made(slot)
        paths = [e for e in plate_of(result).views[0].drawing.entities if isinstance(e, Path) and e.part == "motor:M1"]
        (path,) = paths
        self.assertIs(path.layer, Layer.CUT)
        radii = sorted({round(math.hypot(v.x_mm, v.y_mm), 6) for v in path.vertices})
        self.assertEqual(radii, [134 - 5.5, 134 + 5.5])
        self.assertAlmostEqual(path.vertices[0].bulge, math.tan(math.radians(2) / 2))
        before, after = (check_of(one, "plate.ligament").capacity or 0.0 for one in (made(), result))
        self.assertLess(after, before)

    def test_a_slot_too_narrow_to_cut_is_marked_and_milled(self) -> None:
        slot = {"which": "motor", "held": "slot", "slot": {"text": "2 deg"}, "size": {"text": "9 mm"}}
        result = made(slot)
        entities = plate_of(result).views[0].drawing.entities
        (path,) = [e for e in entities if isinstance(e, Path) and e.part == "motor:M1"]
        self.assertIs(path.layer, Layer.MARK)
        self.assertIn("mill a slot", row(result, "M1").made)

    def test_holes_made_alike_are_one_line_of_the_sheet(self) -> None:
        data = demo_json("wren")
        data["sheets"]["plate"]["plate"]["holes"] = [{"which": "flange", "held": "tapped", "thread": "M10"}]
        part = REGISTRY.part(JobFile.model_validate(data), "plate.plate")
        (line,) = [one for one in part.made_to if "tap M10" in one]
        self.assertTrue(line.startswith("H1, H2, "))

    def test_every_pair_of_holes_is_told_once(self) -> None:
        shown = plate_of(made({"which": "motor", "held": "slot", "slot": {"text": "3 deg"}})).ligaments
        pairs = [frozenset((one.a, one.b)) for one in shown]
        self.assertEqual(len(pairs), len(set(pairs)))

    def test_a_slot_far_too_long_is_asked_about_and_takes_no_time(self) -> None:
        for size, turn in (("9 mm", "9000 deg"), ("0.000001 mm", "30 deg")):
            slot = {"which": "motor", "held": "slot", "slot": {"text": turn}, "size": {"text": size}}
            result = made(slot)
            self.assertLess(len(plate_of(result).hole_table), 40)
        self.assertIn(
            "slotted", " ".join(check_of(made(slot | {"slot": {"text": "31 deg"}}), "plate.ligament").missing)
        )

    def test_the_bore_is_no_hole_of_a_pattern(self) -> None:
        for name in ("bore", "foot"):
            self.assertIn("bore", [one.id for one in plate_of(made({"which": name, "held": "left_out"})).hole_table])

    def test_plot_and_check_say_the_same(self) -> None:
        cases: tuple[tuple[dict[str, Any], ...], ...] = (
            (),
            ({"which": "motor", "held": "slot", "slot": {"text": "2 deg"}},),
            ({"which": "flange", "held": "tapped", "thread": "M12"},),
            ({"which": "H5", "held": "nut", "size": {"text": "30 mm"}},),
        )
        for holes in cases:
            with self.subTest(holes):
                data = demo_json("wren")
                data["sheets"]["plate"]["plate"] |= {"holes": list(holes), "turned": {"text": "-5 deg"}}
                result = evaluate(JobFile.model_validate(data))
                check, clocking = check_of(result, "plate.ligament"), result.plate.clocking
                assert clocking is not None
                assert check.capacity and check.demand
                at = clocking.angle_deg.index(355.0)
                self.assertAlmostEqual(clocking.share[at], check.capacity / check.demand, places=3)


class ClampTest(TestCase):
    def grip(self, *holes: dict[str, Any], **joint: Any) -> float | None:
        result = made(*holes, **joint)
        working = check_of(result, "plate.flange_screw_clear").working
        given = [one for step in working.steps for one in getattr(step, "given", ()) if one.name == "t_grip"]
        return given[0].value if given else None

    def test_what_is_clamped_is_what_the_screw_goes_through(self) -> None:
        flange = {"which": "flange", "clamps": {"text": "14 mm"}, "clamps_of": "aluminium"}
        self.assertEqual(self.grip(), 10.0)
        self.assertEqual(self.grip(flange | {"held": "tapped", "thread": "M10"}), 14.0)
        self.assertEqual(self.grip(flange | {"held": "nut"}), 24.0)

    def test_a_thread_in_the_plate_is_no_longer_than_the_plate(self) -> None:
        rule = {"which": "flange", "held": "tapped", "thread": "M10", "clamps": {"text": "14 mm"}}
        deep = check_of(made(rule), "plate.flange_engagement")
        self.assertLessEqual(deep.capacity or 0.0, 10.0)
        unsaid = check_of(
            made({key: value for key, value in rule.items() if key != "clamps"}), "plate.flange_engagement"
        )
        self.assertIs(unsaid.verdict, Verdict.NOT_KNOWN)

    def test_the_floor_under_every_sunk_head_is_judged(self) -> None:
        sunk = {"counterbore": {"text": "18 mm"}, "counterbore_side": "gearbox", "held": "clearance"}
        for which in ("motor", "flange", "H3"):
            for depth, verdict in ((3, Verdict.HOLDS), (9, Verdict.FAILS), (11, Verdict.FAILS)):
                with self.subTest(which, depth=depth):
                    result = made(sunk | {"which": which, "counterbore_depth": {"text": f"{depth} mm"}})
                    key = "counterbore_floor" if which == "motor" else "flange_counterbore_floor"
                    self.assertIs(check_of(result, f"plate.{key}").verdict, verdict)

    def test_a_head_sunk_unlike_the_others_leaves_the_joint_open(self) -> None:
        odd = {"which": "H3", "counterbore": {"text": "18 mm"}, "counterbore_depth": {"text": "3 mm"}}
        result = made(odd | {"held": "clearance", "counterbore_side": "gearbox"})
        self.assertIs(check_of(result, "plate.flange_friction").verdict, Verdict.NOT_KNOWN)

    def test_a_larger_hole_or_a_slot_leaves_a_head_less_to_bear_on(self) -> None:
        def pressure(**rule: Any) -> float:
            return check_of(made({"which": "motor", **rule}), "plate.motor_head").demand or 0.0

        as_drawn = check_of(made(), "plate.motor_head").demand or 0.0
        self.assertAlmostEqual(pressure(held="clearance"), as_drawn)
        larger = pressure(held="clearance", size={"text": "13 mm"})
        self.assertAlmostEqual(larger / as_drawn, (20**2 - 11**2) / (20**2 - 13**2), places=6)  # a head of 20 on 11
        self.assertGreater(pressure(held="slot", slot={"text": "1 deg"}), as_drawn)


class ReleasedTest(TestCase):
    def test_what_is_made_otherwise_than_released_is_said(self) -> None:
        """A thread, a slot, a relief and a register's depth: none of them moves a circle."""
        sensor = {
            "name": "sensor",
            "side": "gearbox",
            "points": [{"x": {"text": "0 mm"}, "y": {"text": "95 mm"}}],
            "width": {"text": "10 mm"},
            "stands_out": {"text": "5 mm"},
            "cut": "pocket",
            "room": {"text": "3 mm"},
            "depth": {"text": "6 mm"},
        }
        register = {"size": {"text": "150 mm"}, "side": "motor", "kind": "bore", "depth": {"text": "5 mm"}}
        slot = {"which": "motor", "held": "slot", "slot": {"text": "1 deg"}}
        data = demo_json("wren")
        data.pop("build", None)
        plate = data["sheets"]["plate"]["plate"]
        plate |= {"reliefs": [sensor], "registers": [register], "holes": [slot], "bore": {"text": "120 mm"}}
        part = REGISTRY.part(JobFile.model_validate(data), "plate.plate")
        release = release_of(part, job_name="Wren", after=None, side="first", by="fabricator", at=AT, revision=1)
        data["build"] = {"releases": [release.model_dump(mode="json")], "incoming": []}

        def differs(**changes: Any) -> list[str]:
            changed = copy.deepcopy(data)
            changed["sheets"]["plate"]["plate"] |= changes
            state = plate_of(evaluate(JobFile.model_validate(changed))).released
            assert state is not None
            return [one.feature for one in state.differs]

        self.assertEqual(differs(), [])
        self.assertEqual(differs(registers=[register | {"depth": {"text": "4 mm"}}]), ["R1"])
        self.assertEqual(differs(reliefs=[sensor | {"depth": {"text": "5 mm"}}]), ["P1"])
        self.assertEqual(differs(reliefs=[sensor | {"room": {"text": "5 mm"}}]), ["P1"])
        self.assertEqual(differs(reliefs=[]), ["P1"])
        self.assertEqual(set(differs(holes=[slot | {"slot": {"text": "2 deg"}}])), {f"M{k}" for k in range(1, 7)})
        self.assertIn("H2", differs(holes=[slot, {"which": "H2", "held": "stud", "thread": "M10"}]))
