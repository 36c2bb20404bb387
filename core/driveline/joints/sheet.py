"""Screwed joints, and the fits of registers."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, field_validator

from driveline.metal.bolts import thread_names
from driveline.sheet import Length, Sheet, Torque
from driveline.words import Choice


class Condition(StrEnum):
    """How the thread is when it is tightened; it sets the nut factor."""

    DRY = "dry"
    OILED = "oiled"
    THREADLOCKER = "threadlocker"


class PropertyClass(Choice):
    """Strength marking on the head."""

    C8_8 = "8.8"
    C10_9 = "10.9"
    C12_9 = "12.9"
    GRADE_5 = "grade_5"
    GRADE_8 = "grade_8"


class Tapped(Choice):
    """What the screw is screwed into."""

    STEEL = "steel"
    CAST_IRON = "cast_iron"
    ALUMINIUM_WROUGHT = "aluminium_wrought", "aluminium, wrought"
    ALUMINIUM_CAST = "aluminium_cast", "aluminium, cast"
    NUT = "nut", "a nut of its class"


class Surface(Choice):
    """What the clamped faces are like; it sets their friction."""

    DRY = "dry", "dry steel or iron"
    PLATED = "plated", "plated or anodised"
    BLASTED = "blasted"


def known_thread(name: str | None) -> str | None:
    """Return a thread's name.

    Raises:
        ValueError: If it is none that is known here.
    """
    if name is not None and name not in thread_names():
        raise ValueError(f"{name} is not a thread known here. Take one of the list, such as M10 or 3/8-16 UNC.")
    return name


class Screwed(Sheet):
    """How screws go in. Length and depths are measured from the face that the screw is screwed into."""

    surface: Surface | None = Field(default=None, description="Of the clamped faces; the least friction when empty")
    washer: Length | None = Field(default=None, description="Thickness of the washer under the head; 0 for none")
    tapped: Tapped | None = None
    tapped_mpa: Annotated[float, Field(gt=20, lt=2500)] | None = Field(
        default=None, description="Tensile strength of what it is screwed into, where it is known"
    )
    countersink: Length | None = Field(
        default=None, description="Depth of the countersink at the tapped hole's mouth; 0 for none"
    )
    thread_depth: Length | None = Field(default=None, description="Full thread in the tapped hole, from its face")
    is_blind: bool | None = Field(default=None, description="The tapped hole ends: the screw stops short of its end")
    head: Length | None = Field(default=None, description="Diameter that bears: the head's, or the washer's")
    length: Length | None = Field(default=None, description="Under the head")
    depth_behind: Length | None = Field(default=None, description="Face to the first thing behind the tapped hole")


class Tightened(Screwed):
    """How screws go in, and how tight."""

    condition: Condition | None = None
    tightening: Torque | None = None


class Joint(Tightened):
    """One set of screws."""

    thread: Annotated[str, Field(max_length=20)] | None = None
    property_class: PropertyClass | None = None
    is_fitted: bool | None = Field(default=None, description="In reamed holes: they bear in shear, not by friction")
    crush_tube: bool = Field(default=False, description="Its sleeves are clamped end to end")
    sleeve_yield_mpa: Annotated[float, Field(gt=20, lt=2500)] | None = None

    @field_validator("thread")
    @classmethod
    def _known(cls, name: str | None) -> str | None:
        return known_thread(name)


class Bolts(Sheet):
    """Screws evenly on a circle, through a flange."""

    count: Annotated[int, Field(ge=0, le=24)] = 0
    circle: Length | None = None
    hole: Length | None = None
    joint: Joint = Joint()


class RegisterFit(StrEnum):
    """Fit of a register: bore, then spigot."""

    H7_G6 = "H7/g6"
    H7_H6 = "H7/h6"
    H8_H6 = "H8/h6"
    H7_K6 = "H7/k6"
    H7_N6 = "H7/n6"
    H7_P6 = "H7/p6"
    H7_S6 = "H7/s6"
