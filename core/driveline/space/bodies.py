"""Bodies as pieces: boxes, cylinders, balls and meshes, each in a frame of its own."""

import math
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Final, Protocol

import fcl
import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.pose import Placed

FINE_SIDES: Final = 256  # where that is not near enough
ROUND_SIDES: Final = 32  # of the prism that stands for a cylinder where only flats serve
Faces = NDArray[np.int32]


def _prism_faces(sides: int) -> Faces:
    """Of two rings of corners, one after the other."""
    found = []
    for k in range(sides):
        after = (k + 1) % sides
        found += [(k, after, sides + after), (k, sides + after, sides + k)]
    for k in range(1, sides - 1):
        found += [(0, k, k + 1), (sides, sides + k + 1, sides + k)]
    return np.array(found, dtype=np.int32)


_PRISM_FACES: Final = _prism_faces(ROUND_SIDES)
_BOX_FACES: Final = np.array(
    [
        face
        for a, b, c, d in ((0, 1, 3, 2), (4, 6, 7, 5), (0, 4, 5, 1), (2, 3, 7, 6), (0, 2, 6, 4), (1, 5, 7, 3))
        for face in ((a, b, c), (a, c, d))
    ],
    dtype=np.int32,
)


class Shape(Protocol):
    """What a piece is made like, about its own middle."""

    @property
    def is_convex(self) -> bool:
        """Whether a straight line between two of its points stays in it."""

    @property
    def corners_mm(self) -> Floats:
        """Points whose hull holds it, (n, 3)."""

    @property
    def seen(self) -> fcl.CollisionGeometry:
        """As the search for distances takes it."""


def _above_nought(**sizes_mm: float) -> None:
    for name, value in sizes_mm.items():
        if not (math.isfinite(value) and value > 0):
            raise ImpossibleInput(name.removesuffix("_mm").replace("_", " "), value, "above 0 mm")


@dataclass(frozen=True)
class Box:
    """A box; whole lengths along its own axes."""

    size_mm: tuple[float, float, float]
    is_convex = True

    def __post_init__(self) -> None:
        _above_nought(**dict(zip(("length_mm", "width_mm", "height_mm"), self.size_mm, strict=True)))

    @cached_property
    def corners_mm(self) -> Floats:
        """The eight corners."""
        signs = np.array([(x, y, z) for x in (-0.5, 0.5) for y in (-0.5, 0.5) for z in (-0.5, 0.5)])
        found: Floats = signs * np.array(self.size_mm)
        return found

    @property
    def seen(self) -> fcl.CollisionGeometry:
        """As the search for distances takes it: twelve triangles."""
        return _model_of(self)

    @property
    def faces(self) -> Faces:
        """Triangles over its corners, (12, 3)."""
        return _BOX_FACES

    def holds(self, point_mm: Floats) -> bool:
        """Say whether a point of its own frame, (3,), is in it."""
        return bool((np.abs(point_mm) <= np.array(self.size_mm) / 2).all())

    @cached_property
    def flats(self) -> tuple[Floats, Floats]:
        """Directions square to its faces, and those along its edges, (3, 3) each."""
        return np.eye(3), np.eye(3)


@dataclass(frozen=True)
class Cylinder:
    """A cylinder along its own x."""

    radius_mm: float
    length_mm: float
    is_convex = True

    def __post_init__(self) -> None:
        _above_nought(radius_mm=self.radius_mm, length_mm=self.length_mm)

    @cached_property
    def corners_mm(self) -> Floats:
        """Of a prism that just holds it."""
        return self.prism_mm(ROUND_SIDES)

    def prism_mm(self, sides: int) -> Floats:
        """Corners of a prism that just holds it, one end's ring after the other's."""
        at = 2 * math.pi * np.arange(sides) / sides
        outer = self.radius_mm / math.cos(math.pi / sides)
        ring = np.column_stack([outer * np.cos(at), outer * np.sin(at)])
        ends = (-self.length_mm / 2, self.length_mm / 2)
        return np.vstack([np.column_stack([np.full(sides, x), ring]) for x in ends])

    @property
    def seen(self) -> fcl.CollisionGeometry:
        """As the search for distances takes it: a prism about it, so that no gap reads too large."""
        return _model_of(self)

    @property
    def faces(self) -> Faces:
        """Triangles over the prism's corners."""
        return _PRISM_FACES

    def holds(self, point_mm: Floats) -> bool:
        """Say whether a point of its own frame, (3,), is in it."""
        x, y, z = point_mm.tolist()
        return bool(abs(x) <= self.length_mm / 2 and math.hypot(y, z) <= self.radius_mm)

    @cached_property
    def flats(self) -> tuple[Floats, Floats]:
        """Directions square to the prism's faces, and those along its edges."""
        at = 2 * math.pi * (np.arange(ROUND_SIDES // 2) + 0.5) / ROUND_SIDES
        sides = np.column_stack([np.zeros(at.size), np.cos(at), np.sin(at)])
        around = np.column_stack([np.zeros(at.size), -np.sin(at), np.cos(at)])
        axis = np.array([[1.0, 0.0, 0.0]])
        return np.vstack([axis, sides]), np.vstack([axis, around])


@dataclass(frozen=True)
class Mesh:
    """A surface of triangles, open or closed."""

    vertices_mm: Floats  # (n, 3)
    faces: Faces  # (m, 3), counted from 0
    is_convex = False

    def __post_init__(self) -> None:
        flat = np.asarray(self.faces)
        if not (len(self.vertices_mm) and len(flat)) or not np.isfinite(self.vertices_mm).all():
            raise ImpossibleInput("mesh", 0.0, "of triangles with finite corners")
        if flat.min() < 0 or flat.max() >= len(self.vertices_mm):  # the search would read past the end
            raise ImpossibleInput(
                "mesh", float(flat.max()), f"of corners counted from 0 to {len(self.vertices_mm) - 1}"
            )

    @property
    def corners_mm(self) -> Floats:
        """Its vertices."""
        return self.vertices_mm

    @cached_property
    def seen(self) -> fcl.CollisionGeometry:
        """As the search for distances takes it: a tree of boxes over its triangles."""
        return _model(self.vertices_mm, self.faces)

    def holds(self, _point_mm: Floats) -> bool:
        """Say no: whether a surface is closed is not known."""
        return False


def _model(vertices_mm: Floats, faces: Faces) -> fcl.CollisionGeometry:
    model = fcl.BVHModel()
    model.beginModel(len(vertices_mm), len(faces))
    model.addSubModel(np.ascontiguousarray(vertices_mm), np.ascontiguousarray(faces))
    model.endModel()
    return model


@lru_cache(maxsize=512)
def _model_of(shape: Box | Cylinder) -> fcl.CollisionGeometry:
    """Its triangles. The library's own boxes and cylinders are not used: their gaps read too large edge to edge."""
    return _model(shape.corners_mm, shape.faces)


@lru_cache(maxsize=64)
def _fine_model_of(shape: Cylinder) -> fcl.CollisionGeometry:
    return _model(shape.prism_mm(FINE_SIDES), _prism_faces(FINE_SIDES))


@dataclass(frozen=True)
class Piece:
    """A shape where it stands."""

    shape: Box | Cylinder | Mesh
    placed: Placed

    def moved(self, move: Placed) -> "Piece":
        """Return it after a move."""
        return Piece(self.shape, self.placed.moved(move))

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
        return fcl.CollisionObject(_fine_model_of(self.shape), fcl.Transform(self.placed.turn, self.placed.at_mm))

    def holds(self, point_mm: Floats) -> bool:
        """Say whether a point, (3,), is in it."""
        return self.shape.holds(self.placed.inverse.points(point_mm))


@dataclass(frozen=True)
class Body:
    """A thing with a name, of one piece or several."""

    name: str
    pieces: tuple[Piece, ...]

    def moved(self, move: Placed) -> "Body":
        """Return it after a move."""
        return Body(self.name, tuple(piece.moved(move) for piece in self.pieces))

    @cached_property
    def bounds_mm(self) -> tuple[Floats, Floats]:
        """Least and greatest of x, y and z."""
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
        raise ImpossibleInput("leg of the tube", 0.0, "above 0 mm: two points in a row are the same")
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
