"""Judging the fit: which reading is wrong, which nobody checks, and how well each hole is known."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final, overload

import numpy as np
from numpy.typing import NDArray
from scipy.special import chdtri

from driveline.arrays import Floats
from driveline.network.adjust import Adjustment, readjusted_without
from driveline.network.datum import Carried, Ellipse, FramePlace, carried, ellipses, frame_places
from driveline.network.equations import Equations
from driveline.network.observations import CENTRE, Network
from driveline.network.search import Rival, best_adjustment
from driveline.network.shape import Flip, flips, loose_points, runs_against_numbering
from driveline.network.suggest import Sharpening, Unchecked, sharpening, unchecked

GREATEST_W: Final = 3.29  # 0.1 % two-sided: Baarda's critical value
SMALLEST_SHOWN: Final = 4.13  # non-centrality at 0.1 % and 80 % power
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
class NetworkResult:
    """A flange as its readings place it."""

    points: tuple[PointEstimate, ...]
    mean_mm2: Floats  # covariance of the holes' mean about the origin, (2, 2)
    readings: "ReadingFits"
    chi_square: float
    chi_square_limit: float | None
    redundancy: int
    suspects: tuple[Suspect, ...]
    loose: tuple[str, ...]
    flips: tuple[Flip, ...]
    unchecked: tuple[Unchecked, ...]
    sharpening: Sharpening | None
    is_against_numbering: bool
    origin: str
    frames: dict[str, FramePlace]
    converged: bool
    steps: int
    last_step_mm: float
    rival: Rival | None

    def point(self, point_id: str) -> PointEstimate:
        """Return the estimate of a hole, or of the shaft's centre, ``"C"``."""
        return next(point for point in self.points if point.id == point_id)

    @property
    def worst_w(self) -> float | None:
        """The largest |w| with every reading in; ``None`` when nothing is checked."""
        return self.readings.worst_w


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
    equations = Equations(network)
    adjustment, rival = best_adjustment(equations)
    loose = loose_points(adjustment)
    about = carried(adjustment, loose)
    judged = _judged(adjustment)
    degrees = adjustment.redundancy
    return NetworkResult(
        points=_points(adjustment, about, loose),
        mean_mm2=about.mean_mm2,
        readings=ReadingFits(adjustment, judged),
        chi_square=adjustment.chi_square,
        chi_square_limit=float(chdtri(degrees, 0.05)) if degrees > 0 else None,
        redundancy=degrees,
        suspects=_suspects(adjustment, judged) if adjustment.converged else (),
        loose=loose,
        flips=flips(adjustment, loose),
        unchecked=unchecked(adjustment, judged.redundancy, loose),
        sharpening=sharpening(adjustment, about, loose),
        is_against_numbering=len(network.holes) > 2 and runs_against_numbering(adjustment),
        origin=about.origin,
        frames=frame_places(adjustment, about),
        converged=adjustment.converged,
        steps=adjustment.steps,
        last_step_mm=adjustment.last_step_mm,
        rival=None if set(loose) - {CENTRE} else rival,
    )


def _points(adjustment: Adjustment, about: Carried, loose: tuple[str, ...]) -> tuple[PointEstimate, ...]:
    equations = adjustment.equations
    diameters = equations.diameters_mm(adjustment.unknowns)
    spread = ellipses(about.blocks_mm2)
    return tuple(
        PointEstimate(
            id=point,
            x_mm=float(about.xy_mm[k, 0]),
            y_mm=float(about.xy_mm[k, 1]),
            diameter_mm=float(diameters[k]),
            ellipse=None if point in loose else spread[k],
        )
        for k, point in enumerate(equations.points)
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class _Judged:
    """Every reading's redundancy and w = v/(u√r), 0 where nothing checks it or it is left out."""

    redundancy: Floats
    is_checked: NDArray[np.bool_]
    w: Floats
    smallest_shown_mm: Floats


def _judged(adjustment: Adjustment) -> _Judged:
    u_mm = adjustment.equations.u_mm
    redundancy = np.clip(1 - adjustment.cofactors.leverages(adjustment.weighted), 0, 1)
    is_checked = (redundancy > 1e-6) & (adjustment.equations.weight > 0)
    root = np.sqrt(np.where(is_checked, redundancy, 1.0))
    return _Judged(
        redundancy=redundancy,
        is_checked=is_checked,
        w=np.where(is_checked, adjustment.v_mm / (u_mm * root), 0.0),
        smallest_shown_mm=SMALLEST_SHOWN * u_mm / root,
    )


class ReadingFits(Sequence[ReadingFit]):
    """Fits in the readings' order, made one by one as they are asked for."""

    def __init__(self, adjustment: Adjustment, judged: "_Judged") -> None:
        self._readings = adjustment.equations.readings
        self._adjusted_mm, self._v_mm = adjustment.v_mm + adjustment.equations.value_mm, adjustment.v_mm
        self._judged = judged

    def __len__(self) -> int:
        return len(self._readings)

    @overload
    def __getitem__(self, k: int) -> ReadingFit: ...

    @overload
    def __getitem__(self, k: slice) -> list[ReadingFit]: ...

    def __getitem__(self, k: int | slice) -> ReadingFit | list[ReadingFit]:
        if isinstance(k, slice):
            return [self[one] for one in range(*k.indices(len(self)))]
        judged, checked = self._judged, bool(self._judged.is_checked[k])
        return ReadingFit(
            key=self._readings[k].key,
            adjusted_mm=float(self._adjusted_mm[k]),
            v_mm=float(self._v_mm[k]),
            redundancy=float(judged.redundancy[k]),
            w=float(judged.w[k]) if checked else None,
            smallest_shown_mm=float(judged.smallest_shown_mm[k]) if checked else None,
        )

    @property
    def worst_w(self) -> float | None:
        """The largest |w|; ``None`` when nothing is checked."""
        w = np.abs(self._judged.w[self._judged.is_checked])
        return float(w.max()) if w.size else None


def _suspects(adjustment: Adjustment, judged: _Judged) -> tuple[Suspect, ...]:
    """Leave out the worst, fit again, until all fit. A diameter can be the suspect, but is then kept in."""
    found: list[Suspect] = []
    while len(found) < MOST_SUSPECTS and judged.w.size:
        worst = int(np.abs(judged.w).argmax())
        if abs(judged.w[worst]) <= GREATEST_W:
            break
        found.append(_suspect(adjustment, judged, worst))
        if adjustment.redundancy <= 1 or found[-1].key.startswith("diameter "):
            break
        adjustment = readjusted_without(adjustment, worst)
        judged = _judged(adjustment)
    return tuple(found)


def _suspect(adjustment: Adjustment, judged: _Judged, worst: int) -> Suspect:
    readings, weighted = adjustment.equations.readings, adjustment.weighted
    crossed = adjustment.cofactors.times(weighted.whole(np.array([worst])).T)[:, 0]
    factors = -weighted.times(crossed)  # of the residuals, over u²
    spread = np.sqrt(np.maximum(judged.redundancy, 1e-12))
    is_alike = judged.is_checked & (np.abs(factors) / (spread * spread[worst]) > SAME_ERROR)
    is_alike[worst] = False
    alike = tuple(readings[k].key for k in np.nonzero(is_alike)[0].tolist())
    return Suspect(
        key=readings[worst].key,
        w=float(judged.w[worst]),
        mistake_mm=float(-adjustment.v_mm[worst] / judged.redundancy[worst]),
        alike=alike,
        can_be_named=adjustment.redundancy > 1 and not alike,
    )
