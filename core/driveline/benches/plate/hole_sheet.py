"""Holes of the plate by what holds them, where they are other than clearance holes."""

from typing import Annotated

from pydantic import Field, StringConstraints, field_validator

from driveline.benches.plate.register_sheet import Facing
from driveline.drawing.hole import HeldBy
from driveline.joints.sheet import known_thread
from driveline.sheet import Angle, Length, Sheet
from driveline.tables.materials import PlateMaterial


class HoleMade(Sheet):
    """How the holes of a pattern, or one of them, are made. One by its own name goes before its pattern."""

    which: Annotated[str, StringConstraints(pattern=r"^[A-Za-z][A-Za-z0-9]{0,11}$")] = Field(
        description="motor, flange or standoff for all of it, else a hole's name such as H3"
    )
    held: HeldBy | None = None
    thread: Annotated[str, Field(max_length=20)] | None = Field(default=None, description="Of a tapped hole or stud")
    size: Length | None = Field(default=None, description="Diameter of a clearance, slotted or reamed hole")
    slot: Angle | None = Field(default=None, description="How far a slotted one lets the motor be turned, either way")
    counterbore: Length | None = Field(default=None, description="Its diameter; empty: none")
    counterbore_depth: Length | None = None
    counterbore_side: Facing | None = None
    clamps: Length | None = Field(default=None, description="Thickness of the flange that a tapped hole or nut clamps")
    clamps_of: PlateMaterial | None = Field(default=None, description="What that flange is made of, under the heads")

    @field_validator("thread")
    @classmethod
    def _known(cls, name: str | None) -> str | None:
        return known_thread(name)
