"""Whether the bolts of a landing plate may be tightened on what they go through: a hollow rail wants sleeves."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.sheet import Landing, Through
from driveline.benches.mounts.tube_checks import TIGHTENED, squeezed_steps
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.metal.bolts import bolt_class, thread
from driveline.metal.sleeves import tube_stress_mpa
from driveline.sheet import positive_of
from driveline.working import Working, step, tabled, worked

SLEEVES: Final = "Preload of 0.70 of proof and a quarter more, over the sleeve's section; yield of plain steel."
WORDS: Final = {
    Through.SOLID: "Nothing between its bolts' heads and nuts gives.",
    Through.HOLLOW: "Tightened, they draw the rail's walls together and are loose again: weld sleeves in.",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class _Pressed:
    proof_n: float
    preload_n: float
    stress_mpa: float


def crush_check(one: Loaded, judge: Judge) -> Check:
    """Return whether what a landing plate's bolts go through bears their preload."""
    landing, name = one.mount.sheet.bracket.landing, one.mount.sheet.name
    key, title = f"{one.key}.landing_crush", f"Bolts of {name}'s landing plate may be tightened"
    inputs = field_inputs(one, "bracket.landing")
    if landing.through is not Through.SLEEVES:
        return judge.answer(
            is_so=None if landing.through is None else landing.through is Through.SOLID,
            key=key,
            title=title,
            says="" if landing.through is None else WORDS[landing.through],
            missing=() if landing.through else (f"{name}: what the bolts of its landing plate go through",),
            inputs=inputs,
        )
    missing = _missing(landing, name)
    found = None if missing else _pressed(landing)
    return judge.check(
        "bracket_yield",
        key=key,
        title=title,
        demand=None if found is None else found.stress_mpa,
        capacity=STEEL.yield_mpa,
        unit="MPa",
        says="" if found is None else f"{fig(found.preload_n, 'N', 0)} on a sleeve, tightened to 0.70 of proof.",
        missing=missing,
        inputs=inputs,
        working=lambda: Working(source=SLEEVES) if found is None else _working(found, landing, one.mount.field),
    )


def _missing(landing: Landing, name: str) -> tuple[str, ...]:
    outside, inside = positive_of(landing.sleeve_outside), positive_of(landing.sleeve_inside)
    missing = missing_of(
        {
            f"{name}: thread of its landing plate's bolts": landing.thread,
            f"{name}: strength of its landing plate's bolts": landing.property_class,
            f"{name}: outside of the sleeves in its rail": outside,
            f"{name}: bore of the sleeves in its rail": inside,
        }
    )
    if outside is not None and inside is not None and inside >= outside:
        missing = (*missing, f"{name}: sleeves with a wall; their bore is no smaller than their outside")
    if inside is not None and landing.thread is not None and inside < thread(landing.thread).diameter_mm:
        missing = (*missing, f"{name}: sleeves that its bolts go through")
    return missing


def _pressed(landing: Landing) -> _Pressed | None:
    outside, inside = positive_of(landing.sleeve_outside), positive_of(landing.sleeve_inside)
    if landing.thread is None or landing.property_class is None or outside is None or inside is None:
        return None
    size = thread(landing.thread)
    proof = bolt_class(landing.property_class.words, size.diameter_mm).proof_mpa * size.stress_area_mm2
    preload = TIGHTENED * proof
    try:
        stress = tube_stress_mpa(force_n=preload, outside_mm=outside, inside_mm=inside)
    except ImpossibleInput:
        return None
    return _Pressed(proof_n=proof, preload_n=preload, stress_mpa=stress)


def _working(found: _Pressed, landing: Landing, field: str) -> Working:
    outside, inside = positive_of(landing.sleeve_outside) or 0.0, positive_of(landing.sleeve_inside) or 0.0
    preload = step(
        "F",
        "c * P",
        tabled("c", TIGHTENED, "", "greatest preload over proof"),
        worked("P", found.proof_n, "N", f"proof of {landing.thread}"),
        value=found.preload_n,
        unit="N",
    )
    fields = (f"{field}.bracket.landing.sleeve_outside", f"{field}.bracket.landing.sleeve_inside")
    area, stress = squeezed_steps(preload, (outside, inside), fields, stress_mpa=found.stress_mpa)
    return Working(steps=(preload, area, stress), source=SLEEVES)
