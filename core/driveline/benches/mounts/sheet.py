"""The mounts: where they hold the unit, how, on what bracket; the loads; the weld's pull; a frame that is cut.

Places on the unit are in its own axes, places on the vehicle from the job's datum.
"""

from typing import Annotated

from pydantic import Field, field_validator

from driveline.benches.mounts.holding_sheet import ClampedTube, Cradle, Ears, Eye, Grip
from driveline.joints.sheet import PropertyClass, Tightened, known_thread
from driveline.sheet import Coordinate, Length, Mass, Name, Sheet, Slant, Words
from driveline.space.spots import Angles, Spot
from driveline.survey.sheet import OutlinePoint
from driveline.words import Choice

Stiffness = Annotated[float, Field(gt=0, le=1e7)]
Force = Annotated[float, Field(gt=0, le=1e7)]
Gs = Annotated[float, Field(ge=-20, le=20)]


class MountKind(Choice):
    """How a mount holds."""

    RUBBER = "rubber", "rubber bush or pad"
    HARD = "hard", "hard, without rubber"
    ARM = "arm", "torque arm"


class ArmKind(Choice):
    """What the bracket of a mount is made of."""

    NONE = "none", "none: bolted straight on"
    BOX = "box", "boxed arm"
    TUBE = "tube", "round tube"
    CHANNEL = "channel", "open channel"
    FOLDED = "folded", "channel folded from sheet"
    GUSSETED = "gusseted", "shelf on gussets"
    STANDOFFS = "standoffs", "plate on standoffs"


class LiesTo(Choice):
    """Which way a bracket's middle, or a channel's web, lies from the load."""

    FRONT = "front"
    REAR = "rear"
    LEFT = "left"
    RIGHT = "right"


class Weighed(Sheet):
    """A stiffness measured with a known weight and a ruler."""

    mass: Mass | None = None
    sinks: Length | None = Field(default=None, description="Under that weight")


class Through(Choice):
    """What the bolts of a landing plate draw it against."""

    SOLID = "solid", "solid metal or one thickness of plate"
    SLEEVES = "sleeves", "a hollow rail, through sleeves welded in"
    HOLLOW = "hollow", "a hollow rail, without sleeves"


class Landing(Sheet):
    """A plate on the bracket's root that is bolted to the vehicle, and comes off again: bolts in its four corners."""

    is_there: bool | None = Field(default=None, description="No: the bracket is welded to the vehicle")
    breadth: Length | None = Field(default=None, description="Across")
    depth: Length | None = Field(default=None, description="Upright")
    thickness: Length | None = None
    across: Length | None = Field(default=None, description="From bolt to bolt, across")
    upright: Length | None = Field(default=None, description="From bolt to bolt, upright")
    hole: Length | None = None
    shims: Length | None = Field(default=None, description="Stack between it and the vehicle; empty for none")
    thread: Annotated[str, Field(max_length=20)] | None = None
    property_class: PropertyClass | None = None
    through: Through | None = Field(default=None, description="What its bolts go through")
    sleeve_outside: Length | None = None
    sleeve_inside: Length | None = None
    onto_across: Length | None = Field(default=None, description="Of the face that it lands on, across")
    onto_upright: Length | None = Field(default=None, description="Of the face that it lands on, upright")
    goes_through: Length | None = Field(default=None, description="What its bolts clamp besides plate and shims")
    screws: Tightened = Tightened()

    @field_validator("thread")
    @classmethod
    def _known(cls, name: str | None) -> str | None:
        return known_thread(name)


class GoesOn(Choice):
    """When a bracket is fixed to the vehicle."""

    BEFORE = "before", "before the unit goes in"
    AFTER = "after", "with the unit in its place"


class StandoffLegs(Sheet):
    """Four legs that hold a bracket's plate off the vehicle, welded at both ends; lengths differ on a stepped face."""

    across: Length | None = Field(default=None, description="From leg to leg, across")
    upright: Length | None = Field(default=None, description="From leg to leg, upright")
    outside: Length | None = Field(default=None, description="Diameter of a leg")
    wall: Length | None = Field(default=None, description="Of its tube; of a bar half its diameter")
    foot: Length | None = Field(default=None, description="Breadth of what stands on the plate's middle")
    is_stepped: bool | None = Field(default=None, description="The face below them; no: flat, all of one length")
    lower_left: Coordinate | None = Field(default=None, description="Longer than the bracket is cut by; of each leg")
    lower_right: Coordinate | None = None
    upper_left: Coordinate | None = None
    upper_right: Coordinate | None = None


class BoxMade(Choice):
    """What a boxed arm is made of."""

    SECTION = "section", "one hollow section"
    PLATES = "plates", "plates welded along their corners"


class RailRuns(Choice):
    """Which way a rail runs under a bracket's root."""

    ACROSS = "across", "along the bracket's breadth"
    UPRIGHT = "upright", "along its depth"


class Rail(Sheet):
    """What a bracket is welded to."""

    is_hollow: bool | None = Field(default=None, description="Behind the bracket; no: solid, or stiffened there")
    face: Length | None = Field(default=None, description="Of its face, from wall to wall")
    runs: RailRuns | None = None
    yield_mpa: Annotated[float, Field(gt=0, le=2000)] | None = Field(default=None, description="Of its steel")


class RootCut(Choice):
    """How a bracket's root is cut to what it lands on."""

    SQUARE = "square", "square, as its drawings are"
    FITTED = "fitted", "to the face, by hand after a template"


class Bracket(Sheet):
    """An arm from the vehicle to the mount, welded at its root."""

    kind: ArmKind | None = None
    breadth: Length | None = Field(default=None, description="Across; of a channel over its web")
    depth: Length | None = Field(default=None, description="Upright; of a tube its diameter")
    wall: Length | None = None
    web: Length | None = Field(default=None, description="Of a channel")
    bend: Length | None = Field(default=None, description="Inside radius of a folded channel's bends")
    gussets: Annotated[int, Field(ge=1, le=3)] | None = Field(default=None, description="Below a shelf")
    gusset: Length | None = Field(default=None, description="Thickness of a gusset")
    nose: Length | None = Field(default=None, description="Depth over all at the mount, of a shelf with its gussets")
    box_made: BoxMade | None = Field(default=None, description="Of a boxed arm")
    seam: Length | None = Field(default=None, description="Leg of the welds along a boxed arm's corners")
    has_tabs: bool = Field(default=False, description="Tabs hold a boxed arm's plates to each other")
    length: Length | None = Field(default=None, description="That it is cut to, from the vehicle to the mount")
    root_cut: RootCut | None = Field(default=None, description="How its root is cut to what it lands on")
    beside: Length | None = Field(default=None, description="The load passes beside its middle, or its web, by")
    lies_to: LiesTo | None = Field(default=None, description="Its middle, or web; empty counts both ways")
    leg: Length | None = Field(default=None, description="Of the fillet all round its root")
    is_inspected: bool | None = None
    base: Length | None = Field(default=None, description="Wall or plate that it is welded to, thick")
    yield_mpa: Annotated[float, Field(gt=0, le=2000)] | None = None
    goes_on: GoesOn | None = None
    rail: Rail = Rail()
    legs: StandoffLegs = StandoffLegs()
    landing: Landing = Landing()


class CrossMember(Sheet):
    """A tube or box from rail to rail that mounts stand on; both its ends are made alike."""

    name: Name
    first: Spot = Field(default=Spot(), description="Where its one end meets the vehicle")
    other: Spot = Field(default=Spot(), description="Where its other end does")
    bracket: Bracket = Field(default=Bracket(), description="Its section; weld, landing plate and rail at either end")


class Mount(Sheet):
    """A mount."""

    name: Name
    kind: MountKind | None = None
    stands_on: Name | None = Field(default=None, description="Cross member under its bracket; empty: the vehicle")
    boss: Spot = Field(default=Spot(), description="Where it holds the unit, in the unit's own axes")
    rail: Spot = Field(default=Spot(), description="Where its bracket meets the vehicle")
    is_turned: bool = Field(default=False, description="Its own axes do not stand square to the vehicle")
    angles: Angles = Angles()
    along_n_per_mm: Stiffness | None = Field(default=None, description="Along its own x; of an arm along itself")
    across_n_per_mm: Stiffness | None = None
    upright_n_per_mm: Stiffness | None = None
    turning_nm_per_deg: Annotated[float, Field(gt=0, le=1e4)] | None = Field(
        default=None, description="Of a bush twisted about its bolt, its own x; empty: none is counted on"
    )
    is_measured: bool = Field(default=False, description="Else the figures are a catalogue's")
    weighed: Weighed = Weighed()
    travel: Length | None = Field(default=None, description="Before it bottoms, any way")
    holds_x: bool | None = Field(default=None, description="Of a hard mount")
    holds_y: bool | None = None
    holds_z: bool | None = None
    rating_n: Force | None = Field(default=None, description="Greatest load its maker allows")
    is_caught: bool | None = Field(default=None, description="If it lets go, something stops the unit")
    bracket: Bracket = Bracket()
    grip: Grip = Field(default=Grip.EARS, description="By which it takes hold of the unit")
    cradle: Cradle = Cradle()
    ears: Ears = Ears()
    tube: ClampedTube = ClampedTube()
    eye: Eye = Field(default=Eye(), description="Of a torque arm")


class TorqueKind(Choice):
    """Which torque leaves the unit in a case of load."""

    NONE = "none"
    LAUNCH = "launch"
    OVERRUN = "overrun"
    REVERSE = "reverse", "launch backward"
    LOCKED = "locked", "wheels locked"
    LOCKED_BACK = "locked_back", "wheels locked, rolling back"


class OwnCase(Sheet):
    """A case of load beside the usual ones."""

    name: Name
    forward_g: Gs | None = Field(default=None, description="Inertia force on the unit; brakes throw it forward")
    left_g: Gs | None = None
    up_g: Gs | None = Field(default=None, description="Standing still: -1")
    torque: TorqueKind = TorqueKind.NONE


class LeftOut(Sheet):
    """A usual case of load that is not asked, and why."""

    case: Name
    why: Words = ""


class OutputTurns(Choice):
    """Which way a lengthwise output turns driving forward, seen from behind."""

    CLOCKWISE = "clockwise"
    ANTICLOCKWISE = "anticlockwise"


class Inertia(Sheet):
    """Moments of inertia about the unit's centre of gravity; empty takes the envelope filled evenly."""

    roll_kgm2: Annotated[float, Field(gt=0, le=1e4)] | None = None
    pitch_kgm2: Annotated[float, Field(gt=0, le=1e4)] | None = None
    yaw_kgm2: Annotated[float, Field(gt=0, le=1e4)] | None = None


class Subframe(Sheet):
    """A subframe that stays with the unit: the mounts are its pickup points on the vehicle."""

    is_there: bool = False
    mass: Mass | None = None
    cg: Spot = Field(default=Spot(), description="Its centre of gravity, in the unit's own axes")


class PullEntry(Sheet):
    """A weld of this joint as it came out."""

    closed: Length | None = Field(default=None, description="At the foot")
    tilt: Slant | None = Field(default=None, description="Of the free ear")


class Pull(Sheet):
    """A gap between ears that welding pulls shut."""

    gap: Length | None = Field(default=None, description="Wanted at the bolt, after welding")
    least: Length | None = None
    greatest: Length | None = None
    is_lap: bool = Field(default=False, description="A lap and no tee with two fillets")
    leg: Length | None = None
    plate: Length | None = Field(default=None, description="Thickness of the plate that goes through")
    height: Length | None = Field(default=None, description="From the foot to the bolt")
    jig: Length | None = Field(default=None, description="Gap that it is jigged at; empty for the gap wanted")
    log: Annotated[list[PullEntry], Field(max_length=60)] = []


class RailKind(Choice):
    """What a rail's section is like."""

    TROUGH = "trough", "trough, open above, or box"
    CHANNEL = "channel", "channel, web upright"
    TUBE = "tube", "round tube"
    PLATES = "plates", "plates, one by one"
    OUTLINE = "outline", "from a drawing"
    NOTCHED = "notched", "the rail as it was, notched"


class NotchFrom(Choice):
    """Which side of a rail a notch takes away."""

    ABOVE = "above"
    BELOW = "below"
    LEFT = "left"
    RIGHT = "right"


class PlatedOn(Choice):
    """Where a plate lies on a rail's upright walls."""

    INSIDE = "inside"
    OUTSIDE = "outside"


class RailPlate(Sheet):
    """A plate of a section by its middle line: across to the right, up from anywhere."""

    across_1: Coordinate | None = None
    up_1: Coordinate | None = None
    across_2: Coordinate | None = None
    up_2: Coordinate | None = None
    thickness: Length | None = None


class DrawnRing(Sheet):
    """A closed line of a section that was drawn: x to the right, y up."""

    points: Annotated[list[OutlinePoint], Field(max_length=600)] = []


class RailShape(Sheet):
    """A rail's section, with what is welded below it."""

    kind: RailKind = RailKind.TROUGH
    breadth: Length | None = None
    depth: Length | None = Field(default=None, description="Of a round tube its diameter")
    wall: Length | None = None
    lid: Length | None = Field(default=None, description="Thickness of what closes it; 0 for open")
    under: Length | None = Field(default=None, description="Thickness of a plate below; 0 for none")
    under_breadth: Length | None = None
    plates: Annotated[list[RailPlate], Field(max_length=40)] = []
    drawing: Annotated[str, Field(max_length=40)] = Field(default="", description="File that its outline is from")
    rings: Annotated[list[DrawnRing], Field(max_length=20)] = Field(
        default=[], description="Of a drawn section: its outside, then each hollow"
    )


class CutStation(RailShape):
    """The rail at a place along the cut."""

    name: Name
    notch: Length | None = Field(default=None, description="How deep the rail as it was is cut into")
    notch_from: NotchFrom | None = None
    plated: Length | None = Field(default=None, description="Thickness of a plate on its upright walls; empty: none")
    plated_on: PlatedOn | None = None


class CutFrame(Sheet):
    """A frame or rail that is cut for the unit."""

    is_cut: bool | None = None
    is_heat_treated: bool | None = None
    yield_mpa: Annotated[float, Field(gt=0, le=2000)] | None = Field(default=None, description="Of the rail's steel")
    old: RailShape = RailShape()
    stations: Annotated[list[CutStation], Field(max_length=12)] = []
    approved_by: Annotated[str, Field(max_length=80)] = ""
    approved_on: Annotated[str, Field(max_length=20)] = ""


class MountsSheet(Sheet):
    """Everything about what holds the unit."""

    mounts: Annotated[list[Mount], Field(max_length=10)] = []
    crosses: Annotated[list[CrossMember], Field(max_length=4)] = []
    output_turns: OutputTurns | None = None
    subframe: Subframe = Subframe()
    inertia: Inertia = Inertia()
    dynamic: Annotated[float, Field(ge=1, le=4)] | None = Field(default=None, description="Of rubber that shakes")
    own_cases: Annotated[list[OwnCase], Field(max_length=12)] = []
    left_out: Annotated[list[LeftOut], Field(max_length=12)] = []
    pull: Pull = Pull()
    frame: CutFrame = CutFrame()
    notes: Words = ""
