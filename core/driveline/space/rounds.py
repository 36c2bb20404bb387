"""Round pieces to their true surface: what is found with prisms about them is brought onto both by projections."""

import math
from collections.abc import Callable
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.shapes import Box, Cylinder

SETTLED_MM: Final = 1e-6
ROUNDING: Final = 1e-13  # of the places' own size: no step tells less
MOST_STEPS: Final = 300  # of some microseconds each; a finer search takes as long as some thousands
Point = tuple[float, float, float]


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
    p, q = _point(on_first_mm), _point(on_second_mm)
    first_projected, first_reach = _plain(first)
    second_projected, second_reach = _plain(second)
    rounding = ROUNDING * max(abs(one) for one in (*p, *q))
    for _ in range(MOST_STEPS):
        q = second_projected(p)
        p = first_projected(q)
        apart = math.dist(p, q)
        if apart == 0:
            return None
        x, y, z = ((one - other) / apart for one, other in zip(p, q, strict=True))
        proved = -first_reach((-x, -y, -z)) - second_reach((x, y, z))
        if apart - proved < SETTLED_MM + rounding:
            return np.array(p), np.array(q)
    return None


def _point(place_mm: Floats) -> Point:
    x, y, z = place_mm.tolist()
    return x, y, z


def _plain(piece: Piece) -> tuple[Callable[[Point], Point], Callable[[Point], float]]:
    """The point of a piece that is nearest to another, and how far it goes along a direction, from the origin.

    Plain figures: of three numbers an array takes ten times as long, and a sweep asks thousands of times.
    """
    (a, b, c), (d, e, f), (g, h, i) = piece.placed.turn.tolist()
    at_x, at_y, at_z = piece.placed.at_mm.tolist()
    shape = piece.shape
    is_box, radius = isinstance(shape, Box), 0.0
    if isinstance(shape, Box):
        half_x, half_y, half_z = (one / 2 for one in shape.size_mm)
    else:
        assert isinstance(shape, Cylinder)
        half_x, half_y, half_z, radius = shape.length_mm / 2, 0.0, 0.0, shape.radius_mm

    def projected(point: Point) -> Point:
        x, y, z = point[0] - at_x, point[1] - at_y, point[2] - at_z
        u, v, w = a * x + d * y + g * z, b * x + e * y + h * z, c * x + f * y + i * z
        u = min(max(u, -half_x), half_x)
        if is_box:
            v, w = min(max(v, -half_y), half_y), min(max(w, -half_z), half_z)
        elif (out := math.hypot(v, w)) > radius:
            v, w = v * radius / out, w * radius / out
        return a * u + b * v + c * w + at_x, d * u + e * v + f * w + at_y, g * u + h * v + i * w + at_z

    def reach(direction: Point) -> float:
        x, y, z = direction
        u, v, w = a * x + d * y + g * z, b * x + e * y + h * z, c * x + f * y + i * z
        far = abs(v) * half_y + abs(w) * half_z if is_box else radius * math.hypot(v, w)
        found: float = x * at_x + y * at_y + z * at_z + abs(u) * half_x + far
        return found

    return projected, reach
