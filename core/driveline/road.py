"""The vehicle on the road: what resists it, what the tyres hold, how fast it goes and how quickly."""

import math
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

import numpy as np

from driveline.chain import Floats

GRAVITY_MS2: Final = 9.80665
AIR_KGM3: Final = 1.225
KMH_PER_MS: Final = 3.6
MPH_PER_MS: Final = 3600 / 1609.344


class Driven(StrEnum):
    """Which axles the motor drives."""

    FRONT = "front"
    REAR = "rear"
    BOTH = "both"


@dataclass(frozen=True, slots=True, kw_only=True)
class Body:
    """What the road acts on."""

    mass_kg: float
    crr: float
    cda_m2: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Balance:
    """How the weight stands on the axles."""

    front_share: float
    cg_height_mm: float
    wheelbase_mm: float


def _slope_rad(grade_pct: float) -> float:
    return math.atan(grade_pct / 100)


def resistance_n(body: Body, speed_ms: float | Floats, grade_pct: float = 0.0) -> Floats:
    """Return rolling, drag and grade resistance, N, at speeds of any shape.

    Source:
        C_rr m g cosθ + ½ρ C_dA v² + m g sinθ, tanθ = grade; ρ 1.225 kg/m³. Constant C_rr.
    """
    slope = _slope_rad(grade_pct)
    weight_n = body.mass_kg * GRAVITY_MS2
    steady_n = weight_n * (body.crr * math.cos(slope) + math.sin(slope))
    drag_n: Floats = 0.5 * AIR_KGM3 * body.cda_m2 * np.square(np.asarray(speed_ms, dtype=float))
    return steady_n + drag_n


def slip_limit_n(*, mass_kg: float, balance: Balance, driven: Driven, mu: float, grade_pct: float = 0.0) -> float:
    """Return the greatest pull that the driven tyres hold, with load transfer, N.

    Source:
        Rigid body on two axles: rear μ m g (1−s)/(1 − μ h/L), front μ m g s/(1 + μ h/L), all μ m g; × cosθ on a grade.
    """
    weight_n = mass_kg * GRAVITY_MS2 * math.cos(_slope_rad(grade_pct))
    lever = mu * balance.cg_height_mm / balance.wheelbase_mm
    if driven is Driven.BOTH:
        return mu * weight_n
    if driven is Driven.REAR:
        return min(mu * weight_n * (1 - balance.front_share) / max(1 - lever, 1e-9), mu * weight_n)
    return mu * weight_n * balance.front_share / (1 + lever)


def overrun_slip_limit_n(*, mass_kg: float, balance: Balance, driven: Driven, mu: float) -> float:
    """Return the greatest overrun force that the driven tyres hold before they lock, N; load moves forward."""
    weight_n = mass_kg * GRAVITY_MS2
    lever = mu * balance.cg_height_mm / balance.wheelbase_mm
    if driven is Driven.BOTH:
        return mu * weight_n
    if driven is Driven.REAR:
        return mu * weight_n * (1 - balance.front_share) / (1 + lever)
    return min(mu * weight_n * balance.front_share / max(1 - lever, 1e-9), mu * weight_n)


def equivalent_mass_kg(
    *, mass_kg: float, motor_inertia_kgm2: float, overall_ratio: float, rolling_circumference_mm: float
) -> float:
    """Return the mass that the motor must speed up, its own rotor included: m + J (i/r)².

    Wheels and tyres are left out; they add some 3 % whatever the ratio.
    """
    radius_m = rolling_circumference_mm / 2000 / math.pi
    return mass_kg + motor_inertia_kgm2 * (overall_ratio / radius_m) ** 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Pull:
    """Drive force at the wheels over road speed, and the mass that it moves; arrays of one shape."""

    speed_ms: Floats
    drive_n: Floats
    mass_kg: float
    equivalent_mass_kg: float
    slip_n: float | None


@dataclass(frozen=True, slots=True)
class Run:
    """Time from standstill over speed, as far as the vehicle gets."""

    speed_ms: Floats
    time_s: Floats

    def between_s(self, from_ms: float, to_ms: float) -> float | None:
        """Return the time from one speed to another, s; ``None`` when it is never reached."""
        if not self.speed_ms.size or to_ms > self.speed_ms[-1]:
            return None
        start, end = np.interp([from_ms, to_ms], self.speed_ms, self.time_s)
        return float(end - start)


def run_up(pull: Pull, body: Body) -> Run:
    """Return the run from standstill on the level, up to where pull and resistance balance or the pull ends.

    While the tyres slip, the drive force is the slip limit and the rotor is not sped up with the vehicle.

    Source:
        t = ∫ m dv / (F_drive − F_resist), trapezoidal between the speeds of the pull.
    """
    drive_n = pull.drive_n
    mass_kg = np.full_like(drive_n, pull.equivalent_mass_kg)
    if pull.slip_n is not None:
        mass_kg[drive_n > pull.slip_n] = pull.mass_kg
        drive_n = np.minimum(drive_n, pull.slip_n)
    spare_n = drive_n - resistance_n(body, pull.speed_ms)
    short = np.nonzero(spare_n <= 0)[0]
    reached = int(short[0]) if short.size else len(spare_n)
    speed_ms, pace = pull.speed_ms[:reached], mass_kg[:reached] / spare_n[:reached]
    steps_s = np.diff(speed_ms) * (pace[1:] + pace[:-1]) / 2
    return Run(speed_ms, np.concatenate([[0.0], np.cumsum(steps_s)])[:reached])


def balance_speed_ms(pull: Pull, body: Body) -> float | None:
    """Return the speed at which pull and resistance on the level are equal; ``None`` when pull wins throughout.

    Args:
        pull: Over speeds rising from 0 to the greatest that the motor allows.
        body: What the road acts on.
    """
    spare_n = pull.drive_n - resistance_n(body, pull.speed_ms)
    short = np.nonzero(spare_n < 0)[0]
    if not short.size:
        return None
    k = int(short[0])
    if k == 0:
        return 0.0
    return float(np.interp(0.0, [spare_n[k], spare_n[k - 1]], [pull.speed_ms[k], pull.speed_ms[k - 1]]))


def grade_held_pct(*, drive_n: float, body: Body, speed_ms: float) -> float | None:
    """Return the steepest grade that a pull holds at a speed, percent.

    Returns:
        The grade; 0 when the level already takes it all; ``None`` when the pull would lift the vehicle up a wall.

    Source:
        F = m g (C_rr cosθ + sinθ) + drag, solved for θ with R = √(1 + C_rr²): sin(θ + atan C_rr) = (F − drag)/(m g R).
    """
    drag_n = 0.5 * AIR_KGM3 * body.cda_m2 * speed_ms**2
    sine = (drive_n - drag_n) / (body.mass_kg * GRAVITY_MS2) / math.hypot(1, body.crr)
    if sine >= 1:
        return None
    return max(0.0, 100 * math.tan(math.asin(sine) - math.atan(body.crr)))


def grade_gripped_pct(*, slip_n: float, body: Body) -> float:
    """Return the steepest grade that the tyres hold, percent, from the pull at which they slip on the level.

    Source:
        Grip and rolling resistance both go with cosθ: tanθ = F_slip/(m g) − C_rr.
    """
    return max(0.0, 100 * (slip_n / (body.mass_kg * GRAVITY_MS2) - body.crr))
