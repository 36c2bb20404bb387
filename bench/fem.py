"""How finite elements settle on closed forms as the mesh grows finer, and what a bracket of 300 mm takes.

``python bench/fem.py``: a bar, a cantilever, a plate with a hole and a clamped ring under pressure, mesh by mesh, each
as a share of its closed form; then a bracket with two holes.
"""

import sys
import time
from collections.abc import Callable, Iterator
from typing import Any

import numpy as np
from shapely import Polygon
from shapely.geometry import Point

from driveline.arrays import Floats
from driveline.metal.plane_stress import PlaneStress, RoundHole, solve_plate
from driveline.metal.plate_bending import MOST_MESHES, solve_bending

E_MPA, POISSON = 206000.0, 0.3
TABLED = 2.31  # net section, hole a third as wide as the plate
INNER_MM, OUTER_MM, THIN_MM, PRESSURE_MPA = 40.0, 120.0, 6.0, 0.05


def plate(length: float, height: float, pull: tuple[float, float], meshes: int, *holes: RoundHole) -> PlaneStress:
    """Clamped on the left, loaded on the right by so many MPa along and up."""

    def traction(x: Any) -> Any:
        return np.stack([pull[0] + 0 * x[0], pull[1] + 0 * x[0]])

    return solve_plate(
        Polygon([(0, 0), (length, 0), (length, height), (0, height)]),
        holes,
        thickness_mm=5,
        e_mpa=E_MPA,
        poisson=POISSON,
        is_held=lambda x: x[0] < 1e-6,
        pull=(lambda x: x[0] > length - 1e-6, traction),
        most_meshes=meshes,
    )


def ring_move_mm() -> float:
    """The greatest move of a ring clamped at both edges: w = A + B ln r + C r² + D r² ln r + p r⁴/64 D_p."""
    rigidity = E_MPA * THIN_MM**3 / 12 / (1 - POISSON**2)

    def row(r: Floats | float) -> Floats:
        return np.array([np.ones_like(r), np.log(r), np.square(r), np.square(r) * np.log(r)])

    def slope(r: float) -> Floats:
        return np.array([0.0, 1 / r, 2 * r, 2 * r * np.log(r) + r])

    edges = (INNER_MM, OUTER_MM)
    matrix = np.array([line(r) for r in edges for line in (row, slope)])
    loads = [-PRESSURE_MPA * r**power / (64 if power == 4 else 16) / rigidity for r in edges for power in (4, 3)]
    r = np.linspace(INNER_MM, OUTER_MM, 2000)
    return float((np.linalg.solve(matrix, np.array(loads)) @ row(r) + PRESSURE_MPA * r**4 / 64 / rigidity).max())


def bar(meshes: int) -> tuple[int, float]:
    """Its end moves by σ L/E."""
    found = plate(200, 40, (100, 0), meshes)
    return found.triangle_counts[-1], float(found.move_mm[:, 0].max()) / (100 * 200 / E_MPA)


def cantilever(meshes: int) -> tuple[int, float]:
    """Its end sinks by F L³/(3 E I); shear adds under 1 %."""
    found = plate(300, 30, (0, -10), meshes)
    return found.triangle_counts[-1], -float(found.move_mm[:, 1].min()) / (1500 * 300**3 / (3 * E_MPA * 5 * 30**3 / 12))


def holed(meshes: int) -> tuple[int, float]:
    """Its peak is 2.31 times the net section's stress."""
    found = plate(240, 60, (100, 0), meshes, RoundHole(120, 30, 20))
    return found.triangle_counts[-1], found.peak_mpa / 150 / TABLED


def ring(meshes: int) -> tuple[int, float]:
    """Its greatest move under pressure."""
    found = solve_bending(
        Point(0, 0).buffer(OUTER_MM, quad_segs=50),
        [RoundHole(0, 0, 2 * INNER_MM)],
        thickness_mm=THIN_MM,
        e_mpa=E_MPA,
        poisson=POISSON,
        is_held=lambda x: np.hypot(*x) > 0,
        pressure_mpa=PRESSURE_MPA,
        most_meshes=meshes,
    )
    return found.triangle_counts[-1], found.move_mm / ring_move_mm()


FORMS: tuple[tuple[str, Callable[[int], tuple[int, float]]], ...] = (
    ("bar in tension, its end's move", bar),
    ("cantilever, its end's move", cantilever),
    ("plate with a hole, its peak", holed),
    ("clamped ring, its greatest move", ring),
)


def rows() -> Iterator[str]:
    for name, form in FORMS:
        last = 0
        for meshes in range(1, MOST_MESHES + 1):
            count, share = form(meshes)
            if count == last:  # settled before
                break
            last = count
            yield f"{name:34} {count:6d} triangles   {share:.3f} of the closed form"


def main() -> None:
    for row in rows():
        sys.stdout.write(f"{row}\n")
    begin = time.process_time()
    found = solve_plate(
        Polygon([(0, 0), (300, 60), (300, 140), (0, 200)]),
        [RoundHole(265, 100, 30, (0, -8000)), RoundHole(60, 100, 40)],
        thickness_mm=8,
        e_mpa=E_MPA,
        poisson=POISSON,
        is_held=lambda x: x[0] < 1e-6,
    )
    took = time.process_time() - begin
    peaks = ", ".join(f"{one:.1f}" for one in found.peaks_mpa)
    sys.stdout.write(f"bracket of 300 mm: {found.triangle_counts} triangles, peaks of {peaks} MPa, {took:.2f} s\n")


if __name__ == "__main__":
    main()
