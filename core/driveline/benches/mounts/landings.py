"""A bracket's landing plate: four bolts in its corners, and what each pulls and shears."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.brackets import Arm
from driveline.benches.mounts.sheet import Landing
from driveline.sheet import positive_of

FIXING: Final = "{}: whether its bracket is welded to the vehicle or bolted on"


@dataclass(frozen=True, slots=True, kw_only=True)
class LandingFound:
    """A landing plate with four bolts in its corners."""

    size_mm: tuple[float, float]  # across, upright
    thickness_mm: float
    apart_mm: tuple[float, float]

    @property
    def bolts_mm(self) -> Floats:
        """Places of the bolts from its middle, anticlockwise, (4, 2)."""
        a, u = (each / 2 for each in self.apart_mm)
        return np.array([[-a, -u], [a, -u], [a, u], [-a, u]])

    @property
    def edges_mm(self) -> tuple[float, float]:
        """From a bolt's middle to the edge, across and upright."""
        (b, d), (a, u) = self.size_mm, self.apart_mm
        return (b - a) / 2, (d - u) / 2


@dataclass(frozen=True, slots=True, kw_only=True)
class BoltPull:
    """What the bolt that is worst off bears in a case."""

    row: int
    axial_n: float
    upright_n: float
    across_n: float
    moment_nmm: tuple[float, float, float]  # of twisted rubber: about the arm, level across it and upright
    pull_n: float  # prying not yet counted
    shear_n: float


def landing_thick_mm(landing: Landing, name: str) -> tuple[float | None, tuple[str, ...]]:
    """Return what a landing plate with its shims adds to a bracket, 0 where it is welded on; or what that lacks.

    Source:
        As entered.
    """
    plate = positive_of(landing.thickness)
    if landing.is_there is False:
        return 0.0, ()
    if landing.is_there is None or plate is None:
        return None, (f"{name}: the thickness of its landing plate" if landing.is_there else FIXING.format(name),)
    return plate + (positive_of(landing.shims) or 0.0), ()


def landing_of(landing: Landing) -> LandingFound | None:
    """Return a landing plate; ``None`` until its size, thickness and bolts' places are known."""
    sizes = [positive_of(one) for one in (landing.breadth, landing.depth, landing.thickness)]
    apart = [positive_of(one) for one in (landing.across, landing.upright)]
    breadth, depth, thickness = sizes
    across, upright = apart
    if breadth is None or depth is None or thickness is None or across is None or upright is None:
        return None
    return LandingFound(size_mm=(breadth, depth), thickness_mm=thickness, apart_mm=(across, upright))


def bolt_pulls(
    found: LandingFound, arm: Arm, offset_mm: float, forces_n: Floats, moments_nmm: Floats
) -> list[BoltPull]:
    """Return what the worst bolt bears in each case, forces and moments on the mount (c, 3).

    Source:
        Statics of the plate; Σ y² and Σ r² over the four bolts.
    """
    across_mm, upright_mm = found.apart_mm
    radius = math.hypot(across_mm, upright_mm) / 2
    pulls = []
    for row, (force, moment) in enumerate(zip(forces_n, moments_nmm, strict=True)):
        axial, across, upright = (abs(float(one)) for one in arm.turn.T @ force)
        about_arm, about_level, about_upright = (abs(float(one)) for one in arm.turn.T @ moment)
        pull = axial / 4 + (upright * arm.length_mm + about_level) / (2 * upright_mm)
        pull += (across * arm.length_mm + axial * offset_mm + about_upright) / (2 * across_mm)
        shear = math.hypot(across, upright) / 4 + (upright * offset_mm + about_arm) / (4 * radius)
        pulls.append(
            BoltPull(
                row=row,
                axial_n=axial,
                upright_n=upright,
                across_n=across,
                moment_nmm=(about_arm, about_level, about_upright),
                pull_n=pull,
                shear_n=shear,
            )
        )
    return pulls
