"""The Brief bench: from what was entered to a vehicle, a tyre and a motor that can be calculated with."""

from dataclasses import dataclass, replace
from typing import Final

from driveline.benches.brief.checks import mass_checks
from driveline.benches.brief.masses import Weights, solve_masses
from driveline.benches.brief.motor import DRIVE_EFFICIENCY, battery_kw, motor_gaps, motor_plot, ready_motor
from driveline.benches.brief.needs import BriefNeeds
from driveline.benches.brief.queries import brief_queries
from driveline.benches.brief.results import BriefResult
from driveline.benches.brief.sheet import BriefSheet, Vehicle, Wanted
from driveline.benches.contract import LaidOut, Outcome, progress_of
from driveline.figures import fig
from driveline.fits.interference import COLD_K, ROOM_C, WARM_K
from driveline.gearing.brief import Brief, MeasuredShares
from driveline.gearing.layouts import ONE_AXLE
from driveline.gearing.motor import Motor
from driveline.gearing.road import Body, Driven
from driveline.gearing.rolling import TyreFigure, rolling_figures
from driveline.gearing.sheets import Layout, MotorSheet
from driveline.gearing.tyre import Rolling
from driveline.margins import Judge
from driveline.results import Assumed, Notes
from driveline.sheet import Reading, positive_of, value_of

DEFAULT_CRR: Final = 0.012
DEFAULT_GRIP: Final = 0.9
DEFAULT_CRUISE_KMH: Final = 90.0
DEFAULT_HILL_PCT: Final = 25.0
ESSENTIAL: Final = ("brief.motor.peak_torque", "brief.motor.greatest_rpm")  # without them there is no Line


@dataclass(frozen=True, slots=True, kw_only=True)
class SolvedBrief:
    """What the benches behind the brief take from it."""

    brief: Brief
    motor_wanted: str  # what of the motor is still to be given; empty where nothing is
    was_mass_kg: float | None
    measured: MeasuredShares


def run(sheet: BriefSheet, _laid: LaidOut, needs: BriefNeeds, judge: Judge) -> Outcome[SolvedBrief]:
    """Return the vehicle, tyre and motor of a job, with every default in use and every gap named.

    Raises:
        ImpossibleInput: If the items take off more than there is.
    """
    wheel_centre_mm = positive_of(sheet.tyre.loaded_radius)
    weights = solve_masses(sheet.masses, sheet.vehicle, wheel_centre_mm, needs.placed)
    notes = Notes()
    kerb, laden = _vehicle(sheet.vehicle, weights, notes)
    tyres, rolling = rolling_figures(sheet.tyre, notes, "brief.tyre")
    front_rolling = rolling_figures(sheet.front_tyre, notes, "brief.front_tyre")[1] if sheet.front_tyre else None
    motor = ready_motor(sheet.motor, notes, "brief.motor")
    front = sheet.front_motor if sheet.layout is Layout.TWO_UNITS else None
    front_motor = ready_motor(front, notes, "brief.front_motor") if front else None
    is_battery_known = notes.need(
        sheet.motor.battery_power is not None,
        "brief.motor.battery_power",
        "Give what the battery lets through: without it top speed and cruise are not known.",
    )
    notes.queries += [*brief_queries(sheet, rolling), *weights.queries]
    _note_temperatures(sheet, notes)
    wanted_top_kmh, cruise_kmh, hill_pct = _wanted(sheet.wanted, notes)
    brief = Brief(
        layout=sheet.layout,
        kerb=kerb,
        laden=laden,
        balance=weights.balance,
        laden_balance=weights.laden_balance,
        grip=notes.default(sheet.vehicle.tyre_grip, "brief.vehicle.tyre_grip", DEFAULT_GRIP, "dry grip μ 0.9"),
        driven=_driven(sheet),
        rolling=rolling,
        front_rolling=front_rolling,
        motor=_with_battery(motor, sheet, shares=sheet.layout is Layout.TWO_UNITS),
        front_motor=_with_battery(front_motor, sheet, shares=True),
        is_front_known=front is None or front_motor is not None,
        is_battery_known=is_battery_known,
        motor_gaps=tuple(dict.fromkeys(gap for one in (sheet.motor, front) if one for gap in motor_gaps(one))),
        overruns_nm=_overruns_nm(sheet),
        charge_kw=_charge_kw(sheet.motor),
        wanted_top_kmh=wanted_top_kmh,
        cruise_kmh=cruise_kmh,
        hill_start_pct=hill_pct,
    )
    return _outcome(sheet, weights, brief, _result(brief.driven, tyres, rolling, motor, weights, notes), judge)


def _result(
    driven: Driven,
    tyres: tuple[TyreFigure, ...],
    rolling: Rolling | None,
    motor: Motor | None,
    weights: Weights,
    notes: Notes,
) -> BriefResult:
    return BriefResult(
        driven=driven,
        tyres=tyres,
        rolling_circumference_mm=rolling and rolling.circumference_mm,
        rolling_method=rolling and rolling.method,
        queries=tuple(notes.queries),
        motor=motor_plot(motor),
        masses=weights.result,
        assumed=tuple(notes.assumed),
        to_do=tuple(notes.to_do),
    )


def _outcome(
    sheet: BriefSheet, weights: Weights, brief: Brief, result: BriefResult, judge: Judge
) -> Outcome[SolvedBrief]:
    was = next((one for one in result.masses.standings if one.key == "was"), None)
    return Outcome(
        solved=SolvedBrief(
            brief=brief,
            motor_wanted=next((one.text for one in result.to_do if one.field in ESSENTIAL), ""),
            was_mass_kg=was.mass_kg if was else None,
            measured=_measured(sheet, brief),
        ),
        show=lambda: result,
        check=lambda: mass_checks(sheet.masses, sheet.vehicle, weights.result, judge),
        to_do=result.to_do,
        progress=progress_of(is_begun=sheet != BriefSheet(), is_finished=not result.to_do),
    )


def _measured(sheet: BriefSheet, brief: Brief) -> MeasuredShares:
    """Uncertainties that were stated, those of masses and torque as shares."""
    vehicle, torque = sheet.vehicle, sheet.motor.peak_torque
    return MeasuredShares(
        kerb=_u_share(vehicle.kerb_mass, float(brief.kerb.mass_kg) if brief.kerb else None),
        laden=_u_share(vehicle.laden_mass, float(brief.laden.mass_kg) if brief.laden else None),
        cg_height_mm=vehicle.cg_height.u_mm if vehicle.cg_height else None,
        motor_torque=_u_share(torque, torque.nm if torque else None) or None,
    )


def _u_share(reading: Reading | None, of: float | None) -> float | None:
    u = reading.measured.u if reading else None
    return None if u is None or not of else u / of


def _note_temperatures(sheet: BriefSheet, notes: Notes) -> None:
    if sheet.temperatures.warmest_c is None:
        text = f"the drive gets as warm as {fig(ROOM_C + WARM_K, '°C', 0)}"
        notes.assumed.append(Assumed(field="brief.temperatures.warmest_c", text=text))
    if sheet.temperatures.coldest_c is None:
        text = (
            f"as cold as {fig(ROOM_C - WARM_K, '°C', 0)} at the coupler, {fig(ROOM_C - COLD_K, '°C', 0)} at the plate"
        )
        notes.assumed.append(Assumed(field="brief.temperatures.coldest_c", text=text))


def _wanted(wanted: Wanted, notes: Notes) -> tuple[float | None, float, float]:
    """Top speed, cruise, and the grade of the hill start."""
    notes.need(wanted.top_speed is not None, "brief.wanted.top_speed", "Say what top speed is wanted.")
    cruise_kmh = notes.default(
        value_of(wanted.cruise_speed),
        "brief.wanted.cruise_speed",
        DEFAULT_CRUISE_KMH,
        f"cruise at {fig(DEFAULT_CRUISE_KMH, 'km/h')}",
    )
    hill_pct = notes.default(
        wanted.hill_start_pct, "brief.wanted.hill_start_pct", DEFAULT_HILL_PCT, "laden start on 1 in 4"
    )
    return value_of(wanted.top_speed), cruise_kmh, hill_pct


def _overruns_nm(sheet: BriefSheet) -> tuple[float | None, float | None]:
    own_nm = value_of(sheet.motor.overrun_torque)
    return own_nm, value_of(sheet.front_motor.overrun_torque) if sheet.front_motor else own_nm


def _with_battery(motor: Motor | None, sheet: BriefSheet, *, shares: bool) -> Motor | None:
    """Two units share one battery, unless the front one has a battery of its own."""
    if motor is None:
        return None
    front = sheet.front_motor
    is_shared = shares and (front is None or front.battery_power is None)
    power_kw = battery_kw(sheet.motor)
    if is_shared:
        return replace(motor, greatest_mechanical_kw=power_kw, shared_kw=power_kw)
    return motor


def _charge_kw(motor: MotorSheet) -> float | None:
    """Power at the shaft that makes the greatest charging power: the losses are on the battery's side of it."""
    charge_kw = value_of(motor.charge_power)
    return None if charge_kw is None else charge_kw / DRIVE_EFFICIENCY


def _driven(sheet: BriefSheet) -> Driven:
    """Some layouts leave no choice: two axles amidships or with two units, one with a single axle unit or transaxle."""
    if sheet.layout in (Layout.CENTRE_UNIT, Layout.TWO_UNITS):
        return Driven.BOTH
    if sheet.layout in ONE_AXLE and sheet.driven is Driven.BOTH:
        return Driven.REAR
    return sheet.driven


def _vehicle(vehicle: Vehicle, weights: Weights, notes: Notes) -> tuple[Body | None, Body | None]:
    crr = notes.default(vehicle.crr, "brief.vehicle.crr", DEFAULT_CRR, "rolling resistance C_rr 0.012")
    notes.need(weights.kerb_kg is not None, "brief.vehicle.kerb_mass", "Weigh the vehicle, or find its kerb mass.")
    notes.need(vehicle.cda_m2 is not None, "brief.vehicle.cda_m2", "Give the drag area C_dA.")
    notes.need(
        weights.laden_kg is not None,
        "brief.vehicle.laden_mass",
        "Give the laden mass: hill start, axle loads and ratings need it.",
    )
    notes.need(
        weights.balance is not None,
        "brief.vehicle.front_share",
        "Give front share, centre of gravity height and wheelbase: the slip limit needs them.",
    )
    notes.need(
        weights.laden_kg is None or weights.laden_balance is not None or weights.balance is None,
        "brief.masses.items",
        "Enter the load as items under Masses, each with its place: the laden axles hang on where it stands.",
    )
    notes.to_do += weights.result.to_do

    def body(mass_kg: float | None) -> Body | None:
        if mass_kg is None or vehicle.cda_m2 is None:
            return None
        return Body(mass_kg=mass_kg, crr=crr, cda_m2=vehicle.cda_m2)

    return body(weights.kerb_kg), body(weights.laden_kg)
