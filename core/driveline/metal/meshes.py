"""Triangles over a flat shape: what its finite elements stand on."""

import math
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.spatial import Delaunay
from shapely import Polygon, contains_xy

from driveline.arrays import Floats

SLIVER: Final = 1e-7  # of a square of the spacing: less area is none


def along(corners_mm: Floats, spacing_mm: float) -> Floats:
    """Return points along a closed line, none twice.

    Args:
        corners_mm: The first again at its end, (n, 2).
        spacing_mm: No farther apart.

    Source:
        Plain geometry.
    """
    found = []
    for start, end in zip(corners_mm[:-1], corners_mm[1:], strict=True):
        count = max(math.ceil(float(np.linalg.norm(end - start)) / spacing_mm), 1)
        found.append(start + (end - start) * (np.arange(count) / count)[:, None])
    return np.vstack(found)


def grid(bounds_mm: tuple[float, float, float, float], spacing_mm: float) -> Floats:
    """Return a hexagonal grid over a rectangle, (n, 2).

    Args:
        bounds_mm: Least x and y, greatest x and y.
        spacing_mm: From point to point.

    Source:
        Plain geometry.
    """
    low_x, low_y, high_x, high_y = bounds_mm
    rows = np.arange(low_y, high_y, spacing_mm * math.sqrt(3) / 2)
    x, y = np.meshgrid(np.arange(low_x, high_x, spacing_mm), rows)
    x[1::2] += spacing_mm / 2
    return np.column_stack([x.ravel(), y.ravel()])


def triangles_over(points_mm: Floats, solid: Polygon, spacing_mm: float) -> tuple[Floats, NDArray[np.int64]]:
    """Return the points that are used, (n, 2), and triangles over them, (m, 3).

    Args:
        points_mm: Along the edges of a shape and within it, (n, 2).
        solid: That shape.
        spacing_mm: Of those within.

    Source:
        Delaunay; those whose middle lies outside are dropped, and slivers.
    """
    triangles = Delaunay(points_mm).simplices
    middles = points_mm[triangles].mean(axis=1)
    kept = triangles[contains_xy(solid, middles[:, 0], middles[:, 1])]
    a, b, c = (points_mm[kept[:, k]] for k in range(3))
    area = np.abs((b - a)[:, 0] * (c - a)[:, 1] - (b - a)[:, 1] * (c - a)[:, 0]) / 2
    kept = kept[area > SLIVER * spacing_mm**2]
    used, local = np.unique(kept, return_inverse=True)
    return points_mm[used], np.asarray(local.reshape(-1, 3), dtype=np.int64)
