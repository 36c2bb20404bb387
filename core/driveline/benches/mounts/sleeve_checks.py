"""Whether the bolts of a landing plate may be tightened on what they go through: a hollow rail wants sleeves."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.mounts.bolts import landing_worked
from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.landings import landing_of
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.sheet import Landing, Through
from driveline.benches.mounts.tube_checks import squeezed_steps
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.joints.preload_sums import greatest_steps
from driveline.joints.screws import Worked
from driveline.margins import Judge, missing_of
from driveline.metal.bolts import thread
from driveline.metal.sleeves import tube_stress_mpa
from driveline.sheet import positive_of
from driveline.working import Working

SLEEVES: Final = "The greatest preload over the sleeve's section; yield of plain steel."
WORDS: Final = {
    Through.SOLID: "Nothing between its bolts' heads and nuts gives.",
    Through.HOLLOW: "Tightened, they draw the rail's walls together and are loose again: weld sleeves in.",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class _Pressed:
    screws: Worked
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
    found = _pressed(one)
    missing = _missing(landing, name)
    if not missing and found is None:
        missing = (f"{name}: how its landing plate's bolts are tightened",)
    return judge.check(
        "bracket_yield",
        key=key,
        title=title,
        demand=None if found is None else found.stress_mpa,
        capacity=STEEL.yield_mpa,
        unit="MPa",
        says="" if found is None else f"{fig(found.preload_n, 'N', 0)} on a sleeve at the most.",
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


def _pressed(one: Loaded) -> _Pressed | None:
    landing = one.mount.sheet.bracket.landing
    outside, inside = positive_of(landing.sleeve_outside), positive_of(landing.sleeve_inside)
    screws = landing_worked(one, landing_of(landing))
    if screws is None or screws.greatest_n is None or outside is None or inside is None:
        return None
    preload = screws.greatest_n
    try:
        stress = tube_stress_mpa(force_n=preload, outside_mm=outside, inside_mm=inside)
    except ImpossibleInput:
        return None
    return _Pressed(screws=screws, preload_n=preload, stress_mpa=stress)


def _working(found: _Pressed, landing: Landing, field: str) -> Working:
    outside, inside = positive_of(landing.sleeve_outside) or 0.0, positive_of(landing.sleeve_inside) or 0.0
    preload = greatest_steps(found.screws, found.preload_n)
    fields = (f"{field}.bracket.landing.sleeve_outside", f"{field}.bracket.landing.sleeve_inside")
    area, stress = squeezed_steps(preload[-1], (outside, inside), fields, stress_mpa=found.stress_mpa)
    return Working(steps=(*preload, area, stress), source=SLEEVES)
