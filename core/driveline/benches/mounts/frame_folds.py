"""How far a cut rail bends before one of its walls folds, against how far it did before.

What the frame bears is not known to this bench, so nothing is held against a load: what the rail bore before it was cut
is what it is to bear after it.
"""

from dataclasses import dataclass
from typing import Final

from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.rails import Rail
from driveline.metal.panels import Fold, fold_of

N_MM_PER_N_M: Final = 1000.0


@dataclass(frozen=True, slots=True, kw_only=True)
class FoldsFound:
    """The wall of a rail that folds first, and the bending moment at which it does."""

    name: str
    fold: Fold
    modulus_mm3: float
    moment_nm: float


def folds_of(rail: Rail, name: str, yield_mpa: float) -> FoldsFound | None:
    """Return which wall folds first as the rail is bent about its level axis; ``None`` of one that has no such wall."""
    every = [
        fold_of(panel, e_mpa=STEEL.modulus_mpa, poisson=STEEL.poisson, yield_mpa=yield_mpa) for panel in rail.panels
    ]
    first = min(every, key=lambda one: one.found.buckling_mpa, default=None)
    if first is None:
        return None
    modulus = rail.section.modulus_mm3
    moment = first.found.buckling_mpa * modulus / N_MM_PER_N_M
    return FoldsFound(name=name, fold=first, modulus_mm3=modulus, moment_nm=moment)
