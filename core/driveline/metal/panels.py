"""Walls of a section that may fold: flat between two edges, flat with one of them free, or round."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.metal.struts import PanelBuckling, panel_buckling, reduced

ROUND: Final = 0.605  # 1/√(3 (1 - ν²)) of a perfect cylinder, ν 0.3


@dataclass(frozen=True, slots=True, kw_only=True)
class Panel:
    """A wall of a section."""

    words: str
    breadth_mm: float  # clear, between its edges; of a round wall the radius of its middle line
    thickness_mm: float
    has_free_edge: bool = False
    is_round: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Fold:
    """A wall, and when it folds."""

    panel: Panel
    found: PanelBuckling


def fold_of(panel: Panel, *, e_mpa: float, poisson: float, yield_mpa: float) -> Fold:
    """Return the stress at which a wall folds.

    Args:
        panel: The wall.
        e_mpa: Young's modulus.
        poisson: Poisson's ratio.
        yield_mpa: Of it.

    Raises:
        ImpossibleInput: If a size is not above nought.

    Source:
        Flat: ``panel_buckling``. Round: ``round_buckling``.
    """
    if panel.is_round:
        return Fold(panel=panel, found=round_buckling(panel.breadth_mm, panel.thickness_mm, e_mpa, yield_mpa))
    found = panel_buckling(
        breadth_mm=panel.breadth_mm,
        thickness_mm=panel.thickness_mm,
        has_free_edge=panel.has_free_edge,
        e_mpa=e_mpa,
        poisson=poisson,
        yield_mpa=yield_mpa,
    )
    return Fold(panel=panel, found=found)


def round_buckling(radius_mm: float, thickness_mm: float, e_mpa: float, yield_mpa: float) -> PanelBuckling:
    """Return the stress at which the wall of a round tube dents.

    Args:
        radius_mm: Of its middle line.
        thickness_mm: Of it.
        e_mpa: Young's modulus.
        yield_mpa: Of it.

    Raises:
        ImpossibleInput: If a size is not above nought.

    Source:
        γ 0.605 E t/r with γ = 1 - 0.901 (1 - exp(-√(r/t)/16)), the lower bound of tests on cylinders in compression
        (NASA SP-8007); above half of yield S_y (1 - S_y/4σ) as for flat ones.
    """
    if not (radius_mm > 0 and thickness_mm > 0):
        raise ImpossibleInput("tube", min(radius_mm, thickness_mm), "of sizes above 0")
    lowered = 1 - 0.901 * (1 - math.exp(-math.sqrt(radius_mm / thickness_mm) / 16))
    factor = lowered * ROUND
    return reduced(factor, factor * e_mpa * thickness_mm / radius_mm, yield_mpa)
