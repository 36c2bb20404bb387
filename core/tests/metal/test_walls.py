"""Sections of thin plates: by hand, against the closed forms, and against a grid of finite elements in torsion."""

import math
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.sparse import coo_matrix
from skfem import Basis, BilinearForm, ElementQuad1, LinearForm, MeshQuad, asm, condense, solve
from skfem.helpers import dot, grad

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.metal.frames import FrameSection
from driveline.metal.panels import round_buckling
from driveline.metal.sections import box, channel
from driveline.metal.walls import Wall, panels_of, walled

Line = tuple[float, float, float, float, float]  # from x, y to x, y, thickness


def of(*lines: Line) -> FrameSection:
    return walled([Wall(start_mm=(a, b), end_mm=(c, d), thickness_mm=t) for a, b, c, d, t in lines])


def ring(width: float, height: float, wall: float) -> list[Line]:
    """A box by its middle lines."""
    return [
        (0, 0, width, 0, wall),
        (width, 0, width, height, wall),
        (width, height, 0, height, wall),
        (0, height, 0, 0, wall),
    ]


def torsion_of_grid(metal: Floats, step_mm: float) -> float:
    """The torsion constant of a grid of squares, ``metal`` says which are filled, (rows, columns): by its warping."""
    rows, columns = metal.shape
    mesh = MeshQuad.init_tensor(np.arange(columns + 1) * step_mm, np.arange(rows + 1) * step_mm)
    middles = mesh.p[:, mesh.t].mean(axis=1) / step_mm
    filled = metal[middles[1].astype(int), middles[0].astype(int)]
    mesh = mesh.restrict(np.flatnonzero(filled))
    basis = Basis(mesh, ElementQuad1())
    stiffness = asm(BilinearForm(lambda u, v, _w: dot(grad(u), grad(v))), basis)
    load = asm(LinearForm(lambda v, w: w.x[1] * grad(v)[0] - w.x[0] * grad(v)[1]), basis)
    warping = solve(*condense(coo_matrix(stiffness).tocsr(), load, D=np.array([0])))
    polar = asm(LinearForm(lambda v, w: (w.x[0] ** 2 + w.x[1] ** 2) * v), basis).sum()
    return float(polar - warping @ load)


class WallsTest(TestCase):
    def test_a_box_is_the_box_of_the_closed_forms(self) -> None:
        found, form = of(*ring(66, 106, 4)), box(breadth_mm=70, depth_mm=110, wall_mm=4)
        self.assertAlmostEqual(found.torsion_mm4 / form.torsion_mm4, 1.0, places=9)
        self.assertAlmostEqual(found.area_mm2 / form.area_mm2, 1.0, places=9)
        self.assertAlmostEqual(found.level_mm4 / form.upright_mm4, 1.0, delta=0.002)
        self.assertAlmostEqual(found.modulus_mm3 / form.modulus_mm3, 1.0, delta=0.002)
        self.assertEqual(found.cells, 1)

    def test_a_channel_is_open(self) -> None:
        found = of((48, 0, 0, 0, 4), (0, 0, 0, 96, 4), (0, 96, 48, 96, 4))
        form = channel(flange_mm=50, depth_mm=100, flange_thickness_mm=4, web_thickness_mm=4)
        self.assertEqual(found.cells, 0)
        self.assertAlmostEqual(found.torsion_mm4, (48 + 96 + 48) * 4**3 / 3, places=6)
        self.assertAlmostEqual(found.level_mm4 / form.upright_mm4, 1.0, delta=0.01)

    def test_two_cells_by_hand(self) -> None:
        """Two alike side by side: the wall between carries nothing, so they twist as the outer ring does."""
        outer = ring(120, 60, 3)
        both = of(*outer, (60, 0, 60, 60, 3))
        self.assertEqual(both.cells, 2)
        self.assertAlmostEqual(both.torsion_mm4 / of(*outer).torsion_mm4, 1.0, places=9)

    def test_against_finite_elements(self) -> None:
        """A grid of 1 mm squares: one box, two cells of unlike walls, a box with a fin."""
        metal = np.zeros((64, 104))
        metal[:, :4] = metal[:, 68:72] = metal[:, 100:] = metal[:4] = metal[-4:] = 1
        lines = [*ring(100, 60, 4), (68.0, 0, 68.0, 60, 4)]
        for name, grid, drawn in (
            ("two cells", metal, [(a + 2, b + 2, c + 2, d + 2, t) for a, b, c, d, t in lines]),
            ("a box and a fin", _with_fin(), [*ring(60, 60, 4), (60, 60, 110, 60, 4)]),
        ):
            with self.subTest(name):
                by_grid = torsion_of_grid(grid, 1.0)
                self.assertAlmostEqual(
                    of(*drawn).torsion_mm4 / by_grid, 1.0, delta=0.04
                )  # thin walls leave out a corner or two

    @settings(max_examples=60, deadline=None)
    @given(
        st.floats(20, 200),
        st.floats(20, 200),
        st.floats(1, 8),
        st.floats(-180, 180),
        st.floats(0.1, 0.9),
        st.floats(-300, 300),
    )
    def test_turned_and_shifted_it_is_the_same_section(
        self, width: float, height: float, wall: float, turn_deg: float, share: float, shift: float
    ) -> None:
        lines = [*ring(width, height, wall), (share * width, 0, share * width, height, wall), (0, 0, -15, 0, wall)]
        c, s = math.cos(math.radians(turn_deg)), math.sin(math.radians(turn_deg))

        def moved(x: float, y: float) -> tuple[float, float]:
            return c * x - s * y + shift, s * x + c * y - 2 * shift

        plain, turned = of(*lines), of(*((*moved(a, b), *moved(x, y), t) for a, b, x, y, t in lines))
        self.assertEqual(turned.cells, plain.cells)
        self.assertAlmostEqual(turned.torsion_mm4 / plain.torsion_mm4, 1.0, places=6)
        for one, other in zip(turned.principal[:2], plain.principal[:2], strict=True):
            self.assertAlmostEqual(one / other, 1.0, places=6)

    @settings(max_examples=60, deadline=None)
    @given(st.integers(0, 4), st.floats(1.01, 3))
    def test_a_thicker_plate_never_leaves_less(self, which: int, times: float) -> None:
        lines = [*ring(80, 120, 3), (0, 60, 80, 60, 3)]
        a, b, c, d, t = lines[which]
        before, after = of(*lines), of(*lines[:which], (a, b, c, d, t * times), *lines[which + 1 :])
        self.assertGreater(after.area_mm2, before.area_mm2)
        self.assertGreaterEqual(after.torsion_mm4, before.torsion_mm4 * (1 - 1e-12))
        self.assertGreater(after.principal[1], before.principal[1])

    def test_an_angle_bends_about_its_own_axes(self) -> None:
        """A skew section is weaker than I over the farthest fibre says; its moments by hand, for thin legs alike."""
        leg, wall = 60.0, 2.0
        found = of((0, 0, leg, 0, wall), (0, 0, 0, leg, wall))
        greatest, least, _ = found.principal
        self.assertAlmostEqual(greatest / (wall * leg**3 / 3), 1.0, delta=0.01)
        self.assertAlmostEqual(least / (wall * leg**3 / 12), 1.0, delta=0.01)
        self.assertLess(found.modulus_mm3, found.level_mm4 / (leg + wall / 2 - found.centroid_mm[1]))

    def test_what_can_not_be_is_refused_by_name(self) -> None:
        refused: dict[str, list[Line]] = {
            "plates that all meet": [(0, 0, 50, 0, 3), (0, 20, 50, 20, 3)],
            "two ends that differ": [(0, 0, 0.2, 0, 3)],
            "above 0": [(0, 0, 50, 0, 0.0)],
        }
        for words, lines in refused.items():
            with self.assertRaisesRegex(ImpossibleInput, words):
                of(*lines)
        with self.assertRaises(ImpossibleInput):
            walled([])


def _with_fin() -> Floats:
    metal = np.zeros((64, 112))
    metal[:, :4] = metal[:, 60:64] = 1
    metal[:4, :64] = metal[60:, :] = 1
    return metal


class PanelTest(TestCase):
    def panels(self, *lines: Line) -> list[tuple[float, float, bool]]:
        found = panels_of([Wall(start_mm=(a, b), end_mm=(c, d), thickness_mm=t) for a, b, c, d, t in lines])
        return sorted((one.breadth_mm, one.thickness_mm, one.has_free_edge) for one in found)

    def test_a_box_with_a_fin_has_four_held_walls_and_a_free_one(self) -> None:
        self.assertEqual(
            self.panels(*ring(60, 100, 4), (60, 0, 60, -30, 6)),
            [(30.0, 6.0, True), (60.0, 4.0, False), (60.0, 4.0, False), (100.0, 4.0, False), (100.0, 4.0, False)],
        )

    def test_plates_that_go_on_in_line_do_not_hold_each_other_and_a_web_does(self) -> None:
        sides = ring(60, 100, 4)[1:]
        halves: list[Line] = [(0, 0, 25, 0, 4), (25, 0, 60, 1, 3)]
        self.assertIn((60.0, 3.0, False), [(round(b, 0), t, free) for b, t, free in self.panels(*halves, *sides)])
        webbed = self.panels(*halves, *sides, (25, 0, 25, 100, 4))
        self.assertEqual([round(breadth) for breadth, _, _ in webbed], [25, 25, 35, 35, 99, 100, 100])

    def test_of_a_flat_bar_nothing_is_said(self) -> None:
        self.assertEqual(self.panels((0, 0, 40, 0, 5), (40, 0, 90, 0, 5)), [])

    def test_a_thin_tube_dents_at_a_share_of_what_a_perfect_one_would(self) -> None:
        found = round_buckling(100.0, 1.0, 205_000, 2000)
        self.assertAlmostEqual(found.elastic_mpa, 0.58127 * 0.605 * 2050, delta=0.5)
        self.assertEqual(found.rule, "elastic")
