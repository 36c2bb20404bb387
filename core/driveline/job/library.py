"""Parts that a shop keeps for use in several jobs: the same sheets that a job holds."""

from enum import StrEnum
from typing import Self

from pydantic import model_validator

from driveline.benches.placement.sheet import UnitSheet
from driveline.gearing.sheets import Box, Gearbox, MotorSheet, Tyre
from driveline.sheet import Sheet


class PartKind(StrEnum):
    """What a library part is."""

    MOTOR = "motor"
    DRIVE_UNIT = "drive_unit"
    REDUCTION = "reduction"
    GEARBOX = "gearbox"
    FINAL_DRIVE = "final_drive"
    TYRE = "tyre"
    ENVELOPE = "envelope"  # of a drive unit, as it is placed


HELD_AS = {  # all others as a box
    PartKind.MOTOR: "motor",
    PartKind.GEARBOX: "gearbox",
    PartKind.TYRE: "tyre",
    PartKind.ENVELOPE: "unit",
}


class PartContent(Sheet):
    """The sheet of a part; which one is filled in follows from its kind."""

    kind: PartKind
    motor: MotorSheet | None = None
    box: Box | None = None
    gearbox: Gearbox | None = None
    tyre: Tyre | None = None
    unit: UnitSheet | None = None

    @model_validator(mode="after")
    def _holds_what_its_kind_needs(self) -> Self:
        needed = HELD_AS.get(self.kind, "box")
        held = [name for name in ("motor", "box", "gearbox", "tyre", "unit") if getattr(self, name) is not None]
        if held != [needed]:
            raise ValueError(f"A {self.kind.value.replace('_', ' ')} is described by “{needed}” and nothing else.")
        return self
