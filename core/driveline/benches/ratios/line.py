"""The stations that a gearing puts on the Line, with their design torques, and what drives them over road speed."""

from typing import Final

import numpy as np

from driveline.benches.ratios.driving_cases import driving_cases
from driveline.benches.ratios.gearing import Gearing, Lane, lane_slip_nm, peak_nm, radius_m, stage_word
from driveline.gearing.brief import Brief
from driveline.gearing.chain import Stage, StageKind
from driveline.gearing.design import DesignTorque, design_torques, slip_motor_nm
from driveline.gearing.road import KMH_PER_MS
from driveline.gearing.stations import TRUNK, Drive, LineStation, Station, Tick, Way
from driveline.gearing.sweep import Figures, TopSpeedBy
from driveline.shafts.coupler import DYNAMIC_FACTOR, CouplerStyle

MOST_SPEEDS: Final = 100
BENCH_OF: Final = {"motor": "brief", "wheel": "brief", "coupler": "coupler"}
NOT_ASKED: Final = ("coupler", "wheel")  # their limits are asked for elsewhere


def drive_of(one: Gearing, figures: Figures, brief: Brief, *, is_chosen: bool) -> Drive:
    """Return what moves the Line of one gearing. Cases that need a figure which is not known are left out.

    Args:
        one: What stands in the lanes.
        figures: Of this gearing, one row.
        brief: The vehicle and its motors.
        is_chosen: Whether it is the choice or only shown.
    """
    greatest_kmh = one.greatest_kmh
    step_kmh = max(1.0, np.ceil(greatest_kmh * 1.05 / MOST_SPEEDS))
    speed_kmh = np.arange(0, greatest_kmh * 1.05 + step_kmh, step_kmh)
    top_text, top_kmh = top_set_by(one, TopSpeedBy(int(figures.top_by[0]))), float(figures.top_kmh[0])
    return Drive(
        candidate=one.key,
        is_chosen=is_chosen,
        speed_kmh=speed_kmh,
        greatest_kmh=greatest_kmh,
        cases=driving_cases(one, brief, speed_kmh),
        ticks=_ticks(one, float(figures.falls_from_kmh[0]), top_kmh, top_text),
        top_kmh=top_kmh,
        top_set_by=top_text,
    )


def stations_of(one: Gearing, brief: Brief, coupler: CouplerStyle | None) -> tuple[LineStation, ...]:
    """Return the stations of one gearing with their design torques."""
    found = []
    has_branches = len(one.lanes) > 1
    for n, lane in enumerate(one.lanes):
        designs = station_designs(lane, one, brief, coupler)
        motor = one.motors[lane.motor]
        motor_stage = Stage(
            kind=StageKind.DRIVE_UNIT,
            title="Motor" if not lane.motor else "Front motor",
            rating_nm=peak_nm(motor),
            greatest_input_rpm=motor.greatest_rpm,
        )
        wheel = Stage(kind=StageKind.AXLE, title="Wheels")
        own: Way = ("front" if lane.is_front else "rear") if has_branches else TRUNK
        for k, stage in enumerate((motor_stage, *lane.chain.stages, wheel), start=-1):
            is_shared = lane.shared > 0 and k < lane.shared
            if is_shared and n:
                continue
            found.append(_line_station(one, lane, k, stage, TRUNK if is_shared else own, designs[max(k, 0)]))
    return tuple(found)


def _line_station(one: Gearing, lane: Lane, k: int, stage: Stage, way: Way, design: DesignTorque) -> LineStation:
    """A stage, the motor (k = -1, with the figures of the first stage's input) or the wheels, as a station."""
    kind = "motor" if k < 0 else "wheel" if k == len(lane.chain.stages) else stage.kind.value
    row = max(k, 0)
    # Past a centre differential each side turns as its own wheels do.
    rpm_per_ms = one.rpm_per_ms(lane.motor) if k < lane.shared else lane.rpm_per_ms
    return LineStation(
        station=station_of(kind, stage, way, design),
        motor=lane.motor,
        rpm_per_ms=rpm_per_ms / float(lane.chain.speed_divisors[row]),
        driving=float(lane.chain.driving_multipliers[row]),
        overrun=float(lane.chain.overrun_multipliers[row]),
        radius_m=radius_m(lane.rolling) if kind == "wheel" else None,
        is_asked=kind not in NOT_ASKED,
        is_judged_by_checks=kind == "coupler",
    )


def station_of(kind: str, stage: Stage, way: Way, design: DesignTorque) -> Station:
    """Return a stage as a place on the Line.

    Args:
        kind: Of the place: the stage's, or motor, coupler, wheel.
        stage: What stands there.
        way: Which branch it is on.
        design: What it must take at its input.
    """
    return Station(
        key=kind if way == TRUNK else f"{way}.{kind}",
        kind=kind,
        way=way,
        title=stage.title,
        bench=BENCH_OF.get(kind, "ratios"),
        ratio=stage.ratio,
        efficiency=stage.efficiency,
        efficiency_is_default=stage.efficiency_is_default,
        sense=stage.sense,
        rating_nm=stage.rating_nm,
        greatest_rpm=stage.greatest_input_rpm,
        motor_limited_nm=design.motor_limited_nm,
        slip_limited_nm=design.slip_limited_nm,
        overrun_nm=design.overrun_nm,
        wind_up_nm=design.wind_up_nm,
        design_nm=design.design_nm,
        governed_by=design.governed_by,
        is_limited=kind not in NOT_ASKED and stage.is_limited,
    )


def station_designs(lane: Lane, one: Gearing, brief: Brief, coupler: CouplerStyle | None) -> tuple[DesignTorque, ...]:
    """Return the design torque at each station of a lane, laden: the heaviest axle load governs ratings."""
    is_alone = len(one.lanes) == 1

    def slip_axle_nm(of: Lane) -> float | None:
        return lane_slip_nm(brief, is_front=of.is_front, is_alone=is_alone, rolling=of.rolling)

    others = [slip_axle_nm(o) and slip_motor_nm(o.chain, slip_axle_nm(o) or 0.0) for o in one.lanes if o is not lane]
    return design_torques(
        lane.chain,
        peak_nm=peak_nm(one.motors[lane.motor]),
        dynamic_factor=DYNAMIC_FACTOR[coupler or CouplerStyle.RIGID],
        slip_axle_nm=slip_axle_nm(lane),
        shared=0 if is_alone else lane.shared,
        other_slip_nm=others[0] if others else 0.0,
        overrun_nm=brief.overruns_nm[lane.motor],
        is_locked=one.is_locked,
    )


def shaft_limits(one: Gearing) -> tuple[Tick, ...]:
    """Return the road speed at which each stage reaches its greatest input speed."""
    found = []
    for n, lane in enumerate(one.lanes):
        divisors = lane.chain.speed_divisors.tolist()
        for k, (stage, divisor) in enumerate(zip(lane.chain.stages, divisors, strict=False)):
            if stage.greatest_input_rpm is None or (n and k < lane.shared):
                continue
            word = _limit_word(stage)
            side = f"{lane.word} " if len(one.lanes) > 1 and k >= lane.shared else ""
            kmh = KMH_PER_MS * stage.greatest_input_rpm * divisor / lane.rpm_per_ms
            found.append(Tick(kmh=kmh, text=f"{side}{word}"))
    return tuple(found)


def _limit_word(stage: Stage) -> str:
    if stage.kind is not StageKind.PROPSHAFT:
        return f"{stage_word(stage.kind)} limit"
    if stage.greatest_input_rpm == stage.angle_rpm:
        return "propshaft joint angle"
    return "propshaft joint limit" if stage.greatest_input_rpm == stage.joint_rpm else "propshaft 0.7 critical"


def top_set_by(one: Gearing, cause: TopSpeedBy) -> str:
    """Return in words what sets the top speed."""
    if cause is TopSpeedBy.SHAFT:
        return min(shaft_limits(one), key=lambda tick: tick.kmh).text
    return "motor speed" if cause is TopSpeedBy.MOTOR else "drag"


def _ticks(one: Gearing, falls_kmh: float, top_kmh: float, top_text: str) -> tuple[Tick, ...]:
    is_whole = all(motor.peak_known_rpm >= motor.greatest_rpm for motor in one.motors)
    ticks = [Tick(kmh=top_kmh, text=f"{'top speed' if is_whole else 'top speed at best'}: {top_text}")]
    if is_whole:
        ticks.append(Tick(kmh=falls_kmh, text="torque falls"))
    ticks += [limit for limit in shaft_limits(one) if limit.text != top_text]
    if top_text != "motor speed":
        ticks.append(Tick(kmh=one.greatest_kmh, text="motor top speed"))
    return tuple(sorted((tick for tick in ticks if tick.kmh <= one.greatest_kmh * 1.05), key=lambda tick: tick.kmh))
