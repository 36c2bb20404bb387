"""What each reading should have been: observation equations and their derivatives, vectorised.

Unknowns, in one vector: x and y of every point, the diameters that are not exact, and per frame a shift,
a turn and, where free, a scale. Turn and scale are carried as millimetres at the flange's own size, so that
all unknowns are alike in magnitude and a rank can be told from the eigenvalues.
"""

from collections.abc import Sequence
from copy import copy
from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.sparse import coo_array, csr_array

from driveline.arrays import Floats
from driveline.network.observations import CENTRE, Kind, Network, Observation

DIAMETER_SIGN: Final = {Kind.INSIDE: -1.0, Kind.OUTSIDE: 1.0, Kind.DISTANCE: 0.0, Kind.RADIUS: 0.0}


@dataclass(frozen=True, slots=True)
class _Lines:
    """Readings between two points: row, point indices, what the diameters add."""

    row: np.ndarray
    a: np.ndarray
    b: np.ndarray
    sign: Floats


@dataclass(frozen=True, slots=True)
class _Axes:
    """Readings along a frame's axis: row, point, frame, whether y, edge."""

    row: np.ndarray
    point: np.ndarray
    frame: np.ndarray
    is_y: np.ndarray
    edge: Floats


@dataclass(frozen=True, slots=True)
class _Diameters:
    """Readings of a diameter: row, and the unknown that it reads."""

    row: np.ndarray
    column: np.ndarray


class Equations:
    """The readings of a network as functions of one vector of unknowns."""

    def __init__(self, network: Network) -> None:
        self.network = network
        self.points = (CENTRE, *(hole.id for hole in network.holes))
        self.index = {point: k for k, point in enumerate(self.points)}
        self.frames = network.frames
        self.readings = (*network.observations, *self._diameter_readings())
        self.value_mm = np.array([reading.value_mm for reading in self.readings])
        self.u_mm = np.array([reading.u_mm for reading in self.readings])
        self.weight = 1 / self.u_mm  # 0 for a reading that is left out
        pairs = [r.value_mm for r in network.observations if r.kind in DIAMETER_SIGN]
        spans = [abs(r.value_mm) for r in network.observations if r.kind in (Kind.X, Kind.Y)]
        self.size_mm = max([*pairs, *spans, 1.0])
        self._number_unknowns()
        self._lines = self._gather_lines()
        self._axes = self._gather_axes()
        self._diameters = self._gather_diameters()
        self._lay_out_entries()

    def _diameter_readings(self) -> tuple[Observation, ...]:
        """A hole's stated diameter is a reading too, shared by all lines to that hole."""
        return tuple(
            Observation(
                key=f"diameter {hole.id}", kind=Kind.DIAMETER, a=hole.id, value_mm=hole.diameter_mm, u_mm=hole.u_mm
            )
            for hole in self.network.holes
            if hole.u_mm is not None
        )

    def _number_unknowns(self) -> None:
        observed = {r.a for r in self.readings if r.kind is Kind.DIAMETER}
        self.exact_diameter_mm = np.zeros(len(self.points))
        self.diameter_column = np.full(len(self.points), -1)
        column = 2 * len(self.points)
        needs_shaft = any(r.a == CENTRE and r.edge for r in self.readings)
        for hole in self.network.holes:
            self.exact_diameter_mm[self.index[hole.id]] = hole.diameter_mm
        for point in self.points:
            if point in observed or (point == CENTRE and needs_shaft):
                self.diameter_column[self.index[point]] = column
                column += 1
        self.frame_column = column + 4 * np.arange(len(self.frames))
        self.count = column + 4 * len(self.frames)
        self.fixed_columns = np.array(
            [self.frame_column[k] + 3 for k, name in enumerate(self.frames) if name not in self.network.scaled_frames],
            dtype=int,
        )

    def _gather_lines(self) -> _Lines:
        rows = [(row, r) for row, r in enumerate(self.readings) if r.kind in DIAMETER_SIGN]
        return _Lines(
            row=np.array([row for row, _ in rows], dtype=int),
            a=np.array([self.index[r.a] for _, r in rows], dtype=int),
            b=np.array([self.index[r.b or CENTRE] for _, r in rows], dtype=int),
            sign=np.array([DIAMETER_SIGN[r.kind] for _, r in rows]),
        )

    def _gather_axes(self) -> _Axes:
        rows = [(row, r) for row, r in enumerate(self.readings) if r.kind in (Kind.X, Kind.Y)]
        return _Axes(
            row=np.array([row for row, _ in rows], dtype=int),
            point=np.array([self.index[r.a] for _, r in rows], dtype=int),
            frame=np.array([self.frames.index(r.frame or "") for _, r in rows], dtype=int),
            is_y=np.array([r.kind is Kind.Y for _, r in rows], dtype=bool),
            edge=np.array([float(r.edge) for _, r in rows]),
        )

    def _gather_diameters(self) -> _Diameters:
        rows = [(row, r) for row, r in enumerate(self.readings) if r.kind is Kind.DIAMETER]
        return _Diameters(
            row=np.array([row for row, _ in rows], dtype=int),
            column=np.array([self.diameter_column[self.index[r.a]] for _, r in rows], dtype=int),
        )

    def leaving_out(self, rows: Sequence[int]) -> "Equations":
        """Return the same equations with some readings counting for nothing; they keep their rows."""
        without = copy(self)
        without.weight = self.weight.copy()
        without.weight[list(rows)] = 0.0
        return without

    def diameters_mm(self, unknowns: Floats) -> Floats:
        """Return the diameter of each point; (points,)."""
        free = self.diameter_column >= 0
        return np.where(free, unknowns[np.where(free, self.diameter_column, 0)], self.exact_diameter_mm)

    def coordinates_mm(self, unknowns: Floats) -> Floats:
        """Return x and y of each point, the shaft's centre first; (points, 2)."""
        return unknowns[: 2 * len(self.points)].reshape(-1, 2)

    def evaluate(self, unknowns: Floats) -> tuple[Floats, Floats]:
        """Return what each reading should have been, (n,), and its derivatives entry by entry, (entries,).

        The entries stand at ``entry_rows`` and ``entry_columns``; ``dense`` and ``sparse`` lay them out.
        """
        expected = np.zeros(len(self.readings))
        parts = []
        if self._lines.row.size:
            parts += self._evaluate_lines(unknowns, expected)
        if self._axes.row.size:
            parts += self._evaluate_axes(unknowns, expected)
        if self._diameters.row.size:
            expected[self._diameters.row] = unknowns[self._diameters.column]
            parts.append(np.ones(self._diameters.row.size))
        return expected, np.concatenate([*parts, np.zeros(0)])[self._free]

    def dense(self, derivatives: Floats) -> Floats:
        """Return derivatives as a whole matrix, (n, m)."""
        matrix = np.zeros((len(self.readings), self.count))
        matrix[self.entry_rows, self.entry_columns] = derivatives
        return matrix

    def sparse(self, derivatives: Floats) -> csr_array:
        """Return derivatives as a sparse matrix, (n, m)."""
        shape = (len(self.readings), self.count)
        return csr_array(coo_array((derivatives, (self.entry_rows, self.entry_columns)), shape=shape))

    def _lay_out_entries(self) -> None:
        """Where each derivative goes, in the order in which they are evaluated; those of what is fixed go nowhere."""
        lines, axes, diameters = self._lines, self._axes, self._diameters
        places = [(lines.row, 2 * end + axis) for axis in (0, 1) for end in (lines.a, lines.b)]
        places += [(lines.row, self.diameter_column[end]) for end in (lines.a, lines.b)]
        places += [(axes.row, 2 * axes.point + axis) for axis in (0, 1)]
        frame = self.frame_column[axes.frame] if axes.row.size else np.zeros(0, dtype=int)
        places += [(axes.row, frame + axes.is_y), (axes.row, frame + 2), (axes.row, frame + 3)]
        places += [(axes.row, self.diameter_column[axes.point]), (diameters.row, diameters.column)]
        rows = np.concatenate([row for row, _ in places])
        columns = np.concatenate([column for _, column in places])
        self._free = (columns >= 0) & ~np.isin(columns, self.fixed_columns)
        self.entry_rows, self.entry_columns = rows[self._free], columns[self._free]

    def _evaluate_lines(self, unknowns: Floats, expected: Floats) -> list[Floats]:
        lines, xy, d = self._lines, self.coordinates_mm(unknowns), self.diameters_mm(unknowns)
        delta = xy[lines.a] - xy[lines.b]
        length = np.maximum(np.hypot(delta[:, 0], delta[:, 1]), 1e-9)
        unit = delta / length[:, None]
        expected[lines.row] = length + lines.sign * (d[lines.a] + d[lines.b]) / 2
        return [unit[:, 0], -unit[:, 0], unit[:, 1], -unit[:, 1], lines.sign / 2, lines.sign / 2]

    def _evaluate_axes(self, unknowns: Floats, expected: Floats) -> list[Floats]:
        axes, xy, d = self._axes, self.coordinates_mm(unknowns), self.diameters_mm(unknowns)
        shift_x, shift_y, turn, scale = (unknowns[self.frame_column[axes.frame] + k] for k in range(4))
        angle, factor = turn / self.size_mm, np.exp(scale / self.size_mm)
        cos, sin = factor * np.cos(angle), factor * np.sin(angle)
        x, y = xy[axes.point].T
        along_x, along_y = cos * x + sin * y, cos * y - sin * x
        value = np.where(axes.is_y, along_y, along_x)
        expected[axes.row] = value + np.where(axes.is_y, shift_y, shift_x) + axes.edge * d[axes.point] / 2
        return [
            np.where(axes.is_y, -sin, cos),
            np.where(axes.is_y, cos, sin),
            np.ones(axes.row.size),
            np.where(axes.is_y, -along_x, along_y) / self.size_mm,
            value / self.size_mm,
            axes.edge / 2,
        ]
