"""What many ways to gear one vehicle do on the road, all at once: a row per gearing, vectorised.

A gearing is, to the road, how fast each motor turns and how hard it pulls; see ``Gearings``.
"""

from collections.abc import Sequence
from dataclasses import dataclass, fields
from enum import IntEnum
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.gearing.motor import Motor, sharing_nm
from driveline.gearing.road import (
    KMH_PER_MPH,
    KMH_PER_MS,
    Balance,
    Body,
    FrontPull,
    Number,
    balance_speed_ms,
    equivalent_mass_kg,
    grade_gripped_pct,
    grade_held_pct,
    held_by_each_axle_n,
    resistance_n,
    run_up,
    slip_limit_n,
)
from driveline.memory import kept

SPEED_POINTS: Final = 161
EVENLY: Final = np.linspace(0.0, 1.0, SPEED_POINTS)
ROWS_AT_ONCE: Final = 1024  # enough that calls cost little beside figures, few enough for a processor's cache
CLIMB_AT_KMH: Final = 50.0
RUNS_KMH: Final = {  # from and to
    "s_0_50": (0, 50),
    "s_0_100": (0, 100),
    "s_80_120": (80, 120),
    "s_0_30_mph": (0, 30 * KMH_PER_MPH),
    "s_0_60_mph": (0, 60 * KMH_PER_MPH),
}
_ENDS_MS, _ENDS_AT = np.unique(np.array(list(RUNS_KMH.values())) / KMH_PER_MS, return_inverse=True)


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
    able_kmh: Floats  # top speed, shafts not asked
    is_able_known: NDArray[np.bool_]  # False: something of motor, mass or drag is missing, and it may well be less
    launch_n: Floats  # at the road, motor at peak, whether the tyres hold it or not
    slip_n: Floats
    s_0_50: Floats
    s_0_100: Floats
    s_80_120: Floats
    s_0_30_mph: Floats
    s_0_60_mph: Floats
    hill_start_pct: Floats  # infinite: any grade
    hill_torque_pct: Floats  # by torque alone: at best, while the tyres' grip is not known
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


def drive_table(
    gearings: Gearings, motors: Sequence[Motor], motor_torque: Number = 1.0
) -> tuple[Floats, tuple[Floats, ...]]:
    """Return road speeds, (rows, n), from 0 to where the first motor is out of speed, and each motor's pull, N.

    Args:
        gearings: (rows,) ways to gear it.
        motors: In the order of the columns of ``gearings``.
        motor_torque: Share of the stated torque that is really there, one or (rows, 1).

    Source:
        v = n/k, F = T(n) · i η/r for each motor; motors on one battery are turned down alike.
    """
    pull_per_nm = gearings.pull_per_nm * motor_torque
    greatest_rpm = np.array([motor.greatest_rpm for motor in motors])
    greatest_ms = (greatest_rpm / gearings.rpm_per_ms).min(axis=1, keepdims=True)
    speed_ms = greatest_ms * EVENLY
    if len(motors) == 1:  # it runs through all its speeds in every row, so that its torque is worked out once
        return speed_ms, (pull_per_nm * motors[0].peak_nm(EVENLY * motors[0].greatest_rpm),)
    rpm = [speed_ms * gearings.rpm_per_ms[:, k : k + 1] for k in range(len(motors))]
    torques_nm = sharing_nm(motors, [motor.peak_nm(n) for motor, n in zip(motors, rpm, strict=True)], rpm)
    return speed_ms, tuple(pull_per_nm[:, k : k + 1] * nm for k, nm in enumerate(torques_nm))


def known_ms(gearings: Gearings, known_rpm: Sequence[float]) -> Floats:
    """Road speed up to which every motor's torque is known, (rows,); below 0 where one is not known at all.

    Args:
        gearings: (rows,) ways to gear it.
        known_rpm: Of each motor, the speed up to which its torque is known; below 0 where it is not at all.

    Source:
        v = n/k, the least over the motors.
    """
    reached: Floats = (np.array(known_rpm) / gearings.rpm_per_ms).min(axis=1)
    return reached


@kept(200)
def _figures(gearings: Gearings, motors: Sequence[Motor], road: Road) -> Figures:
    speed_ms, pulls = drive_table(gearings, motors, road.motor_torque)
    drive_n: Floats = sum(pulls[1:], pulls[0])
    resisting_n = None if road.kerb is None else resistance_n(road.kerb, speed_ms)
    slip_n = _slip_n(gearings, road, road.kerb, road.balance)
    held = _held_n(pulls, slip_n, road)
    sure_ms = known_ms(gearings, [motor.peak_known_rpm for motor in motors])
    top_ms, top_by, able_ms = _top(gearings, speed_ms, drive_n, resisting_n)
    times = _times(gearings, motors, road, speed_ms, held, resisting_n, sure_ms)
    cruise_ms = road.cruise_kmh / KMH_PER_MS
    count = len(speed_ms)
    return Figures(
        top_kmh=top_ms * KMH_PER_MS,
        top_by=top_by,
        able_kmh=able_ms * KMH_PER_MS,
        is_able_known=(able_ms <= sure_ms * (1 + 1e-9)) & (road.kerb is not None),
        launch_n=drive_n[:, 0],
        slip_n=np.broadcast_to(np.nan if slip_n is None else np.ravel(slip_n), count).copy(),
        **times,
        **_hill_start_pct(gearings, pulls, road),
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


def _held_n(pulls: tuple[Floats, ...], slip_n: Floats | None, road: Road) -> tuple[Floats, NDArray[np.bool_]] | None:
    """Pull as far as the tyres hold it, and where they do; two motors are each held by their own axle."""
    if slip_n is None or road.kerb is None or road.balance is None:
        return None
    if len(pulls) == 2:
        front_n, rear_n = held_by_each_axle_n(
            pulls[1], pulls[0], mass_kg=road.kerb.mass_kg, balance=road.balance, mu=road.grip
        )
        held_n = front_n + rear_n
        return held_n, held_n < pulls[0] + pulls[1]
    return np.minimum(pulls[0], slip_n), pulls[0] > slip_n


def _top(
    gearings: Gearings, speed_ms: Floats, drive_n: Floats, resisting_n: Floats | None
) -> tuple[Floats, NDArray[np.int64], Floats]:
    """Top speed, what sets it, and the top speed were no shaft in the way, (rows,)."""
    drag_ms = np.full(len(speed_ms), np.inf)
    if resisting_n is not None:
        drag_ms = _or_infinite(balance_speed_ms(speed_ms, drive_n - resisting_n))
    limits = np.stack([speed_ms[:, -1], gearings.shaft_limit_ms, drag_ms])
    return limits.min(axis=0), limits.argmin(axis=0), np.minimum(speed_ms[:, -1], drag_ms)


def _times(
    gearings: Gearings,
    motors: Sequence[Motor],
    road: Road,
    speed_ms: Floats,
    held: tuple[Floats, NDArray[np.bool_]] | None,
    resisting_n: Floats | None,
    sure_ms: Floats,
) -> dict[str, Floats]:
    """Times between speeds; NaN where the grip or, up to there, the torque is not known."""
    if road.kerb is None or held is None or resisting_n is None:
        return {key: np.full(len(speed_ms), np.nan) for key in RUNS_KMH}
    held_n, is_held = held
    moved_kg = road.kerb.mass_kg
    for k, motor in enumerate(motors):
        moved_kg = equivalent_mass_kg(
            mass_kg=moved_kg,
            motor_inertia_kgm2=motor.inertia_kgm2 or 0.0,
            rpm_per_ms=gearings.rpm_per_ms[:, k : k + 1],
        )
    # While tyres slip the rotor is not sped up with the vehicle.
    pace_kg = np.where(is_held, road.kerb.mass_kg, moved_kg)
    run = run_up(speed_ms, held_n - resisting_n, pace_kg)
    begins, ends = _ENDS_AT.reshape(-1, 2).T
    at_s = run.at_s(_ENDS_MS.tolist())
    taken_s = np.where(_ENDS_MS[ends] <= sure_ms[:, None], at_s[:, ends] - at_s[:, begins], np.nan)
    return dict(zip(RUNS_KMH, taken_s.T, strict=True))


def _hill_start_pct(gearings: Gearings, pulls: tuple[Floats, ...], road: Road) -> dict[str, Floats]:
    """The steepest start, NaN while mass or grip is not known; and the steepest by torque alone."""
    count = len(gearings.shaft_limit_ms)
    if road.laden is None:
        return dict.fromkeys(("hill_start_pct", "hill_torque_pct"), np.full(count, np.nan))
    launch_n = sum((pull[:, :1] for pull in pulls[1:]), pulls[0][:, :1])
    by_torque = _or_infinite(grade_held_pct(drive_n=launch_n, body=road.laden, speed_ms=0.0))
    slip_n = _slip_n(gearings, road, road.laden, road.laden_balance)
    by_grip: Number = np.nan
    if slip_n is not None and road.laden_balance is not None:
        by_grip = grade_gripped_pct(slip_n=slip_n, body=road.laden, balance=road.laden_balance)
    return {
        "hill_start_pct": np.broadcast_to(np.minimum(by_torque, by_grip), (count, 1))[:, 0].copy(),
        "hill_torque_pct": np.broadcast_to(by_torque, (count, 1))[:, 0].copy(),
    }


def _continuous_n(gearings: Gearings, motors: Sequence[Motor], speed_ms: Number) -> Floats | None:
    """Pull that the motors keep up at a speed, (rows, 1) or (rows, n) for speeds (1, n); NaN past where it is known.

    ``None`` when it is not known of a motor at all.
    """
    rpm = [gearings.rpm_per_ms[:, k : k + 1] * speed_ms for k in range(len(motors))]
    found = [motor.continuous_nm(n) for motor, n in zip(motors, rpm, strict=True)]
    torques_nm = [nm for nm in found if nm is not None]
    if len(torques_nm) < len(motors):
        return None
    shared_nm = sharing_nm(motors, torques_nm, rpm)
    total: Floats = sum(nm * gearings.pull_per_nm[:, k : k + 1] for k, nm in enumerate(shared_nm))  # type: ignore[assignment]
    sure_ms = known_ms(gearings, [motor.continuous_known_rpm for motor in motors])[:, None]
    return np.where(speed_ms <= sure_ms * (1 + 1e-9), total, np.nan)


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
    """Return road speeds and the grade held at each on peak and on continuous torque, (rows, n).

    NaN where any grade is held, or the torque is not known.

    Args:
        gearings: (rows,) ways to gear it.
        motors: In the order of the columns of ``gearings``.
        body: What the road acts on, laden as a rule.

    Source:
        As ``grade_held_pct``, at every speed of ``drive_table``.
    """
    speed_ms, pulls = drive_table(gearings, motors)
    sure_ms = known_ms(gearings, [motor.peak_known_rpm for motor in motors])[:, None]
    drive_n = np.where(speed_ms <= sure_ms * (1 + 1e-9), sum(pulls[1:], pulls[0]), np.nan)
    peak = grade_held_pct(drive_n=drive_n, body=body, speed_ms=speed_ms)
    continuous_n = _continuous_n(gearings, motors, speed_ms)
    if continuous_n is None:
        return speed_ms, peak, None
    return speed_ms, peak, grade_held_pct(drive_n=continuous_n, body=body, speed_ms=speed_ms)


def _or_infinite(values: Floats) -> Floats:
    return np.where(np.isnan(values), np.inf, values)
