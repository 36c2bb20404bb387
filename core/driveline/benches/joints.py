"""The plate's screwed joints: which length fits, what holds it, and whether an overhung motor hangs on it."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.common import Assumed, Margins
from driveline.bolts import (
    SCATTER,
    STOCK_MM,
    BoltClass,
    Engagement,
    Thread,
    bolt_class,
    engagement,
    friction_torque_nm,
    greatest_tension_n,
    preload_n,
    quick_engagement_mm,
    thread,
    thread_limits,
    usual_tightening_nm,
)
from driveline.chain import Floats
from driveline.checks import Check, Result, Step, Working
from driveline.errors import ImpossibleInput
from driveline.road import GRAVITY_MS2
from driveline.sheets.base import positive_of, value_of
from driveline.sheets.joints import Condition, Joint, Tapped

NUT_FACTOR: Final = {Condition.DRY: 0.20, Condition.OILED: 0.15, Condition.THREADLOCKER: 0.15}
USUAL_TENSILE_MPA: Final = {
    Tapped.STEEL: 400.0,
    Tapped.CAST_IRON: 200.0,
    Tapped.ALUMINIUM_WROUGHT: 310.0,
    Tapped.ALUMINIUM_CAST: 180.0,
}
JOINT_FRICTION: Final = 0.15
BUMP_G: Final = 3.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Loads:
    """What the motor puts on the plate; ``None`` is not known."""

    motor_kg: float | None
    torque_nm: float | None  # peak × dynamic factor


@dataclass(frozen=True, slots=True, kw_only=True)
class Place:
    """Where a joint is: its screws as drawn, what they clamp, and how far the load hangs out from it."""

    name: str  # motor, flange
    title: str
    xy_mm: Floats
    grip_mm: float | None
    length_mm: float | None
    depth_mm: float | None
    lever_mm: float | None


class JointResult(Result):
    """A joint worked out so far; ``None`` is not known."""

    name: str
    thread: str | None
    clearance_mm: float | None
    needed_in_mm: float | None  # in thread, with the point's first pitch and the countersink
    shortest_mm: float | None
    longest_mm: float | None
    stock_mm: list[float]  # usual lengths that fit
    tightening_nm: float | None  # stated, else for 72 % of proof
    tightening_is_usual: bool
    preload_n: float | None
    assumed: tuple[Assumed, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class _Worked:
    joint: Joint
    place: Place
    size: Thread
    strength: BoltClass | None
    needed: Engagement | None
    tapped_mpa: float | None
    reach_mm: float | None
    needed_in_mm: float | None
    preload_n: float | None
    result: JointResult


def solve_joint(joint: Joint, place: Place, loads: Loads, margins: Margins) -> tuple[JointResult, tuple[Check, ...]]:
    """Return a joint with its checks; with no thread named, the one thing to do is to name it."""
    if joint.thread is None:
        return _nothing(place), (_length_check(place, None, margins),)
    worked = _work(joint, place, thread(joint.thread))
    checks = [_length_check(place, worked, margins), _proof_check(worked, margins)]
    if place.name == "flange":
        checks.append(clear_check(place, value_of(joint.washer) or 0.0, margins))
    checks += [_friction_check(worked, loads, margins), _hangs_check(worked, loads, margins)]
    return worked.result, tuple(checks)


def _nothing(place: Place) -> JointResult:
    return JointResult(
        name=place.name,
        thread=None,
        clearance_mm=None,
        needed_in_mm=None,
        shortest_mm=None,
        longest_mm=None,
        stock_mm=[],
        tightening_nm=None,
        tightening_is_usual=False,
        preload_n=None,
        assumed=(),
    )


def _work(joint: Joint, place: Place, size: Thread) -> _Worked:
    assumed = []
    strength = bolt_class(joint.property_class.value, size.diameter_mm) if joint.property_class else None
    tapped_mpa = joint.tapped_mpa
    if tapped_mpa is None and joint.tapped is not None:
        tapped_mpa = USUAL_TENSILE_MPA[joint.tapped]
        assumed.append(Assumed(field=f"{place.name}.tapped_mpa", text=f"{joint.tapped.value} {tapped_mpa:g} MPa"))
    needed = None
    if strength and tapped_mpa:
        needed = engagement(
            size=size,
            sizes=thread_limits(size),
            bolt_tensile_mpa=strength.tensile_mpa,
            tapped_tensile_mpa=tapped_mpa,
        )
    needed_in = None if needed is None else needed.least_mm + size.pitch_mm + (value_of(joint.countersink) or 0.0)
    under_head = None if place.grip_mm is None else place.grip_mm + (value_of(joint.washer) or 0.0)
    shortest = None if needed_in is None or under_head is None else under_head + needed_in
    longest = None if place.depth_mm is None or under_head is None else under_head + place.depth_mm
    stock = [float(mm) for mm in STOCK_MM if shortest and mm >= shortest and (longest is None or mm <= longest)]
    tightening = positive_of(joint.tightening)
    factor = NUT_FACTOR[joint.condition] if joint.condition else None
    is_usual = tightening is None and strength is not None and factor is not None
    if tightening is None and strength is not None and factor is not None:
        tightening = usual_tightening_nm(size=size, strength=strength, nut_factor=factor)
    preload = (
        preload_n(tightening_nm=tightening, nut_factor=factor, diameter_mm=size.diameter_mm)
        if tightening and factor
        else None
    )
    result = JointResult(
        name=place.name,
        thread=size.name,
        clearance_mm=size.clearance_mm,
        needed_in_mm=needed_in,
        shortest_mm=shortest,
        longest_mm=longest,
        stock_mm=stock[:3],
        tightening_nm=tightening,
        tightening_is_usual=is_usual,
        preload_n=preload,
        assumed=tuple(assumed),
    )
    reach = None if place.length_mm is None or under_head is None else place.length_mm - under_head
    return _Worked(
        joint=joint,
        place=place,
        size=size,
        strength=strength,
        needed=needed,
        tapped_mpa=tapped_mpa,
        reach_mm=reach,
        needed_in_mm=needed_in,
        preload_n=preload,
        result=result,
    )


def _wanted(**known: object) -> tuple[str, ...]:
    return tuple(text.replace("_", " ") for text, value in known.items() if value is None)


def _length_check(place: Place, worked: _Worked | None, margins: Margins) -> Check:
    missing = (
        (f"{place.title}: which thread",)
        if worked is None
        else _wanted(
            Property_class=worked.strength,
            What_it_is_screwed_into=worked.tapped_mpa,
            Thickness_of_the_plate=place.grip_mm,
            Length_of_the_screws=place.length_mm,
        )
    )
    result = worked.result if worked else None
    fits = f"; {' or '.join(f'{mm:g}' for mm in result.stock_mm)} mm fits" if result and result.stock_mm else ""
    says = f"Still wanted: {missing[0][0].lower()}{missing[0][1:]}." if missing else ""
    if not missing and worked and worked.reach_mm is not None and worked.needed_in_mm is not None:
        says = f"{worked.reach_mm:.1f} mm go in; {worked.needed_in_mm:.1f} needed{fits}"
    steps: tuple[Step, ...] = ()
    if worked and worked.needed and worked.strength and worked.tapped_mpa:
        quick = quick_engagement_mm(
            size=worked.size, bolt_tensile_mpa=worked.strength.tensile_mpa, tapped_tensile_mpa=worked.tapped_mpa
        )
        steps = (
            Step(formula="L_e, screw and hole alike", result=f"{worked.needed.same_strength_mm:.2f} mm"),
            Step(
                formula="J = A_s R_screw / (A_n R_tapped)",
                numbers=f"{worked.strength.tensile_mpa:g} on {worked.tapped_mpa:g} MPa",
                result=f"{worked.needed.strength_ratio:.2f}",
            ),
            Step(formula="L = L_e max(1, J), and a pitch for the point", result=f"{worked.needed_in_mm:.2f} mm"),
            Step(formula="quick form, which over-asks", result=f"{quick:.1f} mm"),
        )
    return margins.check(
        "clearance",
        key=f"plate.{place.name}_engagement",
        bench="plate",
        title=f"{place.title} far enough in",
        demand=worked.needed_in_mm if worked else None,
        capacity=max(worked.reach_mm, 0.0) if worked and worked.reach_mm is not None else None,
        unit="mm",
        says=says,
        missing=missing,
        inputs=(f"plate.{place.name}_joint", "plate.plate.thickness"),
        working=Working(
            steps=steps,
            source="So that the screw breaks before the thread strips (Machinery's Handbook; limits 6H/6g, ISO 965-1).",
            note="; ".join(one.text for one in worked.result.assumed) if worked else "",
        ),
    )


def clear_check(place: Place, washer_mm: float, margins: Margins) -> Check:
    """Return whether a joint's screws stop short of what is behind the tapped hole."""
    wanted = {
        f"Length of the {place.name}'s screws": place.length_mm,
        "Thickness of the plate": place.grip_mm,
        f"Depth behind the {place.name} face": place.depth_mm,
    }
    missing = tuple(text for text, value in wanted.items() if value is None)
    reach = None
    if place.length_mm is not None and place.grip_mm is not None:
        reach = place.length_mm - place.grip_mm - washer_mm
    says = f"Give the {missing[0][0].lower()}{missing[0][1:]} to finish this check." if missing else ""
    if missing == (f"Depth behind the {place.name} face",):
        says = f"Measure the depth behind the {place.name} face to finish this check."
    if not missing:
        says = f"reaches {reach:.1f} mm in; {place.depth_mm:.1f} to the first thing behind"
    return margins.check(
        "clearance",
        key="plate.screw_clear" if place.name == "motor" else f"plate.{place.name}_screw_clear",
        bench="plate",
        title="Screw clear of what is behind" if place.name == "motor" else f"{place.title} clear of what is behind",
        demand=max(reach, 0.0) if reach is not None else None,
        capacity=place.depth_mm,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.face.screw_length", "plate.face.depth_behind", "plate.plate.thickness"),
        working=Working(
            steps=(Step(formula="screw − grip − washer", result="" if reach is None else f"{reach:.1f} mm"),),
            source="A face is often tapped through, with a winding, fan or seal close behind: "
            "an over-long screw wrecks it.",
        ),
    )


def _proof_check(worked: _Worked, margins: Margins) -> Check:
    greatest = None if worked.preload_n is None else (1 + SCATTER) * worked.preload_n
    proof = worked.strength and worked.strength.proof_mpa * worked.size.stress_area_mm2
    missing = _wanted(Property_class=worked.strength, Dry_oiled_or_threadlocker=worked.joint.condition)
    usual = " (for 72 % of proof)" if worked.result.tightening_is_usual else ""
    return margins.check(
        "bolt_proof",
        key=f"plate.{worked.place.name}_proof",
        bench="plate",
        title=f"{worked.place.title} within proof",
        demand=greatest,
        capacity=proof,
        unit="N",
        says=f"Still wanted: {missing[0].lower()}."
        if missing
        else f"tightened to {worked.result.tightening_nm:.0f} N·m{usual}: at most {greatest:.0f} of {proof:.0f} N",
        missing=missing,
        inputs=(f"plate.{worked.place.name}_joint",),
        working=Working(
            steps=(
                Step(formula="F = T/(K d)", result="" if worked.preload_n is None else f"{worked.preload_n:.0f} N"),
                Step(formula="greatest, + 25 %", result="" if greatest is None else f"{greatest:.0f} N"),
                Step(formula="proof × stress area", result="" if proof is None else f"{proof:.0f} N"),
            ),
            source="ISO 898-1, SAE J429. K 0.20 dry, 0.15 oiled or threadlocker; tightening scatters by a quarter.",
        ),
    )


def _least_preload(worked: _Worked) -> float | None:
    return None if worked.preload_n is None else (1 - SCATTER) * worked.preload_n


def _friction_check(worked: _Worked, loads: Loads, margins: Margins) -> Check:
    least, place = _least_preload(worked), worked.place
    carried = None
    if least is not None and len(place.xy_mm):
        circle_mm = 2 * float(np.hypot(*np.asarray(place.xy_mm).T).mean())
        carried = friction_torque_nm(count=len(place.xy_mm), preload_n=least, circle_mm=circle_mm, mu=JOINT_FRICTION)
    missing = _wanted(
        Tightening_and_condition_of_the_screws=least,
        Holes_of_the_pattern=carried if least is not None else 0,
        Motor_torque=loads.torque_nm,
    )
    return margins.check(
        "friction_joint",
        key=f"plate.{place.name}_friction",
        bench="plate",
        title=f"{place.title} hold the torque",
        demand=loads.torque_nm,
        capacity=carried,
        unit="N·m",
        says=f"Still wanted: {missing[0][0].lower()}{missing[0][1:]}."
        if missing
        else f"{carried:.0f} N·m by friction at the least preload; {loads.torque_nm:.0f} asked",
        missing=missing,
        inputs=(f"plate.{place.name}_joint", "brief.motor.peak_torque", "ratios.coupler"),
        working=Working(
            steps=(
                Step(
                    formula="n μ F_least D / 2",
                    numbers=f"{len(place.xy_mm)} × {JOINT_FRICTION:g} × {least or 0:.0f} N",
                    result="" if carried is None else f"{carried:.0f} N·m",
                ),
            ),
            source="Friction carries it; clearance screws are not to bear. μ 0.15, dry steel or iron, taken as usual.",
        ),
    )


def _hangs_check(worked: _Worked, loads: Loads, margins: Margins) -> Check:
    least, place = _least_preload(worked), worked.place
    tension, problem = None, ""
    if loads.motor_kg is not None and place.lever_mm is not None:
        moment_nm = loads.motor_kg * GRAVITY_MS2 * BUMP_G * place.lever_mm / 1000
        try:
            tension = greatest_tension_n(place.xy_mm, moment_nm)
        except ImpossibleInput as error:
            problem = f"Screws: {error.rule}"
    missing = _wanted(
        Tightening_and_condition_of_the_screws=least,
        Mass_of_the_motor=loads.motor_kg,
        Centre_of_gravity_of_the_motor_from_its_face=place.lever_mm,
    )
    if problem:
        missing = (*missing, problem)
    return margins.check(
        "friction_joint",
        key=f"plate.{place.name}_hangs",
        bench="plate",
        title=f"{place.title} hold the overhung motor",
        demand=tension,
        capacity=least,
        unit="N",
        says=f"Still wanted: {missing[0][0].lower()}{missing[0][1:]}."
        if missing
        else f"a 3 g bump pulls {tension:.0f} N at the worst screw; clamped with {least:.0f} at least",
        missing=missing,
        inputs=(f"plate.{place.name}_joint", "brief.motor.mass", "plate.face.overhang"),
        working=Working(
            steps=(
                Step(
                    formula="M = m g n × overhang; F = M y / Σy²",
                    numbers=f"{loads.motor_kg or 0:.0f} kg, {BUMP_G:g} g, {place.lever_mm or 0:.0f} mm",
                    result="" if tension is None else f"{tension:.0f} N",
                ),
            ),
            source="Rigid faces, clamped; the worst direction of the moment. 3 g is a customary bump, not a code.",
            note="Below the wanted margin: support the motor's tail.",
        ),
    )
