"""What an arm hands on at its root, case by case."""

from dataclasses import dataclass

from driveline.benches.mounts.brackets import beside_mm
from driveline.benches.mounts.loaded import Loaded


@dataclass(frozen=True, slots=True, kw_only=True)
class RootLoad:
    """What an arm hands on at its root in a case, each 0 or more."""

    row: int
    pull_n: float
    across_n: float
    upright_n: float
    bends_across_nmm: float  # tips it along its breadth
    bends_upright_nmm: float
    twists_nmm: float


def root_loads(one: Loaded) -> tuple[RootLoad, ...]:
    """Return what an arm hands on at its root in every case; nothing while that is not known."""
    arm = one.mount.arm.arm
    offset = None if arm is None else beside_mm(one.mount.sheet.bracket, arm.section)
    if arm is None or offset is None:
        return ()
    found = []
    for row, (force, moment) in enumerate(zip(one.forces_n, one.moments_nmm, strict=True)):
        pull, across, upright = (abs(float(part)) for part in arm.turn.T @ force)
        about_arm, about_level, about_upright = (abs(float(part)) for part in arm.turn.T @ moment)
        found.append(
            RootLoad(
                row=row,
                pull_n=pull,
                across_n=across,
                upright_n=upright,
                bends_across_nmm=across * arm.length_mm + pull * offset + about_upright,
                bends_upright_nmm=upright * arm.length_mm + about_level,
                twists_nmm=upright * offset + about_arm,
            )
        )
    return tuple(found)
