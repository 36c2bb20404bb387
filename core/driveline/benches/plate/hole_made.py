"""Each hole of the plate by what holds it: clearance, tapped, stud, nut, reamed or slotted, sunk from either side."""

from collections.abc import Sequence
from typing import Final

from driveline.benches.plate.inputs import HoleInputs, PlateInputs
from driveline.drawing.hole import HeldBy, PlateHole
from driveline.figures import fig
from driveline.flat.holes import MACHINING_MM, Disc
from driveline.joints.sheet import Joint, Tapped
from driveline.margins import missing_of
from driveline.metal.bolts import thread
from driveline.sheet import Length, value_of
from driveline.tables.materials import PlateMaterial

PATTERNS: Final = ("motor", "flange", "standoff")
SLOTTED_DEG: Final = 30.0  # either way, at the most: longer ones leave no plate between the screws
THREADED: Final = (HeldBy.TAPPED, HeldBy.STUD)
IN_PLATE: Final = {
    PlateMaterial.ALUMINIUM: Tapped.ALUMINIUM_WROUGHT,
    PlateMaterial.STEEL: Tapped.STEEL,
    PlateMaterial.STAINLESS: Tapped.STEEL,
}


def rule_of(inputs: PlateInputs, pattern: str, name: str = "") -> HoleInputs | None:
    """Return how a hole is made, by its own name before its pattern; ``None``: a clearance hole as measured."""
    if pattern not in PATTERNS:
        return None
    rules = {rule.which: rule for rule in inputs.plate.holes}
    return rules.get(name) or rules.get(pattern)


def made_hole(inputs: PlateInputs, pattern: str, disc: Disc) -> PlateHole | None:
    """Return a hole of the plate; ``None`` where it is not drilled."""
    rule = rule_of(inputs, pattern, disc.id)
    held = (rule.held if rule else None) or HeldBy.CLEARANCE
    if held is HeldBy.LEFT_OUT:
        return None
    finished_mm, cut_mm = _sizes_mm(rule, held, disc, is_bore=pattern == "bore")
    sunk = _sunk(inputs, rule, pattern)
    return PlateHole(
        id=disc.id,
        kind=pattern,
        x_mm=disc.x_mm,
        y_mm=disc.y_mm,
        finished_mm=finished_mm,
        cut_mm=cut_mm,
        counterbore_mm=sunk[0],
        counterbore_depth_mm=sunk[1],
        counterbore_at=sunk[2],
        held=held,
        thread=(rule.thread or "") if rule and held in THREADED else "",
        slot_deg=_slot_deg(rule) or 0.0,
    )


def _slot_deg(rule: HoleInputs | None) -> float | None:
    """How far a hole is slotted either way; ``None`` where it is not, or by what can't be."""
    if rule is None or rule.held is not HeldBy.SLOT or rule.slot_deg is None:
        return None
    return rule.slot_deg if rule.slot_deg <= SLOTTED_DEG else None


def _sizes_mm(rule: HoleInputs | None, held: HeldBy, disc: Disc, *, is_bore: bool) -> tuple[float, float]:
    """Finished, and as cut: registers and reamed holes are cut small, threads at their tapping drill."""
    size_mm = (rule.size_mm if rule else None) or disc.diameter_mm
    if rule and held in THREADED and rule.thread:
        size = thread(rule.thread)
        return size.diameter_mm, size.diameter_mm - size.pitch_mm
    small = is_bore or held is HeldBy.FITTED
    return size_mm, max(size_mm - MACHINING_MM, 0.5 * size_mm) if small else size_mm


def _sunk(inputs: PlateInputs, rule: HoleInputs | None, pattern: str) -> tuple[float | None, float | None, str]:
    if rule is not None and rule.counterbore_mm is not None:
        at = rule.counterbore_side.words if rule.counterbore_side else ""
        return rule.counterbore_mm, rule.counterbore_depth_mm, at
    if pattern == "motor":  # the motor's screws are put in from the gearbox's side
        return inputs.face.counterbore_mm, inputs.face.counterbore_depth_mm, ""
    return None, None, ""


def holes_made(inputs: PlateInputs, pattern: str, discs: Sequence[Disc]) -> list[PlateHole]:
    """Return the holes of a pattern that are drilled."""
    return [hole for disc in discs if (hole := made_hole(inputs, pattern, disc)) is not None]


def hole_names(*patterns: Sequence[Disc]) -> tuple[str, ...]:
    """Return what holes can be made otherwise: whole patterns, then each hole."""
    return tuple(dict.fromkeys((*PATTERNS, *(disc.id for discs in patterns for disc in discs))))


def discs_made(inputs: PlateInputs, pattern: str, discs: Sequence[Disc]) -> tuple[Disc, ...]:
    """Return what the holes of a pattern take up, a slot as many."""
    return tuple(
        Disc(hole.id, x_mm, y_mm, hole.takes_mm)
        for hole in holes_made(inputs, pattern, discs)
        for x_mm, y_mm in hole.spots_mm
    )


def wanted_of_holes(inputs: PlateInputs) -> tuple[str, ...]:
    """Return what is not known of holes that are other than clearance holes: what they take up hangs on it."""
    found: list[str] = []
    for rule in inputs.plate.holes:
        sunk = (rule.counterbore_mm, rule.counterbore_depth_mm, rule.counterbore_side)
        is_sunk = any(one is not None for one in sunk)
        found += missing_of(
            {
                f"What holds in {rule.which}": rule.held,
                f"Thread of {rule.which}": rule.held not in THREADED or rule.thread,
                f"Diameter of {rule.which}, reamed": rule.held is not HeldBy.FITTED or rule.size_mm,
                f"How far {rule.which} is slotted, up to {fig(SLOTTED_DEG, '°')}": rule.held is not HeldBy.SLOT
                or _slot_deg(rule),
                f"Counterbore of {rule.which}: diameter, depth and side": not is_sunk or None not in sunk,
            }
        )
    return tuple(found)


def in_joint(inputs: PlateInputs, pattern: str, discs: Sequence[Disc]) -> tuple[Disc, ...]:
    """Return the holes whose screws hold as their pattern's do: what is made otherwise is not counted on."""
    of_all = rule_of(inputs, pattern)
    held = of_all.held if of_all else None

    def is_like(disc: Disc) -> bool:
        own = rule_of(inputs, pattern, disc.id)
        if own is None or own is of_all:
            return True
        return not own.counterbore_mm and (own.held or HeldBy.CLEARANCE) is (held or HeldBy.CLEARANCE)

    return tuple(disc for disc in discs if is_like(disc))


def under_heads(inputs: PlateInputs, pattern: str, discs: Sequence[Disc]) -> tuple[tuple[str, float], ...]:
    """Return the hole under each head, name and diameter, mm: the plate's as made, or the flange's that is clamped.

    A slot is as wide as a hole that leaves the head as little to bear on.
    """
    found = []
    for disc in discs:
        hole = made_hole(inputs, pattern, disc)
        if hole is not None:
            on_flange = hole.held in (*THREADED, HeldBy.NUT)
            found.append((disc.id, disc.diameter_mm if on_flange else hole.opens_mm))
    return tuple(found)


def odd_sunk(inputs: PlateInputs, discs: Sequence[Disc]) -> bool:
    """Return whether a hole is counterbored otherwise than its pattern."""
    names = {disc.id for disc in discs}
    return any(rule.which in names and rule.counterbore_mm for rule in inputs.plate.holes)


def grip_mm(inputs: PlateInputs, pattern: str, plate_mm: float | None) -> float | None:
    """Return what a pattern's screws clamp, mm: the plate, the flange that is screwed to it, or both with a nut.

    The plate is counted as far as heads are not sunk into it.
    """
    rule = rule_of(inputs, pattern)
    held = (rule.held if rule else None) or HeldBy.CLEARANCE
    clamps_mm = rule.clamps_mm if rule else None
    if held in THREADED:
        return clamps_mm
    if held is HeldBy.NUT:
        return None if clamps_mm is None or plate_mm is None else plate_mm + clamps_mm
    return plate_mm


def clamped_of(inputs: PlateInputs, pattern: str) -> PlateMaterial | None:
    """Return what lies under the heads of a pattern's screws."""
    rule = rule_of(inputs, pattern)
    is_other = rule is not None and rule.held in (*THREADED, HeldBy.NUT)
    return rule.clamps_of if rule is not None and is_other else inputs.plate.made_of


def joint_made(inputs: PlateInputs, pattern: str, joint: Joint, plate_mm: float | None) -> Joint:
    """Return a joint as its holes make it: into the plate's own metal and no deeper than it is, or into a nut."""
    rule = rule_of(inputs, pattern)
    if rule is None or rule.held is None:
        return joint
    if rule.held is HeldBy.NUT:
        return joint.model_copy(update={"tapped": Tapped.NUT})
    if rule.held is HeldBy.FITTED:
        return joint.model_copy(update={"is_fitted": True})
    if rule.held not in THREADED:
        return joint
    deep_mm, made_of = value_of(joint.thread_depth), inputs.plate.made_of
    update: dict[str, object] = {"tapped": IN_PLATE[made_of] if made_of else None, "thread": rule.thread}
    if plate_mm is not None and deep_mm is not None and deep_mm > plate_mm:
        update["thread_depth"] = Length.of_mm(plate_mm)
    return joint.model_copy(update=update)
