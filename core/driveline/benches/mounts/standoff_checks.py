"""Whether the legs of a plate on standoffs hold, do not buckle, and bend the plate no more than it bears."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.mounts.loaded import Loaded, field_inputs, lacking
from driveline.benches.mounts.sheet import ArmKind, MountKind
from driveline.benches.mounts.standoffs import CORNER_WORDS, load_at_mm
from driveline.benches.mounts.workings import strut_working
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge
from driveline.metal.standoffs import LegEnds, Legs, LegStress, PlateStress, leg_ends, leg_stress, plate_stress
from driveline.metal.struts import Buckling, strut_buckling
from driveline.sheet import positive_of, value_of
from driveline.working import Working, entered, step, worked

SWAYS: Final = 1.2  # of its length, for a leg held at both ends whose top may move aside
SWAYS_WORDS: Final = "1.2 times the longest leg: its top may move aside"
RIGID: Final = (
    "A rigid plate on beams held at both ends, each by its own length; the load beside the middle on either side. "
    "|N|/A + M r/I, T r/J + 2 V/A, √(σ² + 3 τ²)."
)
BENT: Final = (
    "Statics of the plate cut through its load, over what stands there and 0.6 of the span; beside a leg its moment "
    "over its diameter and twice the thickness: σ = 6 M/(b t²), above what finite elements find."
)


@dataclass(frozen=True, slots=True, kw_only=True)
class _Stood:
    """A plate on legs under every load, beside its middle on the one side and on the other."""

    legs: Legs
    ends: tuple[LegEnds, LegEnds]
    beside_mm: float
    plate_mm: float

    @property
    def pushed_n(self) -> tuple[int, int, float]:
        """Under which load which leg is pushed most, and by how much; nought where none is."""
        most = np.maximum(*(one.tops[..., 0] * -1.0 for one in self.ends))
        row, leg = (int(one) for one in np.unravel_index(int(most.argmax()), most.shape))
        return row, leg, max(float(most[row, leg]), 0.0)


def standoff_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of a plate on standoffs; none of any other bracket."""
    if one.mount.sheet.kind is MountKind.ARM or one.mount.sheet.bracket.kind is not ArmKind.STANDOFFS:
        return
    stood = _stood(one)
    yield _legs(one, stood, judge)
    yield _plate(one, stood, judge)
    yield _buckle(one, stood, judge)


def _stood(one: Loaded) -> _Stood | None:
    arm, beside = one.mount.arm.arm, value_of(one.mount.sheet.bracket.beside)
    if arm is None or arm.legs is None or beside is None or not len(one.forces_n):
        return None
    forces, moments = one.forces_n @ arm.turn, one.moments_nmm @ arm.turn
    first, second = (leg_ends(arm.legs, forces, at, moments) for at in load_at_mm(arm.plate_mm, beside))
    return _Stood(legs=arm.legs, ends=(first, second), beside_mm=beside, plate_mm=arm.plate_mm)


def _legs(one: Loaded, stood: _Stood | None, judge: Judge) -> Check:
    sheet = one.mount.sheet
    found: LegStress | None = None
    if stood is not None:
        found = max((leg_stress(stood.legs, ends) for ends in stood.ends), key=lambda each: each.combined_mpa)
    says = ""
    if found is not None:
        end = "top" if found.is_top else "foot"
        says = f"{fig(found.combined_mpa, 'MPa', 0)} at the {end} of the {CORNER_WORDS[found.leg]} leg, "
        says += f"in {one.names[found.row]}."
    return judge.check(
        "bracket_yield",
        key=f"{one.key}.arm",
        title=f"Legs of {sheet.name}'s bracket",
        demand=None if found is None else found.combined_mpa,
        capacity=one.yield_mpa,
        unit="MPa",
        says=says,
        missing=lacking(one, "beside"),
        inputs=field_inputs(one, "bracket"),
        working=lambda: Working(source=RIGID) if found is None or stood is None else _legs_working(stood.legs, found),
    )


def _legs_working(legs: Legs, found: LegStress) -> Working:
    section = legs.section
    area = worked("A", section.area_mm2, "mm²", section.words)
    normal = step(
        "σ",
        "abs(N) / A + M / Z",
        worked("N", found.axial_n, "N", "along it, from the balance of the plate"),
        area,
        worked("M", found.moment_nmm / 1000, "N·m", "at that end, from the same"),
        worked("Z", section.modulus_mm3, "mm³", section.words),
        value=found.normal_mpa,
        unit="MPa",
        decimals=1,
    )
    shear = step(
        "τ",
        "T / w + 2 * V / A",
        worked("T", found.torque_nmm / 1000, "N·m", "about it, from the same"),
        worked("w", 1 / section.shear_per_nmm, "mm³", "torsional modulus"),
        worked("V", found.shear_n, "N", "across it, from the same"),
        area,
        value=found.shear_mpa,
        unit="MPa",
        decimals=1,
    )
    both = step("s", "sqrt(σ**2 + 3 * τ**2)", normal, shear, value=found.combined_mpa, unit="MPa", decimals=1)
    return Working(steps=(normal, shear, both), source=RIGID)


def _plate(one: Loaded, stood: _Stood | None, judge: Judge) -> Check:
    sheet, bracket = one.mount.sheet, one.mount.sheet.bracket
    found: PlateStress | None = None
    breadth, depth, foot = (positive_of(size) for size in (bracket.breadth, bracket.depth, bracket.legs.foot))
    if stood is not None and breadth is not None and depth is not None and foot is not None:
        sides = zip(stood.ends, load_at_mm(stood.plate_mm, stood.beside_mm), strict=True)
        every = [
            plate_stress(
                stood.legs, ends, size_mm=(breadth, depth), thickness_mm=stood.plate_mm, root_mm=foot, at_mm=at
            )
            for ends, at in sides
        ]
        found = max(every, key=lambda each: each.stress_mpa)

    def working() -> Working:
        if found is None or stood is None:
            return Working(source=BENT)
        last = step(
            "σ",
            "6 * M / (b * t**2)",
            worked("M", found.moment_nmm / 1000, "N·m", f"{found.where}, {one.names[found.row]}"),
            worked("b", found.width_mm, "mm", "that bears it"),
            entered("t", stood.plate_mm, "mm", f"{one.mount.field}.bracket.wall"),
            value=found.stress_mpa,
            unit="MPa",
            decimals=1,
        )
        return Working(steps=(last,), source=BENT)

    return judge.check(
        "bracket_yield",
        key=f"{one.key}.standoff_plate",
        title=f"Plate of {sheet.name}'s standoffs",
        demand=None if found is None else found.stress_mpa,
        capacity=one.yield_mpa,
        unit="MPa",
        says="" if found is None else f"{found.where.capitalize()}, in {one.names[found.row]}.",
        missing=lacking(one, "beside"),
        inputs=field_inputs(one, "bracket"),
        working=working,
    )


def _buckle(one: Loaded, stood: _Stood | None, judge: Judge) -> Check:
    sheet = one.mount.sheet
    found: Buckling | None = None
    row, leg, pushed = (0, 0, 0.0) if stood is None else stood.pushed_n
    length = 0.0
    if stood is not None:
        section, length = stood.legs.section, SWAYS * float(stood.legs.lengths_mm.max())
        found = strut_buckling(
            area_mm2=section.area_mm2,
            gyration_mm=(section.upright_mm4 / section.area_mm2) ** 0.5,
            length_mm=length,
            end_factor=1.0,
            e_mpa=stood.legs.e_mpa,
            yield_mpa=one.yield_mpa,
        )
    says = ""
    if found is not None:
        says = f"{fig(pushed, 'N', 0)} on the {CORNER_WORDS[leg]} one in {one.names[row]}; the longest buckles at "
        says += f"{fig(found.load_n, 'N', 0)}, by {found.rule}."
    return judge.check(
        "buckling",
        key=f"{one.key}.legs_buckle",
        title=f"Legs of {sheet.name}'s bracket do not buckle",
        demand=None if stood is None else pushed,
        capacity=None if found is None else found.load_n,
        unit="N",
        says=says,
        missing=lacking(one, "beside"),
        inputs=field_inputs(one, "bracket"),
        working=lambda: (
            Working()
            if found is None or stood is None
            else strut_working(stood.legs.section, found, length, one.yield_mpa, ends=SWAYS_WORDS)
        ),
    )
