"""Every way to gear the vehicle: as columns for the sweep, and one of them as lanes of stages."""

import math
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.benches.ratios.lanes import AS_FITTED, LanePlan, Place, Plan
from driveline.benches.ratios.sheet import Pick, SplitKind
from driveline.gearing.brief import Brief
from driveline.gearing.chain import Chain, Stage, StageKind
from driveline.gearing.design import GRIP_FOR_RATINGS, SLIP_SURCHARGE, governing_nm
from driveline.gearing.motor import Motor
from driveline.gearing.road import KMH_PER_MS, FrontPull, axle_slip_n
from driveline.gearing.sweep import Gearings, Road
from driveline.gearing.tyre import Rolling

NONE_NAME: Final = "none"
PEAK_POINTS: Final = 200
Rows = NDArray[np.int64]


@dataclass(frozen=True, slots=True, kw_only=True)
class Lane:
    """From a motor to the wheels of one axle."""

    is_front: bool
    motor: int
    chain: Chain
    shared: int  # how many leading stages the other lane goes through too
    rolling: Rolling

    @property
    def rpm_per_ms(self) -> float:
        """Speed of the motor per road speed, were this the only lane."""
        return self.chain.overall_ratio * 60_000 / self.rolling.circumference_mm

    @property
    def share(self) -> float:
        """Part of the motor's torque that goes this way."""
        return math.prod(stage.share for stage in self.chain.stages)

    @property
    def word(self) -> str:
        """Which axle it drives."""
        return "front" if self.is_front else "rear"


@dataclass(frozen=True, slots=True, kw_only=True)
class Gearing:
    """One way to gear the vehicle: what stands in each lane."""

    pick: Pick
    lanes: tuple[Lane, ...]
    motors: tuple[Motor, ...]
    gearings: Gearings  # its one row
    is_locked: bool = False  # both axles together, by a lock or a part-time transfer

    @property
    def key(self) -> str:
        """The names joined: how it is known to screen and sheet."""
        return pick_key(self.pick)

    def rpm_per_ms(self, motor: int = 0) -> float:
        """Return a motor's speed per road speed; with a centre differential the mean of what both axles ask."""
        return float(self.gearings.rpm_per_ms[0, motor])

    @property
    def greatest_kmh(self) -> float:
        """Road speed at which the first motor is out of speed."""
        return KMH_PER_MS * min(m.greatest_rpm / self.rpm_per_ms(k) for k, m in enumerate(self.motors))


def pick_key(pick: Pick) -> str:
    """Return the names of what stands in the line, joined; a tyre is named only when it is not the one fitted."""
    tyre = pick.tyre if pick.tyre != AS_FITTED else None
    front = f"front {pick.front_final_drive}" if pick.front_final_drive else None
    unit = f"front {pick.front_reduction}" if pick.front_reduction else None
    names = (pick.reduction, unit, pick.gear, pick.transfer, pick.final_drive, front, tyre)
    return " · ".join(name for name in names if name) or NONE_NAME


def motors_of(plan: Plan, brief: Brief, motor: Motor) -> tuple[Motor, ...]:
    """Return the motors in the order of the sweep's columns: one, or the rear and the front one."""
    return (motor, brief.front_motor or motor) if any(lane.motor for lane in plan.lanes) else (motor,)


class Sweep:
    """All combinations of a plan as columns, worked out once each when they are asked for."""

    def __init__(self, plan: Plan) -> None:
        self.plan = plan
        shape = tuple(len(dimension.options) for dimension in plan.dimensions)
        self._index = dict(
            zip([d.field for d in plan.dimensions], np.unravel_index(np.arange(plan.count), shape), strict=True)
        )

    def pick(self, row: int) -> Pick:
        """Return a row by the names of its parts."""
        return Pick.model_construct(**{d.field: d.options[self._index[d.field][row]] for d in self.plan.dimensions})

    def row_of(self, pick: Pick) -> int | None:
        """Return the row that has these parts; ``None`` when one of them is no longer there."""
        compared = {dimension.field for dimension in self.plan.dimensions}
        if any(named not in (None, AS_FITTED) and field not in compared for field, named in pick.parts):
            return None
        row = 0
        for dimension in self.plan.dimensions:
            wanted = getattr(pick, dimension.field)
            if dimension.field == "tyre":
                wanted = wanted or AS_FITTED
            if wanted not in dimension.options:
                return None
            row = row * len(dimension.options) + dimension.options.index(wanted)
        return row

    def option_numbers(self, rows: Rows) -> Rows:
        """Return the number of each row's option in every dimension, (rows, dimensions)."""
        numbers: Rows = np.stack([self._index[d.field][rows] for d in self.plan.dimensions], axis=1)
        return numbers

    def column(self, place: Place, name: str, nothing: float) -> Floats:
        """Return a figure of the stage at a place, a row each; ``nothing`` where none stands or it is not known."""
        found = (getattr(stage, name) if stage else None for stage in place.stages)
        values = np.array([nothing if value is None else value for value in found], dtype=float)
        return values[self._index[place.dimension]] if place.dimension else np.broadcast_to(values, self.plan.count)

    def by_tyre(self, lane: LanePlan, figures: list[float]) -> Floats:
        """Return a figure that goes with a lane's tyres, a row each, from one per option."""
        found = np.array(figures)
        return found[self._index["tyre"]] if len(lane.rollings) > 1 else np.broadcast_to(found, self.plan.count)

    @cached_property
    def ratios(self) -> tuple[Floats, ...]:
        """Each lane's ratios, (places, rows)."""
        return tuple(np.stack([self.column(p, "ratio", 1.0) for p in lane.places]) for lane in self.plan.lanes)

    @cached_property
    def efficiencies(self) -> tuple[Floats, ...]:
        """Each lane's efficiencies, (places, rows)."""
        return tuple(np.stack([self.column(p, "efficiency", 1.0) for p in lane.places]) for lane in self.plan.lanes)

    def gains(self, lane: int, *, is_overrun: bool = False) -> Floats:
        """Return torque at each place's input over motor torque, nothing going another way; (places + 1, rows)."""
        ratios, efficiencies = self.ratios[lane], self.efficiencies[lane]
        steps = ratios / efficiencies if is_overrun else ratios * efficiencies
        gains: Floats = np.cumprod(np.vstack([np.ones((1, self.plan.count)), steps]), axis=0, dtype=float)
        return gains

    def strength_shares(self, lane: int) -> Floats:
        """Return the most of the motor's torque that can get to each place's input; (places + 1, rows)."""
        own = [_strength_share(self, place) for place in self.plan.lanes[lane].places]
        shares: Floats = np.cumprod(np.stack([*own, np.ones(self.plan.count)]), axis=0, dtype=float)
        return shares

    @cached_property
    def gearings(self) -> Gearings:
        """All rows, as the road knows them."""
        count = self.plan.count
        motors = 1 + max(lane.motor for lane in self.plan.lanes)
        rpm_per_ms, pull_per_nm = np.zeros((count, motors)), np.zeros((count, motors))
        front_pull, limit_ms = np.zeros(count), np.full(count, np.inf)
        for lane, ratios, efficiencies in zip(self.plan.lanes, self.ratios, self.efficiencies, strict=True):
            share = np.prod([self.column(p, "share", 1.0) for p in lane.places], axis=0)
            wheel_per_ms = 60_000 / self.by_tyre(lane, [rolling.circumference_mm for rolling in lane.rollings])
            own_per_ms = ratios.prod(axis=0) * wheel_per_ms
            pull = share * efficiencies.prod(axis=0) * own_per_ms * np.pi / 30
            rpm_per_ms[:, lane.motor] += share * own_per_ms
            pull_per_nm[:, lane.motor] += pull
            front_pull += pull if lane.is_front else 0.0
            after = np.cumprod(ratios[::-1], axis=0)[::-1] * wheel_per_ms  # input speed at each place per road speed
            greatest = np.stack([self.column(p, "greatest_input_rpm", np.inf) for p in lane.places])
            limit_ms = np.minimum(limit_ms, (greatest / after).min(axis=0))
        share_front = (front_pull / pull_per_nm.sum(axis=1))[:, None]
        return Gearings(
            rpm_per_ms=rpm_per_ms,
            pull_per_nm=pull_per_nm,
            front_pull=_front_pull(self.plan, share_front),
            shaft_limit_ms=limit_ms,
        )

    def gearing(self, row: int, motors: tuple[Motor, ...]) -> Gearing:
        """Return one row as lanes of stages."""
        return Gearing(
            pick=self.pick(row),
            lanes=tuple(self._lane(lane, row) for lane in self.plan.lanes),
            motors=motors,
            gearings=self.gearings.rows(slice(row, row + 1)),
            is_locked=self.plan.is_locked,
        )

    def _lane(self, lane: LanePlan, row: int) -> Lane:
        stages = [self._stage(place, row) for place in lane.places]
        return Lane(
            is_front=lane.is_front,
            motor=lane.motor,
            chain=Chain(tuple(stage for stage in stages if stage)),
            shared=sum(stage is not None for stage in stages[: lane.shared]),
            rolling=lane.rollings[self._index["tyre"][row] if len(lane.rollings) > 1 else 0],
        )

    def _stage(self, place: Place, row: int) -> Stage | None:
        return place.stages[self._index[place.dimension][row] if place.dimension else 0]


def _strength_share(sweep: Sweep, place: Place) -> Floats:
    share = sweep.column(place, "share", 1.0)
    greatest = sweep.column(place, "strength_share", np.nan)
    return np.where(np.isnan(greatest), share, greatest)


def _front_pull(plan: Plan, share: Floats) -> FrontPull:
    """How the pull is shared: fixed by an open differential, free past a lock, within its bias by limited slip."""
    if plan.split is None or len(plan.lanes) == 1 or plan.split.kind is SplitKind.OPEN:
        return FrontPull(share, share)
    bias = plan.split.bias_ratio
    if plan.split.kind is SplitKind.LOCKED or bias is None:
        return FrontPull(0.0, 1.0) if plan.split.kind is SplitKind.LOCKED else FrontPull(share, share)
    # A torque split x:1 between the sides moves the pull with it, in proportion.
    usual = plan.split.front_share or 0.5
    tilt = share / (1 - share) * (1 - usual) / usual
    least, greatest = tilt / bias, tilt * bias
    return FrontPull(least / (1 + least), greatest / (1 + greatest))


def road_of(brief: Brief) -> Road:
    """Return the vehicle as the sweep takes it."""
    return Road(
        kerb=brief.kerb,
        laden=brief.laden,
        balance=brief.balance,
        laden_balance=brief.laden_balance,
        grip=brief.grip,
        cruise_kmh=brief.cruise_kmh,
    )


def radius_m(rolling: Rolling) -> float:
    """Return the rolling radius, m: what turns wheel torque into pull."""
    return rolling.circumference_mm / 2000 / math.pi


def lane_slip_nm(brief: Brief, *, is_front: bool, is_alone: bool, rolling: Rolling) -> float | None:
    """Return the axle torque at which an axle's tyres slip, laden, on μ 1.1: what its parts must bear, N·m."""
    body, balance = brief.laden, brief.laden_balance
    if body is None or balance is None:
        return None
    slip_n = axle_slip_n(
        mass_kg=float(body.mass_kg), balance=balance, is_front=is_front, is_alone=is_alone, mu=GRIP_FOR_RATINGS
    )
    return slip_n * radius_m(rolling)


def rating_shares(sweep: Sweep, brief: Brief, motors: tuple[Motor, ...], dynamic_factor: float) -> Floats:
    """Return for each row the least rating over design torque of all its stages; infinite where no rating is known.

    By the same rule as ``design_torques``, on columns.
    """
    least = np.full(sweep.plan.count, np.inf)
    slips_nm = [_slip_motor_nm(sweep, k, brief) for k in range(len(sweep.plan.lanes))]
    for k, lane in enumerate(sweep.plan.lanes):
        gains, shares = sweep.gains(k), sweep.strength_shares(k)
        is_shared = np.arange(len(gains))[:, None] < (lane.shared if len(slips_nm) > 1 else 0)
        design_nm = governing_nm(
            peak_nm(motors[lane.motor]) * dynamic_factor * gains * shares,
            np.where(is_shared, sum(slips_nm), slips_nm[k]) * gains,
            _overrun_nm(sweep, k, brief.overruns_nm[lane.motor]),
            np.where(is_shared, np.nan, np.minimum(*slips_nm) * gains) if sweep.plan.is_locked else np.nan,
        )
        ratings = np.stack([sweep.column(place, "rating_nm", np.inf) for place in lane.places])
        least = np.minimum(least, (ratings / design_nm[:-1]).min(axis=0))
    return least


def _overrun_nm(sweep: Sweep, k: int, motor_nm: float | None) -> Floats:
    """What overrun makes at each place's input, (places + 1, rows); NaN at the wheels, and where it is not known."""
    usual = np.cumprod(np.stack([sweep.column(p, "share", 1.0) for p in sweep.plan.lanes[k].places]), axis=0)
    made = sweep.gains(k, is_overrun=True)
    made[:-1] *= usual * (np.nan if motor_nm is None else motor_nm)
    made[-1] = np.nan
    return made


def _slip_motor_nm(sweep: Sweep, k: int, brief: Brief) -> Floats:
    """Motor torque that slips a lane's tyres by itself, a row each; NaN where the grip is not known."""
    lane = sweep.plan.lanes[k]
    is_alone = len(sweep.plan.lanes) == 1
    found = [
        lane_slip_nm(brief, is_front=lane.is_front, is_alone=is_alone, rolling=rolling) or np.nan
        for rolling in lane.rollings
    ]
    slip_nm: Floats = sweep.by_tyre(lane, found) * SLIP_SURCHARGE / sweep.gains(k)[-1]
    return slip_nm


@lru_cache(maxsize=64)
def peak_nm(motor: Motor) -> float:
    """Return a motor's greatest torque at any speed, N·m: of its curve, or as stated where that is more."""
    drawn_nm = float(motor.peak_nm(np.linspace(0, motor.greatest_rpm, PEAK_POINTS)).max())
    return max(drawn_nm, motor.stated_peak_nm or 0.0)


def stage_word(kind: StageKind) -> str:
    """Return a kind of stage in words."""
    return kind.value.replace("_", " ")
