"""What leaves the casing that the motor sits in, and what the shafts behind it must bear."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

from driveline.gearing.brief import Brief
from driveline.gearing.chain import StageKind
from driveline.gearing.layouts import DIFFERENTIAL_IN_CASING
from driveline.gearing.road import KMH_PER_MS
from driveline.gearing.sheets import Gearbox, Layout
from driveline.gearing.stations import TRUNK, LineStation, Station

# The last box in one casing with the motor.
LAST: Final = {
    Layout.KEPT_GEARBOX: StageKind.GEARBOX,
    Layout.KEPT_TRANSAXLE: StageKind.FINAL_DRIVE,
    Layout.PROPSHAFT_REDUCTION: StageKind.REDUCTION,
    Layout.AXLE_UNIT: StageKind.DRIVE_UNIT,
    Layout.CENTRE_UNIT: StageKind.DRIVE_UNIT,
    Layout.TWO_UNITS: StageKind.DRIVE_UNIT,
}


ONE_CASING: Final = "Whether the transfer box is in one casing with the gearbox, at Ratios"


@dataclass(frozen=True, slots=True, kw_only=True)
class LeavingTorque:
    """Torques that leave the casing, N·m; what is not known is ``None``."""

    launch_nm: float | None = None
    overrun_nm: float | None = None
    locked_nm: float | None = None  # at which the tyres slip while the wheels drive: wheels that lock give no more
    station: str | None = None
    turns_wheels: bool = False  # about the axle's line; else about the crank's
    unsaid: str = ""  # what keeps all of it from being known, where that is one answer


def leaving_of(layout: Layout, stations: Sequence[LineStation], *, with_transfer: bool | None = False) -> LeavingTorque:
    """Return what leaves the casing; of two units the larger.

    Args:
        layout: Of the job.
        stations: On the Line.
        with_transfer: Whether a transfer box is in one casing with what stands ahead of it; ``None``: not said.
    """
    turns_wheels = layout in DIFFERENTIAL_IN_CASING
    has_transfer = any(one.station.kind == StageKind.TRANSFER.value for one in stations)
    if has_transfer and with_transfer is None:
        return LeavingTorque(turns_wheels=turns_wheels, unsaid=ONE_CASING)
    ends = StageKind.TRANSFER if has_transfer and with_transfer else LAST[layout]
    last = [one.station for one in stations if one.station.kind == ends.value]
    if not last:  # nothing but the motor is in it
        last = [one.station for one in stations if one.station.kind == "motor"]
    if not last:
        return LeavingTorque(turns_wheels=turns_wheels)
    one = max(last, key=lambda station: (station.design_nm or 0.0) * station.ratio)
    driving = one.ratio * one.efficiency
    is_whole = one.overrun_nm is not None and one.wind_up_nm is not None
    locked_nm = None if one.slip_limited_nm is None else one.slip_limited_nm * driving * _lost_twice(stations, one)
    overrun_nm = None if one.overrun_nm is None else one.overrun_nm * one.ratio / one.efficiency
    if overrun_nm is not None and locked_nm is not None:
        overrun_nm = min(overrun_nm, locked_nm)  # past it the tyres slip
    return LeavingTorque(
        launch_nm=None if one.design_nm is None or not is_whole else one.design_nm * driving,
        overrun_nm=overrun_nm,
        locked_nm=locked_nm,
        station=one.key,
        turns_wheels=turns_wheels,
    )


def _lost_twice(stations: Sequence[LineStation], last: Station) -> float:
    """What the stages behind a casing take of a torque that was carried back to it as though the motor drove.

    Carried back so, it was divided by each stage's efficiency; wheels that drive lose that share instead. A usual
    efficiency, which is nobody's figure, takes nothing.
    """
    behind = stations[[one.station.key for one in stations].index(last.key) + 1 :]
    ways = {one.station.way for one in behind if last.way in (TRUNK, one.station.way)} - {TRUNK} or {TRUNK}
    return max(
        math.prod(
            one.station.efficiency ** (1 if one.station.efficiency_is_default else 2)
            for one in behind
            if one.station.way in (TRUNK, way)
        )
        for way in ways
    )


def _most(values: Sequence[float | None]) -> float | None:
    """The most of all gears; not known as soon as it is not in one of them."""
    known = [one for one in values if one is not None]
    return max(known) if known and len(known) == len(values) else None


def worst_leaving(gears: Sequence[LeavingTorque]) -> LeavingTorque:
    """Return the most that leaves the casing in any gear that can be engaged, the first being the one on the Line."""
    return replace(
        gears[0],
        launch_nm=_most([one.launch_nm for one in gears]),
        overrun_nm=_most([one.overrun_nm for one in gears]),
        locked_nm=_most([one.locked_nm for one in gears]),
    )


def worst_shafts(gears: Sequence[Sequence["ShaftAsked"]]) -> tuple["ShaftAsked", ...]:
    """Return the most that every shaft must bear in any gear that can be engaged; it turns as on the Line."""
    found = []
    for one in gears[0]:
        same = [other for shafts in gears for other in shafts if other.station == one.station]
        design, overrun = _most([each.design_nm for each in same]), _most([each.overrun_nm for each in same])
        found.append(replace(one, design_nm=design, overrun_nm=overrun))
    return tuple(found)


def worst_coupler(gears: Sequence["CouplerLoad"]) -> "CouplerLoad":
    """Return the most that the coupler must carry in any gear that can be engaged."""
    return replace(
        gears[0],
        design_nm=_most([one.design_nm for one in gears]),
        overrun_nm=_most([one.overrun_nm for one in gears]),
    )


SHAFTS: Final = ("propshaft", "axle")


@dataclass(frozen=True, slots=True, kw_only=True)
class CouplerLoad:
    """What the coupler must carry and how fast it turns; ``None`` is not known."""

    design_nm: float | None = None
    overrun_nm: float | None = None
    greatest_rpm: float | None = None
    vehicle_kgm2: float | None = None  # its mass as an inertia at the motor's shaft
    overall_ratio: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class ShaftAsked:
    """What a station asks of the shafts that it is made of; what is not known is ``None``."""

    station: str
    design_nm: float | None
    overrun_nm: float | None
    rpm: float | None  # at the wanted road speed
    motor_turns: float | None  # of its motor, a turn
    vehicle_kgm2: float | None  # its mass as an inertia here


def shafts_of(stations: Sequence[LineStation], brief: Brief) -> tuple[ShaftAsked, ...]:
    """Return what the propshafts and axles must bear; a design torque is not known while overrun or wind-up is not."""
    wanted_kmh, mass_kg = brief.wanted_top_kmh, None if brief.kerb is None else float(brief.kerb.mass_kg)
    found = []
    motors = {one.motor: one.rpm_per_ms for one in stations if one.station.kind == "motor"}
    for one in stations:
        if one.station.kind not in SHAFTS:
            continue
        is_whole = one.station.overrun_nm is not None and one.station.wind_up_nm is not None
        turns = one.rpm_per_ms is not None and wanted_kmh is not None
        of_motor = motors.get(one.motor)
        per_m = (one.rpm_per_ms or 0.0) * math.pi / 30
        found.append(
            ShaftAsked(
                station=one.station.key,
                design_nm=one.station.design_nm if is_whole else None,
                overrun_nm=one.station.overrun_nm,
                rpm=(one.rpm_per_ms or 0.0) * (wanted_kmh or 0.0) / KMH_PER_MS if turns else None,
                motor_turns=of_motor / one.rpm_per_ms if of_motor and one.rpm_per_ms else None,
                vehicle_kgm2=mass_kg / per_m**2 if mass_kg is not None and per_m else None,
            )
        )
    return tuple(found)


def gears_of(gearbox: Gearbox | None, stations: Sequence[LineStation]) -> tuple[tuple[str, float], ...]:
    """Return each gear with its ratio over that of the gear on the Line; none without a gearbox on it."""
    box = next((one.station for one in stations if one.station.kind == StageKind.GEARBOX.value), None)
    if box is None or gearbox is None:
        return ()
    return tuple((gear.name, abs(gear.ratio.value / box.ratio)) for gear in gearbox.gears)


def coupler_load_of(stations: tuple[LineStation, ...], brief: Brief) -> CouplerLoad:
    """Return the load of the first coupler on the Line; what it is designed for hangs on overrun and wind-up too."""
    rpm = brief.motor.greatest_rpm if brief.motor else None
    on_line = next((one for one in stations if one.station.kind == "coupler"), None)
    wheel = next((one for one in stations if one.station.kind == "wheel"), None)
    if on_line is None or wheel is None or not on_line.rpm_per_ms or not wheel.rpm_per_ms:
        return CouplerLoad(greatest_rpm=rpm)
    station, per_m = on_line.station, on_line.rpm_per_ms * math.pi / 30
    is_whole = station.overrun_nm is not None and station.wind_up_nm is not None
    return CouplerLoad(
        design_nm=station.design_nm if is_whole else None,
        overrun_nm=station.overrun_nm,
        greatest_rpm=rpm,
        vehicle_kgm2=None if brief.kerb is None else float(brief.kerb.mass_kg) / per_m**2,
        overall_ratio=on_line.rpm_per_ms / wheel.rpm_per_ms,
    )
