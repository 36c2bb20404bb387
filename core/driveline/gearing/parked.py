"""A vehicle left standing on a grade: what pulls it down, and what its braked tyres hold."""

import math
from dataclasses import dataclass

from driveline.gearing.road import GRAVITY_MS2, Balance


@dataclass(frozen=True, slots=True, kw_only=True)
class Standing:
    """Forces on a vehicle that stands on a grade the way that takes load off its braked axle, N."""

    down_n: float  # along the grade
    braked_load_n: float
    other_load_n: float
    hold_n: float  # that the braked tyres can


def standing_on(grade_pct: float, *, mass_kg: float, balance: Balance, grip: float, on_front: bool) -> Standing:
    """Return the forces on a parked vehicle.

    Args:
        grade_pct: Rise over run, percent, 0 to 100.
        mass_kg: As it is loaded, above 0.
        balance: Front share, height of the centre of gravity and wheelbase, mm, as it is loaded.
        grip: Friction of its tyres, 0 to 2.
        on_front: Whether the brake works on the front axle. Then it stands facing up, else facing down.

    Returns:
        Forces in N; a load below nought would lift the axle, and then its tyres hold nothing.

    Source:
        Statics of a rigid body on two axles: N = m g (s cos θ - h/L sin θ) on the axle uphill of the two.
    """
    slope = math.atan(grade_pct / 100)
    share = float(balance.front_share if on_front else 1 - balance.front_share)
    lever = float(balance.cg_height_mm) / float(balance.wheelbase_mm)
    weight_n = mass_kg * GRAVITY_MS2
    braked_n = weight_n * (share * math.cos(slope) - lever * math.sin(slope))
    return Standing(
        down_n=weight_n * math.sin(slope),
        braked_load_n=braked_n,
        other_load_n=weight_n * math.cos(slope) - braked_n,
        hold_n=grip * max(braked_n, 0.0),
    )
