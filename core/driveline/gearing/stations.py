"""Stations: the places along the driveline that benches put on the Line, and what drives them.

A bench says how a station turns and bears for each motor's speed and torque; the Line, made after all benches, says
what that comes to over road speed.
"""

from dataclasses import dataclass
from typing import Final, Literal

from driveline.arrays import Floats
from driveline.checks import Result

TRUNK: Final = "trunk"
Way = Literal["trunk", "front", "rear"]


class Station(Result):
    """A place on the Line. Torques are at its input; a wheel's are the total of one axle."""

    key: str  # its kind, after "front." or "rear." where the Line has branched
    kind: str
    way: Way
    title: str
    bench: str
    ratio: float
    efficiency: float
    efficiency_is_default: bool
    sense: int | None
    rating_nm: float | None
    greatest_rpm: float | None
    motor_limited_nm: float | None
    slip_limited_nm: float | None
    overrun_nm: float | None
    wind_up_nm: float | None
    design_nm: float | None
    governed_by: str
    is_limited: bool  # every limit that is asked of it is known


@dataclass(frozen=True, slots=True, kw_only=True)
class LineStation:
    """A station with what turns it into rows over road speed."""

    station: Station
    motor: int  # that drives it, 0 or 1
    rpm_per_ms: float | None  # ``None``: it does not turn
    driving: float | None  # torque at it over that motor's torque; ``None`` is not known
    overrun: float | None  # the same while the wheels drive the motor
    radius_m: float | None = None  # of a wheel: what turns its torque into pull
    before: str | None = None  # the station of an earlier bench that it stands ahead of; without that it is left out
    is_asked: bool = True  # False: no limit is asked of it, so none is missing
    is_judged_by_checks: bool = False  # by the worst check of its bench, whatever the speed


class Tick(Result):
    """A limit on the slider, where it bites; or, where it is none, a speed worth knowing."""

    kmh: float
    text: str
    is_limit: bool = True


@dataclass(frozen=True, slots=True, kw_only=True)
class DrivingCase:
    """One case of driving: what each motor gives over road speed, N·m."""

    key: str
    title: str
    about: str
    motor_nm: tuple[Floats, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Drive:
    """What moves the Line: its speeds, its cases, and where it ends."""

    candidate: str
    is_chosen: bool
    speed_kmh: Floats  # (n,)
    greatest_kmh: float  # past it a motor is out of speed
    cases: tuple[DrivingCase, ...]
    ticks: tuple[Tick, ...]
    top_kmh: float
    top_set_by: str
