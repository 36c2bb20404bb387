"""How much of two parts is in one another: the overlap of what is of full form on both, at every extreme."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np
from scipy.optimize import linprog

from driveline.errors import ImpossibleInput
from driveline.fits.stackup import Link

Ends = Mapping[str, int]  # of named lengths, each added or taken off


@dataclass(frozen=True, slots=True)
class FullForm:
    """Where full teeth, a key or a seat begin and end along the shaft."""

    start: Ends
    end: Ends


@dataclass(frozen=True, slots=True, kw_only=True)
class Engaged:
    """The length that both share; nought where they don't meet."""

    nominal_mm: float
    least_mm: float
    greatest_mm: float


def overlap_ways(first: FullForm, second: FullForm) -> tuple[dict[str, int], ...]:
    """Return the four lengths of which the overlap is the least: each end less each start.

    What stands in both ends of one is taken off: it can't be at both of its limits at once.
    """
    return tuple(_less(high, low) for high in (first.end, second.end) for low in (first.start, second.start))


def _less(high: Ends, low: Ends) -> dict[str, int]:
    found = dict(high)
    for name, way in low.items():
        found[name] = found.get(name, 0) - way
    return {name: way for name, way in found.items() if way}


def engaged(lengths: Mapping[str, Link], first: FullForm, second: FullForm) -> Engaged:
    """Return how much of two parts is in one another.

    Args:
        lengths: By name, with their limits.
        first: One part, its ends as sums of those lengths.
        second: The other.

    Raises:
        ImpossibleInput: If the greatest can't be found.

    Source:
        The least of four sums, each at the worst of its limits, is the least at any corner of them all; the greatest
        is where the least of the four is greatest, by linear programme. Worked example engagement-overlap.
    """
    ways = overlap_ways(first, second)
    nominal = [math.fsum(way * lengths[name].length_mm for name, way in one.items()) for one in ways]
    spread = [math.fsum(abs(way) * lengths[name].either_way_mm for name, way in one.items()) for one in ways]
    least = min(middle - off for middle, off in zip(nominal, spread, strict=True))
    return Engaged(
        nominal_mm=max(min(nominal), 0.0),
        least_mm=max(least, 0.0),
        greatest_mm=max(_greatest_mm(lengths, ways, nominal), 0.0),
    )


def _greatest_mm(lengths: Mapping[str, Link], ways: tuple[dict[str, int], ...], nominal: list[float]) -> float:
    names = list(lengths)
    rows = np.array([[-float(one.get(name, 0)) for name in names] + [1.0] for one in ways])
    bounds = [(-lengths[name].either_way_mm, lengths[name].either_way_mm) for name in names] + [(None, None)]
    found = linprog([0.0] * len(names) + [-1.0], A_ub=rows, b_ub=nominal, bounds=bounds, method="highs")
    if found.x is None:
        raise ImpossibleInput("lengths", len(names), "limits that the greatest overlap can be found within")
    return float(found.x[-1])
