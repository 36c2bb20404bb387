"""What is handed out of made parts: drawings, hole table, cut list, releases and deliveries."""

from driveline.checks import Result, Verdict
from driveline.drawing.model import Drawing
from driveline.drawing.order import OrderLine
from driveline.parts.records import PartKey, Seen
from driveline.results import ToDo


class HoleRow(Result):
    """A line of the hole table, seen from the first side: from the shaft's centre and two edges."""

    id: str
    kind: str
    x_mm: float
    y_mm: float
    radius_mm: float
    angle_deg: float
    left_mm: float
    bottom_mm: float
    finished_mm: float
    cut_mm: float | None
    made: str
    sure_mm: float | None  # 95 % semi-axis; None where it is set, not surveyed


class LigamentResult(Result):
    """What is left between two holes."""

    a: str
    b: str
    left_mm: float
    wanted_mm: float


class CutLine(Result):
    """A line of the cut list."""

    part: str
    title: str
    material: str
    thickness_mm: float | None
    quantity: int
    width_mm: float
    height_mm: float
    area_cm2: float  # of one, its cut holes taken out
    cut_length_mm: float  # of one: outline and cut holes
    pierces: int
    mass_kg: float | None  # of one
    per_sheet: int | None  # None: the stock sheet's size is not given


class Moved(Result):
    """What of a released part is no longer as it was released."""

    feature: str
    says: str
    by_mm: float | None


class ReleaseState(Result):
    """The newest release of a part, and how the part as it stands differs from it."""

    letter: str
    by: str
    at: str
    side: str
    sha256: str
    has_sheet: bool  # its dimensioned sheet and hole table were kept with it
    differs: tuple[Moved, ...]
    readings_since: tuple[str, ...]  # readings changed, added or left out since


class OrderShown(Result):
    """Everything that the maker of an ordered part must know."""

    number: str
    quantity: int
    material: str
    lines: tuple[OrderLine, ...]
    asks: tuple[str, ...]
    wanted: tuple[ToDo, ...]  # what its maker would have to ask, and where it is entered


class FeatureRow(Result):
    """A feature of a delivered part against its released drawing."""

    feature: str
    expected_mm: float
    measured_mm: float
    off_mm: float
    allowed_mm: float
    verdict: Verdict
    means: str = ""  # what its being off does


class IncomingState(Result):
    """A delivered part as it was measured."""

    letter: str
    by: str
    at: str
    accepted: bool
    why: str
    rows: tuple[FeatureRow, ...]


class Feature(Result):
    """A feature that a delivered part can be measured by, with what the release has it at."""

    kind: str
    a: str
    b: str
    title: str
    expected_mm: float
    allowed_mm: float


class PartView(Result):
    """A part as seen from one of its sides."""

    side: Seen
    called: str  # "engine side"; of a base plate "above"
    drawing: Drawing


class PartResult(Result):
    """A part as designed so far."""

    key: PartKey
    title: str
    look_at: str  # what to hold it against before it is released
    is_handed: bool  # its numbered holes tell it from its mirror image
    views: tuple[PartView, ...]  # from its first side, and turned over
    hole_table: tuple[HoleRow, ...]
    ligaments: tuple[LigamentResult, ...]
    cut: CutLine | None  # of a part that is cut
    order: OrderShown | None = None  # of a part that is ordered
    guards: str = ""  # checks whose keys begin so hold back its release; empty: all that do of its bench
    held_back: str = ""  # why it may not be released, where it may not
    released: ReleaseState | None
    incoming: tuple[IncomingState, ...]
    features: tuple[Feature, ...]  # worth measuring when it is delivered
