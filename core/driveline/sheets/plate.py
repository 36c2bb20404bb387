"""The adapter plate bench: the flange as measured, the motor's face, and the plate between them."""

from enum import StrEnum
from typing import Annotated, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from driveline.network import Turning
from driveline.sheets.base import Angle, Coordinate, Length, Name, Sheet, Words
from driveline.sheets.joints import Joint, Register

HoleId = Annotated[str, StringConstraints(pattern=r"^[A-Za-z][A-Za-z0-9]{0,5}$")]


class Side(StrEnum):
    """Which side of the plate the eye is on."""

    ENGINE = "engine side"
    GEARBOX = "gearbox side"


class FlangeHole(Sheet):
    """A hole in the gearbox flange."""

    id: HoleId
    diameter: Length


class PairReading(Sheet):
    """A reading between two points: ``inside`` nearest edges, ``outside`` farthest, ``distance`` centres."""

    kind: Literal["inside", "outside", "distance", "radius"]
    a: HoleId
    b: HoleId = Field(default="C", description="C is the shaft's centre")
    reading: Length
    left_out: bool = False
    why: Words = ""


class AxisReading(Sheet):
    """A reading along one axis of a square, a trace, a scan or a drawing."""

    kind: Literal["x", "y"]
    a: HoleId
    frame: Name
    edge: Literal["low", "centre", "high"] = "centre"
    reading: Coordinate
    left_out: bool = False
    why: Words = ""


SurveyReading = Annotated[PairReading | AxisReading, Field(discriminator="kind")]


class Survey(Sheet):
    """The flange survey. Holes are listed in the order in which they are numbered."""

    seen_from: Side = Side.ENGINE
    numbered: Turning = Turning.ANTICLOCKWISE
    holes: Annotated[list[FlangeHole], Field(max_length=60)] = []
    readings: Annotated[list[SurveyReading], Field(max_length=1000)] = []
    direction_of: Name | None = Field(
        default=None, description="Hole or frame that sets the angle; the first hole when empty"
    )
    direction_at: Angle = Angle(text="0 deg")
    scaled_frames: Annotated[list[Name], Field(max_length=10)] = []

    @model_validator(mode="after")
    def _names_known(self) -> Self:
        ids = [hole.id for hole in self.holes]
        for hole_id in ids:
            if hole_id == "C":
                raise ValueError("C is the shaft's centre. Give the hole another name, such as H1.")
            if ids.count(hole_id) > 1:
                raise ValueError(f"Two holes are named {hole_id}. Name each once.")
        for reading in self.readings:
            ends = [reading.a, reading.b] if isinstance(reading, PairReading) else [reading.a]
            for end in ends:
                if end not in (*ids, "C"):
                    raise ValueError(
                        f"A reading goes to {end}, which is not among the holes. Add the hole or mend the name."
                    )
            if len(set(ends)) < len(ends):
                raise ValueError(f"A reading goes from {ends[0]} to itself. Name two different holes.")
        frames = {reading.frame for reading in self.readings if isinstance(reading, AxisReading)}
        if self.direction_of and self.direction_of not in {*ids, *frames}:
            raise ValueError(
                f"The direction is set by {self.direction_of}, which is neither a hole nor a square's or trace's name."
            )
        return self


class FaceHole(Sheet):
    """A hole of the motor's face by coordinates, seen looking at the motor's face."""

    id: HoleId
    x: Coordinate
    y: Coordinate


class MotorFace(Sheet):
    """The motor's face: a bolt circle, or coordinates where holes are listed."""

    count: Annotated[int, Field(ge=0, le=60)] = 0
    bolt_circle: Length | None = None
    first_at: Angle = Angle(text="0 deg")
    holes: Annotated[list[FaceHole], Field(max_length=60)] = []
    plate_hole: Length | None = Field(default=None, description="Clearance hole for the motor's screws")
    counterbore: Length | None = Field(
        default=None, description="Diameter of the counterbore, when screw heads are sunk"
    )
    counterbore_depth: Length | None = None
    register_size: Length | None = Field(default=None, description="Diameter of the motor's register")
    screw_length: Length | None = None
    depth_behind: Length | None = Field(
        default=None, description="Motor face to the first thing behind the tapped hole"
    )
    overhang: Length | None = Field(default=None, description="The motor's centre of gravity from its face")


class Process(StrEnum):
    """How the outline and holes are cut."""

    LASER = "laser"
    WATERJET = "waterjet"
    PLASMA = "plasma"
    FLAME = "flame"
    MILLED = "milled"


class Locating(StrEnum):
    """What holds motor and gearbox on one axis."""

    REGISTERS = "registers"
    DOWELS = "dowels reamed after indicating"
    NOT_CHOSEN = "not chosen"


class Plate(Sheet):
    """The plate itself."""

    thickness: Length | None = None
    material: Words = ""
    process: Process = Process.WATERJET
    turned: Angle = Angle(text="0 deg")
    edge_factor: Annotated[float, Field(ge=0.5, le=5)] | None = Field(
        default=None, description="Edge distance over hole size"
    )
    wanted_ligament_factor: Annotated[float, Field(gt=0, le=5)] | None = None
    locating: Locating = Locating.NOT_CHOSEN
    register_plays: Annotated[list[Length], Field(max_length=6)] = Field(default=[], description="As measured")
    registers: Annotated[list[Register], Field(max_length=4)] = Field(default=[], description="Made to a fit")
    concentricity: Length | None = Field(default=None, description="Machined concentricity of the plate's registers")
    bore: Length | None = Field(default=None, description="Bore through the plate")


class PlateSheet(Sheet):
    """Flange, face and plate."""

    survey: Survey = Survey()
    face: MotorFace = MotorFace()
    plate: Plate = Plate()
    motor_joint: Joint = Field(default=Joint(), description="Its screws' length and depth stand with the motor's face")
    flange_joint: Joint = Joint()
