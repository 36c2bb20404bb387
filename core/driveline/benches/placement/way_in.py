"""The way in: the unit's moves, ending where it stands, swept against what is in place at each."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.placement.gaps import kinds_missing, unit_bodies_missing
from driveline.benches.placement.lay_out import LaidPlacement
from driveline.benches.placement.sheet import Fate, MoveWay, PathMove, PlacementSheet, TurnWay
from driveline.sheet import value_of
from driveline.space.bodies import Body
from driveline.space.path import PathPart, StepFound, walk
from driveline.space.pose import Placed, turn_about
from driveline.space.sweep import Move

WAY_IN_MM: Final = 5.0
LOOK_MM: Final = 100.0  # a gap beyond is of no interest
PAST_MM: Final = 5.0  # beyond it a bracket is passed
FRAMES: Final = 12  # a move, to play it back
_WAYS: Final = {
    MoveWay.UP: (0.0, 0.0, 1.0),
    MoveWay.DOWN: (0.0, 0.0, -1.0),
    MoveWay.FORWARD: (1.0, 0.0, 0.0),
    MoveWay.BACK: (-1.0, 0.0, 0.0),
    MoveWay.LEFT: (0.0, 1.0, 0.0),
    MoveWay.RIGHT: (0.0, -1.0, 0.0),
}
_TURNS: Final = {
    TurnWay.NOSE_DOWN: (0.0, 1.0, 0.0),
    TurnWay.NOSE_UP: (0.0, -1.0, 0.0),
    TurnWay.RIGHT_DOWN: (1.0, 0.0, 0.0),
    TurnWay.LEFT_DOWN: (-1.0, 0.0, 0.0),
    TurnWay.NOSE_LEFT: (0.0, 0.0, 1.0),
    TurnWay.NOSE_RIGHT: (0.0, 0.0, -1.0),
}


@dataclass(frozen=True, kw_only=True)
class WayIn:
    """The way in, swept; ``missing`` names what it lacks."""

    start: Placed | None
    moves: tuple[Move, ...]
    steps: tuple[StepFound, ...]
    missing: tuple[str, ...]


def solve_way_in(sheet: PlacementSheet, laid: LaidPlacement) -> WayIn:
    """Return the way in to the chosen stand."""
    fixed = [
        PathPart(body=one.built.body, after_step=one.sheet.after_step if one.sheet.fate is Fate.AFTER else None)
        for one in laid.in_the_way
        if one.built.body is not None
    ]
    lacking = [name for one in laid.in_the_way for name in one.built.missing]
    return _walked(sheet, laid, fixed, (*lacking, *kinds_missing(sheet, laid)))


def way_past(sheet: PlacementSheet, laid: LaidPlacement, bracket: Body) -> WayIn:
    """Return the way in past one more body that stands there before the unit, and past nothing else."""
    return _walked(sheet, laid, [PathPart(body=bracket)], (), within_mm=PAST_MM)


def _walked(
    sheet: PlacementSheet,
    laid: LaidPlacement,
    fixed: Sequence[PathPart],
    lacking: tuple[str, ...],
    *,
    within_mm: float = LOOK_MM,
) -> WayIn:
    missing = list(_missing(sheet.way_in))
    chosen = laid.chosen
    if chosen is None or chosen.placed is None:
        missing.append("Where the unit stands")
    missing += lacking
    missing += unit_bodies_missing(laid)
    moves = _moves(sheet.way_in)
    if not moves or len(moves) < len(sheet.way_in) or chosen is None or chosen.placed is None:
        return WayIn(start=None, moves=(), steps=(), missing=tuple(missing))
    start, placed_moves = _from_the_end(chosen.placed, moves)
    parts = [
        PathPart(body=one.built.body.moved(start), after_step=one.sheet.after_step)
        for one in laid.unit_on
        if one.built.body is not None and not one.sheet.keeps_clear
    ]
    steps = walk(parts, fixed, placed_moves, within_mm=within_mm)
    if not all(one.is_settled for one in steps):
        missing.append("A way in that settles: fewer bodies round it, or moves without a turn")
    return WayIn(start=start, moves=placed_moves, steps=steps, missing=tuple(missing))


def _missing(path: Sequence[PathMove]) -> list[str]:
    if not path:
        return ["How it goes in: its moves in order"]
    found = []
    for k, move in enumerate(path, start=1):
        if (move.way is None or move.by is None) and (move.turn is None or move.angle is None):
            found.append(f"Move {k}: which way and how far, or how it turns")
        elif (move.way is None) != (move.by is None):
            found.append(f"Move {k}: which way and how far")
        elif (move.turn is None) != (move.angle is None):
            found.append(f"Move {k}: how it turns, and by how much")
    return found


@dataclass(frozen=True, slots=True)
class _Bare:
    """A move before it is known where it starts."""

    shift_mm: Floats
    turn: Floats


def _moves(path: Sequence[PathMove]) -> list[_Bare]:
    found = []
    for move in path:
        by, angle = value_of(move.by), value_of(move.angle)
        if (move.way is None) != (by is None) or (move.turn is None) != (angle is None):
            continue
        if move.way is None and move.turn is None:
            continue
        shift = np.array(_WAYS[move.way]) * (by or 0.0) if move.way else np.zeros(3)
        turn = turn_about(np.array(_TURNS[move.turn]), np.radians(angle or 0.0)) if move.turn else np.eye(3)
        found.append(_Bare(shift, turn))
    return found


def _from_the_end(end: Placed, moves: Sequence[_Bare]) -> tuple[Placed, tuple[Move, ...]]:
    """Where the unit is before the first move, and the moves: each turns about the unit's own origin."""
    place, found = end, []
    for bare in reversed(moves):
        before = Placed(bare.turn.T @ place.turn, place.at_mm - bare.shift_mm)
        found.append(Move(bare.shift_mm, bare.turn, before.at_mm))
        place = before
    return place, tuple(reversed(found))
