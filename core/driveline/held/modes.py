"""How a body shakes on its mounts: six natural frequencies, each named after what moves most."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np
from scipy.linalg import eigh

from driveline.arrays import Floats
from driveline.held.balance import stiffness_of
from driveline.held.holds import Hold

NAMES: Final = ("surge (x)", "sway (y)", "heave (z)", "roll", "pitch", "yaw")
LEAST_HZ: Final = 8.0
WHEEL_HOP_HZ: Final = (10.0, 14.0)
USUAL_DYNAMIC: Final = 1.4  # stiffness of rubber that shakes, over that of rubber at rest
N_PER_MM_IN_SI: Final = 1000.0
MM_PER_M: Final = 1000.0


@dataclass(frozen=True, kw_only=True)
class Mode:
    """A way to shake."""

    frequency_hz: float
    name: str
    shares_pct: Floats  # (6,), of the energy of motion, as ``NAMES``
    shape: Floats  # (6,): shift and turn about the centre of gravity, m and rad
    pushes: Floats  # (6,): what the mounts push back with then, N and N·m
    carries: Floats  # (6,): mass and inertia by that shape, kg·m and kg·m²
    mass_kg: float

    @property
    def is_low(self) -> bool:
        """Whether it lies below what is wanted."""
        return self.frequency_hz < LEAST_HZ

    @property
    def hops(self) -> bool:
        """Whether it lies where wheels hop."""
        return WHEEL_HOP_HZ[0] <= self.frequency_hz <= WHEEL_HOP_HZ[1]


def modes_of(
    holds: Sequence[Hold], *, mass_kg: float, cg_mm: Floats, inertia_kgm2: Floats, dynamic: float
) -> tuple[Mode, ...]:
    """Return the six modes, the slowest first.

    Args:
        holds: The mounts.
        mass_kg: Of the body.
        cg_mm: Its centre of gravity, (3,).
        inertia_kgm2: About it, (3, 3).
        dynamic: Stiffness of rubber that shakes over that at rest; its bracket, hard mounts and links do not stiffen.

    Source:
        K v = ω² M v about the centre of gravity; share_i = v_i (M v)_i / vᵀ M v. Worked examples
        mounts-four-six-frequencies, modes-unit-on-subframe.
    """
    about = [replace(one.shaken(dynamic), at_mm=one.at_mm - cg_mm) for one in holds]
    stiffness = stiffness_of(about) * N_PER_MM_IN_SI
    stiffness[3:, :] /= MM_PER_M
    stiffness[:, 3:] /= MM_PER_M
    masses = np.zeros((6, 6))
    masses[:3, :3] = mass_kg * np.eye(3)
    masses[3:, 3:] = inertia_kgm2
    squares, shapes = eigh((stiffness + stiffness.T) / 2, masses)
    found = []
    for square, shape in zip(squares, shapes.T, strict=True):
        shares = shape * (masses @ shape)
        shares = 100 * shares / shares.sum()
        found.append(
            Mode(
                frequency_hz=float(np.sqrt(max(square, 0.0)) / (2 * np.pi)),
                name=NAMES[int(shares.argmax())],
                shares_pct=shares,
                shape=shape,
                pushes=stiffness @ shape,
                carries=masses @ shape,
                mass_kg=mass_kg,
            )
        )
    return tuple(found)
