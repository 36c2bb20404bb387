"""The gaps at their extremes, the window for the faces, and their checks."""

import math
from dataclasses import dataclass, replace

from driveline.benches.coupler.axial import APART_NAME, AxialGap
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.results import WindowResult
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.fits.spacing import Window, window
from driveline.fits.stackup import Link, StackUp
from driveline.margins import Judge, wanted_words
from driveline.working import Given, Step, Working, step, worked

PLUS_MINUS = "What each length was measured with, or its ±"


@dataclass(frozen=True, slots=True, kw_only=True)
class Apart:
    """How far apart the faces stand: chosen here, else as the plate is laid out."""

    link: Link | None
    is_chosen: bool
    is_sure: bool


def apart_of(inputs: CouplerInputs, needs: CouplerNeeds) -> Apart:
    """Return the distance that the gaps are judged at: what is chosen goes before what was computed.

    A chosen one without limits of its own is held as closely as the plate's own lengths hold theirs.
    """
    chosen, plate = inputs.apart, needs.apart
    if chosen is not None:
        limits, is_sure = chosen.either_way_mm, chosen.either_way_mm is not None
        if limits is None and plate is not None:
            limits, is_sure = plate.worst_mm, plate.is_sure
        return Apart(link=Link(APART_NAME, chosen.mm, limits or 0.0), is_chosen=True, is_sure=is_sure)
    if plate is None:
        return Apart(link=None, is_chosen=False, is_sure=False)
    return Apart(link=Link(APART_NAME, plate.nominal_mm, plate.worst_mm), is_chosen=False, is_sure=plate.is_sure)


def stack_of(asked: AxialGap, apart: Apart) -> StackUp | None:
    """Return what a gap comes to; ``None`` while a length of it is not known."""
    if not asked.is_known or (asked.gap.sign and apart.link is None):
        return None
    return asked.gap.stack(apart.link)


def window_of(gaps: tuple[AxialGap, ...], apart: Apart, plate_mm: float | None = None) -> WindowResult | None:
    """Return how far apart the faces may stand; ``None`` while a gap that hangs on it is not known."""
    hanging = [one for one in gaps if one.gap.sign]
    if not hanging or any(not one.is_known for one in hanging):
        return None
    either_way_mm = apart.link.either_way_mm if apart.link else 0.0
    stated = [one.gap for one in hanging]
    worst = window(stated, either_way_mm=either_way_mm)
    likely = window(stated, either_way_mm=either_way_mm, is_statistical=True)
    titles = {one.gap.key: one.title for one in hanging}
    is_open = worst.is_open and worst.greatest_mm >= 0
    if is_open and worst.least_mm < 0:  # faces can't stand in one another
        worst = replace(worst, least_mm=0.0, least_by="")
    middle_mm = worst.middle_mm if is_open else None
    return WindowResult(
        least_mm=_finite(worst.least_mm),
        greatest_mm=_finite(worst.greatest_mm),
        least_by=titles.get(worst.least_by, ""),
        greatest_by=titles.get(worst.greatest_by, ""),
        is_open=is_open,
        middle_mm=middle_mm,
        likely_least_mm=_finite(max(likely.least_mm, 0.0) if is_open else likely.least_mm),
        likely_greatest_mm=_finite(likely.greatest_mm),
        tighten="" if is_open else _tighten(worst, hanging, apart),
        keeps_present=is_open
        and apart.link is not None
        and worst.least_mm <= apart.link.length_mm <= worst.greatest_mm,
        spacer_mm=None if middle_mm is None or plate_mm is None else middle_mm - plate_mm,
    )


def room_mm(gaps: tuple[AxialGap, ...], apart: Apart) -> float | None:
    """Return how far off a chosen distance the faces may stand, either way; ``None`` while a gap is not settled.

    Below nought where the gaps don't hold at the chosen distance itself.
    """
    hanging = [one for one in gaps if one.gap.sign]
    if apart.link is None or not hanging or any(one.missing or not one.is_sure for one in hanging):
        return None
    found, at_mm = window([one.gap for one in hanging], either_way_mm=0.0), apart.link.length_mm
    return min(at_mm - found.least_mm, found.greatest_mm - at_mm)


def _finite(value: float) -> float | None:
    return value if math.isfinite(value) else None


def _tighten(found: Window, hanging: list[AxialGap], apart: Apart) -> str:
    """The widest of the limits that close the window, and what it would have to come down to."""
    if found.is_open:
        short = fig(-found.greatest_mm, "mm", 2)
        return f"Even face to face it is {short} too short to reach: lengthen it, or slide a hub."
    own = {one.gap.key: one for one in hanging}
    links: dict[str, float] = {}
    for key in (found.least_by, found.greatest_by):
        for link in own[key].gap.links:
            links[link.name] = links.get(link.name, 0.0) + link.either_way_mm
    if apart.link:
        links[apart.link.name] = 2 * apart.link.either_way_mm
    name, spread_mm = max(links.items(), key=lambda one: one[1], default=("", 0.0))
    times = 2.0 if found.least_by == found.greatest_by or name == APART_NAME else 1.0
    room_mm = spread_mm + found.width_mm
    if room_mm <= 0:
        return "No single length taken better would do: the limits themselves leave no room."
    return f"Take {name} to ± {fig(room_mm / times, 'mm', 2)} and one distance does."


def gap_checks(gaps: tuple[AxialGap, ...], apart: Apart, judge: Judge) -> tuple[Check, ...]:
    """Return a check for each gap, at the extreme that is nearest to its limit."""
    return tuple(_check(one, apart, judge) for one in gaps)


def _missing(asked: AxialGap, apart: Apart) -> tuple[str, ...]:
    missing = list(asked.missing)
    if asked.gap.sign and apart.link is None:
        missing.append("How far apart the faces stand: choose it here, or give the plate's thickness")
    unsure = [] if asked.is_sure and (not asked.gap.sign or apart.link is None or apart.is_sure) else [PLUS_MINUS]
    return (*missing, *unsure)


def _check(asked: AxialGap, apart: Apart, judge: Judge) -> Check:
    stack, gap, missing = stack_of(asked, apart), asked.gap, _missing(asked, apart)
    demand = capacity = None
    says = wanted_words(missing)
    is_low = True
    if stack is not None:
        low, high = stack.nominal_mm - stack.worst_mm, stack.nominal_mm + stack.worst_mm
        is_low = _is_low_worse(low, high, gap.least_mm, gap.greatest_mm)
        demand, capacity = (gap.least_mm, low) if is_low else (high, gap.greatest_mm)
        if gap.least_mm < 0:  # about nought: how far off either way
            demand, capacity = max(-low, high), gap.greatest_mm
        found = f"{num(low, 'mm', 2)} to {fig(high, 'mm', 2)} at the extremes"
        found += f"; {_limit_words(gap.least_mm, gap.greatest_mm)}"
        says = f"{found}, at best. {says}" if missing else found
    return judge.check(
        "clearance",
        key=f"coupler.gap_{gap.key}",
        title=asked.title,
        demand=demand,
        capacity=capacity,
        unit="mm",
        says=says,
        missing=missing,
        inputs=(*asked.fields, *(("coupler.apart",) if gap.sign else ())),
        station="coupler",
        working=lambda: _working(asked, apart, stack, is_low=is_low),
    )


def _is_low_worse(low: float, high: float, least: float, greatest: float) -> bool:
    if math.isinf(greatest):
        return True
    return (low / least if least > 0 else low - least) <= (greatest / high if high > 0 else math.inf)


def _limit_words(least_mm: float, greatest_mm: float) -> str:
    if math.isinf(greatest_mm):
        return f"{num(least_mm, 'mm', 2)} at least"
    return f"{num(least_mm, 'mm', 2)} to {fig(greatest_mm, 'mm', 2)} wanted"


def _working(asked: AxialGap, apart: Apart, stack: StackUp | None, *, is_low: bool) -> Working:
    source = "Signed lengths from face to face, worst case: every limit against the gap at once (Σ|t|)."
    if stack is None:
        return Working(source=source)
    gap = asked.gap
    links = [*gap.links]
    if gap.sign and apart.link is not None:
        links.append(Link(apart.link.name, gap.sign * apart.link.length_mm, apart.link.either_way_mm))
    lengths = [worked(f"l_{k}", link.length_mm, "mm", link.name) for k, link in enumerate(links, start=1)]
    limits = [worked(f"t_{k}", link.either_way_mm, "mm", link.name) for k, link in enumerate(links, start=1)]
    total, spread = _sum("g", lengths, stack.nominal_mm), _sum("t", limits, stack.worst_mm)
    low = step("g_least", "g - t", total, spread, value=stack.nominal_mm - stack.worst_mm, unit="mm", decimals=2)
    high = step("g_most", "g + t", total, spread, value=stack.nominal_mm + stack.worst_mm, unit="mm", decimals=2)
    steps: list[Step] = [total, spread, low if is_low else high]
    if gap.least_mm < 0:
        off = step("e", "max(-g_least, g_most)", low, high, value=max(-low.value, high.value), unit="mm", decimals=2)
        steps = [total, spread, low, high, off]
    widest = max(zip(links, stack.shares, strict=True), key=lambda one: one[1], default=None)
    note = f"Most likely ± {fig(stack.likely_mm, 'mm', 2)}, were they independent and centred."
    if widest is not None and widest[1] > 0:
        note += f" {100 * widest[1]:.0f} % of that spread is {widest[0].name}."
    return Working(steps=tuple(steps), source=source, note=note)


def _sum(symbol: str, parts: list[Given], value_mm: float) -> Step:
    return step(symbol, " + ".join(one.name for one in parts) or "0", *parts, value=value_mm, unit="mm", decimals=2)


def window_check(found: WindowResult | None, gaps: tuple[AxialGap, ...], apart: Apart, judge: Judge) -> Check | None:
    """Return whether any distance between the faces keeps every gap; ``None`` where no gap hangs on it."""
    hanging = [one for one in gaps if one.gap.sign]
    if not hanging:
        return None
    is_sure = all(one.is_sure for one in hanging) and (apart.link is None or apart.is_sure)
    missing = tuple(dict.fromkeys(name for one in hanging for name in one.missing))
    missing += () if is_sure else (PLUS_MINUS,)
    says = wanted_words(missing)
    if found is not None:
        if found.is_open:
            says = f"the faces may stand {_end(found.least_mm)} to {_end(found.greatest_mm)} apart" + (
                f": {fig(found.middle_mm, 'mm', 2)} is the middle" if found.middle_mm is not None else ""
            )
            says += f", at best. {wanted_words(missing)}" if missing else ""
        else:
            says = f"No distance keeps every gap. {found.tighten}"
    return judge.answer(
        is_so=None if found is None else found.is_open,
        key="coupler.window",
        title="One distance keeps every gap",
        says=says,
        missing=missing,
        inputs=("coupler",),
        station="coupler",
    )


def _end(mm: float | None) -> str:
    return "any" if mm is None else fig(mm, "mm", 2)
