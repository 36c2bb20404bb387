"""The checks of a gearing: does it do what is wanted, and does every station bear it."""

import math
from collections.abc import Mapping

import numpy as np

from driveline.benches.ratios.gearing import Gearing, Lane, stage_word
from driveline.benches.ratios.lanes import COAST_FLANK_SHARE
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.benches.ratios.speeds import speed_checks, stages_of, titled, worst_of_gears
from driveline.checks import Check, Step, Working
from driveline.gearing.brief import Brief
from driveline.gearing.chain import StageKind
from driveline.gearing.design import GRIP_FOR_RATINGS, SLIP_SURCHARGE
from driveline.gearing.road import KMH_PER_MS
from driveline.gearing.stations import Drive, LineStation, Station
from driveline.gearing.sweep import Figures
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import DYNAMIC_FACTOR, CouplerStyle

GREATEST_GRADE_PCT = 999.0
RATED_BY = {
    "reduction": "Reduction input torque",
    "drive_unit": "Drive unit input torque",
    "gearbox": "Gearbox input torque",
    "propshaft": "Propshaft torque",
    "final_drive": "Final drive input torque",
    "axle": "Axle torque",
}
SHEDS = (StageKind.REDUCTION, StageKind.DRIVE_UNIT, StageKind.GEARBOX, StageKind.FINAL_DRIVE)


def ratio_checks(
    one: Gearing,
    in_gear: tuple[Gearing, ...],
    stations: Mapping[str, tuple[LineStation, ...]],
    figures: Figures,
    drive: Drive,
    brief: Brief,
    sheet: RatiosSheet,
    judge: Judge,
    *,
    is_chosen: bool,
) -> tuple[Check, ...]:
    """Return the checks of a gearing; while none is chosen they are of the one shown.

    Args:
        one: The gearing.
        in_gear: The same in every gear that can be engaged: what they load and turn is judged in the worst of them.
        stations: Of each of these, by its key.
        figures: Of the gearing, one row.
        drive: Of the gearing: what it reaches.
        brief: The vehicle and its motors.
        sheet: Of the bench.
        judge: Of the bench.
        is_chosen: Whether it is the choice or only shown.
    """
    gears = [_loads(gearing, stations[gearing.key], brief, sheet, judge) for gearing in in_gear]
    return (
        _choice(judge, is_chosen=is_chosen),
        *(_motor_speed(one, k, brief, judge) for k in range(len(one.motors))),
        _top_speed(drive, figures, brief, judge),
        *worst_of_gears([gearing.pick.gear for gearing in in_gear], gears),
        *speed_checks(one, in_gear, brief, judge),
        _hill_start(brief, figures, judge),
        _cruise(one, brief, float(figures.cruise_share[0]), judge),
    )


def _loads(
    gearing: Gearing, stations: tuple[LineStation, ...], brief: Brief, sheet: RatiosSheet, judge: Judge
) -> list[Check]:
    """What every station bears and sheds in one gear."""
    ratings = [_rating(one.station, sheet, judge) for one in stations if one.station.kind in RATED_BY]
    heat = [
        _heat(lane, k, gearing, brief, judge, side=side)
        for lane, k, stage, side in stages_of(gearing)
        if stage.kind in SHEDS
    ]
    return [*ratings, *heat]


def not_laid_out(missing: tuple[str, ...], judge: Judge) -> Check:
    """Return the one check that stands before there is a line to judge."""
    return _choice(judge, is_chosen=False).not_known(missing, f"{missing[0]}.")


def _choice(judge: Judge, *, is_chosen: bool) -> Check:
    return judge.answer(
        is_so=True if is_chosen else None,
        key="ratios.choice",
        title="Gearing chosen",
        says="Chosen, with its reason kept."
        if is_chosen
        else "Choose a gearing. What stands here is of the one shown.",
        missing=() if is_chosen else ("Choose a gearing, and say why",),
        inputs=("ratios.choice",),
    )


def _motor_speed(one: Gearing, k: int, brief: Brief, judge: Judge) -> Check:
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
    return judge.check(
        "motor_top_speed",
        key="motor.top_speed" if not k else "front.motor.top_speed",
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


def _top_speed(drive: Drive, figures: Figures, brief: Brief, judge: Judge) -> Check:
    """What the motor can do against what resists it; every shaft is judged by itself, at the wanted speed."""
    wanted, able_kmh = brief.wanted_top_kmh, float(figures.able_kmh[0])
    missing = missing_of(
        {
            "Wanted top speed": wanted or None,
            "Kerb mass and drag area": brief.kerb,
            " and ".join(brief.motor_gaps) or "Torque of the motor": bool(figures.is_able_known[0]),
            "Battery power": brief.is_battery_known,
        }
    )
    set_by = drive.top_set_by if drive.top_kmh >= able_kmh * (1 - 1e-9) else "the motor"
    says = f"{able_kmh:.0f} km/h, set by {set_by}" + (f"; {wanted:.0f} wanted" if wanted else "")
    return judge.check(
        "wanted_performance",
        key="road.top_speed",
        title="Top speed reached",
        demand=wanted,
        capacity=able_kmh,
        unit="km/h",
        says=says if not missing else f"{says}, at best. {wanted_words(missing)}",
        missing=missing,
        inputs=("brief.wanted.top_speed", "brief.vehicle", "brief.motor", "brief.tyre", "ratios.choice"),
        working=Working(source="Lesser of motor speed, and power against resistance."),
    )


def _rating(station: Station, sheet: RatiosSheet, judge: Judge) -> Check:
    rating = station.rating_nm
    side = "" if station.way == "trunk" else station.way
    missing = missing_of(
        {
            f"Rating of the {station.title.lower()}": rating,
            "Greatest overrun torque of the motor, 0 where there is none": station.overrun_nm,
            "Laden balance of the vehicle, for what the locked axles wind up to": station.wind_up_nm,
        }
    )
    design_nm = station.design_nm or 0.0
    says = f"{design_nm:.0f} of {rating or 0:.0f} N·m, set by the {station.governed_by}"
    if rating is None:
        says = f"Look up its rating or ask the maker. It sees {design_nm:.0f} N·m."
    elif missing:
        says = f"{says}, at least. {wanted_words(missing)}"
    return judge.check(
        "maker_rating",
        key=f"{station.key}.torque",
        title=titled(side, RATED_BY[station.kind]),
        demand=design_nm,
        capacity=rating,
        unit="N·m",
        says=says,
        station=station.key,
        missing=missing,
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
        Step(
            formula="overrun torque carried forward by i/η",
            result="not known" if station.overrun_nm is None else f"{station.overrun_nm:.0f} N·m",
        ),
        *(
            ()
            if not station.wind_up_nm
            else (
                Step(
                    formula="wind-up between locked axles, till the tyres of one slip, × 1.2",
                    result=f"{station.wind_up_nm:.0f} N·m",
                ),
            )
        ),
        Step(
            formula="design torque, the lesser of the first two, never below the others",
            result=f"{station.design_nm or 0:.0f} N·m",
        ),
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


def _heat(lane: Lane, k: int, one: Gearing, brief: Brief, judge: Judge, *, side: str) -> Check:
    """Loss in a box while the motor gives what it keeps up, against what the box can shed."""
    stage, motor = lane.chain.stages[k], one.motors[lane.motor]
    rpm = np.linspace(0, motor.greatest_rpm, 200)
    lasting_nm = motor.continuous_nm(rpm)
    lasting_kw = None if lasting_nm is None else float((lasting_nm * rpm).max()) * np.pi / 30_000
    before = float(np.prod([s.efficiency * s.share for s in lane.chain.stages[:k]])) * stage.share
    lost_kw = None if lasting_kw is None else (1 - stage.efficiency) * before * lasting_kw
    word = stage_word(stage.kind)
    is_known = motor.continuous_known_rpm >= motor.greatest_rpm
    missing = missing_of(
        {
            brief.lasting_gap: lost_kw is not None and is_known,
            f"What the {word} can shed": stage.sheds_kw,
        }
    )
    return judge.check(
        "maker_rating",
        key=f"{side}{stage.kind.value}.heat",
        title=titled(side, f"Heat in the {word}"),
        demand=lost_kw if is_known else None,
        capacity=stage.sheds_kw,
        unit="kW",
        says=f"{lost_kw:.2f} kW lost for good; it sheds {stage.sheds_kw:g}" if not missing else wanted_words(missing),
        station=f"{side}{stage.kind.value}",
        missing=missing,
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


def _hill_start(brief: Brief, figures: Figures, judge: Judge) -> Check:
    """By torque and by grip; by torque alone, at best, while the grip is not known."""
    gripped, by_torque = float(figures.hill_start_pct[0]), float(figures.hill_torque_pct[0])
    held_pct = by_torque if math.isnan(gripped) else gripped
    is_known = brief.laden is not None
    missing = missing_of(
        {
            "Laden mass and drag area": is_known,
            "Where the load stands, height of the centre of gravity, wheelbase and front share": not math.isnan(
                gripped
            ),
        }
    )
    held = f"{held_pct:.0f} %" if held_pct < GREATEST_GRADE_PCT else "any grade"
    says = f"starts on {held}; {brief.hill_start_pct:.0f} % wanted"
    if missing:
        says = f"starts on {held} by torque alone. {wanted_words(missing)}" if is_known else wanted_words(missing)
    return judge.check(
        "wanted_performance",
        key="road.hill_start",
        title="Laden hill start",
        demand=brief.hill_start_pct,
        capacity=min(held_pct, GREATEST_GRADE_PCT) if is_known else None,
        unit="%",
        says=says,
        station="wheel",
        missing=missing,
        inputs=(
            "brief.vehicle",
            "brief.masses",
            "brief.motor",
            "brief.tyre",
            "brief.wanted.hill_start_pct",
            "ratios.choice",
        ),
        working=Working(
            steps=(
                Step(
                    formula="F = m g (C_rr cosθ + sinθ), tanθ = grade",
                    result=f"{held_pct:.1f} %" if held_pct < GREATEST_GRADE_PCT else "",
                ),
            ),
            source="Peak torque at standstill, held to what the tyres grip with load transfer.",
        ),
    )


def _cruise(one: Gearing, brief: Brief, share: float, judge: Judge) -> Check:
    is_past = brief.cruise_kmh > one.greatest_kmh
    is_known = is_past or not math.isnan(share)
    missing = missing_of(
        {
            "Kerb mass and drag area": is_past or brief.kerb is not None,
            brief.lasting_gap: is_known or brief.kerb is None and not brief.motor_gaps,
            "Battery power": is_past or brief.is_battery_known,
        }
    )
    says = f"{share:.0%} of what the motor keeps up, at {brief.cruise_kmh:.0f} km/h" if is_known else ""
    if is_past:
        says = f"{brief.cruise_kmh:.0f} km/h is past the motor's top speed"
    if missing:
        says = f"{says}, at best. {wanted_words(missing)}" if is_known else wanted_words(missing)
    return judge.check(
        "wanted_performance",
        key="road.cruise",
        title="Cruise within continuous torque",
        demand=1.0 if is_past else share if is_known else None,
        capacity=0.0 if is_past else 1.0,
        unit="",
        says=says,
        station="motor",
        missing=missing,
        inputs=("brief.motor", "brief.vehicle", "brief.tyre", "brief.wanted.cruise_speed", "ratios.choice"),
        working=Working(
            steps=(Step(formula="(rolling + drag) r / (i η) / T_continuous", result=f"{share:.2f}"),)
            if is_known and not is_past
            else (),
            source="Continuous torque decides cruise and climbs; peak torque decides strength.",
        ),
    )
