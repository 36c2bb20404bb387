"""What a survey file holds, and points turned into holes and readings in a frame of their own."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from driveline.reading.csv_in import UnreadableFile
from driveline.reading.measure import Tool
from driveline.sheet import Coordinate, Length
from driveline.survey.sheet import AxisReading, FlangeHole, Outline, Survey, SurveyReading

MOST_HOLES: Final = 60
GREATEST_MM: Final = 5000.0
BORE_MM: Final = 60.0  # a circle larger than this is a bore, not a bolt's hole
GREATEST_HOLE_MM: Final = 1000.0


@dataclass(frozen=True, slots=True, kw_only=True)
class SurveyFile:
    """What a file adds to a survey, and what was mended on the way."""

    holes: tuple[FlangeHole, ...]  # those that the survey does not have yet
    readings: tuple[SurveyReading, ...]
    outline: Outline | None = None
    notes: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class FoundPoint:
    """A hole or bore in a file; ``diameter_mm`` may be missing where the survey knows it."""

    id: str
    x_mm: float
    y_mm: float
    diameter_mm: float | None
    where: str  # such as "Row 4"


def new_holes(points: Sequence[FoundPoint], survey: Survey) -> tuple[FlangeHole, ...]:
    """Return the holes that a survey does not have yet.

    Raises:
        UnreadableFile: If one has no size, an impossible one, or there are too many.
    """
    known = {hole.id for hole in survey.holes} | {"C"}
    holes = []
    for point in points:
        if point.id in known:
            continue
        if point.diameter_mm is None:
            raise UnreadableFile(
                point.id,
                f"{point.where}: {point.id} is not among the holes, and no diameter is given for it.",
                "Add its diameter, or mend the name.",
            )
        require_size(point.diameter_mm, point.where)
        text = f"{point.diameter_mm:.3f}".rstrip("0").rstrip(".")
        is_bore = point.diameter_mm > BORE_MM
        holes.append(FlangeHole(id=point.id, diameter=Length(text=text), is_bore=is_bore))
    if len(known) - 1 + len(holes) > MOST_HOLES:
        raise UnreadableFile(
            "", f"That makes more than {MOST_HOLES} holes.", "Leave out those that are not a flange's."
        )
    return tuple(holes)


def require_size(diameter_mm: float, where: str) -> None:
    """Refuse a hole that is no hole.

    Args:
        diameter_mm: Above 0, to ``GREATEST_HOLE_MM``.
        where: In the file, for the words.

    Raises:
        UnreadableFile: If the diameter is not above 0, or beyond reason.

    Source:
        Nothing on a flange is larger; such a figure is in another unit.
    """
    if not 0 < diameter_mm <= GREATEST_HOLE_MM:
        raise UnreadableFile(
            f"{diameter_mm:g}", f"{where}: a diameter of {diameter_mm:g} mm is no hole's.", "Is it another unit?"
        )


def require_place(x_mm: float, y_mm: float, where: str) -> None:
    """Refuse a place that is on no flange.

    Args:
        x_mm: Within 5 m of the shaft, as ``y_mm``.
        y_mm: Likewise.
        where: In the file, for the words.

    Raises:
        UnreadableFile: If a coordinate is beyond 5 m.

    Source:
        Nothing on a vehicle lies farther out; such a figure is in another unit.
    """
    if not max(abs(x_mm), abs(y_mm)) <= GREATEST_MM:
        raise UnreadableFile(
            "", f"{where}: {x_mm:g}, {y_mm:g} mm is farther out than any flange.", "Is it another unit?"
        )


def framed_readings(points: Sequence[FoundPoint], frame: str, tool: Tool | None) -> tuple[AxisReading, ...]:
    """Return an x and a y reading for each point, in a frame of its own."""
    return tuple(
        AxisReading(kind=kind, a=point.id, frame=frame, reading=Coordinate(text=f"{value_mm:.4f}", tool=tool))
        for point in points
        for kind, value_mm in (("x", point.x_mm), ("y", point.y_mm))
    )
