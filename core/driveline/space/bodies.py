"""Bodies as pieces, and surfaces of triangles, where they stand."""

import math
from collections.abc import Hashable
from dataclasses import dataclass
from functools import cached_property

import fcl
import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.pose import Placed
from driveline.space.shapes import Box, Cylinder, Hull, Mesh, fine_model_of
from driveline.space.surface import LaidSurface


@dataclass(frozen=True)
class Piece:
    """A shape where it stands."""

    shape: Box | Cylinder | Hull | Mesh
    placed: Placed

    def moved(self, move: Placed) -> "Piece":
        """Return it after a move."""
        return Piece(self.shape, self.placed.moved(move))

    @cached_property
    def mark(self) -> Hashable:
        """Tells it from every other piece that is made or stands otherwise."""
        return self.shape.mark, self.placed.mark

    @cached_property
    def corners_mm(self) -> Floats:
        """Points whose hull holds it, as they stand, (n, 3)."""
        return self.placed.points(self.shape.corners_mm)

    @cached_property
    def bounds_mm(self) -> tuple[Floats, Floats]:
        """Least and greatest of x, y and z."""
        return self.corners_mm.min(axis=0), self.corners_mm.max(axis=0)

    @cached_property
    def seen(self) -> fcl.CollisionObject:
        """As the search for distances takes it."""
        return fcl.CollisionObject(self.shape.seen, fcl.Transform(self.placed.turn, self.placed.at_mm))

    @property
    def seen_finely(self) -> fcl.CollisionObject:
        """As the search takes it where a round piece must be closer to round."""
        if not isinstance(self.shape, Cylinder):
            return self.seen
        return fcl.CollisionObject(fine_model_of(self.shape), fcl.Transform(self.placed.turn, self.placed.at_mm))

    def holds(self, point_mm: Floats) -> bool:
        """Say whether a point, (3,), is in it."""
        return bool(self.shape.holds(self.placed.inverse.points(point_mm)[None, :])[0])


@dataclass(frozen=True)
class Body:
    """A thing with a name, of one piece or several, or a scanned surface."""

    name: str
    pieces: tuple[Piece, ...]
    surface: LaidSurface | None = None

    def moved(self, move: Placed) -> "Body":
        """Return it after a move."""
        surface = None if self.surface is None else self.surface.moved(move)
        return Body(self.name, tuple(piece.moved(move) for piece in self.pieces), surface)

    @cached_property
    def mark(self) -> Hashable:
        """Tells it from every other body that is made or stands otherwise, whatever its name."""
        return tuple(piece.mark for piece in self.pieces), None if self.surface is None else self.surface.mark

    @cached_property
    def bounds_mm(self) -> tuple[Floats, Floats]:
        """Least and greatest of x, y and z."""
        if self.surface is not None:
            low, high = self.surface.bounds_mm
            return low.min(axis=0), high.max(axis=0)
        least, greatest = zip(*(piece.bounds_mm for piece in self.pieces), strict=True)
        return np.min(least, axis=0), np.max(greatest, axis=0)


def _facing(along: Floats) -> Floats:
    """A turn that lays x along a direction, y level where it can be."""
    x = along / np.linalg.norm(along)
    level = np.array([-x[1], x[0], 0.0])
    y = level / np.linalg.norm(level) if np.linalg.norm(level) > 1e-9 else np.array([0.0, 1.0, 0.0])
    return np.column_stack([x, y, np.cross(x, y)])


def cylinder_between(end_1_mm: Floats, end_2_mm: Floats, radius_mm: float) -> Piece:
    """Return a cylinder from one end to the other.

    Args:
        end_1_mm: (3,).
        end_2_mm: (3,).
        radius_mm: Above 0.

    Raises:
        ImpossibleInput: If the ends are one point, or there is no radius.

    Source:
        Plain geometry, ends square to the axis.
    """
    along = end_2_mm - end_1_mm
    shape = Cylinder(radius_mm, float(np.linalg.norm(along)))
    return Piece(shape, Placed(turn=_facing(along), at_mm=(end_1_mm + end_2_mm) / 2))


def tube(points_mm: Floats, *, width_mm: float, height_mm: float | None) -> tuple[Piece, ...]:
    """Return a rail or pipe along a line of points: round where it has no height of its own.

    Each leg is carried past a bend by half its section, so that the bend's outside is never less than it is.

    Args:
        points_mm: Its middle line, (n, 3), two points or more.
        width_mm: Outside, level across the leg; the diameter of a round one.
        height_mm: Outside, across the other way.

    Raises:
        ImpossibleInput: If two points in a row are one, or it has no section.

    Source:
        Plain geometry; a mitre reaches half the section times tan(θ/2) past the bend.
    """
    legs = np.diff(points_mm, axis=0)
    lengths = np.linalg.norm(legs, axis=1)
    if not len(legs) or not lengths.all():
        raise ImpossibleInput("leg of the tube", 0.0, "above 0: two points in a row are the same")
    along = legs / lengths[:, None]
    half = max(width_mm, height_mm or 0.0) / 2
    cosines = np.clip(np.sum(along[:-1] * along[1:], axis=1), -1.0, 1.0)
    past = np.concatenate([[0.0], half * np.tan(np.minimum(np.arccos(cosines), math.pi / 2) / 2), [0.0]])
    pieces = []
    for k, direction in enumerate(along):
        start, end = points_mm[k] - past[k] * direction, points_mm[k + 1] + past[k + 1] * direction
        if height_mm is None:
            pieces.append(cylinder_between(start, end, width_mm / 2))
        else:
            shape = Box((float(np.linalg.norm(end - start)), width_mm, height_mm))
            pieces.append(Piece(shape, Placed(turn=_facing(direction), at_mm=(start + end) / 2)))
    return tuple(pieces)
