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

from driveline.arrays import Floats
from driveline.network.observations import CENTRE, Kind, Network, Observation
from driveline.network.rows import Pattern

DIAMETER_SIGN: Final = {Kind.INSIDE: -1.0, Kind.OUTSIDE: 1.0, Kind.DISTANCE: 0.0, Kind.RADIUS: 0.0}
KINDS: Final = (*DIAMETER_SIGN, Kind.X, Kind.Y, Kind.DIAMETER)
CODES: Final = {kind: code for code, kind in enumerate(KINDS)}
X, Y, DIAMETER = CODES[Kind.X], CODES[Kind.Y], CODES[Kind.DIAMETER]
SIGNS: Final = np.array([DIAMETER_SIGN.get(kind, 0.0) for kind in KINDS])


@dataclass(frozen=True, slots=True, kw_only=True)
class Columns:
    """The readings as columns, (n,): kinds by their code, points and frames by their numbers."""

    kind: np.ndarray
    a: np.ndarray
    b: np.ndarray  # the shaft's centre, 0, where none is named
    has_b: np.ndarray
    frame: np.ndarray  # -1 for none
    edge: Floats
    value_mm: Floats
    u_mm: Floats

    @property
    def is_pair(self) -> np.ndarray:
        """Which are between two points."""
        return np.asarray(self.kind < len(DIAMETER_SIGN))

    @property
    def sign(self) -> Floats:
        """What the diameters add."""
        signs: Floats = SIGNS[self.kind]
        return signs

    @property
    def near(self) -> np.ndarray:
        """The lesser number of both points."""
        return np.asarray(np.minimum(self.a, self.b))

    @property
    def far(self) -> np.ndarray:
        """The greater one."""
        return np.asarray(np.maximum(self.a, self.b))


def columns_of(readings: Sequence[Observation], index: dict[str, int], frames: Sequence[str]) -> Columns:
    """Return readings as columns."""
    frame_of = {frame: k for k, frame in enumerate(frames)}
    centre = index[CENTRE]
    return Columns(
        kind=np.array([CODES[r.kind] for r in readings], dtype=int),
        a=np.array([index[r.a] for r in readings], dtype=int),
        b=np.array([index[r.b] if r.b else centre for r in readings], dtype=int),
        has_b=np.array([r.b is not None for r in readings], dtype=bool),
        frame=np.array([frame_of[r.frame] if r.frame else -1 for r in readings], dtype=int),
        edge=np.array([r.edge for r in readings], dtype=float),
        value_mm=np.array([r.value_mm for r in readings], dtype=float),
        u_mm=np.array([r.u_mm for r in readings], dtype=float),
    )


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
        self.columns = columns_of(self.readings, self.index, self.frames)
        self.value_mm, self.u_mm = self.columns.value_mm, self.columns.u_mm
        self.weight = 1 / self.u_mm  # 0 for a reading that is left out
        spans = np.abs(self.value_mm[self.columns.kind != DIAMETER])
        self.size_mm = float(spans.max(initial=1.0))
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
        columns = self.columns
        observed = {self.points[k] for k in np.unique(columns.a[columns.kind == DIAMETER]).tolist()}
        self.exact_diameter_mm = np.zeros(len(self.points))
        self.diameter_column = np.full(len(self.points), -1)
        column = 2 * len(self.points)
        needs_shaft = bool(((columns.a == 0) & (columns.edge != 0)).any())
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
        rows = np.nonzero(self.columns.is_pair)[0]
        return _Lines(row=rows, a=self.columns.a[rows], b=self.columns.b[rows], sign=self.columns.sign[rows])

    def _gather_axes(self) -> _Axes:
        columns = self.columns
        rows = np.nonzero((columns.kind == X) | (columns.kind == Y))[0]
        return _Axes(
            row=rows,
            point=columns.a[rows],
            frame=columns.frame[rows],
            is_y=columns.kind[rows] == Y,
            edge=columns.edge[rows],
        )

    def _gather_diameters(self) -> _Diameters:
        rows = np.nonzero(self.columns.kind == DIAMETER)[0]
        return _Diameters(row=rows, column=self.diameter_column[self.columns.a[rows]])

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

        The entries are in the order of ``pattern``.
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
        return expected, np.concatenate([*parts, np.zeros(0)])[self._kept]

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
        kept = np.nonzero((columns >= 0) & ~np.isin(columns, self.fixed_columns))[0]
        self.pattern = Pattern(rows[kept], columns[kept], (len(self.readings), self.count))
        self._kept = kept[self.pattern.order]

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
