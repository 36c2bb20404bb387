"""Bushes that bottom: past their travel a stop takes over, so that the answer is made of pieces."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.held.balance import Held, balanced
from driveline.held.holds import Hold

STOP_N_PER_MM: Final = 2e4  # of metal on a thin rest of rubber
MOST_PASSES: Final = 40
TIGHT_MM: Final = 1e-9


@dataclass(frozen=True, kw_only=True)
class Limit:
    """How far a mount lets the body move along its own axes before it bottoms; ``inf`` for no limit."""

    turn: Floats  # of its own axes in the vehicle's, (3, 3)
    travel_mm: Floats  # (3,), either way


@dataclass(frozen=True, kw_only=True)
class OnStops:
    """The answer with stops; ``bottomed`` says which mounts are on one, by load, (c, n)."""

    held: Held
    bottomed: Floats
    settled: bool


def hold_on_stops(holds: Sequence[Hold], limits: Sequence[Limit | None], loads: Floats) -> OnStops:
    """Return where the body goes when bushes bottom.

    Args:
        holds: The mounts, that hold it all ways.
        limits: Of each, or ``None``.
        loads: (c, 6), about the origin.

    Source:
        Piecewise linear springs; stops that are reached are taken in, those that pull are left off, until none changes.
        Where they never agree it is not settled, and no answer.
    """
    free = balanced(holds, loads)
    bottomed, settled = np.zeros((len(loads), len(holds))), True
    if all(limit is None for limit in limits):
        return OnStops(held=free, bottomed=bottomed, settled=settled)
    axes = np.array([limit.turn if limit else np.eye(3) for limit in limits])
    travel = np.array([limit.travel_mm if limit else np.full(3, np.inf) for limit in limits])
    own = np.einsum("nji,cnj->cni", axes, free.mount_moves_mm)
    found = Held(**{name: getattr(free, name).copy() for name in free.__dataclass_fields__})
    for row in np.flatnonzero((np.abs(own) > travel - TIGHT_MM).any(axis=(1, 2))):
        one = _one(holds, axes, travel, loads[row])
        for name in found.__dataclass_fields__:
            getattr(found, name)[row] = getattr(one.held, name)[0]
        bottomed[row], settled = one.bottomed[0], settled and one.settled
    return OnStops(held=found, bottomed=bottomed, settled=settled)


def _one(holds: Sequence[Hold], axes: Floats, travel: Floats, load: Floats) -> OnStops:
    on, tried = np.zeros((len(holds), 3)), set[bytes]()  # the sign of a stop that is reached
    for _ in range(MOST_PASSES):
        found, own = _with_stops(holds, axes, travel, on, load)
        now = np.where(np.abs(own) > travel - TIGHT_MM, np.sign(own), 0.0)
        if (now == on).all():
            return OnStops(held=found, bottomed=(on != 0).any(axis=1)[None, :].astype(float), settled=True)
        if now.tobytes() in tried:
            break  # round and round: no pass more would settle it
        tried.add(now.tobytes())
        on = now
    return OnStops(held=found, bottomed=(on != 0).any(axis=1)[None, :].astype(float), settled=False)


def _with_stops(holds: Sequence[Hold], axes: Floats, travel: Floats, on: Floats, load: Floats) -> tuple[Held, Floats]:
    """The answer with some stops in, each a spring that begins at its travel; and the moves along own axes."""
    stiffer, pushed = list(holds), load.copy()
    for k, one in enumerate(holds):
        if not on[k].any():
            continue
        stop = axes[k] @ np.diag(np.abs(on[k]) * STOP_N_PER_MM) @ axes[k].T
        begins = axes[k] @ np.where(on[k] != 0, on[k] * np.where(np.isfinite(travel[k]), travel[k], 0.0), 0.0)
        stiffer[k] = replace(one, stiffness_n_per_mm=one.stiffness_n_per_mm + stop)
        pushed = pushed + one.reach.T @ stop @ begins
    held = balanced(stiffer, pushed[None])
    forces = held.forces_n.copy()
    for k in range(len(holds)):
        if on[k].any():
            stop = axes[k] @ np.diag(np.abs(on[k]) * STOP_N_PER_MM) @ axes[k].T
            begins = axes[k] @ (on[k] * np.where(np.isfinite(travel[k]), travel[k], 0.0))
            forces[0, k] += stop @ begins
    own = np.array([turn.T @ move for turn, move in zip(axes, held.mount_moves_mm[0], strict=True)])
    return replace(held, forces_n=forces), own


def unbalanced(holds: Sequence[Hold], held: Held, loads: Floats) -> float:
    """Return the greatest part of a load that the mounts leave over: nought but for rounding.

    Args:
        holds: The mounts.
        held: The answer.
        loads: (c, 6).
    """
    at = np.array([one.at_mm for one in holds])
    forces = held.forces_n.sum(axis=1) + loads[:, :3]
    moments = np.cross(at[None], held.forces_n).sum(axis=1) + loads[:, 3:]
    size = np.maximum(np.linalg.norm(loads[:, :3], axis=1), 1.0)
    reach = max(float(np.abs(at).max()), 1.0)
    return float(
        max((np.linalg.norm(forces, axis=1) / size).max(), (np.linalg.norm(moments, axis=1) / size / reach).max())
    )
