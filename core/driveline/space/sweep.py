"""A piece carried past another: how near it comes on the way, where, and where it first touches.

Never by samples alone: straight moves of convex pieces are solved by their slopes, all others by how fast a point of
the piece can come nearer.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.distance import Near, nearest
from driveline.space.pose import Placed, move_about, turn_about, turn_vector_rad

TOUCHING_MM: Final = 1e-4
SETTLED_MM: Final = 1e-3
MOST_STEPS: Final = 60
SURE_MM: Final = 0.5  # how close the answer is bracketed where a piece turns or is a mesh
MOST_LOOKS: Final = 150


@dataclass(frozen=True)
class Move:
    """A shift, while everything turns evenly about a point that goes along."""

    shift_mm: Floats  # (3,)
    turn: Floats  # whole, (3, 3)
    about_mm: Floats  # before the move, (3,)

    @cached_property
    def mark(self) -> bytes:
        """Tells it from every other move."""
        return self.shift_mm.tobytes() + self.turn.tobytes() + self.about_mm.tobytes()

    @cached_property
    def turn_vector_rad(self) -> Floats:
        """Axis times angle."""
        return turn_vector_rad(self.turn)

    def part(self, share: float) -> Placed:
        """Return the move as far as a share of it."""
        vector = self.turn_vector_rad
        angle = float(np.linalg.norm(vector))
        turn = turn_about(vector, share * angle) if angle > 0 else np.eye(3)
        return move_about(self.about_mm, shift_mm=share * self.shift_mm, turn=turn)

    def farthest_mm(self, corners_mm: Floats) -> float:
        """Return a length that no point of a hull goes beyond along its way.

        Args:
            corners_mm: Of the hull, before the move, (n, 3).

        Source:
            Arc length at most |t| + θ r, r the greatest distance from the axis's point.
        """
        radius = float(np.linalg.norm(corners_mm - self.about_mm, axis=1).max())
        return float(np.linalg.norm(self.shift_mm)) + float(np.linalg.norm(self.turn_vector_rad)) * radius


@dataclass(frozen=True)
class Swept:
    """What a sweep comes to."""

    near: Near  # the nearest, or at first contact
    at: float  # share of the move there
    contact_at: float | None  # share of the move at which they first touch
    sure_mm: float = 0.0  # the gap may be less by this: it did not settle closer
    looks: int = 1  # that it took


def sweep(first: Piece, second: Piece, move: Move, *, enough_mm: float = math.inf) -> Swept:
    """Return how near a piece comes to another on a move.

    Args:
        first: That moves, where it stands before.
        second: That stays.
        move: Of the first.
        enough_mm: Once it is sure to come no nearer than this, how near it comes is of no interest.

    Source:
        Along a straight move the distance of convex pieces is convex, so that Newton's steps never pass first contact
        and slopes find the least. Else conservative advancement (Mirtich, 1996) and branch and bound on the same bound.
        Worked example install-path-with-lug.
    """
    at_start = nearest(first, second)
    if at_start.gap_mm <= TOUCHING_MM:
        return Swept(at_start, 0.0, 0.0)
    turns = float(np.linalg.norm(move.turn_vector_rad)) > 1e-12

    looks = 1

    def look(share: float) -> Near:
        nonlocal looks
        looks += 1
        return nearest(first.moved(move.part(share)), second)

    if not turns and first.shape.is_convex and second.shape.is_convex:
        return replace(valley(look, at_start, move.shift_mm), looks=looks)
    speed_mm = move.farthest_mm(first.corners_mm)
    found = bracketed(look, at_start, speed_mm, enough_mm)
    if found.near.gap_mm <= SETTLED_MM * 10:
        found = advance(look, at_start, speed_mm)
    return replace(found, looks=looks)


@dataclass(frozen=True)
class _Look:
    """The gap somewhere on a straight move, and its slope there: infinite where they touch."""

    at: float
    near: Near
    slope_mm: float

    @property
    def gap_mm(self) -> float:
        return self.near.gap_mm

    def tangent_mm(self, at: float) -> float:
        """What the gap is at the least elsewhere: it lies above its tangents."""
        return self.gap_mm + self.slope_mm * (at - self.at)


def valley(look: Callable[[float], Near], at_start: Near, shift_mm: Floats) -> Swept:
    """Return the least of a gap that is convex along a straight move, or where it first becomes nought.

    Args:
        look: The gap at a share of the move, its first points on what moves.
        at_start: The same at none of it, above nought.
        shift_mm: The whole move, (3,).

    Source:
        A convex function lies above its tangents, so that Kelley's cutting planes (1960) find the least and Newton's
        steps the root.
    """

    def seen(at: float, near: Near) -> _Look:
        if near.gap_mm <= TOUCHING_MM:
            return _Look(at, near, math.inf)
        return _Look(at, near, float((near.on_first_mm - near.on_second_mm) @ shift_mm) / near.gap_mm)

    low = seen(0.0, at_start)
    if low.slope_mm >= 0:
        return Swept(low.near, 0.0, None)
    high = seen(1.0, look(1.0))
    if high.slope_mm <= 0:
        return Swept(high.near, 1.0, None)
    for _ in range(MOST_STEPS):
        root = low.at - low.gap_mm / low.slope_mm  # there is no contact before it
        crossing = root
        if math.isfinite(high.slope_mm):
            crossing = (high.tangent_mm(0.0) - low.tangent_mm(0.0)) / (low.slope_mm - high.slope_mm)
            best, floor_mm = min(low, high, key=lambda one: one.gap_mm), max(low.tangent_mm(crossing), 0.0)
            if best.gap_mm - floor_mm < SETTLED_MM:
                return Swept(best.near, best.at, None)
        at = min(max(crossing, low.at), high.at, max(root, low.at))
        found = seen(at, look(at))
        if found.gap_mm <= TOUCHING_MM and at <= root:
            return Swept(Near(0.0, found.near.on_first_mm, found.near.on_second_mm), at, at)
        low, high = (found, high) if found.slope_mm < 0 else (low, found)
    best = min(low, high, key=lambda one: one.gap_mm)
    return Swept(best.near, best.at, None, sure_mm=best.gap_mm)


def advance(look: Callable[[float], Near], at_start: Near, speed_mm: float) -> Swept:
    """Return first contact, by steps that can't pass one; there is one.

    Args:
        look: The gap at a share of the move.
        at_start: The same at none of it, above nought.
        speed_mm: A length that no point goes beyond along its way.

    Source:
        Conservative advancement (Mirtich, 1996).
    """
    share, near = 0.0, at_start
    for _ in range(MOST_LOOKS):
        if near.gap_mm <= SETTLED_MM * 10:
            break
        share = min(share + near.gap_mm / speed_mm, 1.0)
        near = look(share)
    return Swept(Near(0.0, near.on_first_mm, near.on_second_mm), share, share)


def bracketed(look: Callable[[float], Near], at_start: Near, speed_mm: float, enough_mm: float) -> Swept:
    """Return the least gap: between two looks it can't be less than both gaps allow.

    Args:
        look: The gap at a share of the move.
        at_start: The same at none of it.
        speed_mm: A length that no point goes beyond along its way.
        enough_mm: Once it is sure to come no nearer than this, how near it comes is of no interest.

    Source:
        Branch and bound on a gap that changes no faster than its points move.
    """
    at_end = look(1.0)
    best, best_at = min((at_start, 0.0), (at_end, 1.0), key=lambda one: one[0].gap_mm)

    def floor_mm(left: tuple[float, float], right: tuple[float, float]) -> float:
        return (left[1] + right[1] - speed_mm * (right[0] - left[0])) / 2

    spans = [(floor_mm((0.0, at_start.gap_mm), (1.0, at_end.gap_mm)), (0.0, at_start.gap_mm), (1.0, at_end.gap_mm))]
    looks = 0
    while spans and looks < MOST_LOOKS:
        spans.sort(key=lambda one: -one[0])
        least_mm, left, right = spans.pop()
        if least_mm >= min(best.gap_mm - SURE_MM, enough_mm):
            return Swept(best, best_at, None, sure_mm=max(best.gap_mm - least_mm, 0.0))
        share = (left[0] + right[0]) / 2
        near, looks = look(share), looks + 1
        if near.gap_mm < best.gap_mm:
            best, best_at = near, share
        middle = (share, near.gap_mm)
        spans += [(floor_mm(left, middle), left, middle), (floor_mm(middle, right), middle, right)]
    least_mm = min((one[0] for one in spans), default=best.gap_mm)
    return Swept(best, best_at, None, sure_mm=max(best.gap_mm - least_mm, 0.0))
