"""How finite elements settle on closed forms as the mesh grows finer, and what a bracket of 300 mm takes.

``python bench/fem.py``: a plate with a hole against the tabled factor, mesh by mesh; then a bracket with two holes.
"""

import sys
import time

import numpy as np
from shapely import Polygon

from driveline.metal.plane_stress import RoundHole, solve_plate

E_MPA, POISSON = 206000.0, 0.3
TABLED = 2.31  # net section, hole a third as wide as the plate


def main() -> None:
    outline = Polygon([(0, 0), (240, 0), (240, 60), (0, 60)])
    for meshes in range(1, 5):
        found = solve_plate(
            outline,
            [RoundHole(120, 30, 20)],
            thickness_mm=5,
            e_mpa=E_MPA,
            poisson=POISSON,
            is_held=lambda x: x[0] < 1e-6,
            pull=(lambda x: x[0] > 240 - 1e-6, lambda x: np.stack([100 + 0 * x[0], 0 * x[0]])),
            most_meshes=meshes,
        )
        factor = found.peak_mpa / 150
        count = found.triangle_counts[-1]
        sys.stdout.write(
            f"plate with a hole  {count:6d} triangles   Kt {factor:.3f}, {factor / TABLED - 1:+.1%} of {TABLED}\n"
        )
        if found.settled:
            break
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
    sys.stdout.write(
        f"bracket of 300 mm  {found.triangle_counts} triangles   peaks {found.peaks_mpa} MPa   {took:.2f} s\n"
    )


if __name__ == "__main__":
    main()
