"""What a bracket comes near: as a body in the scene, whatever side its middle lies on."""

import copy
from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.benches.mounts.results import MountFound
from driveline.checks import Check, Verdict
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.space.bodies import Piece
from driveline.space.distance import nearest
from driveline.space.pose import AS_IS, Placed
from driveline.space.shapes import Box, Hull
from tests.benches.mounts.test_mounts import PLOVER, Job, changed, mm

KEY = "mounts.m2.beside"  # Plover's right mount: a boxed arm from y = -391 to the unit, along y
WAYS = ("front", "rear", "left", "right")


def with_box(job: Job, at_mm: tuple[float, float, float], size_mm: tuple[float, float, float], **more: Any) -> Job:
    made = copy.deepcopy(job)
    sizes = dict(zip(("length", "width", "height"), map(mm, size_mm), strict=True))
    place = dict(zip("xyz", map(mm, at_mm), strict=True))
    body = {"name": "heater pipe", "shape": "box", "turned": "square", "nature": "fixed", "at": place, **sizes, **more}
    made["sheets"]["placement"]["bodies"].append(body)
    return made


def judged(job: Job) -> tuple[Check, MountFound]:
    result = evaluate(JobFile.model_validate(job))
    return next(check for check in result.checks if check.key == KEY), result.mounts.mounts[1]


def corners(mount: MountFound) -> np.ndarray[Any, Any]:
    return np.vstack([np.array(piece.corners_mm) for piece in mount.pieces])


class BesideTest(TestCase):
    def test_the_gap_is_from_the_outside_of_the_arm_that_is_drawn(self) -> None:
        arm = np.array(judged(PLOVER)[1].pieces[0].corners_mm)
        middle = (arm.min(axis=0) + arm.max(axis=0)) / 2
        above = (float(middle[0]), float(middle[1]), float(arm[:, 2].max()) + 11)
        check, _ = judged(with_box(PLOVER, above, (20, 20, 20)))
        box = Piece(Box((20, 20, 20)), Placed(np.eye(3), np.array(above)))
        self.assertAlmostEqual(check.capacity or 0.0, nearest(Piece(Hull(arm), AS_IS), box).gap_mm, delta=0.03)
        self.assertIn("heater pipe", check.says)
        self.assertIs(check.verdict, Verdict.HOLDS)
        inside, _ = judged(with_box(PLOVER, (float(middle[0]), float(middle[1]), float(middle[2])), (20, 20, 20)))
        self.assertIs(inside.verdict, Verdict.FAILS)
        self.assertIn("overlap", inside.says)

    def test_what_it_is_welded_to_is_named_and_not_held_against_it(self) -> None:
        check, _ = judged(PLOVER)
        self.assertIn("stands on right rail", check.says)
        self.assertNotIn("To right rail", check.says)

    def test_without_a_word_of_its_side_it_is_as_wide_as_both(self) -> None:
        either = corners(judged(changed(PLOVER, {"mounts.1.bracket.lies_to": None}))[1])
        for way in WAYS:
            one = corners(judged(changed(PLOVER, {"mounts.1.bracket.lies_to": way}))[1])
            self.assertTrue((one.min(axis=0) >= either.min(axis=0) - 0.02).all(), way)
            self.assertTrue((one.max(axis=0) <= either.max(axis=0) + 0.02).all(), way)
        front, rear = (
            np.array(judged(changed(PLOVER, {"mounts.1.bracket.lies_to": way}))[1].pieces[0].corners_mm)
            for way in ("front", "rear")
        )
        self.assertAlmostEqual(front[:, 0].mean() - rear[:, 0].mean(), 2 * 12, delta=0.1)

    def test_its_ears_and_their_bolt_keep_off_too(self) -> None:
        """A box past the end of its bolt, which lies along the car: 4 mm off it, where the arm is far."""
        found = judged(PLOVER)[1]
        *_, one, other, bolt = (np.array(piece.corners_mm) for piece in found.pieces)
        self.assertEqual(len(found.pieces), 5)  # arm, landing plate, two ears, a bolt
        at = np.array(found.at_mm)
        over = max(abs(ear[:, 0] - at[0]).max() for ear in (one, other))
        self.assertAlmostEqual(over, 14 + 30 / 2, delta=0.1)
        end_mm = bolt[:, 0].max()
        self.assertAlmostEqual(end_mm - at[0], over + 12, delta=0.1)
        for off_mm, verdict in ((4.0, Verdict.HOLDS), (2.0, Verdict.FAILS)):
            job = with_box(PLOVER, (float(end_mm) + off_mm + 10, float(at[1]), float(at[2])), (20, 20, 20))
            self.assertIs(judged(job)[0].verdict, verdict, off_mm)
        for gone in ("ears.height", "ears.bolt", "ears.stands", "tube.gap"):
            self.assertIs(judged(changed(PLOVER, {f"mounts.1.{gone}": None}))[0].verdict, Verdict.NOT_KNOWN, gone)

    @settings(max_examples=5, deadline=None)
    @given(
        st.tuples(st.floats(60, 200), st.floats(-380, -200), st.floats(260, 420)),
        st.sampled_from(WAYS),
    )
    def test_saying_less_of_its_side_never_leaves_more_room(self, at: tuple[float, float, float], way: str) -> None:
        job = with_box(PLOVER, at, (15, 15, 15))
        said, _ = judged(changed(job, {"mounts.1.bracket.lies_to": way}))
        unsaid, _ = judged(changed(job, {"mounts.1.bracket.lies_to": None}))
        self.assertLessEqual(unsaid.margin or 0.0, (said.margin or 0.0) + 1e-6)

    def test_what_is_not_known_of_it_or_its_neighbours_is_not_known(self) -> None:
        jobs = {
            "no place at the vehicle": changed(PLOVER, {"mounts.1.rail": {}}),
            "no depth": changed(PLOVER, {"mounts.1.bracket.depth": None}),
            "not how far beside": changed(PLOVER, {"mounts.1.bracket.beside": None}),
            "a body without a size": with_box(PLOVER, (0.0, 0.0, 0.0), (9, 9, 9), length=None),
        }
        for words, job in jobs.items():
            with self.subTest(words):
                check, _ = judged(job)
                self.assertIs(check.verdict, Verdict.NOT_KNOWN)
                self.assertTrue(check.missing)

    def test_what_steers_is_kept_off_through_its_travel(self) -> None:
        travel = {"up": mm(0), "down": mm(30), "aside": mm(0)}
        still = with_box(PLOVER, (100.0, -300.0, 430.0), (20, 20, 20), nature="fixed")
        moving = with_box(PLOVER, (100.0, -300.0, 430.0), (20, 20, 20), nature="steering", travel=travel)
        self.assertLess(judged(moving)[0].margin or 0.0, judged(still)[0].margin or 0.0)


def got_in(way: list[dict[str, Any]], **bracket: Any) -> Check:
    job = changed(PLOVER, {f"mounts.1.bracket.{name}": value for name, value in bracket.items()})
    job["sheets"]["placement"]["way_in"] = way
    result = evaluate(JobFile.model_validate(job))
    return next(check for check in result.checks if check.key == "mounts.m2.goes_on")


class GoesOnTest(TestCase):
    """Plover's right bracket reaches in from the right rail: a unit that comes from there meets it."""

    FROM_THE_RIGHT = ({"way": "left", "by": mm(500)},)
    FROM_BELOW = ({"way": "up", "by": mm(430)}, {"way": "forward", "by": mm(130)})

    def test_a_unit_that_comes_from_its_side_meets_it_and_one_from_below_does_not(self) -> None:
        met = got_in(list(self.FROM_THE_RIGHT), goes_on="before")
        self.assertIs(met.verdict, Verdict.FAILS)
        self.assertIn("in move 1 of the way in", met.says)
        self.assertIs(got_in(list(self.FROM_BELOW), goes_on="before").verdict, Verdict.HOLDS)

    def test_bolted_on_afterwards_it_is_in_nobodys_way_and_welded_it_has_its_catch(self) -> None:
        bolted = got_in(list(self.FROM_THE_RIGHT), goes_on="after")
        self.assertIs(bolted.verdict, Verdict.HOLDS)
        welded = got_in(list(self.FROM_THE_RIGHT), **{"goes_on": "after", "landing.is_there": False})
        self.assertIs(welded.verdict, Verdict.TIGHT)
        self.assertIn("never through its bearings", welded.says)

    def test_what_is_not_said_is_not_known(self) -> None:
        for words, check in {
            "before the unit or after": got_in(list(self.FROM_BELOW), goes_on=None),
            "its moves in order": got_in([], goes_on="before"),
            "which way and how far": got_in([{"way": "up"}], goes_on="before"),
            "the depth of its bracket": got_in(list(self.FROM_BELOW), goes_on="before", depth=None),
        }.items():
            with self.subTest(words):
                self.assertIs(check.verdict, Verdict.NOT_KNOWN)
                self.assertIn(words, " ".join(check.missing).lower())
