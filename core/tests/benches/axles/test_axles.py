"""The shafts: what binds and what mends it, what a bar carries, what shakes, and what is ordered and comes back."""

import copy
import json
import math
from typing import Any
from unittest import TestCase

from pydantic import ValidationError

from driveline.checks import Check, Verdict
from driveline.figures import written
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.parts.ordered import Order, OrderedPart
from driveline.parts.records import Measure
from driveline.parts.release import release_of
from driveline.parts.released import judged
from tests.demo import demo_json

AT = "2026-11-26T09:00:00+00:00"


def job(name: str, **changes: Any) -> dict[str, Any]:
    """A demo job with fields of its shafts changed; ``None`` takes one away."""
    data = demo_json(name)
    for path, value in changes.items():
        *parents, last = path.split("__")
        place = data["sheets"]["axles"]
        for parent in parents:
            place = place[int(parent)] if parent.isdigit() else place[parent]
        place[int(last) if last.isdigit() else last] = {"text": value} if isinstance(value, str) else value
    return data


def plain(text: str) -> str:
    """A sentence as it is read, its hard spaces as plain ones."""
    return written(text).replace("\u00a0", " ")


def check_of(data: dict[str, Any], key: str) -> Check:
    return next(one for one in evaluate(JobFile.model_validate(data)).checks if one.key == f"axles.{key}")


def part_of(data: dict[str, Any], key: str) -> OrderedPart:
    part = REGISTRY.made_part(JobFile.model_validate(data), key)
    assert isinstance(part, OrderedPart)
    return part


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
        by_hand = math.degrees(math.atan(math.hypot(12, 26) / 397))
        self.assertAlmostEqual(check_of(job("plover"), "a1.left.ride").demand or 0, by_hand, delta=0.04)

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
        """Rotor 0.03 × 8.6² against the vehicle's mass at the axle, on two bars of 79 230 J/L each."""
        found = evaluate(JobFile.model_validate(job("plover"))).axles.axles[0]
        polar = math.pi * 25**4 / 32
        both = sum(79.23 * polar / length for length in (381, 379.5))
        self.assertAlmostEqual(found.left.twist_deg, math.degrees(1114.56 * 381 / (79.23 * polar)), places=3)
        alone_hz = math.sqrt(both / (0.03 * 8.6**2)) / (2 * math.pi)  # were the vehicle held
        self.assertAlmostEqual(found.shuffle_hz, alone_hz, delta=0.3)

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


class OrderTest(TestCase):
    def released(self, data: dict[str, Any], key: str = "axles.a1.left_bar") -> Any:
        return release_of(
            part_of(data, key), job_name="Plover", after=None, side="first", by="fabricator", at=AT, revision=1
        )

    def test_a_bar_three_long_is_refused_with_what_it_does_to_the_plunge(self) -> None:
        release = self.released(job("plover"))
        length = next(one for one in release.sizes if one.key == "length")
        measure = Measure.model_validate({"kind": "size", "a": "length", "reading": {"text": "384 mm"}})
        (row,) = judged(release, [measure])
        self.assertIs(row.verdict, Verdict.FAILS)
        self.assertIn(f"takes 3.0 mm of the {length.left_mm:.1f} mm plunge", plain(row.means))
        far = Measure.model_validate({"kind": "size", "a": "length", "reading": {"text": "396 mm"}})
        self.assertIn("plunge runs out by", judged(release, [far])[0].means)

    def test_a_changed_length_differs_from_what_was_released(self) -> None:
        data = job("plover")
        data["build"] = {"releases": [self.released(data).model_dump(mode="json")], "incoming": []}
        as_it_was = evaluate(JobFile.model_validate(data))
        self.assertEqual(_differs(as_it_was), ())
        changed = copy.deepcopy(data)
        changed["sheets"]["axles"]["axles"][0]["left"]["bar"]["length"] = {"text": "383 mm"}
        self.assertIn("seat to seat was", _differs(evaluate(JobFile.model_validate(changed)))[0])

    def test_a_mock_up_is_held_back_and_not_for_the_road(self) -> None:
        data = job("plover", axles__0__left__bar__is_mock_up=True)
        self.assertIn("measuring stick", part_of(data, "axles.a1.left_bar").held_back)
        self.assertIs(check_of(data, "a1.left.made").verdict, Verdict.FAILS)

    def test_an_order_reads_back_by_its_schema(self) -> None:
        for name, key in (("plover", "axles.a1.right_bar"), ("bittern", "axles.l2.t1_tube")):
            with self.subTest(key):
                order = part_of(job(name), key).order(name, "A")
                raw = json.loads(order.model_dump_json())
                self.assertEqual(Order.model_validate(raw), order)
                self.assertNotIn("⟨", json.dumps(raw, ensure_ascii=False))


def _differs(result: Any) -> tuple[str, ...]:
    part = next(one for one in result.parts if one.key == "axles.a1.left_bar")
    return tuple(one.says for one in part.released.differs)
