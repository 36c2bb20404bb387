"""Design torque: what each station must take, from the motor's shock or from the tyres' grip, whichever is less."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.gearing.chain import Chain
from driveline.gearing.road import Number

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
    """Return the motor torque that slips one axle's tyres by itself, with the surcharge, N·m.

    Args:
        chain: Stages from the motor to that axle.
        slip_axle_nm: Torque at the axle at which its tyres slip, 0 or more.

    Source:
        T_slip/(i η of the whole line, nothing split off) × 1.2 for what tyre and road give beyond it.
    """
    return float(slip_axle_nm * SLIP_SURCHARGE / chain.unsplit_multipliers[-1])


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
    unsplit, count = chain.unsplit_multipliers, len(chain.stages) + 1
    own_nm = np.nan if slip_axle_nm is None else slip_motor_nm(chain, slip_axle_nm)
    other_nm = np.nan if other_slip_nm is None else other_slip_nm
    is_shared = np.arange(count) < shared
    motor_nm = peak_nm * dynamic_factor * chain.strength_multipliers
    slip_nm = unsplit * (own_nm + np.where(is_shared, other_nm, 0.0))
    over_nm = chain.overrun_multipliers * (np.nan if overrun_nm is None else overrun_nm)
    wind_up_nm = np.where(is_shared | (not is_locked), 0.0, unsplit * np.minimum(own_nm, other_nm))
    found = np.stack([motor_nm, slip_nm, over_nm, wind_up_nm, governing_nm(motor_nm, slip_nm, over_nm, wind_up_nm)])
    return tuple(
        DesignTorque(
            motor_limited_nm=motor,
            slip_limited_nm=_known(slip),
            overrun_nm=_known(over),
            wind_up_nm=_known(wind_up),
            design_nm=design,
        )
        for motor, slip, over, wind_up, design in found.T.tolist()
    )


def governing_nm(motor_nm: Floats, slip_nm: Floats, overrun_nm: Number, wind_up_nm: Number) -> Floats:
    """Return the design torque where each of its candidates is known or NaN, N·m; arrays of one shape.

    The motor's shock or the tyres' grip, whichever is less, and never below what overrun or wind-up make. While one is
    not known it is the least that it can be.

    Args:
        motor_nm: The motor's peak with its shock, carried to the station.
        slip_nm: What slips the tyres, carried back to it.
        overrun_nm: What overrun makes there.
        wind_up_nm: What two axles locked together make there.

    Source:
        max(min(motor, tyres), overrun, wind-up).
    """
    governing: Floats = np.fmax(np.fmax(np.fmin(motor_nm, slip_nm), overrun_nm), wind_up_nm)
    return governing


def _known(figure: float) -> float | None:
    return None if np.isnan(figure) else figure
