"""The safety side of gearing: overrun against grip, what turns too fast, the wrong way, or rolls away when parked."""

import math

import numpy as np

from driveline.benches.ratios.gearing import Gearing, radius_m
from driveline.benches.ratios.needs import RatiosNeeds
from driveline.benches.ratios.sheet import RatiosSheet, SplitKind
from driveline.benches.ratios.speeds import worst_of_gears
from driveline.benches.ratios.turning import turning_checks
from driveline.checks import Check, Step, Working
from driveline.gearing.brief import Brief
from driveline.gearing.road import GRAVITY_MS2, KMH_PER_MS, FrontPull, overrun_slip_limit_n
from driveline.gearing.sheets import Layout, Parking
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import CouplerStyle
from driveline.sheet import positive_of, value_of

WET_GRIP = 0.3
CAST_IRON_KGM3 = 7200.0
PARKED_PCT = 25.0
PARKED_FACING_DOWN_PCT = 16.0
LOCKED_SPEEDS_DIFFER_PCT = 1.0
TRY_IT = "Load it, try the handbrake on a known grade facing up and down, chocks ready; enter what it held."
BURST_NOTE = "A burst clutch or flywheel goes through the floor. Keep the bell-housing closed and stand clear."


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
    overrun = [
        [
            _overrun(gearing, brief, judge, mu=WET_GRIP, key="road.overrun_wet", title="Overrun grip on a wet road"),
            _overrun(gearing, brief, judge, mu=brief.grip, key="road.overrun_dry", title="Overrun grip on a dry road"),
        ]
        for gearing in in_gear
    ]
    checks = [
        *worst_of_gears([gearing.pick.gear for gearing in in_gear], overrun),
        *_parked(one, brief, needs.parking, judge),
        *turning_checks(one, needs, sheet, judge),
    ]
    if sheet.coupler is CouplerStyle.CLUTCH:
        checks += [_clutch(one, sheet, judge), _flywheel(one, sheet, judge)]
    checks += _split(one, brief, sheet, judge)
    return tuple(checks)


def _overrun(one: Gearing, brief: Brief, judge: Judge, *, mu: float, key: str, title: str) -> Check:
    asked = brief.overruns_nm[: len(one.motors)]
    is_asked = all(torque is not None for torque in asked)
    force = None
    if is_asked:
        force = sum(
            (asked[lane.motor] or 0.0) * float(lane.chain.overrun_multipliers[-1]) / radius_m(lane.rolling)
            for lane in one.lanes
        )
    empty, laden = _slowing_grip_n(one, brief, mu, is_laden=False), _slowing_grip_n(one, brief, mu, is_laden=True)
    grips = [grip for grip in (empty, laden) if grip is not None]
    missing = missing_of(
        {
            "Greatest overrun torque of the motor, 0 where there is none": bool(is_asked),
            "Kerb mass, front share, height and wheelbase": empty,
            "Laden mass, and where the load stands": laden,
        }
    )
    says = (
        f"slows with {force:.0f} N; the driven tyres hold {min(grips):.0f} N on μ {mu:g}" if grips and is_asked else ""
    )
    return judge.check(
        "grip",
        key=key,
        title=title,
        demand=force,
        capacity=min(grips, default=None),
        unit="N",
        says=says if not missing else f"{says}, at best. {wanted_words(missing)}".removeprefix(", at best. "),
        station="wheel",
        missing=missing,
        inputs=("brief.motor.overrun_torque", "brief.vehicle", "brief.masses", "brief.tyre", "ratios.choice"),
        working=Working(
            steps=tuple(
                Step(formula=formula, result=f"{newtons:.0f} N")
                for formula, newtons in (
                    ("F = T_overrun × i / η / r", force),
                    ("the tyres hold, empty", empty),
                    ("the tyres hold, laden", laden),
                )
                if newtons is not None
            ),
            source="Rear μ m g (1−s)/(1 + μ h/L), front μ m g s/(1 − μ h/L), all μ m g; the first to lock ends it.",
            note="A locked rear axle spins the vehicle round. Turn the overrun down, or let it fade with the brakes.",
        ),
    )


def _slowing_grip_n(one: Gearing, brief: Brief, mu: float, *, is_laden: bool) -> float | None:
    body = brief.laden if is_laden else brief.kerb
    balance = brief.laden_balance if is_laden else brief.balance
    if body is None or balance is None:
        return None
    pull = one.gearings.front_pull if len(one.motors) == 1 else _overrun_share(one, brief)
    limit = overrun_slip_limit_n(mass_kg=body.mass_kg, balance=balance, front_pull=pull, mu=mu)
    return float(np.ravel(limit)[0])


def _overrun_share(one: Gearing, brief: Brief) -> FrontPull:
    """Two motors slow each with its own torque."""
    pulls = [
        (brief.overruns_nm[lane.motor] or 0.0) * float(lane.chain.overrun_multipliers[-1]) / radius_m(lane.rolling)
        for lane in one.lanes
    ]
    front = sum(pull for pull, lane in zip(pulls, one.lanes, strict=True) if lane.is_front)
    share = front / sum(pulls) if sum(pulls) else 0.5
    return FrontPull(share, share)


def _parked(one: Gearing, brief: Brief, parking: Parking, judge: Judge) -> list[Check]:
    """Held laden on 1 in 4, and on 1 in 6.25 facing down, by pawl or by handbrake alone."""
    laden = brief.laden
    grip_pct = _parking_grip_pct(brief, on_front=parking.handbrake_axle == "front")
    held = parking.handbrake_held_pct
    by_grip = f"; its tyres hold {grip_pct:.0f} % at worst" if grip_pct is not None else ""
    pawl_word = {True: "beside a pawl", False: "no pawl: the handbrake is all there is", None: "pawl not known"}
    wanted = PARKED_FACING_DOWN_PCT if parking.pawl else PARKED_PCT
    missing = missing_of(
        {
            "Grade the handbrake has held, laden": held,
            "Whether there is a parking pawl": parking.pawl is not None,
            "Where the load stands, height of the centre of gravity, wheelbase and front share": grip_pct,
        }
    )
    says = f"held {held:g} % laden, {pawl_word[parking.pawl]}{by_grip}" if held is not None else TRY_IT
    checks = [
        judge.check(
            "wanted_performance",
            key="parked.handbrake",
            title="Handbrake on a laden grade",
            # With the pawl not known the lesser grade is the least that may be asked.
            demand=wanted if parking.pawl is not None else PARKED_FACING_DOWN_PCT,
            capacity=None if held is None else min(held, grip_pct if grip_pct is not None else held),
            unit="%",
            says=says if not missing or held is None else f"{says}. {wanted_words(missing)}",
            station="wheel",
            missing=missing,
            inputs=("brief.parking", "brief.vehicle", "brief.masses"),
            working=Working(
                steps=(Step(formula="1 in 4 without a pawl, 1 in 6.25 beside one", result=f"{wanted:g} %"),),
                source="Laden, facing up and down; facing down the rear tyres carry less. "
                "Local codes may ask for more.",
                note="A driveline out of gear, or whose pawl lets go, has only the handbrake.",
            ),
        )
    ]
    if parking.pawl is not False:
        checks.append(_pawl(one, float(laden.mass_kg) if laden else None, parking, judge))
    return checks


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
    says = f"1 in 4 laden asks {torque:.0f} N·m of it" if torque else ""
    return judge.check(
        "maker_rating",
        key="parked.pawl",
        title="Parking pawl on a laden grade",
        demand=torque,
        # While nobody knows whether there is one, it can't fail.
        capacity=rating_nm if parking.pawl else None,
        unit="N·m",
        says=f"{says}; rated {rating_nm:.0f}" if not missing else f"{says}. {wanted_words(missing)}".removeprefix(". "),
        station=None,
        missing=missing,
        inputs=("brief.parking", "brief.vehicle.laden_mass", "brief.tyre"),
        working=Working(
            steps=(Step(formula="T = m g sinθ r / i behind the pawl", result=f"{torque:.0f} N·m"),) if torque else (),
            source="The pawl at the unit's output, before any final drive; all of the weight on it.",
            note="Through an open differential one lifted wheel lets the vehicle roll.",
        ),
    )


def _clutch(one: Gearing, sheet: RatiosSheet, judge: Judge) -> Check:
    limit = value_of(sheet.clutch.greatest_rpm)
    rpm = one.motors[0].greatest_rpm
    missing = missing_of({"What clutch cover and plate may turn": limit})
    says = f"{rpm:.0f} rpm when the motor is at its top speed"
    return judge.check(
        "maker_rating",
        key="clutch.speed",
        title="Clutch speed",
        demand=rpm,
        capacity=limit,
        unit="rpm",
        says=f"{says}. {wanted_words(missing)}" if missing else f"{says}; it may turn {limit:.0f}",
        station="coupler",
        missing=missing,
        inputs=("ratios.clutch", "brief.motor.greatest_rpm"),
        working=Working(
            steps=(Step(formula="n_motor, in any gear or out of gear", result=f"{rpm:.0f} rpm"),),
            source="Maker's burst or service speed of clutch cover and plate.",
            note=BURST_NOTE,
        ),
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
        says=f"{stress:.0f} MPa in a cast-iron rim at {rpm:.0f} rpm"
        + (f"; {limit_mpa:g} allowed" if limit_mpa else ". Find what its maker or its iron allows.")
        if stress
        else "Measure the flywheel's outside diameter.",
        station="coupler",
        missing=missing_of({"Flywheel diameter": diameter_mm or None, "Rim stress allowed": limit_mpa}),
        inputs=("ratios.clutch", "brief.motor.greatest_rpm"),
        working=Working(
            steps=(Step(formula="σ = ρ v², v = π D n", numbers=f"{rim_ms:.1f} m/s", result=f"{stress:.1f} MPa"),)
            if rim_ms
            else (),
            source="Thin rotating rim; cast iron 7200 kg/m³.",
            note=BURST_NOTE,
        ),
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
            says=f"front and rear differ by {differ_pct:.1f} %"
            + ("; locked, the line winds up on hard ground" if is_locked and differ_pct else "")
            + (f": {turns:.0f} rpm between the outputs at {at_kmh:.0f} km/h" if turns >= 1 else ""),
            station="drive_unit",
            inputs=("ratios.split", "ratios.final_drives", "brief.front_tyre"),
            working=Working(
                steps=(
                    Step(formula="i_front / C_front against i_rear / C_rear", result=f"{differ_pct:.2f} %"),
                    Step(formula="difference of the output speeds", result=f"{turns:.0f} rpm"),
                ),
                source="Customary: within 1 % where the axles are locked together; a differential that always works "
                "wants oil, some 5 % at most.",
            ),
        )
    ]


def brief_split_is_hubs(one: Gearing, brief: Brief, sheet: RatiosSheet) -> bool:
    """Say whether two axles could be driven but the front hubs are free."""
    return (
        sheet.split.front_hubs_free
        and brief.layout in (Layout.CENTRE_UNIT, Layout.KEPT_GEARBOX, Layout.PROPSHAFT_REDUCTION)
        and len(one.lanes) == 1
    )
