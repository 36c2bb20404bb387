"""What an overhung motor does to the plate: tension in its screws, and how far its shaft leans."""

import math
from typing import Final

import numpy as np

from driveline.chain import Floats
from driveline.errors import ImpossibleInput

DIRECTIONS_DEG: Final = np.arange(0, 360, 1.0)


def _about_centroid(xy_mm: Floats) -> Floats:
    """Arms of each screw in every direction, (n, directions); refused where the pattern can't hold a moment."""
    if len(xy_mm) < 3:
        raise ImpossibleInput("holes", len(xy_mm), "three or more that are not on one line")
    about = np.asarray(xy_mm) - np.mean(xy_mm, axis=0)
    angle = np.radians(DIRECTIONS_DEG)
    arms: Floats = about @ np.vstack([np.cos(angle), np.sin(angle)])
    second = (arms**2).sum(axis=0)
    if second.min() < 1e-6 * max(second.max(), 1e-9):
        raise ImpossibleInput("holes", len(xy_mm), "three or more that are not on one line")
    return arms


def greatest_tension_n(xy_mm: Floats, moment_nm: float) -> float:
    """Return the greatest tension that a tilting moment puts into one screw of a clamped pattern, N.

    Args:
        xy_mm: Screws, (n, 2), mm; three or more that are not on one line.
        moment_nm: About any axis in the face: the worst is sought.

    Source:
        F_i = M y_i/Σy² from the group's centroid, while the joint stays clamped.

    Raises:
        ImpossibleInput: If the pattern can't hold a moment about every axis.
    """
    arms = _about_centroid(xy_mm)
    return float((arms.max(axis=0) / (arms**2).sum(axis=0)).max() * moment_nm * 1000)


def heel_tension_n(xy_mm: Floats, moment_nm: float, *, heel_mm: float) -> float:
    """Return the greatest tension in one screw once the joint has opened and turns about its heel, N.

    Args:
        xy_mm: Screws, (n, 2), mm.
        moment_nm: About any axis in the face: the worst is sought.
        heel_mm: From the outermost screw to the edge that it turns about; 0 or more.

    Source:
        F_i = M y_i/Σy² with y from the heel.

    Raises:
        ImpossibleInput: If the pattern can't hold a moment about every axis.
    """
    arms = _about_centroid(xy_mm)
    from_heel = arms - arms.min(axis=0) + heel_mm
    return float((from_heel.max(axis=0) / (from_heel**2).sum(axis=0)).max() * moment_nm * 1000)


def hub_tilt_deg(
    *, moment_nm: float, inner_mm: float, outer_mm: float, thickness_mm: float, modulus_mpa: float, poisson: float
) -> float:
    """Return how far a rigid hub on an annular plate leans under a tilting moment, degrees.

    The plate is clamped at the outer radius and carries a hub that does not bend at the inner one: a motor on its bolt
    circle in a plate on the flange's. Thin plate; holes, ribs and the flange's own give are left out.

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
        raise ImpossibleInput("inner_mm", inner_mm, f"between 0 and {outer_mm:g} mm")
    if not thickness_mm > 0:
        raise ImpossibleInput("thickness_mm", thickness_mm, "above 0 mm")
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
