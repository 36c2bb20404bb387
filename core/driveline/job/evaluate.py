"""A job evaluated: every bench solved in order, each from its sheet and what stands before it."""

from enum import StrEnum
from typing import Final

from driveline.benches.brief.checks import mass_checks
from driveline.benches.brief.masses import solve_masses
from driveline.benches.brief.results import BriefResult
from driveline.benches.brief.solve import solve_brief
from driveline.benches.plate.results import PlateResult
from driveline.benches.plate.solve import PlateContext, solve_plate
from driveline.benches.ratios.gearing import peak_nm
from driveline.benches.ratios.line import Line
from driveline.benches.ratios.solve import RatiosResult, solve_ratios
from driveline.checks import Check, Result, Verdict, worst_first, worst_verdict
from driveline.gearing.brief import Brief
from driveline.gearing.chain import USUAL_EFFICIENCY, StageKind
from driveline.gearing.sheets import Box, Layout
from driveline.job.file import JobFile, Sheets
from driveline.joints.screws import Loads
from driveline.margins import Margins, missing_of
from driveline.shafts.coupler import DYNAMIC_FACTOR, CouplerStyle
from driveline.sheet import positive_of, value_of

BENCH_TITLES: Final = {"brief": "brief", "ratios": "gearing", "plate": "adapter plate"}


class Progress(StrEnum):
    """How far a bench has come."""

    NOTHING_YET = "nothing yet"
    MEASURED = "measured"
    DESIGNED = "designed"
    RELEASED = "released"
    PROVED = "proved"


class BenchState(Result):
    """A bench in the steps."""

    bench: str
    progress: Progress
    worst: Verdict | None  # None: it has no checks yet
    to_do: int


class JobResult(Result):
    """Everything that follows from a job's sheets."""

    brief: BriefResult
    ratios: RatiosResult
    plate: PlateResult
    line: Line | None
    checks: tuple[Check, ...]  # worst first
    worst: Verdict
    benches: tuple[BenchState, ...]


def evaluate(job: JobFile) -> JobResult:
    """Return everything that follows from a job.

    Args:
        job: Any job that its model accepts; what is missing leaves checks not known.

    Raises:
        ImpossibleInput: If a figure can't be a real part's, with the field to mend.
    """
    sheets = job.sheets
    margins = Margins(sheets.margins)
    wheel_centre_mm = positive_of(sheets.brief.tyre.loaded_radius)
    weights = solve_masses(sheets.masses, sheets.brief.vehicle, wheel_centre_mm)
    brief = solve_brief(sheets.brief, weights)
    ratios, line, ratio_checks = solve_ratios(sheets.ratios, sheets.brief, brief, weights, margins)
    plate, plate_checks = solve_plate(
        sheets.plate,
        PlateContext(
            job_name=job.name,
            coupler=sheets.ratios.coupler,
            motor=_motor_loads(sheets, brief),
            margins=margins,
            records=job.build,
        ),
    )
    plate_begun = bool(sheets.plate.survey.holes or sheets.plate.face.count or plate.parts)
    load_checks = mass_checks(sheets.masses, sheets.brief.vehicle, weights.result, margins)
    checks = worst_first((*load_checks, *ratio_checks, *(plate_checks if plate_begun else ())))
    return JobResult(
        brief=brief.result,
        ratios=ratios,
        plate=plate,
        line=line,
        checks=checks,
        worst=worst_verdict(checks),
        benches=_bench_states(sheets, brief.result, ratios, plate, checks),
    )


def _motor_loads(sheets: Sheets, brief: Brief) -> Loads:
    """What hangs on the plate and twists it: the motor, and a reduction between it and the kept gearbox."""
    factor = DYNAMIC_FACTOR[sheets.ratios.coupler or CouplerStyle.RIGID]
    motor_kg = value_of(sheets.brief.motor.mass)
    hung = _hung_reduction(sheets)
    if brief.motor is None:
        return Loads(motor_kg=motor_kg, torque_nm=None, missing=())
    peak, overrun = peak_nm(brief.motor) * factor, brief.overruns_nm[0]
    missing = missing_of({"Greatest overrun torque of the motor, 0 where there is none": overrun})
    if hung is None:
        return Loads(
            motor_kg=motor_kg, torque_nm=max(peak, overrun or 0.0) if overrun is not None else None, missing=missing
        )
    # Its casing takes what goes in and what comes out; turning the other way they add.
    against = 0.0 if hung.reverses is False else 1.0
    efficiency = hung.efficiency or USUAL_EFFICIENCY[StageKind.REDUCTION]
    driving = peak * (hung.ratio.value * efficiency + against)
    slowing = None if overrun is None else overrun * (hung.ratio.value / efficiency + against)
    box_kg = value_of(hung.mass)
    return Loads(
        motor_kg=None if motor_kg is None or box_kg is None else motor_kg + box_kg,
        torque_nm=None if slowing is None else max(driving, slowing),
        missing=missing,
        hung="" if box_kg is not None else f"Mass of the {hung.name}, which hangs on the plate",
    )


def _hung_reduction(sheets: Sheets) -> Box | None:
    """The reduction that was chosen ahead of a kept gearbox."""
    choice = sheets.ratios.choice
    if sheets.brief.layout is not Layout.KEPT_GEARBOX or choice is None or choice.reduction is None:
        return None
    for box in sheets.ratios.reductions:
        if choice.reduction == box.name or choice.reduction.startswith(f"{box.name} at "):
            return box
    return None


def _bench_states(
    sheets: Sheets, brief: BriefResult, ratios: RatiosResult, plate: PlateResult, checks: tuple[Check, ...]
) -> tuple[BenchState, ...]:
    begun = {
        "brief": sheets.brief != type(sheets.brief)(),
        "ratios": bool(ratios.candidates),
        "plate": bool(plate.survey.readings or plate.parts),
    }
    finished = {
        "brief": not brief.to_do,
        "ratios": ratios.chosen is not None,
        "plate": bool(plate.parts) and not plate.to_do,
    }
    to_do = {"brief": len(brief.to_do), "ratios": len(ratios.to_do), "plate": len(plate.to_do)}
    return tuple(
        BenchState(
            bench=bench,
            progress=_plate_progress(plate, finished[bench]) or _progress(begun[bench], finished[bench])
            if bench == "plate"
            else _progress(begun[bench], finished[bench]),
            worst=worst_verdict(own) if (own := [check for check in checks if check.bench == bench]) else None,
            to_do=to_do[bench],
        )
        for bench in BENCH_TITLES
    )


def _plate_progress(plate: PlateResult, finished: bool) -> Progress | None:
    """Released when every part stands as it was released, proved when each was accepted on delivery as well."""
    released = [part.released for part in plate.parts]
    if not finished or not all(one is not None and not one.differs for one in released):
        return None
    accepted = [
        bool(part.incoming) and part.incoming[0].accepted and part.incoming[0].letter == part.released.letter
        for part in plate.parts
        if part.released
    ]
    return Progress.PROVED if all(accepted) else Progress.RELEASED


def _progress(begun: bool, finished: bool) -> Progress:
    if not begun:
        return Progress.NOTHING_YET
    return Progress.DESIGNED if finished else Progress.MEASURED
