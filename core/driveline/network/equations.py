"""What each reading should have been: observation equations and their derivatives, vectorised.

Unknowns, in one vector: x and y of every point, the diameters that are not exact, and per frame a shift,
a turn and, where free, a scale. Turn and scale are carried as millimetres at the flange's own size, so that
all unknowns are alike in magnitude and a rank can be told from the eigenvalues.
"""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.chain import Floats
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
        pairs = [r.value_mm for r in network.observations if r.kind in DIAMETER_SIGN]
        spans = [abs(r.value_mm) for r in network.observations if r.kind in (Kind.X, Kind.Y)]
        self.size_mm = max([*pairs, *spans, 1.0])
        self._number_unknowns()
        self._lines = self._gather_lines()
        self._axes = self._gather_axes()
        self._diameters = [
            (row, self.diameter_column[self.index[r.a]])
            for row, r in enumerate(self.readings)
            if r.kind is Kind.DIAMETER
        ]

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

    def diameters_mm(self, unknowns: Floats) -> Floats:
        """Return the diameter of each point; (points,)."""
        free = self.diameter_column >= 0
        return np.where(free, unknowns[np.where(free, self.diameter_column, 0)], self.exact_diameter_mm)

    def coordinates_mm(self, unknowns: Floats) -> Floats:
        """Return x and y of each point, the shaft's centre first; (points, 2)."""
        return unknowns[: 2 * len(self.points)].reshape(-1, 2)

    def evaluate(self, unknowns: Floats) -> tuple[Floats, Floats]:
        """Return what each reading should have been (n,), and its derivatives (n, unknowns)."""
        expected = np.zeros(len(self.readings))
        jacobian = np.zeros((len(self.readings), self.count))
        if self._lines.row.size:
            self._evaluate_lines(unknowns, expected, jacobian)
        if self._axes.row.size:
            self._evaluate_axes(unknowns, expected, jacobian)
        for row, column in self._diameters:
            expected[row] = unknowns[column]
            jacobian[row, column] = 1.0
        jacobian[:, self.fixed_columns] = 0.0
        return expected, jacobian

    def _evaluate_lines(self, unknowns: Floats, expected: Floats, jacobian: Floats) -> None:
        lines, xy, d = self._lines, self.coordinates_mm(unknowns), self.diameters_mm(unknowns)
        delta = xy[lines.a] - xy[lines.b]
        length = np.maximum(np.hypot(delta[:, 0], delta[:, 1]), 1e-9)
        unit = delta / length[:, None]
        expected[lines.row] = length + lines.sign * (d[lines.a] + d[lines.b]) / 2
        for axis in (0, 1):
            jacobian[lines.row, 2 * lines.a + axis] = unit[:, axis]
            jacobian[lines.row, 2 * lines.b + axis] = -unit[:, axis]
        for end in (lines.a, lines.b):
            self._add_diameter_columns(jacobian, lines.row, end, lines.sign / 2)

    def _evaluate_axes(self, unknowns: Floats, expected: Floats, jacobian: Floats) -> None:
        axes, xy, d = self._axes, self.coordinates_mm(unknowns), self.diameters_mm(unknowns)
        shift_x, shift_y, turn, scale = (unknowns[self.frame_column[axes.frame] + k] for k in range(4))
        angle, factor = turn / self.size_mm, np.exp(scale / self.size_mm)
        cos, sin = factor * np.cos(angle), factor * np.sin(angle)
        x, y = xy[axes.point].T
        along_x, along_y = cos * x + sin * y, cos * y - sin * x
        value = np.where(axes.is_y, along_y, along_x)
        expected[axes.row] = value + np.where(axes.is_y, shift_y, shift_x) + axes.edge * d[axes.point] / 2
        jacobian[axes.row, 2 * axes.point] = np.where(axes.is_y, -sin, cos)
        jacobian[axes.row, 2 * axes.point + 1] = np.where(axes.is_y, cos, sin)
        jacobian[axes.row, self.frame_column[axes.frame] + axes.is_y] = 1.0
        jacobian[axes.row, self.frame_column[axes.frame] + 2] = np.where(axes.is_y, -along_x, along_y) / self.size_mm
        jacobian[axes.row, self.frame_column[axes.frame] + 3] = value / self.size_mm
        self._add_diameter_columns(jacobian, axes.row, axes.point, axes.edge / 2)

    def _add_diameter_columns(self, jacobian: Floats, rows: np.ndarray, points: np.ndarray, derivative: Floats) -> None:
        columns = self.diameter_column[points]
        free = columns >= 0
        np.add.at(jacobian, (rows[free], columns[free]), derivative[free])
