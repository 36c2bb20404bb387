"""How near two bodies come, and where; how deep they stand in one another."""

from dataclasses import dataclass

import fcl
import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.overlap import depth_mm
from driveline.space.rounds import sharpened
from driveline.space.shapes import Box, Cylinder


@dataclass(frozen=True)
class Near:
    """The nearest that two pieces or bodies come. Where they overlap the gap is nought and ``depth_mm`` above it."""

    gap_mm: float
    on_first_mm: Floats  # (3,)
    on_second_mm: Floats  # (3,)
    depth_mm: float = 0.0
    noise_mm: float = 0.0  # what a surface may be out: the gap is less than its points are apart by it


def nearest(first: Piece, second: Piece) -> Near:
    """Return how near two pieces come.

    Args:
        first: Where it stands.
        second: Where it stands.

    Returns:
        The gap with the nearest point on each; where they overlap, how far one must move to come clear of the other.

    Source:
        Bounding-volume trees over triangles, exact for flat faces, as in the flexible collision library; round pieces
        brought to their true surface by projections; depth by separating axes. Worked examples
        distance-boxes-and-cylinder-moved and distance-mesh-to-mesh.
    """
    if first.holds(second.placed.at_mm) or second.holds(first.placed.at_mm):  # one may be wholly in the other
        return _overlap(first, second)
    found = _searched(first.seen, second.seen)
    shapes = (first.shape, second.shape)
    if found is not None and any(isinstance(one, Cylinder) for one in shapes) and all(one.is_convex for one in shapes):
        is_plain = all(isinstance(one, Box | Cylinder) for one in shapes)
        sharp = sharpened(first, second, *found) if is_plain else None
        found = sharp or _searched(first.seen_finely, second.seen_finely)
    if found is None:
        return _overlap(first, second)
    on_first, on_second = found
    return Near(float(np.linalg.norm(on_first - on_second)), on_first, on_second)


def _searched(first: fcl.CollisionObject, second: fcl.CollisionObject) -> tuple[Floats, Floats] | None:
    """The nearest points of both, or ``None`` where they meet."""
    result = fcl.DistanceResult()
    if fcl.distance(first, second, fcl.DistanceRequest(enable_nearest_points=True), result) <= 0:
        return None
    on_first, on_second = (np.asarray(one) for one in result.nearest_points)
    return on_first, on_second


def _overlap(first: Piece, second: Piece) -> Near:
    middle = _middle_of_overlap(first, second)
    return Near(0.0, middle, middle, depth_mm(first, second))


def _middle_of_overlap(first: Piece, second: Piece) -> Floats:
    """A point in what both pieces' bounds hold: the search gives none of its own there."""
    least = np.maximum(first.bounds_mm[0], second.bounds_mm[0])
    greatest = np.minimum(first.bounds_mm[1], second.bounds_mm[1])
    found: Floats = (least + greatest) / 2
    return found


def bounds_apart_mm(first: tuple[Floats, Floats], second: tuple[Floats, Floats]) -> Floats:
    """Return what things are apart at the least, by their bounds alone.

    Args:
        first: Least and greatest of x, y and z, (3,) or (n, 3) each.
        second: The same.

    Source:
        Distance of two boxes along the axes.
    """
    between = np.maximum(first[0] - second[1], second[0] - first[1])
    return np.asarray(np.linalg.norm(np.maximum(between, 0.0), axis=-1), dtype=np.float64)
