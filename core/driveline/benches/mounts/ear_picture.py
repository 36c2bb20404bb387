"""An ear's stress by finite elements, beside the hand formulas: worked out when somebody asks."""

from typing import TYPE_CHECKING, Final

import numpy as np

from driveline.benches.contract import Sought
from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.ears import ears_of
from driveline.benches.mounts.foot_checks import foot_of
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.patterns import ear_polygon
from driveline.benches.mounts.pictured import beside_the_sum, pictured
from driveline.figures import fig
from driveline.metal.ears import BENDING, ear_stress

if TYPE_CHECKING:
    from driveline.metal.plane_stress import PlaneStress

FOOT_MM: Final = 1e-6


def ear_sought(one: Loaded, wanted: float) -> Sought:
    """Return the stress of one ear under the greatest force in its plane, away from its foot or across it."""
    # A second to load: only where somebody asks.
    from driveline.metal.plane_stress import RoundHole, solve_plate  # noqa: PLC0415
    from driveline.metal.plate_bending import solve_bending  # noqa: PLC0415

    sheet = one.mount.sheet
    ear, _ = ears_of(sheet.ears, sheet.name)
    assert ear is not None and sheet.ears.count and one.mount.turn is not None and len(one.forces_n)
    in_plane = np.linalg.norm((one.forces_n @ one.mount.turn)[:, 1:], axis=1)
    worst = int(in_plane.argmax())
    force = float(in_plane[worst]) / sheet.ears.count
    outline = ear_polygon(ear)
    found: dict[str, PlaneStress] = {}
    for words, way in (("away from its foot", (0.0, 1.0)), ("across it", (1.0, 0.0))):
        hole = RoundHole(0.0, ear.height_mm, ear.hole_mm, (force * way[0], force * way[1]))
        found[words] = solve_plate(
            outline,
            [hole],
            thickness_mm=ear.thickness_mm,
            e_mpa=STEEL.modulus_mpa,
            poisson=STEEL.poisson,
            is_held=lambda x: x[1] < FOOT_MM,
        )
    words = max(found, key=lambda name: found[name].peak_mpa)
    plate = found[words]
    x, y = plate.peak_at_mm
    sharp = fig(plate.peak_mpa, "MPa", 0)
    says = (
        f"{fig(force, 'N', 0)} in the plane of one ear, in {one.names[worst]}: at most {sharp}, the force {words}, "
        f"{fig(abs(x), 'mm', 0)} beside the middle and {fig(y, 'mm', 0)} over the foot. "
    )
    if not plate.settled:
        return Sought(says=f"{says}It did not settle: no answer.", fields=())
    says += f"Yield is {fig(one.yield_mpa, 'MPa', 0)}. A peak beside a hole is above the hand formulas' mean stress, "
    says += "which ask less of yield for that."
    foot = foot_of(one)
    if foot is not None:  # the foot is judged on 0.6 of yield
        says += beside_the_sum(plate.peak_mpa, foot.stress.corner_mpa / BENDING, one.yield_mpa, wanted)
    sides = np.abs((one.forces_n @ one.mount.turn)[:, 0]) / sheet.ears.count
    side, case = float(sides.max()), one.names[int(sides.argmax())]
    if side > 0:
        bent = solve_bending(
            outline,
            [RoundHole(0.0, ear.height_mm, ear.hole_mm)],
            thickness_mm=ear.thickness_mm,
            e_mpa=STEEL.modulus_mpa,
            poisson=STEEL.poisson,
            is_held=lambda x: x[1] < FOOT_MM,
            on_hole_n=side,
        )
        by_hand = ear_stress(ear, force_n=0.0, side_n=side, yield_mpa=one.yield_mpa).bending_mpa
        says += f" Bent aside by {fig(side, 'N', 0)}, in {case}, "
        over = f"it has {fig(bent.peak_mpa, 'MPa', 0)} a thickness over the foot; "
        over += f"at it {fig(by_hand, 'MPa', 0)} by hand."
        says += over if bent.settled else "it did not settle."
    stress = plate.stress_mpa[plate.triangles].mean(axis=1)
    picture = pictured(plate.points_mm[plate.triangles], stress, peak_mpa=plate.peak_mpa, yield_mpa=one.yield_mpa)
    return Sought(says=says, fields=(), picture=picture)
