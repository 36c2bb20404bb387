"""What one way to gear a vehicle does on the road, in plain Python floats: what the sweep is measured against.

The same arithmetic as ``driveline.gearing.sweep``, for one motor, one figure at a time: what a careful loop would be.
"""

import bisect
import math
from dataclasses import dataclass

from driveline.gearing.motor import CurvePoints, Motor, PeakFigures
from driveline.gearing.road import AIR_KGM3, GRAVITY_MS2, KMH_PER_MS, Balance, Body
from driveline.gearing.sweep import CLIMB_AT_KMH, RUNS_KMH, SPEED_POINTS, Road

STEPS = SPEED_POINTS - 1
RAD_S_PER_RPM = math.pi / 30


@dataclass(frozen=True, slots=True)
class Way:
    """One gearing of one lane."""

    rpm_per_ms: float
    pull_per_nm: float
    front_share: float
    shaft_limit_ms: float


def _interp(at: float, xs: tuple[float, ...], ys: tuple[float, ...]) -> float:
    if at <= xs[0]:
        return ys[0]
    if at >= xs[-1]:
        return ys[-1]
    k = bisect.bisect_right(xs, at)
    return ys[k - 1] + (ys[k] - ys[k - 1]) * (at - xs[k - 1]) / (xs[k] - xs[k - 1])


def _untapered_nm(peak: PeakFigures, rpm: float) -> float:
    if peak.power_kw is None:
        return peak.torque_nm
    return min(peak.torque_nm, peak.power_kw * 1000 / max(rpm * RAD_S_PER_RPM, 1e-9))


def _curve_nm(curve: PeakFigures | CurvePoints, rpm: float, greatest_rpm: float) -> float:
    if isinstance(curve, CurvePoints):
        return _interp(rpm, curve.rpm, curve.torque_nm)
    flat = _untapered_nm(curve, rpm)
    if curve.taper_from_rpm is None or curve.taper_to_nm is None or rpm <= curve.taper_from_rpm:
        return flat
    ends = (_untapered_nm(curve, curve.taper_from_rpm), curve.taper_to_nm)
    return min(flat, _interp(rpm, (curve.taper_from_rpm, greatest_rpm), ends))


def torque_nm(motor: Motor, curve: PeakFigures | CurvePoints, rpm: float) -> float:
    """Return what the motor gives at a speed, held to what the battery lets through."""
    if rpm > motor.greatest_rpm * (1 + 1e-9):
        return 0.0
    nm = _curve_nm(curve, rpm, motor.greatest_rpm)
    if motor.greatest_mechanical_kw is not None:
        nm = min(nm, motor.greatest_mechanical_kw * 1000 / max(rpm * RAD_S_PER_RPM, 1e-9))
    return nm


def _slip_n(body: Body, balance: Balance, front: float, mu: float) -> float:
    lever = mu * float(balance.cg_height_mm) / float(balance.wheelbase_mm)
    share, weight_n = float(balance.front_share), float(body.mass_kg) * GRAVITY_MS2
    by_front = share / max(front + lever, 1e-12) if front > 0 else math.inf
    by_rear = (1 - share) / max(1 - front - lever, 1e-12) if front < 1 else math.inf
    return mu * weight_n * min(by_front, by_rear, 1.0)


def _grade_pct(drive_n: float, body: Body, speed_ms: float) -> float:
    crr = float(body.crr)
    drag_n = 0.5 * AIR_KGM3 * float(body.cda_m2) * speed_ms**2
    sine = (drive_n - drag_n) / (float(body.mass_kg) * GRAVITY_MS2) / math.sqrt(1 + crr * crr)
    return max(0.0, 100 * math.tan(math.asin(sine) - math.atan(crr))) if sine < 1 else math.nan


def _step_s(from_n: float, to_n: float, mass_kg: float, step_ms: float) -> float:
    if from_n <= 0 or to_n <= 0:
        return math.inf if step_ms > 0 else 0.0
    grows = (to_n - from_n) / from_n
    ratio = 1 - grows / 2 if abs(grows) < 1e-6 else math.log1p(grows) / grows
    return mass_kg * step_ms * ratio / from_n


def _at_s(ms: float, step_ms: float, spare_n: list[float], moved_kg: list[float], time_s: list[float]) -> float:
    place = ms / step_ms
    if place > STEPS * (1 + 1e-12):
        return math.nan
    k = min(int(place), STEPS - 1)
    part = place - k
    then_n = spare_n[k] + part * (spare_n[k + 1] - spare_n[k])
    at_s = time_s[k] + _step_s(spare_n[k], then_n, (moved_kg[k] + moved_kg[k + 1]) / 2, part * step_ms)
    return at_s if math.isfinite(at_s) else math.nan


def _balance_ms(way_n: list[float], step_ms: float) -> float:
    for k, spare_n in enumerate(way_n):
        if spare_n < 0:
            return 0.0 if k == 0 else (k - 1 + way_n[k - 1] / (way_n[k - 1] - spare_n)) * step_ms
    return math.inf


def _known_rpm(motor: Motor, curve: PeakFigures | CurvePoints) -> float:
    known_rpm = curve.known_to_rpm if motor.is_voltage_known else 0.0
    return motor.greatest_rpm if known_rpm >= 0.995 * motor.greatest_rpm else known_rpm


def _continuous_n(way: Way, motor: Motor, speed_ms: float) -> float:
    rpm = way.rpm_per_ms * speed_ms
    if motor.continuous is None or rpm > min(_known_rpm(motor, motor.continuous), _known_rpm(motor, motor.peak)):
        return math.nan
    return way.pull_per_nm * min(torque_nm(motor, motor.continuous, rpm), torque_nm(motor, motor.peak, rpm))


def plain_figures(way: Way, motor: Motor, road: Road) -> dict[str, float]:
    """Return what ``driveline.gearing.sweep.Figures`` says of one way, by the same names."""
    kerb, laden, balance, laden_balance = road.kerb, road.laden, road.balance, road.laden_balance
    if kerb is None or laden is None or balance is None or laden_balance is None:
        raise SystemExit("the demo job lacks its masses or where they stand")
    mu = float(road.grip)
    greatest_ms = motor.greatest_rpm / way.rpm_per_ms
    step_ms = greatest_ms / STEPS
    slip_n = _slip_n(kerb, balance, way.front_share, mu)
    rotor_kg = (motor.inertia_kgm2 or 0.0) * (way.rpm_per_ms * RAD_S_PER_RPM) ** 2
    kerb_kg, cda_m2 = float(kerb.mass_kg), float(kerb.cda_m2)
    rolling_n = kerb_kg * GRAVITY_MS2 * float(kerb.crr)
    driving_n, spare_n, moved_kg, time_s = [], [], [], [0.0]
    for k in range(SPEED_POINTS):
        speed_ms = k * step_ms
        resisting_n = rolling_n + 0.5 * AIR_KGM3 * cda_m2 * speed_ms * speed_ms
        drive_n = way.pull_per_nm * torque_nm(motor, motor.peak, min(speed_ms * way.rpm_per_ms, motor.greatest_rpm))
        driving_n.append(drive_n - resisting_n)
        spare_n.append(min(drive_n, slip_n) - resisting_n)
        moved_kg.append(kerb_kg if drive_n > slip_n else kerb_kg + rotor_kg)
        if k:
            time_s.append(time_s[-1] + _step_s(spare_n[-2], spare_n[-1], (moved_kg[-2] + moved_kg[-1]) / 2, step_ms))
    drag_ms = _balance_ms(driving_n, step_ms)
    limits = (greatest_ms, way.shaft_limit_ms, drag_ms)
    sure_ms = _known_rpm(motor, motor.peak) / way.rpm_per_ms
    cruise_ms, climb_ms = road.cruise_kmh / KMH_PER_MS, CLIMB_AT_KMH / KMH_PER_MS
    launch_n = way.pull_per_nm * torque_nm(motor, motor.peak, 0.0)
    by_torque = _grade_pct(launch_n, laden, 0.0)
    by_torque = math.inf if math.isnan(by_torque) else by_torque
    laden_slip_n = _slip_n(laden, laden_balance, way.front_share, mu)
    by_grip = min(
        max(0.0, 100 * (laden_slip_n / (float(laden.mass_kg) * GRAVITY_MS2) - float(laden.crr))),
        100
        * float(laden_balance.front_share)
        * float(laden_balance.wheelbase_mm)
        / max(float(laden_balance.cg_height_mm), 1e-9),
    )
    runs = {
        key: _at_s(to / KMH_PER_MS, step_ms, spare_n, moved_kg, time_s)
        - _at_s(of / KMH_PER_MS, step_ms, spare_n, moved_kg, time_s)
        if to / KMH_PER_MS <= sure_ms
        else math.nan
        for key, (of, to) in RUNS_KMH.items()
    }
    return runs | {
        "top_kmh": min(limits) * KMH_PER_MS,
        "top_by": float(limits.index(min(limits))),
        "able_kmh": min(greatest_ms, drag_ms) * KMH_PER_MS,
        "launch_n": launch_n,
        "slip_n": slip_n,
        "hill_start_pct": min(by_torque, by_grip),
        "hill_torque_pct": by_torque,
        "grade_at_50_pct": _grade_pct(_continuous_n(way, motor, climb_ms), laden, climb_ms),
        "cruise_rpm": way.rpm_per_ms * cruise_ms,
        "cruise_share": (rolling_n + 0.5 * AIR_KGM3 * cda_m2 * cruise_ms**2) / _continuous_n(way, motor, cruise_ms),
    }
