"""What an overhung motor does to the plate: tension in its screws, and how far its shaft leans."""

import math
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig

TURNS: Final = np.radians(np.arange(0.0, 360.0, 1.0))
TURN_STEP: Final = float(TURNS[1])
NEWTON_STEPS: Final = 5  # from within half a degree


class _Pattern:
    """Screws about their centroid, along the axes in which they reach farthest and least.

    Directions run as φ with tanθ = k tanφ, k the ratio of both reaches: there every peak is equally broad, however
    thin the pattern.
    """

    def __init__(self, xy_mm: Floats) -> None:
        if len(xy_mm) < 3:
            raise ImpossibleInput("holes", len(xy_mm), "three or more that are not on one line")
        about = np.asarray(xy_mm) - np.mean(xy_mm, axis=0)
        second, axes = np.linalg.eigh(about.T @ about)
        if second[0] < 1e-6 * max(float(second[1]), 1e-9):
            raise ImpossibleInput("holes", len(xy_mm), "three or more that are not on one line")
        self.along = about @ axes  # (n, 2): along the axis of the lesser sum first
        self.least, self.greatest = float(second[0]), float(second[1])
        self.slant = (self.least / self.greatest) ** 0.5

    def directions(self, phi: Floats) -> Floats:
        """Return unit vectors, (2, m)."""
        raw = np.vstack([np.cos(phi), self.slant * np.sin(phi)])
        unit: Floats = raw / np.hypot(raw[0], raw[1])
        return unit

    def share_per_mm(self, phi: Floats) -> Floats:
        """Return y_i/Σy² of each screw in its own direction or in all of them, 1/mm; (n,) or (n, m)."""
        cos, sin = np.cos(phi), self.slant * np.sin(phi)
        reach = self.along[:, :1] * cos + self.along[:, 1:] * sin
        found: Floats = reach * np.hypot(cos, sin) / self.least
        return found

    def to_peak(self, phi: Floats) -> Floats:
        """Return Newton's step from each screw's direction, (n, 1), to where its share is greatest.

        With reach R(φ) and squared length H(φ) of the direction: (√H R)' = 0 is 2 H R' + H' R = 0.
        """
        cos, sin, bent = np.cos(phi), np.sin(phi), self.slant**2 - 1
        reach = self.along[:, :1] * cos + self.along[:, 1:] * self.slant * sin
        rise = self.along[:, 1:] * self.slant * cos - self.along[:, :1] * sin
        length = 1 + bent * sin**2
        slope = rise * length + reach * bent * sin * cos
        curve = 3 * rise * bent * sin * cos - reach * length + reach * bent * (cos**2 - sin**2)
        step: Floats = slope / np.where(curve < 0, curve, -np.abs(curve) - 1e-300)
        return step


def greatest_tension_n(xy_mm: Floats, moment_nm: float) -> float:
    """Return the greatest tension that a tilting moment puts into one screw of a clamped pattern, N.

    The worst direction is sought for every screw by itself, to the last digit: for a thin pattern it is a sharp peak.

    Args:
        xy_mm: Screws, (n, 2), mm; three or more that are not on one line.
        moment_nm: About any axis in the face.

    Source:
        F_i = M y_i/Σy² from the group's centroid, while the joint stays clamped.

    Raises:
        ImpossibleInput: If the pattern can't hold a moment about every axis.
    """
    pattern = _Pattern(xy_mm)
    every = pattern.share_per_mm(TURNS)
    phi = TURNS[every.argmax(axis=1)][:, None]
    for _ in range(NEWTON_STEPS):
        phi = phi - np.clip(pattern.to_peak(phi), -TURN_STEP, TURN_STEP)
    # What a step came to is a direction that occurs, and so is every one of the start: the most of them is a bound.
    return float(max(every.max(), pattern.share_per_mm(phi).max()) * moment_nm * 1000)


def heel_tension_n(xy_mm: Floats, moment_nm: float, *, heel_mm: float) -> float:
    """Return the greatest tension in one screw once the joint has opened and turns about its heel, N.

    In the worst of 360 directions, spread as the pattern is.

    Args:
        xy_mm: Screws, (n, 2), mm.
        moment_nm: About any axis in the face: the worst is sought.
        heel_mm: From the outermost screw to the edge that it turns about; 0 or more.

    Source:
        F_i = M y_i/Σy² with y from the heel.

    Raises:
        ImpossibleInput: If the pattern can't hold a moment about every axis.
    """
    pattern = _Pattern(xy_mm)
    arms = pattern.along @ pattern.directions(TURNS)
    from_heel = arms - arms.min(axis=0) + heel_mm
    return float((from_heel.max(axis=0) / (from_heel**2).sum(axis=0)).max() * moment_nm * 1000)


def legs_tilt_deg(
    *, moment_nm: float, length_mm: float, area_mm2: float, second_mm2: float, modulus_mpa: float
) -> float:
    """Return how far a rigid plate on legs leans under a tilting moment, by the legs' stretch alone, degrees.

    Args:
        moment_nm: About an axis in the plate.
        length_mm: Of the legs.
        area_mm2: Of one leg; above 0.
        second_mm2: Σy² of the legs about the axis that they resist least; above 0.
        modulus_mpa: Of their material.

    Source:
        A leg stretches by F L/(E A), and F = M y/Σy²; tilt = M L/(E A Σy²).
    """
    return math.degrees(moment_nm * 1000 * length_mm / (modulus_mpa * area_mm2 * second_mm2))


def legs_drop_mm(*, force_n: float, count: int, length_mm: float, inertia_mm4: float, modulus_mpa: float) -> float:
    """Return how far a rigid plate on legs sinks sideways under a load across them, mm.

    Source:
        Each leg a beam held against turning at both ends: δ = F L³/(12 E I n).
    """
    return force_n * length_mm**3 / (12 * modulus_mpa * inertia_mm4 * count)


def legs_stress_mpa(
    *, force_n: float, pull_n: float, count: int, length_mm: float, area_mm2: float, modulus_mm3: float
) -> float:
    """Return the greatest stress in a leg under a load across all legs and a pull along the worst of them, MPa.

    Source:
        Held against turning at both ends: M = F L/(2 n) in each; σ = M/Z + N/A.
    """
    return force_n * length_mm / (2 * count) / modulus_mm3 + pull_n / area_mm2


def hub_tilt_deg(
    *, moment_nm: float, inner_mm: float, outer_mm: float, thickness_mm: float, modulus_mpa: float, poisson: float
) -> float:
    """Return how far a rigid hub on an annular plate leans under a tilting moment, degrees.

    The plate is clamped at the outer radius and carries a hub that does not bend at the inner one: a motor on its bolt
    circle in a plate on the flange's, or the other way about: between two rigid rings it is the same which one is held.
    Thin plate; holes, ribs and the flange's own give are left out.

    Args:
        moment_nm: On the hub, about an axis in the plate.
        inner_mm: Radius of the hub; above 0, below ``outer_mm``.
        outer_mm: Radius at which the plate is clamped.
        thickness_mm: Of the plate; above 0.
        modulus_mpa: Of its material.
        poisson: Of its material.

    Raises:
        ImpossibleInput: If a size is outside the range stated above.

    Source:
        Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells, 2nd ed., art. 63: w = (A r³ + B r + C/r +
        D r ln r) cosθ, with D = M/(4π D_plate).
    """
    if not 0 < inner_mm < outer_mm:
        raise ImpossibleInput("inner_mm", fig(inner_mm, "mm"), f"between 0 and {fig(outer_mm, 'mm')}")
    if not thickness_mm > 0:
        raise ImpossibleInput("thickness_mm", fig(thickness_mm, "mm"), "above 0")
    stiffness_nmm = modulus_mpa * thickness_mm**3 / (12 * (1 - poisson**2))
    b = inner_mm / outer_mm  # radii over the outer one, so that the four equations are alike in size
    # Unknown: A, B, C for D = 1, and the lean. Rim: w = w' = 0. Hub: w = lean × r, w' = lean.
    matrix = np.array(
        [
            [1.0, 1.0, 1.0, 0.0],
            [3.0, 1.0, -1.0, 0.0],
            [b**3, b, 1 / b, -b],
            [3 * b**2, 1.0, -1 / b**2, -1.0],
        ]
    )
    right = -np.array([0.0, 1.0, b * math.log(b), math.log(b) + 1.0])
    lean = abs(float(np.linalg.solve(matrix, right)[3]))
    return math.degrees(lean * moment_nm * 1000 / (4 * math.pi * stiffness_nmm))
