"""What the motor and all that hangs on it put on what holds them: the twist of its casing, and mass."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.ratios.gearing import peak_nm
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.gearing.brief import Brief
from driveline.gearing.chain import USUAL_EFFICIENCY, StageKind
from driveline.gearing.layouts import KEPT_BOX
from driveline.gearing.sheets import Box, Layout
from driveline.margins import missing_of
from driveline.shafts.coupler import DYNAMIC_FACTOR, CouplerStyle
from driveline.sheet import value_of

UNCHOSEN: Final = "A gearing that is chosen: whether a reduction hangs on the plate"


@dataclass(frozen=True, slots=True, kw_only=True)
class Casing:
    """The casing's torque: what goes in and what comes out of it; turning the other way they add."""

    torque_nm: float | None  # peak × dynamic factor, or overrun where that is more
    missing: tuple[str, ...]  # what keeps it from being known
    driving: float  # casing torque over motor torque
    overrun: float
    hangs_reduction: bool
    hung_kg: float | None  # of a reduction that hangs on the plate; 0 where none does
    hung: str  # what keeps that from being known


def casing_of(sheet: RatiosSheet, brief: Brief) -> Casing:
    """Return what the casing of the motor, and of a reduction between it and the kept gearbox, puts on its plate."""
    hung, is_settled = _hung_reduction(sheet, brief.layout), _is_settled(sheet, brief.layout)
    factor = DYNAMIC_FACTOR[sheet.coupler or CouplerStyle.RIGID]
    driving = overrun = 1.0
    hung_kg: float | None = 0.0
    if hung is not None:
        against = 0.0 if hung.reverses is False else 1.0
        efficiency = hung.efficiency or USUAL_EFFICIENCY[StageKind.REDUCTION]
        driving = hung.ratio.value * efficiency + against
        overrun = hung.ratio.value / efficiency + against
        hung_kg = value_of(hung.mass)
    peak = None if brief.motor is None else peak_nm(brief.motor) * factor
    slowing = brief.overruns_nm[0]
    return Casing(
        torque_nm=None if peak is None or slowing is None or not is_settled else max(peak * driving, slowing * overrun),
        missing=missing_of(
            {"Greatest overrun torque of the motor, 0 where there is none": slowing, UNCHOSEN: is_settled}
        )
        if peak
        else (),
        driving=driving,
        overrun=overrun,
        hangs_reduction=hung is not None,
        hung_kg=hung_kg if is_settled else None,
        hung=f"Mass of the {hung.name}, which hangs on the plate"
        if hung is not None and hung_kg is None
        else ""
        if is_settled
        else UNCHOSEN,
    )


def _is_settled(sheet: RatiosSheet, layout: Layout) -> bool:
    """Whether it is known what hangs between motor and kept gearbox: a gearing is chosen, of parts that are listed."""
    if layout not in KEPT_BOX:
        return True
    return sheet.choice is not None and (sheet.choice.reduction is None or _hung_reduction(sheet, layout) is not None)


def _hung_reduction(sheet: RatiosSheet, layout: Layout) -> Box | None:
    """The reduction that was chosen ahead of a kept gearbox."""
    choice = sheet.choice
    if layout not in KEPT_BOX or choice is None or choice.reduction is None:
        return None
    for box in sheet.reductions:
        if choice.reduction == box.name or choice.reduction.startswith(f"{box.name} at "):
            return box
    return None
