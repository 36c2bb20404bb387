"""What a sheet that is folded measures flat: panels one beside the other, and where the bends between them are."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig

SQUARE_DEG: Final = 90.0
LEAST_K: Final = 0.325  # of the sheet's thickness, from the inside, with a radius as large as that
GREATEST_K: Final = 0.5


@dataclass(frozen=True, slots=True, kw_only=True)
class Unfolded:
    """A folded sheet laid flat."""

    width_mm: float
    bends_mm: tuple[float, ...]  # from one edge to the middle of each bend
    allowance_mm: float  # sheet in one bend


def neutral_share(inside_mm: float, thickness_mm: float) -> float:
    """Return how deep in a bend the fibre lies that keeps its length, over the thickness.

    Source:
        DIN 6935: k/2 with k = 0.65 + 0.5 lg(r/s), at the most 1; tried on a scrap of the same sheet, since it hangs on
        the press's tools.
    """
    return max(min(LEAST_K + 0.25 * math.log10(inside_mm / thickness_mm), GREATEST_K), 0.0)


def unfolded(outside_mm: Sequence[float], *, thickness_mm: float, inside_mm: float) -> Unfolded:
    """Return a sheet flat whose panels are folded square, one after another.

    Args:
        outside_mm: Each panel over its outside, from edge or bend to bend or edge, two or more.
        thickness_mm: Of the sheet.
        inside_mm: Radius of every bend, inside.

    Raises:
        ImpossibleInput: If a size is not above 0, or a panel is too short for its bends.

    Source:
        A square bend takes r + t off either panel and puts ¼ turn of its neutral fibre back, π/2 (r + K t).
    """
    for name, value in (("thickness", thickness_mm), ("radius of the bend", inside_mm)):
        if not (math.isfinite(value) and value > 0):
            raise ImpossibleInput(name, fig(value, "mm"), "above 0")
    setback = inside_mm + thickness_mm
    straight = []
    for k, outside in enumerate(outside_mm):
        left = outside - setback * (1 if k in (0, len(outside_mm) - 1) else 2)
        if not left > 0:
            raise ImpossibleInput(
                "panel", fig(outside, "mm"), f"more than its bends take, {fig(outside - left, 'mm', 1)}"
            )
        straight.append(left)
    allowance = math.pi / 2 * (inside_mm + neutral_share(inside_mm, thickness_mm) * thickness_mm)
    at, bends = 0.0, []
    for left in straight[:-1]:
        at += left
        bends.append(at + allowance / 2)
        at += allowance
    return Unfolded(width_mm=at + straight[-1], bends_mm=tuple(bends), allowance_mm=allowance)
