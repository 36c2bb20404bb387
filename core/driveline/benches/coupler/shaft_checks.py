"""Whether the shafts themselves stand the torque, once and launch after launch, and what a keyway leaves of them."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.coupler.carriers import DESIGN
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.shaft_inputs import ShaftInputs
from driveline.benches.coupler.sheet import ShaftKind
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import CouplerStyle
from driveline.shafts.keys import key_stress
from driveline.shafts.torsion import (
    FILLET_KT,
    KEYWAY_KT,
    UNHARDENED_MPA,
    shaft_shear_mpa,
    shear_range_allowed_mpa,
    wall_under_keyway_mm,
)
from driveline.working import Given, Step, Working, entered, step, tabled, worked

LAUNCHES: Final = "How often it will launch in its life"
TORSION: Final = (
    "τ = K 16 T d/(π (d⁴ − d_i⁴)): K 3.0 at a keyway and 1.5 at a fillet, on the whole section there. An unhardened "
    "shaft is taken to bear 250 MPa where its maker says nothing."
)
OFTEN: Final = "Range of shear from launch to overrun, notch included; EN 1993-1-9 category 100 with slope 5: a screen."
Notch = tuple[float, float, str, str]  # factor, diameter, its field, what it is


def shaft_checks(
    inputs: CouplerInputs, needs: CouplerNeeds, style: CouplerStyle, motor_mm: float | None, judge: Judge
) -> Iterator[Check]:
    """Return whether either shaft stands the torque where it is weakest.

    Args:
        inputs: Of the bench.
        needs: What it must carry.
        style: Of the coupler.
        motor_mm: What of the motor shaft's key is in its hub for certain.
        judge: Of the bench.
    """
    for shaft in (inputs.motor_shaft, inputs.gearbox_shaft):
        yield _torsion(shaft, needs, judge)
        yield _often(shaft, inputs.sheet.launches, needs, judge)
        is_keyed = shaft.kind is ShaftKind.KEYED
        if is_keyed and (shaft.name == "motor_shaft" or style is CouplerStyle.FLEXIBLE):
            yield _under_keyway(shaft, judge)
    if inputs.motor_shaft.kind is ShaftKind.KEYED:
        yield _key_often(inputs, needs, motor_mm, judge)


def _key(shaft: ShaftInputs) -> str:
    return "coupler.motor" if shaft.name == "motor_shaft" else "coupler.gearbox"


def _notches(shaft: ShaftInputs) -> tuple[Notch, ...]:
    """Where a shaft is weakened; empty while a size is missing."""
    if shaft.diameter_mm is None or shaft.least_mm is None:
        return ()
    behind = (FILLET_KT, min(shaft.least_mm, shaft.diameter_mm), f"{shaft.field}.least", "at a fillet")
    if shaft.kind is ShaftKind.SPLINED:
        root = shaft.spline.root_mm
        return () if root is None else ((1.0, root, f"{shaft.field}.spline.root", "at the roots"), behind)
    return ((KEYWAY_KT, shaft.diameter_mm, f"{shaft.field}.diameter", "at its keyway"), behind)


def _worst(shaft: ShaftInputs) -> tuple[Notch, float] | None:
    """The notch that raises the stress most, and what 1 N·m does there."""
    bore = shaft.bore_mm
    if bore is None:
        return None
    found = [
        (notch, shaft_shear_mpa(torque_nm=1.0, outside_mm=notch[1], bore_mm=bore, factor=notch[0]))
        for notch in _notches(shaft)
        if notch[1] > bore
    ]
    return max(found, key=lambda one: one[1], default=None)


def _missing(shaft: ShaftInputs) -> dict[str, object]:
    known: dict[str, object] = {
        f"How the {shaft.word} takes its hub": shaft.kind,
        f"Diameter of the {shaft.word}": shaft.diameter_mm,
        f"Bore through the {shaft.word}, 0 for none": shaft.bore_mm,
        f"Least diameter of the {shaft.word} behind its seat": shaft.least_mm,
    }
    if shaft.kind is ShaftKind.SPLINED:
        known[f"Diameter of the {shaft.word} at the roots of its spline"] = shaft.spline.root_mm
    return known


def _stress_step(shaft: ShaftInputs, notch: Notch, torque: Given, symbol: str, value_mpa: float) -> Step:
    factor, size_mm, field, words = notch
    is_bored = bool(shaft.bore_mm)
    bore = (entered("d_i", shaft.bore_mm or 0.0, "mm", f"{shaft.field}.bore"),) if is_bored else ()
    return step(
        symbol,
        f"K * 16 * {torque.name} * d / (pi * {'(d**4 - d_i**4)' if is_bored else 'd**4'})",
        tabled("K", factor, "", words),
        torque,
        entered("d", size_mm, "mm", field),
        *bore,
        value=value_mpa,
        unit="MPa",
        decimals=1,
        words=words,
    )


def _torsion(shaft: ShaftInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    worst, bears = _worst(shaft), shaft.shear_mpa or UNHARDENED_MPA
    missing = missing_of({DESIGN: needs.design_nm, **_missing(shaft)})
    stress = None if worst is None or needs.design_nm is None else worst[1] * needs.design_nm
    says = wanted_words(missing)
    if stress is not None and worst is not None:
        found = f"{num(stress, 'MPa', 0)} {worst[0][3]}, of {fig(bears, 'MPa', 0)}"
        says = f"{found}, at least. {says}" if missing else found

    def working() -> Working:
        if stress is None or worst is None or needs.design_nm is None:
            return Working(source=TORSION)
        torque = worked("T", needs.design_nm, "N·m", "design torque")
        return Working(steps=(_stress_step(shaft, worst[0], torque, "τ", stress),), source=TORSION)

    return judge.check(
        "bar_shear",
        key=f"{_key(shaft)}_torsion",
        title=f"The {shaft.word} in torsion",
        demand=stress,
        capacity=bears,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=(shaft.field,),
        station="coupler",
        working=working,
    )


def _often(shaft: ShaftInputs, launches: float | None, needs: CouplerNeeds, judge: Judge) -> Check:
    worst = _worst(shaft)
    missing = missing_of(
        {DESIGN: needs.design_nm, "Overrun torque": needs.overrun_nm, LAUNCHES: launches, **_missing(shaft)}
    )
    both = None if needs.design_nm is None or needs.overrun_nm is None else needs.design_nm + needs.overrun_nm
    ranged = None if worst is None or both is None else worst[1] * both
    stands = None if launches is None else shear_range_allowed_mpa(launches)
    says = wanted_words(missing)
    if ranged is not None and stands is not None and worst is not None:
        found = f"{num(ranged, 'MPa', 0)} from launch to overrun {worst[0][3]}, of {fig(stands, 'MPa', 0)} so often"
        says = f"{found}, at least. {says}" if missing else found

    def working() -> Working:
        if ranged is None or worst is None or both is None:
            return Working(source=OFTEN)
        torque = worked("ΔT", both, "N·m", "design torque and overrun torque together")
        return Working(steps=(_stress_step(shaft, worst[0], torque, "Δτ", ranged),), source=OFTEN)

    return judge.check(
        "bar_shear",
        key=f"{_key(shaft)}_often",
        title=f"The {shaft.word}, launch after launch",
        demand=ranged,
        capacity=stands,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=(shaft.field, "coupler.launches", "brief.motor.overrun_torque"),
        station="coupler",
        working=working,
    )


def _under_keyway(shaft: ShaftInputs, judge: Judge) -> Check:
    size, d_mm, bore = shaft.key.size, shaft.diameter_mm, shaft.bore_mm
    missing = missing_of(
        {
            f"Diameter of the {shaft.word}": d_mm,
            f"Bore through the {shaft.word}, 0 for none": bore,
            f"Section of the key of the {shaft.word}": size,
        }
    )
    wall = None
    if size is not None and d_mm is not None and bore is not None:
        wall = wall_under_keyway_mm(shaft_mm=d_mm, bore_mm=bore, depth_mm=size.shaft_depth_mm)
    depth = None if size is None else size.shaft_depth_mm
    says = wanted_words(missing)
    if wall is not None:
        says = f"{fig(max(wall, 0.0), 'mm', 1)} left under it" if wall > 0 else "it breaks through into the bore"

    def working() -> Working:
        source = "A keyway no deeper than half of the wall that it is cut into: what is left bears the torque alone."
        if wall is None or size is None or d_mm is None or bore is None:
            return Working(source=source)
        depth_in = tabled("t_1", size.shaft_depth_mm, "mm", "of the keyway in the shaft")
        if not shaft.key.is_standard:
            depth_in = entered("t_1", size.shaft_depth_mm, "mm", f"{shaft.field}.key.shaft_depth")
        last = step(
            "s",
            "max(d / 2 - t_1 - d_i / 2, 0)",
            entered("d", d_mm, "mm", f"{shaft.field}.diameter"),
            depth_in,
            entered("d_i", bore, "mm", f"{shaft.field}.bore"),
            value=max(wall, 0.0),
            unit="mm",
            decimals=2,
        )
        return Working(steps=(last,), source=source)

    return judge.check(
        "clearance",
        key=f"{_key(shaft)}_keyway",
        title=f"Wall of the {shaft.word} under its keyway",
        demand=depth,
        capacity=None if wall is None else max(wall, 0.0),
        unit="mm",
        says=says,
        missing=missing,
        inputs=(f"{shaft.field}.key", f"{shaft.field}.bore"),
        station="coupler",
        working=working,
    )


def _key_often(inputs: CouplerInputs, needs: CouplerNeeds, within_mm: float | None, judge: Judge) -> Check:
    """The key in shear from launch to overrun."""
    shaft, launches = inputs.motor_shaft, inputs.sheet.launches
    key, d_mm = shaft.key, shaft.diameter_mm
    both = None if needs.design_nm is None or needs.overrun_nm is None else needs.design_nm + needs.overrun_nm
    missing = missing_of(
        {
            DESIGN: needs.design_nm,
            "Overrun torque": needs.overrun_nm,
            LAUNCHES: launches,
            f"Diameter of the {shaft.word}": d_mm,
            "Section, length and ends of its key": key.size and key.length_mm and key.ends,
            "What of its key is in the hub for certain": within_mm,
        }
    )
    one = None
    if key.size and key.ends and d_mm and within_mm is not None:
        ends_mm = key.size.width_mm if key.ends.value == "round" else 0.0
        if within_mm > ends_mm:
            one = key_stress(torque_nm=1.0, shaft_mm=d_mm, key=key.size, length_mm=within_mm, ends=key.ends)
        else:
            missing = (*missing, "A key that bears within its hub")
    ranged = None if one is None or both is None else one.shear_mpa * both
    stands = None if launches is None else shear_range_allowed_mpa(launches)
    says = wanted_words(missing)
    if ranged is not None and stands is not None:
        says = f"{num(ranged, 'MPa', 0)} from launch to overrun, of {fig(stands, 'MPa', 0)} so often"

    def working() -> Working:
        if ranged is None or both is None or one is None or key.size is None or d_mm is None:
            return Working(source=OFTEN)
        last = step(
            "Δτ",
            "2 * ΔT / (d * b * l)",
            worked("ΔT", both, "N·m", "design torque and overrun torque together"),
            entered("d", d_mm, "mm", f"{shaft.field}.diameter"),
            worked("b", key.size.width_mm, "mm", "width of the key"),
            worked("l", one.effective_mm, "mm", "of the key that bears for certain"),
            value=ranged,
            unit="MPa",
            decimals=1,
        )
        return Working(steps=(last,), source=OFTEN)

    return judge.check(
        "bar_shear",
        key="coupler.key_often",
        title="Key of the motor shaft, launch after launch",
        demand=ranged,
        capacity=stands,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=(f"{shaft.field}.key", "coupler.launches", "brief.motor.overrun_torque"),
        station="coupler",
        working=working,
    )
