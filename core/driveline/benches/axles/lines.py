"""A line of propshafts: its joints and shafts at ride, under launch and overrun, and over all the axle's travel."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.bars import STEEL, load_at, load_missing
from driveline.benches.axles.ends import AT_REST, STILL, Moves, moves_at, points_of
from driveline.benches.axles.needs import AxlesNeeds, ShaftLoad
from driveline.benches.axles.sheet import JointKind, PropJoint, PropLine, Tube
from driveline.cardan.chains import Chain, bends_deg, exact_rad_s2, toward
from driveline.cardan.slip import Slip, slip_of
from driveline.errors import ImpossibleInput
from driveline.margins import missing_of
from driveline.shafts.bars import critical_rpm
from driveline.sheet import positive_of, value_of
from driveline.space.pose import turn_about
from driveline.space.spots import Points, spot_missing, spot_mm

HEIGHTS: Final = 41
ACROSS: Final = np.array([0.0, 1.0, 0.0])
AT_RIDE: Final = "at ride height"
LADEN: Final = "laden"
EMPTY: Final = "empty"
LAUNCHES: Final = "launch"
OVERRUNS: Final = "overrun"
FOLDED_DEG: Final = 60.0  # no joint of a propshaft bends so far
RPM_AT_ONE: Final = 30 / math.pi  # one radian a second


@dataclass(frozen=True, kw_only=True)
class Posed:
    """A line of shafts as it stands in a case."""

    name: str
    chain: Chain

    @cached_property
    def drives(self) -> Floats:
        """Greatest acceleration of each shaft after the first with that one turning evenly, over ω², (joints,)."""
        return exact_rad_s2(self.chain, RPM_AT_ONE)

    @cached_property
    def coasts(self) -> Floats:
        """The same of each shaft before the last with the last one turning evenly, from the box on, (joints,)."""
        return exact_rad_s2(self.chain.reversed(), RPM_AT_ONE)[::-1]


@dataclass(frozen=True, slots=True, kw_only=True)
class Swept:
    """A line over all travel of the axle and all moves of the unit: (states, joints) and (states, shafts)."""

    angles_deg: Floats
    lengths_mm: Floats


def squared_speed(rpm: float) -> float:
    """Return ω², 1/s²."""
    return (rpm / RPM_AT_ONE) ** 2


@dataclass(frozen=True, slots=True, kw_only=True)
class LineFound:
    """A line of propshafts as far as it is known."""

    line: PropLine
    key: str
    field: str
    load: ShaftLoad | None
    ends_missing: tuple[str, ...]  # of where its joints are and which way its ends point
    twist_missing: tuple[str, ...]
    moves_missing: tuple[str, ...]
    travel_missing: tuple[str, ...]
    standing_missing: tuple[str, ...]
    wind_missing: tuple[str, ...]
    joints_mm: Floats | None  # at ride, (n, 3)
    posed: tuple[Posed, ...]
    swept: Swept | None
    slips: dict[int, Slip]
    doubts: tuple[tuple[str, str], ...]

    @property
    def station(self) -> str | None:
        """The place on the Line that it hangs on."""
        return None if self.load is None else self.load.station

    @property
    def rides_mm(self) -> Floats | None:
        """How long each shaft is at ride height, the unit at rest, (joints - 1,)."""
        return None if self.joints_mm is None else np.linalg.norm(np.diff(self.joints_mm, axis=0), axis=1)

    @property
    def at_ride(self) -> Chain | None:
        """The chain at ride height, the unit at rest."""
        return self.posed[0].chain if self.posed else None

    @property
    def standing(self) -> tuple[Posed, ...]:
        """The line at the heights at which its axle stands."""
        return tuple(one for one in self.posed if one.name in (AT_RIDE, LADEN, EMPTY))


def joints_missing(line: PropLine, points: Points) -> tuple[str, ...]:
    """Return what keeps the line's joints from having places, in words."""
    missing = list[str]()
    for k, joint in enumerate(line.joints):
        missing += spot_missing(joint.at, points, f"{line.name}, joint {k + 1}")
    if len(line.joints) < 2:
        missing.append(f"{line.name}: where its joints are, two or more from the box on")
    elif len(line.tubes) != len(line.joints) - 1:
        missing.append(f"{line.name}: a shaft between each two joints")
    return tuple(missing)


def angles_missing(line: PropLine) -> tuple[str, ...]:
    """Return what keeps its joints' angles from being known, beside where they are, in words."""
    kinds = (f"{line.name}, joint {j + 1}: what it is" for j, one in enumerate(line.joints) if one.kind is None)
    return (*kinds, *_lines_missing(line))


def _lines_missing(line: PropLine) -> tuple[str, ...]:
    return missing_of(
        {
            f"{line.name}: how the box's output line falls": value_of(line.box.falls),
            f"{line.name}: how the box's output line runs aside": value_of(line.box.left),
            f"{line.name}: how the pinion's line falls": value_of(line.pinion.falls),
            f"{line.name}: how the pinion's line runs aside": value_of(line.pinion.left),
        }
    )


def line_found(line: PropLine, k: int, needs: AxlesNeeds) -> LineFound:
    """Return a line of propshafts, as far as it is known."""
    points, field = points_of(needs), f"axles.lines.{k}"
    places = joints_missing(line, points)
    angles = angles_missing(line)
    joints = None if places else np.array([spot_mm(one.at, points) for one in line.joints])
    doubts: list[tuple[str, str]] = [*_doubts(line, field)]
    posed: tuple[Posed, ...] = ()
    swept, slips = None, dict[int, Slip]()
    moves = STILL if joints is None or needs.moves_missing else moves_at(joints[0], needs)
    if joints is not None:
        try:
            if not _lines_missing(line):
                posed = tuple(_not_folded(one) for one in _posed(line, joints, moves, wound_deg(line, needs)))
            swept = swept_of(line, joints, moves)
        except ImpossibleInput as error:
            doubts.append((f"{field}.joints", f"{line.name}: {error}"))
            posed = ()
    if swept is not None and joints is not None:
        slips = _slips(line, swept, joints, moves)
    bent = tuple(f"{line.name}: {text}" for _, text in doubts)
    return LineFound(
        line=line,
        key=f"axles.l{k + 1}",
        field=field,
        load=load_at("propshaft", line.which, needs),
        ends_missing=(*places, *angles, *bent),
        twist_missing=tuple(_twist_missing(line)),
        moves_missing=needs.moves_missing,
        travel_missing=travel_missing(line),
        standing_missing=standing_missing(line),
        wind_missing=wind_missing(line, needs),
        joints_mm=joints,
        posed=posed,
        swept=swept,
        slips=slips,
        doubts=tuple(doubts),
    )


def _standing_doubts(line: PropLine, field: str) -> Iterator[tuple[str, str]]:
    laden, empty, bump, droop = (value_of(one) for one in (line.laden, line.empty, line.bump, line.droop))
    if laden is not None and bump is not None and laden > bump:
        yield f"{field}.laden", "laden its axle would stand above its bump stop. Measure both again."
    if empty is not None and droop is not None and empty > droop:
        yield f"{field}.empty", "empty its axle would hang below its droop. Measure both again."


def _doubts(line: PropLine, field: str) -> Iterator[tuple[str, str]]:
    yield from _standing_doubts(line, field)
    for j, tube in enumerate(line.tubes):
        outside, wall = positive_of(tube.outside), positive_of(tube.wall)
        if outside is not None and wall is not None and wall > outside / 2:
            yield (f"{field}.tubes.{j}.wall", "its wall is more than half its diameter. Measure both again.")
        slip, drawn = value_of(tube.slip), value_of(tube.drawn)
        if slip is not None and drawn is not None and drawn > slip:
            yield (f"{field}.tubes.{j}.drawn", "it is drawn out farther than its slip joint goes. Measure both again.")
        ends = [one.kind for one in line.joints[j : j + 2]]
        if tube.phasing is not None and tube.phasing.deg and any(one is not JointKind.CROSS for one in ends if one):
            yield (f"{field}.tubes.{j}.phasing", "only yokes of two crosses can be twisted against each other.")


def _twist_missing(line: PropLine) -> Iterator[str]:
    for j, tube in enumerate(line.tubes):
        ends = [one.kind for one in line.joints[j : j + 2]]
        if len(ends) == 2 and all(one in (JointKind.CROSS, None) for one in ends) and tube.phasing is None:
            yield f"{line.name}, shaft {j + 1}: how its yokes stand to each other, 0 with inner ears in line"


def travel_missing(line: PropLine) -> tuple[str, ...]:
    """Return what keeps the axle's travel from being known, in words."""
    if line.is_fixed is None:
        return (f"{line.name}: whether the axle's housing is bolted to the vehicle",)
    if line.is_fixed:
        return ()
    return missing_of(
        {
            f"{line.name}: the axle's rise to the bump stop": value_of(line.bump),
            f"{line.name}: its droop": value_of(line.droop),
        }
    )


def standing_missing(line: PropLine) -> tuple[str, ...]:
    """Return what keeps the heights at which its axle stands, and how it winds up, from being known, in words."""
    if line.is_fixed:
        return ()
    if line.is_fixed is None:
        return (f"{line.name}: whether the axle's housing is bolted to the vehicle",)
    return missing_of(
        {
            f"{line.name}: how much higher the axle stands laden": value_of(line.laden),
            f"{line.name}: how much lower it stands empty": value_of(line.empty),
        }
    )


def wind_missing(line: PropLine, needs: AxlesNeeds) -> tuple[str, ...]:
    """Return what keeps the pinion's winding up from being known, in words."""
    if line.is_fixed is not False or line.winds_up is not None:
        return ()
    if line.wind_nm_per_deg is None:
        return (f"{line.name}: how far the pinion's nose winds up under launch, or by what torque a degree",)
    return load_missing("axle", line.name, load_at("axle", line.which, needs), needs)


def wound_deg(line: PropLine, needs: AxlesNeeds) -> float:
    """Return how far the pinion's nose winds up under launch: as stated or by its springs' rate, the greater."""
    load = load_at("axle", line.which, needs)
    stated = value_of(line.winds_up) or 0.0
    if line.is_fixed or line.wind_nm_per_deg is None or load is None or load.design_nm is None:
        return stated
    return max(stated, load.design_nm / line.wind_nm_per_deg)


def _is_cross(joint: PropJoint) -> bool:
    return joint.kind in (JointKind.CROSS, None)  # unknown, it is judged as the worst


def _chain(line: PropLine, joints_mm: Floats, box: Floats, pinion: Floats) -> Chain:
    return Chain(
        lines=(box, *np.diff(joints_mm, axis=0), pinion),
        is_cross=tuple(_is_cross(one) for one in line.joints),
        phasing_deg=tuple(value_of(one.phasing) or 0.0 for one in line.tubes),
    )


def _ends(line: PropLine, joints_mm: Floats) -> tuple[Floats, Floats]:
    box, pinion = (
        toward(joints_mm[0], joints_mm[-1], falls_deg=value_of(one.falls) or 0.0, left_deg=value_of(one.left) or 0.0)
        for one in (line.box, line.pinion)
    )
    return box, pinion


def standing_of(line: PropLine, joints_mm: Floats) -> Iterator[Posed]:
    """Return the line at ride, laden and empty.

    Raises:
        ImpossibleInput: If two joints are in one place or a joint bends 90°.
    """
    box, pinion = _ends(line, joints_mm)
    yield Posed(name=AT_RIDE, chain=_chain(line, joints_mm, box, pinion))
    for name, up_mm in ((LADEN, value_of(line.laden)), (EMPTY, -(value_of(line.empty) or 0.0))):
        if up_mm and not line.is_fixed:
            stood = joints_mm.copy()
            stood[-1, 2] += up_mm
            yield Posed(name=name, chain=_chain(line, stood, box, pinion))


def _posed(line: PropLine, joints_mm: Floats, moves: Moves, wound: float) -> Iterator[Posed]:
    """Where its axle stands, and with the unit and the axle as launch and overrun move them."""
    box, pinion = _ends(line, joints_mm)
    yield from standing_of(line, joints_mm)
    for case, up in ((LAUNCHES, wound), (OVERRUNS, 0.0)):
        at = moves.names.index(case) if case in moves.names else moves.names.index(AT_REST)
        if not up and moves.names[at] == AT_REST:
            continue
        moved = joints_mm.copy()
        moved[0] += moves.shifts_mm[at]
        yield Posed(name=case, chain=_chain(line, moved, moves.turns[at] @ box, nose_up(pinion, up)))


def _not_folded(posed: Posed) -> Posed:
    bent = posed.chain.angles_deg
    if not float(bent.max()) < FOLDED_DEG:
        raise ImpossibleInput(f"the angle at joint {int(bent.argmax()) + 1}", f"{bent.max():.0f}°", "less than 60°")
    return posed


def nose_up(pinion: Floats, by_deg: float) -> Floats:
    """Return a pinion's line, pointing at its axle, with its nose turned up: toward the box it rises more."""
    ahead = 1.0 if pinion[0] >= 0 else -1.0
    turned: Floats = turn_about(ACROSS, ahead * float(np.radians(by_deg))) @ pinion
    return turned


def swept_of(line: PropLine, joints_mm: Floats, moves: Moves) -> Swept:
    """Return the line's joint angles and shaft lengths over all travel of its axle and all moves of the unit.

    Raises:
        ImpossibleInput: If two joints are in one place.
    """
    bump, droop = value_of(line.bump) or 0.0, value_of(line.droop) or 0.0
    if line.is_fixed:
        bump = droop = 0.0
    heights = np.unique(np.concatenate((np.linspace(-droop, bump, HEIGHTS), [0.0])))
    many = len(heights) * len(moves.names)
    states = np.tile(joints_mm, (many, 1, 1))
    states[:, -1, 2] += np.repeat(heights, len(moves.names))
    states[:, 0] += np.tile(moves.shifts_mm, (len(heights), 1))
    box, pinion = _ends(line, joints_mm)
    boxes = np.tile(moves.turns @ box, (len(heights), 1))
    shafts = np.diff(states, axis=1)
    lengths = np.linalg.norm(shafts, axis=-1)
    if not lengths.min() > 0:
        raise ImpossibleInput("joints", 0, "apart from one another")
    lines = np.concatenate((boxes[:, None], shafts, np.tile(pinion, (many, 1))[:, None]), axis=1)
    return Swept(angles_deg=bends_deg(lines), lengths_mm=lengths)


def _slips(line: PropLine, swept: Swept, joints_mm: Floats, moves: Moves) -> dict[int, Slip]:
    rides = np.linalg.norm(np.diff(joints_mm, axis=0), axis=1)
    still = replace(swept, lengths_mm=swept.lengths_mm.reshape(-1, len(moves.names), len(rides))[:, 0])
    found = {}
    for j, tube in enumerate(line.tubes):
        if not tube.slips:
            continue
        way = np.diff(joints_mm, axis=0)[j] / rides[j]
        closes = moves.shifts_mm @ way if j == 0 else np.zeros(1)
        ends = (float(closes.min()), float(closes.max()))
        found[j] = slip_of(still.lengths_mm[:, j], ride_mm=float(rides[j]), closes_mm=ends)
    return found


def tube_inside_mm(tube: Tube) -> float | None:
    """Return a tube's inside diameter, 0 of a bar; ``None`` while it is not known or can't be."""
    outside, wall = positive_of(tube.outside), positive_of(tube.wall)
    if outside is None or wall is None or wall > outside / 2:
        return None
    return outside - 2 * wall


def tube_critical_rpm(tube: Tube, longest_mm: float) -> float | None:
    """Return the speed at which a tube would whirl; ``None`` while its sizes are not known."""
    outside, inside = positive_of(tube.outside), tube_inside_mm(tube)
    if outside is None or inside is None or not longest_mm > 0:
        return None
    return critical_rpm(
        length_mm=longest_mm,
        outside_mm=outside,
        inside_mm=inside,
        young_mpa=STEEL.modulus_mpa,
        density_kgm3=STEEL.density_kgm3,
    )
