"""Whether the unit clears everything, goes in, turns the right way, and lets its joints run."""

from typing import Final

from driveline.benches.placement.gaps import (
    FAR_MM,
    GROUND,
    KIND_WORDS,
    Gap,
    ground_wanted_mm,
    kinds_missing,
    travel_known,
    unit_bodies_missing,
    wanted_mm,
)
from driveline.benches.placement.lay_out import LaidPlacement, VehicleThing
from driveline.benches.placement.needs import PlacementNeeds
from driveline.benches.placement.sheet import Nature, PlacementSheet
from driveline.benches.placement.stands import is_oiled
from driveline.benches.placement.way_in import WAY_IN_MM, WayIn
from driveline.benches.placement.workings import gap_working, lowest_working, points_working, way_in_working
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of, wanted_words
from driveline.sheet import positive_of
from driveline.space.neighbours import nearest_bodies
from driveline.space.pose import Placed
from driveline.space.tapes import GREATEST_W

TITLES: Final = {
    Nature.FIXED: "Clear of sheet and frame",
    Nature.HOT: "Clear of what is hot or moves",
    Nature.STEERING: "Clear of steering and brakes, at full lock and travel",
}


def gap_checks(sheet: PlacementSheet, laid: LaidPlacement, gaps: tuple[Gap, ...], judge: Judge) -> tuple[Check, ...]:
    """Return one check a kind of body, and one of the ground."""
    return (*(_kind(nature, sheet, laid, gaps, judge) for nature in Nature), _ground(sheet, laid, gaps, judge))


def _unit_missing(laid: LaidPlacement) -> tuple[str, ...]:
    """What of the unit and its stand is not known."""
    lacking = unit_bodies_missing(laid)
    if laid.chosen is None:
        return (*lacking, "How the unit stands: one of its ways, chosen")
    return (*lacking, *laid.chosen.missing)


def _may_be(other: VehicleThing, nature: Nature) -> bool:
    return other.sheet.nature in (nature, None)


def _kind(nature: Nature, sheet: PlacementSheet, laid: LaidPlacement, gaps: tuple[Gap, ...], judge: Judge) -> Check:
    bodies = [one for one in laid.in_the_way if _may_be(one, nature)]
    missing = [*_unit_missing(laid), *(name for one in bodies for name in one.built.missing)]
    missing += [f"{one.sheet.name}: what it is" for one in bodies if one.sheet.nature is None]
    missing += [
        f"{one.sheet.name}: how far it goes with the wheels"
        for one in bodies
        if nature is Nature.STEERING and not travel_known(one)
    ]
    if not any(one.sheet.nature is nature for one in laid.vehicle) and nature not in sheet.none_near:
        missing.append(KIND_WORDS[nature])
    tightest = min(
        (gap for gap in gaps if gap.other is not None and _may_be(gap.other, nature)),
        key=lambda gap: gap.least_mm,
        default=None,
    )
    wanted = wanted_mm(sheet, nature)
    says = wanted_words(tuple(missing))
    if tightest is not None and tightest.other is not None:
        says = _says(tightest, f"{tightest.unit.sheet.name} to {tightest.other.sheet.name}", says)
    elif not missing:
        says = f"Nothing of that kind within {fig(wanted + FAR_MM, 'mm', 0)} of it."
    far_mm = None if missing else wanted + FAR_MM
    return judge.check(
        "clearance",
        key=f"placement.gap_{nature.value}",
        title=TITLES[nature],
        demand=wanted,
        capacity=tightest.least_mm if tightest is not None else far_mm,
        unit="mm",
        says=says,
        missing=tuple(missing),
        inputs=(
            tightest.other.field if tightest and tightest.other else "placement.bodies",
            laid.chosen.field if laid.chosen else "placement.stands",
            "placement.unit",
        ),
        working=lambda: gap_working(tightest, sheet, wanted),
    )


def _says(gap: Gap, pair: str, wanted: str) -> str:
    """The gap in words; with figures still missing, the best that it can be."""
    if gap.gap_mm < 0:
        found = f"{pair} overlap by {fig(-gap.gap_mm, 'mm', 1)}."
    else:
        found = f"{pair}: {fig(gap.gap_mm, 'mm', 1)}, {fig(gap.least_mm, 'mm', 1)} when the mounts give."
    return f"{found} {wanted}".strip()


def _ground(sheet: PlacementSheet, laid: LaidPlacement, gaps: tuple[Gap, ...], judge: Judge) -> Check:
    lowest = next((gap for gap in gaps if gap.nature == GROUND), None)
    missing = _unit_missing(laid)
    wanted = ground_wanted_mm(sheet)
    says = wanted_words(missing)
    if lowest is not None:
        found = f"{lowest.unit.sheet.name} {fig(lowest.gap_mm, 'mm', 0)} above the ground at ride height"
        says = f"{found}, {fig(lowest.least_mm, 'mm', 0)} when the mounts give. {says}".strip()
    return judge.check(
        "clearance",
        key="placement.gap_ground",
        title="Ground clearance",
        demand=wanted,
        capacity=lowest.least_mm if lowest else None,
        unit="mm",
        says=says,
        missing=missing,
        inputs=(laid.chosen.field if laid.chosen else "placement.stands", "placement.unit", "placement.clearance_was"),
        working=lambda: lowest_working(lowest, sheet),
    )


def keep_clear_check(sheet: PlacementSheet, laid: LaidPlacement, placed: Placed | None, judge: Judge) -> Check:
    """Return whether filler, drain and terminals stay within reach."""
    rooms = [one for one in laid.unit_on if one.sheet.keeps_clear]
    missing = [*(name for one in rooms for name in one.built.missing)]
    missing += [] if rooms else ["What of the unit must stay within reach: filler, drain, terminals"]
    missing += [] if laid.chosen is None else laid.chosen.missing
    if laid.chosen is None:
        missing.append("How the unit stands: one of its ways, chosen")
    missing += [*(name for one in laid.in_the_way for name in one.built.missing), *kinds_missing(sheet, laid)]
    covered = [
        f"{room.sheet.name} by {other.sheet.name}"
        for room in rooms
        for other in laid.in_the_way
        if placed is not None and room.built.body is not None and other.built.body is not None
        if nearest_bodies(room.built.body.moved(placed), other.built.body, within_mm=0.0) is not None
    ]
    is_so: bool | None = False if covered else None if missing else True
    return judge.answer(
        is_so=is_so,
        key="placement.keep_clear",
        title="Filler, drain and terminals within reach",
        says=f"Covered: {', '.join(covered)}." if covered else "" if missing else "Nothing stands in their room.",
        missing=tuple(missing),
        inputs=("placement.unit.bodies", "placement.bodies"),
    )


def way_in_check(sheet: PlacementSheet, way: WayIn, judge: Judge) -> Check:
    """Return whether the unit goes in by its moves."""
    wanted = positive_of(sheet.wanted.way_in) or WAY_IN_MM
    missing, says = way.missing, wanted_words(way.missing)
    contact = next((one for one in way.steps if one.contact_at is not None), None)
    near = [one for one in way.steps if one.near is not None]
    tightest = contact or min(near, key=lambda one: one.near.gap_mm - one.sure_mm if one.near else 0.0, default=None)
    capacity = None
    if contact is not None:
        capacity = 0.0
        says = f"Move {contact.step}: {contact.part} meets {contact.to}. {says}".strip()
    elif tightest is not None and tightest.near is not None:
        capacity = tightest.near.gap_mm - tightest.sure_mm
        found = f"Move {tightest.step}: {tightest.part} passes {tightest.to} by {fig(capacity, 'mm', 1)}"
        says = f"{found}. {says}".strip()
    elif way.steps and not missing:
        capacity, says = 100.0, f"Nothing within {fig(100.0, 'mm', 0)} on the way."
    return judge.check(
        "clearance",
        key="placement.way_in",
        title="It goes in",
        demand=wanted,
        capacity=capacity,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("placement.way_in", "placement.bodies", "placement.unit"),
        working=lambda: way_in_working(tightest, capacity),
    )


def turning_check(laid: LaidPlacement, needs: PlacementNeeds, usual: bool | None, judge: Judge) -> Check | None:
    """Return whether the gearing counts with the unit as it stands; none for a unit that drives no wheels itself."""
    if not needs.has_outputs:
        return None
    missing = missing_of(
        {
            "How the unit stands: one of its ways, chosen": laid.chosen,
            "Which way its outputs turn, as made": True if usual is not None else None,
            "How the gearing counts it: as made, or end for end": True if needs.faces_end_for_end is not None else None,
        }
    )
    agrees = None if missing or usual is None else usual is not needs.faces_end_for_end
    says = ""
    if agrees is not None:
        turns = "its usual way" if usual else "against its usual way"
        says = f"Going forward the motor turns {turns}" + (
            ", as the gearing counts it." if agrees else ": the gearing counts it the other way. Set it under Ratios."
        )
    return judge.answer(
        is_so=agrees,
        key="placement.turning",
        title="Turns as the gearing counts it",
        says=says,
        missing=missing,
        inputs=("placement.unit.turns", "placement.stands", "ratios.turning.unit_facing"),
    )


def oil_check(laid: LaidPlacement, needs: PlacementNeeds, usual: bool | None, judge: Judge) -> Check | None:
    """Return whether its pump pumps as it stands; none for a unit that drives no wheels itself."""
    if not needs.has_outputs:
        return None
    pumped = is_oiled(usual, needs)
    missing = missing_of(
        {
            "How the unit stands: one of its ways, chosen": laid.chosen,
            "What lubricates it, under Ratios": True if needs.pump_is_one_way is not None else None,
            "Which way its outputs turn, as made": True if pumped is not None else None,
        }
    )
    return judge.answer(
        is_so=None if missing else pumped,
        key="placement.oil_pump",
        title="Oil is pumped as it stands",
        says=""
        if missing
        else "Its oil is pumped going forward."
        if pumped
        else "A one-way pump stops pumping so. Turn it the other way round, or fit a pump for reverse running.",
        missing=missing,
        inputs=("placement.stands", "placement.unit.turns", "ratios.turning.oil_pump"),
    )


def displaced_check(sheet: PlacementSheet, judge: Judge) -> Check:
    """Return whether what the swap displaces is settled."""
    asked = {
        "Steering column and rack": sheet.displaced.column,
        "Selector and its linkage": sheet.displaced.selector,
        "Pedals, servo and their pipes": sheet.displaced.pedals,
        "Track and overall width": sheet.displaced.width,
    }
    open_ones = [name for name, settled in asked.items() if settled is False]
    missing = tuple(name for name, settled in asked.items() if settled is None)
    is_so: bool | None = False if open_ones else None if missing else True
    return judge.answer(
        is_so=is_so,
        key="placement.displaced",
        title="What the swap displaces is settled",
        says=f"Not settled: {', '.join(one[0].lower() + one[1:] for one in open_ones)}." if open_ones else "",
        missing=missing,
        inputs=("placement.displaced",),
    )


def points_check(laid: LaidPlacement, judge: Judge) -> Check | None:
    """Return whether tapes and coordinates agree; none where no tapes were taken."""
    found = laid.points
    if not found.fits or found.chi_square_limit is None:
        return None
    wrong = ""
    if found.wrong is not None:
        way = "long" if found.wrong_by_mm > 0 else "short"
        wrong = f" {found.wrong} reads {fig(abs(found.wrong_by_mm), 'mm', 0)} {way}, say the others."
    worst, spread = found.worst_w, found.chi_square / found.chi_square_limit
    return judge.check(
        "readings_agree",
        key="placement.points",
        title="Tapes agree",
        demand=max(worst / GREATEST_W, spread) if found.settled else None,
        capacity=1.0,
        unit="of the limit",
        says=f"Misfit {found.chi_square:.1f}, up to {found.chi_square_limit:.1f} is chance.{wrong}",
        missing=() if found.settled else ("Points that settle: measure again what looks wrong",),
        inputs=("placement.tapes", "placement.points"),
        working=lambda: points_working(found),
    )
