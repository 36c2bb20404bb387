"""How much welding pulls a gap shut, and at what gap to jig it."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.special import stdtrit

from driveline.errors import ImpossibleInput

TEE: Final = 1.02  # two fillets, of leg over the continuous plate's thickness, mm
LAP: Final = 1.52
MOST_LEG: Final = 0.75  # of that thickness: the rule was measured so far
SURE: Final = 0.975
FEWEST: Final = 3  # logged welds before they replace the rule


def pull_mm(*, leg_mm: float, plate_mm: float, is_lap: bool = False) -> float:
    """Return how much a joint closes by the rule.

    Args:
        leg_mm: Of the fillets.
        plate_mm: Thickness of the plate that goes through.
        is_lap: A lap and no tee.

    Raises:
        ImpossibleInput: If a size is not above nought.

    Source:
        AWS Welding Handbook, 1.02 leg/t for a tee with two fillets, 1.52 for a lap. Worked example weld-pull.
    """
    if not (leg_mm > 0 and plate_mm > 0):
        raise ImpossibleInput("weld", min(leg_mm, plate_mm), "of a leg and a plate above 0 mm")
    return (LAP if is_lap else TEE) * leg_mm / plate_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class Pulled:
    """What logged welds of a joint say of the next."""

    count: int
    mean_mm: float
    spread_mm: float
    student_t: float
    half_width_mm: float  # of the next one's 95 % range

    @property
    def range_mm(self) -> tuple[float, float]:
        """Where the next one lies, 19 times in 20."""
        return self.mean_mm - self.half_width_mm, self.mean_mm + self.half_width_mm


def at_bolt_mm(closed_mm: float, tilt_deg: float, height_mm: float) -> float:
    """Return how much a gap closes at the bolt.

    Args:
        closed_mm: At the foot.
        tilt_deg: Of the free ear.
        height_mm: From the foot to the bolt.

    Source:
        Plain geometry; at one degree an ear of 60 mm moves 1 mm.
    """
    return closed_mm + height_mm * math.tan(math.radians(tilt_deg))


def pulled(closings_mm: Sequence[float]) -> Pulled:
    """Return the mean of logged closings, and where the next lies.

    Args:
        closings_mm: Of welds of the same joint, two or more.

    Raises:
        ImpossibleInput: If there are fewer than two.

    Source:
        Prediction interval, mean ± t s √(1 + 1/n). Worked example weld-pull-and-tilt-from-nine-welds.
    """
    count = len(closings_mm)
    if count < 2:
        raise ImpossibleInput("log", count, "two welds or more")
    spread = float(np.std(closings_mm, ddof=1))
    quantile = float(stdtrit(count - 1, SURE))
    return Pulled(
        count=count,
        mean_mm=float(np.mean(closings_mm)),
        spread_mm=spread,
        student_t=quantile,
        half_width_mm=quantile * spread * math.sqrt(1 + 1 / count),
    )


def shim_mm(mean_mm: float, stock_mm: Sequence[float]) -> float:
    """Return the multiple of the thinnest shim in stock that is nearest to what a joint closes.

    Args:
        mean_mm: That it closes.
        stock_mm: Shims in stock, one or more.

    Source:
        Nearest multiple.
    """
    least = min(stock_mm)
    return round(mean_mm / least) * least


def shim_stack(thick_mm: float, stock_mm: Sequence[float]) -> tuple[float, ...]:
    """Return the fewest shims of a stock that make up a thickness, the thickest first; none for nought.

    Args:
        thick_mm: A multiple of the thinnest.
        stock_mm: Shims in stock, each a multiple of the thinnest, one or more.

    Source:
        The thickest that fits, again and again.
    """
    least, found = min(stock_mm), list[float]()
    left = round(thick_mm / least)
    for shim in sorted(stock_mm, reverse=True):
        steps = round(shim / least)
        found += [shim] * (left // steps)
        left %= steps
    return tuple(found)


def logs_to_halve(log: Pulled, now_mm: float, *, most: int = 400) -> int | None:
    """Return how many more logged welds would halve the range, the spread staying as it is; ``None`` if none would.

    Args:
        log: As it is.
        now_mm: Half width to halve.
        most: Beyond it nobody welds.

    Source:
        The same prediction interval with more in it; it never falls below 1.96 s.
    """
    counts = np.arange(log.count + 1, log.count + most)
    widths = stdtrit(counts - 1, SURE) * log.spread_mm * np.sqrt(1 + 1 / counts)
    enough = np.flatnonzero(widths <= now_mm / 2)
    return int(enough[0]) + 1 if enough.size else None
