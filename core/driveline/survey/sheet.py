"""The flange survey: holes in the order of their numbers, and readings of every kind between them."""

from typing import Annotated, Final, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from driveline.network import Turning
from driveline.sheet import Angle, Coordinate, Length, Name, Sheet, Words
from driveline.words import Choice

MOST_FRAMES: Final = 40  # squares, traces and sweeps, each with a place and a turn of its own to be found
HoleId = Annotated[str, StringConstraints(pattern=r"^[A-Za-z][A-Za-z0-9]{0,5}$")]


class Side(Choice):
    """Which side of the plate the eye is on."""

    ENGINE = "engine", "engine side"
    GEARBOX = "gearbox", "gearbox side"


class FlangeHole(Sheet):
    """A hole in the gearbox flange."""

    id: HoleId
    diameter: Length
    is_bore: bool = Field(default=False, description="A bore or register about the shaft: not numbered, not drilled")


class TakenReading(Sheet):
    """What every reading carries: one that is left out stays, with who left it out and why."""

    left_out: bool = False
    why: Words = ""
    left_out_by: Annotated[str, StringConstraints(max_length=150)] = ""


class PairReading(TakenReading):
    """A reading between two points: ``inside`` nearest edges, ``outside`` farthest, ``distance`` centres."""

    kind: Literal["inside", "outside", "distance", "radius"]
    a: HoleId
    b: HoleId = Field(default="C", description="C is the shaft's centre")
    reading: Length


class AxisReading(TakenReading):
    """A reading along one axis of a square, a trace, a scan or a drawing.

    A square dropped on both sides of the shaft reads C's low and high edge: its middle is the shaft's centre.
    """

    kind: Literal["x", "y"]
    a: HoleId
    frame: Name
    edge: Literal["low", "centre", "high"] = "centre"
    reading: Coordinate


class DialReading(Sheet):
    """A dial at one place of the turn; plunger in reads above zero."""

    clock: Angle
    reading: Coordinate


class SweepTurned(Choice):
    """What turned under the dial. Only a dial that turns with the shaft finds the shaft's centre."""

    DIAL = "dial", "the dial, with the shaft"
    PART = "part", "the part, under a standing dial"


class SweepReading(TakenReading):
    """An indicator swept round a bore or spigot of the flange, which is one of the holes listed."""

    kind: Literal["sweep"]
    a: HoleId
    towards: HoleId = Field(description="The hole at which the clock starts")
    runs: Turning = Field(
        default=Turning.CLOCKWISE, description="Which way the clock runs, seen from the survey's side"
    )
    surface: Literal["bore", "spigot"] = "bore"
    turned: SweepTurned = SweepTurned.DIAL
    dial: Annotated[list[DialReading], Field(max_length=72)] = []


SurveyReading = Annotated[PairReading | AxisReading | SweepReading, Field(discriminator="kind")]


class OutlinePoint(Sheet):
    """A corner of a traced outline, in its frame."""

    x_mm: Annotated[float, Field(ge=-5000, le=5000)]
    y_mm: Annotated[float, Field(ge=-5000, le=5000)]


class Outline(Sheet):
    """The flange's own outline, as traced, scanned or drawn, in a frame that readings tie to the holes."""

    frame: Name
    points: Annotated[list[OutlinePoint], Field(min_length=3, max_length=600)]


def ends_of(reading: PairReading | AxisReading | SweepReading) -> list[str]:
    """Return the points that a reading goes to."""
    if isinstance(reading, PairReading):
        return [reading.a, reading.b]
    return [reading.a, reading.towards] if isinstance(reading, SweepReading) else [reading.a]


class Survey(Sheet):
    """The flange survey. Holes are listed in the order in which they are numbered."""

    seen_from: Side = Side.ENGINE
    numbered: Turning = Turning.ANTICLOCKWISE
    holes: Annotated[list[FlangeHole], Field(max_length=60)] = []
    readings: Annotated[list[SurveyReading], Field(max_length=1000)] = []
    direction_of: Name | None = Field(
        default=None, description="Hole or frame that sets the angle; the first hole when empty"
    )
    direction_at: Angle = Angle(text="0 deg")
    scaled_frames: Annotated[list[Name], Field(max_length=10)] = []
    outline: Outline | None = None
    bore_true: Length | None = Field(
        default=None, description="The first bore stands for the shaft, whose centre is no farther from its own"
    )

    @model_validator(mode="after")
    def _names_known(self) -> Self:
        ids = [hole.id for hole in self.holes]
        for hole_id in ids:
            if hole_id == "C":
                raise ValueError("C is the shaft's centre. Give the hole another name, such as H1.")
            if ids.count(hole_id) > 1:
                raise ValueError(f"Two holes are named {hole_id}. Name each once.")
        for reading in self.readings:
            ends = ends_of(reading)
            for end in ends:
                if end not in (*ids, "C"):
                    raise ValueError(
                        f"A reading goes to {end}, which is not among the holes. Add the hole or mend the name."
                    )
            if len(set(ends)) < len(ends):
                raise ValueError(f"A reading goes from {ends[0]} to itself. Name two different holes.")
        frames = {reading.frame for reading in self.readings if isinstance(reading, AxisReading)}
        sweeps = sum(isinstance(reading, SweepReading) for reading in self.readings)
        if len(frames) + sweeps > MOST_FRAMES:
            raise ValueError(
                f"{len(frames)} squares and traces and {sweeps} sweeps are more than the {MOST_FRAMES} that are "
                "adjusted together. Leave the oldest out."
            )
        if self.direction_of and self.direction_of not in {*ids, *frames}:
            raise ValueError(
                f"The direction is set by {self.direction_of}, which is neither a hole nor a square's or trace's name."
            )
        return self
