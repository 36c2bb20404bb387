"""Where a propshaft's joints are: as measured in the vehicle, or one from the other by the shaft's own slopes."""

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.sheet import Direction, PropLine, Tube, Which
from driveline.cardan.chains import by_slopes
from driveline.sheet import positive_of, value_of
from driveline.space.spots import Points, Spot, spot_mm


def zero_deg(line: PropLine) -> float:
    """Return what the inclinometer reads on level ground."""
    return value_of(line.zero) or 0.0


def is_measured_to(line: PropLine, joint: int) -> bool:
    """Say whether a joint without a place of its own is placed by the shaft ahead of it."""
    if line.joints[joint].at != Spot() or joint > len(line.tubes):
        return False
    return _is_whole(line.tubes[joint - 1])


def _is_whole(tube: Tube) -> bool:
    known = (value_of(tube.runs.falls), value_of(tube.runs.left), positive_of(tube.centres))
    return None not in known


def joints_mm(line: PropLine, points: Points) -> Floats | None:
    """Return where the joints' centres are at ride height, (n, 3); ``None`` while one of them is not known.

    Args:
        line: Its joints by their places, or by slope, plan and length of the shaft ahead.
        points: The vehicle's measured ones.

    Source:
        One end from the other along ``by_slopes``.
    """
    found = list[Floats]()
    for k, joint in enumerate(line.joints):
        at = spot_mm(joint.at, points)
        if at is None and k and is_measured_to(line, k):
            tube = line.tubes[k - 1]
            at = found[-1] + (positive_of(tube.centres) or 0.0) * direction(line, tube.runs)
        if at is None:
            return None
        found.append(at)
    return np.array(found) if found else None


def direction(line: PropLine, runs: Direction) -> Floats:
    """Return a shaft's direction from the box to the axle, as its slopes were read, unit, (3,)."""
    return by_slopes(
        falls_deg=(value_of(runs.falls) or 0.0) - zero_deg(line),
        left_deg=value_of(runs.left) or 0.0,
        ahead=1.0 if line.which is Which.FRONT else -1.0,
    )
