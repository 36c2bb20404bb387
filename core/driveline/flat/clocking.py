"""Which way round the motor goes: the least ligament against the clocking angle, and the best angle there is."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.flat.holes import Disc, wanted_ligament_mm

GRID_DEG: Final = 0.5
SETTLED_DEG: Final = 1e-7
SETTLED_SHARE: Final = 1e-9
MOST_SPANS: Final = 20_000  # looked at together; a search that wants more has not settled


@dataclass(frozen=True, slots=True)
class Window:
    """Clocking angles between which every ligament is enough; ``to_deg`` may pass 360."""

    from_deg: float
    to_deg: float


WHOLE_TURN: Final = Window(0.0, 360.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Clocking:
    """Least share of the wanted ligament over a whole turn of the motor."""

    angle_deg: Floats
    share: Floats
    closest: tuple[tuple[str, int], ...]  # which fixed hole and which of the motor's are nearest, per angle
    windows: tuple[Window, ...]  # inside the span that is allowed
    best_deg: float  # in the span that is allowed
    best_share: float
    is_settled: bool  # False: the search for the best came to its bound


def clocking(
    fixed: Sequence[Disc],
    moving_xy: Floats,
    moving_diameter_mm: float,
    *,
    factor: float,
    allowed: Window | None = None,
) -> Clocking:
    """Return how the least ligament changes as the motor is turned through a whole turn.

    Args:
        fixed: The flange's holes as drawn.
        moving_xy: The motor's holes on the plate at 0°, (n, 2), mm.
        moving_diameter_mm: Of their hole or counterbore, the larger.
        factor: As for ``ligaments``.
        allowed: Angles between which the motor may stand at all; the whole turn when left out.

    Returns:
        Shares every half degree of a whole turn; the windows where all are 1 or more and the best angle of all,
        both in the span that is allowed. The best is sought by bounds, not on the grid.

    Raises:
        ImpossibleInput: If either pattern is empty, or the span is not between 0 and 360 degrees long.

    Source:
        Gap between circles less half of each; the best by branch and bound: a radian of turn moves no hole by
        more than its radius.
    """
    if not fixed or not len(moving_xy):
        raise ImpossibleInput("holes", 0, "at least one on the flange and one on the motor")
    span = allowed or WHOLE_TURN
    if not 0 <= span.to_deg - span.from_deg <= 360:
        raise ImpossibleInput("allowed", span.to_deg - span.from_deg, "from 0 to 360 degrees long")
    pattern = _Patterns(fixed, moving_xy, moving_diameter_mm, factor)
    angles = np.arange(0, 360, GRID_DEG)
    share, closest = pattern.least_and_closest(angles)
    best_deg, best_share, is_settled = _best(pattern, span)
    windows = _windows(pattern.least_share, angles, share)
    return Clocking(
        angle_deg=angles,
        share=share,
        closest=closest,
        windows=windows if allowed is None else tuple(part for one in windows for part in _overlaps(one, allowed)),
        best_deg=best_deg % 360,
        best_share=best_share,
        is_settled=is_settled,
    )


def _overlaps(one: Window, allowed: Window) -> list[Window]:
    """Parts of a window that are allowed; the turn closes on itself, so it is laid over three times."""
    parts = []
    for turns in (-360.0, 0.0, 360.0):
        start, end = max(one.from_deg + turns, allowed.from_deg), min(one.to_deg + turns, allowed.to_deg)
        if start < end:
            parts.append(Window(start % 360, start % 360 + end - start))
    return parts


class _Patterns:
    """Fixed holes and turning ones: how near the nearest pair comes at any angle."""

    def __init__(self, fixed: Sequence[Disc], moving_xy: Floats, moving_diameter_mm: float, factor: float) -> None:
        self._ids = [disc.id for disc in fixed]
        self._moving = moving_xy
        self._centres = np.array([[disc.x_mm, disc.y_mm] for disc in fixed])
        diameters = np.array([disc.diameter_mm for disc in fixed])
        bores = np.array([disc.is_bore for disc in fixed])
        self._wanted = wanted_ligament_mm(diameters, moving_diameter_mm, factor, has_bore=bores)
        self._clear = (diameters + moving_diameter_mm) / 2
        # Turned by φ, hole i is √(r_i² + r_j² − 2 r_i·r_j) from hole j; the product is a cosφ + b sinφ.
        dot = moving_xy @ self._centres.T
        cross = moving_xy[:, :1] * self._centres[:, 1] - moving_xy[:, 1:] * self._centres[:, 0]
        self._turning = -2 * np.stack([dot.ravel(), cross.ravel()])
        self._still = ((moving_xy**2).sum(axis=1)[:, None] + (self._centres**2).sum(axis=1)).ravel()
        # Turning by a radian moves a hole along its circle, and so its gap by no more than the smaller radius.
        reach = np.minimum(np.hypot(*moving_xy.T)[:, None], np.hypot(*self._centres.T))
        self._slope_per_deg = np.radians(reach / self._wanted)

    def _shares(self, angles_deg: Floats) -> Floats:
        angle = np.radians(angles_deg)
        squared = np.column_stack([np.cos(angle), np.sin(angle)]) @ self._turning + self._still
        apart = np.sqrt(np.maximum(squared, 0.0)).reshape(len(angles_deg), len(self._moving), -1)
        shares: Floats = (apart - self._clear) / self._wanted
        return shares

    def least_share(self, angles_deg: Floats) -> Floats:
        """Return the least ligament over the wanted one at each angle."""
        least: Floats = self._shares(angles_deg).min(axis=(1, 2))
        return least

    def least_and_most(self, angles_deg: Floats, half_deg: float) -> tuple[Floats, Floats]:
        """Return the least share at each angle, and the most that it can be within half a span of it.

        Every pair is bounded by its own slope: one that does not change at all, a hole at the centre, bounds all.
        """
        shares = self._shares(angles_deg)
        return shares.min(axis=(1, 2)), (shares + self._slope_per_deg * half_deg).min(axis=(1, 2))

    def least_and_closest(self, angles_deg: Floats) -> tuple[Floats, tuple[tuple[str, int], ...]]:
        """Return the least share, and which two holes make it so: the fixed one's name, the turning one's number."""
        shares = self._shares(angles_deg).reshape(len(angles_deg), -1)
        at = shares.argmin(axis=1)
        moving, fixed = np.divmod(at, len(self._ids))
        closest = tuple((self._ids[k], m) for k, m in zip(fixed.tolist(), moving.tolist(), strict=True))
        return np.take_along_axis(shares, at[:, None], axis=1)[:, 0], closest


def _best(pattern: _Patterns, allowed: Window) -> tuple[float, float, bool]:
    """The best angle in a span, its share to 1e-9, and whether the search settled.

    Spans are halved while they could still hold a better angle. A pair's share rises no faster than its slope, so that
    half the span past its middle bounds it.
    """
    count = max(int(np.ceil((allowed.to_deg - allowed.from_deg) / GRID_DEG)), 1)
    angles = np.linspace(allowed.from_deg, allowed.to_deg, count + 1)
    share = pattern.least_share(angles)
    best_deg, best_share = float(angles[int(share.argmax())]), float(share.max())
    middle, length = (angles[:-1] + angles[1:]) / 2, float(angles[1] - angles[0])
    while length > SETTLED_DEG and middle.size:
        share, most = pattern.least_and_most(middle, length / 2)
        if share.max() > best_share:
            best_deg, best_share = float(middle[int(share.argmax())]), float(share.max())
        middle = middle[most > best_share + SETTLED_SHARE]
        if 2 * middle.size > MOST_SPANS:
            return best_deg, best_share, False
        length /= 2
        middle = np.concatenate([middle - length / 2, middle + length / 2])
    return best_deg, best_share, True


def _windows(share_at: Callable[[Floats], Floats], angles: Floats, share: Floats) -> tuple[Window, ...]:
    """Spans of the grid with enough, their ends sought between grid points; each end errs to the inside."""
    enough = share >= 1
    if enough.all():
        return (WHOLE_TURN,)
    if not enough.any():
        return ()
    starts = np.nonzero(enough & ~np.roll(enough, 1))[0]
    ends = np.nonzero(enough & ~np.roll(enough, -1))[0]
    if ends[0] < starts[0]:  # the first window began before 0°
        ends = np.roll(ends, -1)
    steps = np.repeat([-GRID_DEG, GRID_DEG], len(starts))
    from_deg, to_deg = _edges(share_at, angles[np.concatenate([starts, ends])], steps).reshape(2, -1)
    return tuple(
        Window(start % 360, start % 360 + (end - start) % 360)
        for start, end in zip(from_deg.tolist(), to_deg.tolist(), strict=True)
    )


def _edges(share_at: Callable[[Floats], Floats], inside_deg: Floats, steps_deg: Floats) -> Floats:
    """Where the share passes 1 within a step outward, all edges halved together to a 1/16000 of the step."""
    outside_deg = inside_deg + steps_deg
    for _ in range(14):
        middle = (inside_deg + outside_deg) / 2
        is_enough = share_at(middle) >= 1
        inside_deg, outside_deg = np.where(is_enough, middle, inside_deg), np.where(is_enough, outside_deg, middle)
    return inside_deg
