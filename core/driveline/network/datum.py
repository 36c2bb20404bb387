"""Carrying adjusted coordinates, with their covariance, to the shaft's centre and the stated direction."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.network.adjust import Adjustment
from driveline.network.equations import Equations
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
    """Points about their origin, turned to the direction, with their covariances."""

    xy_mm: Floats  # (points, 2)
    blocks_mm2: Floats  # (points, 2, 2), of each point
    mean_mm2: Floats  # (2, 2), of the holes' mean
    turn: Floats  # (2, 2)
    weights: Floats  # (points,), of the origin
    angle_row: Floats  # (m,), the turn's derivatives by the unknowns
    origin: str  # "C", or "holes" when the shaft's centre is loose


@dataclass(frozen=True, slots=True, kw_only=True)
class FramePlace:
    """How a frame of a trace, scan or square lies in the drawing's own axes."""

    turn_rad: float
    scale: float
    shift_mm: Floats  # (2,), in the frame
    origin_mm: Floats  # (2,), of the drawing, before it was carried
    carried_turn: Floats  # (2, 2)

    def placed(self, seen_mm: Floats) -> Floats:
        """Return points given in the frame, (n, 2), as the drawing has them."""
        cos, sin = np.cos(self.turn_rad) / self.scale, np.sin(self.turn_rad) / self.scale
        about = (seen_mm - self.shift_mm) @ np.array([[cos, sin], [-sin, cos]])
        on_drawing: Floats = (about - self.origin_mm) @ self.carried_turn.T
        return on_drawing


def frame_places(adjustment: Adjustment, about: Carried) -> dict[str, FramePlace]:
    """Return where each frame lies."""
    equations, unknowns = adjustment.equations, adjustment.unknowns
    origin_mm = about.weights @ equations.coordinates_mm(unknowns)
    places = {}
    for frame, column in zip(equations.frames, equations.frame_column.tolist(), strict=True):
        shift_x, shift_y, turn, scale = unknowns[column : column + 4]
        places[frame] = FramePlace(
            turn_rad=float(turn / equations.size_mm),
            scale=float(np.exp(scale / equations.size_mm)),
            shift_mm=np.array([shift_x, shift_y]),
            origin_mm=origin_mm,
            carried_turn=about.turn,
        )
    return places


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
        weights[:] = numbered_weights(equations)
    origin = weights @ xy
    angle, angle_row = _turn(adjustment, origin, weights)
    turn = np.array([[np.cos(angle), np.sin(angle)], [-np.sin(angle), np.cos(angle)]])
    about = (xy - origin) @ turn.T
    blocks, mean = _covariances(adjustment, turn, about, weights, angle_row)
    return Carried(
        xy_mm=about,
        blocks_mm2=blocks,
        mean_mm2=mean,
        turn=turn,
        weights=weights,
        angle_row=angle_row,
        origin=CENTRE if about_shaft else "holes",
    )


def numbered_weights(equations: Equations) -> Floats:
    """Return the weight of each point in the middle of the numbered holes, (points,)."""
    weights = np.zeros(len(equations.points))
    numbered = [equations.index[hole.id] for hole in equations.network.holes if not hole.is_bore]
    weights[numbered] = 1 / max(len(numbered), 1)
    return weights


def carried_rows(adjustment: Adjustment, about: Carried, k: int) -> Floats:
    """Return the derivatives of a point as carried by the unknowns, (2, m)."""
    count = len(about.weights)
    share = -about.weights.copy()
    share[k] += 1.0
    rows = np.zeros((2, adjustment.equations.count))
    for axis in (0, 1):
        rows[:, axis : 2 * count : 2] = about.turn[:, [axis]] * share
    swing = np.array([about.xy_mm[k, 1], -about.xy_mm[k, 0]])
    carried_by: Floats = rows + swing[:, None] * about.angle_row
    return carried_by


def _covariances(
    adjustment: Adjustment, turn: Floats, about: Floats, weights: Floats, angle_row: Floats
) -> tuple[Floats, Floats]:
    """Covariance of each point as carried, (points, 2, 2), and of the holes' mean, (2, 2).

    A point as carried hangs on itself, on the origin and on the turn; so the cofactors of those few are enough.
    """
    count, unknowns = len(weights), adjustment.equations.count
    hangs_on = np.zeros((unknowns, 5))  # origin x, y; holes' mean x, y; turn
    mean_weights = numbered_weights(adjustment.equations)
    for axis in (0, 1):
        hangs_on[axis : 2 * count : 2, axis] = weights
        hangs_on[axis : 2 * count : 2, 2 + axis] = mean_weights
    hangs_on[:, 4] = angle_row
    crossed = adjustment.cofactors.times(hangs_on)
    among = hangs_on.T @ crossed
    swing = np.stack([about[:, 1], -about[:, 0]], axis=1)  # (points, 2), mm per rad
    origin, mean, of_turn = [0, 1], [2, 3], 4
    pairs = np.arange(2 * count).reshape(count, 2)
    joint = np.zeros((count, 5, 5))  # itself, the origin, the turn
    joint[:, :2, :2] = adjustment.cofactors.blocks(pairs)
    to_rest = crossed[: 2 * count].reshape(count, 2, 5)[:, :, [*origin, of_turn]]
    joint[:, :2, 2:], joint[:, 2:, :2] = to_rest, to_rest.transpose(0, 2, 1)
    joint[:, 2:, 2:] = among[np.ix_([*origin, of_turn], [*origin, of_turn])]
    back = np.concatenate([np.broadcast_to(np.hstack([turn, -turn]), (count, 2, 4)), swing[:, :, None]], axis=2)
    of_mean = np.hstack([turn, -turn, (mean_weights @ swing)[:, None]])
    mean_joint = among[np.ix_([*mean, *origin, of_turn], [*mean, *origin, of_turn])]
    return back @ joint @ back.transpose(0, 2, 1), of_mean @ mean_joint @ of_mean.T


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


def ellipses(blocks_mm2: Floats) -> tuple[Ellipse, ...]:
    """Return the 95 % ellipse of each covariance.

    Args:
        blocks_mm2: (n, 2, 2), each symmetric.

    Source:
        Semi-axes √(χ² λ), χ² 5.991 for 95 % in two dimensions, along the eigenvectors.
    """
    values, vectors = np.linalg.eigh(blocks_mm2)
    axes_mm = np.sqrt(CHI_SQUARE_95_2 * np.maximum(values, 0))
    angle_deg = np.degrees(np.arctan2(vectors[:, 1, 1], vectors[:, 0, 1])) % 180
    return tuple(
        Ellipse(major, minor, angle) for (minor, major), angle in zip(axes_mm.tolist(), angle_deg.tolist(), strict=True)
    )
