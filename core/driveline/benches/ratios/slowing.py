"""How hard the motors slow the vehicle on overrun, and what the tyres hold of it."""

from dataclasses import dataclass

import numpy as np

from driveline.benches.ratios.gearing import Gearing, radius_m
from driveline.gearing.brief import Brief
from driveline.gearing.road import FRONT_PULL, Balance, Body, Driven, FrontPull, overrun_slip_limit_n


@dataclass(frozen=True, slots=True)
class Slowing:
    """The force of overrun at the road, and how it is shared."""

    force_n: float
    front_n: float  # of a front motor of its own; 0 where there is none
    share: FrontPull


@dataclass(frozen=True, slots=True)
class Held:
    """What the tyres hold of the whole force in one state of the vehicle, and what it comes of."""

    together_n: float  # before the first axle locks, both slowing
    alone_n: float | None  # before the front locks, were it slowing alone; of its own force
    limit_n: float


def slowing_of(one: Gearing, brief: Brief) -> Slowing:
    """Return how the motors slow the vehicle; one whose overrun is not known counts as none."""
    forces_n = [
        (brief.overruns_nm[lane.motor] or 0.0) * float(lane.chain.overrun_multipliers[-1]) / radius_m(lane.rolling)
        for lane in one.lanes
    ]
    total_n = float(sum(forces_n))
    if len(one.motors) == 1:
        return Slowing(total_n, 0.0, one.gearings.front_pull)
    front_n = float(sum(force for force, lane in zip(forces_n, one.lanes, strict=True) if lane.is_front))
    share = front_n / total_n if total_n else 0.5
    return Slowing(total_n, front_n, FrontPull(share, share))


def held_by(slowing: Slowing, body: Body | None, balance: Balance | None, mu: float) -> Held | None:
    """Return what the tyres hold, ``None`` while it is not known.

    What the rear slows presses on to the front, and may fade first: a front motor is judged by itself too.
    """
    if body is None or balance is None:
        return None
    kinds = {"mass_kg": body.mass_kg, "balance": balance, "mu": mu}
    together_n = _figure(overrun_slip_limit_n(front_pull=slowing.share, **kinds))  # type: ignore[arg-type]
    if not slowing.front_n:
        return Held(together_n, None, together_n)
    alone_n = _figure(overrun_slip_limit_n(front_pull=FRONT_PULL[Driven.FRONT], **kinds))  # type: ignore[arg-type]
    return Held(together_n, alone_n, min(together_n, alone_n * slowing.force_n / slowing.front_n))


def _figure(value: object) -> float:
    return float(np.ravel(value)[0])  # type: ignore[call-overload]
