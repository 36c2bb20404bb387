"""How far a slip joint goes as the axle moves and the unit rocks on its mounts."""

from dataclasses import dataclass
from typing import Final

from driveline.arrays import Floats

END_ROOM_MM: Final = 15.0  # left at each end


@dataclass(frozen=True, slots=True, kw_only=True)
class Slip:
    """From ride: how far it is pushed in and drawn out, and the longest that the shaft becomes."""

    in_mm: float
    out_mm: float
    longest_mm: float

    @property
    def wanted_mm(self) -> float:
        """The travel that a slip joint wants, room at both ends."""
        return self.in_mm + self.out_mm + 2 * END_ROOM_MM


def slip_of(lengths_mm: Floats, *, ride_mm: float, closes_mm: tuple[float, float]) -> Slip:
    """Return what a slip joint does.

    Args:
        lengths_mm: Between the joints' centres over the whole travel of the axle, (n,), ride among them.
        ride_mm: The same at ride.
        closes_mm: How the unit moves along the shaft toward the axle, least and greatest; opening is below 0.

    Source:
        The axle's and the unit's moves at their worst together, ENGINEERING 15.
    """
    opens, closes = -min(closes_mm[0], 0.0), max(closes_mm[1], 0.0)
    longest = float(lengths_mm.max()) + opens
    return Slip(in_mm=ride_mm - float(lengths_mm.min()) + closes, out_mm=longest - ride_mm, longest_mm=longest)
