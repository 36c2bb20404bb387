"""From a motor's sheet to a motor that can be calculated with, and what leaves it unknown somewhere."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.brief.results import MotorPlot
from driveline.figures import fig
from driveline.gearing.brief import BOTH_VOLTAGES
from driveline.gearing.motor import SAME_SPEED_SHARE, CurvePoints, Motor, PeakFigures, at_bus_voltage
from driveline.gearing.sheets import MotorSheet
from driveline.results import Assumed, Notes, rounded
from driveline.sheet import positive_of, value_of

DRIVE_EFFICIENCY: Final = 0.92  # motor and controller together, battery to shaft


def ready_motor(sheet: MotorSheet, notes: Notes, at: str) -> Motor | None:
    """Return the motor at the bus voltage in use; ``None`` without a torque or a top speed. ``at`` names its sheet."""
    has_torque = notes.need(
        bool(sheet.curve) or sheet.peak_torque is not None,
        f"{at}.peak_torque",
        "Give the motor's peak torque or its curve.",
    )
    has_speed = notes.need(sheet.greatest_rpm is not None, f"{at}.greatest_rpm", "Give the motor's top speed.")
    greatest_rpm = positive_of(sheet.greatest_rpm)
    if not (has_torque and has_speed) or greatest_rpm is None:
        return None
    _ask_of_motor(sheet, notes, at, greatest_rpm)
    peak, continuous = _curves(sheet)
    power_kw = battery_kw(sheet)
    if power_kw is not None or sheet.charge_power is not None:
        notes.assumed.append(Assumed(field=f"{at}.battery_power", text="drive efficiency 0.92, battery to shaft"))
    motor = Motor(
        peak=peak,
        continuous=continuous,
        greatest_rpm=greatest_rpm,
        inertia_kgm2=sheet.inertia_kgm2,
        greatest_mechanical_kw=power_kw,
        stated_peak_nm=value_of(sheet.peak_torque),
        is_voltage_known=(sheet.bus_v is None) is (sheet.rated_bus_v is None),
    )
    if sheet.bus_v and sheet.rated_bus_v:
        return at_bus_voltage(motor, bus_v=sheet.bus_v, rated_v=sheet.rated_bus_v)
    return motor


def motor_gaps(sheet: MotorSheet) -> list[str]:
    """What leaves the peak torque unknown somewhere, by name."""
    known = {
        "Peak power of the motor": bool(sheet.curve) or sheet.peak_power is not None,
        "Curve of the motor up to its top speed": not sheet.curve
        or max(point.rpm for point in sheet.curve) >= SAME_SPEED_SHARE * (value_of(sheet.greatest_rpm) or 0.0),
        "Both ends of the motor's taper": bool(sheet.curve) or (sheet.taper_from is None) is (sheet.taper_to is None),
        BOTH_VOLTAGES: (sheet.bus_v is None) is (sheet.rated_bus_v is None),
    }
    return [name for name, is_known in known.items() if not is_known]


def _ask_of_motor(sheet: MotorSheet, notes: Notes, at: str, greatest_rpm: float) -> None:
    """List what leaves its curve unknown somewhere: what is drawn past there is never judged."""
    has_curve = bool(sheet.curve)
    last_rpm = max((point.rpm for point in sheet.curve), default=0.0)
    lasting = [point for point in sheet.curve if point.continuous_nm is not None]
    asked = (
        (sheet.inertia_kgm2 is not None, "inertia_kgm2", "Rotor inertia is left out until it is given."),
        (
            has_curve or sheet.peak_power is not None,
            "peak_power",
            "Give the motor's peak power: past standstill its torque is not known.",
        ),
        (
            not has_curve or last_rpm >= SAME_SPEED_SHARE * greatest_rpm,
            "curve",
            f"Give the curve up to the top speed: past {fig(last_rpm, 'rpm', 0)} its torque is not known.",
        ),
        (
            has_curve or (sheet.taper_from is None) is (sheet.taper_to is None),
            "taper_from" if sheet.taper_from is None else "taper_to",
            "Give both ends of the taper: from which speed, and to which torque at top speed.",
        ),
        (
            (sheet.bus_v is None) is (sheet.rated_bus_v is None),
            "bus_v" if sheet.bus_v is None else "rated_bus_v",
            "Give both voltages, the battery's under load and the one that the figures were taken at.",
        ),
        (
            sheet.continuous_torque is not None or bool(lasting),
            "continuous_torque",
            "Give the continuous torque: climbs and cruise are judged by it.",
        ),
        (
            bool(lasting) or sheet.continuous_torque is None or sheet.continuous_power is not None,
            "continuous_power",
            "Give the continuous power: past standstill what the motor keeps up is not known.",
        ),
        (
            sheet.overrun_torque is not None,
            "overrun_torque",
            "Give the greatest overrun torque, 0 where there is none: it loads everything behind the motor.",
        ),
    )
    for is_known, field, text in asked:
        notes.need(is_known, f"{at}.{field}", text)


def _curves(sheet: MotorSheet) -> tuple[PeakFigures | CurvePoints, PeakFigures | CurvePoints | None]:
    points = sorted(sheet.curve, key=lambda point: point.rpm)
    lasting = [(point.rpm, point.continuous_nm) for point in points if point.continuous_nm is not None]
    continuous: PeakFigures | CurvePoints | None = None
    if lasting:  # from the first point on without a gap, so that what a point leaves out is not bridged
        upto = next((k for k, point in enumerate(points) if point.continuous_nm is None), len(points))
        if upto:
            kept = lasting[:upto]
            continuous = CurvePoints(rpm=tuple(rpm for rpm, _ in kept), torque_nm=tuple(nm for _, nm in kept))
    elif sheet.continuous_torque is not None:
        continuous = PeakFigures(torque_nm=sheet.continuous_torque.nm, power_kw=value_of(sheet.continuous_power))
    if points:
        rpm = tuple(point.rpm for point in points)
        return CurvePoints(rpm=rpm, torque_nm=tuple(point.peak_nm for point in points)), continuous
    return (
        PeakFigures(
            torque_nm=sheet.peak_torque.nm if sheet.peak_torque else 0.0,
            power_kw=value_of(sheet.peak_power),
            taper_from_rpm=value_of(sheet.taper_from),
            taper_to_nm=value_of(sheet.taper_to),
        ),
        continuous,
    )


def motor_plot(motor: Motor | None) -> MotorPlot | None:
    """Return its torque over speed to be drawn, ``None`` past where it is known."""
    if motor is None:
        return None
    rpm = np.linspace(0, motor.greatest_rpm, 61)
    continuous = motor.continuous_nm(rpm)
    return MotorPlot(
        rpm=rounded(rpm),
        peak_nm=_as_far_as_known(motor.peak_nm(rpm), rpm, motor.peak_known_rpm),
        continuous_nm=None if continuous is None else _as_far_as_known(continuous, rpm, motor.continuous_known_rpm),
    )


def _as_far_as_known(torque_nm: Floats, rpm: Floats, known_rpm: float) -> list[float | None]:
    return [nm if n <= known_rpm * (1 + 1e-9) else None for nm, n in zip(rounded(torque_nm), rpm, strict=True)]


def battery_kw(motor: MotorSheet) -> float | None:
    """Mechanical power that a battery lets through."""
    return None if motor.battery_power is None else motor.battery_power.kw * DRIVE_EFFICIENCY
