"""What the mounts bench shows."""

from driveline.checks import Result, Verdict
from driveline.results import Assumed, DrawnPiece, ToDo

At = tuple[float, float, float]


class CaseForce(Result):
    """What a mount puts on the unit in a case, and how far the unit moves at it."""

    case: str
    force_n: At
    size_n: float
    least_n: At | None  # where statics does not decide the shares
    greatest_n: At | None
    move_mm: At
    is_bottomed: bool
    on_vehicle_n: At  # through its bracket
    at_root_nm: float | None  # the moment where that meets the vehicle; None: no bracket, or its root is not known


class MountFound(Result):
    """A mount."""

    field: str
    name: str
    kind: str | None
    at_mm: At | None
    rail_mm: At | None
    stiffness_n_per_mm: At | None  # along the vehicle's axes, its bracket in series
    arm_mm: float | None
    section: str
    pieces: tuple[DrawnPiece, ...]  # of its bracket, where it stands
    missing: tuple[str, ...]
    cases: tuple[CaseForce, ...]
    worst: str  # the case that governs
    worst_n: float | None
    verdict: Verdict | None  # the worst of its checks


class CrossFound(Result):
    """A cross member."""

    field: str
    name: str
    section: str
    length_mm: float | None  # from rail to rail
    ends_mm: tuple[At, At] | None
    pieces: tuple[DrawnPiece, ...]
    missing: tuple[str, ...]
    stand_on_it: tuple[str, ...]
    verdict: Verdict | None  # the worst of its checks


class FreeFound(Result):
    """A motion that nothing holds."""

    says: str
    direction: At
    at_mm: At


class CaseFound(Result):
    """A case of load."""

    name: str
    g_xyz: At
    torque: str
    torque_nm: float | None
    moment_nm: At | None
    is_own: bool
    is_left_out: bool
    why: str
    move_mm: At | None
    turn_deg: At | None
    drawn_at_mm: At | None  # the unit's place moved ten times as far, to be seen
    drawn_turn: tuple[At, At, At] | None  # by rows
    nearest: str
    gap_mm: float | None
    wanted_mm: float | None


class PulseMet(Result):
    """A road speed at which what turns pulses as often as a mode shakes."""

    what: str
    times: int  # a turn
    speed_kmh: float


class ModeFound(Result):
    """A way to shake."""

    name: str
    frequency_hz: float
    shares_pct: tuple[float, ...]  # surge, sway, heave, roll, pitch, yaw
    is_low: bool
    hops: bool
    met: tuple[PulseMet, ...]  # up to the wanted speed, the slowest first


class SpringPoint(Result):
    """The lowest frequency and the greatest move were all rubber stiffer by a factor."""

    factor: float
    lowest_hz: float
    greatest_mm: float


class PullShown(Result):
    """What welding does to a gap."""

    rule_mm: float
    count: int
    closes_mm: float
    low_mm: float
    high_mm: float
    jig_mm: float
    after_low_mm: float
    after_high_mm: float
    shims: tuple[float, ...]  # of a stock, that make up what closes
    more_logs: int | None


class RailShown(Result):
    """A rail's section: its plates round their edges, and what they come to."""

    plates_mm: tuple[tuple[tuple[tuple[float, float], ...], ...], ...]  # of each its outside, then its hollows
    area_mm2: float
    i_mm4: float
    j_mm4: float
    greatest_mm4: float  # principal second moments
    least_mm4: float
    lean_deg: float  # of the greatest's axis, from level
    cells: int


class FoldShown(Result):
    """The wall that folds first as the rail is bent, and when."""

    wall: str
    stress_mpa: float
    moment_nm: float
    was_nm: float


class StationShown(Result):
    """A place along a cut; what is left of each figure is a share of what it was."""

    name: str
    rail: RailShown
    area: float
    i: float
    across: float  # I for a load sideways
    z: float
    j: float
    least: float
    least_is: str
    is_short: bool  # of what is wanted
    fold: FoldShown | None


class MountsResult(Result):
    """The mounts."""

    mounts: tuple[MountFound, ...]
    crosses: tuple[CrossFound, ...]
    free: tuple[FreeFound, ...]
    held: int
    redundant: int
    cases: tuple[CaseFound, ...]
    modes: tuple[ModeFound, ...]
    springs: tuple[SpringPoint, ...]
    pull: PullShown | None
    old_rail: RailShown | None
    stations: tuple[StationShown, ...]
    queries: tuple[ToDo, ...]
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]
