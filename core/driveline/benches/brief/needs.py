"""What the brief takes from elsewhere: masses that stand where another bench puts them."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True, kw_only=True)
class PlacedMass:
    """A mass put on or taken off; what is not known of it is ``None``."""

    name: str
    mass_kg: float | None
    is_on: bool
    at_mm: tuple[float, float, float] | None


@dataclass(frozen=True, slots=True, kw_only=True)
class BriefNeeds:
    """Masses of the placement."""

    placed: tuple[PlacedMass, ...] = ()
