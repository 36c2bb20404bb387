"""What stands between the faces: one plate, two on standoffs, a ring, or a base plate under a motor with feet."""

from typing import Annotated, Literal

from pydantic import Field

from driveline.joints.sheet import Joint
from driveline.sheet import Angle, Coordinate, Length, Name, Sheet
from driveline.tables.materials import PlateMaterial
from driveline.words import Choice


class BuildKind(Choice):
    """How motor and gearbox are joined."""

    ONE_PLATE = "one_plate"
    TWO_PLATES = "two_plates", "two plates on standoffs"
    RING = "ring", "plate and spacer ring"
    BASE = "base", "base plate, foot-mounted motor"


class Standoffs(Sheet):
    """Equal legs between two plates, on a circle about the shaft."""

    count: Annotated[int, Field(ge=0, le=24)] = 0
    circle: Length | None = None
    first_at: Angle = Angle(text="0 deg")
    fixing: Literal["bolted", "welded"] | None = None
    hole: Length | None = Field(default=None, description="Through each plate, for its screw or its end")
    diameter: Length | None = Field(default=None, description="Outside, of a leg")
    bored: Length | None = Field(default=None, description="Inside, of a hollow leg; 0 or empty for a solid one")
    made_of: PlateMaterial | None = None
    joint: Joint = Field(default=Joint(), description="The screws into each end of a leg")
    length: Length | None = Field(default=None, description="As ordered, face to face")
    measured: Annotated[list[Length], Field(max_length=24)] = Field(
        default=[], description="In order from the first, after welding or facing"
    )


class Ring(Sheet):
    """A spacer ring under the holes of one joint."""

    thickness: Length | None = None
    inside: Length | None = None
    on: Literal["gearbox", "motor"] = "gearbox"


class BaseRow(Sheet):
    """A place along the shaft at which the motor could be bolted down."""

    name: Name
    shift: Coordinate = Field(description="Away from the gearbox, against the first choice")


class BasePlate(Sheet):
    """A plate under a motor with feet. Its drawing is seen from above, the gearbox to the left."""

    along: Length | None = Field(default=None, description="Between the feet's holes, along the shaft")
    across: Length | None = Field(default=None, description="Between the feet's holes, across the shaft")
    from_face: Length | None = Field(default=None, description="Gearbox face to the first pair of holes")
    hole: Length | None = None
    shaft_height: Length | None = Field(default=None, description="Underside of the feet to the motor's axis")
    bed_height: Length | None = Field(default=None, description="Top of the base plate to the gearbox shaft's axis")
    rows: Annotated[list[BaseRow], Field(max_length=6)] = []


class BuildUp(Sheet):
    """The build-up that was chosen, with what belongs to it."""

    kind: BuildKind = BuildKind.ONE_PLATE
    second_thickness: Length | None = Field(default=None, description="Of the motor's plate, where there are two")
    standoffs: Standoffs = Standoffs()
    ring: Ring = Ring()
    base: BasePlate = BasePlate()
    wanted_apart: Length | None = Field(default=None, description="Face to face, as shafts and coupler ask for")
