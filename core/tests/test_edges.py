"""Faults at the edges: a figure left out that flattered a check, a case nobody judged, half of a demand.

Each stands here by the jobs that showed it, worked out beside it where there is a figure.
"""

import copy
import math
from typing import Any
from unittest import TestCase

import numpy as np

from driveline.checks import Check, Verdict
from driveline.fits.limits import fit, limits
from driveline.flat.clocking import MOST_SPANS, clocking
from driveline.flat.holes import Disc, ligaments
from driveline.flat.outline import edge_depths_mm
from driveline.gearing.road import run_up
from driveline.gearing.tyre import read_tyre_code
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from driveline.memory import forget_everything
from driveline.metal.bolts import thread
from driveline.metal.overhang import greatest_tension_n, hub_tilt_deg
from driveline.network import adjust as adjusting
from driveline.reading.measure import Quantity, measured
from driveline.survey.solve import solve_survey
from tests.demo import demo_json
from tests.jobs import KEPT, TWO, box, check_of, keys_of, round_job, solved

HOLDS, TIGHT, FAILS, NOT_KNOWN = Verdict.HOLDS, Verdict.TIGHT, Verdict.FAILS, Verdict.NOT_KNOWN
Change = dict[str, Any]


def changed(name: str, changes: Change) -> JobResult:
    """A demo job, not released, with fields changed: ``{"brief.motor.mass": "60 kg"}``; ``None`` takes one away."""
    data = demo_json(name)
    data.pop("build", None)
    if data["sheets"]["plate"].get("survey"):
        data["sheets"]["plate"]["survey"]["readings"][11]["reading"]["text"] = "96.47"
    for path, value in changes.items():
        *parents, last = path.split(".")
        place = data["sheets"]
        for parent in parents:
            place = place.setdefault(parent, {}) if isinstance(place, dict) else place[int(parent)]
        place[last] = (
            {"text": value}
            if isinstance(value, str) and any(mark.isdigit() for mark in value) and "box" not in value
            else value
        )
    return evaluate(JobFile.model_validate(data))


# Job, what is changed, the check, its verdict, and words of what it then says is wanted.
CASES: list[tuple[str, str, Change, str, Verdict, str]] = [
    (
        "a grip nobody knows",
        "wren",
        {"brief.vehicle.cg_height": None},
        "road.hill_start",
        NOT_KNOWN,
        "centre of gravity",
    ),
    (
        "an item without a place",
        "bittern",
        {"brief.masses.items.3.x": None},
        "road.hill_start",
        NOT_KNOWN,
        "load stands",
    ),
    (
        "no laden mass",
        "wren",
        {"brief.vehicle.laden_mass": None, "brief.masses.items": []},
        "masses.rear_axle",
        NOT_KNOWN,
        "laden",
    ),
    (
        "a load without its place",
        "wren",
        {"brief.masses.items": []},
        "masses.rear_axle",
        NOT_KNOWN,
        "the load as items",
    ),
    ("sides not weighed", "wren", {"brief.masses.left_side": None}, "masses.tyre", NOT_KNOWN, "left wheels"),
    (
        "no critical speed",
        "wren",
        {"ratios.propshaft.critical_rpm": None, "axles.lines": []},
        "propshaft.speed",
        NOT_KNOWN,
        "critical speed",
    ),
    (
        "a critical speed stated, and a tube that is not measured",
        "wren",
        {"axles.lines.0.tubes.0.wall": None},
        "propshaft.speed",
        NOT_KNOWN,
        "critical speed",
    ),
    (
        "a tube that whirls sooner than is stated",
        "wren",
        {"axles.lines.0.tubes.0.outside": "44 mm"},
        "propshaft.speed",
        FAILS,
        "critical speed",
    ),
    ("slow joints", "wren", {"ratios.propshaft.joint_rpm": "4000 rpm"}, "propshaft.joint_speed", FAILS, ""),
    ("no motor holes", "wren", {"plate.face.bolt_circle": None}, "plate.ligament", NOT_KNOWN, "motor's face"),
    ("no clearance hole", "wren", {"plate.face.plate_hole": None}, "plate.ligament", NOT_KNOWN, "clearance hole"),
    (
        "half a counterbore",
        "wren",
        {"plate.face.counterbore": "11.2 mm"},
        "plate.ligament",
        NOT_KNOWN,
        "diameter and depth",
    ),
    (
        "a counterbore right through",
        "wren",
        {"plate.face.counterbore": "18 mm", "plate.face.counterbore_depth": "10 mm"},
        "plate.counterbore_floor",
        FAILS,
        "",
    ),
    (
        "a counterbore of no depth",
        "wren",
        {"plate.face.counterbore": "18 mm"},
        "plate.counterbore_floor",
        NOT_KNOWN,
        "depth of the counterbore",
    ),
    (
        "thread depth",
        "wren",
        {"plate.motor_joint.thread_depth": None},
        "plate.motor_engagement",
        NOT_KNOWN,
        "full thread",
    ),
    (
        "one register",
        "wren",
        {"plate.plate.register_plays": [{"text": "0.01"}]},
        "plate.on_centre",
        NOT_KNOWN,
        "2 faces",
    ),
    (
        "dowels of no size",
        "wren",
        {"plate.plate.locating": "dowels"},
        "plate.on_centre",
        NOT_KNOWN,
        "dowels",
    ),
    ("no peak power", "plover", {"brief.motor.peak_power": None}, "road.top_speed", NOT_KNOWN, "peak power"),
    ("half a taper", "plover", {"brief.motor.taper_to": "20 Nm"}, "road.top_speed", NOT_KNOWN, "taper"),
    ("half a voltage", "plover", {"brief.motor.rated_bus_v": 350}, "road.top_speed", NOT_KNOWN, "voltages"),
    ("no battery", "plover", {"brief.motor.battery_power": None}, "road.top_speed", NOT_KNOWN, "battery power"),
    ("no lasting power", "plover", {"brief.motor.continuous_power": None}, "road.cruise", NOT_KNOWN, "continuous"),
    ("overrun left out", "plover", {"brief.motor.overrun_torque": None}, "axle.torque", NOT_KNOWN, "overrun torque"),
    ("overrun of nought", "plover", {"brief.motor.overrun_torque": "0 Nm"}, "road.overrun_wet", HOLDS, ""),
    ("front axle blank", "bittern", {"ratios.front_axle_rating": None}, "front.axle.torque", NOT_KNOWN, "rating"),
    ("front shaft blank", "bittern", {"ratios.front_propshaft": None}, "front.propshaft.torque", NOT_KNOWN, "rating"),
    ("no motor at all", "wren", {"brief.motor": {}}, "gearbox.torque", NOT_KNOWN, "peak torque"),
    ("no tyre", "bittern", {"brief.tyre": {}}, "motor.top_speed", NOT_KNOWN, "tyre"),
    (
        "a grip that holds the parked wheels",
        "wren",
        {"brief.vehicle.cg_height": None},
        "parked.handbrake",
        NOT_KNOWN,
        "height",
    ),
    # Cases that were not judged.
    ("a bore that breaks out", "wren", {"plate.plate.bore": "420 mm"}, "plate.edge", FAILS, ""),
    ("a shifted box in 1st", "wren", {"ratios.gearbox.use": "shifted"}, "propshaft.torque", FAILS, ""),
    ("nobody says whether it is shifted", "wren", {"ratios.gearbox.use": None}, "propshaft.torque", FAILS, ""),
    ("a gearbox at the motor's speed", "wren", {"ratios.gearbox.greatest_rpm": "7200 rpm"}, "gearbox.speed", FAILS, ""),
    ("a load far behind", "wren", {"brief.masses.items.0.x": "-3000 mm"}, "masses.front_axle", FAILS, "tips"),
    ("a bolt with its load", "wren", {"plate.motor_joint.tightening": "36 Nm"}, "plate.motor_proof", FAILS, ""),
]


class LeftOutTest(TestCase):
    def test_each_is_judged_and_says_what_to_measure(self) -> None:
        for name, job, changes, key, verdict, words in CASES:
            with self.subTest(name):
                check = check_of(changed(job, changes), key)
                self.assertIs(check.verdict, verdict, check.says)
                self.assertIn(words.lower(), f"{check.says} {' '.join(check.missing)}".lower())

    def test_a_job_without_a_motor_is_not_known_whatever_else_holds(self) -> None:
        result = changed("wren", {"brief.motor": {}})
        self.assertIsNone(result.line)
        self.assertIn(result.worst, (NOT_KNOWN, FAILS))
        bare = evaluate(JobFile(name="New"))
        self.assertIs(bare.worst, NOT_KNOWN)

    def test_a_yes_or_no_is_no_ratio(self) -> None:
        result = changed("wren", {"margins": {"wanted_performance": 2.5}})
        choice = check_of(result, "ratios.choice")
        self.assertEqual((choice.verdict, choice.margin), (HOLDS, None))

    def test_the_end_of_a_curve_left_out_leaves_what_is_past_it_not_known(self) -> None:
        points = [{"rpm": 0, "peak_nm": 180}, {"rpm": 4000, "peak_nm": 170}, {"rpm": 12000, "peak_nm": 55}]
        motor = {"brief.motor.curve": points, "brief.motor.peak_torque": None, "brief.motor.peak_power": None}
        whole, cut = (changed("plover", {**motor, "brief.motor.curve": curve}) for curve in (points, points[:2]))
        self.assertIs(check_of(whole, "road.top_speed").verdict, HOLDS)
        self.assertIs(check_of(cut, "road.top_speed").verdict, NOT_KNOWN)
        assert cut.brief.motor is not None
        self.assertEqual([nm is None for nm in cut.brief.motor.peak_nm][:21], [False] * 21)
        self.assertIsNone(cut.brief.motor.peak_nm[-1])
        self.assertIn("brief.motor.curve", [one.field for one in cut.brief.to_do])

    def test_two_units_share_one_battery(self) -> None:
        """30 kW at 0.92 from the battery: 27.6 kW at the shafts together, not each."""
        brief = round_job("two_units", TWO)["sheets"]["brief"]
        motor = {**brief["motor"], "battery_power": {"text": "30 kW"}}
        line = solved("two_units", TWO, motor=motor).line
        assert line is not None
        launch = next(case for case in line.cases if case.key == "launch")
        row = {station.key: k for k, station in enumerate(line.stations)}
        at = line.speed_kmh.index(40.0)
        kw = sum(
            (launch.torque_nm[row[key]][at] or 0) * (line.rpm[row[key]] or [])[at] * math.pi / 30_000
            for key in ("rear.motor", "front.motor")
        )
        self.assertAlmostEqual(kw, 27.6, delta=0.05)

    def test_a_reduction_that_hangs_on_the_plate_twists_and_weighs(self) -> None:
        """235 × 1.25 through 1.75 at 0.98, its output turning with its input: 294 × 1.715; against it: and 1 more."""
        base: Change = {"ratios.choice.reduction": "1.75 box"}
        unknown = changed("wren", base)
        self.assertIn("Mass of the 1.75 box", " ".join(check_of(unknown, "plate.flange_hangs").missing))
        hung = {**base, "ratios.reductions.0.mass": "18 kg"}
        for reverses, factor in ((False, 1.75 * 0.98), (True, 1.75 * 0.98 + 1), (None, 1.75 * 0.98 + 1)):
            check = check_of(
                changed("wren", {**hung, "ratios.reductions.0.reverses": reverses}), "plate.flange_friction"
            )
            self.assertAlmostEqual(check.demand or 0, 235 * 1.25 * factor)
        ratio = [check_of(changed("wren", one), "plate.motor_hangs").demand or 0 for one in ({}, hung)]
        self.assertAlmostEqual(ratio[1] / ratio[0], 72 / 54)


class CasesTest(TestCase):
    def test_a_shifted_box_is_judged_in_the_worst_of_its_gears(self) -> None:
        """In 1st the propshaft carries 235 × 1.25 × 3.65 × 0.96 = 1029, held by the tyres to less; into 1st at 115 km/h
        the motor turns 115 / 3.6 / 1.835 × 60 × 3.65 × 37/9 = 15 674 rpm."""
        result = changed("wren", {"ratios.gearbox.use": "shifted"})
        shaft, shift = check_of(result, "propshaft.torque"), check_of(result, "motor.downshift")
        self.assertIn("in 1st", shaft.says)
        self.assertGreater(shaft.demand or 0, 900)
        self.assertAlmostEqual(shift.demand or 0, 115 / 3.6 / 1.835 * 60 * 3.65 * 37 / 9, delta=1)
        self.assertIs(shift.verdict, FAILS)

    def test_a_gear_left_in_is_judged_alone_and_every_gear_otherwise(self) -> None:
        """Law 3: in a box that may be shifted every check of a load is that of the worst gear by itself."""
        gears = [box("low", "3.2"), box("mid", "1.8"), box("top", "1.0")]
        shaft = {"rating": {"text": "500 Nm"}}
        finals = KEPT["final_drives"]

        def checks(use: str | None, gear: str) -> dict[str, Check]:
            gearbox = {"gears": gears, "use": use, "rating": {"text": "250 Nm"}}
            choice = {"gear": gear, "final_drive": "4.0"}
            ratios = {"gearbox": gearbox, "final_drives": finals, "propshaft": shaft, "choice": choice}
            return {check.key: check for check in solved("kept_gearbox", ratios).checks}

        for key in ("propshaft.torque", "axle.torque", "final_drive.torque", "gearbox.torque", "road.overrun_wet"):
            alone = [checks("left_in_one", gear["name"])[key].demand or 0 for gear in gears]
            for use in ("shifted", None):
                for gear in gears:
                    self.assertAlmostEqual(checks(use, gear["name"])[key].demand or 0, max(alone), msg=key)

    def test_both_axles_and_both_ways_are_judged(self) -> None:
        keys = keys_of(changed("bittern", {}))
        for side in ("front", "rear"):
            for what in (
                "propshaft.torque",
                "propshaft.speed",
                "propshaft.joint_speed",
                "axle.torque",
                "final_drive.torque",
            ):
                self.assertIn(f"{side}.{what}", keys)

    def test_axles_that_are_locked_together_wind_up_to_what_the_tyres_hold(self) -> None:
        """With next to no motor, each locked side still bears what slips the axle that grips less, × 1.2."""
        weak = {"brief.motor.peak_torque": "5 Nm", "brief.motor.overrun_torque": "0 Nm", "ratios.split.kind": "locked"}
        line = changed("bittern", weak).line
        assert line is not None
        shafts = [station for station in line.stations if station.kind == "propshaft"]
        for shaft in shafts:
            self.assertEqual(shaft.governed_by, "wind-up")
            self.assertAlmostEqual(shaft.design_nm or 0, min(one.slip_limited_nm or 0 for one in shafts), places=6)
        unknown = changed("bittern", {**weak, "brief.vehicle.cg_height": None})
        self.assertIs(check_of(unknown, "rear.propshaft.torque").verdict, NOT_KNOWN)

    def test_rows_of_feet_that_run_into_one_another_fail(self) -> None:
        base = {
            "along": {"text": "200"},
            "across": {"text": "150"},
            "hole": {"text": "12"},
            "from_face": {"text": "60"},
        }
        rows = [{"name": "near", "shift": {"text": "0"}}, {"name": "far", "shift": {"text": "8"}}]
        kind = "base"
        for shown, verdict in ((rows, FAILS), (rows[:1], HOLDS)):
            build = {"kind": kind, "base": {**base, "rows": shown}}
            self.assertIs(check_of(changed("wren", {"plate.build_up": build}), "plate.ligament").verdict, verdict)

    def test_thin_plates_on_long_legs_fail(self) -> None:
        legs = {
            "count": 4,
            "circle": {"text": "200 mm"},
            "hole": {"text": "11 mm"},
            "length": {"text": "600 mm"},
            "diameter": {"text": "16 mm"},
            "made_of": "steel",
        }
        build = {"kind": "two_plates", "second_thickness": {"text": "1 mm"}, "standoffs": legs}
        changes = {"plate.build_up": build, "plate.plate.thickness": "1 mm", "plate.plate.bore": "80 mm"}
        result = changed("wren", changes)
        self.assertIs(check_of(result, "plate.lean").verdict, FAILS)
        self.assertIs(check_of(result, "plate.standoff_legs").verdict, FAILS)
        self.assertIn("plate.standoff_engagement", keys_of(result))
        self.assertIs(
            check_of(changed("wren", {**changes, "plate.build_up.standoffs.diameter": None}), "plate.lean").verdict,
            NOT_KNOWN,
        )

    def test_between_two_rigid_rings_it_is_the_same_which_is_held(self) -> None:
        """A motor's circle outside the flange's bends the plate as much as one inside it by the same ratio."""
        wide = {"plate.face.bolt_circle": "520 mm", "plate.plate.thickness": "4 mm"}
        self.assertGreater(check_of(changed("wren", wide), "plate.lean").demand or 0, 1e-4)
        sizes = {"moment_nm": 100.0, "thickness_mm": 10.0, "modulus_mpa": 70_000.0, "poisson": 0.33}
        self.assertGreater(hub_tilt_deg(inner_mm=60, outer_mm=120, **sizes), 0)

    def test_half_of_each_allowance_is_all_of_it(self) -> None:
        """Rigid hub: 0.05 mm and 0.05°, half of each left at top speed; all of it in one sum."""
        bare: dict[str, Any] = {"coupler.allowed_parallel": None, "coupler.allowed_angle": None, "coupler.falls": []}
        clean = {"coupler.runout": "0 mm", "coupler.motor_shaft.play": "0 mm", "coupler.gearbox_shaft.play": "0 mm"}
        flat = {"coupler.face_runout": "0 mm", "plate.plate.out_of_parallel": "0 mm"}
        result = changed("wren", {"ratios.coupler": "rigid", **bare, **clean, **flat})
        together, lean = check_of(result, "plate.misalignment"), check_of(result, "plate.lean")
        alone = check_of(result, "plate.on_centre")
        lean_deg, middle_mm = lean.demand or 0, 6 + 45 + 58
        offset_mm = (alone.demand or 0) + math.tan(math.radians(lean_deg)) * middle_mm
        self.assertAlmostEqual(together.demand or 0, 2 * (offset_mm + lean_deg) / 0.05, places=9)

    def test_readings_that_scatter_together_fail_though_none_stands_out(self) -> None:
        data = demo_json("wren")["sheets"]["plate"]["survey"]
        data["readings"][11]["reading"]["text"] = "96.47"
        for one in data["readings"]:
            one["reading"]["u"] = 0.05 / 3
        from driveline.survey.sheet import Survey

        survey = solve_survey(Survey.model_validate(data)).result
        assert survey.chi_square_limit is not None
        check = check_of(changed("wren", {"plate.survey": data}), "plate.readings_agree")
        self.assertAlmostEqual(
            check.demand or 0, max(survey.chi_square / survey.chi_square_limit, (survey.worst_w or 0) / 3.29)
        )
        self.assertIs(check.verdict, FAILS if survey.chi_square > survey.chi_square_limit else check.verdict)


class SettledTest(TestCase):
    def test_an_adjustment_that_did_not_settle_is_no_answer_and_blames_no_reading(self) -> None:
        steps = adjusting.MOST_STEPS
        adjusting.MOST_STEPS = 1  # type: ignore[misc]
        forget_everything()
        try:
            result = changed("wren", {"plate.plate.concentricity": "0.02 mm"})
        finally:
            adjusting.MOST_STEPS = steps  # type: ignore[misc]
            forget_everything()
        self.assertFalse(result.plate.survey.is_settled)
        for key in ("plate.readings_agree", "plate.holes_settled", "plate.on_centre"):
            self.assertIs(check_of(result, key).verdict, NOT_KNOWN, key)
        self.assertEqual({reading.fit for reading in result.plate.survey.readings}, {"alone"})
        self.assertIn("did not settle", result.plate.survey.says[0])

    def test_a_hole_at_the_centre_ends_the_search_for_the_best_angle(self) -> None:
        flange = [Disc(f"H{k}", 150 * math.cos(k), 150 * math.sin(k), 10.5) for k in range(6)]
        for holes in ([[0, 0], [13, 0]], [[0, 0], [0, 0]], [[1e-9, 0], [13, 0]], [[1e-4, 0], [0, 13]]):
            found = clocking(flange, np.array(holes, dtype=float), 11.0, factor=1.0)
            self.assertTrue(found.is_settled)
        self.assertGreater(MOST_SPANS, 720)

    def test_a_search_that_comes_to_its_bound_says_so(self) -> None:
        from driveline.flat import clocking as module

        most = module.MOST_SPANS
        module.MOST_SPANS = 3  # type: ignore[misc]
        try:
            flange = [Disc(f"H{k}", 150 * math.cos(k), 150 * math.sin(k), 10.5) for k in range(6)]
            found = module.clocking(flange, np.array([[134.0, 0], [-134.0, 1]]), 11.0, factor=1.0)
        finally:
            module.MOST_SPANS = most  # type: ignore[misc]
        self.assertFalse(found.is_settled)


class FiguresTest(TestCase):
    def test_codes_of_commercial_and_speed_rated_tyres(self) -> None:
        for code, free_mm in [
            ("155R12C", 25.4 * 12 + 2 * 155 * 0.82),
            ("185HR14", 25.4 * 14 + 2 * 185 * 0.82),
            ("31x10.50R15LT", 31 * 25.4),
            ("195/65R15 91V", 634.5),
        ]:
            self.assertAlmostEqual(read_tyre_code(code).free_diameter_mm, free_mm, msg=code)

    def test_a_cross_ply_code_rolls_as_one_from_its_loaded_radius(self) -> None:
        result = changed("wren", {"brief.tyre": {"code": "6.50-16", "loaded_radius": {"text": "340 mm"}}})
        radius = next(one for one in result.brief.tyres if one.method == "loaded_radius")
        self.assertAlmostEqual(radius.circumference_mm, 2 * math.pi * 340 * 1.02)

    def test_a_comma_before_three_digits_is_asked_about(self) -> None:
        for text, quantity, value in [
            ("1,560 kg", Quantity.VEHICLE_MASS, 1560),
            ("9,000 rpm", Quantity.SPIN, 9000),
            ("4,110", Quantity.RATIO, 4.11),
            ("96,470", Quantity.LENGTH, 96.47),
            ("0,125", Quantity.LENGTH, 0.125),
            ("12,5", Quantity.LENGTH, 12.5),
        ]:
            self.assertAlmostEqual(measured(text, quantity).value, value, msg=text)
        for text, quantity in [("1,560 kg", Quantity.MASS), ("1,560", Quantity.LENGTH)]:
            with self.assertRaisesRegex(ValueError, "can be 1.56 or 1560"):
                measured(text, quantity)

    def test_what_was_a_crash_is_refused_by_name_or_answered(self) -> None:
        for text in ("10.5 ±0", "9" * 50 + "' 1", "10.5 ±0.0000001"):
            with self.assertRaises(ValueError):
                measured(text, Quantity.LENGTH)
        for nought in ("brief.vehicle.laden_mass", "brief.vehicle.kerb_mass"):
            changed("wren", {nought: "0"})
        with self.assertRaisesRegex(ValueError, "diameter of H3 is ⟨0"):
            changed("wren", {"plate.survey.holes.2.diameter": "0"})
        self.assertIs(check_of(changed("wren", {"plate.face.overhang": "0 mm"}), "plate.motor_hangs").verdict, HOLDS)
        with self.assertRaisesRegex(ValueError, "can't be shown"):
            JobFile(name="Wr\0en")
        wide = [{"size": {"text": "600 mm"}, "fit": "H7/g6"}, {"size": {"text": "130 mm"}, "fit": "H7/g6"}]
        result = changed("wren", {"plate.plate.registers": wide, "plate.plate.register_plays": []})
        self.assertIs(check_of(result, "plate.on_centre").verdict, NOT_KNOWN)
        self.assertIs(check_of(result, "plate.register_pressed_1").verdict, NOT_KNOWN)

    def test_fits_up_to_500_and_down_to_3(self) -> None:
        """ISO 286-2: 200 H7 +46, 300 g6 −17/−49, 400 p6 +98/+62, 450 h6 −40, 5 H7 +12, 220 s6 +159/+130."""
        for size, zone, greatest_um, least_um in [
            (200, "H7", 46, 0),
            (300, "g6", -17, -49),
            (400, "p6", 98, 62),
            (450, "h6", 0, -40),
            (5, "H7", 12, 0),
            (220, "s6", 159, 130),
        ]:
            found = limits(size, zone)
            self.assertAlmostEqual((found.greatest_mm - size) * 1000, greatest_um, msg=zone)
            self.assertAlmostEqual((found.least_mm - size) * 1000, least_um, msg=zone)

    def test_a_pressed_register_is_loose_in_warm_aluminium(self) -> None:
        """Ø130 H7/p6: 0.003 tight at least, 60 K × 11.5e-6 × 130 = 0.0897 of growth: 0.087 of play."""
        from driveline.benches.plate.centre import warm_play_mm
        from driveline.tables.materials import PlateMaterial

        grown = warm_play_mm(PlateMaterial.ALUMINIUM, 130.0, 60.0) or 0.0
        self.assertAlmostEqual(fit(130, "H7/p6").greatest_play_mm + grown, 0.0867, places=4)
        self.assertIsNone(warm_play_mm(None, 130.0, 60.0))

    def test_heads_are_those_of_the_standard(self) -> None:
        sizes = {name: thread(name).head_mm for name in ("M6", "M8", "M10", "M12", "M14", "M16")}
        self.assertEqual(sizes, {"M6": 10, "M8": 13, "M10": 16, "M12": 18, "M14": 21, "M16": 24})

    def test_the_worst_direction_of_a_thin_pattern_is_found(self) -> None:
        for half_mm in (0.5, 2.0, 20.0):
            xy = np.array([[0, half_mm], [200, -half_mm], [90, half_mm], [120, -half_mm]])
            angle = np.linspace(0, 2 * np.pi, 400_001)
            arms = (xy - xy.mean(axis=0)) @ np.vstack([np.cos(angle), np.sin(angle)])
            fine = (arms.max(axis=0) / (arms**2).sum(axis=0)).max()
            found = greatest_tension_n(xy, 1.0) / 1000
            self.assertGreaterEqual(found, fine * (1 - 1e-9))
            self.assertLess(found, fine * (1 + 1e-3))

    def test_only_a_bore_counts_as_no_more_than_twice_its_neighbour(self) -> None:
        screw, sunk = Disc("H1", 0, 0, 10.5), Disc("M1", 60, 0, 22)
        (counterbore,) = ligaments([screw, sunk], factor=1.0)
        self.assertEqual(counterbore.wanted_mm, 22)
        bores = [
            ligaments([screw, Disc("b", 90, 0, mm, is_bore=True)], factor=1.0)[0].wanted_mm
            for mm in (20.9, 21, 21.1, 90)
        ]
        np.testing.assert_allclose(bores, (20.9, 21, 21, 21))

    def test_outside_the_edge_is_less_than_nothing(self) -> None:
        from driveline.flat.outline import CircleEdge

        edge = CircleEdge(50.0).vertices
        np.testing.assert_allclose(
            edge_depths_mm(np.array([[0.0, 0.0], [40, 0], [60, 0]]), edge), (50, 10, -10), atol=1e-6
        )

    def test_a_run_to_near_its_end_is_as_long_as_the_integral(self) -> None:
        """F = 1000 − 20 v on 1000 kg: t = −50 ln(1 − v/50); to 49 m/s 195.6 s, no drag."""
        speed = np.linspace(0, 50, 161)
        run = run_up(speed, 1000 - 20 * speed, np.full(161, 1000.0))
        for to_ms in (10.0, 30.0, 45.0, 49.0, 49.9):
            self.assertAlmostEqual(float(run.between_s(0.0, to_ms)) / (-50 * math.log(1 - to_ms / 50)), 1, places=6)

    def test_figures_that_contradict_are_asked_about_by_both_names(self) -> None:
        cases: list[tuple[Change, tuple[str, str]]] = [
            ({"brief.vehicle.laden_mass": "900 kg"}, ("900", "1080")),
            ({"brief.vehicle.laden_mass": "1900 kg"}, ("1900", "1560")),
            ({"brief.masses.front_axle": "700 kg", "brief.masses.rear_axle": "500 kg"}, ("1200", "1080")),
            ({"brief.motor.curve": [{"rpm": 0, "peak_nm": 300}, {"rpm": 9000, "peak_nm": 90}]}, ("235", "300")),
            ({"brief.motor.continuous_torque": "300 Nm"}, ("300", "235")),
        ]
        for changes, words in cases:
            asked = [
                one for one in changed("wren", copy.deepcopy(changes)).brief.queries if all(w in one for w in words)
            ]
            self.assertTrue(asked, changes)
