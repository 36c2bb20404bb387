"""Which way things turn going forward, and the consequences of turning a motor or unit against its usual sense."""

import math
from typing import Final

from driveline.benches.ratios.gearing import Gearing
from driveline.benches.ratios.needs import RatiosNeeds
from driveline.benches.ratios.sheet import OilPump, RatiosSheet, UnitFacing
from driveline.checks import Check
from driveline.gearing.layouts import DIFFERENTIAL_IN_CASING, UNITS
from driveline.gearing.sheets import Layout, Rotation
from driveline.margins import Judge, missing_of, wanted_words
from driveline.working import Fact, Working

STANDS: Final = "How the unit stands: as made, or end for end"
INPUTS: Final = ("ratios.turning", "brief.motor.rotation", "ratios.reductions")


def turning_checks(one: Gearing, needs: RatiosNeeds, sheet: RatiosSheet, judge: Judge) -> list[Check]:
    """Which way the motor must turn to go forward, and the three consequences of turning it the other way."""
    is_usual = turns_as_usual(one, needs, sheet)
    is_unit, is_transaxle = needs.brief.layout in UNITS, needs.brief.layout is Layout.KEPT_TRANSAXLE
    has_gears = is_unit or one.pick.reduction is not None  # a bare motor minds neither way; a kept box turns as it did
    ask = _turning_missing(one, needs, sheet)
    checks = [_motor_way(one, is_usual, ask, judge, has_gears=has_gears)]
    station = "drive_unit" if is_unit else "gearbox" if is_transaxle else "reduction"
    if is_transaxle:
        as_it_did = kept_turns_as_it_did(sheet)
        checks.append(_kept_flanks(as_it_did, judge))
        pumped = as_it_did if not has_gears else _both(is_usual, as_it_did)
        checks.append(_oil_pump(sheet.turning.oil_pump, pumped, ask or (STANDS,), judge, station=station))
    elif has_gears:
        checks.append(_oil_pump(sheet.turning.oil_pump, is_usual, ask, judge, station=station))
    if (is_unit or is_transaxle) and sheet.turning.unit_facing is not UnitFacing.AS_MADE:
        checks.append(_oil_level(sheet, judge, station=station))
    return checks


def kept_turns_as_it_did(sheet: RatiosSheet) -> bool | None:
    """Say whether a kept transaxle's gears turn as they did: turned end for end they go the other way, forward."""
    facing = sheet.turning.unit_facing
    return None if facing is None else facing is not UnitFacing.END_FOR_END


def _both(first: bool | None, second: bool | None) -> bool | None:
    if first is False or second is False:
        return False
    return None if first is None or second is None else True


def _kept_flanks(as_it_did: bool | None, judge: Judge) -> Check:
    says = {
        True: "Going forward its gears turn as they did.",
        False: "Turned end for end its gears drive on their coast flanks going forward: its final drive counts as 80 % "
        "of its rating. Ask who made it, and move its crown wheel to the other side where that can be done.",
        None: wanted_words((STANDS,)),
    }[as_it_did]
    return judge.answer(
        is_so=None if as_it_did is None else True,
        has_catch=as_it_did is False,
        key="turning.kept_gears",
        title="Kept transaxle drives on the flanks it was made for",
        says=says,
        station="gearbox",
        missing=() if as_it_did is not None else (STANDS,),
        inputs=("ratios.turning",),
    )


def _motor_way(one: Gearing, is_usual: bool | None, ask: tuple[str, ...], judge: Judge, *, has_gears: bool) -> Check:
    says = {
        True: "Going forward it turns its usual way.",
        False: "Going forward it turns against its usual way.",
        None: wanted_words(ask),
    }[is_usual]
    if is_usual is False:
        says += " Set the controller's direction."
    if is_usual is False and has_gears:
        says += " Its gears drive on their coast flanks: ask the maker."
    return judge.answer(
        is_so=None if is_usual is None else True,
        has_catch=is_usual is False and has_gears,
        key="turning.motor",
        title="Motor turns the right way",
        says=says,
        station="motor",
        missing=ask,
        inputs=INPUTS,
        working=lambda: _turning_working(one),
    )


def _oil_pump(
    pump: OilPump | None, is_usual: bool | None, ask: tuple[str, ...], judge: Judge, *, station: str
) -> Check:
    is_one_way = pump is OilPump.ONE_WAY
    is_pumped = None if pump is None or (is_one_way and is_usual is None) else not is_one_way or bool(is_usual)
    missing = () if is_pumped is not None else ask if pump is not None else ("What lubricates the unit or reduction",)
    return judge.answer(
        is_so=is_pumped,
        key="turning.oil_pump",
        title="Oil is pumped going forward",
        says={
            None: "Say what lubricates it, and which way it turns.",
            True: "Its oil does not mind the way it turns.",
            False: "A one-way pump stops pumping. Turn the unit round, or fit a pump for reverse running.",
        }[is_pumped],
        station=station,
        missing=missing,
        inputs=INPUTS,
    )


def _oil_level(sheet: RatiosSheet, judge: Judge, *, station: str) -> Check:
    facing, checked = sheet.turning.unit_facing, sheet.turning.oil_checked
    return judge.answer(
        is_so=None if facing is None else checked,
        key="turning.oil_level",
        title="Oil level, pick-up and breather as it stands",
        says="Level, pick-up and breather suit the way it stands."
        if checked
        else "Turning or tilting a unit moves its oil. Check level, pick-up and breather as it stands.",
        station=station,
        missing=() if facing is not None and checked is not None else ("How the unit stands, and its oil checked so",),
        inputs=("ratios.turning",),
    )


def turns_as_usual(one: Gearing, needs: RatiosNeeds, sheet: RatiosSheet) -> bool | None:
    """Compare the sense that the kept parts ask for with the motor's own; a unit's own differential settles its own."""
    if _is_unit_with_differential(needs):
        facing = sheet.turning.unit_facing
        return None if facing is None else facing is not UnitFacing.END_FOR_END
    wanted, usual = kept_must_turn(needs, sheet), needs.usual_rotation
    sense = sense_to_kept(one)
    if wanted is None or usual is None or sense is None:
        return None
    return (wanted is usual) == (sense > 0)


def _is_unit_with_differential(needs: RatiosNeeds) -> bool:
    return needs.brief.layout in UNITS & DIFFERENTIAL_IN_CASING


def kept_must_turn(needs: RatiosNeeds, sheet: RatiosSheet) -> Rotation | None:
    """Return how the first kept shaft must turn, going forward; a transaxle turned end for end, the other way."""
    wanted = sheet.turning.kept_input
    if needs.brief.layout is not Layout.KEPT_TRANSAXLE or wanted is None:
        return wanted
    as_it_did = kept_turns_as_it_did(sheet)
    return None if as_it_did is None else wanted if as_it_did else other_way(wanted)


def other_way(way: Rotation) -> Rotation:
    """Return the other sense."""
    return Rotation.ANTICLOCKWISE if way is Rotation.CLOCKWISE else Rotation.CLOCKWISE


def sense_to_kept(one: Gearing) -> int | None:
    """Product of the senses between motor and the first kept part."""
    senses = [stage.sense for stage in one.lanes[0].chain.stages if stage.kind.value in ("reduction", "drive_unit")]
    known = [sense for sense in senses if sense is not None]
    return math.prod(known) if len(known) == len(senses) else None


def _turning_missing(one: Gearing, needs: RatiosNeeds, sheet: RatiosSheet) -> tuple[str, ...]:
    if _is_unit_with_differential(needs):
        return () if sheet.turning.unit_facing else (STANDS,)
    is_transaxle = needs.brief.layout is Layout.KEPT_TRANSAXLE
    return missing_of(
        {
            STANDS: sheet.turning.unit_facing is not None or not is_transaxle,
            "The motor's usual sense, seen from its output end": needs.usual_rotation,
            "Which way the kept shaft must turn, seen from the same end": sheet.turning.kept_input,
            "Whether the reduction reverses": sense_to_kept(one),
        }
    )


def _turning_working(one: Gearing) -> Working:
    words = {1: "keeps", -1: "reverses", None: "not known"}
    return Working(
        steps=tuple(
            Fact(stage.title, words[stage.sense])
            for stage in one.lanes[0].chain.stages
            if stage.kind.value in ("reduction", "drive_unit", "gearbox")
        ),
        source="Product of the stages' senses, all seen from the motor's output end. Engine books often look from the "
        "front of the engine: the other way round.",
        note="Driven backwards, helical gears load their coast flanks and a hypoid keeps 75 to 85 % of its rating.",
    )
