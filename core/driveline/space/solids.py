"""What bodies weigh together: centre of gravity, inertia, and how they hang from an eye."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig


@dataclass(frozen=True)
class Weighed:
    """A mass: its centre, and its inertia about it along the vehicle's axes."""

    kg: float
    cg_mm: Floats  # (3,)
    inertia_kgm2: Floats  # (3, 3), products with their sign: Ixy = -Σ m x y

    @property
    def principal_kgm2(self) -> Floats:
        """Principal moments, least first, (3,)."""
        return np.asarray(np.linalg.eigvalsh(self.inertia_kgm2), dtype=np.float64)


def box_inertia_kgm2(*, mass_kg: float, size_mm: tuple[float, float, float]) -> Floats:
    """Return a uniform box's inertia about its middle, along its own axes, (3, 3).

    Args:
        mass_kg: 0 or more.
        size_mm: Whole lengths.

    Source:
        m (b² + c²)/12.
    """
    squares = np.array(size_mm) ** 2 / 1e6
    return np.diag(mass_kg * (squares.sum() - squares) / 12)


def cylinder_inertia_kgm2(*, mass_kg: float, radius_mm: float, bore_radius_mm: float, length_mm: float) -> Floats:
    """Return a uniform cylinder's inertia about its middle; it lies along its own x, (3, 3).

    Args:
        mass_kg: 0 or more.
        radius_mm: Outside.
        bore_radius_mm: 0 for none.
        length_mm: Above 0.

    Raises:
        ImpossibleInput: If the bore is not within the outside.

    Source:
        m (R² + r²)/2 about the axis, m (3 (R² + r²) + l²)/12 across it.
    """
    if not 0 <= bore_radius_mm < radius_mm:
        raise ImpossibleInput("bore radius", fig(bore_radius_mm, "mm"), f"0 up to below {fig(radius_mm, 'mm')}")
    radii, length = (radius_mm**2 + bore_radius_mm**2) / 1e6, (length_mm / 1000) ** 2
    across = mass_kg * (3 * radii + length) / 12
    return np.diag([mass_kg * radii / 2, across, across])


def turned(inertia_kgm2: Floats, turn: Floats) -> Floats:
    """Return an inertia along the axes in which its body is turned.

    Args:
        inertia_kgm2: Along its own axes, (3, 3).
        turn: (3, 3).

    Source:
        R I Rᵀ.
    """
    found: Floats = turn @ inertia_kgm2 @ turn.T
    return found


def together(bodies: Sequence[Weighed]) -> Weighed:
    """Return several masses as one.

    Args:
        bodies: At least one, of some mass.

    Raises:
        ImpossibleInput: If nothing weighs anything.

    Source:
        Steiner: Σ (I + m (d² 1 - d dᵀ)). Worked example masses-five-bodies-and-lift.
    """
    kg = sum(body.kg for body in bodies)
    if kg <= 0:
        raise ImpossibleInput("mass", fig(kg, "kg"), "above 0")
    cg: Floats = np.sum([body.kg * body.cg_mm for body in bodies], axis=0) / kg
    total = np.zeros((3, 3))
    for body in bodies:
        apart = (body.cg_mm - cg) / 1000
        total += body.inertia_kgm2 + body.kg * (apart @ apart * np.eye(3) - np.outer(apart, apart))
    return Weighed(kg, cg, total)


@dataclass(frozen=True, kw_only=True)
class Hangs:
    """How a load hangs from an eye until its centre of gravity is under it, from level."""

    tilted_deg: float
    nose_down_deg: float  # in side view
    left_down_deg: float  # in front view


def hangs(*, eye_mm: Floats, cg_mm: Floats) -> Hangs:
    """Return how a load tilts when it is lifted.

    Args:
        eye_mm: Where it is lifted, (3,).
        cg_mm: Its centre of gravity, below the eye, (3,).

    Raises:
        ImpossibleInput: If the eye is not above the centre of gravity: it would turn over.

    Source:
        tan of the tilt = level offset over drop. Worked example masses-five-bodies-and-lift.
    """
    x, y, z = (cg_mm - eye_mm).tolist()
    if z >= 0:
        raise ImpossibleInput(
            "lifting eye", fig(float(eye_mm[2]), "mm", 0), f"above the centre of gravity at {fig(cg_mm[2], 'mm', 0)}"
        )
    return Hangs(
        tilted_deg=math.degrees(math.atan(math.hypot(x, y) / -z)),
        nose_down_deg=math.degrees(math.atan(x / -z)),
        left_down_deg=math.degrees(math.atan(y / -z)),
    )
