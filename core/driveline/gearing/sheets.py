"""The brief: the vehicle, its tyre, the donor motor and what the conversion must do."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field

from driveline.gearing.tyre import Construction
from driveline.sheet import (
    Length,
    LibraryRef,
    Mass,
    Name,
    Power,
    Ratio,
    Sheet,
    Spin,
    Torque,
    VehicleLength,
)


class Layout(StrEnum):
    """How the motor reaches the wheels."""

    KEPT_GEARBOX = "kept_gearbox"
    KEPT_TRANSAXLE = "kept_transaxle"
    PROPSHAFT_REDUCTION = "propshaft_reduction"
    AXLE_UNIT = "axle_unit"
    CENTRE_UNIT = "centre_unit"
    TWO_UNITS = "two_units"


class Rotation(StrEnum):
    """Seen from the output end."""

    CLOCKWISE = "clockwise"
    ANTICLOCKWISE = "anticlockwise"


class TyreMethod(StrEnum):
    """How the rolling circumference is had; best takes the surest that is measured."""

    BEST = "best"
    CODE = "code"
    ROLL_OUT = "roll_out"
    LOADED_RADIUS = "loaded_radius"


class Tyre(Sheet):
    """A driven tyre, by as many of three methods as were measured."""

    code: Annotated[str, Field(max_length=30)] | None = None
    roll_out: VehicleLength | None = Field(default=None, description="Floor from mark to mark")
    roll_out_turns: Annotated[int, Field(ge=1, le=20)] = 1
    loaded_radius: Length | None = Field(default=None, description="Hub centre to floor at ride height")
    free_radius: Length | None = Field(default=None, description="Hub centre to tread, wheel hanging")
    construction: Construction = Construction.RADIAL
    use: TyreMethod = TyreMethod.BEST
    library: LibraryRef | None = None


class CurvePoint(Sheet):
    """Torque at one speed."""

    rpm: Annotated[float, Field(ge=0, le=60_000)]
    peak_nm: Annotated[float, Field(ge=0, le=20_000)]
    continuous_nm: Annotated[float, Field(ge=0, le=20_000)] | None = None


class MotorSheet(Sheet):
    """The donor motor: a curve where one is known, else its peak figures."""

    name: Name = "Motor"
    peak_torque: Torque | None = None
    peak_power: Power | None = None
    greatest_rpm: Spin | None = None
    taper_from: Spin | None = None
    taper_to: Torque | None = None
    continuous_torque: Torque | None = None
    continuous_power: Power | None = None
    overrun_torque: Torque | None = Field(default=None, description="Greatest regenerative torque at the motor")
    curve: Annotated[list[CurvePoint], Field(max_length=200)] = []
    rated_bus_v: Annotated[float, Field(gt=0, le=1500)] | None = None
    bus_v: Annotated[float, Field(gt=0, le=1500)] | None = None
    battery_power: Power | None = None
    charge_power: Power | None = Field(default=None, description="Most that the battery takes on overrun")
    mass: Mass | None = None
    inertia_kgm2: Annotated[float, Field(ge=0, le=10)] | None = None
    rotation: Rotation | None = Field(default=None, description="Its usual sense, seen from the output end")
    library: LibraryRef | None = None


class EnginePoint(Sheet):
    """Engine torque at one speed."""

    rpm: Annotated[float, Field(gt=0, le=20_000)]
    torque_nm: Annotated[float, Field(ge=0, le=5000)]


class OldGear(Sheet):
    """A gear of the vehicle as it was."""

    name: Name
    ratio: Ratio


class AsItWas(Sheet):
    """The vehicle before: its engine, gears and final drive. Gears left out are those of the kept gearbox."""

    curve: Annotated[list[EnginePoint], Field(max_length=100)] = []
    peak_torque: Torque | None = None
    peak_torque_at: Spin | None = None
    peak_power: Power | None = None
    peak_power_at: Spin | None = None
    greatest_rpm: Spin | None = None
    gears: Annotated[list[OldGear], Field(max_length=12)] = []
    final_drive: Ratio | None = None
    efficiency: Annotated[float, Field(gt=0.3, le=1)] | None = Field(default=None, description="Crank to wheels")


class Parking(Sheet):
    """What holds the vehicle when it is left."""

    pawl: bool | None = None
    pawl_rating: Torque | None = Field(default=None, description="Torque that the pawl holds, at the unit's output")
    handbrake_held_pct: Annotated[float, Field(gt=0, le=100)] | None = Field(
        default=None, description="Steepest grade on which the handbrake has held it laden"
    )
    handbrake_axle: Literal["front", "rear"] = "rear"


class Shaft(StrEnum):
    """Which shaft of a box a maker's torque is stated for."""

    INPUT = "input"
    OUTPUT = "output"


Efficiency = Annotated[float, Field(gt=0.3, le=1)]


class Box(Sheet):
    """A reduction, drive unit, gear or final drive that could be used."""

    name: Name
    ratio: Ratio
    more_ratios: Annotated[list[Ratio], Field(max_length=6)] = Field(
        default=[], description="Further internal ratios that it can be had or set with"
    )
    efficiency: Efficiency | None = None
    rating: Torque | None = None
    rating_at: Shaft = Shaft.INPUT
    greatest_rpm: Spin | None = Field(default=None, description="Greatest input speed")
    sheds: Power | None = Field(default=None, description="Heat that it can shed for good")
    mass: Mass | None = Field(default=None, description="Of a reduction that hangs on the adapter plate")
    reverses: bool | None = Field(default=None, description="Its output turns against its input")
    on_coast_flank: bool = Field(default=False, description="A hypoid turned over or end for end: it drives on coast")
    library: LibraryRef | None = None


class GearUse(StrEnum):
    """Whether the driver still changes gear."""

    LEFT_IN_ONE = "left_in_one"
    SHIFTED = "shifted"


class Gearbox(Sheet):
    """The kept gearbox."""

    name: Name = "Gearbox"
    gears: Annotated[list[Box], Field(max_length=12)] = []
    rating: Torque | None = Field(default=None, description="Greatest torque, at the shaft of rating_at")
    rating_at: Shaft = Shaft.INPUT
    greatest_rpm: Spin | None = Field(default=None, description="Greatest input speed")
    use: GearUse | None = None
    library: LibraryRef | None = None
