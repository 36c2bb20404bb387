"""The checks of a screwed joint: far enough in, clear of what is behind, within proof, and strong enough."""

from typing import Final

from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig, num
from driveline.gearing.road import GRAVITY_MS2
from driveline.joints.depth import clear_check, engagement_check
from driveline.joints.preload_sums import BUMP_G
from driveline.joints.screws import Loads, Place, Worked, friction_of
from driveline.joints.sheet import Joint
from driveline.joints.strength import shear_check, stripping_check
from driveline.joints.workings import (
    friction_working,
    hangs_working,
    head_working,
    past_proof_working,
    proof_working,
    tube_working,
)
from driveline.margins import Judge, MarginKind, missing_of, wanted_words
from driveline.metal.bolts import USUAL_SHARE, friction_torque_nm, head_pressure_mpa, mean_radius_mm
from driveline.metal.overhang import greatest_tension_n, heel_tension_n
from driveline.metal.sleeves import tube_stress_mpa
from driveline.sheet import positive_of

HOLDS_TORQUE: Final = "hold the torque"


def joint_checks(worked: Worked | None, joint: Joint, place: Place, loads: Loads, judge: Judge) -> tuple[Check, ...]:
    """Return the checks of a joint; with no thread named they stand there too, and the thing to do is to name it."""
    if worked is None:
        return unnamed_checks(place, joint, judge)
    checks = [engagement_check(place, worked, judge), clear_check(place, worked.joint, judge)]
    pulled = _pulled_n(worked, loads)
    checks += [
        proof_check(worked, loads, pulled, judge),
        head_check(worked, judge),
        stripping_check(worked, *pulled[::2], judge),
    ]
    checks.append(shear_check(worked, loads, judge) if joint.is_fitted else _friction(worked, loads, judge))
    if place.hangs:
        checks.append(_hangs(worked, loads, pulled, judge))
    if worked.joint.crush_tube and (worked.result.sleeves or not place.holes):
        checks.append(_tube(worked, judge))
    return tuple(checks)


def unnamed_checks(
    place: Place, joint: Joint, judge: Judge, *, friction: str | None = HOLDS_TORQUE
) -> tuple[Check, ...]:
    """Return the checks of screws whose thread is not named yet: nothing of them is known."""
    missing = (f"{place.title}: which thread",)
    asked: dict[str, tuple[MarginKind, str]] = {
        "proof": ("bolt_proof", "within proof"),
        "head": ("clearance", ": pressure under the head"),
        "strip": ("bolt_proof", "do not strip their thread"),
        "shear" if joint.is_fitted else "friction": ("friction_joint", friction or HOLDS_TORQUE),
    }
    if friction is None:
        asked.pop("friction", None)
    if place.hangs:
        asked["hangs"] = ("friction_joint", "hold the overhung motor")
    if joint.crush_tube:
        asked["sleeve"] = ("bracket_yield", ": sleeves clamped end to end")
    rest = tuple(
        judge.check(
            kind,
            key=f"{judge.bench}.{place.name}_{name}",
            title=f"{place.title} {title}".replace(" :", ":"),
            demand=None,
            capacity=None,
            unit="",
            says=wanted_words(missing),
            missing=missing,
            inputs=(place.fields.joint,),
        )
        for name, (kind, title) in asked.items()
    )
    return (engagement_check(place, None, judge), clear_check(place, joint, judge), *rest)


Pulled = tuple[float | None, float | None, tuple[str, ...]]


def _pulled_n(worked: Worked, loads: Loads) -> Pulled:
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


def proof_check(worked: Worked, loads: Loads, pulled: Pulled, judge: Judge) -> Check:
    """Return whether a screw stays within proof on the greatest preload with the load on top.

    Without the load, at best, while that is not known.
    """
    greatest = worked.greatest_n
    proof = worked.proof_n
    tension, _, unknown = pulled
    together = None if greatest is None else greatest + (tension or 0.0)
    missing = missing_of(
        {"Property class": worked.strength, "Dry, oiled, or with threadlocker": worked.joint.condition}
    )
    missing += tuple(one for one in unknown if one not in missing)
    usual = f" (for {100 * USUAL_SHARE:.0f} % of proof)" if worked.result.tightening_is_usual else ""
    says = wanted_words(missing)
    if together is not None and proof is not None and worked.result.tightening_nm is not None:
        at_most = f"tightened to {fig(worked.result.tightening_nm, 'N·m', 0)}{usual}: "
        at_most += f"{num(together, 'N', 0)} of {fig(proof, 'N', 0)}"
        says = f"{at_most}, at least. {says}" if missing else f"{at_most}{' with a bump' if worked.place.hangs else ''}"
    return judge.check(
        "bolt_proof",
        key=f"{judge.bench}.{worked.place.name}_proof",
        title=f"{worked.place.title} within proof",
        demand=together,
        capacity=proof,
        unit="N",
        says=says,
        missing=missing,
        inputs=(worked.place.fields.joint, *worked.place.fields.load),
        working=lambda: proof_working(
            worked, loads, greatest_n=greatest, tension_n=tension, together_n=together, proof_n=proof
        ),
    )


def head_check(worked: Worked, judge: Judge) -> Check:
    """Return whether what lies under the heads bears the greatest preload."""
    greatest, material = worked.greatest_n, worked.place.material
    hole_mm = max((mm for _, mm in worked.place.holes), default=worked.size.clearance_mm or worked.size.diameter_mm)
    pressure, problem = None, None
    if greatest is not None:
        try:
            pressure = head_pressure_mpa(force_n=greatest, bears_mm=worked.head_mm, hole_mm=hole_mm)
        except ImpossibleInput:
            problem = f"Washer wider than the hole of {fig(hole_mm, 'mm')} under the head"
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
    usual = "" if positive_of(worked.joint.head) else f"a head of Ø{fig(worked.head_mm, 'mm')} taken as usual"
    return judge.check(
        "clearance",
        key=f"{judge.bench}.{worked.place.name}_head",
        title=f"{worked.place.title}: pressure under the head",
        demand=pressure,
        capacity=None if material is None else material.yield_mpa,
        unit="MPa",
        says=wanted_words(missing)
        if missing or not material
        else f"{fig(pressure, 'MPa', 0)} on a plate that gives at {num(material.yield_mpa, 'MPa')}{spread}",
        missing=missing,
        inputs=(worked.place.fields.joint, worked.place.fields.made_of),
        working=lambda: head_working(worked, hole_mm, greatest_n=greatest, pressure_mpa=pressure, note=usual),
    )


def _friction(worked: Worked, loads: Loads, judge: Judge) -> Check:
    least, place, mu = worked.least_n, worked.place, friction_of(worked.joint)
    carried = None
    if least is not None and len(place.xy_mm):
        circle_mm = 2 * mean_radius_mm(place.xy_mm)
        carried = friction_torque_nm(count=len(place.xy_mm), preload_n=least, circle_mm=circle_mm, mu=mu)
    missing = missing_of(
        {
            "Tightening, condition and grip of the screws": least,
            "Property class: past proof no friction counts": worked.strength,
            "Holes of the pattern": carried is not None and place.is_whole if least is not None else True,
            "Motor torque": loads.torque_nm if not loads.missing else True,
        }
    )
    missing += loads.missing if loads.torque_nm is None else ()
    if worked.is_past_proof:
        return void_check(worked, judge)
    return judge.check(
        "friction_joint",
        key=f"{judge.bench}.{place.name}_friction",
        title=f"{place.title} {HOLDS_TORQUE}",
        demand=loads.torque_nm,
        capacity=carried if place.is_whole else None,
        unit="N·m",
        says=wanted_words(missing)
        if missing
        else f"{fig(carried, 'N·m', 0)} by friction at the least preload; {num(loads.torque_nm, 'N·m', 0)} asked",
        missing=missing,
        inputs=(place.fields.joint, *place.fields.torque),
        working=lambda: friction_working(worked, least, carried),
    )


def void_check(worked: Worked, judge: Judge, *, words: str = HOLDS_TORQUE) -> Check:
    """Return the check of screws tightened past proof: they go on stretching, and clamp with nobody knows what."""
    place, greatest, proof = worked.place, worked.greatest_n, worked.proof_n
    says = f"Tightened to as much as {fig(greatest, 'N', 0)}, past proof at {fig(proof, 'N', 0)}: "
    return judge.answer(
        is_so=False,
        key=f"{judge.bench}.{place.name}_friction",
        title=f"{place.title} {words}",
        says=says + "a screw that stretches clamps with nobody knows what. Tighten it less, or take larger ones.",
        inputs=(place.fields.joint, *place.fields.torque),
        working=lambda: past_proof_working(worked),
    )


def _hangs(worked: Worked, loads: Loads, pulled: Pulled, judge: Judge) -> Check:
    least, place = worked.least_n, worked.place
    tension, from_heel, unknown = pulled
    missing = (*missing_of({"Tightening, condition and grip of the screws": least}), *unknown)
    says = wanted_words(missing)
    if tension is not None and least is not None and loads.motor_kg is not None and not missing:
        says = f"a 3 g bump pulls {fig(tension, 'N', 0)}; clamped with {num(least, 'N', 0)} at least"
        if tension > 0:
            bears_kg = loads.motor_kg * least / (judge.margins.wanted("friction_joint") * tension)
            support = "no tail support wanted below" if bears_kg >= loads.motor_kg else "support the tail above"
            says += f": {support} {fig(bears_kg, 'kg', 0)}"
    return judge.check(
        "friction_joint",
        key=f"{judge.bench}.{place.name}_hangs",
        title=f"{place.title} hold the overhung motor",
        demand=tension,
        capacity=least,
        unit="N",
        says=says,
        missing=missing,
        inputs=(place.fields.joint, *place.fields.load),
        working=lambda: hangs_working(worked, loads, least_n=least, tension_n=tension),
    )


def _tube(worked: Worked, judge: Judge) -> Check:
    thinnest = min(worked.result.sleeves, key=lambda one: one.wall_mm, default=None)
    greatest = worked.greatest_n
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
    return judge.check(
        "bracket_yield",
        key=f"{judge.bench}.{worked.place.name}_sleeve",
        title=f"{worked.place.title}: sleeves clamped end to end",
        demand=stress,
        capacity=worked.joint.sleeve_yield_mpa,
        unit="MPa",
        says=wanted_words(missing) if missing else f"{fig(stress, 'MPa', 0)} at the greatest preload",
        missing=missing,
        inputs=(worked.place.fields.joint,),
        working=lambda: tube_working(worked, thinnest, greatest_n=greatest, stress_mpa=stress),
    )
