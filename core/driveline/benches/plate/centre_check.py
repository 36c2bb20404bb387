"""Whether motor and gearbox stand on one axis as closely as the coupler asks."""

from driveline.benches.plate.centre import Offset, fit_play_mm
from driveline.benches.plate.centre_workings import on_centre_working
from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.sheet import Locating
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.sheet import RegisterFit
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import Forgives


def on_centre_check(inputs: PlateInputs, off: Offset, coupler: Forgives | None, judge: Judge) -> Check:
    """Return whether motor and gearbox stand on one axis as closely as the coupler asks."""
    allowed = coupler.parallel_mm if coupler else None
    missing = (*missing_of({"Coupler style, on the Ratios bench": coupler}), *off.missing)
    says = wanted_words(missing)
    if allowed is not None:
        found = f"{num(off.total_mm, 'mm', 3)} of {fig(allowed, 'mm', 2)} that the coupler allows"
        says = f"{found}, at best. {says}" if missing else found
        if off.total_mm > allowed and inputs.plate.locating is not Locating.DOWELS:
            says += f"; {_closer_words(inputs, allowed)}"
    return judge.check(
        "clearance",
        key="plate.on_centre",
        title="Motor and gearbox on one axis",
        demand=off.total_mm,
        capacity=allowed,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.plate", "plate.survey.readings", "ratios.coupler", "coupler.allowed_parallel"),
        working=lambda: on_centre_working(off, inputs.span.warmer_k),
    )


def _closer_words(inputs: PlateInputs, allowed_mm: float) -> str:
    """What to do when play eats the allowance: the widest fit that would do for the registers, or dowels."""
    for one in RegisterFit:
        plays = [
            fit_play_mm(inputs.plate.made_of, register.size_mm, one, inputs.span.warmer_k)
            for register in inputs.plate.registers
        ]
        known = [play for play in plays if play is not None]
        if known and len(known) == len(plays) and sum(known) / 2 < allowed_mm / 2:
            return f"fit the registers {one.value}, or ream dowels after indicating"
    return "ream dowels after indicating, or fit the register closer"
