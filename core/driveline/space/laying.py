"""A scan laid onto the vehicle by points that can be found on both: the one that does not fit is named."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.stats import chi2

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.pose import Placed

LEAST: Final = 3
SURE: Final = 0.999  # of misfits by chance, so many stay below the limit
SAME_UNIT: Final = 0.03  # farther from 1, and the scan's unit is another
LINE: Final = 1e-3  # of their spread: points closer to one line do not fix a turn


@dataclass(frozen=True, kw_only=True)
class Match:
    """A point found on the scan and on the vehicle."""

    key: str
    on_scan_mm: Floats  # (3,), in the scan's frame
    at_mm: Floats  # (3,), in the vehicle's
    u_mm: float  # of both together, along any axis


@dataclass(frozen=True, kw_only=True)
class Misfit:
    """How a match sits once the scan is laid by all."""

    key: str
    off_mm: Floats  # where the scan has it, from where the vehicle has it, (3,)
    u_mm: float

    @property
    def size_mm(self) -> float:
        """How far off it is."""
        return float(np.linalg.norm(self.off_mm))


@dataclass(frozen=True, kw_only=True)
class LaidScan:
    """A scan laid by its matches."""

    placed: Placed
    misfits: tuple[Misfit, ...]
    chi_square: float
    limit: float
    times: float  # as far apart on the vehicle as on the scan: 1 where the unit is right
    suspects: tuple[
        Misfit, ...
    ]  # matches without which all others agree, and how far off each then is; likeliest first


def lay_scan(matches: Sequence[Match]) -> LaidScan:
    """Return where a scan stands by least squares.

    Args:
        matches: Three or more, not in one line; each as sure along any axis.

    Raises:
        ImpossibleInput: If there are fewer, or they lie in one line on the scan or on the vehicle.

    Source:
        Arun, Huang and Blostein (1987), weighted by 1/u². Judged by chi-square of 3 n - 6. Suspected is each match
        without which the others agree: of four that lie nearly in a plane, one that is off square to it leaves several.
    """
    placed = _fit(matches)
    misfits = tuple(_misfit(one, placed) for one in matches)
    chi_square, limit = _chi_square(misfits), _limit(len(matches))
    return LaidScan(
        placed=placed,
        misfits=misfits,
        chi_square=chi_square,
        limit=limit,
        times=_times(matches),
        suspects=_suspects(matches) if chi_square > limit else (),
    )


def _limit(count: int) -> float:
    return float(chi2.ppf(SURE, 3 * count - 6))


def _chi_square(misfits: Sequence[Misfit]) -> float:
    return sum((one.size_mm / one.u_mm) ** 2 for one in misfits)


def _misfit(match: Match, placed: Placed) -> Misfit:
    return Misfit(key=match.key, off_mm=placed.points(match.on_scan_mm) - match.at_mm, u_mm=match.u_mm)


def _fit(matches: Sequence[Match]) -> Placed:
    if len(matches) < LEAST:
        raise ImpossibleInput("matches", len(matches), f"{LEAST} or more to fix the scan")
    weights = np.array([one.u_mm**-2 for one in matches])
    weights /= weights.sum()
    scan, vehicle = (np.array([getattr(one, side) for one in matches]) for side in ("on_scan_mm", "at_mm"))
    scan_middle, vehicle_middle = weights @ scan, weights @ vehicle
    spread = (scan - scan_middle).T @ (weights[:, None] * (vehicle - vehicle_middle))
    left, sizes, right = np.linalg.svd(spread)
    if not sizes[1] > LINE**2 * sizes[0]:
        raise ImpossibleInput("matches", len(matches), "points that do not lie in one line")
    mirrored = np.diag([1.0, 1.0, np.sign(np.linalg.det(right.T @ left.T))])
    turn = right.T @ mirrored @ left.T
    return Placed(turn=turn, at_mm=vehicle_middle - turn @ scan_middle)


def _times(matches: Sequence[Match]) -> float:
    scan, vehicle = (np.array([getattr(one, side) for one in matches]) for side in ("on_scan_mm", "at_mm"))
    return float(np.linalg.norm(vehicle - vehicle.mean(axis=0)) / np.linalg.norm(scan - scan.mean(axis=0)))


def _suspects(matches: Sequence[Match]) -> tuple[Misfit, ...]:
    found = []
    for k, match in enumerate(matches):
        others = [*matches[:k], *matches[k + 1 :]]
        if len(others) < LEAST:
            return ()
        try:
            placed = _fit(others)
        except ImpossibleInput:
            return ()  # the others are in one line: they agree with anything
        chi_square = _chi_square([_misfit(one, placed) for one in others])
        if chi_square <= _limit(len(others)):
            found.append((chi_square, k, _misfit(match, placed)))
    return tuple(one for *_, one in sorted(found, key=lambda each: each[:2]))
