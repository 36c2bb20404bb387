"""Design torque: what each station must take, from the motor's shock or from the tyres' grip, whichever is less."""

from dataclasses import dataclass
from typing import Final

from driveline.chain import Chain, Floats
from driveline.sheets.ratios import CouplerStyle

DYNAMIC_FACTOR: Final = {
    CouplerStyle.RIGID: 1.5,
    CouplerStyle.SPLINE: 1.5,
    CouplerStyle.FLEXIBLE: 1.25,
    CouplerStyle.CLUTCH: 1.25,
}
GRIP_FOR_RATINGS: Final = 1.1
SLIP_SURCHARGE: Final = 1.2


@dataclass(frozen=True, slots=True, kw_only=True)
class DesignTorque:
    """Both candidates at a station's input and the one that governs, N·m."""

    motor_limited_nm: float
    slip_limited_nm: float | None
    design_nm: float

    @property
    def governed_by(self) -> str:
        """``motor`` or ``tyres``."""
        return "motor" if self.design_nm == self.motor_limited_nm else "tyres"


def design_torques(
    chain: Chain, *, peak_nm: float, dynamic_factor: float, slip_axle_nm: float | None, overrun_nm: float | None
) -> tuple[DesignTorque, ...]:
    """Return the design torque at every station: each stage's input, then the wheels of one axle.

    Args:
        chain: Stages from the motor.
        peak_nm: Greatest motor torque.
        dynamic_factor: 1.5 for a rigid coupler without a clutch, 1.25 with a clutch or rubber element.
        slip_axle_nm: Torque at which one axle's tyres slip, μ 1.1, heaviest load; ``None`` is not known.
        overrun_nm: Greatest regenerative torque at the motor; the design torque is never below what it makes.

    Source:
        min(motor peak × dynamic factor carried to the station; slip torque carried back × 1.2), carried back
        while driving: divided by i η.
    """
    driving = chain.strength_multipliers()
    overrun = chain.overrun_multipliers() * (overrun_nm or 0.0)
    return tuple(
        _design_torque(peak_nm * dynamic_factor * gain, _carried_back(slip_axle_nm, driving, k), float(overrun[k]))
        for k, gain in enumerate(driving.tolist())
    )


def _carried_back(slip_axle_nm: float | None, driving: Floats, k: int) -> float | None:
    return None if slip_axle_nm is None else float(slip_axle_nm * SLIP_SURCHARGE * driving[k] / driving[-1])


def _design_torque(motor_nm: float, slip_nm: float | None, overrun_nm: float) -> DesignTorque:
    least = motor_nm if slip_nm is None else min(motor_nm, slip_nm)
    return DesignTorque(motor_limited_nm=motor_nm, slip_limited_nm=slip_nm, design_nm=max(least, overrun_nm))
