"""The line as inertias on springs: at what speeds it would shuffle or hum."""

from collections.abc import Sequence
from typing import Final

import numpy as np

from driveline.errors import ImpossibleInput

HZ: Final = 2 * np.pi


def chain_modes_hz(inertias_kgm2: Sequence[float], springs_nm_per_rad: Sequence[float]) -> tuple[float, ...]:
    """Return the natural frequencies of a chain of inertias, all seen from one shaft, the free turning left out.

    Args:
        inertias_kgm2: From one end to the other, each above 0, (n,), n at least 2.
        springs_nm_per_rad: Between neighbours, each above 0, (n - 1,).

    Raises:
        ImpossibleInput: If an inertia or spring is not above 0, or their numbers don't match.

    Source:
        Holzer's problem as an eigenvalue: (K - ω² J) θ = 0; a chain that is free at both ends has one mode of 0.
    """
    inertia, spring = np.asarray(inertias_kgm2, dtype=float), np.asarray(springs_nm_per_rad, dtype=float)
    if len(inertia) < 2 or len(spring) != len(inertia) - 1 or min(inertia.min(), spring.min()) <= 0:
        raise ImpossibleInput("inertias_kgm2", tuple(inertias_kgm2), "two or more, with a spring above 0 between each")
    stiff = np.zeros((len(inertia), len(inertia)))
    for k, one in enumerate(spring):
        stiff[k : k + 2, k : k + 2] += one * np.array([[1.0, -1.0], [-1.0, 1.0]])
    root = np.sqrt(inertia)
    squared = np.linalg.eigvalsh(stiff / np.outer(root, root))
    return tuple((np.sqrt(np.maximum(squared[1:], 0.0)) / HZ).tolist())
