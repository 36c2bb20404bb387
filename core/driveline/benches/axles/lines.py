"""A line of propshafts, as far as it is known."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.bars import load_at
from driveline.benches.axles.ends import STILL, moves_at, points_of
from driveline.benches.axles.line_missing import (
    angles_missing,
    directions_missing,
    joints_missing,
    standing_missing,
    travel_missing,
    twist_missing,
    wind_missing,
)
from driveline.benches.axles.measured import joints_mm
from driveline.benches.axles.needs import AxlesNeeds, ShaftLoad
from driveline.benches.axles.posing import (
    RPM_AT_ONE,
    UNWOUND,
    Posed,
    Swept,
    Wound,
    not_folded,
    posed_of,
    slips_of,
    squared_speed,
    standing_of,
    swept_of,
)
from driveline.benches.axles.sheet import JointKind, PropLine
from driveline.cardan.chains import Chain, exact_of_lines_rad_s2
from driveline.cardan.slip import Slip
from driveline.errors import ImpossibleInput
from driveline.margins import missing_of
from driveline.sheet import positive_of, value_of


@dataclass(frozen=True, kw_only=True)
class LineFound:
    """A line of propshafts as far as it is known."""

    line: PropLine
    key: str
    field: str
    load: ShaftLoad | None
    ends_missing: tuple[str, ...]  # of where its joints are and which way its ends point, wherever it is moved
    rest_missing: tuple[str, ...]  # the same with the unit at rest
    twist_missing: tuple[str, ...]
    moves_missing: tuple[str, ...]
    travel_missing: tuple[str, ...]
    standing_missing: tuple[str, ...]
    wind_missing: tuple[str, ...]
    joints_mm: Floats | None  # at ride, (n, 3)
    standing: tuple[Posed, ...]  # at the heights at which its axle stands, the unit at rest
    posed: tuple[Posed, ...]
    swept: Swept | None
    slips: dict[int, Slip]
    doubts: tuple[tuple[str, str], ...]

    @property
    def station(self) -> str | None:
        """The place on the Line that it hangs on."""
        return None if self.load is None else self.load.station

    @property
    def rpm(self) -> float | None:
        """How fast it turns at the wanted road speed."""
        return None if self.load is None else self.load.rpm

    @property
    def speed_missing(self) -> tuple[str, ...]:
        """What keeps that from being known, in words."""
        return missing_of({"Wanted top speed, and a gearing chosen that has the propshaft": self.rpm})

    @property
    def joints_missing(self) -> tuple[str, ...]:
        """What keeps the joints' places from being known, in words."""
        return () if self.swept is not None else self.ends_missing

    @property
    def rides_mm(self) -> Floats | None:
        """How long each shaft is at ride height, the unit at rest, (joints - 1,)."""
        return None if self.joints_mm is None else np.linalg.norm(np.diff(self.joints_mm, axis=0), axis=1)

    @property
    def at_ride(self) -> Chain | None:
        """The chain at ride height, the unit at rest."""
        return self.posed[0].chain if self.posed else None

    @cached_property
    def drives(self) -> Floats:
        """Greatest acceleration of each shaft after the first with that one turning evenly, over ω², (posed, n)."""
        return self._uneven([one.chain for one in self.posed])

    @cached_property
    def coasts(self) -> Floats:
        """The same of each shaft before the last with the last one turning evenly, from the box on, (posed, joints)."""
        return self._uneven([one.chain.reversed() for one in self.posed])[:, ::-1]

    @cached_property
    def worst_drive(self) -> tuple[Posed, float] | None:
        """Where the axle is driven least evenly, and its acceleration there, rad/s²; ``None`` while it is not known."""
        if not self.posed or self.rpm is None or self.twist_missing:
            return None
        at_axle = self.drives[:, -1] * squared_speed(self.rpm)
        return self.posed[int(at_axle.argmax())], float(at_axle.max())

    def lines_of(self, where: str, j: int) -> tuple[Floats, Floats] | None:
        """Return the directions of both sides of a joint, posed in a case; ``None`` where there is none."""
        found = next((posed.chain.lines for posed in self.posed if posed.name == where), None)
        return None if found is None else (found[j], found[j + 1])

    @property
    def worst_uneven(self) -> float | None:
        """How unevenly it is driven there, over ω²."""
        return float(self.drives[:, -1].max()) if self.posed else None

    def _uneven(self, chains: Sequence[Chain]) -> Floats:
        """Of chains of the same joints and yokes, that stand differently."""
        return exact_of_lines_rad_s2(chains[0], np.array([one.lines for one in chains]), RPM_AT_ONE)


def line_found(line: PropLine, k: int, needs: AxlesNeeds) -> LineFound:
    """Return a line of propshafts, as far as it is known."""
    points, field = points_of(needs), f"axles.lines.{k}"
    places = joints_missing(line, points)
    angles = angles_missing(line)
    joints = None if places else joints_mm(line, points)
    doubts: list[tuple[str, str]] = [*_doubts(line, field)]
    standing, at_rest = _standing(line, joints, field)
    posed: tuple[Posed, ...] = ()
    swept, slips = None, dict[int, Slip]()
    wound = wound_of(line, needs)
    moves = moves_at(joints[0], needs) if joints is not None and needs.has_moves else STILL
    if joints is not None:
        try:
            if not directions_missing(line):
                posed = tuple(not_folded(one) for one in posed_of(line, joints, moves, wound))
            swept = swept_of(line, joints, moves, wound)
        except ImpossibleInput as error:
            doubts.append((f"{field}.joints", f"{line.name}: {error}"))
            posed = ()
    if swept is not None and joints is not None:
        slips = slips_of(line, swept, joints, moves)
    bent, as_it_stands = (tuple(f"{line.name}: {text}" for _, text in said) for said in (doubts, at_rest))
    return LineFound(
        line=line,
        key=f"axles.l{k + 1}",
        field=field,
        load=load_at("propshaft", line.which, needs),
        ends_missing=(*places, *angles, *bent),
        rest_missing=(*places, *angles, *as_it_stands),
        twist_missing=tuple(twist_missing(line)),
        moves_missing=needs.moves_missing,
        travel_missing=travel_missing(line),
        standing_missing=standing_missing(line),
        wind_missing=wind_missing(line, needs),
        joints_mm=joints,
        standing=standing,
        posed=posed,
        swept=swept,
        slips=slips,
        doubts=tuple(doubts),
    )


def _standing(
    line: PropLine, joints: Floats | None, field: str
) -> tuple[tuple[Posed, ...], tuple[tuple[str, str], ...]]:
    """The line as its axle stands, the unit at rest, and what can't be of it: how a case moves it is another matter."""
    doubts = tuple(_doubts(line, field))
    if joints is None or directions_missing(line):
        return (), doubts
    try:
        return tuple(not_folded(one) for one in standing_of(line, joints)), doubts
    except ImpossibleInput as error:
        return (), (*doubts, (f"{field}.joints", f"{line.name}: {error}"))


def wound_of(line: PropLine, needs: AxlesNeeds) -> Wound:
    """Return how far the pinion's nose winds up and down: as stated or by its springs' rate, whichever is more.

    Reverse and brakes load the springs the other way as hard as launch: by the rate it winds as far down as up.
    """
    if line.is_fixed:
        return UNWOUND
    load = load_at("axle", line.which, needs)
    by_rate = 0.0
    if line.wind_nm_per_deg is not None and load is not None and load.design_nm is not None:
        by_rate = load.design_nm / line.wind_nm_per_deg
    return Wound(
        up_deg=max(value_of(line.winds_up) or 0.0, by_rate),
        down_deg=max(value_of(line.winds_down) or 0.0, by_rate),
        ahead_mm=value_of(line.pinion_ahead) or 0.0,
        above_mm=value_of(line.pinion_above) or 0.0,
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
