"""What a piece may be made like: a box, a cylinder, a hull or a mesh, each in a frame of its own."""

import math
from collections.abc import Hashable
from dataclasses import dataclass, field
from functools import cached_property, lru_cache
from itertools import count
from typing import Final, Protocol

import fcl
import numpy as np
from numpy.typing import NDArray
from scipy.spatial import ConvexHull

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput

FINE_SIDES: Final = 256  # where that is not near enough
ROUND_SIDES: Final = 32  # of the prism that stands for a cylinder where only flats serve
NUMBERS: Final = count()  # what is told apart by a number of its own: it has too many corners to go by them
Faces = NDArray[np.int32]
Flags = NDArray[np.bool_]


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
    def mark(self) -> Hashable:
        """Tells it from every shape of other sizes."""

    @property
    def corners_mm(self) -> Floats:
        """Points whose hull holds it, (n, 3)."""

    @property
    def seen(self) -> fcl.CollisionGeometry:
        """As the search for distances takes it."""

    def holds(self, points_mm: Floats) -> Flags:
        """Say which points of its own frame, (n, 3), are in it."""


def _above_nought(**sizes_mm: float) -> None:
    for name, value in sizes_mm.items():
        if not (math.isfinite(value) and value > 0):
            raise ImpossibleInput(name.removesuffix("_mm").replace("_", " "), value, "above 0")


@dataclass(frozen=True)
class Box:
    """A box; whole lengths along its own axes."""

    size_mm: tuple[float, float, float]
    is_convex = True

    def __post_init__(self) -> None:
        _above_nought(**dict(zip(("length_mm", "width_mm", "height_mm"), self.size_mm, strict=True)))

    @property
    def mark(self) -> Hashable:
        """Its sizes."""
        return self.size_mm

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

    def holds(self, points_mm: Floats) -> Flags:
        """Say which points of its own frame, (n, 3), are in it."""
        return np.asarray((np.abs(points_mm) <= np.array(self.size_mm) / 2).all(axis=1), dtype=np.bool_)

    def floor_mm(self, triangles_mm: Floats) -> Floats:
        """Return what triangles of its own frame, (n, 3, 3), are off it at the least, (n,)."""
        half = np.array(self.size_mm) / 2
        off = np.maximum(triangles_mm.min(axis=1) - half, -half - triangles_mm.max(axis=1))
        return np.asarray(np.linalg.norm(np.maximum(off, 0.0), axis=1), dtype=np.float64)

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

    @property
    def mark(self) -> Hashable:
        """Its sizes."""
        return self.radius_mm, self.length_mm

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

    def holds(self, points_mm: Floats) -> Flags:
        """Say which points of its own frame, (n, 3), are in it."""
        x, y, z = points_mm.T
        found: Flags = (np.abs(x) <= self.length_mm / 2) & (np.hypot(y, z) <= self.radius_mm)
        return found

    def floor_mm(self, triangles_mm: Floats) -> Floats:
        """Return what triangles of its own frame, (n, 3, 3), are off it at the least, (n,)."""
        low, high = triangles_mm.min(axis=1), triangles_mm.max(axis=1)
        off = np.maximum(np.maximum(low, -high), 0.0)  # of each axis's middle
        along = np.maximum(off[:, 0] - self.length_mm / 2, 0.0)
        across = np.maximum(np.hypot(off[:, 1], off[:, 2]) - self.radius_mm, 0.0)
        return np.asarray(np.hypot(along, across), dtype=np.float64)

    @cached_property
    def flats(self) -> tuple[Floats, Floats]:
        """Directions square to the prism's faces, and those along its edges."""
        at = 2 * math.pi * (np.arange(ROUND_SIDES // 2) + 0.5) / ROUND_SIDES
        sides = np.column_stack([np.zeros(at.size), np.cos(at), np.sin(at)])
        around = np.column_stack([np.zeros(at.size), -np.sin(at), np.cos(at)])
        axis = np.array([[1.0, 0.0, 0.0]])
        return np.vstack([axis, sides]), np.vstack([axis, around])


@dataclass(frozen=True, eq=False)
class Hull:
    """What a cord round points would hold."""

    points_mm: Floats  # (n, 3), not all in one plane
    mark: int = field(init=False, default_factory=NUMBERS.__next__)
    is_convex = True

    def __post_init__(self) -> None:
        if not np.isfinite(self.points_mm).all() or np.linalg.matrix_rank(self.points_mm - self.points_mm[0]) < 3:
            raise ImpossibleInput("hull", 0.0, "of points that are not all in one plane")

    @cached_property
    def _made(self) -> ConvexHull:
        return ConvexHull(self.points_mm)

    @cached_property
    def corners_mm(self) -> Floats:
        """Those of its points that stand out."""
        found: Floats = self.points_mm[self._made.vertices]
        return found

    @cached_property
    def planes(self) -> tuple[Floats, Floats]:
        """Unit normals outward, (p, 3), and how far each plane is out, (p,)."""
        found = self._made.equations
        normals: Floats = found[:, :3]
        return normals, (self.corners_mm @ normals.T).max(axis=0)

    @property
    def faces(self) -> Faces:
        """Triangles over its corners."""
        at = np.zeros(len(self.points_mm), dtype=np.int32)
        at[self._made.vertices] = np.arange(len(self._made.vertices))
        found: Faces = at[self._made.simplices]
        return found

    @cached_property
    def seen(self) -> fcl.CollisionGeometry:
        """As the search for distances takes it: its triangles."""
        return model_of(self.corners_mm, self.faces)

    def holds(self, points_mm: Floats) -> Flags:
        """Say which points of its own frame, (n, 3), are in it."""
        normals, out_mm = self.planes
        return np.asarray((points_mm @ normals.T <= out_mm).all(axis=1), dtype=np.bool_)

    def floor_mm(self, triangles_mm: Floats) -> Floats:
        """Return what triangles of its own frame, (n, 3, 3), are off it at the least, (n,)."""
        normals, out_mm = self.planes
        off = (triangles_mm @ normals.T).min(axis=1) - out_mm
        return np.asarray(np.maximum(off.max(axis=1), 0.0), dtype=np.float64)

    @cached_property
    def flats(self) -> tuple[Floats, Floats]:
        """Directions square to its faces, and along the vehicle's axes in place of its many edges."""
        return self.planes[0], np.eye(3)


@dataclass(frozen=True, eq=False)
class Mesh:
    """A surface of triangles, open or closed."""

    vertices_mm: Floats  # (n, 3)
    faces: Faces  # (m, 3), counted from 0
    mark: int = field(init=False, default_factory=NUMBERS.__next__)
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
        return model_of(self.vertices_mm, self.faces)

    def holds(self, points_mm: Floats) -> Flags:
        """Say no of any point: whether a surface is closed is not known."""
        return np.zeros(len(points_mm), dtype=np.bool_)


def model_of(vertices_mm: Floats, faces: Faces) -> fcl.CollisionGeometry:
    """Return triangles as the search for distances takes them.

    Args:
        vertices_mm: (n, 3), finite.
        faces: (m, 3), counted from 0, each below n: the search itself looks at none of it.

    Source:
        A tree of boxes over triangles, as in the flexible collision library.
    """
    model = fcl.BVHModel()
    model.beginModel(len(vertices_mm), len(faces))
    model.addSubModel(np.ascontiguousarray(vertices_mm), np.ascontiguousarray(faces))
    model.endModel()
    return model


@lru_cache(maxsize=512)
def _model_of(shape: Box | Cylinder) -> fcl.CollisionGeometry:
    """Its triangles. The library's own boxes and cylinders are not used: their gaps read too large edge to edge."""
    return model_of(shape.corners_mm, shape.faces)


@lru_cache(maxsize=64)
def fine_model_of(shape: Cylinder) -> fcl.CollisionGeometry:
    """Return a cylinder as a prism of many sides about it."""
    return model_of(shape.prism_mm(FINE_SIDES), _prism_faces(FINE_SIDES))
