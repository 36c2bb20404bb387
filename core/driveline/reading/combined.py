"""What comes of figures that are not sure, when the errors of some go together."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache
from typing import Final

import numpy as np
from scipy.special import ndtri
from scipy.stats import qmc

from driveline.arrays import Floats

STEP: Final = 0.01  # of each u, either way
DRAWS: Final = 2**14
SEED: Final = 20
EDGES: Final = (0.025, 0.975)


@dataclass(frozen=True, slots=True)
class Combined:
    """How sure a result is, and what each figure gives to its variance, (n,): together 1, one alone may be below 0."""

    u: float
    shares: Floats


def combined(slopes: Floats, covariance: Floats) -> Combined:
    """Return how sure a result is that goes straight with its figures.

    Args:
        slopes: Of the result with each figure, (n,).
        covariance: Of the figures, (n, n).

    Source:
        GUM 5.2, u² = J Σ Jᵀ; share_i = J_i (Σ J)_i / u². Worked example interval-bar-length-correlated.
    """
    moved = covariance @ slopes
    variance = float(slopes @ moved)
    shares = slopes * moved / variance if variance > 0 else np.zeros(len(slopes))
    return Combined(u=max(variance, 0.0) ** 0.5, shares=shares)


def slopes_at(result: Callable[[Floats], Floats], values: Floats, u: Floats) -> Floats:
    """Return how a result goes with each figure, by central differences, (n,).

    Args:
        result: Of rows of figures, (d, n), to (d,).
        values: Of the figures, (n,).
        u: Of each, above 0, (n,).

    Source:
        GUM 5.1.3.
    """
    steps = np.diag(STEP * u)
    found: Floats = (result(values + steps) - result(values - steps)) / (2 * STEP * u)
    return found


@lru_cache(16)
def normals_of(draws: int, figures: int) -> Floats:
    """Return how many u each figure is off in each of some draws, which fill the room evenly, (d, n).

    Args:
        draws: A power of 2.
        figures: That are drawn at once.

    Source:
        Sobol's sequence, scrambled, the same each time.
    """
    found: Floats = ndtri(qmc.Sobol(figures, seed=SEED).random(draws))
    return found


def drawn_range(result: Callable[[Floats], Floats], values: Floats, covariance: Floats) -> tuple[float, float]:
    """Return within what 95 % of a result lies when its figures are drawn as they go together.

    Args:
        result: Of rows of figures, (d, n), to (d,).
        values: Of the figures, (n,).
        covariance: Of the figures, (n, n).

    Source:
        GUM supplement 1, 2.5 and 97.5 % of 16 384 of Sobol's draws.
    """
    sizes, ways = np.linalg.eigh(covariance)
    drawn = result(values + normals_of(DRAWS, len(values)) @ (ways * np.sqrt(np.maximum(sizes, 0.0))).T)
    least, greatest = np.quantile(drawn, EDGES).tolist()
    return least, greatest
