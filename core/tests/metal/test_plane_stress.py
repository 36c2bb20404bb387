"""Finite elements held against closed forms: a bar, a cantilever, a plate with a hole, a pin in a hole."""

from typing import Any
from unittest import TestCase

import numpy as np
from shapely import Polygon

from driveline.errors import ImpossibleInput
from driveline.metal.plane_stress import PlaneStress, RoundHole, Traction, solve_plate

E_MPA, POISSON = 206000.0, 0.3
CLOSE = 0.03


def plate(length: float, height: float) -> Polygon:
    return Polygon([(0, 0), (length, 0), (length, height), (0, height)])


def pulled(length: float, height: float, traction: Traction, *holes: RoundHole) -> PlaneStress:
    """Clamped on the left, loaded on the right."""
    return solve_plate(
        plate(length, height),
        holes,
        thickness_mm=5.0,
        e_mpa=E_MPA,
        poisson=POISSON,
        is_held=lambda x: x[0] < 1e-6,
        pull=(lambda x: x[0] > length - 1e-6, traction),
    )


def along(x: Any) -> Any:
    return np.stack([100 + 0 * x[0], 0 * x[0]])


def down(x: Any) -> Any:
    return np.stack([0 * x[0], -10 + 0 * x[0]])


class ClosedFormTest(TestCase):
    def test_a_bar_in_tension(self) -> None:
        found = pulled(200, 40, along)
        middle = np.hypot(found.points_mm[:, 0] - 100, found.points_mm[:, 1] - 20).argmin()
        self.assertAlmostEqual(found.stress_mpa[middle] / 100, 1, delta=CLOSE)
        self.assertAlmostEqual(found.move_mm[:, 0].max() / (100 * 200 / E_MPA), 1, delta=CLOSE)
        self.assertTrue(found.settled)

    def test_a_cantilever(self) -> None:
        found = pulled(300, 30, down)
        force, second_moment = 10 * 30 * 5, 5 * 30**3 / 12
        tip = force * 300**3 / (3 * E_MPA * second_moment)
        self.assertAlmostEqual(-found.move_mm[:, 1].min() / tip, 1, delta=CLOSE)
        half_way = (np.abs(found.points_mm[:, 0] - 150) < 12) & (found.points_mm[:, 1] > 29.9)
        bending = force * (300 - found.points_mm[half_way, 0]) * 15 / second_moment
        np.testing.assert_allclose(found.stress_mpa[half_way], bending, rtol=CLOSE)

    def test_a_plate_with_a_hole_a_third_as_wide(self) -> None:
        found = pulled(240, 60, along, RoundHole(120, 30, 20))
        self.assertAlmostEqual(found.peak_mpa / (100 * 60 / 40), 2.31, delta=2.31 * CLOSE)  # tabled, d/w = 1/3
        self.assertAlmostEqual(found.peak_at_mm[0], 120, delta=2)

    def test_a_pin_that_presses_a_hole_pulls_the_plate_by_its_force(self) -> None:
        found = solve_plate(
            plate(240, 60),
            [RoundHole(200, 30, 16, (9000, 0))],
            thickness_mm=6,
            e_mpa=E_MPA,
            poisson=POISSON,
            is_held=lambda x: x[0] < 1e-6,
        )
        middle = np.hypot(found.points_mm[:, 0] - 90, found.points_mm[:, 1] - 30).argmin()
        self.assertAlmostEqual(found.stress_mpa[middle] / (9000 / (60 * 6)), 1, delta=CLOSE)

    def test_what_can_not_be(self) -> None:
        for holes, thickness in (([RoundHole(2, 2, 20)], 5.0), ([RoundHole(50, 20, 0)], 5.0), ([], 0.0)):
            with self.assertRaises(ImpossibleInput):
                solve_plate(
                    plate(100, 40),
                    holes,
                    thickness_mm=thickness,
                    e_mpa=E_MPA,
                    poisson=POISSON,
                    is_held=lambda x: x[0] < 1e-6,
                )
