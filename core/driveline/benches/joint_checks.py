"""The checks of a screwed joint: far enough in, clear of what is behind, within proof, and strong enough."""

from typing import Final

import numpy as np

from driveline.benches.common import Margins, missing_of, wanted_words
from driveline.benches.joints import Loads, Place, Worked, friction_of, room_behind_mm
from driveline.bolts import SCATTER, USUAL_SHARE, friction_torque_nm, head_pressure_mpa, quick_engagement_mm, thread
from driveline.checks import Check, Step, Working
from driveline.errors import ImpossibleInput
from driveline.overhang import greatest_tension_n, heel_tension_n
from driveline.road import GRAVITY_MS2
from driveline.sheets.base import positive_of, value_of
from driveline.sheets.joints import Joint
from driveline.sleeves import tube_stress_mpa

BUMP_G: Final = 3.0


def joint_checks(
    worked: Worked | None, joint: Joint, place: Place, loads: Loads, margins: Margins
) -> tuple[Check, ...]:
    """Return the checks of a joint; with no thread named they stand there too, and the thing to do is to name it."""
    if worked is None:
        return _unnamed(place, joint, margins)
    checks = [_engagement(place, worked, margins), _proof(worked, loads, margins), _head(worked, margins)]
    if place.name != "motor":
        checks.append(clear_check(place, worked.joint, margins))
    checks += [_friction(worked, loads, margins), _hangs(worked, loads, margins)]
    if worked.joint.crush_tube and (worked.result.sleeves or not place.holes):
        checks.append(_tube(worked, margins))
    return tuple(checks)


def _unnamed(place: Place, joint: Joint, margins: Margins) -> tuple[Check, ...]:
    missing = (f"{place.title}: which thread",)
    asked = {
        "proof": ("bolt_proof", "within proof"),
        "head": ("clearance", ": pressure under the head"),
        "friction": ("friction_joint", "hold the torque"),
        "hangs": ("friction_joint", "hold the overhung motor"),
    }
    if joint.crush_tube:
        asked["sleeve"] = ("bracket_yield", ": sleeves clamped end to end")
    rest = tuple(
        margins.check(
            kind,
            key=f"plate.{place.name}_{name}",
            bench="plate",
            title=f"{place.title} {title}".replace(" :", ":"),
            demand=None,
            capacity=None,
            unit="",
            says=wanted_words(missing),
            missing=missing,
            inputs=(f"plate.{place.name}_joint",),
        )
        for name, (kind, title) in asked.items()
    )
    behind = (clear_check(place, joint, margins),) if place.name != "motor" else ()
    return (_engagement(place, None, margins), *behind, *rest)


def _engagement(place: Place, worked: Worked | None, margins: Margins) -> Check:
    missing: tuple[str, ...] = (f"{place.title}: which thread",)
    says, note = wanted_words(missing), ""
    steps: tuple[Step, ...] = ()
    if worked is not None:
        joint = worked.joint
        missing = missing_of(
            {
                "Property class": worked.strength,
                "What it is screwed into": worked.tapped_mpa,
                "Thickness of what is clamped": place.grip_mm,
                "Length of the screws": place.length_mm,
                "Thickness of the washer, 0 where there is none": value_of(joint.washer),
                "How deep the tapped holes have full thread: turns of a screw by hand × pitch": positive_of(
                    joint.thread_depth
                ),
                "Countersink of the tapped holes, 0 where there is none": value_of(joint.countersink),
            }
        )
        fits = f"; {' or '.join(f'{mm:g}' for mm in worked.result.stock_mm)} mm fits" if worked.result.stock_mm else ""
        says = wanted_words(missing)
        if worked.engaged_mm is not None and worked.needed is not None:
            in_thread = f"{worked.engaged_mm:.1f} mm in thread; {worked.needed.least_mm:.1f} needed{fits}"
            says = f"{in_thread}, at best. {says}" if missing else in_thread
        steps = _engagement_steps(worked)
        note = "; ".join(one.text for one in worked.result.assumed)
    return margins.check(
        "clearance",
        key=f"plate.{place.name}_engagement",
        bench="plate",
        title=f"{place.title} far enough in",
        demand=worked.needed.least_mm if worked and worked.needed else None,
        capacity=worked.engaged_mm if worked else None,
        unit="mm",
        says=says,
        missing=missing,
        inputs=(f"plate.{place.name}_joint", "plate.plate.thickness"),
        working=Working(
            steps=steps,
            source="So that the screw breaks before the thread strips (Machinery's Handbook; limits 6H/6g, ISO 965-1).",
            note=note,
        ),
    )


def _engagement_steps(worked: Worked) -> tuple[Step, ...]:
    if not (worked.needed and worked.strength and worked.tapped_mpa):
        return ()
    quick = quick_engagement_mm(
        size=worked.size, bolt_tensile_mpa=worked.strength.tensile_mpa, tapped_tensile_mpa=worked.tapped_mpa
    )
    diameters = worked.needed.least_mm / worked.size.diameter_mm
    return (
        Step(formula="L_e, screw and hole alike", result=f"{worked.needed.same_strength_mm:.2f} mm"),
        Step(
            formula="J = A_s R_screw / (A_n R_tapped)",
            numbers=f"{worked.strength.tensile_mpa:g} on {worked.tapped_mpa:g} MPa",
            result=f"{worked.needed.strength_ratio:.2f}",
        ),
        Step(formula="L = L_e max(1, J)", result=f"{worked.needed.least_mm:.2f} mm"),
        Step(
            formula="in thread: reach − a pitch of point, no deeper than the thread, − countersink",
            result="" if worked.engaged_mm is None else f"{worked.engaged_mm:.2f} mm",
        ),
        Step(formula="in diameters; the thumb says 1 in steel, 1.5 to 2 in aluminium", result=f"{diameters:.2f} d"),
        Step(formula="quick form, which over-asks", result=f"{quick:.1f} mm"),
    )


def clear_check(place: Place, joint: Joint, margins: Margins) -> Check:
    """Return whether a joint's screws stop short of what is behind, and of a blind hole's last threads."""
    size = thread(joint.thread) if joint.thread else None
    room_mm = room_behind_mm(joint, place, size)
    blind: dict[str, object] = {}
    if joint.is_blind:
        blind = {
            f"Thread of the {place.name}'s screws": size,
            "How deep the tapped holes have full thread": positive_of(joint.thread_depth),
        }
    missing = missing_of(
        {
            f"Length of the {place.name}'s screws": place.length_mm,
            "Thickness of what is clamped": place.grip_mm,
            f"Depth behind the {place.name} face": place.depth_mm,
            f"Whether the {place.name}'s tapped holes go through or end": joint.is_blind is not None,
            **blind,
        }
    )
    reach = None
    if place.length_mm is not None and place.grip_mm is not None:  # without a washer it reaches deepest
        reach = place.length_mm - place.grip_mm - (value_of(joint.washer) or 0.0)
    says = wanted_words(missing)
    if missing == (f"Depth behind the {place.name} face",):
        says = f"Measure the depth behind the {place.name} face to finish this check."
    limit_mm = place.depth_mm if room_mm is None else room_mm
    if not missing and reach is not None and limit_mm is not None:
        end = "to the last threads that are full" if joint.is_blind else "to the first thing behind"
        says = f"reaches {reach:.1f} mm in; {limit_mm:.1f} {end}"
    return margins.check(
        "clearance",
        key="plate.screw_clear" if place.name == "motor" else f"plate.{place.name}_screw_clear",
        bench="plate",
        title="Screw clear of what is behind" if place.name == "motor" else f"{place.title} clear of what is behind",
        demand=max(reach, 0.0) if reach is not None else None,
        capacity=limit_mm,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.face.screw_length", "plate.face.depth_behind", "plate.plate.thickness"),
        working=Working(
            steps=(
                Step(formula="screw − grip − washer", result="" if reach is None else f"{reach:.1f} mm"),
                Step(
                    formula="depth behind; in a blind hole no more than its full thread − 2 p",
                    result="" if limit_mm is None else f"{limit_mm:.1f} mm",
                ),
            ),
            source="A face is often tapped through, with a winding, fan or seal close behind: "
            "an over-long screw wrecks it. In a blind hole it jams on the last threads and clamps nothing.",
        ),
    )


def greatest_preload_n(worked: Worked) -> float | None:
    """Return the preload that tightening by torque may reach."""
    return None if worked.preload_n is None else (1 + SCATTER) * worked.preload_n


def least_preload_n(worked: Worked) -> float | None:
    """Return the preload that is left for certain: the least by torque, less what settles; never below 0."""
    if worked.preload_n is None or worked.settles_n is None:
        return None
    return max((1 - SCATTER) * worked.preload_n - worked.settles_n, 0.0)


def _least_steps(worked: Worked, least: float | None) -> tuple[Step, ...]:
    return (
        Step(
            formula="least preload = 0.75 F − what settles",
            numbers=f"{worked.preload_n or 0:.0f} N, {worked.settles_n or 0:.0f} N over the grip",
            result="" if least is None else f"{least:.0f} N",
        ),
    )


def _pulled_n(worked: Worked, loads: Loads) -> tuple[float | None, float | None, tuple[str, ...]]:
    """What the overhung motor puts into one screw in a bump: clamped, and once it has opened; and what is missing."""
    place = worked.place
    missing = missing_of(
        {
            loads.hung or "Mass of the motor": loads.motor_kg,
            "Centre of gravity of the motor from its face": place.lever_mm,
            "Holes of the pattern": bool(len(place.xy_mm)) and place.is_whole,
        }
    )
    if loads.motor_kg is None or place.lever_mm is None:
        return None, None, missing
    moment_nm = loads.motor_kg * GRAVITY_MS2 * BUMP_G * place.lever_mm / 1000
    try:
        clamped = greatest_tension_n(place.xy_mm, moment_nm)
        return clamped, heel_tension_n(place.xy_mm, moment_nm, heel_mm=place.heel_mm or 0.0), missing
    except ImpossibleInput as error:
        return None, None, (*missing, f"Screws: {error.rule}")


def _proof(worked: Worked, loads: Loads, margins: Margins) -> Check:
    """On the greatest preload with the load on top; without the load, at best, while that is not known."""
    greatest = greatest_preload_n(worked)
    proof = worked.strength and worked.strength.proof_mpa * worked.size.stress_area_mm2
    pulled, _, unknown = _pulled_n(worked, loads)
    together = None if greatest is None else greatest + (pulled or 0.0)
    missing = missing_of(
        {"Property class": worked.strength, "Dry, oiled, or with threadlocker": worked.joint.condition}
    )
    missing += tuple(one for one in unknown if one not in missing)
    usual = f" (for {USUAL_SHARE:.0%} of proof)" if worked.result.tightening_is_usual else ""
    says = wanted_words(missing)
    if together is not None and proof is not None and worked.result.tightening_nm is not None:
        at_most = f"tightened to {worked.result.tightening_nm:.0f} N·m{usual}: {together:.0f} of {proof:.0f} N"
        says = f"{at_most}, at least. {says}" if missing else f"{at_most} with a bump"
    return margins.check(
        "bolt_proof",
        key=f"plate.{worked.place.name}_proof",
        bench="plate",
        title=f"{worked.place.title} within proof",
        demand=together,
        capacity=proof,
        unit="N",
        says=says,
        missing=missing,
        inputs=(f"plate.{worked.place.name}_joint", "brief.motor.mass", "plate.face.overhang"),
        working=Working(
            steps=(
                Step(formula="F = T/(K d)", result="" if worked.preload_n is None else f"{worked.preload_n:.0f} N"),
                Step(formula="greatest, + 25 %", result="" if greatest is None else f"{greatest:.0f} N"),
                Step(formula="+ what a 3 g bump pulls", result="" if pulled is None else f"{pulled:.0f} N"),
                Step(formula="proof × stress area", result="" if proof is None else f"{proof:.0f} N"),
            ),
            source="ISO 898-1, SAE J429. K 0.20 dry, 0.15 oiled or threadlocker; tightening scatters by a quarter. "
            "The whole load is counted on the screw, which is cautious.",
        ),
    )


def _head(worked: Worked, margins: Margins) -> Check:
    greatest, material = greatest_preload_n(worked), worked.place.material
    hole_mm = max((mm for _, mm in worked.place.holes), default=worked.size.clearance_mm or worked.size.diameter_mm)
    pressure, problem = None, None
    if greatest is not None:
        try:
            pressure = head_pressure_mpa(force_n=greatest, bears_mm=worked.head_mm, hole_mm=hole_mm)
        except ImpossibleInput:
            problem = f"Washer wider than the hole of {hole_mm:g} mm under the head"
    missing = missing_of(
        {
            "Tightening and condition of the screws": greatest,
            "What the plate is made of": material,
            "Holes of the pattern": bool(worked.place.holes) and worked.place.is_whole,
        }
    )
    missing += (problem,) if problem else ()
    is_crushed = pressure is not None and material is not None and pressure > material.yield_mpa
    spread = "; a wider, hardened washer spreads it" if is_crushed else ""
    usual = "" if positive_of(worked.joint.head) else f"a head of Ø{worked.head_mm:g} taken as usual"
    return margins.check(
        "clearance",
        key=f"plate.{worked.place.name}_head",
        bench="plate",
        title=f"{worked.place.title}: pressure under the head",
        demand=pressure,
        capacity=material and material.yield_mpa,
        unit="MPa",
        says=wanted_words(missing)
        if missing or not material
        else f"{pressure:.0f} MPa on a plate that gives at {material.yield_mpa:g}{spread}",
        missing=missing,
        inputs=(f"plate.{worked.place.name}_joint", "plate.plate.made_of"),
        working=Working(
            steps=(
                Step(
                    formula="F / (π/4 (d_head² − d_hole²))",
                    numbers=f"Ø{worked.head_mm:g} over Ø{hole_mm:g}",
                    result="" if pressure is None else f"{pressure:.0f} MPa",
                ),
            ),
            source="Against the plate's least yield, which is cautious. Hardened washers spread it: give their size.",
            note=usual,
        ),
    )


def _friction(worked: Worked, loads: Loads, margins: Margins) -> Check:
    least, place, mu = least_preload_n(worked), worked.place, friction_of(worked.joint)
    carried = None
    if least is not None and len(place.xy_mm):
        about = np.asarray(place.xy_mm) - np.mean(place.xy_mm, axis=0)
        circle_mm = 2 * float(np.hypot(*about.T).mean())
        carried = friction_torque_nm(count=len(place.xy_mm), preload_n=least, circle_mm=circle_mm, mu=mu)
    missing = missing_of(
        {
            "Tightening, condition and grip of the screws": least,
            "Holes of the pattern": carried is not None and place.is_whole if least is not None else True,
            "Motor torque": loads.torque_nm if not loads.missing else True,
        }
    )
    missing += loads.missing if loads.torque_nm is None else ()
    surface = worked.joint.surface.value if worked.joint.surface else "plated, which is the least: say what they are"
    return margins.check(
        "friction_joint",
        key=f"plate.{place.name}_friction",
        bench="plate",
        title=f"{place.title} hold the torque",
        demand=loads.torque_nm,
        capacity=carried if place.is_whole else None,
        unit="N·m",
        says=wanted_words(missing)
        if missing
        else f"{carried:.0f} N·m by friction at the least preload; {loads.torque_nm:.0f} asked",
        missing=missing,
        inputs=(f"plate.{place.name}_joint", "brief.motor.peak_torque", "ratios.coupler", "ratios.choice"),
        working=Working(
            steps=(
                *_least_steps(worked, least),
                Step(
                    formula="n μ F_least D / 2",
                    numbers=f"{len(place.xy_mm)} × {mu:g} × {least or 0:.0f} N",
                    result="" if carried is None else f"{carried:.0f} N·m",
                ),
            ),
            source="Friction carries it; clearance screws are not to bear. μ 0.15 dry steel or iron, 0.12 plated, "
            "0.20 blasted; r from the screws' centroid. Settling: VDI 2230-1.",
            note=f"Faces taken as {surface}.",
        ),
    )


def _hangs(worked: Worked, loads: Loads, margins: Margins) -> Check:
    least, place = least_preload_n(worked), worked.place
    tension, from_heel, unknown = _pulled_n(worked, loads)
    missing = (*missing_of({"Tightening, condition and grip of the screws": least}), *unknown)
    says = wanted_words(missing)
    if tension is not None and least is not None and loads.motor_kg is not None and not missing:
        says = f"a 3 g bump pulls {tension:.0f} N; clamped with {least:.0f} at least"
        if tension > 0:
            bears_kg = loads.motor_kg * least / (margins.wanted("friction_joint") * tension)
            support = "no tail support wanted below" if bears_kg >= loads.motor_kg else "support the tail above"
            says += f": {support} {bears_kg:.0f} kg"
    return margins.check(
        "friction_joint",
        key=f"plate.{place.name}_hangs",
        bench="plate",
        title=f"{place.title} hold the overhung motor",
        demand=tension,
        capacity=least,
        unit="N",
        says=says,
        missing=missing,
        inputs=(f"plate.{place.name}_joint", "brief.motor.mass", "plate.face.overhang"),
        working=Working(
            steps=(
                *_least_steps(worked, least),
                Step(
                    formula="M = m g n × overhang; F = M y / Σy²",
                    numbers=f"{loads.motor_kg or 0:.0f} kg, {BUMP_G:g} g, {place.lever_mm or 0:.0f} mm",
                    result="" if tension is None else f"{tension:.0f} N",
                ),
                Step(
                    formula="once it opens, y from the heel",
                    result="" if from_heel is None else f"{from_heel:.0f} N on the farthest screw",
                ),
            ),
            source="Rigid faces, clamped; the worst direction of the moment. 3 g is a customary bump, not a code.",
            note="Below the wanted margin: support the motor's tail.",
        ),
    )


def _tube(worked: Worked, margins: Margins) -> Check:
    thinnest = min(worked.result.sleeves, key=lambda one: one.wall_mm, default=None)
    greatest = greatest_preload_n(worked)
    stress = None
    if greatest is not None and thinnest is not None:
        stress = tube_stress_mpa(force_n=greatest, outside_mm=thinnest.outside_mm, inside_mm=thinnest.inside_mm)
    missing = missing_of(
        {
            "Holes of the pattern": thinnest,
            "Tightening and condition of the screws": greatest,
            "Yield of the sleeves": worked.joint.sleeve_yield_mpa,
        }
    )
    return margins.check(
        "bracket_yield",
        key=f"plate.{worked.place.name}_sleeve",
        bench="plate",
        title=f"{worked.place.title}: sleeves clamped end to end",
        demand=stress,
        capacity=worked.joint.sleeve_yield_mpa,
        unit="MPa",
        says=wanted_words(missing) if missing else f"{stress:.0f} MPa at the greatest preload",
        missing=missing,
        inputs=(f"plate.{worked.place.name}_joint",),
        working=Working(
            steps=(
                Step(
                    formula="F / (π/4 (D² − d²))",
                    numbers="" if thinnest is None else f"Ø{thinnest.outside_mm:g} × Ø{thinnest.inside_mm:g}",
                    result="" if stress is None else f"{stress:.0f} MPa",
                ),
            ),
            source="Preload over the tube's area; cut it to the finished gap, both ends square.",
        ),
    )
