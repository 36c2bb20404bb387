"""Plates bent out of their plane, held against a cantilever and a clamped ring under pressure."""

from unittest import TestCase

import numpy as np
from shapely import Polygon

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.metal.plane_stress import RoundHole
from driveline.metal.plate_bending import solve_bending

E_MPA = 206000.0
CLOSE = 0.03


def ring_move_mm(inner: float, outer: float, thickness: float, pressure: float, poisson: float) -> float:
    """The greatest move of a ring clamped at both edges: w = A + B ln r + C r² + D r² ln r + p r⁴/64 D_p."""
    rigidity = E_MPA * thickness**3 / 12 / (1 - poisson**2)

    def row(r: Floats | float) -> Floats:
        return np.array([np.ones_like(r), np.log(r), np.square(r), np.square(r) * np.log(r)])

    def slope(r: float) -> Floats:
        return np.array([0.0, 1 / r, 2 * r, 2 * r * np.log(r) + r])

    edges = (inner, outer)
    matrix = np.array([line(r) for r in edges for line in (row, slope)])
    loads = [-pressure * r**power / (64 if power == 4 else 16) / rigidity for r in edges for power in (4, 3)]
    constants = np.linalg.solve(matrix, np.array(loads))
    r = np.linspace(inner, outer, 2000)
    return float((constants @ row(r) + pressure * r**4 / 64 / rigidity).max())


class BendingTest(TestCase):
    def test_a_cantilever_under_pressure(self) -> None:
        outline = Polygon([(0, 0), (300, 0), (300, 60), (0, 60)])
        found = solve_bending(
            outline, [], thickness_mm=8, e_mpa=E_MPA, poisson=0.0, is_held=lambda x: x[0] < 1e-6, pressure_mpa=0.01
        )
        tip = 0.01 * 60 * 300**4 / (8 * E_MPA * 60 * 8**3 / 12)
        self.assertAlmostEqual(found.move_mm / tip, 1, delta=CLOSE)
        self.assertTrue(found.settled)

    def test_a_ring_clamped_at_both_edges(self) -> None:
        at = np.linspace(0, 2 * np.pi, 200, endpoint=False)
        outline = Polygon(np.column_stack([120 * np.cos(at), 120 * np.sin(at)]))
        found = solve_bending(
            outline,
            [RoundHole(0, 0, 80)],
            thickness_mm=6,
            e_mpa=E_MPA,
            poisson=0.3,
            is_held=lambda x: np.hypot(*x) > 0,
            pressure_mpa=0.05,
        )
        self.assertAlmostEqual(found.move_mm / ring_move_mm(40, 120, 6, 0.05, 0.3), 1, delta=CLOSE)

    def test_a_force_on_a_hole_bends_a_strip_as_one_at_its_middle(self) -> None:
        outline = Polygon([(0, 0), (240, 0), (240, 40), (0, 40)])
        found = solve_bending(
            outline,
            [RoundHole(200, 20, 12)],
            thickness_mm=6,
            e_mpa=E_MPA,
            poisson=0.0,
            is_held=lambda x: x[0] < 1e-6,
            on_hole_n=100,
        )
        second_moment = 40 * 6**3 / 12
        tip = 100 * 200**2 / (6 * E_MPA * second_moment) * (3 * 240 - 200)
        self.assertAlmostEqual(found.move_mm / tip, 1, delta=CLOSE)

    def test_what_can_not_be(self) -> None:
        outline = Polygon([(0, 0), (100, 0), (100, 40), (0, 40)])
        for thickness, pressure in ((0.0, 1.0), (5.0, 0.0)):
            with self.assertRaises(ImpossibleInput):
                solve_bending(
                    outline,
                    [],
                    thickness_mm=thickness,
                    e_mpa=E_MPA,
                    poisson=0.3,
                    is_held=lambda x: x[0] < 1e-6,
                    pressure_mpa=pressure,
                )
