"""The placement bench: what stands round the room, the unit, how it may stand in it, and how it gets there.

Places are from the job's datum: x forward and y left of the middle of the rear wheel-centre line, z above the ground
(ISO 8855). A place that is not wholly given is not known; nothing is nought for want of a figure.
"""

from typing import Annotated

from pydantic import Field

from driveline.sheet import Coordinate, Length, LibraryRef, Mass, Name, Sheet, Slant, Words
from driveline.space.spots import Angles, Spot
from driveline.words import Choice

PointName = Name


class MeasuredPoint(Sheet):
    """A point of the vehicle. Coordinates left open are found from tapes to it."""

    name: PointName
    x: Coordinate | None = None
    y: Coordinate | None = None
    z: Coordinate | None = None
    near: Spot = Field(default=Spot(), description="Roughly where, if tapes leave two places")


class PointTape(Sheet):
    """A tape's length between two points."""

    a: PointName
    b: PointName
    length: Length | None = None


class BodyShape(Choice):
    """What a body is taken as."""

    BOX = "box"
    ROUND = "round", "round bar or pipe"
    RAIL = "rail", "rail of square section"
    SCAN = "scan", "a scan"


class Turned(Choice):
    """How a box is turned to the vehicle."""

    SQUARE = "square", "square to the vehicle"
    BY_ANGLES = "by_angles", "turned by angles"


class ScanUnit(Choice):
    """What one unit of a scan's file is."""

    MM = "mm"
    CM = "cm"
    M = "m"
    INCH = "inch", "in"


class UpAxis(Choice):
    """Which axis of a scan's file points up."""

    Z = "z"
    Y = "y"
    X = "x"
    MINUS_Z = "minus_z", "−z"
    MINUS_Y = "minus_y", "−y"
    MINUS_X = "minus_x", "−x"


class LaidBy(Choice):
    """How a scan is laid onto the vehicle."""

    POINTS = "points", "by points found on both"
    POSE = "pose", "by its place and angles"


class ScanMatch(Sheet):
    """A point found on the vehicle and on the scan."""

    at: Spot = Field(default=Spot(), description="On the vehicle")
    x: Coordinate | None = Field(default=None, description="On the scan")
    y: Coordinate | None = None
    z: Coordinate | None = None


class ScanSheet(Sheet):
    """A scan: which file, and where it lies."""

    file: Annotated[str, Field(pattern="^[0-9a-f]{64}$")] | None = Field(default=None, description="SHA-256 of it")
    name: Annotated[str, Field(max_length=120)] = ""
    unit: ScanUnit | None = None
    up: UpAxis | None = None
    laid: LaidBy | None = None
    matches: Annotated[list[ScanMatch], Field(max_length=12)] = []
    at: Spot = Field(default=Spot(), description="Of its origin")
    angles: Angles = Angles()
    noise: Length | None = Field(default=None, description="How far its surface may be out")
    leave_out_bits: bool = Field(default=False, description="Small bits that touch nothing else of it are dust")


class BodySheet(Sheet):
    """A body: a box about its middle, a bar, pipe or rail along a line of places, or a scan."""

    name: Name
    shape: BodyShape | None = None
    at: Spot = Field(default=Spot(), description="Middle of a box")
    turned: Turned | None = None
    angles: Angles = Angles()
    length: Length | None = Field(default=None, description="Of a box, along x")
    width: Length | None = Field(default=None, description="Of a box along y; across a rail; a round one's diameter")
    height: Length | None = Field(default=None, description="Of a box or rail, upward")
    along: Annotated[list[Spot], Field(max_length=12)] = []
    scan: ScanSheet = ScanSheet()


class Nature(Choice):
    """What a body of the vehicle is; it sets how far the unit keeps from it."""

    FIXED = "fixed", "fixed sheet or frame"
    HOT = "hot", "hot or moving"
    STEERING = "steering", "steering or brakes"


class Fate(Choice):
    """What becomes of a body of the vehicle."""

    STAYS = "stays"
    AFTER = "after", "goes on after"
    OFF = "off", "comes off for good"
    CUT = "cut", "is cut"


class Travel(Sheet):
    """How far a body goes with the wheels, from ride height straight ahead; 0 for a way that it does not."""

    up: Length | None = None
    down: Length | None = None
    aside: Length | None = Field(default=None, description="Either way, at full lock")


class VehicleBody(BodySheet):
    """A body of the vehicle."""

    nature: Nature | None = None
    fate: Fate = Fate.STAYS
    after_step: Annotated[int, Field(ge=1, le=12)] | None = Field(default=None, description="Of the way in")
    travel: Travel = Field(default=Travel(), description="Of steering and brakes")
    mass: Mass | None = Field(default=None, description="Of what comes off")


class UnitBody(BodySheet):
    """A body of the unit, in the unit's own axes."""

    can_come_off: bool = False
    is_off: bool = False
    keeps_clear: bool = Field(default=False, description="Room for a hand or a filler: nothing may stand in it")
    after_step: Annotated[int, Field(ge=1, le=12)] | None = Field(default=None, description="Goes on after that step")


class TurnsForward(Choice):
    """Which way the unit's outputs turn, as made, when its motor turns its usual way."""

    FORWARD = "forward", "rolls forward"
    BACKWARD = "backward", "rolls backward"


class UnitSheet(Sheet):
    """The unit as it is on the bench. Its own axes stand at a point of its output line, x forward as made."""

    name: Annotated[str, Field(max_length=80)] = ""
    bodies: Annotated[list[UnitBody], Field(max_length=20)] = []
    output_a: Spot = Field(default=Spot(), description="Joint centre or flange to the left, as made")
    output_b: Spot = Field(default=Spot(), description="To the right")
    turns: TurnsForward | None = None
    mass: Mass | None = None
    cg: Spot = Spot()
    eye: Spot = Field(default=Spot(), description="Where it is lifted")
    library: LibraryRef | None = None


class Way(Choice):
    """Which way round the unit stands."""

    AS_MADE = "as_made"
    TURNED = "turned", "turned about its output line"
    END_FOR_END = "end_for_end"
    LENGTHWISE = "lengthwise", "lengthwise, with a final drive of its own"


class Stand(Sheet):
    """One way for the unit to stand."""

    name: Name
    way: Way | None = None
    at: Spot = Spot()
    angles: Angles = Angles()
    final_left: Spot = Field(default=Spot(), description="Of a final drive of its own")
    final_right: Spot = Spot()


class Wheels(Sheet):
    """Where the wheels want the outputs to be: outer joint centres at ride height, and the travel of the wheels."""

    left: Spot = Spot()
    right: Spot = Spot()
    bump: Length | None = None
    droop: Length | None = None


class MoveWay(Choice):
    """A direction of the vehicle."""

    UP = "up"
    DOWN = "down"
    FORWARD = "forward"
    BACK = "back"
    LEFT = "left"
    RIGHT = "right"


class TurnWay(Choice):
    """A turn about the unit's own origin."""

    NOSE_DOWN = "nose_down"
    NOSE_UP = "nose_up"
    RIGHT_DOWN = "right_down", "right side down"
    LEFT_DOWN = "left_down", "left side down"
    NOSE_LEFT = "nose_left"
    NOSE_RIGHT = "nose_right"


class PathMove(Sheet):
    """One move of the way in, of the unit or, the other way round, of the vehicle let down onto it."""

    way: MoveWay | None = None
    by: Length | None = None
    turn: TurnWay | None = Field(default=None, description="While it goes, if it turns")
    angle: Slant | None = None
    note: Words = ""


class WantedGaps(Sheet):
    """How far the unit is to keep off; empty takes the usual figure."""

    is_wish = True

    fixed: Length | None = None
    hot: Length | None = None
    steering: Length | None = None
    way_in: Length | None = Field(default=None, description="While it is put in")


class RoomSheet(Sheet):
    """A region, and the boxes that are to go into it."""

    name: Annotated[str, Field(max_length=80)] = ""
    corner: Spot = Field(default=Spot(), description="Least x, y and z of it")
    length: Length | None = None
    width: Length | None = None
    height: Length | None = None
    box_length: Length | None = None
    box_width: Length | None = None
    box_height: Length | None = None
    box_mass: Mass | None = None
    gap: Length | None = Field(default=None, description="Between two, for plates and cables")
    may_stand: bool = Field(default=False, description="May lie on any side")


class Displaced(Sheet):
    """What a swap displaces, each settled or not yet."""

    column: bool | None = Field(default=None, description="Steering column and rack")
    selector: bool | None = Field(default=None, description="Selector and its linkage")
    pedals: bool | None = Field(default=None, description="Pedals, servo and their pipes")
    width: bool | None = Field(default=None, description="Track and overall width")
    notes: Words = ""


class PlacementSheet(Sheet):
    """Everything about where the unit stands."""

    points: Annotated[list[MeasuredPoint], Field(max_length=30)] = []
    tapes: Annotated[list[PointTape], Field(max_length=60)] = []
    bodies: Annotated[list[VehicleBody], Field(max_length=60)] = []
    none_near: Annotated[list[Nature], Field(max_length=3)] = Field(
        default=[], description="Kinds of which nothing stands near the unit"
    )
    unit: UnitSheet = UnitSheet()
    stands: Annotated[list[Stand], Field(max_length=6)] = []
    chosen: Annotated[str, Field(max_length=80)] | None = Field(default=None, description="Name of the stand")
    wheels: Wheels = Wheels()
    travel: Length | None = Field(default=None, description="What the mounts let the unit move, any way")
    wanted: WantedGaps = WantedGaps()
    clearance_was: Length | None = Field(default=None, description="Ground clearance as it was")
    way_in: Annotated[list[PathMove], Field(max_length=12)] = []
    room: RoomSheet = RoomSheet()
    displaced: Displaced = Displaced()
    weighs_in: bool | None = Field(
        default=None,
        description="Unit and what comes off for it count on top of the brief's masses; no: they are in it",
    )
    why: Words = Field(default="", description="Why it stands so")

    @property
    def scan_files(self) -> tuple[str, ...]:
        """Every scan that a body names, by its SHA-256."""
        return tuple(one.scan.file for one in (*self.bodies, *self.unit.bodies) if one.scan.file)
