"""One way to gear the vehicle: its chain, and what it does on the road."""

import math
from dataclasses import dataclass
from itertools import product
from typing import Final

import numpy as np

from driveline.benches.brief import Brief
from driveline.chain import (
    USUAL_DIRECT_GEAR_EFFICIENCY,
    USUAL_EFFICIENCY,
    Chain,
    Floats,
    Stage,
    StageKind,
    motor_rpm_at,
    road_speed_ms,
)
from driveline.motor import Motor
from driveline.road import (
    KMH_PER_MS,
    Body,
    Driven,
    Pull,
    balance_speed_ms,
    equivalent_mass_kg,
    grade_gripped_pct,
    grade_held_pct,
    resistance_n,
    run_up,
    slip_limit_n,
)
from driveline.sheets.base import value_of
from driveline.sheets.brief import Layout
from driveline.sheets.ratios import Box, RatiosSheet
from driveline.tyre import Rolling

SHAFT_SPEED_SHARE: Final = 0.70
SPEED_POINTS: Final = 241
KMH_PER_MPH: Final = 1.609344
NONE_NAME: Final = "none"


@dataclass(frozen=True, slots=True)
class Pick:
    """A reduction, a gear and a final drive; ``None`` where the layout has none."""

    reduction: Box | None
    gear: Box | None
    final_drive: Box | None

    @property
    def key(self) -> str:
        """The names joined: how a candidate is known to screen and sheet."""
        return " · ".join(box.name for box in (self.reduction, self.gear, self.final_drive) if box) or NONE_NAME


@dataclass(frozen=True, slots=True, kw_only=True)
class Gearing:
    """A candidate's chain and pull. Speeds run from 0 to the greatest that the motor allows."""

    pick: Pick
    chain: Chain
    speed_ms: Floats
    motor_rpm: Floats
    wheel_nm: Floats  # total of all driven wheels, motor at peak
    drive_n: Floats


def picks(sheet: RatiosSheet, layout: Layout) -> tuple[Pick, ...]:
    """Return every combination that the layout allows; none while a stage it needs is missing."""
    is_unit = layout in (Layout.AXLE_UNIT, Layout.CENTRE_UNIT)
    reductions: list[Box | None] = list(sheet.reductions) if is_unit else [None, *sheet.reductions]
    gears: list[Box | None] = [None]
    if layout is Layout.KEPT_GEARBOX:
        gears = list(sheet.gearbox.gears) if sheet.gearbox else []
    finals: list[Box | None] = [None] if layout is Layout.AXLE_UNIT else list(sheet.final_drives)
    return tuple(Pick(*boxes) for boxes in product(reductions, gears, finals))


def gearing(pick: Pick, sheet: RatiosSheet, layout: Layout, brief: Brief, motor: Motor, rolling: Rolling) -> Gearing:
    """Return a candidate's chain with its pull over road speed."""
    chain = _chain(pick, sheet, layout, brief.driven)
    greatest_ms = float(
        road_speed_ms(
            motor_rpm=motor.greatest_rpm,
            overall_ratio=chain.overall_ratio,
            rolling_circumference_mm=rolling.circumference_mm,
        )
    )
    speed_ms = np.linspace(0, greatest_ms, SPEED_POINTS)
    rpm = np.linspace(0, motor.greatest_rpm, SPEED_POINTS)
    wheel_nm = motor.peak_nm(rpm) * chain.driving_multipliers()[-1] * chain.axles
    return Gearing(
        pick=pick,
        chain=chain,
        speed_ms=speed_ms,
        motor_rpm=rpm,
        wheel_nm=wheel_nm,
        drive_n=wheel_nm / radius_m(rolling),
    )


def radius_m(rolling: Rolling) -> float:
    """Return the rolling radius, m: what turns wheel torque into pull."""
    return rolling.circumference_mm / 2000 / math.pi


def _chain(pick: Pick, sheet: RatiosSheet, layout: Layout, driven: Driven) -> Chain:
    is_unit = layout in (Layout.AXLE_UNIT, Layout.CENTRE_UNIT)
    axles = 2 if driven is Driven.BOTH else 1
    stages: list[Stage] = [] if is_unit else [Stage(kind=StageKind.COUPLER, title="Coupler")]
    if pick.reduction:
        kind = StageKind.DRIVE_UNIT if is_unit else StageKind.REDUCTION
        stages.append(_box_stage(pick.reduction, kind, "Drive unit" if is_unit else "Reduction"))
    if pick.gear and sheet.gearbox:
        stages.append(_gear_stage(pick.gear, sheet))
    if layout is not Layout.AXLE_UNIT:
        stages.append(_propshaft_stage(sheet, axles))
    if pick.final_drive:
        stages.append(
            _box_stage(pick.final_drive, StageKind.FINAL_DRIVE, f"Final drive {pick.final_drive.ratio.value:.2f}")
        )
    stages.append(
        Stage(
            kind=StageKind.AXLE,
            title="Axle",
            efficiency=USUAL_EFFICIENCY[StageKind.AXLE],
            efficiency_is_default=True,
            rating_nm=value_of(sheet.axle_rating),
        )
    )
    return Chain(tuple(stages), axles=axles)


def _box_stage(box: Box, kind: StageKind, title: str, usual: float | None = None) -> Stage:
    return Stage(
        kind=kind,
        title=title,
        ratio=box.ratio.value,
        efficiency=box.efficiency or usual or USUAL_EFFICIENCY[kind],
        efficiency_is_default=box.efficiency is None,
        rating_nm=value_of(box.rating),
        greatest_input_rpm=value_of(box.greatest_rpm),
    )


def _gear_stage(gear: Box, sheet: RatiosSheet) -> Stage:
    box = sheet.gearbox
    rated = gear.model_copy(
        update={
            "rating": gear.rating or (box and box.rating),
            "greatest_rpm": gear.greatest_rpm or (box and box.greatest_rpm),
        }
    )
    usual = USUAL_DIRECT_GEAR_EFFICIENCY if gear.ratio.value == 1 else None
    return _box_stage(rated, StageKind.GEARBOX, f"Gearbox, {gear.name}", usual)


def _propshaft_stage(sheet: RatiosSheet, axles: int) -> Stage:
    critical_rpm = value_of(sheet.propshaft.critical_rpm)
    return Stage(
        kind=StageKind.PROPSHAFT,
        title="Propshafts, front and rear" if axles == 2 else "Propshaft",
        efficiency=USUAL_EFFICIENCY[StageKind.PROPSHAFT],
        efficiency_is_default=True,
        share=1 / axles,
        rating_nm=value_of(sheet.propshaft.rating),
        greatest_input_rpm=None if critical_rpm is None else critical_rpm * SHAFT_SPEED_SHARE,
    )


@dataclass(frozen=True, slots=True)
class SpeedLimit:
    """A road speed at which something bites."""

    kmh: float
    text: str


def shaft_limits(one: Gearing, rolling: Rolling) -> tuple[SpeedLimit, ...]:
    """Return the road speed at which each stage reaches its greatest input speed."""
    divisors = one.chain.speed_divisors()
    return tuple(
        SpeedLimit(
            KMH_PER_MS
            * stage.greatest_input_rpm
            * divisor
            / one.chain.overall_ratio
            / 60
            * rolling.circumference_mm
            / 1000,
            "propshaft 0.7 critical"
            if stage.kind is StageKind.PROPSHAFT
            else f"{stage.kind.value.replace('_', ' ')} limit",
        )
        for stage, divisor in zip(one.chain.stages, divisors.tolist(), strict=False)
        if stage.greatest_input_rpm
    )


def top_speed(one: Gearing, body: Body | None, rolling: Rolling) -> SpeedLimit:
    """Return the top speed and what sets it: the motor's speed, power against drag, or a shaft."""
    limits = [SpeedLimit(KMH_PER_MS * float(one.speed_ms[-1]), "motor speed"), *shaft_limits(one, rolling)]
    if body:
        pull = Pull(speed_ms=one.speed_ms, drive_n=one.drive_n, mass_kg=0, equivalent_mass_kg=0, slip_n=None)
        balanced_ms = balance_speed_ms(pull, body)
        if balanced_ms is not None:
            limits.append(SpeedLimit(KMH_PER_MS * balanced_ms, "drag"))
    return min(limits, key=lambda limit: limit.kmh)


def slip_force_n(brief: Brief, body: Body | None, mu: float) -> float | None:
    """Return the pull at which the driven tyres slip, N; ``None`` while mass or balance is not known."""
    if body is None or brief.balance is None:
        return None
    return slip_limit_n(mass_kg=body.mass_kg, balance=brief.balance, driven=brief.driven, mu=mu)


@dataclass(frozen=True, slots=True, kw_only=True)
class Performance:
    """What a candidate does on the road; ``None`` where a figure of the brief is missing or it can't."""

    s_0_50: float | None
    s_0_100: float | None
    s_80_120: float | None
    s_0_60_mph: float | None
    hill_start_pct: float | None
    grade_at_50_pct: float | None
    cruise_share: float | None


def performance(one: Gearing, brief: Brief, motor: Motor, rolling: Rolling) -> Performance:
    """Return times, hill start and what the motor can keep up."""
    times = _times(one, brief, motor, rolling)
    return Performance(
        s_0_50=times[0],
        s_0_100=times[1],
        s_80_120=times[2],
        s_0_60_mph=times[3],
        hill_start_pct=_hill_start_pct(one, brief),
        grade_at_50_pct=_grade_at_50_pct(one, brief, motor, rolling),
        cruise_share=_cruise_share(one, brief, motor, rolling),
    )


def _times(one: Gearing, brief: Brief, motor: Motor, rolling: Rolling) -> tuple[float | None, ...]:
    if brief.kerb is None:
        return (None,) * 4
    pull = Pull(
        speed_ms=one.speed_ms,
        drive_n=one.drive_n,
        mass_kg=brief.kerb.mass_kg,
        equivalent_mass_kg=equivalent_mass_kg(
            mass_kg=brief.kerb.mass_kg,
            motor_inertia_kgm2=motor.inertia_kgm2 or 0.0,
            overall_ratio=one.chain.overall_ratio,
            rolling_circumference_mm=rolling.circumference_mm,
        ),
        slip_n=slip_force_n(brief, brief.kerb, brief.grip),
    )
    run = run_up(pull, brief.kerb)
    runs_kmh = ((0, 50), (0, 100), (80, 120), (0, 60 * KMH_PER_MPH))
    return tuple(run.between_s(start / KMH_PER_MS, end / KMH_PER_MS) for start, end in runs_kmh)


def _hill_start_pct(one: Gearing, brief: Brief) -> float | None:
    if brief.laden is None:
        return None
    by_torque = grade_held_pct(drive_n=float(one.drive_n[0]), body=brief.laden, speed_ms=0.0)
    slip_n = slip_force_n(brief, brief.laden, brief.grip)
    by_grip = None if slip_n is None else grade_gripped_pct(slip_n=slip_n, body=brief.laden)
    return min((grade for grade in (by_torque, by_grip) if grade is not None), default=None)


def _at_speed(one: Gearing, rolling: Rolling, speed_kmh: float) -> tuple[float, float]:
    """Speed in m/s and the motor's rpm there."""
    speed_ms = speed_kmh / KMH_PER_MS
    rpm = motor_rpm_at(
        speed_ms=speed_ms, overall_ratio=one.chain.overall_ratio, rolling_circumference_mm=rolling.circumference_mm
    )
    return speed_ms, float(rpm)


def _grade_at_50_pct(one: Gearing, brief: Brief, motor: Motor, rolling: Rolling) -> float | None:
    speed_ms, rpm = _at_speed(one, rolling, 50.0)
    continuous = motor.continuous_nm(np.array([rpm]))
    if brief.laden is None or continuous is None:
        return None
    pull_n = float(continuous[0]) * one.chain.driving_multipliers()[-1] * one.chain.axles / radius_m(rolling)
    return grade_held_pct(drive_n=float(pull_n), body=brief.laden, speed_ms=speed_ms)


def _cruise_share(one: Gearing, brief: Brief, motor: Motor, rolling: Rolling) -> float | None:
    speed_ms, rpm = _at_speed(one, rolling, brief.cruise_kmh)
    continuous = motor.continuous_nm(np.array([rpm]))
    if brief.kerb is None or continuous is None or continuous[0] <= 0:
        return None
    wheel_nm = float(resistance_n(brief.kerb, speed_ms)) * radius_m(rolling)
    motor_nm = wheel_nm / (one.chain.driving_multipliers()[-1] * one.chain.axles)
    return float(motor_nm / continuous[0])


def cruise_rpm(one: Gearing, brief: Brief, rolling: Rolling) -> float:
    """Return the motor's speed at cruise, rpm."""
    return _at_speed(one, rolling, brief.cruise_kmh)[1]
