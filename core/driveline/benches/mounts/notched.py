"""A rail that is notched and plated: the section that it was, less what was cut out, with what was welded on."""

from typing import Final

from driveline.benches.mounts.sheet import CutStation, NotchFrom, PlatedOn, RailKind, RailShape
from driveline.metal.walls import Wall
from driveline.sheet import positive_of, value_of

NO_SIDE: Final = 0.0
Sides = dict[NotchFrom, float]  # how thick each side is, 0: it is not there


def notched_walls(cut: CutStation, old: RailShape, what: str) -> tuple[tuple[Wall, ...], tuple[str, ...]]:
    """Return the walls of a notched rail by their middle lines, or what it lacks in words; ``what`` names it.

    The notch takes one side and as much of both beside it as it is deep; what closes it lies flush in the cut. A plate
    on its upright walls, inside or outside, makes them thicker.

    Raises:
        ImpossibleInput: If a wall can't be made.
    """
    if old.kind not in (RailKind.TROUGH, RailKind.CHANNEL):
        return (), (f"The rail as it was as a trough, box or channel: {what} is a notch in it",)
    breadth, depth, wall, lid = (value_of(one) for one in (old.breadth, old.depth, old.wall, old.lid))
    notch, closing = positive_of(cut.notch), value_of(cut.lid)
    plated = value_of(cut.plated) or 0.0
    asked = {
        f"How deep the notch is, at {cut.name}": notch,
        f"From which side it is cut, at {cut.name}": cut.notch_from,
        f"How thick what closes it is, 0 for open, at {cut.name}": closing,
        f"Whether its plates are inside or outside, at {cut.name}": cut.plated_on if plated else "",
    }
    missing = tuple(words for words, value in asked.items() if value is None)
    if breadth is None or depth is None or wall is None or lid is None:
        return (), missing  # the rail as it was is asked for by itself
    if notch is None or cut.notch_from is None or closing is None or missing:
        return (), missing
    level = cut.notch_from in (NotchFrom.LEFT, NotchFrom.RIGHT)
    if notch + wall + closing >= (breadth if level else depth):
        return (), (f"A notch that leaves some of the rail, at {cut.name}",)
    sides = _sides(old, wall, lid)
    sides[cut.notch_from] = NO_SIDE
    grown = NO_SIDE
    for side in (NotchFrom.LEFT, NotchFrom.RIGHT):
        if plated and sides[side] and not (side is NotchFrom.RIGHT and old.kind is RailKind.CHANNEL):
            sides[side] += plated
            grown += plated if cut.plated_on is PlatedOn.OUTSIDE else NO_SIDE
    sides[cut.notch_from] = closing
    return _walls(breadth + grown - (notch if level else 0.0), depth - (0.0 if level else notch), sides), ()


def _sides(old: RailShape, wall_mm: float, lid_mm: float) -> Sides:
    """A trough is open above, a channel to the right, until something closes it."""
    opening = NotchFrom.ABOVE if old.kind is RailKind.TROUGH else NotchFrom.RIGHT
    return {side: lid_mm if side is opening else wall_mm for side in NotchFrom}


def _walls(breadth_mm: float, depth_mm: float, sides: Sides) -> tuple[Wall, ...]:
    """Each side by its middle line, from one that it meets to the other."""
    left, right = sides[NotchFrom.LEFT] / 2, breadth_mm - sides[NotchFrom.RIGHT] / 2
    low, high = sides[NotchFrom.BELOW] / 2, depth_mm - sides[NotchFrom.ABOVE] / 2
    lines = {
        NotchFrom.BELOW: ((left, low), (right, low)),
        NotchFrom.RIGHT: ((right, low), (right, high)),
        NotchFrom.ABOVE: ((right, high), (left, high)),
        NotchFrom.LEFT: ((left, high), (left, low)),
    }
    return tuple(
        Wall(start_mm=start, end_mm=end, thickness_mm=sides[side])
        for side, (start, end) in lines.items()
        if sides[side]
    )
