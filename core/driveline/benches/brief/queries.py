"""Questions about figures that look like one of the trade's classic slips. Asked, never acted on."""

import math
from collections.abc import Iterator

from driveline.benches.brief.sheet import BriefSheet
from driveline.errors import UnreadableMeasurement
from driveline.figures import fig, num
from driveline.gearing.layouts import UNITS
from driveline.gearing.motor import RAD_S_PER_RPM
from driveline.gearing.sheets import Layout, MotorSheet, Tyre
from driveline.gearing.slips import MPH_MIX, is_same
from driveline.gearing.tyre import Rolling, read_tyre_code
from driveline.sheet import positive_of, value_of

LEAST_BASE_SPEED_SHARE = 0.08
LEAST_MOTOR_RPM = 2500.0
PEAKS_AGREE_SHARE = 0.02


def brief_queries(sheet: BriefSheet, rolling: Rolling | None) -> list[str]:
    """Return what to ask about the brief."""
    return [*_tyre_queries(sheet.tyre, rolling), *_motor_queries(sheet.motor, sheet.layout), *_speed_queries(sheet)]


def _tyre_queries(tyre: Tyre, rolling: Rolling | None) -> Iterator[str]:
    """A free diameter taken for the rolling one: some 3 % too far a turn."""
    if not tyre.code or rolling is None:
        return
    try:
        free_mm = read_tyre_code(tyre.code).free_diameter_mm
    except UnreadableMeasurement:
        return
    roll_out_mm = positive_of(tyre.roll_out)
    if roll_out_mm and is_same(roll_out_mm / tyre.roll_out_turns, math.pi * free_mm):
        yield (
            f"{fig(roll_out_mm / tyre.roll_out_turns, 'mm', 0)} a turn is π × the free diameter. Was the loaded wheel "
            "rolled along the floor, or the diameter taped?"
        )
    loaded_mm = positive_of(tyre.loaded_radius)
    if loaded_mm and is_same(loaded_mm, free_mm / 2):
        yield (
            f"A loaded radius of {fig(loaded_mm, 'mm', 0)} is half the free diameter. Measure hub centre to floor "
            "with the weight on the wheel."
        )


def _motor_queries(motor: MotorSheet, layout: Layout) -> Iterator[str]:
    """A reduction counted in the motor's figures already: torque or speed of the unit's output."""
    torque_nm, power_kw = positive_of(motor.peak_torque), positive_of(motor.peak_power)
    greatest_rpm = positive_of(motor.greatest_rpm)
    drawn_nm = max((point.peak_nm for point in motor.curve), default=0.0)
    if torque_nm and motor.curve and abs(torque_nm - drawn_nm) > PEAKS_AGREE_SHARE * torque_nm:
        yield (
            f"{fig(torque_nm, 'N·m', 0)} are stated as the motor's peak; its curve goes to {num(drawn_nm, 'N·m', 0)}. "
            "Strength is judged by the greater. Which one is right?"
        )
    lasting_nm = positive_of(motor.continuous_torque)
    if torque_nm and lasting_nm and lasting_nm > torque_nm:
        peak = num(torque_nm, "N·m", 0)
        yield f"{fig(lasting_nm, 'N·m', 0)} for good are more than the {peak} at peak. Were they swapped?"
    is_unit = layout in UNITS
    if torque_nm and power_kw and greatest_rpm:
        base_rpm = power_kw * 1000 / torque_nm / RAD_S_PER_RPM
        if base_rpm < LEAST_BASE_SPEED_SHARE * greatest_rpm:
            yield (
                f"{fig(torque_nm, 'N·m', 0)} would use up {fig(power_kw, 'kW', 0)} at {fig(base_rpm, 'rpm', 0)}. "
                "Is that the torque at the motor's own shaft, or after its reduction? "
                "Counted twice, the vehicle seems stronger than it is."
            )
        if base_rpm > greatest_rpm:
            yield (
                f"{fig(torque_nm, 'N·m', 0)} at {fig(greatest_rpm, 'rpm', 0)} makes less than "
                f"{fig(power_kw, 'kW', 0)}. One of the three is of another shaft or unit."
            )
    if is_unit and greatest_rpm and greatest_rpm < LEAST_MOTOR_RPM:
        yield (
            f"{fig(greatest_rpm, 'rpm', 0)} is slow for a unit's motor. Is it the speed of the unit's output? "
            "Then its reduction is left out."
        )


def _speed_queries(sheet: BriefSheet) -> Iterator[str]:
    """Road speeds of which one is in mph and the other in km/h."""
    top_kmh, cruise_kmh = value_of(sheet.wanted.top_speed), value_of(sheet.wanted.cruise_speed)
    if top_kmh and cruise_kmh and cruise_kmh > top_kmh:
        mixed = MPH_MIX[0] <= cruise_kmh / top_kmh <= MPH_MIX[1]
        yield (
            f"Cruise at {fig(cruise_kmh, 'km/h', 0)} is above the wanted top speed of {num(top_kmh, 'km/h', 0)}."
            + (" Is the top speed in mph? Type it as 60 mph." if mixed else "")
        )
