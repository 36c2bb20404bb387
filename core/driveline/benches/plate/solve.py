"""The Adapter plate bench: flange and motor face on one centre, the motor turned, the parts drawn and released."""

from dataclasses import dataclass
from functools import partial
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.plate.buildup import (
    face_tilt_check,
    faces_apart_check,
    has_standoffs,
    shim_check,
    terminals_check,
)
from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.centre import offset_of
from driveline.benches.plate.checks import PlateFigures, plate_checks, release_checks, way_through_check
from driveline.benches.plate.clocking import clocking_result, terminals_of
from driveline.benches.plate.drawings import cut_line, hole_rows, part_drawings
from driveline.benches.plate.floor import floor_checks, sunk_of
from driveline.benches.plate.layout import (
    Part,
    Patterns,
    edge_shares,
    holes_wanted,
    parts_of,
    patterns_of,
    standoff_centres,
)
from driveline.benches.plate.lean import bent_by, lean_checks
from driveline.benches.plate.registers import register_checks, register_results
from driveline.benches.plate.results import (
    BuildUpResult,
    ClockingResult,
    LigamentResult,
    PartResult,
    PlateResult,
    Terminals,
    TiltResult,
)
from driveline.benches.plate.sheet import MotorFace, PlateSheet
from driveline.benches.plate.stack import stack_of
from driveline.checks import Check
from driveline.errors import ImpossibleInput, NotDrawnYet
from driveline.flat.buildup import face_tilt
from driveline.flat.holes import Disc, Ligament, bolt_circle_mm, ligaments, reflected
from driveline.flat.outline import edge_distances_mm
from driveline.joints.checks import joint_checks
from driveline.joints.depth import clear_check
from driveline.joints.screws import JointResult, Loads, Place, worked_joint
from driveline.margins import Margins
from driveline.metal.bolts import thread_names
from driveline.network.observations import CENTRE
from driveline.parts.records import BuildRecords, PartKey
from driveline.parts.released import features_of, incoming_states, release_state
from driveline.results import ToDo
from driveline.shafts.coupler import CouplerStyle
from driveline.sheet import positive_of, value_of
from driveline.survey.sheet import Side
from driveline.survey.solve import SolvedSurvey, solve_survey
from driveline.tables.materials import material

LIGAMENT_FACTOR: Final = 1.0
SHOWN_LIGAMENTS: Final = 6


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateContext:
    """What the bench takes from the rest of the job."""

    job_name: str
    coupler: CouplerStyle | None
    motor: Loads
    margins: Margins
    records: BuildRecords


@dataclass(frozen=True, slots=True, kw_only=True)
class SolvedPlate:
    """Surveys solved and parts laid out: what drawings are made of."""

    survey: SolvedSurvey
    face_survey: SolvedSurvey | None
    face_xy: Floats  # seen looking at the motor's face, (n, 2), mm
    patterns: Patterns
    parts: tuple[Part, ...]
    edges: tuple[tuple[str, float, float], ...]  # hole, distance to its part's edge, wanted distance
    holes_wanted: tuple[str, ...]  # what of the holes is not known yet
    to_do: tuple[ToDo, ...]

    def part(self, key: PartKey) -> Part:
        """Return a part by its key.

        Raises:
            NotDrawnYet: If it can't be drawn.
        """
        for part in self.parts:
            if part.key == key:
                return part
        raise NotDrawnYet(" ".join(one.text for one in self.to_do))


def solve_parts(sheet: PlateSheet) -> SolvedPlate:
    """Return the bench's surveys and parts as far as they go."""
    survey = solve_survey(sheet.survey)
    face_survey = None
    if sheet.face.survey is not None:  # looking at the motor's face is looking from the gearbox
        face_survey = solve_survey(sheet.face.survey.model_copy(update={"seen_from": Side.GEARBOX}))
    holes = [h for h in survey.result.holes if h.id != CENTRE and not h.is_loose and not h.is_bore]
    flange = tuple(Disc(h.id, h.x_mm, h.y_mm, h.diameter_mm) for h in holes)
    face_xy = _face_mm(sheet.face, face_survey)
    traced = np.array([[one.x_mm, one.y_mm] for one in survey.result.outline]).reshape(-1, 2)
    patterns = patterns_of(sheet, flange, face_xy, traced)
    loose = [h.id for h in survey.result.holes if h.is_loose and not h.is_bore]
    if face_survey is not None:
        loose += [f"{h.id} of the motor's face" for h in face_survey.result.holes if h.is_loose and not h.is_bore]
    parts = parts_of(sheet, patterns)
    return SolvedPlate(
        survey=survey,
        face_survey=face_survey,
        face_xy=face_xy,
        patterns=patterns,
        parts=parts,
        edges=tuple(one for part in parts for one in edge_shares(sheet, part)),
        holes_wanted=holes_wanted(sheet, patterns, tuple(loose)),
        to_do=_to_do(sheet, survey, face_xy),
    )


def solve_plate(sheet: PlateSheet, context: PlateContext) -> tuple[PlateResult, tuple[Check, ...]]:
    """Return the plate with its checks; what can't be drawn yet is left out and listed as work to do."""
    solved, margins = solve_parts(sheet), context.margins
    factor = sheet.plate.wanted_ligament_factor or LIGAMENT_FACTOR
    terminals = terminals_of(sheet)
    found = [ligaments(part.discs, factor=factor) for part in solved.parts]
    figures = PlateFigures(
        survey=solved.survey.result,
        face_survey=solved.face_survey.result if solved.face_survey else None,
        ligaments=tuple(sorted((one for part in found for one in part), key=lambda one: one.share)),
        edge_shares=solved.edges or None,
        holes_wanted=solved.holes_wanted,
        coupler=context.coupler,
        centre_off=offset_of(sheet, solved.survey.result, solved.face_survey.result if solved.face_survey else None),
    )
    joints, of_joints = _joints(sheet, solved, context)
    built = _build_up(sheet)
    parts = tuple(
        _part_result(sheet, part, few, solved, context) for part, few in zip(solved.parts, found, strict=True)
    )
    result = PlateResult(
        survey=solved.survey.result,
        face_survey=figures.face_survey,
        parts=parts,
        clocking=_clocking(sheet, solved, factor, terminals),
        terminals=terminals,
        build_up=built,
        joints=joints,
        registers=register_results(sheet),
        threads=thread_names(),
        to_do=solved.to_do,
    )
    of_design = (
        *plate_checks(sheet, figures, margins),
        *of_joints,
        *_build_checks(sheet, solved, built, terminals, figures, context),
        *register_checks(sheet, _rim_mm(solved), margins),
    )
    guarding = tuple(check.model_copy(update={"guards_release": True}) for check in of_design)
    return result, (*guarding, *release_checks(parts, context.records, margins))


def _part_result(
    sheet: PlateSheet, part: Part, found: tuple[Ligament, ...], solved: SolvedPlate, context: PlateContext
) -> PartResult:
    survey = solved.survey.result
    engine, gearbox = part_drawings(sheet, part, context.job_name)
    release = context.records.newest(part.key)
    return PartResult(
        key=part.key,
        title=part.title,
        engine_side=engine,
        gearbox_side=gearbox,
        hole_table=hole_rows(part, {hole.id: hole.major_mm for hole in survey.holes}),
        ligaments=tuple(
            LigamentResult(a=one.between[0], b=one.between[1], left_mm=one.left_mm, wanted_mm=one.wanted_mm)
            for one in found[:SHOWN_LIGAMENTS]
        ),
        cut=cut_line(sheet, part),
        released=release and release_state(sheet, part, engine, survey, release),
        incoming=incoming_states(context.records, part.key),
        features=features_of(release) if release else (),
    )


def _joints(
    sheet: PlateSheet, solved: SolvedPlate, context: PlateContext
) -> tuple[tuple[JointResult, ...], tuple[Check, ...]]:
    places = {place.name: place for place in _places(sheet, solved)}
    results, checks = [], [clear_check(places["motor"], sheet.motor_joint, context.margins)]
    checks += floor_checks(sheet, places["motor"], context.margins)
    joined = {"motor": sheet.motor_joint, "flange": sheet.flange_joint, "standoff": sheet.build_up.standoffs.joint}
    for name, place in places.items():
        joint = joined[name]
        worked = worked_joint(joint, place)
        results.append(worked.result if worked else JointResult(name=name, count=len(place.xy_mm), thread=None))
        checks += joint_checks(worked, joint, place, context.motor, context.margins)
    if sheet.build_up.kind is BuildKind.BASE:  # no plate hangs between two faces then
        return (), ()
    return tuple(results), tuple(checks)


def _places(sheet: PlateSheet, solved: SolvedPlate) -> tuple[Place, ...]:
    face, thickness_mm = sheet.face, positive_of(sheet.plate.thickness)
    overhang_mm, stack = value_of(face.overhang), stack_of(sheet)
    is_two = has_standoffs(sheet)
    motor_plate_mm = positive_of(sheet.build_up.second_thickness) if is_two else thickness_mm
    ring_mm = positive_of(sheet.build_up.ring.thickness) if sheet.build_up.kind is BuildKind.RING else 0.0
    under_motor, under_flange = (0.0, ring_mm) if sheet.build_up.ring.on == "gearbox" else (ring_mm, 0.0)
    sunk_mm = sunk_of(sheet)
    from_flange_mm = _sum(overhang_mm, stack.nominal_mm if stack else None)
    legs = sheet.build_up.standoffs
    is_loose = any(hole.is_loose and not hole.is_bore for hole in solved.survey.result.holes)
    place = partial(_place, sheet, solved)
    found = (
        place(
            "motor",
            "Motor screws",
            solved.patterns.motor,
            grip_mm=_sum(motor_plate_mm, under_motor, None if sunk_mm is None else -sunk_mm),
            length_mm=value_of(face.screw_length),
            depth_mm=value_of(face.depth_behind),
            lever_mm=overhang_mm,
        ),
        place(
            "flange",
            "Gearbox screws",
            solved.patterns.flange,
            is_whole=not is_loose,
            grip_mm=_sum(thickness_mm, under_flange),
            length_mm=value_of(sheet.flange_joint.length),
            depth_mm=value_of(sheet.flange_joint.depth_behind),
            lever_mm=from_flange_mm,
        ),
    )
    if not is_two or legs.fixing == "welded":
        return found
    at_legs = place(
        "standoff",
        "Standoff screws",
        solved.patterns.standoffs,
        grip_mm=_thicker_mm(thickness_mm, motor_plate_mm),
        length_mm=value_of(legs.joint.length),
        depth_mm=value_of(legs.joint.depth_behind),
        lever_mm=from_flange_mm,
    )
    return (*found, at_legs)


def _place(
    sheet: PlateSheet,
    solved: SolvedPlate,
    name: str,
    title: str,
    discs: tuple[Disc, ...],
    *,
    is_whole: bool = True,
    **more: float | None,
) -> Place:
    return Place(
        name=name,
        title=title,
        xy_mm=np.array([[disc.x_mm, disc.y_mm] for disc in discs]).reshape(-1, 2),
        holes=tuple((disc.id, disc.diameter_mm) for disc in discs),
        heel_mm=min((edge for _, edge, _ in solved.edges), default=None),
        material=material(sheet.plate.made_of) if sheet.plate.made_of else None,
        is_whole=bool(discs) and is_whole,
        **more,
    )


def _thicker_mm(*thicknesses_mm: float | None) -> float | None:
    """One screw serves both ends: the thicker plate takes more of it. Not known while either is not."""
    known = [mm for mm in thicknesses_mm if mm is not None]
    return max(known) if len(known) == len(thicknesses_mm) else None


def _sum(*lengths_mm: float | None) -> float | None:
    """Not known as soon as one of them is."""
    known = [mm for mm in lengths_mm if mm is not None]
    return sum(known) if len(known) == len(lengths_mm) else None


def _build_up(sheet: PlateSheet) -> BuildUpResult:
    base = sheet.build_up.base
    shaft, bed = positive_of(base.shaft_height), positive_of(base.bed_height)
    return BuildUpResult(
        apart=stack_of(sheet),
        tilt=_tilt(sheet) if has_standoffs(sheet) else None,
        shim_mm=None if shaft is None or bed is None else bed - shaft,
    )


def _tilt(sheet: PlateSheet) -> TiltResult | None:
    measured = [one.mm for one in sheet.build_up.standoffs.measured]
    try:
        found = face_tilt(standoff_centres(sheet), measured)
    except ImpossibleInput:  # not all measured yet
        return None
    return TiltResult(
        tilt_deg=found.tilt_deg,
        high_at_deg=found.high_at_deg,
        rock_mm=found.rock_mm,
        take_off_mm=found.take_off_mm,
    )


def _build_checks(
    sheet: PlateSheet,
    solved: SolvedPlate,
    built: BuildUpResult,
    terminals: Terminals | None,
    figures: PlateFigures,
    context: PlateContext,
) -> tuple[Check, ...]:
    margins = context.margins
    checks: list[Check] = []
    is_base = sheet.build_up.kind is BuildKind.BASE
    if solved.parts and not is_base:
        checks.append(way_through_check(solved.parts, margins))
    if is_base:
        checks.append(shim_check(built, margins))
    else:
        bent = bent_by(sheet, solved.patterns, context.motor)
        checks += lean_checks(sheet, bent, figures.centre_off, built, context.coupler, margins)
    if has_standoffs(sheet):
        checks.append(face_tilt_check(sheet, built, context.coupler, margins))
    if sheet.build_up.wanted_apart is not None:
        checks.append(faces_apart_check(sheet, built, margins))
    if terminals is not None:
        checks.append(terminals_check(terminals, margins))
    return tuple(checks)


def _rim_mm(solved: SolvedPlate) -> float | None:
    """Twice the least distance from the shaft's centre to an edge: the ring that bears a pressed register."""
    bored = [part for part in solved.parts if any(hole.kind == "bore" for hole in part.holes)]
    return min((2 * float(edge_distances_mm(np.zeros((1, 2)), part.vertices)[0]) for part in bored), default=None)


def _face_mm(face: MotorFace, survey: SolvedSurvey | None) -> Floats:
    """The motor's holes seen looking at its face, (n, 2)."""
    if survey is not None:
        holes = [h for h in survey.result.holes if h.id != CENTRE and not h.is_loose and not h.is_bore]
        return reflected(np.array([[hole.x_mm, hole.y_mm] for hole in holes]).reshape(-1, 2))
    if face.holes:
        return np.array([[hole.x.mm, hole.y.mm] for hole in face.holes])
    circle_mm = positive_of(face.bolt_circle)
    if face.count and circle_mm:
        return bolt_circle_mm(count=face.count, circle_mm=circle_mm, first_at_deg=face.first_at.deg)
    return np.zeros((0, 2))


def _clocking(
    sheet: PlateSheet, solved: SolvedPlate, factor: float, terminals: Terminals | None
) -> ClockingResult | None:
    """The motor turns against the holes of the plate that it is screwed to: the flange's, or the standoffs'."""
    if sheet.build_up.kind is BuildKind.BASE:
        return None
    fixed = solved.patterns.standoffs if has_standoffs(sheet) else solved.patterns.flange
    return clocking_result(sheet, fixed, solved.face_xy, factor, terminals)


def _to_do(sheet: PlateSheet, survey: SolvedSurvey, face_xy: Floats) -> tuple[ToDo, ...]:
    face, plate, build = sheet.face, sheet.plate, sheet.build_up
    if build.kind is BuildKind.BASE:
        feet = all(positive_of(one) for one in (build.base.along, build.base.across, build.base.hole))
        needs = [(feet, "plate.build_up.base", "Measure the motor's feet: holes along, across, and their size.")]
    else:
        needs = [
            (
                bool(len(face_xy)),
                "plate.face.bolt_circle",
                "Measure the motor face: how many holes, on what circle.",
            ),
            (
                positive_of(face.plate_hole) is not None,
                "plate.face.plate_hole",
                "Give the clearance hole for the motor's screws.",
            ),
        ]
    needs.append((plate.thickness is not None, "plate.plate.thickness", "Choose the plate's thickness."))
    own = () if build.kind is BuildKind.BASE else survey.result.to_do
    return own + tuple(ToDo(field=field, text=text) for known, field, text in needs if not known)
