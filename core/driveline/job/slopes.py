"""How far a margin goes with each reading by itself, up and down by its u."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.checks import Check
from driveline.job.moved import Margins
from driveline.job.places import Place

KINK: Final = 0.05  # the slopes up and down differ by more of the ±: it is drawn, not taken as straight
NO_MOVE: Final = 1e-9


@dataclass(frozen=True, slots=True)
class Move:
    """All margins with one reading up by its u, and down."""

    place: Place
    up: Margins
    down: Margins


@dataclass(frozen=True, slots=True)
class Slopes:
    """How far a margin goes with each of some readings, (n,) each."""

    up: Floats
    down: Floats

    @property
    def variances(self) -> Floats:
        """What each reading gives to the margin's variance."""
        found: Floats = (self.up**2 + self.down**2) / 2
        return found

    @property
    def total(self) -> float:
        """The root of their sum."""
        return math.sqrt(np.sum(self.variances))

    @property
    def is_kinked(self) -> bool:
        """Whether it goes another way up than down."""
        return bool(np.any(np.abs(self.up + self.down) > KINK * self.total))

    def moves(self, check: Check) -> bool:
        """Say whether the check's margin moves at all."""
        return self.total > NO_MOVE * abs(check.margin or 0.0)

    def apart(self, normals: Floats) -> Floats:
        """Return how far the margin would go if each reading moved it without regard to the others, in spreads.

        Args:
            normals: How many u each reading is off, (d, n).

        Returns:
            (d, 2): straight on either side of each reading as it is; and what is to be added where that is no kink but
            a curve, a parabola through the same three places.
        """
        straight = np.maximum(normals, 0.0) @ self.up + np.maximum(-normals, 0.0) @ self.down
        curved = (normals**2 - np.abs(normals)) @ ((self.up + self.down) / 2)
        return np.column_stack([straight, curved]) / self.total


def slopes_of(check: Check, moves: Sequence[Move]) -> Slopes:
    """Return the slopes of a check's margin over all readings with a ±."""
    margin = check.margin or 0.0
    ups, downs = ([one.up.get(check.key) for one in moves], [one.down.get(check.key) for one in moves])
    up, down = (np.array([0.0 if now is None else now - margin for now in side]) for side in (ups, downs))
    return Slopes(up, down)


def lost_at(check: Check, moves: Sequence[Move]) -> str | None:
    """Return what leaves a check without an answer when it moves by its ±."""
    for one in moves:
        if one.up.get(check.key) is None or one.down.get(check.key) is None:
            return f"Moved by its ±, {one.place.what} leaves no answer: no range can be given."
    return None
