"""The Brief bench: from what was entered to a vehicle, a tyre and a motor that can be calculated with."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.common import Assumed, ToDo, rounded
from driveline.checks import Result
from driveline.errors import UnreadableMeasurement
from driveline.motor import CurvePoints, Motor, PeakFigures, at_bus_voltage
from driveline.road import Balance, Body, Driven
from driveline.sheets.base import positive_of, value_of
from driveline.sheets.brief import BriefSheet, MotorSheet, Tyre, TyreMethod, Vehicle
from driveline.tyre import (
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
DRIVE_EFFICIENCY: Final = 0.92  # motor and controller together, battery to shaft


class TyreFigure(Result):
    """One way to the rolling circumference."""

    method: TyreMethod
    text: str
    circumference_mm: float
    u_mm: float
    used: bool


class MotorPlot(Result):
    """The motor's torque against speed."""

    rpm: list[float]
    peak_nm: list[float]
    continuous_nm: list[float] | None


class BriefResult(Result):
    """What the brief comes to."""

    tyres: tuple[TyreFigure, ...]
    rolling_circumference_mm: float | None
    rolling_method: str | None
    queries: tuple[str, ...]
    motor: MotorPlot | None
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Brief:
    """The brief, ready to calculate with; ``None`` is not known."""

    kerb: Body | None
    laden: Body | None
    balance: Balance | None
    grip: float
    driven: Driven
    rolling: Rolling | None
    motor: Motor | None
    overrun_nm: float | None
    wanted_top_kmh: float | None
    cruise_kmh: float
    hill_start_pct: float
    result: BriefResult


class _Notes:
    """Defaults and work to do, gathered on the way."""

    def __init__(self) -> None:
        self.assumed: list[Assumed] = []
        self.to_do: list[ToDo] = []
        self.queries: list[str] = []

    def default(self, value: float | None, field: str, default: float, text: str) -> float:
        """Return the value entered, or the default, noted as one."""
        if value is not None:
            return value
        self.assumed.append(Assumed(field=field, text=text))
        return default

    def need(self, is_known: bool, field: str, text: str) -> bool:
        """Note what is still to do unless it is known."""
        if not is_known:
            self.to_do.append(ToDo(field=field, text=text))
        return is_known


def solve_brief(sheet: BriefSheet) -> Brief:
    """Return the vehicle, tyre and motor of a job, with every default in use and every gap named."""
    notes = _Notes()
    kerb, laden, balance = _vehicle(sheet.vehicle, notes)
    figures, rolling = _rolling(sheet.tyre, notes)
    motor = _motor(sheet.motor, notes)
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
        kerb=kerb,
        laden=laden,
        balance=balance,
        grip=notes.default(sheet.vehicle.tyre_grip, "brief.vehicle.tyre_grip", DEFAULT_GRIP, "dry grip μ 0.9"),
        driven=sheet.driven,
        rolling=rolling,
        motor=motor,
        overrun_nm=value_of(sheet.motor.overrun_torque),
        wanted_top_kmh=value_of(wanted.top_speed),
        cruise_kmh=cruise_kmh,
        hill_start_pct=hill_pct,
        result=BriefResult(
            tyres=figures,
            rolling_circumference_mm=rolling and rolling.circumference_mm,
            rolling_method=rolling and rolling.method,
            queries=tuple(notes.queries),
            motor=_motor_plot(motor),
            assumed=tuple(notes.assumed),
            to_do=tuple(notes.to_do),
        ),
    )


def _vehicle(vehicle: Vehicle, notes: _Notes) -> tuple[Body | None, Body | None, Balance | None]:
    crr = notes.default(vehicle.crr, "brief.vehicle.crr", DEFAULT_CRR, "rolling resistance C_rr 0.012")
    has_mass = notes.need(
        vehicle.kerb_mass is not None, "brief.vehicle.kerb_mass", "Weigh the vehicle, or find its kerb mass."
    )
    has_drag = notes.need(vehicle.cda_m2 is not None, "brief.vehicle.cda_m2", "Give the drag area C_dA.")
    notes.need(
        vehicle.laden_mass is not None,
        "brief.vehicle.laden_mass",
        "Give the laden mass: hill start and ratings need it.",
    )
    has_axles = vehicle.front_share and vehicle.cg_height and vehicle.wheelbase
    notes.need(
        bool(has_axles),
        "brief.vehicle.front_share",
        "Give front share, centre of gravity height and wheelbase: the slip limit needs them.",
    )
    balance = None
    wheelbase_mm = positive_of(vehicle.wheelbase)
    if vehicle.front_share and vehicle.cg_height and wheelbase_mm:
        balance = Balance(front_share=vehicle.front_share, cg_height_mm=vehicle.cg_height.mm, wheelbase_mm=wheelbase_mm)
    if not (has_mass and has_drag and vehicle.kerb_mass and vehicle.cda_m2):
        return None, None, balance
    kerb = Body(mass_kg=vehicle.kerb_mass.kg, crr=crr, cda_m2=vehicle.cda_m2)
    laden = Body(mass_kg=vehicle.laden_mass.kg, crr=crr, cda_m2=vehicle.cda_m2) if vehicle.laden_mass else None
    return kerb, laden, balance


def _rolling(tyre: Tyre, notes: _Notes) -> tuple[tuple[TyreFigure, ...], Rolling | None]:
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
            loaded_radius_mm=loaded_mm, construction=tyre.construction, free_radius_mm=free_mm
        )
        found.append((TyreMethod.LOADED_RADIUS, loaded))
    if tyre.code:
        try:
            found.append((TyreMethod.CODE, rolling_from_code(read_tyre_code(tyre.code))))
        except UnreadableMeasurement as error:
            notes.queries.append(str(error))
    used = _used(found, tyre.use, notes)
    figures = tuple(
        TyreFigure(
            method=method, text=one.method, circumference_mm=one.circumference_mm, u_mm=one.u_mm, used=one is used
        )
        for method, one in found
    )
    return figures, used


def _used(found: list[tuple[TyreMethod, Rolling]], use: TyreMethod, notes: _Notes) -> Rolling | None:
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
    notes.need(bool(wanted), "brief.tyre", "Read the tyre's code, or roll the wheel one turn and tape the floor.")
    return wanted[0] if wanted else None


def _motor(sheet: MotorSheet, notes: _Notes) -> Motor | None:
    has_torque = notes.need(
        bool(sheet.curve) or sheet.peak_torque is not None,
        "brief.motor.peak_torque",
        "Give the motor's peak torque or its curve.",
    )
    has_speed = notes.need(sheet.greatest_rpm is not None, "brief.motor.greatest_rpm", "Give the motor's top speed.")
    greatest_rpm = positive_of(sheet.greatest_rpm)
    if not (has_torque and has_speed) or greatest_rpm is None:
        return None
    notes.need(
        sheet.inertia_kgm2 is not None, "brief.motor.inertia_kgm2", "Rotor inertia is left out until it is given."
    )
    notes.need(
        sheet.continuous_torque is not None or any(p.continuous_nm is not None for p in sheet.curve),
        "brief.motor.continuous_torque",
        "Give the continuous torque: climbs and cruise are judged by it.",
    )
    peak, continuous = _curves(sheet)
    power_kw = sheet.battery_power.kw * DRIVE_EFFICIENCY if sheet.battery_power else None
    if power_kw is not None:
        notes.assumed.append(Assumed(field="brief.motor.battery_power", text="drive efficiency 0.92, battery to shaft"))
    motor = Motor(
        peak=peak,
        continuous=continuous,
        greatest_rpm=greatest_rpm,
        inertia_kgm2=sheet.inertia_kgm2,
        greatest_mechanical_kw=power_kw,
    )
    if sheet.bus_v and sheet.rated_bus_v:
        return at_bus_voltage(motor, bus_v=sheet.bus_v, rated_v=sheet.rated_bus_v)
    return motor


def _curves(sheet: MotorSheet) -> tuple[PeakFigures | CurvePoints, PeakFigures | CurvePoints | None]:
    points = sorted(sheet.curve, key=lambda point: point.rpm)
    if len(points) >= 2:
        rpm = tuple(point.rpm for point in points)
        continuous = [point.continuous_nm for point in points]
        whole = tuple(nm for nm in continuous if nm is not None)
        return CurvePoints(rpm=rpm, torque_nm=tuple(point.peak_nm for point in points)), (
            CurvePoints(rpm=rpm, torque_nm=whole) if len(whole) == len(points) else None
        )
    peak = PeakFigures(
        torque_nm=sheet.peak_torque.nm if sheet.peak_torque else points[0].peak_nm,
        power_kw=value_of(sheet.peak_power),
        taper_from_rpm=value_of(sheet.taper_from),
        taper_to_nm=value_of(sheet.taper_to),
    )
    if sheet.continuous_torque is None:
        return peak, None
    return peak, PeakFigures(torque_nm=sheet.continuous_torque.nm, power_kw=value_of(sheet.continuous_power))


def _motor_plot(motor: Motor | None) -> MotorPlot | None:
    if motor is None:
        return None
    rpm = np.linspace(0, motor.greatest_rpm, 61)
    continuous = motor.continuous_nm(rpm)
    return MotorPlot(
        rpm=rounded(rpm),
        peak_nm=rounded(motor.peak_nm(rpm)),
        continuous_nm=None if continuous is None else rounded(continuous),
    )
