"""Design torque: what each station must take, from the motor's shock or from the tyres' grip, whichever is less."""

from dataclasses import dataclass
from typing import Final

from driveline.gearing.chain import Chain

GRIP_FOR_RATINGS: Final = 1.1
SLIP_SURCHARGE: Final = 1.2


@dataclass(frozen=True, slots=True, kw_only=True)
class DesignTorque:
    """Both candidates at a station's input and the one that governs, N·m."""

    motor_limited_nm: float
    slip_limited_nm: float | None
    overrun_nm: float | None  # ``None``: not known, and the design torque may well be more
    wind_up_nm: float | None  # between axles locked together, 0 where none are; ``None``: not known
    design_nm: float

    @property
    def governed_by(self) -> str:
        """``overrun``, ``wind-up``, ``motor`` or ``tyres``."""
        least = self.motor_limited_nm
        if self.slip_limited_nm is not None:
            least = min(least, self.slip_limited_nm)
        if self.design_nm > least:
            return "overrun" if self.design_nm == self.overrun_nm else "wind-up"
        return "motor" if least == self.motor_limited_nm else "tyres"


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
    is_locked: bool = False,
) -> tuple[DesignTorque, ...]:
    """Return the design torque at every station: each stage's input, then the wheels of one axle.

    Args:
        chain: Stages from the motor.
        peak_nm: Greatest motor torque.
        dynamic_factor: 1.5 for a rigid coupler without a clutch, 1.25 with a clutch or rubber element.
        slip_axle_nm: Torque at which one axle's tyres slip, μ 1.1, heaviest load; ``None`` is not known.
        overrun_nm: Greatest regenerative torque at the motor; the design torque is never below what it makes.
            ``None`` is not known: the design torque is then the least that it can be.
        shared: How many leading stages feed another axle as well: they see what slips both.
        other_slip_nm: Of that other axle, as ``slip_motor_nm``.
        is_locked: Both axles are locked together: past the split they wind up against one another, whatever the motor
            does, until the tyres of the one that grips less let go.

    Source:
        min(motor peak × dynamic factor carried to the station; slip torque carried back × 1.2), carried back
        while driving: divided by i η. Ahead of a split the slip torques of both axles add.
    """
    driving, unsplit = chain.strength_multipliers(), chain.unsplit_multipliers()
    overrun = None if overrun_nm is None else chain.overrun_multipliers() * overrun_nm
    own_nm = None if slip_axle_nm is None else slip_motor_nm(chain, slip_axle_nm)

    def slip_nm(k: int) -> float | None:
        if own_nm is None or (k < shared and other_slip_nm is None):
            return None
        return float(unsplit[k] * (own_nm + (other_slip_nm or 0.0) * (k < shared)))

    def wind_up_nm(k: int) -> float | None:
        if not is_locked or k < shared:
            return 0.0
        if own_nm is None or other_slip_nm is None:
            return None
        return float(unsplit[k] * min(own_nm, other_slip_nm))

    return tuple(
        _design_torque(
            peak_nm * dynamic_factor * gain,
            slip_nm(k),
            None if overrun is None else float(overrun[k]),
            wind_up_nm(k),
        )
        for k, gain in enumerate(driving.tolist())
    )


def _design_torque(
    motor_nm: float, slip_nm: float | None, overrun_nm: float | None, wind_up_nm: float | None
) -> DesignTorque:
    least = motor_nm if slip_nm is None else min(motor_nm, slip_nm)
    return DesignTorque(
        motor_limited_nm=motor_nm,
        slip_limited_nm=slip_nm,
        overrun_nm=overrun_nm,
        wind_up_nm=wind_up_nm,
        design_nm=max(least, overrun_nm or 0.0, wind_up_nm or 0.0),
    )
