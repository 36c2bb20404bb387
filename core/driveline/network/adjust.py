"""Weighted least squares with a least-constraint datum."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.sparse import csc_array, diags_array

from driveline.arrays import Floats
from driveline.network.cofactors import MOST_DENSE, Cofactors, dense_cofactors, factored, sparse_cofactors
from driveline.network.equations import Equations
from driveline.network.rows import Rows

MOST_STEPS: Final = 60
SETTLED_MM: Final = 1e-9
STALLED_MM: Final = 1e-3  # a step smaller than any tool sees
MOST_REUSED: Final = 12
LEAST_TO_UPDATE: Final = 1e-3  # redundancy below which taking a reading away amplifies rounding
REUSED_SETTLED_MM: Final = 1e-5  # a hundredth of the finest dial's u is 1e-4


@dataclass(frozen=True, slots=True, kw_only=True)
class Adjustment:
    """Least squares done: the unknowns, their cofactors, and the motions that no reading stops."""

    equations: Equations
    unknowns: Floats  # (m,)
    weighted: Rows  # derivatives over u, (n, m)
    v_mm: Floats  # adjusted minus observed, (n,)
    cofactors: Cofactors
    converged: bool
    steps: int
    last_step_mm: float  # the most that any unknown moved in the last of them

    @property
    def chi_square(self) -> float:
        """Σ(v/u)²."""
        return float(np.sum((self.v_mm * self.equations.weight) ** 2))

    @property
    def redundancy(self) -> int:
        """Readings beyond those that are just enough."""
        unknowns = self.equations.count - self.equations.fixed_columns.size
        return int(np.count_nonzero(self.equations.weight) - (unknowns - self.cofactors.free_motions.shape[1]))


@dataclass(frozen=True, slots=True, kw_only=True)
class Descent:
    """Where least squares came to from a start, and how."""

    unknowns: Floats  # (m,)
    expected_mm: Floats  # (n,)
    weighted: Rows
    cost: float  # Σ(v/u)²
    converged: bool
    steps: int
    last_step_mm: float


def descended(equations: Equations, start: Floats) -> Descent:
    """Return where Levenberg and Marquardt's steps lead from a start; no cofactors yet.

    Args:
        equations: Readings and unknowns.
        start: First guess, (m,).
    """
    steps = _dense_steps if equations.count <= MOST_DENSE else _sparse_steps
    unknowns, damping = start.copy(), 1e-3
    expected, weighted = _weighted(equations, unknowns)
    cost = _cost(equations, expected)
    step_of = steps(weighted, (equations.value_mm - expected) * equations.weight)
    converged, count, moved_mm = False, 0, math.inf
    while count < MOST_STEPS:
        count += 1
        step = step_of(damping)
        trial_expected, trial_weighted = _weighted(equations, unknowns + step)
        trial_cost = _cost(equations, trial_expected)
        if trial_cost <= cost * (1 + 1e-12):
            unknowns, expected, weighted, cost = unknowns + step, trial_expected, trial_weighted, trial_cost
            damping = max(damping / 10, 1e-12)
            moved_mm = float(np.abs(step).max())
            if moved_mm < SETTLED_MM * equations.size_mm:
                converged = True
                break
            step_of = steps(weighted, (equations.value_mm - expected) * equations.weight)
        else:
            damping *= 10
            if damping > 1e12:  # no step in any direction betters it: at rest, unless a full step would go elsewhere
                converged = bool(np.abs(step_of(1e-12)).max() < STALLED_MM)
                break
    return Descent(
        unknowns=unknowns,
        expected_mm=expected,
        weighted=weighted,
        cost=cost,
        converged=converged,
        steps=count,
        last_step_mm=moved_mm,
    )


def adjusted(equations: Equations, descent: Descent) -> Adjustment:
    """Return an adjustment where a descent came to."""
    return Adjustment(
        equations=equations,
        unknowns=descent.unknowns,
        weighted=descent.weighted,
        v_mm=descent.expected_mm - equations.value_mm,
        cofactors=_cofactors(equations, descent.unknowns, descent.weighted),
        converged=descent.converged,
        steps=descent.steps,
        last_step_mm=descent.last_step_mm,
    )


def adjust(equations: Equations, start: Floats) -> Adjustment:
    """Return the coordinates that fit the readings best, from a start with the right shape.

    Levenberg–Marquardt; the free motions of the datum are held by the damping while it runs, and
    by the least norm or three pinned coordinates at the end. Many unknowns are solved sparsely.

    Args:
        equations: Readings and unknowns.
        start: First guess, (m,).
    """
    return adjusted(equations, descended(equations, start))


def readjusted_without(adjustment: Adjustment, row: int) -> Adjustment:
    """Return the adjustment with one reading left out, from where it stands; others must check that reading.

    Steps reuse the cofactors, less that reading; where they don't settle it is adjusted afresh.
    """
    equations = adjustment.equations.leaving_out([row])
    plain = adjustment.weighted.whole(np.array([row]))[0]
    if 1 - float(plain @ adjustment.cofactors.times(plain[:, None])[:, 0]) < LEAST_TO_UPDATE:
        return adjust(equations, adjustment.unknowns)
    cofactors = adjustment.cofactors.without(plain)
    unknowns, cost = adjustment.unknowns, np.inf
    for count in range(1, MOST_REUSED + 1):
        expected, weighted = _weighted(equations, unknowns)
        before, cost = cost, _cost(equations, expected)
        if not cost <= before * (1 + 1e-9):
            break
        misfit = (equations.value_mm - expected) * equations.weight
        step = cofactors.times(weighted.transposed_times(misfit)[:, None])[:, 0]
        moved_mm = float(np.abs(step).max())
        if moved_mm < REUSED_SETTLED_MM:
            return Adjustment(
                equations=equations,
                unknowns=unknowns,
                weighted=weighted,
                v_mm=expected - equations.value_mm,
                cofactors=cofactors,
                converged=True,
                steps=count,
                last_step_mm=moved_mm,
            )
        unknowns = unknowns + step
    return adjust(equations, adjustment.unknowns)


def _weighted(equations: Equations, unknowns: Floats) -> tuple[Floats, Rows]:
    expected, derivatives = equations.evaluate(unknowns)
    return expected, Rows(equations.pattern, derivatives * equations.weight[equations.pattern.rows])


def _cost(equations: Equations, expected: Floats) -> float:
    return float(np.sum(((equations.value_mm - expected) * equations.weight) ** 2))


def _damped(diagonal: Floats) -> Floats:
    return np.asarray(np.maximum(diagonal, 1e-6 * max(diagonal.max(), 1e-12)))


def _dense_steps(weighted: Rows, misfit: Floats) -> Callable[[float], Floats]:
    """Return the step for a damping."""
    normal, gradient = weighted.normal(), weighted.transposed_times(misfit)
    diagonal = np.diag(_damped(np.diag(normal)))
    return lambda damping: np.asarray(np.linalg.solve(normal + damping * diagonal, gradient))


def _sparse_steps(weighted: Rows, misfit: Floats) -> Callable[[float], Floats]:
    rows = weighted.sparse()
    normal, gradient = csc_array(rows.T @ rows), weighted.transposed_times(misfit)
    diagonal = diags_array(_damped(normal.diagonal()), format="csc")
    return lambda damping: np.asarray(factored(csc_array(normal + damping * diagonal)).solve(gradient))


def _cofactors(equations: Equations, unknowns: Floats, weighted: Rows) -> Cofactors:
    if equations.count > MOST_DENSE:
        found = sparse_cofactors(weighted, equations.fixed_columns, _pinned(equations.coordinates_mm(unknowns)))
        if found is not None:
            return found  # else something is loose: only whole matrices tell what
    return dense_cofactors(weighted, equations.fixed_columns)


def _pinned(xy_mm: Floats) -> NDArray[np.int_]:
    """Both coordinates of the first point, and of the one farthest from it the one more across the line between."""
    apart = xy_mm - xy_mm[0]
    far = int(np.hypot(*apart.T).argmax())
    across = int(abs(apart[far, 0]) > abs(apart[far, 1]))
    return np.array([0, 1, 2 * far + across])
