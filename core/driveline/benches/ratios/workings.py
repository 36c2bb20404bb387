"""Workings of the checks of a gearing: its speeds, torques and heat."""

import math
from typing import Final

import numpy as np

from driveline.benches.ratios.gearing import Gearing, Lane, lane_slip_nm, peak_nm
from driveline.benches.ratios.lanes import COAST_FLANK_SHARE
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.benches.ratios.sums import (
    FIELD_OF,
    GRAVITY,
    SHORT,
    above_nought,
    balance_of,
    circumference,
    gains_of,
    mass_of,
    motor_speed_steps,
    radius_step,
    ratios_of,
    side_of,
)
from driveline.gearing.brief import Brief
from driveline.gearing.design import GRIP_FOR_RATINGS, SLIP_SURCHARGE, slip_motor_nm
from driveline.gearing.stations import Station
from driveline.shafts.coupler import DYNAMIC_FACTOR, CouplerStyle
from driveline.working import Given, Step, Working, entered, entered_or_usual, step, tabled, worked

GOVERNS: Final = "greatest of what it sees, save that the motor gives no more than the tyres hold"


def wanted_speed(brief: Brief) -> Given:
    """Return the wanted top speed."""
    return entered("v", brief.wanted_top_kmh or 0.0, "km/h", "brief.wanted.top_speed")


def top_motor_speed(one: Gearing, motor: int) -> Given:
    """Return a motor's own top speed."""
    return entered("n_max", one.motors[motor].greatest_rpm, "rpm", "brief.motor.greatest_rpm")


def motor_speed_working(one: Gearing, motor: int, brief: Brief) -> Working:
    """Return how fast a motor turns at the wanted road speed."""
    return Working(
        steps=motor_speed_steps(one, motor, wanted_speed(brief)) if brief.wanted_top_kmh else (),
        source="Without slip: v = n C / i; past a centre differential the mean of both sides. "
        "Past its top speed the rotor is over-sped.",
    )


def rating_working(station: Station, lane: Lane, k: int, one: Gearing, brief: Brief, sheet: RatiosSheet) -> Working:
    """Return how a station's design torque comes about.

    Args:
        station: Of the stage.
        lane: That it stands in.
        k: Which stage of the lane.
        one: The gearing.
        brief: The vehicle and its motors.
        sheet: Of the bench.
    """
    return Working(
        steps=tuple(_rating_steps(station, lane, k, one, brief, sheet)),
        source="Design torque along the line, at this shaft's input, laden; never below the overrun torque.",
        note=_rating_note(station, sheet),
    )


def _rating_steps(station: Station, lane: Lane, k: int, one: Gearing, brief: Brief, sheet: RatiosSheet) -> list[Step]:
    before, side = lane.chain.stages[:k], side_of(one, lane)
    motor = "brief.front_motor" if lane.motor else "brief.motor"
    gain, given = gains_of(before, side)
    peak = worked("T_peak", peak_nm(one.motors[lane.motor]), "N·m", f"{motor}.peak_torque")
    factor = entered_or_usual(
        "f", DYNAMIC_FACTOR[sheet.coupler or CouplerStyle.RIGID], "", "ratios.coupler", is_usual=sheet.coupler is None
    )
    most = math.prod(
        stage.share if stage.strength_share is None else stage.strength_share for stage in lane.chain.stages[: k + 1]
    )
    share = [] if most == 1 else [entered(f"s{side}", most, "", "ratios.split")]
    shock = step(
        "T_shock",
        " * ".join(["T_peak", "f", *(one.name for one in share), gain]),
        peak,
        factor,
        *share,
        *given,
        value=station.motor_limited_nm or 0.0,
        unit="N·m",
        words="the motor's peak with its shock, carried here",
    )
    tyres = [] if station.slip_limited_nm is None else _tyre_steps(station, lane, k, one, brief)
    slip = tyres[-1] if tyres else None
    steps = [shock, *tyres]
    others: list[Step] = []
    over_nm = brief.overruns_nm[lane.motor]
    if station.overrun_nm is not None and over_nm is not None:
        gain, given = gains_of(before, side, is_overrun=True)
        usual = math.prod(stage.share for stage in lane.chain.stages[: k + 1])
        share = [] if usual == 1 else [entered(f"s{side}", usual, "", "ratios.split")]
        others.append(
            step(
                "T_overrun",
                " * ".join(["T_regen", *(one.name for one in share), gain]),
                entered("T_regen", over_nm, "N·m", f"{motor}.overrun_torque"),
                *share,
                *given,
                value=station.overrun_nm,
                unit="N·m",
                words="overrun, carried here from the motor",
            )
        )
    if station.wind_up_nm:
        known = {found.symbol for found in steps}
        backs = [_own_slip_steps(other, one, brief) for other in one.lanes]
        steps += [found for own in backs for found in own if found.symbol not in known]
        others.append(_wind_up_step(station, lane, k, one, [own[-1] for own in backs]))
    return [*steps, *others, _design_step(station, shock, slip, others)]


def _tyre_steps(station: Station, lane: Lane, k: int, one: Gearing, brief: Brief) -> list[Step]:
    """What slips the tyres, carried back to the station; ahead of a split both axles' together."""
    steps, own = [], []
    is_shared = len(one.lanes) > 1 and k < lane.shared
    for other in one.lanes if is_shared else (lane,):
        found = _own_slip_steps(other, one, brief)
        steps += found
        own.append(found[-1])
    gain, given = gains_of(lane.chain.stages[:k], side_of(one, lane))
    together = " + ".join(one.symbol for one in own)
    steps.append(
        step(
            "T_slip",
            f"({together}) * {gain}",
            *own,
            *given,
            value=station.slip_limited_nm or 0.0,
            unit="N·m",
            words="what slips the tyres, at this shaft",
        )
    )
    return steps


def _own_slip_steps(lane: Lane, one: Gearing, brief: Brief) -> list[Step]:
    """One axle's slip torque at the wheels, and as motor torque with the surcharge."""
    is_alone, side = len(one.lanes) == 1, side_of(one, lane)
    axle_nm = lane_slip_nm(brief, is_front=lane.is_front, is_alone=is_alone, rolling=lane.rolling) or 0.0
    body, balance = brief.laden, brief.laden_balance
    if body is None or balance is None:
        return []
    share, height, base = balance_of(balance, is_laden=True)
    mass, mu = mass_of(body, is_laden=True), tabled("μ", GRIP_FOR_RATINGS, "", "grip for ratings, the most there is")
    radius = radius_step(lane, side)
    on_axle = share.name if lane.is_front else f"(1 - {share.name})"
    lever = f"{mu.name} * {height.name} / {base.name}"
    part = f"min(1, {on_axle} + {lever})"
    if is_alone:
        part = f"min(1, {on_axle} / {above_nought(f'1 - {lever}', 1 - mu.value * height.value / base.value)})"
    axle = step(
        f"T_axle{side}",
        f"{mu.name} * {mass.name} * g * {part} * {radius.symbol}",
        mu,
        mass,
        GRAVITY,
        share,
        height,
        base,
        radius,
        value=axle_nm,
        unit="N·m",
        words="its tyres slip",
    )
    gain, given = gains_of(lane.chain.stages, side)
    back = step(
        f"T_back{side}",
        f"1.2 * {axle.symbol} / ({gain})",
        axle,
        *given,
        value=slip_motor_nm(lane.chain, axle_nm),
        unit="N·m",
        decimals=1,
        words=f"as motor torque, × {SLIP_SURCHARGE:g} for what tyre and road give beyond it",
    )
    return [radius, axle, back]


def _wind_up_step(station: Station, lane: Lane, k: int, one: Gearing, backs: list[Step]) -> Step:
    gain, given = gains_of(lane.chain.stages[:k], side_of(one, lane))
    return step(
        "T_windup",
        f"min({', '.join(back.symbol for back in backs)}) * {gain}",
        *backs,
        *given,
        value=station.wind_up_nm or 0.0,
        unit="N·m",
        words="between locked axles, until the tyres of one slip",
    )


def _design_step(station: Station, shock: Step, slip: Step | None, others: list[Step]) -> Step:
    least = "T_shock" if slip is None else "min(T_shock, T_slip)"
    used = [shock, *([slip] if slip else []), *others]
    return step(
        "T_design",
        f"max({', '.join([least, *(one.symbol for one in others)])})" if others else least,
        *used,
        value=station.design_nm or 0.0,
        unit="N·m",
        words=GOVERNS,
    )


def _rating_note(station: Station, sheet: RatiosSheet) -> str:
    note = f"Governed by the {station.governed_by}."
    if sheet.coupler is None:
        note += " Coupler not chosen: 1.5 for a rigid one is taken."
    if sheet.coupler in (CouplerStyle.RIGID, CouplerStyle.SPLINE):
        note += " A rigid coupler passes the rotor's J·α too when the wheels lock suddenly."
    if station.kind == "final_drive" and any(
        box.on_coast_flank for box in (*sheet.final_drives, *sheet.front_final_drives)
    ):
        note += f" A hypoid driving on its coast flank keeps {100 * COAST_FLANK_SHARE:.0f} % of its rating here."
    return note


def heat_working(lane: Lane, k: int, one: Gearing, lasting_kw: float | None, lost_kw: float | None) -> Working:
    """Return what a box loses while the motor gives what it keeps up."""
    source = "Power that the motor keeps up, less what is lost before this stage."
    if lasting_kw is None or lost_kw is None:
        return Working(source=source)
    stage, side = lane.chain.stages[k], side_of(one, lane)
    before = [
        entered_or_usual(
            f"η_{SHORT[s.kind]}{side}", s.efficiency, "", FIELD_OF[s.kind], is_usual=s.efficiency_is_default
        )
        for s in lane.chain.stages[:k]
        if s.efficiency != 1
    ]
    own = entered_or_usual("η", stage.efficiency, "", FIELD_OF[stage.kind], is_usual=stage.efficiency_is_default)
    part = float(np.prod([s.share for s in lane.chain.stages[: k + 1]]))
    share = [] if part == 1 else [entered(f"s{side}", part, "", "ratios.split")]
    keeps = worked("P_keep", lasting_kw, "kW", "brief.motor.continuous_torque")
    factors = ["(1 - η)", "P_keep", *(one.name for one in (*before, *share))]
    return Working(
        steps=(step("P_lost", " * ".join(factors), own, keeps, *before, *share, value=lost_kw, unit="kW", decimals=2),),
        source=source,
    )


def box_speed_working(one: Gearing, lane: Lane, k: int, rpm: float) -> Working:
    """Return how fast a box's input turns at the motor's own top speed."""
    product, given = ratios_of(lane.chain.stages[:k], side_of(one, lane))
    top = top_motor_speed(one, lane.motor)
    return Working(
        steps=(step("n", f"n_max / ({product})", top, *given, value=rpm, unit="rpm"),),
        source="Maker's limit at its input, against all that the motor can do in any gear.",
        note="A limit set in the controller holds it only while the controller drives.",
    )


def shaft_speed_working(one: Gearing, lane: Lane, k: int, brief: Brief, source: str, *, rpm: float | None) -> Working:
    """Return how fast a shaft that turns with the wheels runs at the wanted road speed."""
    if rpm is None:
        return Working(source=source)
    side = side_of(one, lane)
    product, given = ratios_of(lane.chain.stages[k:], side)
    rolls = circumference(lane, side)
    speed = wanted_speed(brief)
    return Working(
        steps=(step("n", f"v / {rolls.name} * {product}", speed, rolls, *given, value=rpm, unit="rpm"),),
        source=source,
    )


def downshift_working(forward: list[Gearing], lowest: Gearing, brief: Brief) -> Working:
    """Return how fast the motor turns in the lowest gear at the wanted road speed, the other gears' before it."""
    speed = wanted_speed(brief)
    steps: list[Step] = []
    if brief.wanted_top_kmh:
        for n, gearing in enumerate(sorted(forward, key=lambda gearing: gearing.rpm_per_ms()), start=1):
            found = motor_speed_steps(gearing, 0, speed, "n" if gearing is lowest else f"n_{n}")
            steps += [*found[:-1], _in_gear(found[-1], gearing.pick.engaged or "")]
    return Working(
        steps=tuple(steps),
        source="Wheels and clutch turn the rotor whatever the controller does.",
        note="Block the gears that are not used, or say on the lever up to what speed they may be.",
    )


def _in_gear(last: Step, gear: str) -> Step:
    return Step(last.symbol, last.expression, last.given, last.value, last.unit, last.decimals, f"in {gear}")
