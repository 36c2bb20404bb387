"""Lengths end to end: what they come to, at worst and most likely, and which of them it hangs on most."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

LIMITS_PER_U: Final = 3**0.5  # a tolerance ± t was taken as u = t/√3


@dataclass(frozen=True, slots=True)
class Link:
    """A length in a chain, above 0 where it makes the gap larger; ``either_way_mm`` are its limits, 0 if exact."""

    name: str
    length_mm: float
    either_way_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class StackUp:
    """A chain added up."""

    nominal_mm: float
    worst_mm: float  # either way: Σ|t|
    likely_mm: float  # either way: √Σt², for independent, centred contributors of like spread only
    shares: tuple[float, ...]  # of the likely spread, in the links' order; they add up to 1


def stack_up(links: Sequence[Link]) -> StackUp:
    """Return what lengths come to end to end.

    Args:
        links: Signed lengths with their limits.

    Source:
        Worst case Σ|t|; statistical √Σt² (ISO 286-1 says no more than that sizes are within limits, so the second holds
        only where sizes are independent, centred and alike in spread).
    """
    widest = max((abs(link.either_way_mm) for link in links), default=0.0)
    squares = [(link.either_way_mm / widest) ** 2 if widest else 0.0 for link in links]  # to the widest: none is lost
    total = math.fsum(squares)
    return StackUp(
        nominal_mm=math.fsum(link.length_mm for link in links),
        worst_mm=math.fsum(abs(link.either_way_mm) for link in links),
        likely_mm=widest * math.sqrt(total),
        shares=tuple(square / total if total else 0.0 for square in squares),
    )
