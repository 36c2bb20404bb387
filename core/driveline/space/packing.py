"""How many boxes of one size go into a room, and how they are laid."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from itertools import permutations
from typing import Final

from driveline.errors import ImpossibleInput

Size = tuple[float, float, float]
DEEPEST: Final = 2  # cuts of the room into parts, each filled its own way
MOST_CUTS: Final = 60  # places for one: a room of so many boxes is filled all alike


@dataclass(frozen=True, slots=True, kw_only=True)
class Block:
    """Boxes laid alike, row by row."""

    at_mm: Size  # its corner of least x, y and z, in the room
    counts: tuple[int, int, int]
    box_mm: Size  # as they lie, x y z

    @property
    def count(self) -> int:
        """Boxes in it."""
        return math.prod(self.counts)


@lru_cache(maxsize=64)
def packed(*, room_mm: Size, box_mm: Size, gap_mm: float, may_stand: bool = True) -> tuple[Block, ...]:
    """Return the blocks that hold the most boxes.

    Args:
        room_mm: Along x, y and z.
        box_mm: Length, width and height of one box.
        gap_mm: Wanted between two boxes, for plates and cables; 0 or more.
        may_stand: Whether a box may lie on another side than its base.

    Returns:
        Blocks side by side, none over another, found by cutting the room in two at most twice; not at all where it
        holds very many.

    Raises:
        ImpossibleInput: If a size is not above 0.

    Source:
        Guillotine cuts at multiples of the box's sides; exhaustive over them. Not proved the most: more cuts might
        hold one more.
    """
    for name, size in (("room", room_mm), ("box", box_mm)):
        if min(size) <= 0:
            raise ImpossibleInput(f"{name} size", min(size), "above 0")
    orders = permutations(range(3)) if may_stand else iter([(0, 1, 2), (1, 0, 2)])
    ways = tuple(sorted({(box_mm[a], box_mm[b], box_mm[c]) for a, b, c in orders}))
    along = sum((side + gap_mm) / (min(box_mm) + gap_mm) for side in room_mm)
    return _best((0.0, 0.0, 0.0), room_mm, ways, gap_mm, DEEPEST if along * len(ways) <= MOST_CUTS else 0)


def _best(at: Size, room: Size, ways: tuple[Size, ...], gap: float, deep: int) -> tuple[Block, ...]:
    best: tuple[Block, ...] = ()
    for way in ways:
        counts = tuple(int((side + gap + 1e-9) // (box + gap)) for side, box in zip(room, way, strict=True))
        block = Block(at_mm=at, counts=(counts[0], counts[1], counts[2]), box_mm=way)
        if block.count > _total(best):
            best = (block,)
    if deep == 0 or not best:
        return best
    for axis, cut in _cuts(room, ways, gap):
        near, far = list(room), list(room)
        near[axis], far[axis] = cut, room[axis] - cut - gap
        if far[axis] <= 0:
            continue
        beyond = list(at)
        beyond[axis] += cut + gap
        if _volume_bound(near, ways) + _volume_bound(far, ways) <= _total(best):
            continue
        both = (
            *_best(at, (near[0], near[1], near[2]), ways, gap, deep - 1),
            *_best((beyond[0], beyond[1], beyond[2]), (far[0], far[1], far[2]), ways, gap, deep - 1),
        )
        if _total(both) > _total(best):
            best = both
    return best


def _cuts(room: Size, ways: tuple[Size, ...], gap: float) -> Iterator[tuple[int, float]]:
    for axis in range(3):
        places = {
            n * (way[axis] + gap) - gap
            for way in ways
            for n in range(1, int((room[axis] + gap) // (way[axis] + gap)) + 1)
        }
        yield from ((axis, place) for place in sorted(places) if place < room[axis])


def _volume_bound(room: list[float], ways: tuple[Size, ...]) -> int:
    return int(math.prod(room) / math.prod(ways[0]) + 1e-9)


def _total(blocks: tuple[Block, ...]) -> int:
    return sum(block.count for block in blocks)
