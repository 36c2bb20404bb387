"""Whether the bolt through two ears may be tightened: on a tube between them that bears it, as long as their gap."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from driveline.benches.mounts.bolts import ear_joint, ear_place, ear_worked
from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.holding_sheet import Grip
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.sheet import MountKind
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.joints.preload_sums import greatest_steps
from driveline.joints.pulled import pulled_checks
from driveline.joints.screws import Loads, Pull, Worked
from driveline.margins import Judge, missing_of
from driveline.metal.ears import BENDING
from driveline.metal.sleeves import drawn_in_mpa, tube_stress_mpa
from driveline.sheet import positive_of
from driveline.working import Step, Working, entered, step, tabled

EARS: Final = 2  # that a tube goes between
COUNT: Final = "{}: how many ears take its bolt"
ASKED: Final = "{}: whether its bolt clamps a tube between its ears"
SAME_MM: Final = 0.02  # no caliper tells lengths nearer than that apart
CLAMPED: Final = "The greatest preload over the tube's section."
DRAWN_IN: Final = (
    "Each ear as a cantilever moved at its hole by half of what the tube is off; bending allowed 0.6 of yield."
)


@dataclass(frozen=True, slots=True, kw_only=True)
class _Clamped:
    """The tube under the greatest preload."""

    bolt: Worked
    preload_n: float
    stress_mpa: float


def tube_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of what keeps two ears apart; none of one ear alone."""
    mount = one.mount.sheet
    if (mount.grip is not Grip.EARS and mount.kind is not MountKind.ARM) or mount.ears.count == 1:
        return
    if mount.tube.is_there is False:
        yield _by_hand(one, judge)
        return
    yield _crushed(one, judge)
    yield _long(one, judge)
    yield from _screwed(one, judge)


def _screwed(one: Loaded, judge: Judge) -> tuple[Check, ...]:
    """Its bolt as any other screw; what pulls across it is borne in shear, not by friction."""
    pulls = tuple(
        Pull(words=name, tension_n=abs(float(force @ axis)), shear_n=None)
        for force, name in zip(one.forces_n, one.names, strict=True)
        if (axis := one.bolt_axis) is not None
    )
    loads = Loads(motor_kg=None, torque_nm=None, missing=one.missing, pulls=pulls)
    joint = ear_joint(one)
    return pulled_checks(joint, ear_place(one), loads, judge, slips=False)


def _by_hand(one: Loaded, judge: Judge) -> Check:
    """Without a tube the bolt is not tightened: held all the same, with a catch."""
    name = one.mount.sheet.name
    missing = missing_of({COUNT.format(name): one.mount.sheet.ears.count})
    return judge.answer(
        is_so=None if missing else True,
        has_catch=True,
        key=f"{one.key}.tube",
        title=f"Ears of {name} may be tightened on",
        says="" if missing else "Nothing keeps them apart: a castle nut and pin, turned up by hand only.",
        missing=missing,
        inputs=field_inputs(one, "tube.is_there", "ears.count"),
    )


def _clamped(one: Loaded) -> _Clamped | None:
    tube = one.mount.sheet.tube
    outside, inside, bolt = positive_of(tube.outside), positive_of(tube.inside), ear_worked(one)
    if bolt is None or bolt.greatest_n is None or outside is None or inside is None:
        return None
    preload = bolt.greatest_n
    try:
        stress = tube_stress_mpa(force_n=preload, outside_mm=outside, inside_mm=inside)
    except ImpossibleInput:
        return None
    return _Clamped(bolt=bolt, preload_n=preload, stress_mpa=stress)


def _crushed(one: Loaded, judge: Judge) -> Check:
    mount, tube = one.mount.sheet, one.mount.sheet.tube
    outside, inside, bolt = (positive_of(size) for size in (tube.outside, tube.inside, mount.ears.bolt))
    missing = missing_of(
        {
            COUNT.format(mount.name): mount.ears.count,
            ASKED.format(mount.name): tube.is_there,
            f"{mount.name}: the bolt of its ears": bolt,
            f"{mount.name}: strength on the head of its bolt": mount.ears.bolt_class,
            f"{mount.name}: outside of the tube between its ears": outside,
            f"{mount.name}: bore of the tube between its ears": inside,
        }
    )
    if outside is not None and inside is not None and inside >= outside:
        missing = (*missing, f"{mount.name}: a tube with a wall; its bore is no smaller than its outside")
    if inside is not None and bolt is not None and inside < bolt:
        missing = (*missing, f"{mount.name}: a tube that its bolt goes through")
    found = _clamped(one)
    if not missing and found is None:
        missing = (f"{mount.name}: how the bolt of its ears is tightened, of a thread known here",)
    own = tube.yield_mpa or STEEL.yield_mpa
    return judge.check(
        "bracket_yield",
        key=f"{one.key}.tube",
        title=f"Tube between the ears of {mount.name} is not crushed",
        demand=None if found is None else found.stress_mpa,
        capacity=own,
        unit="MPa",
        says="" if found is None else f"{fig(found.preload_n, 'N', 0)} on it at the most.",
        missing=missing,
        inputs=field_inputs(one, "tube", "ears.bolt", "ears.bolt_class"),
        working=lambda: Working() if found is None else _crushed_working(found, one),
    )


def _crushed_working(found: _Clamped, one: Loaded) -> Working:
    field, tube = one.mount.field, one.mount.sheet.tube
    preload = greatest_steps(found.bolt, found.preload_n)
    area, stress = squeezed_steps(
        preload[-1],
        (positive_of(tube.outside) or 0.0, positive_of(tube.inside) or 0.0),
        (f"{field}.tube.outside", f"{field}.tube.inside"),
        stress_mpa=found.stress_mpa,
    )
    return Working(steps=(*preload, area, stress), source=CLAMPED)


def squeezed_steps(
    preload: Step, sizes_mm: tuple[float, float], fields: tuple[str, str], *, stress_mpa: float
) -> tuple[Step, Step]:
    """Return the working's steps from a preload to the stress of what it squeezes: outside and bore, with fields."""
    outside, inside = sizes_mm
    area = step(
        "A",
        "pi / 4 * (a**2 - b**2)",
        entered("a", outside, "mm", fields[0]),
        entered("b", inside, "mm", fields[1]),
        value=math.pi / 4 * (outside**2 - inside**2),
        unit="mm²",
        decimals=1,
    )
    return area, step("σ", f"{preload.symbol} / A", preload, area, value=stress_mpa, unit="MPa", decimals=1)


def _long(one: Loaded, judge: Judge) -> Check:
    mount, tube = one.mount.sheet, one.mount.sheet.tube
    gap, length, thickness, height = (
        positive_of(size) for size in (tube.gap, tube.length, mount.ears.thickness, mount.ears.height)
    )
    missing = missing_of(
        {
            COUNT.format(mount.name): mount.ears.count,
            ASKED.format(mount.name): tube.is_there,
            f"{mount.name}: the gap between its ears, welded": gap,
            f"{mount.name}: length of the tube between its ears": length,
            f"{mount.name}: the thickness of its ears": thickness,
            f"{mount.name}: the height of its ears to the hole": height,
        }
    )
    stress, says, off = None, "", 0.0
    if gap is not None and length is not None and thickness is not None and height is not None and not missing:
        off = abs(gap - length) / EARS
        stress = drawn_in_mpa(off_mm=off, thickness_mm=thickness, height_mm=height, e_mpa=STEEL.modulus_mpa)
        says = _fit_words(gap, length)
    return judge.check(
        "weld",  # what is allowed holds the factor already
        key=f"{one.key}.tube_length",
        title=f"Tube between the ears of {mount.name} is as long as their gap",
        demand=stress,
        capacity=BENDING * one.yield_mpa,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=field_inputs(one, "tube.gap", "tube.length", "ears.thickness", "ears.height"),
        working=lambda: (
            Working()
            if stress is None or gap is None or length is None
            else _long_working(one, gap, length, thickness or 0.0, height or 0.0, stress)
        ),
    )


def _fit_words(gap_mm: float, length_mm: float) -> str:
    off = gap_mm - length_mm
    if abs(off) <= SAME_MM:
        return "Tube and gap are alike: the ears stay straight."
    if off > 0:
        return f"{fig(off, 'mm', 2)} short: tightening draws each ear in by half of that. Shim it, or cut a longer one."
    return f"{fig(-off, 'mm', 2)} long: it spreads the ears, if it goes between at all. Face it off."


def _long_working(
    one: Loaded, gap_mm: float, length_mm: float, thickness_mm: float, height_mm: float, stress_mpa: float
) -> Working:
    field = one.mount.field
    off = step(
        "δ",
        "abs(g - L) / 2",
        entered("g", gap_mm, "mm", f"{field}.tube.gap"),
        entered("L", length_mm, "mm", f"{field}.tube.length"),
        value=abs(gap_mm - length_mm) / EARS,
        unit="mm",
        decimals=3,
    )
    stress = step(
        "σ",
        "3 * E * t * δ / (2 * h**2)",
        tabled("E", STEEL.modulus_mpa, "MPa", "steel"),
        entered("t", thickness_mm, "mm", f"{field}.ears.thickness"),
        off,
        entered("h", height_mm, "mm", f"{field}.ears.height"),
        value=stress_mpa,
        unit="MPa",
        decimals=1,
    )
    return Working(steps=(off, stress), source=DRAWN_IN)
