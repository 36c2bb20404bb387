"""Every check of the plate bench: each of its verdicts, by figures that are worked out beside it."""

from typing import Any
from unittest import TestCase

from driveline.checks import Check, Verdict
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from tests.demo import demo_json
from tests.jobs import check_of, said

HOLDS, TIGHT, FAILS, NOT_KNOWN = Verdict.HOLDS, Verdict.TIGHT, Verdict.FAILS, Verdict.NOT_KNOWN
ARROW = "__"


def wren(changes: dict[str, Any]) -> JobResult:
    """Wren measured again and not released, with fields changed: ``plate__face__overhang``."""
    data = demo_json("wren")
    data.pop("build")
    data["sheets"]["plate"]["survey"]["readings"][11]["reading"]["text"] = "96.47"
    for allowed in ("allowed_parallel", "allowed_angle"):  # as usual for its style: 0.25 mm and 0.5°
        data["sheets"]["coupler"].pop(allowed)
    for path, value in changes.items():
        *parents, last = path.split(ARROW)
        place = data["sheets"]
        for name in parents:
            place = place.setdefault(name, {})
        place[last] = {"text": value} if isinstance(value, str) and " " in value else value
    return evaluate(JobFile.model_validate(data))


WREN_PLATE = demo_json("wren")["sheets"]["plate"]["plate"]
STANDOFFS = {
    "kind": "two_plates",
    "standoffs": {"count": 4, "circle": {"text": "200 mm"}, "first_at": {"text": "45"}, "hole": {"text": "13 mm"}},
}
# What a check hangs on, and what it then says. The figures that decide are in the remark before each.
CASES: list[tuple[str, list[tuple[dict[str, Any], Verdict]]]] = [
    (  # M10 8.8: proof 33 634 N, 593 of it the bump's; 1.25 T/(0.15 × 10 mm), wanted 1.1: 36.0 N·m, 32.6 for Holds.
        "plate.motor_proof",
        [
            ({"plate__motor_joint__tightening": "32 Nm"}, HOLDS),
            ({"plate__motor_joint__tightening": "35 Nm"}, TIGHT),
            ({"plate__motor_joint__tightening": "36.5 Nm"}, FAILS),
            ({"plate__face__overhang": None}, NOT_KNOWN),
            ({"plate__motor_joint__tightening": "38 Nm"}, FAILS),
            ({"plate__motor_joint__condition": None}, NOT_KNOWN),
        ],
    ),
    (  # 10.75 mm in thread; screw less 2 of washer, 10 of plate, 1.5 of point and 0.5 of countersink.
        "plate.motor_engagement",
        [
            ({"plate__face__screw_length": "26 mm"}, HOLDS),
            ({"plate__face__screw_length": "25 mm"}, TIGHT),
            ({"plate__face__screw_length": "24 mm"}, FAILS),
            ({"plate__face__screw_length": None}, NOT_KNOWN),
            ({"plate__motor_joint__thread_depth": None}, NOT_KNOWN),
            ({"plate__motor_joint__thread_depth": "10 mm"}, FAILS),  # its last 3 mm stand in no thread
            ({"plate__motor_joint__washer": None}, NOT_KNOWN),
            ({"plate__motor_joint__washer": None, "plate__face__screw_length": "20 mm"}, FAILS),
        ],
    ),
    (  # 40 − 2 − 10 = 28 mm in.
        "plate.flange_screw_clear",
        [
            ({"plate__flange_joint__depth_behind": "31 mm"}, HOLDS),
            ({"plate__flange_joint__depth_behind": "29 mm"}, TIGHT),
            ({"plate__flange_joint__depth_behind": "27 mm"}, FAILS),
            ({"plate__flange_joint__depth_behind": None}, NOT_KNOWN),
            ({"plate__flange_joint__is_blind": None}, NOT_KNOWN),
            ({"plate__flange_joint__is_blind": True}, HOLDS),  # 34 of thread less two pitches: 31
            ({"plate__flange_joint__is_blind": True, "plate__flange_joint__thread_depth": "30 mm"}, FAILS),
            ({"plate__flange_joint__is_blind": True, "plate__flange_joint__thread_depth": None}, NOT_KNOWN),
        ],
    ),
    (  # 30 kN over a Ø11 hole on aluminium that gives at 240: Ø17.8 bears just that, Ø16.7 is 241.
        "plate.motor_head",
        [
            ({"plate__motor_joint__head": "20 mm"}, HOLDS),
            ({"plate__motor_joint__head": "17 mm"}, TIGHT),
            ({"plate__motor_joint__head": "16 mm"}, FAILS),
            ({"plate__plate__made_of": None}, NOT_KNOWN),
        ],
    ),
    (  # 0.9 × least preload × 0.134 against 235 × 1.25, wanted 1.5: 3651 N at least, with 4323 settled.
        "plate.motor_friction",
        [
            ({"plate__motor_joint__tightening": "36 Nm"}, HOLDS),
            ({"plate__motor_joint__tightening": "16.4 Nm"}, TIGHT),
            ({"plate__motor_joint__tightening": "15 Nm"}, FAILS),
            ({"brief__motor__peak_torque": None, "brief__motor__peak_power": None}, NOT_KNOWN),
        ],
    ),
    (  # 593 N at 150 mm of overhang and 3 g, wanted 1.5, of 13 677: up to 2306 mm.
        "plate.motor_hangs",
        [
            ({"plate__face__overhang": "150 mm"}, HOLDS),
            ({"plate__face__overhang": "2200 mm"}, TIGHT),
            ({"plate__face__overhang": "2400 mm"}, FAILS),
            ({"plate__face__overhang": None}, NOT_KNOWN),
        ],
    ),
    (  # 0.02 + the survey's 0.08 + half of the plays, each 0.0897 more 60 K warm on Ø130 in aluminium, of 0.25.
        "plate.on_centre",
        [
            ({"plate__plate__register_plays": [{"text": "0.01"}, {"text": "0.01"}]}, HOLDS),
            ({"plate__plate__register_plays": [{"text": "0.05"}, {"text": "0.05"}]}, TIGHT),
            ({"plate__plate__register_plays": [{"text": "0.05"}]}, NOT_KNOWN),  # the other face has no register
            ({"plate__plate__register_plays": [{"text": "0.4"}]}, FAILS),
            ({"plate__plate__made_of": None}, NOT_KNOWN),
            ({"plate__plate": {**WREN_PLATE, "locating": "dowels"}}, NOT_KNOWN),
            ({"plate__plate__register_plays": [{"text": "0.3"}, {"text": "0.3"}]}, FAILS),
            ({"plate__plate__concentricity": None}, NOT_KNOWN),
        ],
    ),
    (  # 1.5 × 12.2 mm to the edge, drawn at the factor times it.
        "plate.edge",
        [
            ({"plate__plate__edge_factor": 1.7}, HOLDS),
            ({"plate__plate__edge_factor": 1.6}, TIGHT),
            ({"plate__plate__edge_factor": 1.4}, FAILS),
            ({"plate__survey": {}, "plate__face__bolt_circle": None}, NOT_KNOWN),
        ],
    ),
    (  # 11 mm wanted beside an 11 mm hole; as the motor turns.
        "plate.ligament",
        [
            ({"plate__plate__turned": "-3 deg"}, HOLDS),
            ({"plate__plate__turned": "-5 deg"}, TIGHT),
            ({"plate__plate__turned": "24 deg"}, FAILS),
            ({"plate__survey": {}, "plate__face__bolt_circle": None}, NOT_KNOWN),
        ],
    ),
    (  # Whatever fails, the demo's own reading does: 2 mm long. Without readings nothing is known.
        "plate.readings_agree",
        [
            ({}, HOLDS),
            ({"plate__survey": demo_json("wren")["sheets"]["plate"]["survey"]}, FAILS),
            ({"plate__survey": {}}, NOT_KNOWN),
        ],
    ),
    (  # 235 N·m at most, without a number of screws the joint can't be told.
        "plate.flange_friction",
        [
            ({}, HOLDS),
            ({"plate__flange_joint__tightening": "11 Nm"}, FAILS),
            ({"plate__flange_joint__condition": None, "plate__flange_joint__tightening": None}, NOT_KNOWN),
        ],
    ),
    (  # Bored to the motor's register; the gearbox plate of two has only what is entered for it.
        "plate.way_through",
        [
            ({}, HOLDS),
            ({"plate__build_up": STANDOFFS, "plate__plate__bore": "80 mm"}, HOLDS),
            ({"plate__build_up": STANDOFFS}, FAILS),
            ({"plate__face__register_size": None}, FAILS),
            ({"plate__face__register_size": None, "plate__face__bolt_circle": None}, NOT_KNOWN),
        ],
    ),
]


class VerdictsTest(TestCase):
    def test_every_verdict_of_every_check(self) -> None:
        for key, cases in CASES:
            for changes, verdict in cases:
                with self.subTest(key, changes=changes):
                    self.assertIs(check_of(wren(changes), key).verdict, verdict)

    def test_what_is_not_known_names_what_to_do_and_never_counts_as_fine(self) -> None:
        bare = {
            "plate__motor_joint": {},
            "plate__flange_joint": {},
            "plate__plate": {},
            "plate__face": {"count": 6, "bolt_circle": {"text": "268"}, "plate_hole": {"text": "11"}},
            "ratios__coupler": None,
        }
        result = wren(bare)
        plate = [check for check in result.checks if check.bench == "plate"]
        unknown = [check for check in plate if check.verdict is NOT_KNOWN]
        self.assertGreaterEqual(len(unknown), 5)
        for check in unknown:
            self.assertTrue(check.missing, check.key)
            self.assertTrue(check.says.rstrip(".").strip(), check.key)
            self.assertIsNone(check.margin if check.capacity is None or check.demand is None else None)

    def test_every_check_carries_its_working_source_and_fields(self) -> None:
        for check in wren({}).checks:
            if check.bench != "plate":
                continue
            self.assertTrue(check.working.source, check.key)
            self.assertTrue(check.inputs, check.key)
            self.assertTrue(
                all(name.split(".")[0] in ("plate", "brief", "ratios", "coupler") for name in check.inputs), check.key
            )

    def test_a_default_in_use_is_shown_as_one(self) -> None:
        joint = next(joint for joint in wren({}).plate.joints if joint.name == "motor")
        self.assertEqual([said(one.text) for one in joint.assumed], ["steel 400 MPa"])
        stated = next(one for one in wren({"plate__motor_joint__tapped_mpa": 500}).plate.joints if one.name == "motor")
        self.assertEqual(stated.assumed, ())
        usual = wren({"plate__motor_joint__tightening": None})
        self.assertIn("70 % of proof", check_of(usual, "plate.motor_proof").says)
        head = wren({"plate__motor_joint__head": None})
        self.assertIn("taken as usual", check_of(head, "plate.motor_head").working.note)


class MonotonyTest(TestCase):
    """More load never betters a margin, and more of what carries it never worsens it."""

    def margins(self, key: str, path: str, values: list[str]) -> list[float]:
        found: list[Check] = [check_of(wren({path: value}), key) for value in values]
        return [check.margin or 0.0 for check in found]

    def test_loads_and_capacities(self) -> None:
        for key, path, values, rises in [
            ("plate.motor_hangs", "brief__motor__mass", ["20 kg", "54 kg", "120 kg"], False),
            ("plate.motor_hangs", "plate__face__overhang", ["50 mm", "150 mm", "400 mm"], False),
            ("plate.motor_friction", "brief__motor__peak_torque", ["100 Nm", "235 Nm", "400 Nm"], False),
            ("plate.motor_friction", "plate__motor_joint__tightening", ["20 Nm", "30 Nm", "36 Nm"], True),
            ("plate.motor_proof", "plate__motor_joint__tightening", ["20 Nm", "30 Nm", "36 Nm"], False),
            ("plate.motor_head", "plate__motor_joint__head", ["16 mm", "20 mm", "24 mm"], True),
            ("plate.on_centre", "plate__plate__concentricity", ["0.01 mm", "0.05 mm", "0.2 mm"], False),
            ("plate.flange_hangs", "plate__plate__thickness", ["8 mm", "10 mm", "20 mm"], True),
        ]:
            with self.subTest(key, path=path):
                margins = self.margins(key, path, values)
                self.assertEqual(margins, sorted(margins, reverse=not rises))
