"""The adapter plate bench: the flange as measured, the motor's face, and the plate between them."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, StringConstraints, WrapValidator

from driveline.benches.plate.buildup_sheet import BuildUp
from driveline.benches.plate.hole_sheet import HoleMade
from driveline.benches.plate.register_sheet import OwnRegister, Register
from driveline.benches.plate.relief_sheet import Relief
from driveline.flat.seats import Mate
from driveline.joints.sheet import Joint, RegisterFit
from driveline.memory import Memory, read_once
from driveline.sheet import Angle, Coordinate, Length, Sheet, Words
from driveline.survey.sheet import HoleId, Survey
from driveline.tables.materials import PlateMaterial
from driveline.words import Choice

# Most of the sheet is readings, and most keystrokes are elsewhere in it.
ReadOnce = Annotated[Survey, WrapValidator(read_once(Memory(200), "survey"))]


class FaceHole(Sheet):
    """A hole of the motor's face by coordinates, seen looking at the motor's face."""

    id: HoleId
    x: Coordinate
    y: Coordinate


class MotorFace(Sheet):
    """The motor's face: its own survey where there is one, else coordinates where holes are listed, else a circle."""

    count: Annotated[int, Field(ge=0, le=60)] = 0
    bolt_circle: Length | None = None
    first_at: Angle = Angle(text="0 deg")
    holes: Annotated[list[FaceHole], Field(max_length=60)] = []
    survey: ReadOnce | None = Field(default=None, description="Readings on the face, seen looking at the motor")
    terminals_at: Angle | None = Field(
        default=None, description="Middle of the terminals, from the face's +x, seen looking at the motor"
    )
    terminals_arc: Angle | None = Field(default=None, description="What terminals and cables take up of the turn")
    plate_hole: Length | None = Field(default=None, description="Clearance hole for the motor's screws")
    counterbore: Length | None = Field(
        default=None, description="Diameter of the counterbore, when screw heads are sunk"
    )
    counterbore_depth: Length | None = None
    register_size: Length | None = Field(default=None, description="Diameter of the motor's register")
    register_kind: Mate | None = None
    register_depth: Length | None = Field(
        default=None, description="How far it stands out of the motor's face, or how deep it is"
    )
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


class Locating(Choice):
    """What holds motor and gearbox on one axis."""

    REGISTERS = "registers"
    DOWELS = "dowels", "dowels reamed after indicating"
    NOT_CHOSEN = "not_chosen"


class OutlineBy(Choice):
    """What the plate's edge follows."""

    HOLES = "holes"
    FLANGE = "flange", "flange outline"


class Plate(Sheet):
    """The plate itself."""

    part_number: Annotated[str, StringConstraints(max_length=30, strip_whitespace=True)] = ""
    quantity: Annotated[int, Field(ge=1, le=500)] = 1
    thickness: Length | None = None
    material: Words = ""
    made_of: PlateMaterial | None = None
    outline_by: OutlineBy = OutlineBy.HOLES
    kerf: Length | None = Field(default=None, description="Put into the cut file; left to the cutter when empty")
    sheet_long: Length | None = Field(default=None, description="Of the stock sheet that it is cut from")
    sheet_wide: Length | None = None
    terminals_from: Angle | None = Field(
        default=None, description="Where terminals may begin, anticlockwise from +x, seen from the engine side"
    )
    terminals_to: Angle | None = None
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
    out_of_parallel: Length | None = Field(
        default=None, description="Most that its thickness differs, round the motor's face; of a build-up over all"
    )
    bore: Length | None = Field(default=None, description="Bore through the plate")
    holes: Annotated[list[HoleMade], Field(max_length=60)] = Field(
        default=[], description="Those that are other than clearance holes"
    )
    reliefs: Annotated[list[Relief], Field(max_length=12)] = Field(
        default=[], description="What stands out of the faces under the plate"
    )
    dowel_size: Length | None = None
    dowel_fit: RegisterFit | None = Field(default=None, description="Reamed hole, then dowel")


class PlateSheet(Sheet):
    """Flange, face and plate."""

    survey: ReadOnce = Survey()
    face: MotorFace = MotorFace()
    flange_register: OwnRegister = Field(default=OwnRegister(), description="The gearbox's own")
    plate: Plate = Plate()
    build_up: BuildUp = BuildUp()
    motor_joint: Joint = Field(default=Joint(), description="Its screws' length and depth stand with the motor's face")
    flange_joint: Joint = Joint()
