"""How a unit gets to its place: moves in order, swept against everything that is in place at each."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.memory import kept
from driveline.space.bodies import Body, Piece
from driveline.space.distance import Near, bounds_apart_mm
from driveline.space.neighbours import nearest_bodies
from driveline.space.past_surface import sweep_past
from driveline.space.pose import AS_IS, Placed
from driveline.space.surface import LaidSurface
from driveline.space.sweep import Move, Swept, sweep

MOST_LOOKS: Final = 300  # at one pair somewhere, for a whole path


@dataclass(frozen=True, kw_only=True)
class PathPart:
    """A body on the way. ``after_step``: it goes on once that step is done; ``None``: it is there from the start."""

    body: Body
    after_step: int | None = None

    def is_there(self, step: int) -> bool:
        """Say whether it is in place during a step, counted from 1."""
        return self.after_step is None or step > self.after_step


@dataclass(frozen=True, kw_only=True)
class StepFound:
    """What a step comes to; ``part`` and ``to`` come nearest, or touch first."""

    step: int  # from 1
    near: Near | None  # None: nothing within reach
    at: float
    part: str
    to: str
    contact_at: float | None
    sure_mm: float
    is_settled: bool  # every pair was looked at as closely as it must be


def walk(
    parts: Sequence[PathPart], fixed: Sequence[PathPart], moves: Sequence[Move], *, within_mm: float = np.inf
) -> tuple[StepFound, ...]:
    """Return each step of a path.

    Args:
        parts: Of the unit, where they stand before the first move.
        fixed: Of the vehicle.
        moves: In order; each starts where the one before ended.
        within_mm: A gap beyond it is of no interest.

    Source:
        Exact sweeps, see ``sweep``. Worked example install-path-with-lug.
    """
    found, done, left = [], AS_IS, MOST_LOOKS
    for step, move in enumerate(moves, start=1):
        here = [part.body.moved(done) for part in parts if part.is_there(step)]
        there = [part.body for part in fixed if part.is_there(step)]
        result, looks = _step(step, here, there, move, within_mm, left)
        found.append(result)
        left -= looks
        done = move.part(1.0).holding(done)
    return tuple(found)


def _step(
    step: int, here: Sequence[Body], there: Sequence[Body], move: Move, within_mm: float, most_looks: int
) -> tuple[StepFound, int]:
    best: tuple[float, float] | None = None
    found = StepFound(step=step, near=None, at=0.0, part="", to="", contact_at=None, sure_mm=0.0, is_settled=True)
    looks = 0
    for apart_mm, part, piece, other, still in _pairs(here, there, move):
        enough_mm = within_mm if best is None else best[1] if best[0] == 0.0 else 0.0
        if apart_mm > min(within_mm, enough_mm):
            break
        if looks >= most_looks:
            return replace(found, is_settled=False), looks
        swept = _swept(piece, still, move, min(within_mm, enough_mm))
        if swept is None:
            continue
        looks += swept.looks
        rank = _rank(swept)
        if swept.near.gap_mm <= within_mm and (best is None or rank < best):
            best = rank
            found = StepFound(
                step=step,
                near=swept.near,
                at=swept.at,
                part=part,
                to=other,
                contact_at=swept.contact_at,
                sure_mm=swept.sure_mm,
                is_settled=True,
            )
    return found, looks


@kept(1000)  # most changes leave most pairs as they were
def _swept(piece: Piece, still: Piece | LaidSurface, move: Move, enough_mm: float) -> Swept | None:
    if isinstance(still, LaidSurface):
        return sweep_past(piece, still, move, enough_mm=enough_mm)
    return sweep(piece, still, move, enough_mm=enough_mm)


def _pairs(
    here: Sequence[Body], there: Sequence[Body], move: Move
) -> list[tuple[float, str, Piece, str, Piece | LaidSurface]]:
    """Every pair of pieces with how far apart they stay at the least, by their bounds; the nearest first."""
    found: list[tuple[float, str, Piece, str, Piece | LaidSurface]] = []
    for part in here:
        for piece in part.pieces:
            bounds = _swept_bounds(piece, move)
            for other in there:
                for still in other.pieces:
                    apart_mm = float(bounds_apart_mm(bounds, still.bounds_mm))
                    found.append((apart_mm, part.name, piece, other.name, still))
                if other.surface is not None:
                    apart_mm = float(bounds_apart_mm(bounds, other.surface.bounds_mm).min()) - other.surface.noise_mm
                    found.append((apart_mm, part.name, piece, other.name, other.surface))
    return sorted(found, key=lambda one: one[0])


def _rank(swept: Swept) -> tuple[float, float]:
    """Contacts first, the earliest of them; then by gap."""
    if swept.contact_at is not None:
        return (-1.0, swept.contact_at)
    return (0.0, swept.near.gap_mm - swept.sure_mm)


def _swept_bounds(piece: Piece, move: Move) -> tuple[Floats, Floats]:
    """Least and greatest of x, y and z over the whole move."""
    low, high = piece.bounds_mm
    end = piece.moved(move.part(1.0))
    low, high = np.minimum(low, end.bounds_mm[0]), np.maximum(high, end.bounds_mm[1])
    angle = float(np.linalg.norm(move.turn_vector_rad))
    if angle > 0:  # the arc bulges beyond both ends by its rise at the most
        radius = float(np.linalg.norm(piece.corners_mm - move.about_mm, axis=1).max())
        rise = radius * (1 - np.cos(min(angle, np.pi) / 2)) if angle < np.pi else 2 * radius
        low, high = low - rise, high + rise
    return low, high


@dataclass(frozen=True, kw_only=True)
class Installed:
    """The least gap where the path ends, with everything on."""

    near: Near | None
    part: str
    to: str


def installed(parts: Sequence[PathPart], fixed: Sequence[PathPart], moves: Sequence[Move]) -> Installed:
    """Return the least gap once everything is on.

    Args:
        parts: As in ``walk``.
        fixed: As in ``walk``.
        moves: As in ``walk``.
    """
    done: Placed = AS_IS
    for move in moves:
        done = move.part(1.0).holding(done)
    best = Installed(near=None, part="", to="")
    for part in parts:
        body = part.body.moved(done)
        for other in fixed:
            within_mm = np.inf if best.near is None else best.near.gap_mm
            near = nearest_bodies(body, other.body, within_mm=within_mm)
            if near is not None and (best.near is None or _nearer(near, best.near)):
                best = Installed(near=near, part=part.body.name, to=other.body.name)
    return best


def _nearer(one: Near, other: Near) -> bool:
    return (one.gap_mm, -one.depth_mm) < (other.gap_mm, -other.depth_mm)
