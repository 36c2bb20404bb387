"""The bracket of a mount: its section, its weld, its ears; what it carries, and how much it gives."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from shapely import box as rectangle
from shapely import union_all

from driveline.arrays import Floats
from driveline.benches.mounts.sheet import ArmKind, Bracket
from driveline.benches.mounts.standoffs import legs_of, load_at_mm, outside_of
from driveline.errors import ImpossibleInput
from driveline.metal.gusseted import gusset_places_mm, gusseted, tapered_stiffness_n_per_mm
from driveline.metal.sections import (
    ArmStress,
    Section,
    arm_stiffness_n_per_mm,
    arm_stress,
    arm_turning_nmm_per_rad,
    box,
    channel,
    folded_channel,
    tube,
)
from driveline.metal.standoffs import Legs, flexibility_at, leg_ends
from driveline.metal.weld_groups import WeldStress, frame_lines, ring_lines, weld_sizes_mpa, weld_stress
from driveline.sheet import positive_of, value_of
from driveline.tables.materials import PlateMaterial, material

STEEL: Final = material(PlateMaterial.STEEL)
LEAST_ARM_MM: Final = 1.0
TAPER_STEPS: Final = 24


@dataclass(frozen=True, kw_only=True)
class Arm:
    """A bracket as it stands; ``turn`` has its own axes: x along it, y level across, z upright."""

    section: Section  # at its root
    length_mm: float
    turn: Floats  # (3, 3)
    stiffness_n_per_mm: Floats  # along its own axes, (3,)
    turning_nmm_per_rad: Floats  # about them, at the mount, (3,)
    taper: tuple[tuple[float, Section], ...] = ()  # how far from the load, from the root on; none of an even arm
    legs: Legs | None = None  # of a plate on standoffs
    plate_mm: float = 0.0  # its thickness

    @property
    def places(self) -> tuple[tuple[float, Section], ...]:
        """Where it is judged: how far from the load, and its section there."""
        return self.taper or ((self.length_mm, self.section),)

    @property
    def volume_mm3(self) -> float:
        """Of its metal."""
        if self.legs is not None:
            plate = self.section.breadth_mm * self.section.depth_mm * self.plate_mm
            return plate + self.legs.section.area_mm2 * float(self.legs.lengths_mm.sum())
        if not self.taper:
            return self.section.area_mm2 * self.length_mm
        levers, areas = zip(*((lever, one.area_mm2) for lever, one in self.taper), strict=True)
        return -float(np.trapezoid(areas, levers))


@dataclass(frozen=True, kw_only=True)
class Stressed:
    """An arm where it is stressed most."""

    stress: ArmStress
    section: Section
    lever_mm: float  # from the load


@dataclass(frozen=True, kw_only=True)
class ArmLaid:
    """The same as far as it is known."""

    arm: Arm | None
    missing: tuple[str, ...]
    is_none: bool  # bolted straight on: nothing is asked of it


def arm_of(
    bracket: Bracket, name: str, from_mm: Floats | None, to_mm: Floats | None, *, ears_mm: float = 0.0
) -> ArmLaid:
    """Return a bracket from the vehicle to the mount.

    Args:
        bracket: As entered.
        name: Of its mount.
        from_mm: Where it meets the vehicle, (3,).
        to_mm: Where the mount is, (3,).
        ears_mm: How much of that is ears on its end.
    """
    if bracket.kind is ArmKind.NONE:
        return ArmLaid(arm=None, missing=(), is_none=True)
    if bracket.kind is None:
        return ArmLaid(arm=None, missing=(f"{name}: what its bracket is",), is_none=False)
    section, missing = section_of(bracket, name)
    if from_mm is None:
        missing = (*missing, f"{name}: where its bracket meets the vehicle")
    if section is None or from_mm is None or to_mm is None:
        return ArmLaid(arm=None, missing=missing, is_none=False)
    along = to_mm - from_mm
    length = float(np.linalg.norm(along))
    if length < LEAST_ARM_MM:
        text = f"{name}: its bracket's two ends, which are in one place"
        return ArmLaid(arm=None, missing=(*missing, text), is_none=False)
    if bracket.kind is ArmKind.STANDOFFS:
        return _standoffs(bracket, name, section, along / length, length)
    taper = _taper(bracket, length, min(ears_mm, length - LEAST_ARM_MM))
    stiffness = (
        tapered_stiffness_n_per_mm(taper, e_mpa=STEEL.modulus_mpa)
        if taper
        else arm_stiffness_n_per_mm(section, arm_mm=length, e_mpa=STEEL.modulus_mpa)
    )
    arm = Arm(
        section=section,
        length_mm=length,
        turn=standing(along / length),
        stiffness_n_per_mm=np.array(stiffness),
        turning_nmm_per_rad=np.array(
            arm_turning_nmm_per_rad(taper[-1][1] if taper else section, arm_mm=length, e_mpa=STEEL.modulus_mpa)
        ),
        taper=taper,
    )
    return ArmLaid(arm=arm, missing=missing, is_none=False)


def _standoffs(bracket: Bracket, name: str, section: Section, way: Floats, length_mm: float) -> ArmLaid:
    """A plate on legs: what it gives is what they do."""
    plate = positive_of(bracket.wall) or 0.0
    on_legs = legs_of(bracket, name, length_mm, STEEL.modulus_mpa)
    if on_legs.legs is None or on_legs.missing:
        return ArmLaid(arm=None, missing=on_legs.missing, is_none=False)
    gives, turns = flexibility_at(on_legs.legs, np.array([plate, 0.0, 0.0]))
    arm = Arm(
        section=section,
        length_mm=length_mm,
        turn=standing(way),
        stiffness_n_per_mm=1 / np.diag(gives),
        turning_nmm_per_rad=1 / np.diag(turns),
        legs=on_legs.legs,
        plate_mm=plate,
    )
    return ArmLaid(arm=arm, missing=(), is_none=False)


def _taper(bracket: Bracket, length_mm: float, ears_mm: float) -> tuple[tuple[float, Section], ...]:
    """The sections of a shelf whose gussets grow less deep toward the mount; nothing of any other arm."""
    if bracket.kind is not ArmKind.GUSSETED:
        return ()
    sizes = (positive_of(one) for one in (bracket.breadth, bracket.wall, bracket.gusset, bracket.depth, bracket.nose))
    breadth, shelf, gusset, depth, nose = (one or 0.0 for one in sizes)
    shares = np.linspace(1.0, 0.0, TAPER_STEPS + 1).tolist()
    return tuple(
        (
            ears_mm + share * (length_mm - ears_mm),
            gusseted(
                breadth_mm=breadth,
                shelf_mm=shelf,
                gusset_mm=gusset,
                count=bracket.gussets or 1,
                depth_mm=nose + (depth - nose) * share,
            ),
        )
        for share in shares
    )


def standing(along: Floats) -> Floats:
    """Return the axes of an arm, (3, 3): along it, level across it, and as upright as it can be.

    Args:
        along: One long, (3,).

    Source:
        Geometry; of an upright arm the level one points left.
    """
    level = np.array([-along[1], along[0], 0.0])
    across = level / np.linalg.norm(level) if np.linalg.norm(level) > 1e-9 else np.array([0.0, 1.0, 0.0])
    return np.column_stack([along, across, np.cross(along, across)])


def section_of(bracket: Bracket, name: str) -> tuple[Section | None, tuple[str, ...]]:
    """Return a bracket's section, or what it lacks in words; it is no bolted one, and known to be something."""
    wanted = {
        ArmKind.BOX: ("breadth", "depth", "wall"),
        ArmKind.TUBE: ("depth", "wall"),
        ArmKind.CHANNEL: ("breadth", "depth", "wall", "web"),
        ArmKind.FOLDED: ("breadth", "depth", "wall", "bend"),
        ArmKind.GUSSETED: ("breadth", "depth", "wall", "gusset", "nose"),
        ArmKind.STANDOFFS: ("breadth", "depth", "wall"),
    }
    assert bracket.kind is not None
    sizes = {word: positive_of(getattr(bracket, word)) for word in wanted[bracket.kind]}
    missing = tuple(f"{name}: {_WORDS[word]} of its bracket" for word, size in sizes.items() if size is None)
    if bracket.kind is ArmKind.GUSSETED and bracket.gussets is None:
        missing = (*missing, f"{name}: how many gussets its bracket has")
    if missing:
        return None, missing
    known = {word: size for word, size in sizes.items() if size is not None}
    try:
        if bracket.kind is ArmKind.GUSSETED:
            return _shelf(known, bracket.gussets or 1), ()
        if bracket.kind is ArmKind.STANDOFFS:
            return outside_of(known["breadth"], known["depth"], known["wall"]), ()
        if bracket.kind is ArmKind.BOX:
            return box(breadth_mm=known["breadth"], depth_mm=known["depth"], wall_mm=known["wall"]), ()
        if bracket.kind is ArmKind.TUBE:
            return tube(outside_mm=known["depth"], wall_mm=known["wall"]), ()
        if bracket.kind is ArmKind.FOLDED:
            sizes_mm = {"flange_mm": known["breadth"], "depth_mm": known["depth"], "thickness_mm": known["wall"]}
            return folded_channel(**sizes_mm, inside_mm=known["bend"]), ()
        return (
            channel(
                flange_mm=known["breadth"],
                depth_mm=known["depth"],
                flange_thickness_mm=known["wall"],
                web_thickness_mm=known["web"],
            ),
            (),
        )
    except ImpossibleInput as error:
        return None, (f"{name}: a bracket that can be made; its {error}",)


def _shelf(known: dict[str, float], count: int) -> Section:
    """A shelf at its root; at its nose it must be one that can be made too."""
    if not known["wall"] <= known["nose"] <= known["depth"]:
        raise ImpossibleInput("nose", known["nose"], "no less deep than the shelf is thick, no deeper than the root")
    return gusseted(
        breadth_mm=known["breadth"],
        shelf_mm=known["wall"],
        gusset_mm=known["gusset"],
        count=count,
        depth_mm=known["depth"],
    )


_WORDS: Final = {
    "breadth": "the breadth",
    "depth": "the depth",
    "wall": "the wall",
    "web": "the web",
    "bend": "the bends' radius",
    "gusset": "the thickness of the gussets",
    "nose": "the depth at the mount",
}


def turned_stiffness(arm: Arm, axes: Floats) -> Floats:
    """Return what an arm holds with along a mount's own axes, each by itself, N/mm, (3,).

    Args:
        arm: The bracket.
        axes: Of the mount, (3, 3).

    Source:
        Flexibilities add along each axis, f_i = Σ (a_i · e_k)²/k_k.
    """
    shares = (axes.T @ arm.turn) ** 2
    found: Floats = 1 / (shares @ (1 / arm.stiffness_n_per_mm))
    return found


def beside_mm(bracket: Bracket, section: Section) -> float | None:
    """Return how far the load passes from the shear centre, at the worse side of a channel."""
    beside = value_of(bracket.beside)
    return None if beside is None else beside + section.shear_centre_mm


def stresses_of(arm: Arm, bracket: Bracket, force_n: Floats, moment_nmm: Floats) -> tuple[Stressed, ...]:
    """Return the stress where an arm is judged, under the force and moment that the unit puts on the mount, (3,).

    It must be known how far beside it the load passes.
    """
    along, across, upright = (abs(float(one)) for one in arm.turn.T @ force_n)
    turning, level, standing = (abs(float(one)) for one in arm.turn.T @ moment_nmm)
    return tuple(
        Stressed(
            stress=arm_stress(
                section,
                arm_mm=lever,
                upright_n=upright,
                across_n=across,
                axial_n=along,
                offset_mm=beside_mm(bracket, section) or 0.0,
                e_mpa=STEEL.modulus_mpa,
                moment_nmm=(turning, level, standing),
            ),
            section=section,
            lever_mm=lever,
        )
        for lever, section in arm.places
    )


def weld_of(arm: Arm, bracket: Bracket, forces_n: Floats, moments_nmm: Floats) -> tuple[int, WeldStress] | None:
    """Return which of the forces and moments, (c, 3), is worst for the fillet round an arm's root, and its stress.

    ``None`` while its leg or where it is loaded is not known, or there is no force.
    """
    leg, beside = counted_leg_mm(bracket), value_of(bracket.beside)
    if leg is None or beside is None or not len(forces_n):
        return None
    if arm.legs is not None:
        return _leg_weld(arm, arm.legs, leg, beside, (forces_n, moments_nmm))
    lines = _root_lines(arm.section, bracket)
    # In the weld's plane x lies across and y upright; the third is out of the vehicle, along the arm.
    forces, moments = ((one @ arm.turn)[:, [1, 2, 0]] for one in (forces_n, moments_nmm))
    offset = beside + arm.section.shear_centre_mm
    places = [np.array([side * offset, 0.0, arm.length_mm]) for side in (1.0, -1.0)]
    sizes = np.array(
        [weld_sizes_mpa(lines, leg_mm=leg, forces_n=forces, at_mm=at, moments_nmm=moments) for at in places]
    )
    side, row = np.unravel_index(int(sizes.argmax()), sizes.shape)
    at = places[side]
    return int(row), weld_stress(lines, leg_mm=leg, force_n=forces[row], at_mm=at, moment_nmm=moments[row])


def walls_mm(bracket: Bracket) -> tuple[float | None, float | None]:
    """Return how thick the arm is where it is welded, at its thinnest, and what it is welded to."""
    words = {ArmKind.CHANNEL: ("wall", "web"), ArmKind.GUSSETED: ("wall", "gusset")}
    own = [positive_of(getattr(bracket, word)) for word in words.get(bracket.kind or ArmKind.NONE, ("wall",))]
    known = [one for one in own if one is not None]
    return (min(known) if len(known) == len(own) else None), base_mm(bracket)


def counted_leg_mm(bracket: Bracket) -> float | None:
    """Return the leg of its fillet as it counts: no larger than the thinner of the walls that are known."""
    leg = positive_of(bracket.leg)
    known = [one for one in walls_mm(bracket) if one is not None]
    return None if leg is None else min([leg, *known])


def base_mm(bracket: Bracket) -> float | None:
    """Return how thick what a bracket is welded to is: its landing plate, where it has one."""
    if bracket.landing.is_there is None:
        return None
    return positive_of(bracket.landing.thickness if bracket.landing.is_there else bracket.base)


def _leg_weld(
    arm: Arm, legs: Legs, leg_mm: float, beside_mm: float, loads: tuple[Floats, Floats]
) -> tuple[int, WeldStress]:
    """The ring of weld at an end of a leg that is worst off, under which of the forces."""
    lines, found = ring_lines(legs.section.depth_mm), list[tuple[float, int, Floats]]()
    forces_n, moments_nmm = loads
    for at in load_at_mm(arm.plate_mm, beside_mm):
        ends = leg_ends(legs, forces_n @ arm.turn, at, moments_nmm @ arm.turn)
        every = np.stack([ends.tops, ends.feet]).reshape(-1, 6)[:, [1, 2, 0, 4, 5, 3]]
        sizes = weld_sizes_mpa(lines, leg_mm=leg_mm, forces_n=every[:, :3], at_mm=np.zeros(3), moments_nmm=every[:, 3:])
        worst = int(sizes.argmax())
        row = worst // len(legs.lengths_mm) % len(forces_n)
        found.append((float(sizes[worst]), row, every[worst]))
    _, row, end = max(found, key=lambda one: one[0])
    return row, weld_stress(lines, leg_mm=leg_mm, force_n=end[:3], at_mm=np.zeros(3), moment_nmm=end[3:])


def _root_lines(section: Section, bracket: Bracket) -> Floats:
    """The weld all round an arm's root, about its centroid, (n, 2, 2)."""
    if bracket.kind is ArmKind.TUBE:
        return ring_lines(section.depth_mm)
    if bracket.kind is not ArmKind.GUSSETED:
        return frame_lines(positive_of(bracket.breadth) or section.breadth_mm, section.depth_mm)
    breadth, shelf, gusset, depth = (
        positive_of(one) or 0.0 for one in (bracket.breadth, bracket.wall, bracket.gusset, bracket.depth)
    )
    places = gusset_places_mm(breadth_mm=breadth, gusset_mm=gusset, count=bracket.gussets or 1)
    plates = [rectangle(-breadth / 2, -shelf, breadth / 2, 0.0)]
    plates += [rectangle(y - gusset / 2, -depth, y + gusset / 2, 0.0) for y in places]
    whole = union_all(plates)
    corners = np.array(whole.exterior.coords) - [0.0, whole.centroid.y]
    return np.stack([corners[:-1], corners[1:]], axis=1)
