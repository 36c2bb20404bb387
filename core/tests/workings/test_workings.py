import dataclasses
import math
from unittest import TestCase

import pint
from django.test import tag
from hypothesis import HealthCheck, given, settings

from driveline.checks import Check
from driveline.figures import System
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.working import Step, Working, entered, step
from driveline.working_units import unit_factor
from tests.demo import DEMOS, demo_json
from tests.laws.generated import jobs
from tests.workings.evaluator import Missing, value_of

SOUGHT = ("v_again",)  # put in again it comes out to the digits shown; all else to rounding


def faults_of(check: Check, working: Working) -> list[str]:
    """What keeps a check's working from being done again."""
    sums = [one for one in working.steps if isinstance(one, Step)]
    faults = [fault for one in sums if (fault := _fault_of(check, one))]
    if not faults:
        faults = [f"{check.key}: {fault}" for one in sums for fault in _factor_faults(one)]
    if check.is_so is None and check.margin is not None:
        aims = (check.demand, check.capacity)
        if not sums:
            faults.append(f"{check.key}: judged without a sum")
        elif not any(aim is not None and _is_same(sums[-1], aim) for aim in aims):
            faults.append(f"{check.key}: the last sum gives {sums[-1].value}, and {aims} are judged")
        elif sums[-1].unit != check.unit and check.unit not in ("of it", "of the limit", "r"):
            faults.append(f"{check.key}: {sums[-1].unit} is not {check.unit}")
    names = [one.symbol for one in sums]
    faults += [
        f"{check.key}: two sums are called {name}" for name in set(names) if names.count(name) > 1 and name != "off"
    ]
    for k, one in enumerate(sums):
        before = {earlier.symbol: earlier.value for earlier in sums[:k]}
        faults += [
            f"{check.key}: {put.name} in {one.symbol} is not what its own line gives"
            for put in one.given
            if put.origin == "step" and before.get(put.where) != put.value
        ]
    return faults


def _fault_of(check: Check, one: Step) -> str | None:
    where = f"{check.key}: {one.symbol} = {one.expression}"
    try:
        again = value_of(one)
    except (Missing, pint.PintError, TypeError, ValueError, ZeroDivisionError, KeyError) as error:
        return f"{where}: {type(error).__name__} {error}"
    if not math.isclose(again, one.value, rel_tol=1e-7, abs_tol=1e-12):
        return f"{where} gives {again}, not {one.value}"
    unused = [put.name for put in one.given if put.name not in one.expression]
    return f"{where} has no use for {unused}" if unused else None


def _factor_faults(one: Step) -> list[str]:
    """The factor of the units must be one and the same whatever the numbers are: else nobody could do the sum again."""
    faults = []
    for system in System:
        factor = unit_factor(one, system)
        for nudge in (1e-4, -1e-4):
            moved = tuple(
                dataclasses.replace(put, value=put.value * (1 + nudge * (k + 1))) for k, put in enumerate(one.given)
            )
            changed = dataclasses.replace(one, given=moved)
            again = dataclasses.replace(changed, value=value_of(changed))
            if again.value and one.value and not math.isclose(unit_factor(again, system), factor, rel_tol=1e-6):
                faults.append(f"{one.symbol} = {one.expression}: no factor of units in {system}")
    return faults


def _is_same(last: Step, aim: float) -> bool:
    off = 0.51 * 10.0**-last.decimals if last.symbol in SOUGHT else 1e-9
    return math.isclose(last.value, aim, rel_tol=1e-9, abs_tol=off)


class WorkingsTest(TestCase):
    def test_every_working_of_the_demo_jobs_can_be_done_again(self) -> None:
        for name in DEMOS:
            for check in evaluate(JobFile.model_validate(demo_json(name))).checks:
                with self.subTest(name, check=check.key):
                    self.assertEqual(faults_of(check, check.working), [])

    @settings(max_examples=300, deadline=None, suppress_health_check=list(HealthCheck))
    @given(jobs())
    @tag("laws")
    def test_and_those_of_300_others(self, data: dict[str, object]) -> None:
        for check in evaluate(JobFile.model_validate(data)).checks:
            self.assertEqual(faults_of(check, check.working), [])

    def test_a_missing_number_a_wrong_unit_or_a_wrong_result_is_seen(self) -> None:
        speed, rolls = entered("v", 90.0, "km/h", "brief"), entered("C", 2000.0, "mm", "brief")
        sound = step("n", "v / C * 4", speed, rolls, value=3000.0, unit="rpm")
        check = evaluate(JobFile.model_validate(demo_json("wren"))).checks[0]
        self.assertIsNone(_fault_of(check, sound))
        wrong = (
            dataclasses.replace(sound, given=(speed,)),
            dataclasses.replace(sound, unit="N·m"),
            dataclasses.replace(sound, given=(speed, dataclasses.replace(rolls, unit="kg"))),
            dataclasses.replace(sound, value=3001.0),
        )
        for one in wrong:
            self.assertIsNotNone(_fault_of(check, one), one)
