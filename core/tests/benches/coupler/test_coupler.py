import copy
import math
from itertools import combinations, product
from typing import Any
from unittest import TestCase

from driveline.checks import Check, Verdict
from driveline.figures import System, num, written
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.job.registry import JobResultBase
from driveline.tables.materials import PlateMaterial, material
from driveline.working import Step
from tests.demo import demo_json
from tests.workings.test_workings import faults_of

STYLES = ("rigid", "flexible", "clutch", "spline")
HUB = {
    "to_face": {"text": "6 mm", "tool": "caliper"},
    "reach": {"text": "21.4 mm", "tool": "caliper"},
    "pilot_depth": {"text": "18 mm", "tool": "depth_gauge"},
    "chamfers": {"text": "1.5 mm"},
    "flange": {"text": "150 mm"},
    "flange_thickness": {"text": "10 mm"},
}


def wren(style: str = "flexible", **changes: Any) -> JobResultBase:
    """Wren with another style, and with fields of the coupler changed: hub__fit="H7/p6"."""
    return evaluate(JobFile.model_validate(wren_json(style, **changes)))


def fitted(fit: str, **changes: Any) -> JobResultBase:
    """Wren with a shaft that nobody measured, of the zone that its fit is made for."""
    shaft: dict[str, Any] = {"motor_shaft__diameter": {"text": "35 mm"}, "motor_shaft__zone": fit.split("/")[1]}
    return wren(hub__fit=fit, **shaft, **changes)


def wren_json(style: str = "flexible", **changes: Any) -> dict[str, Any]:
    data = demo_json("wren")
    data["sheets"]["ratios"]["coupler"] = style
    coupler = data["sheets"]["coupler"]
    coupler["gearbox_shaft"]["spline"]["starts"] = {"text": "4 mm", "tool": "caliper"}
    for path, value in changes.items():
        *parents, last = path.split("__")
        place = coupler
        for name in parents:
            place = place.setdefault(name, {})
        place[last] = value
    return data


def fall(rpm: int, share: float) -> dict[str, Any]:
    return {"speed": {"text": f"{rpm} rpm"}, "share": {"text": f"{share:g}"}}


def mm(text: float, u: float = 0.05) -> dict[str, Any]:
    return {"text": f"{text} mm", "u": u}


class ColdHubTest(TestCase):
    def test_an_aluminium_hub_is_stressed_as_cold_as_it_gets_and_warmed_from_room(self) -> None:
        """(23.1 - 11.7) × 10⁻⁶ × 60 K × 35 mm is 24 µm more; the same pressure on steel whatever the cold."""
        result = fitted("H7/s6", hub__made_of="aluminium")
        stress = check_of(result, "coupler.hub_stress")
        fit = next(one for one in stress.working.steps if getattr(one, "symbol", "") == "δ_0")
        cold = next(one for one in stress.working.steps if getattr(one, "symbol", "") == "δ")
        assert isinstance(fit, Step) and isinstance(cold, Step)
        grows = material(PlateMaterial.ALUMINIUM).expansion_per_k - material(PlateMaterial.STEEL).expansion_per_k
        self.assertAlmostEqual(cold.value - fit.value, grows * 60 * 35)
        self.assertEqual(faults_of(stress, stress.working), [])
        warmed = check_of(result, "coupler.heat").working.steps[0]
        assert isinstance(warmed, Step)
        self.assertAlmostEqual(warmed.value, fit.value)


class SpiderFactorsTest(TestCase):
    def test_a_maker_s_factor_left_out_never_takes_a_milder_one(self) -> None:
        """195 N·m peak × its own factors: 1.2 is usual for warmth, and this maker says 1.6."""
        stated = check_of(wren(jaw__temperature=1.6, jaw__rating={"text": "600 Nm"}), "coupler.spider")
        left_out = check_of(wren(jaw__temperature=None, jaw__rating={"text": "600 Nm"}), "coupler.spider")
        self.assertAlmostEqual((stated.demand or 0) / (left_out.demand or 1), 1.6 / 1.2)
        self.assertIs(left_out.verdict, Verdict.NOT_KNOWN)
        weak = check_of(wren(jaw__temperature=None, jaw__rating={"text": "90 Nm"}), "coupler.spider")
        self.assertIs(weak.verdict, Verdict.FAILS)  # even so it may fail


def check_of(result: JobResultBase, key: str) -> Check:
    return next(check for check in result.checks if check.key == key)


class LengthwiseTest(TestCase):
    def test_a_failing_gap_is_solved_by_the_faces_distance_and_the_plate_follows(self) -> None:
        before = wren()
        self.assertIs(check_of(before, "coupler.gap_spider").verdict, Verdict.FAILS)
        middle = before.coupler.window.middle_mm
        self.assertFalse([check for check in before.checks if check.key == "plate.faces_apart"])
        after = wren(apart=mm(middle, 0.03))
        self.assertIs(check_of(after, "coupler.gap_spider").verdict, Verdict.TIGHT)
        follows = check_of(after, "plate.faces_apart")
        self.assertIs(follows.verdict, Verdict.FAILS)  # its 10 mm are not what was chosen
        self.assertIn("coupler.apart", follows.inputs)

    def test_the_plate_may_be_off_by_no_more_than_the_gaps_leave(self) -> None:
        """10.5 mm would keep the usual half a millimetre, and spoil the spider's gap."""
        data = wren_json(apart=mm(10.7, 0.03))
        data["sheets"]["plate"]["plate"]["thickness"] = {"text": "10.5 mm", "tool": "caliper"}
        off = check_of(evaluate(JobFile.model_validate(data)), "plate.faces_apart")
        self.assertIs(off.verdict, Verdict.FAILS)
        self.assertLess(off.capacity or 1, 0.3)
        data["sheets"]["coupler"]["jaw"]["gap_least"] = None
        unknown = check_of(evaluate(JobFile.model_validate(data)), "plate.faces_apart")
        self.assertIs(unknown.verdict, Verdict.NOT_KNOWN)

    def test_a_chosen_distance_is_never_overwritten(self) -> None:
        result = wren(apart=mm(14.0))
        self.assertEqual((result.coupler.apart_mm, result.coupler.apart_is_chosen), (14.0, True))
        self.assertEqual(result.coupler.plate_apart_mm, 10.0)

    def test_by_hand_the_hub_gap_is_what_the_tape_says(self) -> None:
        """Tip behind its face 77.9 - 12 = 65.9; 10 + 65.9 - 54.6 - 0.5 - 0.5 = 20.3 mm."""
        gap = next(one for one in wren().coupler.gaps if one.key == "spider")
        self.assertAlmostEqual(gap.nominal_mm or 0, 20.3, places=9)

    def test_the_bar_is_taken_off_and_has_its_own_limits(self) -> None:
        self.assertIs(check_of(wren(gearbox_shaft__bar=None), "coupler.gap_spider").verdict, Verdict.NOT_KNOWN)
        wide = next(one for one in wren(gearbox_shaft__bar=mm(12, 0.5)).coupler.gaps if one.key == "spider")
        tight = next(one for one in wren(gearbox_shaft__bar=mm(12, 0.05)).coupler.gaps if one.key == "spider")
        self.assertGreater(wide.worst_mm or 0, tight.worst_mm or 0)

    def test_every_corner_of_the_limits_lies_within_the_extremes(self) -> None:
        for style in STYLES:
            for gap in wren(style, **{f"hub__{name}": value for name, value in HUB.items()}).coupler.gaps:
                if gap.nominal_mm is None or gap.worst_mm is None:
                    continue
                corners = [
                    sum(one.length_mm + sign * one.either_way_mm for one, sign in zip(gap.shares, signs, strict=True))
                    for signs in product((-1, 1), repeat=len(gap.shares))
                ]
                with self.subTest(style, gap=gap.key):
                    self.assertAlmostEqual(min(corners), gap.nominal_mm - gap.worst_mm, places=9)
                    self.assertAlmostEqual(max(corners), gap.nominal_mm + gap.worst_mm, places=9)

    def test_where_no_distance_does_it_says_what_to_take_better(self) -> None:
        window = wren(motor_shaft__reading=mm(54.6, 0.6)).coupler.window
        self.assertFalse(window.is_open)
        self.assertIn("tip of the motor shaft", window.tighten)
        check = check_of(wren(motor_shaft__reading=mm(54.6, 0.6)), "coupler.window")
        self.assertIs(check.verdict, Verdict.FAILS)

    def test_what_to_take_better_and_to_what_opens_the_window(self) -> None:
        told = wren(motor_shaft__reading=mm(54.6, 0.6)).coupler.window.tighten
        to_mm = float(told.split("⟨")[1].split("|")[0])
        self.assertTrue(wren(motor_shaft__reading=mm(54.6, 0.999 * to_mm / 3**0.5)).coupler.window.is_open)
        self.assertFalse(wren(motor_shaft__reading=mm(54.6, 1.02 * to_mm / 3**0.5)).coupler.window.is_open)

    def test_a_length_without_its_limits_settles_nothing(self) -> None:
        bare = check_of(wren(jaw__motor_slide={"text": "0.5 mm"}), "coupler.gap_motor_engaged")
        self.assertIs(bare.verdict, Verdict.NOT_KNOWN)
        self.assertIn("±", " ".join(bare.missing))


class StylesTest(TestCase):
    def test_each_style_has_its_gaps_its_bodies_and_its_order(self) -> None:
        for style in STYLES:
            changes = {f"hub__{name}": value for name, value in HUB.items()}
            changes |= {"clutch__flywheel_out": mm(70), "clutch__stood_at": mm(-60), "clutch__travel": mm(1)}
            result = wren(style, **changes).coupler
            with self.subTest(style):
                self.assertTrue(result.gaps)
                self.assertTrue(all(gap.nominal_mm is not None for gap in result.gaps), result.gaps)
                self.assertGreater(len(result.blocks), 5)
                self.assertEqual([one.key for one in result.styles if one.is_chosen], [style])
                self.assertIn("HOLD: the key is in its way", " ".join(result.order))

    def test_trying_another_style_and_going_back_loses_nothing(self) -> None:
        there = wren_json("flexible")
        back = copy.deepcopy(there)
        back["sheets"]["ratios"]["coupler"] = "rigid"
        evaluate(JobFile.model_validate(back))
        back["sheets"]["ratios"]["coupler"] = "flexible"
        same = evaluate(JobFile.model_validate(back))
        self.assertEqual(same.coupler, evaluate(JobFile.model_validate(there)).coupler)

    def test_before_anything_of_it_is_entered_nothing_is_asked(self) -> None:
        data = demo_json("wren")
        del data["sheets"]["coupler"]
        checks = evaluate(JobFile.model_validate(data)).checks
        self.assertFalse([check for check in checks if check.bench == "coupler"])


class StrengthTest(TestCase):
    def test_by_hand_the_key_of_wren(self) -> None:
        """10 × 8 key, t₁ 5, 40 of its 45 mm in the hub: 0.5 × 340 × 3 × 40 × 35.009/2 = 357 092 N·mm."""
        found = wren(motor_shaft__key__length={"text": "40 mm"}, motor_shaft__key__starts=mm(1))
        self.assertAlmostEqual(check_of(found, "coupler.motor_joint").capacity or 0, 357.0918)

    def test_what_of_a_key_stands_out_of_its_hub_bears_nothing(self) -> None:
        long = check_of(wren(jaw__motor_slide=mm(13, 0.01)), "coupler.motor_joint")
        within_mm = 45 - 13 - 3**0.5 * (0.01 + 0.05 + 0.05)  # hub's length and key's place have limits too
        self.assertAlmostEqual(long.capacity or 0, 0.5 * 340 * 3 * within_mm * 35.009 / 2 / 1000, places=6)

    def test_a_spline_bears_where_both_have_full_teeth(self) -> None:
        """Full teeth of the shaft 35 to 45 behind its tip, of the hub 3 to 43: 8 mm, less all limits."""
        teeth: dict[str, Any] = {
            f"gearbox_shaft__spline__{name}": mm(value) for name, value in (("starts", 35), ("length", 10))
        }
        long, short = wren(), wren(**teeth)
        kept = check_of(long, "coupler.gearbox_joint").capacity or 0
        left = check_of(short, "coupler.gearbox_joint").capacity or 0
        limits_mm = 3**0.5 * 0.05  # of each length
        self.assertAlmostEqual(left / kept, (43 - 35 - 3 * limits_mm) / (39 - 3 * limits_mm), places=9)
        self.assertIs(check_of(short, "coupler.gap_spline").verdict, Verdict.FAILS)
        past = wren(gearbox_shaft__spline__length=mm(10))  # the hub's teeth stand past those of the shaft
        self.assertIs(check_of(past, "coupler.gap_spline_shaft").verdict, Verdict.FAILS)

    def test_a_hub_of_few_teeth_is_engaged_no_farther_than_they_go(self) -> None:
        few = check_of(wren(gearbox_shaft__spline__hub_teeth=mm(22, 0.01)), "coupler.gearbox_joint").capacity or 0
        many = check_of(wren(), "coupler.gearbox_joint").capacity or 0
        limits_mm = 3**0.5 * 0.05
        self.assertAlmostEqual(few / many, (22 - 3**0.5 * 0.01) / (39 - 3 * limits_mm), places=9)
        bare = check_of(wren(gearbox_shaft__spline__hub_teeth=None), "coupler.gearbox_joint")
        self.assertIs(bare.verdict, Verdict.NOT_KNOWN)

    def test_a_splined_motor_shaft_is_engaged_as_far_as_teeth_meet_in_every_style(self) -> None:
        spline = {
            "teeth": 26,
            "root": mm(32),
            "hub": "hardened",
            "starts": mm(3),
            "length": mm(40),
            "hub_teeth": mm(36),
        }
        for style in STYLES:
            deep, shallow = (
                wren(style, motor_shaft__kind="splined", motor_shaft__spline=spline, **reach)
                for reach in ({}, {"motor_shaft__reading": mm(20), "jaw__motor_slide": mm(30)})
            )
            with self.subTest(style):
                kept = check_of(deep, "coupler.motor_joint").capacity or 0
                self.assertGreater(kept, 300)
                self.assertLess(check_of(shallow, "coupler.motor_joint").capacity or 0, kept / 2)

    def test_a_kept_clutch_is_judged_by_how_far_the_motor_shaft_is_in_its_hub(self) -> None:
        """Tip 10 mm out of the face, hub 6 mm off it: 4 of its seat of 45, less the limits of both."""
        found = wren("clutch", motor_shaft__reading=mm(10))
        held = check_of(found, "coupler.motor_joint").capacity or 0
        self.assertAlmostEqual(held, 0.5 * 340 * 3 * (4 - 3 * 3**0.5 * 0.05) * 35.009 / 2 / 1000)
        self.assertIs(check_of(found, "coupler.gap_seat").verdict, Verdict.FAILS)

    def test_key_and_fit_never_add_up(self) -> None:
        by_fit = "H7/s6"
        key = check_of(fitted("H7/g6"), "coupler.motor_joint").capacity or 0
        both = check_of(fitted(by_fit), "coupler.motor_joint").capacity or 0
        fit = check_of(fitted(by_fit, motor_shaft__key__bearing_mpa=1), "coupler.motor_joint").capacity or 0
        self.assertGreater(fit, 0)
        self.assertAlmostEqual(both, max(key, fit))

    def test_more_torque_never_a_better_margin(self) -> None:
        margins: list[dict[str, float]] = []
        for torque in ("150 Nm", "235 Nm", "300 Nm"):
            data = wren_json("rigid", weld__leg=mm(5), weld__diameter=mm(62))
            data["sheets"]["coupler"]["weld"] |= {"electrode_mpa": 482, "is_inspected": False, "cycles": 100_000}
            data["sheets"]["brief"]["motor"]["peak_torque"] = {"text": torque}
            checks = evaluate(JobFile.model_validate(data)).checks
            margins.append({c.key: c.margin for c in checks if c.bench == "coupler" and c.margin is not None})
        self.assertIn("coupler.weld_often", margins[0])
        for less, more in zip(margins, margins[1:], strict=False):
            for key, margin in more.items():
                self.assertLessEqual(margin, less[key] + 1e-9, key)

    def test_a_tighter_fit_wants_more_heat_and_stresses_the_hub_more(self) -> None:
        loose, tight = fitted("H7/n6"), fitted("H7/s6")
        for key in ("coupler.heat", "coupler.hub_stress"):
            self.assertLess(check_of(tight, key).margin or 0, check_of(loose, key).margin or 0)

    def test_a_hub_beside_a_seal_is_not_cooked(self) -> None:
        self.assertIs(check_of(fitted("H7/s6", hub__beside="seals"), "coupler.heat").verdict, Verdict.FAILS)

    def test_a_sliding_fit_wants_no_heat(self) -> None:
        check = check_of(fitted("H7/g6"), "coupler.heat")
        self.assertEqual((check.demand, check.verdict), (0.0, Verdict.HOLDS))


class KeptClutchTest(TestCase):
    BOLTS = {
        "count": 6,
        "circle": {"text": "78 mm"},
        "hole": {"text": "11 mm"},
        "joint": {"thread": "M10", "property_class": "10.9", "condition": "oiled", "tapped": "steel"},
    }

    def friction(self, **bolts: Any) -> Check:
        grip = {"text": "14 mm"}
        result = wren("clutch", flywheel_bolts=self.BOLTS | bolts, clutch__flywheel_grip=grip)
        return check_of(result, "coupler.flywheel_bolts_friction")

    def test_the_flywheels_bolts_hold_by_friction_as_count_and_circle_go(self) -> None:
        six, twelve = self.friction(), self.friction(count=12)
        assert six.capacity is not None and twelve.capacity is not None
        self.assertAlmostEqual(twelve.capacity, 2 * six.capacity)
        wider = self.friction(circle={"text": "156 mm"})
        assert wider.margin is not None and six.margin is not None
        self.assertAlmostEqual(wider.margin, 2 * six.margin)
        self.assertIs(self.friction(count=0).verdict, Verdict.NOT_KNOWN)

    def test_a_shaft_without_its_pilot_bearing_fails(self) -> None:
        verdicts = [
            check_of(wren("clutch", clutch__pilot_bearing=said), "coupler.pilot").verdict
            for said in (True, False, None)
        ]
        self.assertEqual(verdicts, [Verdict.HOLDS, Verdict.FAILS, Verdict.NOT_KNOWN])


class TrueRunningTest(TestCase):
    def test_the_screw_nearest_the_high_spot_is_eased(self) -> None:
        """0.05 mm toward 60°: the tight screw at 30° pushed the hub's wall away on its own side."""
        dial = [
            {"clock": {"text": f"{at} deg"}, "reading": {"text": f"{0.05 * math.cos(math.radians(at - 60)):.4f}"}}
            for at in range(0, 360, 45)
        ]
        screws = [{"name": name, "clock": {"text": f"{at} deg"}} for name, at in (("A", 30), ("B", 150), ("C", 270))]
        found = wren(dial=dial, grub_screws=screws).coupler.runout
        self.assertAlmostEqual(found.eccentric_mm, 0.05, places=3)
        self.assertIn("ease grub screw A", found.says)
        self.assertIsNone(wren(dial=dial[:4]).coupler.runout)

    def test_a_softer_coupler_swings_slower(self) -> None:
        soft, hard = (wren(stiffness_nm_per_rad=k).coupler.shuffle for k in (1000, 8000))
        self.assertLess(soft.second_hz, hard.second_hz)
        self.assertLess(hard.second_hz, hard.rigid_second_hz)


class FitOptionsTest(TestCase):
    def test_each_fit_beside_the_others_says_what_the_checks_would(self) -> None:
        for option in wren().coupler.fits:
            result = wren(hub__fit=option.fit, motor_shaft__key__bearing_mpa=1)
            stress, heat = check_of(result, "coupler.hub_stress"), check_of(result, "coupler.heat")
            with self.subTest(option.fit):
                self.assertAlmostEqual(stress.demand or 0, option.stress_mpa)
                self.assertAlmostEqual(heat.demand or 0, option.hot_c - 20)
                self.assertEqual(option.is_too_hot, heat.verdict is Verdict.FAILS)
                if option.holds_nm:
                    self.assertAlmostEqual(check_of(result, "coupler.motor_joint").capacity or 0, option.holds_nm)
        self.assertEqual([one.fit for one in wren().coupler.fits if one.is_chosen], ["H7/k6"])


class MeasuredShaftTest(TestCase):
    MICROMETER = {"text": "35.018 mm", "tool": "micrometer"}

    def test_a_measured_shaft_is_itself_whatever_the_fit_was_made_for(self) -> None:
        """35.018 ± 0.003 √3 in a bore of 35.000 to 35.025: play of up to 12 µm, and no grip at all."""
        found = wren(hub__fit="H7/s6", motor_shaft__diameter=self.MICROMETER, motor_shaft__key__bearing_mpa=1)
        joint = check_of(found, "coupler.motor_joint")
        self.assertIn("the fit ⟨0|", joint.says)
        self.assertIs(joint.verdict, Verdict.FAILS)
        job = JobFile.model_validate(wren_json(hub__fit="H7/s6", motor_shaft__diameter=self.MICROMETER))
        made = " ".join(REGISTRY.part(job, "coupler.hub").made_to)
        self.assertIn("measured at ⟨35.0128", made)
        self.assertNotIn("35.061", made)

    def test_a_nominal_shaft_without_its_zone_is_not_known(self) -> None:
        bare = wren(motor_shaft__diameter={"text": "35 mm"})
        for key in ("coupler.motor_joint", "coupler.hub_stress", "coupler.heat"):
            self.assertIs(check_of(bare, key).verdict, Verdict.NOT_KNOWN, key)
        self.assertIs(check_of(fitted("H7/k6"), "coupler.hub_stress").verdict, Verdict.HOLDS)

    def test_a_shaft_of_another_zone_than_the_bore_was_made_for_is_asked_about(self) -> None:
        notes = wren(hub__fit="H7/s6", motor_shaft__diameter={"text": "35 mm"}, motor_shaft__zone="k6").coupler.notes
        self.assertIn("H7/s6", " ".join(notes))


class ShaftsThemselvesTest(TestCase):
    def test_each_of_them_fails_for_its_own_reason(self) -> None:
        hollow = {"motor_shaft__bore": mm(27)}
        cases: tuple[tuple[str, dict[str, Any]], ...] = (
            ("motor_torsion", {"motor_shaft__least": mm(16)}),
            ("gearbox_torsion", {"gearbox_shaft__bore": mm(27)}),
            ("motor_often", {"launches": 1e9}),
            ("gearbox_often", {"gearbox_shaft__least": mm(20)}),
            ("key_often", {"motor_shaft__key__length": mm(6), "launches": 1e8}),
            ("motor_keyway", hollow),
            ("hub_wall", {"hub__outside": mm(43)}),
            ("hollow_shaft", {**hollow, "motor_shaft__diameter": mm(35.09, 0.003)}),
            ("kept", {"hub__kept_by": "nothing"}),
            ("kept", {"hub__kept_by": "fit"}),
            ("pilot", {"clutch__pilot_bearing": False}),
            ("jaw_speed", {"jaw__greatest": {"text": "6000 rpm"}}),
        )
        for key, changes in cases:
            with self.subTest(key, changes=changes):
                self.assertIs(check_of(wren(**changes), f"coupler.{key}").verdict, Verdict.FAILS)

    def test_what_is_left_out_is_not_known(self) -> None:
        for key, path in (
            ("motor_torsion", "motor_shaft__least"),
            ("gearbox_torsion", "gearbox_shaft__spline__root"),
            ("motor_often", "launches"),
            ("key_often", "motor_shaft__key__starts"),
            ("kept", "hub__kept_by"),
            ("pilot", "clutch__pilot_bearing"),
            ("jaw_speed", "jaw__greatest"),
        ):
            gone: dict[str, Any] = {path: None}
            with self.subTest(key):
                self.assertIs(check_of(wren(**gone), f"coupler.{key}").verdict, Verdict.NOT_KNOWN)

    def test_a_taper_asks_for_its_nut_and_stretches_its_hub(self) -> None:
        taper = {"length": mm(40), "one_in": 10, "nut": "M16", "tightening": {"text": "100 Nm"}, "nut_class": "8.8"}
        there: dict[str, Any] = {"motor_shaft__kind": "tapered", "motor_shaft__taper": taper, "hub__kept_by": "nut"}
        found = wren(**there)
        self.assertIs(check_of(found, "coupler.nut_proof").verdict, Verdict.HOLDS)
        self.assertIs(check_of(found, "coupler.kept").verdict, Verdict.HOLDS)
        tight = wren(**{**there, "motor_shaft__taper": {**taper, "tightening": {"text": "900 Nm"}}})
        for key in ("nut_proof", "hub_stress"):
            self.assertIs(check_of(tight, f"coupler.{key}").verdict, Verdict.FAILS, key)
        bare = wren(**{**there, "motor_shaft__taper": {**taper, "nut_class": None}})
        self.assertIs(check_of(bare, "coupler.nut_proof").verdict, Verdict.NOT_KNOWN)

    def test_an_inch_shaft_has_an_inch_key(self) -> None:
        """1 3/8 in: 5/16 square, half of it in the shaft."""
        inch = wren(motor_shaft__diameter={"text": "1 3/8 in", "u": 0.003}, hub__bore={"text": "1 3/8 in"})
        working = check_of(inch, "coupler.motor_joint").working
        sizes = {one.name: one.value for step in working.steps for one in getattr(step, "given", ())}
        self.assertAlmostEqual(sizes["b"], 7.9375)
        self.assertAlmostEqual(sizes["t_1"], 7.9375 / 2)

    def test_both_hubs_of_a_flexible_coupler_are_parts(self) -> None:
        parts = {one.key: one for one in wren().parts}
        self.assertLessEqual({"coupler.hub", "coupler.gearbox_hub"}, set(parts))
        longer = wren(jaw__hub_length=mm(50))
        made = {one.key: one.cut.thickness_mm for one in longer.parts if one.cut and one.key.startswith("coupler")}
        self.assertEqual(made, {"coupler.hub": 45, "coupler.gearbox_hub": 50})


class SenselessTest(TestCase):
    """Each is asked about by its field, and what hangs on it is not known."""

    def test_what_can_not_be_is_asked_about_by_name(self) -> None:
        key = {"width": mm(40), "height": mm(8), "shaft_depth": mm(5)}
        cases: list[tuple[str, Any, str]] = [
            ("hub__outside", mm(30), "coupler.hub.outside"),
            ("hub__seat", mm(60), "coupler.hub.seat"),
            ("motor_shaft__bore", mm(40), "coupler.motor_shaft.bore"),
            ("gearbox_shaft__spline__root", mm(30), "coupler.gearbox_shaft.spline.root"),
            ("motor_shaft__key", {"length": mm(45), "ends": "square", **key}, "coupler.motor_shaft.key.width"),
            ("jaw__engaged", mm(60), "coupler.jaw.engaged"),
            ("jaw__gap_greatest", mm(10), "coupler.jaw.gap_greatest"),
        ]
        for path, value, field in cases:
            changed: dict[str, Any] = {path: value}
            result = wren(**changed)
            with self.subTest(path):
                self.assertIn(field, [query.field for query in result.coupler.queries])
                self.assertIn(field, [todo.field for todo in result.coupler.to_do])

    def test_what_may_be_meant_is_asked_about(self) -> None:
        self.assertIn("leaves play", " ".join(fitted("H7/g6").coupler.notes))
        self.assertIn("longer than the hub", " ".join(wren(gearbox_shaft__spline__length=mm(80)).coupler.notes))
        self.assertFalse([note for note in wren().coupler.notes if note.endswith("?")])

    def test_what_no_sheet_can_say_is_refused(self) -> None:
        for path, value in (
            ("gearbox_shaft__spline__teeth", 0),
            ("hub__length", {"text": "-45 mm"}),
            ("motor_shaft__taper__one_in", 0),
            ("jaw__temperature", 0.5),
        ):
            changed: dict[str, Any] = {path: value}
            with self.subTest(path), self.assertRaises(ValueError):
                wren(**changed)


class AllowanceTest(TestCase):
    def test_a_makers_figures_replace_the_usual_ones_in_the_plates_budget(self) -> None:
        """0.243 mm of 0.25 usually; of the maker's 0.4 it is less of the whole."""
        bare: dict[str, Any] = {"allowed_parallel": None, "allowed_angle": None}
        usual, stated = wren(**bare), wren(allowed_parallel=mm(0.4), allowed_angle={"text": "0.8 deg"})
        for key in ("plate.on_centre", "plate.misalignment"):
            self.assertAlmostEqual(
                (check_of(stated, key).margin or 0) / (check_of(usual, key).margin or 1), 0.4 / 0.25, places=3
            )
        self.assertAlmostEqual(check_of(stated, "plate.lean").capacity or 0, 0.8)

    def test_what_is_forgiven_falls_with_speed_to_half_where_its_maker_says_nothing(self) -> None:
        usual = wren(falls=[])
        stated = check_of(wren(falls=[fall(0, 1), fall(9000, 0.5)]), "plate.misalignment")
        self.assertAlmostEqual(check_of(usual, "plate.misalignment").margin or 0, stated.margin or 1)
        self.assertIn("coupler.falls", [one.field for one in usual.coupler.assumed])
        level = check_of(wren(falls=[fall(20_000, 1)]), "plate.misalignment")
        self.assertAlmostEqual(level.margin or 0, 2 * (stated.margin or 1))
        short = check_of(wren(falls=[fall(0, 1), fall(8000, 0.6)]), "plate.misalignment")
        self.assertIs(short.verdict, Verdict.NOT_KNOWN)

    def test_a_hub_that_runs_out_and_loose_bearings_use_up_what_the_plate_may(self) -> None:
        """Half of 0.1 mm more of each is 0.05 mm, of 0.4 × 0.75."""
        usual = check_of(wren(), "plate.misalignment").demand or 0
        for path, before in (("runout", 0.03), ("motor_shaft__play", 0.01), ("gearbox_shaft__play", 0.03)):
            worse: dict[str, Any] = {path: mm(before + 0.1)}
            with self.subTest(path):
                used = check_of(wren(**worse), "plate.misalignment").demand or 0
                self.assertAlmostEqual(used - usual, 0.05 / 0.3)
        for path in ("runout", "face_runout", "face_sweep", "motor_shaft__play", "gearbox_shaft__play"):
            gone: dict[str, Any] = {path: None}
            self.assertIs(check_of(wren(**gone), "plate.misalignment").verdict, Verdict.NOT_KNOWN, path)

    def test_balance_is_judged_by_its_grade(self) -> None:
        """0.1 mm in all at 9000 rpm: 0.05 × 942.5 = G47."""
        check = check_of(wren(runout=mm(0.1)), "coupler.balance")
        self.assertEqual((round(check.demand or 0, 1), check.capacity, check.verdict), (47.1, 16.0, Verdict.FAILS))
        self.assertIs(check_of(wren(runout=mm(0.1), grade_mm_s=60), "coupler.balance").verdict, Verdict.HOLDS)
        self.assertIs(check_of(wren(runout=None), "coupler.balance").verdict, Verdict.NOT_KNOWN)

    def test_a_coupler_that_does_not_reach_says_by_how_much(self) -> None:
        """A motor shaft 30 mm shorter: with the faces together the hubs are still 65.9 - 20 - 1 mm apart."""
        window = wren(motor_shaft__reading=mm(20)).coupler.window
        self.assertFalse(window.is_open)
        self.assertIn("too short to reach", window.tighten)


class SectionPaperTest(TestCase):
    def test_the_paper_agrees_with_the_cores_figures_and_no_label_lies_on_another(self) -> None:
        for style in STYLES:
            job = JobFile.model_validate(wren_json(style))
            result = evaluate(job).coupler
            drawing = REGISTRY.paper(job, "coupler.section").draw("Wren", "saved revision 1")
            texts = [one for one in drawing.entities if one.shape == "text"]
            words = " ".join(one.text for one in texts)
            for gap in result.gaps:
                with self.subTest(style, gap=gap.key):
                    self.assertIn(gap.title, words)
                    if gap.nominal_mm is not None and gap.worst_mm is not None:
                        self.assertIn(num(gap.nominal_mm - gap.worst_mm, "mm", 2), words)
            boxes = [box_of(one) for one in texts]
            with self.subTest(style):
                self.assertFalse([(a, b) for a, b in combinations(boxes, 2) if meet(a, b)])
                self.assertTrue(all(box[0] >= 10 and box[2] <= 287 and box[1] >= 10 and box[3] <= 200 for box in boxes))


def box_of(text: Any) -> tuple[float, float, float, float, str]:
    wide, high = 0.62 * text.height_mm * len(written(text.text, System.METRIC)), text.height_mm
    left = text.x_mm - wide / 2 if text.centred else text.x_mm
    return left, text.y_mm - high / 2, left + wide, text.y_mm + high / 2, text.text


def meet(a: tuple[float, float, float, float, str], b: tuple[float, float, float, float, str]) -> bool:
    return a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]


class HubPartTest(TestCase):
    def test_the_hub_is_a_part_with_all_that_its_checks_count_on_written_on_it(self) -> None:
        data = wren_json("rigid", bolts__count=6, bolts__circle=mm(120), bolts__hole=mm(8.4))
        data["sheets"]["coupler"]["hub"] |= HUB
        part = next(one for one in evaluate(JobFile.model_validate(data)).parts if one.key == "coupler.hub")
        self.assertEqual([hole.id for hole in part.hole_table], ["B1", "B2", "B3", "B4", "B5", "B6", "bore"])
        self.assertEqual(part.cut and part.cut.thickness_mm, 45)


class TemperatureTest(TestCase):
    """The job's own range in place of the usual 60 K either way."""

    def of(self, coldest_c: float | None, warmest_c: float | None) -> JobResultBase:
        data = wren_json(hub__made_of="aluminium", hub__fit="H7/s6", motor_shaft__zone="s6")
        data["sheets"]["coupler"]["motor_shaft"]["diameter"] = {"text": "35 mm"}
        data["sheets"]["brief"]["temperatures"] = {"coldest_c": coldest_c, "warmest_c": warmest_c}
        return evaluate(JobFile.model_validate(data))

    def test_the_usual_range_stands_where_nothing_is_stated_and_is_named(self) -> None:
        usual, same = self.of(None, None), self.of(-40, 80)
        for key in ("coupler.hub_stress", "coupler.gap_spider", "plate.on_centre"):
            self.assertAlmostEqual(check_of(usual, key).margin or 0, check_of(same, key).margin or 1, msg=key)
        named = {one.field for one in usual.brief.assumed}
        self.assertLessEqual({"brief.temperatures.coldest_c", "brief.temperatures.warmest_c"}, named)

    def test_colder_stresses_an_aluminium_hub_and_warmer_takes_from_the_gaps(self) -> None:
        usual = self.of(-40, 80)
        self.assertGreater(
            check_of(self.of(-60, 80), "coupler.hub_stress").demand or 0,
            check_of(usual, "coupler.hub_stress").demand or 0,
        )
        self.assertLess(
            check_of(self.of(-40, 180), "coupler.gap_spider").margin or 0,
            check_of(usual, "coupler.gap_spider").margin or 0,
        )

    def test_the_plate_goes_by_it_too(self) -> None:
        usual, hot = self.of(-40, 80), self.of(-40, 140)
        for key in ("plate.on_centre", "plate.misalignment"):
            self.assertLess(check_of(hot, key).margin or 0, check_of(usual, key).margin or 0, key)
