"""The brief: the vehicle, its tyres, its motors and what the conversion must do."""

from typing import Annotated

from pydantic import Field

from driveline.benches.brief.masses_sheet import MassesSheet
from driveline.gearing.road import Driven
from driveline.gearing.sheets import AsItWas, Layout, MotorSheet, Parking, Tyre
from driveline.sheet import RoadSpeed, Sheet, VehicleLength, VehicleMass, Words

Share = Annotated[float, Field(gt=0, lt=1)]


class Vehicle(Sheet):
    """What is converted. Every figure may be missing; what follows from it is then not known."""

    description: Words = ""
    kerb_mass: VehicleMass | None = None
    laden_mass: VehicleMass | None = None
    front_share: Share | None = Field(default=None, description="Of the kerb mass, on the front axle")
    cg_height: VehicleLength | None = None
    wheelbase: VehicleLength | None = None
    cda_m2: Annotated[float, Field(gt=0, lt=10)] | None = Field(
        default=None, description="Drag coefficient times frontal area"
    )
    crr: Annotated[float, Field(gt=0, lt=0.2)] | None = Field(
        default=None, description="Rolling resistance coefficient"
    )
    tyre_grip: Annotated[float, Field(gt=0, le=2)] | None = Field(default=None, description="Dry friction coefficient")


class Wanted(Sheet):
    """What the finished vehicle must do."""

    is_wish = True

    top_speed: RoadSpeed | None = None
    cruise_speed: RoadSpeed | None = None
    hill_start_pct: Annotated[float, Field(gt=0, le=100)] | None = Field(
        default=None, description="Grade for a laden start"
    )


class Temperatures(Sheet):
    """How cold and how warm the drive gets where metals of two kinds meet."""

    coldest_c: Annotated[float, Field(ge=-60, le=20)] | None = None
    warmest_c: Annotated[float, Field(ge=20, le=200)] | None = None


class BriefSheet(Sheet):
    """Everything that the job starts from."""

    vehicle: Vehicle = Vehicle()
    masses: MassesSheet = MassesSheet()
    tyre: Tyre = Tyre()
    front_tyre: Tyre | None = Field(default=None, description="Where it is not the same as the driven or rear one")
    motor: MotorSheet = MotorSheet()
    front_motor: MotorSheet | None = Field(default=None, description="Of the front unit, where it is another")
    was: AsItWas = AsItWas()
    parking: Parking = Parking()
    layout: Layout = Layout.KEPT_GEARBOX
    driven: Driven = Driven.REAR
    wanted: Wanted = Wanted()
    temperatures: Temperatures = Temperatures()
    notes: Words = ""
