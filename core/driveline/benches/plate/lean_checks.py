"""Whether a build-up is stiff and strong, and what coupler and offset say to its lean."""

from driveline.benches.plate.bending import Bent
from driveline.benches.plate.centre import Offset
from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.lean_workings import lean_working, legs_working, together_working
from driveline.benches.plate.results import BuildUpResult
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.preload_sums import BUMP_G
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import Forgives
from driveline.shafts.misalignment import Budget
from driveline.tables.materials import material


def lean_checks(
    inputs: PlateInputs,
    bent: Bent,
    off: Offset,
    built: BuildUpResult,
    coupler: Forgives | None,
    judge: Judge,
) -> tuple[Check, ...]:
    """Return whether the build-up is stiff and strong, and whether offset and angle together suit the coupler."""
    checks = [_lean(bent, coupler, judge), _together(inputs, bent, off, built, coupler, judge)]
    return (*checks, _legs(inputs, bent, judge)) if inputs.built.is_on_standoffs else tuple(checks)


def _lean(bent: Bent, coupler: Forgives | None, judge: Judge) -> Check:
    allowed = coupler.angle_deg if coupler else None
    missing = (*missing_of({"Coupler style, on the Ratios bench": allowed}), *bent.missing)
    lean, says = bent.lean_deg, wanted_words(missing)
    if lean is not None and allowed:
        says = (
            f"leans {fig(lean, '°', 3)} standing still, {fig(BUMP_G * lean, '°', 3)} in a 3 g bump, "
            f"of {fig(allowed, '°')} allowed"
        )
    return judge.check(
        "clearance",
        key="plate.lean",
        title="Plate stiff under the overhung motor",
        demand=lean,
        capacity=allowed,
        unit="°",
        says=says,
        missing=missing,
        inputs=("plate.plate.thickness", "plate.plate.made_of", "plate.face.overhang", "brief.motor.mass"),
        working=lambda: lean_working(bent),
    )


def _together(
    inputs: PlateInputs,
    bent: Bent,
    off: Offset,
    built: BuildUpResult,
    coupler: Forgives | None,
    judge: Judge,
) -> Check:
    """A coupler that is both offset and at an angle has less of either: parallel/allowed + angle/allowed ≤ 1."""
    parallel, angle = (coupler.parallel_mm, coupler.angle_deg) if coupler else (None, None)
    tilt_deg = built.tilt.tilt_deg if built.tilt else 0.0
    is_tilt_known = built.tilt is not None or not inputs.built.is_on_standoffs
    missing = (
        *missing_of({"Coupler style, on the Ratios bench": coupler}),
        *off.missing,
        *bent.missing,
        *missing_of({"Measured length of each standoff": is_tilt_known}),
    )
    offset_mm, leans_deg = off.total_mm + (bent.drop_mm or 0.0), tilt_deg + (bent.lean_deg or 0.0)
    used = None
    if parallel is not None and angle is not None:
        used = Budget(
            plays_mm=(2 * off.play_mm,),
            concentricity_mm=off.concentricity_mm,
            centre_u_mm=off.centre_u_mm,
            drop_mm=bent.drop_mm or 0.0,
            angle_deg=leans_deg,
            allowed_parallel_mm=parallel,
            allowed_angle_deg=angle,
        ).used
    says = wanted_words(missing)
    if used is not None:
        found = (
            f"{fig(offset_mm, 'mm', 3)} and {fig(leans_deg, '°', 3)} use up {fig(100 * used, '%', 0)} "
            "of what the coupler forgives"
        )
        says = f"{found}, at best. {says}" if missing else found
    return judge.check(
        "clearance",
        key="plate.misalignment",
        title="Offset and angle together",
        demand=used,
        capacity=1.0,
        unit="of it",
        says=says,
        missing=missing,
        inputs=("plate.plate", "plate.build_up", "plate.face.overhang", "brief.motor.mass", "ratios.coupler"),
        working=lambda: together_working(off, bent, built.tilt, used, parallel_mm=parallel, angle_deg=angle),
    )


def _legs(inputs: PlateInputs, bent: Bent, judge: Judge) -> Check:
    legs = inputs.built.legs
    yield_mpa = material(legs.made_of).yield_mpa if legs.made_of else None
    missing = (*bent.missing, *missing_of({"What the standoffs are made of": yield_mpa}))
    says = wanted_words(missing)
    if bent.legs_mpa is not None and yield_mpa is not None:
        says = f"{fig(bent.legs_mpa, 'MPa', 0)} in a 3 g bump, on legs that give at {num(yield_mpa, 'MPa')}"
        says += f"; they sink {fig(bent.drop_mm, 'mm', 3)}"
    return judge.check(
        "bracket_yield",
        key="plate.standoff_legs",
        title="Standoffs strong enough",
        demand=bent.legs_mpa,
        capacity=yield_mpa,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=("plate.build_up.standoffs", "plate.face.overhang", "brief.motor.mass"),
        working=lambda: legs_working(bent),
    )
