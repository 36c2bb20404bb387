"""What is taken off the vehicle and put on, and where: for axle loads and the centre of gravity."""

from typing import Annotated

from pydantic import Field

from driveline.sheet import Angle, Coordinate, Mass, Name, Sheet, VehicleLength, VehicleMass


class MassItem(Sheet):
    """A part, a battery box or a load. Its place is that of its centre of gravity, from the job's datum."""

    name: Name
    mass: Mass
    is_on: bool = Field(default=True, description="Put on; else taken off")
    only_laden: bool | None = Field(default=None, description="Load: counted laden only; unsaid: counted always")
    x: Coordinate | None = Field(default=None, description="Forward of the rear wheel centres")
    y: Coordinate | None = Field(default=None, description="Left of the middle")
    z: Coordinate | None = Field(default=None, description="Above the ground")


class MassesSheet(Sheet):
    """Axle weights as it was, the items, and what the axles and tyres may carry."""

    front_axle: VehicleMass | None = Field(default=None, description="Weighed as it was")
    rear_axle: VehicleMass | None = None
    left_side: VehicleMass | None = Field(default=None, description="Both left wheels, weighed as it was")
    track: VehicleLength | None = Field(default=None, description="Between the middles of the tyres")
    lift_angle: Angle | None = Field(default=None, description="Of the vehicle with one axle lifted")
    lift_gain: Mass | None = Field(default=None, description="What the axle on the floor gained by it")
    items: Annotated[list[MassItem], Field(max_length=60)] = []
    front_axle_rating: VehicleMass | None = None
    rear_axle_rating: VehicleMass | None = None
    tyre_rating: VehicleMass | None = Field(default=None, description="One tyre's load rating")
