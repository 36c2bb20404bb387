"""The readings' derivatives over their uncertainties: few to a row, so kept entry by entry, never as a whole."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray
from scipy.sparse import csr_array

from driveline.arrays import Floats

Indices = NDArray[np.int_]


class Pattern:
    """Where the entries of a matrix (n, m) stand; each row has a few."""

    def __init__(self, rows: Indices, columns: Indices, shape: tuple[int, int]) -> None:
        order = np.argsort(rows, kind="stable")
        self.order, self.rows, self.columns, self.shape = order, rows[order], columns[order], shape
        self.starts = np.concatenate([[0], np.cumsum(np.bincount(rows, minlength=shape[0]))])

    @cached_property
    def pairs(self) -> tuple[Indices, Indices]:
        """Every two entries of one row, both ways round: the number of each."""
        lengths = np.diff(self.starts)
        each = np.repeat(lengths, lengths)  # of the row that an entry is in
        left = np.repeat(np.arange(len(self.rows)), each)
        first = np.repeat(self.starts[:-1], lengths)
        within = np.arange(len(left)) - np.repeat(np.cumsum(each) - each, each)
        return left, np.repeat(first, each) + within

    @cached_property
    def cells(self) -> Indices:
        """Of each pair, its place in a matrix (m, m) laid out flat."""
        left, right = self.pairs
        found: Indices = self.columns[left] * self.shape[1] + self.columns[right]
        return found


@dataclass(frozen=True, slots=True)
class Rows:
    """A matrix with such a pattern."""

    pattern: Pattern
    entries: Floats  # in the pattern's order

    @property
    def count(self) -> int:
        """How many columns there are."""
        return self.pattern.shape[1]

    def normal(self) -> Floats:
        """Return AᵀA, (m, m)."""
        left, right = self.pattern.pairs
        products = self.entries[left] * self.entries[right]
        found = np.bincount(self.pattern.cells, weights=products, minlength=self.count**2)
        return np.asarray(found, dtype=float).reshape(self.count, self.count)

    def transposed_times(self, values: Floats) -> Floats:
        """Return Aᵀ v, (m,), of values (n,)."""
        weights = self.entries * values[self.pattern.rows]
        return np.asarray(np.bincount(self.pattern.columns, weights=weights, minlength=self.count), dtype=float)

    def leverages(self, matrix: Floats) -> Floats:
        """Return the diagonal of A Q Aᵀ, (n,), of a matrix Q (m, m)."""
        left, right = self.pattern.pairs
        products = self.entries[left] * self.entries[right] * matrix.ravel()[self.pattern.cells]
        found = np.bincount(self.pattern.rows[left], weights=products, minlength=self.pattern.shape[0])
        return np.asarray(found, dtype=float)

    def times(self, columns: Floats) -> Floats:
        """Return A x, (n,) or (n, k), of columns (m,) or (m, k)."""
        return np.asarray(self.sparse() @ columns)

    def sparse(self) -> csr_array:
        """Return the matrix as SciPy takes it."""
        return csr_array((self.entries, self.pattern.columns, self.pattern.starts), shape=self.pattern.shape)

    def whole(self, which: Indices) -> Floats:
        """Return some rows in full, (len(which), m)."""
        return np.asarray(self.sparse()[which].toarray())

    def padded(self) -> tuple[Indices, Floats]:
        """Return the columns, -1 where there are no more, and entries of each row, (n, widest)."""
        lengths = np.diff(self.pattern.starts)
        filled = np.arange(int(lengths.max(initial=0))) < lengths[:, None]
        columns, entries = np.full(filled.shape, -1), np.zeros(filled.shape)
        columns[filled], entries[filled] = self.pattern.columns, self.entries
        return columns, entries
