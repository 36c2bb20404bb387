"""By what a mount takes hold of the unit: ears and their bolt, a cradle and its strap, a torque arm's eyes."""

from typing import Annotated

from pydantic import Field, field_validator

from driveline.joints.sheet import Condition, PropertyClass, Screwed, Tightened, known_thread
from driveline.sheet import Length, Sheet, Slant, Torque
from driveline.words import Choice


class Eye(Sheet):
    """A ring at either end of a torque arm, in which a bush sits."""

    outside: Length | None = None
    bore: Length | None = None
    width: Length | None = Field(default=None, description="Along the bolt")


class EarsStand(Choice):
    """Where on its bracket's end a mount's ears stand."""

    END = "end", "on its end, in line with it"
    TOP = "top", "on top of it"
    UNDER = "under", "under it"


class Ears(Sheet):
    """Ears that take the mount's bolt."""

    count: Annotated[int, Field(ge=1, le=2)] | None = None
    bolt: Length | None = None
    hole: Length | None = None
    thickness: Length | None = None
    width: Length | None = Field(default=None, description="Across the hole")
    edge: Length | None = Field(default=None, description="From the hole's edge to the plate's edge")
    root: Length | None = Field(default=None, description="Width at the foot")
    bolt_class: PropertyClass | None = Field(default=None, description="Of the bolt")
    height: Length | None = Field(default=None, description="From the foot to the hole's middle")
    stands: EarsStand | None = Field(default=None, description="Where on its bracket")
    leg: Length | None = Field(default=None, description="Of the fillets along both faces of its foot")
    on: Length | None = Field(default=None, description="Thickness of what it stands on; empty: its bracket's wall")
    screw: Tightened = Field(default=Tightened(), description="Its bolt, where that clamps a tube between them")


class ClampedTube(Sheet):
    """What keeps two ears apart when their bolt is tightened: a bush's inner sleeve, or a crush tube."""

    is_there: bool | None = None
    gap: Length | None = Field(default=None, description="Between the ears, welded")
    length: Length | None = None
    outside: Length | None = None
    inside: Length | None = None
    yield_mpa: Annotated[float, Field(gt=0, le=2000)] | None = None


class Grip(Choice):
    """How a mount takes hold of the unit."""

    EARS = "ears", "ears and a bolt"
    STRAP = "strap", "a cradle, and a strap over it"


class Cradle(Sheet):
    """Two upright plates in which a cylinder of the unit lies along the mount's own x, and a flat strap over it."""

    cylinder: Length | None = Field(default=None, description="Diameter of what lies in it")
    angle: Slant | None = Field(default=None, description="By which the cradle embraces it from below")
    friction: Annotated[float, Field(gt=0, le=1)] | None = Field(
        default=None, description="Of cylinder and lining: some 0.15 of metal, 0.3 of rubber"
    )
    plate: Length | None = Field(default=None, description="Thickness of its two plates")
    width: Length | None = Field(default=None, description="Of its plates at their foot")
    height: Length | None = Field(default=None, description="From the foot to the cylinder's middle")
    flange: Length | None = Field(default=None, description="From the cylinder's middle down to its strap's feet")
    breadth: Length | None = Field(default=None, description="Of the strap")
    thickness: Length | None = Field(default=None, description="Of the strap")
    foot: Length | None = Field(default=None, description="From the strap's upright to the middle of its bolt")
    thread: Annotated[str, Field(max_length=20)] | None = None
    property_class: PropertyClass | None = None
    condition: Condition | None = None
    tightening: Torque | None = None
    clamps: Length | None = Field(default=None, description="What its strap's bolts clamp besides the strap")
    screws: Screwed = Field(default=Screwed(), description="Its strap's bolts")

    @field_validator("thread")
    @classmethod
    def _known(cls, name: str | None) -> str | None:
        return known_thread(name)
