"""A convex piece carried past a scanned surface: how near it comes on the way, and where it first touches."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.distance import Near
from driveline.space.on_surface import hull_of, nearest_on, touching_spans
from driveline.space.pose import AS_IS
from driveline.space.surface import LaidSurface
from driveline.space.sweep import SETTLED_MM, TOUCHING_MM, Move, Swept, advance, bracketed

POINT_MM: Final = 0.05  # half the size of what stands for a point
FAR_MM: Final = 1e4
_ABOUT: Final = POINT_MM * np.array([[1.0, 0, 0], [-0.5, 0.8, 0.5], [-0.5, -0.8, -0.5]])


def sweep_past(piece: Piece, surface: LaidSurface, move: Move, *, enough_mm: float) -> Swept | None:
    """Return how near a convex piece comes to a surface on a move; ``None`` where never within ``enough_mm``.

    Args:
        piece: Where it stands before.
        surface: That stays.
        move: Of the piece.
        enough_mm: Farther is of no interest.

    Source:
        Along a straight move a convex piece sweeps the hull of both ends, and meets each triangle in one span of it.
        Where it turns, conservative advancement, and branch and bound on the same bound.
    """
    if float(np.linalg.norm(move.turn_vector_rad)) <= 1e-12:
        return _straight(piece, surface, move.shift_mm, enough_mm)
    return _turning(piece, surface, move, enough_mm)


def _straight(piece: Piece, surface: LaidSurface, shift_mm: Floats, enough_mm: float) -> Swept | None:
    swept = hull_of(piece, (AS_IS, Move(shift_mm, np.eye(3), np.zeros(3)).part(1.0)))
    near = nearest_on(swept, surface, within_mm=enough_mm)
    if near is None:
        return None
    at = _share_at(piece, near.on_first_mm, shift_mm)
    if near.gap_mm > TOUCHING_MM:
        return Swept(near, at, None)
    low, high = swept.bounds_mm
    first, last = touching_spans(piece, surface.within(low, high), shift_mm)
    ahead = (last >= 0) & (first <= 1)
    contact = float(np.clip(first[ahead].min(), 0.0, 1.0)) if ahead.any() else at  # else only what it may be out
    return Swept(Near(0.0, near.on_first_mm, near.on_second_mm), contact, contact)


def _share_at(piece: Piece, point_mm: Floats, shift_mm: Floats) -> float:
    """The first share of a straight move at which the piece holds a point of what it sweeps."""
    first, last = touching_spans(piece, (point_mm + _ABOUT)[None], shift_mm)
    return float(np.clip(first[0], 0.0, 1.0)) if first.size and last[0] >= 0 else 0.0


def _turning(piece: Piece, surface: LaidSurface, move: Move, enough_mm: float) -> Swept | None:
    speed_mm = move.farthest_mm(piece.corners_mm)
    reach = min(enough_mm, FAR_MM) + surface.noise_mm + speed_mm
    low, high = piece.bounds_mm
    near_it = surface.cropped(low - reach, high + reach)
    if near_it is None:
        return None
    looks = 0

    def look(share: float) -> Near:
        nonlocal looks
        looks += 1
        found = nearest_on(piece.moved(move.part(share)), near_it)
        assert found is not None
        return found

    at_start = look(0.0)
    if at_start.gap_mm <= TOUCHING_MM:
        return Swept(at_start, 0.0, 0.0)
    found = bracketed(look, at_start, speed_mm, enough_mm)
    if found.near.gap_mm <= SETTLED_MM * 10:
        found = advance(look, at_start, speed_mm)
    return Swept(found.near, found.at, found.contact_at, found.sure_mm, looks)
