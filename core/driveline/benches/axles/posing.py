"""A line of propshafts as it stands: at ride, laden and empty, under launch and overrun, and over all travel."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.ends import AT_REST, Moves
from driveline.benches.axles.sheet import JointKind, PropJoint, PropLine
from driveline.cardan.chains import Chain, bends_deg, toward
from driveline.cardan.slip import Slip, slip_of
from driveline.errors import ImpossibleInput
from driveline.sheet import value_of
from driveline.space.pose import turn_about

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


@dataclass(frozen=True, slots=True, kw_only=True)
class Swept:
    """A line over all travel of the axle and all moves of the unit: (states, joints) and (states, shafts)."""

    angles_deg: Floats
    lengths_mm: Floats


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


def posed_of(line: PropLine, joints_mm: Floats, moves: Moves, wound: float) -> Iterator[Posed]:
    """Return the line where its axle stands, and with the unit and the axle as launch and overrun move them.

    Raises:
        ImpossibleInput: If two joints are in one place or a joint bends 90°.
    """
    box, pinion = _ends(line, joints_mm)
    yield from standing_of(line, joints_mm)
    for case, up in ((LAUNCHES, wound), (OVERRUNS, 0.0)):
        at = moves.names.index(case) if case in moves.names else moves.names.index(AT_REST)
        if not up and moves.names[at] == AT_REST:
            continue
        moved = joints_mm.copy()
        moved[0] += moves.shifts_mm[at]
        yield Posed(name=case, chain=_chain(line, moved, moves.turns[at] @ box, nose_up(pinion, up)))


def not_folded(posed: Posed) -> Posed:
    """Return a line as it stands.

    Raises:
        ImpossibleInput: If a joint is bent farther than any can be.
    """
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
