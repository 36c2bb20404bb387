"""What the placement bench shows."""

from driveline.checks import Result, Verdict
from driveline.results import Assumed, DrawnPiece, ToDo

At = tuple[float, float, float]


class DrawnScan(Result):
    """A scan to draw: point p of its file, in mm, stands at ``at_mm`` + ``turn`` p."""

    file: str
    scale: float  # mm in one unit of the file
    at_mm: At
    turn: tuple[At, At, At]
    least_mm: At  # of it as it stands
    greatest_mm: At


class DrawnBody(Result):
    """A body to draw: the vehicle's in the vehicle's axes, the unit's in the unit's own."""

    field: str
    name: str
    is_unit: bool
    nature: str | None
    fate: str
    keeps_clear: bool
    is_off: bool
    pieces: tuple[DrawnPiece, ...]
    scan: DrawnScan | None


class Frame(Result):
    """A place of the unit: point p stands at ``at_mm`` + ``turn`` p; ``turn`` by rows."""

    at_mm: At
    turn: tuple[At, At, At]


class GapFound(Result):
    """How near a body of the unit comes to one of the vehicle, or to the ground."""

    unit_body: str
    unit_field: str
    other: str
    other_field: str
    nature: str  # or ground
    gap_mm: float  # below nought: how deep they overlap
    least_mm: float  # with what the mounts let it move taken off
    wanted_mm: float
    verdict: Verdict
    on_unit_mm: At
    on_other_mm: At


class CutFound(Result):
    """What must be cut out of a body for the unit to keep its distance: along it, from its first end."""

    name: str
    field: str
    from_mm: float
    to_mm: float
    axis: str  # length, width or height of a box; along a rail or bar; of a scan forward, left or up of the datum


class OpeningFound(Result):
    """An opening in a flat body that is to be cut, for which there is a template."""

    name: str
    paper: str  # its key
    size_mm: tuple[float, float]
    middle_mm: At


class JointFound(Result):
    """An inner joint's angle at a height of the wheel."""

    side: str
    at: str  # ride, bump or droop
    angle_deg: float
    length_mm: float
    inner_mm: At
    outer_mm: At


class StandFound(Result):
    """What one way for the unit to stand comes to."""

    field: str
    name: str
    way: str | None
    is_chosen: bool
    frame: Frame | None
    missing: tuple[str, ...]
    joints: tuple[JointFound, ...]
    worst_ride_deg: float | None
    turns_usual: bool | None  # the motor, going forward
    is_oiled: bool | None  # its pump pumps going forward
    least_gap_mm: float | None
    least_gap: str  # what makes it
    fouls: tuple[str, ...]  # what would have to come off or be cut
    lowest_mm: float | None
    cg_mm: At | None


class PoseOffer(Result):
    """A pose that the chosen stand could take."""

    key: str
    title: str
    x_mm: float
    y_mm: float
    z_mm: float
    roll_deg: float
    pitch_deg: float
    yaw_deg: float


class PointFound(Result):
    """A measured point as its readings place it."""

    name: str
    at_mm: At | None  # None: not fixed
    u_mm: float | None
    says: str


class TapeFound(Result):
    """How a tape sits among the others."""

    label: str
    off_mm: float  # read minus adjusted
    is_wrong: bool


class MisfitFound(Result):
    """How a matched point sits once the scan is laid by all."""

    label: str
    field: str
    off_mm: float
    is_suspect: bool
    suspect_by_mm: float | None  # how far off it is by the others alone


class ScanSize(Result):
    """How long a scan would be if its file were in a unit."""

    unit: str
    length_mm: float


class ScanFound(Result):
    """A scan as it lies."""

    field: str
    name: str
    is_ready: bool
    scale: float | None  # mm in one unit of its file
    triangles: int | None
    sizes: tuple[ScanSize, ...]
    bits: int  # small, that touch nothing else of it
    notes: tuple[str, ...]
    is_laid: bool
    misfits: tuple[MisfitFound, ...]
    says: str


class StepOnWay(Result):
    """A move of the way in."""

    step: int
    gap_mm: float | None  # None: nothing within reach
    part: str
    to: str
    contact_at: float | None  # share of the move
    frames: tuple[Frame, ...]  # to play it back


class PackedBlock(Result):
    """Boxes laid alike, in the vehicle's axes: the corner of the first, and each one's size."""

    at_mm: At
    counts: tuple[int, int, int]
    box_mm: At


class RoomFound(Result):
    """What goes into a region."""

    corner_mm: At
    size_mm: At
    count: int
    mass_kg: float | None
    blocks: tuple[PackedBlock, ...]


class HangFound(Result):
    """How the unit hangs from its eye, from level."""

    tilted_deg: float
    nose_down_deg: float
    left_down_deg: float


class PlacementResult(Result):
    """The placement."""

    bodies: tuple[DrawnBody, ...]
    points: tuple[PointFound, ...]
    tapes: tuple[TapeFound, ...]
    scans: tuple[ScanFound, ...]
    stands: tuple[StandFound, ...]
    offers: tuple[PoseOffer, ...]
    gaps: tuple[GapFound, ...]  # of the chosen stand, what is tightest for its wanted gap first
    cuts: tuple[CutFound, ...]
    openings: tuple[OpeningFound, ...]
    way_in: tuple[StepOnWay, ...]
    room: RoomFound | None
    hangs: HangFound | None
    queries: tuple[ToDo, ...]
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]
