"""Mounts as springs: rubber, hard, or an arm that holds along its own line, each in series with its bracket."""

import math
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.pose import cross_matrix

HARD_N_PER_MM: Final = 1e6  # in a direction that is held


@dataclass(frozen=True, kw_only=True)
class Springs:
    """Rubber along its own axes, and what it stands on: only the rubber stiffens when it shakes."""

    rubber_n_per_mm: Floats  # (3,)
    bracket_n_per_mm: Floats | None  # (3,)
    axes: Floats  # (3, 3)
    twist_nmm_per_rad: float  # of the rubber, about its own x
    twist_bracket_nmm_per_rad: float  # of what it stands on

    def stiffness(self, times: float) -> Floats:
        """Return what it holds with, the rubber so many times as stiff, (3, 3)."""
        own = _series(self.rubber_n_per_mm * times, self.bracket_n_per_mm)
        found: Floats = self.axes @ np.diag(own) @ self.axes.T
        return found

    def turning(self, times: float) -> Floats:
        """Return the same about its own x, (3, 3)."""
        own = self.twist_nmm_per_rad * times
        behind = self.twist_bracket_nmm_per_rad
        both = own if math.isinf(behind) else own * behind / (own + behind)
        found: Floats = both * np.outer(self.axes[:, 0], self.axes[:, 0])
        return found


@dataclass(frozen=True, kw_only=True)
class Hold:
    """A mount: ``f = -stiffness @ move`` of its point, ``m = -turning @ turn`` of the body, in the vehicle's axes."""

    name: str
    at_mm: Floats  # (3,)
    stiffness_n_per_mm: Floats  # (3, 3)
    directions: Floats  # held, unit vectors as rows, (n, 3)
    is_rubber: bool  # stiffens when it shakes
    turning_nmm_per_rad: Floats = field(default_factory=lambda: np.zeros((3, 3)))  # counted on, but holds no direction
    springs: "Springs | None" = None  # of rubber in series with its bracket

    def shaken(self, times: float) -> "Hold":
        """Return it with its rubber so many times as stiff; brackets, hard mounts and links stay as they are."""
        if self.springs is not None:
            stiffness, turning = self.springs.stiffness(times), self.springs.turning(times)
            return replace(self, stiffness_n_per_mm=stiffness, turning_nmm_per_rad=turning)
        return replace(self, stiffness_n_per_mm=self.stiffness_n_per_mm * times) if self.is_rubber else self

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
    twist_nmm_per_rad: float = 0.0,
    twist_bracket_nmm_per_rad: float = math.inf,
) -> Hold:
    """Return a rubber mount.

    Args:
        name: Of it.
        at_mm: Its middle, (3,).
        stiffness_n_per_mm: Along its own x, y and z, (3,).
        turn: Of its own axes in the vehicle's, (3, 3).
        bracket_n_per_mm: Of what it stands on, along the same, (3,).
        twist_nmm_per_rad: Of the rubber about its own x.
        twist_bracket_nmm_per_rad: Of what it stands on; without end where that gives nothing.

    Raises:
        ImpossibleInput: If a stiffness is below nought.

    Source:
        Springs in series, 1/k = Σ 1/k_i, per direction; K = R diag(k) Rᵀ.
    """
    if twist_nmm_per_rad < 0:
        raise ImpossibleInput("stiffness", twist_nmm_per_rad, "not below 0 N·mm a radian")
    springs = Springs(
        rubber_n_per_mm=stiffness_n_per_mm,
        bracket_n_per_mm=bracket_n_per_mm,
        axes=turn,
        twist_nmm_per_rad=twist_nmm_per_rad,
        twist_bracket_nmm_per_rad=twist_bracket_nmm_per_rad,
    )
    return Hold(
        name=name,
        at_mm=at_mm,
        stiffness_n_per_mm=springs.stiffness(1.0),
        directions=turn.T[np.flatnonzero(stiffness_n_per_mm > 0)],
        is_rubber=True,
        turning_nmm_per_rad=springs.turning(1.0),
        springs=springs,
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
