"""A line of propshafts as it stands: at ride, laden and empty, under launch and overrun, and over all travel."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.arc import arc_of
from driveline.benches.axles.ends import AT_REST, Moves
from driveline.benches.axles.measured import zero_deg
from driveline.benches.axles.sheet import AxlePath, JointKind, PropJoint, PropLine
from driveline.cardan.chains import Chain, bends_deg, toward
from driveline.cardan.slip import Slip, slip_of
from driveline.cardan.wound import Pinion
from driveline.errors import ImpossibleInput
from driveline.sheet import value_of

HEIGHTS: Final = 41
AT_RIDE: Final = "at ride height"
LADEN: Final = "laden"
EMPTY: Final = "empty"
LAUNCHES: Final = "launch"
WINDS_DOWN: Final = ("overrun", "launch backward", "wheels locked")
FOLDED_DEG: Final = 60.0  # no joint of a propshaft bends so far
RPM_AT_ONE: Final = 30 / math.pi  # one radian a second


@dataclass(frozen=True, kw_only=True)
class Posed:
    """A line of shafts as it stands in a case."""

    name: str
    chain: Chain


@dataclass(frozen=True, slots=True, kw_only=True)
class Swept:
    """A line over all travel of the axle and all moves of the unit: (states, joints) and (states, shafts)."""

    angles_deg: Floats
    lengths_mm: Floats
    lines: Floats  # (states, joints + 1, 3)

    def worst_lines(self, j: int) -> tuple[Floats, Floats]:
        """Return the directions of both sides of a joint where it is bent most, (3,) each."""
        row = int(self.angles_deg[:, j].argmax())
        return self.lines[row, j], self.lines[row, j + 1]


def squared_speed(rpm: float) -> float:
    """Return ω², 1/s²."""
    return (rpm / RPM_AT_ONE) ** 2


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
        toward(
            joints_mm[0],
            joints_mm[-1],
            falls_deg=(value_of(one.falls) or 0.0) - zero_deg(line),
            left_deg=value_of(one.left) or 0.0,
        )
        for one in (line.box, line.pinion)
    )
    return box, pinion


def _heights(line: PropLine, joints_mm: Floats) -> Iterator[tuple[str, Floats, Floats]]:
    """The heights at which its axle stands, with its joints and the pinion's line there."""
    _, pinion = _ends(line, joints_mm)
    yield AT_RIDE, joints_mm, pinion
    arc = arc_of(line)
    for name, up_mm in ((LADEN, value_of(line.laden)), (EMPTY, -(value_of(line.empty) or 0.0))):
        if up_mm and not line.is_fixed:
            stood = joints_mm.copy()
            (shift,), (turned,) = arc.at([up_mm], _toward_box(joints_mm), pinion)
            stood[-1] += shift
            yield name, stood, turned


def _toward_box(joints_mm: Floats) -> float:
    return 1.0 if joints_mm[0, 0] >= joints_mm[-1, 0] else -1.0


def standing_of(line: PropLine, joints_mm: Floats) -> Iterator[Posed]:
    """Return the line at ride, laden and empty.

    Raises:
        ImpossibleInput: If two joints are in one place or a joint bends 90°.
    """
    box, _ = _ends(line, joints_mm)
    for name, stood, pinion in _heights(line, joints_mm):
        yield Posed(name=name, chain=_chain(line, stood, box, pinion))


@dataclass(frozen=True, slots=True, kw_only=True)
class Wound:
    """How far a live axle winds its pinion's nose up and down, and how far ahead of its centre the joint stands."""

    up_deg: float
    down_deg: float
    ahead_mm: float
    above_mm: float

    def pinion(self, joints_mm: Floats, line: Floats) -> Pinion:
        """Return the pinion as it stands."""
        return Pinion(joint_mm=joints_mm[-1], line=line, ahead_mm=self.ahead_mm, above_mm=self.above_mm)


UNWOUND: Final = Wound(up_deg=0.0, down_deg=0.0, ahead_mm=0.0, above_mm=0.0)


def posed_of(line: PropLine, joints_mm: Floats, moves: Moves, wound: Wound) -> Iterator[Posed]:
    """Return the line where its axle stands, and there as every way of driving moves unit and axle.

    Raises:
        ImpossibleInput: If two joints are in one place or a joint bends 90°.
    """
    box, _ = _ends(line, joints_mm)
    yield from standing_of(line, joints_mm)
    ways = {LAUNCHES: wound.up_deg, **dict.fromkeys(WINDS_DOWN, -wound.down_deg)}
    for height, stood, pinion in _heights(line, joints_mm):
        for case, up_deg in ways.items():
            for move in dict.fromkeys((case, AT_REST)):  # the axle winds up whether mounts give much or hardly
                if move not in moves.names or (not up_deg and move == AT_REST):
                    continue
                at = moves.names.index(move)
                moved = stood.copy()
                moved[0] += moves.shifts_mm[at]
                moved[-1], turned = wound.pinion(stood, pinion).wound(up_deg)
                still = ", unit at rest" if move == AT_REST and case in moves.names else ""
                name = f"{case}{'' if height == AT_RIDE else f', {height}'}{still}"
                yield Posed(name=name, chain=_chain(line, moved, moves.turns[at] @ box, turned))


def not_folded(posed: Posed) -> Posed:
    """Return a line as it stands.

    Raises:
        ImpossibleInput: If a joint is bent farther than any can be.
    """
    bent = posed.chain.angles_deg
    if not float(bent.max()) < FOLDED_DEG:
        raise ImpossibleInput(f"the angle at joint {int(bent.argmax()) + 1}", f"{bent.max():.0f}°", "less than 60°")
    return posed


def swept_of(line: PropLine, joints_mm: Floats, moves: Moves, wound: Wound) -> Swept:
    """Return the line's joint angles and shaft lengths at every height, wound either way, with every move of the unit.

    Raises:
        ImpossibleInput: If two joints are in one place.
    """
    bump, droop = value_of(line.bump) or 0.0, value_of(line.droop) or 0.0
    if line.is_fixed:
        bump = droop = 0.0
    heights = np.unique(np.concatenate((np.linspace(-droop, bump, HEIGHTS), [0.0])))
    box, pinion = _ends(line, joints_mm)
    places, lines_to = _pinions(line, joints_mm, pinion, heights, wound)
    shape = (*places.shape[:2], len(moves.names))
    states = np.broadcast_to(joints_mm, (*shape, *joints_mm.shape)).copy()
    states[..., -1, :] = places[:, :, None]
    states[..., 0, :] += moves.shifts_mm
    states = states.reshape(-1, *joints_mm.shape)
    boxes = np.broadcast_to(moves.turns @ box, (*shape, 3)).reshape(-1, 3)
    pinions = np.broadcast_to(lines_to[:, :, None], (*shape, 3)).reshape(-1, 3)
    shafts = np.diff(states, axis=1)
    lengths = np.linalg.norm(shafts, axis=-1)
    if not lengths.min() > 0:
        raise ImpossibleInput("joints", 0, "apart from one another")
    lines = np.concatenate((boxes[:, None], shafts, pinions[:, None]), axis=1)
    return Swept(angles_deg=bends_deg(lines), lengths_mm=lengths, lines=lines)


def _pinions(line: PropLine, joints_mm: Floats, pinion: Floats, heights: Floats, wound: Wound) -> tuple[Floats, Floats]:
    """Where the pinion's joint is at every height and wind, and which way it points, (heights, winds, 3) each."""
    by_deg = sorted({0.0, wound.up_deg, -wound.down_deg}, key=abs)
    shifts, lines = arc_of(line).at(heights, _toward_box(joints_mm), pinion)
    if line.goes is not AxlePath.MEASURED:  # the same at every height
        own = [wound.pinion(joints_mm, pinion).wound(each) for each in by_deg]
        joints, turned = (np.array(one) for one in zip(*own, strict=True))
        whole = np.broadcast_to(turned, (len(heights), *turned.shape))
        return joints + shifts[:, None], np.asarray(whole)
    places, lines_to = [], []
    for shift, there in zip(shifts, lines, strict=True):
        stood = joints_mm + shift
        own = [wound.pinion(stood, there).wound(each) for each in by_deg]
        places.append([joint for joint, _ in own])
        lines_to.append([line for _, line in own])
    return np.array(places), np.array(lines_to)


def slips_of(line: PropLine, swept: Swept, joints_mm: Floats, moves: Moves) -> dict[int, Slip]:
    """Return how far each slip joint goes, by its shaft."""
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
