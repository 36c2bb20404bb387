"""What stands out of a face under the plate, and what is cut into the plate for it."""

from typing import Annotated

from pydantic import Field

from driveline.benches.plate.register_sheet import Facing
from driveline.flat.relief import ReliefCut
from driveline.sheet import Coordinate, Length, Name, Sheet


class ReliefPoint(Sheet):
    """A point of its outline, about the shaft."""

    x: Coordinate
    y: Coordinate


class Relief(Sheet):
    """A starter's bulge, a sensor, a bolt's head: one point and a diameter, two and a width, or its outline."""

    name: Name
    side: Facing | None = Field(default=None, description="Which face it stands out of")
    points: Annotated[list[ReliefPoint], Field(max_length=60)] = Field(
        default=[], description="The gearbox's seen from the engine side, the motor's looking at its face"
    )
    width: Length | None = Field(default=None, description="Diameter about one point, or width along two")
    stands_out: Length | None = None
    cut: ReliefCut | None = None
    room: Length | None = Field(default=None, description="Cut free all round it")
    depth: Length | None = Field(default=None, description="Of a pocket")
