"""How far the shares of mounts go that statics alone does not decide."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.held.balance import arrays_of, held_count, scales, stiffness_at, stiffness_of, turning_of
from driveline.held.holds import Hold

FACTORS: Final = (0.5, 1.0, 2.0)
DEGREES: Final = 6
MOST_MOUNTS: Final = 7  # 3^7 sets of stiffnesses
AT_ONCE: Final = 256  # sets solved together


@dataclass(frozen=True, kw_only=True)
class Shares:
    """The least and greatest that each mount may carry, (c, n, 3) each."""

    least_n: Floats
    greatest_n: Floats


def redundancy(holds: Sequence[Hold]) -> int:
    """Return how many directions are held beyond the six that decide."""
    return held_count(holds) - DEGREES


def shares_of(holds: Sequence[Hold], loads: Floats) -> Shares:
    """Return how far each mount's share goes with every mount at half, once and twice its stiffness.

    Args:
        holds: The mounts, up to seven; beyond that those that are not the stiffest stay as they are.
        loads: (c, 6), about the origin.

    Source:
        Every combination of ½, 1 and 2, ENGINEERING 12 and 22; twisted rubber as it is. Worked example
        mounts-hard-four-shares.
    """
    varied = sorted(range(len(holds)), key=lambda k: -float(np.trace(holds[k].stiffness_n_per_mm)))[:MOST_MOUNTS]
    sets = np.ones((len(FACTORS) ** len(varied), len(holds)))
    sets[:, varied] = list(product(FACTORS, repeat=len(varied)))
    reach, springs, scale = *arrays_of(holds), scales(holds)
    least = np.full((len(loads), len(holds), 3), np.inf)
    greatest = -least
    for some in np.array_split(sets, -(-len(sets) // AT_ONCE)):
        changed = some[:, :, None, None] * springs
        scaled = (stiffness_at(reach, changed) + turning_of(holds)) / scale[:, None] / scale
        moves = np.linalg.solve(scaled, np.broadcast_to((loads / scale).T, (len(some), DEGREES, len(loads))))
        forces = -np.einsum("snij,njk,skc->scni", changed, reach, moves / scale[:, None], optimize=True)
        least, greatest = np.minimum(least, forces.min(axis=0)), np.maximum(greatest, forces.max(axis=0))
    return Shares(least_n=least, greatest_n=greatest)


def forced_fit_n(holds: Sequence[Hold], which: int, misfit_mm: Floats) -> Floats:
    """Return what each mount puts on the body when one seat stands off its place, without other load, (n, 3).

    Args:
        holds: The mounts.
        which: Of them stands off.
        misfit_mm: By how much, (3,).

    Source:
        A set of forces in balance with one another, f = -k (t + θ × r - gap).
    """
    one = holds[which]
    pushed = one.reach.T @ one.stiffness_n_per_mm @ misfit_mm
    move = np.linalg.solve(stiffness_of(holds), pushed)
    found = []
    for k, each in enumerate(holds):
        gap = misfit_mm if k == which else np.zeros(3)
        found.append(-each.stiffness_n_per_mm @ (each.reach @ move - gap))
    return np.array(found)
