"""The ratios bench: what could stand between motor and wheels, and what was chosen."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from driveline.gearing.sheets import Box, Gearbox, GearUse, Rotation, Tyre
from driveline.shafts.coupler import CouplerStyle
from driveline.sheet import Length, Name, Sheet, Spin, Torque, Words


class Clutch(Sheet):
    """Clutch and flywheel, where they stay."""

    greatest_rpm: Spin | None = None
    flywheel_diameter: Length | None = None
    flywheel_limit_mpa: Annotated[float, Field(gt=0, le=1000)] | None = Field(
        default=None, description="Rim stress that its maker or the material allows"
    )


Boxes = Annotated[list[Box], Field(max_length=24)]


class Propshaft(Sheet):
    """The propshaft between box and final drive."""

    rating: Torque | None = None
    critical_rpm: Spin | None = None
    joint_rpm: Spin | None = Field(default=None, description="Greatest speed of its joints")
    length: Length | None = None


class Transfer(Sheet):
    """A transfer box behind the gearbox: what its ranges are, and whether it stands by itself."""

    ranges: Boxes = Field(default=[], description="Such as high and low")
    use: GearUse | None = Field(default=None, description="Whether its range is still changed")
    in_one_casing: bool | None = Field(default=None, description="With what stands ahead; no: on its own mounts")
    drop: Length | None = Field(default=None, description="Of its outputs below its input; 0 in line")


class SplitKind(StrEnum):
    """What stands between front and rear."""

    OPEN = "open"
    LIMITED_SLIP = "limited_slip"
    LOCKED = "locked"


class Split(Sheet):
    """How one unit's or gearbox's torque goes to two axles."""

    kind: SplitKind = SplitKind.OPEN
    front_share: Annotated[float, Field(gt=0, lt=1)] | None = Field(
        default=None, description="Of a planetary centre differential; a bevel one halves"
    )
    bias_ratio: Annotated[float, Field(ge=1, le=20)] | None = Field(
        default=None, description="Limited slip: most torque at one side over the other"
    )
    front_hubs_free: bool = Field(default=False, description="Front hubs freewheel: driven by the rear axle alone")


class UnitFacing(StrEnum):
    """How a unit stands against the way it was made to."""

    AS_MADE = "as_made"
    TILTED = "tilted"
    END_FOR_END = "end_for_end"


class OilPump(StrEnum):
    """What lubricates the unit or gearbox."""

    NONE = "none"
    ELECTRIC = "electric"
    ONE_WAY = "one_way"
    EITHER_WAY = "either_way"


class ShaftTurning(Sheet):
    """Which way things turn, going forward, and what that does to the oil."""

    kept_input: Rotation | None = Field(
        default=None,
        description="How the first kept shaft behind the new parts must turn, seen from the motor's output end",
    )
    unit_facing: UnitFacing | None = None
    oil_pump: OilPump | None = None
    oil_checked: bool | None = Field(default=None, description="Level, pick-up and breather suit the way it stands")


class TyreOption(Sheet):
    """Another tyre that could be fitted."""

    name: Name
    tyre: Tyre


class Pick(Sheet):
    """One way to gear it, by the names of its parts; what a layout has no place for is empty."""

    reduction: Name | None = None
    gear: Name | None = None
    transfer: Name | None = Field(default=None, description="Range of the transfer box")
    final_drive: Name | None = None
    front_reduction: Name | None = None
    front_final_drive: Name | None = None
    tyre: Name | None = None

    @property
    def parts(self) -> tuple[tuple[str, str | None], ...]:
        """Each field of a part, and the part's name."""
        return tuple((field, getattr(self, field)) for field in Pick.model_fields)

    @property
    def engaged(self) -> str | None:
        """What the driver has engaged: gear and range."""
        return ", ".join(name for name in (self.gear, self.transfer) if name) or None


class Choice(Pick):
    """The gearing that was chosen, by name, and why."""

    reason: Words = ""


class RatiosSheet(Sheet):
    """What is compared, and the choice."""

    coupler: CouplerStyle | None = None
    clutch: Clutch = Clutch()
    reductions: Boxes = []
    front_reductions: Boxes = Field(default=[], description="The front unit's, where there are two units")
    gearbox: Gearbox | None = None
    transfer: Transfer = Transfer()
    propshaft: Propshaft = Propshaft()
    front_propshaft: Propshaft | None = Field(default=None, description="Where both axles are driven by one motor")
    final_drives: Boxes = []
    front_final_drives: Boxes = Field(default=[], description="Where the front axle has others than the rear one")
    tyres: Annotated[list[TyreOption], Field(max_length=12)] = []
    axle_rating: Torque | None = Field(default=None, description="Greatest torque of one axle shaft pair, as a total")
    front_axle_rating: Torque | None = Field(default=None, description="Where both axles are driven")
    split: Split = Split()
    turning: ShaftTurning = ShaftTurning()
    compared: Annotated[list[Pick], Field(max_length=3)] = Field(default=[], description="Pinned beside the choice")
    choice: Choice | None = None
