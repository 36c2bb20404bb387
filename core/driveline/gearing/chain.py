"""The driveline as a chain of stages from the motor to the wheels: speeds and torques at every station."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput


class StageKind(StrEnum):
    """What a stage is; it sets its usual efficiency and how it is drawn."""

    COUPLER = "coupler"
    REDUCTION = "reduction"
    DRIVE_UNIT = "drive_unit"
    GEARBOX = "gearbox"
    TRANSFER = "transfer"
    PROPSHAFT = "propshaft"
    FINAL_DRIVE = "final_drive"
    AXLE = "axle"


USUAL_EFFICIENCY: Final = {
    StageKind.COUPLER: 1.0,
    StageKind.REDUCTION: 0.98,
    StageKind.DRIVE_UNIT: 0.96,
    StageKind.GEARBOX: 0.96,
    StageKind.TRANSFER: 0.97,
    StageKind.PROPSHAFT: 0.995,
    StageKind.FINAL_DRIVE: 0.95,
    StageKind.AXLE: 0.99,
}
USUAL_DIRECT_GEAR_EFFICIENCY: Final = 0.98


@dataclass(frozen=True, slots=True, kw_only=True)
class Stage:
    """One stage: what comes in is divided in speed and multiplied in torque by ``ratio``.

    ``share`` is the part of the torque before it that reaches this stage: 0.5 after a
    differential that feeds two axles. ``strength_share`` is the most that can reach it: all of it past
    a lock. Ratings are at the stage's own input; ``None`` is not known.
    """

    kind: StageKind
    title: str
    ratio: float = 1.0
    efficiency: float = 1.0
    efficiency_is_default: bool = False
    sense: int | None = 1  # None: not known
    share: float = 1.0
    strength_share: float | None = None  # None: as ``share``
    greatest_input_rpm: float | None = None  # of a propshaft: the least known of its two limits
    critical_rpm: float | None = None  # of a propshaft's tube
    joint_rpm: float | None = None  # of a propshaft's joints
    angle_rpm: float | None = None  # at which they are bent as far as is customary
    rating_nm: float | None = None
    sheds_kw: float | None = None

    @property
    def is_limited(self) -> bool:
        """Whether every limit that is asked of such a stage is known."""
        if self.kind is StageKind.COUPLER:
            return True
        if self.kind is StageKind.PROPSHAFT:
            return None not in (self.rating_nm, self.critical_rpm, self.joint_rpm)
        turns_freely = self.kind is StageKind.AXLE  # a half shaft turns too slowly to mind
        return self.rating_nm is not None and (turns_freely or self.greatest_input_rpm is not None)

    def __post_init__(self) -> None:
        if not 0 < self.ratio < 100:
            raise ImpossibleInput(f"ratio of {self.title}", self.ratio, "above 0 and below 100")
        if not 0 < self.efficiency <= 1:
            raise ImpossibleInput(f"efficiency of {self.title}", self.efficiency, "above 0, at most 1")
        if self.sense not in (1, -1, None):
            raise ImpossibleInput(f"sense of {self.title}", self.sense, "+1 (keeps), -1 (reverses) or not known")


@dataclass(frozen=True)  # no slots: the columns are kept, for every check and station asks for them
class Chain:
    """Stages in order from a motor to the wheels of one axle."""

    stages: tuple[Stage, ...]

    @property
    def overall_ratio(self) -> float:
        """Motor speed over wheel speed."""
        return math.prod(stage.ratio for stage in self.stages)

    @property
    def efficiency(self) -> float:
        """Power at the wheels over power at the motor."""
        return math.prod(stage.efficiency for stage in self.stages)

    @property
    def sense(self) -> int | None:
        """+1 when the wheels turn with the motor, -1 against it; ``None`` while a stage's is not known."""
        senses = [stage.sense for stage in self.stages]
        return None if None in senses else math.prod(sense for sense in senses if sense is not None)

    @cached_property
    def speed_divisors(self) -> Floats:
        """Motor speed over speed at each station: the input of every stage, then the wheel; (stages + 1,)."""
        divisors: Floats = np.cumprod(np.array([1.0, *(stage.ratio for stage in self.stages)]))
        return divisors

    @cached_property
    def driving_multipliers(self) -> Floats:
        """Torque at each station over motor torque while the motor drives; (stages + 1,).

        Torque at a stage's input is after its ``share``; the last is the total of one axle.
        """
        return self._carry(self._driving_gains(), [stage.share for stage in self.stages])

    @cached_property
    def unsplit_multipliers(self) -> Floats:
        """Torque at each station over motor torque as though nothing went another way; (stages + 1,)."""
        return self._carry(self._driving_gains(), [1.0] * len(self.stages))

    @cached_property
    def strength_multipliers(self) -> Floats:
        """The most torque at each station over motor torque: past a split, as much as can reach it."""
        return self._carry(
            self._driving_gains(),
            [stage.share if stage.strength_share is None else stage.strength_share for stage in self.stages],
        )

    @cached_property
    def overrun_multipliers(self) -> Floats:
        """Torque at each station over motor torque while the wheels drive the motor; (stages + 1,)."""
        gains = [stage.ratio / stage.efficiency for stage in self.stages]
        return self._carry(gains, [stage.share for stage in self.stages])

    def _driving_gains(self) -> list[float]:
        return [stage.ratio * stage.efficiency for stage in self.stages]

    def _carry(self, gains: Sequence[float], shares: Sequence[float]) -> Floats:
        multipliers: Floats = np.cumprod(np.array([1.0, *gains])) * np.cumprod(np.array([*shares, 1.0]))
        return multipliers
