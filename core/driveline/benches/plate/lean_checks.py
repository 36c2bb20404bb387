"""Whether a build-up is stiff and strong."""

from driveline.benches.plate.bending import Bent
from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.lean_workings import lean_working, legs_working
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.preload_sums import BUMP_G
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import Forgives
from driveline.tables.materials import material


def lean_checks(inputs: PlateInputs, bent: Bent, coupler: Forgives | None, judge: Judge) -> tuple[Check, ...]:
    """Return whether the build-up is stiff and strong."""
    own = _lean(bent, coupler, judge)
    return (own, _legs(inputs, bent, judge)) if inputs.built.is_on_standoffs else (own,)


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
