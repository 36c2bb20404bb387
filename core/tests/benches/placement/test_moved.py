"""What comes nearest to a unit that its mounts let move: found without looking at what can't be the nearest."""

from unittest import TestCase

import numpy as np

from driveline.benches.placement.gaps import FAR_MM, gaps_of, tightest_moved
from driveline.benches.placement.lay_out import LaidPlacement
from driveline.benches.placement.sheet import PlacementSheet
from driveline.job.benches import PLACEMENT
from driveline.job.file import REGISTRY, JobFile
from driveline.memory import forget_everything
from driveline.space.pose import Placed, move_about, turns_by
from tests.demo import DEMOS, demo_job, demo_json

NEAR_MM = 25.0


def laid(name: str) -> tuple[PlacementSheet, LaidPlacement, Placed]:
    job = demo_job(name)
    found = REGISTRY.laid_out(job)[PLACEMENT.key]
    assert isinstance(found, LaidPlacement) and found.chosen is not None and found.chosen.placed is not None
    return job.sheets.placement, found, found.chosen.placed


def corners_mm(found: LaidPlacement) -> np.ndarray:
    return np.vstack([piece.corners_mm for one in found.unit_on if one.built.body for piece in one.built.body.pieces])


class TightestMovedTest(TestCase):
    def test_it_is_the_tightest_of_all_gaps_looked_at(self) -> None:
        draws = np.random.default_rng(3)
        for name in DEMOS[:-1]:  # the last is not placed yet
            sheet, found, placed = laid(name)
            at_rest, corners = gaps_of(sheet, found, placed), corners_mm(found)
            for size_mm in (0.5, 3.0, 12.0, 60.0, FAR_MM):
                move = move_about(
                    placed.at_mm,
                    shift_mm=size_mm * draws.uniform(-1, 1, 3),
                    turn=turns_by(draws.uniform(-0.002, 0.002, (1, 3)) * size_mm)[0],
                )
                moved = placed.moved(move)
                move_mm = float(np.linalg.norm(moved.points(corners) - placed.points(corners), axis=1).max())
                every = gaps_of(sheet, found, moved, far_mm=NEAR_MM, is_deep=False)
                tightest = tightest_moved(sheet, found, at_rest, moved, move_mm=move_mm, near_mm=NEAR_MM)
                with self.subTest(name, size_mm=size_mm):
                    shares = [one.gap_mm / one.wanted_mm for one in every]
                    self.assertEqual(tightest is None, not shares)
                    if tightest is not None:
                        self.assertAlmostEqual(tightest.gap_mm / tightest.wanted_mm, min(shares), places=9)


Gaps = list[tuple[str, str, float]]


def gaps_with(name: str, path: tuple[str | int, ...], text: str | None) -> Gaps:
    data = demo_json(name)
    place = data["sheets"]["placement"]
    for one in path:
        place = place[one]
    if text is not None:
        place["text"] = text
    found = REGISTRY.laid_out(JobFile.model_validate(data))[PLACEMENT.key]
    assert isinstance(found, LaidPlacement) and found.chosen is not None and found.chosen.placed is not None
    sheet = JobFile.model_validate(data).sheets.placement
    return [
        (one.unit.sheet.name, one.other.sheet.name if one.other else "", one.gap_mm)
        for one in gaps_of(sheet, found, found.chosen.placed)
    ]


class RememberedTest(TestCase):
    def test_a_gap_that_is_remembered_is_the_gap_as_it_would_be_found_now(self) -> None:
        """Every figure of the sheet that a gap hangs on tells two gaps apart."""
        data = demo_json("avocet")["sheets"]["placement"]
        stand = next(k for k, one in enumerate(data["stands"]) if one["name"] == data["chosen"])
        moving = next(k for k, one in enumerate(data["bodies"]) if (one.get("travel") or {}).get("up"))
        paths: list[tuple[str | int, ...]] = [
            ("stands", stand, "at", "x"),
            ("stands", stand, "angles", "pitch"),
            ("bodies", moving, "travel", "up"),
            ("unit", "bodies", 0, "length"),
        ]
        for path in paths:
            was, moved = gaps_with("avocet", path, None), gaps_with("avocet", path, "77")
            forget_everything()
            with self.subTest(path):
                self.assertNotEqual(moved, was)
                self.assertEqual(gaps_with("avocet", path, "77"), moved)
