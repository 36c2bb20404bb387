"""How far one piece must move to come clear of another that it overlaps."""

from typing import Final

import fcl
import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.pose import Placed
from driveline.space.shapes import Mesh

_AXES: Final = np.vstack([np.eye(3), -np.eye(3)])
SETTLED_MM: Final = 0.01


def depth_mm(first: Piece, second: Piece) -> float:
    """Return the least straight move of one piece that brings it clear of the other, mm.

    Args:
        first: Where it stands.
        second: Where it stands.

    Returns:
        Of convex pieces the exact depth, a cylinder as a prism of 32 sides about it. A mesh may be hollow: there the
        least move along the vehicle's axes, to 0.01 mm.

    Source:
        Separating axes: face normals and cross products of edges (Gottschalk, 1996).
    """
    if isinstance(first.shape, Mesh) or isinstance(second.shape, Mesh):
        return min(_way_out_mm(first, second, axis) for axis in _AXES)
    (normals_1, edges_1), (normals_2, edges_2) = (
        tuple(piece.placed.directions(one) for one in piece.shape.flats)  # type: ignore[union-attr]
        for piece in (first, second)
    )
    crossed = np.cross(edges_1[:, None, :], edges_2[None, :, :]).reshape(-1, 3)
    lengths = np.linalg.norm(crossed, axis=1)
    axes = np.vstack([normals_1, normals_2, crossed[lengths > 1e-9] / lengths[lengths > 1e-9, None]])
    along_1, along_2 = first.corners_mm @ axes.T, second.corners_mm @ axes.T
    out = np.minimum(along_1.max(0) - along_2.min(0), along_2.max(0) - along_1.min(0))
    return float(max(out.min(), 0.0))


def _way_out_mm(first: Piece, second: Piece, axis: Floats) -> float:
    """How far the first must go along an axis until it no longer touches: it has left once its bounds have."""
    (low_1, high_1), (low_2, high_2) = first.bounds_mm, second.bounds_mm
    reach = np.where(axis > 0, high_2 - low_1, high_1 - low_2)
    far = float(np.max(np.where(axis != 0, reach, -np.inf)))
    clear, touching = far, 0.0
    while clear - touching > SETTLED_MM:
        middle = (clear + touching) / 2
        if _touches(first.moved(Placed(np.eye(3), middle * axis)), second):
            touching = middle
        else:
            clear = middle
    return clear


def _touches(first: Piece, second: Piece) -> bool:
    return bool(fcl.collide(first.seen, second.seen, fcl.CollisionRequest(), fcl.CollisionResult()))
