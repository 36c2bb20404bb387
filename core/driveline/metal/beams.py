"""Straight beams by their stiffness: what one that is held at its foot holds its top with."""

import numpy as np

from driveline.arrays import Floats
from driveline.metal.sections import SHEAR_MODULUS, Section


def top_stiffness(section: Section, lengths_mm: Floats, e_mpa: float) -> Floats:
    """Return what beams hold their tops with, their feet held, (n, 6, 6), N/mm, N and N·mm.

    Args:
        section: Of each. x runs along it from foot to top, y is across its breadth, z along its depth.
        lengths_mm: Of each, (n,).
        e_mpa: Young's modulus.

    Source:
        12 E I/L³, 6 E I/L², 4 E I/L, E A/L and G J/L.
    """
    found = np.zeros((len(lengths_mm), 6, 6))
    found[:, 0, 0] = e_mpa * section.area_mm2 / lengths_mm
    found[:, 3, 3] = e_mpa / SHEAR_MODULUS * section.torsion_mm4 / lengths_mm
    for move, turn, inertia, sense in ((1, 5, section.across_mm4, -1.0), (2, 4, section.upright_mm4, 1.0)):
        bending = e_mpa * inertia
        found[:, move, move] = 12 * bending / lengths_mm**3
        found[:, turn, turn] = 4 * bending / lengths_mm
        found[:, move, turn] = found[:, turn, move] = sense * 6 * bending / lengths_mm**2
    return found
