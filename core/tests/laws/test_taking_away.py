"""Law 1: taking any one figure away never makes any check better, and what failed does not vanish."""

import os
from collections.abc import Mapping
from typing import Any
from unittest import TestCase

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from driveline.checks import WORST_FIRST, Check, Verdict
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from tests.demo import DEMOS, demo_json
from tests.laws.figures import Path, figures_of, is_free, named, without
from tests.laws.generated import Job, jobs

RANK = {verdict: rank for rank, verdict in enumerate(WORST_FIRST)}
GENERATED = int(os.environ.get("FERNBACK_LAW_JOBS", "1000"))
MANY = settings(
    max_examples=GENERATED, deadline=None, derandomize=True, database=None, suppress_health_check=list(HealthCheck)
)


def checks_of(data: Job) -> dict[str, Check]:
    return {check.key: check for check in evaluate(JobFile.model_validate(data)).checks}


def flattered(before: Mapping[str, Check], after: Mapping[str, Check]) -> list[str]:
    """What reads better, or has vanished though it failed; not known is where it may go."""
    found = []
    for key, check in before.items():
        then = after.get(key)
        if then is None:
            found += [f"{key} failed and has vanished"] if check.verdict is Verdict.FAILS else []
        elif RANK[then.verdict] > RANK[check.verdict] and then.verdict is not Verdict.NOT_KNOWN:
            found.append(f"{key}: {check.verdict} becomes {then.verdict}")
    return found


def flattered_without(data: Job, path: Path, before: Mapping[str, Check]) -> list[str]:
    try:
        changed = JobFile.model_validate({**data, "sheets": without(data["sheets"], path)})
    except ValidationError:
        return []  # the model asks for it: it can't be left out
    return flattered(before, {check.key: check for check in evaluate(changed).checks})


class TakingAwayTest(TestCase):
    tags = frozenset({"laws"})  # ./test runs them beside the others

    def test_no_figure_of_the_demo_jobs_flatters_when_it_is_gone(self) -> None:
        for name in DEMOS:
            data = demo_json(name)
            before = checks_of(data)
            paths = [path for path in figures_of(data["sheets"]) if not is_free(path)]
            self.assertGreater(len(paths), 20)
            for path in paths:
                with self.subTest(name, figure=named(path)):
                    self.assertEqual(flattered_without(data, path, before), [])

    @MANY
    @given(jobs(), st.data())
    def test_nor_of_any_job_that_could_be(self, data: Job, draw: st.DataObject) -> None:
        paths = [path for path in figures_of(data["sheets"]) if not is_free(path)]
        bench = draw.draw(st.sampled_from(sorted({path[0] for path in paths}, key=str)))  # a long sheet no oftener
        path = draw.draw(st.sampled_from([path for path in paths if path[0] == bench]))
        self.assertEqual(flattered_without(data, path, checks_of(data)), [], named(path))

    def test_a_stated_laden_mass_without_items_says_nothing_of_the_axles(self) -> None:
        data: dict[str, Any] = demo_json("wren")
        data["sheets"]["brief"]["masses"]["items"] = []
        laden = checks_of(data)
        for key in ("masses.front_axle", "masses.rear_axle", "masses.tyre", "road.hill_start"):
            self.assertIs(laden[key].verdict, Verdict.NOT_KNOWN, key)
        data["sheets"]["brief"]["vehicle"].pop("laden_mass")
        self.assertEqual(flattered(laden, checks_of(data)), [])

    def test_a_usual_figure_in_use_is_named(self) -> None:
        data = demo_json("wren")
        joint = data["sheets"]["plate"]["motor_joint"]
        joint.pop("head")
        joint.pop("tightening")
        checks = checks_of(data)
        self.assertIn("taken as usual", checks["plate.motor_head"].working.note)
        self.assertIn("70 %", checks["plate.motor_proof"].says)
        assumed = [one.field for one in evaluate(JobFile.model_validate(data)).brief.assumed]
        self.assertLessEqual({"brief.vehicle.crr", "brief.vehicle.tyre_grip"}, set(assumed))
