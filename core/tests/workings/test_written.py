"""Workings as they are read, by hand."""

from unittest import TestCase

from driveline.figures import System
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.working import Origin, entered, entered_or_usual, step, tabled
from driveline.working_units import DoesNotComeOut, unit_factor
from driveline.written_working import WrittenStep, written_working
from tests.demo import demo_json
from tests.jobs import check_of, said


def wren(key: str, system: System, usual: tuple[str, ...] = ()) -> dict[str, WrittenStep]:
    check = check_of(evaluate(JobFile.model_validate(demo_json("wren"))), key)
    return {one.symbol: one for one in written_working(check, system, usual).steps}


def put_of(one: WrittenStep) -> str:
    return said("".join(piece.text for piece in one.put))


class WrittenWorkingTest(TestCase):
    def test_a_sum_in_metric_and_in_us_units(self) -> None:
        metric, us = (wren("motor.top_speed", system)["n"] for system in (System.METRIC, System.US))
        self.assertEqual(metric.formula, "v / C × i_box × i_fd")
        self.assertEqual(put_of(metric), "115 km/h / 1 835 mm × 1.37 × 4.1111 × 16 667")  # 1e6 mm in a km, 60 min
        self.assertEqual(put_of(us), "71.458 mph / 72.244 in × 1.37 × 4.1111 × 1 056")  # 63 360 in in a mile
        self.assertEqual((said(metric.result), said(us.result)), ("5 883 rpm", "5 883 rpm"))

    def test_a_power_is_of_the_number_with_its_unit_and_a_number_below_nought_stands_in_brackets(self) -> None:
        steps = wren("plate.lean", System.METRIC)
        self.assertIn("(10 mm)³", put_of(steps["D"]))
        self.assertIn("− (−0.0791", put_of(wren("road.overrun_wet", System.METRIC)["F_grip"]))

    def test_where_each_number_is_from(self) -> None:
        step_of = wren("motor.top_speed", System.METRIC, ("ratios.gearbox",))["n"]
        found = [(piece.origin, piece.field) for piece in step_of.put if piece.origin]
        self.assertEqual(
            found,
            [
                (Origin.ENTERED, "brief.wanted.top_speed"),
                (Origin.WORKED, "brief.tyre"),
                (Origin.USUAL, "ratios.gearbox"),
                (Origin.ENTERED, "ratios.final_drives"),
                (Origin.TABLE, ""),  # the factor of the units
            ],
        )

    def test_a_step_is_put_together_without_factors_of_one_or_idle_brackets(self) -> None:
        one, two = entered("a", 2.0, "mm", "x"), tabled("b", 3.0, "mm", "y")
        for given, tidy in (("(a) * 1 / (1)", "a"), ("a * 1.2", "a * 1.2"), ("(1 - 0 - b)", "(1 - b)"), ("1 * a", "a")):
            self.assertEqual(step("c", given, one, two, value=1.0).expression, tidy)

    def test_what_has_no_factor_needs_none(self) -> None:
        length = entered_or_usual("l", 25.4, "mm", "x", is_usual=True)
        doubled = step("d", "2 * l", length, value=50.8, unit="mm")
        self.assertEqual([unit_factor(doubled, system) for system in System], [1.0] * 4)

    def test_what_does_not_come_out_has_no_factor_and_is_not_covered_by_one(self) -> None:
        """A force over an area: 1000 N on 10 mm² is 100 MPa, and no units make 107 of it."""
        force, area = entered("F", 1000.0, "N", "x"), entered("A", 10.0, "mm²", "y")
        sound = step("p", "F / A", force, area, value=100.0, unit="MPa")
        self.assertAlmostEqual(unit_factor(sound, System.METRIC), 1.0)
        for wrong in (
            step("p", "F / A", force, area, value=107.0, unit="MPa"),
            step("p", "F", force, value=1e3, unit="?"),
        ):
            for system in System:
                self.assertRaises(DoesNotComeOut, unit_factor, wrong, system)
