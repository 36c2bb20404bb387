"""How true the coupler runs, where it stands, and what that asks of its balance."""

from typing import Final

from driveline.benches.coupler.gaps import Apart
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.shaft_inputs import Sized
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import CouplerStyle, RunsOut
from driveline.shafts.hubs import balance_grade_mm_s
from driveline.sheet import positive_of, value_of
from driveline.working import Working, entered, entered_or_usual, step, worked

USUAL_GRADE_MM_S: Final = 16.0
SOURCE: Final = "ISO 21940-11, G = e ω; half of the total reading is taken as the eccentricity of its mass."


def runs_out_of(inputs: CouplerInputs, needs: CouplerNeeds, apart: Apart) -> RunsOut:
    """Return what the coupler and its shafts put off one axis by themselves, for the plate to count with its own."""
    sheet = inputs.sheet
    points = [(one.speed.rpm, min(one.share.value, 1.0)) for one in sheet.falls if one.speed and one.share]
    return RunsOut(
        runout_mm=inputs.runout_mm,
        face_runout_mm=value_of(sheet.face_runout),
        sweep_mm=positive_of(sheet.face_sweep),
        plays_mm=(inputs.motor_shaft.play_mm, inputs.gearbox_shaft.play_mm),
        middle_mm=_middle_mm(inputs, needs.style, apart),
        top_rpm=needs.greatest_rpm,
        falls=tuple(sorted(dict(points).items())),
    )


def _middle_mm(inputs: CouplerInputs, style: CouplerStyle | None, apart: Apart) -> float | None:
    """Where the coupler's middle stands from the motor's face, as it is chosen; ``None`` while that is not known."""
    hub, jaw = inputs.hub, inputs.jaw
    if style is CouplerStyle.FLEXIBLE:
        motor, box = inputs.motor_shaft.stands_out, inputs.gearbox_shaft.stands_out
        front, back = _sum((motor, 1), (jaw.motor_slide, 1)), _sum((box, -1), (jaw.gearbox_slide, -1))
        if front is None or back is None or apart.link is None:
            return None
        return (front + apart.link.length_mm + back) / 2
    if style is CouplerStyle.CLUTCH:
        return None if inputs.clutch.flywheel_out is None else inputs.clutch.flywheel_out.mm
    reach = ((hub.reach, 1),) if style is CouplerStyle.RIGID else ()
    return _sum((hub.to_face, 1), (hub.length, 1), *reach)


def _sum(*lengths: tuple[Sized | None, int]) -> float | None:
    found = [sign * one.mm for one, sign in lengths if one is not None]
    return sum(found) if len(found) == len(lengths) else None


def balance_check(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    """Return whether what turns is balanced as well as its speed asks."""
    tir_mm, rpm, stated = inputs.runout_mm, needs.greatest_rpm, inputs.sheet.grade_mm_s
    wanted = USUAL_GRADE_MM_S if stated is None else stated
    missing = missing_of(
        {
            "Total reading of a dial on the seated hub, turned by hand": tir_mm,
            "Top speed of the motor": rpm,
        }
    )
    grade = None
    if tir_mm is not None and rpm is not None:
        grade = balance_grade_mm_s(eccentric_mm=tir_mm / 2, rpm=rpm)
    usual = "" if stated is not None else ", as usual"
    says = wanted_words(missing)
    if grade is not None and rpm is not None:
        says = f"G{num(grade, '', 1)} at {fig(rpm, 'rpm', 0)}, of G{fig(wanted, '', 1)} wanted{usual}"
        if grade > wanted:
            says += f": it may read {fig(2 * wanted / (grade / ((tir_mm or 0.0) / 2)), 'mm', 3)} in all, or be balanced"

    def working() -> Working:
        if grade is None or tir_mm is None or rpm is None:
            return Working(source=SOURCE)
        read = entered("TIR", tir_mm, "mm", "coupler.runout")
        off = step("e", "TIR / 2", read, value=tir_mm / 2, unit="mm", decimals=3)
        field = "coupler.grade_mm_s"
        allowed = entered_or_usual("G_w", wanted, "mm/s", field, is_usual=stated is None)
        least = step("G_wanted", "G_w", allowed, value=wanted, unit="mm/s", decimals=1)
        spin = worked("n", rpm, "rpm", "motor's top speed")
        last = step("G", "e * 2 * pi * n", off, spin, value=grade, unit="mm/s", decimals=1)
        return Working(steps=(off, least, last), source=SOURCE)

    return judge.check(
        "clearance",
        key="coupler.balance",
        title="Balanced for its speed",
        demand=grade,
        capacity=wanted,
        unit="mm/s",
        says=says,
        missing=missing,
        inputs=("coupler.runout", "coupler.grade_mm_s"),
        station="coupler",
        working=working,
    )
