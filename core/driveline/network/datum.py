"""Carrying adjusted coordinates, with their covariance, to the shaft's centre and the stated direction."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.chain import Floats
from driveline.errors import ImpossibleInput
from driveline.network.adjust import Adjustment
from driveline.network.observations import CENTRE

CHI_SQUARE_95_2: Final = 5.991  # two degrees of freedom


@dataclass(frozen=True, slots=True)
class Ellipse:
    """Where a point is with 95 % confidence: semi-axes, and the major axis's angle from +x."""

    major_mm: float
    minor_mm: float
    angle_deg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Carried:
    """Points about their origin, turned to the direction; covariance in order x1 y1 x2 y2 and so on."""

    xy_mm: Floats  # (points, 2)
    covariance_mm2: Floats  # (2 points, 2 points)
    origin: str  # "C", or "holes" when the shaft's centre is loose


def carried(adjustment: Adjustment, loose: tuple[str, ...]) -> Carried:
    """Return the points in the drawing's own axes.

    The origin is the shaft's centre, or the mean of the holes while that is loose.
    """
    equations = adjustment.equations
    count = len(equations.points)
    xy = equations.coordinates_mm(adjustment.unknowns)
    weights = np.zeros(count)
    about_shaft = CENTRE not in loose
    if about_shaft:
        weights[equations.index[CENTRE]] = 1.0
    else:
        weights[1:] = 1 / max(count - 1, 1)
    origin = weights @ xy
    angle, angle_row = _turn(adjustment, origin, weights)
    turn = np.array([[np.cos(angle), np.sin(angle)], [-np.sin(angle), np.cos(angle)]])
    about = (xy - origin) @ turn.T
    jacobian = np.zeros((count, 2, equations.count))
    for axis in (0, 1):
        shift = np.eye(count) - weights[None, :]
        jacobian[:, 0, axis : 2 * count : 2] = shift * turn[0, axis]
        jacobian[:, 1, axis : 2 * count : 2] = shift * turn[1, axis]
    jacobian[:, 0] += about[:, 1, None] * angle_row[None, :]
    jacobian[:, 1] -= about[:, 0, None] * angle_row[None, :]
    rows = jacobian.reshape(2 * count, -1)
    return Carried(
        xy_mm=about, covariance_mm2=rows @ adjustment.covariance @ rows.T, origin=CENTRE if about_shaft else "holes"
    )


def _turn(adjustment: Adjustment, origin: Floats, weights: Floats) -> tuple[float, Floats]:
    """Angle to turn the drawing back by, and its derivatives by the unknowns."""
    equations, direction = adjustment.equations, adjustment.equations.network.direction
    row = np.zeros(equations.count)
    if direction.of in equations.frames:
        column = equations.frame_column[equations.frames.index(direction.of)] + 2
        row[column] = 1 / equations.size_mm
        return adjustment.unknowns[column] / equations.size_mm - np.radians(direction.at_deg), row
    if direction.of not in equations.index or direction.of == CENTRE:
        raise ImpossibleInput(
            "direction", direction.of, "a hole of this flange, or the name of a square, trace or scan"
        )
    k = equations.index[direction.of]
    arm = equations.coordinates_mm(adjustment.unknowns)[k] - origin
    square = float(arm @ arm) or 1.0
    part = -weights.copy()
    part[k] += 1.0
    row[0 : 2 * len(weights) : 2] = -arm[1] / square * part
    row[1 : 2 * len(weights) : 2] = arm[0] / square * part
    return float(np.arctan2(arm[1], arm[0])) - np.radians(direction.at_deg), row


def ellipse(covariance_mm2: Floats) -> Ellipse:
    """Return the 95 % ellipse of a (2, 2) covariance; semi-axes √(5.991 λ)."""
    values, vectors = np.linalg.eigh(covariance_mm2)
    minor, major = np.sqrt(CHI_SQUARE_95_2 * np.maximum(values, 0))
    angle = np.degrees(np.arctan2(vectors[1, 1], vectors[0, 1])) % 180
    return Ellipse(float(major), float(minor), float(angle))
