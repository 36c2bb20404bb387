"""A mount with every force that the unit may put on it, and what of it is still wanted."""

from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np

from driveline.arrays import Floats, crossed
from driveline.benches.mounts.brackets import STEEL, Stressed, base_mm, stresses_of, weld_of
from driveline.benches.mounts.carried import Carried
from driveline.benches.mounts.laid import LaidMount
from driveline.benches.mounts.landings import FIXING
from driveline.benches.mounts.sheet import MountKind
from driveline.metal.weld_groups import WeldStress
from driveline.sheet import positive_of, value_of


@dataclass(frozen=True, kw_only=True)
class Loaded:
    """A mount with every force that the unit may put on it, (c, 3); none while that is not known.

    ``twists_nmm`` are the moments at its bolt, ``moments_nmm`` at the end of its arm.
    """

    mount: LaidMount
    key: str
    forces_n: Floats
    moments_nmm: Floats
    twists_nmm: Floats
    names: tuple[str, ...]
    missing: tuple[str, ...]

    @cached_property
    def weld(self) -> tuple[int, WeldStress] | None:
        """Its fillet under the worst of its forces, and which that is."""
        arm = self.mount.arm.arm
        return None if arm is None else weld_of(arm, self.mount.sheet.bracket, self.forces_n, self.moments_nmm)

    @cached_property
    def stresses(self) -> tuple[tuple[Stressed, ...], ...]:
        """Of its arm where it is judged, a row each force; no rows while it is not known."""
        arm, bracket = self.mount.arm.arm, self.mount.sheet.bracket
        if arm is None or arm.legs is not None or value_of(bracket.beside) is None:
            return ()
        loads = zip(self.forces_n, self.moments_nmm, strict=True)
        return tuple(stresses_of(arm, bracket, force, moment) for force, moment in loads)

    @property
    def bolt_axis(self) -> Floats | None:
        """Along the bolt of its ears: its own x; of a torque arm, level and square to that, (3,)."""
        mount = self.mount
        if mount.sheet.kind is not MountKind.ARM:
            return None if mount.turn is None else np.asarray(mount.turn[:, 0])
        if mount.at_mm is None or mount.rail_mm is None:
            return None
        across = np.cross(mount.at_mm - mount.rail_mm, UP)
        size = float(np.linalg.norm(across))
        return across / size if size > 0 else np.array([0.0, 1.0, 0.0])

    @property
    def yield_mpa(self) -> float:
        """Of its bracket."""
        return self.mount.sheet.bracket.yield_mpa or STEEL.yield_mpa

    @property
    def yield_is_usual(self) -> bool:
        """Whether nothing is said of it."""
        return self.mount.sheet.bracket.yield_mpa is None


def loaded(mount: LaidMount, k: int, carried: Carried | None, missing: tuple[str, ...]) -> Loaded:
    """Return a mount with the forces on it; where statics does not decide them, the extremes of each."""
    forces, moments, names = np.zeros((0, 3)), np.zeros((0, 3)), tuple[str, ...]()
    if carried is not None:
        forces, names = -carried.held.forces_n[:, k], tuple(case.name for case in carried.cases)
        moments = -carried.held.moments_nmm[:, k]
        if carried.shares is not None:
            least, greatest = -carried.shares.greatest_n[:, k], -carried.shares.least_n[:, k]
            widest = np.where(np.abs(least) > np.abs(greatest), least, greatest)
            forces, moments, names = np.vstack([forces, widest]), np.vstack([moments, moments]), names * 2
    return Loaded(
        mount=mount,
        key=f"mounts.m{k + 1}",
        forces_n=forces,
        moments_nmm=moments + crossed(mount.off_mm, forces),  # ears on top of an arm stand off
        twists_nmm=moments,
        names=names,
        missing=missing,
    )


UP: Final = np.array([0.0, 0.0, 1.0])
_ASKED: Final = {
    "leg": "the leg of its bracket's weld",
    "is_inspected": "whether its weld is inspected by an expert",
    "base": "how thick what it is welded to is",
    "beside": "how far the load passes beside its bracket's middle",
}


def lacking(one: Loaded, *asked: str) -> tuple[str, ...]:
    """Return what is still wanted of a mount's load, of its bracket, and of some fields of that, in words."""
    return tuple(dict.fromkeys([*one.missing, *one.mount.arm.missing, *lacking_of(one, *asked)]))


def lacking_of(one: Loaded, *asked: str) -> tuple[str, ...]:
    """Return what is still wanted of some fields of a mount's bracket, in words."""
    bracket = one.mount.sheet.bracket
    known = {
        "leg": positive_of(bracket.leg),
        "is_inspected": bracket.is_inspected,
        "base": base_mm(bracket),
        "beside": bracket.beside,
    }
    name, is_said = one.mount.sheet.name, bracket.landing.is_there is not None
    return tuple(
        f"{name}: {_ASKED[field]}" if is_said or field != "base" else FIXING.format(name)
        for field in asked
        if known[field] is None
    )


def field_inputs(one: Loaded, *parts: str) -> tuple[str, ...]:
    """Return the paths of a mount's fields."""
    return tuple(f"{one.mount.field}.{part}" for part in parts)
