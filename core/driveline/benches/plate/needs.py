"""What the adapter plate takes from the benches ahead of it."""

from dataclasses import dataclass

from driveline.joints.screws import Loads
from driveline.shafts.coupler import Forgives


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateNeeds:
    """How true the coupler wants it, and what the motor puts on it."""

    coupler: Forgives | None
    apart_mm: float | None  # motor face to gearbox face, as chosen for the coupler
    motor: Loads
    driving: float  # torque on the plate over the motor's
    overrun: float
