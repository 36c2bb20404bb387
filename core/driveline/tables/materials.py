"""What plates are made of."""

from dataclasses import dataclass

from driveline.tables.loader import table
from driveline.words import Choice


class PlateMaterial(Choice):
    """Plate materials known here."""

    STEEL = "steel"
    STAINLESS = "stainless", "stainless steel"
    ALUMINIUM = "aluminium"


@dataclass(frozen=True, slots=True, kw_only=True)
class Material:
    """Figures of a material; the yield is the least that its usual grade has."""

    density_kgm3: float
    modulus_mpa: float
    poisson: float
    yield_mpa: float
    expansion_per_k: float


def material(kind: PlateMaterial) -> Material:
    """Return the figures of a material."""
    return Material(**table("materials")["materials"][kind.value])
