"""«It shakes at 90»: all that comes round once or oftener a turn at a road speed, and what it would set going."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from driveline.benches.axles.bars import tube_critical_rpm
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.needs import ShaftLoad
from driveline.benches.axles.results import Shake, ShakesShown
from driveline.benches.axles.sheet import AxlesSheet, InnerKind, JointKind
from driveline.benches.axles.turning import SHUFFLE, WHEELS, TurningLine
from driveline.figures import fig
from driveline.sheet import value_of

PER_MINUTE: Final = 60.0
NEAR: Final = 0.15  # of a mode's frequency: from there on it is set going (one degree of freedom, little damping)


@dataclass(frozen=True, slots=True, kw_only=True)
class _Mode:
    hz: float
    words: str


def shakes_of(sheet: AxlesSheet, turning: TurningLine) -> ShakesShown | None:
    """Return what comes round how often at the road speed asked about, slowest first; ``None`` while none is.

    What is looked at must be known to be named: a shaft that is not entered pushes as well.
    """
    asked = value_of(sheet.turning.shakes_at)
    if not asked:
        return None
    needs, share = turning.needs, 0.0
    missing = []
    if needs.wanted_kmh and any(one.rpm for one in needs.loads):
        share = asked / needs.wanted_kmh
    else:
        missing.append("A gearing chosen, at Ratios, and the wanted top speed, at Brief")
    if not turning.lines and any(one.station.endswith("propshaft") for one in needs.loads):
        missing.append("The line of propshafts")
    modes = tuple(_modes(turning))
    missing += [*turning.missing[:1], *needs.unit_modes_missing]
    rows = sorted(_rows(sheet, turning, share), key=lambda row: row[1]) if share else []
    return ShakesShown(
        kmh=asked,
        shakes=tuple(
            Shake(what=what, per_turn=times, hz=hz, because=because, near=_near(hz, modes))
            for what, hz, times, because in rows
        ),
        missing=tuple(missing),
    )


def _rows(sheet: AxlesSheet, turning: TurningLine, share: float) -> Iterator[tuple[str, float, int, str]]:
    """What, how often a second, how often a turn, and what would be the matter."""
    axle = turning.axles[0] if turning.axles else None
    if axle is not None and axle.rpm:
        hz = axle.rpm * share / PER_MINUTE
        yield "wheels", hz, 1, "a wheel or tyre out of balance or out of true, a bent rim, a hub not seated"
        yield "wheels", 2 * hz, 2, "a tyre or disc oval; brake discs of uneven thickness, when braking"
        if any(one.inner.kind is InnerKind.TRIPOD for one in sheet.axles):
            yield "half shafts", 3 * hz, 3, "tripods bent too far, or dry: it goes off the throttle"
    for line in turning.lines:
        if line.rpm:
            hz = line.rpm * share / PER_MINUTE
            yield line.line.name, hz, 1, "its balance, a bent tube, a flange or yoke off centre"
            if any(joint.kind in (JointKind.CROSS, None) for joint in line.line.joints):
                yield line.line.name, 2 * hz, 2, "joint angles unlike one another, yokes twisted, or a worn cross"
    rpm = _motor_rpm(axle)
    if rpm:
        hz = rpm * share / PER_MINUTE
        yield "motor and coupler", hz, 1, "rotor or coupler out of balance, hub's runout, shafts out of line"
        if sheet.turning.steps_a_turn:
            steps = sheet.turning.steps_a_turn
            yield "motor", steps * hz, steps, "its own torque steps"


def _motor_rpm(axle: ShaftLoad | None) -> float | None:
    return None if axle is None or not axle.rpm or not axle.motor_turns else axle.rpm * axle.motor_turns


def _modes(turning: TurningLine) -> Iterator[_Mode]:
    for name, hz in turning.needs.unit_modes_hz:
        yield _Mode(hz=hz, words=f"the unit on its mounts, {name},")
    for gear in turning.gears:
        if gear.gear in ("", turning.needs.gear):
            yield _Mode(hz=gear.shuffle_hz, words=SHUFFLE)
            yield _Mode(hz=gear.wheels_hz, words=WHEELS)
    for line in turning.lines:
        critical_rpm = _critical_rpm(line)
        if critical_rpm is not None:
            yield _Mode(hz=critical_rpm / PER_MINUTE, words=f"{line.line.name} whirls")


def _critical_rpm(line: LineFound) -> float | None:
    """The lowest of its tubes'; ``None`` while one is not known."""
    rides = line.rides_mm
    if rides is None:
        return None
    found = [tube_critical_rpm(tube, ride) for tube, ride in zip(line.line.tubes, rides.tolist(), strict=True)]
    known = [one for one in found if one is not None]
    return min(known) if known and len(known) == len(found) else None


def _near(hz: float, modes: tuple[_Mode, ...]) -> str:
    near = [mode for mode in modes if abs(hz - mode.hz) <= NEAR * mode.hz]
    return "; ".join(f"{mode.words} at {fig(mode.hz, 'Hz', 1)}" for mode in near)
