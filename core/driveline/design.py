"""Design torque: what each station must take, from the motor's shock or from the tyres' grip, whichever is less."""

from dataclasses import dataclass
from typing import Final

from driveline.chain import Chain
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


def slip_motor_nm(chain: Chain, slip_axle_nm: float) -> float:
    """Return the motor torque that slips one axle's tyres by itself, with the surcharge, N·m."""
    return float(slip_axle_nm * SLIP_SURCHARGE / chain.unsplit_multipliers()[-1])


def design_torques(
    chain: Chain,
    *,
    peak_nm: float,
    dynamic_factor: float,
    slip_axle_nm: float | None,
    overrun_nm: float | None,
    shared: int = 0,
    other_slip_nm: float | None = 0.0,
) -> tuple[DesignTorque, ...]:
    """Return the design torque at every station: each stage's input, then the wheels of one axle.

    Args:
        chain: Stages from the motor.
        peak_nm: Greatest motor torque.
        dynamic_factor: 1.5 for a rigid coupler without a clutch, 1.25 with a clutch or rubber element.
        slip_axle_nm: Torque at which one axle's tyres slip, μ 1.1, heaviest load; ``None`` is not known.
        overrun_nm: Greatest regenerative torque at the motor; the design torque is never below what it makes.
        shared: How many leading stages feed another axle as well: they see what slips both.
        other_slip_nm: Of that other axle, as ``slip_motor_nm``.

    Source:
        min(motor peak × dynamic factor carried to the station; slip torque carried back × 1.2), carried back
        while driving: divided by i η. Ahead of a split the slip torques of both axles add.
    """
    driving, unsplit = chain.strength_multipliers(), chain.unsplit_multipliers()
    overrun = chain.overrun_multipliers() * (overrun_nm or 0.0)
    own_nm = None if slip_axle_nm is None else slip_motor_nm(chain, slip_axle_nm)

    def slip_nm(k: int) -> float | None:
        if own_nm is None or (k < shared and other_slip_nm is None):
            return None
        return float(unsplit[k] * (own_nm + (other_slip_nm or 0.0) * (k < shared)))

    return tuple(
        _design_torque(peak_nm * dynamic_factor * gain, slip_nm(k), float(overrun[k]))
        for k, gain in enumerate(driving.tolist())
    )


def _design_torque(motor_nm: float, slip_nm: float | None, overrun_nm: float) -> DesignTorque:
    least = motor_nm if slip_nm is None else min(motor_nm, slip_nm)
    return DesignTorque(motor_limited_nm=motor_nm, slip_limited_nm=slip_nm, design_nm=max(least, overrun_nm))
