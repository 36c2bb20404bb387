"""The ratios bench: what could stand between motor and wheels, and what was chosen."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from driveline.sheets.base import Length, Name, Ratio, Sheet, Spin, Torque, Words


class CouplerStyle(StrEnum):
    """What joins the motor to the line; it sets how much of a shock passes and how true it must run."""

    RIGID = "rigid"
    FLEXIBLE = "flexible"
    CLUTCH = "clutch"
    SPLINE = "spline"


Efficiency = Annotated[float, Field(gt=0.3, le=1)]


class Box(Sheet):
    """A reduction, gear or final drive that could be used. Ratings are at its input."""

    name: Name
    ratio: Ratio
    efficiency: Efficiency | None = None
    rating: Torque | None = None
    greatest_rpm: Spin | None = None


class Gearbox(Sheet):
    """The kept gearbox."""

    name: Name = "Gearbox"
    gears: Annotated[list[Box], Field(max_length=12)] = []
    rating: Torque | None = Field(default=None, description="Greatest input torque")
    greatest_rpm: Spin | None = Field(default=None, description="Greatest input speed")


class Propshaft(Sheet):
    """The propshaft between box and final drive."""

    rating: Torque | None = None
    critical_rpm: Spin | None = None
    length: Length | None = None


class Choice(Sheet):
    """The gearing that was chosen, by name, and why."""

    reduction: Name | None = None
    gear: Name | None = None
    final_drive: Name | None = None
    reason: Words = ""


class RatiosSheet(Sheet):
    """What is compared, and the choice."""

    coupler: CouplerStyle | None = None
    reductions: Annotated[list[Box], Field(max_length=12)] = []
    gearbox: Gearbox | None = None
    propshaft: Propshaft = Propshaft()
    final_drives: Annotated[list[Box], Field(max_length=12)] = []
    axle_rating: Torque | None = Field(default=None, description="Greatest torque of one axle shaft pair, as a total")
    choice: Choice | None = None
