"""The checks of a build-up: faces parallel and far enough apart, a stiff plate, terminals where they may be."""

from typing import Final

from driveline.benches.common import Margins, missing_of, wanted_words
from driveline.benches.joint_checks import BUMP_G
from driveline.benches.joints import Loads
from driveline.benches.plate_results import BuildUpResult, Terminals
from driveline.checks import Check, Step, Working
from driveline.errors import ImpossibleInput
from driveline.overhang import hub_tilt_deg
from driveline.road import GRAVITY_MS2
from driveline.sheets.base import positive_of
from driveline.sheets.buildup import BuildKind
from driveline.sheets.plate import PlateSheet
from driveline.sheets.ratios import CouplerStyle
from driveline.tables.materials import material

ANGLE_ALLOWANCE_DEG: Final = {
    CouplerStyle.RIGID: 0.05,
    CouplerStyle.FLEXIBLE: 0.5,
    CouplerStyle.CLUTCH: 0.1,
    CouplerStyle.SPLINE: 0.1,
}
APART_MM: Final = 0.5


def face_tilt_check(sheet: PlateSheet, built: BuildUpResult, coupler: CouplerStyle | None, margins: Margins) -> Check:
    """Return whether the face on the standoffs is square enough for the coupler."""
    standoffs, tilt = sheet.build_up.standoffs, built.tilt
    allowed = ANGLE_ALLOWANCE_DEG[coupler] if coupler else None
    wanted = {
        "Coupler style, on the Ratios bench": allowed,
        f"Measured length of each of the {standoffs.count} standoffs": tilt,
    }
    missing = missing_of(wanted)
    says = wanted_words(missing)
    if tilt and allowed:
        says = f"leans {tilt.tilt_deg:.3f}° of {allowed:g}° that the coupler allows; high at {tilt.high_at_deg:.0f}°"
        if tilt.tilt_deg > allowed:
            says += f"; take up to {max(tilt.take_off_mm):.2f} mm off the long ones"
    return margins.check(
        "clearance",
        key="plate.face_tilt",
        bench="plate",
        title="Motor face square to the shaft",
        demand=tilt and tilt.tilt_deg,
        capacity=allowed,
        unit="°",
        says=says,
        missing=missing,
        inputs=("plate.build_up.standoffs", "ratios.coupler"),
        working=Working(
            steps=(
                Step(
                    formula="least-squares plane through the ends, z = c + a x + b y; tilt = atan √(a² + b²)",
                    result="" if tilt is None else f"{tilt.tilt_deg:.3f}°, rocks by {tilt.rock_mm:.3f} mm",
                ),
            ),
            source="Usual angular allowances: rigid 0.05, clutch or spline 0.1, flexible 0.5°.",
            note="Welded standoffs pull as they cool: measure after welding, face to length, measure again."
            if standoffs.fixing == "welded"
            else "",
        ),
    )


def faces_apart_check(sheet: PlateSheet, built: BuildUpResult, margins: Margins) -> Check:
    """Return whether the faces stand as far apart as shafts and coupler ask for."""
    wanted_mm, apart = positive_of(sheet.build_up.wanted_apart), built.apart
    missing = () if apart is not None else ("Thickness of every plate, ring and standoff between the faces",)
    off_mm, says = None, wanted_words(missing)
    steps: tuple[Step, ...] = ()
    if apart is not None and wanted_mm is not None:
        off_mm = abs(apart.nominal_mm - wanted_mm) + apart.worst_mm
        says = f"{apart.nominal_mm:.2f} ± {apart.worst_mm:.2f} mm at worst; {wanted_mm:.2f} ± {APART_MM:g} asked for"
        steps = tuple(
            Step(formula=one.name, numbers=f"{one.length_mm:.2f} ± {one.either_way_mm:.2f}", result=f"{one.share:.0%}")
            for one in apart.shares
        )
    return margins.check(
        "clearance",
        key="plate.faces_apart",
        bench="plate",
        title="Faces as far apart as asked",
        demand=off_mm,
        capacity=APART_MM,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.build_up", "plate.plate.thickness"),
        working=Working(
            steps=(*steps, Step(formula="|Σ − asked| + Σ|t|", result="" if off_mm is None else f"{off_mm:.2f} mm")),
            source="Worst case over all lengths. ± 0.5 mm is taken as usual; the coupler's own gap decides.",
            note="" if apart is None else f"Most likely ± {apart.likely_mm:.2f}, were they independent and centred.",
        ),
    )


def shim_check(built: BuildUpResult, margins: Margins) -> Check:
    """Return whether a foot-mounted motor can be shimmed up to the gearbox's shaft."""
    missing = (
        () if built.shim_mm is not None else ("Shaft height of the motor, and of the gearbox above the base plate",)
    )
    says = wanted_words(missing)
    if built.shim_mm is not None:
        says = (
            f"{built.shim_mm:.2f} mm of shim under each foot"
            if built.shim_mm >= 0
            else f"the motor stands {-built.shim_mm:.2f} mm too high: lower the base plate or mill the feet"
        )
    return margins.answer(
        is_so=None if built.shim_mm is None else built.shim_mm >= 0,
        key="plate.shim",
        bench="plate",
        title="Motor shaft at the gearbox's height",
        says=says,
        missing=missing,
        inputs=("plate.build_up.base",),
        working=Working(
            steps=(Step(formula="bed to gearbox shaft − feet to motor shaft"),),
            source="Shims raise a motor; nothing lowers one.",
        ),
    )


def terminals_check(turn: Terminals, margins: Margins) -> Check:
    """Return whether the terminals lie inside their window at the present angle."""
    window = None if turn.from_deg is None or turn.to_deg is None else (turn.from_deg, turn.to_deg)
    missing = () if window else ("Where the terminals may be: from and to",)
    within = None
    if window:
        start = (turn.at_deg - turn.arc_deg / 2 - window[0]) % 360
        within = start + turn.arc_deg <= window[1] - window[0] + 1e-9
    says = wanted_words(missing)
    if window:
        place = f"terminals at {turn.at_deg:.0f}°, window {window[0]:.0f}° to {window[1] % 360:.0f}°"
        says = place if within else f"{place}: turn the motor"
    return margins.answer(
        is_so=within,
        key="plate.terminals",
        bench="plate",
        title="Terminals inside their window",
        says=says,
        missing=missing,
        inputs=("plate.face.terminals_at", "plate.plate.terminals_from", "plate.plate.turned"),
        working=Working(source="Seen from the engine side, anticlockwise from +x."),
    )


def plate_lean_check(
    sheet: PlateSheet,
    radii_mm: tuple[float, float] | None,
    loads: Loads,
    coupler: CouplerStyle | None,
    margins: Margins,
) -> Check:
    """Return whether the plate bends so far under the motor that the coupler minds.

    Args:
        sheet: Of the bench.
        radii_mm: Mean radius of the motor's and of the flange's screws; ``None`` while a pattern is missing.
        loads: Of the motor.
        coupler: As chosen.
        margins: Of the job.
    """
    overhang_mm, thickness_mm = positive_of(sheet.face.overhang), positive_of(sheet.plate.thickness)
    allowed = ANGLE_ALLOWANCE_DEG[coupler] if coupler else None
    wanted = {
        "Coupler style, on the Ratios bench": allowed,
        "What the plate is made of": sheet.plate.made_of,
        "Thickness of the plate": thickness_mm,
        "Mass of the motor": loads.motor_kg,
        "Centre of gravity of the motor from its face": overhang_mm,
        "Holes of flange and motor": radii_mm,
    }
    missing = missing_of(wanted)
    lean = None
    if sheet.plate.made_of and thickness_mm and loads.motor_kg and overhang_mm and radii_mm:
        moment_nm = loads.motor_kg * GRAVITY_MS2 * overhang_mm / 1000
        lean = _lean_deg(sheet, radii_mm, moment_nm, thickness_mm)
    says = wanted_words(missing)
    if lean is not None and allowed:
        says = f"leans {lean:.3f}° standing still, {BUMP_G * lean:.3f}° in a 3 g bump, of {allowed:g}° allowed"
    return margins.check(
        "clearance",
        key="plate.lean",
        bench="plate",
        title="Plate stiff under the overhung motor",
        demand=lean,
        capacity=allowed,
        unit="°",
        says=says,
        missing=missing,
        inputs=("plate.plate.thickness", "plate.plate.made_of", "plate.face.overhang", "brief.motor.mass"),
        working=Working(
            steps=(
                Step(
                    formula="rigid hub on an annular plate, M = m g × overhang",
                    numbers="" if radii_mm is None else f"hub {radii_mm[0]:.0f}, clamped at {radii_mm[1]:.0f} mm",
                    result="" if lean is None else f"{lean:.4f}°",
                ),
            ),
            source="Timoshenko, Theory of Plates and Shells, art. 63; judged at 1 g. The bump passes, the set stays.",
            note="Thickness counts three times over: a quarter more halves the lean.",
        ),
    )


def _lean_deg(sheet: PlateSheet, radii_mm: tuple[float, float], moment_nm: float, thickness_mm: float) -> float | None:
    """0 where the motor's screws reach as far out as the flange's: the plate is then clamped between two faces."""
    if sheet.plate.made_of is None:
        return None
    found = material(sheet.plate.made_of)
    try:
        return hub_tilt_deg(
            moment_nm=moment_nm,
            inner_mm=radii_mm[0],
            outer_mm=radii_mm[1],
            thickness_mm=thickness_mm,
            modulus_mpa=found.modulus_mpa,
            poisson=found.poisson,
        )
    except ImpossibleInput:
        return 0.0


def has_standoffs(sheet: PlateSheet) -> bool:
    """Say whether the build-up stands on standoffs."""
    return sheet.build_up.kind is BuildKind.TWO_PLATES
