"""Judging the fit: which reading is wrong, which nobody checks, and how well each hole is known."""

from dataclasses import dataclass
from itertools import combinations
from typing import Final

import numpy as np
from scipy.special import chdtri

from driveline.chain import Floats
from driveline.network.adjust import Adjustment, adjust
from driveline.network.datum import Carried, Ellipse, carried, ellipse
from driveline.network.equations import Equations
from driveline.network.observations import CENTRE, Network
from driveline.network.shape import Flip, flips, loose_points, runs_against_numbering
from driveline.network.start import start_unknowns

GREATEST_W: Final = 3.29  # 0.1 % two-sided: Baarda's critical value
SMALLEST_SHOWN: Final = 4.13  # non-centrality at 0.1 % and 80 % power
LEAST_REDUNDANCY: Final = 0.1
SAME_ERROR: Final = 0.98  # correlation at which two readings' mistakes look alike
MOST_SUSPECTS: Final = 5


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadingFit:
    """How one reading sits among the others."""

    key: str
    adjusted_mm: float
    v_mm: float  # adjusted minus observed
    redundancy: float  # 0: nothing checks it, 1: fully checked
    w: float | None  # v/(u√r); None when nothing checks it
    smallest_shown_mm: float | None  # a smaller mistake would pass unseen


@dataclass(frozen=True, slots=True, kw_only=True)
class Suspect:
    """A reading that does not fit, found one at a time, the largest first."""

    key: str
    w: float
    mistake_mm: float  # reading minus what the others say: above 0 reads long
    alike: tuple[str, ...]  # readings whose mistake would look the same
    can_be_named: bool  # False with one redundant reading: every w is then equal


@dataclass(frozen=True, slots=True, kw_only=True)
class PointEstimate:
    """A hole or the shaft's centre, about the origin and turned to the stated direction."""

    id: str
    x_mm: float
    y_mm: float
    diameter_mm: float
    ellipse: Ellipse | None  # None while loose


@dataclass(frozen=True, slots=True, kw_only=True)
class Unchecked:
    """A reading that no other checks, and the extra one that would check it best."""

    key: str
    cover: tuple[str, str] | None


@dataclass(frozen=True, slots=True, kw_only=True)
class NetworkResult:
    """A flange as its readings place it."""

    points: tuple[PointEstimate, ...]
    covariance_mm2: Floats
    readings: tuple[ReadingFit, ...]
    chi_square: float
    chi_square_limit: float | None
    redundancy: int
    suspects: tuple[Suspect, ...]
    loose: tuple[str, ...]
    flips: tuple[Flip, ...]
    unchecked: tuple[Unchecked, ...]
    is_against_numbering: bool
    origin: str
    converged: bool

    def point(self, point_id: str) -> PointEstimate:
        """Return the estimate of a hole, or of the shaft's centre, ``"C"``."""
        return next(point for point in self.points if point.id == point_id)

    @property
    def worst_w(self) -> float | None:
        """The largest |w| with every reading in; ``None`` when nothing is checked."""
        return max((abs(fit.w) for fit in self.readings if fit.w is not None), default=None)


def solve_network(network: Network) -> NetworkResult:
    """Return where the holes are, with what fits, what does not and what is not settled.

    Args:
        network: Holes, readings, numbering sense and direction. Too few readings are not an error:
            the result names the holes that are loose.

    Returns:
        Coordinates with every reading in; ``suspects`` are found by leaving out the worst and fitting again.

    Raises:
        ImpossibleInput: If the direction names neither a hole nor a frame.

    Source:
        Least squares with Σ(v/u)² against χ², then data snooping (Baarda, A testing procedure for use in
        geodetic networks, 1968); ellipses √(5.991 λ). u is taken as stated, never scaled by the fit.
    """
    adjustment = _adjusted(network)
    loose = loose_points(adjustment)
    about = carried(adjustment, loose)
    fits, factors = _reading_fits(adjustment)
    degrees = adjustment.redundancy
    return NetworkResult(
        points=_points(adjustment, about, loose),
        covariance_mm2=about.covariance_mm2,
        readings=fits,
        chi_square=adjustment.chi_square,
        chi_square_limit=float(chdtri(degrees, 0.05)) if degrees > 0 else None,
        redundancy=degrees,
        suspects=_suspects(network, adjustment, fits, factors),
        loose=loose,
        flips=flips(adjustment, loose),
        unchecked=_unchecked(adjustment, fits, loose),
        is_against_numbering=len(network.holes) > 2 and runs_against_numbering(adjustment),
        origin=about.origin,
        converged=adjustment.converged,
    )


def _adjusted(network: Network, start: Floats | None = None) -> Adjustment:
    equations = Equations(network)
    is_warm = start is not None and start.size == equations.count  # a frame goes when its last reading does
    return adjust(equations, start if start is not None and is_warm else start_unknowns(equations))


def _points(adjustment: Adjustment, about: Carried, loose: tuple[str, ...]) -> tuple[PointEstimate, ...]:
    equations = adjustment.equations
    diameters = equations.diameters_mm(adjustment.unknowns)
    return tuple(
        PointEstimate(
            id=point,
            x_mm=float(about.xy_mm[k, 0]),
            y_mm=float(about.xy_mm[k, 1]),
            diameter_mm=float(diameters[k]),
            ellipse=None if point in loose else ellipse(about.covariance_mm2[2 * k : 2 * k + 2, 2 * k : 2 * k + 2]),
        )
        for k, point in enumerate(equations.points)
    )


def _reading_fits(adjustment: Adjustment) -> tuple[tuple[ReadingFit, ...], Floats]:
    """Fits in the readings' order, and the residuals' cofactors over u², (n, n)."""
    u_mm = adjustment.equations.u_mm
    weighted = adjustment.jacobian / u_mm[:, None]
    factors = np.eye(len(u_mm)) - weighted @ adjustment.covariance @ weighted.T
    redundancy = np.clip(np.diag(factors), 0, 1)
    expected = adjustment.v_mm + adjustment.equations.value_mm
    fits = []
    for k, reading in enumerate(adjustment.equations.readings):
        root = float(np.sqrt(redundancy[k]))
        is_checked = redundancy[k] > 1e-6
        fits.append(
            ReadingFit(
                key=reading.key,
                adjusted_mm=float(expected[k]),
                v_mm=float(adjustment.v_mm[k]),
                redundancy=float(redundancy[k]),
                w=float(adjustment.v_mm[k] / (u_mm[k] * root)) if is_checked else None,
                smallest_shown_mm=float(SMALLEST_SHOWN * u_mm[k] / root) if is_checked else None,
            )
        )
    return tuple(fits), factors


def _suspects(
    network: Network, adjustment: Adjustment, fits: tuple[ReadingFit, ...], factors: Floats
) -> tuple[Suspect, ...]:
    """Leave out the worst, fit again, until all fit. A diameter can be the suspect, but is then kept in."""
    found: list[Suspect] = []
    while len(found) < MOST_SUSPECTS:
        worst = max(range(len(fits)), key=lambda k: abs(fits[k].w or 0.0), default=None)
        if worst is None or abs(fits[worst].w or 0.0) <= GREATEST_W:
            break
        found.append(_suspect(fits, factors, worst, adjustment.redundancy))
        left_out = frozenset(suspect.key for suspect in found)
        if adjustment.redundancy <= 1 or fits[worst].key.startswith("diameter "):
            break
        adjustment = _adjusted(network.without(left_out), start=adjustment.unknowns)
        fits, factors = _reading_fits(adjustment)
    return tuple(found)


def _suspect(fits: tuple[ReadingFit, ...], factors: Floats, worst: int, redundancy: int) -> Suspect:
    fit = fits[worst]
    spread = np.sqrt(np.maximum(np.diag(factors), 1e-12))
    correlation = np.abs(factors[worst]) / (spread * spread[worst])
    alike = tuple(
        other.key for k, other in enumerate(fits) if k != worst and other.w is not None and correlation[k] > SAME_ERROR
    )
    return Suspect(
        key=fit.key,
        w=fit.w or 0.0,
        mistake_mm=-fit.v_mm / fit.redundancy,
        alike=alike,
        can_be_named=redundancy > 1 and not alike,
    )


def _unchecked(adjustment: Adjustment, fits: tuple[ReadingFit, ...], loose: tuple[str, ...]) -> tuple[Unchecked, ...]:
    """Readings with r < 0.1, each with the centre distance not yet read that would check it most."""
    equations = adjustment.equations
    weak = [
        k
        for k, reading in enumerate(equations.network.observations)
        if fits[k].redundancy < LEAST_REDUNDANCY and not {reading.a, reading.b} & set(loose)
    ]
    if not weak:
        return ()
    read = {frozenset((r.a, r.b or CENTRE)) for r in equations.readings if r.frame is None}
    pairs = [
        pair for pair in combinations(equations.points, 2) if frozenset(pair) not in read and not set(pair) & set(loose)
    ]
    if not pairs:
        return tuple(Unchecked(key=fits[k].key, cover=None) for k in weak)
    rows = _distance_rows(equations, adjustment.unknowns, pairs)
    carried_rows = rows @ adjustment.covariance
    usual_u_mm = float(np.median(equations.u_mm))
    gain = usual_u_mm**2 + np.einsum("ij,ij->i", carried_rows, rows)
    reach = (adjustment.jacobian[weak] @ carried_rows.T) ** 2 / gain[None, :]
    best = reach.argmax(axis=1)
    return tuple(Unchecked(key=fits[k].key, cover=pairs[best[j]]) for j, k in enumerate(weak))


def _distance_rows(equations: Equations, unknowns: Floats, pairs: list[tuple[str, str]]) -> Floats:
    xy = equations.coordinates_mm(unknowns)
    rows = np.zeros((len(pairs), equations.count))
    for k, (a, b) in enumerate(pairs):
        i, j = equations.index[a], equations.index[b]
        apart = xy[i] - xy[j]
        unit = apart / max(float(np.hypot(*apart)), 1e-9)
        rows[k, 2 * i : 2 * i + 2], rows[k, 2 * j : 2 * j + 2] = unit, -unit
    return rows
