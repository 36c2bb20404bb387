"""What each motor gives over road speed, in each case of driving: launch, climb, cruise, flat out, overrun, reverse."""

import numpy as np

from driveline.arrays import Floats
from driveline.benches.ratios.gearing import Gearing
from driveline.gearing.brief import Brief
from driveline.gearing.motor import RAD_S_PER_RPM, sharing_nm
from driveline.gearing.road import KMH_PER_MS, held_by_each_axle_n, resistance_n, slip_limit_n
from driveline.gearing.stations import DrivingCase


def driving_cases(one: Gearing, brief: Brief, speed_kmh: Floats) -> tuple[DrivingCase, ...]:
    """Return each case of driving with what each motor gives over road speed."""
    speed_ms = speed_kmh / KMH_PER_MS
    rpm = [speed_ms * one.rpm_per_ms(k) for k in range(len(one.motors))]
    in_reach = np.where(speed_kmh <= one.greatest_kmh * (1 + 1e-9), 1.0, np.nan)
    capped = [np.minimum(n, motor.greatest_rpm) for n, motor in zip(rpm, one.motors, strict=True)]
    known = [
        np.where(n <= m.peak_known_rpm * (1 + 1e-9), in_reach, np.nan) for n, m in zip(capped, one.motors, strict=True)
    ]
    able = sharing_nm(one.motors, [m.peak_nm(n) for n, m in zip(capped, one.motors, strict=True)], capped)
    peak = tuple(torque * sure for torque, sure in zip(able, known, strict=True))
    held = _held_nm(one, brief, peak)
    cases = [_case("launch", "Launch", "peak torque, as far as the tyres hold it", held)]
    for key, title, about, body, grade in (
        ("climb", "Climb", f"holding {brief.hill_start_pct:g} % laden", brief.laden, brief.hill_start_pct),
        ("cruise", "Cruise", "steady on the level", brief.kerb, 0.0),
    ):
        if body:
            cases.append(_case(key, title, about, _sharing_nm(one, resistance_n(body, speed_ms, grade), peak)))
    kept_up = [motor.continuous_nm(n) for n, motor in zip(capped, one.motors, strict=True)]
    lasting = [torque for torque in kept_up if torque is not None]
    if len(lasting) == len(kept_up):
        flat_out = tuple(
            np.where(n <= m.continuous_known_rpm * (1 + 1e-9), torque * in_reach, np.nan)
            for torque, n, m in zip(sharing_nm(one.motors, lasting, capped), capped, one.motors, strict=True)
        )
        cases.append(_case("flat_out", "Flat out", "all that the motor keeps up", flat_out))
    limits = [limit for limit in brief.overruns_nm[: len(one.motors)] if limit is not None]
    if len(limits) == len(one.motors):
        slowing = [np.minimum(p, limit) for p, limit in zip(peak, limits, strict=True)]
        charging = _charging_share(brief, slowing, capped)
        cases.append(_case("overrun", "Overrun", "slowing on the motor", tuple(-nm * charging for nm in slowing)))
    backing = tuple(-torque for torque in held)
    cases.append(_case("reverse", "Reverse", "launch the other way, at the same torque", backing))
    return tuple(cases)


def _case(key: str, title: str, about: str, motor_nm: tuple[Floats, ...]) -> DrivingCase:
    return DrivingCase(key=key, title=title, about=about, motor_nm=motor_nm)


def _charging_share(brief: Brief, slowing_nm: list[Floats], rpm: list[Floats]) -> Floats | float:
    """Part of the overrun that the battery's charging limit lets through, over road speed; 1 where none is stated."""
    if brief.charge_kw is None:
        return 1.0
    made_kw = sum(nm * n * RAD_S_PER_RPM / 1000 for nm, n in zip(slowing_nm, rpm, strict=True))
    return np.minimum(1.0, brief.charge_kw / np.maximum(made_kw, 1e-9))


def _held_nm(one: Gearing, brief: Brief, peak: tuple[Floats, ...]) -> tuple[Floats, ...]:
    """Peak torque as far as the tyres hold it."""
    if brief.kerb is None or brief.balance is None:
        return peak
    gains = one.gearings.pull_per_nm[0]
    if len(peak) == 1:
        slip_n = _lane_grip_n(one, brief)
        return (np.minimum(peak[0], slip_n / gains[0]),)
    held = held_by_each_axle_n(
        peak[1] * gains[1], peak[0] * gains[0], mass_kg=brief.kerb.mass_kg, balance=brief.balance, mu=brief.grip
    )
    return held[1] / gains[0], held[0] / gains[1]


def _lane_grip_n(one: Gearing, brief: Brief) -> float:
    """Return the pull at which one motor's tyres slip, kerb mass, N; infinite while the balance is not known.

    More pull loads the stations more: not knowing the grip flatters nothing here.
    """
    if brief.kerb is None or brief.balance is None:
        return np.inf
    limit = slip_limit_n(
        mass_kg=brief.kerb.mass_kg, balance=brief.balance, front_pull=one.gearings.front_pull, mu=brief.grip
    )
    return float(np.ravel(limit)[0])


def _sharing_nm(one: Gearing, pull_n: Floats, peak: tuple[Floats, ...]) -> tuple[Floats, ...]:
    """A pull asked of the motors; two share it as they could pull at that speed."""
    gains = one.gearings.pull_per_nm[0]
    if len(peak) == 1:
        return (pull_n / gains[0] + 0.0 * peak[0],)
    able_n = np.stack([torque * gain for torque, gain in zip(peak, gains, strict=True)])
    with np.errstate(invalid="ignore"):
        shares = able_n / able_n.sum(axis=0)
    return tuple(share * pull_n / gain for share, gain in zip(shares, gains, strict=True))
