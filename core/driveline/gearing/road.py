"""The vehicle on the road: what resists it, what the tyres hold, how fast it goes and how quickly.

Speeds run along the last axis; figures of a body may be arrays of shape (rows, 1), one row per way to gear or load it.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

import numpy as np

from driveline.arrays import Floats

GRAVITY_MS2: Final = 9.80665
AIR_KGM3: Final = 1.225
KMH_PER_MS: Final = 3.6
KMH_PER_MPH: Final = 1.609344

Number = float | Floats


class Driven(StrEnum):
    """Which axles the motor drives."""

    FRONT = "front"
    REAR = "rear"
    BOTH = "both"


@dataclass(frozen=True, slots=True, kw_only=True)
class Body:
    """What the road acts on."""

    mass_kg: Number
    crr: Number
    cda_m2: Number


@dataclass(frozen=True, slots=True, kw_only=True)
class Balance:
    """How the weight stands on the axles."""

    front_share: Number
    cg_height_mm: Number
    wheelbase_mm: Number


@dataclass(frozen=True, slots=True)
class FrontPull:
    """The part of the pull that the front tyres make: from ``least`` to ``greatest`` where a lock lets it shift."""

    least: Number
    greatest: Number


FRONT_PULL: Final = {
    Driven.FRONT: FrontPull(1.0, 1.0),
    Driven.REAR: FrontPull(0.0, 0.0),
    Driven.BOTH: FrontPull(0.0, 1.0),
}


def _slope_rad(grade_pct: float) -> float:
    return math.atan(grade_pct / 100)


def resistance_n(body: Body, speed_ms: Number, grade_pct: float = 0.0) -> Floats:
    """Return rolling, drag and grade resistance, N, at speeds of any shape.

    Source:
        C_rr m g cosθ + ½ρ C_dA v² + m g sinθ, tanθ = grade; ρ 1.225 kg/m³. Constant C_rr.
    """
    slope = _slope_rad(grade_pct)
    steady_n = body.mass_kg * GRAVITY_MS2 * (body.crr * math.cos(slope) + math.sin(slope))
    drag_n: Floats = 0.5 * AIR_KGM3 * body.cda_m2 * np.square(np.asarray(speed_ms, dtype=float))
    return steady_n + drag_n


def slip_limit_n(
    *, mass_kg: Number, balance: Balance, front_pull: FrontPull, mu: Number, grade_pct: float = 0.0
) -> Floats:
    """Return the greatest pull before an axle's tyres slip, with load transfer, N.

    With a fixed front share p the first axle to slip ends it; where a lock lets p shift, it takes the best it can.

    Source:
        Rigid body on two axles; × cosθ on a grade. Front μ m g s/(p + μ h/L), rear μ m g (1−s)/(1 − p − μ h/L), and
        never above μ m g; p 0 and 1 give the usual formulas for rear and front drive.
    """
    weight_n = mass_kg * GRAVITY_MS2 * math.cos(_slope_rad(grade_pct))
    return _grip_n(weight_n, balance, front_pull, mu, mu * balance.cg_height_mm / balance.wheelbase_mm)


def overrun_slip_limit_n(*, mass_kg: Number, balance: Balance, front_pull: FrontPull, mu: Number) -> Floats:
    """Return the greatest overrun force before an axle's tyres lock, N; load moves forward.

    Args:
        mass_kg: Of the vehicle, above 0; a figure or (rows, 1), as all here.
        balance: How its weight stands.
        front_pull: Which part of the force the front tyres make.
        mu: Grip, above 0.

    Source:
        As ``slip_limit_n``, h/L with the other sign.
    """
    lever = -(mu * balance.cg_height_mm / balance.wheelbase_mm)
    return _grip_n(mass_kg * GRAVITY_MS2, balance, front_pull, mu, lever)


def _grip_n(weight_n: Number, balance: Balance, front_pull: FrontPull, mu: Number, lever: Number) -> Floats:
    evenly = balance.front_share - lever  # both axles slip together
    front = np.clip(evenly, front_pull.least, front_pull.greatest)
    with np.errstate(divide="ignore"):
        by_front = balance.front_share / np.maximum(front + lever, 1e-12)
        by_rear = (1 - balance.front_share) / np.maximum(1 - front - lever, 1e-12)
    by_front = np.where(front > 0, by_front, np.inf)
    by_rear = np.where(front < 1, by_rear, np.inf)
    limit_n: Floats = mu * weight_n * np.minimum(np.minimum(by_front, by_rear), 1.0)
    return limit_n


def axle_slip_n(*, mass_kg: float, balance: Balance, is_front: bool, is_alone: bool, mu: float) -> float:
    """Return the force at which one axle's tyres slip under the heaviest load it sees, N: what it must bear.

    Alone it carries the whole pull; beside another driven axle it is loaded by the pull of both, driving or slowing.

    Args:
        mass_kg: Of the vehicle at its heaviest.
        balance: How its weight stands.
        is_front: Which axle.
        is_alone: Whether no other axle drives.
        mu: Grip, above 0.

    Source:
        Alone as ``slip_limit_n`` and ``overrun_slip_limit_n``; else μ m g (s + μ h/L), at most μ m g.
    """
    if is_alone:
        pull = FRONT_PULL[Driven.FRONT if is_front else Driven.REAR]
        kinds = {"mass_kg": mass_kg, "balance": balance, "front_pull": pull, "mu": mu}
        return float(max(slip_limit_n(**kinds), overrun_slip_limit_n(**kinds) if is_front else 0.0))  # type: ignore[arg-type]
    share = balance.front_share if is_front else 1 - balance.front_share
    return float(mu * mass_kg * GRAVITY_MS2 * min(1.0, share + mu * balance.cg_height_mm / balance.wheelbase_mm))


def held_by_each_axle_n(
    front_n: Floats, rear_n: Floats, *, mass_kg: Number, balance: Balance, mu: Number
) -> tuple[Floats, Floats]:
    """Return the pulls, front and rear, of two axles with a motor each, held to what its own tyres grip, N.

    Load transfer follows the pull and the pull the load, so it is solved by repetition: the step shrinks by μ h/L.

    Args:
        front_n: Pull of the front motor at the road, 0 or more, of any shape.
        rear_n: Of the rear motor, of the same shape.
        mass_kg: Of the vehicle.
        balance: How its weight stands.
        mu: Grip, above 0.

    Source:
        F_f ≤ μ(m g s − F h/L), F_r ≤ μ(m g (1 − s) + F h/L), F = F_f + F_r.
    """
    weight_n = mass_kg * GRAVITY_MS2
    lever = balance.cg_height_mm / balance.wheelbase_mm
    front_held_n, rear_held_n = front_n, rear_n
    for _ in range(30):
        moved_n = (front_held_n + rear_held_n) * lever
        front_held_n = np.clip(mu * (weight_n * balance.front_share - moved_n), 0, front_n)
        rear_held_n = np.clip(mu * (weight_n * (1 - balance.front_share) + moved_n), 0, rear_n)
    return front_held_n, rear_held_n


def equivalent_mass_kg(*, mass_kg: Number, motor_inertia_kgm2: float, rpm_per_ms: Number) -> Number:
    """Return the mass that the motor must speed up, its own rotor included: m + J (i/r)².

    Wheels and tyres are left out; they add some 3 % whatever the ratio.

    Args:
        mass_kg: Of the vehicle.
        motor_inertia_kgm2: Of the rotor; 0 leaves it out.
        rpm_per_ms: Motor speed per road speed, which is i/r in other units.

    Source:
        ½ J ω² = ½ m_e v², ω = v i/r.
    """
    return mass_kg + motor_inertia_kgm2 * (rpm_per_ms * np.pi / 30) ** 2


@dataclass(frozen=True, slots=True)
class Run:
    """Time from standstill over speed; infinite past where the vehicle gets."""

    speed_ms: Floats
    time_s: Floats
    spare_n: Floats
    mass_kg: Floats

    def between_s(self, from_ms: float, to_ms: float) -> Floats:
        """Return the time from one speed to another, s, a figure per row; NaN when it is never reached."""
        at_s = self.at_s([from_ms, to_ms])
        return at_s[..., 1] - at_s[..., 0]

    def at_s(self, speeds_ms: Sequence[float]) -> Floats:
        """Return the time from standstill to each speed, s, (rows, speeds); NaN where it is never reached.

        Up to the point before by the sum, from there by the same rule: near the end a straight line is far off.
        """
        last = self.speed_ms.shape[-1] - 1
        step_ms = self.speed_ms[..., 1:2]
        place = np.asarray(speeds_ms, dtype=float) / step_ms
        before = np.clip(place.astype(int), 0, last - 1)
        both = np.concatenate([before, before + 1], axis=-1)
        spare_n, mass_kg = np.take_along_axis(self.spare_n, both, -1), np.take_along_axis(self.mass_kg, both, -1)
        count = place.shape[-1]
        from_n, to_n = spare_n[..., :count], spare_n[..., count:]
        part = place - before
        then_n = from_n + part * (to_n - from_n)
        mean_kg = (mass_kg[..., :count] + mass_kg[..., count:]) / 2
        time_s = np.take_along_axis(self.time_s, before, -1) + _step_s(from_n, then_n, mean_kg, part * step_ms)
        return np.where((place <= last * (1 + 1e-12)) & np.isfinite(time_s), time_s, np.nan)


def _step_s(from_n: Floats, to_n: Floats, mass_kg: Floats, step_ms: Floats) -> Floats:
    """∫ m dv/F where F runs straight: m Δv ln(F1/F0)/(F1 − F0); infinite once the force is used up.

    In place, for it is most of what a sweep of many gearings costs.
    """
    with np.errstate(divide="ignore", invalid="ignore"):
        grows_n = to_n - from_n
        taken_s = grows_n / from_n
        np.log1p(taken_s, out=taken_s)
        taken_s /= grows_n
        is_level = grows_n == 0
        if is_level.any():
            taken_s[is_level] = 1 / from_n[is_level]
    taken_s *= mass_kg
    taken_s *= step_ms
    moves = (from_n > 0) & (to_n > 0)
    if not moves.all():
        np.copyto(taken_s, np.where(step_ms > 0, np.inf, 0.0), where=~moves)
    return taken_s


def run_up(speed_ms: Floats, spare_n: Floats, moved_kg: Floats) -> Run:
    """Return the run from standstill on the level, up to where pull and resistance balance or the pull ends.

    Args:
        speed_ms: (rows, n) or (n,), rising evenly from 0.
        spare_n: What the pull, held to what the tyres grip, leaves over the resistance at each speed.
        moved_kg: The mass moved at each speed, rotors included; while tyres slip a rotor is not sped up with the rest.

    Source:
        t = ∫ m dv / (F_drive − F_resist), the spare force taken as straight between the speeds.
    """
    twice_kg = moved_kg[..., 1:] + moved_kg[..., :-1]
    steps_s = _step_s(spare_n[..., :-1], spare_n[..., 1:], twice_kg, speed_ms[..., 1:2] / 2)
    time_s = np.empty_like(spare_n)
    time_s[..., 0] = 0
    np.cumsum(steps_s, axis=-1, out=time_s[..., 1:])
    return Run(speed_ms, time_s, spare_n, moved_kg)


def balance_speed_ms(speed_ms: Floats, spare_n: Floats) -> Floats:
    """Return the speed at which pull and resistance on the level are equal, per row; NaN when pull wins throughout.

    Args:
        speed_ms: (rows, n) or (n,), rising evenly from 0 to the greatest that the motor allows.
        spare_n: What the pull leaves over the resistance at each of them.

    Source:
        F_drive(v) = F_resist(v), the difference taken as straight between the speeds.
    """
    is_short = spare_n < 0
    k = np.maximum(np.argmax(is_short, axis=-1), 1)[..., None]
    after, before = (np.take_along_axis(spare_n, at, -1)[..., 0] for at in (k, k - 1))
    step_ms = speed_ms[..., 1]
    with np.errstate(divide="ignore", invalid="ignore"):
        balanced = (k[..., 0] - 1 + before / (before - after)) * step_ms
    balanced = np.where(is_short[..., 0], 0.0, balanced)
    is_ever = is_short[..., 0] | np.take_along_axis(is_short, k, -1)[..., 0]
    return np.where(is_ever, balanced, np.nan)


def grade_held_pct(*, drive_n: Number, body: Body, speed_ms: Number) -> Floats:
    """Return the steepest grade that a pull holds at a speed, percent.

    Returns:
        The grade; 0 when the level already takes it all; NaN when the pull would lift the vehicle up a wall.

    Source:
        F = m g (C_rr cosθ + sinθ) + drag, solved for θ with R = √(1 + C_rr²): sin(θ + atan C_rr) = (F − drag)/(m g R).
    """
    drag_n = 0.5 * AIR_KGM3 * body.cda_m2 * np.square(speed_ms)
    sine = (drive_n - drag_n) / (body.mass_kg * GRAVITY_MS2) / np.sqrt(1 + np.square(body.crr))
    with np.errstate(invalid="ignore"):
        grade = 100 * np.tan(np.arcsin(np.where(sine < 1, sine, np.nan)) - np.arctan(body.crr))
    held: Floats = np.maximum(grade, 0.0)
    return held


def grade_gripped_pct(*, slip_n: Number, body: Body, balance: Balance) -> Floats:
    """Return the steepest grade that the tyres hold, percent, from the pull at which they slip on the level.

    Source:
        Grip and rolling resistance both go with cosθ: tanθ = F_slip/(m g) − C_rr. No steeper than tanθ = s_f L/h, where
        the front axle carries nothing and the vehicle goes over backwards.
    """
    gripped = np.maximum(0.0, 100 * (slip_n / (body.mass_kg * GRAVITY_MS2) - body.crr))
    over = balance.front_share * balance.wheelbase_mm / np.maximum(balance.cg_height_mm, 1e-9)
    return np.minimum(gripped, 100 * over)
