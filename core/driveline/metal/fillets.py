"""A fillet between two walls: its leg counts up to the thinner, and the walls beside it bear its force too."""

from dataclasses import dataclass

from driveline.metal.weld_groups import BASE_SHEAR, least_leg_mm
from driveline.metal.welds import THROAT, weld_allowable_mpa


def greatest_leg_mm(*walls_mm: float) -> float:
    """Return the greatest leg that counts between walls: the thinner of them; a larger one burns through.

    Args:
        walls_mm: Thicknesses, above 0.

    Source:
        Leg no larger than the thinner wall (structural welding practice).
    """
    return min(walls_mm)


def wanted_leg_mm(*walls_mm: float) -> float:
    """Return the least leg between walls: by the thicker of them, never more than the thinner.

    Args:
        walls_mm: Thicknesses, above 0.

    Source:
        AWS D1.1, least fillet by thickness.
    """
    return min(least_leg_mm(max(walls_mm)), greatest_leg_mm(*walls_mm))


@dataclass(frozen=True, slots=True, kw_only=True)
class Fillet:
    """A fillet under a force for each length of it."""

    leg_mm: float
    walls_mm: tuple[float, float]
    yields_mpa: tuple[float, float]
    fillets_on: tuple[int, int]  # that share each wall there
    electrode_mpa: float
    is_inspected: bool
    force_n_per_mm: float

    @property
    def counted_mm(self) -> float:
        """Its leg as it counts."""
        return min(self.leg_mm, greatest_leg_mm(*self.walls_mm))

    @property
    def throat_mm(self) -> float:
        """Its throat as it counts."""
        return THROAT * self.counted_mm

    @property
    def throat_mpa(self) -> float:
        """On its throat."""
        return self.force_n_per_mm / self.throat_mm

    @property
    def allowed_mpa(self) -> float:
        """What its throat may bear."""
        return weld_allowable_mpa(electrode_tensile_mpa=self.electrode_mpa, is_inspected=self.is_inspected)

    def base_mpa(self, wall: int) -> float:
        """Return the shear in a wall beside it: of every fillet that shares it there."""
        return self.force_n_per_mm * self.fillets_on[wall] / self.walls_mm[wall]

    @property
    def carries_n_per_mm(self) -> dict[str, float]:
        """What throat and walls would bear, by name."""
        walls = zip(self.walls_mm, self.yields_mpa, self.fillets_on, strict=True)
        base = {f"wall_{k}": BASE_SHEAR * gives * thick / many for k, (thick, gives, many) in enumerate(walls, start=1)}
        return {"throat": self.allowed_mpa * self.throat_mm, **base}

    @property
    def governing(self) -> str:
        """What gives first."""
        carried = self.carries_n_per_mm
        return min(carried, key=lambda name: carried[name])

    @property
    def margin(self) -> float:
        """What it carries over what is asked."""
        return self.carries_n_per_mm[self.governing] / self.force_n_per_mm

    @property
    def is_large_enough(self) -> bool:
        """Whether its leg is no smaller than the thicker wall wants."""
        return self.leg_mm >= wanted_leg_mm(*self.walls_mm)

    @property
    def is_small_enough(self) -> bool:
        """Whether its leg is no larger than the thinner wall bears."""
        return self.leg_mm <= greatest_leg_mm(*self.walls_mm)
