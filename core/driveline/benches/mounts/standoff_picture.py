"""A plate on standoffs bent by finite elements, beside the sum by hand: worked out when somebody asks."""

from typing import TYPE_CHECKING

import numpy as np
from shapely import box as rectangle

from driveline.benches.contract import Sought
from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.pictured import beside_the_sum, on_rings, pictured
from driveline.figures import fig
from driveline.metal.standoffs import Legs, leg_ends, plate_stress
from driveline.sheet import positive_of

if TYPE_CHECKING:
    from driveline.metal.plate_bending import PlateBending


def standoff_sought(one: Loaded, wanted: float) -> Sought:
    """Return how the greatest pull or push along the legs bends their plate."""
    bracket, arm = one.mount.sheet.bracket, one.mount.arm.arm
    breadth, depth, foot = (positive_of(size) for size in (bracket.breadth, bracket.depth, bracket.legs.foot))
    assert arm is not None and arm.legs is not None and breadth and depth and foot and len(one.forces_n)
    along = np.abs(one.forces_n @ arm.turn[:, 0])
    worst = int(along.argmax())
    force = float(along[worst])
    if not force > 0:
        return Sought(says="Nothing pulls or pushes along its legs.", fields=())
    at = np.array([arm.plate_mm, 0.0, 0.0])
    hand = plate_stress(
        arm.legs,
        leg_ends(arm.legs, np.array([[force, 0.0, 0.0]]), at),
        size_mm=(breadth, depth),
        thickness_mm=arm.plate_mm,
        root_mm=foot,
        at_mm=at,
    )
    found = bent(arm.legs, (breadth, depth), arm.plate_mm, foot, force)
    says = f"{fig(force, 'N', 0)} along the legs, in {one.names[worst]}: "
    if not found.settled:
        return Sought(says=f"{says}it did not settle: no answer.", fields=())
    x, y = found.peak_at_mm
    says += f"at most {fig(found.peak_mpa, 'MPa', 0)}, {fig(abs(x), 'mm', 0)} beside and {fig(abs(y), 'mm', 0)} "
    says += (
        f"above or below the middle; by hand {fig(hand.stress_mpa, 'MPa', 0)}. By hand the legs turn with the plate "
    )
    says += "and the load spreads less far; here they hold it as if nothing gave. What goes across the legs bends the "
    says += "plate too, and is counted by hand alone."
    says += beside_the_sum(found.peak_mpa, hand.stress_mpa, one.yield_mpa, wanted)
    picture = pictured(
        found.points_mm[found.triangles], found.stress_mpa, peak_mpa=found.peak_mpa, yield_mpa=one.yield_mpa
    )
    return Sought(says=says, fields=(), picture=picture)


def bent(
    legs: Legs, size_mm: tuple[float, float], thickness_mm: float, root_mm: float, force_n: float
) -> "PlateBending":
    """Return a plate under a force on its middle, spread over a square that is as broad as what stands there."""
    # A second to load: only where somebody asks.
    from driveline.metal.plane_stress import RoundHole  # noqa: PLC0415
    from driveline.metal.plate_bending import solve_bending  # noqa: PLC0415

    diameter, half = legs.section.depth_mm, root_mm / 2
    return solve_bending(
        rectangle(-size_mm[0] / 2, -size_mm[1] / 2, size_mm[0] / 2, size_mm[1] / 2),
        [RoundHole(y, z, diameter) for y, z in legs.places_mm.tolist()],
        thickness_mm=thickness_mm,
        e_mpa=legs.e_mpa,
        poisson=STEEL.poisson,
        is_held=on_rings(legs.places_mm, diameter),
        pressure_mpa=force_n / root_mm**2,
        is_pressed=lambda x: (np.abs(x[0]) < half) & (np.abs(x[1]) < half),
    )
