"""Whether enough is left between the holes of a part."""

from collections.abc import Sequence
from typing import Final

from driveline.checks import Check
from driveline.figures import fig, num
from driveline.flat.holes import LEAST_LIGAMENT_MM, OWN_WALL_MM, Ligament
from driveline.margins import Judge, wanted_words
from driveline.working import Step, Working, step, worked

OWNERS: Final = {"motor": "motor's own", "flange": "gearbox's own"}


def ligament_check(
    ligaments: Sequence[Ligament],
    judge: Judge,
    *,
    key: str,
    title: str,
    missing: tuple[str, ...],
    inputs: tuple[str, ...],
) -> Check:
    """Return whether enough is left between the holes that are drawn; at best, while some are missing.

    Args:
        ligaments: The least share of what is wanted first.
        judge: Of the bench.
        key: Of the check.
        title: Of the check.
        missing: What of the holes is not known yet.
        inputs: Fields that they hang on.
    """
    least = ligaments[0] if ligaments else None
    missing = missing or (() if least else ("Holes to measure between",))
    says = wanted_words(missing)
    if least:
        pair = " and ".join(least.between)
        drawn = f"{fig(least.left_mm, 'mm', 1)} between {pair}; {num(least.wanted_mm, 'mm', 1)} wanted"
        if least.owner:
            drawn += f", for both are the {OWNERS[least.owner]}: a smaller clearance hole is all that helps"
        says = f"{drawn}, of what is drawn. {says}" if missing else drawn
    return judge.check(
        "clearance",
        key=key,
        title=title,
        demand=None if least is None else least.wanted_mm,
        capacity=None if least is None else max(least.left_mm, 0.0),
        unit="mm",
        says=says,
        missing=missing,
        inputs=inputs,
        working=lambda: ligament_working(least),
    )


def ligament_working(least: Ligament | None) -> Working:
    """Return what is left between the two holes that are nearest for their size."""
    steps: tuple[Step, ...] = ()
    if least is not None:
        one, other = (
            worked(f"d_{k}", mm, "mm", f"hole {name}, as drawn")
            for k, (name, mm) in enumerate(zip(least.between, least.sizes_mm, strict=True), start=1)
        )
        apart = worked("a", least.apart_mm, "mm", f"{least.between[0]} to {least.between[1]}, centres")
        left = max(least.left_mm, 0.0)
        steps = (step("b", "max(a - (d_1 + d_2) / 2, 0)", apart, one, other, value=left, unit="mm", decimals=2),)
    return Working(
        steps=steps,
        source=f"Wanted: 1.0 × the larger hole, at least {fig(LEAST_LIGAMENT_MM, 'mm')}; counterbores count as holes, "
        f"a bore as no more than twice the hole beside it. {fig(OWN_WALL_MM, 'mm')} do between a face's register "
        "and its own holes: that shape is given.",
    )
