"""What the mounts take from the benches ahead of them."""

from dataclasses import dataclass
from typing import Protocol

from driveline.arrays import Floats
from driveline.space.bodies import Body
from driveline.space.pose import Placed


@dataclass(frozen=True, slots=True, kw_only=True)
class NearestMoved:
    """What comes nearest with the unit moved."""

    unit_body: str
    other: str
    gap_mm: float  # below nought: overlap
    wanted_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class NearBracket:
    """What a bracket stands on, empty where nothing entered is there, and what it comes nearest to."""

    stands_on: str
    other: str
    gap_mm: float | None  # below nought: overlap; None: nothing is near
    wanted_mm: float
    taken_mm: float = 0.0  # off that gap already: what the unit may move


@dataclass(frozen=True, slots=True, kw_only=True)
class MetOnTheWay:
    """Whether the unit meets a bracket on its way in; ``missing`` names what keeps it from being known."""

    step: int | None  # from 1; None: it passes
    part: str
    missing: tuple[str, ...]


class Around(Protocol):
    """What stands round the unit. Told apart by its pickle."""

    def least_share(self, move_mm: float) -> float:
        """Return what the tightest gap's share of what is wanted can be at the least, no point moved farther."""

    def nearest(self, move: Placed, move_mm: float) -> NearestMoved | None:
        """Return what is tightest for its wanted gap with the unit moved from its place, no point of it farther.

        ``None``: nothing is near.
        """

    def beside(
        self, whole: Body, off_root: Body, *, roots_mm: tuple[Floats, ...], tip_mm: Floats | None
    ) -> NearBracket:
        """Return what a bracket stands on, and what it comes nearest to for what is wanted."""

    def met_by(self, bracket: Body) -> MetOnTheWay:
        """Return whether the unit meets a bracket that is there before it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class HeldUnit:
    """The unit as it is placed; what is not known is ``None``."""

    placed: Placed | None
    mass_kg: float | None
    cg_mm: Floats | None  # in its own axes, (3,)
    inertia_kgm2: Floats | None  # about it, in its own axes, of its envelope filled evenly, (3, 3)
    farthest_mm: Floats | None  # corners of its envelope, in its own axes, (n, 3)
    missing: tuple[str, ...]  # of its envelope
    beside_kgm2: Floats | None = None  # what of the common inertia the places of unit and subframe add, (3, 3)
    subframe_missing: tuple[str, ...] = ()  # of what stays with it
    eye_mm: Floats | None = None  # where it is lifted, in its own axes, (3,)
    eye_missing: tuple[str, ...] = ()

    @property
    def has_eye(self) -> bool:
        """Whether it is lifted by an eye, if its place is not wholly known."""
        return self.eye_mm is not None or bool(self.eye_missing)


@dataclass(frozen=True, slots=True, kw_only=True)
class Turning:
    """What turns with the road speed, and how often a turn it pulses."""

    name: str
    rev_s_per_kmh: float
    times: int


@dataclass(frozen=True, slots=True, kw_only=True)
class HeldMove:
    """How the unit moves in a case of load: each (3,), the turn as a vector along what it turns about."""

    name: str
    about_mm: Floats
    shift_mm: Floats
    turn_rad: Floats


@dataclass(frozen=True, slots=True, kw_only=True)
class SolvedMounts:
    """What the benches behind take from the mounts."""

    moves: tuple[HeldMove, ...]
    missing: tuple[str, ...]
    modes_hz: tuple[tuple[str, float], ...] = ()  # how the unit shakes on its mounts; none while that is not known


@dataclass(frozen=True, slots=True, kw_only=True)
class MountsNeeds:
    """The unit, the torques that leave it, the vehicle's measured points, and what stands round it."""

    unit: HeldUnit
    launch_nm: float | None
    overrun_nm: float | None
    locked_nm: float | None
    torque_unsaid: str  # one answer that keeps all three from being known; else empty
    turns_wheels: bool
    turning: tuple[Turning, ...]
    wanted_kmh: float | None
    points: tuple[tuple[str, tuple[float, float, float]], ...]
    around: Around | None
    around_missing: tuple[str, ...]
    counted_travel_mm: float | None  # that placement takes off its gaps
    counted_is_usual: bool
