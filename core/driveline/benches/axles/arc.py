"""Where a live axle carries its pinion's joint as it rises and drops: straight, or along its own arc as measured."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.sheet import AxlePath, PropLine
from driveline.cardan.wound import nose_up
from driveline.margins import missing_of
from driveline.sheet import value_of

NEAR_MM = 1.0  # of a stop, that counts as measured there


@dataclass(frozen=True, slots=True, kw_only=True)
class AxleArc:
    """Places of a pinion's joint, lowest first, ride among them: height, how far ahead, and its nose's turn."""

    up_mm: Floats
    ahead_mm: Floats
    nose_deg: Floats

    def at(self, heights_mm: Sequence[float] | Floats, toward_box: float, line: Floats) -> tuple[Floats, Floats]:
        """Return how far the joint goes from ride, (h, 3), and which way the pinion points there, (h, 3).

        Args:
            heights_mm: Above ride, (h,); past what was measured the nearest counts.
            toward_box: +1 where the box is ahead of the axle, else -1.
            line: The pinion's at ride, toward the axle, (3,).

        Source:
            By straight line between the places that were measured.
        """
        heights = np.asarray(heights_mm, dtype=float)
        ahead = np.interp(heights, self.up_mm, self.ahead_mm)
        noses = np.interp(heights, self.up_mm, self.nose_deg)
        shifts = np.stack((toward_box * ahead, np.zeros_like(heights), heights), axis=1)
        return shifts, np.array([nose_up(line, float(nose)) for nose in noses])


STRAIGHT = AxleArc(up_mm=np.zeros(1), ahead_mm=np.zeros(1), nose_deg=np.zeros(1))


def arc_of(line: PropLine) -> AxleArc:
    """Return an axle's arc; straight while none was measured."""
    if line.goes is not AxlePath.MEASURED:
        return STRAIGHT
    places = {0.0: (0.0, 0.0)}
    for one in line.arc:
        up, ahead, nose = value_of(one.up), value_of(one.ahead), value_of(one.nose)
        if up is not None and ahead is not None and nose is not None:
            places[up] = (ahead, nose)
    up_mm = sorted(places)
    ahead_mm, nose_deg = zip(*(places[up] for up in up_mm), strict=True)
    return AxleArc(up_mm=np.array(up_mm), ahead_mm=np.array(ahead_mm), nose_deg=np.array(nose_deg))


def arc_missing(line: PropLine) -> tuple[str, ...]:
    """Return what keeps an axle's way up and down from being known, in words."""
    asked: dict[str, object] = {f"{line.name}: whether its axle goes straight up and down, or by an arc": line.goes}
    if line.goes is AxlePath.MEASURED:
        found = arc_of(line)
        whole = all(None not in (value_of(one.up), value_of(one.ahead), value_of(one.nose)) for one in line.arc)
        asked[f"{line.name}: up, ahead and nose of every place of its axle's arc"] = whole
        at_ride = [(value_of(one.ahead), value_of(one.nose)) for one in line.arc if value_of(one.up) == 0]
        asked[f"{line.name}: its axle's arc from ride height on, where it is 0 ahead and 0 nose"] = all(
            place == (0, 0) for place in at_ride
        )
        for word, stop, end in (("bump stop", value_of(line.bump), 1), ("droop", value_of(line.droop), -1)):
            reached = float(found.up_mm.max() if end > 0 else -found.up_mm.min())
            asked[f"{line.name}: its axle's arc as far as its {word}"] = stop is None or reached >= stop - NEAR_MM
    return missing_of(asked)
