"""The checks of a build-up: faces parallel and far enough apart, a stiff plate, terminals where they may be."""

from typing import Final

from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.needs import WantedApart
from driveline.benches.plate.results import BuildUpResult, Terminals
from driveline.benches.plate.stack import warm_growth_mm
from driveline.benches.plate.workings import face_tilt_working, faces_apart_working
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import Forgives
from driveline.working import fixed_working

APART_MM: Final = 0.5


def face_tilt_check(inputs: PlateInputs, built: BuildUpResult, coupler: Forgives | None, judge: Judge) -> Check:
    """Return whether the face on the standoffs is square enough for the coupler."""
    standoffs, tilt = inputs.built.legs, built.tilt
    allowed = coupler.angle_deg if coupler else None
    wanted = {
        "Coupler style, on the Ratios bench": allowed,
        f"Measured length of each of the {standoffs.count} standoffs": tilt,
    }
    missing = missing_of(wanted)
    says = wanted_words(missing)
    if tilt and allowed:
        says = (
            f"leans {fig(tilt.tilt_deg, '°', 3)} of {fig(allowed, '°')} that the coupler allows; "
            f"high at {fig(tilt.high_at_deg, '°', 0)}"
        )
        if tilt.tilt_deg > allowed:
            says += f"; take up to {fig(max(tilt.take_off_mm), 'mm', 2)} off the long ones"
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
        working=lambda: face_tilt_working(tilt, standoffs.fixing),
    )


def faces_apart_check(inputs: PlateInputs, built: BuildUpResult, wanted: WantedApart, judge: Judge) -> Check:
    """Return whether the faces stand as far apart as shafts and coupler ask for."""
    apart, wanted_mm, room_mm = built.apart, wanted.mm, wanted.either_way_mm
    warmer_k = inputs.span.warmer_k
    growth_mm = warm_growth_mm(inputs)
    missing = missing_of(
        {
            "Thickness of every plate, ring and standoff between the faces": apart,
            "What each length was measured with, or its ±": apart is None or apart.is_sure,
            "What plates and standoffs are made of": apart is None or growth_mm is not None,
            "Lengths of the coupler's gaps, which say how far off it may be": room_mm,
        }
    )
    off_mm, says = None, wanted_words(missing)
    if apart is not None and wanted_mm is not None:
        grown_mm = growth_mm or 0.0
        cold_mm = apart.nominal_mm - wanted_mm
        off_mm = max(abs(cold_mm), abs(cold_mm + grown_mm)) + apart.worst_mm
        found = (
            f"{num(apart.nominal_mm, 'mm', 2)} ± {fig(apart.worst_mm, 'mm', 2)} at worst, "
            f"{num(grown_mm, 'mm', 2)} more when warm"
        )
        asked = fig(wanted_mm, "mm", 2) if room_mm is None else f"{num(wanted_mm, 'mm', 2)} ± {fig(room_mm, 'mm', 2)}"
        says = f"{found}; {asked} asked for" + (f". {says}" if missing else "")
    return judge.check(
        "clearance",
        key="plate.faces_apart",
        title="Faces as far apart as asked",
        demand=off_mm,
        capacity=room_mm,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.build_up", "plate.plate.thickness", wanted.field),
        working=lambda: faces_apart_working(built, wanted, growth_mm, off_mm, warmer_k),
    )


def shim_check(built: BuildUpResult, judge: Judge) -> Check:
    """Return whether a foot-mounted motor can be shimmed up to the gearbox's shaft."""
    missing = (
        () if built.shim_mm is not None else ("Shaft height of the motor, and of the gearbox above the base plate",)
    )
    says = wanted_words(missing)
    if built.shim_mm is not None:
        says = (
            f"{fig(built.shim_mm, 'mm', 2)} of shim under each foot"
            if built.shim_mm >= 0
            else f"the motor stands {fig(-built.shim_mm, 'mm', 2)} too high: lower the base plate or mill the feet"
        )
    return judge.answer(
        is_so=None if built.shim_mm is None else built.shim_mm >= 0,
        key="plate.shim",
        title="Motor shaft at the gearbox's height",
        says=says,
        missing=missing,
        inputs=("plate.build_up.base",),
        working=fixed_working(
            "Bed to gearbox shaft less feet to motor shaft. Shims raise a motor; nothing lowers one."
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
        span = f"{fig(window[0], '°', 0)} to {fig(window[1] % 360, '°', 0)}"
        place = f"terminals at {fig(turn.at_deg, '°', 0)}, window {span}"
        says = place if within else f"{place}: turn the motor"
    return judge.answer(
        is_so=within,
        key="plate.terminals",
        title="Terminals inside their window",
        says=says,
        missing=missing,
        inputs=("plate.face.terminals_at", "plate.plate.terminals_from", "plate.plate.turned"),
        working=fixed_working("Seen from the engine side, anticlockwise from +x."),
    )
