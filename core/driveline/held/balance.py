"""A rigid body on its mounts: where it goes under a load, and what each mount puts on it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.held.holds import Hold
from driveline.space.pose import cross_matrix

G_MS2: Final = 9.80665
LARGE_TURN_DEG: Final = 3.0  # beyond it small turns are no longer small


@dataclass(frozen=True, kw_only=True)
class Held:
    """The answer, one row a load."""

    moves_mm: Floats  # (c, 3), of the origin
    turns_rad: Floats  # (c, 3), small turns about the vehicle's axes
    forces_n: Floats  # (c, n, 3), that each mount puts on the body
    moments_nmm: Floats  # (c, n, 3), the same of rubber that is twisted
    mount_moves_mm: Floats  # (c, n, 3), of the body at each mount


def wrench(force_n: Floats, moment_nmm: Floats, at_mm: Floats) -> Floats:
    """Return a force at a place and a moment as one load about the origin, (6,).

    Args:
        force_n: (3,).
        moment_nmm: (3,).
        at_mm: Where the force acts, (3,).

    Source:
        Statics.
    """
    return np.concatenate([force_n, cross_matrix(at_mm) @ force_n + moment_nmm])


def inertia_wrench(mass_kg: float, cg_mm: Floats, g_xyz: Floats, moment_nm: Floats) -> Floats:
    """Return an inertia force in g at the centre of gravity, and a moment, as a load about the origin.

    Args:
        mass_kg: Of the body.
        cg_mm: Its centre of gravity, (3,).
        g_xyz: Of the inertia force; standing still is (0, 0, -1).
        moment_nm: On the body, (3,).

    Source:
        F = m g a.
    """
    return wrench(mass_kg * G_MS2 * g_xyz, 1000.0 * moment_nm, cg_mm)


def stiffness_of(holds: Sequence[Hold]) -> Floats:
    """Return what all mounts together hold the body with, N/mm, N and N·mm, (6, 6).

    Args:
        holds: The mounts.

    Source:
        K = Σ Bᵀ k B, B = [1, -r×], and what twisted rubber adds against turns.
    """
    found: Floats = stiffness_at(*arrays_of(holds)) + turning_of(holds)
    return found


def turning_of(holds: Sequence[Hold]) -> Floats:
    """Return what twisted rubber holds the body with, (6, 6).

    Args:
        holds: The mounts.

    Source:
        Σ κ n nᵀ against turns.
    """
    found = np.zeros((6, 6))
    for one in holds:
        found[3:, 3:] += one.turning_nmm_per_rad
    return found


def twisted_nmm(holds: Sequence[Hold], turns_rad: Floats) -> Floats:
    """Return the moment that each mount's rubber puts on a body so turned, (c, n, 3).

    Args:
        holds: The mounts.
        turns_rad: (c, 3).

    Source:
        m = -κ n nᵀ θ.
    """
    turning = np.array([one.turning_nmm_per_rad for one in holds]).reshape(-1, 3, 3)
    found: Floats = -np.einsum("nij,cj->cni", turning, turns_rad)
    return found


def arrays_of(holds: Sequence[Hold]) -> tuple[Floats, Floats]:
    """Return every mount's reach, (n, 3, 6), and stiffness in N/mm, (n, 3, 3)."""
    reach = np.array([one.reach for one in holds]).reshape(-1, 3, 6)
    return reach, np.array([one.stiffness_n_per_mm for one in holds]).reshape(-1, 3, 3)


def stiffness_at(reach: Floats, springs: Floats) -> Floats:
    """Return the same of mounts as arrays, but for twisted rubber.

    Args:
        reach: Of each, (n, 3, 6).
        springs: Stiffnesses, N/mm, (..., n, 3, 3).

    Source:
        As ``stiffness_of``.
    """
    found: Floats = (reach.transpose(0, 2, 1) @ springs @ reach).sum(axis=-3)
    return found


def hold(holds: Sequence[Hold], loads: Floats) -> Held:
    """Return where the body goes under loads, and what its mounts put on it.

    Args:
        holds: The mounts, which must hold it all ways: ``free_motions`` is empty.
        loads: About the origin, force N then moment N·mm, (c, 6).

    Raises:
        ImpossibleInput: If it is not held all ways.

    Source:
        Linear, small turns: K q = load, f = -k (t + θ × r), m = -κ θ. Worked examples mounts-three-with-torque-arm
        and others.
    """
    if free_motions(holds):
        raise ImpossibleInput("mounts", len(holds), "enough to hold the unit all ways")
    return balanced(holds, loads)


def balanced(holds: Sequence[Hold], loads: Floats) -> Held:
    """Return the same of mounts that are known to hold it all ways.

    Args:
        holds: The mounts.
        loads: As in ``hold``.

    Source:
        As in ``hold``.
    """
    scale, scaled = scales(holds), _scaled(holds)
    reach, springs = arrays_of(holds)
    moves = np.linalg.solve(scaled, (loads / scale).T).T / scale
    at_mounts = np.einsum("nij,cj->cni", reach, moves)
    return Held(
        moves_mm=moves[:, :3],
        turns_rad=moves[:, 3:],
        forces_n=-np.einsum("nij,cnj->cni", springs, at_mounts),
        moments_nmm=twisted_nmm(holds, moves[:, 3:]),
        mount_moves_mm=at_mounts,
    )


def _scaled(holds: Sequence[Hold]) -> Floats:
    """Their stiffness, with turns and shifts of one size."""
    scale = scales(holds)
    reach, springs = arrays_of(holds)
    found: Floats = (stiffness_at(reach, springs) + turning_of(holds)) / scale[:, None] / scale[None, :]
    return found


def is_held_by_something(holds: Sequence[Hold]) -> bool:
    """Say whether mounts hold a body every way by more than what rounding leaves of the stiffest."""
    return bool(np.linalg.cond(_scaled(holds)) < WORST_CONDITION)


def scales(holds: Sequence[Hold]) -> Floats:
    """Return what makes turns and shifts of one size, the mounts' reach, (6,)."""
    at = np.array([one.at_mm for one in holds])
    return np.concatenate([np.ones(3), np.full(3, _reach_mm(at))])


def _reach_mm(at_mm: Floats) -> float:
    return max(float(np.linalg.norm(at_mm - at_mm.mean(axis=0), axis=1).max()), 1.0)


@dataclass(frozen=True, kw_only=True)
class FreeMotion:
    """A motion that nothing holds: a slide, or a turn about a line, with a pitch where it is a screw."""

    kind: str  # slide, turn about a line, screw
    direction: Floats  # (3,), unit
    at_mm: Floats  # (3,), the line's point nearest the origin; the origin of a slide
    pitch_mm_per_rad: float
    twist: Floats  # (6,): shift of the origin for one radian, or one mm of a slide


SMALL: Final = 1e-9
WORST_CONDITION: Final = 1e12  # of a stiffness: four figures of an answer are left


def held_rows(holds: Sequence[Hold]) -> Floats:
    """Return each held direction with its moment arm, (n, 6).

    Args:
        holds: The mounts.

    Source:
        The body's motion along n at r is the row n, r × n.
    """
    if not holds:
        return np.zeros((0, 6))
    ways = np.concatenate([one.directions for one in holds])
    at = np.repeat([one.at_mm for one in holds], [len(one.directions) for one in holds], axis=0)
    return np.hstack([ways, np.cross(at, ways)])


def held_count(holds: Sequence[Hold]) -> int:
    """Return how many directions are held, counted at each mount."""
    return sum(len(one.directions) for one in holds)


def free_motions(holds: Sequence[Hold]) -> tuple[FreeMotion, ...]:
    """Return what the body can still do; nothing where it is held all ways.

    Args:
        holds: The mounts, in whatever number.

    Source:
        Null space of the held directions; a twist (v, w) is a screw about w through (w × v)/|w|², of pitch w·v/|w|².
    """
    rows = held_rows(holds)
    if not len(rows):
        rows = np.zeros((1, 6))
    at = np.array([one.at_mm for one in holds]) if holds else np.zeros((1, 3))
    scale = np.concatenate([np.ones(3), np.full(3, 1 / _reach_mm(at))])
    middle = at.mean(axis=0)
    # About the mounts' own middle, so that a far origin doesn't drown them.
    about = rows.copy()
    about[:, 3:] -= np.cross(middle, rows[:, :3])
    _, sizes, basis = np.linalg.svd(about * scale)
    rank = int((sizes > SMALL * max(sizes[0], 1.0)).sum())
    return tuple(_motion(twist * scale, middle) for twist in basis[rank:])


def _motion(twist: Floats, about_mm: Floats) -> FreeMotion:
    shift, turn = twist[:3], twist[3:]
    size = float(np.linalg.norm(turn))
    if size * _FAR_MM < float(np.linalg.norm(shift)):
        way = shift / np.linalg.norm(shift)
        return FreeMotion(
            kind="slide",
            direction=way,
            at_mm=np.zeros(3),
            pitch_mm_per_rad=0.0,
            twist=np.concatenate([way, np.zeros(3)]),
        )
    way = turn / size
    at_origin = shift / size + np.cross(way, -about_mm)  # the same motion, of the point that lies at the origin
    pitch = float(way @ at_origin)
    return FreeMotion(
        kind="turn about a line" if abs(pitch) < _PITCH_MM else "screw",
        direction=way,
        at_mm=np.cross(way, at_origin),
        pitch_mm_per_rad=pitch if abs(pitch) >= _PITCH_MM else 0.0,
        twist=np.concatenate([at_origin, way]),
    )


_FAR_MM: Final = 1e7  # a line farther off than that is a slide
_PITCH_MM: Final = 1e-6
