"""The Adapter plate bench: flange and motor face on one centre, the motor turned, the plate drawn."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.common import Margins, ToDo, rounded
from driveline.benches.joints import JointResult, Loads, Place, clear_check, solve_joint
from driveline.benches.plate_checks import PlateFigures, plate_checks
from driveline.benches.survey import HoleResult, SolvedSurvey, SurveyResult, solve_survey
from driveline.bolts import thread_names
from driveline.chain import Floats
from driveline.checks import Check, Result
from driveline.drawing.model import Drawing
from driveline.drawing.plate import PlateHole, from_gearbox_side, plate_drawing
from driveline.errors import ImpossibleInput
from driveline.fits import fit
from driveline.network.observations import CENTRE
from driveline.plate import (
    MACHINING_MM,
    Clocking,
    Disc,
    Ligament,
    OutlineVertex,
    bolt_circle_mm,
    clocking,
    edge_distances_mm,
    hull_outline,
    ligaments,
    motor_on_plate,
)
from driveline.sheets.base import positive_of, value_of
from driveline.sheets.joints import Register
from driveline.sheets.plate import MotorFace, PlateSheet, Process
from driveline.sheets.ratios import CouplerStyle

EDGE_FACTOR: Final = {
    Process.LASER: 1.5,
    Process.WATERJET: 1.5,
    Process.MILLED: 1.5,
    Process.PLASMA: 2.0,
    Process.FLAME: 2.0,
}
LEAST_HOLE_PER_THICKNESS: Final = {
    Process.LASER: 1.0,
    Process.WATERJET: 1.0,
    Process.PLASMA: 1.5,
    Process.FLAME: 1.5,
    Process.MILLED: 0.0,
}
DRAWN_OVER_WANTED: Final = 1.15  # so that a kerf or a wandering cut does not eat into the edge distance
LIGAMENT_FACTOR: Final = 1.0
SHOWN_LIGAMENTS: Final = 6


class HoleRow(Result):
    """A line of the hole table, from the shaft's centre, seen from the engine side."""

    id: str
    kind: str
    x_mm: float
    y_mm: float
    radius_mm: float
    angle_deg: float
    finished_mm: float
    cut_mm: float | None
    made: str
    sure_mm: float | None  # 95 % semi-axis; None where it is set, not surveyed


class LigamentResult(Result):
    """What is left between two holes."""

    a: str
    b: str
    left_mm: float
    wanted_mm: float


class ClockingWindow(Result):
    """Angles between which every ligament is enough; ``to_deg`` may pass 360."""

    from_deg: float
    to_deg: float


class ClockingResult(Result):
    """Least share of the wanted ligament against the clocking angle."""

    angle_deg: list[float]
    share: list[float]
    windows: tuple[ClockingWindow, ...]
    closest: list[str]  # which two holes are nearest at each angle: why it is barred
    best_deg: float  # from 0 to 360, as the plot runs
    best_share: float
    best_turn_deg: float  # from -180 to 180, as it is typed
    present_deg: float
    present_turn_deg: float


class RegisterResult(Result):
    """What a register's bore and spigot are to be machined to, mm."""

    fit: str
    bore_least_mm: float
    bore_greatest_mm: float
    spigot_least_mm: float
    spigot_greatest_mm: float
    least_play_mm: float  # below 0 is interference
    greatest_play_mm: float


class PlateResult(Result):
    """The plate as designed so far."""

    survey: SurveyResult
    hole_table: tuple[HoleRow, ...]
    ligaments: tuple[LigamentResult, ...]
    clocking: ClockingResult | None
    engine_side: Drawing | None
    gearbox_side: Drawing | None
    area_cm2: float | None
    joints: tuple[JointResult, ...]
    registers: tuple[RegisterResult, ...]
    threads: tuple[str, ...]  # those that a joint can name
    to_do: tuple[ToDo, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class _Pattern:
    """All holes of the plate, and its outline."""

    holes: tuple[PlateHole, ...]
    discs: tuple[Disc, ...]
    outline: tuple[OutlineVertex, ...]
    edge_mm: float


def solve_plate(
    sheet: PlateSheet, *, job_name: str, coupler: CouplerStyle | None, motor: Loads, margins: Margins
) -> tuple[PlateResult, tuple[Check, ...]]:
    """Return the plate with its checks; what can't be drawn yet is left out and listed as work to do."""
    survey = solve_survey(sheet.survey)
    fixed = tuple(hole for hole in survey.result.holes if hole.id != CENTRE and not hole.is_loose)
    face_xy = _face_mm(sheet.face)
    factor = sheet.plate.wanted_ligament_factor or LIGAMENT_FACTOR
    turning = _clocking(sheet, fixed, face_xy, factor)
    pattern = _pattern(sheet, fixed, face_xy)
    found = ligaments(pattern.discs, factor=factor) if pattern else ()
    title = f"{job_name}: adapter plate"
    engine = _drawn(title, sheet, pattern) if pattern else None
    figures = PlateFigures(
        survey=survey.result,
        ligaments=found,
        edge_shares=_edge_shares(sheet, pattern) if pattern else None,
        coupler=coupler,
    )
    joints, joint_checks = _joints(sheet, pattern, motor, margins)
    result = PlateResult(
        survey=survey.result,
        joints=joints,
        threads=thread_names(),
        registers=tuple(_register(one) for one in sheet.plate.registers),
        hole_table=_table(pattern, survey.result) if pattern else (),
        ligaments=tuple(_ligament(one) for one in found[:SHOWN_LIGAMENTS]),
        clocking=_clocking_result(turning, sheet) if turning else None,
        engine_side=engine,
        gearbox_side=engine and from_gearbox_side(engine),
        area_cm2=_area_cm2(pattern) if pattern else None,
        to_do=_to_do(sheet, survey),
    )
    return result, (*plate_checks(sheet, figures, margins), *joint_checks)


def _joints(
    sheet: PlateSheet, pattern: _Pattern | None, motor: Loads, margins: Margins
) -> tuple[tuple[JointResult, ...], tuple[Check, ...]]:
    face, thickness_mm = sheet.face, positive_of(sheet.plate.thickness)
    holes = pattern.holes if pattern else ()
    overhang_mm = value_of(face.overhang)
    sunk_mm = value_of(face.counterbore_depth) or 0.0
    places = {
        "motor": Place(
            name="motor",
            title="Motor screws",
            xy_mm=_centres(holes, "motor"),
            grip_mm=None if thickness_mm is None else thickness_mm - sunk_mm,
            length_mm=value_of(face.screw_length),
            depth_mm=value_of(face.depth_behind),
            lever_mm=overhang_mm,
        ),
        "flange": Place(
            name="flange",
            title="Gearbox screws",
            xy_mm=_centres(holes, "flange"),
            grip_mm=thickness_mm,
            length_mm=value_of(sheet.flange_joint.length),
            depth_mm=value_of(sheet.flange_joint.depth_behind),
            lever_mm=None if overhang_mm is None or thickness_mm is None else overhang_mm + thickness_mm,
        ),
    }
    clear = clear_check(places["motor"], value_of(sheet.motor_joint.washer) or 0.0, margins)
    solved = [
        solve_joint(joint, places[name], motor, margins)
        for name, joint in (("motor", sheet.motor_joint), ("flange", sheet.flange_joint))
    ]
    return tuple(result for result, _ in solved), (clear, *(check for _, checks in solved for check in checks))


def _centres(holes: tuple[PlateHole, ...], kind: str) -> Floats:
    return np.array([[hole.x_mm, hole.y_mm] for hole in holes if hole.kind == kind]).reshape(-1, 2)


def _register(register: Register) -> RegisterResult:
    found = fit(register.size.mm, register.fit.value)
    return RegisterResult(
        fit=register.fit.value,
        bore_least_mm=found.bore.least_mm,
        bore_greatest_mm=found.bore.greatest_mm,
        spigot_least_mm=found.shaft.least_mm,
        spigot_greatest_mm=found.shaft.greatest_mm,
        least_play_mm=found.least_play_mm,
        greatest_play_mm=found.greatest_play_mm,
    )


def _face_mm(face: MotorFace) -> Floats:
    """The motor's holes seen looking at its face, (n, 2)."""
    if face.holes:
        return np.array([[hole.x.mm, hole.y.mm] for hole in face.holes])
    circle_mm = positive_of(face.bolt_circle)
    if face.count and circle_mm:
        return bolt_circle_mm(count=face.count, circle_mm=circle_mm, first_at_deg=face.first_at.deg)
    return np.zeros((0, 2))


def _clocking(sheet: PlateSheet, fixed: tuple[HoleResult, ...], face_xy: Floats, factor: float) -> Clocking | None:
    hole_mm = positive_of(sheet.face.plate_hole)
    if not fixed or not len(face_xy) or hole_mm is None:
        return None
    widest_mm = max(hole_mm, sheet.face.counterbore.mm if sheet.face.counterbore else 0.0)
    discs = [Disc(hole.id, hole.x_mm, hole.y_mm, hole.diameter_mm) for hole in fixed]
    return clocking(discs, motor_on_plate(face_xy, 0.0), widest_mm, factor=factor)


def _pattern(sheet: PlateSheet, fixed: tuple[HoleResult, ...], face_xy: Floats) -> _Pattern | None:
    holes = [_plate_hole(sheet, hole.id, "flange", hole.x_mm, hole.y_mm, hole.diameter_mm) for hole in fixed]
    hole_mm = positive_of(sheet.face.plate_hole)
    if hole_mm is not None and len(face_xy):
        names = [hole.id for hole in sheet.face.holes] or [f"M{k + 1}" for k in range(len(face_xy))]
        on_plate = motor_on_plate(face_xy, sheet.plate.turned.deg)
        holes += [
            _plate_hole(sheet, name, "motor", float(x), float(y), hole_mm)
            for name, (x, y) in zip(names, on_plate, strict=True)
        ]
    if len(holes) < 3:
        return None
    centres = np.array([[hole.x_mm, hole.y_mm] for hole in holes])
    edge_mm = _edge_factor(sheet) * max(hole.finished_mm for hole in holes)
    try:
        outline = hull_outline(centres, edge_mm)
    except ImpossibleInput:
        return None
    if bore_mm := positive_of(sheet.plate.bore or sheet.face.register_size):
        holes.append(_plate_hole(sheet, "bore", "bore", 0.0, 0.0, bore_mm))
    discs = tuple(Disc(h.id, h.x_mm, h.y_mm, max(h.finished_mm, h.counterbore_mm or 0.0)) for h in holes)
    return _Pattern(holes=tuple(holes), discs=discs, outline=outline, edge_mm=edge_mm)


def _plate_hole(sheet: PlateSheet, hole_id: str, kind: str, x_mm: float, y_mm: float, finished_mm: float) -> PlateHole:
    """A register is cut small and machined; a hole too small for the process is marked and drilled by hand."""
    cut_mm: float | None = finished_mm - MACHINING_MM if kind == "bore" else finished_mm
    thickness = sheet.plate.thickness
    if thickness and cut_mm is not None and cut_mm < LEAST_HOLE_PER_THICKNESS[sheet.plate.process] * thickness.mm:
        cut_mm = None
    counterbore = sheet.face.counterbore if kind == "motor" else None
    return PlateHole(
        id=hole_id,
        kind=kind,
        x_mm=x_mm,
        y_mm=y_mm,
        finished_mm=finished_mm,
        cut_mm=cut_mm,
        counterbore_mm=value_of(counterbore),
    )


def _edge_factor(sheet: PlateSheet) -> float:
    return sheet.plate.edge_factor or DRAWN_OVER_WANTED * EDGE_FACTOR[sheet.plate.process]


def _edge_shares(sheet: PlateSheet, pattern: _Pattern) -> tuple[tuple[str, float, float], ...]:
    """Hole, distance to the edge, wanted distance."""
    holes = [hole for hole in pattern.holes if hole.kind != "bore"]
    discs = [Disc(hole.id, hole.x_mm, hole.y_mm, hole.finished_mm) for hole in holes]
    centres = np.array([[disc.x_mm, disc.y_mm] for disc in discs])
    distances = edge_distances_mm(discs, centres, pattern.edge_mm)
    wanted = EDGE_FACTOR[sheet.plate.process]
    return tuple((disc.id, edge_mm, wanted * disc.diameter_mm) for disc, edge_mm in zip(discs, distances, strict=True))


def _drawn(title: str, sheet: PlateSheet, pattern: _Pattern) -> Drawing:
    thickness = f"{sheet.plate.thickness.mm:g} mm" if sheet.plate.thickness else "thickness not known"
    notes = [
        " ".join(
            text
            for text in (sheet.plate.material or "material not stated", thickness, sheet.plate.process.value)
            if text
        ),
        "CUT: cut to line, kerf is the cutter's. MARK: punch, drill by hand. NOTES: finish by machining.",
    ]
    return plate_drawing(title=title, outline=pattern.outline, holes=pattern.holes, notes=notes)


def _table(pattern: _Pattern, survey: SurveyResult) -> tuple[HoleRow, ...]:
    sure = {hole.id: hole.major_mm for hole in survey.holes}
    return tuple(
        HoleRow(
            id=hole.id,
            kind=hole.kind,
            x_mm=hole.x_mm,
            y_mm=hole.y_mm,
            radius_mm=float(np.hypot(hole.x_mm, hole.y_mm)),
            angle_deg=float(np.degrees(np.arctan2(hole.y_mm, hole.x_mm)) % 360),
            finished_mm=hole.finished_mm,
            cut_mm=hole.cut_mm,
            made=_made(hole),
            sure_mm=sure.get(hole.id) if hole.kind == "flange" else None,
        )
        for hole in pattern.holes
    )


def _made(hole: PlateHole) -> str:
    if hole.cut_mm is None:
        return "mark, drill by hand"
    return "cut" if hole.cut_mm == hole.finished_mm else "cut small, machine"


def _ligament(one: Ligament) -> LigamentResult:
    return LigamentResult(a=one.between[0], b=one.between[1], left_mm=one.left_mm, wanted_mm=one.wanted_mm)


def _clocking_result(turning: Clocking, sheet: PlateSheet) -> ClockingResult:
    names = [hole.id for hole in sheet.face.holes]
    return ClockingResult(
        closest=[f"{fixed} and {names[k] if names else f'M{k + 1}'}" for fixed, k in turning.closest[::2]],
        angle_deg=rounded(turning.angle_deg[::2]),
        share=rounded(turning.share[::2], 4),
        windows=tuple(ClockingWindow(from_deg=one.from_deg, to_deg=one.to_deg) for one in turning.windows),
        best_deg=turning.best_deg,
        best_share=turning.best_share,
        best_turn_deg=_as_typed_deg(turning.best_deg),
        present_deg=sheet.plate.turned.deg % 360,
        present_turn_deg=_as_typed_deg(sheet.plate.turned.deg),
    )


def _as_typed_deg(angle_deg: float) -> float:
    """Return an angle from -180 to 180: nobody types 355."""
    return (angle_deg + 180) % 360 - 180


def _area_cm2(pattern: _Pattern) -> float:
    """Area inside the outline less its cut holes: shoelace over the corners, plus each arc's segment."""
    x = np.array([vertex.x_mm for vertex in pattern.outline])
    y = np.array([vertex.y_mm for vertex in pattern.outline])
    area = 0.5 * float(np.sum(x * np.roll(y, -1) - np.roll(x, -1) * y))
    for vertex in pattern.outline:
        sweep = 4 * np.arctan(vertex.bulge)
        area += pattern.edge_mm**2 / 2 * float(sweep - np.sin(sweep))
    holes = sum(np.pi / 4 * hole.cut_mm**2 for hole in pattern.holes if hole.cut_mm)
    return float(area - holes) / 100


def _to_do(sheet: PlateSheet, survey: SolvedSurvey) -> tuple[ToDo, ...]:
    face, plate = sheet.face, sheet.plate
    needs = [
        (
            bool(len(_face_mm(face))),
            "plate.face.bolt_circle",
            "Measure the motor face: how many holes, on what circle.",
        ),
        (
            positive_of(face.plate_hole) is not None,
            "plate.face.plate_hole",
            "Give the clearance hole for the motor's screws.",
        ),
        (plate.thickness is not None, "plate.plate.thickness", "Choose the plate's thickness."),
    ]
    return survey.result.to_do + tuple(ToDo(field=field, text=text) for known, field, text in needs if not known)
