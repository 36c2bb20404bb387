"""The wall of a round tube under plates that are welded on it: it bends in before the weld gives."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import num

WALLS: Final = (10.0, 50.0)  # diameters over wall for which the rule holds
ALONG: Final = (5.0, 0.25)  # of a plate along the tube: both its figures
ACROSS: Final = (4.0, 20.0)  # of one across it
STANDS: Final = 0.5  # of its length: how one across resists being tipped in its plane


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundChord:
    """What a round tube bears under one plate or two alike."""

    share: float  # of the diameter: how long a plate is
    plate_n: float  # of one
    pull_n: float  # of all
    in_plane_nmm: float  # of a moment that tips them in their own planes
    aside_nmm: float  # of one that tips them square to that; nought of a single plate


def round_chord(
    *, outside_mm: float, wall_mm: float, plate_mm: float, count: int, apart_mm: float, is_along: bool, yield_mpa: float
) -> RoundChord:
    """Return what the wall of a round tube bears under plates.

    Args:
        outside_mm: Of the tube.
        wall_mm: Of it.
        plate_mm: Length of a plate where it is welded on.
        count: One plate or two.
        apart_mm: From middle to middle of two.
        is_along: Whether they lie along the tube; else across it.
        yield_mpa: Of the tube.

    Raises:
        ImpossibleInput: If a size is not above nought, or the tube is thicker or thinner than the rule is for.

    Source:
        EN 1993-1-8 table 7.3, k_p = 1: along N = 5 f t² (1 + 0.25 h/d), M = h N; across N = f t² (4 + 20 (b/d)²),
        M = 0.5 b N; a single plate bears nothing aside, two as a pair of pulls.
    """
    for name, value in (("diameter", outside_mm), ("wall", wall_mm), ("plate", plate_mm)):
        if not (math.isfinite(value) and value > 0):
            raise ImpossibleInput(name, value, "above 0")
    least, most = WALLS
    if not least <= outside_mm / wall_mm <= most:
        raise ImpossibleInput(
            "wall", f"{num(outside_mm / wall_mm, '', 0)} of it to the diameter", f"{least:g} to {most:g} of them"
        )
    share, once = plate_mm / outside_mm, yield_mpa * wall_mm**2
    if is_along:
        one = once * ALONG[0] * (1 + ALONG[1] * share)
    else:
        one = once * (ACROSS[0] + ACROSS[1] * min(share, 1.0) ** 2)
    return RoundChord(
        share=share,
        plate_n=one,
        pull_n=count * one,
        in_plane_nmm=count * one * plate_mm * (1.0 if is_along else STANDS),
        aside_nmm=one * apart_mm if count > 1 else 0.0,
    )
