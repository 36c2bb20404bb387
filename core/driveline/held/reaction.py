"""The twist that shafts leave on a casing: torques brought in less torques given out, as vectors."""

from collections.abc import Sequence

import numpy as np

from driveline.arrays import Floats

Torque = tuple[float, Floats]  # N·m and the right-hand axis of its shaft's turning when driving forward


def casing_moment_nm(brought: Sequence[Torque], given: Sequence[Torque]) -> Floats:
    """Return the moment on a casing that its shafts leave, N·m, (3,); the mounts put the opposite on it.

    Args:
        brought: Torques that shafts bring in, each along its axis; a motor inside the casing brings none.
        given: Torques that leave; below nought on overrun.

    Source:
        Statics, ENGINEERING 12. Worked example torque-reaction-five-layouts.
    """
    found: Floats = np.zeros(3)
    for sign, torques in ((1.0, brought), (-1.0, given)):
        for torque_nm, axis in torques:
            found = found + sign * torque_nm * axis / np.linalg.norm(axis)
    return found


def arm_force_n(*, moment_nm: Floats, at_mm: Floats, line_mm: Floats, along: Floats) -> tuple[float, float]:
    """Return the lever of an arm about a line, mm, and the force along the arm that holds the moment about it.

    Args:
        moment_nm: On the casing, (3,).
        at_mm: The arm's end on the unit, (3,).
        line_mm: A point of the line that the unit turns about, (3,); the line runs along the moment.
        along: The arm's line, (3,).

    Source:
        F = M/(n · (r × a)).
    """
    size = float(np.linalg.norm(moment_nm))
    axis = moment_nm / size
    lever = float(axis @ np.cross(at_mm - line_mm, along / np.linalg.norm(along)))
    return abs(lever), 1000.0 * size / abs(lever)
