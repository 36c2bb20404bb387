"""The mounts bench: what a unit's mounts come to, what is missing, what is never flattered."""

import copy
import re
from typing import Any
from unittest import TestCase

import numpy as np
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.benches.contract import Sought
from driveline.benches.mounts.box_plates import PLAY_MM, box_plates
from driveline.benches.mounts.patterns import ear_polygon
from driveline.benches.mounts.results import MountsResult
from driveline.checks import WORST_FIRST, Check, Verdict
from driveline.errors import ImpossibleInput, NotDrawnYet
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.job.offered import sought
from driveline.metal.ears import Ear
from driveline.metal.sections import box, channel, tube
from tests.demo import demo_json

Job = dict[str, Any]
PLOVER, BITTERN = demo_json("plover"), demo_json("bittern")
HOLDS, TIGHT, FAILS, NOT_KNOWN = Verdict.HOLDS, Verdict.TIGHT, Verdict.FAILS, Verdict.NOT_KNOWN


def solved(job: Job) -> tuple[MountsResult, dict[str, Check]]:
    result = evaluate(JobFile.model_validate(job))
    return result.mounts, {check.key: check for check in result.checks}


def mm(value: float) -> dict[str, str]:
    return {"text": f"{value:.7g} mm"}


def changed(job: Job, change: dict[str, Any]) -> Job:
    """A job with fields below ``sheets.mounts`` changed, by their paths."""
    made = copy.deepcopy(job)
    for path, value in change.items():
        place: Any = made["sheets"]["mounts"]
        *parents, last = path.split(".")
        for name in parents:
            place = place[int(name)] if isinstance(place, list) else place[name]
        place[int(last) if isinstance(place, list) else last] = value
    return made


class CarriedTest(TestCase):
    def test_the_torque_that_leaves_the_unit_is_never_retyped(self) -> None:
        result, _ = solved(PLOVER)
        launch = next(one for one in result.cases if one.name == "launch")
        assert launch.torque_nm is not None and launch.moment_nm is not None
        self.assertAlmostEqual(launch.moment_nm[1], -launch.torque_nm, 2)  # about the axle's line, against the wheels
        more = copy.deepcopy(PLOVER)
        more["sheets"]["brief"]["motor"]["peak_torque"] = {"text": "300 Nm"}
        higher = next(one for one in solved(more)[0].cases if one.name == "launch")
        self.assertGreater(higher.torque_nm or 0, launch.torque_nm)

    def test_a_lengthwise_output_asks_which_way_it_turns(self) -> None:
        forward = next(one for one in solved(BITTERN)[0].cases if one.name == "launch").moment_nm
        other = changed(BITTERN, {"output_turns": "anticlockwise"})
        backward = next(one for one in solved(other)[0].cases if one.name == "launch").moment_nm
        assert forward is not None and backward is not None
        np.testing.assert_allclose(forward, [-one for one in backward])
        _, checks = solved(changed(BITTERN, {"output_turns": None}))
        self.assertIs(checks["mounts.m1.load"].verdict, NOT_KNOWN)
        self.assertIn("Which way the output turns, seen from behind", checks["mounts.m1.load"].missing)

    def test_every_case_is_in_balance_with_weight_and_torque(self) -> None:
        result, _ = solved(PLOVER)
        for case in result.cases:
            if case.name.startswith("lifted"):
                continue  # a hoist pulls as well: see test_lifted
            force = np.sum([one.force_n for m in result.mounts for one in m.cases if one.case == case.name], axis=0)
            np.testing.assert_allclose(force, -61 * 9.80665 * np.array(case.g_xyz), atol=0.1)

    def test_what_the_vehicle_bears_is_the_other_way_with_its_moment_at_the_root(self) -> None:
        """Plover's left bracket: from 90, 391, 330 to the mount; its arm's lever times what is across it."""
        left, _, link = solved(PLOVER)[0].mounts
        assert left.at_mm is not None and left.rail_mm is not None
        lever = np.array(left.at_mm) - np.array(left.rail_mm)
        for case in left.cases:
            np.testing.assert_allclose(case.on_vehicle_n, -np.array(case.force_n), atol=1e-9)
            along = abs(np.dot(lever, case.force_n)) / np.linalg.norm(lever)
            by_hand = np.linalg.norm(lever) * np.sqrt(case.size_n**2 - along**2) / 1000
            self.assertAlmostEqual(case.at_root_nm or 0.0, by_hand, delta=0.01)
        self.assertTrue(all(case.at_root_nm is None for case in link.cases))

    def test_two_mounts_and_no_arm_leave_a_motion_that_is_named(self) -> None:
        job = copy.deepcopy(PLOVER)
        mounts = job["sheets"]["mounts"]["mounts"]
        mounts.pop()
        for mount in mounts:
            mount.update(kind="hard", holds_x=True, holds_y=True, holds_z=True)
        result, checks = solved(job)
        self.assertEqual([one.says for one in result.free], ["turn about a line that runs across"])
        self.assertIs(checks["mounts.held"].verdict, FAILS)
        self.assertIs(checks["mounts.m1.load"].verdict, NOT_KNOWN)

    def test_hard_mounts_beyond_six_ways_are_judged_at_the_most_they_may_carry(self) -> None:
        job = copy.deepcopy(BITTERN)
        for mount in job["sheets"]["mounts"]["mounts"]:
            mount.update(kind="hard", holds_x=True, holds_y=True, holds_z=True)
        result, checks = solved(job)
        self.assertIs(checks["mounts.decided"].verdict, TIGHT)
        for mount in result.mounts:
            for one in mount.cases:
                assert one.least_n is not None and one.greatest_n is not None
                self.assertGreaterEqual(one.size_n + 0.1, float(np.linalg.norm(one.force_n)))

    def test_a_case_is_left_out_only_with_a_reason(self) -> None:
        worst = solved(PLOVER)[0].mounts[0].worst
        for why, is_left_out in (("", False), ("This axle has no brakes.", True)):
            result, checks = solved(changed(PLOVER, {"left_out": [{"case": worst, "why": why}]}))
            found = next(one for one in result.cases if one.name == worst)
            self.assertEqual(found.is_left_out, is_left_out)
            if not why:
                self.assertIs(checks["mounts.m1.load"].verdict, NOT_KNOWN)

    def test_a_bush_that_bottoms_is_said_and_the_gap_follows_the_move(self) -> None:
        before, _ = solved(PLOVER)
        soft = {f"mounts.{k}.upright_n_per_mm": 500 for k in (0, 1)} | {f"mounts.{k}.travel": mm(3) for k in (0, 1)}
        after, checks = solved(changed(PLOVER, soft))
        self.assertIs(checks["mounts.bottoms"].verdict, TIGHT)
        self.assertIn("On its stop", checks["mounts.bottoms"].says)
        self.assertLess(max(abs(one.move_mm[2]) for one in after.mounts[0].cases), 4)
        self.assertLess(max(abs(one.move_mm[2]) for one in before.mounts[0].cases), 3.5)

    def test_a_weighed_stiffness_is_a_weight_over_how_far_it_sinks(self) -> None:
        weighed = {"mass": {"text": "80 kg"}, "sinks": mm(0.5)}
        given = changed(PLOVER, {"mounts.0.upright_n_per_mm": None, "mounts.0.weighed": weighed})
        same = changed(PLOVER, {"mounts.0.upright_n_per_mm": 80 * 9.80665 / 0.5})
        self.assertEqual(solved(given)[0].mounts[0].stiffness_n_per_mm, solved(same)[0].mounts[0].stiffness_n_per_mm)

    def test_what_is_missing_is_named_and_nothing_holds(self) -> None:
        for path, value, key, name in (
            ("mounts.0.kind", None, "mounts.held", "how it holds"),
            ("mounts.0.boss.x", None, "mounts.held", "its place on the unit: forward"),
            ("mounts.0.travel", None, "mounts.m2.load", "before it bottoms"),
            ("mounts.0.rating_n", None, "mounts.m1.load", "its maker allows"),
            ("mounts.0.bracket.leg", None, "mounts.m1.weld", "leg"),
            ("mounts.0.bracket.is_inspected", None, "mounts.m1.weld", "inspected"),
            ("mounts.0.bracket.beside", None, "mounts.m1.arm", "beside"),
            ("mounts.0.bracket.length", None, "mounts.m1.reach", "cut to"),
            ("mounts.0.ears.edge", None, "mounts.m1.ears", "hole to edge"),
            ("mounts.0.is_caught", None, "mounts.lets_go", "if it lets go"),
            ("frame.is_cut", None, "mounts.frame", "is cut"),
        ):
            job = changed(PLOVER, {"mounts.2.is_caught": True, path: value})
            check = solved(job)[1][key]
            self.assertIs(check.verdict, NOT_KNOWN, path)
            self.assertTrue(any(name in one for one in check.missing), (path, check.missing))

    def test_the_whole_unit_unknown_leaves_mounts_not_known(self) -> None:
        for path in (("unit", "mass"), ("unit", "cg"), ("chosen",)):
            job = copy.deepcopy(PLOVER)
            place = job["sheets"]["placement"]
            for name in path[:-1]:
                place = place[name]
            place.pop(path[-1])
            self.assertIs(solved(job)[1]["mounts.m1.load"].verdict, NOT_KNOWN, path)


class BracketTest(TestCase):
    @settings(max_examples=12)
    @given(st.floats(3, 9), st.floats(1.05, 1.8))
    def test_a_thicker_wall_is_never_worse(self, wall: float, more: float) -> None:
        thin = solved(changed(PLOVER, {"mounts.0.bracket.wall": mm(wall)}))[1]["mounts.m1.arm"]
        thick = solved(changed(PLOVER, {"mounts.0.bracket.wall": mm(wall * more)}))[1]["mounts.m1.arm"]
        self.assertGreaterEqual((thick.margin or 0) * 1.005, thin.margin or 0)  # stiffer, it draws a little more load

    def test_an_open_channel_twists_and_boxed_it_holds(self) -> None:
        sizes = {"breadth": mm(60), "depth": mm(80), "wall": mm(5), "web": mm(5), "beside": mm(25)}
        bracket = PLOVER["sheets"]["mounts"]["mounts"][1]["bracket"] | sizes
        open_one = solved(changed(PLOVER, {"mounts.1.bracket": bracket | {"kind": "channel"}}))[1]["mounts.m2.arm"]
        boxed = solved(changed(PLOVER, {"mounts.1.bracket": bracket | {"kind": "box"}}))[1]["mounts.m2.arm"]
        self.assertIs(open_one.verdict, FAILS)
        self.assertIn("it twists", open_one.says)
        self.assertIs(boxed.verdict, HOLDS)

    def test_a_weld_that_nobody_inspects_bears_half(self) -> None:
        seen, unseen = (
            solved(changed(PLOVER, {"mounts.0.bracket.is_inspected": one}))[1]["mounts.m1.weld"]
            for one in (True, False)
        )
        self.assertAlmostEqual((unseen.capacity or 0) * 2, seen.capacity or 0)

    def test_a_bracket_cut_too_short_is_told(self) -> None:
        check = solved(changed(PLOVER, {"mounts.0.bracket.length": mm(238)}))[1]["mounts.m1.reach"]
        self.assertIs(check.verdict, FAILS)

    def test_the_flat_plates_put_together_are_the_section(self) -> None:
        for breadth, depth, wall in ((60, 80, 5), (70, 80, 6), (50, 50, 3)):
            plates = box_plates(length_mm=200, breadth_mm=breadth, depth_mm=depth, wall_mm=wall)
            area = sum(outline.area / 200 * wall * count for outline, count in plates.values())
            self.assertAlmostEqual(area, box(breadth_mm=breadth, depth_mm=depth, wall_mm=wall).area_mm2)
            self.assertEqual(plates["side"][0].bounds, (0, 0, 200, depth))
            self.assertEqual(plates["top"][0].bounds, (0, 0, 200, breadth - 2 * wall))

    def test_tabs_fill_their_notches_but_for_the_play_and_come_out_flush(self) -> None:
        sizes = {"length_mm": 200.0, "breadth_mm": 70.0, "depth_mm": 80.0, "wall_mm": 6.0}
        plain, tabbed = (box_plates(**sizes, has_tabs=tabs) for tabs in (False, True))
        notches = plain["side"][0].difference(tabbed["side"][0])
        tabs = tabbed["top"][0].difference(plain["top"][0])
        self.assertEqual(tabbed["top"][0].bounds[3] - tabbed["top"][0].bounds[1], 70)  # flush with the sides' outside
        spans = sorted({(round(one.bounds[0], 6), round(one.bounds[2], 6)) for one in tabs.geoms})
        self.assertEqual(len(spans), 2)
        for begins, ends in spans:
            through = shapely.box(begins, 0, ends, 6)  # a tab as the side's plane cuts it
            (notch,) = [one for one in notches.geoms if one.intersects(through)]
            self.assertTrue(notch.contains(through.buffer(-1e-6)))
            self.assertAlmostEqual(notch.area - through.area, 6 * PLAY_MM)

    def test_an_arm_too_short_for_tabs_has_none(self) -> None:
        sizes = {"length_mm": 40.0, "breadth_mm": 70.0, "depth_mm": 80.0, "wall_mm": 6.0}
        self.assertEqual(*(box_plates(**sizes, has_tabs=tabs) for tabs in (False, True)))

    def test_an_ear_as_drawn_has_the_width_and_edge_that_are_judged(self) -> None:
        ear = Ear(bolt_mm=12, hole_mm=12.5, thickness_mm=8, width_mm=40, edge_mm=14, root_mm=60, height_mm=55)
        outline = ear_polygon(ear)
        low_x, low_y, high_x, high_y = outline.bounds
        self.assertAlmostEqual(high_x - low_x, 60, 1)
        self.assertAlmostEqual(low_y, 0)
        self.assertAlmostEqual(high_y - (55 + 12.5 / 2), 14, delta=0.05)

    def test_parts_are_drawn_for_every_ear_and_box(self) -> None:
        result = evaluate(JobFile.model_validate(PLOVER))
        keys = {part.key for part in result.parts if part.key.startswith("mounts.")}
        self.assertEqual(
            keys, {f"mounts.m{k}_{part}" for k in (1, 2) for part in ("ear", "side", "top")} | {"mounts.m2_landing"}
        )


class PulseTest(TestCase):
    def test_a_mode_is_met_where_what_turns_pulses_as_often_as_it_shakes(self) -> None:
        """Plover rolls 1.804 m a turn at 8.6: 1.324 turns of the motor a second for each km/h. Bittern has crosses."""
        modes = solved(PLOVER)[0].modes
        first, *_ = modes
        self.assertEqual([(one.what, one.times) for one in first.met], [("motor", 1)])
        self.assertAlmostEqual(first.met[0].speed_kmh, first.frequency_hz / (8.6 / 1.804 / 3.6), delta=0.05)
        twice = [one for one in solved(BITTERN)[0].modes[0].met if one.what == "propshaft"]
        self.assertEqual([one.times for one in twice], [2])

    def test_only_speeds_that_are_wanted_are_said(self) -> None:
        slow = copy.deepcopy(PLOVER)
        slow["sheets"]["brief"]["wanted"]["top_speed"] = {"text": "30 km/h"}
        for mode in solved(slow)[0].modes:
            self.assertTrue(all(one.speed_kmh <= 30 for one in mode.met), mode.name)


def filled(job: dict[str, Any], found: Sought) -> dict[str, Any]:
    """The job with what is offered typed in."""
    data = copy.deepcopy(job)
    for one in found.fields:
        *parents, last = one.field.split(".")
        place: Any = data["sheets"]
        for name in parents:
            place = place[int(name)] if isinstance(place, list) else place.setdefault(name, {})
        place[last] = {"text": one.text} if re.match(r"\d.* (mm|N·m)$", one.text) else one.text
    return data


class MendTest(TestCase):
    def test_what_is_said_to_hold_does(self) -> None:
        sizes = {"breadth": mm(60), "depth": mm(80), "wall": mm(4), "web": mm(4), "beside": mm(20), "kind": "channel"}
        weak = changed(PLOVER, {"mounts.1.bracket": PLOVER["sheets"]["mounts"]["mounts"][1]["bracket"] | sizes})
        weak = changed(weak, {"mounts.1.bracket.landing.thickness": mm(32)})  # a narrow arm bends its plate more
        weak = changed(weak, {"mounts.1.tube.gap": mm(20), "mounts.1.tube.length": mm(20)})  # and takes narrower ears
        self.assertIs(solved(weak)[1]["mounts.m2.arm"].verdict, FAILS)
        found = sought(REGISTRY, JobFile.model_validate(weak), "mounts.m2_mend")
        bracket = copy.deepcopy(weak["sheets"]["mounts"]["mounts"][1]["bracket"])
        for one in found.fields:
            name = one.field.split(".")[-1]
            bracket[name] = one.text if name in ("kind", "lies_to") else {"text": one.text}
        self.assertEqual(bracket["kind"], "box")
        head, lightest, *others = found.rows
        self.assertEqual(head[1:5], ("leg", "mass", "cut", "seams"))
        self.assertTrue(lightest[0].startswith("box") and lightest[3].endswith("|m|2⟩"), lightest)
        masses = [float(row[2].split("|")[0].removeprefix("⟨")) for row in (lightest, *others)]
        self.assertEqual(masses, sorted(masses))
        checks = solved(changed(weak, {"mounts.1.bracket": bracket}))[1]
        for part in ("arm", "weld", "base", "walls", "fatigue"):
            # A stiffer bracket draws a little more load than the weak one was tried with.
            self.assertGreater(
                (checks[f"mounts.m2.{part}"].margin or 0) * 1.05, checks[f"mounts.m2.{part}"].wanted_margin
            )

    def test_a_folded_arm_is_offered_beside_a_box_with_its_load_as_far_from_the_web(self) -> None:
        """Of a box with the load 12 mm beside its middle the nearer side becomes the web: 35 - 12 mm."""
        found = sought(REGISTRY, JobFile.model_validate(PLOVER), "mounts.m2_mend")
        kinds = {row[0].split(" ")[0] for row in found.rows[1:]}
        self.assertIn("box", kinds)
        self.assertTrue(all(row[4] != "none" for row in found.rows[1:] if row[0].startswith("box")))
        folded = {"kind": "folded", "bend": mm(6), "beside": mm(23), "lies_to": "rear"}
        bracket = PLOVER["sheets"]["mounts"]["mounts"][1]["bracket"]
        boxed, made = solved(PLOVER)[0].mounts[1], solved(changed(PLOVER, {"mounts.1.bracket": bracket | folded}))[0]
        for one, other in zip(boxed.pieces[0].corners_mm, made.mounts[1].pieces[0].corners_mm, strict=True):
            np.testing.assert_allclose(one, other, atol=3.1)  # half the web's thickness apart

    def test_a_thin_flange_folds_before_its_steel_yields(self) -> None:
        sizes = {"breadth": mm(90), "depth": mm(60), "wall": mm(2), "web": mm(6), "beside": mm(0), "kind": "channel"}
        job = changed(PLOVER, {"mounts.1.bracket": PLOVER["sheets"]["mounts"]["mounts"][1]["bracket"] | sizes})
        check = solved(job)[1]["mounts.m2.walls"]
        # By hand: 0.43 π² 206000/(12 (1 - 0.3²)) (2/84)² = 45.4 MPa.
        self.assertAlmostEqual(check.capacity or 0, 45.4, delta=0.3)
        self.assertIn("flange folds at", check.says)

    def test_what_makes_a_check_elsewhere_worse_is_not_offered(self) -> None:
        """Taken, the offer is judged by the whole job: clearances, what it meets on its way in, loads."""
        weak = changed(PLOVER, {"mounts.1.bracket.wall": mm(3)})
        found = sought(REGISTRY, JobFile.model_validate(weak), "mounts.m2_mend")
        before = {check.key: check for check in REGISTRY.own_checks(JobFile.model_validate(weak))}
        self.assertTrue(found.fields)
        taken = JobFile.model_validate(filled(weak, found))
        after = {check.key: check for check in REGISTRY.own_checks(taken)}
        rank = {verdict: k for k, verdict in enumerate(WORST_FIRST)}
        worse = [
            key for key, check in after.items() if key in before and rank[check.verdict] < rank[before[key].verdict]
        ]
        self.assertEqual(worse, [])
        self.assertEqual([key for key in after if key not in before and after[key].verdict is FAILS], [])

    def test_where_nothing_does_it_is_said(self) -> None:
        hopeless = changed(PLOVER, {"mounts.1.bracket.depth": mm(26), "mounts.1.bracket.breadth": mm(26)})
        found = sought(REGISTRY, JobFile.model_validate(hopeless), "mounts.m2_mend")
        self.assertEqual(found.fields, ())
        self.assertIn("Nothing does", found.says)


class PullAndFrameTest(TestCase):
    def test_an_ear_gap_holds_once_it_is_jigged(self) -> None:
        result, checks = solved(PLOVER)
        self.assertIs(checks["mounts.pull"].verdict, FAILS)
        assert result.pull is not None
        jigged = changed(PLOVER, {"pull.jig": mm(result.pull.jig_mm)})
        self.assertIsNot(solved(jigged)[1]["mounts.pull"].verdict, FAILS)

    def test_a_weld_logged_by_half_is_asked_for_and_not_passed_over(self) -> None:
        log = copy.deepcopy(PLOVER["sheets"]["mounts"]["pull"]["log"])
        log[1].pop("tilt")
        check = solved(changed(PLOVER, {"pull.log": log}))[1]["mounts.pull"]
        self.assertIs(check.verdict, NOT_KNOWN)
        self.assertEqual(check.missing, ("How far weld 2 of the log closed the gap, and how it tilted the ear",))

    def test_the_shop_s_own_log_replaces_the_rule_from_three_welds_on(self) -> None:
        log = PLOVER["sheets"]["mounts"]["pull"]["log"]
        by_rule = solved(changed(PLOVER, {"pull.log": log[:2]}))[0].pull
        by_log = solved(changed(PLOVER, {"pull.log": log}))[0].pull
        assert by_rule is not None and by_log is not None
        self.assertEqual((by_rule.count, by_log.count), (0, 4))
        self.assertAlmostEqual(by_rule.low_mm, 1.02 * 4.5 / 8)

    def test_a_cut_frame_is_on_hold_until_somebody_signs(self) -> None:
        self.assertIs(solved(BITTERN)[1]["mounts.frame_approved"].verdict, NOT_KNOWN)
        half = changed(BITTERN, {"frame.approved_by": "the county's engineer"})
        self.assertIs(solved(half)[1]["mounts.frame_approved"].verdict, NOT_KNOWN)
        signed = changed(half, {"frame.approved_on": "3 December"})
        self.assertIs(solved(signed)[1]["mounts.frame_approved"].verdict, HOLDS)

    def test_an_open_notch_has_next_to_no_torsion_left(self) -> None:
        result, checks = solved(changed(BITTERN, {"frame.stations.0.lid": mm(0)}))
        self.assertIs(checks["mounts.frame"].verdict, FAILS)
        self.assertEqual(result.stations[0].least_is, "J")
        self.assertLess(result.stations[0].j, 0.03)

    def test_a_heat_treated_rail_is_not_welded(self) -> None:
        self.assertIs(solved(changed(BITTERN, {"frame.is_heat_treated": True}))[1]["mounts.frame_heat"].verdict, FAILS)


class SenselessTest(TestCase):
    def test_sections_and_ears_that_can_not_be(self) -> None:
        for wrong in (
            lambda: box(breadth_mm=60, depth_mm=60, wall_mm=30),
            lambda: tube(outside_mm=20, wall_mm=10),
            lambda: channel(flange_mm=40, depth_mm=12, flange_thickness_mm=6, web_thickness_mm=5),
            lambda: box(breadth_mm=-1, depth_mm=60, wall_mm=3),
            lambda: Ear(bolt_mm=12, hole_mm=11, thickness_mm=8, width_mm=40, edge_mm=14, root_mm=60, height_mm=55),
            lambda: Ear(bolt_mm=12, hole_mm=13, thickness_mm=8, width_mm=12, edge_mm=14, root_mm=60, height_mm=55),
            lambda: Ear(bolt_mm=12, hole_mm=13, thickness_mm=8, width_mm=40, edge_mm=0, root_mm=60, height_mm=55),
        ):
            with self.assertRaises(ImpossibleInput):
                wrong()

    def test_in_a_job_they_are_named_and_nothing_else_falls(self) -> None:
        for path, value, key, name in (
            ("mounts.0.bracket.wall", mm(40), "mounts.m1.arm", "wall is ⟨40|mm"),
            ("mounts.0.ears.hole", mm(10), "mounts.m1.ears", "no smaller than its bolt"),
            ("mounts.2.rail", {"x": mm(-145), "y": mm(-53), "z": mm(362)}, "mounts.held", "in one place"),
            ("frame.old.wall", mm(40), "mounts.frame", "below half"),
        ):
            job = changed(BITTERN if path.startswith("frame") else PLOVER, {path: value})
            check = solved(job)[1][key]
            self.assertIs(check.verdict, NOT_KNOWN, path)
            self.assertTrue(any(name in one for one in check.missing), (path, check.missing))

    def test_two_mounts_in_one_place_are_asked_about(self) -> None:
        boss = PLOVER["sheets"]["mounts"]["mounts"][1]["boss"]
        queries = solved(changed(PLOVER, {"mounts.0.boss": boss}))[0].queries
        self.assertIn("in one place", queries[0].text)

    def test_a_stiffness_below_nought_is_refused_by_its_field(self) -> None:
        with self.assertRaisesRegex(ValueError, "along_n_per_mm"):
            JobFile.model_validate(changed(PLOVER, {"mounts.0.along_n_per_mm": -5}))


class EarPictureTest(TestCase):
    def test_an_ear_is_looked_at_and_a_thicker_one_bears_less(self) -> None:
        peaks = []
        for thickness in (14, 20):
            job = JobFile.model_validate(changed(PLOVER, {"mounts.0.ears.thickness": mm(thickness)}))
            found = sought(REGISTRY, job, "mounts.m1_ear")
            assert found.picture is not None
            self.assertAlmostEqual(
                max(one.mpa for one in found.picture.patches) / found.picture.peak_mpa, 1, delta=0.25
            )
            peaks.append(found.picture.peak_mpa)
        self.assertAlmostEqual(peaks[0] / peaks[1], 20 / 14, delta=0.03)

    def test_an_arm_has_none(self) -> None:
        with self.assertRaises(NotDrawnYet):
            sought(REGISTRY, JobFile.model_validate(PLOVER), "mounts.m3_ear")
