"""Places as they are entered: one of the measured points, or coordinates; and turns by three angles."""

from collections.abc import Mapping

import numpy as np
from pydantic import Field

from driveline.arrays import Floats
from driveline.sheet import Angle, Coordinate, Name, Sheet, value_of
from driveline.space.pose import rotation

Points = Mapping[str, Floats]


class Spot(Sheet):
    """A place: one of the measured points, or all three coordinates."""

    point: Name | None = None
    x: Coordinate | None = Field(default=None, description="Forward")
    y: Coordinate | None = Field(default=None, description="To the left")
    z: Coordinate | None = Field(default=None, description="Up")


class Angles(Sheet):
    """Roll right side down, pitch nose down, yaw nose left."""

    roll: Angle | None = None
    pitch: Angle | None = None
    yaw: Angle | None = None


def spot_mm(spot: Spot, points: Points) -> Floats | None:
    """Return where a spot is; ``None`` where it is not wholly given, or its point is not fixed.

    Args:
        spot: As entered.
        points: Those that are fixed, by name.

    Source:
        As entered.
    """
    if spot.point is not None:
        return points.get(spot.point)
    if spot.x is None or spot.y is None or spot.z is None:
        return None
    return np.array([spot.x.mm, spot.y.mm, spot.z.mm])


def spot_missing(spot: Spot, points: Points, what: str) -> tuple[str, ...]:
    """Return what a spot lacks, in words."""
    if spot_mm(spot, points) is not None:
        return ()
    if spot.point is not None:
        return (f"{what}: the point {spot.point}, fixed by readings",)
    lacking = ", ".join(word for word, one in (("forward", spot.x), ("left", spot.y), ("up", spot.z)) if one is None)
    return (f"{what}: {lacking}",)


def turn_of(angles: Angles) -> Floats | None:
    """Return a turn; ``None`` while one of its angles is not given."""
    roll, pitch, yaw = (value_of(one) for one in (angles.roll, angles.pitch, angles.yaw))
    if roll is None or pitch is None or yaw is None:
        return None
    return rotation(roll_deg=roll, pitch_deg=pitch, yaw_deg=yaw)
