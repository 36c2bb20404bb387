"""A shelf on gussets: its section held against the polygon's own integrals, its taper against even arms."""

from collections.abc import Callable
from itertools import pairwise
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from shapely import box, union_all

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.metal.gusseted import gusset_places_mm, gusseted, tapered_stiffness_n_per_mm
from driveline.metal.sections import Section, arm_stiffness_n_per_mm, arm_stress


def shelf(
    count: int = 2, depth_mm: float = 60.0, breadth_mm: float = 80.0, shelf_mm: float = 8.0, gusset_mm: float = 6.0
) -> Section:
    return gusseted(breadth_mm=breadth_mm, shelf_mm=shelf_mm, gusset_mm=gusset_mm, count=count, depth_mm=depth_mm)


def second_moments(corners: Floats) -> tuple[float, float]:
    """About the axes through the origin, by Green's theorem, of a ring that runs either way."""
    x, y = corners.T
    x_2, y_2 = np.roll(x, -1), np.roll(y, -1)
    cross = x * y_2 - x_2 * y
    about_x = float((cross * (y**2 + y * y_2 + y_2**2)).sum() / 12)
    about_y = float((cross * (x**2 + x * x_2 + x_2**2)).sum() / 12)
    return abs(about_x), abs(about_y)


class GussetedTest(TestCase):
    @given(st.integers(1, 3), st.floats(8.0, 120.0), st.floats(40.0, 160.0), st.floats(3.0, 12.0))
    def test_it_is_the_polygon_that_it_is(self, count: int, depth: float, breadth: float, gusset: float) -> None:
        found = shelf(count, depth, breadth, gusset_mm=gusset)
        places = gusset_places_mm(breadth_mm=breadth, gusset_mm=gusset, count=count)
        plates = [box(y - gusset / 2, -depth, y + gusset / 2, 0.0) for y in places] if depth > 8 else []
        whole = union_all([box(-breadth / 2, -8.0, breadth / 2, 0.0), *plates])
        corners = np.array(whole.exterior.coords)[:-1] - [0.0, whole.centroid.y]
        upright, across = second_moments(corners)
        self.assertAlmostEqual(found.area_mm2 / whole.area, 1, places=9)
        self.assertAlmostEqual(found.upright_mm4 / upright, 1, places=9)
        self.assertAlmostEqual(found.across_mm4 / across, 1, places=9)
        self.assertAlmostEqual(found.depth_mm / 2, np.abs(corners[:, 1]).max(), places=9)

    def test_one_gusset_has_its_shear_centre_in_the_shelf_and_two_above_it(self) -> None:
        # One: the centroid of 640 mm² at 4 and 312 mm² at 34, from the top; the shear centre at 4.
        self.assertAlmostEqual(shelf(1).rise_mm, (640 * 4 + 312 * 34) / 952 - 4)
        # Two: flanges of 56 on the middle lines, a web of 74: e = t_f b² h²/(4 I).
        above = 6 * 56**2 * 74**2 / (4 * (8 * 74**3 / 12 + 6 * 56 * 74**2 / 2))
        self.assertAlmostEqual(shelf(2).rise_mm, (640 * 4 + 624 * 34) / 1264 - 4 + above)

    def test_a_load_across_twists_it(self) -> None:
        found = arm_stress(
            shelf(), arm_mm=100.0, upright_n=0.0, across_n=100.0, axial_n=0.0, offset_mm=0.0, e_mpa=205e3
        )
        self.assertAlmostEqual(found.torque_nmm, 100 * shelf().rise_mm)

    @given(st.integers(1, 3), st.floats(20.0, 100.0))
    def test_thicker_is_never_weaker(self, count: int, depth: float) -> None:
        for thin, thick in (
            *pairwise(shelf(count, depth, shelf_mm=one) for one in (6.0, 8.0, 10.0)),
            *pairwise(shelf(count, depth, gusset_mm=one) for one in (4.0, 6.0, 8.0)),
            *pairwise(shelf(count, depth, one) for one in (60.0, 80.0, 100.0)),
        ):
            self.assertGreater(thick.area_mm2, thin.area_mm2)
            self.assertGreater(thick.torsion_mm4, thin.torsion_mm4)
            self.assertGreater(thick.across_mm4, thin.across_mm4)

    def test_what_can_not_be_is_refused_by_name(self) -> None:
        cases: list[tuple[Callable[[], Section], str]] = [
            (lambda: shelf(gusset_mm=41.0), "gusset"),
            (lambda: shelf(shelf_mm=0.0), "shelf"),
            (lambda: shelf(depth_mm=7.0), "depth"),
            (lambda: shelf(depth_mm=float("nan")), "depth"),
            (lambda: shelf(4), "gussets"),
            (lambda: shelf(breadth_mm=float("nan")), "breadth"),
        ]
        for wrong, name in cases:
            with self.assertRaisesRegex(ImpossibleInput, name):
                wrong()


class TaperTest(TestCase):
    def sections(self, nose_mm: float) -> list[tuple[float, Section]]:
        shares = np.linspace(1, 0, 25).tolist()
        return [(share * 150.0, shelf(depth_mm=nose_mm + (60 - nose_mm) * share)) for share in shares]

    def test_one_that_does_not_taper_is_an_even_arm(self) -> None:
        even = arm_stiffness_n_per_mm(shelf(), arm_mm=150.0, e_mpa=205e3)
        for found, wanted in zip(tapered_stiffness_n_per_mm(self.sections(60.0), e_mpa=205e3), even, strict=True):
            self.assertAlmostEqual(found / wanted, 1, places=2)

    def test_it_holds_more_than_its_nose_would_and_less_than_its_root(self) -> None:
        root, nose = (
            arm_stiffness_n_per_mm(shelf(depth_mm=depth), arm_mm=150.0, e_mpa=205e3) for depth in (60.0, 20.0)
        )
        found = tapered_stiffness_n_per_mm(self.sections(20.0), e_mpa=205e3)
        for low, each, high in zip(nose, found, root, strict=True):
            self.assertTrue(low < each < high)
