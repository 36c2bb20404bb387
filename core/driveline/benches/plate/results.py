"""What the adapter plate bench hands out."""

from driveline.checks import Result, Verdict
from driveline.drawing.model import Drawing
from driveline.joints.screws import JointResult
from driveline.parts.records import PartKey
from driveline.results import ToDo
from driveline.survey.solve import SurveyResult


class HoleRow(Result):
    """A line of the hole table, seen from the engine side, or from above: from the shaft's centre and two edges."""

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


class FeatureRow(Result):
    """A feature of a delivered part against its released drawing."""

    feature: str
    expected_mm: float
    measured_mm: float
    off_mm: float
    allowed_mm: float
    verdict: Verdict


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


class PartResult(Result):
    """A flat part as designed so far."""

    key: PartKey
    title: str
    engine_side: Drawing  # of a base plate: from above
    gearbox_side: Drawing
    hole_table: tuple[HoleRow, ...]
    ligaments: tuple[LigamentResult, ...]
    cut: CutLine
    released: ReleaseState | None
    incoming: tuple[IncomingState, ...]
    features: tuple[Feature, ...]  # worth measuring when it is delivered


class ClockingWindow(Result):
    """Angles between which every ligament is enough; ``to_deg`` may pass 360."""

    from_deg: float
    to_deg: float


class Terminals(Result):
    """Where the terminals lie and where they may, as drawn from the engine side; ``to_deg`` may pass 360."""

    at_deg: float
    arc_deg: float
    from_deg: float | None
    to_deg: float | None


class ClockingResult(Result):
    """Least share of the wanted ligament against the clocking angle."""

    angle_deg: list[float]
    share: list[float]
    windows: tuple[ClockingWindow, ...]
    allowed: tuple[ClockingWindow, ...]  # that keep the terminals in their window; empty: nothing is asked
    closest: list[str]  # which two holes are nearest at each angle: why it is barred
    best_deg: float  # from 0 to 360, as the plot runs
    best_share: float
    is_settled: bool  # False: the search for the best angle came to its bound, and it is not an answer
    best_turn_deg: float  # from -180 to 180, as it is typed
    present_deg: float
    present_turn_deg: float


class RegisterResult(Result):
    """What a register's bore and spigot, or a dowel and its hole, are to be machined to, mm."""

    what: str
    fit: str
    bore_least_mm: float
    bore_greatest_mm: float
    spigot_least_mm: float
    spigot_greatest_mm: float
    least_play_mm: float  # below 0 is interference
    greatest_play_mm: float
    warmer_k: float | None  # that the outer part must be to slip on; None: it goes on cold, or its material is not said


class TiltResult(Result):
    """How the face on the standoffs leans."""

    tilt_deg: float
    high_at_deg: float
    rock_mm: float
    take_off_mm: tuple[float, ...]


class StackShare(Result):
    """A length between the faces, and how much of the spread comes from it."""

    name: str
    length_mm: float
    either_way_mm: float
    share: float


class StackResult(Result):
    """How far the faces come to stand apart: at worst either way, and most likely."""

    nominal_mm: float
    worst_mm: float
    likely_mm: float
    is_sure: bool  # every length says how sure it is
    shares: tuple[StackShare, ...]


class BuildUpResult(Result):
    """How far the faces come to stand apart, and how square."""

    apart: StackResult | None
    tilt: TiltResult | None
    shim_mm: float | None  # under a foot-mounted motor; below 0 its bed is too high


class PlateResult(Result):
    """The plate, or plates, as designed so far."""

    survey: SurveyResult
    face_survey: SurveyResult | None
    parts: tuple[PartResult, ...]
    clocking: ClockingResult | None
    terminals: Terminals | None
    build_up: BuildUpResult
    joints: tuple[JointResult, ...]
    registers: tuple[RegisterResult, ...]
    threads: tuple[str, ...]  # those that a joint can name
    to_do: tuple[ToDo, ...]
