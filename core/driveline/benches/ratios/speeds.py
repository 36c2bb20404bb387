"""What turns too fast: boxes at what the motor can do, shafts at the wanted road speed, the motor on a downshift."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from driveline.benches.ratios.gearing import Gearing, Lane, stage_word
from driveline.benches.ratios.lanes import SHAFT_SPEED_SHARE
from driveline.benches.ratios.workings import box_speed_working, downshift_working, shaft_speed_working
from driveline.checks import Check, worst_first
from driveline.figures import fig, num
from driveline.gearing.brief import BOTH_VOLTAGES, Brief
from driveline.gearing.chain import Stage, StageKind
from driveline.gearing.road import KMH_PER_MS
from driveline.margins import Judge, MarginKind, missing_of, wanted_words

BOXES: Final = (StageKind.REDUCTION, StageKind.DRIVE_UNIT, StageKind.GEARBOX)


@dataclass(frozen=True, slots=True, kw_only=True)
class _Limit:
    """What a shaft that turns with the wheels may turn at most."""

    kind: MarginKind
    key: str
    title: str
    field: str  # of the stage
    words: str
    source: str


LIMITS: Final = {
    StageKind.FINAL_DRIVE: (
        _Limit(
            kind="maker_rating",
            key="final_drive.speed",
            title="Final drive input speed",
            field="greatest_input_rpm",
            words="greatest input speed of the final drive",
            source="Maker's limit at its input.",
        ),
    ),
    StageKind.PROPSHAFT: (
        _Limit(
            kind="shaft_speed",
            key="propshaft.speed",
            title="Propshaft against its critical speed",
            field="critical_rpm",
            words="critical speed",
            source=f"Run a propshaft at {SHAFT_SPEED_SHARE:.2f} of its critical speed or less.",
        ),
        _Limit(
            kind="maker_rating",
            key="propshaft.joint_speed",
            title="Propshaft joints' speed",
            field="joint_rpm",
            words="greatest speed of its joints",
            source="Maker's limit of the joints.",
        ),
    ),
}


def stages_of(one: Gearing) -> list[tuple[Lane, int, Stage, str]]:
    """Return every stage once, with the word for its side where the Line has branched."""
    return [
        (lane, k, stage, f"{lane.word}." if len(one.lanes) > 1 and k >= lane.shared else "")
        for n, lane in enumerate(one.lanes)
        for k, stage in enumerate(lane.chain.stages)
        if not (n and k < lane.shared)
    ]


def titled(side: str, title: str) -> str:
    """Return a check's title with the side that it is of."""
    return f"{side.removesuffix('.').capitalize()} {title[0].lower()}{title[1:]}" if side else title


def worst_of_gears(names: Sequence[str | None], gears: Sequence[Sequence[Check]]) -> tuple[Check, ...]:
    """Return of each check the worst over the gears, saying in which one it is.

    Args:
        names: Of the gears.
        gears: The same checks in each gear, in one order.
    """
    found = []
    for same in zip(*gears, strict=True):
        worst = worst_first(same)[0]
        if len(names) > 1:
            name = names[next(k for k, one in enumerate(same) if one is worst)]
            worst = worst.model_copy(update={"says": f"in {name}: {worst.says}"})
        found.append(worst)
    return tuple(found)


def speed_checks(one: Gearing, in_gear: tuple[Gearing, ...], brief: Brief, judge: Judge) -> tuple[Check, ...]:
    """Return what turns too fast.

    Args:
        one: The gearing.
        in_gear: The same in every gear that can be engaged.
        brief: The vehicle and its motors.
        judge: Of the bench.
    """
    checks: list[Check] = []
    for lane, k, stage, side in stages_of(one):
        if stage.kind in BOXES:
            checks.append(_box_speed(one, lane, k, side, judge))
        if stage.kind is StageKind.TRANSFER:  # behind the gears: fastest in the highest of them
            speeds = [_box_speed(gear, gear.lanes[0], k, side, judge) for gear in in_gear]
            checks.append(max(speeds, key=lambda check: check.demand or 0.0))
        checks += [_at_road_speed(limit, one, lane, k, side, brief, judge) for limit in LIMITS.get(stage.kind, ())]
    # Nobody changes range at speed.
    gears = tuple(gearing for gearing in in_gear if gearing.pick.transfer == one.pick.transfer)
    if len(gears) > 1:
        checks.append(_downshift(one, gears, brief, judge))
    return tuple(checks)


def _box_speed(one: Gearing, lane: Lane, k: int, side: str, judge: Judge) -> Check:
    """At the motor's own top speed: in a low gear, out of gear or downhill nothing else bounds it."""
    stage = lane.chain.stages[k]
    rpm = one.motors[lane.motor].greatest_rpm / float(lane.chain.speed_divisors[k])
    word = stage_word(stage.kind)
    missing = missing_of({f"Greatest input speed of the {word}": stage.greatest_input_rpm})
    says = f"{fig(rpm, 'rpm', 0)} when the motor is at its top speed"
    return judge.check(
        "maker_rating",
        key=f"{side}{stage.kind.value}.speed",
        title=titled(side, f"{word.capitalize()} input speed"),
        demand=rpm,
        capacity=stage.greatest_input_rpm,
        unit="rpm",
        says=f"{says}. {wanted_words(missing)}"
        if missing
        else f"{says}; it may turn {num(stage.greatest_input_rpm, 'rpm', 0)}",
        station=f"{side}{stage.kind.value}",
        missing=missing,
        inputs=("brief.motor.greatest_rpm", f"ratios.{stage.kind.value}", "ratios.choice"),
        working=lambda: box_speed_working(one, lane, k, rpm),
    )


def _road_rpm(lane: Lane, k: int, brief: Brief) -> float | None:
    """Speed at a stage's input at the wanted road speed."""
    wanted = brief.wanted_top_kmh
    return wanted / KMH_PER_MS * lane.rpm_per_ms / float(lane.chain.speed_divisors[k]) if wanted else None


def _at_road_speed(limit: _Limit, one: Gearing, lane: Lane, k: int, side: str, brief: Brief, judge: Judge) -> Check:
    """A shaft behind the gears turns with the wheels: judged at the wanted road speed."""
    stage, rpm = lane.chain.stages[k], _road_rpm(lane, k, brief)
    greatest_rpm: float | None = getattr(stage, limit.field)
    missing = missing_of({"Wanted top speed": rpm, limit.words.capitalize(): greatest_rpm})
    says = f"{fig(rpm, 'rpm', 0)} at {fig(brief.wanted_top_kmh, 'km/h', 0)}" if rpm else ""
    return judge.check(
        limit.kind,
        key=f"{side}{limit.key}",
        title=titled(side, limit.title),
        demand=rpm,
        capacity=greatest_rpm,
        unit="rpm",
        says=f"{says}; {limit.words} {num(greatest_rpm, 'rpm', 0)}"
        if not missing
        else f"{says}. {wanted_words(missing)}".removeprefix(". "),
        station=f"{side}{stage.kind.value}",
        missing=missing,
        inputs=("brief.wanted.top_speed", "brief.tyre", f"ratios.{stage.kind.value}", "ratios.choice"),
        working=lambda: shaft_speed_working(one, lane, k, brief, limit.source, rpm=rpm),
    )


def _downshift(one: Gearing, in_gear: tuple[Gearing, ...], brief: Brief, judge: Judge) -> Check:
    """Into the lowest gear at the wanted top speed: a missed shift, or rolling down a hill in it."""
    same = [
        gearing for gearing in in_gear if gearing.pick.transfer == one.pick.transfer
    ]  # nobody changes range at speed
    forward = [gearing for gearing in same if not _is_reverse(gearing)] or [one]
    lowest = max(forward, key=lambda gearing: gearing.rpm_per_ms())
    wanted, greatest_rpm = brief.wanted_top_kmh, one.motors[0].greatest_rpm
    rpm = wanted and wanted / KMH_PER_MS * lowest.rpm_per_ms()
    missing = missing_of({"Wanted top speed": rpm, BOTH_VOLTAGES: one.motors[0].is_voltage_known})
    says = wanted_words(missing)
    if rpm and wanted:
        below_kmh = greatest_rpm / lowest.rpm_per_ms() * KMH_PER_MS
        says = f"into {lowest.pick.gear} at {fig(wanted, 'km/h', 0)} the motor turns {fig(rpm, 'rpm', 0)}"
        says += f"; shift into it below {fig(below_kmh, 'km/h', 0)}"
        says += f", at best. {wanted_words(missing)}" if missing else ""
    return judge.check(
        "motor_top_speed",
        key="motor.downshift",
        title="Motor speed on a downshift",
        demand=rpm,
        capacity=greatest_rpm,
        unit="rpm",
        says=says,
        station="motor",
        missing=missing,
        inputs=("ratios.gearbox", "brief.wanted.top_speed", "brief.motor.greatest_rpm", "brief.tyre", "ratios.choice"),
        working=lambda: downshift_working(forward, lowest, brief),
    )


def _is_reverse(one: Gearing) -> bool:
    """Nobody gets into reverse at speed."""
    return any(stage.kind is StageKind.GEARBOX and stage.sense == -1 for stage in one.lanes[0].chain.stages)
