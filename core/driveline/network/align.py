"""Laying one set of points over another: turned and shifted, never mirrored or stretched."""

from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats


@dataclass(frozen=True, slots=True)
class Laid:
    """The turn and shift that lay points over a target."""

    turn: Floats  # (2, 2)
    shift_mm: Floats  # (2,)

    def placed(self, points: Floats) -> Floats:
        """Return points, (n, 2), where they come to lie."""
        moved: Floats = points @ self.turn.T + self.shift_mm
        return moved


def laid_over(points: Floats, target: Floats) -> Laid:
    """Return how points, (n, 2), lie best over as many others, by least squares.

    Source:
        Kabsch, A solution for the best rotation to relate two sets of vectors, 1976, in the plane.
    """
    a, b = points - points.mean(0), target - target.mean(0)
    angle = np.arctan2(np.sum(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0]), np.sum(a * b))
    cos, sin = np.cos(angle), np.sin(angle)
    turn = np.array([[cos, -sin], [sin, cos]])
    return Laid(turn, target.mean(0) - points.mean(0) @ turn.T)
