"""The checks of a build-up: faces parallel and far enough apart, a stiff plate, terminals where they may be."""

from typing import Final

from driveline.benches.plate.centre import WARM_K
from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.results import BuildUpResult, Terminals
from driveline.benches.plate.stack import warm_growth_mm
from driveline.checks import Check, Step, Working
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import ANGLE_ALLOWANCE_DEG, CouplerStyle

APART_MM: Final = 0.5


def face_tilt_check(inputs: PlateInputs, built: BuildUpResult, coupler: CouplerStyle | None, judge: Judge) -> Check:
    """Return whether the face on the standoffs is square enough for the coupler."""
    standoffs, tilt = inputs.built.legs, built.tilt
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
    return judge.check(
        "clearance",
        key="plate.face_tilt",
        title="Motor face square to the shaft",
        demand=None if tilt is None else tilt.tilt_deg,
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


def faces_apart_check(inputs: PlateInputs, built: BuildUpResult, judge: Judge) -> Check:
    """Return whether the faces stand as far apart as shafts and coupler ask for."""
    wanted_mm, apart = inputs.built.wanted_apart_mm or None, built.apart
    growth_mm = warm_growth_mm(inputs)
    missing = missing_of(
        {
            "Thickness of every plate, ring and standoff between the faces": apart,
            "What each length was measured with, or its ±": apart is None or apart.is_sure,
            "What plates and standoffs are made of": apart is None or growth_mm is not None,
        }
    )
    off_mm, says = None, wanted_words(missing)
    steps: tuple[Step, ...] = ()
    if apart is not None and wanted_mm is not None:
        grown_mm = growth_mm or 0.0
        cold_mm = apart.nominal_mm - wanted_mm
        off_mm = max(abs(cold_mm), abs(cold_mm + grown_mm)) + apart.worst_mm
        found = f"{apart.nominal_mm:.2f} ± {apart.worst_mm:.2f} mm at worst, {grown_mm:.2f} more when warm"
        says = f"{found}; {wanted_mm:.2f} ± {APART_MM:g} asked for" + (f". {says}" if missing else "")
        steps = tuple(
            Step(formula=one.name, numbers=f"{one.length_mm:.2f} ± {one.either_way_mm:.2f}", result=f"{one.share:.0%}")
            for one in apart.shares
        )
    return judge.check(
        "clearance",
        key="plate.faces_apart",
        title="Faces as far apart as asked",
        demand=off_mm,
        capacity=APART_MM,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.build_up", "plate.plate.thickness"),
        working=Working(
            steps=(
                *steps,
                Step(formula=f"Σ α L ΔT, {WARM_K:g} K warm", result="" if growth_mm is None else f"{growth_mm:.3f} mm"),
                Step(formula="|Σ − asked|, cold or warm, + Σ|t|", result="" if off_mm is None else f"{off_mm:.2f} mm"),
            ),
            source="Worst case over all lengths. ± 0.5 mm is taken as usual; the coupler's own gap decides.",
            note="" if apart is None else f"Most likely ± {apart.likely_mm:.2f}, were they independent and centred.",
        ),
    )


def shim_check(built: BuildUpResult, judge: Judge) -> Check:
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
    return judge.answer(
        is_so=None if built.shim_mm is None else built.shim_mm >= 0,
        key="plate.shim",
        title="Motor shaft at the gearbox's height",
        says=says,
        missing=missing,
        inputs=("plate.build_up.base",),
        working=Working(
            steps=(Step(formula="bed to gearbox shaft − feet to motor shaft"),),
            source="Shims raise a motor; nothing lowers one.",
        ),
    )


def terminals_check(turn: Terminals, judge: Judge) -> Check:
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
    return judge.answer(
        is_so=within,
        key="plate.terminals",
        title="Terminals inside their window",
        says=says,
        missing=missing,
        inputs=("plate.face.terminals_at", "plate.plate.terminals_from", "plate.plate.turned"),
        working=Working(source="Seen from the engine side, anticlockwise from +x."),
    )
