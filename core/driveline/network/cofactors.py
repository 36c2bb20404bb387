"""Cofactors of the unknowns, Q = (Aᵀ W A)⁻¹: whole where there are few, else only those that are asked for."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.linalg import eigh  # some builds of numpy take 20 times as long for these sizes
from scipy.sparse import csc_array, tril
from scipy.sparse.linalg import SuperLU, splu

from driveline.arrays import Floats
from driveline.network.rows import Rows

MOST_DENSE: Final = 190  # unknowns; past it whole matrices cost more than they tell
RANK_SHARE: Final = 1e-10  # eigenvalue or pivot over the greatest, below which a motion is free


@dataclass(frozen=True, slots=True, kw_only=True)
class Cofactors:
    """What the readings make of the unknowns' cofactors, in some least-constraint datum.

    ``free_motions`` has a column per motion that no reading stops; the three rigid ones of a drawing are always
    among them. ``times`` multiplies Q with columns, (m, k). ``matrix`` is ``None`` past ``MOST_DENSE`` unknowns.
    """

    free_motions: Floats  # (m, k)
    times: Callable[[Floats], Floats]
    leverages: Callable[[Rows], Floats]  # diagonal of A Q Aᵀ of rows like those of the readings
    blocks: Callable[[NDArray[np.int_]], Floats]  # (p, 2) columns to (p, 2, 2), each pair read together
    matrix: Floats | None

    def without(self, row: Floats) -> "Cofactors":
        """Return the cofactors with one weighted reading (m,) taken away; it must be one that others check."""
        crossed = self.times(row[:, None])[:, 0]
        grown = crossed / np.sqrt(1 - row @ crossed)

        def blocks(pairs: NDArray[np.int_]) -> Floats:
            return self.blocks(pairs) + grown[pairs][:, :, None] * grown[pairs][:, None, :]

        return Cofactors(
            free_motions=self.free_motions,
            times=lambda columns: self.times(columns) + grown[:, None] * (grown @ columns),
            leverages=lambda rows: self.leverages(rows) + rows.times(grown) ** 2,
            blocks=blocks,
            matrix=None if self.matrix is None else self.matrix + grown[:, None] * grown,
        )


def dense_cofactors(weighted: Rows, fixed: NDArray[np.int_]) -> Cofactors:
    """Return cofactors with the least norm.

    Args:
        weighted: Derivatives over u, (n, m).
        fixed: Unknowns that are not free.
    """
    count = weighted.count
    kept = np.setdiff1d(np.arange(count), fixed)
    values, vectors = eigh(weighted.normal()[np.ix_(kept, kept)])
    is_free = values < RANK_SHARE * max(values[-1], 1e-300)
    inverse = np.where(is_free, 0.0, 1 / np.where(is_free, 1.0, values))
    matrix = np.zeros((count, count))
    matrix[np.ix_(kept, kept)] = (vectors * inverse) @ vectors.T
    free_motions = np.zeros((count, int(is_free.sum())))
    free_motions[kept] = vectors[:, is_free]

    def blocks(pairs: NDArray[np.int_]) -> Floats:
        return np.asarray(matrix[pairs[:, :, None], pairs[:, None, :]])

    return Cofactors(
        free_motions=free_motions,
        times=lambda columns: np.asarray(matrix @ columns),
        leverages=lambda rows: rows.leverages(matrix),
        blocks=blocks,
        matrix=matrix,
    )


def factored(normal: csc_array) -> SuperLU:
    """Return a factor of a symmetric matrix that is positive definite: rows and columns are ordered alike."""
    return splu(normal, permc_spec="MMD_AT_PLUS_A", diag_pivot_thresh=0.0, options={"SymmetricMode": True})


def sparse_cofactors(weighted: Rows, fixed: NDArray[np.int_], pinned: NDArray[np.int_]) -> Cofactors | None:
    """Return cofactors about three pinned coordinates, or ``None`` where more than the rigid motions is free.

    Only the entries in the pattern of the factor are worked out, column by column from the last.

    Args:
        weighted: Derivatives over u, (n, m).
        fixed: Unknowns that are not free.
        pinned: Three coordinates that take up the drawing's shift and turn.

    Source:
        Takahashi, Fagan and Chin, Formation of a sparse bus impedance matrix, 1973.
    """
    count = weighted.count
    kept = np.setdiff1d(np.arange(count), np.concatenate([fixed, pinned]))
    part = weighted.sparse()[:, kept]
    normal = csc_array(part.T @ part)
    try:
        factor = factored(normal)
    except RuntimeError:  # exactly singular
        return None
    pivots = factor.U.diagonal()
    if (factor.perm_r != factor.perm_c).any() or pivots.min() < RANK_SHARE * pivots.max():
        return None
    selected = _selected_inverse(csc_array(tril(factor.L, k=-1)), pivots)
    place = np.full(count, -1)
    place[kept] = factor.perm_c

    def times(columns: Floats) -> Floats:
        found = np.zeros((count, columns.shape[1]))
        found[kept] = factor.solve(np.ascontiguousarray(columns[kept]))
        return found

    def entries(rows: NDArray[np.int_], columns: NDArray[np.int_]) -> Floats:
        known = (rows >= 0) & (columns >= 0)
        return np.where(known, selected[np.where(known, rows, 0), np.where(known, columns, 0)], 0.0)

    def leverages(rows: Rows) -> Floats:
        columns, values = rows.padded()
        columns = np.where(columns >= 0, place[columns], -1)
        block = entries(columns[:, :, None], columns[:, None, :])
        return np.asarray(np.einsum("ni,nij,nj->n", values, block, values))

    def blocks(pairs: NDArray[np.int_]) -> Floats:
        return entries(place[pairs][:, :, None], place[pairs][:, None, :])

    return Cofactors(free_motions=np.zeros((count, 3)), times=times, leverages=leverages, blocks=blocks, matrix=None)


def _selected_inverse(lower: csc_array, pivots: Floats) -> Floats:
    """The inverse of L D Lᵀ in L's own pattern; elsewhere it stays zero and is never asked for."""
    count = pivots.size
    inverse = np.zeros((count, count))  # the system gives the pages only as they are written
    for k in range(count - 1, -1, -1):
        rows = lower.indices[lower.indptr[k] : lower.indptr[k + 1]]
        column = lower.data[lower.indptr[k] : lower.indptr[k + 1]]
        below = -inverse[np.ix_(rows, rows)] @ column
        inverse[rows, k] = inverse[k, rows] = below
        inverse[k, k] = 1 / pivots[k] - column @ below
    return inverse
