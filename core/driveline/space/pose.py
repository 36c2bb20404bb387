"""Where a thing stands and how it is turned: x forward, y left, z up; R = Rz(yaw) Ry(pitch) Rx(roll) (ISO 8855)."""

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from scipy.spatial.transform import Rotation

from driveline.arrays import Floats


def rotation(*, roll_deg: float, pitch_deg: float, yaw_deg: float) -> Floats:
    """Return R = Rz(yaw) Ry(pitch) Rx(roll), (3, 3).

    Args:
        roll_deg: Right side down.
        pitch_deg: Nose down.
        yaw_deg: Nose left.

    Source:
        ISO 8855, turns about the vehicle's axes.
    """
    (cr, sr), (cp, sp), (cy, sy) = (
        (math.cos(math.radians(one)), math.sin(math.radians(one))) for one in (roll_deg, pitch_deg, yaw_deg)
    )
    return np.array(
        [
            [cy * cp, cy * sp * sr - sy * cr, cy * sp * cr + sy * sr],
            [sy * cp, sy * sp * sr + cy * cr, sy * sp * cr - cy * sr],
            [-sp, cp * sr, cp * cr],
        ]
    )


def cross_matrix(vector: Floats) -> Floats:
    """Return the matrix that makes ``vector × v`` of v, (3, 3)."""
    x, y, z = vector.tolist()
    return np.array([[0.0, -z, y], [z, 0.0, -x], [-y, x, 0.0]])


def cross_matrices(vectors: Floats) -> Floats:
    """Return the same for each of several vectors, (n, 3) to (n, 3, 3)."""
    x, y, z = vectors.T
    nought = np.zeros(len(vectors))
    return np.stack([nought, -z, y, z, nought, -x, -y, x, nought], axis=1).reshape(-1, 3, 3)


def turn_about(axis: Floats, angle_rad: float) -> Floats:
    """Return the turn by an angle about an axis, (3, 3); none where the axis has no length.

    Args:
        axis: Of any length, (3,).
        angle_rad: Right-handed about it.

    Source:
        Rodrigues' formula.
    """
    found: Floats = turns_about(axis, np.array([angle_rad]))[0]
    return found


def turns_about(axis: Floats, angles_rad: Floats) -> Floats:
    """Return the turns by several angles about one axis, (n, 3, 3); none where the axis has no length.

    Args:
        axis: Of any length, (3,).
        angles_rad: Right-handed about it, (n,).

    Source:
        Rodrigues' formula.
    """
    length = float(np.linalg.norm(axis))
    if length == 0.0:
        return np.tile(np.eye(3), (len(angles_rad), 1, 1))
    cross = cross_matrix(axis / length)
    sine, rest = np.sin(angles_rad)[:, None, None], (1 - np.cos(angles_rad))[:, None, None]
    found: Floats = np.eye(3) + sine * cross + rest * (cross @ cross)
    return found


def turns_by(vectors_rad: Floats) -> Floats:
    """Return the turns by vectors, each an axis times its angle, (n, 3, 3).

    Args:
        vectors_rad: (n, 3).

    Source:
        Rodrigues' formula, by SciPy.
    """
    found: Floats = Rotation.from_rotvec(vectors_rad).as_matrix()
    return found


def turn_vector_rad(turn: Floats) -> Floats:
    """Return a turn as its axis times its angle, rad, (3,).

    Args:
        turn: A rotation below half a turn, (3, 3).

    Source:
        The axis is the antisymmetric part's; the angle by atan2 of sine and cosine.
    """
    twice_sine = np.array([turn[2, 1] - turn[1, 2], turn[0, 2] - turn[2, 0], turn[1, 0] - turn[0, 1]])
    sine, cosine = float(np.linalg.norm(twice_sine)) / 2, (float(np.trace(turn)) - 1) / 2
    angle = math.atan2(sine, cosine)
    found: Floats = twice_sine / 2 if sine < 1e-12 else twice_sine / (2 * sine) * angle
    return found


@dataclass(frozen=True)
class Placed:
    """A frame's place in another: a point p of it stands at ``at_mm + turn @ p``."""

    turn: Floats  # (3, 3)
    at_mm: Floats  # (3,)

    def points(self, points_mm: Floats) -> Floats:
        """Return points of the frame, (n, 3) or (3,), as they stand."""
        found: Floats = points_mm @ self.turn.T + self.at_mm
        return found

    def directions(self, directions: Floats) -> Floats:
        """Return directions of the frame, (n, 3) or (3,), as they stand."""
        found: Floats = directions @ self.turn.T
        return found

    def holding(self, inner: "Placed") -> "Placed":
        """Return the place of a frame that stands in this one at ``inner``."""
        return Placed(turn=self.turn @ inner.turn, at_mm=self.points(inner.at_mm))

    def moved(self, move: "Placed") -> "Placed":
        """Return this place after a move of everything in its surroundings."""
        return move.holding(self)

    @cached_property
    def mark(self) -> bytes:
        """Tells it from every other place."""
        return self.turn.tobytes() + self.at_mm.tobytes()

    @cached_property
    def inverse(self) -> "Placed":
        """Return the surroundings' place as the frame sees it."""
        return Placed(turn=self.turn.T, at_mm=-self.at_mm @ self.turn)


AS_IS = Placed(turn=np.eye(3), at_mm=np.zeros(3))


@dataclass(frozen=True, slots=True)
class Pose:
    """The six numbers of a place."""

    x_mm: float = 0.0
    y_mm: float = 0.0
    z_mm: float = 0.0
    roll_deg: float = 0.0
    pitch_deg: float = 0.0
    yaw_deg: float = 0.0

    @property
    def placed(self) -> Placed:
        """As a frame's place."""
        turn = rotation(roll_deg=self.roll_deg, pitch_deg=self.pitch_deg, yaw_deg=self.yaw_deg)
        return Placed(turn=turn, at_mm=np.array([self.x_mm, self.y_mm, self.z_mm]))


def pose_of(placed: Placed) -> Pose:
    """Return the six numbers of a place; at a pitch of a quarter turn all turning counts as yaw.

    Args:
        placed: Of a frame.

    Source:
        R = Rz Ry Rx, read backwards.
    """
    r, (x, y, z) = placed.turn, placed.at_mm.tolist()
    level = math.hypot(r[0, 0], r[1, 0])
    pitch = math.atan2(-r[2, 0], level)
    if level > 1e-9:
        roll, yaw = math.atan2(r[2, 1], r[2, 2]), math.atan2(r[1, 0], r[0, 0])
    else:
        roll, yaw = 0.0, math.atan2(-r[0, 1], r[1, 1])
    return Pose(x, y, z, math.degrees(roll), math.degrees(pitch), math.degrees(yaw))


def move_about(point_mm: Floats, *, shift_mm: Floats, turn: Floats) -> Placed:
    """Return the move that turns everything about a point and then shifts it.

    Args:
        point_mm: That the turn leaves where it is, (3,).
        shift_mm: (3,).
        turn: (3, 3).

    Source:
        c' = o + t + R (c - o).
    """
    return Placed(turn=turn, at_mm=point_mm + shift_mm - turn @ point_mm)
