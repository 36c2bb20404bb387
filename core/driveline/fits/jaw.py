"""Two hubs with a spider between them, each to be slid along its own shaft: how far apart the faces may stand."""

import math
from collections.abc import Iterable
from dataclasses import dataclass
from itertools import product
from typing import Final

from driveline.words import Choice


class SpiderWay(Choice):
    """What is done about the shafts' ends where they meet the spider."""

    KEPT = "spider_kept", "spider whole"
    DRILLED = "spider_drilled", "spider drilled"
    CUT = "shaft_cut", "motor shaft cut"


@dataclass(frozen=True, slots=True, kw_only=True)
class JawRoom:
    """What a jaw coupling's hubs and spider ask of the room, mm."""

    hub_lengths_mm: tuple[float, float]  # the motor's, the gearbox's
    hub_to_face_least_mm: float
    hub_engaged_least_mm: float  # on its shaft
    gap_least_mm: float  # between the hubs' inner faces: the spider with its end play
    gap_greatest_mm: float
    tip_gap_least_mm: float  # between shaft ends inside a drilled spider


@dataclass(frozen=True, slots=True, kw_only=True)
class FaceWindow:
    """How far apart the faces may stand, from the least to the greatest."""

    least_mm: float
    greatest_mm: float

    @property
    def is_possible(self) -> bool:
        """Whether any distance does."""
        return self.least_mm <= self.greatest_mm

    @property
    def middle_mm(self) -> float:
        """Half-way."""
        return (self.least_mm + self.greatest_mm) / 2


SIGNS: Final = (-1.0, 1.0)


def face_window(
    way: SpiderWay, stubs: tuple[tuple[float, float], tuple[float, float]], room: JawRoom, *, apart_either_way_mm: float
) -> FaceWindow:
    """Return the distances between the machines' faces that a jaw coupling allows.

    Args:
        way: Spider kept or drilled; cut is as kept, with the stub as it will be.
        stubs: How far each shaft stands out of its face, below nought behind it, with its limits either way, mm.
        room: What hubs and spider ask.
        apart_either_way_mm: Limits of the distance itself.

    Source:
        Each hub's inner face stands e before its shaft's tip, e ≤ hub length - engaged, e ≥ hub length + back gap -
        stub, and e ≥ 0 with the spider kept; distance = stubs + both e + gap, worst over the stubs' corners. Worked
        example jaw-three-alternatives.
    """
    most_e = [hub_mm - room.hub_engaged_least_mm for hub_mm in room.hub_lengths_mm]
    lows, highs = [], []
    for signs in product(SIGNS, repeat=2):
        lengths = [length + sign * limit for (length, limit), sign in zip(stubs, signs, strict=True)]
        least_e = [  # a shaft that ends behind its face has no face in its hub's way
            hub_mm + room.hub_to_face_least_mm - length if length > 0 else -math.inf
            for length, hub_mm in zip(lengths, room.hub_lengths_mm, strict=True)
        ]
        if way is not SpiderWay.DRILLED:
            least_e = [max(0.0, one) for one in least_e]
        low = sum(lengths) + room.gap_least_mm + sum(least_e)
        if way is SpiderWay.DRILLED:
            low = max(low, sum(lengths) + room.tip_gap_least_mm)
        lows.append(low if _fits(least_e, most_e) else math.inf)
        highs.append(sum(lengths) + room.gap_greatest_mm + sum(most_e))
    return FaceWindow(least_mm=max(lows) + apart_either_way_mm, greatest_mm=min(highs) - apart_either_way_mm)


def _fits(least_e: Iterable[float], most_e: Iterable[float]) -> bool:
    return all(least <= most for least, most in zip(least_e, most_e, strict=True))
