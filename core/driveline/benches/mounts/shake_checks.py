"""Whether the unit shakes slowly enough on its mounts, and out of step with the wheels."""

from collections.abc import Iterator

from driveline.benches.mounts.carried import Solved
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.sheet import MountsSheet
from driveline.benches.mounts.workings import mode_working
from driveline.checks import Check
from driveline.figures import fig
from driveline.held.modes import LEAST_HZ, WHEEL_HOP_HZ
from driveline.margins import Judge
from driveline.working import fixed_working


def springs_missing(needs: MountsNeeds, solved: Solved) -> tuple[str, ...]:
    """Return what keeps it from being known how the unit stands on its mounts, whatever loads it."""
    unit = needs.unit
    missing = [name for one in solved.mounts for name in one.missing]
    if not solved.mounts:
        missing.append("Where the unit is held: its mounts")
    missing += unit.subframe_missing
    if unit.mass_kg is None and not unit.subframe_missing:
        missing.append("The unit's mass")
    if unit.cg_mm is None:
        missing.append("The unit's centre of gravity")
    if solved.free:
        missing.append("Mounts that hold it all ways")
    return tuple(dict.fromkeys(missing))


def shake_checks(sheet: MountsSheet, needs: MountsNeeds, solved: Solved, judge: Judge) -> Iterator[Check]:
    """Return the checks of how it shakes."""
    yield _slowest(sheet, needs, solved, judge)
    yield _hop(solved, needs, judge)


def _modes_missing(needs: MountsNeeds, solved: Solved) -> tuple[str, ...]:
    if solved.modes:
        return needs.unit.missing if solved.inertia_is_estimated else ()
    lacking = springs_missing(needs, solved)
    if needs.unit.inertia_kgm2 is None or not lacking:
        return (*lacking, "The unit's moments of inertia, or its envelope")
    return lacking


def _slowest(sheet: MountsSheet, needs: MountsNeeds, solved: Solved, judge: Judge) -> Check:
    mode = solved.modes[0] if solved.modes else None
    return judge.check(
        "natural_frequency",
        key="mounts.slowest",
        title="Shakes no slower than is wanted",
        demand=LEAST_HZ,
        capacity=None if mode is None else mode.frequency_hz,
        unit="Hz",
        says="" if mode is None else f"{fig(mode.frequency_hz, 'Hz', 1)}, {mode.name}.",
        missing=_modes_missing(needs, solved),
        inputs=("mounts.mounts", "mounts.dynamic"),
        working=lambda: mode_working(mode, sheet),
    )


def _hop(solved: Solved, needs: MountsNeeds, judge: Judge) -> Check:
    hopping = [one for one in solved.modes if one.hops]
    low, high = WHEEL_HOP_HZ
    says = ""
    if hopping:
        found = ", ".join(f"{one.name} at {fig(one.frequency_hz, 'Hz', 1)}" for one in hopping)
        says = f"Where wheels hop, {fig(low, 'Hz', 0)} to {fig(high, 'Hz', 0)}: {found}."
    elif solved.modes:
        says = f"None from {fig(low, 'Hz', 0)} to {fig(high, 'Hz', 0)}."
    return judge.answer(
        is_so=None if _modes_missing(needs, solved) else True,
        has_catch=bool(hopping),
        key="mounts.hop",
        title="Does not shake where wheels hop",
        says=says,
        missing=_modes_missing(needs, solved),
        inputs=("mounts.mounts",),
        working=fixed_working("Six natural frequencies against the band in which wheels hop."),
    )
