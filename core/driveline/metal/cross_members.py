"""A tube or box from rail to rail with loads along it: what each end hands on, and what bends it in between."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.metal.beams import top_stiffness
from driveline.metal.sections import Section
from driveline.space.pose import cross_matrix

LEAST_MM: Final = 1.0  # from a load to an end
MOST_MM: Final = 20_000.0  # longer than any vehicle is wide: a wrong figure
_BENDS: Final = (4, 5)  # moments about the level line across it and the upright one
_BACKWARD: Final = np.diag([1.0, 1.0, 1.0, 1.0, -1.0, -1.0])  # of a length that runs to the place from beyond it


@dataclass(frozen=True, kw_only=True)
class CrossMember:
    """A straight member. x runs along it from its first end; y lies level, z as upright as it can."""

    section: Section
    length_mm: float
    e_mpa: float

    def __post_init__(self) -> None:
        if not 2 * LEAST_MM < self.length_mm <= MOST_MM:
            between = f"above {fig(2 * LEAST_MM, 'mm')}, to {fig(MOST_MM / 1000, 'm', 0)}"
            raise ImpossibleInput("length", fig(self.length_mm, "mm"), between)


def _carried(x_mm: Floats, to_mm: float, loads: Floats) -> Floats:
    """Loads, (c, n, 6), that act at x, (n,), as they are at another place: a force brings its moment along."""
    found = loads.copy()
    arms = x_mm - to_mm
    found[..., 4] -= arms * loads[..., 2]
    found[..., 5] += arms * loads[..., 1]
    return found


def _held(member: CrossMember, at_mm: float) -> tuple[Floats, Floats]:
    """What each of both lengths, held at its end, holds a place of the member with, (6, 6)."""
    lengths = np.array([at_mm, member.length_mm - at_mm])
    near, far = top_stiffness(member.section, lengths, member.e_mpa)
    return near, _BACKWARD @ far @ _BACKWARD


def _within(member: CrossMember, x_mm: Floats) -> Floats:
    return np.clip(x_mm, LEAST_MM, member.length_mm - LEAST_MM)


@dataclass(frozen=True, kw_only=True)
class MemberEnds:
    """What each end puts on what holds it, a row each case and load: force N, moment N·mm, (c, n, 6)."""

    first: Floats
    other: Floats


def held_ends(member: CrossMember, x_mm: Floats, loads: Floats) -> MemberEnds:
    """Return what the ends put on what holds them wholly, turns too.

    Args:
        member: It.
        x_mm: Where the loads act on its middle line, (n,).
        loads: Force and moment of each in each case, (c, n, 6).

    Source:
        Both lengths as beams held at their ends, 12 E I/L³, 6 E I/L², 4 E I/L, E A/L and G J/L, K q = load; F L/8 at
        each end of a force in its middle.
    """
    at = _within(member, x_mm)
    first, other = np.zeros_like(loads), np.zeros_like(loads)
    for k, x in enumerate(at.tolist()):
        near, far = _held(member, x)
        moves = np.linalg.solve(near + far, loads[:, k].T)
        first[:, k], other[:, k] = (near @ moves).T, (far @ moves).T
    return MemberEnds(first=_carried(at, 0.0, first), other=_carried(at, member.length_mm, other))


def pinned_ends(member: CrossMember, x_mm: Floats, loads: Floats) -> MemberEnds:
    """Return what the ends put on what holds them against everything but bending: rails that give way to it.

    Args:
        member: It.
        x_mm: As in ``held_ends``, (n,).
        loads: The same, (c, n, 6).

    Source:
        Statics across; along and about itself as ``held_ends``.
    """
    at = _within(member, x_mm)
    held = held_ends(member, at, loads)
    about_first = _carried(at, 0.0, loads)
    other = held.other.copy()
    other[..., 2] = -about_first[..., 4] / member.length_mm
    other[..., 1] = about_first[..., 5] / member.length_mm
    first = held.first.copy()
    first[..., 1:3] = loads[..., 1:3] - other[..., 1:3]
    first[..., _BENDS] = other[..., _BENDS] = 0.0
    return MemberEnds(first=first, other=other)


def inside(member: CrossMember, x_mm: Floats, loads: Floats, ends: MemberEnds) -> tuple[Floats, Floats]:
    """Return where a member is cut, (s,), and what its cut faces bear there of each load, (c, s, n, 6).

    Cut at both ends, and at each load on either side of it.

    Source:
        Balance of what lies before the cut.
    """
    at = _within(member, x_mm)
    cuts = np.array([0.0, *np.repeat(at, 2), member.length_mm])
    is_past = np.array([False, *([False, True] * len(at)), True])
    found = np.zeros((len(loads), len(cuts), len(at), 6))
    for row, (x, past) in enumerate(zip(cuts.tolist(), is_past.tolist(), strict=True)):
        before = (at < x) | (past & (at == x))
        taken = _carried(np.zeros(len(at)), x, ends.first)
        found[:, row] = taken - before[:, None] * _carried(at, x, loads)
    return cuts, found


def gives_at(member: CrossMember, x_mm: float, off_mm: Floats) -> Floats:
    """Return how far a place beside the member moves for a force there, mm/N, (3, 3), its ends held.

    Args:
        member: It.
        x_mm: Where it stands on the member.
        off_mm: From there to the place, (3,).

    Source:
        B K⁻¹ Bᵀ of both lengths as in ``held_ends``.
    """
    near, far = _held(member, float(_within(member, np.array([x_mm]))[0]))
    reach = np.hstack([np.eye(3), -cross_matrix(off_mm)])
    return np.asarray(reach @ np.linalg.inv(near + far) @ reach.T, dtype=np.float64)
