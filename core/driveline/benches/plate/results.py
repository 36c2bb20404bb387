"""What the adapter plate bench hands out."""

from driveline.benches.plate.register_sheet import Facing
from driveline.checks import Result
from driveline.drawing.model import Drawing
from driveline.flat.seats import SeatKind
from driveline.joints.screws import JointResult
from driveline.joints.sheet import RegisterFit
from driveline.results import ToDo
from driveline.survey.solve import SurveyResult


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
    whatever_angle: str = ""  # two holes too near one another that no turning parts
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


class RegisterProposal(Result):
    """What the plate is best given for a register that was measured: as typed; without a kind, only a way out."""

    side: Facing
    says: str
    kind: SeatKind | None = None
    size: str | None = None
    fit: RegisterFit | None = None
    depth: str | None = None
    chamfer: str | None = None
    ring_outside: str | None = None
    ring_depth: str | None = None
    ring_inside: str | None = None


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
    clocking: ClockingResult | None
    terminals: Terminals | None
    build_up: BuildUpResult
    joints: tuple[JointResult, ...]
    registers: tuple[RegisterResult, ...]
    proposals: tuple[RegisterProposal, ...]
    section: Drawing | None  # of what is drawn, through the shaft
    hole_names: tuple[str, ...]  # what a hole's making can be said of: patterns, then each hole
    threads: tuple[str, ...]  # those that a joint can name
    to_do: tuple[ToDo, ...]
