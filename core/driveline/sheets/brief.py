"""The brief: the vehicle, its tyre, the donor motor and what the conversion must do."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from driveline.road import Driven
from driveline.sheets.base import Length, Mass, Name, Power, RoadSpeed, Sheet, Spin, Torque, Words
from driveline.tyre import Construction

Share = Annotated[float, Field(gt=0, lt=1)]


class Layout(StrEnum):
    """How the motor reaches the wheels."""

    KEPT_GEARBOX = "kept_gearbox"
    PROPSHAFT_REDUCTION = "propshaft_reduction"
    AXLE_UNIT = "axle_unit"
    CENTRE_UNIT = "centre_unit"


class Rotation(StrEnum):
    """Seen from the output end."""

    CLOCKWISE = "clockwise"
    ANTICLOCKWISE = "anticlockwise"


class Vehicle(Sheet):
    """What is converted. Every figure may be missing; what follows from it is then not known."""

    description: Words = ""
    kerb_mass: Mass | None = None
    laden_mass: Mass | None = None
    front_share: Share | None = Field(default=None, description="Of the kerb mass, on the front axle")
    cg_height: Length | None = None
    wheelbase: Length | None = None
    cda_m2: Annotated[float, Field(gt=0, lt=10)] | None = Field(
        default=None, description="Drag coefficient times frontal area"
    )
    crr: Annotated[float, Field(gt=0, lt=0.2)] | None = Field(
        default=None, description="Rolling resistance coefficient"
    )
    tyre_grip: Annotated[float, Field(gt=0, le=2)] | None = Field(default=None, description="Dry friction coefficient")


class TyreMethod(StrEnum):
    """How the rolling circumference is had; best takes the surest that is measured."""

    BEST = "best"
    CODE = "code"
    ROLL_OUT = "roll_out"
    LOADED_RADIUS = "loaded_radius"


class Tyre(Sheet):
    """The driven tyre, by as many of three methods as were measured."""

    code: Annotated[str, Field(max_length=30)] | None = None
    roll_out: Length | None = Field(default=None, description="Floor from mark to mark")
    roll_out_turns: Annotated[int, Field(ge=1, le=20)] = 1
    loaded_radius: Length | None = Field(default=None, description="Hub centre to floor at ride height")
    free_radius: Length | None = Field(default=None, description="Hub centre to tread, wheel hanging")
    construction: Construction = Construction.RADIAL
    use: TyreMethod = TyreMethod.BEST


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
    mass: Mass | None = None
    inertia_kgm2: Annotated[float, Field(ge=0, le=10)] | None = None
    rotation: Rotation | None = None


class Wanted(Sheet):
    """What the finished vehicle must do."""

    top_speed: RoadSpeed | None = None
    cruise_speed: RoadSpeed | None = None
    hill_start_pct: Annotated[float, Field(gt=0, le=100)] | None = Field(
        default=None, description="Grade for a laden start"
    )


class BriefSheet(Sheet):
    """Everything that the job starts from."""

    vehicle: Vehicle = Vehicle()
    tyre: Tyre = Tyre()
    motor: MotorSheet = MotorSheet()
    layout: Layout = Layout.KEPT_GEARBOX
    driven: Driven = Driven.REAR
    wanted: Wanted = Wanted()
    notes: Words = ""
