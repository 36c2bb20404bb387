"""How near a convex piece comes to a scanned surface, how deep it stands in it, and where it first touches on its way.

A surface is triangles, open or closed: what lies behind one, wholly and without crossing it, is not known to be in it.
"""

from collections.abc import Sequence
from typing import Final

import fcl
import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.distance import Near, bounds_apart_mm
from driveline.space.pose import Placed
from driveline.space.shapes import Cylinder, Hull, model_of
from driveline.space.surface import LaidSurface

BATCH: Final = 6  # blocks taken up at a time, the nearest first
MANY: Final = 1000  # triangles: from there their edges are small against a piece
FEW: Final = 24  # triangles looked at first, to know how near it is at the most
FIRST_REACH_MM: Final = 15.0
DEEPEST_MM: Final = 150.0  # deeper is not told apart: no cut and no shift mends it
HULL_SIDES: Final = 128
_STANDS: Final = fcl.Transform(np.eye(3), np.zeros(3))


def nearest_on(piece: Piece, surface: LaidSurface, *, within_mm: float = np.inf, is_deep: bool = True) -> Near | None:
    """Return how near a convex piece comes to a surface; ``None`` where it is more than ``within_mm``.

    Args:
        piece: A box, a cylinder or a hull.
        surface: Where it stands.
        within_mm: Farther is of no interest.
        is_deep: How deep it stands in it is asked too; where it is not, an overlap is as deep as the surface may be
            out, at the least.

    Returns:
        The gap, less what the surface may be out, and the nearest points, the piece's first; with ``depth_mm`` where
        they overlap.

    Source:
        Every triangle whose bound lets it come nearer than the best so far is tried; a round piece as a prism of 256
        sides about it, so that no gap reads too large. Against brute force in the tests.
    """
    stands = surface.placed
    found = _to_triangles(piece.moved(stands.inverse), surface.in_its_own_frame(), within_mm + surface.noise_mm)
    if found is None:
        return None
    spare = found.gap_mm - surface.noise_mm
    deep = max(-spare, 0.0)
    if found.gap_mm <= 0 and is_deep:
        deep = depth_mm(piece, surface) + surface.noise_mm
    on_first, on_second = stands.points(found.on_first_mm), stands.points(found.on_second_mm)
    return Near(max(spare, 0.0), on_first, on_second, deep, surface.noise_mm)


def _to_triangles(piece: Piece, surface: LaidSurface, within_mm: float) -> Near | None:
    apart = bounds_apart_mm(surface.bounds_mm, piece.bounds_mm)
    order = np.argsort(apart)
    best: Near | None = None
    for start in range(0, len(order), BATCH):
        limit_mm = within_mm if best is None else best.gap_mm
        batch = [int(k) for k in order[start : start + BATCH] if apart[k] <= limit_mm]
        if not batch:
            break
        triangles = np.concatenate([surface.triangles_mm(k) for k in batch])
        low, high = (np.concatenate(side) for side in zip(*map(surface.triangle_bounds_mm, batch), strict=True))
        found = _nearest_of(piece, triangles, bounds_apart_mm((low, high), piece.bounds_mm), limit_mm)
        if found is not None and found.gap_mm <= 0:
            return found
        best = found if found is not None and (best is None or found.gap_mm < best.gap_mm) else best
    return best


def _nearest_of(piece: Piece, triangles_mm: Floats, apart_mm: Floats, limit_mm: float) -> Near | None:
    """The nearest of some triangles, each with how far its bounds are off the piece's at the least."""
    first: Near | None = None
    if len(apart_mm) > FEW:  # those few tell which of all others need no closer look
        first = _searched(piece, triangles_mm[np.argpartition(apart_mm, FEW)[:FEW]])
        limit_mm = min(limit_mm, first.gap_mm)
    near = np.flatnonzero(apart_mm <= limit_mm)
    own = piece.placed.inverse.points(triangles_mm[near].reshape(-1, 3)).reshape(-1, 3, 3)
    floor = piece.shape.floor_mm(own)  # type: ignore[union-attr]
    is_near = floor <= limit_mm
    near, own, floor = near[is_near], own[is_near], floor[is_near]
    if not near.size:
        return first if first is not None and first.gap_mm <= limit_mm else None
    inside = floor <= 0
    held = piece.shape.holds(own[inside].reshape(-1, 3))
    if held.any():
        at = triangles_mm[near[inside]].reshape(-1, 3)[held][0]
        return Near(0.0, at, at)
    order = np.argsort(floor)
    best = _searched(piece, triangles_mm[near[order[:FEW]]])
    rest = order[FEW:][floor[order[FEW:]] < best.gap_mm]
    if rest.size and best.gap_mm > 0:
        best = min(best, _searched(piece, triangles_mm[near[rest]]), key=lambda one: one.gap_mm)
    if first is not None and first.gap_mm < best.gap_mm:
        best = first
    return best if best.gap_mm <= limit_mm else None


def _searched(piece: Piece, triangles_mm: Floats) -> Near:
    corners = np.ascontiguousarray(triangles_mm.reshape(-1, 3))
    faces = np.arange(len(corners), dtype=np.int32).reshape(-1, 3)
    result = fcl.DistanceResult()
    model = fcl.CollisionObject(model_of(corners, faces), _STANDS)
    gap = fcl.distance(piece.seen_finely, model, fcl.DistanceRequest(enable_nearest_points=True), result)
    if gap <= 0:
        middle = triangles_mm.mean(axis=(0, 1))
        return Near(0.0, middle, middle)
    on_piece, on_surface = (np.asarray(one) for one in result.nearest_points)
    return Near(float(np.linalg.norm(on_piece - on_surface)), on_piece, on_surface)


def touching_spans(piece: Piece, triangles_mm: Floats, way: Floats) -> tuple[Floats, Floats]:
    """Return from and to which share of a straight way a convex piece meets triangles, (k,) each: of those it meets.

    Args:
        piece: Where it stands before.
        triangles_mm: (m, 3, 3).
        way: The whole of it, forward and back, (3,).

    Returns:
        Where more than a thousand are met, each as if a little larger than it is, by less than its size.

    Source:
        Separating axes of convex bodies in straight motion (Gottschalk, 1996): they meet while every axis overlaps.
    """
    corners = piece.corners_mm
    normals, edges = (piece.placed.directions(one) for one in piece.shape.flats)  # type: ignore[union-attr]
    spans = _Spans(triangles_mm, way)
    for normal in normals:
        spans.cut(normal[None], corners)
    for k in range(3) if len(spans.triangles) <= MANY else ():
        for edge in edges:
            sides = spans.triangles[:, (k + 1) % 3] - spans.triangles[:, k]
            spans.cut(np.cross(sides, edge), corners)
    first, second, third = spans.triangles.transpose(1, 0, 2)
    spans.cut(np.cross(second - first, third - first), corners)
    return spans.first, spans.last


class _Spans:
    """Triangles that may be met, and when."""

    def __init__(self, triangles_mm: Floats, way: Floats) -> None:
        self.triangles, self.way = triangles_mm, way
        self.first, self.last = np.full(len(triangles_mm), -np.inf), np.full(len(triangles_mm), np.inf)

    def cut(self, axes: Floats, corners_mm: Floats) -> None:
        """Leave of each span what an axis of its own, (m, 3), or of all, (1, 3), lets overlap; drop what is empty."""
        # By columns: over rows of three or eight, NumPy's least and greatest take many times as long.
        a, b, c = ((self.triangles[:, k] * axes).sum(axis=1) for k in range(3))
        own = corners_mm @ axes.T
        ahead = np.minimum(np.minimum(a, b), c) - own.max(axis=0)
        behind = np.maximum(np.maximum(a, b), c) - own.min(axis=0)
        speed = axes @ self.way
        still = np.abs(speed) <= 1e-12 * np.abs(axes).max(initial=0.0)
        with np.errstate(divide="ignore", invalid="ignore"):
            one, other = ahead / speed, behind / speed
        apart = still & ((ahead > 1e-9) | (behind < -1e-9))
        enter = np.where(still, np.where(apart, np.inf, -np.inf), np.minimum(one, other))
        leave = np.where(still, np.inf, np.maximum(one, other))
        self.first, self.last = np.maximum(self.first, enter), np.minimum(self.last, leave)
        met = self.first <= self.last
        self.triangles, self.first, self.last = self.triangles[met], self.first[met], self.last[met]


def depth_mm(piece: Piece, surface: LaidSurface) -> float:
    """Return the least straight move along the vehicle's axes that brings a convex piece clear of a surface, mm.

    Of one that stands in it deeper than ``DEEPEST_MM`` at least so much.

    Args:
        piece: Where it stands.
        surface: The same; all of it counts, also what the piece would meet on its way out.

    Source:
        The spans in which each triangle is met, joined from where it stands outward; the shortest way so far is the one
        looked at farther, since more of the surface never shortens a way.
    """
    own, inner, axes = surface.in_its_own_frame(), piece.moved(surface.placed.inverse), surface.placed.turn
    low, high = inner.bounds_mm
    reach_mm = np.full(3, FIRST_REACH_MM)

    def way_out(k: int) -> float:
        """Return how far it is at the least, exactly so where that is no farther than the reach."""
        reach = reach_mm[k] * np.abs(axes[k])
        return _way_out_mm(inner, own.within(low - reach, high + reach), axes[k])

    least_mm = np.array([way_out(k) for k in range(3)])
    while True:
        k = int(least_mm.argmin())
        if least_mm[k] <= reach_mm[k] or reach_mm[k] >= DEEPEST_MM:
            return float(least_mm[k])
        reach_mm[k] = min(max(least_mm[k], 2 * reach_mm[k]), DEEPEST_MM)
        least_mm[k] = way_out(k)


def _way_out_mm(piece: Piece, triangles_mm: Floats, axis: Floats) -> float:
    first, last = touching_spans(piece, triangles_mm, axis)
    return min(_end_of(first, last), _end_of(-last, -first))


def _end_of(first: Floats, last: Floats) -> float:
    """Where the spans that hang together from nought end."""
    order = np.argsort(first)
    end = np.maximum.accumulate(np.maximum(last[order], 0.0))
    begin = np.append(first[order], np.inf)
    broken = begin > np.concatenate([[0.0], end])
    k = int(broken.argmax())
    return float(end[k - 1]) if k else 0.0


def hull_of(piece: Piece, moves: Sequence[Placed]) -> Piece:
    """Return what a piece passes through on straight ways between places: of any two of them, all between.

    Args:
        piece: Where it stands.
        moves: From there, each.

    Source:
        A convex body carried along straight ways between places sweeps their convex hull at the most, exactly so where
        the places are the ends of one way or the corners of a parallelogram. A round piece is a prism about it.
    """
    shape = piece.shape
    own = shape.prism_mm(HULL_SIDES) if isinstance(shape, Cylinder) else shape.corners_mm
    stands = piece.placed.points(own)
    return Piece(Hull(np.vstack([move.points(stands) for move in moves])), Placed(np.eye(3), np.zeros(3)))
