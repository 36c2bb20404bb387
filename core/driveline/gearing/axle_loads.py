"""Masses and where they stand: axle loads, shares and the centre of gravity."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from driveline.errors import ImpossibleInput
from driveline.figures import fig


@dataclass(frozen=True, slots=True, kw_only=True)
class Load:
    """A mass and the place of its centre of gravity from the job's datum; ``None`` is not known."""

    mass_kg: float
    x_mm: float | None
    y_mm: float | None
    z_mm: float | None


def combined(loads: Iterable[Load]) -> Load:
    """Return several loads as one. A coordinate is known only when every load's is.

    Args:
        loads: Parts taken off have a mass below 0.

    Raises:
        ImpossibleInput: If nothing is left.
    """
    every = list(loads)
    mass_kg = sum(load.mass_kg for load in every)
    if not mass_kg > 0:
        raise ImpossibleInput("masses", fig(mass_kg, "kg"), "above 0 with everything off and on")

    def mean(places: list[float | None]) -> float | None:
        known = [place for place in places if place is not None]
        if len(known) < len(places):
            return None
        return sum(load.mass_kg * place for load, place in zip(every, known, strict=True)) / mass_kg

    return Load(
        mass_kg=mass_kg,
        x_mm=mean([load.x_mm for load in every]),
        y_mm=mean([load.y_mm for load in every]),
        z_mm=mean([load.z_mm for load in every]),
    )


def axle_loads_kg(load: Load, wheelbase_mm: float) -> tuple[float, float] | None:
    """Return what the front and the rear axle carry, kg; x runs forward from the rear wheel centres.

    Args:
        load: What stands on the axles; its ``x_mm`` may be not known.
        wheelbase_mm: Above 0.

    Source:
        m_f = m x/L, moments about the rear wheel centres.
    """
    if load.x_mm is None:
        return None
    front_kg = load.mass_kg * load.x_mm / wheelbase_mm
    return front_kg, load.mass_kg - front_kg


def cg_height_by_lifting_mm(
    *, gained_kg: float, wheelbase_mm: float, mass_kg: float, lift_deg: float, wheel_centre_mm: float
) -> float:
    """Return the height of the centre of gravity from lifting one axle.

    Args:
        gained_kg: What the axle that stays on the floor gained.
        wheelbase_mm: Level.
        mass_kg: Of the vehicle, suspension blocked.
        lift_deg: By which the vehicle was tilted; above 0, below 45.
        wheel_centre_mm: Height of the wheel centres, level.

    Raises:
        ImpossibleInput: If the angle is outside the range stated above.

    Source:
        Moments about the wheel centres of the axle on the floor: h = r + ΔW L / (W tanθ).
    """
    if not 0 < lift_deg < 45:
        raise ImpossibleInput("lift_deg", lift_deg, "above 0 and below 45 degrees")
    return wheel_centre_mm + gained_kg * wheelbase_mm / (mass_kg * math.tan(math.radians(lift_deg)))
