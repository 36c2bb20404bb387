"""Whether a torque arm holds: its tube, the eyes at its ends, and the welds between them."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.mounts.arm_workings import eye_weld_working, eye_working, offset_working
from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.buckling_checks import back_and_forth
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.sheet import MountKind
from driveline.benches.mounts.workings import strut_working
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.margins import Judge
from driveline.metal.ears import Ear, ear_stress
from driveline.metal.fillets import greatest_leg_mm
from driveline.metal.sections import Section, tube
from driveline.metal.struts import Buckling, secant_load_n, strut_buckling
from driveline.metal.weld_groups import E70_MPA
from driveline.metal.welds import SCREEN_CYCLES, range_allowed_mpa, weld_allowable_mpa
from driveline.sheet import positive_of, value_of
from driveline.working import MakeWorking, Working

PINNED: Final = 1.0
LINK: Final = 0.4999  # of a diameter, the wall of what is a rod


def arm_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of a torque arm by itself; its ears and bolts have theirs. None of another mount."""
    if one.mount.sheet.kind is not MountKind.ARM:
        return
    link, missing = link_of(one)
    yield _strut(one, link, missing, judge)
    yield _eye(one, judge)
    yield from _welds(one, link, missing, judge)


@dataclass(frozen=True, slots=True, kw_only=True)
class Link:
    """A torque arm's tube."""

    section: Section
    outside_mm: float
    wall_mm: float
    length_mm: float
    straight: Buckling
    offset_mm: float | None  # None: not said
    offset_n: float | None  # at which its outer fibre yields, the load passing beside its middle

    @property
    def bears_n(self) -> float:
        """The least of both."""
        return self.straight.load_n if self.offset_n is None else min(self.straight.load_n, self.offset_n)


def link_of(one: Loaded) -> tuple[Link | None, tuple[str, ...]]:
    """Return a torque arm's tube, and what is still wanted of it."""
    mount, bracket, name = one.mount, one.mount.sheet.bracket, one.mount.sheet.name
    outside, wall, offset = positive_of(bracket.depth), positive_of(bracket.wall), value_of(bracket.beside)
    missing = [] if outside is not None else [f"{name}: the diameter of its tube or rod"]
    missing += [] if wall is not None else [f"{name}: the wall of its tube; of a rod half its diameter"]
    missing += (
        [] if offset is not None else [f"{name}: how far its tube's middle is from the line of its eyes, 0: straight"]
    )
    if outside is None or wall is None or mount.at_mm is None or mount.rail_mm is None:
        return None, tuple(missing)
    length = float(np.linalg.norm(mount.at_mm - mount.rail_mm))
    try:
        section = tube(outside_mm=outside, wall_mm=min(wall, LINK * outside))
        gyration = math.sqrt(section.upright_mm4 / section.area_mm2)
        straight = strut_buckling(
            area_mm2=section.area_mm2,
            gyration_mm=gyration,
            length_mm=length,
            end_factor=PINNED,
            e_mpa=STEEL.modulus_mpa,
            yield_mpa=one.yield_mpa,
        )
    except ImpossibleInput as error:
        return None, (*missing, f"{name}: a tube that can be made; its {error}")
    beside = None
    if offset:
        beside = secant_load_n(
            area_mm2=section.area_mm2,
            gyration_mm=gyration,
            fibre_mm=outside / 2,
            length_mm=length,
            end_factor=PINNED,
            offset_mm=abs(offset),
            e_mpa=STEEL.modulus_mpa,
            yield_mpa=one.yield_mpa,
        )
    link = Link(
        section=section,
        outside_mm=outside,
        wall_mm=min(wall, outside / 2),
        length_mm=length,
        straight=straight,
        offset_mm=offset,
        offset_n=beside,
    )
    return link, tuple(missing)


def _worst(one: Loaded) -> tuple[float, int] | None:
    """The greatest force on it, and in which case."""
    if not len(one.forces_n):
        return None
    sizes = np.linalg.norm(one.forces_n, axis=1)
    row = int(sizes.argmax())
    return float(sizes[row]), row


def _strut(one: Loaded, link: Link | None, missing: tuple[str, ...], judge: Judge) -> Check:
    sheet, worst = one.mount.sheet, _worst(one)
    says = ""
    if worst is not None and link is not None:
        rule = link.straight.rule if link.offset_n is None else "the secant formula"
        says = f"{fig(worst[0], 'N', 0)} in {one.names[worst[1]]}; it gives at {fig(link.bears_n, 'N', 0)}, by {rule}."

    def working() -> Working:
        if link is None:
            return Working()
        straight = strut_working(link.section, link.straight, link.length_mm, one.yield_mpa)
        if link.offset_n is None or link.offset_mm is None:
            return straight
        return offset_working(
            straight, link.section, link.outside_mm, link.length_mm, link.offset_mm, link.offset_n, one.mount.field
        )

    return judge.check(
        "buckling",
        key=f"{one.key}.strut",
        title=f"{sheet.name.capitalize()} does not buckle",
        demand=None if worst is None else worst[0],
        capacity=None if link is None else link.bears_n,
        unit="N",
        says=says,
        missing=tuple(dict.fromkeys((*one.missing, *missing))),
        inputs=field_inputs(one, "bracket"),
        working=working,
    )


def eye_of(one: Loaded) -> tuple[Ear | None, tuple[str, ...]]:
    """Return the ring of an eye as an ear whose hole the bush fills, or what it lacks."""
    eye, name = one.mount.sheet.eye, one.mount.sheet.name
    sizes = {"outside": "outside of its eyes", "bore": "bore of its eyes, for the bush", "width": "width of its eyes"}
    missing = tuple(f"{name}: {words}" for size, words in sizes.items() if positive_of(getattr(eye, size)) is None)
    outside, bore, width = positive_of(eye.outside), positive_of(eye.bore), positive_of(eye.width)
    if outside is None or bore is None or width is None:
        return None, missing
    if bore >= outside:
        return None, (f"{name}: eyes with a wall; their bore is no smaller than their outside",)
    return Ear(
        bolt_mm=bore,
        hole_mm=bore,
        thickness_mm=width,
        width_mm=outside,
        edge_mm=(outside - bore) / 2,
        root_mm=outside,
        height_mm=outside / 2,
    ), ()


def _eye(one: Loaded, judge: Judge) -> Check:
    (eye, missing), worst, sheet = eye_of(one), _worst(one), one.mount.sheet
    stress = None
    if eye is not None and worst is not None:
        stress = ear_stress(eye, force_n=worst[0], side_n=0.0, yield_mpa=one.yield_mpa)
    says = ""
    if stress is not None and worst is not None:
        says = (
            f"{stress.governing.capitalize()} governs, {fig(stress.governing_mpa, 'MPa', 0)}, in {one.names[worst[1]]}."
        )
    return judge.check(
        "weld",  # what is allowed holds the factor already
        key=f"{one.key}.eye",
        title=f"Eyes of {sheet.name}",
        demand=None if stress is None else stress.governing_mpa,
        capacity=None if stress is None else stress.allowed_mpa,
        unit="MPa",
        says=says,
        missing=(*one.missing, *missing),
        inputs=field_inputs(one, "eye"),
        working=lambda: (
            Working()
            if eye is None or stress is None or worst is None
            else eye_working(eye, stress, worst[0], one.yield_mpa, one.mount.field, is_usual=one.yield_is_usual)
        ),
    )


def _welds(one: Loaded, link: Link | None, missing: tuple[str, ...], judge: Judge) -> Iterator[Check]:
    """The fillet between tube and eye: at its worst, and to and fro."""
    bracket, name, worst = one.mount.sheet.bracket, one.mount.sheet.name, _worst(one)
    leg = positive_of(bracket.leg)
    lacking = [*one.missing, *missing]
    lacking += [] if leg is not None else [f"{name}: the leg of the welds at its eyes"]
    lacking += [] if bracket.is_inspected is not None else [f"{name}: whether its welds are inspected by an expert"]
    counts = None if leg is None or link is None else min(leg, greatest_leg_mm(link.wall_mm))
    area = None if counts is None or link is None else math.pi * link.outside_mm * math.sqrt(0.5) * counts
    swings = back_and_forth(one, one.forces_n)
    swing = None if not len(swings) else float(np.linalg.norm(swings, axis=1).max())
    if swing is None:
        lacking.append("Launch, and launch backward or overrun, among the cases")
    bears = weld_allowable_mpa(electrode_tensile_mpa=E70_MPA, is_inspected=bool(bracket.is_inspected))
    each = (
        ("weld", f"Weld of {name} at its eyes", None if worst is None else worst[0], bears),
        ("fatigue", f"Weld of {name}, to and fro", swing, range_allowed_mpa(SCREEN_CYCLES)),
    )
    for key, title, force, allowed in each:
        stress = None if area is None or force is None else force / area
        yield judge.check(
            "weld",
            key=f"{one.key}.{key}",
            title=title,
            demand=stress,
            capacity=allowed,
            unit="MPa",
            says="" if stress is None else f"{fig(force, 'N', 0)} on its throat: {fig(stress, 'MPa', 0)}.",
            missing=tuple(dict.fromkeys(lacking)),
            inputs=field_inputs(one, "bracket"),
            working=_weld_working(one, link, counts, force, stress),
        )


def _weld_working(
    one: Loaded, link: Link | None, leg_mm: float | None, force_n: float | None, stress_mpa: float | None
) -> MakeWorking:
    if link is None or leg_mm is None or force_n is None or stress_mpa is None:
        return Working
    return lambda: eye_weld_working(link.outside_mm, leg_mm, force_n, stress_mpa, one.mount.field)
