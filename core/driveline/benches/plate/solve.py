"""The Adapter plate bench: flange and motor face on one centre, the motor turned, the parts drawn and released."""

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from driveline.benches.contract import Outcome, Paper, progress_of
from driveline.benches.plate.bending import bent_by
from driveline.benches.plate.buildup import (
    APART_MM,
    face_tilt_check,
    faces_apart_check,
    shim_check,
    terminals_check,
)
from driveline.benches.plate.centre import offset_of
from driveline.benches.plate.checks import PlateFigures, plate_checks, way_through_check
from driveline.benches.plate.clocking import clocking_result, terminals_of
from driveline.benches.plate.floor import floor_checks
from driveline.benches.plate.hole_made import discs_made, hole_names, joint_made
from driveline.benches.plate.inputs import PlateInputs, mm_of
from driveline.benches.plate.lay_out import LaidPlate
from driveline.benches.plate.lean_checks import lean_checks
from driveline.benches.plate.misaligned import misalignment_check
from driveline.benches.plate.needs import PlateNeeds, WantedApart
from driveline.benches.plate.parts import standoff_centres
from driveline.benches.plate.places import places_of
from driveline.benches.plate.proposals import proposals_of
from driveline.benches.plate.registers import register_checks, register_results
from driveline.benches.plate.reliefs import relief_checks
from driveline.benches.plate.results import BuildUpResult, ClockingResult, PlateResult, Terminals, TiltResult
from driveline.benches.plate.seat_checks import seat_checks
from driveline.benches.plate.section import plate_section, section_of
from driveline.benches.plate.sheet import PlateSheet
from driveline.benches.plate.stack import stack_of
from driveline.checks import Check
from driveline.drawing.model import Drawing
from driveline.errors import ImpossibleInput
from driveline.flat.buildup import face_tilt
from driveline.flat.holes import Disc, Ligament
from driveline.flat.outline import edge_distances_mm
from driveline.gearing.stations import TRUNK, LineStation, Station
from driveline.joints.checks import joint_checks
from driveline.joints.screws import JointResult, worked_joint
from driveline.margins import Judge
from driveline.metal.bolts import thread_names
from driveline.parts.made import FlatPart


def run(_sheet: PlateSheet, laid: LaidPlate, needs: PlateNeeds, judge: Judge) -> Outcome[None]:
    """Return the plate with its checks; what can't be drawn yet is left out and listed as work to do."""
    inputs, judge = replace(laid.inputs, span=needs.span), judge.guarding()
    terminals = terminals_of(inputs)
    figures = PlateFigures(
        survey=laid.survey.result,
        face_survey=laid.face_survey.result if laid.face_survey else None,
        ligaments=tuple(sorted((one for part in laid.parts for one in part.ligaments), key=lambda one: one.share)),
        edge_shares=laid.edges or None,
        holes_wanted=laid.holes_wanted,
        coupler=needs.coupler,
        centre_off=offset_of(inputs, laid.survey.result, laid.face_survey.result if laid.face_survey else None),
    )
    joints, of_joints = _joints(inputs, laid, needs, judge)
    built = _build_up(inputs)
    checks = (
        *plate_checks(inputs, figures, judge),
        *of_joints,
        *_build_checks(inputs, laid, built, terminals, figures, needs, judge),
        *register_checks(inputs, _rim_mm(laid), judge),
        *(() if inputs.built.is_base else seat_checks(inputs, judge)),
        *(() if inputs.built.is_base else relief_checks(inputs, laid.parts, laid.holes_wanted, judge)),
    )
    is_begun = bool(laid.survey.result.readings or laid.parts)
    return Outcome(
        solved=None,
        show=lambda: PlateResult(
            survey=laid.survey.result,
            face_survey=figures.face_survey,
            clocking=_clocking(inputs, laid, terminals),
            terminals=terminals,
            build_up=built,
            joints=joints,
            registers=register_results(inputs),
            proposals=proposals_of(inputs),
            section=section_of(laid.parts),
            hole_names=hole_names(laid.patterns.flange, laid.patterns.motor, laid.patterns.standoffs),
            threads=thread_names(),
            to_do=laid.to_do,
        ),
        check=lambda: checks if _is_asked(inputs, laid) else (),
        to_do=laid.to_do,
        progress=progress_of(is_begun=is_begun, is_finished=bool(laid.parts) and not laid.to_do),
        stations=(_station(needs),),
        parts=laid.parts,
        papers=_papers(laid.parts),
    )


def _papers(parts: Sequence[FlatPart]) -> tuple[Paper, ...]:
    """The section on paper, where registers make it say more than the plan does."""
    if not any(part.seats for part in parts):
        return ()

    def draw(job_name: str, revision: str) -> Drawing:
        return plate_section(parts, title=f"{job_name}, {revision}")

    return (Paper(key="plate.section", title="The plate in section", draw=draw),)


def _is_asked(inputs: PlateInputs, laid: LaidPlate) -> bool:
    """Before anything of it is entered nothing is asked of it."""
    return bool(inputs.survey.holes or inputs.face.count or laid.parts)


def _station(needs: PlateNeeds) -> LineStation:
    """The plate stands behind the motor that is bolted to it, and takes its casing's torque."""
    return LineStation(
        station=Station(
            key="plate",
            kind="plate",
            way=TRUNK,
            title="Adapter plate",
            bench="plate",
            ratio=1.0,
            efficiency=1.0,
            efficiency_is_default=False,
            sense=None,
            rating_nm=None,
            greatest_rpm=None,
            motor_limited_nm=None,
            slip_limited_nm=None,
            overrun_nm=None,
            wind_up_nm=None,
            design_nm=needs.motor.torque_nm,
            governed_by="",
            is_limited=False,
        ),
        motor=0,
        rpm_per_ms=None,
        driving=needs.driving,
        overrun=needs.overrun,
        before="coupler",
        is_judged_by_checks=True,
    )


def _joints(
    inputs: PlateInputs, laid: LaidPlate, needs: PlateNeeds, judge: Judge
) -> tuple[tuple[JointResult, ...], tuple[Check, ...]]:
    places = {place.name: place for place in places_of(inputs, laid)}
    results, checks = list[JointResult](), list[Check]()
    joined = {"motor": inputs.motor_joint, "flange": inputs.flange_joint, "standoff": inputs.built.legs.joint}
    patterns = {"motor": laid.patterns.motor, "flange": laid.patterns.flange, "standoff": laid.patterns.standoffs}
    for name, place in places.items():
        joint = joint_made(inputs, name, joined[name], inputs.plate.thickness_mm)
        worked = worked_joint(joint, place)
        results.append(worked.result if worked else JointResult(name=name, count=len(place.xy_mm), thread=None))
        checks += joint_checks(worked, joint, place, needs.motor, judge)
        is_second = name == "motor" and inputs.built.is_on_standoffs
        thickness_mm = mm_of(inputs.built.second) if is_second else inputs.plate.thickness_mm
        names = [disc.id for disc in patterns[name]]
        checks += floor_checks(inputs, place, joint, judge, names=names, thickness_mm=thickness_mm)
    if inputs.built.is_base:  # no plate hangs between two faces then
        return (), ()
    return tuple(results), tuple(checks)


def _build_up(inputs: PlateInputs) -> BuildUpResult:
    base = inputs.built.base
    shaft, bed = base.shaft_height_mm, base.bed_height_mm
    return BuildUpResult(
        apart=stack_of(inputs),
        tilt=_tilt(inputs) if inputs.built.is_on_standoffs else None,
        shim_mm=None if shaft is None or bed is None else bed - shaft,
    )


def _tilt(inputs: PlateInputs) -> TiltResult | None:
    measured = [one.mm for one in inputs.built.legs.measured]
    try:
        found = face_tilt(standoff_centres(inputs), measured)
    except ImpossibleInput:  # not all measured yet
        return None
    return TiltResult(
        tilt_deg=found.tilt_deg,
        high_at_deg=found.high_at_deg,
        rock_mm=found.rock_mm,
        take_off_mm=found.take_off_mm,
    )


def _build_checks(
    inputs: PlateInputs,
    laid: LaidPlate,
    built: BuildUpResult,
    terminals: Terminals | None,
    figures: PlateFigures,
    needs: PlateNeeds,
    judge: Judge,
) -> tuple[Check, ...]:
    checks: list[Check] = []
    is_base = inputs.built.is_base
    if laid.parts and not is_base:
        checks.append(way_through_check(laid.parts, judge))
    if is_base:
        checks.append(shim_check(built, judge))
    else:
        bent = bent_by(inputs, laid.patterns, needs.motor)
        checks += lean_checks(inputs, bent, needs.coupler, judge)
        checks.append(misalignment_check(inputs, bent, figures.centre_off, built, laid.face_xy, needs, judge))
    if inputs.built.is_on_standoffs:
        checks.append(face_tilt_check(inputs, built, needs.coupler, judge))
    own_mm, wanted = inputs.built.wanted_apart_mm, needs.wanted_apart
    if wanted is None and own_mm is not None:  # what the coupler was chosen for goes before what was noted here
        wanted = WantedApart(mm=own_mm or None, either_way_mm=APART_MM, field="plate.build_up.wanted_apart")
    if wanted is not None:
        checks.append(faces_apart_check(inputs, built, wanted, judge))
    if terminals is not None:
        checks.append(terminals_check(terminals, judge))
    return tuple(checks)


def _rim_mm(laid: LaidPlate) -> float | None:
    """Twice the least distance from the shaft's centre to an edge: the ring that bears a pressed register."""
    bored = [part for part in laid.parts if any(hole.kind == "bore" for hole in part.holes)]
    return min((2 * float(edge_distances_mm(np.zeros((1, 2)), part.vertices)[0]) for part in bored), default=None)


def _clocking(inputs: PlateInputs, laid: LaidPlate, terminals: Terminals | None) -> ClockingResult | None:
    """The motor turns against the holes of the plate that it is screwed to: the flange's, or the standoffs'."""
    if inputs.built.is_base:
        return None
    patterns, is_two = laid.patterns, inputs.built.is_on_standoffs
    pattern, discs = ("standoff", patterns.standoffs) if is_two else ("flange", patterns.flange)
    fixed = discs_made(inputs, pattern, discs)
    return clocking_result(inputs, fixed, laid.face_xy, terminals, _still(laid, fixed))


def _still(laid: LaidPlate, fixed: tuple[Disc, ...]) -> Ligament | None:
    """The least ligament of all parts that the motor's angle doesn't change."""
    turning, stands = {disc.id for disc in laid.patterns.motor}, {disc.id for disc in fixed}
    still = [
        one
        for part in laid.parts
        for one in part.ligaments
        if not ((turning & {*one.between}) and (stands & {*one.between}))
    ]
    return min(still, key=lambda one: one.share, default=None)
