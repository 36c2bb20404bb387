"""The safety side of gearing: overrun against grip, what turns too fast, the wrong way, or rolls away when parked."""

import math

from driveline.benches.ratios.gearing import Gearing, radius_m
from driveline.benches.ratios.needs import RatiosNeeds
from driveline.benches.ratios.overrun import overrun_check
from driveline.benches.ratios.safety_workings import (
    CAST_IRON_KGM3,
    PARKED_PCT,
    clutch_working,
    flywheel_working,
    handbrake_working,
    pawl_working,
    split_working,
)
from driveline.benches.ratios.sheet import RatiosSheet, SplitKind
from driveline.benches.ratios.speeds import worst_of_gears
from driveline.benches.ratios.turning import turning_checks
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.gearing.brief import Brief
from driveline.gearing.layouts import has_propshaft
from driveline.gearing.road import GRAVITY_MS2, KMH_PER_MS
from driveline.gearing.sheets import Parking
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import CouplerStyle
from driveline.sheet import positive_of, value_of

PARKED_FACING_DOWN_PCT = 16.0
LOCKED_SPEEDS_DIFFER_PCT = 1.0
TRY_IT = "Load it, try the handbrake on a known grade facing up and down, chocks ready; enter what it held."


def safety_checks(
    one: Gearing,
    in_gear: tuple[Gearing, ...],
    needs: RatiosNeeds,
    sheet: RatiosSheet,
    judge: Judge,
) -> tuple[Check, ...]:
    """Return what could hurt someone or break something besides torque.

    Args:
        one: The gearing.
        in_gear: The same in every gear that can be engaged.
        needs: Of the brief: the vehicle, its motors, and how it is held when parked.
        sheet: Of the bench.
        judge: Of the bench.
    """
    brief = needs.brief
    overrun = [[overrun_check(gearing, brief, judge, is_wet=is_wet) for is_wet in (True, False)] for gearing in in_gear]
    checks = [
        *worst_of_gears([gearing.pick.engaged for gearing in in_gear], overrun),
        *_parked(one, brief, needs.parking, judge),
        *turning_checks(one, needs, sheet, judge),
    ]
    if sheet.coupler is CouplerStyle.CLUTCH:
        checks += [_clutch(one, sheet, judge), _flywheel(one, sheet, judge)]
    checks += _split(one, brief, sheet, judge)
    return tuple(checks)


def _parked(one: Gearing, brief: Brief, parking: Parking, judge: Judge) -> list[Check]:
    """Held laden on 1 in 4, and on 1 in 6.25 facing down, by pawl or by handbrake alone."""
    laden = brief.laden
    grip_pct = _parking_grip_pct(brief, on_front=parking.handbrake_axle == "front")
    held = parking.handbrake_held_pct
    by_grip = f"; its tyres hold {fig(grip_pct, '%', 0)} at worst" if grip_pct is not None else ""
    pawl_word = {True: "beside a pawl", False: "no pawl: the handbrake is all there is", None: "pawl not known"}
    wanted = wanted_parked_pct(parking)
    missing = missing_of(
        {
            "Grade the handbrake has held, laden": held,
            "Whether there is a parking pawl": parking.pawl is not None,
            "Where the load stands, height of the centre of gravity, wheelbase and front share": grip_pct,
        }
    )
    says = f"held {fig(held, '%')} laden, {pawl_word[parking.pawl]}{by_grip}" if held is not None else TRY_IT
    checks = [
        judge.check(
            "wanted_performance",
            key="parked.handbrake",
            title="Handbrake on a laden grade",
            demand=wanted,
            capacity=None if held is None else min(held, grip_pct if grip_pct is not None else held),
            unit="%",
            says=says if not missing or held is None else f"{says}. {wanted_words(missing)}",
            station="wheel",
            missing=missing,
            inputs=("brief.parking", "brief.vehicle", "brief.masses"),
            working=lambda: handbrake_working(brief, parking, grip_pct),
        )
    ]
    if parking.pawl is not False:
        checks.append(_pawl(one, float(laden.mass_kg) if laden else None, parking, judge))
    return checks


def wanted_parked_pct(parking: Parking) -> float:
    """Return the laden grade the handbrake must hold: while no pawl is ruled out, the lesser is the least asked."""
    return PARKED_PCT if parking.pawl is False else PARKED_FACING_DOWN_PCT


def _parking_grip_pct(brief: Brief, *, on_front: bool) -> float | None:
    """Steepest grade that one braked axle's tyres hold, facing the way that unloads them, percent.

    N_rear = m g ((1−s) cosθ − (h/L) sinθ) facing down; m g sinθ = μ N gives tanθ = μ (1−s)/(1 + μ h/L). The front
    tyres the same facing up.
    """
    balance = brief.laden_balance
    if balance is None:
        return None
    lever = brief.grip * balance.cg_height_mm / balance.wheelbase_mm
    share = balance.front_share if on_front else 1 - balance.front_share
    return float(100 * brief.grip * share / (1 + lever))


def _pawl(one: Gearing, laden_kg: float | None, parking: Parking, judge: Judge) -> Check:
    lane, rating_nm = one.lanes[0], value_of(parking.pawl_rating)
    slope = math.atan(PARKED_PCT / 100)
    asked = None if laden_kg is None else laden_kg * GRAVITY_MS2 * math.sin(slope) * radius_m(lane.rolling)
    behind = [stage.ratio for stage in lane.chain.stages if stage.kind.value == "final_drive"]
    torque = asked and asked / math.prod(behind)
    missing = missing_of(
        {"Whether there is a parking pawl": parking.pawl, "Laden mass": torque, "Rating of the pawl": rating_nm}
    )
    says = f"1 in 4 laden asks {fig(torque, 'N·m', 0)} of it" if torque else ""
    rated = f"{says}; rated {num(rating_nm, 'N·m', 0)}"
    return judge.check(
        "maker_rating",
        key="parked.pawl",
        title="Parking pawl on a laden grade",
        demand=torque,
        # While nobody knows whether there is one, it can't fail.
        capacity=rating_nm if parking.pawl else None,
        unit="N·m",
        says=rated if not missing else f"{says}. {wanted_words(missing)}".removeprefix(". "),
        station=None,
        missing=missing,
        inputs=("brief.parking", "brief.vehicle.laden_mass", "brief.tyre"),
        working=lambda: pawl_working(lane, laden_kg, torque),
    )


def _clutch(one: Gearing, sheet: RatiosSheet, judge: Judge) -> Check:
    limit = value_of(sheet.clutch.greatest_rpm)
    rpm = one.motors[0].greatest_rpm
    missing = missing_of({"What clutch cover and plate may turn": limit})
    says = f"{fig(rpm, 'rpm', 0)} when the motor is at its top speed"
    return judge.check(
        "maker_rating",
        key="clutch.speed",
        title="Clutch speed",
        demand=rpm,
        capacity=limit,
        unit="rpm",
        says=f"{says}. {wanted_words(missing)}" if missing else f"{says}; it may turn {num(limit, 'rpm', 0)}",
        station="coupler",
        missing=missing,
        inputs=("ratios.clutch", "brief.motor.greatest_rpm"),
        working=lambda: clutch_working(one),
    )


def _flywheel(one: Gearing, sheet: RatiosSheet, judge: Judge) -> Check:
    diameter_mm, limit_mpa = positive_of(sheet.clutch.flywheel_diameter), sheet.clutch.flywheel_limit_mpa
    # A motor left to itself with the clutch in is bounded only by its own top speed.
    rpm = one.motors[0].greatest_rpm
    rim_ms = diameter_mm and math.pi * diameter_mm / 1000 * rpm / 60
    stress = rim_ms and CAST_IRON_KGM3 * rim_ms**2 / 1e6
    return judge.check(
        "maker_rating",
        key="flywheel.rim_stress",
        title="Flywheel rim at motor top speed",
        demand=stress or None,
        capacity=limit_mpa,
        unit="MPa",
        says=f"{fig(stress, 'MPa', 0)} in a cast-iron rim at {fig(rpm, 'rpm', 0)}"
        + (f"; {num(limit_mpa, 'MPa')} allowed" if limit_mpa else ". Find what its maker or its iron allows.")
        if stress
        else "Measure the flywheel's outside diameter.",
        station="coupler",
        missing=missing_of({"Flywheel diameter": diameter_mm or None, "Rim stress allowed": limit_mpa}),
        inputs=("ratios.clutch", "brief.motor.greatest_rpm"),
        working=lambda: flywheel_working(one, diameter_mm, stress),
    )


def _split(one: Gearing, brief: Brief, sheet: RatiosSheet, judge: Judge) -> list[Check]:
    """A locked line between axles that turn at different speeds winds up; an open one drives the free hubs."""
    if brief_split_is_hubs(one, brief, sheet):
        is_locked = sheet.split.kind is SplitKind.LOCKED
        return [
            judge.answer(
                is_so=is_locked,
                key="split.hubs",
                title="Drive with the front hubs free",
                says="Locked between the outputs: all of it goes to the rear."
                if is_locked
                else "An open differential turns the free side and drives nothing. Lock it, or engage the hubs.",
                station="drive_unit",
                inputs=("ratios.split",),
            )
        ]
    if len(one.lanes) < 2 or len(one.motors) > 1:
        return []
    front, rear = (next(lane for lane in one.lanes if lane.is_front is way) for way in (True, False))
    differ_pct = 100 * abs(front.rpm_per_ms / rear.rpm_per_ms - 1)
    if sheet.split.kind is not SplitKind.LOCKED and differ_pct < 1e-9:
        return []
    at_kmh = brief.wanted_top_kmh or brief.cruise_kmh
    divisor = float(front.chain.speed_divisors[front.shared])
    turns = abs(front.rpm_per_ms - rear.rpm_per_ms) / divisor * at_kmh / KMH_PER_MS
    is_locked = sheet.split.kind is SplitKind.LOCKED
    return [
        judge.check(
            "wanted_performance",
            key="split.speeds",
            title="Front and rear turn alike" if is_locked else "Centre differential speed",
            demand=differ_pct,
            capacity=LOCKED_SPEEDS_DIFFER_PCT if is_locked else 5.0,
            unit="%",
            says=f"front and rear differ by {fig(differ_pct, '%', 1)}"
            + ("; locked, the line winds up on hard ground" if is_locked and differ_pct else "")
            + (f": {fig(turns, 'rpm', 0)} between the outputs at {fig(at_kmh, 'km/h', 0)}" if turns >= 1 else ""),
            station="drive_unit",
            inputs=("ratios.split", "ratios.final_drives", "brief.front_tyre"),
            working=lambda: split_working(front, rear, differ_pct),
        )
    ]


def brief_split_is_hubs(one: Gearing, brief: Brief, sheet: RatiosSheet) -> bool:
    """Say whether two axles could be driven but the front hubs are free."""
    return sheet.split.front_hubs_free and has_propshaft(brief.layout) and len(one.lanes) == 1
