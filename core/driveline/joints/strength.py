"""What a screw's threads bear under its greatest preload, and fitted screws in shear."""

from typing import Final

import numpy as np

from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig, num
from driveline.joints.depth import engagement_missing
from driveline.joints.depth_workings import engaged_steps, sheared_steps
from driveline.joints.preload_sums import greatest_steps, proof_step, stress_area_step
from driveline.joints.screws import Loads, Worked
from driveline.joints.sheet import Tapped
from driveline.margins import Judge, missing_of, wanted_words
from driveline.metal.bolts import (
    STRIPS_AT,
    Stripping,
    shear_allowable_mpa,
    shear_forces_n,
    stripping,
    thread_limits,
)
from driveline.working import Step, Working, step, tabled, worked

IN_NUT: Final = "ISO 898-2: a nut of the screw's class bears its proof load before it strips."
STRIPS: Final = (
    "Half of the tensile strength on what of the weaker thread is sheared over the effective engagement, FED-STD-H28."
)


def stripping_check(worked_on: Worked, tension_n: float | None, unknown: tuple[str, ...], judge: Judge) -> Check:
    """Return whether the weaker of the two threads stands the greatest preload with the load on top.

    Args:
        worked_on: The joint.
        tension_n: Of the load, on the screw that is worst off.
        unknown: What keeps that from being known.
        judge: Of the bench.

    Source:
        ENGINEERING 5, sheared areas of both threads.
    """
    place, joint, greatest = worked_on.place, worked_on.joint, worked_on.greatest_n
    found = _stripping(worked_on)
    bears = worked_on.proof_n if joint.tapped is Tapped.NUT else None if found is None else found.force_n
    together = None if greatest is None else greatest + (tension_n or 0.0)
    missing = missing_of({"Tightening and condition of the screws": greatest})
    missing += tuple(one for one in (*engagement_missing(place, worked_on), *unknown) if one not in missing)
    says = wanted_words(missing)
    if bears is not None and together is not None and not missing:
        weaker = "its nut" if found is None else "the tapped hole" if found.is_tapped else "the screw"
        says = f"{num(together, 'N', 0)} at the most; the thread of {weaker} strips at {fig(bears, 'N', 0)}"
    return judge.check(
        "bolt_proof",
        key=f"{judge.bench}.{place.name}_strip",
        title=f"{place.title} do not strip their thread",
        demand=together,
        capacity=bears,
        unit="N",
        says=says,
        missing=missing,
        inputs=(place.fields.joint, place.fields.grip, *place.fields.load),
        working=lambda: _stripping_working(worked_on, found, bears),
    )


def _stripping(worked_on: Worked) -> Stripping | None:
    if worked_on.engaged_mm is None or worked_on.strength is None or worked_on.tapped_mpa is None:
        return None
    return stripping(
        size=worked_on.size,
        sizes=thread_limits(worked_on.size),
        engaged_mm=worked_on.engaged_mm,
        bolt_tensile_mpa=worked_on.strength.tensile_mpa,
        tapped_tensile_mpa=worked_on.tapped_mpa,
    )


def _stripping_working(worked_on: Worked, found: Stripping | None, bears_n: float | None) -> Working:
    steps: tuple[Step, ...] = greatest_steps(worked_on, worked_on.greatest_n)
    strength = worked_on.strength
    if worked_on.joint.tapped is Tapped.NUT:
        if strength is not None and bears_n is not None:
            area = next((one for one in steps if one.symbol == "A_s"), None) or stress_area_step(worked_on.size)
            steps += () if area in steps else (area,)
            steps += (proof_step(strength, area, bears_n),)
        return Working(steps=steps, source=IN_NUT)
    if found is None or strength is None or worked_on.tapped_mpa is None:
        return Working(steps=steps, source=STRIPS)
    engaged, sheared = engaged_steps(worked_on.place, worked_on), sheared_steps(worked_on.size)
    each = (
        ("F_screw", "R_screw", strength.tensile_mpa, f"tensile of {strength.name}", sheared[0]),
        ("F_hole", "R_hole", worked_on.tapped_mpa, f"{worked_on.place.fields.joint}.tapped_mpa", sheared[1]),
    )
    share = tabled("k_s", STRIPS_AT, "", "of tensile, in shear")
    forces = tuple(
        step(
            symbol,
            f"k_s * {name} * {area.symbol} * L_in",
            share,
            worked(name, tensile, "MPa", where),
            area,
            engaged[-1],
            value=STRIPS_AT * tensile * area.value * engaged[-1].value,
            unit="N",
        )
        for symbol, name, tensile, where, area in each
    )
    last = step("F_strip", "min(F_screw, F_hole)", *forces, value=found.force_n, unit="N")
    return Working(steps=(*steps, *engaged, *sheared, *forces, last), source=STRIPS)


def shear_check(worked_on: Worked, loads: Loads, judge: Judge) -> Check:
    """Return whether fitted screws bear the torque in shear: in their thread, which may stand in the plane."""
    place, strength = worked_on.place, worked_on.strength
    allowed = None
    if strength is not None:
        allowed = shear_allowable_mpa(strength.proof_mpa) * worked_on.size.stress_area_mm2
    share_1_per_mm = _share(worked_on)
    each = None if loads.torque_nm is None or share_1_per_mm is None else abs(loads.torque_nm) * 1000 * share_1_per_mm
    missing = missing_of(
        {
            "Property class": strength,
            "Holes of the pattern": share_1_per_mm is not None and place.is_whole,
            "Motor torque": loads.torque_nm if not loads.missing else True,
        }
    )
    missing += loads.missing if loads.torque_nm is None else ()

    def working() -> Working:
        source = "T r/Σr² on the farthest screw (Shigley, bolted joints in shear); 0.577 of proof, on the thread."
        if each is None or allowed is None or strength is None or share_1_per_mm is None:
            return Working(source=source)
        area = stress_area_step(worked_on.size)
        bears = step(
            "F_shear",
            "0.577 * R_p * A_s",
            tabled("R_p", strength.proof_mpa, "MPa", f"proof of {strength.name}"),
            area,
            value=allowed,
            unit="N",
        )
        q = worked("q", share_1_per_mm, "1/mm", "the screws' places: r/Σr² of the farthest")
        torque = worked("T", abs(loads.torque_nm or 0.0), "N·m", place.fields.torque[-1])
        last = step("F_v", "T * q", torque, q, value=each, unit="N", words="on the farthest screw")
        return Working(steps=(area, bears, last), source=source)

    return judge.check(
        "bolt_proof",
        key=f"{judge.bench}.{place.name}_shear",
        title=f"{place.title} hold the torque, fitted",
        demand=each,
        capacity=allowed,
        unit="N",
        says=wanted_words(missing)
        if missing
        else f"{num(each, 'N', 0)} across the farthest, of {fig(allowed, 'N', 0)}",
        missing=missing,
        inputs=(place.fields.joint, *place.fields.torque),
        working=working,
    )


def _share(worked_on: Worked) -> float | None:
    """What the farthest screw bears of a torque, for each mm: r/Σr²."""
    if not len(worked_on.place.xy_mm):
        return None
    try:
        _, forces = shear_forces_n(worked_on.place.xy_mm, torque_nm=1.0)
    except (ImpossibleInput, ValueError):
        return None
    return float(np.hypot(*forces.T).max()) / 1000
