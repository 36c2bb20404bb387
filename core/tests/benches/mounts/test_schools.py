"""Other ways to hold the same unit, side by side."""

import re
from unittest import TestCase

from driveline.errors import NotDrawnYet
from driveline.figures import System, written
from driveline.job.file import REGISTRY, JobFile
from driveline.job.offered import sought
from tests.benches.mounts.test_mounts import BITTERN, PLOVER, Job, changed, solved


def ways(job: Job) -> dict[str, tuple[list[float], str]]:
    """The figures of each way, and what is said of it."""
    rows = sought(REGISTRY, JobFile.model_validate(job), "mounts.schools").rows[1:]
    return {
        row[0]: ([float(one) for cell in row[1:-1] for one in re.findall(r"⟨([^|]*)", cell)], row[-1]) for row in rows
    }


class SchoolsTest(TestCase):
    def test_as_it_is_has_the_figures_of_the_bench_itself(self) -> None:
        result, _ = solved(PLOVER)
        (lowest, _, most), words = ways(PLOVER)["as it is"]
        self.assertAlmostEqual(lowest, min(one.frequency_hz for one in result.modes), places=6)
        self.assertAlmostEqual(most, max(one.worst_n or 0.0 for one in result.mounts), places=3)
        self.assertIn("torque arm, wheels locked", words)

    def test_hard_mounts_move_less_and_shake_faster_and_leave_shares_to_chance(self) -> None:
        found = ways(BITTERN)
        ((slow, far, least), _), ((fast, near, most), words) = found["as it is"], found["every mount hard"]
        self.assertTrue(slow < fast and near < far and least < most)
        self.assertIn("decides the shares", words)

    def test_what_fewer_mounts_would_let_it_do_is_said_and_no_figure_is_given(self) -> None:
        figures, words = ways(PLOVER)["without left mount"]
        self.assertEqual(figures, [])
        self.assertIn("turn about a line", words)

    def test_its_figures_are_written_in_the_readers_units(self) -> None:
        row = sought(REGISTRY, JobFile.model_validate(PLOVER), "mounts.schools").rows[1]
        self.assertEqual([written(cell, System.US).split("\u00a0")[-1] for cell in row[1:-1]], ["Hz", "in", "lbf"])

    def test_it_is_not_offered_while_it_is_not_known_how_the_unit_is_held(self) -> None:
        with self.assertRaises(NotDrawnYet):
            sought(REGISTRY, JobFile.model_validate(changed(PLOVER, {"mounts.0.boss": {}})), "mounts.schools")
