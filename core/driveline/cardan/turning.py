"""A chain of crosses turned exactly, yoke by yoke: what the rule of small angles is held against."""

from collections.abc import Sequence

import numpy as np

from driveline.arrays import Floats
from driveline.cardan.lines import unit_line
from driveline.errors import ImpossibleInput
from driveline.space.pose import cross_matrix, turn_about

STEPS: int = 720


def chain_turns_rad(lines: Sequence[Floats], phasing_deg: Sequence[float], *, steps: int = STEPS) -> Floats:
    """Return how far each shaft stands ahead of an even turn, over one turn of the driving one.

    A cross keeps its two arms square: the driven yoke's axis is square to the driven shaft and to the driving axis.

    Args:
        lines: The driving shaft, each shaft between, the driven one, all the same way along, (n + 1).
        phasing_deg: Of each shaft between, 0 with its inner ears in line, right-handed along the chain, (n - 1,).
        steps: Of one turn.

    Returns:
        (n, steps), of every shaft after the first, its mean taken off.

    Source:
        The cross as rigid, its two axes square to one another and each to its own shaft; no small angles.

    Raises:
        ImpossibleInput: If the numbers of shafts and phasings do not match, or a line has no length.
    """
    if len(phasing_deg) != len(lines) - 2:
        raise ImpossibleInput("phasing_deg", len(phasing_deg), "one for each shaft between two joints")
    units = [unit_line(np.asarray(line, dtype=float), "lines") for line in lines]
    even = np.linspace(0.0, 2 * np.pi, steps, endpoint=False)
    first = np.cross(units[0], units[1])
    if not np.linalg.norm(first) > 0:
        first = np.cross(units[0], np.eye(3)[int(np.argmin(np.abs(units[0])))])
    first = unit_line(first, "lines")
    axis = np.cos(even)[:, None] * first + np.sin(even)[:, None] * np.cross(units[0], first)
    swings = []
    for k, shaft in enumerate(units[1:]):
        across = cross_matrix(shaft)
        driven = axis @ across.T
        driven /= np.linalg.norm(driven, axis=1, keepdims=True)
        zero = driven[0]
        angle = np.unwrap(np.arctan2(driven @ (across @ zero), driven @ zero))
        swing = angle - even
        swings.append(swing - swing.mean())
        if k < len(phasing_deg):
            axis = driven @ turn_about(shaft, float(np.radians(phasing_deg[k]))).T
    return np.array(swings)
