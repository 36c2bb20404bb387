"""A subframe that stays with the unit: its pickup points are the mounts, and its mass is held with the unit's."""

from dataclasses import replace
from typing import Final

import numpy as np

from driveline.benches.mounts.needs import HeldUnit, MountsNeeds
from driveline.benches.mounts.sheet import Subframe
from driveline.sheet import positive_of
from driveline.space.solids import Weighed, together
from driveline.space.spots import spot_missing, spot_mm

NOT_IN_IT: Final = (
    "The subframe's mass is in these loads; what wheels, springs and arms put on it is not. Have its pickup points "
    "judged with those."
)


def with_subframe(subframe: Subframe, needs: MountsNeeds) -> MountsNeeds:
    """Return the unit as heavy as it is with its subframe; not known while that is not."""
    if not subframe.is_there:
        return needs
    unit, kg, cg = needs.unit, positive_of(subframe.mass), spot_mm(subframe.cg, {})
    missing: tuple[str, ...] = () if kg is not None else ("The subframe's mass",)
    missing += spot_missing(subframe.cg, {}, "the subframe's centre of gravity")
    if missing or kg is None or cg is None or unit.mass_kg is None or unit.cg_mm is None:
        held = replace(unit, mass_kg=None, inertia_kgm2=None, subframe_missing=missing)
        return replace(needs, unit=held)
    return replace(needs, unit=_both(unit, unit.mass_kg, Weighed(kg, cg, np.zeros((3, 3)))))


def _both(unit: HeldUnit, unit_kg: float, subframe: Weighed) -> HeldUnit:
    """As one body; of the subframe's own inertia only what its place adds is known."""
    assert unit.cg_mm is not None
    own = np.zeros((3, 3)) if unit.inertia_kgm2 is None else unit.inertia_kgm2
    whole = together([Weighed(unit_kg, unit.cg_mm, own), subframe])
    places = together([Weighed(unit_kg, unit.cg_mm, np.zeros((3, 3))), subframe])
    return replace(
        unit,
        mass_kg=whole.kg,
        cg_mm=whole.cg_mm,
        inertia_kgm2=None if unit.inertia_kgm2 is None else whole.inertia_kgm2,
        beside_kgm2=places.inertia_kgm2,
    )
