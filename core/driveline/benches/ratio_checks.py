"""The checks of a gearing: does it do what is wanted, and does every station bear it."""

import math

import numpy as np

from driveline.benches.brief import Brief
from driveline.benches.common import Margins, missing_of
from driveline.benches.gearing import Gearing, Lane, stage_word
from driveline.benches.lanes import COAST_FLANK_SHARE, SHAFT_SPEED_SHARE
from driveline.benches.line import Line, Station
from driveline.chain import Stage, StageKind
from driveline.checks import Check, Step, Working
from driveline.design import DYNAMIC_FACTOR, GRIP_FOR_RATINGS, SLIP_SURCHARGE
from driveline.road import KMH_PER_MS
from driveline.sheets.ratios import CouplerStyle, GearUse, RatiosSheet
from driveline.sweep import Figures

RATED_BY = {
    "reduction": "Reduction input torque",
    "drive_unit": "Drive unit input torque",
    "gearbox": "Gearbox input torque",
    "propshaft": "Propshaft torque",
    "final_drive": "Final drive input torque",
    "axle": "Axle torque",
}


def ratio_checks(
    one: Gearing, figures: Figures, line: Line, brief: Brief, sheet: RatiosSheet, margins: Margins, *, is_chosen: bool
) -> tuple[Check, ...]:
    """Return the checks of a gearing; while none is chosen they are of the one shown."""
    checks = [_choice(margins, is_chosen=is_chosen)]
    checks += [_motor_speed(one, k, brief, margins) for k in range(len(one.motors))]
    checks += [_top_speed(line, brief, margins)]
    checks += [_rating(station, sheet, margins) for station in line.stations if station.kind in RATED_BY]
    checks += [
        _speed(lane, k, stage, brief, margins, side=side)
        for lane, k, stage, side in _stages(one)
        if stage.kind in (StageKind.GEARBOX, StageKind.PROPSHAFT) or stage.greatest_input_rpm
    ]
    checks += [_heat(lane, k, one, margins, side=side) for lane, k, stage, side in _stages(one) if stage.sheds_kw]
    checks += [_hill_start(brief, float(figures.hill_start_pct[0]), margins)]
    checks += [_cruise(one, brief, float(figures.cruise_share[0]), margins)]
    if sheet.gearbox and sheet.gearbox.use is GearUse.SHIFTED:
        checks.append(_downshift(one, brief, sheet, margins))
    return tuple(checks)


def _stages(one: Gearing) -> list[tuple[Lane, int, Stage, str]]:
    """Every stage once, with the word for its side where the Line has branched."""
    return [
        (lane, k, stage, f"{lane.word}." if len(one.lanes) > 1 and k >= lane.shared else "")
        for n, lane in enumerate(one.lanes)
        for k, stage in enumerate(lane.chain.stages)
        if not (n and k < lane.shared)
    ]


def _titled(side: str, title: str) -> str:
    return f"{side.removesuffix('.').capitalize()} {title[0].lower()}{title[1:]}" if side else title


def _choice(margins: Margins, *, is_chosen: bool) -> Check:
    return margins.answer(
        is_so=True if is_chosen else None,
        key="ratios.choice",
        bench="ratios",
        title="Gearing chosen",
        says="Chosen, with its reason kept."
        if is_chosen
        else "Choose a gearing. What stands here is of the one shown.",
        missing=() if is_chosen else ("Choose a gearing, and say why",),
        inputs=("ratios.choice",),
    )


def _motor_speed(one: Gearing, k: int, brief: Brief, margins: Margins) -> Check:
    greatest_rpm = one.motors[k].greatest_rpm
    wanted_kmh = brief.wanted_top_kmh
    needed = wanted_kmh and wanted_kmh / KMH_PER_MS * one.rpm_per_ms(k)
    lane = next(lane for lane in one.lanes if lane.motor == k)
    says = (
        f"{needed:.0f} rpm at {wanted_kmh:.0f} km/h; the motor turns {greatest_rpm:.0f}"
        if needed
        else "Say what top speed is wanted, in the Brief."
    )
    steps = (
        ()
        if not needed
        else (
            Step(
                formula="n = v / C × i",
                numbers=f"{wanted_kmh:.1f} km/h / {lane.rolling.circumference_mm:.0f} mm × "
                f"{lane.chain.overall_ratio:.3f}",
                result=f"{needed:.0f} rpm",
            ),
        )
    )
    return margins.check(
        "motor_top_speed",
        key="motor.top_speed" if not k else "front.motor.top_speed",
        bench="ratios",
        title="Motor speed at the wanted top speed" if not k else "Front motor speed at the wanted top speed",
        demand=needed or None,
        capacity=greatest_rpm,
        unit="rpm",
        says=says,
        station="motor" if len(one.motors) == 1 else f"{lane.word}.motor",
        missing=() if needed else ("Wanted top speed",),
        inputs=("brief.wanted.top_speed", "brief.motor.greatest_rpm", "brief.tyre", "ratios.choice"),
        working=Working(
            steps=steps,
            source="Without slip: v = n C / i; past a centre differential the mean of both sides. "
            "Past its top speed the rotor is over-sped.",
        ),
    )


def _top_speed(line: Line, brief: Brief, margins: Margins) -> Check:
    wanted = brief.wanted_top_kmh
    return margins.check(
        "wanted_performance",
        key="road.top_speed",
        bench="ratios",
        title="Top speed reached",
        demand=wanted,
        capacity=line.top_kmh if brief.kerb else None,
        unit="km/h",
        says=f"{line.top_kmh:.0f} km/h, set by {line.top_set_by}" + (f"; {wanted:.0f} wanted" if wanted else ""),
        missing=missing_of({"Wanted top speed": wanted or None, "Kerb mass and drag area": brief.kerb}),
        inputs=("brief.wanted.top_speed", "brief.vehicle", "brief.motor", "ratios.choice"),
        working=Working(source="Least of motor speed, power against resistance, and every shaft's limit."),
    )


def _rating(station: Station, sheet: RatiosSheet, margins: Margins) -> Check:
    rating = station.rating_nm
    side = "" if station.way == "trunk" else station.way
    return margins.check(
        "maker_rating",
        key=f"{station.key}.torque",
        bench="ratios",
        title=_titled(side, RATED_BY[station.kind]),
        demand=station.design_nm,
        capacity=rating,
        unit="N·m",
        says=f"{station.design_nm:.0f} of {rating:.0f} N·m, set by the {station.governed_by}"
        if rating
        else f"Look up its rating or ask the maker. It sees {station.design_nm:.0f} N·m.",
        station=station.key,
        missing=() if rating else (f"Rating of the {station.title.lower()}",),
        inputs=("brief.motor", "brief.vehicle", "ratios.coupler", f"ratios.{station.kind}"),
        working=Working(
            steps=_rating_steps(station, DYNAMIC_FACTOR[sheet.coupler or CouplerStyle.RIGID]),
            source="Design torque along the line, at this shaft's input, laden; never below the overrun torque.",
            note=_rating_note(station, sheet),
        ),
    )


def _rating_steps(station: Station, factor: float) -> tuple[Step, ...]:
    slip = station.slip_limited_nm
    return (
        Step(
            formula="T_motor × f carried forward by i·η",
            numbers=f"f {factor:g}",
            result=f"{station.motor_limited_nm:.0f} N·m",
        ),
        Step(
            formula="slip torque carried back / (i·η) × 1.2",
            numbers=f"μ {GRIP_FOR_RATINGS:g}, × {SLIP_SURCHARGE:g}",
            result="not known" if slip is None else f"{slip:.0f} N·m",
        ),
        Step(formula="design torque, the lesser", result=f"{station.design_nm:.0f} N·m"),
    )


def _rating_note(station: Station, sheet: RatiosSheet) -> str:
    note = f"Governed by the {station.governed_by}."
    if sheet.coupler is None:
        note += " Coupler not chosen: 1.5 for a rigid one is taken."
    if sheet.coupler in (CouplerStyle.RIGID, CouplerStyle.SPLINE):
        note += " A rigid coupler passes the rotor's J·α too when the wheels lock suddenly."
    if station.efficiency_is_default:
        note += f" Efficiency {station.efficiency:g} is the usual figure."
    if station.kind == "final_drive" and any(
        box.on_coast_flank for box in (*sheet.final_drives, *sheet.front_final_drives)
    ):
        note += f" A hypoid driving on its coast flank keeps {COAST_FLANK_SHARE:.0%} of its rating here."
    return note


def _speed(lane: Lane, k: int, stage: Stage, brief: Brief, margins: Margins, *, side: str) -> Check:
    is_shaft = stage.kind is StageKind.PROPSHAFT
    wanted = brief.wanted_top_kmh
    rpm = wanted and wanted / KMH_PER_MS * lane.rpm_per_ms / float(lane.chain.speed_divisors()[k])
    limit = stage.greatest_input_rpm and stage.greatest_input_rpm / (SHAFT_SPEED_SHARE if is_shaft else 1.0)
    name = "critical speed" if is_shaft else "greatest input speed"
    title = (
        "Propshaft against its critical speed"
        if is_shaft
        else f"{RATED_BY[stage.kind.value].split(' input')[0]} input speed"
    )
    says = f"{rpm:.0f} rpm at {wanted:.0f} km/h" if rpm and wanted else "Say what top speed is wanted."
    return margins.check(
        "shaft_speed" if is_shaft else "maker_rating",
        key=f"{side}{stage.kind.value}.speed",
        bench="ratios",
        title=_titled(side, title),
        demand=rpm or None,
        capacity=limit,
        unit="rpm",
        says=f"{says}; {name} {limit:.0f}" if limit else f"{says}. Find the {name} to finish this check.",
        station=f"{side}{stage.kind.value}",
        missing=() if limit and rpm else (name.capitalize() if rpm else "Wanted top speed",),
        inputs=("brief.wanted.top_speed", "brief.tyre", f"ratios.{stage.kind.value}", "ratios.choice"),
        working=Working(
            steps=() if not rpm else (Step(formula="n = v / C × i after this stage", result=f"{rpm:.0f} rpm"),),
            source="Run a propshaft at 0.70 of its critical speed or less, and its joints within their own limit."
            if is_shaft
            else "Maker's limit at its input.",
        ),
    )


def _heat(lane: Lane, k: int, one: Gearing, margins: Margins, *, side: str) -> Check:
    """Loss in a box while the motor gives what it keeps up, against what the box can shed."""
    stage, motor = lane.chain.stages[k], one.motors[lane.motor]
    rpm = np.linspace(0, motor.greatest_rpm, 200)
    lasting_nm = motor.continuous_nm(rpm)
    lasting_kw = None if lasting_nm is None else float((lasting_nm * rpm).max()) * np.pi / 30_000
    before = float(np.prod([s.efficiency * s.share for s in lane.chain.stages[:k]])) * stage.share
    lost_kw = None if lasting_kw is None else (1 - stage.efficiency) * before * lasting_kw
    return margins.check(
        "maker_rating",
        key=f"{side}{stage.kind.value}.heat",
        bench="ratios",
        title=_titled(side, f"Heat in the {stage_word(stage.kind)}"),
        demand=lost_kw,
        capacity=stage.sheds_kw,
        unit="kW",
        says=f"{lost_kw:.2f} kW lost for good; it sheds {stage.sheds_kw:g}"
        if lost_kw is not None
        else "Give the motor's continuous torque.",
        station=f"{side}{stage.kind.value}",
        missing=() if lost_kw is not None else ("Continuous torque",),
        inputs=("brief.motor.continuous_torque", f"ratios.{stage.kind.value}"),
        working=Working(
            steps=()
            if lost_kw is None
            else (
                Step(
                    formula="(1 − η) P",
                    numbers=f"(1 − {stage.efficiency:g}) × {before * (lasting_kw or 0):.1f} kW",
                    result=f"{lost_kw:.2f} kW",
                ),
            ),
            source="Power that the motor keeps up, less what is lost before this stage.",
        ),
    )


def _hill_start(brief: Brief, held_pct: float, margins: Margins) -> Check:
    known = brief.laden is not None
    held = f"{held_pct:.0f} %" if held_pct < 999 else "any grade"
    return margins.check(
        "wanted_performance",
        key="road.hill_start",
        bench="ratios",
        title="Laden hill start",
        demand=brief.hill_start_pct,
        capacity=min(held_pct, 999.0) if known else None,
        unit="%",
        says=f"starts on {held}; {brief.hill_start_pct:.0f} % wanted"
        if known
        else "Give the laden mass to finish this check.",
        station="wheel",
        missing=() if known else ("Laden mass",),
        inputs=("brief.vehicle.laden_mass", "brief.motor", "brief.wanted.hill_start_pct", "ratios.choice"),
        working=Working(
            steps=(
                Step(
                    formula="F = m g (C_rr cosθ + sinθ), tanθ = grade",
                    result=f"{held_pct:.1f} %" if held_pct < 999 else "",
                ),
            ),
            source="Peak torque at standstill, held to what the tyres grip with load transfer.",
        ),
    )


def _cruise(one: Gearing, brief: Brief, share: float, margins: Margins) -> Check:
    if brief.cruise_kmh > one.greatest_kmh:
        share = math.inf
    known = not math.isnan(share)
    return margins.check(
        "wanted_performance",
        key="road.cruise",
        bench="ratios",
        title="Cruise within continuous torque",
        demand=None if not known else 1.0 if math.isinf(share) else share,
        capacity=0.0 if math.isinf(share) else 1.0,
        unit="",
        says=f"{brief.cruise_kmh:.0f} km/h is past the motor's top speed"
        if math.isinf(share)
        else f"{share:.0%} of what the motor keeps up, at {brief.cruise_kmh:.0f} km/h"
        if known
        else "Give the continuous torque: without it nobody knows whether it cooks.",
        station="motor",
        missing=() if known else ("Continuous torque, kerb mass and drag area",),
        inputs=("brief.motor.continuous_torque", "brief.vehicle", "brief.wanted.cruise_speed", "ratios.choice"),
        working=Working(
            steps=(Step(formula="(rolling + drag) r / (i η) / T_continuous", result=f"{share:.2f}"),) if known else (),
            source="Continuous torque decides cruise and climbs; peak torque decides strength.",
        ),
    )


def _downshift(one: Gearing, brief: Brief, sheet: RatiosSheet, margins: Margins) -> Check:
    """Every lower gear at the wanted top speed: a missed shift, or rolling down a hill in it."""
    gears = sorted((gear.ratio.value, gear.name) for gear in (sheet.gearbox.gears if sheet.gearbox else ()))
    own = next((gear for gear in gears if gear[1] == one.pick.gear), None)
    lower = next((gear for gear in gears if own and gear[0] > own[0]), None)
    wanted = brief.wanted_top_kmh
    greatest_rpm = one.motors[0].greatest_rpm
    rpm = wanted / KMH_PER_MS * one.rpm_per_ms() * lower[0] / own[0] if wanted and lower and own else None
    limit_kmh = greatest_rpm / one.rpm_per_ms() * KMH_PER_MS * own[0] / lower[0] if lower and own else None
    return margins.check(
        "motor_top_speed",
        key="motor.downshift",
        bench="ratios",
        title="Motor speed on a downshift",
        demand=rpm or (0.0 if own and not lower else None),
        capacity=greatest_rpm,
        unit="rpm",
        says=f"into {lower[1]} at {wanted:.0f} km/h the motor turns {rpm:.0f}; shift below {limit_kmh:.0f} km/h"
        if rpm and lower
        else "No lower gear to shift into."
        if own
        else "Choose a gear and a wanted top speed.",
        station="motor",
        missing=() if rpm or (own and not lower) else ("Wanted top speed and a chosen gear",),
        inputs=("ratios.gearbox", "brief.wanted.top_speed", "ratios.choice"),
        working=Working(
            steps=(Step(formula="n = v / C × i, next lower gear", result=f"{rpm:.0f} rpm"),) if rpm else (),
            source="Wheels and clutch turn the rotor whatever the controller does.",
            note="Block the gears that are not used, or say on the lever up to what speed they may be.",
        ),
    )
