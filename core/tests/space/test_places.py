"""Points by tapes, the output line on the wheels', boxes into a room."""

import math
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.space.outputs import both_joints, laid_on_outputs
from driveline.space.packing import packed
from driveline.space.solids import Weighed, hangs, together
from driveline.space.tapes import Measured3, Points3, Tape, solve_points

BASE = {
    "A": (0.0, 0, 300),
    "B": (900.0, 20, 310),
    "C": (850.0, -600, 405),
    "D": (30.0, -620, 190),
    "E": (400.0, 0, 700),
    "F": (200.0, -300, 950),
    "G": (700.0, -500, 700),
}
TRUE = np.array([420.0, -250, 520])


def points(unknown: Measured3, **off_mm: float) -> Points3:
    known = {name: Measured3(mm=at, u_mm=(1.0, 1.0, 1.0)) for name, at in BASE.items()}
    tapes = [
        Tape(
            key=f"{name} to P",
            first=name,
            second="P",
            mm=float(np.linalg.norm(np.array(at) - TRUE)) + off_mm.get(name, 0.0),
            u_mm=1.0,
        )
        for name, at in BASE.items()
    ]
    return solve_points({**known, "P": unknown}, tapes)


NOWHERE = Measured3(mm=(None, None, None), u_mm=(1.0, 1.0, 1.0))


class TapesTest(TestCase):
    def test_tapes_alone_find_a_point(self) -> None:
        found = points(NOWHERE)
        self.assertTrue(np.allclose(found.mm["P"], TRUE, atol=1e-4))
        self.assertEqual((found.loose, found.two_places, found.wrong), ((), (), None))

    def test_the_tape_that_does_not_fit_is_named_with_its_mistake(self) -> None:
        for name in BASE:
            with self.subTest(name):
                found = points(NOWHERE, **{name: 40.0})
                self.assertEqual(found.wrong, f"{name} to P")
                self.assertAlmostEqual(found.wrong_by_mm, 40.0, delta=6.0)

    def test_three_tapes_leave_two_places_until_one_is_said(self) -> None:
        level = {name: Measured3(mm=at, u_mm=(1.0, 1.0, 1.0)) for name, at in list(BASE.items())[:3]}
        tapes = [
            Tape(key=name, first=name, second="P", mm=float(np.linalg.norm(np.array(BASE[name]) - TRUE)), u_mm=1.0)
            for name in level
        ]
        self.assertEqual(solve_points({**level, "P": NOWHERE}, tapes).two_places, ("P",))
        said = Measured3(mm=(None, None, None), u_mm=(1.0, 1.0, 1.0), near_mm=(None, None, 600.0))
        found = solve_points({**level, "P": said}, tapes)
        self.assertEqual(found.two_places, ())
        self.assertTrue(np.allclose(found.mm["P"], TRUE, atol=1e-3))

    def test_two_tapes_leave_it_loose(self) -> None:
        known = {name: Measured3(mm=at, u_mm=(1.0, 1.0, 1.0)) for name, at in list(BASE.items())[:2]}
        tapes = [Tape(key=name, first=name, second="P", mm=600.0, u_mm=1.0) for name in known]
        self.assertEqual(solve_points({**known, "P": NOWHERE}, tapes).loose, ("P",))

    def test_nothing_measured_is_nothing_known(self) -> None:
        self.assertEqual(solve_points({}, []).mm, {})
        self.assertEqual(solve_points({"P": NOWHERE}, []).loose, ("P",))


class OutputsTest(TestCase):
    @settings(max_examples=60, deadline=None)
    @given(*[st.floats(-60, 60)] * 4, st.floats(-30, 30))
    def test_the_output_line_lies_on_the_wheels_line(self, x: float, z: float, x2: float, z2: float, p: float) -> None:
        left, right = np.array([x, 700, 300 + z]), np.array([x2, -690, 310 + z2])
        a, b = np.array([0.0, 165, 0]), np.array([0.0, -118, 0])
        pose = laid_on_outputs(
            outer_left_mm=left,
            outer_right_mm=right,
            offset_mm=np.zeros(3),
            output_left_mm=a,
            output_right_mm=b,
            along_mm=0.0,
            pitch_deg=p,
        )
        self.assertAlmostEqual(pose.pitch_deg, p)
        joints = both_joints(
            output_a_mm=pose.placed.points(a),
            output_b_mm=pose.placed.points(b),
            outer_left_mm=left,
            outer_right_mm=right,
        )
        self.assertAlmostEqual(joints.worst_deg, 0.0, places=4)
        self.assertAlmostEqual(joints.left.distance_mm, joints.right.distance_mm, places=6)

    def test_a_load_can_t_hang_from_below(self) -> None:
        with self.assertRaises(ImpossibleInput):
            hangs(eye_mm=np.zeros(3), cg_mm=np.array([0.0, 0, 5]))
        with self.assertRaises(ImpossibleInput):
            together([Weighed(0.0, np.zeros(3), np.zeros((3, 3)))])


class PackingTest(TestCase):
    @settings(max_examples=80, deadline=None)
    @given(
        *[st.integers(200, 1200).map(float)] * 3,
        *[st.integers(90, 400).map(float)] * 3,
        st.integers(0, 12),
        st.booleans(),
    )
    def test_boxes_lie_inside_and_apart(
        self, x: float, y: float, z: float, a: float, b: float, c: float, gap: int, may_stand: bool
    ) -> None:
        blocks = packed(room_mm=(x, y, z), box_mm=(a, b, c), gap_mm=float(gap), may_stand=may_stand)
        boxes = []
        for block in blocks:
            self.assertEqual(sorted(block.box_mm), sorted((a, b, c)))
            self.assertTrue(may_stand or block.box_mm[2] == c)
            for cell in np.ndindex(*block.counts):
                low = np.array(block.at_mm) + np.array(cell) * (np.array(block.box_mm) + gap)
                boxes.append((low, low + np.array(block.box_mm)))
        for first, last in boxes:
            self.assertTrue((first >= -1e-6).all() and (last <= np.array([x, y, z]) + 1e-6).all())
        for k, (low, high) in enumerate(boxes):
            for low_2, high_2 in boxes[k + 1 :]:
                self.assertGreaterEqual(max((low_2 - high).max(), (low - high_2).max()), gap - 1e-6)
        plain = math.prod(int((side + gap) // (box + gap)) for side, box in ((x, a), (y, b), (z, c)))
        self.assertGreaterEqual(len(boxes), plain)

    def test_two_ways_at_once_hold_more_than_one(self) -> None:
        """Seven boxes of 2 by 1 in a room of 5 by 3: six go in laid all alike."""
        blocks = packed(room_mm=(500, 300, 100), box_mm=(200, 100, 100), gap_mm=0.0, may_stand=False)
        self.assertEqual(sum(block.count for block in blocks), 7)
