"""Where in its end float a shaft's tip was read: it says which way the shaft may go from there."""

from typing import Any
from unittest import TestCase

from driveline.checks import Check
from tests.demo import demo_json
from tests.laws.test_taking_away import checks_of


def wren(read_at: str | None, float_mm: float = 0.4) -> dict[str, Check]:
    data: dict[str, Any] = demo_json("wren")
    shaft = data["sheets"]["coupler"]["motor_shaft"]
    shaft["end_float"] = {"text": f"{float_mm} mm"}
    shaft["read_at"] = read_at
    return checks_of(data)


class ReadAtTest(TestCase):
    def gap_mm(self, read_at: str | None) -> float:
        """What is left between the gearbox shaft's tip and the motor's, in the worst place."""
        return wren(read_at)["coupler.gap_motor_hub_back"].capacity or 0.0

    def test_a_shaft_read_pushed_in_comes_out_by_all_of_it_and_goes_in_no_farther(self) -> None:
        middle, pushed_in, drawn_out, unsaid = (self.gap_mm(at) for at in ("middle", "in", "out", None))
        self.assertAlmostEqual(pushed_in - middle, 0.2)  # by hand: half of 0.4 farther from its own face
        self.assertAlmostEqual(middle - drawn_out, 0.2)
        self.assertAlmostEqual(unsaid, drawn_out)  # the worst of what it may be

    def test_the_spider_is_judged_at_both_ends_of_it(self) -> None:
        margins = [wren(at)["coupler.gap_spider"].margin or 0.0 for at in ("in", "middle", "out", None)]
        self.assertLessEqual(margins[3], min(margins[:3]) + 1e-9)
