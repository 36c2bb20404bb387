"""Everything that stands on a cross member at once, case by case, and each of its ends as a bracket's root."""

from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

import numpy as np

from driveline.arrays import Floats, crossed
from driveline.benches.mounts.brackets import Arm, ArmLaid
from driveline.benches.mounts.crosses import CrossLaid
from driveline.benches.mounts.holding_sheet import Grip
from driveline.benches.mounts.laid import LaidMount
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.sheet import Mount, MountKind
from driveline.metal.cross_members import MemberEnds, held_ends, inside, pinned_ends
from driveline.metal.sections import ArmStress, arm_stress
from driveline.sheet import Length

SIDE_MM: Final = 1.0  # its ends lie to the left and right, unless they are nearer than that


@dataclass(frozen=True, slots=True, kw_only=True)
class Cut:
    """A cross member where it is stressed most."""

    stress: ArmStress
    row: int  # of the case
    x_mm: float  # from its first end
    is_pinned: bool
    faces: Floats  # what its cut face bears, force N and moment N·mm, (6,)


@dataclass(frozen=True, kw_only=True)
class CrossLoaded:
    """A cross member with every load that the mounts on it put there, all of a case together.

    ``loads`` are force N and moment N·mm in its own axes, (c, n, 6); from row ``spread_from`` on they are extremes of
    each mount, whose senses nobody knows, and count as they add up.
    """

    cross: CrossLaid
    key: str
    mounts: tuple[LaidMount, ...]
    x_mm: Floats  # (n,)
    loads: Floats
    spread_from: int
    names: tuple[str, ...]
    missing: tuple[str, ...]

    @cached_property
    def both_ways(self) -> tuple[MemberEnds, MemberEnds]:
        """With its ends held wholly, and with rails that give way to bending."""
        assert self.cross.member is not None
        given = (self.cross.member, self.x_mm, self.loads)
        return held_ends(*given), pinned_ends(*given)

    def together(self, each: Floats) -> Floats:
        """Return what single loads do, (c, ..., n, 6), all at once, (c, ..., 6)."""
        found: Floats = each.sum(axis=-2)
        found[self.spread_from :] = np.abs(each[self.spread_from :]).sum(axis=-2)
        return found

    @cached_property
    def cuts(self) -> tuple[Cut, ...]:
        """Every cut in every case, its ends held and pinned; none while that is not known."""
        member = self.cross.member
        if member is None or not self.loads.size:
            return ()
        found = []
        for ends, is_pinned in zip(self.both_ways, (False, True), strict=True):
            places, faces = inside(member, self.x_mm, self.loads, ends)
            whole = self.together(faces)
            for row, cut in np.ndindex(whole.shape[:2]):
                along, across, upright, about, level, upright_m = (abs(float(one)) for one in whole[row, cut])
                stress = arm_stress(
                    member.section,
                    arm_mm=0.0,
                    upright_n=upright,
                    across_n=across,
                    axial_n=along,
                    offset_mm=0.0,
                    e_mpa=member.e_mpa,
                    moment_nmm=(about, level, upright_m),
                )
                found.append(
                    Cut(stress=stress, row=row, x_mm=float(places[cut]), is_pinned=is_pinned, faces=whole[row, cut])
                )
        return tuple(found)

    @cached_property
    def ends(self) -> tuple[Loaded, Loaded]:
        """Both ends as brackets' roots: every case with its ends held, then all again with rails that give way."""
        names = [f"{words} of {self.cross.sheet.name}" for words in end_words(self.cross)]
        first = other = np.zeros((0, 6))
        if self.cross.member is not None and self.loads.size:
            first = np.vstack([self.together(one.first) for one in self.both_ways])
            other = np.vstack([self.together(one.other) for one in self.both_ways])
        return self._end(names[0], "a", 1.0, first), self._end(names[1], "b", -1.0, other)

    def _end(self, name: str, letter: str, sense: float, loads: Floats) -> Loaded:
        cross, turn = self.cross, self.cross.turn * np.array([sense, sense, 1.0])
        mount = _as_mount(cross, name, 0 if letter == "a" else 1)
        laid = mount.arm
        if cross.member is not None:
            arm = _root(cross, turn)
            laid = replace(laid, arm=arm)
        return Loaded(
            mount=replace(mount, arm=laid),
            key=f"{self.key}{letter}",
            forces_n=loads[:, :3] @ cross.turn.T,
            moments_nmm=loads[:, 3:] @ cross.turn.T,
            twists_nmm=loads[:, 3:] @ cross.turn.T,
            names=self.names * 2,
            missing=self.missing,
        )


def _root(cross: CrossLaid, turn: Floats) -> Arm:
    """An arm of no length: what the member hands on is given where it meets the vehicle."""
    assert cross.member is not None
    without_end = np.full(3, np.inf)
    return Arm(
        section=cross.member.section,
        length_mm=0.0,
        turn=turn,
        stiffness_n_per_mm=without_end,
        turning_nmm_per_rad=without_end,
    )


def end_words(cross: CrossLaid) -> tuple[str, str]:
    """Return what its ends are called: by where they lie to one another."""
    first, other = cross.ends_mm
    words = ("first", "other")
    if first is not None and other is not None:
        left, ahead = float(first[1] - other[1]), float(first[0] - other[0])
        if abs(left) > SIDE_MM and abs(left) >= abs(ahead):
            words = ("left", "right") if left > 0 else ("right", "left")
        elif abs(ahead) > SIDE_MM:
            words = ("front", "rear") if ahead > 0 else ("rear", "front")
    return f"{words[0]} end", f"{words[1]} end"


def outside_mount(cross: CrossLaid) -> LaidMount:
    """Return a cross member as a bracket from its one end to the other, to be drawn and kept off what is beside it."""
    whole = _as_mount(cross, cross.sheet.name, 0)
    arm = None if cross.member is None else replace(_root(cross, cross.turn), length_mm=cross.member.length_mm)
    return replace(whole, at_mm=cross.ends_mm[1], arm=replace(whole.arm, arm=arm))


def _as_mount(cross: CrossLaid, name: str, end: int) -> LaidMount:
    """What stands on the vehicle at an end, its section not yet put in."""
    bracket = cross.sheet.bracket.model_copy(update={"beside": Length.of_mm(0.0)})
    sheet = Mount(name=name, kind=MountKind.HARD, bracket=bracket, grip=Grip.STRAP)
    return LaidMount(
        field=cross.field,
        sheet=sheet,
        at_mm=cross.ends_mm[end],
        rail_mm=cross.ends_mm[end],
        turn=np.eye(3),
        arm=ArmLaid(arm=None, missing=cross.missing, is_none=False),
        hold=None,
        limit=None,
        missing=cross.missing,
        off_mm=np.zeros(3),
        is_member=True,
    )


def cross_loaded(cross: CrossLaid, key: str, loaded: tuple[Loaded, ...], missing: tuple[str, ...]) -> CrossLoaded:
    """Return a cross member with what stands on it.

    Args:
        cross: It.
        key: Of its checks.
        loaded: Every mount with its forces.
        missing: What keeps it from being known what the mounts carry.
    """
    name = cross.sheet.name
    on_it = [one for one in loaded if one.mount.cross is cross]
    lacking = [*missing, *cross.missing, *(text for one in on_it for text in one.mount.missing)]
    if not on_it:
        lacking.append(f"{name}: which mounts stand on it")
    known = [one for one in on_it if acts_at_mm(one.mount) is not None and len(one.forces_n)]
    is_whole = cross.member is not None and bool(on_it) and len(known) == len(on_it)
    names = known[0].names if is_whole else ()
    rows = [_load(cross, one) for one in known] if is_whole else []
    return CrossLoaded(
        cross=cross,
        key=key,
        mounts=tuple(one.mount for one in on_it),
        x_mm=np.array([cross.along_mm(at) for one in known if (at := acts_at_mm(one.mount)) is not None and is_whole]),
        loads=np.stack(rows, axis=1) if rows else np.zeros((0, 0, 6)),
        spread_from=len(dict.fromkeys(names)),
        names=names,
        missing=tuple(dict.fromkeys(lacking)),
    )


def acts_at_mm(mount: LaidMount) -> Floats | None:
    """Return where a mount's force acts, (3,): at its bolt, of a torque arm at its end on the vehicle."""
    return mount.rail_mm if mount.sheet.kind is MountKind.ARM else mount.at_mm


def _load(cross: CrossLaid, one: Loaded) -> Floats:
    """What a mount puts on the middle line of what it stands on, (c, 6)."""
    at = acts_at_mm(one.mount)
    assert at is not None
    moments = one.twists_nmm + crossed(cross.off_mm(at), one.forces_n)
    return np.hstack([one.forces_n @ cross.turn, moments @ cross.turn])
