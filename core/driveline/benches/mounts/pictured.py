"""What the pictures of plates by finite elements share: where a plate is held, and how its stress is drawn."""

from collections.abc import Callable
from typing import Any, Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.contract import Patch, StressPicture
from driveline.figures import fig

ON_RING: Final = 0.1  # of a hole's or leg's diameter, within which an edge is its own


def on_rings(places_mm: Floats, diameter_mm: float) -> Callable[[Any], Any]:
    """Return what says of points, (2, n), whether they lie on the edge of a hole, or leg, at a place, (k, 2)."""

    def is_on(x: Any) -> Any:
        off = [np.hypot(x[0] - y, x[1] - z) - diameter_mm / 2 for y, z in places_mm.tolist()]
        return (np.abs(off) < ON_RING * diameter_mm).any(axis=0)

    return is_on


def pictured(corners_mm: Floats, stress_mpa: Floats, *, peak_mpa: float, yield_mpa: float) -> StressPicture:
    """Return the stress of a plate as it is drawn: triangles, (m, 3, 2), and of each its stress, (m,)."""
    return StressPicture(
        yield_mpa=yield_mpa,
        peak_mpa=peak_mpa,
        patches=tuple(
            Patch(
                x_mm=tuple(round(float(value), 2) for value in corner[:, 0]),
                y_mm=tuple(round(float(value), 2) for value in corner[:, 1]),
                mpa=round(float(value), 1),
            )
            for corner, value in zip(corners_mm, stress_mpa, strict=True)
        ),
    )


def beside_the_sum(peak_mpa: float, by_hand_mpa: float, yield_mpa: float, wanted: float) -> str:
    """Return in words what finite elements that are worse than the sum make of the part's margin; always of the clamp.

    Args:
        peak_mpa: By finite elements.
        by_hand_mpa: That the check judges.
        yield_mpa: Of the plate.
        wanted: The margin that is wanted of it.
    """
    clamp = " Not at the clamp: along a held edge so coarse a mesh misses a tenth to a third."
    if peak_mpa <= by_hand_mpa:
        return clamp
    margin = yield_mpa / peak_mpa
    enough = "enough" if margin >= wanted else "not enough"
    found = f" Worse than the sum that the check judges: by it the margin is {fig(margin, '', 2)}, {enough} for the "
    return f"{found}{fig(wanted, '', 2)} wanted.{clamp}"
