"""A transfer box: its ranges multiply with the gears, every pair is judged, and whose casing it is is asked."""

from typing import Any
from unittest import TestCase

from driveline.checks import Verdict
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from tests.benches.ratios.test_transaxle import RUBBER
from tests.jobs import KEPT, box, check_of, keys_of, round_job, said

SMALL = {
    "peak_torque": {"text": "50 Nm"},
    "greatest_rpm": {"text": "6000 rpm"},
    "overrun_torque": {"text": "10 Nm"},
}  # of so little no gear slips the tyres
HIGH, LOW = box("high", "1.2", efficiency=0.97), box("low", "3.0", efficiency=0.95)
GEARS = [box("3rd", "1.5", efficiency=0.96), box("1st", "2.0", efficiency=0.9)]


def result(*, driven: str = "rear", transfer: dict[str, Any] | None = None, **ratios: Any) -> JobResult:
    box_ = {"ranges": [HIGH, LOW], "in_one_casing": True, **(transfer or {})}
    parts = {**KEPT, "gearbox": {"gears": GEARS, "use": "shifted"}, "transfer": box_, **ratios}
    parts["choice"] = {"gear": "3rd", "transfer": "high", "final_drive": "4.0"}
    data = round_job("kept_gearbox", parts, driven=driven, motor=SMALL)
    data["sheets"]["mounts"] = {"mounts": [{"name": "left", "kind": "rubber", **RUBBER}]}
    return evaluate(JobFile.model_validate(data))


def launch_nm(found: JobResult) -> float | None:
    case = next(case for case in found.mounts.cases if case.name == "launch")
    torque: float | None = case.torque_nm
    return torque


class TransferTest(TestCase):
    def test_every_gear_in_every_range_is_a_way_to_gear_it(self) -> None:
        """3rd in high 1.5 × 1.2 × 4; 1st in low 2 × 3 × 4."""
        ratios = {one.key: one.overall_ratio for one in result().ratios.candidates}
        self.assertAlmostEqual(ratios["3rd · high · 4.0"], 7.2)
        self.assertAlmostEqual(ratios["1st · low · 4.0"], 24)
        self.assertEqual(result().ratios.count, 4)

    def test_torques_at_the_propshaft_by_hand_in_the_worst_of_all(self) -> None:
        """50 × 1.5 × (2 × 0.9) × (3 × 0.95) = 385 at the propshaft in 1st and low, said so."""
        found = check_of(result(propshaft={"rating": {"text": "9000 Nm"}}), "propshaft.torque")
        self.assertIn("1st, low", said(found.says))
        self.assertAlmostEqual(found.demand or 0, 50 * 1.5 * 2 * 0.9 * 3 * 0.95)
        left = check_of(
            result(propshaft={"rating": {"text": "9000 Nm"}}, transfer={"use": "left_in_one"}), "propshaft.torque"
        )
        self.assertAlmostEqual(left.demand or 0, 50 * 1.5 * 2 * 0.9 * 1.2 * 0.97)

    def test_the_boxes_in_one_casing_put_the_last_ones_torque_on_their_mounts(self) -> None:
        self.assertAlmostEqual(launch_nm(result()) or 0, 50 * 1.5 * 2 * 0.9 * 3 * 0.95)
        apart = result(transfer={"in_one_casing": False})
        self.assertAlmostEqual(launch_nm(apart) or 0, 50 * 1.5 * 2 * 0.9)
        unsaid = result(transfer={"in_one_casing": None})
        self.assertIsNone(launch_nm(unsaid))
        load = check_of(unsaid, "mounts.m1.load")
        self.assertIs(load.verdict, Verdict.NOT_KNOWN)
        self.assertIn("Whether the transfer box is in one casing", " ".join(load.missing))

    def test_its_input_turns_fastest_in_the_highest_gear_and_a_range_is_not_changed_at_speed(self) -> None:
        rated = {"ranges": [{**HIGH, "greatest_rpm": {"text": "5000 rpm"}}, LOW]}
        self.assertAlmostEqual(check_of(result(transfer=rated), "transfer.speed").demand or 0, 6000 / 1.5)
        self.assertIn("into 1st", said(check_of(result(), "motor.downshift").says))
        self.assertNotIn(", low", said(check_of(result(), "motor.downshift").says))

    def test_with_one_gear_there_is_no_downshift_however_many_ranges(self) -> None:
        alone = result(gearbox={"gears": GEARS[:1], "use": "left_in_one"})
        self.assertNotIn("motor.downshift", keys_of(alone))

    def test_a_locked_split_sends_all_of_low_range_down_either_shaft(self) -> None:
        shaft = {"rating": {"text": "9000 Nm"}}
        found = result(
            driven="both",
            split={"kind": "locked"},
            propshaft=shaft,
            front_propshaft=shaft,
        )
        for side in ("front", "rear"):
            demand = check_of(found, f"{side}.propshaft.torque").demand or 0
            self.assertGreaterEqual(demand, 50 * 1.5 * 2 * 0.9 * 3 * 0.95 - 1e-6)  # or what they wind up to

    def test_without_ranges_there_is_none(self) -> None:
        self.assertNotIn("transfer.torque", keys_of(result(transfer={"ranges": []})))
