"""A scanned surface: very many triangles in blocks, so that only those near are ever looked at."""

from collections.abc import Hashable, Iterator
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.pose import AS_IS, Placed
from driveline.space.shapes import NUMBERS, Faces

BLOCK: Final = 1024  # triangles
Singles = NDArray[np.float32]
Spans = NDArray[np.int64]


@dataclass(frozen=True, eq=False)
class Surface:
    """Triangles in blocks that lie close together, in the frame and unit of the scan, from its middle."""

    vertices: Singles  # (n, 3), block after block
    faces: Faces  # (m, 3), counted from their block's first vertex
    spans: Spans  # (b, 5): first vertex and past the last, first face and past the last, 1 where it is specks
    middle: Floats  # (3,), of the whole
    mark: int = field(init=False, default_factory=NUMBERS.__next__)

    def corners(self, block: int) -> Floats:
        """Return a block's triangles, (k, 3, 3), from the scan's own origin."""
        first, past, face, past_face, _ = self.spans[block].tolist()
        vertices = np.asarray(self.vertices[first:past], dtype=np.float64) + self.middle
        found: Floats = vertices[self.faces[face:past_face]]
        return found

    @cached_property
    def unlaid(self) -> dict[float, "LaidSurface"]:
        """Itself in mm, by its scale, in its own frame."""
        return {}

    @cached_property
    def bounds(self) -> Floats:
        """Least and greatest of x, y and z of each block, (b, 2, 3), from the scan's own origin."""
        found = [(part.min(axis=0), part.max(axis=0)) for part in (self.vertices[a:b] for a, b, *_ in self.spans)]
        return np.array(found, dtype=np.float64) + self.middle

    @property
    def count(self) -> int:
        """How many triangles it has."""
        return len(self.faces)


def in_blocks(vertices: Floats, faces: Faces, *, most: int = BLOCK, specks: NDArray[np.bool_] | None = None) -> Surface:
    """Return a surface cut into blocks.

    Args:
        vertices: (n, 3), in any unit.
        faces: (m, 3), counted from 0.
        most: Triangles in a block.
        specks: Which triangles are of small bits by themselves, (m,): those come in blocks of their own.

    Raises:
        ImpossibleInput: If there are none, a corner is not finite, or a face names a corner that is not there.

    Source:
        Halved at the median of the middles of the triangles, along the longest side, until small enough.
    """
    if not (len(vertices) and len(faces)) or not np.isfinite(vertices).all():
        raise ImpossibleInput("mesh", 0.0, "of triangles with finite corners")
    if faces.min() < 0 or faces.max() >= len(vertices):
        raise ImpossibleInput("mesh", float(faces.max()), f"of corners counted from 0 to {len(vertices) - 1}")
    middle = (vertices.min(axis=0) + vertices.max(axis=0)) / 2
    middles = vertices[faces].mean(axis=1)
    parts, own_faces, spans = [], [], []
    vertex = face = 0
    apart = np.zeros(len(faces), dtype=np.bool_) if specks is None else specks
    blocks = [
        (block, is_speck)
        for is_speck in (False, True)
        for block in halved(middles, np.flatnonzero(apart == is_speck), most)
    ]
    for block, is_speck in blocks:
        used, local = np.unique(faces[block], return_inverse=True)
        parts.append((vertices[used] - middle).astype(np.float32))
        own_faces.append(local.reshape(-1, 3).astype(np.int32))
        spans.append((vertex, vertex + len(used), face, face + len(block), int(is_speck)))
        vertex, face = vertex + len(used), face + len(block)
    return Surface(np.vstack(parts), np.vstack(own_faces), np.array(spans, dtype=np.int64), middle)


def halved(middles: Floats, here: NDArray[np.int64], most: int) -> Iterator[NDArray[np.int64]]:
    """Return which triangles lie together.

    Args:
        middles: Of all triangles, (m, 3).
        here: Those to part, (k,).
        most: In a part.
    """
    waiting = [here] if len(here) else []
    while waiting:
        some = waiting.pop()
        if len(some) <= most:
            yield some
            continue
        side = int(np.ptp(middles[some], axis=0).argmax())
        order = np.argpartition(middles[some, side], len(some) // 2)
        waiting += [some[order[len(some) // 2 :]], some[order[: len(some) // 2]]]


@dataclass(frozen=True, eq=False)
class LaidSurface:
    """A surface where it stands; ``scale`` turns its unit into mm."""

    surface: Surface
    scale: float
    placed: Placed
    noise_mm: float = 0.0  # it is taken thicker by this, either side
    chosen: NDArray[np.int64] | None = None  # of its blocks; None: all

    @cached_property
    def mark(self) -> Hashable:
        """Tells it from every other surface, and from this one where it stands or counts otherwise."""
        return self.surface.mark, self.scale, self.placed.mark, self.noise_mm, self.blocks.tobytes()

    def moved(self, move: Placed) -> "LaidSurface":
        """Return it after a move."""
        return replace(self, placed=self.placed.moved(move))

    def without_specks(self) -> "LaidSurface":
        """Return it without the small bits that touch nothing else of it."""
        return replace(self, chosen=self.blocks[self.surface.spans[self.blocks, 4] == 0])

    def thicker(self, noise_mm: float) -> "LaidSurface":
        """Return it taken thicker by so much either side; what was looked at of it goes with it.

        Args:
            noise_mm: What its triangles may be out.

        Source:
            Every gap to it is less by that.
        """
        found = replace(self, noise_mm=noise_mm)._seen_as(self)
        found.__dict__["bounds_mm"] = self.bounds_mm
        return found

    def in_its_own_frame(self) -> "LaidSurface":
        """Return it where the scan has its origin: what is looked at of it there is kept, wherever it is laid."""
        whole = self.surface.unlaid.setdefault(self.scale, LaidSurface(self.surface, self.scale, AS_IS))
        return replace(whole, chosen=self.chosen)._seen_as(whole)

    def _seen_as(self, other: "LaidSurface") -> "LaidSurface":
        """Share what was looked at of another, which stands where this one does."""
        self.__dict__.update(_kept=other._kept, _kept_bounds=other._kept_bounds)
        return self

    @cached_property
    def blocks(self) -> NDArray[np.int64]:
        """The blocks that count."""
        return np.arange(len(self.surface.spans)) if self.chosen is None else self.chosen

    @cached_property
    def bounds_mm(self) -> tuple[Floats, Floats]:
        """Least and greatest of x, y and z of each block as it stands, (b, 3) each: never less than it is."""
        own = self.surface.bounds[self.blocks] * self.scale
        middle, half = own.mean(axis=1), (own[:, 1] - own[:, 0]) / 2
        at, reach = self.placed.points(middle), half @ np.abs(self.placed.turn).T
        return at - reach, at + reach

    @cached_property
    def _kept(self) -> dict[int, Floats]:  # by block
        return {}

    @cached_property
    def _kept_bounds(self) -> dict[int, tuple[Floats, Floats]]:
        return {}

    def triangles_mm(self, block: int) -> Floats:
        """Return the triangles of the k-th of its blocks as they stand, (m, 3, 3). Kept once looked at."""
        number = int(self.blocks[block])
        found = self._kept.get(number)
        if found is None:
            own = self.surface.corners(number) * self.scale
            found = self._kept[number] = self.placed.points(own.reshape(-1, 3)).reshape(-1, 3, 3)
        return found

    def cropped(self, low_mm: Floats, high_mm: Floats) -> "LaidSurface | None":
        """Return what of it may reach into a box, or ``None``.

        Args:
            low_mm: Of the box, (3,).
            high_mm: The same.

        Source:
            Bounds of its blocks along the axes.
        """
        low, high = self.bounds_mm
        near = np.flatnonzero(((low <= high_mm) & (high >= low_mm)).all(axis=1))
        if not near.size:
            return None
        return replace(self, chosen=self.blocks[near])._seen_as(self)

    def within(self, low_mm: Floats, high_mm: Floats) -> Floats:
        """Return the triangles that may reach into a box, (m, 3, 3).

        Args:
            low_mm: Of the box, (3,).
            high_mm: The same.

        Source:
            Bounds along the axes.
        """
        low, high = self.bounds_mm
        near = np.flatnonzero(((low <= high_mm) & (high >= low_mm)).all(axis=1))
        if not near.size:
            return np.zeros((0, 3, 3))
        found = []
        for k in near.tolist():
            triangles, (least, most) = self.triangles_mm(k), self.triangle_bounds_mm(k)
            found.append(triangles[(least <= high_mm).all(axis=1) & (most >= low_mm).all(axis=1)])
        return np.concatenate(found)

    def triangle_bounds_mm(self, block: int) -> tuple[Floats, Floats]:
        """Return least and greatest of x, y and z of each triangle of a block, (m, 3) each. Kept once looked at."""
        number = int(self.blocks[block])
        found = self._kept_bounds.get(number)
        if found is None:
            triangles = self.triangles_mm(block)
            found = self._kept_bounds[number] = (triangles.min(axis=1), triangles.max(axis=1))
        return found
