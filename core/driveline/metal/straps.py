"""A cylinder in a cradle with a strap over it: what the strap bears, and what keeps the cylinder where it lies."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig

LEGS: Final = 2
LEAST_HALF_DEG: Final = 10.0
MOST_HALF_DEG: Final = 85.0
MOST_FRICTION: Final = 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Strap:
    """A flat strap half round a cylinder; its two feet are bolted to the cradle's flanges."""

    cylinder_mm: float
    breadth_mm: float
    thickness_mm: float
    foot_mm: float  # from its upright to the bolt
    half_deg: float  # half of the angle by which the cradle embraces the cylinder from below
    friction: float

    def __post_init__(self) -> None:
        sizes = (self.cylinder_mm, self.breadth_mm, self.thickness_mm, self.foot_mm)
        if not all(math.isfinite(one) and one > 0 for one in sizes):
            raise ImpossibleInput("strap", fig(min(sizes), "mm"), "of sizes above 0")
        if not LEAST_HALF_DEG <= self.half_deg <= MOST_HALF_DEG:
            least, most = 2 * LEAST_HALF_DEG, 2 * MOST_HALF_DEG
            raise ImpossibleInput(
                "angle of the cradle", fig(2 * self.half_deg, "°"), f"{fig(least, '°')} to {fig(most, '°')}"
            )
        if not 0 < self.friction <= MOST_FRICTION:
            raise ImpossibleInput("friction", fig(self.friction, ""), f"above 0, at most {fig(MOST_FRICTION, '')}")


def leg_n(*, preload_n: float, up_n: float, side_n: float) -> float:
    """Return the most that a leg of a strap pulls, N.

    Args:
        preload_n: Of its bolt, at the most.
        up_n: By which the cylinder is lifted, 0 or more.
        side_n: By which it is pushed aside, 0 or more: up the cradle's flank, at the worst into one leg.

    Source:
        Statics; the load comes on top of the preload, as where the joint has opened.
    """
    return preload_n + (up_n + side_n) / LEGS


def pulled_mpa(strap: Strap, leg_n: float) -> float:
    """Return the stress of a leg, MPa.

    Source:
        σ = F/(b t).
    """
    return leg_n / (strap.breadth_mm * strap.thickness_mm)


def foot_mpa(strap: Strap, leg_n: float) -> float:
    """Return the stress of a foot beside the leg, MPa.

    Source:
        A cantilever from its bolt, σ = 6 F a/(b t²).
    """
    return 6 * leg_n * strap.foot_mm / (strap.breadth_mm * strap.thickness_mm**2)


def unseats_n(strap: Strap, *, up_n: float, side_n: float) -> float:
    """Return the force on a strap that a load must not reach for the cylinder to stay in its cradle, N.

    Source:
        It rolls over the cradle's edge once side/down passes tan of half the angle.
    """
    return up_n + side_n / math.tan(math.radians(strap.half_deg))


def grips_n(strap: Strap, *, preload_n: float, up_n: float) -> float:
    """Return what a cylinder may be pushed with along itself before it slides, N.

    Args:
        strap: And cradle.
        preload_n: Of each bolt, at the least.
        up_n: By which the cylinder is lifted, 0 or more; what weighs on it is left out.

    Source:
        Coulomb; strap and cradle press on it with both bolts' preload each, less the lift.
    """
    return max(strap.friction * (2 * LEGS * preload_n - up_n), 0.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class PreloadWindow:
    """What each bolt's preload must be at the least and may be at the most, N."""

    least_n: float
    most_n: float


def preload_window(
    strap: Strap,
    *,
    leg_most_n: float,
    loads_n: tuple[tuple[float, float, float], ...],
    slip_margin: float,
) -> PreloadWindow:
    """Return between what a bolt's preload holds the cylinder and spares the strap.

    Args:
        strap: And cradle.
        leg_most_n: That a leg, its foot and its bolt may bear with their margins.
        loads_n: Along the cylinder, aside and up, each 0 or more, a row each case.
        slip_margin: Wanted of what is held by clamping.

    Source:
        The relations above, solved for the preload.
    """
    seated = max((unseats_n(strap, up_n=up, side_n=side) for _, side, up in loads_n), default=0.0)
    slides = max((slip_margin * along / strap.friction + up for along, _, up in loads_n), default=0.0)
    added = max(((up + side) / LEGS for _, side, up in loads_n), default=0.0)
    return PreloadWindow(
        least_n=max(slip_margin * seated / LEGS, slides / (2 * LEGS)), most_n=max(leg_most_n - added, 0.0)
    )
