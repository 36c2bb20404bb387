"""What the readings leave open: holes that are loose, and holes that could as well be on the other side."""

from dataclasses import dataclass
from itertools import combinations
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.network.adjust import Adjustment
from driveline.network.observations import Turning

MOST_PAIRED: Final = 64  # points up to which every pair is looked at
STILL: Final = 1e-6  # of a free motion of unit length


@dataclass(frozen=True, slots=True)
class Flip:
    """Points that fit as well when mirrored across the line through two others."""

    points: tuple[str, ...]
    across: tuple[str, str]


def loose_points(adjustment: Adjustment) -> tuple[str, ...]:
    """Return the points whose place in the largest fixed group the readings don't settle.

    Each two points whose distance no free motion changes carry a rigid motion; the points that go with it
    are their group. Going by distances alone would take a point opposite another for held: turning it about
    the middle does not change that distance at first.
    """
    points = adjustment.equations.points
    count = len(points)
    if count < 3 or adjustment.cofactors.free_motions.shape[1] <= 3:
        return ()
    xy = adjustment.equations.coordinates_mm(adjustment.unknowns)
    motion = adjustment.cofactors.free_motions[: 2 * count].reshape(count, 2, -1)
    groups = [_group(xy, motion, i, j) for i, j in combinations(range(count), 2)]
    largest = max(groups, key=np.count_nonzero)
    if np.count_nonzero(largest) < 3:
        return points
    return tuple(point for point, held in zip(points, largest, strict=True) if not held)


def _group(xy: Floats, motion: Floats, i: int, j: int) -> NDArray[np.bool_]:
    """Which points (n,) go with the rigid motion of two points under every free motion (n, 2, k)."""
    arm = xy[j] - xy[i]
    length = max(float(np.hypot(*arm)), 1e-9)
    along, across = arm / length, np.array([-arm[1], arm[0]]) / length
    apart = motion[j] - motion[i]
    if np.abs(along @ apart).max() > STILL:
        return np.zeros(len(xy), dtype=bool)
    turn = across @ apart / length
    from_i = xy - xy[i]
    carried = motion[i] + np.stack([-from_i[:, 1], from_i[:, 0]], axis=1)[:, :, None] * turn
    held: NDArray[np.bool_] = np.abs(motion - carried).max(axis=(1, 2)) < STILL
    return held


def flips(adjustment: Adjustment, loose: tuple[str, ...]) -> tuple[Flip, ...]:
    """Return groups of points that only the numbering keeps from being mirrored across two others.

    Args:
        adjustment: Of the network.
        loose: Points already known to be loose; they are not reported again.
    """
    points, columns = adjustment.equations.points, adjustment.equations.columns
    framed = {points[k] for k in np.unique(columns.a[columns.frame >= 0]).tolist()}
    neighbours: dict[str, set[str]] = {point: set() for point in points}
    pairs = np.unique((columns.near * len(points) + columns.far)[columns.is_pair])
    for a, b in np.stack(np.divmod(pairs, len(points)), axis=1).tolist():
        neighbours[points[a]].add(points[b])
        neighbours[points[b]].add(points[a])
    found = []
    for pair in _parting_pairs(neighbours):
        parts = _parts_without(neighbours, pair)
        smaller = [part for part in parts if part is not max(parts, key=len)]
        for part in smaller:
            reached = set().union(*(neighbours[point] for point in part)) & set(pair)
            if len(reached) == 2 and not part & (framed | set(loose)):
                found.append(Flip(tuple(sorted(part)), pair))
    return tuple(found)


def _parting_pairs(neighbours: dict[str, set[str]]) -> list[tuple[str, str]]:
    """Pairs of points whose removal parts the rest, all pairs walked through together.

    Past ``MOST_PAIRED`` points only the neighbours of points with two readings are looked at: of so many, a larger
    group that hangs by two points would go unseen.
    """
    points = list(neighbours)
    if len(points) > MOST_PAIRED:
        return sorted({(min(near), max(near)) for near in neighbours.values() if len(near) == 2})
    joined = np.array([[other in neighbours[point] for other in points] for point in points], dtype=np.float32)
    pairs = np.array(list(combinations(range(len(points)), 2)), dtype=int).reshape(-1, 2)
    left = np.ones((len(pairs), len(points)), dtype=bool)
    np.put_along_axis(left, pairs, False, axis=1)
    reached = np.zeros_like(left)
    reached[np.arange(len(pairs)), left.argmax(axis=1)] = True
    while True:
        further = left & (reached | (reached.astype(np.float32) @ joined > 0))
        if (further == reached).all():
            break
        reached = further
    parted = pairs[(left & ~reached).any(axis=1)]
    return [(points[i], points[j]) for i, j in parted.tolist()]


def _parts_without(neighbours: dict[str, set[str]], pair: tuple[str, str]) -> list[set[str]]:
    left = set(neighbours) - set(pair)
    parts = []
    while left:
        part, edge = set(), {left.pop()}
        while edge:
            part |= edge
            edge = set().union(*(neighbours[point] for point in edge)) & left
            left -= edge
        parts.append(part)
    return parts


def runs_against_numbering(adjustment: Adjustment) -> bool:
    """Say whether the holes, as solved, run the other way round the shaft than they are said to be numbered."""
    equations = adjustment.equations
    xy: Floats = equations.coordinates_mm(adjustment.unknowns)
    numbered = [equations.index[hole.id] for hole in equations.network.holes if not hole.is_bore]
    about = xy[numbered] - xy[0]
    following = np.roll(about, -1, axis=0)
    turn = np.arctan2(
        about[:, 0] * following[:, 1] - about[:, 1] * following[:, 0], np.einsum("ij,ij->i", about, following)
    ).sum()
    return bool(turn < 0) is (equations.network.numbered is Turning.ANTICLOCKWISE)
