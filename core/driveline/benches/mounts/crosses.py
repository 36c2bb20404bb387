"""Cross members laid out: a tube or box from rail to rail, and how much it gives under a mount that stands on it."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.brackets import STEEL, section_of, standing
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.sheet import ArmKind, CrossMember, MountsSheet
from driveline.errors import ImpossibleInput
from driveline.metal import cross_members as metal
from driveline.space.spots import Points, spot_missing, spot_mm

KINDS: Final = (ArmKind.BOX, ArmKind.TUBE)


@dataclass(frozen=True, kw_only=True)
class CrossLaid:
    """A cross member as far as it is known; ``turn`` has its own axes: x along it, y level across, z upright."""

    field: str
    sheet: CrossMember
    member: metal.CrossMember | None
    ends_mm: tuple[Floats | None, Floats | None]
    turn: Floats  # (3, 3)
    missing: tuple[str, ...]

    def along_mm(self, at_mm: Floats) -> float:
        """How far along it from its first end a place is."""
        first = self.ends_mm[0]
        assert first is not None
        return float(self.turn[:, 0] @ (at_mm - first))

    def off_mm(self, at_mm: Floats) -> Floats:
        """From its middle line to a place, (3,), in the vehicle's axes."""
        first = self.ends_mm[0]
        assert first is not None
        return np.asarray(at_mm - first - self.along_mm(at_mm) * self.turn[:, 0], dtype=np.float64)


def crosses_of(sheet: MountsSheet, needs: MountsNeeds) -> tuple[CrossLaid, ...]:
    """Return the cross members, each where it stands."""
    points = {name: np.array(at) for name, at in needs.points}
    return tuple(_laid(f"mounts.crosses.{k}", one, points) for k, one in enumerate(sheet.crosses))


def _laid(field: str, sheet: CrossMember, points: Points) -> CrossLaid:
    name, bracket = sheet.name, sheet.bracket
    missing = [
        *spot_missing(sheet.first, points, f"{name}: its one end on the vehicle"),
        *spot_missing(sheet.other, points, f"{name}: its other end on the vehicle"),
    ]
    ends = (spot_mm(sheet.first, points), spot_mm(sheet.other, points))
    section = None
    if bracket.kind not in KINDS:
        missing.append(f"{name}: whether it is a round tube or a box")
    else:
        section, lacking = section_of(bracket, name)
        missing += [words.replace(" of its bracket", "") for words in lacking]
    turn, member = np.eye(3), None
    if ends[0] is not None and ends[1] is not None:
        along = ends[1] - ends[0]
        length = float(np.linalg.norm(along))
        turn = standing(along / length) if length > 0 else turn
        try:
            if section is not None:
                member = metal.CrossMember(section=section, length_mm=length, e_mpa=STEEL.modulus_mpa)
        except ImpossibleInput as error:
            missing.append(f"{name}: its two ends, looked at again; its {error}")
    return CrossLaid(field=field, sheet=sheet, member=member, ends_mm=ends, turn=turn, missing=tuple(missing))


def gives_mm_per_n(cross: CrossLaid, at_mm: Floats, axes: Floats) -> Floats | None:
    """Return how far a mount that stands on a cross member moves with it along its own axes, mm/N, (3,).

    Args:
        cross: Under it.
        at_mm: Where the mount is, (3,).
        axes: Of the mount, (3, 3).

    Source:
        ``metal.cross_members.gives_at``, e C eᵀ; what other mounts on the same member do to it is not counted.
    """
    if cross.member is None:
        return None
    gives = metal.gives_at(cross.member, cross.along_mm(at_mm), cross.turn.T @ cross.off_mm(at_mm))
    own = cross.turn.T @ axes
    return np.asarray(np.einsum("ia,ij,ja->a", own, gives, own), dtype=np.float64)
