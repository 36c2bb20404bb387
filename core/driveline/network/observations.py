"""What was read: holes, readings between them, and how the drawing is turned."""

from dataclasses import dataclass
from enum import StrEnum
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig

CENTRE: Final = "C"  # the shaft's centre, a point like any other


class Kind(StrEnum):
    """What the tool touched."""

    DISTANCE = "distance"  # centre to centre
    INSIDE = "inside"  # nearest edges of two holes
    OUTSIDE = "outside"  # farthest edges of two holes or pins
    RADIUS = "radius"  # shaft centre to hole centre
    DIAMETER = "diameter"
    X = "x"  # along a square, a trace, a scan or a DXF: one frame each
    Y = "y"


class Turning(StrEnum):
    """Which way the numbers run, seen from the stated side."""

    ANTICLOCKWISE = "anticlockwise"
    CLOCKWISE = "clockwise"


@dataclass(frozen=True, slots=True)
class Hole:
    """A hole with its diameter; ``u_mm`` of ``None`` takes the diameter as exact.

    A bore about the shaft has no place in the numbering.
    """

    id: str
    diameter_mm: float
    u_mm: float | None = None
    is_bore: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Observation:
    """One reading. ``frame`` and ``edge`` belong to x and y: edge -1 or +1 is the near or far rim, 0 the centre."""

    key: str
    kind: Kind
    a: str
    value_mm: float
    u_mm: float
    b: str | None = None
    frame: str | None = None
    edge: int = 0


@dataclass(frozen=True, slots=True)
class Direction:
    """Which way is up: a hole, or a frame's x axis, lies at this angle from +x, anticlockwise as drawn."""

    of: str
    at_deg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Network:
    """All that is known of a flange: holes in numbering order, readings, and the frames whose scale is free too."""

    holes: tuple[Hole, ...]
    observations: tuple[Observation, ...]
    numbered: Turning
    direction: Direction
    scaled_frames: tuple[str, ...] = ()
    pointed: tuple[tuple[str, str], ...] = ()  # frames whose x axis runs from the shaft's centre towards a hole

    def __post_init__(self) -> None:
        ids = {hole.id for hole in self.holes} | {CENTRE}
        if len(ids) != len(self.holes) + 1:
            raise ImpossibleInput("holes", [hole.id for hole in self.holes], f"named once each, and not {CENTRE}")
        for hole in self.holes:
            if not hole.diameter_mm > 0:
                raise ImpossibleInput(f"diameter of {hole.id}", fig(hole.diameter_mm, "mm"), "above 0")
        for reading in self.observations:
            _require_sound(reading, ids)

    @property
    def frames(self) -> tuple[str, ...]:
        """Names of the frames that readings are given in, in order of first use."""
        return tuple(dict.fromkeys(reading.frame for reading in self.observations if reading.frame))

    def without(self, keys: frozenset[str]) -> "Network":
        """Return the network with some readings left out."""
        kept = tuple(reading for reading in self.observations if reading.key not in keys)
        return Network(
            holes=self.holes,
            observations=kept,
            numbered=self.numbered,
            direction=self.direction,
            scaled_frames=self.scaled_frames,
            pointed=self.pointed,
        )


def _require_sound(reading: Observation, ids: set[str]) -> None:
    ends = {reading.a, reading.b} - {None}
    if unknown := ends - ids:
        raise ImpossibleInput(
            f"reading {reading.key}", sorted(str(end) for end in unknown), "between holes of this flange"
        )
    if not reading.u_mm > 0:
        raise ImpossibleInput(f"u of reading {reading.key}", fig(reading.u_mm, "mm"), "above 0")
    is_pair = reading.kind in (Kind.DISTANCE, Kind.INSIDE, Kind.OUTSIDE, Kind.RADIUS)
    if is_pair and len(ends) != 2:
        raise ImpossibleInput(f"reading {reading.key}", reading.a, "between two different points")
    if is_pair and not reading.value_mm > 0:
        raise ImpossibleInput(f"reading {reading.key}", fig(reading.value_mm, "mm"), "above 0")
    if reading.kind in (Kind.X, Kind.Y) and reading.frame is None:
        raise ImpossibleInput(f"reading {reading.key}", reading.kind.value, "in a named frame")
