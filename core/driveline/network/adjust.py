"""Weighted least squares with a least-constraint datum."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.linalg import eigh  # some builds of numpy take 20 times as long for these sizes

from driveline.chain import Floats
from driveline.network.equations import Equations

MOST_STEPS: Final = 60
SETTLED_MM: Final = 1e-9
RANK_SHARE: Final = 1e-10  # eigenvalue over the greatest, below which a motion is free


@dataclass(frozen=True, slots=True, kw_only=True)
class Adjustment:
    """Least squares done: the unknowns, their cofactors, and the motions that no reading stops.

    ``free_motions`` has a column per free motion; the three rigid ones of a drawing are always among them.
    """

    equations: Equations
    unknowns: Floats  # (m,)
    jacobian: Floats  # (n, m)
    v_mm: Floats  # adjusted minus observed, (n,)
    covariance: Floats  # (m, m), least-norm datum
    free_motions: Floats  # (m, k)
    converged: bool

    @property
    def chi_square(self) -> float:
        """Σ(v/u)²."""
        return float(np.sum((self.v_mm / self.equations.u_mm) ** 2))

    @property
    def redundancy(self) -> int:
        """Readings beyond those that are just enough."""
        unknowns = self.jacobian.shape[1] - self.equations.fixed_columns.size
        return int(len(self.v_mm) - (unknowns - self.free_motions.shape[1]))


def adjust(equations: Equations, start: Floats) -> Adjustment:
    """Return the coordinates that fit the readings best, from a start with the right shape.

    Levenberg–Marquardt; the free motions of the datum are held by the damping while it runs, and
    by the least norm at the end.

    Args:
        equations: Readings and unknowns.
        start: First guess, (m,).
    """
    unknowns, damping = start.copy(), 1e-3
    expected, jacobian = equations.evaluate(unknowns)
    cost = _cost(equations, expected)
    converged = False
    for _ in range(MOST_STEPS):
        weighted = jacobian / equations.u_mm[:, None]
        normal = weighted.T @ weighted
        gradient = weighted.T @ ((equations.value_mm - expected) / equations.u_mm)
        diagonal = np.maximum(np.diag(normal), 1e-6 * max(normal.max(), 1e-12))
        step = np.linalg.solve(normal + damping * np.diag(diagonal), gradient)
        trial_expected, trial_jacobian = equations.evaluate(unknowns + step)
        trial_cost = _cost(equations, trial_expected)
        if trial_cost <= cost * (1 + 1e-12):
            unknowns, expected, jacobian, cost = unknowns + step, trial_expected, trial_jacobian, trial_cost
            damping = max(damping / 10, 1e-12)
            if np.abs(step).max() < SETTLED_MM * equations.size_mm:
                converged = True
                break
        else:
            damping *= 10
            if damping > 1e12:
                converged = True  # no step in any direction betters it
                break
    return _finished(equations, unknowns, expected, jacobian, converged)


def _cost(equations: Equations, expected: Floats) -> float:
    return float(np.sum(((equations.value_mm - expected) / equations.u_mm) ** 2))


def _finished(
    equations: Equations, unknowns: Floats, expected: Floats, jacobian: Floats, converged: bool
) -> Adjustment:
    weighted = jacobian / equations.u_mm[:, None]
    kept = np.setdiff1d(np.arange(equations.count), equations.fixed_columns)
    values, vectors = eigh(weighted[:, kept].T @ weighted[:, kept])
    is_free = values < RANK_SHARE * max(values[-1], 1e-300)
    inverse = np.where(is_free, 0.0, 1 / np.where(is_free, 1.0, values))
    covariance = np.zeros((equations.count, equations.count))
    covariance[np.ix_(kept, kept)] = (vectors * inverse) @ vectors.T
    free_motions = np.zeros((equations.count, int(is_free.sum())))
    free_motions[kept] = vectors[:, is_free]
    return Adjustment(
        equations=equations,
        unknowns=unknowns,
        jacobian=jacobian,
        v_mm=expected - equations.value_mm,
        covariance=covariance,
        free_motions=free_motions,
        converged=converged,
    )
