"""What many ways to gear one vehicle do on the road, all at once: a row per gearing, vectorised.

A gearing is, to the road, how fast each motor turns and how hard it pulls; see ``Gearings``.
"""

from collections.abc import Sequence
from dataclasses import dataclass, fields
from enum import IntEnum
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.chain import Floats
from driveline.motor import Motor
from driveline.road import (
    KMH_PER_MPH,
    KMH_PER_MS,
    Balance,
    Body,
    FrontPull,
    Number,
    Pull,
    balance_speed_ms,
    equivalent_mass_kg,
    grade_gripped_pct,
    grade_held_pct,
    held_by_each_axle_n,
    resistance_n,
    run_up,
    slip_limit_n,
)

SPEED_POINTS: Final = 161
ROWS_AT_ONCE: Final = 512  # keeps the tables of one batch within a processor's cache
CLIMB_AT_KMH: Final = 50.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Gearings:
    """Ways to gear a vehicle, a row each. With two motors the first drives the rear axle, the second the front."""

    rpm_per_ms: Floats  # (rows, motors): motor speed per road speed
    pull_per_nm: Floats  # (rows, motors): drive force per N·m of the motor
    front_pull: FrontPull  # figures or (rows, 1)
    shaft_limit_ms: Floats  # (rows,): road speed at which the first shaft is at its limit; infinite where none is known

    def rows(self, which: slice | NDArray[np.int64]) -> "Gearings":
        """Return some of the rows."""
        least, greatest = (
            share[which] if isinstance(share, np.ndarray) and share.ndim else share
            for share in (self.front_pull.least, self.front_pull.greatest)
        )
        return Gearings(
            rpm_per_ms=self.rpm_per_ms[which],
            pull_per_nm=self.pull_per_nm[which],
            front_pull=FrontPull(least, greatest),
            shaft_limit_ms=self.shaft_limit_ms[which],
        )


@dataclass(frozen=True, slots=True, kw_only=True)
class Road:
    """The vehicle and what is asked of it; ``None`` is not known. Its figures may be (rows, 1)."""

    kerb: Body | None
    laden: Body | None
    balance: Balance | None
    laden_balance: Balance | None
    grip: Number
    cruise_kmh: float
    motor_torque: Number = 1.0  # share of the stated torque that is really there


class TopSpeedBy(IntEnum):
    """What sets the top speed."""

    MOTOR = 0
    SHAFT = 1
    DRAG = 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Figures:
    """What each gearing does, (rows,); NaN where it can't or a figure of the vehicle is missing."""

    top_kmh: Floats
    top_by: NDArray[np.int64]
    launch_n: Floats  # at the road, motor at peak, whether the tyres hold it or not
    slip_n: Floats
    s_0_50: Floats
    s_0_100: Floats
    s_80_120: Floats
    s_0_30_mph: Floats
    s_0_60_mph: Floats
    hill_start_pct: Floats  # infinite: any grade
    grade_at_50_pct: Floats
    cruise_rpm: Floats
    cruise_share: Floats
    falls_from_kmh: Floats


def road_figures(gearings: Gearings, motors: Sequence[Motor], road: Road) -> Figures:
    """Return what each gearing does on the road.

    Args:
        gearings: (rows,) ways to gear it.
        motors: One or two, in the order of the columns of ``gearings``.
        road: The vehicle; its figures may have a row per gearing, as for a study of spreads.
    """
    count = len(gearings.shaft_limit_ms)
    if count <= ROWS_AT_ONCE:
        return _figures(gearings, motors, road)
    batches = [
        _figures(gearings.rows(slice(start, start + ROWS_AT_ONCE)), motors, road)
        for start in range(0, count, ROWS_AT_ONCE)
    ]
    return Figures(**{f.name: np.concatenate([getattr(b, f.name) for b in batches]) for f in fields(Figures)})


def drive_table(gearings: Gearings, motors: Sequence[Motor]) -> tuple[Floats, tuple[Floats, ...]]:
    """Return road speeds, (rows, n), from 0 to where the first motor is out of speed, and each motor's pull, N."""
    greatest_rpm = np.array([motor.greatest_rpm for motor in motors])
    greatest_ms = (greatest_rpm / gearings.rpm_per_ms).min(axis=1, keepdims=True)
    evenly = np.linspace(0.0, 1.0, SPEED_POINTS)
    speed_ms = greatest_ms * evenly
    pulls = []
    for k, motor in enumerate(motors):
        # One motor runs through all its speeds in every row, so that its torque is worked out once.
        rpm = evenly * motor.greatest_rpm if len(motors) == 1 else speed_ms * gearings.rpm_per_ms[:, k : k + 1]
        pulls.append(gearings.pull_per_nm[:, k : k + 1] * motor.peak_nm(rpm))
    return speed_ms, tuple(pulls)


def _figures(gearings: Gearings, motors: Sequence[Motor], road: Road) -> Figures:
    speed_ms, pulls = drive_table(gearings, motors)
    pulls = tuple(pull_n * road.motor_torque for pull_n in pulls)
    drive_n: Floats = sum(pulls[1:], pulls[0])
    slip_n = _slip_n(gearings, road, road.kerb, road.balance)
    held_n = _held_n(pulls, slip_n, road)
    top_ms, top_by = _top(gearings, speed_ms, drive_n, road)
    times = _times(gearings, motors, road, speed_ms, held_n, is_held=held_n < drive_n)
    cruise_ms = road.cruise_kmh / KMH_PER_MS
    count = len(speed_ms)
    return Figures(
        top_kmh=top_ms * KMH_PER_MS,
        top_by=top_by,
        launch_n=drive_n[:, 0],
        slip_n=np.broadcast_to(np.nan if slip_n is None else np.ravel(slip_n), count).copy(),
        **times,
        hill_start_pct=_hill_start_pct(gearings, pulls, road),
        grade_at_50_pct=_grade_at_50_pct(gearings, motors, road),
        cruise_rpm=gearings.rpm_per_ms[:, 0] * cruise_ms,
        cruise_share=_cruise_share(gearings, motors, road, cruise_ms),
        falls_from_kmh=KMH_PER_MS
        * np.min([motor.falls_from_rpm() / gearings.rpm_per_ms[:, k] for k, motor in enumerate(motors)], axis=0),
    )


def _slip_n(gearings: Gearings, road: Road, body: Body | None, balance: Balance | None) -> Floats | None:
    """(rows, 1) or one figure for all."""
    if body is None or balance is None:
        return None
    return slip_limit_n(mass_kg=body.mass_kg, balance=balance, front_pull=gearings.front_pull, mu=road.grip)


def _held_n(pulls: tuple[Floats, ...], slip_n: Floats | None, road: Road) -> Floats:
    """Pull as far as the tyres hold it: two motors are each held by their own axle."""
    if slip_n is None or road.kerb is None or road.balance is None:
        return sum(pulls[1:], pulls[0])
    if len(pulls) == 2:
        front_n, rear_n = held_by_each_axle_n(
            pulls[1], pulls[0], mass_kg=road.kerb.mass_kg, balance=road.balance, mu=road.grip
        )
        return front_n + rear_n
    return np.minimum(pulls[0], slip_n)


def _top(gearings: Gearings, speed_ms: Floats, drive_n: Floats, road: Road) -> tuple[Floats, NDArray[np.int64]]:
    drag_ms = np.full(len(speed_ms), np.inf)
    if road.kerb:
        pull = Pull(speed_ms=speed_ms, drive_n=drive_n, mass_kg=0, equivalent_mass_kg=0, slip_n=None)
        drag_ms = _or_infinite(balance_speed_ms(pull, road.kerb))
    limits = np.stack([speed_ms[:, -1], gearings.shaft_limit_ms, drag_ms])
    return limits.min(axis=0), limits.argmin(axis=0)


def _times(
    gearings: Gearings,
    motors: Sequence[Motor],
    road: Road,
    speed_ms: Floats,
    held_n: Floats,
    is_held: NDArray[np.bool_],
) -> dict[str, Floats]:
    runs_kmh = {
        "s_0_50": (0, 50),
        "s_0_100": (0, 100),
        "s_80_120": (80, 120),
        "s_0_30_mph": (0, 30 * KMH_PER_MPH),
        "s_0_60_mph": (0, 60 * KMH_PER_MPH),
    }
    if road.kerb is None:
        return {key: np.full(len(speed_ms), np.nan) for key in runs_kmh}
    moved_kg = road.kerb.mass_kg
    for k, motor in enumerate(motors):
        moved_kg = equivalent_mass_kg(
            mass_kg=moved_kg,
            motor_inertia_kgm2=motor.inertia_kgm2 or 0.0,
            rpm_per_ms=gearings.rpm_per_ms[:, k : k + 1],
        )
    # While tyres slip the rotor is not sped up with the vehicle.
    pace_kg = np.where(is_held, road.kerb.mass_kg, moved_kg)
    pull = Pull(speed_ms=speed_ms, drive_n=held_n, mass_kg=pace_kg, equivalent_mass_kg=pace_kg, slip_n=None)
    run = run_up(pull, road.kerb)
    return {key: run.between_s(start / KMH_PER_MS, end / KMH_PER_MS) for key, (start, end) in runs_kmh.items()}


def _hill_start_pct(gearings: Gearings, pulls: tuple[Floats, ...], road: Road) -> Floats:
    count = len(gearings.shaft_limit_ms)
    if road.laden is None:
        return np.full(count, np.nan)
    launch_n = sum((pull[:, :1] for pull in pulls[1:]), pulls[0][:, :1])
    by_torque = _or_infinite(grade_held_pct(drive_n=launch_n, body=road.laden, speed_ms=0.0))
    slip_n = _slip_n(gearings, road, road.laden, road.laden_balance)
    by_grip = np.inf if slip_n is None else grade_gripped_pct(slip_n=slip_n, body=road.laden)
    return np.broadcast_to(np.minimum(by_torque, by_grip), (count, 1))[:, 0].copy()


def _continuous_n(gearings: Gearings, motors: Sequence[Motor], speed_ms: Number) -> Floats | None:
    """Pull that the motors keep up at a speed, (rows,) or (rows, n) for speeds (1, n); ``None`` when not known."""
    total: Floats | None = None
    for k, motor in enumerate(motors):
        rpm = gearings.rpm_per_ms[:, k : k + 1] * speed_ms
        torque_nm = motor.continuous_nm(rpm)
        if torque_nm is None:
            return None
        pull_n = torque_nm * gearings.pull_per_nm[:, k : k + 1]
        total = pull_n if total is None else total + pull_n
    return total


def _grade_at_50_pct(gearings: Gearings, motors: Sequence[Motor], road: Road) -> Floats:
    speed_ms = CLIMB_AT_KMH / KMH_PER_MS
    pull_n = _continuous_n(gearings, motors, speed_ms)
    count = len(gearings.shaft_limit_ms)
    if road.laden is None or pull_n is None:
        return np.full(count, np.nan)
    grade = grade_held_pct(drive_n=pull_n * road.motor_torque, body=road.laden, speed_ms=speed_ms)
    return np.broadcast_to(grade, (count, 1))[:, 0].copy()


def _cruise_share(gearings: Gearings, motors: Sequence[Motor], road: Road, cruise_ms: float) -> Floats:
    pull_n = _continuous_n(gearings, motors, cruise_ms)
    count = len(gearings.shaft_limit_ms)
    if road.kerb is None or pull_n is None:
        return np.full(count, np.nan)
    with np.errstate(divide="ignore"):
        share = resistance_n(road.kerb, cruise_ms) / (pull_n * road.motor_torque)
    return np.where(np.isfinite(share), share, np.nan)[:, 0]


def climb_curves_pct(gearings: Gearings, motors: Sequence[Motor], body: Body) -> tuple[Floats, Floats, Floats | None]:
    """Return road speeds and the grade held at each on peak and on continuous torque, (rows, n); NaN: any grade."""
    speed_ms, pulls = drive_table(gearings, motors)
    peak = grade_held_pct(drive_n=sum(pulls[1:], pulls[0]), body=body, speed_ms=speed_ms)
    continuous_n = _continuous_n(gearings, motors, speed_ms)
    if continuous_n is None:
        return speed_ms, peak, None
    return speed_ms, peak, grade_held_pct(drive_n=continuous_n, body=body, speed_ms=speed_ms)


def _or_infinite(values: Floats) -> Floats:
    return np.where(np.isnan(values), np.inf, values)
