"""The Brief bench: from what was entered to a vehicle, a tyre and a motor that can be calculated with."""

from dataclasses import dataclass, replace
from typing import Final

from driveline.benches.common import Assumed, ToDo
from driveline.benches.masses import MassesResult, Weights
from driveline.benches.notes import Notes
from driveline.benches.queries import brief_queries
from driveline.benches.ready_motor import DRIVE_EFFICIENCY, MotorPlot, battery_kw, motor_gaps, motor_plot, ready_motor
from driveline.checks import Result
from driveline.errors import UnreadableMeasurement
from driveline.motor import Motor
from driveline.road import Balance, Body, Driven
from driveline.sheets.base import positive_of, value_of
from driveline.sheets.brief import BriefSheet, Layout, MotorSheet, Tyre, TyreMethod, Vehicle
from driveline.tyre import (
    Construction,
    Rolling,
    is_plausible,
    methods_disagree,
    read_tyre_code,
    rolling_from_code,
    rolling_from_loaded_radius,
    rolling_from_roll_out,
)

DEFAULT_CRR: Final = 0.012
DEFAULT_GRIP: Final = 0.9
DEFAULT_CRUISE_KMH: Final = 90.0
DEFAULT_HILL_PCT: Final = 25.0


class TyreFigure(Result):
    """One way to the rolling circumference."""

    method: TyreMethod
    text: str
    circumference_mm: float
    u_mm: float
    used: bool


class BriefResult(Result):
    """What the brief comes to."""

    tyres: tuple[TyreFigure, ...]
    rolling_circumference_mm: float | None
    rolling_method: str | None
    queries: tuple[str, ...]
    motor: MotorPlot | None
    masses: MassesResult
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Brief:
    """The brief, ready to calculate with; ``None`` is not known."""

    layout: Layout
    kerb: Body | None
    laden: Body | None
    balance: Balance | None
    laden_balance: Balance | None
    grip: float
    driven: Driven
    rolling: Rolling | None
    front_rolling: Rolling | None  # None: as ``rolling``
    motor: Motor | None
    front_motor: Motor | None  # None: as ``motor``, unless it is not known
    is_front_known: bool  # False: the front unit is another one, and something essential of it is missing
    is_battery_known: bool
    motor_gaps: tuple[str, ...]  # what of the motors leaves their torque unknown somewhere, by name
    overruns_nm: tuple[float | None, float | None]  # of the motor, and of the front one of two
    charge_kw: float | None  # mechanical power that charging holds overrun to
    wanted_top_kmh: float | None
    cruise_kmh: float
    hill_start_pct: float
    result: BriefResult

    @property
    def lasting_gap(self) -> str:
        """What to ask for, by name, where what the motors keep up is not known."""
        return " and ".join(self.motor_gaps) or "Continuous torque and power of the motor"


def solve_brief(sheet: BriefSheet, weights: Weights) -> Brief:
    """Return the vehicle, tyre and motor of a job, with every default in use and every gap named."""
    notes = Notes()
    kerb, laden = _vehicle(sheet.vehicle, weights, notes)
    figures, rolling = _rolling(sheet.tyre, notes, "brief.tyre")
    front_rolling = _rolling(sheet.front_tyre, notes, "brief.front_tyre")[1] if sheet.front_tyre else None
    motor = ready_motor(sheet.motor, notes, "brief.motor")
    front = sheet.front_motor if sheet.layout is Layout.TWO_UNITS else None
    front_motor = ready_motor(front, notes, "brief.front_motor") if front else None
    is_battery_known = notes.need(
        sheet.motor.battery_power is not None,
        "brief.motor.battery_power",
        "Give what the battery lets through: without it top speed and cruise are not known.",
    )
    notes.queries += [*brief_queries(sheet, rolling), *weights.queries]
    wanted = sheet.wanted
    notes.need(wanted.top_speed is not None, "brief.wanted.top_speed", "Say what top speed is wanted.")
    cruise_kmh = notes.default(
        value_of(wanted.cruise_speed),
        "brief.wanted.cruise_speed",
        DEFAULT_CRUISE_KMH,
        "cruise at 90 km/h",
    )
    hill_pct = notes.default(
        wanted.hill_start_pct, "brief.wanted.hill_start_pct", DEFAULT_HILL_PCT, "laden start on 1 in 4"
    )
    return Brief(
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
        wanted_top_kmh=value_of(wanted.top_speed),
        cruise_kmh=cruise_kmh,
        hill_start_pct=hill_pct,
        result=BriefResult(
            tyres=figures,
            rolling_circumference_mm=rolling and rolling.circumference_mm,
            rolling_method=rolling and rolling.method,
            queries=tuple(notes.queries),
            motor=motor_plot(motor),
            masses=weights.result,
            assumed=tuple(notes.assumed),
            to_do=tuple(notes.to_do),
        ),
    )


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
    """Some layouts leave no choice: two axles amidships or with two units, one with a single axle unit."""
    if sheet.layout in (Layout.CENTRE_UNIT, Layout.TWO_UNITS):
        return Driven.BOTH
    if sheet.layout is Layout.AXLE_UNIT and sheet.driven is Driven.BOTH:
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
        "masses.items",
        "Enter the load as items under Masses, each with its place: the laden axles hang on where it stands.",
    )
    notes.to_do += weights.result.to_do

    def body(mass_kg: float | None) -> Body | None:
        if mass_kg is None or vehicle.cda_m2 is None:
            return None
        return Body(mass_kg=mass_kg, crr=crr, cda_m2=vehicle.cda_m2)

    return body(weights.kerb_kg), body(weights.laden_kg)


def _rolling(tyre: Tyre, notes: Notes, field: str) -> tuple[tuple[TyreFigure, ...], Rolling | None]:
    """Every method measured, the surest first; implausible ones are queried and never used."""
    found: list[tuple[TyreMethod, Rolling]] = []
    if tyre.roll_out and positive_of(tyre.roll_out):
        u_mm = tyre.roll_out.u_mm or 2.0
        roll_out = rolling_from_roll_out(distance_mm=tyre.roll_out.mm, turns=tyre.roll_out_turns, u_mm=u_mm)
        found.append((TyreMethod.ROLL_OUT, roll_out))
    if loaded_mm := positive_of(tyre.loaded_radius):
        free_mm = positive_of(tyre.free_radius)
        if free_mm is not None and free_mm < loaded_mm:
            notes.queries.append("The free radius is below the loaded one. Measure both again.")
            free_mm = None
        loaded = rolling_from_loaded_radius(
            loaded_radius_mm=loaded_mm, construction=_construction(tyre), free_radius_mm=free_mm
        )
        found.append((TyreMethod.LOADED_RADIUS, loaded))
    if tyre.code:
        try:
            found.append((TyreMethod.CODE, rolling_from_code(read_tyre_code(tyre.code))))
        except UnreadableMeasurement as error:
            notes.queries.append(str(error))
    used = _used(found, tyre.use, notes, field)
    figures = tuple(
        TyreFigure(
            method=method, text=one.method, circumference_mm=one.circumference_mm, u_mm=one.u_mm, used=one is used
        )
        for method, one in found
    )
    return figures, used


def _construction(tyre: Tyre) -> Construction:
    """As the code says, where there is one that can be read."""
    try:
        return read_tyre_code(tyre.code).construction if tyre.code else tyre.construction
    except UnreadableMeasurement:
        return tyre.construction


def _used(found: list[tuple[TyreMethod, Rolling]], use: TyreMethod, notes: Notes, field: str) -> Rolling | None:
    for _, one in found:
        if not is_plausible(one):
            notes.queries.append(
                f"{one.circumference_mm:.0f} mm a turn by {one.method} is no road tyre's (1200 to 3200 mm). "
                "Not used; measure again."
            )
    sound = [(method, one) for method, one in found if is_plausible(one)]
    if sound and any(methods_disagree(sound[0][1], other) for _, other in sound[1:]):
        texts = ", ".join(f"{one.circumference_mm:.0f} mm by {one.method}" for _, one in sound)
        notes.queries.append(
            f"The methods differ by more than 2.5 %: {texts}. Was the free diameter taken for the rolling one?"
        )
    wanted = [one for method, one in sound if use in (TyreMethod.BEST, method)]
    notes.need(bool(wanted), field, "Read the tyre's code, or roll the wheel one turn and tape the floor.")
    return wanted[0] if wanted else None


def rolling_of(tyre: Tyre) -> Rolling | None:
    """Return the rolling circumference of another tyre that could be fitted, by its surest method."""
    return _rolling(tyre, Notes(), "ratios.tyres")[1]
