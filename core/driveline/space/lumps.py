"""A scanned surface as convex lumps that hold it: never smaller than it is."""

from itertools import product
from typing import Final

import numpy as np

from driveline.space.bodies import Piece
from driveline.space.pose import AS_IS
from driveline.space.shapes import Hull
from driveline.space.surface import LaidSurface, halved

MOST: Final = 64
LEAST_NOISE_MM: Final = 0.01  # a flat lump has no inside
_SIDES: Final = np.array(list(product((-1.0, 1.0), repeat=3)))


def lumps(surface: LaidSurface, *, noise_mm: float, most: int = MOST) -> tuple[Piece, ...]:
    """Return a surface as lumps, each the hull of triangles that lie together.

    Args:
        surface: Where it stands.
        noise_mm: What it may be out, either way: the lumps reach farther by it.
        most: Lumps.

    Source:
        Halved at medians. A hull holds its triangles, so that no gap to it reads too large; hollows within one lump
        are filled.
    """
    triangles = np.concatenate([surface.triangles_mm(k) for k in range(len(surface.blocks))])
    each = -(-len(triangles) // most)
    parts = halved(triangles.mean(axis=1), np.arange(len(triangles)), max(each, 2))
    about = _SIDES * max(noise_mm, LEAST_NOISE_MM)
    return tuple(Piece(Hull((triangles[part].reshape(-1, 1, 3) + about).reshape(-1, 3)), AS_IS) for part in parts)
