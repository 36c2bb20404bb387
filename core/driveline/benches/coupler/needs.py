"""What the coupler takes from the benches around it."""

from dataclasses import dataclass

from driveline.fits.interference import USUAL_SPAN, Span
from driveline.shafts.coupler import CouplerStyle


@dataclass(frozen=True, slots=True, kw_only=True)
class FacesApart:
    """How far apart the plate, as it is laid out, holds motor and gearbox."""

    nominal_mm: float
    worst_mm: float
    is_sure: bool  # every length in it has a ±


@dataclass(frozen=True, slots=True, kw_only=True)
class CouplerNeeds:
    """The style, what it must carry, how fast it turns, and how far apart the faces stand."""

    style: CouplerStyle | None
    design_nm: float | None
    overrun_nm: float | None
    greatest_rpm: float | None
    apart: FacesApart | None
    rotor_kgm2: float | None
    vehicle_kgm2: float | None  # its mass as an inertia at the motor's shaft, in the gear chosen
    overall_ratio: float | None  # motor's turns a wheel's turn
    span: Span = USUAL_SPAN
