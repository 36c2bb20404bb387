"""A section of thin plates, open, closed or of several cells: area, bending about any axes, torsion."""

import math
from collections import deque
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.metal.frames import FrameSection, section_of
from driveline.metal.panels import Panel

IN_LINE: Final = math.cos(math.radians(20))  # two plates that turn less do not hold each other's edge
MEETS_MM: Final = 1.0  # ends so near are one corner, and an end so near a plate stands on it


@dataclass(frozen=True, slots=True, kw_only=True)
class Wall:
    """A plate of a section by its middle line: x to the right, y up."""

    start_mm: tuple[float, float]
    end_mm: tuple[float, float]
    thickness_mm: float

    def __post_init__(self) -> None:
        if not (math.isfinite(self.thickness_mm) and self.thickness_mm > 0):
            raise ImpossibleInput("thickness", fig(self.thickness_mm, "mm"), "above 0")
        if not math.dist(self.start_mm, self.end_mm) > MEETS_MM:
            raise ImpossibleInput("plate", fig(math.dist(self.start_mm, self.end_mm), "mm"), "of two ends that differ")

    @property
    def corners_mm(self) -> Floats:
        """Of the plate, in order round it, (4, 2)."""
        start, end = np.array(self.start_mm), np.array(self.end_mm)
        along = (end - start) / np.linalg.norm(end - start)
        aside = np.array([-along[1], along[0]]) * self.thickness_mm / 2
        return np.array([start - aside, end - aside, end + aside, start + aside])


def walled(walls: Sequence[Wall]) -> FrameSection:
    """Return the figures of a section of thin plates that meet.

    Args:
        walls: Plates by their middle lines. One that ends on another, or crosses it, is joined to it there.

    Raises:
        ImpossibleInput: If there is none, or they do not all hang together.

    Source:
        A and I of the plates as they lie; the modulus by bending about skew axes, σ = M (I_y y - I_xy x)/(I_x I_y -
        I_xy²); torsion by Bredt and Batho for any number of cells, J = 4 Aᵀ F⁻¹ A with F_ij = Σ s/t of the walls that
        cells i and j share, and Σ s t³/3 of the plates that close nothing.
    """
    if not walls:
        raise ImpossibleInput("section", 0, "of a plate or more")
    nodes, edges, thick = _joined(walls)
    cycles = _cycles(len(nodes), edges)
    starts, ends = nodes[edges[:, 0]], nodes[edges[:, 1]]
    lengths = np.linalg.norm(ends - starts, axis=1)
    torsion = _torsion_mm4(cycles, starts, ends, lengths / thick)
    torsion += float((lengths * thick**3 / 3)[~cycles.any(axis=0)].sum())
    areas, along = lengths * thick, (ends - starts) / lengths[:, None]
    area = float(areas.sum())
    middle = areas @ (starts + ends) / 2 / area
    off = (starts + ends) / 2 - middle
    own = (thick * lengths**3)[:, None, None] * _outer(along, along)
    own += (lengths * thick**3)[:, None, None] * _outer(_aside(along), _aside(along))
    second = (own / 12 + areas[:, None, None] * _outer(off, off)).sum(axis=0)  # ∫ x x, ∫ x y; ∫ x y, ∫ y y
    fibres = np.vstack([one.corners_mm for one in walls]) - middle
    return section_of(area, middle, second, fibres, torsion_mm4=torsion, cells=len(cycles))


def panels_of(walls: Sequence[Wall]) -> tuple[Panel, ...]:
    """Return what of such a section may fold: each stretch of plate from one that holds its edge to the next.

    Args:
        walls: As for ``walled``. Plates that go on in line are one stretch, as thick as the thinner.

    Source:
        An edge is held where another plate meets it at 20° or more, else it is free. Of a plate that nothing meets
        there is no such rule, and nothing is returned.
    """
    nodes, edges, thick = _joined(walls)
    beside: list[list[int]] = [[] for _ in nodes]
    for k, (a, b) in enumerate(edges.tolist()):
        beside[a].append(k)
        beside[b].append(k)
    lengths = np.linalg.norm(nodes[edges[:, 1]] - nodes[edges[:, 0]], axis=1)
    found, left = list[Panel](), set(range(len(edges)))
    while left:
        run, ends = _run(min(left), nodes, edges, beside)
        left -= set(run)
        free = sum(len(beside[end]) == 1 for end in ends)
        if free == len(ends):
            return ()
        length = float(lengths[run].sum())
        found.append(
            Panel(
                words=f"plate of {fig(length, 'mm', 0)}",
                breadth_mm=length,
                thickness_mm=float(thick[run].min()),
                has_free_edge=free > 0,
            )
        )
    return tuple(found)


def _run(
    first: int, nodes: Floats, edges: np.ndarray[tuple[int, int], np.dtype[np.int64]], beside: list[list[int]]
) -> tuple[list[int], list[int]]:
    """Pieces that go on in line from one, both ways, and the corners where that ends."""
    run, ends = [first], list[int]()
    for at in edges[first].tolist():
        piece = first
        while len(beside[at]) == 2:
            other = next(k for k in beside[at] if k != piece)
            if other in run or not _is_in_line(nodes, edges, piece, other, at):
                break
            run.append(other)
            piece, at = other, int(edges[other].sum()) - at
        ends.append(at)
    return run, ends


def _is_in_line(
    nodes: Floats, edges: np.ndarray[tuple[int, int], np.dtype[np.int64]], piece: int, other: int, at: int
) -> bool:
    ways = [nodes[int(edges[k].sum()) - at] - nodes[at] for k in (piece, other)]
    cosine = -float(ways[0] @ ways[1]) / math.prod(float(np.linalg.norm(way)) for way in ways)
    return cosine > IN_LINE


def _outer(one: Floats, other: Floats) -> Floats:
    return np.asarray(np.einsum("ei,ej->eij", one, other), dtype=np.float64)


def _aside(along: Floats) -> Floats:
    return np.column_stack([-along[:, 1], along[:, 0]])


def _torsion_mm4(cycles: Floats, starts: Floats, ends: Floats, slender: Floats) -> float:
    if not len(cycles):
        return 0.0
    enclosed = cycles @ (starts[:, 0] * ends[:, 1] - starts[:, 1] * ends[:, 0]) / 2
    flexibility = (cycles * slender) @ cycles.T
    return float(4 * enclosed @ np.linalg.solve(flexibility, enclosed))


def _joined(walls: Sequence[Wall]) -> tuple[Floats, np.ndarray[tuple[int, int], np.dtype[np.int64]], Floats]:
    """Corners, the pieces between them by their numbers, and how thick each is."""
    nodes, pieces, thick = list[Floats](), list[tuple[int, int]](), list[float]()

    def number(at: Floats) -> int:
        for k, one in enumerate(nodes):
            if math.dist(one, at) <= MEETS_MM:
                return k
        nodes.append(at)
        return len(nodes) - 1

    for one in walls:
        on_it = [number(at) for at in _meetings(one, walls)]
        for first, second in zip(on_it[:-1], on_it[1:], strict=True):
            if first != second:
                pieces.append((first, second))
                thick.append(one.thickness_mm)
    return np.array(nodes), np.array(pieces, dtype=np.int64), np.array(thick)


def _meetings(one: Wall, walls: Sequence[Wall]) -> list[Floats]:
    """Where a plate begins, meets others and ends, in order along it."""
    start, end = np.array(one.start_mm), np.array(one.end_mm)
    along = end - start
    length2 = float(along @ along)
    shares = {0.0, 1.0}
    for other in walls:
        if other is one:
            continue
        ends = [np.array(other.start_mm), np.array(other.end_mm)]
        for at in ends:
            share = float((at - start) @ along) / length2
            if 0 < share < 1 and float(np.linalg.norm(start + share * along - at)) <= MEETS_MM:
                shares.add(share)
        crossing = _crossing(start, along, ends[0], ends[1] - ends[0])
        if crossing is not None:
            shares.add(crossing)
    return [start + share * along for share in sorted(shares)]


def _crossing(start: Floats, along: Floats, other: Floats, other_along: Floats) -> float | None:
    """How far along the first plate the second crosses it."""
    turn = float(along[0] * other_along[1] - along[1] * other_along[0])
    if abs(turn) < 1e-9 * float(np.linalg.norm(along) * np.linalg.norm(other_along)):
        return None
    apart = other - start
    share = float(apart[0] * other_along[1] - apart[1] * other_along[0]) / turn
    second = float(apart[0] * along[1] - apart[1] * along[0]) / turn
    return share if 0 < share < 1 and 0 < second < 1 else None


def _cycles(count: int, edges: np.ndarray[tuple[int, int], np.dtype[np.int64]]) -> Floats:
    """Ways round, a row each with +1 or -1 for every piece that is gone along with or against, (c, e).

    Raises:
        ImpossibleInput: If the plates do not all hang together.
    """
    beside: list[list[tuple[int, int]]] = [[] for _ in range(count)]
    for k, (a, b) in enumerate(edges.tolist()):
        beside[a].append((k, b))
        beside[b].append((k, a))
    came: dict[int, tuple[int, int]] = {0: (-1, -1)}  # by which piece, from where
    queue = deque([0])
    while queue:
        at = queue.popleft()
        for k, to in beside[at]:
            if to not in came:
                came[to] = (k, at)
                queue.append(to)
    if len(came) < count:
        raise ImpossibleInput("section", count - len(came), "of plates that all meet")
    tree = {k for k, _ in came.values()}
    found = []
    for k, (a, b) in enumerate(edges.tolist()):
        if k in tree:
            continue
        row = np.zeros(len(edges))
        row[k] = 1.0
        row += _way_home(b, came, edges) - _way_home(a, came, edges)
        found.append(row)
    return np.array(found).reshape(len(found), len(edges))


def _way_home(
    at: int, came: dict[int, tuple[int, int]], edges: np.ndarray[tuple[int, int], np.dtype[np.int64]]
) -> Floats:
    """The pieces from a corner back to the first, each with its sense."""
    row = np.zeros(len(edges))
    while came[at][0] >= 0:
        k, before = came[at]
        row[k] += 1.0 if edges[k, 0] == at else -1.0
        at = before
    return row
