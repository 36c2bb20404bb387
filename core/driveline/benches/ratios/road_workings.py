"""Workings of what the vehicle does on the road: top speed, laden hill start, cruise, overrun."""

import math

import numpy as np

from driveline.benches.ratios.gearing import Gearing
from driveline.benches.ratios.sums import (
    GRAVITY,
    balance_of,
    grip_steps,
    mass_of,
    motor_speed_steps,
    pull_steps,
    resistance_steps,
    rolling_of_body,
)
from driveline.gearing.brief import Brief
from driveline.gearing.motor import sharing_nm
from driveline.gearing.road import KMH_PER_MS, Balance, Body, slip_limit_n
from driveline.gearing.sweep import SPEED_POINTS
from driveline.working import Given, Step, Working, entered, step, tabled, worked

GREATEST_GRADE_PCT = 999.0


def _torques(one: Gearing, rpm: list[float], *, is_lasting: bool = False) -> list[Given]:
    """What each motor gives at its speed, held to one battery."""
    speeds = [np.array([n]) for n in rpm]
    found = [
        motor.continuous_nm(n) if is_lasting else motor.peak_nm(n) for motor, n in zip(one.motors, speeds, strict=True)
    ]
    known = [nm for nm in found if nm is not None]
    shared = sharing_nm(one.motors, known, speeds) if len(known) == len(one.motors) > 1 else tuple(known)
    names = ("T",) if len(one.motors) == 1 else ("T_r", "T_f")
    field = "continuous_torque" if is_lasting else "curve"
    return [
        worked(name, float(nm[0]), "N·m", f"brief.{'front_motor' if k else 'motor'}.{field}")
        for k, (name, nm) in enumerate(zip(names, shared, strict=True))
    ]


def top_speed_working(one: Gearing, brief: Brief, able_kmh: float) -> Working:
    """Return what sets the top speed: the motor's own, or where its pull and what resists it balance."""
    source = "Lesser of motor speed, and power against resistance."
    if able_kmh >= one.greatest_kmh * (1 - 1e-9):
        k = min(range(len(one.motors)), key=lambda n: one.motors[n].greatest_rpm / one.rpm_per_ms(n))
        unit = tabled("v_1", 1.0, "km/h", "to begin with")
        per = motor_speed_steps(one, k, unit, "n_1")
        top = entered("n_max", one.motors[k].greatest_rpm, "rpm", "brief.motor.greatest_rpm")
        last = step("v", "n_max / n_1 * v_1", top, per[-1], unit, value=able_kmh, unit="km/h")
        return Working(steps=(*per, last), source=source)
    if brief.kerb is None:
        return Working(source=source)
    speed = worked("v", able_kmh, "km/h", "sought, as below")
    spins = [motor_speed_steps(one, k, speed, "n" if not k else "n_front") for k in range(len(one.motors))]
    pulls = pull_steps(one, _torques(one, [found[-1].value for found in spins]))
    resists = resistance_steps(brief.kerb, speed)
    air, area = resists[1].given[0], resists[1].given[1]
    rolling, pull = resists[0], pulls[-1]
    # Its own sum, not the speed put in: they agree to the digits shown, and the factor of the units must be exact.
    again_ms = math.sqrt(max(2 * (pull.value - rolling.value) / (air.value * area.value), 0.0))
    again = step(
        "v_again",
        f"sqrt(2 * ({pull.symbol} - F_roll) / (ρ * CdA))",
        pull,
        rolling,
        air,
        area,
        value=KMH_PER_MS * again_ms,
        unit="km/h",
        words="the speed at which this pull is used up: the one put in",
    )
    return Working(
        steps=(*(one for found in spins for one in found), *pulls, *resists, again),
        source=source,
        method=f"Sought over {SPEED_POINTS} speeds up to the motor's greatest, the spare pull taken as straight "
        "between them; put in above, pull and resistance agree.",
    )


def hill_start_working(one: Gearing, brief: Brief, *, by_torque: float, held_pct: float) -> Working:
    """Return the steepest laden start, by torque and by grip."""
    source = "Peak torque at standstill, held to what the tyres grip with load transfer."
    body, balance = brief.laden, brief.laden_balance
    if body is None:
        return Working(source=source)
    pulls = pull_steps(one, _torques(one, [0.0] * len(one.motors)))
    mass, rolls, pull = mass_of(body, is_laden=True), rolling_of_body(body), pulls[-1]
    weight = step("W_laden", "m_laden * g", mass, GRAVITY, value=mass.value * GRAVITY.value, unit="N")
    steps: list[Step] = [*pulls, weight]
    ends: list[Given | Step] = []
    if math.isfinite(by_torque):
        steps.append(
            step(
                "G_torque",
                f"max(tan(asin({pull.symbol} / W_laden / sqrt(1 + C_rr**2)) - atan(C_rr)), 0)",
                pull,
                weight,
                rolls,
                value=by_torque,
                unit="%",
                decimals=1,
                words="grade that the torque starts on",
            )
        )
        ends.append(steps[-1])
    else:
        ends.append(tabled("G_any", GREATEST_GRADE_PCT, "%", "the pull is more than the weight: any grade"))
    if balance is not None:
        steps += _gripped_steps(one, brief, body, balance, weight)
        ends.append(steps[-1])
    names = [end.symbol if isinstance(end, Step) else end.name for end in ends]
    if held_pct > GREATEST_GRADE_PCT:
        ends.append(tabled("G_most", GREATEST_GRADE_PCT, "%", "nothing is steeper"))
        names.append("G_most")
    steps.append(
        step(
            "G",
            f"min({', '.join(names)})" if len(names) > 1 else names[0],
            *ends,
            value=min(held_pct, GREATEST_GRADE_PCT),
            unit="%",
            decimals=1,
        )
    )
    return Working(steps=tuple(steps), source=source)


def _gripped_steps(one: Gearing, brief: Brief, body: Body, balance: Balance, weight: Step) -> list[Step]:
    pull = one.gearings.front_pull
    mu = entered("μ", brief.grip, "", "brief.vehicle.tyre_grip")
    slip_n = float(np.ravel(slip_limit_n(mass_kg=body.mass_kg, balance=balance, front_pull=pull, mu=brief.grip))[0])
    grips = grip_steps(body, balance, pull, mu, is_laden=True, limit_n=slip_n)
    share, height, base = balance_of(balance, is_laden=True)
    rolls = rolling_of_body(body)
    tips_pct = 100 * share.value * base.value / height.value
    slip_pct = max(0.0, 100 * (slip_n / weight.value - rolls.value))
    return [
        *grips,
        step(
            "G_grip",
            "min(max(F_grip_laden / W_laden - C_rr, 0), s_laden * L / h_laden)",
            grips[-1],
            weight,
            rolls,
            share,
            height,
            base,
            value=min(slip_pct, tips_pct),
            unit="%",
            decimals=1,
            words="grade that the tyres hold, none so steep that the front lifts",
        ),
    ]


def cruise_working(one: Gearing, brief: Brief, share: float, *, is_known: bool) -> Working:
    """Return what cruising asks of what the motors keep up."""
    source = "Continuous torque decides cruise and climbs; peak torque decides strength."
    speed = entered("v", brief.cruise_kmh, "km/h", "brief.wanted.cruise_speed")
    if not is_known or brief.kerb is None:
        if brief.cruise_kmh <= one.greatest_kmh:
            return Working(source=source)
        spin = motor_speed_steps(one, 0, speed)
        nothing = tabled("T_past", 0.0, "", "what a motor gives past its top speed")
        return Working(steps=(*spin, step("left", "T_past", nothing, value=0.0)), source=source)
    spins = [motor_speed_steps(one, k, speed, "n" if not k else "n_front") for k in range(len(one.motors))]
    pulls = pull_steps(one, _torques(one, [found[-1].value for found in spins], is_lasting=True))
    resists = resistance_steps(brief.kerb, speed)
    used = step("share", f"F_resist / {pulls[-1].symbol}", resists[-1], pulls[-1], value=share, decimals=2)
    return Working(steps=(*(one for found in spins for one in found), *pulls, *resists, used), source=source)
