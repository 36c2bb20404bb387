"""A line of shafts with joints of any kind: what of the unevenness of its crosses is left, exactly and by the rule."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.cardan.lines import best_twist_deg, joint_line, residual_deg, unit_line
from driveline.cardan.turning import chains_turns_rad

STEPS: Final = 180
RAD_S: Final = math.pi / 30


@dataclass(frozen=True, slots=True, kw_only=True)
class Chain:
    """Shafts in a row from the driving one to the driven one, and which of the joints between are crosses.

    ``lines`` are n + 1 directions of n joints, all along the chain; ``phasing_deg`` one for each shaft between,
    (n - 1,).
    """

    lines: tuple[Floats, ...]
    is_cross: tuple[bool, ...]
    phasing_deg: tuple[float, ...]

    @property
    def angles_deg(self) -> Floats:
        """The angle of each joint, (n,)."""
        return bends_deg(np.array(self.lines))

    def reversed(self) -> "Chain":
        """Return the same chain as it is driven from its other end; a twist keeps its hand."""
        return Chain(
            lines=tuple(-one for one in self.lines[::-1]),
            is_cross=self.is_cross[::-1],
            phasing_deg=self.phasing_deg[::-1],
        )

    def groups(self) -> tuple[tuple[int, int], ...]:
        """Return runs of neighbouring crosses, from a joint to the one after its last.

        How a joint that turns evenly was put together decides how the crosses behind it stand to those before it, so
        that of two runs only the sum of both at their worst is known.
        """
        found, start = [], None
        for k, one in enumerate((*self.is_cross, False)):
            if one and start is None:
                start = k
            if not one and start is not None:
                found.append((start, k))
                start = None
        return tuple(found)


def bends_deg(lines: Floats) -> Floats:
    """Return how far each line bends from the one before it, 0 to 180, (…, n, 3) to (…, n - 1).

    Source:
        atan2(|a x b|, a . b), exact where an arc cosine of nearly 1 is not.
    """
    a, b = lines[..., :-1, :], lines[..., 1:, :]
    bends: Floats = np.degrees(np.arctan2(np.linalg.norm(np.cross(a, b), axis=-1), (a * b).sum(axis=-1)))
    return bends


def _peaks(lines: Floats, phasing_deg: tuple[float, ...]) -> Floats:
    """Greatest acceleration of each shaft behind a run of crosses, over the square of the speed before it, (b, n)."""
    swing = chains_turns_rad(lines, phasing_deg, steps=STEPS)
    orders = np.fft.rfftfreq(STEPS, 1 / STEPS)
    bent = np.fft.irfft(np.fft.rfft(swing, axis=2) * -(orders**2), n=STEPS, axis=2)
    peaks: Floats = np.abs(bent).max(axis=2)
    return peaks


def exact_rad_s2(chain: Chain, rpm: float) -> Floats:
    """Return the greatest acceleration of each shaft after the first with that one turning evenly, (n,).

    Source:
        Each run of crosses turned exactly over one turn (``chains_turns_rad``), differentiated by its orders; runs
        apart are added at their worst.
    """
    found: Floats = exact_of_lines_rad_s2(chain, np.array([chain.lines]), rpm)[0]
    return found


def exact_of_lines_rad_s2(chain: Chain, lines: Floats, rpm: float) -> Floats:
    """Return the same of a chain that stands in several ways, (b, n + 1, 3), to (b, n).

    Source:
        As ``exact_rad_s2``.
    """
    found = np.zeros((len(lines), len(chain.is_cross)))
    for first, after in chain.groups():
        peaks = _peaks(lines[:, first : after + 1], chain.phasing_deg[first : after - 1])
        found[:, first:after] += peaks
        found[:, after:] += peaks[:, -1:]
    scaled: Floats = found * (rpm * RAD_S) ** 2
    return scaled


def rule_rad_s2(chain: Chain, rpm: float) -> Floats:
    """Return the same by the rule of small angles, ω² β² (VDI 2722), (n,)."""
    found = np.zeros(len(chain.is_cross))
    for first, after in chain.groups():
        line, phasing = joint_line(chain.lines[first : after + 1]), np.array(chain.phasing_deg[first : after - 1])
        for k in range(after - first):
            left = residual_deg(line.angles_deg[: k + 1], line.planes_deg[: k + 1], phasing[:k])
            found[first + k] += math.radians(left) ** 2
        found[after:] += math.radians(left) ** 2
    scaled: Floats = found * (rpm * RAD_S) ** 2
    return scaled


@dataclass(frozen=True, slots=True, kw_only=True)
class Twist:
    """How far a shaft's yokes are best twisted, counted as its phasing is, and what is left then."""

    shaft: int  # 0 is the first between two joints
    phasing_deg: float
    left_rad_s2: float


def best_twists(chain: Chain, rpm: float) -> tuple[Twist, ...]:
    """Return for each shaft between two crosses the twist that leaves least, all others left as they are.

    Source:
        Terms of the joints behind it turned to point against those before it, by the rule of small angles; what is
        left is then worked out exactly.
    """
    found = []
    for first, after in chain.groups():
        line = joint_line(chain.lines[first : after + 1])
        for shaft in range(first, after - 1):
            phasing = list(chain.phasing_deg)
            phasing[shaft] = best_twist_deg(line, np.array(phasing[first : after - 1]), shaft - first)
            turned = Chain(lines=chain.lines, is_cross=chain.is_cross, phasing_deg=tuple(phasing))
            left = float(exact_rad_s2(turned, rpm)[-1])
            found.append(Twist(shaft=shaft, phasing_deg=phasing[shaft], left_rad_s2=left))
    return tuple(found)


def by_slopes(*, falls_deg: float, left_deg: float, ahead: float) -> Floats:
    """Return a shaft's direction from its slope on an inclinometer and its way in plan, unit, (3,).

    Args:
        falls_deg: Below level, going along it; below nought where it rises.
        left_deg: To the vehicle's left in plan, going along it.
        ahead: 1 going forward, -1 going aft.

    Source:
        (cos s cos p, cos s sin p, -sin s): an inclinometer on a shaft reads its own slope, not that in side view.
    """
    fall, left = math.radians(falls_deg), math.radians(left_deg)
    level = math.cos(fall)
    return np.array([ahead * level * math.cos(left), level * math.sin(left), -math.sin(fall)])


def toward(start_mm: Floats, end_mm: Floats, *, falls_deg: float, left_deg: float) -> Floats:
    """Return a shaft's direction by its two slopes, pointing along the vehicle from ``start`` to ``end``.

    Source:
        The tangents of both slopes across a length of one along the vehicle.
    """
    ahead = 1.0 if end_mm[0] >= start_mm[0] else -1.0
    slopes = np.array([ahead, math.tan(math.radians(left_deg)), -math.tan(math.radians(falls_deg))])
    return unit_line(slopes, "direction")
