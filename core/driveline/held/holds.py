"""Mounts as springs: rubber, hard, or an arm that holds along its own line, each in series with its bracket."""

from dataclasses import dataclass, field
from functools import cached_property
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.pose import cross_matrix

HARD_N_PER_MM: Final = 1e6  # in a direction that is held


@dataclass(frozen=True, kw_only=True)
class Hold:
    """A mount: ``f = -stiffness @ move`` of its point, ``m = -turning @ turn`` of the body, in the vehicle's axes."""

    name: str
    at_mm: Floats  # (3,)
    stiffness_n_per_mm: Floats  # (3, 3)
    directions: Floats  # held, unit vectors as rows, (n, 3)
    is_rubber: bool  # stiffens when it shakes
    turning_nmm_per_rad: Floats = field(default_factory=lambda: np.zeros((3, 3)))  # counted on, but holds no direction

    @cached_property
    def reach(self) -> Floats:
        """The move of its point for a shift and small turn of the body, (3, 6)."""
        return np.hstack([np.eye(3), -cross_matrix(self.at_mm)])


def _series(own: Floats, bracket: Floats | None) -> Floats:
    """Own stiffness with the bracket's behind it, per direction; a direction of no stiffness stays so."""
    if (own < 0).any() or (bracket is not None and (bracket <= 0).any()):
        raise ImpossibleInput("stiffness", float(own.min()), "not below 0 N/mm, of a bracket above it")
    if bracket is None:
        return own
    found: Floats = own * bracket / (own + bracket)
    return found


def rubber(
    name: str,
    at_mm: Floats,
    stiffness_n_per_mm: Floats,
    *,
    turn: Floats,
    bracket_n_per_mm: Floats | None = None,
    turning_nmm_per_rad: float = 0.0,
) -> Hold:
    """Return a rubber mount.

    Args:
        name: Of it.
        at_mm: Its middle, (3,).
        stiffness_n_per_mm: Along its own x, y and z, (3,).
        turn: Of its own axes in the vehicle's, (3, 3).
        bracket_n_per_mm: Of what it stands on, along the same, (3,).
        turning_nmm_per_rad: About its own x, what it stands on in series.

    Raises:
        ImpossibleInput: If a stiffness is below nought.

    Source:
        Springs in series, 1/k = Σ 1/k_i, per direction; K = R diag(k) Rᵀ.
    """
    own = _series(stiffness_n_per_mm, bracket_n_per_mm)
    if turning_nmm_per_rad < 0:
        raise ImpossibleInput("stiffness", turning_nmm_per_rad, "not below 0 N·mm a radian")
    held = np.flatnonzero(own > 0)
    return Hold(
        name=name,
        at_mm=at_mm,
        stiffness_n_per_mm=turn @ np.diag(own) @ turn.T,
        directions=turn.T[held],
        is_rubber=True,
        turning_nmm_per_rad=turning_nmm_per_rad * np.outer(turn[:, 0], turn[:, 0]),
    )


def hard(
    name: str,
    at_mm: Floats,
    held_xyz: tuple[bool, bool, bool],
    *,
    turn: Floats,
    bracket_n_per_mm: Floats | None = None,
) -> Hold:
    """Return a mount without rubber, that holds in some directions.

    Args:
        name: Of it.
        at_mm: Where it holds, (3,).
        held_xyz: Along its own axes.
        turn: Of those in the vehicle's, (3, 3).
        bracket_n_per_mm: Along the same, (3,).

    Source:
        1e6 N/mm in a held direction, nothing in a free one, ENGINEERING 12.
    """
    own = _series(np.where(held_xyz, HARD_N_PER_MM, 0.0), bracket_n_per_mm)
    return Hold(
        name=name,
        at_mm=at_mm,
        stiffness_n_per_mm=turn @ np.diag(own) @ turn.T,
        directions=turn.T[np.flatnonzero(held_xyz)],
        is_rubber=False,
    )


def arm(name: str, at_mm: Floats, along: Floats, stiffness_n_per_mm: float, *, is_rubber: bool) -> Hold:
    """Return a torque arm, or a link: it holds along its own line only.

    Args:
        name: Of it.
        at_mm: Its end on the unit, (3,).
        along: Its line, of any length, (3,).
        stiffness_n_per_mm: Along it.
        is_rubber: Its ends are bushes, which stiffen when they shake.

    Raises:
        ImpossibleInput: If the line has no length or the stiffness is not above nought.

    Source:
        K = k n nᵀ.
    """
    length = float(np.linalg.norm(along))
    if length == 0 or not stiffness_n_per_mm > 0:
        raise ImpossibleInput("arm", length, "of a length and a stiffness above 0")
    line = along / length
    return Hold(
        name=name,
        at_mm=at_mm,
        stiffness_n_per_mm=stiffness_n_per_mm * np.outer(line, line),
        directions=line[None, :],
        is_rubber=is_rubber,
    )
