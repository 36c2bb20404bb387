"""A frame that is cut: its section along the cut, old against new."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput


@dataclass(frozen=True, slots=True, kw_only=True)
class Strip:
    """A rectangle of a section, from its lower left corner."""

    x_mm: float
    y_mm: float
    breadth_mm: float
    height_mm: float
    is_outside: bool = False  # of the cell that closes the section

    def __post_init__(self) -> None:
        if not (self.breadth_mm > 0 and self.height_mm > 0):
            raise ImpossibleInput("plate", min(self.breadth_mm, self.height_mm), "of sides above 0 mm")


@dataclass(frozen=True, slots=True, kw_only=True)
class Cell:
    """The middle line of the walls that close a section; a wall from each corner to the next."""

    corners_mm: Floats  # (n, 2)
    walls_mm: Floats  # (n,)


@dataclass(frozen=True, slots=True, kw_only=True)
class FrameSection:
    """A section of a frame."""

    area_mm2: float
    centroid_mm: tuple[float, float]
    level_mm4: float  # about the level axis through its middle
    sideways_mm4: float
    modulus_mm3: float  # to the farther fibre
    torsion_mm4: float
    is_closed: bool
    product_mm4: float = 0.0  # of both axes; nought where it stands square
    cells: int = 0

    @property
    def principal(self) -> tuple[float, float, float]:
        """The greatest and the least second moment, mm⁴, and how far the first's axis leans from level, degrees."""
        mean, half = (self.level_mm4 + self.sideways_mm4) / 2, (self.level_mm4 - self.sideways_mm4) / 2
        reach = math.hypot(half, self.product_mm4)
        return mean + reach, mean - reach, math.degrees(math.atan2(-self.product_mm4, half)) / 2


def frame_section(strips: Sequence[Strip], cell: Cell | None) -> FrameSection:
    """Return a section's figures.

    Args:
        strips: Its plates, which touch but do not overlap.
        cell: The middle line of the walls that close it; ``None`` for an open one.

    Raises:
        ImpossibleInput: If there is no plate.

    Source:
        Exact rectangles; torsion 4 A_m²/Σ(s/t) of the cell and Σ b t³/3 of what is outside it, or of all where it is
        open. Worked example cut-frame-stations.
    """
    if not strips:
        raise ImpossibleInput("section", 0, "of a plate or more")
    x, y, b, h = np.array([(s.x_mm, s.y_mm, s.breadth_mm, s.height_mm) for s in strips]).T
    areas = b * h
    area = float(areas.sum())
    mid_x, mid_y = float((areas * (x + b / 2)).sum() / area), float((areas * (y + h / 2)).sum() / area)
    level = float((b * h**3 / 12 + areas * (y + h / 2 - mid_y) ** 2).sum())
    sideways = float((h * b**3 / 12 + areas * (x + b / 2 - mid_x) ** 2).sum())
    farther = max(float((y + h).max()) - mid_y, mid_y - float(y.min()))
    open_torsion = np.maximum(b, h) * np.minimum(b, h) ** 3 / 3
    if cell is None:
        torsion = float(open_torsion.sum())
    else:
        outside = np.array([s.is_outside for s in strips])
        torsion = _cell_torsion_mm4(cell) + float(open_torsion[outside].sum())
    return FrameSection(
        area_mm2=area,
        centroid_mm=(mid_x, mid_y),
        level_mm4=level,
        sideways_mm4=sideways,
        modulus_mm3=level / farther,
        torsion_mm4=torsion,
        is_closed=cell is not None,
        cells=int(cell is not None),
    )


def section_of(
    area_mm2: float, middle_mm: Floats, second_mm4: Floats, fibres_mm: Floats, *, torsion_mm4: float, cells: int
) -> FrameSection:
    """Return a section by its integrals.

    Args:
        area_mm2: Of it.
        middle_mm: (2,).
        second_mm4: ∫ x x, ∫ x y; ∫ x y, ∫ y y about the middle, (2, 2).
        fibres_mm: Its corners from the middle, (n, 2).
        torsion_mm4: Its torsion constant.
        cells: How many hollows it closes.

    Source:
        The modulus by bending about skew axes, ``_skew_modulus_mm3``.
    """
    return FrameSection(
        area_mm2=area_mm2,
        centroid_mm=(float(middle_mm[0]), float(middle_mm[1])),
        level_mm4=float(second_mm4[1, 1]),
        sideways_mm4=float(second_mm4[0, 0]),
        modulus_mm3=_skew_modulus_mm3(second_mm4, fibres_mm),
        torsion_mm4=torsion_mm4,
        is_closed=cells > 0,
        product_mm4=float(second_mm4[0, 1]),
        cells=cells,
    )


def _skew_modulus_mm3(second: Floats, fibres: Floats) -> float:
    """What a moment about the level axis is divided by at its worst fibre, σ = M (I_y y - I_xy x)/(I_x I_y - I_xy²)."""
    across, product, level = second[0, 0], second[0, 1], second[1, 1]
    whole = across * level - product**2
    if whole <= 1e-9 * (across + level) ** 2:  # one plate on edge: no skew to speak of
        return float(level / np.abs(fibres[:, 1]).max())
    return float(whole / np.abs(across * fibres[:, 1] - product * fibres[:, 0]).max())


def _cell_torsion_mm4(cell: Cell) -> float:
    x, y = cell.corners_mm.T
    after = np.roll(cell.corners_mm, -1, axis=0)
    enclosed = abs(float((x * after[:, 1] - y * after[:, 0]).sum())) / 2
    lengths = np.linalg.norm(after - cell.corners_mm, axis=1)
    return 4 * enclosed**2 / float((lengths / cell.walls_mm).sum())


def ratios_of(new: FrameSection, old: FrameSection) -> dict[str, float]:
    """Return what is left of area, I, Z and J."""
    return {
        "area": new.area_mm2 / old.area_mm2,
        "I": new.level_mm4 / old.level_mm4,
        "Z": new.modulus_mm3 / old.modulus_mm3,
        "J": new.torsion_mm4 / old.torsion_mm4,
    }
