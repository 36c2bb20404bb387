"""Everything that puts motor and gearbox off one line, in one sum, against what the coupler forgives at top speed."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats
from driveline.benches.plate.bending import Bent
from driveline.benches.plate.centre import Offset
from driveline.benches.plate.centre_workings import offset_steps
from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.lean_workings import drop_step, lean_steps
from driveline.benches.plate.needs import PlateNeeds
from driveline.benches.plate.results import BuildUpResult
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import RunsOut
from driveline.shafts.misalignment import (
    Budget,
    Points,
    holds_up_to_rpm,
    runout_angle_deg,
    share_left,
    usual_fall,
)
from driveline.working import Given, Step, Working, entered, entered_or_usual, step, tabled, worked

SOURCE = (
    "Offset/allowed + angle/allowed ≤ 1: half of every play, half the hub's runout, the plate's own, what leans and "
    "sinks. Allowances by the coupling's maker, else usual; they fall with speed as its maker says, or to half."
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Apart:
    """What of it is known: at best, while something is missing."""

    budget: Budget
    bent: Bent
    off: Offset
    tilt_deg: float | None  # of standoffs' ends
    faces_deg: float  # of faces out of parallel
    span_mm: float  # that these were measured over
    runs_out: RunsOut
    falls: Points
    falls_are_usual: bool
    share: float | None  # of the allowances, at top speed

    @property
    def used(self) -> float | None:
        """Part of the coupler's forgiveness that is used up at top speed."""
        return None if self.share is None else self.budget.used_at(self.share)


def misalignment_check(
    inputs: PlateInputs,
    bent: Bent,
    off: Offset,
    built: BuildUpResult,
    face_xy: Floats,
    needs: PlateNeeds,
    judge: Judge,
) -> Check:
    """Return whether all that puts both shafts off one line is forgiven at the motor's top speed."""
    runs = needs.runs_out
    span_mm = 2 * float(np.hypot(*face_xy.T).max()) if len(face_xy) else None
    missing = (*off.missing, *bent.missing, *_missing(inputs, built, span_mm, needs))
    found = None if runs is None or needs.coupler is None else _apart(inputs, bent, off, built, span_mm, needs, runs)
    used = None if found is None else found.used
    says = wanted_words(missing)
    if found is not None and used is not None:
        budget = found.budget
        words = (
            f"{fig(budget.parallel_mm, 'mm', 3)} and {fig(budget.whole_angle_deg, '°', 3)} use up "
            f"{fig(100 * used, '%', 0)} of what the coupler forgives at {fig(found.runs_out.top_rpm, 'rpm', 0)}"
        )
        if used > 1:
            holds_rpm = holds_up_to_rpm(found.falls, budget.used)
            words += f"; it holds up to {fig(holds_rpm, 'rpm', 0)}" if holds_rpm else "; not even standing still"
        says = f"{words}, at best. {says}" if missing else words
    return judge.check(
        "clearance",
        key="plate.misalignment",
        title="All misalignment together, at speed",
        demand=used,
        capacity=1.0,
        unit="of it",
        says=says,
        missing=missing,
        inputs=(
            *("plate.plate", "plate.build_up", "plate.face.overhang", "brief.motor.mass", "ratios.coupler"),
            *("coupler.runout", "coupler.face_runout", "coupler.falls", "coupler.motor_shaft.play"),
        ),
        working=lambda: Working(source=SOURCE) if found is None or used is None else _working(found, used),
    )


def _missing(inputs: PlateInputs, built: BuildUpResult, span_mm: float | None, needs: PlateNeeds) -> Iterator[str]:
    runs = needs.runs_out
    stated = runs is not None and bool(runs.falls)
    known = {
        "Coupler style, on the Ratios bench": needs.coupler,
        "Measured length of each standoff": built.tilt is not None or not inputs.built.is_on_standoffs,
        "How far the plate's faces are out of parallel, round its rim": inputs.plate.out_of_parallel_mm,
        "Where the motor's screws are": span_mm,
        "Total reading of a dial on the seated hub": runs and runs.runout_mm,
        "Total reading of a dial on the hub's face, and its diameter there": runs
        and runs.face_runout_mm is not None
        and runs.sweep_mm,
        "Play of the motor shaft's bearings, 0 for none": runs and runs.plays_mm[0],
        "Play of the gearbox shaft's bearings, 0 for none": runs and runs.plays_mm[1],
        "Where the coupler stands: its lengths": runs and runs.middle_mm,
        "Top speed of the motor": runs and runs.top_rpm,
        "What the coupling's maker forgives up to top speed": runs is None
        or not stated
        or runs.top_rpm is None
        or share_left(runs.falls, runs.top_rpm) is not None,
    }
    yield from missing_of(known)


def _apart(
    inputs: PlateInputs,
    bent: Bent,
    off: Offset,
    built: BuildUpResult,
    span_mm: float | None,
    needs: PlateNeeds,
    runs: RunsOut,
) -> Apart | None:
    if needs.coupler is None:
        return None
    faces_deg = 0.0
    if inputs.plate.out_of_parallel_mm is not None and span_mm:
        faces_deg = runout_angle_deg(total_mm=inputs.plate.out_of_parallel_mm, sweep_mm=span_mm)
    face_runout_deg = 0.0
    if runs.face_runout_mm is not None and runs.sweep_mm:
        face_runout_deg = runout_angle_deg(total_mm=runs.face_runout_mm, sweep_mm=runs.sweep_mm)
    tilt_deg = built.tilt.tilt_deg if built.tilt else None
    budget = Budget(
        plays_mm=(*off.plays_mm, *(play for play in runs.plays_mm if play is not None)),
        concentricity_mm=off.concentricity_mm,
        centre_u_mm=off.centre_u_mm,
        runout_mm=runs.runout_mm or 0.0,
        drop_mm=bent.drop_mm or 0.0,
        lean_deg=bent.lean_deg or 0.0,
        reach_mm=max(runs.middle_mm or 0.0, 0.0),
        angle_deg=faces_deg + (tilt_deg or 0.0),
        face_runout_deg=face_runout_deg,
        allowed_parallel_mm=needs.coupler.parallel_mm,
        allowed_angle_deg=needs.coupler.angle_deg,
    )
    falls = runs.falls or (usual_fall(runs.top_rpm) if runs.top_rpm else ())
    return Apart(
        budget=budget,
        bent=bent,
        off=off,
        tilt_deg=tilt_deg,
        faces_deg=faces_deg,
        span_mm=span_mm or 0.0,
        runs_out=runs,
        falls=falls,
        falls_are_usual=not runs.falls,
        share=None if runs.top_rpm is None else share_left(falls, runs.top_rpm),
    )


def _offset_steps(found: Apart) -> tuple[list[Step], list[Given | Step]]:
    """The sums ahead of the offset, and what it adds up from."""
    runs, budget = found.runs_out, found.budget
    own, sinks, leans = offset_steps(found.off), drop_step(found.bent), lean_steps(found.bent)
    parts: list[Given | Step] = [own[-1], *sinks[-1:]]
    steps: list[Step] = [*own, *sinks, *leans]
    if runs.runout_mm is not None:
        read = entered("TIR", runs.runout_mm, "mm", "coupler.runout")
        parts.append(step("e_hub", "TIR / 2", read, value=runs.runout_mm / 2, unit="mm", decimals=3))
    for name, field, play in zip(("e_m", "e_g"), ("motor", "gearbox"), runs.plays_mm, strict=True):
        if play:
            given = entered(f"P_{name[-1]}", play, "mm", f"coupler.{field}_shaft.play")
            parts.append(step(name, f"{given.name} / 2", given, value=play / 2, unit="mm", decimals=3))
    if budget.leans_mm and leans:
        reach = worked("l", budget.reach_mm, "mm", "from the motor's face to the coupler's middle")
        parts.append(step("e_lean", "tan(φ_all) * l", leans[-1], reach, value=budget.leans_mm, unit="mm", decimals=3))
    known = {one.symbol for one in steps}
    steps += [one for one in parts if isinstance(one, Step) and one.symbol not in known]
    return steps, parts


def _angle_steps(found: Apart) -> list[Given | Step]:
    runs = found.runs_out
    angles: list[Given | Step] = []
    if found.faces_deg:
        thick = worked("h", found.faces_deg, "°", "the plate's faces, over the motor's screws")
        angles.append(thick)
    if found.tilt_deg:
        angles.append(worked("φ_face", found.tilt_deg, "°", "the standoffs' ends, as measured"))
    if found.budget.face_runout_deg and runs.face_runout_mm and runs.sweep_mm:
        angles.append(
            step(
                "φ_hub",
                "atan(TIR_f / d_f)",
                entered("TIR_f", runs.face_runout_mm, "mm", "coupler.face_runout"),
                entered("d_f", runs.sweep_mm, "mm", "coupler.face_sweep"),
                value=found.budget.face_runout_deg,
                unit="°",
                decimals=3,
            )
        )
    return angles


def _working(found: Apart, used: float) -> Working:
    steps, parts = _offset_steps(found)
    angles = _angle_steps(found)
    steps += [one for one in angles if isinstance(one, Step)]
    leans = next((one for one in steps if one.symbol == "φ_all"), None)
    angles += [leans] if leans is not None else []
    budget, share = found.budget, found.share or 1.0
    total = _sum("e_sum", parts, budget.parallel_mm, "mm")
    turned = _sum("φ_sum", angles, budget.whole_angle_deg, "°")
    left = entered_or_usual("s", share, "", "coupler.falls", is_usual=found.falls_are_usual)
    last = step(
        "used",
        "(e_sum / e_max + φ_sum / φ_max) / s",
        total,
        tabled("e_max", budget.allowed_parallel_mm, "mm", "the coupler, standing still"),
        turned,
        tabled("φ_max", budget.allowed_angle_deg, "°", "the coupler, standing still"),
        left,
        value=used,
        decimals=2,
        words="at the motor's top speed",
    )
    note = "Its allowances are taken to fall to half at top speed, as usual." if found.falls_are_usual else ""
    return Working(steps=(*steps, total, turned, last), source=SOURCE, note=note)


def _sum(symbol: str, parts: list[Given | Step], value: float, unit: str) -> Step:
    names = [one.symbol if isinstance(one, Step) else one.name for one in parts]
    nothing = tabled("none", 0.0, unit, "nothing is counted")
    given = parts or [nothing]
    return step(symbol, " + ".join(names) or "none", *given, value=value, unit=unit, decimals=3)
