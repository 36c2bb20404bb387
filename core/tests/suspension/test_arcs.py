import math
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.space.pose import rotation
from driveline.suspension.arc_sureness import arc_sureness
from driveline.suspension.arcs import fit_arc
from driveline.suspension.travel import Corner, scan_travel

tilts = st.floats(-25, 25)


def corner(**changes: object) -> Corner:
    points = np.array([[0, 652, 402], [0, 660, 352], [0, 659, 303], [0, 648, 238]], float)
    whole = {
        "inner_mm": np.array([15.0, 178, 326]),
        "output": np.array([0.0, 1, 0]),
        "arc": fit_arc(points),
        "near_mm": points[2],
        "ride_mm": 303.0,
        "spindle": np.array([0.0, 1, 0]),
    }
    return Corner(**{**whole, **changes})


class ArcTest(TestCase):
    @given(st.floats(150, 900), tilts, tilts, st.lists(st.floats(-25, 25), min_size=3, max_size=7, unique=True))
    def test_points_of_a_tilted_arc_give_it_back(
        self, radius_mm: float, roll_deg: float, yaw_deg: float, up_deg: list[float]
    ) -> None:
        ups = sorted(up_deg)
        if min(b - a for a, b in zip(ups, ups[1:], strict=False)) < 2:
            return
        turn, pivot = rotation(roll_deg=roll_deg, pitch_deg=0, yaw_deg=yaw_deg), np.array([20.0, 300, 250])
        points = np.array(
            [pivot + turn @ (0, radius_mm * math.cos(one), radius_mm * math.sin(one)) for one in np.radians(ups)]
        )
        arc = fit_arc(points)
        self.assertAlmostEqual((arc.radius_mm or 0) / radius_mm, 1, places=4)
        back = arc.at_height_mm(points[:, 2], points.mean(axis=0))
        self.assertLess(float(np.linalg.norm(back - points, axis=1).max()), 0.01)

    def test_what_readings_leave_open_covers_the_truth_as_often_as_it_says(self) -> None:
        """Random arcs read with noise: radius, and a place of them along any direction, within 1.96 u in 95 of 100."""
        random = np.random.default_rng(14)
        within = list[tuple[bool, bool]]()
        for _ in range(1_500):
            radius_mm, u_mm, many = random.uniform(250, 600), random.uniform(0.1, 0.4), int(random.integers(4, 9))
            turn = rotation(roll_deg=random.uniform(-20, 20), pitch_deg=0, yaw_deg=random.uniform(-25, 25))
            ups = np.radians(np.linspace(-22, 22, many) + random.uniform(-5, 5))
            true = np.array([turn @ (0, radius_mm * math.cos(one), radius_mm * math.sin(one)) for one in ups])
            read = true + random.normal(0, u_mm, true.shape)
            arc = fit_arc(read)
            sure = arc_sureness(arc, read, u_mm)
            k, way = random.integers(many), random.normal(size=3)
            off_mm = (arc.at_height_mm(true[[k], 2], true[k])[0] - true[k]) @ way
            within.append(
                (
                    abs((arc.radius_mm or 0) - radius_mm) < 1.96 * (sure.radius_u_mm or 0),
                    abs(off_mm) < 1.96 * math.sqrt(way @ sure.covariance_mm2(true[[k]])[0] @ way),
                )
            )
        for share in np.mean(within, axis=0):
            self.assertAlmostEqual(share, 0.95, delta=0.02)

    def test_heights_on_a_line_are_as_sure_as_a_straight_fit(self) -> None:
        """Three places 100 mm apart, each to 0.3: the middle to 0.3 √(1/3), an end to 0.3 √(1/3 + 1/2)."""
        points = np.array([[0, 600, 200], [0, 600, 300], [0, 600, 400]], float)
        sure = arc_sureness(fit_arc(points), points, 0.3)
        self.assertIsNone(sure.radius_u_mm)
        for place, share in ((points[1], 1 / 3), (points[2], 1 / 3 + 1 / 2)):
            self.assertTrue(np.allclose(sure.covariance_mm2(place[None])[0], np.diag([0.09 * share, 0.09 * share, 0])))

    def test_heights_on_a_line_make_a_line(self) -> None:
        arc = fit_arc(np.array([[0, 600, 200], [1, 601, 300], [2, 602, 400]], float))
        self.assertIsNone(arc.radius_mm)
        self.assertTrue(np.allclose(arc.at_height_mm(np.array([250.0]), np.zeros(3)), [[0.5, 600.5, 250]]))

    def test_refuses_too_few_one_place_one_height_and_a_height_out_of_reach(self) -> None:
        for points in ([[0, 1, 2], [0, 1, 3]], [[0, 1, 2]] * 3, [[0, 600, 300], [0, 610, 300], [0, 620, 300]]):
            with self.subTest(points=points), self.assertRaisesRegex(ImpossibleInput, "points is"):
                fit_arc(np.array(points, float))
        with self.assertRaisesRegex(ImpossibleInput, "height is ⟨2000"):
            corner().arc.at_height_mm(np.array([2_000.0]), np.array([0.0, 659, 303]))


class TravelTest(TestCase):
    def test_the_longest_lies_inside_the_travel(self) -> None:
        scan = scan_travel(corner(), np.linspace(-85, 90, 701), np.zeros(1), np.zeros((1, 3)))
        longest = float(scan.heights_mm[scan.length_mm[:, 0, 0].argmax()])
        self.assertTrue(-80 < longest < 85, longest)

    @given(st.floats(5, 85), st.floats(0, 80))
    def test_a_strap_never_makes_the_window_wider(self, strap_mm: float, less_mm: float) -> None:
        long, short = (
            scan_travel(corner(), np.linspace(-droop, 90, 400), np.zeros(1), np.zeros((1, 3)))
            for droop in (strap_mm, max(strap_mm - less_mm, 1.0))
        )
        self.assertLessEqual(np.ptp(short.length_mm), np.ptp(long.length_mm) + 0.01)
        self.assertLessEqual(short.inner_deg.max(), long.inner_deg.max() + 0.01)

    @given(st.floats(-85, 90), st.floats(-35, 35), st.lists(st.floats(-8, 8), min_size=3, max_size=3))
    def test_each_entry_is_what_its_own_height_lock_and_move_give(
        self, height_mm: float, lock_deg: float, move_mm: list[float]
    ) -> None:
        pin = np.array([0.0, 0, 1])
        one = corner(kingpin=pin)
        scan = scan_travel(one, np.array([0.0, height_mm]), np.array([0.0, lock_deg]), np.array([[0.0] * 3, move_mm]))
        outer = one.arc.at_height_mm(np.array([303 + height_mm]), one.near_mm)[0]
        bar = outer - one.inner_mm - move_mm
        swung = np.array([-math.sin(math.radians(lock_deg)), math.cos(math.radians(lock_deg)), 0])
        self.assertAlmostEqual(float(scan.length_mm[1, 1, 1]), float(np.linalg.norm(bar)), places=9)
        cosine = math.cos(math.radians(float(scan.outer_deg[1, 1, 1])))
        self.assertAlmostEqual(cosine, abs(float(bar @ swung)) / float(np.linalg.norm(bar)), places=9)

    def test_a_carrier_on_its_arm_turns_its_spindle_as_far_as_the_arm_swings(self) -> None:
        fixed, along = (corner(inner_mm=np.array([0.0, 178, 326]), turns_with_arm=arm) for arm in (False, True))
        low, ride = fixed.arc.at_height_mm(np.array([218.0, 303.0]), fixed.near_mm) - fixed.arc.centre_mm
        swing = math.degrees(math.atan2(float(np.linalg.norm(np.cross(ride, low))), float(ride @ low)))
        still, turned = (
            float(scan_travel(one, np.array([-85.0]), np.zeros(1), np.zeros((1, 3))).outer_deg[0, 0, 0])
            for one in (fixed, along)
        )
        self.assertAlmostEqual(still + turned, swing, places=6)  # the bar lies between the two spindles

    def test_refuses_a_lock_without_a_king_pin_and_centres_that_meet(self) -> None:
        with self.assertRaisesRegex(ImpossibleInput, "kingpin"):
            scan_travel(corner(), np.zeros(1), np.array([5.0]), np.zeros((1, 3)))
        meets = corner()
        at = meets.arc.at_height_mm(np.array([303.0]), meets.near_mm)[0]
        with self.assertRaisesRegex(ImpossibleInput, "inner is"):
            scan_travel(corner(inner_mm=at), np.zeros(1), np.zeros(1), np.zeros((1, 3)))
