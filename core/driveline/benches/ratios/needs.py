"""What gearing takes from the brief."""

from dataclasses import dataclass

from driveline.gearing.brief import Brief, MeasuredShares
from driveline.gearing.sheets import AsItWas, Parking, Rotation


@dataclass(frozen=True, slots=True, kw_only=True)
class PropshaftLimits:
    """What propshafts as they were measured bear; ``None`` while it is not known."""

    is_front: bool
    critical_rpm: float | None  # at which a shaft would whirl
    angle_rpm: float | None  # at which a joint is bent as far as is customary
    torque_nm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class RatiosNeeds:
    """The vehicle and its motors, and what of the brief is asked besides."""

    brief: Brief
    motor_wanted: str  # what of the motor is still to be given; empty where nothing is
    was: AsItWas
    was_mass_kg: float | None  # before anything came off
    parking: Parking
    usual_rotation: Rotation | None  # of the motor, seen from its output end
    measured: MeasuredShares
    propshafts: tuple[PropshaftLimits, ...] = ()
