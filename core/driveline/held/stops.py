"""Bushes that bottom: past their travel a stop takes over, so that the answer is made of pieces."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.held.balance import (
    Held,
    arrays_of,
    balanced,
    is_held_by_something,
    scales,
    stiffness_at,
    turning_of,
    twisted_nmm,
)
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
    if not is_held_by_something(holds):
        return _unsettled(holds, loads)
    free = balanced(holds, loads)
    bottomed = np.zeros((len(loads), len(holds)))
    if all(limit is None for limit in limits):
        return OnStops(held=free, bottomed=bottomed, settled=True)
    stops = _Stops.of(holds, limits)
    on = np.zeros((len(loads), len(holds), 3))  # the sign of a stop that is reached
    found = {name: getattr(free, name).copy() for name in free.__dataclass_fields__}
    tried: list[set[bytes]] = [set() for _ in loads]
    left, settled = np.arange(len(loads)), True
    for _ in range(MOST_PASSES):
        now = stops.reached(found["mount_moves_mm"][left])
        changes = (now != on[left]).any(axis=(1, 2))
        # Round and round: no pass more would settle it.
        is_new = np.array(
            [row.tobytes() not in tried[k] for k, row in zip(left.tolist(), now, strict=True)], dtype=bool
        )
        settled = settled and not (changes & ~is_new).any()
        left, now = left[changes & is_new], now[changes & is_new]
        if not len(left):
            break
        for k, row in zip(left.tolist(), now, strict=True):
            tried[k].add(row.tobytes())
        on[left] = now
        for name, value in vars(stops.held(now, loads[left])).items():
            found[name][left] = value
    return OnStops(held=Held(**found), bottomed=(on != 0).any(axis=2).astype(float), settled=settled and not len(left))


@dataclass(frozen=True, kw_only=True)
class _Stops:
    """The mounts as arrays, each with the stops that it has along its own axes."""

    holds: tuple[Hold, ...]
    springs: Floats  # (n, 3, 3)
    turning: Floats  # (6, 6), of twisted rubber
    reach: Floats  # (n, 3, 6)
    scale: Floats  # (6,)
    axes: Floats  # (n, 3, 3)
    travel_mm: Floats  # (n, 3)

    @classmethod
    def of(cls, holds: Sequence[Hold], limits: Sequence[Limit | None]) -> "_Stops":
        reach, springs = arrays_of(holds)
        return cls(
            holds=tuple(holds),
            springs=springs,
            turning=turning_of(holds),
            reach=reach,
            scale=scales(holds),
            axes=np.array([limit.turn if limit else np.eye(3) for limit in limits]),
            travel_mm=np.array([limit.travel_mm if limit else np.full(3, np.inf) for limit in limits]),
        )

    def reached(self, moves_mm: Floats) -> Floats:
        """The sign of each stop that mounts so moved are on, (c, n, 3)."""
        own = np.einsum("nji,cnj->cni", self.axes, moves_mm)
        return np.where(np.abs(own) > self.travel_mm - TIGHT_MM, np.sign(own), 0.0)

    def held(self, on: Floats, loads: Floats) -> Held:
        """The answer with some stops in, (c, n, 3), each a spring that begins at its travel."""
        stops = np.einsum("nij,cnj,nkj->cnik", self.axes, np.abs(on) * STOP_N_PER_MM, self.axes)
        begins = np.where(np.isfinite(self.travel_mm), self.travel_mm, 0.0) * on
        pushes = np.einsum("cnij,cnj->cni", stops, np.einsum("nij,cnj->cni", self.axes, begins))
        springs = self.springs + stops
        scaled = (stiffness_at(self.reach, springs) + self.turning) / self.scale[:, None] / self.scale
        right = (loads + np.einsum("nia,cni->ca", self.reach, pushes)) / self.scale
        moves = np.linalg.solve(scaled, right[..., None])[..., 0] / self.scale
        at_mounts = np.einsum("nij,cj->cni", self.reach, moves)
        return Held(
            moves_mm=moves[:, :3],
            turns_rad=moves[:, 3:],
            forces_n=pushes - np.einsum("cnij,cnj->cni", springs, at_mounts),
            moments_nmm=twisted_nmm(self.holds, moves[:, 3:]),
            mount_moves_mm=at_mounts,
        )


def _unsettled(holds: Sequence[Hold], loads: Floats) -> OnStops:
    """No answer, in the shape of one."""
    none = np.zeros((len(loads), len(holds), 3))
    held = Held(
        moves_mm=np.zeros((len(loads), 3)),
        turns_rad=np.zeros((len(loads), 3)),
        forces_n=none,
        moments_nmm=none,
        mount_moves_mm=none,
    )
    return OnStops(held=held, bottomed=np.zeros((len(loads), len(holds))), settled=False)


def unbalanced(holds: Sequence[Hold], held: Held, loads: Floats) -> float:
    """Return the greatest part of a load that the mounts leave over: nought but for rounding.

    Args:
        holds: The mounts.
        held: The answer.
        loads: (c, 6).
    """
    at = np.array([one.at_mm for one in holds])
    forces = held.forces_n.sum(axis=1) + loads[:, :3]
    moments = np.cross(at[None], held.forces_n).sum(axis=1) + held.moments_nmm.sum(axis=1) + loads[:, 3:]
    size = np.maximum(np.linalg.norm(loads[:, :3], axis=1), 1.0)
    reach = max(float(np.abs(at).max()), 1.0)
    return float(
        max((np.linalg.norm(forces, axis=1) / size).max(), (np.linalg.norm(moments, axis=1) / size / reach).max())
    )
