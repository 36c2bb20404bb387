"""Round pieces to their true surface: what is found with prisms about them is brought onto both by projections."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.shapes import Box, Cylinder

SETTLED_MM: Final = 1e-6
ROUNDING: Final = 1e-13  # of the places' own size: no step tells less
MOST_STEPS: Final = 24


def sharpened(first: Piece, second: Piece, on_first_mm: Floats, on_second_mm: Floats) -> tuple[Floats, Floats] | None:
    """Return the nearest points of two convex pieces that stand apart, from points close to them.

    Args:
        first: A box or a cylinder.
        second: The same.
        on_first_mm: A start, (3,).
        on_second_mm: The same.

    Returns:
        Both points, or ``None`` where it did not settle.

    Source:
        Alternating projections (Cheney and Goldstein, 1959); settled when the plane between proves the distance from
        below, to a millionth of a mm.
    """
    p, q = on_first_mm, on_second_mm
    rounding = ROUNDING * float(np.abs([p, q]).max())
    for _ in range(MOST_STEPS):
        q = _projected(second, p)
        p = _projected(first, q)
        between = p - q
        apart = float(np.linalg.norm(between))
        if apart == 0:
            return None
        normal = between / apart
        proved = -_reach(first, -normal) - _reach(second, normal)
        if apart - proved < SETTLED_MM + rounding:
            return p, q
    return None


def _projected(piece: Piece, point_mm: Floats) -> Floats:
    """The point of a piece that is nearest to another point."""
    own = (point_mm - piece.placed.at_mm) @ piece.placed.turn
    shape = piece.shape
    if isinstance(shape, Box):
        half = np.array(shape.size_mm) / 2
        own = np.clip(own, -half, half)
    else:
        assert isinstance(shape, Cylinder)
        out = float(np.hypot(own[1], own[2]))
        factor = min(shape.radius_mm / out, 1.0) if out > 0 else 1.0
        half_length = shape.length_mm / 2
        own = np.array([min(max(own[0], -half_length), half_length), own[1] * factor, own[2] * factor])
    found: Floats = piece.placed.turn @ own + piece.placed.at_mm
    return found


def _reach(piece: Piece, direction: Floats) -> float:
    """How far a piece goes along a direction, from the origin."""
    own = direction @ piece.placed.turn
    shape = piece.shape
    if isinstance(shape, Box):
        far = float(np.abs(own) @ np.array(shape.size_mm)) / 2
    else:
        assert isinstance(shape, Cylinder)
        far = abs(float(own[0])) * shape.length_mm / 2 + shape.radius_mm * float(np.hypot(own[1], own[2]))
    return float(direction @ piece.placed.at_mm) + far
