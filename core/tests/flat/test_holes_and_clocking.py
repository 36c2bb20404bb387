import math
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import Point, Polygon

from driveline.errors import ImpossibleInput
from driveline.flat.clocking import Window, clocking
from driveline.flat.holes import Disc, bolt_circle_mm, ligaments, motor_on_plate, reflected, turned, wanted_ligament_mm
from driveline.flat.outline import edge_distances_mm, hull_outline

FLANGE = tuple(
    Disc(f"H{k}", 150 * math.cos(math.radians(deg)), 150 * math.sin(math.radians(deg)), 12.5)
    for k, deg in enumerate((5, 47, 87, 127, 168, 217, 262, 309))
)
CENTRES = np.array([[disc.x_mm, disc.y_mm] for disc in FLANGE])
points = st.lists(st.tuples(st.floats(-300, 300), st.floats(-300, 300)), min_size=3, max_size=12)


class FaceTest(TestCase):
    def test_a_motor_face_is_reflected_and_then_turned(self) -> None:
        # The hole at 3 o'clock on the motor's face is at 9 o'clock seen from the engine side; 90° on: 6 o'clock.
        np.testing.assert_allclose(motor_on_plate(np.array([[100.0, 0.0]]), 0), [[-100, 0]], atol=1e-9)
        np.testing.assert_allclose(motor_on_plate(np.array([[100.0, 0.0]]), 90), [[0, -100]], atol=1e-9)

    @given(st.integers(1, 12), st.floats(50, 400), st.floats(-180, 180))
    def test_bolt_circles_have_their_radius_and_spacing(self, count: int, circle_mm: float, first: float) -> None:
        xy = bolt_circle_mm(count=count, circle_mm=circle_mm, first_at_deg=first)
        np.testing.assert_allclose(np.hypot(*xy.T), circle_mm / 2)
        if count > 1:
            spacing = np.hypot(*(xy[1] - xy[0]))
            self.assertAlmostEqual(spacing, circle_mm * math.sin(math.pi / count), places=6)

    @given(points, st.floats(-360, 360))
    def test_seen_from_the_other_side_a_turn_runs_the_other_way(
        self, xy: list[tuple[float, float]], deg: float
    ) -> None:
        face = np.array(xy)
        np.testing.assert_allclose(reflected(turned(face, deg)), turned(reflected(face), -deg), atol=1e-9)


class LigamentTest(TestCase):
    def test_hand_worked(self) -> None:
        # 30 mm apart, holes 12 and 8: 30 − 10 = 20 left; the larger hole, 12, is wanted.
        (only,) = ligaments([Disc("a", 0, 0, 12), Disc("b", 30, 0, 8)], factor=1.0)
        self.assertAlmostEqual(only.left_mm, 20)
        self.assertAlmostEqual(only.wanted_mm, 12)

    def test_never_less_than_six_and_beside_a_bore_the_small_hole_counts(self) -> None:
        self.assertEqual(float(wanted_ligament_mm(4, 4, 1.0)), 6)
        self.assertEqual(float(wanted_ligament_mm(130, 11, 1.0)), 130)
        self.assertEqual(float(wanted_ligament_mm(130, 11, 1.0, has_bore=True)), 22)

    @given(st.floats(4, 60), st.floats(4, 300), st.floats(1, 1.2))
    def test_a_larger_hole_never_wants_less_and_nothing_jumps(self, one: float, other: float, grown: float) -> None:
        for has_bore in (False, True):
            before, after = (
                float(wanted_ligament_mm(one, mm, 1.0, has_bore=has_bore)) for mm in (other, other * grown)
            )
            self.assertLessEqual(before, after + 1e-9)
            self.assertLessEqual(after, before * grown + 1e-9)

    def test_the_thinnest_share_comes_first(self) -> None:
        found = ligaments([Disc("a", 0, 0, 10), Disc("b", 18, 0, 10), Disc("c", 100, 0, 10)], factor=1.0)
        self.assertEqual(found[0].between, ("a", "b"))


class ClockingTest(TestCase):
    @settings(max_examples=25, deadline=None)
    @given(st.integers(2, 8), st.floats(240, 290), st.floats(0, 360))
    def test_never_worse_than_a_fine_search_and_windows_hold(self, count: int, circle_mm: float, first: float) -> None:
        motor = motor_on_plate(bolt_circle_mm(count=count, circle_mm=circle_mm, first_at_deg=first), 0)
        found = clocking(FLANGE, motor, 11.0, factor=1.0)

        def share(deg: float) -> float:
            holes = [Disc(f"M{k}", x, y, 11.0) for k, (x, y) in enumerate(turned(motor, deg).tolist())]
            return min(
                one.share
                for one in ligaments([*FLANGE, *holes], factor=1.0)
                if len({one.between[0][0], one.between[1][0]}) == 2
            )

        brute = max(share(deg) for deg in np.arange(found.best_deg - 1, found.best_deg + 1, 0.05))
        self.assertGreaterEqual(found.best_share, brute - 1e-4)
        self.assertAlmostEqual(share(found.best_deg), found.best_share, places=6)
        for window in found.windows:
            self.assertGreaterEqual(share((window.from_deg + window.to_deg) / 2), 1 - 1e-6)
            if window.to_deg - window.from_deg < 360:
                for edge in (window.from_deg, window.to_deg):
                    self.assertGreaterEqual(share(edge), 1 - 1e-9)
                    self.assertAlmostEqual(share(edge), 1, delta=1e-3)

    @settings(max_examples=20, deadline=None)
    @given(
        st.lists(st.tuples(st.floats(40, 160), st.floats(0, 360), st.floats(6, 20)), min_size=1, max_size=10),
        st.lists(st.tuples(st.floats(40, 160), st.floats(0, 360)), min_size=1, max_size=8),
    )
    def test_the_best_angle_is_the_best_of_36_000(
        self, flange: list[tuple[float, float, float]], motor: list[tuple[float, float]]
    ) -> None:
        """Every hundredth of a degree, any patterns: none beats the optimum found by halving spans."""

        def polar(radius_mm: float, deg: float) -> tuple[float, float]:
            return radius_mm * math.cos(math.radians(deg)), radius_mm * math.sin(math.radians(deg))

        discs = [Disc(f"H{k}", *polar(r, deg), d) for k, (r, deg, d) in enumerate(flange)]
        moving = np.array([polar(r, deg) for r, deg in motor])
        found = clocking(discs, moving, 11.0, factor=1.0)
        angle = np.radians(np.arange(0, 360, 0.01))
        least = np.full(angle.shape, np.inf)
        for x, y in moving:
            at = (x + 1j * y) * np.exp(1j * angle)
            for disc in discs:
                gap = np.abs(at - (disc.x_mm + 1j * disc.y_mm)) - (disc.diameter_mm + 11.0) / 2
                least = np.minimum(least, gap / float(wanted_ligament_mm(disc.diameter_mm, 11.0, 1.0)))
        self.assertGreaterEqual(found.best_share, least.max() - 1e-9)
        self.assertLessEqual(found.best_share, least.max() + 0.05)

    @settings(max_examples=25, deadline=None)
    @given(st.integers(2, 8), st.floats(240, 290), st.floats(0, 360), st.floats(0, 360), st.floats(1, 200))
    def test_in_a_window_the_best_is_the_best_of_every_hundredth(
        self, count: int, circle_mm: float, first: float, start: float, wide: float
    ) -> None:
        motor = motor_on_plate(bolt_circle_mm(count=count, circle_mm=circle_mm, first_at_deg=first), 0)
        allowed = Window(start, start + wide)
        whole = clocking(FLANGE, motor, 11.0, factor=1.0)
        found = clocking(FLANGE, motor, 11.0, factor=1.0, allowed=allowed)
        self.assertLessEqual((found.best_deg - start + 1e-6) % 360, wide + 2e-6)
        self.assertLessEqual(found.best_share, whole.best_share + 1e-8)
        xy = np.array([[disc.x_mm, disc.y_mm] for disc in FLANGE])
        angle = np.radians(np.arange(start, start + wide, 0.01))
        turning = (motor[:, 0] + 1j * motor[:, 1])[:, None] * np.exp(1j * angle)
        gap = np.abs(turning[:, None] - (xy[:, 0] + 1j * xy[:, 1])[None, :, None]) - (12.5 + 11) / 2
        self.assertGreaterEqual(found.best_share, float((gap / 12.5).min(axis=(0, 1)).max()) - 1e-8)
        for window in found.windows:
            self.assertLessEqual((window.from_deg - start) % 360, wide + 1e-6)
            self.assertLessEqual(window.to_deg - window.from_deg, wide + 1e-6)

    def test_a_window_longer_than_a_turn_is_refused(self) -> None:
        with self.assertRaises(ImpossibleInput):
            clocking(FLANGE, np.array([[100.0, 0.0]]), 9.0, factor=1.0, allowed=Window(0, 400))

    def test_why_an_angle_is_barred(self) -> None:
        """One hole each on a circle of 100: at 90° the motor's hole lies on H0, which stands at 90°."""
        found = clocking([Disc("H0", 0, 100, 10), Disc("H1", 0, -100, 10)], np.array([[100.0, 0.0]]), 10, factor=1.0)
        self.assertEqual(found.closest[180], ("H0", 0))
        self.assertEqual(found.closest[540], ("H1", 0))
        self.assertLess(found.share[180], 0)

    def test_far_inside_the_flange_every_angle_will_do(self) -> None:
        motor = bolt_circle_mm(count=4, circle_mm=100, first_at_deg=0)
        (window,) = clocking(FLANGE, motor, 9.0, factor=1.0).windows
        self.assertEqual((window.from_deg, window.to_deg), (0, 360))

    def test_on_the_flanges_own_circle_none_may(self) -> None:
        motor = bolt_circle_mm(count=36, circle_mm=300, first_at_deg=0)
        self.assertEqual(clocking(FLANGE, motor, 9.0, factor=1.0).windows, ())

    def test_nothing_to_turn(self) -> None:
        with self.assertRaises(ImpossibleInput):
            clocking((), np.zeros((0, 2)), 9.0, factor=1.0)


class OutlineTest(TestCase):
    def test_sides_stand_off_and_arcs_close_the_turn(self) -> None:
        outline = hull_outline(CENTRES, 21.0)
        polygon = Polygon([(vertex.x_mm, vertex.y_mm) for vertex in outline])
        self.assertTrue(polygon.exterior.is_ccw)
        for disc in FLANGE:  # the chords of the arcs cut inside, never past the holes
            self.assertGreater(polygon.exterior.distance(Point(disc.x_mm, disc.y_mm)), 17.0)
        whole_turn = sum(4 * math.atan(vertex.bulge) for vertex in outline)
        self.assertAlmostEqual(math.degrees(whole_turn), 360)

    def test_edge_distance_of_a_corner_is_the_radius_and_of_the_middle_more(self) -> None:
        corner, middle = edge_distances_mm(np.array([CENTRES[0], [0.0, 0.0]]), hull_outline(CENTRES, 21.0))
        self.assertAlmostEqual(corner, 21)
        self.assertGreater(middle, 100)

    def test_holes_on_a_line_span_no_plate(self) -> None:
        with self.assertRaises(ImpossibleInput):
            hull_outline(np.array([[0.0, 0.0], [10.0, 0.0], [20.0, 0.0]]), 20)
