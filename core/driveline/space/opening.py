"""What of a flat sheet must go for convex pieces to keep their distance from it."""

from collections.abc import Sequence
from typing import Final

import numpy as np
from shapely import MultiPoint, Polygon, box, union_all
from shapely.geometry.base import BaseGeometry

from driveline.arrays import Floats
from driveline.space.bodies import Piece

ROUND_SEGMENTS: Final = 8  # of a quarter of the rounding
LAYERS: Final = 24


def opening(sheet: Piece, thin: int, size_mm: tuple[float, float], pieces: Sequence[Piece], off_mm: float) -> Polygon:
    """Return what must go, in the sheet's own two long axes about its middle; empty where nothing must.

    Args:
        sheet: A box, where it stands.
        thin: Which of its axes it is thin along.
        size_mm: Along the other two, in order.
        pieces: Convex ones that come near it.
        off_mm: That they keep away.

    Source:
        Of each piece what lies within a height h of the sheet's faces, and its shadow grown by √(d² - h²), layer by
        layer with the lower height of each. Never less than all points of the sheet that are nearer than d, and more
        by a layer's step at most.
    """
    half_mm = sheet.shape.size_mm[thin] / 2  # type: ignore[union-attr]
    heights_mm = np.linspace(0.0, off_mm, LAYERS + 1)
    long = [k for k in range(3) if k != thin]
    shadows: list[BaseGeometry] = []
    for piece in pieces:
        own = sheet.placed.inverse.points(piece.corners_mm)
        for below, height in zip(heights_mm[:-1], heights_mm[1:], strict=True):
            inside = _between(own, thin, half_mm + height)
            if len(inside):
                grown = float(np.sqrt(off_mm**2 - below**2))
                shadows.append(MultiPoint(inside[:, long]).convex_hull.buffer(grown, quad_segs=ROUND_SEGMENTS))
    a, b = (size / 2 for size in size_mm)
    found = union_all(shadows).intersection(box(-a, -b, a, b)) if shadows else Polygon()
    if found.is_empty:
        return Polygon()
    return found if isinstance(found, Polygon) else found.convex_hull  # two holes so near are one


def _between(corners_mm: Floats, axis: int, half_mm: float) -> Floats:
    """Points whose hull is the part of a convex piece between two planes, (n, 3)."""
    at = corners_mm[:, axis]
    found = [corners_mm[np.abs(at) <= half_mm]]
    for plane in (-half_mm, half_mm):
        below, above = corners_mm[at < plane], corners_mm[at > plane]
        if len(below) and len(above):
            share = (plane - below[:, None, axis]) / (above[None, :, axis] - below[:, None, axis])
            found.append((below[:, None] + share[..., None] * (above[None] - below[:, None])).reshape(-1, 3))
    return np.concatenate(found)
