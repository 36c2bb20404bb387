"""Which reading to take next: the one that covers an unchecked one, or that lowers the worst uncertainty most."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.network.adjust import Adjustment
from driveline.network.datum import CHI_SQUARE_95_2, Carried, carried_rows
from driveline.network.shape import MOST_PAIRED

LEAST_REDUNDANCY: Final = 0.1


@dataclass(frozen=True, slots=True, kw_only=True)
class Unchecked:
    """A reading that no other checks, and the extra one that would check it best."""

    key: str
    cover: tuple[str, str] | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Sharpening:
    """The distance not yet read that would lower the worst-known hole's uncertainty most."""

    pair: tuple[str, str]
    point: str
    now_mm: float  # 95 %, the ellipse's longer semi-axis
    then_mm: float


def unchecked(adjustment: Adjustment, redundancy: Floats, loose: tuple[str, ...]) -> tuple[Unchecked, ...]:
    """Return readings with r < 0.1, each with the distance not yet read that would check it most.

    Args:
        adjustment: Of the network.
        redundancy: Of each reading, in order.
        loose: Points that are not settled; readings to them are left out.
    """
    equations = adjustment.equations
    is_loose = np.isin(equations.points, loose)
    columns, stated = equations.columns, len(equations.network.observations)
    is_weak = (redundancy < LEAST_REDUNDANCY) & ~is_loose[columns.a] & ~(is_loose[columns.b] & columns.has_b)
    weak = np.nonzero(is_weak[:stated])[0]
    pairs, rows, matrix = _not_read(adjustment, loose) if weak.size else ([], np.zeros((0, 0)), None)
    if not pairs or matrix is None:
        return tuple(Unchecked(key=equations.readings[k].key, cover=None) for k in weak.tolist())
    crossed = rows @ matrix
    gain = float(np.median(equations.u_mm)) ** 2 + np.einsum("ij,ij->i", crossed, rows)
    reach = (adjustment.weighted.whole(weak) @ crossed.T) ** 2 / gain[None, :]
    best = reach.argmax(axis=1)
    return tuple(Unchecked(key=equations.readings[k].key, cover=pairs[best[j]]) for j, k in enumerate(weak.tolist()))


def sharpening(adjustment: Adjustment, about: Carried, loose: tuple[str, ...]) -> Sharpening | None:
    """Return the reading that helps the worst-known point most; ``None`` while some are loose, or with none left.

    Adding a reading r of uncertainty u takes (R Q rᵀ)(R Q rᵀ)ᵀ / (u² + r Q rᵀ) off a point's covariance R Q Rᵀ.
    """
    pairs, rows, matrix = _not_read(adjustment, loose) if not loose else ([], np.zeros((0, 0)), None)
    if not pairs or matrix is None:
        return None
    points = adjustment.equations.points
    longest = np.linalg.eigvalsh(about.blocks_mm2)[:, -1]
    worst = int(longest.argmax())
    crossed = rows @ matrix
    gain = float(np.median(adjustment.equations.u_mm)) ** 2 + np.einsum("ij,ij->i", crossed, rows)
    reach = crossed @ carried_rows(adjustment, about, worst).T  # (pairs, 2)
    after = about.blocks_mm2[worst] - reach[:, :, None] * reach[:, None, :] / gain[:, None, None]
    left = np.linalg.eigvalsh(after)[:, -1]
    best = int(left.argmin())
    now_mm, then_mm = np.sqrt(CHI_SQUARE_95_2 * np.maximum([longest[worst], left[best]], 0.0)).tolist()
    return Sharpening(pair=pairs[best], point=points[worst], now_mm=now_mm, then_mm=then_mm)


def _not_read(adjustment: Adjustment, loose: tuple[str, ...]) -> tuple[list[tuple[str, str]], Floats, Floats | None]:
    """Pairs of settled points not read yet, their distances' derivatives, and all cofactors, if those are had."""
    equations, matrix = adjustment.equations, adjustment.cofactors.matrix
    if matrix is None or len(equations.points) > MOST_PAIRED:
        return [], np.zeros((0, 0)), None
    count = len(equations.points)
    is_open = np.triu(np.ones((count, count), dtype=bool), k=1)
    is_open &= ~np.isin(equations.points, loose) & ~np.isin(equations.points, loose)[:, None]
    columns = equations.columns
    is_open[columns.near[columns.frame < 0], columns.far[columns.frame < 0]] = False
    ends = np.argwhere(is_open)
    pairs = [(equations.points[a], equations.points[b]) for a, b in ends.tolist()]
    xy = equations.coordinates_mm(adjustment.unknowns)
    apart = xy[ends[:, 0]] - xy[ends[:, 1]]
    unit = apart / np.maximum(np.hypot(*apart.T), 1e-9)[:, None]
    rows, at = np.zeros((len(pairs), equations.count)), np.arange(len(pairs))
    for axis in (0, 1):
        rows[at, 2 * ends[:, 0] + axis], rows[at, 2 * ends[:, 1] + axis] = unit[:, axis], -unit[:, axis]
    return pairs, rows, matrix
