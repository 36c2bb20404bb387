"""A landing plate bent by finite elements, beside the sum by hand: worked out when somebody asks."""

from collections.abc import Callable
from typing import Any

import numpy as np
from shapely import box as rectangle

from driveline.arrays import Floats
from driveline.benches.contract import Sought
from driveline.benches.mounts.brackets import STEEL, Arm
from driveline.benches.mounts.landing_checks import bent_of, worst_of
from driveline.benches.mounts.landings import BoltPull
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.pictured import beside_the_sum, on_rings, pictured
from driveline.benches.mounts.sheet import ArmKind, Bracket
from driveline.figures import fig
from driveline.sheet import positive_of

PICTURED = (ArmKind.BOX, ArmKind.TUBE)  # whose walls stand on the plate as one ring
Where = Callable[[Any], Any]


def may_be_pictured(one: Loaded) -> bool:
    """Whether a landing plate, its holes and the arm on it are known, and that arm's wall is one ring."""
    bracket = one.mount.sheet.bracket
    is_known = bool(bracket.landing.is_there) and positive_of(bracket.landing.hole) is not None
    return is_known and bracket.kind in PICTURED and bent_of(one) is not None


def landing_sought(one: Loaded, wanted: float) -> Sought:
    """Return how a landing plate is bent in the case that pulls a bolt most, its arm's wall pressing and pulling."""
    # A second to load: only where somebody asks.
    from driveline.metal.plane_stress import RoundHole  # noqa: PLC0415
    from driveline.metal.plate_bending import solve_bending  # noqa: PLC0415

    worst, hand, hole = worst_of(one), bent_of(one), positive_of(one.mount.sheet.bracket.landing.hole)
    assert worst is not None and hand is not None and hole is not None
    found, arm, offset, pulls = worst
    stress_at = wall_stress(one.mount.sheet.bracket, arm, pulls[hand.row], offset)
    half_across, half_upright = (size / 2 for size in found.size_mm)
    holes = [RoundHole(x, y, hole) for x, y in found.bolts_mm.tolist()]
    plate = solve_bending(
        rectangle(-half_across, -half_upright, half_across, half_upright),
        holes,
        thickness_mm=found.thickness_mm,
        e_mpa=STEEL.modulus_mpa,
        poisson=STEEL.poisson,
        is_held=on_rings(found.bolts_mm, hole),
        pressure_mpa=1.0,
        is_pressed=stress_at,
    )
    says = f"In {one.names[hand.row]}: "
    if not plate.settled:
        return Sought(says=f"{says}it did not settle: no answer.", fields=())
    x, y = plate.peak_at_mm
    says += f"at most {fig(plate.peak_mpa, 'MPa', 0)}, {fig(abs(x), 'mm', 0)} beside and {fig(abs(y), 'mm', 0)} "
    says += f"above or below the middle; by hand {fig(hand.stress_mpa, 'MPa', 0)}, with prying. Here its bolts hold it "
    says += "as if they were rigid, nothing lies behind it, and the arm lends it no stiffness."
    says += beside_the_sum(plate.peak_mpa, hand.stress_mpa, one.yield_mpa, wanted)
    corners = plate.points_mm[plate.triangles]
    picture = pictured(corners, plate.stress_mpa, peak_mpa=plate.peak_mpa, yield_mpa=one.yield_mpa)
    return Sought(says=says, fields=(), picture=picture)


def wall_stress(bracket: Bracket, arm: Arm, pull: BoltPull, offset_mm: float) -> Where:
    """Return by what stress the wall of a box or tube pulls at each point of the plate, (2, ...); nought beside it."""
    section, (_, about_level, about_upright) = arm.section, pull.moment_nmm
    wall = positive_of(bracket.wall) or 0.0
    level = pull.upright_n * arm.length_mm + about_level
    upright = pull.across_n * arm.length_mm + pull.axial_n * offset_mm + about_upright

    def stress_at(x: Any) -> Any:
        across, up = x[0], x[1]
        bent = level * up / section.upright_mm4 + upright * across / section.across_mm4
        stress = pull.axial_n / section.area_mm2 + bent
        return stress * _is_wall(bracket.kind, across, up, (section.breadth_mm / 2, section.depth_mm / 2), wall)

    return stress_at


def _is_wall(kind: ArmKind | None, across: Floats, up: Floats, half_mm: tuple[float, float], wall_mm: float) -> Any:
    if kind is ArmKind.TUBE:
        radius = np.hypot(across, up)
        return (radius < half_mm[1]) & (radius > half_mm[1] - wall_mm)
    beside, above = half_mm[0] - np.abs(across), half_mm[1] - np.abs(up)
    nearest = np.minimum(beside, above)
    return (nearest > 0) & (nearest < wall_mm)
