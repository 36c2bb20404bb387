import copy
import os
from typing import Any
from unittest import TestCase, skipUnless

import numpy as np
from django.test import tag

from driveline.checks import Verdict
from driveline.errors import ImpossibleInput
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.job.sureness import solve_sureness
from driveline.job.sureness_results import MOST_TOLD, Sureness, range_words
from driveline.sheet import Reading
from tests.demo import demo_json

DRAWS = 10_000
IS_LONG = "FERNBACK_FUZZ" in os.environ


def sureness_of(job: dict[str, Any]) -> dict[str, Sureness]:
    return {one.check: one for one in solve_sureness(REGISTRY, JobFile.model_validate(job))}


def half_of(one: Sureness) -> float:
    assert one.least is not None and one.greatest is not None
    return (one.greatest - one.least) / 2


def sure_readings(value: object, path: tuple[str | int, ...] = ()) -> list[tuple[tuple[str | int, ...], Reading]]:
    if isinstance(value, Reading):
        return [(path, value)] if value.measured.u else []
    if isinstance(value, list | tuple):
        return [found for k, one in enumerate(value) for found in sure_readings(one, (*path, k))]
    names = getattr(type(value), "model_fields", {})
    return [found for name in names for found in sure_readings(getattr(value, name), (*path, name))]


def place_in(sheets: Any, path: tuple[str | int, ...]) -> dict[str, Any]:
    for step in path:
        sheets = sheets[step]
    assert isinstance(sheets, dict)
    return sheets


class SurenessTest(TestCase):
    """Plover's speeds turn on one reading with a ±, its tyre's loaded radius, so its ranges are worked by hand."""

    def setUp(self) -> None:
        self.job = demo_json("plover")
        self.job["sheets"].pop("placement")  # a hundred readings more, of which none moves a speed
        self.tyre = self.job["sheets"]["brief"]["tyre"]["loaded_radius"]
        self.radius = JobFile.model_validate(self.job).sheets.brief.tyre.loaded_radius

    def test_a_range_agrees_with_the_sum_by_hand(self) -> None:
        """The motor turns v / r: the margin of its top speed goes as r, so its ± is that of r."""
        found = sureness_of(self.job)["motor.top_speed"]
        by_hand = 1.96 * found.margin * self.radius.u_mm / self.radius.mm
        self.assertAlmostEqual(half_of(found), by_hand, delta=1e-6)
        self.assertEqual([one.field for one in found.narrowers], ["brief.tyre.loaded_radius"])
        self.assertAlmostEqual(found.narrowers[0].left_plus_minus, 0, delta=1e-9)

    def test_the_chance_is_half_where_the_margin_is_the_wanted_one(self) -> None:
        margin = sureness_of(self.job)["motor.top_speed"].margin
        self.job["sheets"]["margins"] = {"motor_top_speed": margin}
        found = sureness_of(self.job)["motor.top_speed"]
        self.assertAlmostEqual(found.fails_chance or 0, 0.5, places=6)
        self.assertIn("about 5 in 10 that it falls short", " ".join(found.says))

    def test_a_coarser_reading_makes_every_range_wider(self) -> None:
        fine = sureness_of(self.job)
        self.tyre["u"] = 2 * self.radius.u_mm
        coarse = sureness_of(self.job)
        ranged = [key for key, one in fine.items() if one.least is not None]
        self.assertGreater(len(ranged), 5)
        for key in ranged:
            self.assertGreaterEqual(half_of(coarse[key]), half_of(fine[key]) * (1 - 1e-9), key)

    def test_a_reading_that_loses_its_plus_minus_is_said_to_be_taken_as_exact(self) -> None:
        self.tyre.pop("tool", None)
        self.tyre.pop("u", None)
        found = sureness_of(self.job)["motor.top_speed"]
        self.assertIsNone(found.least)
        self.assertIsNone(found.fails_chance)
        self.assertIn("tyre loaded radius", found.taken_as_exact)
        self.assertIn("The true range is wider.", found.says)

    def test_what_is_wanted_is_not_measured(self) -> None:
        for one in sureness_of(self.job).values():
            self.assertFalse([what for what in one.taken_as_exact if what.startswith("wanted")])

    def test_a_reading_that_can_not_be_moved_so_far_leaves_no_range(self) -> None:
        """A ratio must stay above 0.1."""
        self.job["sheets"]["ratios"]["reductions"][0]["ratio"] = {"text": "8.6", "u": 8.55}
        for one in sureness_of(self.job).values():
            self.assertIsNone(one.least, one.check)
            self.assertIn("leaves no answer", one.says[0])

    def test_a_test_of_the_readings_has_no_range_of_its_own(self) -> None:
        found = sureness_of(demo_json("wren"))["plate.readings_agree"]
        self.assertIsNone(found.least)
        self.assertEqual(found.taken_as_exact, ())
        self.assertIn("as they were taken", found.says[0])

    def test_no_end_of_a_range_is_told_above_what_the_ledger_tells(self) -> None:
        for least, greatest, words in (
            (2.4, 3.2, "2.4 to 3.2,"),
            (2.4, 12.0, "2 to more than 10,"),
            (11.0, 12.0, "range more than 10,"),
        ):
            one = Sureness(check="x", margin=(least + greatest) / 2, least=least, greatest=greatest)
            self.assertIn(words, next(range_words(one, 1.0)))

    def test_only_what_has_a_margin_has_a_range(self) -> None:
        checks = evaluate(JobFile.model_validate(self.job)).checks
        self.assertEqual(
            [one.check for one in solve_sureness(REGISTRY, JobFile.model_validate(self.job))],
            [check.key for check in checks if check.margin is not None],
        )
        self.assertTrue(any(check.verdict is Verdict.NOT_KNOWN for check in checks))


@skipUnless(IS_LONG, "ten thousand evaluations: of ./test slow")
@tag("laws")
class DrawnTest(TestCase):
    def test_ranges_agree_with_ten_thousand_draws_of_all_readings_at_once(self) -> None:
        """GUM supplement 1: every reading drawn, the whole job evaluated, holes placed anew each time.

        Both ends of a range within 5 % of its width; of those that take 256 draws one in twenty may be out by chance.
        Above 10 no end is told.
        """
        given = demo_json("wren")
        job = JobFile.model_validate(given)
        readings = sure_readings(job.sheets)
        normals = np.random.default_rng(7).standard_normal((DRAWS, len(readings)))
        drawn: dict[str, list[float]] = {}
        for row in normals.tolist():
            moved = copy.deepcopy(given)
            for z, (path, reading) in zip(row, readings, strict=True):
                u = reading.measured.u or 0.0
                value = reading.measured.value + z * u
                value = value if reading.may_be_negative else max(value, 0.0)  # a length of nought has one side
                place_in(moved["sheets"], path).update(text=f"{value:.9f}", unit=reading.measured.unit, u=u)
            try:
                checks = REGISTRY.own_checks(JobFile.model_validate(moved))
            except ImpossibleInput as error:
                self.fail(f"a draw within reason is refused: {error}")
            for check in checks:
                if check.margin is not None:
                    drawn.setdefault(check.key, []).append(check.margin)
        off: dict[str, float] = {}
        for one in solve_sureness(REGISTRY, job):
            if one.least is None or one.greatest is None:
                continue
            least, greatest = np.percentile(drawn[one.check], (2.5, 97.5)).tolist()
            ends = ((one.least, least), (one.greatest, greatest))
            misses = [abs(min(ours, MOST_TOLD) - min(theirs, MOST_TOLD)) for ours, theirs in ends]
            off[one.check] = max(misses) / (greatest - least)
        self.assertGreaterEqual(len(off), 20)
        farther = {check: share for check, share in off.items() if share > 0.05}
        self.assertLessEqual(len(farther), len(off) // 20, farther)
        self.assertLess(max(off.values()), 0.1, farther)
