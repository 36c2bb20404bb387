"""The checks of a gearing: does it do what is wanted, and does every station bear it."""

import math
from collections.abc import Mapping
from typing import Final

import numpy as np

from driveline.benches.ratios.gearing import Gearing, Lane, stage_word
from driveline.benches.ratios.road_workings import cruise_working, hill_start_working, top_speed_working
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.benches.ratios.speeds import speed_checks, stages_of, titled, worst_of_gears
from driveline.benches.ratios.workings import heat_working, motor_speed_working, rating_working
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.gearing.brief import BOTH_VOLTAGES, Brief
from driveline.gearing.chain import StageKind
from driveline.gearing.road import KMH_PER_MS
from driveline.gearing.stations import Drive, LineStation, Station
from driveline.gearing.sweep import Figures
from driveline.margins import Judge, missing_of, wanted_words, with_wanted

GREATEST_GRADE_PCT = 999.0
RATED_BY = {
    "reduction": "Reduction input torque",
    "drive_unit": "Drive unit input torque",
    "gearbox": "Gearbox input torque",
    "transfer": "Transfer box input torque",
    "propshaft": "Propshaft torque",
    "final_drive": "Final drive input torque",
    "axle": "Axle torque",
}
CHOOSE: Final = "Choose a gearing, and say why"
ON_NO_GEARING: Final = ("parked.handbrake", "split.hubs")  # these hang on none, nor on motor or tyre
SHEDS = (StageKind.REDUCTION, StageKind.DRIVE_UNIT, StageKind.GEARBOX, StageKind.TRANSFER, StageKind.FINAL_DRIVE)


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
        _top_speed(one, drive, figures, brief, judge),
        *worst_of_gears([gearing.pick.engaged for gearing in in_gear], gears),
        *speed_checks(one, in_gear, brief, judge),
        _hill_start(one, brief, figures, judge),
        _cruise(one, brief, float(figures.cruise_share[0]), judge),
    )


def _loads(
    gearing: Gearing, stations: tuple[LineStation, ...], brief: Brief, sheet: RatiosSheet, judge: Judge
) -> list[Check]:
    """What every station bears and sheds in one gear."""
    station_of = {one.station.key: one.station for one in stations}
    ratings = [
        _rating(station_of[f"{side}{stage.kind.value}"], lane, k, gearing, brief, sheet, judge)
        for lane, k, stage, side in stages_of(gearing)
        if stage.kind.value in RATED_BY
    ]
    heat = [
        _heat(lane, k, gearing, brief, judge, side=side)
        for lane, k, stage, side in stages_of(gearing)
        if stage.kind in SHEDS
    ]
    return [*ratings, *heat]


def only_shown(check: Check) -> Check:
    """Return a check of a gearing that nobody has chosen: it may fail, with its figures, and it never holds."""
    if check.key in ON_NO_GEARING or CHOOSE in check.missing:
        return check
    missing = (*check.missing, CHOOSE)
    return check.model_copy(update={"missing": missing, "says": with_wanted(check.says, missing)})


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
        missing=() if is_chosen else (CHOOSE,),
        inputs=("ratios.choice",),
    )


def _motor_speed(one: Gearing, k: int, brief: Brief, judge: Judge) -> Check:
    greatest_rpm = one.motors[k].greatest_rpm
    wanted_kmh = brief.wanted_top_kmh
    needed = wanted_kmh and wanted_kmh / KMH_PER_MS * one.rpm_per_ms(k)
    lane = next(lane for lane in one.lanes if lane.motor == k)
    says = "Say what top speed is wanted, in the Brief."
    if needed:
        says = f"{fig(needed, 'rpm', 0)} at {fig(wanted_kmh, 'km/h', 0)}; the motor turns {num(greatest_rpm, 'rpm', 0)}"
    missing = missing_of({"Wanted top speed": needed or None, BOTH_VOLTAGES: one.motors[k].is_voltage_known})
    if needed and missing:
        says = f"{says}, at best. {wanted_words(missing)}"
    return judge.check(
        "motor_top_speed",
        key="motor.top_speed" if not k else "front.motor.top_speed",
        title="Motor speed at the wanted top speed" if not k else "Front motor speed at the wanted top speed",
        demand=needed or None,
        capacity=greatest_rpm,
        unit="rpm",
        says=says,
        station="motor" if len(one.motors) == 1 else f"{lane.word}.motor",
        missing=missing,
        inputs=("brief.wanted.top_speed", "brief.motor.greatest_rpm", "brief.tyre", "ratios.choice"),
        working=lambda: motor_speed_working(one, k, brief),
    )


def _top_speed(one: Gearing, drive: Drive, figures: Figures, brief: Brief, judge: Judge) -> Check:
    """What the motor can do against what resists it; every shaft is judged by itself, at the wanted speed."""
    wanted, able_kmh = brief.wanted_top_kmh, float(figures.able_kmh[0])
    missing = missing_of(
        {
            "Wanted top speed": wanted or None,
            "Kerb mass and drag area": brief.kerb,
            " and ".join(brief.motor_gaps) or "Torque of the motor": brief.kerb is None
            or bool(figures.is_able_known[0]),
            "Battery power": brief.is_battery_known,
        }
    )
    set_by = drive.top_set_by if drive.top_kmh >= able_kmh * (1 - 1e-9) else "the motor"
    says = f"{fig(able_kmh, 'km/h', 0)}, set by {set_by}"
    says += f"; {num(wanted, 'km/h', 0)} wanted" if wanted else ""
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
        working=lambda: top_speed_working(one, brief, able_kmh),
    )


def _rating(
    station: Station, lane: Lane, k: int, gearing: Gearing, brief: Brief, sheet: RatiosSheet, judge: Judge
) -> Check:
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
    says = f"{num(design_nm, 'N·m', 0)} of {fig(rating, 'N·m', 0)}, set by the {station.governed_by}"
    if rating is None:
        says = f"Look up its rating or ask the maker. It sees {fig(design_nm, 'N·m', 0)}."
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
        working=lambda: rating_working(station, lane, k, gearing, brief, sheet),
    )


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
        says=f"{fig(lost_kw, 'kW', 2)} lost for good; it sheds {num(stage.sheds_kw, 'kW')}"
        if not missing
        else wanted_words(missing),
        station=f"{side}{stage.kind.value}",
        missing=missing,
        inputs=("brief.motor.continuous_torque", f"ratios.{stage.kind.value}"),
        working=lambda: heat_working(lane, k, one, lasting_kw, lost_kw),
    )


def _hill_start(one: Gearing, brief: Brief, figures: Figures, judge: Judge) -> Check:
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
    held = fig(held_pct, "%", 0) if held_pct < GREATEST_GRADE_PCT else "any grade"
    says = f"starts on {held}; {fig(brief.hill_start_pct, '%', 0)} wanted"
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
        working=lambda: hill_start_working(one, brief, by_torque=by_torque, held_pct=held_pct),
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
    says = (
        f"{fig(100 * share, '%', 0)} of what the motor keeps up, at {fig(brief.cruise_kmh, 'km/h', 0)}"
        if is_known
        else ""
    )
    if is_past:
        says = f"{fig(brief.cruise_kmh, 'km/h', 0)} is past the motor's top speed"
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
        working=lambda: cruise_working(one, brief, share, is_known=is_known and not is_past),
    )
