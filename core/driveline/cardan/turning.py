"""A chain of crosses turned exactly, yoke by yoke: what the rule of small angles is held against."""

from collections.abc import Sequence

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.pose import cross_matrices, turns_by

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
    found: Floats = chains_turns_rad(np.array([lines], dtype=float), phasing_deg, steps=steps)[0]
    return found


def chains_turns_rad(lines: Floats, phasing_deg: Sequence[float], *, steps: int = STEPS) -> Floats:
    """Return the same of several chains of the same yokes that stand differently, (b, n, steps).

    Args:
        lines: Of each chain, (b, n + 1, 3).
        phasing_deg: Of all of them, (n - 1,).
        steps: Of one turn.

    Raises:
        ImpossibleInput: As ``chain_turns_rad``.

    Source:
        As ``chain_turns_rad``.
    """
    if len(phasing_deg) != lines.shape[1] - 2:
        raise ImpossibleInput("phasing_deg", len(phasing_deg), "one for each shaft between two joints")
    lengths = np.linalg.norm(lines, axis=2, keepdims=True)
    if not lengths.min() > 0:
        raise ImpossibleInput("lines", 0.0, "of a length above 0")
    units = lines / lengths
    even = np.linspace(0.0, 2 * np.pi, steps, endpoint=False)
    first = _first_axes(units)
    across = cross_matrices(units[:, 0])
    sideways = (across @ first[..., None])[..., 0]
    axis = np.cos(even)[:, None] * first[:, None] + np.sin(even)[:, None] * sideways[:, None]
    swings = []
    for k in range(1, units.shape[1]):
        across = cross_matrices(units[:, k])
        driven = axis @ across.transpose(0, 2, 1)
        driven /= np.linalg.norm(driven, axis=2, keepdims=True)
        zero = driven[:, 0, :, None]
        angle = np.unwrap(np.arctan2((driven @ (across @ zero))[..., 0], (driven @ zero)[..., 0]), axis=1)
        swing = angle - even
        swings.append(swing - swing.mean(axis=1, keepdims=True))
        if k <= len(phasing_deg):
            axis = driven @ turns_by(units[:, k] * np.radians(phasing_deg[k - 1])).transpose(0, 2, 1)
    return np.stack(swings, axis=1)


def _first_axes(units: Floats) -> Floats:
    """The driving yokes' axes, square to the first two shafts; to the first alone where those are in line, (b, 3)."""
    first = np.cross(units[:, 0], units[:, 1])
    lengths = np.linalg.norm(first, axis=1)
    straight = np.flatnonzero(~(lengths > 0))
    for row in straight.tolist():
        first[row] = np.cross(units[row, 0], np.eye(3)[int(np.argmin(np.abs(units[row, 0])))])
    found: Floats = first / np.linalg.norm(first, axis=1, keepdims=True)
    return found
