"""What the axles bench shows."""

from driveline.checks import Result, Verdict
from driveline.results import Assumed, ToDo

At = tuple[float, float, float]


class HeightRow(Result):
    """A shaft at a height, straight ahead, the unit at rest."""

    height_mm: float
    length_mm: float
    either_way_mm: float | None  # 95 of 100, as well as the measured heights fix the arc
    plunge_mm: float | None  # from the joint's middle, with the bar that is judged
    inner_deg: float
    outer_deg: float
    outer_mm: At


class CaseShown(Result):
    """A side's shaft at a lock of its wheel and a load on the unit."""

    lock_deg: float
    load: str
    inner_mm: At
    heights: tuple[HeightRow, ...]


class WindowPoint(Result):
    """A place of the whole scan in the joint's window."""

    plunge_mm: float
    inner_deg: float


class WindowShown(Result):
    """The inner joint's window, and the outline of all places of its scan in it."""

    plunge_mm: float
    bent_mm: float
    angle_deg: float
    outline: tuple[WindowPoint, ...]
    worst: WindowPoint


class TradePoint(Result):
    """A side with the unit moved."""

    by_mm: float
    greatest_deg: float
    left_mm: float


class SideShown(Result):
    """One side of an axle."""

    field: str
    key: str
    name: str
    inner_mm: At | None
    missing: tuple[str, ...]
    misses_mm: tuple[float, ...]  # how far each measured height is off the arc
    radius_mm: float | None  # of the arc from measured heights; None of a line
    radius_either_way_mm: float | None  # 95 of 100
    heights: tuple[HeightRow, ...]
    cases: tuple[CaseShown, ...]  # each lock with each load, at fewer heights
    window: WindowShown | None
    best_bar_mm: float | None
    chosen_bar_mm: float | None
    left_mm: float | None
    worst: str  # where least plunge is left
    strap_mm: float | None  # a strap that would hold it
    strap_buys_deg: float | None
    sideways: tuple[TradePoint, ...]  # the unit moved to the left
    upward: tuple[TradePoint, ...]
    torque_nm: float | None
    twist_deg: float | None
    couples_nm: tuple[float, float] | None  # inner and outer, at ride
    mass_kg: float | None
    mock_up: tuple[str, ...]
    verdict: Verdict | None


class AxleShown(Result):
    """An axle."""

    field: str
    name: str
    station: str | None
    left: SideShown
    right: SideShown
    twist_apart_deg: float | None


class TwistShown(Result):
    """How a shaft's yokes are best twisted."""

    shaft: int
    phasing_deg: float
    left_rad_s2: float


class PropJointShown(Result):
    """A joint of a propshaft."""

    at_mm: At
    kind: str | None
    angle_deg: float | None  # at ride
    greatest_deg: float | None
    if_cv_rad_s2: float | None  # at the driven end, were it a constant-velocity joint


class TubeShown(Result):
    """A shaft between two joints."""

    length_mm: float
    longest_mm: float
    critical_rpm: float | None
    phasing_deg: float | None
    in_mm: float | None
    out_mm: float | None
    drive_rad_s2: float | None
    coast_rad_s2: float | None


class TiltPoint(Result):
    """The driven end with the pinion's nose turned up by an angle, at ride."""

    nose_up_deg: float
    left_rad_s2: float


class LineShown(Result):
    """A line of propshafts."""

    field: str
    key: str
    name: str
    station: str | None
    missing: tuple[str, ...]
    rpm: float | None
    box_line: At | None
    pinion_line: At | None
    joints: tuple[PropJointShown, ...]
    tubes: tuple[TubeShown, ...]
    worst_rad_s2: float | None  # of every way it stands and is driven: what is judged
    worst_in: str
    exact_rad_s2: float | None  # at ride
    rule_rad_s2: float | None
    comfortable_rad_s2: float
    most_rad_s2: float
    even: Verdict | None  # of the axle as it is driven at the worst
    best_twist: TwistShown | None  # where turning a yoke is worth it
    best_tilt: TiltPoint | None  # where tilting the pinion is
    shim_says: str
    couples_nm: tuple[float, float] | None  # on the box, and across the shaft behind it, twice a turn
    verdict: Verdict | None


class AdapterShown(Result):
    """A flange adapter."""

    field: str
    name: str
    part: str  # its key, once it is drawn
    circles_mm: tuple[float | None, float | None]  # to the shaft, and away from it
    verdict: Verdict | None


class GearTurning(Result):
    """The line's two modes in a gear, seen from the wheels."""

    gear: str  # empty where there is but one
    motor_turns: float  # a turn of the wheels
    shuffle_hz: float
    wheels_hz: float
    nm_per_deg: float  # from rotor to wheels


class Meeting(Result):
    """A road speed at which something pushes a mode of the line."""

    gear: str
    kmh: float
    text: str
    short: str


class TurningShown(Result):
    """The whole line as inertias on springs."""

    missing: tuple[str, ...]
    gears: tuple[GearTurning, ...]
    meets: tuple[Meeting, ...]
    play_deg: float | None  # at a wheel
    play_at_motor_deg: float | None


class Shake(Result):
    """Something that comes round at the speed asked about."""

    what: str
    per_turn: int  # of what it is named after
    hz: float
    because: str  # what would be the matter
    near: str  # modes of the line that it would set going; empty: none


class ShakesShown(Result):
    """What may shake at a road speed, slowest first."""

    kmh: float
    shakes: tuple[Shake, ...]
    missing: tuple[str, ...]  # what may shake too, were it known


class AxlesResult(Result):
    """The shafts between unit and wheels."""

    axles: tuple[AxleShown, ...]
    lines: tuple[LineShown, ...]
    adapters: tuple[AdapterShown, ...]
    turning: TurningShown
    shakes: ShakesShown | None  # at the speed asked about
    queries: tuple[ToDo, ...]
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]
