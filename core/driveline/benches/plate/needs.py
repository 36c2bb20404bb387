"""What the adapter plate takes from the benches ahead of it."""

from dataclasses import dataclass

from driveline.fits.interference import USUAL_SPAN, Span
from driveline.joints.screws import Loads
from driveline.shafts.coupler import Forgives, RunsOut


@dataclass(frozen=True, slots=True, kw_only=True)
class WantedApart:
    """How far apart the faces are to stand."""

    mm: float | None
    either_way_mm: float | None  # by which they may be off; ``None`` is not known
    field: str  # where it is asked for


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateNeeds:
    """How true the coupler wants it, and what the motor puts on it."""

    coupler: Forgives | None
    runs_out: RunsOut | None
    wanted_apart: WantedApart | None  # as chosen for the coupler, and what its gaps leave either way
    motor: Loads
    driving: float  # torque on the plate over the motor's
    overrun: float
    span: Span = USUAL_SPAN
